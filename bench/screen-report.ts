import { writeFileSync } from "node:fs";
import { waterfall } from "./chart";
import type { Entered, Opened, ScreenBench } from "./screen";

const n = (v: number) => (Number.isFinite(v) ? v.toFixed(0) : "-");
const times = (before: number | undefined, now: number) =>
  before === undefined || !Number.isFinite(before) ? "" : ` (${(before / now).toFixed(1)})`;

/** Writes docs/performance-screen.md: what was measured, and in brackets how many times as much it was before. */
export function writeScreen(
  run: { readonly machine: string; readonly node: string; readonly commit: string; readonly at: string },
  now: ScreenBench,
  before: ScreenBench | null,
): void {
  const cell = (what: keyof Opened, own: Partial<Opened>, then?: Partial<Opened>) =>
    `${n(own[what] ?? NaN)}${times(then?.[what], own[what] ?? NaN)}`;
  const opening = Object.entries(now.opening).map(([name, own]) => {
    const then = before?.opening[name];
    const cells = (["firstByte", "lastByte", "step", "alive", "longestTask", "scriptKilobytes"] as const).map((what) =>
      cell(what, own, then),
    );
    return `| ${[name, ...cells].join(" | ")} |`;
  });
  const pages = Object.entries(now.pages).map(([name, own]) => {
    const then = before?.pages[name];
    return `| ${name} | ${cell("longestTask", own, then)} | ${cell("scriptKilobytes", own, then)} |`;
  });
  const entered = (["typed", "pasted", "linked", "odd"] as const).map((how) => {
    const own = now[how];
    const then = before?.[how];
    const of = (e: Entered | null, what: "median" | "p95") => (e ? e[what] : NaN);
    return `| ${how} | ${own?.readings ?? 0} | ${n(of(own, "median"))}${times(then?.median, of(own, "median"))} | ${n(of(own, "p95"))}${times(then?.p95, of(own, "p95"))} |`;
  });
  const falls = Object.entries(now.opening).map(([name, o]) => ({
    name,
    marks: [
      ["first byte", o.firstByte],
      ["step", o.step],
      ["alive", o.alive],
    ] as const,
  }));
  writeFileSync(new URL("../docs/charts/opening.svg", import.meta.url), waterfall(falls));
  const page = `# On the screen, measured

\`npm run bench -- screen\`: ${run.machine}, Node ${run.node}, commit ${run.commit}, ${run.at.slice(0, 10)}. Chromium, a fresh browser store for every
page, the processor as it is and slowed down four times. Times vary by two from machine to machine and are asserted nowhere;
${before ? "in brackets how many times as much it was before dictionaries were stored, in the same run." : "nothing was measured beside it."}

## Opening a job
Milliseconds from the beginning of the navigation. The step is the first question or test, to be read; alive is when keys and
buttons answer. The longest task is what held up the page's main thread at most.

| machine | first byte | last byte | step | alive | longest task | script, kB gzipped |
| --- | --- | --- | --- | --- | --- | --- |
${opening.join("\n")}

Wanted: the step in 1,000 ms, slowed four times in 2,500; no task over 50 ms, slowed four times 200; 370 kB of script.

What happens in which order: the server reads the journal and takes the dictionary from the store into a thread (once a machine);
the page comes with the first question, the simple causes and the signs in it; while it is read the script comes, and a
worker of the page takes the same dictionary from the server or from the browser's own store. From then on the page answers
by itself.

## Other pages
| page | longest task, ms | script, kB gzipped |
| --- | --- | --- |
${pages.join("\n")}

## A reading entered
Milliseconds to the next step on the screen. Typed key by key at 100 ms a key; pasted into the field at once; from a linked
meter; odd ones fit nothing, so that two faults are weighed.

| how | readings | median | p95 |
| --- | --- | --- | --- |
${entered.join("\n")}

Wanted: p95 of 100 ms, of odd ones 300.
`;
  writeFileSync(new URL("../docs/performance-screen.md", import.meta.url), page);
}
