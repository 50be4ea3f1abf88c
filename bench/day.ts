import { writeFileSync } from "node:fs";
import { type Day, drawnDay, laidOut, planDay, rule } from "../src/core/plan-day";
import { solvedDay } from "../tests/support/day-milp";
import { randomDay } from "../tests/support/random-days";
import { lineChart } from "./chart";

/** Days drawn of four units, days of each larger size, and the durations drawn for each day. */
const [DAYS, LARGER, DRAWS] = [Number(process.env.DAYS ?? 200), Number(process.env.LARGER ?? 10), 100];
const SIZES = [6, 7, 8, 9, 10];
/** Seconds that the solver has for a day. */
const SECONDS = { four: 60, larger: Number(process.env.SOLVER ?? 20) };
const RULES = ["one after the other", "longest wait", "shortest"] as const;

const mean = (values: readonly number[]) => values.reduce((sum, v) => sum + v, 0) / values.length;

/** What it costs on the average of a hundred days that came out, order by order. */
function onDraws(day: Day, orders: readonly (readonly number[])[]): number[] {
  return orders.map((order) =>
    mean(Array.from({ length: DRAWS }, (_, d) => laidOut(drawnDay(day, 1000 + d), order).cost)),
  );
}

export async function benchDay(tell: (words: string) => void) {
  const four = [];
  for (let seed = 1; seed <= DAYS; seed++) {
    const day = randomDay(seed, 4);
    const planned = planDay(day);
    const solved = await solvedDay(day, SECONDS.four);
    const orders = RULES.map((r) => rule(day, r));
    const [mine, ...others] = onDraws(day, [planned.order, ...orders]);
    four.push({
      seed,
      ...solved,
      planned: planned.cost,
      found: planned.found,
      rules: orders.map((o) => laidOut(day, o).cost / planned.cost),
      drawn: others.map((o) => o / mine!),
    });
    if (seed % 20 === 0) tell(`${seed} days of four units`);
  }
  const larger = [];
  for (const units of SIZES)
    for (let seed = 1; seed <= LARGER; seed++) {
      const day = randomDay(10_000 + 100 * units + seed, units);
      const planned = planDay(day);
      const solved = await solvedDay(day, SECONDS.larger);
      const orders = RULES.map((r) => rule(day, r));
      const [mine, ...others] = onDraws(day, [planned.order, ...orders]);
      larger.push({
        units,
        ...solved,
        planned: planned.cost,
        found: planned.found,
        rules: orders.map((o) => laidOut(day, o).cost / planned.cost),
        drawn: others.map((o) => o / mine!),
      });
      if (seed === LARGER) tell(`${seed} days of ${units} units`);
    }
  return { four, larger };
}

export function writeDay(
  run: { at: string; commit: string; machine: string; node: string },
  { four, larger }: Awaited<ReturnType<typeof benchDay>>,
): string {
  const proven = four.filter((d) => d.isOptimal);
  const over = proven.map((d) => d.planned / d.cost - 1);
  const within = over.filter((o) => o <= 0.03).length;
  const below = proven.filter((d) => d.planned < d.cost * (1 - 1e-4)).length;
  const unproven = four.filter((d) => !d.isOptimal).map((d) => d.seed);
  const gain = (rows: readonly { rules: number[]; drawn: number[] }[], r: number) =>
    `${mean(rows.map((d) => d.rules[r]!)).toFixed(2)} | ${mean(rows.map((d) => d.drawn[r]!)).toFixed(2)}`;
  const sizes = SIZES.map((units) => {
    const rows = larger.filter((d) => d.units === units);
    const toBound = mean(rows.map((d) => d.planned / d.bound));
    const toSolver = mean(rows.map((d) => d.planned / d.cost));
    const exact = rows.filter((d) => d.found === "exact").length;
    const optimal = rows.filter((d) => d.isOptimal);
    const worst =
      optimal.length === 0 ? "" : `${(100 * Math.max(...optimal.map((d) => d.planned / d.cost - 1))).toFixed(2)} %`;
    return `| ${units} | ${rows.length} | ${exact} | ${optimal.length} | ${worst} | ${toBound.toFixed(2)} | ${toSolver.toFixed(3)} | ${gain(rows, 0)} | ${gain(rows, 1)} | ${gain(rows, 2)} |`;
  });
  writeFileSync(
    new URL("../docs/charts/day-gain.svg", import.meta.url),
    lineChart(
      RULES.map((name, r) => ({
        name,
        points: [4, ...SIZES].map((units) => {
          const rows = units === 4 ? four : larger.filter((d) => d.units === units);
          return [units, mean(rows.map((d) => d.drawn[r]!))] as const;
        }),
      })),
      { words: "units in hand", low: 4, high: 10, ticks: [4, 5, 6, 7, 8, 9, 10] },
      { words: "cost, times the plan", low: 1, high: 5, ticks: [1, 2, 3, 4, 5] },
    ),
  );
  const text = `# The order of a day

What hands do in which order, on drawn days (\`tests/support/random-days.ts\`): each unit is searched, waits, is repaired,
mostly waits again, is proven; half are promised, a third is on the one rig. Cost: weighted minutes until each unit is done,
and five times those that it is late. Measured by \`npm run bench -- day\`: ${run.at.slice(0, 10)}, commit ${run.commit}, ${run.machine}, Node ${run.node}.

## Four units, ${four.length} days

Each day is also a mixed-integer program, written from the words of the problem, and solved by HiGHS.

- Proven optimal by HiGHS: ${proven.length} of ${four.length}. Not proven in ${SECONDS.four} s: ${unproven.length === 0 ? "none" : unproven.join(", ")}.
- Within 3 % of it: ${within} of ${proven.length}; the worst is ${(100 * Math.max(...over)).toFixed(2)} % above, the mean ${(100 * mean(over)).toFixed(3)} %. Below it, which would be an error: ${below}.

What plain rules cost, times the plan, as foretold and on ${DRAWS} drawn durations of each day (spread 30 %):

| rule | foretold | on drawn durations |
| --- | --- | --- |
${RULES.map((name, r) => `| ${name} | ${gain(four, r)} |`).join("\n")}

![What a day costs by plain rules](charts/day-gain.svg)

## Six to ten units

The plan against HiGHS's best bound and best plan in ${SECONDS.larger} s a day; *exact* is what the planner itself proves. The last
three pairs are the rules as above, foretold and on drawn durations.

| units | days | exact | HiGHS optimal | worst above it | plan / bound | plan / HiGHS | one after the other | | longest wait | | shortest | |
| --- | --- | --- | --- | --- | --- | --- | --- | --- | --- | --- | --- | --- |
${sizes.join("\n")}

A bound far below says that neither is proven, not that the plan is bad: where plan / HiGHS is below 1 the solver's own best
plan was dearer.
`;
  writeFileSync(new URL("../docs/performance-day.md", import.meta.url), text);
  return text;
}
