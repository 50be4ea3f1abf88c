import { execFileSync } from "node:child_process";
import os from "node:os";
import { benchIsolation } from "./isolation";
import { lampBench } from "./lamp";
import { benchDeadTests } from "./dead-tests";
import { benchFamilies } from "./families";
import { benchDictionaries } from "./dictionary";
import { writeDictionaries } from "./dictionary-report";
import { benchDay, writeDay } from "./day";
import { benchFind, writeFind } from "./find";
import { benchLearn, writeLearn } from "./learn";
import { benchLoad } from "./load";
import { writeLoad } from "./load-report";
import { writeReport } from "./report";
import { benchProofs } from "./proofs";
import { writeProofs } from "./proofs-report";
import { benchScreen } from "./screen";
import { writeScreen } from "./screen-report";
import { benchSolve } from "./solve";
import { writeSolve } from "./solve-report";
import { benchOwnWay, writeOwnWay } from "./own-way";
import { benchCalibration, benchPairs, benchPlans, benchSlips, built } from "./targets";
import { FLEET } from "../tests/support/fleet";

function commit(): string {
  try {
    return execFileSync("git", ["rev-parse", "--short", "HEAD"], { encoding: "utf8" }).trim();
  } catch {
    return "unknown";
  }
}

const run = {
  at: new Date().toISOString(),
  commit: commit(),
  machine: `${os.cpus()[0]?.model ?? "unknown"}, ${os.cpus().length} cores, ${os.arch()}`,
  node: process.version,
};
const names = process.argv.slice(2).filter((a) => !a.startsWith("--"));
// `npm run bench -- lamp` measures the lamp reader alone.
const onlyLamp = names.includes("lamp");
const lamp =
  names.length === 0 || onlyLamp ? lampBench(2_000, new URL("../docs/charts/lamp-reader.svg", import.meta.url)) : null;
// `npm run bench -- load` measures the server alone, on shops of three sizes, and writes its page.
if (names.includes("load")) {
  const load = await benchLoad((words) => process.stderr.write(`${words}\n`));
  writeLoad(run, load);
  for (const { what, wanted, shops } of load.rows) console.log([what, wanted, ...shops].join(" | "));
  process.exit(0);
}
// `npm run bench -- find` measures the search on a hundred thousand jobs, and writes its page.
if (names.includes("find")) {
  const found = await benchFind((words) => process.stderr.write(`${words}\n`));
  console.table(found.rows);
  writeFind(run, found);
  process.exit(0);
}
// `npm run bench -- day` plans drawn days, and has a solver prove them.
if (names.includes("day")) {
  console.log(writeDay(run, await benchDay((words) => process.stderr.write(`${words}\n`))));
  process.exit(0);
}
// `npm run bench -- learn` lives through simulated shops whose machines fail otherwise than their files say.
if (names.includes("learn")) {
  console.log(
    writeLearn(
      run,
      benchLearn((words) => process.stderr.write(`${words}\n`)),
    ),
  );
  process.exit(0);
}
// `npm run bench -- proofs` holds the proofs against a thousand sound units each, and writes their page.
if (names.includes("proofs")) {
  writeProofs(
    run,
    benchProofs((words) => process.stderr.write(`${words}\n`)),
  );
  process.exit(0);
}
// `npm run bench -- families` searches faults in machines of every family, by answers drawn at random.
if (names.includes("families")) {
  benchFamilies((words) => console.log(words));
  process.exit(0);
}
// `npm run bench -- solve` measures the solve alone, and writes its page.
if (names.includes("solve")) {
  writeSolve(run, benchSolve());
  process.exit(0);
}
// `npm run bench -- screen` measures a running Unzo (UNZO_URL) in a browser, beside an earlier one (UNZO_BEFORE).
if (names.includes("screen")) {
  const say = (words: string) => process.stderr.write(`${words}\n`);
  const { UNZO_URL: url, UNZO_BEFORE: before } = process.env;
  if (!url) throw new Error("Name a running Unzo in UNZO_URL.");
  const jobs = Number(process.env.JOBS ?? 8);
  const now = await benchScreen(url, jobs, say);
  writeScreen(run, now, before ? await benchScreen(before, jobs, say) : null);
  process.exit(0);
}
// `npm run bench -- dictionary` builds every dictionary, and those of made-up machines, and writes its page.
if (names.includes("dictionary")) {
  const built = benchDictionaries((words) => process.stderr.write(`${words}\n`));
  console.table(built);
  writeDictionaries(run, built);
  process.exit(0);
}
// `npm run bench -- own-way` counts the readings of plans beside a practitioner's own, and writes its page.
if (names.includes("own-way")) {
  const rows = benchOwnWay();
  console.table(rows);
  writeOwnWay(run, rows);
  process.exit(0);
}
// `npm run bench -- dead-tests` says what the ohmmeter tells, and how much of it is vague.
if (names.includes("dead-tests")) {
  const rows = benchDeadTests();
  console.table(rows);
  const of = (what: (row: (typeof rows)[number]) => number) => rows.reduce((sum, r) => sum + what(r), 0) / rows.length;
  console.log(
    `mean ${of((r) => r.bits).toFixed(3)} bits a dead test; ${(100 * of((r) => r.vague)).toFixed(1)} % vague`,
  );
  process.exit(0);
}
const solve = onlyLamp ? [] : benchSolve();
const isolation = onlyLamp ? [] : benchIsolation(names);
/** Runs with a slip on each machine, pairs of faults on each of two, units a machine for the calibration. */
const [SLIPS, PAIRS, UNITS, PLANS] = [
  Number(process.env.SLIPS ?? 24),
  Number(process.env.PAIRS ?? 5000),
  Number(process.env.UNITS ?? 60),
  200,
];
/** The two machines all of whose pairs are tried. */
const TWO = ["zirvald-bw-15", "perlgrund-tm-3"];

