import type { OptionSeen } from "./outcome";
import { type OddsByPart, weightAt } from "./cause-odds";

/** Repairs that the usual chance counts as much as; estimate E79. */
const SAID = 10;

/** What a job is made with where the shop has learned something. */
export interface LearnedOdds {
  readonly causes: OddsByPart;
  readonly holds: readonly HoldOdds[];
}

/** How often a repair option held in this shop. */
export interface HoldOdds {
  readonly option: string;
  readonly sort: string;
  readonly held: number;
  readonly cameBack: number;
}

/** What the shop has seen of each repair option on each sort of failure, by age. */
export function holdOdds(seen: readonly OptionSeen[], now: number): readonly HoldOdds[] {
  const found = new Map<string, { option: string; sort: string; held: number; cameBack: number }>();
  for (const { option, sort, held, at } of seen) {
    const key = `${option} ${sort}`;
    const row = found.get(key) ?? { option, sort, held: 0, cameBack: 0 };
    const weight = weightAt({ weight: 1, at }, now);
    found.set(key, held ? { ...row, held: row.held + weight } : { ...row, cameBack: row.cameBack + weight });
  }
  return [...found.values()].sort((a, b) => (a.option + a.sort < b.option + b.sort ? -1 : 1));
}

/** Repair options with the chance to hold that this shop has seen of them on a sort of failure. */
export function learnedHolds<O extends { readonly id: string; readonly holds: number }>(
  options: readonly O[],
  seen: readonly HoldOdds[],
  sort: string,
): readonly O[] {
  return options.map((option) => ({
    ...option,
    holds: chanceToHold(
      option.holds,
      seen.find((s) => s.option === option.id && s.sort === sort),
    ),
  }));
}

/** The chance that a repair holds: the mean of a beta distribution that begins at what is usual. */
export function chanceToHold(usual: number, seen: Pick<HoldOdds, "held" | "cameBack"> | undefined): number {
  if (!seen) return usual;
  return (SAID * usual + seen.held) / (SAID + seen.held + seen.cameBack);
}
