import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN, JUNCTION_OHMS } from "../kind";
import { isFed } from "./load";
import { say } from "#words/core/model/kinds/buzzer";

/** A buzzer that sounds by itself while it is fed. */
export const buzzer = definePart({
  kind: "buzzer",
  fields: () => z.object({ volts: number({ above: 0, max: 60 }), amps: number({ above: 0, max: 1 }) }),
  electrical: {
    terminals: () => ["plus", "minus"],
    load: true,
    galvanic: () => [["plus", "minus"]],
    elements: () => [["plus", "minus"]],
    parameters: (f) => [{ name: "run ohms", nominal: f.volts / f.amps, tolerance: 0.2 }],
    stamp: ({ mode, values }, stamp) => stamp.conduct(0, mode === "open" ? OPEN : 1 / values[0]!),
    dead: ({ mode }, stamp) => stamp.between(0, OPEN, mode === "open" ? OPEN : 1 / JUNCTION_OHMS),
  },
  failures: {
    modes: () => [
      { id: "open", words: "open", odds: 1, source: "from memory" },
      { id: "mute", words: say.takesItsCurrentAndStays, odds: 0.6, source: "from memory" },
    ],
    signs: () => [{ id: "blocked", words: say.soundHoleBlockedOrWet, given: { mute: 0.5 }, otherwise: 0.05 }],
  },
  observed: {
    noticed: say.listenCloseByOtherNoise,
    observable: () => ({ what: "buzzer", labels: ["sounds", "silent"] }),
    look: ({ fields, mode }, view) =>
      mode === null && isFed(view, "plus", "minus", { current: "dc", volts: fields.volts }) ? "sounds" : "silent",
  },
  safety: { traits: [] },
  service: { alone: say.offTheBoardFedWith },
});
