import { definePart, OPEN } from "../kind";
import { coilParameters, coilPlate, isFed, stampWinding } from "./load";

/** A solenoid that pulls a plunger. */
export const solenoid = definePart({
  kind: "solenoid",
  fields: coilPlate,
  terminals: () => ["a", "b"],
  load: true,
  galvanic: () => [["a", "b"]],
  elements: () => [["a", "b"]],
  parameters: coilParameters,
  modes: () => [
    { id: "open", words: "coil open", odds: 1.2, source: "from memory" },
    { id: "jammed", words: "plunger jammed", odds: 0.8, source: "from memory" },
  ],
  stamp({ fields, mode, values }, stamp) {
    if (mode === "open") stamp.conduct(0, OPEN);
    else stampWinding(stamp, 0, values[0]!, fields, values[1]!, 0.5);
  },
  noticed: "Listen for the click; feel the plunger.",
  observable: () => ({ what: "solenoid", labels: ["pulls", "rests"] }),
  look: ({ fields, mode }, view) => (mode === null && isFed(view, "a", "b", fields) ? "pulls" : "rests"),
  cautions: ["A plunger that pulls can pinch."],
  alone: "Dead, leads off: ohms of the coil; the plunger moves freely.",
});
