import { has, isLowVoltage, joinedByLeads, type Machine, type Part, ratings, type SetupEntry } from "../model";
import { NoOperatingPoint, nominalValues, Simulator, type State } from "../simulate";
import { say } from "#words/core/safety";

/** What may be bridged to see is isolated and has at most so many volts; common practice, no source. */
export const MOST_BRIDGED_VOLTS = 30;

/** The lead that bridges has a fuse of so many amperes; common practice, no source. */
export const LEAD_AMPS = 1;

/** Which of its elements would be bridged: its rated contact, or the last. */
const bridgedElement = (part: Part): number =>
  part.kind.electrical.rated?.(part.fields)?.element ?? Math.max(0, part.elementCount - 1);

/** The two nodes between which a part would be bridged: its contact, or its two ends. */
export function bridgedEnds(part: Part): readonly [number, number] | null {
  const ends = part.kind.electrical
    .elements(part.fields)
    [bridgedElement(part)]?.map((terminal) => part.nodeOf.get(terminal));
  return ends && ends[0] !== undefined && ends[1] !== undefined && ends[0] !== ends[1] ? [ends[0], ends[1]] : null;
}

/**
 * Why a part may not be bridged to see what happens, as a sentence; null when it may: a conductor, or a contact that no
 * hand works and that protects nobody, isolated from the mains and at most 30 V, in no circuit of gas. Never a cut-off,
 * a fuse, a door, level or pressure switch, a lock, a guard or an emergency stop; common practice, no source.
 */
export function bridgingRefused(machine: Machine, id: string): string | null {
  const part = machine.partById.get(id);
  const ends = part && bridgedEnds(part);
  if (!part || !ends) return say.nothingToBridge;
  if (has(part, "protects", "interlock", "over-current")) return say.whatProtectsIsNeverBridged(part.name);
  if (has(part, "worked-by-hand")) return say.aSwitchIsTriedByHand(part.name);
  if (!has(part, "conductor", "breaks-current", "often-bridged") || part.kind.electrical.load)
    return say.bridgedItWouldBeAShort(part.name);
  const groups = new Set(ends.map((n) => machine.domains[n]!.group));
  if (!ends.every((n) => isLowVoltage(machine.domains[n]!.energy))) return say.onlyIsolatedLowVoltage(part.name);
  const inCircuit = machine.parts.filter((p) =>
    [...p.nodeOf.values()].some((n) => groups.has(machine.domains[n]!.group)),
  );
  const at = joinedByLeads(machine);
  const reached = new Set(ends.map(at));
  if (machine.parts.some((p) => has(p, "licensed") && [...p.nodeOf.values()].some((n) => reached.has(at(n)))))
    return say.leadsToALicensedTrade(part.name);
  if (inCircuit.some((p) => has(p, "gas"))) return say.neverInACircuitOfGas(part.name);
  const amps = mostAmps(machine, part);
  if (amps > LEAD_AMPS) return say.moreThanTheLeadCarries(part.name, amps, LEAD_AMPS);
  const most = Math.max(0, ...inCircuit.filter((p) => feeds(machine, p, groups)).map((p) => ratings(p).volts ?? 0));
  return most > MOST_BRIDGED_VOLTS ? say.tooManyVoltsToBridge(part.name, MOST_BRIDGED_VOLTS) : null;
}

/** By machine and part, the largest current through its bridged element in any setup of a sound machine, amperes. */
const carried = new WeakMap<Machine, Map<string, number>>();

function mostAmps(machine: Machine, part: Part): number {
  const known = carried.get(machine) ?? new Map<string, number>();
  carried.set(machine, known);
  if (known.size === 0) {
    const simulator = new Simulator(machine);
    for (const setup of machine.file.setups.filter((s) => s.power === "on")) {
      const state = standing(simulator, setup);
      if (!state) continue;
      for (const phase of state.phases) {
        simulator.circuit.load(state, phase);
        for (const p of machine.parts) {
          const { dc, ac } = simulator.circuit.elementCurrent(p.firstElement + bridgedElement(p));
          known.set(p.id, Math.max(known.get(p.id) ?? 0, Math.hypot(dc, ac)));
        }
      }
    }
  }
  return known.get(part.id) ?? 0;
}

/** The sound machine in a setup; null where the model finds no operating point. */
function standing(simulator: Simulator, setup: SetupEntry): State | null {
  try {
    return simulator.energise(setup, [], nominalValues(simulator.machine));
  } catch (error) {
    if (error instanceof NoOperatingPoint) return null;
    throw error;
  }
}

/** Whether a part brings energy into one of these domains. */
function feeds(machine: Machine, part: Part, groups: ReadonlySet<number>): boolean {
  return (part.kind.electrical.energises?.(part.fields) ?? []).some(([terminal]) =>
    groups.has(machine.domains[part.nodeOf.get(terminal)!]!.group),
  );
}

/** How a bridge is made, step by step; the same in every screen and record. */
export const bridgingSteps = (): readonly string[] => [
  say.bridgePowerOff,
  say.bridgeThroughAFusedLead,
  say.bridgeStandClear,
  say.bridgePowerOffAgain,
];
