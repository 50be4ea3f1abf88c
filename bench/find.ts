import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import path from "node:path";
import { count, eq } from "drizzle-orm";
import { openFolder } from "../scripts/lib/folder.mjs";
import { startMariadb } from "../scripts/lib/mariadb.mjs";
import { findSchema } from "../src/contract/find";
import { readEnvAnew } from "../src/env";
import { closeDatabase, database } from "../src/server/db";
import { findAnything } from "../src/server/find";
import { likeBefore } from "../src/server/like-before";
import { events, jobs, terms } from "../src/server/schema";
import { prepare, timed } from "./load";
import { HUNDRED, seedShop } from "./seed-shop";

const FOLDER = path.resolve(".unzo/find");
const TIMES = 30;
/** Of a smaller shop the same can be asked in a few minutes: SHARE=0.2. */
const SHARE = Number(process.env.SHARE ?? 1);
/** A shop takes half an hour to make: with KEEP=1 it stays, and is asked again by the next run with KEEP=1. */
const KEEP = process.env.KEEP === "1";
const MADE = path.join(FOLDER, "made-in.txt");
const SIZE = {
  ...HUNDRED,
  units: HUNDRED.units * SHARE,
  jobs: HUNDRED.jobs * SHARE,
  events: HUNDRED.events * SHARE,
};

/** What is looked for, from the rarest to what stands everywhere. */
const ASKED: readonly (readonly [string, object])[] = [
  ["a code as it stands, in one of 60 jobs", { q: "E4" }],
  ["the same and a machine", { q: "E4", machine: "zirvald-bw-15" }],
  ["a serial number, the beginning of it", { q: "SN-1042" }],
  ["one word that stands in every fourth job", { q: "heater" }],
  ["two of them", { q: "heater welded" }],
  ["three, and a code", { q: "relay welded wet E17" }],
  ["the beginning of very many words", { q: "bac" }],
  ["a word that no job has", { q: "nowhere heater" }],
  [
    "a person and a common word, closed since last year",
    { q: "panel", person: "Ida", state: "closed", since: "2026-01-01" },
  ],
  ["everything, the newest", {}],
];

export interface FindRow {
  readonly what: string;
  readonly typed: string;
  readonly took: string;
  readonly found: string;
}

/** Fills the database with jobs; how long its projections took to be made anew. */
async function makeShop(url: string, say: (words: string) => void): Promise<string> {
  await prepare(url, FOLDER);
  let start = performance.now();
  const seconds = () => `${((performance.now() - start) / 1000).toFixed(0)} s`;
  await seedShop(url, SIZE);
  say(`seeded in ${seconds()}`);
  start = performance.now();
  await prepare(url, FOLDER);
  return seconds();
}

/** Measures the index of terms on a shop of a hundred thousand jobs and two million readings. */
export async function benchFind(say: (words: string) => void) {
  if (!KEEP) rmSync(FOLDER, { recursive: true, force: true });
  mkdirSync(FOLDER, { recursive: true });
  const held = openFolder(FOLDER);
  const mariadb = await startMariadb(held);
  try {
    if (!existsSync(MADE)) writeFileSync(MADE, await makeShop(mariadb.url, say));
    const rebuilt = readFileSync(MADE, "utf8");
    say(`index and outcomes made from the journals in ${rebuilt}`);
    process.env.UNZO_DATABASE_URL = mariadb.url;
    readEnvAnew();
    const rows: FindRow[] = [];
    for (const [what, asked] of ASKED) {
      const query = findSchema.parse(asked);
      const took = await timed(() => findAnything(query), TIMES);
      const found = await findAnything(query);
      const more = found.next === null ? "" : " and more";
      rows.push({ what, typed: query.q || "(nothing)", took, found: `${found.jobs.length}${more}` });
      say(JSON.stringify(rows.at(-1)));
    }
    const [job] = await database().select({ id: jobs.id }).from(jobs).orderBy(jobs.openedAt).limit(1);
    const alike = await timed(() => likeBefore(job!.id), TIMES);
    rows.push({ what: "jobs like this one", typed: "", took: alike, found: `${(await likeBefore(job!.id)).length}` });
    const of = async (table: typeof events | typeof terms | typeof jobs) =>
      Number((await database().select({ n: count() }).from(table))[0]!.n);
    const [readings] = await database().select({ n: count() }).from(events).where(eq(events.type, "reading"));
    const sizes = { jobs: await of(jobs), readings: Number(readings!.n), terms: await of(terms) };
    return { rows, rebuilt, sizes };
  } finally {
    await closeDatabase();
    await mariadb.stop();
    held.release();
    if (!KEEP) rmSync(FOLDER, { recursive: true, force: true });
  }
}

/** Writes docs/performance-find.md. */
export function writeFind(
  run: { at: string; commit: string; machine: string; node: string },
  { rows, rebuilt, sizes }: Awaited<ReturnType<typeof benchFind>>,
): void {
  const number = (n: number) => n.toLocaleString("en-GB");
  const lines = [
    "# Finding, measured",
    "",
    `Written by \`npm run bench -- find\`: ${run.at.slice(0, 10)}, commit ${run.commit}, ${run.machine}, Node ${run.node}. ${number(sizes.jobs)} jobs, ${number(sizes.readings)} readings, ${number(sizes.terms)} rows of terms. Median / 95th percentile of ${TIMES}; wanted: under 100 ms. Why a job was found is read from its journal and is in the time.`,
    "",
    "| | typed | took | jobs on the page |",
    "| --- | --- | ---: | ---: |",
    ...rows.map((r) => `| ${r.what} | ${r.typed} | ${r.took} | ${r.found} |`),
    "",
    `Index and outcomes of all journals are made anew in ${rebuilt}.`,
    "",
  ];
  writeFileSync(new URL("../docs/performance-find.md", import.meta.url), lines.join("\n"));
}
