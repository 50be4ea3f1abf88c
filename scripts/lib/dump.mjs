// A database as text and back, by the programs that come with it.
import { createReadStream, createWriteStream } from "node:fs";
import { pipeline } from "node:stream/promises";
import { createGunzip, createGzip } from "node:zlib";
import { run, start, Stop, which } from "./steps.mjs";

/**
 * How the programs reach a database that is named by an address. The password goes by the environment, where no list
 * of processes shows it.
 */
export function reach(url) {
  const { hostname, port, username, password, pathname } = new URL(url);
  return {
    args: [
      "--no-defaults",
      `--host=${hostname}`,
      `--port=${port || "3306"}`,
      "--protocol=tcp",
      `--user=${decodeURIComponent(username)}`,
    ],
    env: { MYSQL_PWD: decodeURIComponent(password) },
    database: decodeURIComponent(pathname.slice(1)),
  };
}

/** Writes everything in a database to a compressed file, as of one moment, while it is in use. */
export async function dump(url, file, heading) {
  const { args, env, database } = reach(url);
  const child = start(
    which("mariadb-dump"),
    [
      ...args,
      "--single-transaction",
      "--quick",
      "--hex-blob",
      "--skip-lock-tables",
      "--no-tablespaces",
      "--default-character-set=utf8mb4",
      database,
    ],
    { env: { ...process.env, ...env }, stdio: ["ignore", "pipe", "pipe"] },
  );
  let said = "";
  child.stderr.on("data", (d) => (said += d));
  const ended = new Promise((resolve) => child.on("close", resolve));
  const zip = createGzip();
  zip.write(`-- ${heading}\n`);
  await pipeline(child.stdout, zip, createWriteStream(file, { mode: 0o600 }));
  if ((await ended) !== 0) throw new Stop(`The database could not be written out.\n${said.slice(-1500)}`);
}

/** The tables of a database. */
export async function tablesOf(url) {
  const { args, env, database } = reach(url);
  const listed = await run(
    which("mariadb"),
    [...args, "--batch", "--skip-column-names", "-e", "SHOW TABLES", database],
    { env },
  );
  return listed.split("\n").filter(Boolean);
}

/** Puts a database back as a file has it: every table that is there goes first. */
export async function load(url, file) {
  const { args, env, database } = reach(url);
  const tables = await tablesOf(url);
  if (tables.length > 0) {
    const drop = `SET FOREIGN_KEY_CHECKS = 0; DROP TABLE ${tables.map((t) => `\`${t}\``).join(", ")}`;
    await run(which("mariadb"), [...args, "-e", drop, database], { env });
  }
  const child = start(
    which("mariadb"),
    [...args, "--max-allowed-packet=1G", "--default-character-set=utf8mb4", database],
    {
      env: { ...process.env, ...env },
      stdio: ["pipe", "ignore", "pipe"],
    },
  );
  let said = "";
  child.stderr.on("data", (d) => (said += d));
  const ended = new Promise((resolve) => child.on("close", resolve));
  try {
    await pipeline(createReadStream(file), createGunzip(), child.stdin);
  } catch (error) {
    throw new Stop(`The file could not be read in: ${error.message}.\n${said.slice(-1500)}`);
  }
  if ((await ended) !== 0) throw new Stop(`The file could not be read in.\n${said.slice(-1500)}`);
}
