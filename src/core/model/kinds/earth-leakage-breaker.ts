import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/earth-leakage-breaker";

/**
 * Share of its rated residual current at which a sound one trips: it must at the whole of it and must not at half
 * (IEC 61008-1, from memory).
 */
const TRIPS_AT = 0.75;

/** An earth-leakage breaker in the feed: it trips when less comes back through the neutral than went out. */
export const earthLeakageBreaker = definePart({
  kind: "earth-leakage breaker",
  fields: () => z.object({ milliamps: number({ above: 0, max: 500 }) }),
  electrical: {
    terminals: () => ["line", "neutral", "load-line", "load-neutral"],
    galvanic: () => [
      ["line", "load-line"],
      ["neutral", "load-neutral"],
    ],
    elements: () => [
      ["line", "load-line"],
      ["neutral", "load-neutral"],
    ],
    parameters: (f) => [
      { name: "ohms", nominal: 0.01, tolerance: 0.5 },
      { name: "tripping amperes", nominal: (TRIPS_AT * f.milliamps) / 1000, tolerance: 0.25 },
    ],
    start: ({ mode }) => (mode === "trips-by-itself" ? 1 : 0),
    stamp({ mode, values }, stamp, state) {
      const closed = 1 / values[0]!;
      stamp.conduct(0, state === 1 || mode === "line-open" ? OPEN : closed);
      stamp.conduct(1, state === 1 || mode === "neutral-open" ? OPEN : closed);
    },
    next({ values }, view, state) {
      const residual = Math.abs(view.acCurrent(0) - view.acCurrent(1));
      return state === 0 && residual > values[1]! ? { state: 1, delay: 0.03 } : null;
    },
  },
  failures: {
    modes: () => [
      { id: "trips-by-itself", words: say.tripsByItself, odds: 0.2, source: "from memory", protective: true },
      { id: "line-open", words: say.lineContactBurntOpen, odds: 0.2, source: "from memory" },
      { id: "neutral-open", words: say.neutralContactBurntOpen, odds: 0.2, source: "from memory" },
    ],
  },
  observed: {
    noticed: say.look,
    observable: () => ({ what: "breaker", labels: ["holds", "trips"] }),
    look: (_instance, _view, state) => (state === 1 ? "trips" : "holds"),
  },
  safety: {
    traits: ["protects", "licensed"],
    cautions: [say.neverBridgedAndTestedByItsKey],
  },
  service: {
    alone: say.withNothingPluggedInItHolds,
  },
});
