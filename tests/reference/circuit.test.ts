import { describe, expect, it } from "vitest";
import { AcSolver } from "../../src/core/circuit/ac";
import { DcSolver } from "../../src/core/circuit/dc";
import { compileElimination, LEAK } from "../../src/core/circuit/elimination";
import { ngspice } from "../support/ngspice";
import {
  decimalSolve,
  feedOf,
  HAND_MADE,
  programOf,
  randomNetlist,
  type TestNetlist,
  topologyOf,
} from "../support/netlists";
import { randomSource } from "../support/unit-on-the-bench";

const random = randomSource(4);
const NETLISTS: readonly TestNetlist[] = [
  ...HAND_MADE,
  ...Array.from({ length: 26 }, (_, i) => randomNetlist(random, 8 + i)),
];

function dc(netlist: TestNetlist) {
  const solver = new DcSolver(programOf(netlist));
  solver.factor(Float64Array.from(netlist.elements, (e) => e.g));
  const volts = new Float64Array(netlist.nodeCount);
  solver.solve(feedOf(netlist), volts);
  return { solver, volts };
}

function ac(netlist: TestNetlist) {
  const solver = new AcSolver(programOf(netlist));
  solver.factor(
    Float64Array.from(netlist.elements, (e) => e.g),
    Float64Array.from(netlist.elements, (e) => e.b_),
  );
  const [re, im] = [new Float64Array(netlist.nodeCount), new Float64Array(netlist.nodeCount)];
  solver.solve(feedOf(netlist, "re"), feedOf(netlist, "im"), re, im);
  return { solver, re, im };
}

/** Voltages across elements: the potential of a floating node means nothing by itself. */
const across = (netlist: TestNetlist, v: ArrayLike<number>) =>
  netlist.elements.map((e) => (e.a < 0 ? 0 : v[e.a]!) - (e.b < 0 ? 0 : v[e.b]!));
const largest = (netlist: TestNetlist) => Math.max(...netlist.elements.map((e) => Math.abs(e.volts)));

/**
 * Across a floating island ngspice itself rounds (its matrix holds 65 S beside 1e-12 S). Where it lies farther from the
 * 50-digit solve than the bound, that solve judges instead, and far more sharply; at least 30 netlists must need no
 * judge.
 */
function besideNgspice(netlist: TestNetlist, alternating: boolean): { judged: boolean } {
  const ours = alternating ? ac(netlist) : { re: dc(netlist).volts, im: new Float64Array(netlist.nodeCount) };
  const [theirs, exact] = [ngspice(netlist, LEAK, alternating), decimalSolve(netlist, LEAK, alternating)];
  const parts = [ours.re, ours.im, theirs.re, theirs.im, exact.re, exact.im].map((v) => across(netlist, v));
  let judged = false;
  netlist.elements.forEach((_, i) => {
    const [re, im, theirRe, theirIm, exactRe, exactIm] = parts.map((p) => p[i]!) as [
      number,
      number,
      number,
      number,
      number,
      number,
    ];
    // What is a millionth of the source is below what ngspice keeps.
    const bound = 1e-4 * Math.hypot(re, im) + 1e-6 * largest(netlist);
    if (Math.hypot(theirRe - exactRe, theirIm - exactIm) > bound) judged = true;
    else expect(Math.hypot(re - theirRe, im - theirIm)).toBeLessThanOrEqual(bound);
    expect(Math.hypot(re - exactRe, im - exactIm)).toBeLessThanOrEqual(1e-12 * largest(netlist));
  });
  return { judged };
}

describe("node elimination beside ngspice (Debian), leak 1e-12 S", () => {
  it.each([
    ["direct current", false],
    ["phasors at 60 Hz", true],
  ] as const)("agrees to 1e-4 on at least 30 netlists: %s", (_name, alternating) => {
    const unjudged = NETLISTS.filter((netlist) => !besideNgspice(netlist, alternating).judged);
    expect(unjudged.length).toBeGreaterThanOrEqual(30);
  });
});

