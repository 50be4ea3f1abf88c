import { writeFileSync } from "node:fs";
import {
  type CauseOdds,
  causeOdds,
  causeSeen,
  type CauseSeen,
  oddsByPart,
  saidOdds,
  withOdds,
} from "../src/core/learn";
import { FaultDictionary } from "../src/core/diagnose";
import { ORDINARY_METER } from "../src/core/instrument";
import { compileMachine, type Machine } from "../src/core/model";
import { machineNamed } from "../tests/support/fleet";
import { complaintMadeOf, search } from "../tests/support/isolate-unit";
import { randomSource, randomValues, UnitOnTheBench } from "../tests/support/unit-on-the-bench";
import { lineChart } from "./chart";

/** Shops drawn, closed jobs of each over two years, and the jobs searched with and without what was learned. */
const [SHOPS, JOBS, SEARCHED] = [Number(process.env.SHOPS ?? 40), 240, Number(process.env.SEARCHED ?? 30)];
/** Shops in which minutes are measured: a search takes long. */
const MEASURED = Number(process.env.MEASURED ?? 4);
const MACHINES = ["quellmoor-sb-210", "dornlau-fl-7", "zirvald-bw-15"];
const DAY = 86_400_000;
const BEGIN = Date.UTC(2024, 10, 30);
const QUARTERS = 8;

/** How far the truth of a shop is from its files, and drifts in two years: standard deviations of its logarithms. */
const TRUTH = { ofSort: 0.7, ofCause: 0.7, driftAQuarter: 0.2 };
/** What closings are like: shares of those found bad, and of the others that name a wrong cause and come back. */
const CLOSED = { foundBad: 0.5, wrong: 0.15, comesBack: 0.6 };

/** Bounds of the bins in which what was foretold is held against what happened. */
const BINS = [0, 0.01, 0.02, 0.05, 0.1, 0.2, 0.35, 1];

interface Bin {
  foretold: number;
  happened: number;
  n: number;
}
const bins = (): Bin[] => BINS.slice(1).map(() => ({ foretold: 0, happened: 0, n: 0 }));
const put = (into: Bin[], share: number, happened: boolean) => {
  const bin = into[BINS.findIndex((b, i) => share >= b && share <= (BINS[i + 1] ?? 1))]!;
  bin.foretold += share;
  bin.happened += happened ? 1 : 0;
  bin.n++;
};

const normal = (random: () => number) =>
  Math.sqrt(-2 * Math.log(Math.max(1e-12, random()))) * Math.cos(2 * Math.PI * random());

/** One of several, by weight. */
function drawnOf(weights: readonly number[], random: () => number): number {
  let left = random() * weights.reduce((sum, w) => sum + w, 0);
  return weights.findIndex((w) => (left -= w) <= 0);
}

/** The truth of a shop: how its machines really fail, drifting from quarter to quarter. */
function shopTruth(machines: readonly Machine[], random: () => number) {
  const sorts = new Map<string, number>();
  const files = machines.map(saidOdds);
  const weights = files.map((file) =>
    file.causes.map(({ sort, said }) => {
      if (!sorts.has(sort)) sorts.set(sort, TRUTH.ofSort * normal(random));
      return said * Math.exp(sorts.get(sort)! + TRUTH.ofCause * normal(random));
    }),
  );
  const drift = () =>
    weights.forEach((own) => own.forEach((w, i) => (own[i] = w * Math.exp(TRUTH.driftAQuarter * normal(random)))));
  return { files, weights, drift };
}

interface Told {
  readonly learned: Bin[];
  readonly said: Bin[];
  /** Bits of surprise at the true cause, by quarter: with what was learned, and by the files. */
  readonly surprise: { learned: number; said: number; n: number }[];
}

