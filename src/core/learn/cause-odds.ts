import { failureSort, type Machine, type MachineFile } from "../model";
import type { CauseSeen } from "./outcome";

/** Jobs that the word of a file counts as much as; estimate E76. */
const SAID = 20;
/** The same of what a kind of part does in all machines, in causes expected; estimate E77. */
const SAID_OF_KIND = 5;
/** A confirmed cause counts half after so many days; estimate E78. */
const HALF_LIFE = 3 * 365.25;

const DAY = 86_400_000;

/** How likely each cause of a machine is before anything was looked at. */
export interface CauseOdds {
  readonly part: string;
  readonly mode: string;
  /** Share that the file gives it. */
  readonly said: number;
  /** What this shop has seen of it on this machine, by weight and age. */
  readonly seen: number;
  /** How much more often than files say parts of its kind failed so in the shop's other machines. */
  readonly elsewhere: number;
  /** Share that is used. */
  readonly used: number;
}

/** The causes of a machine, with the odds that its file gives. */
export interface FileOdds {
  readonly machine: string;
  readonly causes: readonly {
    readonly part: string;
    readonly mode: string;
    readonly sort: string;
    readonly said: number;
  }[];
}

/** What the file of a machine says of its causes; shares add to one. */
export function saidOdds({ file, parts }: Machine): FileOdds {
  const all = parts.flatMap((part) => part.modes.map((mode) => ({ part, mode })));
  const total = all.reduce((sum, { mode }) => sum + mode.odds, 0);
  return {
    machine: file.id,
    causes: all.map(({ part, mode }) => ({
      part: part.id,
      mode: mode.id,
      sort: failureSort(part, mode.id),
      said: mode.odds / total,
    })),
  };
}

/** What a confirmed cause counts at a moment, milliseconds since 1970: it is slowly forgotten. */
export function weightAt({ weight, at }: Pick<CauseSeen, "weight" | "at">, now: number): number {
  return weight * 0.5 ** (Math.max(0, now - at) / DAY / HALF_LIFE);
}

/** The same causes taken together, each at what it counts now: what is learned from them is the same, and quickly. */
export function gathered(seen: readonly CauseSeen[], now: number): readonly CauseSeen[] {
  const together = new Map<string, CauseSeen>();
  for (const cause of seen) {
    const key = `${cause.machine} ${cause.part}:${cause.mode} ${cause.sort}`;
    const weight = (together.get(key)?.weight ?? 0) + weightAt(cause, now);
    together.set(key, { ...cause, weight, at: now });
  }
  return [...together.values()];
}

/**
 * The odds of a machine's causes: the mean of a Dirichlet distribution. Its prior is what the file says, each cause
 * raised or lowered by how its kind of part did in the shop's other machines (seen over expected, a gamma-Poisson mean
 * that begins at one), and counts as `SAID` jobs; each confirmed cause adds its weight.
 */
export function causeOdds(
  own: FileOdds,
  seen: readonly CauseSeen[],
  others: readonly FileOdds[],
  now: number,
): readonly CauseOdds[] {
  const elsewhere = ratiosElsewhere(own.machine, seen, others, now);
  const raised = own.causes.map((c) => c.said * (elsewhere.get(c.sort) ?? 1));
  const total = raised.reduce((sum, r) => sum + r, 0);
  const counts = new Map<string, number>();
  for (const cause of seen)
    if (cause.machine === own.machine) {
      const key = `${cause.part}:${cause.mode}`;
      counts.set(key, (counts.get(key) ?? 0) + weightAt(cause, now));
    }
  const known = own.causes.map((c) => counts.get(`${c.part}:${c.mode}`) ?? 0);
  const all = known.reduce((sum, n) => sum + n, 0);
  return own.causes.map(({ part, mode, sort, said }, i) => ({
    part,
    mode,
    said,
    seen: known[i]!,
    elsewhere: elsewhere.get(sort) ?? 1,
    used: (SAID * (raised[i]! / total) + known[i]!) / (SAID + all),
  }));
}

/** By sort of failure: how often it was seen in the shop's other machines over how often their files would have it. */
function ratiosElsewhere(
  machine: string,
  seen: readonly CauseSeen[],
  others: readonly FileOdds[],
  now: number,
): ReadonlyMap<string, number> {
  const met = new Map<string, number>();
  const expected = new Map<string, number>();
  for (const file of others) {
    if (file.machine === machine) continue;
    const here = seen
      .filter((c) => c.machine === file.machine)
      .map((c) => ({ sort: c.sort, weight: weightAt(c, now) }));
    const total = here.reduce((sum, c) => sum + c.weight, 0);
    if (total === 0) continue;
    for (const { sort, weight } of here) met.set(sort, (met.get(sort) ?? 0) + weight);
    for (const { sort, said } of file.causes) expected.set(sort, (expected.get(sort) ?? 0) + said * total);
  }
  return new Map(
    [...new Set([...met.keys(), ...expected.keys()])].map((sort) => [
      sort,
      ((met.get(sort) ?? 0) + SAID_OF_KIND) / ((expected.get(sort) ?? 0) + SAID_OF_KIND),
    ]),
  );
}

/** Odds of failure by part and mode, as a file gives them. */
export type OddsByPart = Readonly<Record<string, Readonly<Record<string, number>>>>;

/** The largest weight that a file may give a failure. */
const MOST_ODDS = 100;

/** The odds that are used, in the weights of the file: together they weigh what they weighed there, or less. */
export function oddsByPart(machine: Machine, odds: readonly CauseOdds[]): OddsByPart {
  const said = machine.parts.reduce((sum, p) => sum + p.modes.reduce((s, m) => s + m.odds, 0), 0);
  const total = Math.min(said, MOST_ODDS / Math.max(...odds.map((o) => o.used)));
  const byPart: Record<string, Record<string, number>> = {};
  for (const { part, mode, used, said } of odds)
    // A cause that its file rules out stays ruled out.
    if (said > 0) (byPart[part] ??= {})[mode] = Math.min(MOST_ODDS, Number((used * total).toPrecision(6)));
  return byPart;
}

/** A file whose parts fail as learned. What is learned of parts that it has not is passed over. */
export function withOdds(file: MachineFile, odds: OddsByPart): MachineFile {
  const merged = Object.entries(odds).map(([part, modes]) => [part, { ...file.odds?.[part], ...modes }] as const);
  return { ...file, odds: { ...file.odds, ...Object.fromEntries(merged) } };
}
