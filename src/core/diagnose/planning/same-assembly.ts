import type { Repair } from "../evidence/evidence";
import type { Beliefs } from "../belief/beliefs";
import type { FaultDictionary } from "../dictionary/fault-dictionary";
import type { RatedTest } from "./rating";

/**
 * The tests of which some outcome, likelier than `least`, would name another assembly than the leading one. A step
 * all of whose outcomes name the same one is no step of a search; nor is one that could only be misread, which names
 * "something else".
 */
export function namingAnother(
  dictionary: FaultDictionary,
  beliefs: Beliefs,
  repairs: readonly Repair[] | undefined,
  rated: readonly RatedTest[],
  leading: string,
  least: number,
): readonly RatedTest[] {
  const { hypotheses } = dictionary;
  return rated.filter(({ test }) => {
    const { outcomes, chances } = dictionary.tableFor(test, repairs);
    const n = outcomes.length;
    return outcomes.some((_, o) => {
      const perAssembly = new Map<string, number>();
      let total = 0;
      beliefs.probability.forEach((p, h) => {
        const mass = p * chances[h * n + o]!;
        total += mass;
        perAssembly.set(hypotheses[h]!.assembly, (perAssembly.get(hypotheses[h]!.assembly) ?? 0) + mass);
      });
      perAssembly.delete("something-else");
      const own = perAssembly.get(leading) ?? 0;
      return total > least && [...perAssembly.values()].some((mass) => mass > own);
    });
  });
}

/** The tests in which what is held for the fault shows mostly other outcomes than a sound machine. */
export function showingIt(
  dictionary: FaultDictionary,
  beliefs: Beliefs,
  rated: readonly RatedTest[],
  assembly: string,
): readonly RatedTest[] {
  const { hypotheses } = dictionary;
  return rated.filter(({ test }) => {
    const { outcomes, chances } = dictionary.tableFor(test);
    const n = outcomes.length;
    let [alike, whole] = [0, 0];
    beliefs.probability.forEach((p, h) => {
      if (hypotheses[h]!.assembly !== assembly) return;
      whole += p;
      for (let o = 0; o < n; o++) alike += p * Math.min(chances[h * n + o]!, chances[o]!);
    });
    return alike < whole / 2;
  });
}
