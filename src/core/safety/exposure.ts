import { isClamp } from "../instrument";
import { isLowVoltage, type Machine, type SetupEntry } from "../model";
import { isByHand, type Test } from "../simulate";

/**
 * What a test exposes a person to, by isolation and not by volts.
 * `none`: nothing is touched. `dead`: every source off. `low voltage`: powered, only nodes across isolation from
 * the mains. `live`: mains, anything joined to it, or anything unknown.
 */
export type Exposure = "none" | "dead" | "low voltage" | "live";

/** Dead is every source off, batteries and engines too: `power: off` means all of them. A bench supply is a source. */
export function exposureOf(machine: Machine, setup: SetupEntry, test: Test): Exposure {
  if (isByHand(machine, test)) return "dead";
  if (test.function === "look") return "none";
  if (!isPowered(setup)) return "dead";
  if (isClamp(test.function)) {
    // A clamp goes around the wire: what matters is what the wire carries.
    const element = machine.clamps.get(test.red)?.element;
    const nodes =
      element === undefined ? [] : [machine.ends[2 * element]!, machine.ends[2 * element + 1]!].filter((n) => n >= 0);
    return nodes.length > 0 && nodes.every((n) => isLowVoltage(machine.domains[n]!.energy)) ? "low voltage" : "live";
  }
  const energies = [test.red, test.black].map((id) => (id === undefined ? "unknown" : energyAt(machine, id)));
  return energies.every((e) => e !== "unknown" && isLowVoltage(e)) ? "low voltage" : "live";
}

/** Whether anything feeds the machine in a setup. */
export function isPowered(setup: SetupEntry): boolean {
  return setup.power === "on" || setup.feeds.length > 0;
}

/** Energy of the domain a point lies in; an unknown point is "unknown", which is taken as hot. */
export function energyAt(machine: Machine, pointId: string) {
  const point = machine.points.get(pointId);
  return point ? machine.domains[point.node]!.energy : "unknown";
}

/** Covers a test needs open: over its points, and over the plugs its setup wants apart. */
export function panelsFor(machine: Machine, test: Test): readonly string[] {
  const apart = machine.setupById.get(test.setup)?.apart ?? [];
  const plugs = machine.file.connectors.filter((c) => apart.includes(c.id)).map((c) => c.far.panel ?? c.near.panel);
  let spots: (string | undefined)[];
  if (isClamp(test.function)) spots = [machine.clamps.get(test.red)?.panel];
  else if (test.function === "look") spots = [];
  else spots = [test.red, test.black].map((id) => (id ? machine.points.get(id)?.panel : undefined));
  return [...new Set([...plugs, ...spots].filter((p) => p !== undefined))];
}

/** Covers behind which a bare mains conductor can be touched. */
export function panelsOverMains(machine: Machine): ReadonlySet<string> {
  const over = new Set<string>();
  for (const point of machine.points.values())
    if (point.panel && machine.domains[point.node]!.energy === "mains") over.add(point.panel);
  return over;
}

/** Minutes that a step is held to cost for its danger, beyond the minutes it takes. */
export const EXPOSURE_MINUTES: Readonly<Record<Exposure, number>> = { none: 0, dead: 0, "low voltage": 1, live: 5 };
