import { mkdirSync, writeFileSync } from "node:fs";
import { lineChart } from "./chart";
import { FAULTS_EVERY, type benchIsolation } from "./isolation";
import type { benchSolve } from "./solve";
import type { benchCalibration, benchPairs, benchPlans, benchSlips } from "./targets";

/** All that a full run of the bench has measured. */
export interface BenchRun {
  readonly run: { readonly at: string; readonly commit: string; readonly machine: string; readonly node: string };
  readonly solve: ReturnType<typeof benchSolve>;
  readonly plans: ReturnType<typeof benchPlans>;
  readonly isolation: ReturnType<typeof benchIsolation>;
  readonly slips: ReturnType<typeof benchSlips>;
  readonly pairs: readonly ReturnType<typeof benchPairs>[];
  readonly calibration: ReturnType<typeof benchCalibration>;
}

const docs = new URL("../docs/", import.meta.url);
const n = (v: number, digits = 1) => v.toFixed(digits);
const percent = (part: number, whole: number) => `${((100 * part) / Math.max(1, whole)).toFixed(1)} %`;
const sum = <T>(list: readonly T[], of: (item: T) => number) => list.reduce((total, item) => total + of(item), 0);

/** Writes docs/performance.md and its charts from one run. */
export function writeReport(b: BenchRun): void {
  mkdirSync(new URL("charts/", docs), { recursive: true });
  const save = (name: string, svg: string) => writeFileSync(new URL(`charts/${name}.svg`, docs), svg);
  save(
    "solve",
    lineChart(
      [
        { name: "Unzo", points: b.solve.map((s) => [s.nodes, s.unzoMicroseconds]) },
        { name: "ml-matrix LU", points: b.solve.map((s) => [s.nodes, s.mlMatrixMicroseconds]) },
        { name: "mathjs", points: b.solve.map((s) => [s.nodes, s.mathjsMicroseconds]) },
      ],
      { words: "nodes", low: 15, high: 450, ticks: [20, 60, 150, 400], log: true },
      { words: "microseconds a solve", low: 1, high: 1e6, ticks: [1, 10, 100, 1000, 10000, 100000], log: true },
    ),
  );
  const sorted = (list: readonly number[]) =>
    [...list]
      .sort((x, y) => x - y)
      .map((v, i, all): [number, number] => [(100 * (i + 0.5)) / all.length, Math.max(1, v)]);
  save(
    "plan",
    lineChart(
      [
        { name: "as shipped", points: sorted(b.plans.ratios) },
        { name: "without rollout", points: sorted(b.plans.plainRatios) },
      ],
      {
        words: "made-up units, % (cheapest to dearest against the optimum)",
        low: 0,
        high: 100,
        ticks: [0, 25, 50, 75, 95],
      },
      { words: "expected cost, times the proven optimum", low: 1, high: 1.4, ticks: [1, 1.1, 1.2, 1.3, 1.4] },
    ),
  );
  save(
    "minutes",
    lineChart(
      [
        { name: "by advice", points: b.isolation.map((m, i) => [i + 1, m.ways.advice.minutes]), dots: true },
        { name: "walking the paths", points: b.isolation.map((m, i) => [i + 1, m.ways.walk.minutes]), dots: true },
        { name: "at random", points: b.isolation.map((m, i) => [i + 1, m.ways.random.minutes]), dots: true },
        { name: "lower bound", points: b.isolation.map((m, i) => [i + 1, m.lowerBound]), dots: true },
      ],
      {
        words: "machine, in the order of the table",
        low: 0,
        high: b.isolation.length + 1,
        ticks: b.isolation.map((_, i) => i + 1),
      },
      { words: "minutes a fault", low: 1, high: 200, ticks: [1, 2, 5, 10, 20, 50, 100, 200], log: true },
    ),
  );
  save(
    "calibration",
    lineChart(
      [
        {
          name: "came true",
          points: b.calibration.deciles.filter((d) => d.cases >= 20).map((d) => [100 * d.believed, 100 * d.true]),
        },
        {
          name: "as believed",
          points: [
            [0, 0],
            [100, 100],
          ],
        },
      ],
      { words: "believed, %", low: 0, high: 100, ticks: [0, 20, 40, 60, 80, 100] },
      { words: "came true, %", low: 0, high: 100, ticks: [0, 20, 40, 60, 80, 100] },
    ),
  );

  const right = sum(b.isolation, (m) => m.ways.advice.right);
  const faults = sum(b.isolation, (m) => m.ways.advice.faults);
  const [runs, slipRight, nameable] = [
    sum(b.slips, (s) => s.runs),
    sum(b.slips, (s) => s.right),
    sum(b.slips, (s) => s.nameable),
  ];
  const wide = b.calibration.deciles.filter((d) => d.cases >= 200).map((d) => Math.abs(d.believed - d.true));
  const met = (ok: boolean) => (ok ? "met" : "**missed**");
  const twenty = b.solve.filter((s) => s.nodes >= 60);
  const least = Math.min(...twenty.map((s) => Math.min(s.timesMlMatrix, s.timesMathjs)));
  const pairsTried = sum(b.pairs, (p) => p.tried);
  const mean = (of: (m: BenchRun["isolation"][number]) => number) => sum(b.isolation, of) / b.isolation.length;
  const rows: readonly (readonly [string, string, string, string])[] = [
    [
      "one solve against two JavaScript libraries, 60 to 400 nodes",
      "20 times faster",
      `${n(least, 0)} times at least`,
      met(least >= 20),
    ],
    [
      `cost against the proven optimum, ${b.plans.cases} units`,
      "mean 1.02, p95 1.08",
      `mean ${n(b.plans.mean, 4)}, p95 ${n(b.plans.p95, 3)}`,
      met(b.plans.mean <= 1.02 && b.plans.p95 <= 1.08),
    ],
    [
      `${FAULTS_EVERY === 1 ? "every single fault" : `single faults, one in ${FAULTS_EVERY},`} of ${b.isolation.length} machines: right assembly or group`,
      "98 %",
      `${right} of ${faults}, ${percent(right, faults)}`,
      met(right / faults >= 0.98),
    ],
    [
      "one wrong reading in every run: right assembly",
      "90 %",
      `${slipRight} of ${runs}, ${percent(slipRight, runs)}`,
      met(slipRight / runs >= 0.9),
    ],
    [
      "the slip named, of those that show anything else",
      "half",
      `first ${percent(
        sum(b.slips, (s) => s.namedFirst),
        nameable,
      )}, among those named ${percent(
        sum(b.slips, (s) => s.named),
        nameable,
      )}`,
      met(sum(b.slips, (s) => s.named) / Math.max(1, nameable) >= 0.5),
    ],
    [
      `two faults, ${b.pairs.map((p) => `${p.machine} ${p.tried} of ${p.pairs}`).join(", ")}: one of them first`,
      "95 %",
      `${percent(
        sum(b.pairs, (p) => p.foundFirst),
        pairsTried,
      )}; the other after it ${percent(
        sum(b.pairs, (p) => p.both + p.restUnseen),
        pairsTried,
      )} (of these ${sum(b.pairs, (p) => p.restUnseen)} show nowhere); ${sum(b.pairs, (p) => p.crashes)} crashes`,
      met(sum(b.pairs, (p) => p.foundFirst) / pairsTried >= 0.95),
    ],
    [
      `calibration, ${b.calibration.runs} units, tenths with 200 cases or more`,
      "within 7 points",
      `${n(100 * Math.max(0, ...wide))} points at most`,
      met(Math.max(0, ...wide) <= 0.07),
    ],
  ];
  const text = `# Performance and quality, measured

One run of \`npm run bench\`: ${b.run.machine}, Node ${b.run.node}, commit ${b.run.commit}, ${b.run.at.slice(0, 10)}. Ratios were measured side by side in that run; times vary by two from
machine to machine and are asserted nowhere. This page and its charts are written by the bench.

| what | wanted | measured | |
| --- | --- | --- | --- |
${rows.map((r) => `| ${r.join(" | ")} |`).join("\n")}

## Opening a job
First byte, first step to be read, keys alive; milliseconds. More, and readings entered: [on the screen](performance-screen.md). What a
dictionary costs: [dictionaries](performance-dictionary.md).

![milliseconds from the navigation to the first step](charts/opening.svg)

## Solving
Against sparse solvers doing the same work: [one solve](performance-solve.md). The chart is of dense ones.

![microseconds a solve over nodes](charts/solve.svg)

## The plan against the optimum
Made-up units of 6 to 14 faults, covers and power part of the cost; the optimum by dynamic programming over all sets of faults and standings.
Without rollout and without the exact end: mean ${n(b.plans.plainMean, 3)}, p95 ${n(b.plans.plainP95, 3)}.

![cost over the optimum](charts/plan.svg)

## Every single fault
Truth drawn apart from the search: part values evenly in their tolerance, mains, room, meter noise. Minutes to the call, boards proven before they are blamed, repairs tried in vain
counted. Walking and random order on some of them (every fourth, unless told otherwise). The lower bound is the cheapest test that tells the piece at all, from where the unit stands: no one can know which it is.

| | machine | right | readings | minutes | walk, times | random, times | bound, times | tried in vain | dictionary, s |
| --- | --- | --- | --- | --- | --- | --- | --- | --- | --- |
${b.isolation.map((m, i) => `| ${i + 1} | ${m.machine} | ${m.ways.advice.right} of ${m.ways.advice.faults} | ${n(m.ways.advice.readings)} | ${n(m.ways.advice.minutes)} | ${n(m.ways.walk.minutes / m.ways.advice.minutes)} | ${n(m.ways.random.minutes / m.ways.advice.minutes)} | ${n(m.ways.advice.minutes / m.lowerBound)} | ${m.inVain} | ${n(m.dictionaryMilliseconds / 1000)} |`).join("\n")}

On average ${n(mean((m) => m.ways.advice.readings))} readings and ${n(mean((m) => m.ways.advice.minutes))} minutes.

![minutes a fault](charts/minutes.svg)

## Is what is believed true?
Truth drawn from the prior, tests drawn from those that tell something, slips as the model has them.

| believed | cases | on average | came true |
| --- | --- | --- | --- |
${b.calibration.deciles.map((d) => `| ${n(100 * d.from, 0)} to ${n(100 * d.from + 10, 0)} % | ${d.cases} | ${n(100 * d.believed)} % | ${n(100 * d.true)} % |`).join("\n")}

![calibration](charts/calibration.svg)
`;
  writeFileSync(new URL("performance.md", docs), text);
}
