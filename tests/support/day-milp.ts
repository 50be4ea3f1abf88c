import highsLoader from "highs";
import { blocksOf, type Day, LATE } from "../../src/core/plan-day/day";

/** What a solver of mixed-integer programs says of a day: the least cost, or how far it came. */
export interface Solved {
  readonly isOptimal: boolean;
  readonly cost: number;
  /** No plan costs less than this. */
  readonly bound: number;
}

/**
 * A day of one or two people as a mixed-integer program, in the LP format: a start for each block, a yes or no for who of
 * two blocks is first on a person and on each rig, whose hands are on it, weighted completion, lateness, and hands that
 * come too late to where they are expected. Written from the words of the problem; the planner's own layouts are not used.
 * A thing that is few is there once.
 */
export function dayProgram(day: Day): string {
  const blocks = day.units.flatMap((unit, u) => blocksOf(unit, u).map((b, k) => ({ ...b, u, k, id: `${u}_${k}` })));
  const horizon = blocks.reduce((sum, b) => sum + b.hands + b.wait, 0) + Math.max(...day.units.map((u) => u.from));
  const lines: string[] = [];
  const binaries: string[] = [];
  /**
   * One of the two is over before the other begins: `length` is how long each holds what both need; `unless` names what
   * makes it no matter.
   */
  const apart = (name: string, a: string, b: string, lengthA: number, lengthB: number, unless = "") => {
    const y = `y_${name}_${a}_${b}`;
    binaries.push(y);
    const big = horizon + lengthA + lengthB;
    const free = unless === "" ? "" : ` - ${big} ${unless}`;
    lines.push(`s${a} - s${b} + ${big} ${y}${free} <= ${big - lengthA}`);
    lines.push(`s${b} - s${a} - ${big} ${y}${free} <= ${-lengthB}`);
  };
  /** Whether two blocks are in different hands: may be one only where they are. */
  const inOtherHands = (a: string, b: string): string => {
    const d = `d_${a}_${b}`;
    binaries.push(d);
    lines.push(`${d} - p${a} - p${b} <= 0`, `${d} + p${a} + p${b} <= 2`);
    return d;
  };
  if (day.people === 2) binaries.push(...blocks.map((b) => `p${b.id}`));
  blocks.forEach((a, i) => {
    const unit = day.units[a.u]!;
    // What waits already has begun.
    if (a.k === 0) lines.push(`s${a.id} ${a.hands === 0 ? "=" : ">="} ${unit.from}`);
    else {
      const before = blocks[i - 1]!;
      lines.push(`s${a.id} - s${before.id} >= ${before.hands + before.wait}`);
    }
    const isFirst = !blocks.some((b) => b.u === a.u && b.k < a.k && b.hands > 0);
    if (unit.expected !== undefined && a.hands > 0 && isFirst) lines.push(`m${a.u} - s${a.id} >= ${-unit.expected}`);
    const isLast = blocks[i + 1]?.u !== a.u;
    if (isLast) {
      lines.push(`c${a.u} - s${a.id} >= ${a.hands + a.wait}`);
      if (unit.promised !== null) lines.push(`t${a.u} - c${a.u} >= ${-unit.promised}`);
    }
    for (const b of blocks.slice(i + 1)) {
      if (b.u === a.u) continue;
      if (a.hands > 0 && b.hands > 0)
        apart("p", a.id, b.id, a.hands, b.hands, day.people === 2 ? inOtherHands(a.id, b.id) : "");
      for (const name of Object.keys(day.few)) {
        const length = (x: typeof a) =>
          x.holdsOn.includes(name) ? x.hands + x.wait : x.holds.includes(name) ? x.hands : 0;
        if (length(a) > 0 && length(b) > 0) apart(name, a.id, b.id, length(a), length(b));
      }
    }
  });
  const objective = day.units.flatMap((unit, u) => [
    `${unit.weight} c${u}`,
    ...(unit.promised === null ? [] : [`${unit.weight * LATE} t${u}`]),
    ...(unit.expected === undefined ? [] : [`${unit.weight * LATE} m${u}`]),
  ]);
  return [
    "Minimize",
    ` cost: ${objective.join(" + ")}`,
    "Subject To",
    ...lines.map((l, i) => ` r${i}: ${l}`),
    "Bounds",
    ...day.units.flatMap((_, u) => [` t${u} >= 0`, ` m${u} >= 0`]),
    "Binary",
    ` ${binaries.join(" ")}`,
    "End",
  ].join("\n");
}

/** What the solver prints goes here: its bound is told nowhere else. */
const printed: string[] = [];
const loaded = (highsLoader as unknown as (how: object) => ReturnType<typeof highsLoader>)({
  print: (line: string) => printed.push(line),
  printErr: () => {},
});

/** The least cost of a day as HiGHS finds it within so many seconds, and below what it cannot be. */
export async function solvedDay(day: Day, seconds: number): Promise<Solved> {
  const highs = await loaded;
  printed.length = 0;
  const { Status, ObjectiveValue } = highs.solve(dayProgram(day), {
    time_limit: seconds,
    mip_rel_gap: 1e-6,
    output_flag: true,
  });
  const bound = /Dual bound\s+([\d.e+]+)/.exec(printed.join("\n"));
  return {
    isOptimal: Status === "Optimal",
    cost: ObjectiveValue,
    bound: bound ? Number(bound[1]) : 0,
  };
}
