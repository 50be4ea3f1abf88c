import { z } from "zod";
import { FILE_ORIGINS } from "../core/journal";
import type { MachineCode } from "../core/diagnose";
import { type Fact, type MachineFile, MOST_BYTES } from "../core/model";
import { actorSchema, address, made, reads, sends } from "./endpoint";

/** A machine file in short, for lists and searches. */
export const fileSummarySchema = z.object({
  id: z.string(),
  maker: z.string(),
  model: z.string(),
  name: z.string(),
  family: z.string(),
  revision: z.string(),
  volts: z.number(),
  hertz: z.number(),
  parts: z.number(),
  /** Numbers printed on its boards. */
  boards: z.array(z.string()),
  /** Codes it can show, with their words. */
  codes: z.array(z.string()),
  complaints: z.array(z.object({ id: z.string(), words: z.string() })),
  /** Product codes of its plates, and the board numbers that they pick. */
  plates: z.array(z.string()).optional(),
  /** Boards of it that can be put on a bench rig; left out of a summary that was kept before there were any. */
  rigs: z.array(z.object({ assembly: z.string(), name: z.string() })).optional(),
});
export type FileSummary = Readonly<z.output<typeof fileSummarySchema>>;

export const machineSummarySchema = z.object({
  ...fileSummarySchema.shape,
  hash: z.string(),
  origin: z.enum(FILE_ORIGINS).nullable(),
  /** A newer shipped revision waits to be looked at. */
  offered: z.boolean(),
  /** Everything it is found by, in small letters. */
  search: z.string(),
});
export type MachineSummary = Readonly<z.output<typeof machineSummarySchema>>;

export interface MachineRow extends MachineSummary {
  readonly versions: number;
  readonly units: number;
}

/** One version of a machine file. */
export interface VersionRow {
  readonly hash: string;
  readonly addedAt: string;
  readonly revision: string;
  readonly current: boolean;
  /** Who took it into use, and what they had learned on a job; null: that was not written down. */
  readonly kept: KeptVersion | null;
}

/** How a version came into use. */
export interface KeptVersion {
  readonly by: string;
  readonly origin: string;
  readonly job: string | null;
  readonly learned: readonly { readonly words: string; readonly by: string; readonly at: string }[];
  /** The pack of another shop that it came in. */
  readonly pack: { readonly shop: string; readonly at: string } | null;
}

/** One thing that a machine of the library can show, with the units that may show it. */
export interface CodeRow {
  readonly machine: string;
  readonly name: string;
  readonly family: string;
  readonly code: MachineCode;
  readonly units: readonly { readonly id: string; readonly site: string; readonly serial: string | null }[];
}

/** A newer shipped revision held against the shop's own file. */
export interface ShippedOffer {
  readonly machine: string;
  /** The offered revision: its hash and what it calls itself. */
  readonly hash: string;
  readonly revision: string;
  readonly own: { readonly hash: string; readonly revision: string };
  /** Whether the shipped revision that the shop's file came from is known. */
  readonly hasBase: boolean;
  /** The pack of another shop that it came in; null: it came with the program. */
  readonly pack: { readonly shop: string; readonly at: string } | null;
  readonly facts: readonly (Fact & { readonly key: string })[];
}

export const importSchema = z.strictObject({
  name: z.string().min(1).max(200),
  text: z.string().min(1).max(MOST_BYTES),
});

export const duplicateSchema = z.strictObject({
  id: z
    .string()
    .min(1)
    .max(60)
    .regex(/^[A-Za-z0-9][A-Za-z0-9._-]*$/, "may hold letters, digits, dot, dash and underscore only"),
  model: z.string().trim().min(1).max(60),
});

export const settleOfferSchema = z.strictObject({
  offered: z.string().length(64),
  own: z.string().length(64),
  take: z.array(z.string().max(400)).max(5000).readonly(),
  actor: actorSchema,
});

/** What became of each machine of a pack: new here, the same as here, or otherwise and offered beside the shop's own. */
export const packTakenSchema = z.object({
  shop: z.string(),
  machines: z.array(z.object({ id: z.string(), name: z.string(), became: z.enum(["new", "same", "offered"]) })),
});
export type PackTaken = z.output<typeof packTakenSchema>;

/** A pack is sent as it is, an archive and no JSON; who takes it in stands in the address. */
export const takePack = sends(
  (actor: string) => address`/api/machines/pack?actor=${actor}`,
  z.instanceof(Blob),
  packTakenSchema,
);
/** Where a pack is fetched: of all machines, or of one. */
export const packAddress = (by: string, machine?: string) =>
  address`/api/machines/pack?by=${by}` + (machine === undefined ? "" : address`&of=${machine}`);

const kept = z.object({ id: z.string(), hash: z.string() });

export const importMachine = sends(() => "/api/machines", importSchema, kept);
/** The file is checked by the server as any file from outside is, and its problems are placed. */
export const keepMachine = sends((id: string) => address`/api/machines/${id}`, made<MachineFile>(), kept, "PUT");
export const duplicateMachine = sends((id: string) => address`/api/machines/${id}/duplicate`, duplicateSchema, kept);
export const settleOffer = sends(
  (id: string) => address`/api/machines/${id}/offer`,
  settleOfferSchema,
  z.object({ hash: z.string() }),
);
export const machineFile = reads(
  (id: string) => address`/api/machines/${id}/file`,
  z.object({ file: made<MachineFile>(), hash: z.string() }),
);
/** The complaints that a machine knows and what its plates pick. */
export const machineOpening = reads(
  (id: string) => address`/api/machines/${id}/complaints`,
  z.object({
    complaints: z.array(z.object({ id: z.string(), words: z.string() })),
    plates: made<MachineFile["plates"]>(),
    pieces: made<MachineFile["pieces"]>(),
    addOns: z.array(z.object({ id: z.string(), name: z.string() })),
  }),
);
/** Where a machine file is fetched as text. */
export const exportAddress = (id: string, version?: string) =>
  address`/api/machines/${id}/export` + (version ? `?version=${encodeURIComponent(version)}` : "");

/** The stored dictionary of a machine file, as one engine builds it; gzipped bytes, not JSON. */
export const dictionaryAddress = (hash: string, engine: string) => address`/api/dictionaries/${hash}/${engine}`;
