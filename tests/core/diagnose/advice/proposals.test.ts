import { built } from "../../../support/built";
import { bindProofs } from "../../../../src/core/diagnose/advice/binding-proofs";
import { describe, expect, it } from "vitest";
import { ORDINARY_METER } from "../../../../src/core/instrument/meter";
import { readMachineYaml } from "../../../../src/core/model/file/machine-yaml";
import { advise, type Advice } from "../../../../src/core/diagnose/advice/advise";
import type { UnitState } from "../../../../src/core/diagnose/planning/cost";
import type { Evidence } from "../../../../src/core/diagnose/evidence/evidence";
import { ALL_EQUIPMENT, type Equipment } from "../../../../src/core/diagnose/planning/equipment";
import { outcomeWords, windowWords } from "../../../../src/core/diagnose/advice/test-sheet";
import type { Fault } from "../../../../src/core/model/fault";
import { Simulator } from "../../../../src/core/simulate/energise";
import { observe } from "../../../../src/core/simulate/observe";
import { makeTest, testKey } from "../../../../src/core/simulate/test";
import { nominalValues } from "../../../../src/core/simulate/values";
import { KETTLE } from "../../../support/kettle";
import { FaultDictionary } from "../../../../src/core/diagnose/dictionary/fault-dictionary";
import { involvement, believe } from "../../../../src/core/diagnose/belief/beliefs";

// Fuse and switch in series with no point between: nothing tells them apart. A switch that is stuck closed shows
// nowhere.
const { machine } = readMachineYaml(
  `${KETTLE.replace("at: { a: L, b: heat } }", "at: { a: L, b: mid } }")
    .replace(
      "  - { id: heater, kind: heater",
      "  - { id: S1, kind: switch, name: Switch, piece: switch, rests: closed, at: { a: mid, b: heat } }\n  - { id: heater, kind: heater",
    )
    .replace(
      "  - { id: heater, name: Heater,",
      "  - { id: switch, name: Switch, repair: Replace, minutes: 8, price: 6 }\n  - { id: heater, name: Heater,",
    )}
firsts:
  - { id: outlet, ask: "Does another appliance run at this outlet?", cause: "no", then: "Hand over.", minutes: 2, parts: [outlet] }
  - { id: empty, ask: "Is it empty?", cause: "yes", then: "Fill it and try it.", minutes: 0.5, odds: 30, complaints: [cold] }
`,
  "kettle.yaml",
);
const dictionary = built(machine);
const simulator = new Simulator(machine);
const complaint: Evidence = { type: "complaint", id: "c", complaint: "cold" };

/** What a unit with these faults shows. */
function reading(id: string, test: ReturnType<typeof makeTest>, faults: readonly Fault[]): Evidence {
  return {
    type: "reading",
    id,
    test,
    shown: observe(
      simulator,
      simulator.energise(machine.setupById.get(test.setup)!, faults, nominalValues(machine)),
      test,
      ORDINARY_METER,
    ),
  };
}

/** The advice at each step of a search on a unit with these faults, to its end. */
function course(
  faults: readonly Fault[],
  equipment: Equipment = ALL_EQUIPMENT,
): { readonly steps: readonly Advice[]; readonly evidence: readonly Evidence[] } {
  const evidence: Evidence[] = [complaint];
  const steps: Advice[] = [];
  let unitState: UnitState = { setup: "on", openPanels: new Set<string>(), equipment };
  for (let k = 0; k < 20; k++) {
    const advice = advise(dictionary, evidence, unitState);
    steps.push(advice);
    if (!advice.next) break;
    evidence.push(reading(`r${k}`, advice.next.test, faults));
    unitState = { ...unitState, setup: advice.next.test.setup };
  }
  return { steps, evidence };
}

