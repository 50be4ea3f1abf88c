import { z } from "zod";
import type { Match, TermField } from "../core/history";
import type { JobRow } from "./jobs";
import type { UnitRow } from "./units";
import { made, reads } from "./endpoint";

/** What is looked for, in whatever there is. What does not fit a field of it is left out. */
export const findSchema = z.object({
  q: z.string().max(120).catch(""),
  state: z.enum(["", "open", "closed"]).catch(""),
  machine: z.string().max(60).catch(""),
  person: z.string().max(80).catch(""),
  /** Opened on this day or later, `2026-11-30`. */
  since: z.iso.date().or(z.literal("")).catch(""),
  /** Only what stands in a place of this kind. */
  where: z
    .enum(["", "cause", "code", "complaint", "note", "repair", "board", "part number", "site", "serial"])
    .catch(""),
  /** Only jobs before this one; a page further. */
  before: z.coerce.number().int().min(1).catch(Number.MAX_SAFE_INTEGER),
});
export type Find = z.output<typeof findSchema>;
/** Places that one can look in alone. */
export const FIND_WHERE = findSchema.shape.where.unwrap().options.filter((w): w is TermField & typeof w => w !== "");

/** A job, and why it was found. */
export interface FoundJob extends JobRow {
  readonly why: readonly Match[];
}

/** A machine of the library, and what of it fits: a board's number, a code. */
export interface FoundMachine {
  readonly id: string;
  readonly name: string;
  readonly why: readonly string[];
}

export interface Found {
  readonly units: readonly UnitRow[];
  readonly machines: readonly FoundMachine[];
  readonly jobs: readonly FoundJob[];
  /** Where the next page begins; null: that was all. */
  readonly next: number | null;
  /** A word begins so many that not all of them were looked through. */
  readonly isPart: boolean;
}

/** What one can look in alone. */
export interface FindFilters {
  readonly machines: readonly { readonly id: string; readonly name: string }[];
  readonly people: readonly string[];
}

export const find = reads((query: string) => `/api/find?${query}`, made<Found>());
