import { definePart, OPEN } from "../kind";
import { coilParameters, coilPlate, isFed, stampWinding } from "./load";

/** Times its running current that it draws while it does not turn; from memory. */
const AT_REST = 2.5;

/** A pump with its motor. */
export const pump = definePart({
  kind: "pump",
  fields: coilPlate,
  terminals: () => ["a", "b"],
  load: true,
  galvanic: () => [["a", "b"]],
  elements: () => [["a", "b"]],
  parameters: coilParameters,
  modes: () => [
    { id: "open", words: "winding open", odds: 1.2, source: "from memory" },
    { id: "jammed", words: "jammed", odds: 1.5, source: "from memory" },
  ],
  stamp({ fields, mode, values }, stamp) {
    if (mode === "open") stamp.conduct(0, OPEN);
    else stampWinding(stamp, 0, values[0]!, fields, values[1]! * (mode === "jammed" ? AT_REST : 1), 0.6);
  },
  stampAtStart({ fields, mode, values }, stamp) {
    if (mode !== "open") stampWinding(stamp, 0, values[0]!, fields, values[1]! * AT_REST, 0.6);
  },
  noticed: "Listen; a hand on the hose feels the flow.",
  observable: () => ({ what: "pump", labels: ["pumps", "silent", "hums"] }),
  look: ({ fields, mode }, view) =>
    mode === "open" || !isFed(view, "a", "b", fields) ? "silent" : mode === "jammed" ? "hums" : "pumps",
  signs: () => [{ id: "debris", words: "debris in the pump", given: { jammed: 0.7 }, otherwise: 0.05 }],
  cautions: ["Water and mains: empty the tub and unplug before the pump is opened."],
  alone: "Dead, leads off: ohms of the winding; the impeller turns in steps by hand.",
});
