import { testKey } from "../../simulate";
import { sameNominal } from "../reading/window";
import type { FaultDictionary } from "../dictionary/fault-dictionary";

/**
 * Faults that no permitted test tells apart, parts at nominal and meter without noise. Two faults are in one
 * group when they are linked by a chain of pairs that every test shows alike. Includes "no-fault": what is
 * grouped with it shows no symptom at all. Sorted by id; single faults are groups of one.
 */
export function faultGroups(dictionary: FaultDictionary): readonly (readonly string[])[] {
  const hypotheses = dictionary.hypotheses
    .map((h, index) => ({ h, index }))
    .filter(({ h }) => h.kind !== "something else");
  const parent = new Map(hypotheses.map(({ h }) => [h.id, h.id]));
  const root = (id: string): string => {
    let r = id;
    while (parent.get(r) !== r) r = parent.get(r)!;
    return r;
  };
  const tests = [...dictionary.candidates].sort((a, b) => (testKey(a) < testKey(b) ? -1 : 1));
  const predictions = tests.map((test) => dictionary.predictionsFor(test));
  for (let i = 0; i < hypotheses.length; i++)
    for (let j = i + 1; j < hypotheses.length; j++) {
      const [a, b] = [hypotheses[i]!, hypotheses[j]!];
      if (
        tests.every((test, t) =>
          sameNominal(test, predictions[t]![a.index]!, predictions[t]![b.index]!, dictionary.meter),
        )
      )
        parent.set(root(b.h.id), root(a.h.id));
    }
  const groups = new Map<string, string[]>();
  for (const { h } of hypotheses) groups.set(root(h.id), [...(groups.get(root(h.id)) ?? []), h.id]);
  return [...groups.values()].map((g) => g.sort()).sort((a, b) => (a[0]! < b[0]! ? -1 : 1));
}
