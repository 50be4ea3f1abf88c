import { drizzle, type MySql2Database } from "drizzle-orm/mysql2";
import mysql, { type Pool } from "mysql2/promise";
import { Refusal } from "./refusal";
import * as schema from "./schema";

export type Database = MySql2Database<typeof schema>;

// Kept over hot reloads, so that a development server does not gather pools.
const store = globalThis as { unzoPool?: Pool };

function pool(): Pool {
  const url = process.env.UNZO_DATABASE_URL;
  if (!url) throw new Refusal(503, "No database is named. Start with npm run demo, or set UNZO_DATABASE_URL.");
  return (store.unzoPool ??= mysql.createPool({ uri: url, connectionLimit: 8, timezone: "Z", connectTimeout: 4000 }));
}

/** The application's database. */
export function database(): Database {
  return drizzle(pool(), { schema, mode: "planetscale" });
}

/** Throws when the database does not answer. */
export async function pingDatabase(): Promise<void> {
  await pool().query("SELECT 1");
}

/** Ends every connection; for scripts and tests. */
export async function closeDatabase(): Promise<void> {
  await store.unzoPool?.end();
  delete store.unzoPool;
}
