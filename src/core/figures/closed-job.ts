import type { Outcome } from "../learn";
import type { BoughtInVain } from "./bought-in-vain";
import type { StepsTaken } from "./steps-taken";

/** A closed repair as the figures of a shop see it. */
export interface ClosedJob extends Pick<
  Outcome,
  "machine" | "complaint" | "closedAt" | "piece" | "cause" | "option" | "noFault" | "minutes" | "price"
> {
  readonly job: string;
  readonly unit: string;
  /** Who closed it. */
  readonly person: string;
  /** Month in which it was closed by the shop's clock, `2026-11`. */
  readonly month: string;
  readonly held: "held" | "came back" | "not known";
  /** The job by which the complaint came back; null where it did not, or only somebody said so. */
  readonly again: string | null;
  readonly inVain: readonly BoughtInVain[];
  readonly steps: readonly StepsTaken[];
  /** The cause in words, as the record says it; null where none is named. */
  readonly causeWords: string | null;
}
