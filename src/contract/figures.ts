import { z } from "zod";
import { type CostOfCause, type Figures, GROUPED_BY, type StepsTaken } from "../core/figures";

/** Which closed repairs are counted, and by what they are told apart. What does not fit a field of it is left out. */
export const figuresSchema = z.object({
  by: z.enum(GROUPED_BY).catch("month"),
  /** Closed on this day or later, `2026-11-30`; none: of the last twelve months. */
  since: z.iso.date().or(z.literal("")).catch(""),
  machine: z.string().max(60).catch(""),
  person: z.string().max(80).catch(""),
});
export type FiguresAsked = z.output<typeof figuresSchema>;

/** Tables that can be had as a file. */
export const FIGURE_TABLES = ["groups", "steps", "causes", "jobs"] as const;
export type FigureTable = (typeof FIGURE_TABLES)[number];
export const figureTableSchema = figuresSchema.extend({ table: z.enum(FIGURE_TABLES) });

/** What a shop sees of its closed repairs. */
export interface ShopSees {
  /** Closed on this day or later. */
  readonly since: string;
  readonly jobs: number;
  readonly whole: Figures | null;
  readonly groups: readonly Figures[];
  readonly steps: readonly StepsTaken[];
  /** The dearest. */
  readonly causes: readonly CostOfCause[];
  readonly causesInAll: number;
}
