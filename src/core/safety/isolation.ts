import { has, type Machine, type Part } from "../model";
import { say } from "#words/core/safety";

/** How a source is parted from its machine. */
type Isolation = "plug" | "breaker" | "battery lead" | "locking out";

/** How one source of this unit is isolated: a mains feed without a cord has no plug to pull, but a breaker. */
function isolationOf(machine: Machine, source: Part): Isolation {
  const by = source.kind.safety.isolatedBy ?? "locking out";
  return by === "plug" && !machine.parts.some((p) => has(p, "supply-cord")) ? "breaker" : by;
}

/** What parts a unit of one source from it; a unit of several needs each of them off. */
export function isolatedBy(machine: Machine): Isolation | "several" {
  const [first, ...others] = machine.sources;
  if (!first) return "plug";
  return others.length > 0 ? "several" : isolationOf(machine, first);
}

/** Every source with what parts it, in words: "outlet (plug), battery (its lead)". */
export function sourcesWithIsolation(machine: Machine): string {
  return machine.sources.map((s) => say.sourceBy(s.name.toLowerCase(), say.by[isolationOf(machine, s)])).join(", ");
}

/**
 * The sources of a unit in the order in which they are put off: what can start by itself first, then what has no switch,
 * then the mains. They are put on again the other way round.
 */
export function sourcesInOrder(machine: Machine): readonly Part[] {
  const rank = (s: Part) => {
    if (has(s, "starts-by-itself")) return 0;
    return has(s, "battery-arc") ? 1 : 2;
  };
  return [...machine.sources].sort((a, b) => rank(a) - rank(b));
}

/** How a unit is made dead, as a sentence. */
export function sourcesOff(machine: Machine): string {
  const by = isolatedBy(machine);
  return by === "several" ? say.everySourceOffAndLocked(sourcesWithIsolation(machine)) : say.off[by];
}