/** A search that ends with one assembly after a reading was made again, and that assembly. */
function hinging() {
  for (const part of machine.parts)
    for (const mode of part.modes) {
      const { steps, evidence } = course([{ part: part.id, mode: mode.id }]);
      if (steps.at(-1)!.stop?.kind === "found" && steps.some((s) => s.next?.why.includes("rests on this one reading")))
        return { steps, evidence, assembly: part.assembly };
    }
  throw new Error("no search hangs on one reading");
}

describe("how a search ends", () => {
  it("with the assembly, once every reading on which all hangs was made a second time", () => {
    const { steps, evidence, assembly } = hinging();
    expect(steps.at(-1)!.stop).toMatchObject({ kind: "found", assemblies: [assembly] });
    const again = steps.findIndex((s) => s.next?.why.includes("rests on this one reading"));
    expect(again).toBeGreaterThan(0);
    const made = steps.flatMap((s) => (s.next ? [testKey(s.next.test)] : []));
    // From there on nothing new is asked, and twice is enough of each.
    expect(made.slice(again).every((key) => made.slice(0, again).includes(key))).toBe(true);
    for (const key of made) expect(made.filter((k) => k === key).length).toBeLessThanOrEqual(2);
    expect(steps[again]!.stop).toBeNull();
    // Whoever may not make it again is not asked to.
    const live = makeTest("on", "acv", "out-L", "in-N");
    const alone = [complaint, reading("a", live, [{ part: "heater", mode: "open" }])];
    const barred = advise(dictionary, alone, {
      setup: "on",
      openPanels: new Set(),
      equipment: { ...ALL_EQUIPMENT, live: false },
    });
    expect(barred.next === null || testKey(barred.next.test) !== testKey(live)).toBe(true);
    expect(evidence.length).toBe(steps.length);
  });
  it("with a group and what to do about it, where nothing tells the rest apart", () => {
    const fuse = [{ part: "F1", mode: "blown" }];
    expect(course(fuse).steps.at(-1)!.stop).toEqual({
      kind: "group",
      assemblies: ["fuse", "switch"],
      sentence: "No safe test tells these apart: Fuse, Switch. Start with the one that is cheapest to prove.",
    });
    for (const equipment of [
      { ...ALL_EQUIPMENT, live: false },
      { ...ALL_EQUIPMENT, clamp: false },
      { ...ALL_EQUIPMENT, dcClamp: false },
    ])
      expect(course(fuse, equipment).steps.at(-1)!.stop!.sentence).toBe(
        "None of the tests you can make tells these apart: Fuse, Switch. Hand over to someone who may measure live, or has the clamp.",
      );
  });
  it("with a sound machine, and what would show nothing in any test", () => {
    const { steps } = course([]);
    expect(steps.at(-1)!.stop).toEqual({
      kind: "group",
      assemblies: ["switch"],
      sentence: "Every reading is as a good machine shows it. No safe test would show: Switch.",
    });
    // With less than all means it is not known to be sound.
    expect(course([], { ...ALL_EQUIPMENT, live: false }).steps.at(-1)!.stop!.sentence).toMatch(
      /^None of the tests you can make tells these apart: .*Switch.*nothing wrong\. Hand over/,
    );
  });
  it("at a simple cause before anything is measured; the last answer stands, and what lies in the model is searched for", () => {
    const answer = (id: string, first: string, yes: "yes" | "no"): Evidence =>
      ({ type: "answer", id, complaint: "cold", first, answer: yes }) as Evidence;
    const at = (evidence: Evidence[]) =>
      advise(dictionary, [complaint, ...evidence], { setup: "on", openPanels: new Set() });
    expect(at([answer("a", "empty", "yes")])).toMatchObject({
      next: null,
      attempt: null,
      stop: { kind: "simple cause", assemblies: [], sentence: "Fill it and try it." },
    });
    expect(at([answer("a", "empty", "yes"), answer("b", "empty", "no")]).stop).toBeNull();
    expect(at([answer("a", "empty", "no"), answer("b", "empty", "yes")]).stop?.kind).toBe("simple cause");
    expect(at([answer("a", "outlet", "no")]).stop).toBeNull();
  });
  it("when the complaint went with a repair, and not when it stayed", () => {
    const tried = (result: "gone" | "stays"): Evidence => ({ type: "tried", id: "t", assembly: "heater", result });
    const at = (result: "gone" | "stays") =>
      advise(dictionary, [complaint, tried(result)], { setup: "on", openPanels: new Set() });
    expect(at("gone")).toMatchObject({
      next: null,
      attempt: null,
      stop: {
        kind: "mended",
        assemblies: ["heater"],
        sentence: "This repair cured the complaint: heater. Prove the repair, then close with the diagnosis.",
      },
    });
    expect(at("stays").stop).toBeNull();
    expect(at("stays").next).not.toBeNull();
  });
});