describe("node elimination beside a solve with 50 decimal digits", () => {
  it.each(NETLISTS.map((n, i) => [`${i} ${n.name}`, n] as const))(
    "agrees to 1e-12 of the source: %s",
    (_name, netlist) => {
      const direct = decimalSolve(netlist, LEAK, false).re;
      across(netlist, dc(netlist).volts).forEach((v, i) =>
        expect(Math.abs(v - across(netlist, direct)[i]!)).toBeLessThanOrEqual(
          1e-12 * Math.max(Math.abs(v), largest(netlist)),
        ),
      );
      const alternating = decimalSolve(netlist, LEAK, true);
      const { re, im } = ac(netlist);
      const [ourRe, ourIm, theirRe, theirIm] = [re, im, alternating.re, alternating.im].map((v) => across(netlist, v));
      ourRe!.forEach((_, i) =>
        expect(Math.hypot(ourRe![i]! - theirRe![i]!, ourIm![i]! - theirIm![i]!)).toBeLessThanOrEqual(
          1e-12 * largest(netlist),
        ),
      );
    },
  );
});

describe("what a meter sees between two nodes", () => {
  it("is the same by the short way along two paths as by a whole solve", () => {
    for (const netlist of NETLISTS) {
      const { solver } = dc(netlist);
      const { solver: alternating } = ac(netlist);
      const n = netlist.nodeCount;
      for (const [a, b] of [
        [0, n - 1],
        [n - 1, 0],
        [0, 1],
        [Math.floor(n / 2), n - 1],
      ] as const) {
        if (a === b) continue;
        const feed = new Float64Array(n);
        feed[a] = 1;
        feed[b] = -1;
        const volts = new Float64Array(n);
        solver.solve(feed, volts);
        const ohms = volts[a]! - volts[b]!;
        expect(Math.abs(solver.resistance(a, b) - ohms)).toBeLessThanOrEqual(1e-9 * ohms);
        const [re, im] = [new Float64Array(n), new Float64Array(n)];
        alternating.solve(feed, new Float64Array(n), re, im);
        const z = alternating.impedance(a, b);
        const scale = Math.hypot(re[a]! - re[b]!, im[a]! - im[b]!);
        expect(Math.hypot(z.re - re[a]! + re[b]!, z.im - im[a]! + im[b]!)).toBeLessThanOrEqual(1e-9 * scale);
      }
    }
  });
});

describe("a circuit in which a few elements move while the others stay", () => {
  it("is eliminated anew behind those that stay, and comes to what 50 digits give", () => {
    for (const netlist of NETLISTS) {
      const moving = netlist.elements.flatMap((e, i) => (i % 5 === 2 || e.volts !== 0 ? [i] : [])).slice(0, 6);
      const program = compileElimination({ ...topologyOf(netlist), moving });
      const [direct, alternating] = [new DcSolver(program), new AcSolver(program)];
      const of = (list: TestNetlist, which: "g" | "b_") => Float64Array.from(list.elements, (e) => e[which]);
      direct.factor(of(netlist, "g"));
      alternating.factor(of(netlist, "g"), of(netlist, "b_"));
      const nodes = () => new Float64Array(netlist.nodeCount);
      const part = (list: TestNetlist, moves: boolean): TestNetlist => ({
        ...list,
        elements: list.elements.map((e, i) => (moving.includes(i) === moves ? e : { ...e, volts: 0 })),
      });
      direct.hold(feedOf(part(netlist, false)));
      alternating.hold(feedOf(part(netlist, false)), feedOf(part(netlist, false), "im"));
      for (let step = 0; step < 3; step++) {
        const moved: TestNetlist = {
          ...netlist,
          elements: netlist.elements.map((e, i) =>
            moving.includes(i) ? { ...e, g: e.g * (0.1 + 3 * random()), b_: 0, volts: e.volts * random() } : e,
          ),
        };
        const [exact, phasor] = [decimalSolve(moved, LEAK, false), decimalSolve(moved, LEAK, true)];
        direct.refactor(of(moved, "g"));
        const volts = nodes();
        direct.solveTail(feedOf(part(moved, true)), volts);
        direct.solveHead(volts);
        alternating.refactor(of(moved, "g"), of(moved, "b_"));
        const [re, im] = [nodes(), nodes()];
        alternating.solveTail(feedOf(part(moved, true)), re, im);
        alternating.solveHead(re, im);
        const bound = 1e-9 * Math.max(1, largest(moved));
        for (const [own, want] of [
          [volts, exact.re],
          [re, phasor.re],
          [im, phasor.im],
        ] as const) {
          const [x, y] = [across(moved, own), across(moved, want)];
          x.forEach((v, i) => expect(Math.abs(v - y[i]!), netlist.name).toBeLessThan(bound));
        }
      }
    }
  });
});
