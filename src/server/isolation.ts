import { createRequire } from "node:module";
import type { Worker } from "node:worker_threads";
import * as Comlink from "comlink";
import nodeEndpoint from "comlink/dist/umd/node-adapter.js";
import { z } from "zod";
import { type Answers, type Evidence, expressible, type Look } from "../core/diagnose";
import { changesIn, evidenceOf, jobOn } from "../core/journal";
import { Lru } from "../core/lru";
import {
  type Change,
  ChangeError,
  type CircuitChange,
  type Fault,
  type GuardAnswers,
  type MachineFile,
  variantOf,
} from "../core/model";
import { proofAsked } from "../core/plan-day";
import type { ModificationProof, ProofStep } from "../core/repair";
import type { RestRule } from "../core/schedule";
import { log } from "../log";
import type { IsolationDesk, PlainUnitState } from "../workers/isolation-desk";
import { database } from "./db";
import { DeskPool, type Desk } from "./desk-pool";
import { isStored, keepDictionary, storedDictionary, withoutDictionary } from "./dictionaries";
import { engineBundle } from "./engine";
import { readJob } from "./jobs";
import { machineByHash, machineOf, shelfKey } from "./machine-store";
import { Refusal } from "./refusal";
import { keepToCome } from "./to-come";
import type { unitStateSchema } from "../contract/jobs";
import { say } from "#words/server";

type RemoteDesk = Comlink.Remote<IsolationDesk>;

/** Dictionaries kept in the server, each in a thread of its own. */
const KEPT = 3;

// Kept through reloads of this module while developing; and one pool, however the routes are bundled.
const pool = ((globalThis as { unzoDesks?: DeskPool<RemoteDesk> }).unzoDesks ??= new DeskPool<RemoteDesk>(KEPT));

// A thread takes a fifth of a second to come up: the next one waits ready.
const spare = ((globalThis as { unzoSpare?: { desk: Desk<RemoteDesk> | null } }).unzoSpare ??= { desk: null });

/** A desk in a thread of its own. */
function beginDesk(): Desk<RemoteDesk> {
  const ready = spare.desk ?? newDesk();
  spare.desk = null;
  return ready;
}

/** Has a thread wait ready; called where nobody waits for the processor any more. */
function keepSpare(): void {
  if (spare.desk) return;
  const next = newDesk();
  spare.desk = next;
  next.lost.catch(() => {
    if (spare.desk === next) spare.desk = null;
  });
}

/** A new one, from the bundle that the build makes beside the application. */
function newDesk(): Desk<RemoteDesk> {
  // Fetched at run time, so that the build does not try to bundle what runs beside it.
  const { Worker: Thread } = createRequire(import.meta.url)(
    "node:worker_threads",
  ) as typeof import("node:worker_threads");
  const thread: Worker = new Thread(engineBundle());
  thread.unref();
  const lost = new Promise<never>((_, reject) => {
    thread.once("error", reject);
    thread.once("exit", () => reject(new Refusal(503, say.theComputationWasStoppedTry, true)));
  });
  lost.catch(() => {});
  return { desk: Comlink.wrap<IsolationDesk>(nodeEndpoint(thread)), lost, end: () => void thread.terminate() };
}

/** A unit's machine: the file by its hash, and what was found on the unit or built into it. */
interface UnitMachine {
  readonly hash: string;
  readonly changes: readonly Change[];
  /** With the odds of failure that the job was made with; a dictionary knows none. */
  readonly file: MachineFile;
  readonly odds?: string | undefined;
}

const keyOf = ({ hash, changes, odds }: UnitMachine) => `${shelfKey(hash, odds)} ${JSON.stringify(changes)}`;

/**
 * Gives a desk its dictionary: of a machine file from the store, or built and then stored; of a unit that differs from
 * its file built on the spot.
 */
const dictionaryFor =
  ({ hash, changes, file }: UnitMachine) =>
  async (desk: RemoteDesk): Promise<void> => {
    const isOfFile = changes.length === 0;
    const stored = isOfFile ? await storedDictionary(hash) : null;
    if (stored && (await desk.restore(file, stored))) return keepSpare();
    // Nobody follows it here: a function handed over would have to be of the same bundle as the desk.
    await desk.build(file);
    if (isOfFile) await keepDictionary(hash, await desk.packed(), new Date());
    keepSpare();
  };

