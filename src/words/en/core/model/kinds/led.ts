/** What core/model/kinds/led says to people, in English. */
export const say = {
  look: "Look.",
  deadDiodeFunctionBothWays: "Dead: diode function both ways, with a lamp's glow one way.",
};
