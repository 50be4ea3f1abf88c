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
const SHARES = { wrong: 0.08, foundBad: 0.35, oldPartBack: 0.1, noFault: 0.04, asked: 0.75 };
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

/** A job worked on a simulated unit, as a journal whose moments count from its opening. */
async function played(
  unit: (typeof DEMO_UNITS)[number],
  machine: Machine,
  fault: Fault,
  complaint: string,
  daysAgo: number,
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
    seconds += 60 * (2 + 5 * random());
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
    await playSearch(dictionary, fault, journal, 25, randomValues(machine, random));
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
    held: asked ? random() < 0.93 : null,
  };
}

/** The same with a wrong cause: something was swapped, and the complaint came back. */
function wronglyClosed(job: PastJob, machine: Machine): PastJob {
  const other = causeOn(machine);
  const piece = machine.assemblyById.get(machine.partById.get(other.part)!.assembly)!;
  const entries = job.entries.map(([at, body]): PastJob["entries"][number] => {
    if (body.type === "called")
      return [
        at,
        {
          ...body,
          piece: piece.id,
          pieceName: piece.name,
          cause: `${machine.partById.get(other.part)!.name}`,
          fault: `${other.part}:${other.mode}`,
          confirmed: "works since",
          proofs: [],
        },
      ];
    if (body.type === "decided") return [at, { ...body, piece: piece.id, fault: `${other.part}:${other.mode}` }];
    return [at, body];
  });
  return { ...job, entries, held: null };
}

const machines = new Map(FLEET.map((name) => [machineNamed(name).file.id, machineNamed(name)]));
const past: PastJob[] = [];
for (let tries = 0; past.length < JOBS && tries < 10 * JOBS; tries++) {
  const unit = pick(DEMO_UNITS);
  const machine = machines.get(unit.machine)!;
  const fault = causeOn(machine);
  const complaint = complaintMadeOf(new UnitOnTheBench(machine, [fault], randomValues(machine, random), random));
  if (complaint === null) continue;
  const daysAgo = 3 + Math.floor(random() * (DAYS - 3));
  const job = await played(unit, machine, fault, complaint, daysAgo);
  if (!job) continue;
  past.push(job);
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
