import { describe, expect, it } from "vitest";
import { FaultDictionary } from "../../../../src/core/diagnose/dictionary/fault-dictionary";
import { Predictor } from "../../../../src/core/diagnose/dictionary/predictor";
import { ORDINARY_METER } from "../../../../src/core/instrument/meter";
import { testKey } from "../../../../src/core/simulate/test";
import type { Reading } from "../../../../src/core/quantity";
import { machineNamed } from "../../../support/fleet";
import { randomSource } from "../../../support/unit-on-the-bench";

/** How far two readings are apart, in errors of the meter; endless for readings of two kinds. */
function apart(a: Reading | null, b: Reading | null, fn: "dcv"): number {
  if (a?.kind !== b?.kind) return Infinity;
  if (a?.kind === "label") return a.label === (b as typeof a).label ? 0 : Infinity;
  if (a?.kind !== "value") return 0;
  const { relative, absolute } = ORDINARY_METER.accuracy[fn];
  return Math.abs(a.value - (b as typeof a).value) / (absolute + relative * Math.abs(a.value));
}

describe("samples that are taken over", () => {
  it.each(["velmoor-dw-45", "obwart-dv-8"])("%s: show what simulating each of them shows", (name) => {
    const machine = machineNamed(name);
    const dictionary = FaultDictionary.of(machine, ORDINARY_METER);
    dictionary.build();
    const predictor = new Predictor(machine, ORDINARY_METER);
    const random = randomSource(5);
    const some = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)]!;
    let [compared, off] = [0, 0];
    for (let round = 0; round < 60; round++) {
      const { setup } = some(dictionary.candidates);
      const tests = dictionary.candidates.filter((t) => t.setup === setup && t.instant !== "recheck");
      const h = Math.floor(random() * dictionary.hypotheses.length);
      const alone = predictor.predict(setup, tests, dictionary.hypotheses[h]!);
      tests.forEach((test, t) => {
        const kept = dictionary.predictionsFor(test)[h]!;
        expect(kept.length, testKey(test)).toBe(alone[t]!.length);
        kept.forEach((reading, k) => {
          compared++;
          if (apart(reading, alone[t]![k]!, test.function as "dcv") > 0.2) off++;
        });
      });
    }
    expect(compared).toBeGreaterThan(5000);
    // A sample in ten thousand may lie beyond a threshold that the samples looked at do not reach.
    expect(off / compared).toBeLessThan(1e-4);
  });
  it("most of them are: a machine is brought into its setups less than half as often", () => {
    const machine = machineNamed("ramsgrat-ct-60");
    const dictionary = FaultDictionary.of(machine, ORDINARY_METER);
    dictionary.build();
    const all = machine.file.setups.length * dictionary.logWeights.reduce((sum, w) => sum + w.length, 0);
    expect(dictionary.broughtAbout).toBeLessThan(all / 2);
  });
});
