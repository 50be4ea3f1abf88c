import { writeFileSync } from "node:fs";
import type { Load } from "./load";

/** Writes docs/performance-server.md. */
export function writeLoad(run: { at: string; commit: string; machine: string; node: string }, load: Load): void {
  const number = (n: number) => n.toLocaleString("en-GB");
  const head = load.sizes.map((s) => `${number(s.jobs)} jobs, ${number(s.open)} open, ${number(s.events)} entries`);
  const lines = [
    "# The server under load, measured",
    "",
    `Written by \`npm run bench -- load\`: ${run.at.slice(0, 10)}, commit ${run.commit}, ${run.machine}, Node ${run.node}. Median / 95th percentile, one after the other on one machine; nothing is asserted by the clock.`,
    "",
    `| | wanted | ${head.join(" | ")} |`,
    `| --- | --- | ${head.map(() => "---:").join(" | ")} |`,
    ...load.rows.map((r) => `| ${r.what} | ${r.wanted} | ${r.shops.map((s) => s || "not asked").join(" | ")} |`),
    "",
    "How the database goes about it, on the largest shop (EXPLAIN):",
    "",
    "| question | tables: access, key, rows |",
    "| --- | --- |",
    ...load.plans.map((p) => `| ${p.query} | ${p.plan} |`),
    "",
  ];
  writeFileSync(new URL("../docs/performance-server.md", import.meta.url), lines.join("\n"));
}
