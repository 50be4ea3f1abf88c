/** What core/repair/proof-needs says to people, in English. */
export const say = {
  safetyTester: "Tester for the safety test after repair",
  /** By the name of the function that is tried with it. */
  triedWith: {
    sensors: "Thermometer",
    weight: "Scale",
    "low pack": "Adjustable bench supply",
    block: "Test block",
    dials: "Resistors in place of the senders",
    coins: "Test coins, a card",
    coin: "Test coins",
    food: "Resistor in place of the sensor",
  },
};
