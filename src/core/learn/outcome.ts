import { type ConfirmedBy, type Job, type JournalEvent, workedMinutes } from "../journal";
import { failureSort, type Machine } from "../model";
import type { Held } from "./held";
import { watchDays } from "./watch";

/** Counts up whenever another journal would come to something else: what is kept is then worked out anew. */
export const OUTCOMES_VERSION = 2;

/** What a closed repair came to: all that is learned from it, and what its figures are made of. */
export interface Outcome {
  readonly machine: string;
  /** Code of the complaint in the machine's file. */
  readonly complaint: string | null;
  /** Milliseconds since 1970. */
  readonly closedAt: number;
  /** Days until it is asked whether it held. */
  readonly watchDays: number;
  readonly piece: string;
  /** The cause, where it is one of the machine's file. */
  readonly cause: { readonly part: string; readonly mode: string; readonly sort: string } | null;
  /** By what the cause is known; null: it is not proven, and nothing is learned from it. */
  readonly confirmed: ConfirmedBy | null;
  /** What was done about it; null where nothing was decided. */
  readonly option: string | null;
  readonly noFault: boolean;
  /** Minutes that hands were on it, and what was said to be the price. */
  readonly minutes: number;
  readonly price: number | null;
}

/**
 * What a job came to. None: it is open, was dropped or was practice. A job that left something unproven or the unit
 * unsafe, or found nothing, confirms no cause.
 */
export function outcomeOf(
  job: Job,
  events: readonly JournalEvent[],
  machine: Machine,
  timeOf: (at: string) => number,
): Outcome | null {
  const { called, opened } = job;
  if (!called || job.dropped || opened.kind !== "repair") return null;
  if (opened.simulated || job.readings.some((r) => r.body.simulated && !r.struck)) return null;
  const decided = job.work.decisions.at(-1)?.body;
  // What was decided about is what a person took for the cause; the call only names what led.
  const fault = decided?.piece === called.piece ? (decided.fault ?? called.fault) : called.fault;
  const [part = "", mode = ""] = (fault ?? "").split(":");
  const known = machine.partById.get(part);
  const cause = known?.modes.some((m) => m.id === mode) ? { part, mode, sort: failureSort(known, mode) } : null;
  const isProven =
    called.despite === undefined && !called.unsafe && !called.excluded && called.proofs.every((p) => p.proven);
  return {
    machine: machine.file.id,
    complaint: opened.complaint ?? null,
    closedAt: timeOf(called.at),
    watchDays: watchDays(machine.file, {
      comesAndGoes: opened.comesAndGoes === true,
      temporary: decided?.temporary === true,
    }),
    piece: called.piece,
    cause,
    confirmed: cause && isProven ? confirmedBy(job, part) : null,
    option: decided?.option ?? null,
    noFault: called.excluded !== undefined,
    minutes: workedMinutes(events, timeOf),
    price: decided?.approved?.price ?? decided?.price ?? null,
  };
}

/** By what the cause is known: a part that was tested bad by itself was found, whatever was ticked. */
function confirmedBy(job: Job, part: string): ConfirmedBy {
  const isFound = job.answers.some(({ body }) => body.type === "alone" && body.part === part && body.found === "bad");
  return isFound ? "found bad" : (job.called?.confirmed ?? "works since");
}

/** A cause that a closed job has confirmed, and how much it counts. */
export interface CauseSeen {
  readonly machine: string;
  readonly part: string;
  readonly mode: string;
  readonly sort: string;
  /** 0 to 1. */
  readonly weight: number;
  /** Milliseconds since 1970. */
  readonly at: number;
}

/** What a cause counts by how it is known; swapped and works says little, measured alone nothing; estimate E75. */
const WEIGHTS: Readonly<Record<ConfirmedBy, number>> = {
  "found bad": 1,
  "old part back": 1,
  "works since": 0.3,
  "only measured": 0,
};

/** The cause that an outcome teaches; null where none is confirmed, or where swapped and works did not last. */
export function causeSeen({ machine, cause, confirmed, closedAt }: Outcome, held: Held["kind"]): CauseSeen | null {
  if (!cause || !confirmed || WEIGHTS[confirmed] === 0) return null;
  if (held === "came back" && confirmed === "works since") return null;
  return { machine, ...cause, weight: WEIGHTS[confirmed], at: closedAt };
}

/** Whether a repair option held. */
export interface OptionSeen {
  readonly option: string;
  readonly sort: string;
  readonly held: boolean;
  /** Milliseconds since 1970. */
  readonly at: number;
}

/** What an outcome teaches of the repair that was chosen; null where it is not known whether it held. */
export function optionSeen({ option, cause, closedAt }: Outcome, held: Held["kind"]): OptionSeen | null {
  if (!option || !cause || held === "not known") return null;
  return { option, sort: cause.sort, held: held === "held", at: closedAt };
}
