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
const isolation = benchIsolation();

if (process.argv.includes("--json")) process.stdout.write(`${JSON.stringify({ run, solve, isolation }, null, 1)}\n`);
else {
  const n = (v: number, digits = 1) => v.toFixed(digits);
  console.log(`\n${run.machine}, Node ${run.node}, commit ${run.commit}, ${run.at}\n`);
  console.log("One factoring and solve, median microseconds, same circuits in one run");
  console.table(solve.map((r) => ({ nodes: r.nodes, Unzo: n(r.unzoMicroseconds), "ml-matrix LU": n(r.mlMatrixMicroseconds), mathjs: n(r.mathjsMicroseconds), "times ml-matrix": n(r.timesMlMatrix), "times mathjs": n(r.timesMathjs), "ngspice, slope of a sweep": r.ngspiceMicrosecondsAPoint === null ? "-" : n(r.ngspiceMicrosecondsAPoint) })));
  console.log(`Fault dictionary of ${isolation.machine}: ${isolation.nodes} nodes, ${isolation.hypotheses} hypotheses, ${isolation.setups} setups, ${isolation.permittedTests} tests permitted, ${isolation.usefulTests} tell anything: ${n(isolation.dictionaryMilliseconds, 0)} ms`);
  console.log(`Advice (ranking and next test): ${n(isolation.adviceMedianMilliseconds)} ms median\n`);
  console.log(`Every single fault (${isolation.faults}), part values drawn at random`);
  console.table(Object.fromEntries(Object.entries(isolation.ways).map(([name, w]) => [name, { "mean readings": n(w.readings), "mean minutes": n(w.minutes), "right piece": `${w.right} of ${isolation.faults}` }])));
}