describe("beside the test that is proposed", () => {
  it("stand others, what each would cost more, and never the same one", () => {
    for (const advice of course(
      [{ part: "cord", mode: "line-open" }].filter((f) =>
        machine.partById.get(f.part)!.modes.some((m) => m.id === f.mode),
      ),
    ).steps) {
      if (!advice.next) continue;
      expect(advice.alternatives.length).toBeLessThanOrEqual(3);
      for (const a of advice.alternatives) {
        expect(testKey(a.test.test)).not.toBe(testKey(advice.next.test));
        expect(a.title.length).toBeGreaterThan(3);
        expect(Number.isFinite(a.more)).toBe(true);
      }
    }
  });
  it("a reading that fits nothing is made again first, the cheapest of them, and only by who may make it", () => {
    const [live, dead] = [makeTest("on", "acv", "in-L", "in-N"), makeTest("off", "ohms", "out-L", "in-N")];
    const odd = (id: string, test: typeof live, value: number): Evidence => ({
      type: "reading",
      id,
      test,
      shown: { kind: "value", value },
    });
    const strange = [complaint, odd("a", live, 411), odd("b", dead, 777e3)];
    const at = (evidence: readonly Evidence[], setup: string, equipment = ALL_EQUIPMENT) =>
      advise(dictionary, evidence, { setup, openPanels: new Set(), equipment }).next;
    expect(at(strange, "off")).toMatchObject({ test: dead });
    expect(at(strange, "off")!.why).toContain("fits no remaining suspect");
    expect(testKey(at([complaint, odd("a", live, 411)], "on")!.test)).toBe(testKey(live));
    expect(
      testKey(at([complaint, odd("a", live, 411)], "on", { ...ALL_EQUIPMENT, live: false })?.test ?? dead),
    ).not.toBe(testKey(live));
    // Made again with the same result it is confirmed, and not asked for a third time.
    expect(at([complaint, odd("a", live, 411), odd("a2", live, 411)], "on")?.why ?? "").not.toContain("fits nothing");
  });
});

