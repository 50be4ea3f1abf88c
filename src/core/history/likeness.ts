/** A job that was closed, and what it showed that the present one shows too. */
export interface Past {
  readonly job: string;
  readonly shared: readonly string[];
}

/** How many jobs of the machine showed a feature. */
export interface Seen {
  readonly term: string;
  readonly jobs: number;
}

/** A past job by its likeness. */
export interface Alike {
  readonly job: string;
  /** Share of what the present job shows, in bits, that the other one showed too; 0 to 1. */
  readonly likeness: number;
  readonly shared: readonly string[];
}

/**
 * Past jobs by their likeness to the present one, the most alike first: the sum of what is shared, each feature by its
 * surprise among the `total` jobs of the machine, `log2((total + 1) / jobs)` (inverse document frequency, Spärck Jones
 * 1972), over the same sum of all that the present job shows.
 */
export function alikeBy(features: readonly Seen[], past: readonly Past[], total: number): readonly Alike[] {
  const bits = new Map(features.map((f) => [f.term, Math.log2((total + 1) / Math.max(1, f.jobs))]));
  const all = [...bits.values()].reduce((sum, b) => sum + b, 0);
  if (all === 0) return [];
  return past
    .map(({ job, shared }) => ({
      job,
      shared: [...shared].sort((a, b) => (bits.get(b) ?? 0) - (bits.get(a) ?? 0)),
      likeness: shared.reduce((sum, term) => sum + (bits.get(term) ?? 0), 0) / all,
    }))
    .sort((a, b) => b.likeness - a.likeness);
}
