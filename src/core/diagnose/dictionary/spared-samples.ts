import type { Meter } from "../../instrument";
import type { Machine } from "../../model";
import { type Names, Readings } from "../../quantity";
import { type Test, testKey } from "../../simulate";
import type { Prediction } from "../reading/prediction";
import type { Column } from "./predictor";
import { accuracyIn, isOneReading } from "./shared-predictions";

/**
 * What was simulated before and may be shown again: puts what it has of test `t` in sample `k` into `place`; false where
 * it has nothing.
 */
export type Shown = (into: Readings, place: number, t: number, k: number) => boolean;

/** Columns by sample, in the order of the tests. */
export function shownIn(columns: readonly Column[], sampleOf: (k: number) => number): Shown {
  return (into, place, t, k) => {
    into.take(place, columns[sampleOf(k)]!, t);
    return true;
  };
}

/** Predictions by test; undefined for a test that was not simulated there. */
export function predictedIn(predictions: readonly (Prediction | undefined)[]): Shown {
  return (into, place, t, k) => {
    const prediction = predictions[t];
    if (!prediction || k >= prediction.length) return false;
    into.put(place, prediction[k]);
    return true;
  };
}

/**
 * All `count` samples of a hypothesis in one setup from those that were simulated (by their number). Samples of all
 * hypotheses are the same draws: where every test shows in them what something `known` shows in the same ones (the
 * sound machine, one of two faults alone, the same two points in another setup), the others are taken over from there,
 * and no machine is brought into that setup for them. Null where a test shows something of its own.
 */
export function completedSamples(
  tests: readonly Test[],
  simulated: ReadonlyMap<number, Column>,
  count: number,
  known: readonly Shown[],
  { meter, names }: { readonly meter: Meter; readonly names: Names },
): Column[] | null {
  const one = new Readings(1, names);
  const from: Shown[] = [];
  for (let t = 0; t < tests.length; t++) {
    const error = accuracyIn(tests[t]!, meter);
    const like = known.find((shown) => {
      for (const [k, column] of simulated)
        if (!shown(one, 0, t, k) || !isOneReading(column, t, one, 0, error)) return false;
      return true;
    });
    if (!like) return null;
    from.push(like);
  }
  return Array.from({ length: count }, (_, k) => {
    const own = simulated.get(k);
    if (own) return own;
    const column = new Readings(tests.length, names);
    from.forEach((shown, t) => shown(column, t, t, k));
    return column;
  });
}

/** Names what is measured or looked at, whatever the setup; with the power on and off apart. */
export function leadsOf(machine: Machine, test: Test): string {
  const { power } = machine.setupById.get(test.setup)!;
  return testKey({ ...test, setup: power });
}
