import { definePart } from "../kind";
import { coilElectrical, coilPlate, isFed } from "./load";
import { say } from "#words/core/model/kinds/gas-valve-coil";

/** The coil of a gas valve. What is seen of it is the flame behind it. */
export const gasValveCoil = definePart({
  kind: "gas valve coil",
  fields: coilPlate,
  electrical: { ...coilElectrical(0.5), onlyByItsControl: true },
  failures: {
    modes: () => [
      { id: "open", words: say.coilOpen, odds: 2, source: "from memory" },
      { id: "stuck", words: say.valveStuckOrNoGas, odds: 0.8, source: "from memory" },
    ],
    signs: () => [{ id: "gas-smell", words: say.smellOfGas, given: { stuck: 0.1 }, otherwise: 0.005 }],
  },
  observed: {
    noticed: say.lookForTheFlameThrough,
    observable: () => ({ what: "flame", labels: ["flame", "no flame"] }),
    look: ({ fields, mode }, view) => (mode === null && isFed(view, "a", "b", fields) ? "flame" : "no flame"),
  },
  safety: {
    traits: ["gas", "licensed"],
    cautions: [say.smellOfGasNoSwitch],
  },
  service: {
    goodOhms: (_, ohms) => ({ ohms }),
    alone: say.deadGasShutPlugOff,
    tool: "heater",
  },
});
