import { z } from "zod";
import { id, number } from "../scalar";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/thermal-cut-off";

const CLOSED = 0;
const OPENED = 1;

/** A cut-off that opens when its place grows too hot: for good, until it is set by hand, or until it has cooled. */
export const thermalCutOff = definePart({
  kind: "thermal cut-off",
  fields: () =>
    z.object({
      opensAbove: number({ min: 0, max: 600 }),
      place: id,
      resets: z.enum(["never", "by hand", "by itself"]),
    }),
  electrical: {
    terminals: () => ["a", "b"],
    galvanic: () => [["a", "b"]],
    elements: () => [["a", "b"]],
    parameters: () => [{ name: "ohms", nominal: 0.03, tolerance: 0.5 }],
    start: ({ mode }) => (mode === "open" ? OPENED : CLOSED),
    stamp: ({ values }, stamp, state) => stamp.conduct(0, state === OPENED ? OPEN : 1 / values[0]!),
    next({ fields, mode, conditions }, _view, state) {
      const hot = conditions.temperature(fields.place) > fields.opensAbove;
      if (state === CLOSED && hot) return { state: OPENED, delay: 5 };
      if (state === OPENED && !hot && mode === null && fields.resets === "by itself")
        return { state: CLOSED, delay: 5 };
      return null;
    },
    answersTo: (f) => ({ place: f.place, aboveCelsius: f.opensAbove }),
  },
  failures: {
    modes: (f) => [
      {
        id: "open",
        words: f.resets === "by hand" ? "tripped" : "open",
        odds: f.resets === "never" ? 1.5 : 1.2,
        source: "from memory",
        protective: true,
      },
    ],
    askedCauses: () => [
      { id: "vent", words: say.aBlockedVent, ask: say.isTheAirWayFree },
      { id: "cooling", words: say.lostCooling, ask: say.doesTheFanStand },
      { id: "dry", words: say.itRanDry, ask: say.hasItRunDry },
      { id: "moved", words: say.itsSensorMoved, ask: say.isItMovedOrLoose },
      { id: "wrong", words: say.anotherCutOff, ask: say.isItAnotherCutOff },
      { id: "tired", words: say.tiredOfItself, ask: say.isAllElseSound },
    ],
    signs: () => [{ id: "button-out", words: say.resetButtonStandsOut, given: { open: 0.5 }, otherwise: 0.01 }],
    unitSigns: { warm: 0.4 },
    provokedBy: "warming",
  },
  observed: null,
  safety: {
    traits: ["protects", "interlock", "often-bridged"],
    cautions: [say.aSafetyDeviceItIs],
  },
  service: {
    alone: say.deadLeadsOffContinuityNear,
    foundInLead: { opensAbove: 150, place: "lead", resets: "never" },
  },
});
