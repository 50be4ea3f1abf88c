import { z } from "zod";
import type { Answers } from "../core/diagnose";
import type { Held } from "../core/learn";
import { JOB_KINDS, type JobKind, PURPOSES } from "../core/journal";
import { FAMILIES } from "../core/model";
import { actorSchema, address, made, named, reads, sends } from "./endpoint";
import { newUnitSchema, serialSchema } from "./units";
import { say } from "#words/contract";

/**
 * A new job; ids are made by the client, so that a form sent twice opens one job. The unit is a known one, or typed
 * from its plate.
 */
export const newJobSchema = z
  .strictObject({
    id: z.uuid(),
    unit: z.uuid(say.chooseTheUnit).optional(),
    newUnit: newUnitSchema.optional(),
    kind: z.enum(JOB_KINDS).default("repair"),
    purpose: z.string().trim().min(1).max(120).optional(),
    complaint: z.string().min(1, say.chooseTheComplaint).max(60).optional(),
    /** What is complained of comes and goes. */
    comesAndGoes: z.boolean().default(false),
    actor: actorSchema,
    /** Another job on a unit that has an open one already. */
    again: z.boolean().default(false),
  })
  .refine((job) => (job.unit === undefined) !== (job.newUnit === undefined), {
    message: say.chooseTheUnitOrType,
    path: ["unit"],
  })
  .refine((job) => isPurpose(job.kind, job.purpose), { message: say.sayWhatFor, path: ["purpose"] });

/** Whether a job of a kind says what it is for, where that kind asks for it. */
function isPurpose(kind: JobKind, purpose: string | undefined): boolean {
  if (kind === "fit") return purpose !== undefined;
  if (kind !== "check" && kind !== "lay up") return true;
  return purpose !== undefined && (PURPOSES[kind] as readonly string[]).includes(purpose);
}

/** A job on a machine without a file: what one can say of it at the door. */
export const quickSchema = z.strictObject({
  id: z.uuid(),
  /** Id of the unit, made by the client like that of the job. */
  unit: z.uuid(),
  what: z.string().trim().min(1, say.sayWhatMachineItIs).max(60),
  family: z.enum(FAMILIES).default("powered equipment"),
  site: z.string().trim().max(120).default(""),
  serial: serialSchema,
  /** What it hangs on, in words: `230`, `400 V 3 phases`, `18 V battery`. */
  supply: z.string().trim().min(1, say.howManyVolts).max(60),
  filter: z.boolean(),
  fuse: z.boolean(),
  loads: z.string().trim().min(1, say.nameAtLeastOneLoad).max(600),
  /** Left out: one board. */
  boards: z
    .strictObject({
      count: z.union([z.literal(1), z.literal(2), z.literal(3)]),
      volts: z.number().min(3).max(48),
      wires: z.number().int().min(3).max(40),
    })
    .optional(),
  /** What it shows itself by, and what that shows now. */
  face: z.strictObject({ kind: z.enum(["lamp", "display"]), now: z.enum(["lit", "dark"]).nullable() }).optional(),
  /** How its board is held and joined, as far as it was seen. */
  held: z
    .strictObject({
      screws: z.boolean(),
      clips: z.boolean(),
      ribbon: z.boolean(),
      plugs: z.number().int().min(0).max(40),
    })
    .optional(),
  /** Number of the load that does not work, from 1; 0: nothing works. */
  dead: z.number().int().min(0).max(8),
  actor: actorSchema,
});

/** A job as lists show it. */
export interface JobRow {
  readonly id: string;
  readonly kind: JobKind;
  readonly openedAt: string;
  /** Null while it is open. */
  readonly closedAt: string | null;
  readonly complaint: string | null;
  readonly actor: string;
  readonly readings: number;
  readonly result: string | null;
  readonly unit: string;
  readonly site: string;
  readonly serial: string | null;
  readonly machineName: string;
}

/** Some jobs of a list, and how many there are. */
export interface JobPage {
  readonly jobs: readonly JobRow[];
  readonly total: number;
}

const yes = z.boolean();
/** How the unit stands and what the person has, as the job screen knows it. */
export const unitStateSchema = z.strictObject({
  setup: z.string().min(1).max(60),
  openPanels: z.array(z.string().max(60)).max(40).readonly(),
  equipment: z
    .strictObject({
      live: yes,
      clamp: yes,
      dcClamp: yes,
      inrush: yes,
      hertz: yes,
      capacitance: yes,
      insulation: yes,
      careful: yes,
      boards: yes.default(false),
    })
    .optional(),
  times: z.record(z.string().max(80), z.number().min(0.01).max(100)).optional(),
  /** Answer only if the dictionary is there already. */
  wait: yes.default(false),
});

export const openJob = sends(() => "/api/jobs", newJobSchema, named);
export const openQuickJob = sends(() => "/api/quick", quickSchema, z.object({ id: z.string(), machine: z.string() }));
/** Advice from the server's own dictionary, and the entries it was reckoned for; null while it has none. */
export const serverAdvice = sends(
  (job: string) => address`/api/jobs/${job}/advice`,
  unitStateSchema,
  z.object({ evidence: z.array(z.string()), answers: made<Answers>() }).nullable(),
);
/** Something that a job learned of its machine, held against the file as it is now. */
export interface LessonRow {
  readonly id: string;
  readonly words: string;
  readonly by: string;
  /** ISO 8601. */
  readonly at: string;
  /** Whether the file has it already. */
  readonly isKnown: boolean;
  /** What the file says otherwise since the job began: where, then, now, and as it was found. */
  readonly conflicts: readonly {
    readonly key: string;
    readonly was: unknown;
    readonly now: unknown;
    readonly found: unknown;
  }[];
}

export interface JobLessons {
  readonly job: string;
  readonly machine: { readonly id: string; readonly name: string; readonly revision: string; readonly hash: string };
  readonly lessons: readonly LessonRow[];
}

export const takeLessonsSchema = z.strictObject({
  /** The file that was looked at. */
  own: z.string().length(64),
  take: z.array(z.string().max(120)).min(1).max(100).readonly(),
  actor: actorSchema,
});

/** Puts lessons of a job into its machine's file, as a new version of it. */
export const takeLessons = sends(
  (job: string) => address`/api/jobs/${job}/offer`,
  takeLessonsSchema,
  z.object({ id: z.string(), hash: z.string() }),
);

/** A closed job on the same type of machine that showed what the present one shows. */
export interface JobBefore {
  readonly job: string;
  readonly site: string;
  /** When it was closed, ISO 8601, and by whom. */
  readonly at: string;
  readonly by: string;
  readonly piece: string;
  readonly cause: string;
  /** Minutes that hands were on it. */
  readonly minutes: number;
  readonly held: Held["kind"];
  /** How much of what the present job shows it showed too, 0 to 1. */
  readonly likeness: number;
  /** What both show, the most telling first. */
  readonly shared: readonly string[];
}

export const jobsBefore = reads(
  (job: string) => address`/api/jobs/${job}/before`,
  z.object({ before: z.array(made<JobBefore>()) }),
);

/** A photo is sent as it is, a picture and no JSON. */
export const keepPhoto = sends(
  () => "/api/photos",
  z.instanceof(Blob),
  z.object({ hash: z.string().regex(/^[0-9a-f]{64}$/) }),
);
export const photoAddress = (hash: string) => address`/api/photos/${hash}`;