/** Two years of a shop; what it has learned at the end. */
function liveThrough(machines: readonly Machine[], random: () => number, told: Told) {
  const { files, weights, drift } = shopTruth(machines, random);
  const seen: CauseSeen[] = [];
  let now = BEGIN;
  for (let job = 0; job < JOBS; job++) {
    if (job > 0 && job % (JOBS / QUARTERS) === 0) drift();
    now = BEGIN + (job / JOBS) * 730 * DAY;
    const m = Math.floor(random() * machines.length);
    const own = files[m]!;
    const odds = causeOdds(own, seen, files, now);
    const truly = drawnOf(weights[m]!, random);
    odds.forEach((o, i) => {
      put(told.learned, o.used, i === truly);
      put(told.said, o.said, i === truly);
    });
    const quarter = told.surprise[Math.floor((job * QUARTERS) / JOBS)]!;
    quarter.learned -= Math.log2(odds[truly]!.used);
    quarter.said -= Math.log2(odds[truly]!.said);
    quarter.n++;
    const isFound = random() < CLOSED.foundBad;
    const isWrong = !isFound && random() < CLOSED.wrong;
    const named = own.causes[isWrong ? Math.floor(random() * own.causes.length) : truly]!;
    const outcome = { ...OUTCOME, machine: own.machine, cause: named, closedAt: now };
    const held = isWrong && random() < CLOSED.comesBack ? "came back" : "not known";
    const lesson = causeSeen({ ...outcome, confirmed: isFound ? "found bad" : "works since" }, held);
    if (lesson) seen.push(lesson);
  }
  return { weights, odds: files.map((file) => causeOdds(file, seen, files, now)) };
}

const OUTCOME = {
  complaint: null,
  watchDays: 14,
  piece: "",
  option: null,
  noFault: false,
  minutes: 0,
  price: null,
} as const;

/** Minutes to the assembly, the same faults searched by the file's odds and by what was learned. */
function minutesOf(machine: Machine, odds: readonly CauseOdds[], weights: readonly number[], random: () => number) {
  const learned = compileMachine(withOdds(machine.file, oddsByPart(machine, odds)));
  const dictionaries = [machine, learned].map((m) => {
    const dictionary = FaultDictionary.of(m, ORDINARY_METER);
    dictionary.build();
    return dictionary;
  });
  const total = [0, 0];
  let searched = 0;
  for (let tries = 0; searched < SEARCHED && tries < 20 * SEARCHED; tries++) {
    const { part, mode } = odds[drawnOf(weights, random)]!;
    const values = randomValues(machine, random);
    if (complaintMadeOf(new UnitOnTheBench(machine, [{ part, mode }], values, random)) === null) continue;
    dictionaries.forEach((dictionary, i) => {
      total[i]! += search(
        dictionary,
        new UnitOnTheBench(machine, [{ part, mode }], values, randomSource(tries)),
        "advice",
      ).minutes;
    });
    searched++;
  }
  return { said: total[0]! / searched, learned: total[1]! / searched, searched };
}

/** What is left of the share of the likeliest cause after ten closings that name another one. */
function afterTenWrong(machine: Machine, confirmed: "works since" | "found bad"): number {
  const file = saidOdds(machine);
  const [first, second] = [...file.causes].sort((a, b) => b.said - a.said);
  const outcome = { ...OUTCOME, machine: file.machine, cause: second!, closedAt: BEGIN, confirmed };
  const seen = Array.from({ length: 10 }, () => causeSeen(outcome, "not known")!);
  const after = causeOdds(file, seen, [file], BEGIN);
  return after.find((c) => c.part === first!.part && c.mode === first!.mode)!.used / first!.said;
}

/** Shops whose truth is not that of their files, and drifts: what learning foretells, and what it saves. */
export function benchLearn(say: (words: string) => void) {
  const machines = MACHINES.map(machineNamed);
  const told: Told = {
    learned: bins(),
    said: bins(),
    surprise: Array.from({ length: QUARTERS }, () => ({ learned: 0, said: 0, n: 0 })),
  };
  const minutes: { shop: number; machine: string; said: number; learned: number; searched: number }[] = [];
  for (let shop = 0; shop < SHOPS; shop++) {
    const random = randomSource(1000 + shop);
    const { weights, odds } = liveThrough(machines, random, told);
    if (shop >= MEASURED) continue;
    machines.forEach((machine, m) => {
      const row = { shop, machine: machine.file.id, ...minutesOf(machine, odds[m]!, weights[m]!, random) };
      minutes.push(row);
      say(JSON.stringify(row));
    });
  }
  return { told, minutes };
}

