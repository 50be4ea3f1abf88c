import { energyAt, exposureOf, isPowered } from "../../safety";
import { has, type Machine } from "../../model";
import type { Beliefs } from "../belief/beliefs";
import type { FaultDictionary } from "../dictionary/fault-dictionary";
import type { Evidence } from "../evidence/evidence";
import type { UnitState } from "../planning/cost";
import { rate, type RatedTest } from "../planning/rating";

/** The tests that still tell something and may be made now, best first; `made` are left out. */
export function testsLeft(
  dictionary: FaultDictionary,
  beliefs: Beliefs,
  unitState: UnitState,
  evidence: readonly Evidence[],
  made: ReadonlySet<string>,
): RatedTest[] {
  return safeFirst(dictionary, evidence, rate(dictionary, beliefs.probability, unitState, made));
}

/**
 * What may be made only where nothing safer tells anything: a live test of what comes and goes, since it is provoked by
 * hand; any but a dead one to the metalwork on a unit that trips what protects from a leak, since its case may be live.
 */
function safeFirst(dictionary: FaultDictionary, evidence: readonly Evidence[], rated: RatedTest[]): RatedTest[] {
  const { machine, comesAndGoes } = dictionary;
  const setupOf = ({ test }: RatedTest) => machine.setupById.get(test.setup)!;
  let safe = rated;
  if (tripsProtection(machine, evidence)) {
    // Where the current goes that does not come back is looked for dead, to the metalwork.
    const isToEarth = ({ test }: RatedTest) =>
      [test.red, test.black].some((p) => p !== undefined && machine.points.has(p) && energyAt(machine, p) === "earth");
    safe = rated.filter((r) => !isPowered(setupOf(r)) && isToEarth(r));
  } else if (comesAndGoes) safe = rated.filter((r) => exposureOf(machine, setupOf(r), r.test) !== "live");
  return safe.length > 0 ? safe : rated;
}

/** Whether it is complained of that a protective device trips: the complaint sees it otherwise than at rest. */
function tripsProtection(machine: Machine, evidence: readonly Evidence[]): boolean {
  const made = evidence.find((e) => e.type === "complaint");
  const sees = machine.file.complaints.find((c) => c.id === made?.complaint)?.sees ?? {};
  return Object.entries(sees).some(([id, label]) => {
    const part = machine.partById.get(id);
    return part !== undefined && has(part, "protects") && label !== part.labels?.[0];
  });
}
