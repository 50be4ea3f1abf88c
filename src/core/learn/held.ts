/** A repair that was closed, as far as it says whether it held. */
export interface ClosedRepair {
  readonly job: string;
  readonly unit: string;
  readonly complaint: string | null;
  /** Milliseconds since 1970, like every moment here. */
  readonly closedAt: number;
  /** Days until it is asked. */
  readonly watchDays: number;
  /** What was answered when it was asked, in order. */
  readonly answers: readonly { readonly held: boolean; readonly at: number }[];
}

/** A job that was opened on a unit, whatever became of it. */
export interface OpenedJob {
  readonly job: string;
  readonly unit: string;
  readonly complaint: string | null;
  readonly openedAt: number;
}

/** Whether a repair held. Nobody's answer is no success: it is not known. */
export type Held =
  | { readonly kind: "held"; readonly at: number }
  | { readonly kind: "came back"; readonly at: number; readonly job: string | null }
  | { readonly kind: "not known"; readonly dueAt: number };

const DAY = 86_400_000;
/** A complaint that returns later than so many times the days it was watched is a new one; estimate E74. */
const AGAIN_WITHIN = 6;

/**
 * Whether a repair held: the last answer says so, unless a later job on the unit has the same complaint again. One that
 * comes long after is another fault and answers nothing.
 */
export function heldOf(repair: ClosedRepair, jobs: readonly OpenedJob[]): Held {
  const until = repair.closedAt + AGAIN_WITHIN * repair.watchDays * DAY;
  const again = jobs
    .filter(
      (j) =>
        j.unit === repair.unit &&
        j.job !== repair.job &&
        repair.complaint !== null &&
        j.complaint === repair.complaint &&
        j.openedAt > repair.closedAt &&
        j.openedAt <= until,
    )
    .sort((a, b) => a.openedAt - b.openedAt)[0];
  if (again) return { kind: "came back", at: again.openedAt, job: again.job };
  const answer = repair.answers.at(-1);
  if (answer) return answer.held ? { kind: "held", at: answer.at } : { kind: "came back", at: answer.at, job: null };
  return { kind: "not known", dueAt: repair.closedAt + repair.watchDays * DAY };
}
