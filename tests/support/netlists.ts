import { Decimal } from "decimal.js";
import { compileElimination, type Topology } from "../../src/core/circuit/elimination";

/** A circuit for checks: elements with admittance (siemens) and a source in series (volts, real part only). */
export interface TestNetlist {
  readonly name: string;
  readonly nodeCount: number;
  readonly elements: readonly {
    readonly a: number;
    readonly b: number;
    readonly g: number;
    readonly b_: number;
    readonly volts: number;
  }[];
}

const element = (a: number, b: number, g: number, volts = 0, b_ = 0) => ({ a, b, g, b_, volts });

/** Made by hand: what the trade meets. Node -1 is ground. */
export const HAND_MADE: readonly TestNetlist[] = [
  {
    name: "divider",
    nodeCount: 2,
    elements: [element(0, -1, 1 / 0.1, 12), element(0, 1, 1 / 4700), element(1, -1, 1 / 4700)],
  },
  {
    name: "floating supply with a load",
    nodeCount: 2,
    elements: [element(0, 1, 1 / 0.2, 13.2), element(0, 1, 1 / 90)],
  },
  {
    name: "open fuse, load behind it",
    nodeCount: 3,
    elements: [element(0, -1, 1 / 0.3, 120), element(0, 1, 1e-11), element(1, 2, 20), element(2, -1, 1 / 44.3)],
  },
  {
    name: "shorted load behind a harness",
    nodeCount: 4,
    elements: [element(0, 1, 1 / 0.2, 13.2), element(0, 2, 25), element(1, 3, 25), element(2, 3, 1 / 0.3)],
  },
  {
    name: "0.05 ohm beside 1e11 ohm",
    nodeCount: 3,
    elements: [element(0, -1, 1 / 0.3, 120), element(0, 1, 20), element(1, 2, 1e-11), element(2, -1, 1e-6)],
  },
  {
    name: "Wheatstone bridge",
    nodeCount: 4,
    elements: [
      element(0, -1, 1, 10),
      element(0, 1, 1e-3),
      element(0, 2, 2e-3),
      element(1, 2, 1e-4),
      element(1, 3, 3e-3),
      element(2, 3, 1e-3),
      element(3, -1, 1),
    ],
  },
  {
    name: "motor and capacitor",
    nodeCount: 3,
    elements: [
      element(0, -1, 1 / 0.3, 230),
      element(0, 1, 20),
      element(1, -1, 0.012, 0, -0.009),
      element(1, 2, 1e-9, 0, 7.5e-3),
      element(2, -1, 0.02),
    ],
  },
  {
    name: "phantom through a Y capacitor",
    nodeCount: 3,
    elements: [element(0, -1, 3, 120), element(0, 1, 1e-11, 0, 8.3e-7), element(1, 2, 1e-2), element(2, -1, 1e-7)],
  },
];

/** Near-tree mains side and a floating low-voltage side, some parts open, some shorted; the same for the same seed. */
export function randomNetlist(random: () => number, nodeCount: number): TestNetlist {
  const ohms = () => 10 ** (random() * 6 - 1.5);
  const fault = () => {
    const r = random();
    return r < 0.08 ? 1e-11 : r < 0.14 ? 50 : 1 / ohms();
  };
  const elements = [element(0, -1, 1 / (0.1 + random()), 120)];
  const half = Math.floor(nodeCount * 0.6);
  for (let n = 1; n < half; n++)
    elements.push(
      element(
        n,
        random() < 0.2 ? -1 : Math.floor(random() * n),
        fault(),
        0,
        random() < 0.3 ? (random() - 0.5) * 1e-2 : 0,
      ),
    );
  for (let k = 0; k < half / 3; k++)
    elements.push(element(Math.floor(random() * half), Math.floor(random() * half), fault()));
  elements.push(element(half, half + 1, 1 / 0.2, 13));
  for (let n = half + 2; n < nodeCount; n++)
    elements.push(element(n, half + Math.floor(random() * (n - half)), fault()));
  elements.push(element(nodeCount - 1, half + 1, 1 / 90));
  return { name: `random ${nodeCount}`, nodeCount, elements: elements.filter((e) => e.a !== e.b) };
}

export function topologyOf(netlist: TestNetlist): Topology {
  return { nodeCount: netlist.nodeCount, ends: Int32Array.from(netlist.elements.flatMap((e) => [e.a, e.b])) };
}

/** Currents that the sources feed into the nodes. */
export function feedOf(netlist: TestNetlist, part: "re" | "im" = "re"): Float64Array {
  const feed = new Float64Array(netlist.nodeCount);
  for (const e of netlist.elements) {
    const amps = (part === "re" ? e.g : e.b_) * e.volts;
    if (e.a >= 0) feed[e.a]! += amps;
    if (e.b >= 0) feed[e.b]! -= amps;
  }
  return feed;
}

export const programOf = (netlist: TestNetlist) => compileElimination(topologyOf(netlist));

const D = Decimal.clone({ precision: 50 });

/**
 * Node voltages with 50 decimal digits by plain Gaussian elimination: the sharp reference. Real part first, then
 * imaginary.
 */
export function decimalSolve(netlist: TestNetlist, leak: number, alternating: boolean): { re: number[]; im: number[] } {
  const n = netlist.nodeCount;
  const size = alternating ? 2 * n : n;
  const matrix = Array.from({ length: size }, () => Array.from({ length: size + 1 }, () => new D(0)));
  const add = (row: number, column: number, g: Decimal, b: Decimal) => {
    matrix[row]![column] = matrix[row]![column]!.plus(g);
    if (!alternating) return;
    matrix[row + n]![column + n] = matrix[row + n]![column + n]!.plus(g);
    matrix[row]![column + n] = matrix[row]![column + n]!.minus(b);
    matrix[row + n]![column] = matrix[row + n]![column]!.plus(b);
  };
  for (let k = 0; k < n; k++) add(k, k, new D(leak), new D(0));
  for (const e of netlist.elements) {
    const [g, b] = [new D(e.g), new D(e.b_)];
    for (const [x, y] of [
      [e.a, e.b],
      [e.b, e.a],
    ] as const) {
      if (x < 0) continue;
      add(x, x, g, b);
      if (y >= 0) add(x, y, g.neg(), b.neg());
      const sign = x === e.a ? 1 : -1;
      matrix[x]![size] = matrix[x]![size]!.plus(g.times(e.volts).times(sign));
      if (alternating) matrix[x + n]![size] = matrix[x + n]![size]!.plus(b.times(e.volts).times(sign));
    }
  }
  for (let c = 0; c < size; c++) {
    let pivot = c;
    for (let r = c + 1; r < size; r++) if (matrix[r]![c]!.abs().gt(matrix[pivot]![c]!.abs())) pivot = r;
    [matrix[c], matrix[pivot]] = [matrix[pivot]!, matrix[c]!];
    for (let r = c + 1; r < size; r++) {
      const factor = matrix[r]![c]!.div(matrix[c]![c]!);
      if (factor.isZero()) continue;
      for (let k = c; k <= size; k++) matrix[r]![k] = matrix[r]![k]!.minus(factor.times(matrix[c]![k]!));
    }
  }
  const x = new Array<Decimal>(size);
  for (let r = size - 1; r >= 0; r--) {
    let sum = matrix[r]![size]!;
    for (let k = r + 1; k < size; k++) sum = sum.minus(matrix[r]![k]!.times(x[k]!));
    x[r] = sum.div(matrix[r]![r]!);
  }
  return { re: x.slice(0, n).map(Number), im: alternating ? x.slice(n).map(Number) : new Array<number>(n).fill(0) };
}
