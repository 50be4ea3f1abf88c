/**
 * What moves really take. Between two entries of a journal lie the moves that lead from the one to the next; what they
 * took together, against what they take by the book, is laid on them by their shares, and drawn towards the book while
 * little is known.
 */

/**
 * For each move (`measure`, `power`, `cover rear`, ...) how many times the minutes of the book it takes; one where
 * nothing is known.
 */
export type Times = Readonly<Record<string, number>>;

/** One step of a job: the moves with their minutes by the book, and the minutes it took. */
export interface StepTaken {
  readonly moves: readonly { readonly move: string; readonly minutes: number }[];
  readonly took: number;
}

/** Steps that took longer than this many times the book were broken off by something else, and teach nothing. */
const BROKEN_OFF = 6;
/** Quicker than this share of the book was entered afterwards. */
const AFTERWARDS = 0.1;
/** So many steps the book itself counts for. */
const BOOK = 4;

/** Whether a step was made in one go: neither broken off by something else nor entered afterwards. */
export function isOfOnePiece({ moves, took }: StepTaken): boolean {
  const book = moves.reduce((sum, m) => sum + m.minutes, 0);
  return book > 0 && took > AFTERWARDS * book && took <= BROKEN_OFF * book;
}

/** Learns from steps; the order does not matter. */
export function learnTimes(steps: readonly StepTaken[]): Times {
  const sums = new Map<string, { log: number; weight: number }>();
  for (const { moves, took } of steps.filter(isOfOnePiece)) {
    const book = moves.reduce((sum, m) => sum + m.minutes, 0);
    for (const { move, minutes } of moves) {
      if (minutes <= 0) continue;
      const share = minutes / book;
      const own = sums.get(move) ?? { log: 0, weight: 0 };
      sums.set(move, { log: own.log + share * Math.log(took / book), weight: own.weight + share });
    }
  }
  return Object.fromEntries(
    [...sums]
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([move, { log, weight }]) => [move, Math.exp(log / (weight + BOOK))]),
  );
}
