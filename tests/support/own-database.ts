import { randomUUID as uuid } from "node:crypto";
import { spawnSync } from "node:child_process";
import mysql from "mysql2/promise";
import { closeDatabase, database } from "../../src/server/db";
import { learned } from "../../src/server/learning";
import { readEnvAnew } from "../../src/env";
import { newFolder, removeFolder } from "./start-command";
import { closeShop } from "./shop";

/**
 * A database for one file of tests, beside the one that the others share: what its closed repairs teach would be learned
 * by the jobs of the others. Answers how to leave it.
 */
export async function ownDatabase(): Promise<() => Promise<void>> {
  const shared = process.env.UNZO_DATABASE_URL ?? "";
  if (!shared) throw new Error("These tests need the private database: run them by npm test.");
  const name = `unzo_${uuid().slice(0, 8)}`;
  const url = shared.replace(/\/unzo$/, `/${name}`);
  const folder = newFolder();
  const admin = await mysql.createConnection({ uri: shared });
  await admin.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  await admin.end();
  const env = { ...process.env, UNZO_DATABASE_URL: url, UNZO_DATA: folder };
  const prepared = spawnSync(process.execPath, ["build/prepare-database.mjs"], { env, encoding: "utf8" });
  if (prepared.status !== 0) throw new Error(prepared.stderr);
  await closeDatabase();
  process.env.UNZO_DATABASE_URL = url;
  readEnvAnew();
  return async () => {
    // What is still being learned reads from it.
    await learned();
    await database().execute(`DROP DATABASE ${name}`);
    await closeShop();
    process.env.UNZO_DATABASE_URL = shared;
    readEnvAnew();
    removeFolder(folder);
  };
}