// A full run, over the whole fleet, also writes docs/performance.md.
if (names.length === 0) {
  const say = (words: string) => process.stderr.write(`${words}\n`);
  say("plans");
  const plans = benchPlans(PLANS);
  say("dictionaries of the fleet");
  const isolations = built(FLEET);
  say("slips");
  const slips = benchSlips(isolations, SLIPS);
  say("calibration");
  const calibration = benchCalibration(isolations, UNITS);
  say("two faults");
  const pairs = TWO.map((name) => benchPairs(name, isolations.find(([known]) => known === name)![1], PAIRS));
  writeReport({ run, solve, plans, isolation, slips, pairs, calibration });
  say("docs/performance.md is written");
}

if (process.argv.includes("--json"))
  process.stdout.write(`${JSON.stringify({ run, solve, isolation, lamp }, null, 1)}\n`);
else {
  const n = (v: number, digits = 1) => v.toFixed(digits);
  console.log(`\n${run.machine}, Node ${run.node}, commit ${run.commit}, ${run.at}\n`);
  if (lamp) {
    console.log(
      `Lamp reader: of ${lamp.rows[0]!.trials} films of three rounds each, left open / sure but wrong; wrong at 15 % jitter at most ${n(100 * lamp.wrongUpperBound, 3)} % (upper 95 % bound)`,
    );
    const jitters = [...new Set(lamp.rows.map((r) => r.jitter))];
    console.table(
      Object.fromEntries(
        jitters.map((j) => [
          `jitter ${Math.round(j * 100)} %`,
          Object.fromEntries(
            lamp.rows.filter((r) => r.jitter === j).map((r) => [`${r.frames} a second`, `${r.unsure} / ${r.wrong}`]),
          ),
        ]),
      ),
    );
  }
  if (onlyLamp) process.exit(0);
  console.log("One factoring and solve, median microseconds, same circuits in one run");
  console.table(
    solve.map((r) => ({
      nodes: r.nodes,
      Unzo: n(r.unzoMicroseconds),
      "ml-matrix LU": n(r.mlMatrixMicroseconds),
      mathjs: n(r.mathjsMicroseconds),
      "times ml-matrix": n(r.timesMlMatrix),
      "times mathjs": n(r.timesMathjs),
      "ngspice, slope of a sweep": r.ngspiceMicrosecondsAPoint === null ? "-" : n(r.ngspiceMicrosecondsAPoint),
    })),
  );
  console.log("Fault dictionary, ranking and next test");
  console.table(
    Object.fromEntries(
      isolation.map((m) => [
        m.machine,
        {
          nodes: m.nodes,
          hypotheses: m.hypotheses,
          setups: m.setups,
          "tests that tell": m.usefulTests,
          "dictionary ms": n(m.dictionaryMilliseconds, 0),
          "advice ms": n(m.adviceMedianMilliseconds),
          alone: `${m.alone} of ${m.faults}`,
          "alone, by odds": `${n(100 * m.aloneWeighted, 0)} %`,
        },
      ]),
    ),
  );
  console.log(
    "Single faults, part values drawn at random: by advice (every fault, boards proven before they are blamed), by walking the paths and in random order (every fourth)",
  );
  console.table(
    Object.fromEntries(
      isolation.map((m) => [
        m.machine,
        {
          "right assembly": `${m.ways.advice.right} of ${m.ways.advice.faults}`,
          readings: n(m.ways.advice.readings),
          "walk, times": n(m.ways.walk.readings / m.ways.advice.readings),
          "random, times": n(m.ways.random.readings / m.ways.advice.readings),
          minutes: n(m.ways.advice.minutes),
          "walk minutes, times": n(m.ways.walk.minutes / m.ways.advice.minutes),
          "random minutes, times": n(m.ways.random.minutes / m.ways.advice.minutes),
        },
      ]),
    ),
  );
}