/** Whether a machine can be asked without waiting for its dictionary to be built; where it cannot, that is begun. */
async function isAtHand(machine: UnitMachine): Promise<boolean> {
  if (pool.isReady(keyOf(machine))) return true;
  if (machine.changes.length === 0 && (await isStored(machine.hash))) return true;
  pool.prepare(keyOf(machine), beginDesk, dictionaryFor(machine));
  return false;
}

/** Asks a desk with the dictionary of a machine; waits for its turn, and for its dictionary. */
const ask = <T>(machine: UnitMachine, work: (desk: RemoteDesk) => Promise<T>): Promise<T> =>
  pool.use(keyOf(machine), beginDesk, dictionaryFor(machine), work);

/**
 * Machine files whose dictionaries are built ahead, the next one first; whether this process builds ahead at all, and whether
 * it is at it.
 */
const ahead = ((
  globalThis as { unzoAhead?: { readonly hashes: string[]; isOn: boolean; isBuilding: boolean } }
).unzoAhead ??= { hashes: [], isOn: false, isBuilding: false });
/** What waits longer than so many is built when it is asked for. */
const MOST_AHEAD = 60;

/**
 * Has the dictionary of a machine file that was kept just now built, before others that wait; nobody waits for it. Only
 * where `prepareDictionaries` was called: in the application.
 */
export function prepareDictionary(hash: string): void {
  if (!ahead.isOn) return;
  ahead.hashes.unshift(hash);
  void buildAhead();
}

/** Has those built that are missing. */
export async function prepareDictionaries(): Promise<void> {
  ahead.isOn = true;
  keepSpare();
  ahead.hashes.push(...(await withoutDictionary()));
  await buildAhead();
}

/**
 * Builds what waits, one after the other, in a thread of its own; one that is asked for meanwhile is built at once and
 * passed over here.
 */
async function buildAhead(): Promise<void> {
  if (ahead.isBuilding) return;
  ahead.isBuilding = true;
  try {
    for (let hash = ahead.hashes.shift(); hash !== undefined; hash = ahead.hashes.shift()) {
      ahead.hashes.length = Math.min(ahead.hashes.length, MOST_AHEAD);
      await buildAndKeep(hash).catch((error: unknown) =>
        log().warn({ err: error, machine: hash }, "A dictionary could not be built ahead"),
      );
    }
  } finally {
    ahead.isBuilding = false;
  }
}

async function buildAndKeep(hash: string): Promise<void> {
  if (await isStored(hash)) return;
  const machine: UnitMachine = { hash, changes: [], file: (await machineByHash(hash)).file };
  if (pool.has(keyOf(machine))) return;
  const { desk, lost, end } = beginDesk();
  try {
    await Promise.race([dictionaryFor(machine)(desk), lost]);
  } finally {
    end();
  }
}

/**
 * The advice on a job, and all else that its screen asks first, from the server's own dictionary; with the evidence it
 * was reckoned for. By single faults unless told otherwise: a page asks for more by itself. Null while the dictionary
 * is neither built nor stored and nobody waits.
 */
export async function adviceOn(
  id: string,
  asked: z.output<typeof unitStateSchema>,
  look: Look = "single faults",
): Promise<{ readonly evidence: readonly string[]; readonly answers: Answers } | null> {
  const { events, raw, hash, odds } = await readJob(id);
  if (raw.length > 0) throw new Refusal(409, say.thisJobHoldsAnEntry);
  const changes = changesIn(events);
  const { machine } = await machineOf(hash, changes, database(), odds);
  const unit: UnitMachine = { hash, changes, file: machine.file, odds };
  if (!asked.wait && !(await isAtHand(unit))) return null;
  const evidence = expressible(machine, evidenceOf(jobOn(machine, events))).kept;
  const { wait: _, equipment, times, ...unitState } = asked;
  if (!machine.setupById.has(unitState.setup))
    throw new Refusal(400, say.hasNoSetup(machine.file.maker, machine.file.model, unitState.setup));
  const standing = { ...unitState, ...(equipment ? { equipment } : {}), ...(times ? { times } : {}) };
  const answers = await ask(unit, (desk) => desk.answers(evidence, standing, look));
  keepToCome(id, answers.advice.toCome);
  return { evidence: evidence.map((e) => e.id), answers };
}

