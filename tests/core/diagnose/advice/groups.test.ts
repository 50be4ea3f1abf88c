import { describe, expect, it } from "vitest";
import { ORDINARY_METER } from "../../../../src/core/instrument/meter";
import { readMachineYaml } from "../../../../src/core/model/file/machine-yaml";
import { codeOdds, setupShowing } from "../../../../src/core/diagnose/advice/code-odds";
import { costOf, type UnitState } from "../../../../src/core/diagnose/planning/cost";
import { coverageOf } from "../../../../src/core/diagnose/advice/coverage";
import { faultGroups } from "../../../../src/core/diagnose/advice/groups";
import { answerLikelihood } from "../../../../src/core/diagnose/evidence/simple-causes";
import {
  faultName,
  faultsOf,
  hypothesesOf,
  assembliesOf,
  type Hypothesis,
} from "../../../../src/core/diagnose/hypotheses/hypothesis";
import { compileMachine } from "../../../../src/core/model/compile/compile";
import { makeTest } from "../../../../src/core/simulate/test";
import { machineNamed } from "../../../support/fleet";
import { KETTLE } from "../../../support/kettle";
import { FaultDictionary } from "../../../../src/core/diagnose/dictionary/fault-dictionary";

/** Fuse, joint and switch in series; nothing can be reached between them. */
const CHAIN = KETTLE.replace("at: { a: L, b: heat } }", "at: { a: L, b: mid } }")
  .replace(
    "  - { id: heater, kind: heater",
    "  - { id: R1, kind: resistor, name: Joint, piece: switch, ohms: 0.05, at: { a: mid, b: late } }\n  - { id: S1, kind: switch, name: Switch, piece: switch, rests: closed, at: { a: late, b: heat } }\n  - { id: heater, kind: heater",
  )
  .replace(
    "  - { id: heater, name: Heater,",
    "  - { id: switch, name: Switch, repair: Replace, minutes: 8, price: 6 }\n  - { id: heater, name: Heater,",
  );
const built = (text: string) => {
  const dictionary = FaultDictionary.of(readMachineYaml(text, "kettle.yaml").machine, ORDINARY_METER);
  dictionary.build();
  return dictionary;
};
const dictionary = built(CHAIN);

describe("faults that nothing tells apart", () => {
  it("are grouped by name, the groups too; who shows nowhere stands with a sound machine", () => {
    const groups = faultGroups(dictionary);
    for (const g of groups) expect([...g]).toEqual([...g].sort());
    expect(groups.map((g) => g[0])).toEqual(groups.map((g) => g[0]!).sort());
    expect(groups.find((g) => g.includes("F1:blown"))).toEqual(["F1:blown", "R1:open", "S1:stuck-open"]);
    expect(groups.find((g) => g.includes("no-fault"))).toContain("S1:stuck-closed");
  });
  it("would be told apart by a point between them; each net by the pairs that it tells apart, the best first", () => {
    const { helpfulPoints, together, silent } = coverageOf(dictionary);
    expect(together.map((g) => g.map((f) => f.id))).toContainEqual(["F1:blown", "R1:open", "S1:stuck-open"]);
    expect(silent.map((f) => f.id)).toContain("S1:stuck-closed");
    // From `mid` the fuse is known from the other two, from `late` the switch: two pairs each. What shows nowhere is
    // told by neither.
    expect(helpfulPoints).toEqual([
      { net: "late", pairs: 2 },
      { net: "mid", pairs: 2 },
    ]);
  });
  it("where a net tells more it comes first, and one that tells nothing is not named", () => {
    // One more joint in front of the fuse, with a net of its own: four in a row. The middle tells four pairs, the
    // ends three.
    const four = built(
      CHAIN.replace("at: { a: L, b: mid } }", "at: { a: first, b: mid } }").replace(
        "  - { id: R1, kind",
        "  - { id: R0, kind: resistor, name: First joint, piece: fuse, ohms: 0.05, at: { a: L, b: first } }\n  - { id: R1, kind",
      ),
    );
    expect(coverageOf(four).helpfulPoints).toEqual([
      { net: "mid", pairs: 4 },
      { net: "first", pairs: 3 },
      { net: "late", pairs: 3 },
    ]);
    // A machine in which every net has its point.
    expect(coverageOf(built(KETTLE)).helpfulPoints).toEqual([]);
  });
});

