import { execFileSync } from "node:child_process";
import os from "node:os";
import { benchIsolation } from "./isolation";
import { benchSolve } from "./solve";

function commit(): string {
  try {
    return execFileSync("git", ["rev-parse", "--short", "HEAD"], { encoding: "utf8" }).trim();
  } catch {
    return "unknown";
  }
}

const run = { at: new Date().toISOString(), commit: commit(), machine: `${os.cpus()[0]?.model ?? "unknown"}, ${os.cpus().length} cores, ${os.arch()}`, node: process.version };
const solve = benchSolve();
const isolation = benchIsolation(process.argv.slice(2).filter((a) => !a.startsWith("--")));

if (process.argv.includes("--json")) process.stdout.write(`${JSON.stringify({ run, solve, isolation }, null, 1)}\n`);
else {
  const n = (v: number, digits = 1) => v.toFixed(digits);
  console.log(`\n${run.machine}, Node ${run.node}, commit ${run.commit}, ${run.at}\n`);
  console.log("One factoring and solve, median microseconds, same circuits in one run");
  console.table(solve.map((r) => ({ nodes: r.nodes, Unzo: n(r.unzoMicroseconds), "ml-matrix LU": n(r.mlMatrixMicroseconds), mathjs: n(r.mathjsMicroseconds), "times ml-matrix": n(r.timesMlMatrix), "times mathjs": n(r.timesMathjs), "ngspice, slope of a sweep": r.ngspiceMicrosecondsAPoint === null ? "-" : n(r.ngspiceMicrosecondsAPoint) })));
  console.log("Fault dictionary, ranking and next test");
  console.table(Object.fromEntries(isolation.map((m) => [m.machine, { nodes: m.nodes, hypotheses: m.hypotheses, setups: m.setups, "tests that tell": m.usefulTests, "dictionary ms": n(m.dictionaryMilliseconds, 0), "advice ms": n(m.adviceMedianMilliseconds), alone: `${m.alone} of ${m.faults}`, "alone, by odds": `${n(100 * m.aloneWeighted, 0)} %` }])));
  console.log("Single faults, part values drawn at random: by advice (every fault, boards proven before they are blamed), by walking the paths and in random order (every fourth)");
  console.table(Object.fromEntries(isolation.map((m) => [m.machine, { "right piece": `${m.ways.advice.right} of ${m.ways.advice.faults}`, readings: n(m.ways.advice.readings), "walk, times": n(m.ways.walk.readings / m.ways.advice.readings), "random, times": n(m.ways.random.readings / m.ways.advice.readings), minutes: n(m.ways.advice.minutes), "walk minutes, times": n(m.ways.walk.minutes / m.ways.advice.minutes), "random minutes, times": n(m.ways.random.minutes / m.ways.advice.minutes) }])));
}
