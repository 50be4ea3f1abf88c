import { setTimeout as pause } from "node:timers/promises";
import { drizzle, type MySql2Database } from "drizzle-orm/mysql2";
import mysql, { type Pool, type PoolConnection } from "mysql2/promise";
import { hasCode, isLostDatabase, MaybeWritten, Refusal } from "./refusal";
import * as schema from "./schema";
import { env } from "../env";
import { say } from "#words/server";

export type Database = MySql2Database<typeof schema>;
/** A connection inside a transaction. Whatever is read or written on the way is handed this one, never the pool. */
export type Tx = Database;

/** Connections of one process, transactions that may run at once on them, and how many wait for one. */
const CONNECTIONS = 12;
const TRANSACTIONS = 8;
const WAITING = 400;
/** So long a transaction waits for its turn, and for a row that another one holds, milliseconds. */
const TURN = 10_000;
const LOCK_SECONDS = 5;
/** So often a transaction that lost a deadlock or waited too long for a row is tried in all. */
const TRIES = 6;

interface Store {
  pool?: Pool;
  running: number;
  readonly queue: { begin(): void; readonly at: number }[];
}

// Kept over hot reloads, so that a development server does not gather pools; and one, however the routes are bundled.
const store = ((globalThis as { unzoDatabase?: Store }).unzoDatabase ??= { running: 0, queue: [] });

function pool(): Pool {
  if (store.pool) return store.pool;
  const url = env().UNZO_DATABASE_URL;
  if (!url) throw new Refusal(503, say.noDatabaseIsNamedStart);
  store.pool = mysql.createPool({
    uri: url,
    connectionLimit: env().UNZO_DATABASE_CONNECTIONS ?? CONNECTIONS,
    queueLimit: WAITING,
    timezone: "Z",
    connectTimeout: 4000,
    enableKeepAlive: true,
  });
  store.pool.pool.on("connection", (connection) => {
    connection.query(`SET SESSION innodb_lock_wait_timeout = ${LOCK_SECONDS}`, (error: unknown) => {
      // A connection that would wait for a lock as long as it likes is not used.
      if (error) connection.destroy();
    });
  });
  return store.pool;
}

/** The application's database, for reading. What is written goes through `inTransaction`. */
export function database(): Database {
  return drizzle(pool(), { schema, mode: "planetscale" });
}

/**
 * Runs work in one transaction on one connection. The work may run more than once (a deadlock is tried again), so it
 * must do nothing but read and write through `tx`. Throws what the work throws, a `Refusal` when no turn comes, and
 * `MaybeWritten` when the database was lost while it was told to commit.
 */
export async function inTransaction<T>(work: (tx: Tx) => Promise<T>): Promise<T> {
  const leave = await turn();
  try {
    for (let tries = 1; ; tries++) {
      try {
        return await once(work);
      } catch (error) {
        if (tries >= TRIES || !hasCode(error, "ER_LOCK_DEADLOCK", "ER_LOCK_WAIT_TIMEOUT")) throw error;
        await pause(5 * 2 ** tries * (0.5 + Math.random()));
      }
    }
  } finally {
    leave();
  }
}

async function once<T>(work: (tx: Tx) => Promise<T>): Promise<T> {
  const connection = await pool().getConnection();
  let result: T;
  try {
    await connection.beginTransaction();
    result = await work(drizzle(connection as unknown as Pool, { schema, mode: "planetscale" }));
  } catch (error) {
    await undo(connection, error);
    throw error;
  }
  try {
    await connection.commit();
  } catch (error) {
    connection.destroy();
    if (hasCode(error, "ER_LOCK_DEADLOCK", "ER_LOCK_WAIT_TIMEOUT")) throw error;
    throw new MaybeWritten(error);
  }
  connection.release();
  return result;
}

/** Takes a transaction back. A connection on which that fails is not used again: ending it takes back what it began. */
async function undo(connection: PoolConnection, error: unknown): Promise<void> {
  if (isLostDatabase(error)) return connection.destroy();
  try {
    await connection.rollback();
    connection.release();
  } catch {
    connection.destroy();
  }
}

/** Waits for a turn among the transactions; what it returns gives the turn to the next one. */
async function turn(): Promise<() => void> {
  const most = Math.min(TRANSACTIONS, env().UNZO_DATABASE_CONNECTIONS ?? CONNECTIONS);
  let left = false;
  const leave = () => {
    if (left) return;
    left = true;
    store.running--;
    store.queue.shift()?.begin();
  };
  if (store.running < most) {
    store.running++;
    return leave;
  }
  if (store.queue.length >= WAITING) throw busy();
  await new Promise<void>((resolve, reject) => {
    const waiting = {
      at: Date.now(),
      begin: () => {
        clearTimeout(timer);
        store.running++;
        resolve();
      },
    };
    const timer = setTimeout(() => {
      store.queue.splice(store.queue.indexOf(waiting), 1);
      reject(busy());
    }, TURN);
    store.queue.push(waiting);
  });
  return leave;
}

const busy = () => new Refusal(503, say.unzoIsBusyNothingWas, true);

/** Throws when the database does not answer. */
export async function pingDatabase(): Promise<void> {
  await pool().query("SELECT 1");
}

/** Ends every connection; for scripts and tests. */
export async function closeDatabase(): Promise<void> {
  const closing = store.pool;
  delete store.pool;
  await closing?.end();
}
