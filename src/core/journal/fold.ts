import type { Evidence, Judged, UnitState } from "../diagnose";
import type { JournalEvent } from "./events";
import { composed, folded, listOf, type Body, type Done } from "./slice";
import { changes } from "./slices/changes";
import { called, opened } from "./slices/opening";
import * as work from "./slices/repair-work";
import { plainTest, unitState, type UnitStateLookup } from "./slices/unit-state";
import { addenda, answers, notes, readings, warned, type TrailAnswer, type TrailReading } from "./slices/trail";
import { say } from "#words/core/journal";

export type { Body, Done } from "./slice";
export type { TrailReading } from "./slices/trail";

/** What was decided, done, changed and proven. */
export interface Work {
  readonly decisions: readonly Done<"decided">[];
  /** Stages that are done, by plan. */
  readonly stages: Readonly<Record<string, readonly string[]>>;
  readonly matches: readonly Done<"matched">[];
  /** Repairs given up half-way; absent while none was. */
  readonly abandoned?: readonly Done<"abandoned">[];
  /** Photos in the order in which they were first kept, each with its last marks. */
  readonly photos: readonly Done<"photo">[];
  /** What was changed for the while and is not put back. */
  readonly changed: readonly Done<"changed">[];
  /** The last result of each step of the proof run since the last repair, in order. */
  readonly proved: readonly Done<"proved">[];
  /** What is waited for. */
  readonly waits: readonly Done<"waiting">[];
  readonly modifications: readonly Done<"modified">[];
  readonly madeGood: readonly Done<"made good">[];
  /** The tester of the safety test, the last offer, and the last choice for the customer's page; absent while none. */
  readonly tester?: Done<"tester">;
  readonly quoted?: Done<"quoted">;
  readonly customerPage?: Done<"customer page">;
  /** When it is promised, and when one drives there, as last said; absent while nobody has. */
  readonly promised?: Done<"promised">;
  readonly visit?: Done<"visit">;
}

/** A job as its journal tells it; the same on server and in the browser. */
export interface Job {
  readonly id: string;
  readonly opened: Body<"opened"> & { readonly at: string; readonly actor: string };
  readonly readings: readonly TrailReading[];
  /** What was found on the unit or built into it, in order; what was taken back is left out. */
  readonly changes: readonly {
    readonly id: string;
    readonly at: string;
    readonly actor: string;
    readonly body: Body<"varied">;
  }[];
  readonly answers: readonly TrailAnswer[];
  /** How the unit stood, one setup after another; ISO 8601. */
  readonly stays: readonly { readonly setup: string; readonly at: string }[];
  readonly notes: readonly { readonly at: string; readonly actor: string; readonly text: string }[];
  readonly work: Work;
  /** What was put back since the unit last was brought to stand as it does, by item. */
  readonly restored: readonly string[];
  /** Whether the safety notice has been read on this job. */
  readonly warned: boolean;
  readonly setup: string;
  readonly openPanels: readonly string[];
  readonly called: (Body<"called"> & { readonly at: string; readonly actor: string }) | null;
  /** Who was given the job, in order; absent while nobody was. */
  readonly handedOver?: readonly Done<"handed over">[];
  /** Opened by mistake; such a job is over. */
  readonly dropped?: Done<"dropped">;
  /** Events that came after the call: kept, shown, and without effect on it. */
  readonly addenda: readonly JournalEvent[];
  readonly lastSeq: number;
}

/** Everything that a job tells, an area a slice. */
const SLICES = {
  opened,
  readings,
  changes,
  answers,
  unitState,
  notes,
  handedOver: listOf("handed over"),
  dropped: listOf("dropped"),
  warned,
  called,
  addenda,
  ...work,
};

/** Thrown for a journal that does not begin with its opening. */
export class BrokenJournal extends Error {}

const JOB = composed<UnitStateLookup, typeof SLICES>(SLICES);

