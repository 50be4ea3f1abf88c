import { existsSync, renameSync, rmSync, writeFileSync } from "node:fs";
import path from "node:path";
import { readMigrationFiles } from "drizzle-orm/migrator";
import mysql from "mysql2/promise";

/** How a database is written to a file and put back as a file has it. */
export interface Keeper {
  save(file: string): Promise<void>;
  restore(file: string): Promise<void>;
}

/** Where what has to survive a killed migration is kept. */
const MARKER = "migration.json";
const COPY = "before-migration.gz";

/**
 * Brings the tables up to date. The database does not take back changes of tables, so everything is written to a file
 * first and a marker is set; a marker that is found at the start means that a migration was broken off: the file is put
 * back and it is run again.
 * `onStatement` is told before each statement, counted from 0. Says how many migrations were made.
 */
export async function migrateTables(
  url: string,
  migrationsFolder: string,
  dataFolder: string,
  keeper: Keeper,
  onStatement: (n: number) => void = () => {},
): Promise<number> {
  const marker = path.join(dataFolder, MARKER);
  const copy = path.join(dataFolder, COPY);
  if (existsSync(marker)) {
    await keeper.restore(copy);
    rmSync(marker);
  }
  const all = readMigrationFiles({ migrationsFolder });
  const connection = await mysql.createConnection({ uri: url });
  try {
    const done = await appliedUntil(connection);
    const open = all.filter((m) => m.folderMillis > done);
    if (open.length === 0) return 0;
    // Written beside and moved: a marker never stands beside half a copy.
    await keeper.save(`${copy}.new`);
    renameSync(`${copy}.new`, copy);
    writeFileSync(marker, JSON.stringify({ from: done }));
    let n = 0;
    for (const { sql, hash, folderMillis } of open) {
      for (const statement of sql) {
        onStatement(n++);
        await connection.query(statement);
      }
      onStatement(n++);
      await connection.query("INSERT INTO `__drizzle_migrations` (`hash`, `created_at`) VALUES (?, ?)", [
        hash,
        folderMillis,
      ]);
    }
    onStatement(n++);
    rmSync(marker);
    return open.length;
  } finally {
    await connection.end();
  }
}

/**
 * Until when migrations were made, by the table in which they are written down; that table is made where there is
 * none.
 */
async function appliedUntil(connection: mysql.Connection): Promise<number> {
  await connection.query(
    "CREATE TABLE IF NOT EXISTS `__drizzle_migrations` (id serial primary key, hash text not null, created_at bigint)",
  );
  const [rows] = await connection.query<mysql.RowDataPacket[]>(
    "SELECT MAX(created_at) AS done FROM `__drizzle_migrations`",
  );
  return Number(rows[0]?.["done"] ?? 0);
}
