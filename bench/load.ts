import { spawn } from "node:child_process";
import { once } from "node:events";
import { readFileSync, rmSync, mkdirSync } from "node:fs";
import path from "node:path";
import mysql from "mysql2/promise";
import { openFolder } from "../scripts/lib/folder.mjs";
import { startMariadb } from "../scripts/lib/mariadb.mjs";
import { FULL, seedShop, TENTH, type ShopSize } from "./seed-shop";
import { startServer } from "../tests/support/running-server";

/** One thing measured: what, and in each shop the median and the 95th percentile in milliseconds, or bytes. */
export interface LoadRow {
  readonly what: string;
  readonly wanted: string;
  readonly shops: readonly string[];
}

export interface Load {
  readonly sizes: readonly ShopSize[];
  readonly rows: readonly LoadRow[];
  readonly plans: readonly { readonly query: string; readonly plan: string }[];
}

const TIMES = 25;
const SMALL: ShopSize = { units: 3, jobs: 3, open: 3, events: 60 };
const FOLDER = path.resolve(".unzo/load");

const quantile = (sorted: readonly number[], q: number) =>
  sorted[Math.min(sorted.length - 1, Math.floor(q * sorted.length))]!;

export async function timed(work: () => Promise<unknown>, times = TIMES): Promise<string> {
  await work();
  const took: number[] = [];
  for (let i = 0; i < times; i++) {
    const start = performance.now();
    await work();
    took.push(performance.now() - start);
  }
  took.sort((a, b) => a - b);
  return `${quantile(took, 0.5).toFixed(0)} / ${quantile(took, 0.95).toFixed(0)} ms`;
}

/** Measures the server on shops of three jobs, of a tenth and of the full size, side by side on one machine. */
export async function benchLoad(say: (words: string) => void): Promise<Load> {
  rmSync(FOLDER, { recursive: true, force: true });
  mkdirSync(FOLDER, { recursive: true });
  const held = openFolder(FOLDER);
  const database = await startMariadb(held);
  const sizes = [SMALL, TENTH, FULL];
  const measured: Map<string, string>[] = [];
  let plans: Load["plans"] = [];
  try {
    for (const [i, size] of sizes.entries()) {
      const name = `unzo_load_${i}`;
      const url = database.url.replace(/\/unzo$/, `/${name}`);
      const admin = await mysql.createConnection({ uri: database.url });
      await admin.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
      await admin.end();
      await prepare(url, path.join(FOLDER, name));
      const start = performance.now();
      await seedShop(url, size);
      await prepare(url, path.join(FOLDER, name));
      say(`${size.jobs} jobs, ${size.events} entries: seeded in ${((performance.now() - start) / 1000).toFixed(0)} s`);
      measured.push(await measure(url, size));
      if (i === sizes.length - 1) plans = await explain(url);
    }
  } finally {
    await database.stop();
    held.release();
  }
  const rows = WANTED.map(([what, wanted]) => ({ what, wanted, shops: measured.map((m) => m.get(what) ?? "") }));
  return { sizes, rows, plans };
}

export async function prepare(url: string, folder: string): Promise<void> {
  mkdirSync(folder, { recursive: true });
  const env = { ...process.env, UNZO_DATABASE_URL: url, UNZO_DATA: folder };
  const child = spawn(process.execPath, ["build/prepare-database.mjs"], { env, stdio: "inherit" });
  const [code] = (await once(child, "exit")) as [number];
  if (code !== 0) throw new Error("the tables were not made");
}

const WANTED = [
  ["start page", "under 150 ms"],
  ["start page, bytes", "under 100 kB"],
  ["unit search", "under 100 ms"],
  ["waits", "under 20 ms"],
  ["job page", "as with three jobs"],
  ["unit page", ""],
  ["closed jobs, by words", ""],
  ["entry appended", ""],
  ["health while eight start pages load, the slowest", "under 100 ms"],
  ["memory after all this", "bounded"],
  ["20 clients ask for advice on 15 machines: answered", "all"],
] as const;

