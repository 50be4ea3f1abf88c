import { isClamp, needsDeadCircuit } from "../instrument";
import type { Machine, SetupEntry } from "../model";
import { isByHand, type Test } from "../simulate";
import { sourcesOff } from "./isolation";
import { energyAt, exposureOf, isPowered, panelsFor, panelsOverMains, type Exposure } from "./exposure";
import { say } from "#words/core/safety";

/** A live step is proposed only if no dead one gives at least this share of its worth per cost. */
export const DEAD_SHARE = 0.8;

/** Why a test may not be made at all, as a sentence; null when it may. Every planner asks this first. */
export function forbidden(machine: Machine, setup: SetupEntry, test: Test): string | null {
  const live = isPowered(setup);
  if (live && needsDeadCircuit(test.function))
    return test.function === "capacitance" || test.function === "insulation"
      ? say.onlyOnADeadCircuit
      : say.ohmsOnlyOnADead;
  if (test.function === "insulation" && !isMainsToMetalwork(machine, test)) return say.theTestVoltageOfAn;
  if (!live && !needsDeadCircuit(test.function) && test.function !== "look") return say.nothingFlowsWhileThePlug;
  if (test.function === "lowz" && inSupplyPrimary(machine, test)) return say.noLowImpedanceMeterIn;
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
    for (const terminal of ["rectifier", "bulk-plus", "bulk-minus", "chip"]) {
      const node = part.nodeOf.get(terminal);
      if (node !== undefined) primary.add(node);
    }
  return [test.red, test.black].some((id) => id !== undefined && primary.has(machine.points.get(id)?.node ?? -1));
}

/** The cautions that belong to work on an assembly: how it is made dead, and those of the kinds of part in it. */
export function cautionsAt(machine: Machine, assembly: string): readonly string[] {
  const own = machine.parts.filter((p) => p.assembly === assembly).flatMap((p) => p.kind.safety.cautions ?? []);
  return [...new Set([say.meterOnVoltsFirstProve(sourcesOff(machine)), ...own])];
}

/** The cautions that belong to a step, in the order in which they matter. */
export function cautionsFor(machine: Machine, setup: SetupEntry, test: Test): readonly string[] {
  const cautions: string[] = [];
  const exposure: Exposure = exposureOf(machine, setup, test);
  const covers = panelsFor(machine, test);
  const overMains = panelsOverMains(machine);
  if (isByHand(machine, test)) {
    cautions.push(say.lockedOffBeforeHands(sourcesOff(machine)));
    cautions.push(...(machine.partById.get(test.red)!.kind.safety.cautions ?? []));
  } else if (exposure === "dead") {
    cautions.push(say.meterOnVoltsFirstProveIt(sourcesOff(machine), rangeWord(test)));
    if (test.function === "capacitance") cautions.push(say.aCapacitorHoldsItsCharge);
    if (test.function === "insulation") cautions.push(say.vAtTheTipsPlugs);
    if (inSupplyPrimary(machine, test)) cautions.push(say.theBulkCapacitorWaitA);
  }
  if (exposure === "live") {
    cautions.push(isClamp(test.function) ? say.clampAroundTheInsulatedWire : say.livePlaceTheLeadsWith);
    if (inSupplyPrimary(machine, test)) cautions.push(say.nonIsolatedTheBlackLead);
  }
  if (exposure === "low voltage") {
    if (covers.some((c) => overMains.has(c))) cautions.push(say.thesePinsAreIsolatedLow);
    else cautions.push(say.isolatedLowVoltageASlipped);
  }
  if (setup.feeds.length > 0) cautions.push(say.boardBypassedEverySourceOf);
  if (setup.jumpers.length > 0) cautions.push(say.jumperInAndOutWith);
  if (setup.apart.length > 0) cautions.push(say.pullAndPushThePlug);
  for (const id of [test.red, test.black]) {
    const point = id === undefined ? undefined : machine.points.get(id);
    if (!point || energyAt(machine, point.id) !== "unknown") continue;
    cautions.push(say.nothingKnownFeedsItTreat(point.name));
  }
  return cautions;
}

function rangeWord(test: Test): string {
  if (test.function === "capacitance") return "capacitance";
  if (test.function === "insulation") return say.theInsulationTester;
  return "ohms";
}