describe("what may be true", () => {
  const causes = built(`${CHAIN}causes:\n  - { part: R1, mode: open, then: { part: F1, mode: blown }, share: 0.25 }\n`);
  it("a cause is of its own part, not of another that fails in a way of the same name", () => {
    const led = causes.hypotheses.filter((h) => h.kind === "fault" && h.led.length > 0).map((h) => h.id);
    expect(led).toEqual(["R1:open>F1:blown"]);
    expect(causes.machine.partById.get("heater")!.modes.map((m) => m.id)).toContain("open");
  });
  it("every way of failing has its own words; what is no fault has one piece to name", () => {
    for (const part of causes.machine.parts) {
      const names = part.modes.map((m) => faultName(causes.machine, { part: part.id, mode: m.id }));
      expect(names).toEqual(part.modes.map((m) => `${part.name}: ${m.words}`));
    }
    const [none, other] = [causes.hypotheses[0]!, causes.hypotheses.at(-1)!];
    expect([assembliesOf(causes.machine, none), assembliesOf(causes.machine, other)]).toEqual([
      ["no-fault"],
      ["something-else"],
    ]);
    expect([faultsOf(causes.machine, none), faultsOf(causes.machine, other)]).toEqual([[], []]);
  });
  it("of two faults one is enough for an answer to be about it", () => {
    const { machine } = readMachineYaml(
      `${KETTLE}firsts:\n  - { id: outlet, ask: "Does another appliance run?", cause: "no", then: Hand over., minutes: 2, parts: [outlet] }\n`,
      "kettle.yaml",
    );
    const two: Hypothesis = {
      kind: "two faults",
      id: "x",
      faults: [
        { part: "heater", mode: "open" },
        { part: "outlet", mode: "dead" },
      ],
      assemblies: ["heater", "house"],
      assembly: "heater+house",
      prior: 0,
    };
    expect(answerLikelihood(machine, "cold", machine.file.firsts[0]!, "no", two)).toBeCloseTo(0.95, 12);
    expect(hypothesesOf(machine).length).toBeGreaterThan(2);
  });
});

describe("a thing that is shown", () => {
  const lamp = CHAIN.replace(
    "at: { a: heat, b: N, case: body } }\n",
    "at: { a: heat, b: N, case: body } }\n  - { id: lamp, kind: lamp, name: Lamp, piece: heater, volts: 120, watts: 1, current: ac, at: { a: heat, b: N } }\n",
  );
  it("is looked for with power on only; a table that blames nothing has no odds to give, one that blames an assembly has those of the piece", () => {
    const first = built(
      lamp.replace("setups:\n", 'setups:\n  - { id: "before", name: Unplugged, power: "off", how: Pull the plug. }\n'),
    );
    expect(setupShowing(first, { part: "lamp", label: "dark" })).toBe("on");
    const shown = { part: "lamp", label: "dark" };
    expect(codeOdds(first, [], "on", { ...shown, blames: null }).blamed).toBeNull();
    const { blamed, suspects } = codeOdds(first, [], "on", { ...shown, blames: "fuse" });
    expect(blamed).toBe(suspects.find((s) => s.assembly === "fuse")!.probability);
    expect(codeOdds(first, [], "on", { ...shown, blames: "no such piece" }).blamed).toBe(0);
  });
});

describe("what is done on the way to a test", () => {
  const steps = (name: string, from: string, to: string) => {
    const machine = machineNamed(name);
    const lookable = machine.parts.find((p) => p.labels)!;
    const now: UnitState = { setup: from, openPanels: new Set(machine.file.panels.map((p) => p.id)) };
    return costOf(machine, now, makeTest(to, "look", lookable.id)).steps;
  };
  it("is said by the kind of its feed: a plug, a battery, or every source by name", () => {
    expect(steps("kaldruun-uc-80", "calling", "unplugged")).toContain("Pull the plug");
    expect(steps("kaldruun-uc-80", "unplugged", "calling")).toContain("Place the leads, then plug in");
    const battery = machineNamed("tannrast-ft-20");
    const [on, off] = [
      battery.file.setups.find((s) => s.power === "on")!.id,
      battery.file.setups.find((s) => s.power === "off" && s.feeds.length === 0)!.id,
    ];
    expect(steps("tannrast-ft-20", on, off)).toContain("Take the battery off");
    expect(steps("tannrast-ft-20", off, on)).toContain("Place the leads, then power on");
    const two = machineNamed("pfellmar-co-12");
    const [live, dead] = [
      two.file.setups.find((s) => s.power === "on")!.id,
      two.file.setups.find((s) => s.power === "off" && s.feeds.length === 0)!.id,
    ];
    expect(steps("pfellmar-co-12", live, dead)).toContainEqual(
      expect.stringMatching(
        new RegExp(`^Every source off: ${two.sources.map((s) => `${s.name.toLowerCase()} \\([a-z ]+\\)`).join(", ")}$`),
      ),
    );
    expect(steps("pfellmar-co-12", dead, live)).toContain("Place the leads, then power on");
    expect(compileMachine(two.file).sources.length).toBeGreaterThan(1);
  });
});
