// Makes the past of the demo shop, by simulation, once: npm run demo:past. What it writes is checked in.
import { writeFileSync } from "node:fs";
import { gzipSync } from "node:zlib";
import { FaultDictionary } from "../src/core/diagnose";
import { ORDINARY_METER } from "../src/core/instrument";
import { type EventBody, jobOn, type JournalEvent } from "../src/core/journal";
import { saidOdds } from "../src/core/learn";
import type { Fault, Machine } from "../src/core/model";
import { playRepair, playSearch } from "../src/server/demo-play";
import { DEMO_UNITS } from "../src/server/demo-units";
import type { PastJob } from "../src/server/demo-history";
import { FLEET, machineNamed } from "../tests/support/fleet";
import { complaintMadeOf } from "../tests/support/isolate-unit";
import { randomSource, randomValues, UnitOnTheBench } from "../tests/support/unit-on-the-bench";

const JOBS = Number(process.env.JOBS ?? 200);
const DAYS = 730;
const PEOPLE = ["Ida", "Jon", "Vera"];
/** What a shop of huts is like: shares of repairs that are closed with a wrong cause, and of causes found bad. */
const SHARES = { wrong: 0.05, foundBad: 0.35, oldPartBack: 0.1, noFault: 0.05, vainBoard: 0.06, asked: 0.75 };
/** Days for which a unit that was repaired stays away, unless what was done was wrong. */
const WELL_FOR = 110;
/** Minutes that an entry takes, at least, and how much more. */
const PACE: Readonly<Partial<Record<EventBody["type"], readonly [number, number]>>> = {
  proved: [0.2, 0.8],
  staged: [0.5, 3],
  restored: [0.1, 0.4],
};
const NOTES = [
  "Left open for air over night.",
  "Hut keeper says it began after the storm.",
  "Smelled of burnt lacquer near the fan.",
  "Plug was green with damp.",
  "Mouse nest behind the cover, cleaned out.",
  "Ran for an hour while we had coffee.",
  "Voltage low in the evening, 208 V.",
  "Door seal worn, told the lead.",
];

const random = randomSource(2026);
const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
const dictionaries = new Map<string, FaultDictionary>();

function dictionaryOf(machine: Machine): FaultDictionary {
  const known = dictionaries.get(machine.file.id);
  if (known) return known;
  const made = FaultDictionary.of(machine, ORDINARY_METER);
  made.build();
  dictionaries.set(machine.file.id, made);
  return made;
}

/** A cause as this shop meets them: a few come again and again. */
const liked = new Map<string, readonly number[]>();
function causeOn(machine: Machine): Fault {
  const { causes } = saidOdds(machine);
  const weights =
    liked.get(machine.file.id) ?? causes.map((c) => c.said * Math.exp(1.2 * (random() + random() - 1) * 2));
  liked.set(machine.file.id, weights);
  let left = random() * weights.reduce((sum, w) => sum + w, 0);
  const { part, mode } = causes[weights.findIndex((w) => (left -= w) <= 0)]!;
  return { part, mode };
}

/** The board that somebody bought, and the complaint stayed; nothing where the machine has no other board. */
function boardInVain(machine: Machine, fault: Fault): readonly EventBody[] {
  const right = machine.partById.get(fault.part)!.assembly;
  const board = machine.file.pieces.find((p) => p.board && p.id !== right);
  if (!board) return [];
  const price = 140 + 10 * Math.floor(14 * random());
  return [
    {
      type: "decided",
      piece: board.id,
      option: "maker-board",
      words: `${board.name}: the maker's`,
      minutes: 40,
      price,
      temporary: false,
      warranty: "none",
      seals: "none",
      approved: { by: "Hut keeper", price },
    },
    { type: "tried", piece: board.id, words: `${board.name}: replaced`, result: "stays" },
  ];
}

const nothingFound = (machine: Machine): EventBody => ({
  type: "called",
  piece: "no-fault",
  pieceName: "No fault found",
  cause: "No fault found",
  action: pick(["Socket was loose at the wall; told the lead.", "Runs as it should. Shown how it is switched on."]),
  sure: "likely",
  proofs: [],
  excluded: machine.file.pieces.slice(0, 5).map((p) => p.name),
  elsewhere: ["The socket that it hangs on", "How it is used"],
});

