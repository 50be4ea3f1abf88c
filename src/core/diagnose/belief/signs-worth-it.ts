import type { FaultDictionary } from "../dictionary/fault-dictionary";
import { plogp } from "../dictionary/outcomes";
import { signChance, signsOf, type SignAsked } from "../evidence/signs";

/** The signs worth looking for, those that tell most of the assembly first, with the bits that each would tell. */
export function signsWorthIt(
  dictionary: FaultDictionary,
  probability: Float64Array,
  found: ReadonlySet<string>,
): readonly (SignAsked & { readonly bits: number })[] {
  return signsOf(dictionary.machine)
    .filter((s) => !found.has(`${s.part} ${s.sign}`))
    .map((s) => {
      const there = new Map<string, [number, number]>();
      let marginal = 0;
      dictionary.hypotheses.forEach((h, i) => {
        const chance = signChance(dictionary.machine, s.part, s.sign, h)!;
        const [yes, mass] = there.get(h.assembly) ?? [0, 0];
        there.set(h.assembly, [yes + probability[i]! * chance, mass + probability[i]!]);
        marginal += probability[i]! * chance;
      });
      const entropy = (p: number) => -plogp(p) - plogp(1 - p);
      const given = [...there.values()].reduce(
        (sum, [yes, mass]) => sum + (mass > 0 ? mass * entropy(yes / mass) : 0),
        0,
      );
      return { ...s, bits: Math.max(0, entropy(marginal) - given) };
    })
    .sort((a, b) => b.bits - a.bits || (`${a.part} ${a.sign}` < `${b.part} ${b.sign}` ? -1 : 1));
}
