import { existsSync } from "node:fs";
import { createRequire } from "node:module";
import type { Worker } from "node:worker_threads";
import * as Comlink from "comlink";
import nodeEndpoint from "comlink/dist/umd/node-adapter.js";
import { z } from "zod";
import { type Advice, expressible } from "../core/diagnose";
import { changesIn, evidenceOf, jobOn } from "../core/journal";
import { type Change, ChangeError, type MachineFile, variantOf } from "../core/model";
import type { ModificationProof } from "../core/repair";
import type { IsolationDesk } from "../workers/isolation-desk";
import { DeskPool, type Desk } from "./desk-pool";
import { readJob } from "./jobs";
import { machineOf } from "./machine-store";
import { Refusal } from "./refusal";
import type { unitStateSchema } from "../contract/jobs";
import { say } from "#words/server";

type RemoteDesk = Comlink.Remote<IsolationDesk>;

/** Dictionaries kept in the server, each in a thread of its own. */
const KEPT = 3;

// Kept through reloads of this module while developing; and one pool, however the routes are bundled.
const pool = ((globalThis as { unzoDesks?: DeskPool<RemoteDesk> }).unzoDesks ??= new DeskPool<RemoteDesk>(KEPT));

/** A desk in a thread of its own, from the bundle that the build makes beside the application. */
function beginDesk(): Desk<RemoteDesk> {
  const bundle = [process.cwd(), "build", "isolation.thread.mjs"].join("/");
  if (!existsSync(bundle)) throw new Error(say.isMissingNpmRunBuild(bundle));
  // Fetched at run time, so that the build does not try to bundle what runs beside it.
  const { Worker: Thread } = createRequire(import.meta.url)(
    "node:worker_threads",
  ) as typeof import("node:worker_threads");
  const thread: Worker = new Thread(bundle);
  thread.unref();
  const lost = new Promise<never>((_, reject) => {
    thread.once("error", reject);
    thread.once("exit", () => reject(new Refusal(503, say.theComputationWasStoppedTry, true)));
  });
  lost.catch(() => {});
  return { desk: Comlink.wrap<IsolationDesk>(nodeEndpoint(thread)), lost, end: () => void thread.terminate() };
}

const buildOf = (file: MachineFile) => (desk: RemoteDesk) =>
  desk.build(
    file,
    Comlink.proxy(() => {}),
  );

/**
 * The advice on a job from the server's own dictionary, and the evidence it was reckoned for; null while the
 * dictionary is not built and nobody waits.
 */
export async function adviceOn(
  job: string,
  asked: z.output<typeof unitStateSchema>,
): Promise<{ readonly evidence: readonly string[]; readonly advice: Advice } | null> {
  const { events, raw, hash } = await readJob(job);
  if (raw.length > 0) throw new Refusal(409, say.thisJobHoldsAnEntry);
  const changes = changesIn(events);
  const { machine } = await machineOf(hash, changes);
  const key = `${hash} ${JSON.stringify(changes)}`;
  const build = buildOf(machine.file);
  if (!asked.wait && !pool.isReady(key)) {
    pool.prepare(key, beginDesk, build);
    return null;
  }
  const evidence = expressible(machine, evidenceOf(jobOn(machine, events))).kept;
  const { wait: _, equipment, times, ...unitState } = asked;
  if (!machine.setupById.has(unitState.setup))
    throw new Refusal(400, say.hasNoSetup(machine.file.maker, machine.file.model, unitState.setup));
  const advice = await pool.use(key, beginDesk, build, (desk) =>
    desk.advise(evidence, { ...unitState, ...(equipment ? { equipment } : {}), ...(times ? { times } : {}) }),
  );
  return { evidence: evidence.map((e) => e.id), advice };
}

/**
 * Proves a change to the circuit of a job's unit, as that unit is with the changes so far. Throws a `Refusal` for a
 * change that cannot be made.
 */
export async function proofOfChange(
  job: string,
  unit: readonly Change[],
  changes: readonly Change[],
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
    return await Promise.race([desk.proveChange(machine.file, [...changes]), lost]);
  } finally {
    end();
  }
}
