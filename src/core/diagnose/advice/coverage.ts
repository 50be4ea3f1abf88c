import { compileMachine, type Machine } from "../../model";
import { testKey } from "../../simulate";
import { faultGroups } from "./groups";
import { hypothesisName } from "../hypotheses/hypothesis";
import { sameNominal } from "../reading/window";
import { FaultDictionary } from "../dictionary/fault-dictionary";
import { say } from "#words/core/diagnose/advice";

/** Faults that belong together, by id and name. */
export type FaultGroup = readonly { readonly id: string; readonly name: string }[];

/** What a machine file can and cannot tell apart. */
export interface Coverage {
  readonly faults: number;
  readonly alone: number;
  /** Groups of two and more that no available test separates. */
  readonly together: readonly FaultGroup[];
  /** Faults that every test shows as a sound machine. */
  readonly silent: FaultGroup;
  /** Faults that nothing shows without a meter: no look in any setup differs from a sound machine. */
  readonly unseen: FaultGroup;
  readonly tests: number;
  /** Permitted tests that add nothing to the others. */
  readonly idleTests: number;
  /** The nets without a test point that would separate most, best first; `pairs` counts pairs of faults told apart. */
  readonly helpfulPoints: readonly { readonly net: string; readonly pairs: number }[];
}

/** Most nets tried as an extra test point. */
const MOST_NETS = 40;

/** Works out what a built dictionary can tell apart, and which extra test point would help most. */
export function coverageOf(dictionary: FaultDictionary): Coverage {
  const { machine, hypotheses } = dictionary;
  const named = (id: string) => ({
    id,
    name: hypothesisName(
      machine,
      hypotheses.find((h) => h.id === id)!,
    ),
  });
  const groups = faultGroups(dictionary);
  const together = groups.filter((g) => g.length > 1 && !g.includes("no-fault"));
  const silent = (groups.find((g) => g.includes("no-fault")) ?? []).filter((id) => id !== "no-fault");
  const looks = dictionary.permitted
    .filter((t) => t.function === "look")
    .map((t) => ({ test: t, predictions: dictionary.predictionsFor(t) }));
  const unseen = hypotheses.flatMap((h, i) =>
    h.kind === "fault" &&
    looks.every(({ test, predictions }) => sameNominal(test, predictions[0]!, predictions[i]!, dictionary.meter))
      ? [h.id]
      : [],
  );
  const faults = hypotheses.filter((h) => h.kind === "fault").length;
  return {
    faults,
    alone: faults - together.flat().length - silent.length,
    together: together.map((g) => g.map(named)),
    silent: silent.map(named),
    unseen: unseen.map(named),
    tests: dictionary.candidates.length,
    idleTests: dictionary.permitted.length - dictionary.candidates.length,
    helpfulPoints: helpfulPoints(
      dictionary,
      [...together, silent.length > 0 ? ["no-fault", ...silent] : []].filter((g) => g.length > 1),
    ),
  };
}

/** Tries every net without a point as one, on the faults that are together now. */
function helpfulPoints(dictionary: FaultDictionary, groups: readonly (readonly string[])[]): Coverage["helpfulPoints"] {
  const { machine } = dictionary;
  if (groups.length === 0) return [];
  const points = new Set([...machine.points.values()].map((p) => p.node));
  const bare = machine.nets
    .filter((net) => !net.startsWith("@") && !points.has(machine.nodeOf.get(net)!))
    .slice(0, MOST_NETS);
  return bare
    .flatMap((net) => {
      const wider = withPoint(machine, net);
      const pointed = FaultDictionary.of(wider, dictionary.meter);
      const tests = pointed.permitted.filter((t) => t.red === `extra.${net}` || t.black === `extra.${net}`);
      let pairs = 0;
      for (const group of groups) {
        const shown = group.map((id) => pointed.nominalFor(tests, id));
        for (let i = 0; i < group.length; i++)
          for (let j = i + 1; j < group.length; j++)
            if (
              tests.some(
                (t) => !sameNominal(t, shown[i]!.get(testKey(t))!, shown[j]!.get(testKey(t))!, dictionary.meter),
              )
            )
              pairs++;
      }
      return pairs > 0 ? [{ net, pairs }] : [];
    })
    .sort((a, b) => b.pairs - a.pairs || (a.net < b.net ? -1 : 1))
    .slice(0, 5);
}

function withPoint(machine: Machine, net: string): Machine {
  return compileMachine({
    ...machine.file,
    points: [...machine.file.points, { id: `extra.${net}`, name: say.extraPointNet(net), net }],
  });
}
