/** What core/model/family/cooker says to people, in English. */
export const say = {
  name: "Cooker",
  plate: (n: number) => `Plate ${n}`,
  ringElement: "Ring element",
  lowerElement: "Lower element",
  grillElement: "Grill element",
  ovenFan: "Oven fan",
  ovenLamp: "Oven lamp",
  ovenLimit: "Oven limit",
  ovenSensor: "Oven sensor",
  plates: {
    question: { ask: "Plates", choices: { "0": "None: an oven", "2": "Two", "3": "Three", "4": "Four" } },
    stage: { name: "All plates on", how: "Set every plate to full, a pot of water on each." },
  },
  oven: {
    question: { ask: "Oven", choices: { fan: "With a fan", still: "Lower element and grill", none: "None" } },
    stage: { name: "Oven heating", how: "Set the oven to 200 °C, cold." },
  },
  ovenHot: { name: "Oven hot", how: "Oven at 200 °C by thermometer." },
  askClock: "Does the clock blink, or is the child lock on?",
  clockThen: "Set the clock, take the lock off; try it.",
  caution:
    "Fixed wiring and its terminals belong to an electrician. Several lines: each stays live without the others.",
  askLamp: "Does the board switch the oven lamp?",
};
