import { definePart } from "../kind";
import { coilElectrical, coilPlate, isFed } from "./load";

/** A solenoid that pulls a plunger. */
export const solenoid = definePart({
  kind: "solenoid",
  fields: coilPlate,
  electrical: coilElectrical(0.5),
  failures: {
    modes: () => [
      { id: "open", words: "coil open", odds: 1.2, source: "from memory" },
      { id: "jammed", words: "plunger jammed", odds: 0.8, source: "from memory" },
    ],
  },
  observed: {
    noticed: "Listen for the click; feel the plunger.",
    observable: () => ({ what: "solenoid", labels: ["pulls", "rests"] }),
    look: ({ fields, mode }, view) => (mode === null && isFed(view, "a", "b", fields) ? "pulls" : "rests"),
  },
  safety: {
    traits: ["moves", "spring-or-weight"],
    cautions: ["A plunger that pulls can pinch."],
  },
  service: {
    alone: "Dead, leads off: ohms of the coil; the plunger moves freely.",
    tool: "heater",
  },
});
