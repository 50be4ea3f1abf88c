/** So many of so many, and between what the true share lies: a few say little. */
export interface Share {
  readonly count: number;
  readonly of: number;
  /** 0 to 1; null where there was nothing to count. */
  readonly share: number | null;
  readonly low: number;
  readonly high: number;
}

/** Standard deviations of a normal variable between which 95 % lie. */
const Z = 1.959963984540054;
/** Below so many a share is shown as one of few. */
export const FEW = 20;

/** A share with its interval of 95 %: E. B. Wilson's score interval (1927), which holds for few as well. */
export function shareOf(count: number, of: number): Share {
  if (of === 0) return { count, of, share: null, low: 0, high: 1 };
  const p = count / of;
  const z2 = Z * Z;
  const middle = (p + z2 / (2 * of)) / (1 + z2 / of);
  const half = (Z * Math.sqrt((p * (1 - p)) / of + z2 / (4 * of * of))) / (1 + z2 / of);
  return {
    count,
    of,
    share: p,
    low: count === 0 ? 0 : Math.max(0, middle - half),
    high: count === of ? 1 : Math.min(1, middle + half),
  };
}
