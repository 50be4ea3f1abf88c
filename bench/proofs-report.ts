import { writeFileSync } from "node:fs";
import type { HeldProof } from "./proofs";

/** Writes docs/proofs.md. */
export function writeProofs(
  run: { readonly machine: string; readonly node: string; readonly commit: string; readonly at: string },
  held: readonly HeldProof[],
): void {
  const line = (h: HeldProof) =>
    `| ${h.machine} | ${h.board} | ${h.steps} | ${h.faults} | ${h.unshown.join(", ") || "none"} | ${h.missed} of ${h.made} | ${h.worst} |`;
  writeFileSync(
    new URL("../docs/proofs.md", import.meta.url),
    `# What a proof after a board swap holds

One run of \`npm run bench -- proofs\`: Node ${run.node}, commit ${run.commit}, ${run.at.slice(0, 10)}. Of each machine's first board: the steps of its proof; the faults of what hands
touched (the board, what is soldered to it, its plugs), and those that no permitted reading shows; and how many readings of a thousand sound units (parts, mains, room and meter drawn at
random within their limits, apart from what the proof was made with) failed a step.

| machine | board | steps | faults | not shown | sound readings that failed | worst step |
| --- | --- | --- | --- | --- | --- | --- |
${held.map(line).join("\n")}
`,
  );
}
