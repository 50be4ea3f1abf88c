import { describe, expect, it } from "vitest";
import { AcSolver } from "../../../src/core/circuit/ac";
import { DcSolver } from "../../../src/core/circuit/dc";
import { compileElimination, GROUND, LEAK } from "../../../src/core/circuit/elimination";
import { isClamp, loadedShare, loadedShareAc, unitOf, type MeterFunction } from "../../../src/core/instrument/meter";

const topology = (nodeCount: number, ...ends: number[]) => ({ nodeCount, ends: Int32Array.from(ends) });

describe("a circuit that is compiled", () => {
  it.each([
    ["below ground at one end", [-2, 0]],
    ["below ground at the other", [0, -2]],
    ["beyond the last node at one end", [2, 0]],
    ["beyond it at the other", [0, 2]],
    ["beyond it at both", [3, 5]],
  ] as const)("is refused where an element ends outside it: %s", (_name, ends) => {
    expect(() => compileElimination(topology(2, 0, 1, ...ends))).toThrow("element 1 ends outside the circuit");
  });
  it("takes ground and the first and last node as ends", () => {
    expect(() => compileElimination(topology(2, 0, GROUND, GROUND, 1, 0, 1))).not.toThrow();
  });
  it("leaves out what begins and ends on one node; elements side by side are one edge", () => {
    const program = compileElimination(topology(3, 0, 0, 0, 1, 1, 0, 1, 2, GROUND, GROUND));
    expect(program.elementEdge[0]).toBe(-1);
    expect(program.elementNode[0]).toBe(-1);
    expect(program.elementEdge[1]).toBe(program.elementEdge[2]);
    expect(program.elementEdge[3]).not.toBe(program.elementEdge[1]);
  });
  it("eliminates the fewest neighbours first: of a star its rays, then its hub; and makes no edge that was not there", () => {
    const star = compileElimination(topology(6, ...[1, 2, 3, 4, 5].flatMap((ray) => [0, ray])));
    expect([...star.order].indexOf(0)).toBeGreaterThanOrEqual(4);
    expect(star.edge.length).toBe(5);
    expect(star.pairEdge.length).toBe(0);
    // A ring of four joins the neighbours of the first that goes.
    const ring = compileElimination(topology(4, 0, 1, 1, 2, 2, 3, 3, 0));
    expect(ring.pairEdge.length).toBeGreaterThanOrEqual(1);
  });
  it("solves by hand: a divider, its resistance, and nothing between a node and itself", () => {
    // 12 V behind 1 ohm (Norton: 12 A into node 0 beside 1 S), 2 ohms to node 1, 3 ohms to ground: 12 x 3 / 6.
    const program = compileElimination(topology(2, 0, GROUND, 0, 1, 1, GROUND));
    const direct = new DcSolver(program);
    direct.factor(Float64Array.of(1, 1 / 2, 1 / 3));
    const volts = new Float64Array(2);
    direct.solve(Float64Array.of(12, 0), volts);
    expect(volts[0]).toBeCloseTo(10, 9);
    expect(volts[1]).toBeCloseTo(6, 9);
    // Between the nodes: 2 ohms beside the 4 through ground.
    expect(direct.resistance(0, 1)).toBeCloseTo(4 / 3, 9);
    expect(direct.resistance(1, 1)).toBe(0);
    const alternating = new AcSolver(program);
    // The 2 ohms become a capacitor of -2j ohms: j/2 siemens.
    alternating.factor(Float64Array.of(1, 0, 1 / 3), Float64Array.of(0, 1 / 2, 0));
    const [re, im] = [new Float64Array(2), new Float64Array(2)];
    alternating.solve(Float64Array.of(12, 0), new Float64Array(2), re, im);
    // 12 x 3 / (4 - 2j) = 36 (4 + 2j) / 20
    expect(re[1]).toBeCloseTo(7.2, 9);
    expect(im[1]).toBeCloseTo(3.6, 9);
    expect(alternating.impedance(0, 0)).toEqual({ re: 0, im: 0 });
    // -2j beside 4: -8j / (4 - 2j) = (16 - 32j) / 20
    const z = alternating.impedance(0, 1);
    expect(z.re).toBeCloseTo(0.8, 9);
    expect(z.im).toBeCloseTo(-1.6, 9);
  });
  it("carries what no neighbour takes, and reads nothing where nothing is fed", () => {
    const program = compileElimination(topology(2, 0, GROUND));
    const solver = new DcSolver(program);
    solver.factor(Float64Array.of(1));
    const volts = new Float64Array(2);
    solver.solve(Float64Array.of(3, 0), volts);
    expect(volts[0]).toBeCloseTo(3, 9);
    expect(volts[1]).toBe(0);
    // A node that hangs on nothing but the leak.
    expect(solver.resistance(0, 1) * LEAK).toBeCloseTo(1, 6);
  });
});

describe("what a meter does to a source", () => {
  it("halves the voltage of a source as large as itself; a reactance as large leaves seven tenths of it", () => {
    expect(loadedShare(1e7, 1e7)).toBeCloseTo(0.5, 12);
    expect(loadedShare(-5, 1e7)).toBe(1);
    expect(loadedShareAc(1e7, 0, 1e7)).toBeCloseTo(0.5, 12);
    expect(loadedShareAc(0, -1e7, 1e7)).toBeCloseTo(Math.SQRT1_2, 12);
    expect(loadedShareAc(3e6, 1e7, 1e7)).toBeCloseTo(1 / Math.hypot(1.3, 1), 12);
  });
  it("reads each function in its unit", () => {
    const units: Readonly<Record<MeterFunction, string>> = {
      dcv: "V",
      acv: "V",
      lowz: "V",
      ohms: "ohm",
      insulation: "ohm",
      hertz: "Hz",
      capacitance: "F",
      clamp: "A",
      dcclamp: "A",
      inrush: "A",
      continuity: "",
      look: "",
    };
    for (const [fn, unit] of Object.entries(units) as [MeterFunction, string][]) {
      expect(unitOf(fn), fn).toBe(unit);
      expect(isClamp(fn), fn).toBe(unit === "A");
    }
  });
});
