import { execFileSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { LuDecomposition, Matrix } from "ml-matrix";
import { lusolve, matrix, slu as mathSlu, sparse } from "mathjs";
import { DcSolver, LEAK } from "../src/core/circuit";
import { SparseLdl, upperOf } from "./sparse";
import { feedOf, programOf, randomNetlist, type TestNetlist } from "../tests/support/netlists";
import { randomSource } from "../tests/support/unit-on-the-bench";

export interface SolveRow {
  readonly nodes: number;
  readonly unzoMicroseconds: number;
  readonly mlMatrixMicroseconds: number;
  readonly mathjsMicroseconds: number;
  readonly timesMlMatrix: number;
  readonly timesMathjs: number;
  readonly ngspiceMicrosecondsAPoint: number | null;
  /** A sparse L D Lt with the same order, its pattern worked out before as ours is: factor and solve. */
  readonly ldlMicroseconds: number;
  /** The same with order and pattern worked out anew each time, for both. */
  readonly unzoWithOrderMicroseconds: number;
  readonly ldlWithOrderMicroseconds: number;
  /** The sparse LU of mathjs, which orders anew each time. */
  readonly sluMicroseconds: number;
  /** Furthest that the sparse L D Lt is from ours, as a share of the largest voltage. */
  readonly ldlOff: number;
}

/** Median microseconds of `work`, repeated for at least `milliseconds`. */
function median(work: () => void, milliseconds = 250): number {
  for (let i = 0; i < 3; i++) work();
  const times: number[] = [];
  const until = performance.now() + milliseconds;
  while (performance.now() < until || times.length < 5) {
    const start = performance.now();
    work();
    times.push(performance.now() - start);
  }
  return times.sort((a, b) => a - b)[Math.floor(times.length / 2)]! * 1000;
}

/** The conductance matrix, for the libraries that want one. */
function dense(netlist: TestNetlist): number[][] {
  const g = Array.from({ length: netlist.nodeCount }, (_, i) =>
    Array.from({ length: netlist.nodeCount }, (_, j) => (i === j ? LEAK : 0)),
  );
  for (const e of netlist.elements)
    for (const [x, y] of [
      [e.a, e.b],
      [e.b, e.a],
    ] as const) {
      if (x < 0) continue;
      g[x]![x]! += e.g;
      if (y >= 0) g[x]![y]! -= e.g;
    }
  return g;
}

/** Factor and solve once, the same circuits for all, in one run. */
export function benchSolve(): SolveRow[] {
  const random = randomSource(1);
  return [20, 60, 150, 401].map((nodes) => {
    const netlist = randomNetlist(random, nodes);
    const solver = new DcSolver(programOf(netlist));
    const siemens = Float64Array.from(netlist.elements, (e) => e.g);
    const feed = feedOf(netlist);
    const volts = new Float64Array(nodes);
    const unzo = median(() => {
      solver.factor(siemens);
      solver.solve(feed, volts);
    });
    const rows = dense(netlist);
    const ml = new Matrix(rows);
    const right = Matrix.columnVector([...feed]);
    const mlMatrix = median(() => {
      new LuDecomposition(ml).solve(right);
    });
    const mj = matrix(rows);
    const mathjs = median(() => {
      lusolve(mj, [...feed]);
    }, 100);
    const { order } = programOf(netlist);
    const upper = upperOf(netlist, order);
    const ldl = new SparseLdl(upper);
    const x = new Float64Array(nodes);
    const byLdl = (solver: SparseLdl) => {
      solver.factor();
      for (let k = 0; k < nodes; k++) x[k] = feed[order[k]!]!;
      solver.solve(x);
    };
    const ldlOnce = median(() => byLdl(ldl));
    const most = volts.reduce((top, v) => Math.max(top, Math.abs(v)), 0);
    const ldlOff = x.reduce((top, v, k) => Math.max(top, Math.abs(v - volts[order[k]!]!)), 0) / most;
    const sparseRows = sparse(mj);
    const slu = median(() => {
      lusolve(mathSlu(sparseRows, 1, 0.001), [...feed]);
    }, 100);
    const withOrder = median(() => {
      const anew = new DcSolver(programOf(netlist));
      anew.factor(siemens);
      anew.solve(feed, volts);
    });
    const ldlWithOrder = median(() => byLdl(new SparseLdl(upperOf(netlist, programOf(netlist).order))));
    return {
      nodes,
      ldlMicroseconds: ldlOnce,
      unzoWithOrderMicroseconds: withOrder,
      ldlWithOrderMicroseconds: ldlWithOrder,
      sluMicroseconds: slu,
      ldlOff,
      unzoMicroseconds: unzo,
      mlMatrixMicroseconds: mlMatrix,
      mathjsMicroseconds: mathjs,
      timesMlMatrix: mlMatrix / unzo,
      timesMathjs: mathjs / unzo,
      ngspiceMicrosecondsAPoint: sweepSlope(netlist),
    };
  });
}

/**
 * Time of one more point in an ngspice sweep: the slope between a short and a long one, so that its start does not
 * count.
 */
function sweepSlope(netlist: TestNetlist): number | null {
  const node = (n: number) => (n < 0 ? "0" : `n${n}`);
  const lines = [
    "* sweep",
    ...netlist.elements.flatMap((e, i) =>
      e.volts
        ? [`V${i} ${node(e.a)} s${i} ${e.volts}`, `R${i} s${i} ${node(e.b)} ${1 / e.g}`]
        : [`R${i} ${node(e.a)} ${node(e.b)} ${1 / e.g}`],
    ),
  ];
  const folder = mkdtempSync(path.join(tmpdir(), "unzo-sweep-"));
  const seconds = (points: number) => {
    const file = path.join(folder, `s${points}.cir`);
    writeFileSync(file, [...lines, ".control", `dc V0 1 ${points} 1`, "quit 0", ".endc", ".end"].join("\n"));
    const start = performance.now();
    try {
      execFileSync("ngspice", ["-b", file], { stdio: "ignore" });
    } catch {
      /* it exits non-zero after a control run without plots */
    }
    return (performance.now() - start) / 1000;
  };
  try {
    seconds(10);
    const [short, long] = [seconds(500), seconds(4500)];
    return long > short ? ((long - short) / 4000) * 1e6 : null;
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
