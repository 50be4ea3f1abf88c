import { z } from "zod";
import type { DayUnit } from "../core/plan-day";
import { made, reads } from "./endpoint";
import type { Crew } from "./shop";

/** A unit in hand, with what it still needs and where that goes on. */
export interface DayJob extends DayUnit {
  readonly site: string;
  readonly machine: string;
  readonly complaint: string | null;
  /** Where its next step is. */
  readonly place: string;
  /** When it is promised, and when one drives there, ISO 8601; null: not. */
  readonly promisedAt: string | null;
  readonly visitAt: string | null;
  /** Minutes of the way there and back. */
  readonly visitMinutes: number;
  /** Who wrote of it last. */
  readonly lastBy: string;
  /** Minutes that what hands are on now has taken longer than it was thought to; 0: it has not. */
  readonly over: number;
  /** The minutes are what such a job usually takes: its own plan is not worked out yet. */
  readonly isRough: boolean;
  /** Changes when its state does: an entry, a wait that began or ended. */
  readonly state: string;
}

/** What is in hand today. */
export interface DayAhead {
  /** Moment of which the minutes are, ISO 8601. */
  readonly at: string;
  readonly jobs: readonly DayJob[];
  /** Whose hands there are and at how many places a unit can be run; null: nobody has said, it is one pair of hands. */
  readonly crew: Crew | null;
}

export const dayAhead = reads(() => "/api/day", z.object({ day: made<DayAhead>() }));
