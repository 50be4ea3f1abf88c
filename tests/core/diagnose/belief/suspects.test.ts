import { describe, expect, it } from "vitest";
import { ORDINARY_METER } from "../../../../src/core/instrument/meter";
import { readMachineYaml } from "../../../../src/core/model/file/machine-yaml";
import type { Evidence } from "../../../../src/core/diagnose/evidence/evidence";
import { hypothesisName } from "../../../../src/core/diagnose/hypotheses/hypothesis";
import { historyOf, reasonsFor } from "../../../../src/core/diagnose/advice/reasons";
import {
  clearedParts,
  likeliness,
  partDoubt,
  assemblySuspects,
  repairsOf,
} from "../../../../src/core/diagnose/belief/suspects";
import { makeTest, testKey } from "../../../../src/core/simulate/test";
import { KETTLE } from "../../../support/kettle";
import { FaultDictionary } from "../../../../src/core/diagnose/dictionary/fault-dictionary";
import { believe } from "../../../../src/core/diagnose/belief/beliefs";

const built = () => {
  const dictionary = FaultDictionary.of(readMachineYaml(KETTLE, "kettle.yaml").machine, ORDINARY_METER);
  dictionary.build();
  return dictionary;
};
const [fed, gone, element] = [
  makeTest("on", "acv", "in-L", "in-N"),
  makeTest("on", "acv", "out-L", "in-N"),
  makeTest("off", "ohms", "out-L", "in-N"),
];
const complaint: Evidence = { type: "complaint", id: "c", complaint: "cold" };
const volts = (id: string, test: typeof fed, value: number): Evidence => ({
  type: "reading",
  id,
  test,
  shown: { kind: "value", value },
});

describe("how sure", () => {
  it("is said in a word: likely from a half, possible from eight in a hundred", () => {
    expect([1, 0.5, 0.49, 0.08, 0.079, 0].map(likeliness)).toEqual([
      "likely",
      "likely",
      "possible",
      "possible",
      "unlikely",
      "unlikely",
    ]);
  });
});

describe("the suspects", () => {
  it("are the assemblies still possible, each with its faults, likeliest first; an assembly has what its faults add up to", () => {
    const dictionary = built();
    for (const evidence of [[complaint], [complaint, volts("a", fed, 119)], [complaint, volts("a", gone, 0)]]) {
      const beliefs = believe(dictionary, evidence);
      const suspects = assemblySuspects(dictionary, beliefs);
      const share = (assembly: string) =>
        dictionary.hypotheses.reduce((sum, h, i) => sum + (h.assembly === assembly ? beliefs.probability[i]! : 0), 0);
      const assemblies = [...new Set(dictionary.hypotheses.map((h) => h.assembly))];
      expect(suspects.map((s) => s.assembly)).toEqual(
        assemblies.filter((p) => share(p) >= 0.005).sort((a, b) => share(b) - share(a) || (a < b ? -1 : 1)),
      );
      for (const s of suspects) {
        expect(s.probability).toBeCloseTo(share(s.assembly), 12);
        expect(s.word).toBe(likeliness(s.probability));
        const own = dictionary.hypotheses
          .map((h, i) => ({ h, p: beliefs.probability[i]! }))
          .filter(({ h, p }) => h.assembly === s.assembly && p >= 0.001)
          .sort((a, b) => b.p - a.p);
        expect(s.faults.map((f) => f.probability)).toEqual(own.map(({ p }) => p));
        expect(new Set(s.faults.map((f) => f.id))).toEqual(new Set(own.map(({ h }) => h.id)));
        for (const f of s.faults)
          expect(f.name).toBe(
            hypothesisName(
              dictionary.machine,
              dictionary.hypotheses.find((h) => h.id === f.id)!,
            ),
          );
      }
    }
  });
  it("after a repair what two hypotheses leave alike is one, with what both had", () => {
    const dictionary = built();
    const evidence: Evidence[] = [complaint, { type: "tried", id: "t", assembly: "heater", result: "gone" }];
    expect(repairsOf(evidence)).toEqual([{ assembly: "heater", result: "gone" }]);
    const beliefs = believe(dictionary, evidence);
    const sound = assemblySuspects(dictionary, beliefs, repairsOf(evidence)).find((s) => s.assembly === "no-fault")!;
    const both = dictionary.hypotheses.reduce(
      (sum, h, i) => sum + (h.kind === "no fault" || h.assembly === "heater" ? beliefs.probability[i]! : 0),
      0,
    );
    expect(sound.probability).toBeCloseTo(both, 12);
    expect(sound.faults[0]!.probability).toBeCloseTo(both, 12);
  });
});

describe("what is cleared", () => {
  it("is every part that evidence has made nearly impossible, in file order, by what spoke most against each of its faults", () => {
    const dictionary = built();
    const evidence = [complaint, volts("a", fed, 119), volts("b", gone, 119), volts("e", element, 9.6)];
    const beliefs = believe(dictionary, evidence);
    const doubt = partDoubt(dictionary, beliefs);
    const cleared = clearedParts(dictionary, beliefs);
    const prior = (part: string) =>
      dictionary.hypotheses.reduce((sum, h) => sum + (h.kind === "fault" && h.fault.part === part ? h.prior : 0), 0);
    expect(cleared.map((c) => c.part)).toEqual(
      dictionary.machine.parts
        .filter((p) => p.modes.length > 0 && (doubt[p.id] ?? 0) < Math.min(0.005, prior(p.id) / 2))
        .map((p) => p.id),
    );
    expect(cleared.length).toBeGreaterThan(0);
    for (const c of cleared) {
      const wanted = new Set(
        dictionary.hypotheses.flatMap((h, i) => {
          if (h.kind !== "fault" || h.fault.part !== c.part) return [];
          const against = [...beliefs.byEvidence]
            .map(([id, log]) => ({ id, x: log[i]! - Math.max(...log) }))
            .filter(({ x }) => x < -0.5)
            .sort((x, y) => x.x - y.x);
          return against.slice(0, 1).map(({ id }) => id);
        }),
      );
      expect(new Set(c.by), c.part).toEqual(wanted);
      expect(c.name).toBe(dictionary.machine.partById.get(c.part)!.name);
    }
    expect(clearedParts(dictionary, believe(dictionary, []))).toEqual([]);
  });
});

describe("the reasons and the history", () => {
  it("what speaks against an assembly is held against the way in which it usually fails, what speaks for it against what it is thought to be now", () => {
    const dictionary = built();
    const evidence = [complaint, volts("a", gone, 119)];
    const beliefs = believe(dictionary, evidence);
    const reasons = ["heater", "fuse", "cord", "house"].flatMap((assembly) =>
      reasonsFor(dictionary, evidence, beliefs, assembly).map((r) => ({ assembly, ...r })),
    );
    expect(new Set(reasons.map((r) => r.side))).toEqual(new Set(["for", "against"]));
    for (const r of reasons) expect(Math.abs(r.bits)).toBeGreaterThanOrEqual(0.4);
    // A blown fuse would leave nothing behind it but what the meter adds.
    expect(reasons.find((r) => r.assembly === "fuse")).toMatchObject({ side: "against", wouldShow: "0 to 0.90 V" });
    const step = historyOf(dictionary, evidence).steps;
    expect(step.map((s) => s.test)).toEqual([null, testKey(gone)]);
  });
});
