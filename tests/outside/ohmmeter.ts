/**
 * Ranges of an ordinary ohmmeter: the current it sends and the most it shows, so that full scale is 0.4 V; it takes
 * the lowest range that the reading fits. From memory of usual instruments.
 */
const RANGES = [
  [1e-3, 400],
  [1e-4, 4e3],
  [1e-5, 4e4],
  [1e-6, 4e5],
  [1e-7, 4e6],
  [1e-8, 4e7],
] as const;
/** Volts at which the current of the meter gives out. */
const COMPLIANCE = 2.5;

/** What every circuit with an ohmmeter in it needs once: the knob of its current, and where its volts end. */
export const OHMMETER = [
  ".model dclamp D(is=1e-15 n=0.2)",
  `Vclamp clamp 0 ${COMPLIANCE}`,
  "Vctl ctl 0 0",
  "Rctl ctl 0 1k",
];

/** Its leads: the black one on the node of reference, its current out of the red one. `name` is its own. */
export const leadsOn = (red: string, black: string, name: string): string[] => [
  `Vblack_${name} ${black} 0 0`,
  `Gm_${name} 0 ${red} ctl 0 1`,
  `Dm_${name} ${red} clamp dclamp`,
];

/** Commands that print the volts at these red leads, range by range. */
export const readingsAt = (reds: readonly string[]): string[] =>
  RANGES.flatMap(([amps]) => [`alter Vctl = ${amps}`, "op", ...reds.map((red) => `print v(${red})`)]);

/** Ohms by the volts printed, for each of so many meters; null is overload. Throws where a voltage is missing. */
export function ohmsIn(output: string, meters: number): (number | null)[] {
  const volts = [...output.matchAll(/^v\(\S+\) = (\S+)/gm)].map(([, v]) => Number(v));
  if (volts.length !== RANGES.length * meters)
    throw new Error(`ngspice printed ${volts.length} voltages:\n${output.slice(0, 3000)}`);
  return Array.from({ length: meters }, (_, i) => {
    for (const [r, [amps, most]] of RANGES.entries()) {
      const ohms = volts[r * meters + i]! / amps;
      if (ohms <= most) return ohms;
    }
    return null;
  });
}
