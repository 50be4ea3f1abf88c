import { ORDINARY_METER } from "../src/core/instrument/meter";
import { compileMachine } from "../src/core/model/compile/compile";
import { askedQuestions, type Family, wholeAnswers } from "../src/core/model/family/family";
import { familyMachine } from "../src/core/model/family/family-machine";
import { KNOWN_FAMILIES } from "../src/core/model/family/families-known";
import { FaultDictionary } from "../src/core/diagnose/dictionary/fault-dictionary";
import { makeTest } from "../src/core/simulate";
import { search } from "../tests/support/isolate-unit";
import { randomSource, randomValues, UnitOnTheBench } from "../tests/support/unit-on-the-bench";

/** So many sets of answers a family, and faults in each. */
const SETS = 20;
const FAULTS = 8;

/** A machine of a family by answers drawn at random. */
function drawn(family: Family, random: () => number) {
  const one = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)]!;
  const answers: Record<string, string> = {};
  for (const q of family.questions)
    if (askedQuestions(family, wholeAnswers(family, answers)).includes(q)) answers[q.id] = one(Object.keys(q.choices));
  const plate = { id: "drawn", maker: "Nobody", model: "One", supply: one(family.supplies) };
  return compileMachine(familyMachine(family, plate, answers));
}

/** Whether nothing that is seen or clamped tells of the fault. */
function isHidden(unit: UnitOnTheBench, random: () => number): boolean {
  const { machine } = unit;
  const sound = new UnitOnTheBench(machine, [], unit.values, random);
  const draws = machine.file.setups
    .filter((s) => s.power === "on")
    .every((s) =>
      machine.file.clamps.every((c) => {
        const [own, its] = [unit, sound].map((u) => u.read(makeTest(s.id, "clamp", c.id)));
        if (own!.kind !== "value" || its!.kind !== "value") return own!.kind === its!.kind;
        return Math.abs(own!.value - its!.value) < 0.15 + 0.3 * its!.value;
      }),
    );
  return unit.looksSound() && draws;
}

/** Every family: faults that show, and how many end at their assembly; `told` gets a line a family. */
export function benchFamilies(told: (words: string) => void): void {
  let [all, right] = [0, 0];
  for (const family of KNOWN_FAMILIES) {
    let [shown, found] = [0, 0];
    const wrong: string[] = [];
    for (let seed = 0; seed < SETS; seed++) {
      const random = randomSource(seed * 31 + 5);
      const machine = drawn(family, random);
      const dictionary = FaultDictionary.of(machine, ORDINARY_METER);
      dictionary.build();
      const faults = dictionary.hypotheses.flatMap((h) => (h.kind === "fault" ? [h] : []));
      for (let k = 0; k < FAULTS; k++) {
        const h = faults[Math.floor(random() * faults.length)]!;
        const unit = new UnitOnTheBench(machine, [h.fault], randomValues(machine, random), random);
        if (isHidden(unit, random)) continue;
        shown++;
        const { assemblies } = search(dictionary, unit, "advice");
        if (assemblies.length === 1 && assemblies[0] === h.assembly) found++;
        else wrong.push(`${h.id} ends at ${assemblies.join(", ")}`);
      }
    }
    [all, right] = [all + shown, right + found];
    told(`${family.id}: ${found} of ${shown} ${wrong.join("; ")}`);
  }
  told(`${right} of ${all} faults that show end at their assembly`);
}
