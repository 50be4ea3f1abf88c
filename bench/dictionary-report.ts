import { writeFileSync } from "node:fs";
import { type Built, growth } from "./dictionary";

/** Writes docs/performance-dictionary.md. */
export function writeDictionaries(
  run: { readonly machine: string; readonly node: string; readonly commit: string; readonly at: string },
  built: readonly Built[],
): void {
  const line = (b: Built) =>
    `| ${b.machine} | ${b.parts} | ${b.nodes} | ${b.hypotheses} | ${b.setups} | ${b.tests} | ${((100 * b.broughtAbout) / b.samples).toFixed(0)} % | ${b.cpuSeconds.toFixed(1)} | ${b.megabytes.toFixed(0)} |`;
  const powers = (cost: (b: Built) => number) =>
    growth(built, cost)
      .map((p) => p.toFixed(1))
      .join(", ");
  writeFileSync(
    new URL("../docs/performance-dictionary.md", import.meta.url),
    `# What a fault dictionary costs

One run of \`npm run bench -- dictionary\`: ${run.machine}, Node ${run.node}, commit ${run.commit}, ${run.at.slice(0, 10)}. Each is built in a process of its own; the seconds are of the processor, the start of the engine
among them (about 0.4 s). It is built once a file and kept. Wanted: the largest of the fleet in 1 s, 40 parts with three boards (ramsgrat-ct-60) in 3 s, 200 parts in 10 s and 100 MB.

| machine | parts | nodes | hypotheses | setups | tests | simulated of all samples | CPU, s | MB |
| --- | --- | --- | --- | --- | --- | --- | --- | --- |
${built.map(line).join("\n")}

The last ones are made up of real blocks: a board with fuse, supply, regulator, controller and two stations of loads, relays, plugs and sensors, again and again. From each to the
next the seconds grow with this power of the parts: ${powers((b) => b.cpuSeconds)}; the megabytes: ${powers((b) => b.megabytes)}. Every board has faults of its own, wakes by itself and adds to every solve: that is the third power.
`,
  );
}