/** A job worked on a simulated unit, as a journal whose moments count from its opening. */
async function played(
  unit: (typeof DEMO_UNITS)[number],
  machine: Machine,
  fault: Fault,
  complaint: string,
  daysAgo: number,
  ends: "repaired" | "no fault" = "repaired",
): Promise<PastJob | null> {
  const actor = pick(PEOPLE);
  const words = machine.file.complaints.find((c) => c.id === complaint)!.words;
  const events: JournalEvent[] = [];
  const moments: number[] = [];
  let seconds = 0;
  const add = (body: EventBody) => {
    moments.push(Math.round(seconds));
    const at = new Date(Date.UTC(2026, 0, 1) + 1000 * seconds).toISOString();
    events.push({ id: String(events.length), job: "j", seq: events.length + 1, v: 1, at, actor, body });
    // A step of a proof is a look, a stage of a repair a few screws, a reading the way to its points and back.
    const [least, spread] = PACE[body.type] ?? [2, 5];
    seconds += 60 * (least + spread * random());
    return Promise.resolve(true);
  };
  const { id, hash } = { id: machine.file.id, hash: "0".repeat(64) };
  await add({
    type: "opened",
    kind: "repair",
    machine: id,
    machineHash: hash,
    complaint,
    complaintWords: words,
    site: unit.site,
    serial: unit.serial,
  });
  const journal = { log: add, now: () => Promise.resolve(jobOn(machine, events)) };
  const dictionary = dictionaryOf(machine);
  if (random() < 0.5) await add({ type: "note", text: pick(NOTES) });
  try {
    const values = randomValues(machine, random);
    await playSearch(dictionary, ends === "no fault" ? null : fault, journal, ends === "no fault" ? 9 : 25, values);
    if (ends === "no fault") {
      await add(nothingFound(machine));
      return { unit: unit.key, actor, daysAgo, entries: events.map(({ body }, i) => [moments[i]!, body]), held: null };
    }
    if (random() < SHARES.vainBoard) for (const body of boardInVain(machine, fault)) await add(body);
    const how = random();
    const confirmed =
      how < SHARES.foundBad
        ? "found bad"
        : how < SHARES.foundBad + SHARES.oldPartBack
          ? "old part back"
          : "works since";
    const rank = random() < 0.85 ? 0 : 1;
    await playRepair(dictionary, fault, journal, {
      rank,
      customer: pick(["Hut keeper", "Station lead", "Kitchen lead", "Caretaker"]),
      called: { fault: `${fault.part}:${fault.mode}`, confirmed },
    });
  } catch (error) {
    process.stderr.write(`${unit.key} ${fault.part}:${fault.mode}: ${(error as Error).message}\n`);
    return null;
  }
  const asked = random() < SHARES.asked && daysAgo > 40;
  return {
    unit: unit.key,
    actor,
    daysAgo,
    entries: events.map(({ body }, i) => [moments[i]!, body] as const),
    held: asked ? random() < 0.95 : null,
  };
}

/** The same with a wrong cause: something was swapped, and the complaint came back. */
function wronglyClosed(job: PastJob, machine: Machine): PastJob {
  const other = causeOn(machine);
  // What is bought on a guess is a board, where there is one.
  const right = job.entries.flatMap(([, b]) => (b.type === "called" ? [b.piece] : []))[0];
  const board = machine.file.pieces.find((p) => p.board && p.id !== right);
  const piece = board ?? machine.assemblyById.get(machine.partById.get(other.part)!.assembly)!;
  const part = board ? machine.parts.find((p) => p.assembly === board.id && p.modes.length > 0) : undefined;
  const cause = part ? { part: part.id, mode: part.modes[0]!.id } : other;
  const said = `${cause.part}:${cause.mode}`;
  const bought = board ? { option: "maker-board", words: `${board.name}: the maker's`, price: 160, minutes: 40 } : {};
  const entries = job.entries.map(([at, body]): PastJob["entries"][number] => {
    if (body.type === "called") {
      const name = machine.partById.get(cause.part)!.name;
      const called = { piece: piece.id, pieceName: piece.name, cause: name, fault: said, proofs: [] };
      return [at, { ...body, ...called, confirmed: "works since" }];
    }
    if (body.type === "decided")
      return [at, { ...body, ...bought, piece: piece.id, fault: said, approved: { by: "Hut keeper", price: 160 } }];
    return [at, body];
  });
  return { ...job, entries, held: null };
}

const machines = new Map(FLEET.map((name) => [machineNamed(name).file.id, machineNamed(name)]));
const past: PastJob[] = [];
for (let tries = 0; past.length < JOBS && tries < 40 * JOBS; tries++) {
  const unit = pick(DEMO_UNITS);
  const machine = machines.get(unit.machine)!;
  const fault = causeOn(machine);
  const complaint = complaintMadeOf(new UnitOnTheBench(machine, [fault], randomValues(machine, random), random));
  if (complaint === null) continue;
  const daysAgo = 3 + Math.floor(random() * (DAYS - 3));
  if (past.some((p) => p.unit === unit.key && Math.abs(p.daysAgo - daysAgo) < WELL_FOR)) continue;
  const ends = random() < SHARES.noFault ? "no fault" : "repaired";
  const job = await played(unit, machine, fault, complaint, daysAgo, ends);
  if (!job) continue;
  past.push(job);
  if (ends === "no fault") continue;
  if (random() < SHARES.wrong && daysAgo > 30) {
    // What was closed before with a wrong cause, some days earlier.
    const before = await played(unit, machine, fault, complaint, daysAgo + 4 + Math.floor(random() * 18));
    if (before) past.push(wronglyClosed(before, machine));
  }
  if (past.length % 10 === 0) process.stderr.write(`${past.length} jobs\n`);
}
past.sort((a, b) => b.daysAgo - a.daysAgo);
const text = JSON.stringify(past.slice(-JOBS));
writeFileSync(new URL("../machines/demo-history.json.gz", import.meta.url), gzipSync(text, { level: 9 }));
process.stderr.write(
  `${past.length} jobs, ${(text.length / 1e6).toFixed(1)} MB, packed ${(gzipSync(text).length / 1e3).toFixed(0)} kB\n`,
);
