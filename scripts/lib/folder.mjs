// A data folder: who holds it, what it is called, its settings. Nothing in it that holds data is removed but by
// `--fresh`, under the lock.
import { randomBytes, randomUUID } from "node:crypto";
import {
  closeSync,
  existsSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readFileSync,
  renameSync,
  rmSync,
  writeSync,
} from "node:fs";
import path from "node:path";
import { Stop } from "./steps.mjs";

/** Writes a file so that it is always whole: beside it, to the disk, then by rename. */
export function writeWhole(file, text, mode = 0o600) {
  const beside = `${file}.${process.pid}.new`;
  const handle = openSync(beside, "w", mode);
  writeSync(handle, text);
  fsyncSync(handle);
  closeSync(handle);
  renameSync(beside, file);
}

/** What a JSON file holds; null where it is missing, empty or damaged. */
export function readJson(file) {
  try {
    const value = JSON.parse(readFileSync(file, "utf8"));
    return value !== null && typeof value === "object" ? value : null;
  } catch {
    return null;
  }
}

/**
 * When a process began, in clock ticks since the machine was started: with its number this names it for good. Null
 * for none.
 */
export function beganAt(pid) {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, "utf8");
    // The name of the program may hold blanks and brackets; what follows the last bracket does not.
    const fields = stat.slice(stat.lastIndexOf(")") + 2).split(" ");
    return fields[0] === "Z" ? null : fields[19];
  } catch {
    return null;
  }
}

/** Whether a process that was written down still runs. */
export const isAlive = (written) => Number.isInteger(written?.pid) && beganAt(written.pid) === written.began;

/** The process of ours, as it is written down. */
export const processMark = (pid, id) => ({ pid, began: beganAt(pid), folder: id });

/** Opens a data folder for this process alone. Throws a Stop that says who holds it. */
export function openFolder(folder) {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const lock = path.join(folder, "lock.json");
  for (let tries = 0; !takeLock(lock); tries++) {
    const holder = readJson(lock);
    if (holder && isAlive(holder))
      throw new Stop(
        `Unzo runs already in ${folder} (process ${holder.pid}, started ${holder.at}${holder.port ? `, http://127.0.0.1:${holder.port}` : ""}). Stop that one, or take another folder: UNZO_DATA=/path npm start`,
      );
    if (tries > 20) throw new Stop(`${lock} cannot be taken; remove it if no Unzo runs in that folder.`);
    dropStale(lock, holder);
  }
  const idFile = path.join(folder, "folder.json");
  let id = readJson(idFile)?.id;
  if (typeof id !== "string") writeWhole(idFile, JSON.stringify({ id: (id = randomUUID()) }));
  const mark = (more) =>
    writeWhole(lock, JSON.stringify({ ...processMark(process.pid, id), at: new Date().toISOString(), ...more }));
  mark({});
  return {
    folder,
    id,
    mark,
    release: () => rmSync(lock, { force: true }),
  };
}

function takeLock(lock) {
  try {
    const handle = openSync(lock, "wx", 0o600);
    writeSync(handle, JSON.stringify({ ...processMark(process.pid, ""), at: new Date().toISOString() }));
    closeSync(handle);
    return true;
  } catch (error) {
    if (error.code === "EEXIST") return false;
    throw new Stop(`${path.dirname(lock)} cannot be written to: ${error.message}.`);
  }
}

/** Takes the lock of a process that is gone out of the way; where another start was quicker, its lock goes back. */
function dropStale(lock, stale) {
  const aside = `${lock}.${process.pid}.stale`;
  try {
    renameSync(lock, aside);
  } catch {
    return;
  }
  const taken = readJson(aside);
  if (taken && isAlive(taken) && taken.pid !== stale?.pid && !existsSync(lock)) renameSync(aside, lock);
  else rmSync(aside, { force: true });
}

/**
 * Port and password of the folder's database: kept, or made where the file says nothing. Written only when something
 * changed.
 */
export function databaseSettings(folder) {
  const file = path.join(folder, "database.json");
  const known = readJson(file) ?? {};
  const settings = {
    port: Number.isInteger(known.port) ? known.port : 0,
    password:
      typeof known.password === "string" && known.password.length >= 16
        ? known.password
        : randomBytes(18).toString("base64url"),
  };
  return {
    settings,
    keep: () => {
      if (known.port !== settings.port || known.password !== settings.password)
        writeWhole(file, JSON.stringify(settings));
    },
  };
}
