import { randomUUID as uuid } from "node:crypto";
import { spawnSync } from "node:child_process";
import { existsSync } from "node:fs";
import path from "node:path";
import { readMigrationFiles } from "drizzle-orm/migrator";
import { build } from "esbuild";
import mysql from "mysql2/promise";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { newFolder, removeFolder } from "../support/start-command";

const FOLDER = "src/server/migrations";
const folder = newFolder();
const name = `unzo_${uuid().slice(0, 8)}`;
const url = (process.env.UNZO_DATABASE_URL ?? "").replace(/\/unzo$/, `/${name}`);
const child = path.join(process.cwd(), "test-results", `migrate-${name}.mjs`);
let admin: mysql.Connection;
const all = readMigrationFiles({ migrationsFolder: FOLDER });

/** The tables as they were before entries lived in streams, with a shop's work in them. */
async function olderShop(): Promise<void> {
  await admin.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  await admin.changeUser({ database: name });
  await admin.query(
    "CREATE TABLE `__drizzle_migrations` (id serial primary key, hash text not null, created_at bigint)",
  );
  for (const { sql, hash, folderMillis } of all.slice(0, 2)) {
    for (const statement of sql) await admin.query(statement);
    await admin.query("INSERT INTO `__drizzle_migrations` (hash, created_at) VALUES (?, ?)", [hash, folderMillis]);
  }
  const at = "2026-11-24 09:00:00.000";
  const machine = "a".repeat(64);
  await admin.query("INSERT INTO machines VALUES (?, 'winch', 'Winch', '{}', ?)", [machine, at]);
  await admin.query("INSERT INTO machine_heads VALUES ('winch', ?)", [machine]);
  // Two serial numbers that are one without case and blanks; and a quick job, whose unit bore the id of the job.
  const units = [uuid(), uuid(), uuid()];
  const jobs = [uuid(), uuid(), units[2]!];
  const serials = ["AB 12", "ab12", units[2]!.slice(0, 8)];
  for (const [i, unit] of units.entries())
    await admin.query("INSERT INTO units VALUES (?, ?, ?, 'winch')", [unit, `Hut ${i}`, serials[i]]);
  const waiting = { type: "waiting", wait: "dry", words: "contacts dry", seconds: 600 };
  const bodies = [
    [{ type: "opened" }, { type: "reading" }, { type: "called", pieceName: "Motor" }],
    [{ type: "opened" }, waiting, { type: "waited", wait: "dry" }, { ...waiting, seconds: 60 }],
    [{ type: "opened" }],
  ];
  for (const [i, job] of jobs.entries()) {
    const own = bodies[i]!;
    await admin.query("INSERT INTO jobs VALUES (?, ?, ?, ?, ?, 'It stands still', 'Ida', 1, ?)", [
      job,
      units[i],
      machine,
      at,
      own.length,
      i === 0 ? "Motor" : null,
    ]);
    for (const [n, body] of own.entries())
      await admin.query("INSERT INTO events VALUES (?, ?, ?, 1, 'Ida', ?, ?, ?)", [
        uuid(),
        job,
        n + 1,
        at,
        JSON.stringify(body),
        "0".repeat(64),
      ]);
  }
}

const run = (at: number) =>
  spawnSync(process.execPath, [child, url, folder, String(at)], { encoding: "utf8", timeout: 60_000 });
const rows = async <T>(sql: string) => (await admin.query(sql))[0] as T[];

beforeAll(async () => {
  if (!process.env.UNZO_DATABASE_URL) throw new Error("These tests need the private database: run them by npm test.");
  admin = await mysql.createConnection({ uri: process.env.UNZO_DATABASE_URL });
  await build({
    entryPoints: ["tests/support/migrate-child.ts"],
    outfile: child,
    bundle: true,
    platform: "node",
    format: "esm",
    packages: "external",
    logLevel: "error",
  });
  await olderShop();
});
afterAll(async () => {
  await admin.query(`DROP DATABASE ${name}`);
  await admin.end();
  removeFolder(folder);
});

describe("a migration", () => {
  it("killed between any two statements is taken back at the next start and made whole", async () => {
    // Every statement of what is open, one entry of the list a migration, and the end.
    const points = all.slice(2).reduce((sum, m) => sum + m.sql.length + 1, 0) + 1;
    expect(points).toBeGreaterThan(25);
    for (let at = 0; at < points; at++) {
      // Begins by taking back what the run before left, and ends one statement later.
      const killed = run(at);
      expect(killed.signal, `statement ${at}: ${killed.stderr}`).toBe("SIGKILL");
      expect(existsSync(path.join(folder, "migration.json")), `statement ${at}`).toBe(true);
    }
    const whole = run(-1);
    expect(whole.stdout, whole.stderr).toBe(`made ${all.length - 2}\n`);
    expect(existsSync(path.join(folder, "migration.json"))).toBe(false);
    expect(run(-1).stdout).toBe("made 0\n");
  });

  it("has brought a shop's work over: streams, serial numbers, waits, what is open", async () => {
    const counted = await rows<{ kind: string; n: number }>(
      "SELECT kind, COUNT(*) AS n FROM streams GROUP BY kind ORDER BY kind",
    );
    expect(counted.map((r) => [r.kind, Number(r.n)])).toEqual([
      ["job", 3],
      ["shop", 1],
      ["unit", 3],
    ]);
    const seqs = await rows<{ ok: number }>(
      "SELECT s.last_seq = COALESCE((SELECT MAX(seq) FROM events e WHERE e.stream = s.id), 0) AS ok FROM streams s",
    );
    expect(seqs.every((r) => Number(r.ok) === 1)).toBe(true);
    const types = await rows<{ type: string }>("SELECT DISTINCT type FROM events ORDER BY type");
    expect(types.map((r) => r.type)).toEqual(["called", "opened", "reading", "registered", "waited", "waiting"]);
    const keys = await rows<{ serial_key: string | null }>("SELECT serial_key FROM units ORDER BY site");
    expect(
      keys
        .slice(0, 2)
        .map((r) => r.serial_key)
        .sort(),
    ).toEqual(["ab12", null].sort());
    const jobs = await rows<{ closed: number; kind: string; own: number }>(
      "SELECT closed_at IS NOT NULL AS closed, kind, unit <> id AS own FROM jobs ORDER BY result IS NULL",
    );
    expect(jobs.map((r) => [Number(r.closed), r.kind, Number(r.own)])).toEqual([
      [1, "repair", 1],
      [0, "repair", 1],
      [0, "repair", 1],
    ]);
    const waits = await rows<{ words: string; seconds: number }>(
      "SELECT w.words, TIMESTAMPDIFF(SECOND, '2026-11-24 09:00:00', w.due) AS seconds FROM waits w",
    );
    expect(waits.map((r) => [r.words, Number(r.seconds)])).toEqual([["contacts dry", 60]]);
  });
});
