import { runSpice } from "../support/ngspice";
import { MODELS, type DeadPart } from "./spice-parts";

/** What an ohmmeter shows. */
export type OhmsShown = { readonly kind: "value"; readonly value: number } | { readonly kind: "overload" };

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

/** What an ohmmeter shows on every one of the parts: one ngspice process, an operating point a range. */
export function ohmsBySpice(parts: readonly DeadPart[]): OhmsShown[] {
  const lines = [
    "* parts that nothing powers, each with an ohmmeter",
    ...MODELS,
    ".model dclamp D(is=1e-15 n=0.2)",
    `Vclamp clamp 0 ${COMPLIANCE}`,
    "Vctl ctl 0 0",
    "Rctl ctl 0 1k",
  ];
  parts.forEach((part, i) => {
    for (const line of part.netlist) {
      const [name, ...rest] = line.split(" ");
      lines.push(`${name}_${i} ${rest.map((r) => (r.startsWith("$") ? `${r.slice(1)}_${i}` : r)).join(" ")}`);
    }
    lines.push(`Vblack_${i} ${part.black}_${i} 0 0`);
    lines.push(`Gm_${i} 0 ${part.red}_${i} ctl 0 1`, `Dm_${i} ${part.red}_${i} clamp dclamp`);
  });
  lines.push(".options rshunt=1e12 gmin=1e-14 abstol=1e-14 itl1=2000", ".control");
  for (const [amps] of RANGES) {
    lines.push(`alter Vctl = ${amps}`, "op");
    parts.forEach((part, i) => lines.push(`print v(${part.red}_${i})`));
  }
  const output = runSpice([...lines, "quit 0", ".endc", ".end"]);
  const volts = [...output.matchAll(/^v\((\S+)\) = (\S+)/gm)].map(([, , v]) => Number(v));
  if (volts.length !== RANGES.length * parts.length)
    throw new Error(`ngspice printed ${volts.length} voltages:\n${output.slice(0, 3000)}`);
  return parts.map((_, i) => {
    for (const [r, [amps, most]] of RANGES.entries()) {
      const ohms = volts[r * parts.length + i]! / amps;
      if (ohms <= most) return { kind: "value", value: ohms };
    }
    return { kind: "overload" };
  });
}
