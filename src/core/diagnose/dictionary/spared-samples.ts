import type { Meter } from "../../instrument";
import type { Machine } from "../../model";
import { Names, Readings } from "../../quantity";
import { type Test, testKey } from "../../simulate";
import type { Prediction } from "../reading/prediction";
import type { Column } from "./predictor";
import { accuracyIn, isOneReading } from "./shared-predictions";

/**
 * Most faults show in most setups what the sound machine shows, or what they showed at the same two points in an
 * earlier setup. Samples of all hypotheses are the same draws, so where that holds for the samples that are simulated,
 * the others are taken over from there and no machine is brought into that setup for them. One a setup.
 */
export class SparedSamples {
  /** For each test what all hypotheses predict at the same leads in a setup before. */
  private readonly before: readonly (readonly Prediction[] | undefined)[];
  private readonly errors: readonly ReturnType<typeof accuracyIn>[];
  private readonly one: Readings;

  /** `sound`: the columns of the sound machine, all its samples; `earlier`: by `leadsOf`. */
  constructor(
    private readonly tests: readonly Test[],
    private readonly sound: readonly Column[],
    earlier: ReadonlyMap<string, readonly Prediction[]>,
    private readonly names: Names,
    { machine, meter }: { readonly machine: Machine; readonly meter: Meter },
  ) {
    this.before = tests.map((t) => earlier.get(leadsOf(machine, t)));
    this.errors = tests.map((t) => accuracyIn(t, meter));
    this.one = new Readings(1, names);
  }

  /**
   * All samples of a hypothesis, from those that were simulated (by their number); null where one of these shows
   * something of its own, so that the others have to be simulated too. `count`: how many there are; those beyond the
   * sound machine's differ from one of its in degree only, as `soundOf` says.
   */
  completed(
    h: number,
    simulated: ReadonlyMap<number, Column>,
    count: number,
    soundOf: (sample: number) => number,
  ): Column[] | null {
    for (let t = 0; t < this.tests.length; t++)
      if (!this.isLikeSound(t, simulated, soundOf) && !this.isLikeBefore(t, h, simulated)) return null;
    return Array.from({ length: count }, (_, k) => {
      const own = simulated.get(k);
      if (own) return own;
      const column = new Readings(this.tests.length, this.names);
      this.tests.forEach((_, t) => {
        if (this.isLikeSound(t, simulated, soundOf)) column.take(t, this.sound[soundOf(k)]!, t);
        else column.put(t, this.before[t]![h]![k]);
      });
      return column;
    });
  }

  private isLikeSound(t: number, simulated: ReadonlyMap<number, Column>, soundOf: (sample: number) => number): boolean {
    for (const [k, column] of simulated)
      if (!isOneReading(column, t, this.sound[soundOf(k)]!, t, this.errors[t]!)) return false;
    return true;
  }

  private isLikeBefore(t: number, h: number, simulated: ReadonlyMap<number, Column>): boolean {
    const before = this.before[t]?.[h];
    if (!before) return false;
    for (const [k, column] of simulated) {
      this.one.put(0, before[k]);
      if (!isOneReading(column, t, this.one, 0, this.errors[t]!)) return false;
    }
    return true;
  }
}

/** Names what is measured or looked at, whatever the setup; with the power on and off apart. */
export function leadsOf(machine: Machine, test: Test): string {
  const { power } = machine.setupById.get(test.setup)!;
  return testKey({ ...test, setup: power });
}
