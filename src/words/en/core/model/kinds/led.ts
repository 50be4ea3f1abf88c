/** What core/model/kinds/led says to people, in English. */
export const say = {
  needsAmpsOrOhms: "`amps` is missing: what it takes at its volts, or `ohms`, its series resistor",
  look: "Look.",
  deadDiodeFunctionBothWays: "Dead: diode function both ways, with a lamp's glow one way.",
};
