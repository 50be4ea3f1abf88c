import type { FailureMode, Machine, Part } from "../model";
import { uniformFor } from "../random";

/** One possible sample of a machine in one possible surrounding: the values its parts have there. */
export interface Values {
  readonly supplyVolts: number;
  readonly ambient: number;
  /** Where it lies between the bounds of what an ohmmeter may find anything of, 0 to 1; see `Conditions.between`. */
  readonly between: number;
  /** For each part, its parameters in order. */
  readonly of: readonly (readonly number[])[];
  severity(part: Part, mode: FailureMode): number;
}

/** Every part at its nominal value, every graded fault at the middle of its range. */
export function nominalValues(machine: Machine): Values {
  return {
    supplyVolts: machine.file.supply.volts,
    ambient: machine.file.ambient,
    between: 0.5,
    of: machine.parts.map((part) => part.parameters.map((p) => p.nominal)),
    severity: (_part, mode) => (mode.severity ? Math.sqrt(mode.severity[0] * mode.severity[1]) : 1),
  };
}

/**
 * A sample drawn by `seed`: uniform within tolerance, supply and ambient (+-8 C) likewise. Severities are
 * log-uniform;
 * `stratum` (0..1) puts them at that quantile, each fault a little beside it, so that a handful of samples covers
 * every regime of a graded fault (starved, restarting, merely weak). `among` are the seeds of the samples that are
 * used together: every part value is spread evenly over them, one in each of as many slices of its tolerance (a Latin
 * hypercube; McKay, Beckman and Conover, 1979), so that a few cover it.
 */
export function sampledValues(
  machine: Machine,
  seed: number,
  stratum: number,
  vagueStratum = stratum,
  among: readonly number[] = [seed],
): Values {
  const spread = (name: string) => {
    const own = uniformFor(seed, name);
    const rank = among.filter((other) => uniformFor(other, name) < own).length;
    return (2 * (rank + uniformFor(seed, `${name} within`))) / among.length - 1;
  };
  // Vague values cover their whole range too, all parts of a sample alike, out of step with the severities.
  let quantile: number;
  if (vagueStratum < 0.17) quantile = 2 / 3;
  else if (vagueStratum < 0.5) quantile = 0;
  else if (vagueStratum < 0.83) quantile = 1;
  else quantile = 1 / 3;
  const wide = (jitter: number) => Math.max(-1, Math.min(1, 2 * quantile - 1 + 0.15 * jitter));
  return {
    supplyVolts: machine.file.supply.volts * (1 + (machine.file.supply.percent / 100) * spread("supply")),
    ambient: machine.file.ambient + 8 * spread("ambient"),
    between: quantile,
    of: machine.parts.map((part) =>
      part.parameters.map(
        (p) =>
          p.nominal *
          (1 + p.tolerance * (p.vague ? wide(spread(`${part.id} ${p.name}`)) : spread(`${part.id} ${p.name}`))),
      ),
    ),
    severity(part, mode) {
      if (!mode.severity) return 1;
      const [low, high] = mode.severity;
      return low * (high / low) ** Math.min(1, Math.max(0, stratum + 0.04 * spread(`${part.id}:${mode.id}`)));
    },
  };
}
