import { createRequire } from "node:module";
import { pathToFileURL } from "node:url";
import type { Worker } from "node:worker_threads";
import * as Comlink from "comlink";
import nodeEndpoint from "comlink/dist/umd/node-adapter";
import { z } from "zod";
import type { Advice } from "../core/isolate/advise";
import { evidenceOf } from "../core/journal/fold";
import { jobOn } from "../core/journal/job";
import { compileMachine } from "../core/machine/compile";
import { applyChanges, ChangeError, type Change } from "../core/machine/variant";
import type { ModificationProof } from "../core/repair/modification";
import type { MachineFile } from "../core/machine/schema";
import type { IsolationDesk } from "../workers/isolation-desk";
import { readJob } from "./jobs";
import { standingChanges } from "./journal";
import { machineHash } from "./machines";
import { Refusal } from "./refusal";

/** Dictionaries kept in the server, each in a thread of its own. */
const KEPT = 3;

interface Kept {
  readonly desk: Comlink.Remote<IsolationDesk>;
  readonly thread: Worker;
  ready: boolean;
  readonly built: Promise<void>;
}

// Kept through reloads of this module while developing.
const shelf = ((globalThis as { unzoDesks?: Map<string, Kept> }).unzoDesks ??= new Map<string, Kept>());

/**
 * A thread of the desk. It reads the core's own TypeScript, as the scripts do; the few words that begin it are given as text and the
 * constructor is fetched at run time, so that the build does not try to bundle what runs beside it.
 */
function beginThread(): Worker {
  const { Worker: Thread } = createRequire(import.meta.url)(
    "node:worker_threads",
  ) as typeof import("node:worker_threads");
  const begin =
    'import("tsx/esm/api").then(({ register }) => { register(); return import(require("node:worker_threads").workerData); })';
  return new Thread(begin, {
    eval: true,
    workerData: pathToFileURL([process.cwd(), "src", "workers", "isolation.thread.ts"].join("/")).href,
  });
}

/** The dictionary of a machine in a worker thread; begun when it is first asked for, the one longest unused put away. */
function deskFor(key: string, file: MachineFile): Kept {
  let kept = shelf.get(key);
  if (kept) {
    shelf.delete(key);
    shelf.set(key, kept);
    return kept;
  }
  const thread = beginThread();
  thread.unref();
  const desk = Comlink.wrap<IsolationDesk>(nodeEndpoint(thread));
  const lost = new Promise<never>((_, reject) => thread.once("error", reject));
  const begun: Kept = {
    desk,
    thread,
    ready: false,
    built: Promise.race([
      desk.build(
        file,
        Comlink.proxy(() => {}),
      ),
      lost,
    ]).then(() => {
      begun.ready = true;
    }),
  };
  begun.built.catch(() => {
    shelf.delete(key);
    void thread.terminate();
  });
  kept = begun;
  shelf.set(key, kept);
  for (const [old, { thread: idle }] of shelf) {
    if (shelf.size <= KEPT) break;
    shelf.delete(old);
    void idle.terminate();
  }
  return kept;
}

const yes = z.boolean();
/** How the unit stands and what the person has, as the job screen knows it. */
export const standingSchema = z.strictObject({
  setup: z.string().min(1).max(60),
  openPanels: z.array(z.string().max(60)).max(40),
  means: z
    .strictObject({
      live: yes,
      clamp: yes,
      dcClamp: yes,
      inrush: yes,
      hertz: yes,
      capacitance: yes,
      insulation: yes,
      careful: yes,
    })
    .optional(),
  times: z.record(z.string().max(80), z.number().min(0.01).max(100)).optional(),
  /** Answer only if the dictionary is there already. */
  wait: yes.default(false),
});

/** The advice on a job from the server's own dictionary, and the evidence it was reckoned for; null while the dictionary is not built and nobody waits. */
export async function adviceOn(
  job: string,
  asked: z.output<typeof standingSchema>,
): Promise<{ readonly evidence: readonly string[]; readonly advice: Advice } | null> {
  const { events, file } = await readJob(job);
  const variant = applyChanges(file, standingChanges(events));
  const kept = deskFor(machineHash(variant), variant);
  if (!kept.ready) {
    if (!asked.wait) return null;
    await kept.built;
  }
  const evidence = evidenceOf(jobOn(compileMachine(variant), events));
  const { wait: _, means, times, ...standing } = asked;
  const advice = await kept.desk.advise(evidence, {
    ...standing,
    ...(means ? { means } : {}),
    ...(times ? { times } : {}),
  });
  return { evidence: evidence.map((e) => e.id), advice };
}

/** Proves a change to the circuit of a job's unit, as that unit is, in a thread of its own. Throws a `Refusal` for a change that cannot be made. */
export async function proofOfChange(job: string, changes: readonly Change[]): Promise<ModificationProof> {
  const { events, file } = await readJob(job);
  const variant = applyChanges(file, standingChanges(events));
  try {
    applyChanges(variant, changes);
  } catch (error) {
    if (error instanceof ChangeError) throw new Refusal(400, error.message);
    throw error;
  }
  const thread = beginThread();
  try {
    const lost = new Promise<never>((_, reject) => thread.once("error", reject));
    return await Promise.race([Comlink.wrap<IsolationDesk>(nodeEndpoint(thread)).proveChange(variant, changes), lost]);
  } finally {
    void thread.terminate();
  }
}