describe("results in words", () => {
  it("say where they lie: near a value, between two, above, below, negative, or anything but an overload", () => {
    const value = (low: number, high: number, centre: number | null = null) =>
      ({ kind: "value", low, high, centre }) as const;
    expect(outcomeWords(value(11, 14, 12.8), "dcv")).toBe("near 12.8 V");
    expect(outcomeWords(value(-Infinity, 0.2), "dcv")).toBe("near 0");
    expect(outcomeWords(value(-0.1, 0.1, 0), "dcv")).toBe("near 0");
    expect(outcomeWords(value(-Infinity, -5), "dcv")).toBe("below -5.00 V");
    expect(outcomeWords(value(-12, -5), "dcv")).toBe("-12.0 V to -5.00 V");
    expect(outcomeWords(value(5, 9), "dcv")).toBe("5.00 V to 9.00 V");
    expect(outcomeWords(value(14, Infinity), "dcv")).toBe("above 14.0 V");
    expect(outcomeWords(value(-Infinity, 9), "dcv")).toBe("below 9.00 V");
    expect(outcomeWords(value(-Infinity, Infinity), "ohms")).toBe("any value");
    expect(outcomeWords(value(0, 1, 0.4), "ohms")).toBe("near 0 Ω");
    expect(
      [{ kind: "overload" }, { kind: "jumping" }, { kind: "beep", beeps: true }, { kind: "beep", beeps: false }].map(
        (o) => outcomeWords(o as Parameters<typeof outcomeWords>[0], "ohms"),
      ),
    ).toEqual(["OL", "unstable reading", "beeps", "no beep"]);
  });
  it("a window is near nothing, a range, or what it is called", () => {
    const range = (low: number, high: number) => ({ kind: "range", low, high }) as const;
    expect(windowWords(range(0, 0.4), "dcv")).toBe("near 0 V");
    expect(windowWords(range(-0.1, 0.4), "ohms")).toBe("near 0 Ω");
    expect(windowWords(range(0, 1.4), "ohms")).toBe("below 1.4 Ω");
    expect(windowWords(range(0.1, 0.6), "dcv")).toMatch(/^0\.1\d* to 0\.6\d* V$/);
    expect(windowWords(range(12.5, 13.8), "dcv")).toBe("12.5 to 13.8 V");
    expect(
      [{ kind: "overload" }, { kind: "unsteady" }, { kind: "beep", beeps: true }, { kind: "beep", beeps: false }].map(
        (w) => windowWords(w as Parameters<typeof windowWords>[0], "ohms"),
      ),
    ).toEqual(["OL", "not steady", "beeps", "no beep"]);
  });
});

describe("the reading on which all hangs", () => {
  it("is the one without which least is left of what was found: by leaving each out in turn", () => {
    const { steps, evidence, assembly } = hinging();
    const k = steps.findIndex((step) => step.next?.why.includes("rests on this one reading"));
    const known = evidence.slice(0, k + 1);
    const without = known
      .filter((e) => e.type === "reading")
      .map((e) => ({
        e,
        left: involvement(
          dictionary,
          believe(
            dictionary,
            known.filter((x) => x !== e),
          ).probability,
        ).get(assembly)!,
      }));
    const least = without.reduce((a, b) => (b.left < a.left ? b : a));
    expect(least.left).toBeLessThan(0.5);
    expect(least.e.type === "reading" && testKey(least.e.test)).toBe(testKey(steps[k]!.next!.test));
  });
});

