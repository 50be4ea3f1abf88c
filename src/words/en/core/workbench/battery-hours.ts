/** What core/workbench/battery-hours says to people, in English. */
export const say = {
  typeItsCapacity: "Type its capacity.",
  typeTheCurrent: "Type the current.",
  theCapacity: "The capacity",
  theCurrent: "The current",
  theHours: "The hours",
  anExponentIs1Or: "An exponent is 1 or more.",
  lasts: "Lasts",
  peukertsLaw1897FromMemory: "Peukert's law, 1897, from memory",
  givesUntilThen: "Gives until then",
  ahOfAh: (hours: number, capacity: number) => `${hours} Ah of ${capacity} Ah`,
  halfOfItWhichSpares: "Half of it, which spares a lead battery",
  ringsOffNoSpannerAcross: "Rings off, no spanner across it; its black lead comes off first and goes on last.",
  coldTakesAThirdOf:
    "Cold takes a third of it at freezing, age takes the rest: measure under load before you trust it.",
  batteryHours: "Battery hours",
  howLongABatteryCarries: "How long a battery carries a load",
  capacityAh: "Capacity, Ah",
  namedForHours: "Named for, hours",
  steadyCurrent: "Steady current",
  exponent: "Exponent",
};