const points = (list: readonly Bin[]) =>
  list.filter((b) => b.n > 0).map((b) => [(100 * b.foretold) / b.n, (100 * b.happened) / b.n] as const);
/** Largest distance of what happened from what was foretold, in points, over bins that say something. */
const gap = (list: readonly Bin[]) =>
  Math.max(...list.filter((b) => b.foretold >= 25).map((b) => (100 * Math.abs(b.foretold - b.happened)) / b.n));

/** Writes docs/performance-learn.md and its charts. */
export function writeLearn(
  run: { at: string; commit: string; machine: string; node: string },
  { told, minutes }: ReturnType<typeof benchLearn>,
): string {
  const percent = { low: 0, high: 50, ticks: [0, 10, 20, 30, 40, 50] };
  const reliability = lineChart(
    [
      { name: "learned", points: points(told.learned) },
      { name: "as the files say", points: points(told.said) },
      {
        name: "as foretold",
        points: [
          [0, 0],
          [50, 50],
        ],
      },
    ],
    { words: "foretold, %", ...percent },
    { words: "happened, %", ...percent },
  );
  const surprise = lineChart(
    [
      { name: "learned", points: told.surprise.map((q, i) => [i + 1, q.learned / q.n] as const) },
      { name: "as the files say", points: told.surprise.map((q, i) => [i + 1, q.said / q.n] as const) },
    ],
    { words: "quarter", low: 1, high: QUARTERS, ticks: [1, 2, 3, 4, 5, 6, 7, 8] },
    { words: "bits of surprise at the true cause", low: 3, high: 6, ticks: [3, 4, 5, 6] },
  );
  const at = (name: string) => new URL(`../docs/charts/${name}.svg`, import.meta.url);
  writeFileSync(at("learned-reliability"), reliability);
  writeFileSync(at("learned-surprise"), surprise);
  const total = (what: "said" | "learned") => minutes.reduce((sum, m) => sum + m[what] * m.searched, 0);
  const lines = [
    "# Odds that learn, measured",
    "",
    `Written by \`npm run bench -- learn\`: ${run.at.slice(0, 10)}, commit ${run.commit}, ${run.machine}, Node ${run.node}. ${SHOPS} simulated shops of ${JOBS} closed jobs over two years on ${MACHINES.length} machines. How their machines really fail is drawn away from what the files say (by sort of failure and by cause), and drifts every quarter. Half of the causes are found bad; of the others ${100 * CLOSED.wrong} % are closed with a wrong cause, and ${100 * CLOSED.comesBack} % of those come back.`,
    "",
    `- What is foretold of a cause and what happens differ by at most **${gap(told.learned).toFixed(1)} points** with what was learned, by ${gap(told.said).toFixed(1)} as the files say (bins in which at least 25 were foretold).`,
    `- Minutes to the assembly, the same faults searched with both: **${(total("learned") / total("said")).toFixed(3)} times** those by the files' odds.`,
    `- After ten closings that all name another cause the likeliest cause keeps ${MACHINES.map((name) => `${(100 * afterTenWrong(machineNamed(name), "works since")).toFixed(0)} %`).join(", ")} of its share where they only "work since", and ${MACHINES.map((name) => `${(100 * afterTenWrong(machineNamed(name), "found bad")).toFixed(0)} %`).join(", ")} where each says that the part was found bad.`,
    "",
    "![Foretold and happened](charts/learned-reliability.svg)",
    "",
    "![Surprise at the true cause](charts/learned-surprise.svg)",
    "",
    "| shop | machine | minutes by the file | minutes learned | faults |",
    "| ---: | --- | ---: | ---: | ---: |",
    ...minutes.map(
      (m) => `| ${m.shop + 1} | ${m.machine} | ${m.said.toFixed(1)} | ${m.learned.toFixed(1)} | ${m.searched} |`,
    ),
    "",
  ];
  writeFileSync(new URL("../docs/performance-learn.md", import.meta.url), lines.join("\n"));
  return lines.slice(4, 6).join("\n");
}
