/** What core/model/kinds/cooling-unit says to people, in English. */
export const say = {
  leaksOrNoLongerCirculates: "leaks or no longer circulates",
  smellOfAmmoniaYellowStain: "smell of ammonia, yellow stain",
  feelTheTubesAfterHalf: "Feel the tubes after half an hour, not before.",
  smellOfAmmoniaToxicStop:
    "Smell of ammonia: toxic. Stop, air the room, leave it to a licensed person. A unit that leaks is never heated again.",
  heatedDirectlyForSomeHours: "Heated directly for some hours, vents free, level: does it cool?",
};