describe("before a board is blamed", () => {
  // The heater as a board, with two things that have to be seen first; each can be shown in two ways.
  const proofs =
    '[{ of: feed, words: Line reaches it, shows: good, any: [{ setup: "on", function: acv, red: out-L, black: plug-neutral }, { setup: "off", function: ohms, red: plug-line, black: out-L }] }, { of: output, words: It is open itself, shows: bad, any: [{ setup: "off", function: ohms, red: out-L, black: in-N }] }]';
  const boarded = readMachineYaml(
    KETTLE.replace(
      "repair: Replace, minutes: 20, price: 20 }",
      `repair: Replace, minutes: 20, price: 20, board: yes, proofs: ${proofs} }`,
    ),
    "kettle.yaml",
  ).machine;
  const own = FaultDictionary.of(boarded, ORDINARY_METER);
  own.build();
  const [live, dead] = [makeTest("on", "acv", "out-L", "plug-neutral"), makeTest("off", "ohms", "plug-line", "out-L")];
  const shown = (
    id: string,
    test: typeof live,
    faults: readonly Fault[] = [{ part: "heater", mode: "open" }],
  ): Evidence => {
    const unit = new Simulator(boarded);
    return {
      type: "reading",
      id,
      test,
      shown: observe(
        unit,
        unit.energise(boarded.setupById.get(test.setup)!, faults, nominalValues(boarded)),
        test,
        ORDINARY_METER,
      ),
    };
  };
  const at = (evidence: readonly Evidence[], equipment: Equipment = ALL_EQUIPMENT) =>
    advise(own, [complaint, ...evidence], { setup: "off", openPanels: new Set(), equipment });
  /** Everything that is asked on the way to the board, and how it ends. */
  const evidence: Evidence[] = [];
  const asked: Advice[] = [];
  for (let k = 0; k < 20; k++) {
    const advice = at(evidence);
    asked.push(advice);
    if (!advice.next) break;
    evidence.push(shown(`r${k}`, advice.next.test));
  }
  const proving = asked.filter((a) => a.next !== null && a.next.proves !== null);

  it("what the search has shown or implied is not asked for again, and says by what", () => {
    const end = asked.at(-1)!;
    expect(end.stop).toMatchObject({ kind: "found", assemblies: ["heater"] });
    expect(proving).toEqual([]);
    expect(end.proofs.map((p) => p.of)).toEqual(["feed", "output"]);
    const ids = evidence.map((e) => e.id);
    for (const p of end.proofs) {
      expect(["shown", "implied"]).toContain(p.state);
      expect(ids).toContain(p.by ?? p.impliedBy);
      if (p.state === "implied") expect(p.because).toMatch(/^implied by ohms/);
    }
    // A tenth of a per cent from every reading, or a reading of its own: nothing else is known of the board's feed.
    expect(end.suspects[0]!.probability).toBeGreaterThan(0.995);
  });
  it("what is unproven is asked for, dead rather than live; the live way counts as well as the dead one", () => {
    // The element was found open, twice, and nothing else was measured.
    const open = makeTest("off", "ohms", "out-L", "in-N");
    const known = [shown("a", open), shown("b", open)];
    // One test speaks for it: another is asked for before anything is called.
    expect(at(known).stop).toBeNull();
    expect(at(known).next!.proves).toBeNull();
    expect(at(known).next!.why).toContain("A second one, of something else");
    const all: readonly Evidence[] = [complaint, ...known];
    const here = { setup: "off", openPanels: new Set<string>() };
    const owed = bindProofs(own, believe(own, all), here, all, "heater").find((p) => p.of === "feed")!;
    expect([owed.state, owed.test?.test]).toEqual(["open", dead]);
    const feedBy = (way: typeof live) => at([...known, shown("x", way)]).proofs.find((p) => p.of === "feed")!;
    expect(feedBy(live)).toMatchObject({ state: "shown", by: "x" });
    expect(feedBy(dead)).toMatchObject({ state: "shown", by: "x" });
  });
});

describe("what was found with what it has taken along", () => {
  const led = readMachineYaml(
    `${KETTLE}causes:\n  - { part: heater, mode: to-case, then: { part: F1, mode: blown }, share: 0.6 }\n`,
    "kettle.yaml",
  ).machine;
  const own = FaultDictionary.of(led, ORDINARY_METER);
  own.build();
  it("names both, the cause first", () => {
    const unit = new Simulator(led);
    const both: readonly Fault[] = [
      { part: "heater", mode: "to-case" },
      { part: "F1", mode: "blown" },
    ];
    const evidence: Evidence[] = [complaint];
    let unitState: UnitState = { setup: "on", openPanels: new Set<string>() };
    let advice = advise(own, evidence, unitState);
    for (let k = 0; k < 15 && advice.next; k++) {
      const { test } = advice.next;
      evidence.push({
        type: "reading",
        id: `r${k}`,
        test,
        shown: observe(
          unit,
          unit.energise(led.setupById.get(test.setup)!, both, nominalValues(led)),
          test,
          ORDINARY_METER,
        ),
      });
      unitState = { ...unitState, setup: test.setup };
      advice = advise(own, evidence, unitState);
    }
    expect(advice.stop).toMatchObject({ kind: "found", assemblies: ["heater"] });
    expect(advice.stop!.sentence).toContain("It has taken fuse with it; renew both, this first.");
  });
});
