import { createHash } from "node:crypto";
import mysql from "mysql2/promise";

/**
 * Fills a database with a shop of any size, so that what grows with size can be seen: invented units and jobs whose
 * journals can be read.
 * The same numbers always give the same shop. `npm run seed` for a million entries; the tests take a tenth of it.
 */
export interface ShopSize {
  readonly units: number;
  readonly jobs: number;
  readonly open: number;
  /** Entries of all jobs together. */
  readonly events: number;
  /** Most entries are readings; without it they are notes. */
  readonly measured?: boolean;
}

export const FULL: ShopSize = { units: 5_000, jobs: 50_000, open: 200, events: 1_000_000 };
/** A hundred thousand jobs with twenty readings each. */
export const HUNDRED: ShopSize = { units: 10_000, jobs: 100_000, open: 200, events: 2_300_000, measured: true };
export const TENTH: ShopSize = { units: 500, jobs: 5_000, open: 20, events: 100_000 };

/** Rows of one statement. */
const CHUNK = 2_000;
const START = Date.UTC(2024, 0, 1);
const SITES = ["Larch Pass Hut", "Upper Cairn Hut", "Grey Saddle station", "Valley school", "Tarn Hut", "Ridge lift"];

/** An id that is the same for the same words. */
function idOf(words: string): string {
  const hex = createHash("sha1").update(words).digest("hex");
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-a${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}

interface Kept {
  readonly machine: string;
  readonly hash: string;
  readonly complaint: string;
  readonly words: string;
}

/** Seeds a database whose tables are up to date and which has the shipped machines. */
export async function seedShop(url: string, size: ShopSize): Promise<void> {
  const db = await mysql.createConnection({ uri: url, timezone: "Z" });
  try {
    const machines = await keptMachines(db);
    await db.query("SET SESSION unique_checks = 0, foreign_key_checks = 0");
    await seedUnits(db, machines, size);
    await seedJobs(db, machines, size);
    // What follows from the journals is made from them at the next start.
    await db.query("DELETE FROM projections");
  } finally {
    await db.end();
  }
}

async function keptMachines(db: mysql.Connection): Promise<readonly Kept[]> {
  const [rows] = await db.query<mysql.RowDataPacket[]>(
    "SELECT h.machine, h.hash, m.summary FROM machine_heads h JOIN machines m ON m.hash = h.hash WHERE m.summary IS NOT NULL ORDER BY h.machine",
  );
  return rows.map((row) => {
    const summary = (typeof row["summary"] === "string" ? JSON.parse(row["summary"]) : row["summary"]) as {
      complaints: { id: string; words: string }[];
    };
    const [first] = summary.complaints;
    return { machine: String(row["machine"]), hash: String(row["hash"]), complaint: first!.id, words: first!.words };
  });
}

async function insert(db: mysql.Connection, into: string, rows: readonly (readonly unknown[])[]): Promise<void> {
  for (let i = 0; i < rows.length; i += CHUNK)
    await db.query(`INSERT INTO ${into} VALUES ?`, [rows.slice(i, i + CHUNK)]);
}

const EVENTS = "events (id, stream, seq, v, type, actor, at, body, sent)";

async function seedUnits(db: mysql.Connection, machines: readonly Kept[], { units }: ShopSize): Promise<void> {
  const own = Array.from({ length: units }, (_, i) => {
    const { machine } = machines[i % machines.length]!;
    const id = idOf(`unit ${i}`);
    return {
      id,
      machine,
      site: `${SITES[i % SITES.length]!} ${Math.floor(i / SITES.length)}`,
      serial: `SN-${100_000 + i}`,
    };
  });
  await insert(
    db,
    "streams (id, kind, last_seq)",
    own.map((u) => [u.id, "unit", 1]),
  );
  await insert(
    db,
    "units (id, site, serial, serial_key, machine)",
    own.map((u) => [u.id, u.site, u.serial, u.serial.toLowerCase(), u.machine]),
  );
  await insert(
    db,
    EVENTS,
    own.map((u) => {
      const body = {
        type: "registered",
        site: u.site,
        machine: u.machine,
        serial: u.serial,
        productCode: null,
        productIndex: null,
      };
      return [
        idOf(`${u.id} 1`),
        u.id,
        1,
        1,
        "registered",
        "Ida",
        new Date(START),
        JSON.stringify(body),
        "0".repeat(64),
      ];
    }),
  );
}

async function seedJobs(db: mysql.Connection, machines: readonly Kept[], size: ShopSize): Promise<void> {
  const each = Math.max(3, Math.round(size.events / size.jobs));
  for (let from = 0; from < size.jobs; from += 500) {
    const streams: unknown[][] = [];
    const jobs: unknown[][] = [];
    const events: unknown[][] = [];
    const waits: unknown[][] = [];
    for (let i = from; i < Math.min(size.jobs, from + 500); i++) {
      const unit = i % size.units;
      const kept = machines[unit % machines.length]!;
      const id = idOf(`job ${i}`);
      const isOpen = i >= size.jobs - size.open;
      const at = (n: number) => new Date(START + i * 1_800_000 + n * 120_000);
      const actor = ["Ida", "Jon", "Vera"][i % 3]!;
      streams.push([id, "job", each]);
      const closed = isOpen ? null : at(each);
      jobs.push([
        id,
        idOf(`unit ${unit}`),
        kept.hash,
        "repair",
        at(1),
        closed,
        kept.words,
        actor,
        0,
        isOpen ? null : `Part ${i % 40}`,
      ]);
      for (let n = 1; n <= each; n++) {
        const body = bodyOf(kept, i, n, each, isOpen, unit, size.measured === true);
        events.push([
          idOf(`${id} ${n}`),
          id,
          n,
          body.type === "opened" ? 2 : 1,
          body.type,
          actor,
          at(n),
          JSON.stringify(body),
          "0".repeat(64),
        ]);
        if (body.type === "waiting") waits.push([id, "dry", "contacts dry", null, at(n + 5)]);
      }
    }
    await insert(db, "streams (id, kind, last_seq)", streams);
    await insert(
      db,
      "jobs (id, unit, machine_hash, kind, opened_at, closed_at, complaint, actor, readings, result)",
      jobs,
    );
    await insert(db, EVENTS, events);
    if (waits.length > 0) await insert(db, "waits (job, wait, words, piece, due)", waits);
  }
}

function bodyOf(
  kept: Kept,
  job: number,
  n: number,
  last: number,
  isOpen: boolean,
  unit: number,
  measured: boolean,
): { readonly type: string } {
  if (n === 1) {
    const site = `${SITES[unit % SITES.length]!} ${Math.floor(unit / SITES.length)}`;
    const { machine, hash: machineHash, complaint, words: complaintWords } = kept;
    return {
      type: "opened",
      kind: "repair",
      machine,
      machineHash,
      complaint,
      complaintWords,
      site,
      serial: `SN-${100_000 + unit}`,
    } as never;
  }
  if (n === last && isOpen && job % 4 === 0)
    return { type: "waiting", wait: "dry", words: "contacts dry", seconds: 600 } as never;
  if (n === last && !isOpen)
    return {
      type: "called",
      piece: "p",
      pieceName: `Part ${job % 40}`,
      cause: "worn",
      action: "Replaced.",
      sure: "likely",
      proofs: [],
    } as never;
  if (measured && n > 2) return readingOf(kept, job, n);
  if (measured) return { type: "note", text: noteOf(job) } as never;
  return {
    type: "note",
    text: `Step ${n} of job ${job}: looked at, as it should be, nothing to be seen of the trouble.`,
  } as never;
}

/** A number that looks random and is the same for the same two. */
function drawn(job: number, n: number, of: number): number {
  let h = Math.imul(job ^ 0x9e3779b9, 0x85ebca6b) ^ Math.imul(n + 1, 0xc2b2ae35);
  h = Math.imul(h ^ (h >>> 15), 0x2c1b3ce5);
  return ((h ^ (h >>> 13)) >>> 0) % of;
}

const SYLLABLES = ["ba", "co", "du", "fe", "gi", "ka", "lo", "mu", "ne", "pi", "ra", "so", "tu", "ve", "wi", "za"];
const COMMON = ["heater", "relay", "welded", "panel", "dark", "fan", "noise", "water", "door", "board", "plug", "wet"];

/** A note of twelve words: some that stand in every fourth, some that stand in hardly any. */
function noteOf(job: number): string {
  return Array.from({ length: 12 }, (_, i) => {
    if (i % 3 === 0) return COMMON[drawn(job, 100 + i, COMMON.length)]!;
    return [0, 1, 2].map((k) => SYLLABLES[drawn(job, 200 + 3 * i + k, SYLLABLES.length)]!).join("");
  }).join(" ");
}

/** A reading of one of sixty places; every tenth a code. */
function readingOf({ machine }: Kept, job: number, n: number): { readonly type: string } {
  const place = drawn(job, n, 60);
  const isCode = n % 10 === 0;
  const value = drawn(job, 300 + n, 4000) / 10;
  const code = `E${drawn(job, 400 + n, 60)}`;
  return {
    type: "reading",
    test: {
      setup: "unplugged",
      function: isCode ? "look" : "ohms",
      red: `${machine.slice(0, 4)}-${place}`,
      instant: "settled",
    },
    typed: isCode ? code : String(value),
    shown: isCode ? { kind: "label", label: code } : { kind: "value", value },
    as: {
      title: `Place ${place}`,
      red: `pin ${place}`,
      setup: "Unplugged",
      exposure: "dead",
      expected: "200 to 240",
      shown: isCode ? code : String(value),
      verdict: drawn(job, 500 + n, 5) === 0 ? "does not fit" : "fits",
      proposed: true,
    },
    coreVersion: "1",
  } as never;
}
