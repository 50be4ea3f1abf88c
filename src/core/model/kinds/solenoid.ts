import { definePart } from "../kind";
import { coilElectrical, coilPlate, isFed } from "./load";
import { say } from "#words/core/model/kinds/solenoid";

/** A solenoid that pulls a plunger. */
export const solenoid = definePart({
  kind: "solenoid",
  fields: coilPlate,
  electrical: coilElectrical(0.5),
  failures: {
    modes: () => [
      { id: "open", words: say.coilOpen, odds: 1.2, source: "from memory" },
      { id: "jammed", words: say.plungerJammed, odds: 0.8, source: "from memory" },
    ],
  },
  observed: {
    noticed: say.listenForTheClickFeel,
    observable: () => ({ what: "solenoid", labels: ["pulls", "rests"] }),
    look: ({ fields, mode }, view) => (mode === null && isFed(view, "a", "b", fields) ? "pulls" : "rests"),
  },
  safety: {
    traits: ["moves", "spring-or-weight"],
    cautions: [say.aPlungerThatPullsCan],
  },
  service: {
    goodOhms: (_, ohms) => ({ ohms }),
    alone: say.deadLeadsOffOhmsOf,
    tool: "heater",
  },
});
