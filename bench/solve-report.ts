import { writeFileSync } from "node:fs";
import type { SolveRow } from "./solve";

/** Writes docs/performance-solve.md. */
export function writeSolve(
  run: { readonly machine: string; readonly node: string; readonly commit: string; readonly at: string },
  rows: readonly SolveRow[],
): void {
  const us = (value: number) => (value < 10 ? value.toFixed(1) : String(Math.round(value)));
  const times = (a: number, b: number) => (a / b < 10 ? (a / b).toFixed(1) : String(Math.round(a / b)));
  const line = (r: SolveRow) =>
    `| ${r.nodes} | ${us(r.unzoMicroseconds)} | ${times(r.ldlMicroseconds, r.unzoMicroseconds)} | ` +
    `${us(r.unzoWithOrderMicroseconds)} | ${times(r.ldlWithOrderMicroseconds, r.unzoWithOrderMicroseconds)} | ` +
    `${times(r.sluMicroseconds, r.unzoWithOrderMicroseconds)} | ${r.ldlOff.toExponential(0)} |`;
  const dense = (r: SolveRow) =>
    `${r.nodes} nodes: ${times(r.mlMatrixMicroseconds, r.unzoMicroseconds)} and ${times(r.mathjsMicroseconds, r.unzoMicroseconds)} times`;
  writeFileSync(
    new URL("../docs/performance-solve.md", import.meta.url),
    `# One solve, against sparse solvers

One run of \`npm run bench -- solve\`: ${run.machine}, Node ${run.node}, commit ${run.commit}, ${run.at.slice(0, 10)}. All do the same work: factor a circuit's conductances and solve for its voltages, in JavaScript, in one process. The order of elimination
depends on the wiring only; Unzo works it out once a machine, so it is left out of the first pair of columns, for both, and in the second pair, for all.

| nodes | Unzo, us | sparse L D Lt with our order, times | Unzo with its ordering, us | sparse L D Lt with it, times | mathjs slu, times | L D Lt is off by |
| --- | --- | --- | --- | --- | --- | --- |
${rows.map(line).join("\n")}

The star-mesh elimination is about as quick as a plain sparse L D Lt. Its merit is accuracy: it never subtracts, while the factorisation loses digits where a contact of 0.05 ohm stands beside an open of 1e11 ohm (last column: the furthest voltage, as a
share of the largest; ours agrees with a solve in decimal numbers to 1e-12, tests/reference/circuit.test.ts).

Dense solvers, as a footnote: ml-matrix LU and mathjs lusolve take, at ${rows.map(dense).join("; ")} as long.
`,
  );
}
