import { definePart } from "../kind";
import { coilElectrical, coilPlate, isFed } from "./load";

/** The coil of a gas valve. What is seen of it is the flame behind it. */
export const gasValveCoil = definePart({
  kind: "gas valve coil",
  fields: coilPlate,
  electrical: { ...coilElectrical(0.5), onlyByItsControl: true },
  failures: {
    modes: () => [
      { id: "open", words: "coil open", odds: 2, source: "from memory" },
      { id: "stuck", words: "valve stuck or no gas", odds: 0.8, source: "from memory" },
    ],
    signs: () => [{ id: "gas-smell", words: "smell of gas", given: { stuck: 0.1 }, otherwise: 0.005 }],
  },
  observed: {
    noticed: "Look for the flame through the peephole; gas smelt: stop, ventilate, hand over.",
    observable: () => ({ what: "flame", labels: ["flame", "no flame"] }),
    look: ({ fields, mode }, view) => (mode === null && isFed(view, "a", "b", fields) ? "flame" : "no flame"),
  },
  safety: {
    traits: ["gas", "licensed"],
    cautions: [
      "Smell of gas: no switch, no flame, shut the gas, air the room, leave. Gas is work for a licensed person.",
    ],
  },
  service: {
    alone: "Dead, gas shut, plug off: ohms of the coil only.",
    tool: "heater",
  },
});
