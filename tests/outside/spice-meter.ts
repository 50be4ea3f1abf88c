import { runSpice } from "../support/ngspice";
import { leadsOn, OHMMETER, ohmsIn, readingsAt } from "./ohmmeter";
import { MODELS, type DeadPart } from "./spice-parts";

/** What an ohmmeter shows. */
export type OhmsShown = { readonly kind: "value"; readonly value: number } | { readonly kind: "overload" };

/** What an ohmmeter shows on every one of the parts: one ngspice process, an operating point a range. */
export function ohmsBySpice(parts: readonly DeadPart[]): OhmsShown[] {
  const lines = ["* parts that nothing powers, each with an ohmmeter", ...MODELS, ...OHMMETER];
  parts.forEach((part, i) => {
    for (const line of part.netlist) {
      const [name, ...rest] = line.split(" ");
      lines.push(`${name}_${i} ${rest.map((r) => (r.startsWith("$") ? `${r.slice(1)}_${i}` : r)).join(" ")}`);
    }
    lines.push(...leadsOn(`${part.red}_${i}`, `${part.black}_${i}`, String(i)));
  });
  lines.push(
    ".options rshunt=1e12 gmin=1e-14 abstol=1e-14 itl1=2000",
    ".control",
    ...readingsAt(parts.map((part, i) => `${part.red}_${i}`)),
  );
  const output = runSpice([...lines, "quit 0", ".endc", ".end"]);
  return ohmsIn(output, parts.length).map((value) =>
    value === null ? { kind: "overload" } : { kind: "value", value },
  );
}
