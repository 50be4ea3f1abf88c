import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/breaker";

const poles = (n: number) => Array.from({ length: n }, (_, i) => i + 1);

/** A circuit breaker of one or two poles; it trips in the simulation too. */
export const breaker = definePart({
  kind: "breaker",
  fields: () => z.object({ amps: number({ above: 0, max: 1000 }), poles: number({ min: 1, max: 2 }).default(1) }),
  electrical: {
    terminals: (f) => poles(f.poles).flatMap((n) => [`line${n}`, `load${n}`]),
    galvanic: (f) => [poles(f.poles).flatMap((n) => [`line${n}`, `load${n}`])],
    elements: (f) => poles(f.poles).map((n) => [`line${n}`, `load${n}`] as const),
    parameters: () => [{ name: "ohms", nominal: 0.01, tolerance: 0.5 }],
    start: ({ mode }) => (mode === "tripped" ? 1 : 0),
    stamp({ fields, mode, values }, stamp, state) {
      poles(fields.poles).forEach((n, i) =>
        stamp.conduct(i, state === 1 || mode === `pole${n}-open` ? OPEN : 1 / values[0]!),
      );
    },
    next({ fields }, view, state) {
      const amps = Math.max(
        ...poles(fields.poles).map((_, i) => Math.max(Math.abs(view.current(i)), view.acCurrent(i))),
      );
      return state === 0 && amps > 5 * fields.amps ? { state: 1, delay: 0.02 } : null;
    },
    rated: (f) => ({ amps: f.amps, element: 0, bears: "breaker" }),
  },
  failures: {
    modes: (f) => [
      { id: "tripped", words: "tripped", odds: 1, source: "from memory", protective: true },
      ...poles(f.poles).map((n) => ({
        id: `pole${n}-open`,
        words: f.poles === 1 ? say.contactBurntOpen : say.poleBurntOpen(n),
        odds: 0.5,
        source: "from memory" as const,
      })),
    ],
    askedCauses: (_fields, mode) =>
      mode === "tripped"
        ? [
            { id: "beside", words: say.tooMuchOnItsCircuit, ask: say.isSomethingElseOnIt },
            { id: "inrush", words: say.theInrushAlone, ask: say.didItTripAtSwitchOn },
            { id: "tired", words: say.tiredContact, ask: say.isItWarmAtItsTerminals },
          ]
        : [],
    signs: () => [{ id: "handle-midway", words: say.handleStandsMidway, given: { tripped: 0.9 }, otherwise: 0.005 }],
  },
  observed: null,
  safety: {
    traits: ["protects", "over-current"],
    cautions: [say.aBreakerThatTrippedHas],
  },
  service: {
    alone: say.deadContinuityOfEachPole,
  },
});