async function measure(url: string, size: ShopSize): Promise<Map<string, string>> {
  const server = await startServer({ UNZO_DATABASE_URL: url });
  const found = new Map<string, string>();
  const get = async (at: string) => {
    const response = await fetch(`${server.url}${at}`);
    const text = await response.text();
    if (!response.ok) throw new Error(`${at}: ${response.status} ${text.slice(0, 200)}`);
    return text;
  };
  try {
    const db = await mysql.createConnection({ uri: url });
    const [open] = await db.query<mysql.RowDataPacket[]>(
      "SELECT id, unit FROM jobs WHERE closed_at IS NULL ORDER BY opened_at DESC LIMIT 20",
    );
    await db.end();
    const [job, unit] = [String(open[0]!["id"]), String(open[0]!["unit"])];
    found.set("start page", await timed(() => get("/")));
    found.set("start page, bytes", `${((await get("/")).length / 1000).toFixed(0)} kB`);
    const words = ["SN-1000", "larch", "quellmoor", "RB-4T", "tarn 7"];
    let n = 0;
    found.set("unit search", await timed(() => get(`/api/units?q=${encodeURIComponent(words[n++ % words.length]!)}`)));
    found.set("waits", await timed(() => get("/api/waits")));
    found.set("job page", await timed(() => get(`/jobs/${job}`)));
    found.set("unit page", await timed(() => get(`/units/${unit}`)));
    found.set(
      "closed jobs, by words",
      await timed(() => get(`/api/find?state=closed&q=${encodeURIComponent("tarn part")}`), 8),
    );
    const append = () => {
      const body = JSON.stringify({ id: crypto.randomUUID(), v: 1, actor: "Ida", body: { type: "note", text: "x" } });
      return fetch(`${server.url}/api/jobs/${job}/events`, {
        method: "POST",
        headers: { "content-type": "application/json" },
        body,
      }).then((r) => {
        if (!r.ok) throw new Error(`append: ${r.status}`);
      });
    };
    found.set("entry appended", await timed(append));
    let [slowest, loading] = [0, true];
    const pages = Promise.all(Array.from({ length: 8 }, () => get("/"))).then(() => (loading = false));
    while (loading) {
      const start = performance.now();
      await get("/api/health");
      slowest = Math.max(slowest, performance.now() - start);
    }
    await pages;
    found.set("health while eight start pages load, the slowest", `${slowest.toFixed(0)} ms`);
    if (size.jobs > 20) {
      const answers = await Promise.all(open.map((row) => advice(server.url, String(row["id"]))));
      found.set(
        "20 clients ask for advice on 15 machines: answered",
        `${answers.filter((s) => s === 200).length} of 20`,
      );
    }
    const memory = Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${server.process.pid}/status`, "utf8"))![1]) / 1024;
    found.set("memory after all this", `${memory.toFixed(0)} MB`);
    return found;
  } finally {
    await server.stop();
  }
}

async function advice(url: string, job: string): Promise<number> {
  const page = (await (await fetch(`${url}/api/jobs/${job}/events`)).json()) as {
    events: { body: { machine: string; complaint: string } }[];
  };
  const { machine, complaint } = page.events[0]!.body;
  const { file } = (await (await fetch(`${url}/api/machines/${machine}/file`)).json()) as {
    file: { complaints: { id: string; setup: string }[] };
  };
  const setup = file.complaints.find((c) => c.id === complaint)!.setup;
  const body = JSON.stringify({ setup, openPanels: [], wait: true });
  const response = await fetch(`${url}/api/jobs/${job}/advice`, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body,
  });
  return response.status;
}

/** How the database goes about the questions of a page, on the largest shop. */
async function explain(url: string): Promise<Load["plans"]> {
  const db = await mysql.createConnection({ uri: url });
  const queries = {
    "open jobs":
      "SELECT j.id FROM jobs j JOIN units u ON u.id = j.unit WHERE j.closed_at IS NULL ORDER BY j.opened_at DESC, j.id LIMIT 50",
    "how many are open": "SELECT COUNT(*) FROM jobs WHERE closed_at IS NULL",
    "closed last": "SELECT id FROM jobs WHERE closed_at IS NOT NULL ORDER BY closed_at DESC, id LIMIT 8",
    waits: "SELECT w.job FROM waits w JOIN jobs j ON j.id = w.job ORDER BY w.due LIMIT 100",
    "a journal": "SELECT id FROM events WHERE stream = (SELECT id FROM jobs LIMIT 1) AND seq > 0 ORDER BY seq",
    "jobs of a unit": "SELECT id FROM jobs WHERE unit = (SELECT id FROM units LIMIT 1) ORDER BY opened_at",
    "units by serial":
      "SELECT id FROM units WHERE merged_into IS NULL AND serial_key LIKE '%sn-1000%' ORDER BY site, id LIMIT 12",
  };
  const plans = [];
  for (const [query, sql] of Object.entries(queries)) {
    const [rows] = await db.query<mysql.RowDataPacket[]>(`EXPLAIN ${sql}`);
    plans.push({
      query,
      plan: rows.map((r) => `${r["table"]}: ${r["type"]}, ${r["key"] ?? "no key"}, ${r["rows"]} rows`).join("; "),
    });
  }
  await db.end();
  return plans;
}
