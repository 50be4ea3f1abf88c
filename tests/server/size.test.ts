import { randomUUID as uuid } from "node:crypto";
import mysql from "mysql2/promise";
import { spawnSync } from "node:child_process";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { seedShop, TENTH } from "../../bench/seed-shop";
import { closeDatabase, database } from "../../src/server/db";
import { findSchema } from "../../src/contract/find";
import { findAnything } from "../../src/server/find";
import { eq, inArray, sql } from "drizzle-orm";
import { rebuildOutcomes } from "../../src/server/outcomes";
import { jobs, outcomes, terms } from "../../src/server/schema";
import { rebuildTerms } from "../../src/server/terms";
import { lastClosed, listJobs, openJob, readJob } from "../../src/server/jobs";
import { timesOn } from "../../src/server/learned-times";
import { searchUnits, unitRecord } from "../../src/server/units";
import { openWaits } from "../../src/server/waits";
import { machineNamed } from "../support/fleet";
import { startServer, type RunningServer } from "../support/running-server";
import { newFolder, removeFolder } from "../support/start-command";
import { closeShop, log, newJob, newUnit, NOW } from "../support/shop";
import { readEnvAnew } from "../../src/env";

const own = process.env.UNZO_DATABASE_URL ?? "";
const name = `unzo_${uuid().slice(0, 8)}`;
const url = own.replace(/\/unzo$/, `/${name}`);
const folder = newFolder();
let server: RunningServer;

beforeAll(async () => {
  if (!own) throw new Error("These tests need the private database: run them by npm test.");
  const admin = await mysql.createConnection({ uri: own });
  await admin.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  await admin.end();
  const env = { ...process.env, UNZO_DATABASE_URL: url, UNZO_DATA: folder };
  const prepared = spawnSync(process.execPath, ["build/prepare-database.mjs"], { env, encoding: "utf8" });
  if (prepared.status !== 0) throw new Error(prepared.stderr);
  await seedShop(url, TENTH);
  server = await startServer({ UNZO_DATABASE_URL: url });
  await closeDatabase();
  process.env.UNZO_DATABASE_URL = url;
  readEnvAnew();
  process.env.UNZO_DATABASE_CONNECTIONS = "1";
  readEnvAnew();
  await rebuildTerms();
});
afterAll(async () => {
  await server.stop();
  await database().execute(`DROP DATABASE ${name}`);
  await closeShop();
  process.env.UNZO_DATABASE_URL = own;
  readEnvAnew();
  delete process.env.UNZO_DATABASE_CONNECTIONS;
  readEnvAnew();
  removeFolder(folder);
});

/** What names jobs in the index. */
const numbersOf = async (ids: readonly string[]) =>
  (
    await database()
      .select({ no: jobs.no })
      .from(jobs)
      .where(inArray(jobs.id, [...ids]))
  ).map((r) => r.no);

/** Rows that the database looked at for some work; the session counts them, and there is one connection. */
async function rowsFor(work: () => Promise<unknown>): Promise<number> {
  const read = async () => {
    const [rows] = (await database().execute("SHOW SESSION STATUS LIKE 'Handler_read%'")) as unknown as [
      { Value: string }[],
    ];
    return rows.reduce((sum, r) => sum + Number(r.Value), 0);
  };
  const before = await read();
  const idle = (await read()) - before;
  const start = await read();
  await work();
  return (await read()) - start - idle;
}

