import type { Job } from "../core/journal";
import { log } from "../log";
import { isStored } from "./dictionaries";
import { adviceOn, proofScriptFor } from "./isolation";
import { keepProof } from "./to-come";

/** A job of which a search or a proof is to be worked out. */
export interface Ahead {
  readonly job: Job;
  /** Of its machine file. */
  readonly hash: string;
  /** Names the proof of what was decided; null: it is still searched. */
  readonly proof: string | null;
}

/** What is worked out behind the day, and whether it is at it; what could not be is not tried again as it stands. */
const behind = ((
  globalThis as { unzoBehindDay?: { at: Promise<void> | null; readonly tried: Set<string> } }
).unzoBehindDay ??= { at: null, tried: new Set() });
const MOST_TRIED = 500;

/** Until what is worked out behind the day is done. */
export const dayWorkedOut = async (): Promise<void> => void (await behind.at);

/**
 * Works out searches and proofs that nobody has opened yet, one after the other, as far as the dictionaries of their machines
 * are there: nothing is built for it.
 */
export function workOut(unknown: readonly Ahead[]): Promise<void> {
  return (behind.at ??= Promise.resolve()
    .then(async () => {
      for (const one of unknown) await workOne(one);
    })
    .finally(() => {
      behind.at = null;
    }));
}

async function workOne({ job, hash, proof }: Ahead): Promise<void> {
  const key = `${job.id} ${job.lastSeq}`;
  if (behind.tried.has(key)) return;
  if (behind.tried.size > MOST_TRIED) behind.tried.clear();
  try {
    if (!(await isStored(hash))) return;
    behind.tried.add(key);
    if (proof === null) await adviceOn(job.id, { setup: job.setup, openPanels: job.openPanels, wait: false });
    else keepProof(proof, await proofScriptFor(job.id));
  } catch (error) {
    log().warn({ err: error, job: job.id }, "What a job still needs could not be worked out");
  }
}
