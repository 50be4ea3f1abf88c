import { z } from "zod";
import { type Done, type Job, JOB_KINDS, type JobKind, unitPlateSchema } from "../core/journal";
import type { Held } from "../core/learn";
import type { PlaceOverYears } from "../core/history";
import { actorSchema, address, named, reads, sends } from "./endpoint";
import { machineSummarySchema } from "./machines";
import { say } from "#words/contract";

/** A serial number as typed; null says that the plate has none. */
export const serialSchema = z.string().trim().min(1, say.typeTheSerialNumberOr).max(60).nullable();

/** A unit as it is typed from its plate; its id is made by the client, so that a form sent twice makes one unit. */
export const newUnitSchema = z.strictObject({
  id: z.uuid(),
  site: z.string().trim().min(1, say.sayWhereTheUnitStands).max(120),
  machine: z.string().min(1, say.chooseWhatMachineItIs).max(60),
  serial: serialSchema,
  productCode: z.string().trim().min(1).max(60).nullable().default(null),
  productIndex: z.string().trim().min(1).max(20).nullable().default(null),
});

/** Data of a unit corrected; only the fields that differ. */
export const correctionSchema = z.strictObject({
  id: z.uuid(),
  actor: actorSchema,
  words: z.string().trim().max(200).default(""),
  ...unitPlateSchema.partial().shape,
});

/** Two entries that are found to be one unit. */
export const mergeSchema = z.strictObject({ into: z.uuid(say.chooseTheUnitThatIt), actor: actorSchema });

/** A unit as lists show it. */
export const unitRowSchema = z.object({ ...unitPlateSchema.shape, id: z.string(), machineName: z.string() });
export type UnitRow = Readonly<z.output<typeof unitRowSchema>>;

/** How a unit stands, by the last entry of any of its jobs; null: nobody has said. */
export const knownStateSchema = z.object({
  setup: z.string(),
  powered: z.boolean(),
  /** When that was said, ISO 8601; by whom; in which job. */
  at: z.string(),
  by: z.string(),
  job: z.string(),
});
export type KnownState = Readonly<z.output<typeof knownStateSchema>>;

export const openJobSchema = z.object({
  id: z.string(),
  kind: z.enum(JOB_KINDS),
  complaint: z.string().nullable(),
  actor: z.string(),
  openedAt: z.string(),
});
export type OpenJob = Readonly<z.output<typeof openJobSchema>>;

/** What stays with a unit from job to job. */
export interface UnitRecord extends UnitRow {
  /** The unit this one was found to be. */
  readonly mergedInto: string | null;
  /** Other entries that were found to be this unit. */
  readonly absorbed: readonly { readonly id: string; readonly site: string; readonly serial: string | null }[];
  /** Boards and sheet that its plate picks, in words; empty where its file says nothing of it. */
  readonly platePicks: string;
  readonly state: KnownState | null;
  readonly jobs: readonly {
    readonly id: string;
    readonly openedAt: string;
    readonly complaint: string | null;
    readonly result: string | null;
    readonly open: boolean;
    readonly kind: JobKind;
  }[];
  /** Temporary repairs that nobody has made good yet. */
  readonly temporary: readonly (Done<"decided"> & { readonly job: string })[];
  /** Left disconnected as unsafe by the job that was closed last; null where it was not. */
  readonly unsafe:
    (NonNullable<NonNullable<Job["called"]>["unsafe"]> & { readonly job: string; readonly at: string }) | null;
  /** Changes to its circuit, for ever. */
  readonly modifications: readonly (Done<"modified"> & { readonly job: string })[];
  /** Settings as they were last found or left. */
  readonly settings: readonly { readonly setting: string; readonly value: string; readonly at: string }[];
  /** Jobs that hold entries of a newer program: what they say of the unit is not known here. */
  readonly unreadable: readonly string[];
}

/** What a unit was through. */
export interface UnitLife {
  readonly places: readonly PlaceOverYears[];
  /** What was done and closed, in order. */
  readonly repairs: readonly {
    readonly job: string;
    readonly at: string;
    readonly piece: string;
    readonly words: string;
    /** Whether it held; null: that is not watched. */
    readonly held: Held["kind"] | null;
  }[];
  /** The newest first. */
  readonly photos: readonly {
    readonly job: string;
    readonly at: string;
    readonly hash: string;
    readonly caption: string;
  }[];
}

/** Units that fit what is typed, and machines of which a new unit may be. */
export const unitSearchSchema = z.object({ units: z.array(unitRowSchema), machines: z.array(machineSummarySchema) });
export interface UnitSearch {
  readonly units: readonly UnitRow[];
  readonly machines: readonly z.output<typeof machineSummarySchema>[];
}

export const findUnits = reads((typed: string) => `/api/units?q=${encodeURIComponent(typed)}`, unitSearchSchema);
export const unitNow = reads(
  (id: string) => address`/api/units/${id}`,
  z.object({ state: knownStateSchema.nullable(), open: z.array(openJobSchema) }),
);
export const correctUnit = sends((id: string) => address`/api/units/${id}`, correctionSchema, named);
export const mergeUnit = sends((id: string) => address`/api/units/${id}/merge`, mergeSchema, named);