describe(`a shop of ${TENTH.jobs} jobs and ${TENTH.events} entries`, () => {
  it("is listed, searched and opened by looking at few of them", async () => {
    const { jobs } = await listJobs({ state: "open" });
    const job = jobs[0]!;
    const looked = {
      open: await rowsFor(() => listJobs({ state: "open" })),
      closed: await rowsFor(() => lastClosed()),
      waits: await rowsFor(() => openWaits()),
      times: await rowsFor(() => timesOn("zirvald-bw-15")),
      journal: await rowsFor(() => readJob(job.id)),
      unit: await rowsFor(() => unitRecord(job.unit)),
      search: await rowsFor(() => searchUnits("SN-1000")),
      find: await rowsFor(() => findAnything(findSchema.parse({ q: "part 7 upper", state: "closed" }))),
    };
    console.log(JSON.stringify(looked));
    expect(looked.open).toBeLessThan(600);
    expect(looked.closed).toBeLessThan(200);
    expect(looked.waits).toBeLessThan(100);
    expect(looked.times).toBeLessThan(10);
    // Its own twenty entries, and the ten jobs of its unit with theirs.
    expect(looked.journal).toBeLessThan(60);
    expect(looked.unit).toBeLessThan(1000);
    // All jobs of the rarest word, the entries of the twenty that are shown, and none of the hundred thousand others.
    expect(looked.find).toBeLessThan(20_000);
    // Units are few beside jobs, and are looked through.
    expect(looked.search).toBeLessThan(3 * TENTH.units);
  });

  it("shows what is there: all open jobs counted, waits of open jobs, closed ones by words", async () => {
    expect(await listJobs({ state: "open" })).toMatchObject({ total: TENTH.open });
    expect((await openWaits()).waits.length).toBe(TENTH.open / 4);
    const found = new Map<string, string>();
    for (let before: number | null = Number.MAX_SAFE_INTEGER; before !== null;) {
      const page = await findAnything(findSchema.parse({ state: "closed", q: "part 7 upper", before }));
      for (const j of page.jobs) found.set(j.id, j.why.map((w) => w.text).join(" "));
      before = page.next;
    }
    // As the database itself finds them, by looking at every row.
    const [wanted] = (await database().execute(
      sql`SELECT jobs.id FROM jobs JOIN units ON units.id = jobs.unit WHERE result = 'Part 7' AND site LIKE 'Upper%'`,
    )) as unknown as [{ id: string }[]];
    expect(wanted.length).toBeGreaterThan(10);
    for (const { id } of wanted) expect([...found.keys()]).toContain(id);
    // A 7 may stand in what its machine is called, too.
    for (const why of found.values()) expect(why).toMatch(/(?=.*\b7\b)(?=.*part)(?=.*upper)/i);
    expect((await listJobs({ state: "closed" })).total).toBe(2000);
    expect((await searchUnits("sn-100007")).units.map((u) => u.serial)).toEqual(["SN-100007"]);
  });

  it("is found and learned from the same when all journals are read anew", async () => {
    const machine = "zirvald-bw-15";
    const unit = await newUnit(machine);
    const job = await newJob(unit, "still");
    await log(job, { type: "note", text: "again and again" });
    const sign = await log(job, { type: "answered", first: "*", answer: "no", words: "None of these" });
    await log(job, { type: "struck", event: sign.id, reason: "was not asked" });
    const piece = machineNamed(machine).file.pieces[0]!.id;
    const call = { pieceName: "Motor", cause: "Brushes worn", action: "Changed.", sure: "likely", proofs: [] };
    await log(job, { type: "called", piece, ...call });
    await log(job, { type: "followed up", held: false, words: "" });
    const next = new Date(NOW.getTime() + 86_400_000);
    const again = (await openJob({ id: uuid(), unit, complaint: "still", actor: "Jon" }, next)).id;
    const kept = async () => ({
      terms: await database()
        .select()
        .from(terms)
        .where(inArray(terms.job, await numbersOf([job, again]))),
      outcomes: await database().select().from(outcomes).where(eq(outcomes.unit, unit)),
    });
    const before = await kept();
    expect(before.terms.length).toBeGreaterThan(20);
    expect(before.outcomes).toMatchObject([{ job, held: "came back", againJob: again }]);
    await rebuildTerms();
    await rebuildOutcomes();
    expect(await kept()).toEqual(before);
  });

  it("has a start page under 100 kB, and answers health while eight of them load", async () => {
    const page = await (await fetch(`${server.url}/`)).text();
    console.log(`start page: ${(page.length / 1000).toFixed(0)} kB`);
    expect(page.length).toBeLessThan(100_000);
    const pages = Promise.all(Array.from({ length: 8 }, () => fetch(`${server.url}/`).then((r) => r.text())));
    const start = performance.now();
    expect((await fetch(`${server.url}/api/health`)).status).toBe(200);
    console.log(`health meanwhile: ${Math.round(performance.now() - start)} ms`);
    for (const text of await pages) expect(text).toContain("Open jobs");
  });

  it("gives advice to twenty clients on its machines at once", async () => {
    // Jobs of the small machines: that all of them get an answer is what counts here, not how long each dictionary
    // takes.
    const { jobs } = await listJobs({ state: "closed" }, 2000);
    const small = ["Zirvald", "Perlgrund", "Hochkar", "Tannrast", "Sellrun"];
    const chosen = small.flatMap((maker) => jobs.filter((j) => j.machineName.startsWith(maker)).slice(0, 4));
    expect(chosen).toHaveLength(20);
    const answers = await Promise.all(
      chosen.map(async (row) => {
        const { file, events } = await readJob(row.id);
        const opened = events[0]!.body;
        const complaint = file.complaints.find((c) => opened.type === "opened" && c.id === opened.complaint)!;
        const response = await fetch(`${server.url}/api/jobs/${row.id}/advice`, {
          method: "POST",
          headers: { "content-type": "application/json" },
          body: JSON.stringify({ setup: complaint.setup, openPanels: [], wait: true }),
        });
        const said = (await response.json()) as { answers?: { advice: { suspects: unknown[] } } };
        return { status: response.status, suspects: said.answers?.advice.suspects ?? [] };
      }),
    );
    expect(answers.map((a) => a.status)).toEqual(Array.from({ length: 20 }, () => 200));
    expect(answers.every((a) => a.suspects.length > 0)).toBe(true);
  });
});
