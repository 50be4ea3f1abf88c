import { randomUUID as uuid } from "node:crypto";
import mysql from "mysql2/promise";
import { spawnSync } from "node:child_process";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { seedShop, TENTH } from "../../bench/seed-shop";
import { closeDatabase, database } from "../../src/server/db";
import { lastClosed, listJobs, readJob } from "../../src/server/jobs";
import { timesOn } from "../../src/server/learned-times";
import { searchUnits, unitRecord } from "../../src/server/units";
import { openWaits } from "../../src/server/waits";
import { FLEET, machineNamed } from "../support/fleet";
import { startServer, type RunningServer } from "../support/running-server";
import { newFolder, removeFolder } from "../support/start-command";
import { closeShop } from "../support/shop";
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

describe(`a shop of ${TENTH.jobs} jobs and ${TENTH.events} entries`, { timeout: 120_000 }, () => {
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
    };
    console.log(JSON.stringify(looked));
    expect(looked.open).toBeLessThan(600);
    expect(looked.closed).toBeLessThan(200);
    expect(looked.waits).toBeLessThan(100);
    expect(looked.times).toBeLessThan(10);
    // Its own twenty entries, and the ten jobs of its unit with theirs.
    expect(looked.journal).toBeLessThan(60);
    expect(looked.unit).toBeLessThan(1000);
    // Units are few beside jobs, and are looked through.
    expect(looked.search).toBeLessThan(3 * TENTH.units);
  });

  it("shows what is there: all open jobs counted, waits of open jobs, closed ones by words", async () => {
    expect(await listJobs({ state: "open" })).toMatchObject({ total: TENTH.open });
    expect((await openWaits()).length).toBe(TENTH.open / 4);
    const closed = await listJobs({ state: "closed", words: "part 7 larch" });
    expect(closed.total).toBeGreaterThan(0);
    // A 7 may stand in what its machine is called, or on one of its boards, too.
    const called = FLEET.map((name) => {
      const { maker, model, id, name: words, pieces, plates } = machineNamed(name).file;
      const numbers = [...pieces.flatMap((p) => p.number ?? []), ...plates.flatMap((p) => [p.code, p.index ?? ""])];
      return { key: `${maker} ${model}`, words: [id, maker, model, words, ...numbers].join(" ") };
    });
    const wordsOf = (machineName: string) => called.find((c) => machineName.startsWith(c.key))?.words ?? machineName;
    expect(closed.jobs.every((j) => /7/.test(`${j.result} ${j.site} ${j.serial} ${wordsOf(j.machineName)}`))).toBe(
      true,
    );
    expect((await listJobs({ state: "closed" })).total).toBe(2000);
    expect((await searchUnits("sn-100007")).units.map((u) => u.serial)).toEqual(["SN-100007"]);
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

  it("gives advice to twenty clients on its machines at once", { timeout: 300_000 }, async () => {
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
