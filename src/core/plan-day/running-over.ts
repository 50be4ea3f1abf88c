/**
 * What is still to come of a step that hands have been on for a while, minutes. How long it takes is log-normal with the
 * mean and spread it was told with; what has been spent makes the short ways impossible: what is left of X after e minutes
 * is E(X | X > e) - e. With z = (ln e - mu) / sigma that is mean F(sigma - z) / F(-z) - e, F the standard normal
 * distribution (partial expectation of the log-normal: Johnson, Kotz, Balakrishnan, Continuous Univariate Distributions
 * 1, chapter 14; from memory).
 */
export function stillLeft(mean: number, spread: number, spent: number): number {
  if (spent <= 0 || mean <= 0) return mean;
  const sigma2 = Math.log(1 + (spread / mean) ** 2);
  if (sigma2 < 1e-9) return Math.max(LEAST_LEFT, mean - spent);
  const sigma = Math.sqrt(sigma2);
  const z = (Math.log(spent) - Math.log(mean) + sigma2 / 2) / sigma;
  const beyond = normalBelow(-z);
  // So far out that nothing is known any more: as long again as a step lasts at least.
  if (beyond < 1e-6) return Math.max(LEAST_LEFT, spread);
  return Math.max(LEAST_LEFT, (mean * normalBelow(sigma - z)) / beyond - spent);
}

/** What is not done takes at least so many minutes more. */
const LEAST_LEFT = 1;

/** The standard normal distribution; Abramowitz and Stegun 26.2.17, to 7.5e-8. */
export function normalBelow(x: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(x));
  const tail =
    (Math.exp((-x * x) / 2) / Math.sqrt(2 * Math.PI)) *
    (t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429)))));
  return x >= 0 ? 1 - tail : tail;
}
