import { LEAK } from "../src/core/circuit";
import type { TestNetlist } from "../tests/support/netlists";

/** A symmetric matrix by its upper triangle, column by column, rows ascending; `place` maps each element into it. */
interface Upper {
  readonly start: Int32Array;
  readonly row: Int32Array;
  readonly value: Float64Array;
}

/** The conductance matrix of a circuit in an order of its nodes, as compressed columns of the upper triangle. */
export function upperOf(netlist: TestNetlist, order: ArrayLike<number>): Upper {
  const n = netlist.nodeCount;
  const at = new Int32Array(n);
  for (let k = 0; k < n; k++) at[order[k]!] = k;
  const columns: Map<number, number>[] = Array.from({ length: n }, (_, k) => new Map([[k, LEAK]]));
  const add = (i: number, j: number, g: number) => {
    const column = columns[Math.max(i, j)]!;
    column.set(Math.min(i, j), (column.get(Math.min(i, j)) ?? 0) + g);
  };
  for (const e of netlist.elements) {
    if (e.a >= 0) add(at[e.a]!, at[e.a]!, e.g);
    if (e.b >= 0) add(at[e.b]!, at[e.b]!, e.g);
    if (e.a >= 0 && e.b >= 0) add(at[e.a]!, at[e.b]!, -e.g);
  }
  const sorted = columns.map((c) => [...c].sort((x, y) => x[0] - y[0]));
  const start = new Int32Array(n + 1);
  sorted.forEach((c, k) => (start[k + 1] = start[k]! + c.length));
  return {
    start,
    row: Int32Array.from(sorted.flatMap((c) => c.map(([r]) => r))),
    value: Float64Array.from(sorted.flatMap((c) => c.map(([, v]) => v))),
  };
}

/**
 * A plain sparse L D Lt, factor and solve, its pattern worked out once: the up-looking algorithm of T. A. Davis,
 * Algorithm 849: a concise sparse Cholesky factorization package, ACM TOMS 31 (2005), from memory.
 */
export class SparseLdl {
  private readonly parent: Int32Array;
  private readonly start: Int32Array;
  private readonly row: Int32Array;
  private readonly value: Float64Array;
  private readonly pivot: Float64Array;
  private readonly filled: Int32Array;
  private readonly flag: Int32Array;
  private readonly pattern: Int32Array;
  private readonly work: Float64Array;

  constructor(private readonly a: Upper) {
    const n = a.start.length - 1;
    [this.parent, this.flag] = [new Int32Array(n), new Int32Array(n)];
    const count = new Int32Array(n);
    for (let k = 0; k < n; k++) {
      this.parent[k] = -1;
      this.flag[k] = k;
      for (let p = a.start[k]!; p < a.start[k + 1]!; p++)
        for (let i = a.row[p]!; this.flag[i] !== k; i = this.parent[i]!) {
          if (this.parent[i] === -1) this.parent[i] = k;
          count[i]!++;
          this.flag[i] = k;
        }
    }
    this.start = new Int32Array(n + 1);
    for (let k = 0; k < n; k++) this.start[k + 1] = this.start[k]! + count[k]!;
    this.row = new Int32Array(this.start[n]!);
    this.value = new Float64Array(this.start[n]!);
    [this.pivot, this.work] = [new Float64Array(n), new Float64Array(n)];
    [this.filled, this.pattern] = [new Int32Array(n), new Int32Array(n)];
  }

  factor(): void {
    const { a, parent, start, row, value, pivot, filled, flag, pattern, work } = this;
    const n = pivot.length;
    filled.fill(0);
    for (let k = 0; k < n; k++) {
      let top = n;
      flag[k] = k;
      work[k] = 0;
      for (let p = a.start[k]!; p < a.start[k + 1]!; p++) {
        const i0 = a.row[p]!;
        work[i0] = (work[i0] ?? 0) + a.value[p]!;
        let length = 0;
        for (let i = i0; flag[i] !== k; i = parent[i]!) {
          pattern[length++] = i;
          flag[i] = k;
        }
        while (length > 0) pattern[--top] = pattern[--length]!;
      }
      pivot[k] = work[k]!;
      work[k] = 0;
      for (; top < n; top++) {
        const i = pattern[top]!;
        const y = work[i]!;
        work[i] = 0;
        const end = start[i]! + filled[i]!;
        for (let p = start[i]!; p < end; p++) work[row[p]!]! -= value[p]! * y;
        const l = y / pivot[i]!;
        pivot[k]! -= l * y;
        row[end] = k;
        value[end] = l;
        filled[i]!++;
      }
    }
  }

  /** Solves in place; `x` is in the order of the columns. */
  solve(x: Float64Array): void {
    const { start, row, value, pivot } = this;
    const n = pivot.length;
    for (let k = 0; k < n; k++) for (let p = start[k]!; p < start[k + 1]!; p++) x[row[p]!]! -= value[p]! * x[k]!;
    for (let k = 0; k < n; k++) x[k]! /= pivot[k]!;
    for (let k = n - 1; k >= 0; k--) for (let p = start[k]!; p < start[k + 1]!; p++) x[k]! -= value[p]! * x[row[p]!]!;
  }
}
