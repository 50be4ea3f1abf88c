import { isClamp, needsDeadCircuit } from "../instrument";
import type { Machine, SetupEntry } from "../model";
import type { Test } from "../simulate";
import { energyAt, exposureOf, isPowered, panelsFor, panelsOverMains, type Exposure } from "./exposure";

/** A live step is proposed only if no dead one gives at least this share of its worth per cost. */
export const DEAD_SHARE = 0.8;

/** Why a test may not be made at all, as a sentence; null when it may. Every planner asks this first. */
export function forbidden(machine: Machine, setup: SetupEntry, test: Test): string | null {
  const live = isPowered(setup);
  if (live && needsDeadCircuit(test.function))
    return test.function === "capacitance" || test.function === "insulation"
      ? "Only on a dead circuit: unplug, wait, discharge, prove it dead."
      : "Ohms only on a dead circuit: unplug, wait, prove it dead.";
  if (test.function === "insulation" && !isMainsToMetalwork(machine, test))
    return "The test voltage of an insulation tester kills electronics: only from a mains conductor to the metalwork.";
  if (!live && !needsDeadCircuit(test.function) && test.function !== "look")
    return "Nothing flows while the plug is out; this test needs power.";
  if (test.function === "lowz" && inSupplyPrimary(machine, test))
    return "No low-impedance meter in the primary of a supply: it loads the bulk capacitor and the meter may not survive.";
  return null;
}

/** Whether one lead lies on a mains conductor that is no part of a supply, and the other on the metalwork. */
function isMainsToMetalwork(machine: Machine, test: Test): boolean {
  const energies = [test.red, test.black].map((id) => (id === undefined ? "unknown" : energyAt(machine, id)));
  return energies.includes("mains") && energies.includes("earth") && !inSupplyPrimary(machine, test);
}

/** Whether a probe would touch the rectified, line-side part of a supply. */
export function inSupplyPrimary(machine: Machine, test: Test): boolean {
  const primary = new Set<number>();
  for (const part of machine.parts)
    for (const terminal of ["bulk-plus", "bulk-minus"]) {
      const node = part.nodeOf.get(terminal);
      if (node !== undefined) primary.add(node);
    }
  return [test.red, test.black].some((id) => id !== undefined && primary.has(machine.points.get(id)?.node ?? -1));
}

/** How a machine is made dead, as a sentence; a machine of several sources is dead with all of them off. */
export function sourcesOff(machine: Machine): string {
  if (machine.sources.length < 2)
    return machine.sources[0]?.kind.safety.isolatedBy === "battery lead"
      ? "Take the battery off."
      : "Pull the plug and keep it in sight.";
  return `Every source off and locked: ${machine.sources.map((s) => s.name.toLowerCase()).join(", ")}.`;
}

/** The cautions that belong to work on a piece: how it is made dead, and those of the kinds of part in it. */
export function cautionsAt(machine: Machine, piece: string): readonly string[] {
  const own = machine.parts.filter((p) => p.piece === piece).flatMap((p) => p.kind.safety.cautions ?? []);
  return [...new Set([`${sourcesOff(machine)} Meter on volts first: prove it dead before you touch it.`, ...own])];
}

/** The cautions that belong to a step, in the order in which they matter. */
export function cautionsFor(machine: Machine, setup: SetupEntry, test: Test): readonly string[] {
  const cautions: string[] = [];
  const exposure: Exposure = exposureOf(machine, setup, test);
  const covers = panelsFor(machine, test);
  const overMains = panelsOverMains(machine);
  if (exposure === "dead") {
    cautions.push(`${sourcesOff(machine)} Meter on volts first: prove it dead before you turn to ${rangeWord(test)}.`);
    if (test.function === "capacitance")
      cautions.push("A capacitor holds its charge: discharge it through a resistor, then prove it near 0 V.");
    if (test.function === "insulation")
      cautions.push(
        "500 V at the tips: plugs of the electronics off, hands off the leads, and let it discharge before you take them away.",
      );
    if (inSupplyPrimary(machine, test)) cautions.push("The bulk capacitor: wait a minute, then prove it below 60 V.");
  }
  if (exposure === "live") {
    cautions.push(
      isClamp(test.function)
        ? "Clamp around the insulated wire only, power off while you place it."
        : "Live: place the leads with the power off, then plug in, one hand, shrouded tips.",
    );
    if (inSupplyPrimary(machine, test))
      cautions.push("Non-isolated: the black lead is as deadly as the red one. Meter on its highest range.");
  }
  if (exposure === "low voltage") {
    if (covers.some((c) => overMains.has(c)))
      cautions.push(
        "These pins are isolated low voltage, but bare mains is beside them. Place the leads with the plug out.",
      );
    else cautions.push("Isolated low voltage. A slipped probe can still kill a board.");
  }
  if (setup.feeds.length > 0)
    cautions.push(
      "Board bypassed: every source of the machine off, the load secured and unloaded, the bench supply fused and set before it is joined.",
    );
  if (setup.jumpers.length > 0)
    cautions.push("Jumper in and out with the power off. Note it down: it must come out again.");
  if (setup.apart.length > 0) cautions.push("Pull and push the plug with the power off, by its housing.");
  for (const id of [test.red, test.black]) {
    const point = id === undefined ? undefined : machine.points.get(id);
    if (!point || energyAt(machine, point.id) !== "unknown") continue;
    cautions.push(`${point.name}: nothing known feeds it. Treat it as live.`);
  }
  return cautions;
}

function rangeWord(test: Test): string {
  if (test.function === "capacitance") return "capacitance";
  if (test.function === "insulation") return "the insulation tester";
  return "ohms";
}
