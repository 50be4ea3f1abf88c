import type { Evidence } from "../../src/core/diagnose/evidence/evidence";
import { complaintMadeOf, isThere, search } from "./isolate-unit";
import type { UnitOnTheBench } from "./unit-on-the-bench";
import type { FaultDictionary } from "../../src/core/diagnose/dictionary/fault-dictionary";

/** How a unit with more than one fault was put right. */
export interface Mending {
  /** Assemblies found and repaired, in order; those that were sound are marked. */
  readonly found: readonly { readonly assembly: string; readonly wasBad: boolean }[];
  /** Repairs that were proposed to see whether they help, and did not. */
  readonly inVain: number;
  /** Nothing is wrong any more. */
  readonly well: boolean;
  /** What is left shows nowhere: no complaint could be made of it. */
  readonly unseen: boolean;
  readonly readings: number;
}

/** Most assemblies that are repaired before one gives up. */
const MOST_REPAIRS = 5;

/**
 * Searches, repairs what was found, and goes on with all that is known, until the unit is well or nothing more is
 * found.
 */
export function mend(dictionary: FaultDictionary, unit: UnitOnTheBench): Mending {
  const { machine } = dictionary;
  const found: { assembly: string; wasBad: boolean }[] = [];
  let readings = 0;
  let inVain = 0;
  let complaint = complaintMadeOf(unit);
  let known: Evidence[] = complaint === null ? [] : [{ type: "complaint", id: "complaint", complaint }];
  for (let k = 0; k < MOST_REPAIRS && complaint !== null; k++) {
    const bad = new Set(unit.faults.map((f) => machine.partById.get(f.part)!.assembly));
    const run = search(dictionary, unit, "advice", { known });
    readings += run.readings;
    for (const e of run.evidence.slice(known.length)) {
      if (e.type !== "tried") continue;
      if (bad.has(e.assembly)) found.push({ assembly: e.assembly, wasBad: true });
      else inVain++;
    }
    known = [...run.evidence];
    const last = known[known.length - 1];
    if (!(last?.type === "tried" && last.result === "gone")) {
      // Several that nothing tells apart are repaired one after the other, here together.
      const assemblies = run.assemblies.filter((p) => machine.assemblyById.has(p));
      if (assemblies.length === 0) break;
      for (const assembly of assemblies) {
        found.push({ assembly, wasBad: bad.has(assembly) });
        unit.repair(assembly);
        known.push({
          type: "tried",
          id: `repaired-${k}-${assembly}`,
          assembly,
          result: unit.faults.length > 0 && isThere(unit, complaint) ? "stays" : "gone",
        });
      }
    }
    if (unit.faults.length === 0) return { found, well: true, unseen: false, readings, inVain };
    if (isThere(unit, complaint)) {
      // A repair that helped for this once did not: the complaint is still made.
      known = known.map((e) => (e.type === "tried" ? { ...e, result: "stays" as const } : e));
    } else {
      complaint = complaintMadeOf(unit, true);
      known = complaint === null ? [] : [{ type: "complaint", id: "complaint", complaint }];
    }
  }
  return { found, well: unit.faults.length === 0, unseen: complaint === null, readings, inVain };
}