/** Folds events, in order of `seq`, into a job. Throws `BrokenJournal`. */
export function foldJournal(events: readonly JournalEvent[], about: UnitStateLookup): Job {
  const sorted = [...events].sort((a, b) => a.seq - b.seq);
  const told = folded(JOB, sorted, about);
  if (sorted[0]?.body.type !== "opened" || !told.opened) throw new BrokenJournal(say.thisJournalDoesNotBegin);
  if (sorted.filter((e) => e.body.type === "opened").length > 1) throw new BrokenJournal(say.thisJournalOpensTheJob);
  const { unitState, addenda, changes, opened, readings, answers, notes, warned, called } = told;
  return {
    id: sorted[0].job,
    opened,
    readings,
    changes: changes.flatMap(({ id, at, actor, words, isFound, changes }) =>
      changes.map((change, i) => ({
        id: isFound ? id : `${id}#${i}`,
        at,
        actor,
        body: { type: "varied" as const, change, words },
      })),
    ),
    answers,
    stays: unitState.stays,
    notes,
    work: {
      decisions: told.decisions,
      stages: Object.fromEntries([...told.stages].map(([plan, done]) => [plan, [...done]])),
      matches: told.matches,
      ...(told.abandoned.length > 0 ? { abandoned: told.abandoned } : {}),
      photos: [...told.photos.values()],
      changed: [...told.changed.values()],
      proved: [...told.proved.values()],
      waits: [...told.waits.values()],
      modifications: told.modifications,
      madeGood: told.madeGood,
      ...(told.tester ? { tester: told.tester } : {}),
      ...(told.quoted ? { quoted: told.quoted } : {}),
      ...(told.promised ? { promised: told.promised } : {}),
      ...(told.visit ? { visit: told.visit } : {}),
      ...(told.customerPage ? { customerPage: told.customerPage } : {}),
    },
    restored: [...unitState.restored],
    warned,
    setup: unitState.setup,
    openPanels: [...unitState.openPanels],
    called,
    ...(told.handedOver.length > 0 ? { handedOver: told.handedOver } : {}),
    ...(told.dropped[0] ? { dropped: told.dropped[0] } : {}),
    addenda: addenda.list,
    lastSeq: sorted.at(-1)!.seq,
  };
}

/** What was complained of when the job was opened; none for a job without a complaint. */
function complaintOf({ opened: { complaint, comesAndGoes } }: Job): Evidence[] {
  if (complaint === undefined) return [];
  return [{ type: "complaint", id: "complaint", complaint, ...(comesAndGoes ? { comesAndGoes: true } : {}) }];
}

/**
 * The complaint and every reading that stands, as evidence. A reading taken after a repair is of the machine as
 * repaired.
 */
export function evidenceOf(job: Job): Evidence[] {
  const repairs = job.answers.flatMap(({ seq, body }) =>
    body.type === "tried" ? [{ seq, repair: { assembly: body.piece, result: body.result } }] : [],
  );
  const before = (seq: number) => {
    const made = repairs.filter((r) => r.seq < seq).map((r) => r.repair);
    return made.length > 0 ? { repairs: made } : {};
  };
  return [
    ...complaintOf(job),
    ...job.answers.flatMap(({ id, body }): Evidence[] => {
      if (body.type === "noticed") return [{ type: "sign", id, part: body.part, sign: body.sign, there: body.there }];
      if (body.type === "tried") return [{ type: "tried", id, assembly: body.piece, result: body.result }];
      if (body.type === "by hand") return [{ type: "by hand", id, trial: body.trial, of: body.of, came: body.came }];
      if (body.type === "timed")
        return [
          {
            type: "timed",
            id,
            setup: body.setup,
            part: body.part,
            label: body.label,
            seconds: body.seconds,
            watched: body.watched,
          },
        ];
      if (body.type === "setting") return [];
      if (body.type === "alone")
        return [
          {
            type: "alone",
            id,
            part: body.part,
            found: body.found,
            ...(body.mode === undefined ? {} : { mode: body.mode }),
          },
        ];
      if (body.type === "surroundings")
        return [
          {
            type: "surroundings",
            id,
            ...(body.celsius === undefined ? {} : { celsius: body.celsius }),
            ...(body.volts === undefined ? {} : { volts: body.volts }),
          },
        ];
      if (body.type === "compared") return [{ type: "compared", id, sees: body.sees }];
      return body.answer === "skip" ? [] : [{ type: "answer", id, first: body.first, answer: body.answer }];
    }),
    ...counted(job).map((r): Evidence => ({
      type: "reading",
      id: r.id,
      test: plainTest(r.body.test),
      shown: r.body.shown,
      ...before(r.seq),
    })),
  ];
}

/** Readings not struck out, with their verdicts as they were given. */
export function judgedOf(job: Job): Judged[] {
  return counted(job).map((r) => ({ id: r.id, test: plainTest(r.body.test), verdict: r.body.as.verdict }));
}

/** How the unit stands, for reckoning what a test costs from here. */
export function unitStateOf(job: Job): UnitState {
  return { setup: job.setup, openPanels: new Set(job.openPanels) };
}

const counted = (job: Job) => job.readings.filter((r) => r.struck === null);
