import { describe, expect, it } from "vitest";
import { advise } from "../../../../src/core/diagnose/advice/advise";
import type { Evidence } from "../../../../src/core/diagnose/evidence/evidence";
import { expressible } from "../../../../src/core/diagnose/advice/expressible";
import { variantOf, ChangeError } from "../../../../src/core/model/as-found";
import { ORDINARY_METER } from "../../../../src/core/instrument/meter";
import { makeTest } from "../../../../src/core/simulate/test";
import type { PartEntry } from "../../../../src/core/model/schema";
import { FLEET, machineNamed } from "../../../support/fleet";
import { FaultDictionary } from "../../../../src/core/diagnose/dictionary/fault-dictionary";

/** The first machine of the fleet with a part that can be seen and that can be taken out of it. */
function found() {
  for (const name of FLEET) {
    const machine = machineNamed(name);
    for (const { id } of machine.file.parts as PartEntry[])
      try {
        const part = machine.partById.get(id)!;
        const without = variantOf(machine.file, [{ change: "taken out", part: id, bridged: false }]);
        if (part.labels) return { machine, part, without };
      } catch (error) {
        if (!(error instanceof ChangeError)) throw error;
      }
  }
  throw new Error("no machine of the fleet has such a part");
}

const { machine, part, without } = found();
const { file } = machine;
const complaint = file.complaints[0]!;

describe("evidence that a later change of the unit can no longer express", () => {
  const look: Evidence = {
    type: "reading",
    id: "look",
    test: makeTest(complaint.setup, "look", part.id),
    shown: { kind: "label", label: part.labels![0]! },
  };
  const evidence: Evidence[] = [
    { type: "complaint", id: "complaint", complaint: complaint.id },
    look,
    { type: "alone", id: "alone", part: part.id, found: "bad" },
  ];

  it("is set aside with a sentence, and comes back when the change is struck out", () => {
    const { kept, aside } = expressible(without, evidence);
    expect(kept.map((e) => e.id)).toEqual(["complaint"]);
    expect(aside.map((a) => a.id)).toEqual(["look", "alone"]);
    for (const { sentence } of aside) {
      expect(sentence).toContain(part.id);
      expect(sentence).not.toContain("logged");
    }
    expect(expressible(machine, evidence)).toEqual({ kept: evidence, aside: [] });
  });

  it("never stops the search", () => {
    const dictionary = FaultDictionary.of(without, ORDINARY_METER);
    dictionary.build();
    const unitState = { setup: complaint.setup, openPanels: new Set<string>() };
    expect(() => advise(dictionary, expressible(without, evidence).kept, unitState)).not.toThrow();
  });

  it("is judged kind by kind", () => {
    const strange: Evidence[] = [
      { type: "complaint", id: "c", complaint: "sings" },
      { type: "compared", id: "p", sees: [{ setup: "nowhere", part: part.id, label: "x" }] },
      { type: "timed", id: "t", setup: "nowhere", part: part.id, label: "x", seconds: 3, watched: 3 },
      { type: "answer", id: "a", first: "why", answer: "yes" },
      { type: "sign", id: "s", part: part.id, sign: "sings", there: true },
      { type: "tried", id: "r", assembly: "wing", result: "gone" },
      { type: "surroundings", id: "u", celsius: 20 },
    ];
    expect(expressible(machine, strange).aside.map((a) => a.id)).toEqual(["c", "p", "t", "a", "s", "r"]);
  });
});
