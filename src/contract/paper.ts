import { z } from "zod";
import type { CustomerPage } from "../core/paper";
import type { Letterhead } from "./shop";

/** What can be had of a job as a PDF. */
export const paperSchema = z.object({
  kind: z.enum(["customer", "quote"]).catch("customer"),
  /** Of an offer: the assembly, the cause, the options that are offered, and until when. */
  assembly: z.string().max(60).catch(""),
  fault: z.string().max(120).catch(""),
  only: z
    .string()
    .max(400)
    .catch("")
    .transform((ids) => (ids === "" ? [] : ids.split(","))),
  until: z.iso.date().nullable().catch(null),
});
export type PaperAsked = z.output<typeof paperSchema>;

/** What every paper of a job begins with. */
export interface PaperHead {
  readonly job: string;
  readonly letterhead: Letterhead | null;
  readonly site: string;
  /** Maker, model and what it is. */
  readonly machine: string;
  readonly serial: string | null;
  /** ISO 8601. */
  readonly at: string;
  readonly by: string;
}

/** A reading of the technician's record, as it was shown. */
export interface RecordRow {
  readonly at: string;
  readonly test: string;
  readonly shown: string;
  readonly expected: string;
  readonly verdict: "fits" | "does not fit" | "not judged";
}

/** The customer's page of a closed job, and the technician's record behind it. */
export interface CustomerPaper {
  readonly head: PaperHead;
  readonly page: CustomerPage;
  readonly record: readonly RecordRow[];
}

/** One thing that may be done about a cause, as it is offered. */
export interface QuotedOption {
  readonly option: string;
  readonly words: string;
  /** In the shop's coin. */
  readonly price: number;
  /** Chance that it lasts, 0 to 1. */
  readonly holds: number;
  /** Days until the part is there. */
  readonly days: number;
  /** Why one would, or would not. */
  readonly means: string;
}

/** What is offered before a repair. */
export interface QuotePaper {
  readonly head: PaperHead;
  /** What is taken for wrong, in plain words. */
  readonly wrong: string;
  readonly piece: string;
  readonly fault: string | null;
  readonly options: readonly QuotedOption[];
  /** What was offered already, and until when that holds; null: nothing. */
  readonly given: { readonly options: readonly QuotedOption[]; readonly until: string; readonly at: string } | null;
}