/**
 * The steps of the proof of what was decided on a job, from the server's own dictionary, as its screen asks for them; none
 * while nothing is decided.
 */
export async function proofScriptFor(id: string): Promise<readonly ProofStep[]> {
  const { events, hash, odds } = await readJob(id);
  const changes = changesIn(events);
  const { machine } = await machineOf(hash, changes, database(), odds);
  const asked = proofAsked(machine, jobOn(machine, events));
  if (!asked) return [];
  const { complaint, fault, assembly, purpose } = asked;
  return ask({ hash, changes, file: machine.file, ...(odds ? { odds } : {}) }, (desk) =>
    desk.proofRun(complaint, fault, CORD_METRES, assembly, purpose),
  );
}

/** Proofs of repairs that may have to be made, as they were worked out last. */
const supposed = ((globalThis as { unzoSupposed?: Lru<string, readonly ProofStep[]> }).unzoSupposed ??= new Lru(200));

/** The steps of the proof of a repair that may turn out to be needed on a job. */
export async function supposedProof(id: string, fault: Fault, assembly: string): Promise<readonly ProofStep[]> {
  const { events, hash, odds } = await readJob(id);
  const changes = changesIn(events);
  const { machine } = await machineOf(hash, changes, database(), odds);
  const { opened } = jobOn(machine, events);
  const key = JSON.stringify([hash, changes, opened.complaint, fault, assembly]);
  const known = supposed.get(key);
  if (known) return known;
  const steps = await ask({ hash, changes, file: machine.file, ...(odds ? { odds } : {}) }, (desk) =>
    desk.proofRun(opened.complaint ?? null, fault, CORD_METRES, assembly),
  );
  supposed.set(key, steps);
  return steps;
}

/** Metres of a supply cord, where nobody has measured it; the limit of its earth moves with it. */
const CORD_METRES = 2;

/** So long the part of a page that shows them waits for its first answers at most, milliseconds. */
const MOST_WAIT = 1000;

/** What a job's page shows first: the answers to its question, and the rest that its compressor needs. */
export interface FirstAnswers {
  readonly answers: Answers;
  readonly rest: RestRule | null;
}

/**
 * The first answers of a job's page; null where they are not there in a moment: the page never waits for a dictionary
 * to be built.
 */
export async function firstAnswers(
  unit: UnitMachine,
  { evidence, unitState }: { readonly evidence: readonly Evidence[]; readonly unitState: PlainUnitState },
): Promise<FirstAnswers | null> {
  if (!(await isAtHand(unit))) return null;
  const asked = ask(unit, async (desk): Promise<FirstAnswers> => {
    const [answers, rest] = await Promise.all([desk.answers(evidence, unitState, "single faults"), desk.rest()]);
    return { answers, rest };
  }).catch((error: unknown) => {
    log().warn({ err: error }, "A page was sent without its first answers");
    return null;
  });
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<null>((resolve) => {
    timer = setTimeout(() => resolve(null), MOST_WAIT);
  });
  const first = await Promise.race([asked, late]);
  clearTimeout(timer);
  return first;
}

/**
 * Proves a change to the circuit of a job's unit, as that unit is with the changes so far. Throws a `Refusal` for a
 * change that cannot be made.
 */
export async function proofOfChange(
  job: string,
  unit: readonly Change[],
  changes: readonly CircuitChange[],
  guards: GuardAnswers,
): Promise<ModificationProof> {
  const { hash } = await readJob(job);
  const { machine } = await machineOf(hash, unit);
  try {
    variantOf(machine.file, changes);
  } catch (error) {
    if (error instanceof ChangeError) throw new Refusal(400, error.message);
    throw error;
  }
  const { desk, lost, end } = beginDesk();
  try {
    return await Promise.race([desk.proveChange(machine.file, [...changes], guards), lost]);
  } finally {
    end();
  }
}
