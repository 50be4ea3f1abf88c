import { built } from "../../../support/built";
import { describe, expect, it } from "vitest";
import { ORDINARY_METER } from "../../../../src/core/instrument/meter";
import { readMachineYaml } from "../../../../src/core/model/file/machine-yaml";
import type { Evidence } from "../../../../src/core/diagnose/evidence/evidence";
import { setupShowing } from "../../../../src/core/diagnose/advice/code-odds";
import { coverageOf } from "../../../../src/core/diagnose/advice/coverage";
import {
  answerLikelihood,
  simpleCausesOf,
  isCause,
  isModelled,
  openSimpleCauses,
} from "../../../../src/core/diagnose/evidence/simple-causes";
import { faultGroups } from "../../../../src/core/diagnose/advice/groups";
import {
  blamedAssemblies,
  faultsOf,
  hypothesesOf,
  hypothesisName,
  NO_FAULT_PRIOR,
  assemblyName,
  assembliesOf,
  SOMETHING_ELSE_PRIOR,
  type Hypothesis,
} from "../../../../src/core/diagnose/hypotheses/hypothesis";
import { windowWords } from "../../../../src/core/diagnose/advice/test-sheet";
import { historyOf, reasonsFor } from "../../../../src/core/diagnose/advice/reasons";
import { sameNominal, windowOf } from "../../../../src/core/diagnose/reading/window";
import type { Reading } from "../../../../src/core/quantity/read";
import { Simulator } from "../../../../src/core/simulate/energise";
import { observe } from "../../../../src/core/simulate/observe";
import { makeTest } from "../../../../src/core/simulate/test";
import { nominalValues } from "../../../../src/core/simulate/values";
import { KETTLE } from "../../../support/kettle";
import { believe, involvement } from "../../../../src/core/diagnose/belief/beliefs";

// A kettle with questions, a code table of one lamp, and a heater that takes its fuse with it.
const TEXT = `${KETTLE.replace(
  "at: { a: heat, b: N, case: body } }\n",
  "at: { a: heat, b: N, case: body } }\n  - { id: lamp, kind: lamp, name: Lamp, piece: lamp, volts: 120, watts: 1, current: ac, at: { a: heat, b: N } }\n",
)
  .replace(
    "  - { id: heater, name: Heater, repair: Replace, minutes: 20, price: 20 }",
    "  - { id: heater, name: Heater, repair: Replace, minutes: 20, price: 20 }\n  - { id: lamp, name: Lamp, repair: Replace, minutes: 5, price: 2 }",
  )
  .replace('  - { id: "off", name', '  - { id: later, name: Later, power: "on", how: Wait. }\n  - { id: "off", name')
  .replace(
    '  - { id: cold, words: Stays cold, setup: "on", path: main }',
    '  - { id: cold, words: Stays cold, setup: "on", path: main }\n  - { id: dark, words: Lamp dark, setup: later, path: main, sees: { lamp: dark } }',
  )}
firsts:
  - { id: outlet, ask: "Does another appliance run at this outlet?", cause: "no", then: "Hand over.", minutes: 2, parts: [outlet] }
  - { id: empty, ask: "Is it empty?", cause: "yes", then: "Fill it.", minutes: 0.5, odds: 30, complaints: [cold] }
  - { id: base, ask: "Does it sit on its base?", cause: "no", then: "Seat it.", minutes: 1, odds: 10, complaints: [cold] }
causes:
  - { part: heater, mode: to-case, then: { part: F1, mode: blown }, share: 0.25 }
`;
const { machine } = readMachineYaml(TEXT, "kettle.yaml");
const dictionary = built(machine);
const hypotheses = hypothesesOf(machine);
const volts = (value: number): Reading => ({ kind: "value", value });
const named = (id: string) => hypotheses.find((h) => h.id === id)!;

describe("the questions before anything is opened", () => {
  const [outlet, empty, base] = machine.file.firsts;
  it("belong to their complaint, or to every one", () => {
    expect(simpleCausesOf(machine, "cold").map((f) => f.id)).toEqual(["outlet", "empty", "base"]);
    expect(simpleCausesOf(machine, "dark").map((f) => f.id)).toEqual(["outlet"]);
  });
  it("say by which answer they are the cause, and whether it lies in the model", () => {
    expect([isCause(outlet!, "no"), isCause(outlet!, "yes"), isCause(empty!, "yes"), isCause(base!, "yes")]).toEqual([
      true,
      false,
      true,
      false,
    ]);
    expect([isModelled(outlet!), isModelled(empty!)]).toEqual([true, false]);
  });
  it("an answer about a part speaks for the faults of that part, and the two answers share one certainty", () => {
    const [itsFault, another] = [
      hypotheses.find((h) => h.kind === "fault" && h.fault.part === "outlet")!,
      named("F1:blown"),
    ];
    const of = (first: typeof outlet, answer: "yes" | "no", h: Hypothesis) =>
      answerLikelihood(machine, "cold", first!, answer, h);
    for (const h of hypotheses)
      for (const first of machine.file.firsts) expect(of(first, "yes", h) + of(first, "no", h)).toBeCloseTo(1, 12);
    expect(of(outlet, "no", itsFault)).toBeCloseTo(0.95, 12);
    expect(of(outlet, "no", another)).toBeCloseTo(0.03, 12);
    // What is no part speaks for "nothing wrong": 30 of the 30 + 10 of the file and 10 for what nobody listed.
    expect(of(empty, "yes", named("no-fault"))).toBeCloseTo(30 / 50, 12);
    expect(of(base, "no", named("no-fault"))).toBeCloseTo(10 / 50, 12);
    expect(of(empty, "yes", another)).toBeCloseTo(0.1, 12);
  });
  it("are asked in the order of odds over minutes, the modelled ones by the doubt in their parts, what is answered or hopeless left out", () => {
    const order = (doubt: Record<string, number>, answered: string[] = []) =>
      openSimpleCauses(machine, "cold", new Set(answered), doubt).map((o) => [o.first.id, o.odds, o.score]);
    expect(order({ outlet: 0.5 })).toEqual([
      ["empty", 30, 60],
      ["outlet", 50, 25],
      ["base", 10, 10],
    ]);
    expect(order({ outlet: 0.004 })).toEqual([
      ["empty", 30, 60],
      ["base", 10, 10],
    ]);
    expect(order({ outlet: 0.005 }).map(([id]) => id)).toEqual(["empty", "base", "outlet"]);
    expect(order({}, ["empty"]).map(([id]) => id)).toEqual(["base"]);
  });
});

describe("what may be true of a machine", () => {
  it("has priors that add to one; a fault and what it brings about share the fault's own", () => {
    expect(hypotheses.reduce((sum, h) => sum + h.prior, 0)).toBeCloseTo(1, 12);
    expect([named("no-fault").prior, named("something-else").prior]).toEqual([NO_FAULT_PRIOR, SOMETHING_ELSE_PRIOR]);
    expect(named("heater:to-case>F1:blown").prior / named("heater:to-case").prior).toBeCloseTo(0.25 / 0.75, 12);
    const odds = (part: string, mode: string) => machine.partById.get(part)!.modes.find((m) => m.id === mode)!.odds;
    expect(
      (named("heater:to-case").prior + named("heater:to-case>F1:blown").prior) / named("F1:blown").prior,
    ).toBeCloseTo(odds("heater", "to-case") / odds("F1", "blown"), 12);
    expect(new Set(hypotheses.map((h) => h.id)).size).toBe(hypotheses.length);
  });
  it("blames the cause, repairs the cause first and then what it took with it", () => {
    const led = named("heater:to-case>F1:blown");
    expect(faultsOf(machine, led)).toEqual([
      { part: "heater", mode: "to-case" },
      { part: "F1", mode: "blown" },
    ]);
    expect(faultsOf(machine, led, ["heater"])).toEqual([{ part: "F1", mode: "blown" }]);
    expect(assembliesOf(machine, led)).toEqual(["heater", "fuse"]);
    expect(blamedAssemblies(led)).toEqual(["heater"]);
    expect(hypothesisName(machine, led)).toMatch(/^Heater: .+, and with it Fuse: /);
    const two: Hypothesis = {
      kind: "two faults",
      id: "x",
      faults: [
        { part: "heater", mode: "open" },
        { part: "F1", mode: "blown" },
      ],
      assemblies: ["heater", "fuse"],
      assembly: "heater+fuse",
      prior: 0,
    };
    expect([assembliesOf(machine, two), blamedAssemblies(two)]).toEqual([
      ["heater", "fuse"],
      ["heater", "fuse"],
    ]);
    expect(hypothesisName(machine, two)).toMatch(/^Heater: .+; and Fuse: /);
  });
  it("has names for a technician", () => {
    expect(
      ["no-fault", "something-else", "not-as-drawn", "heater", "heater+fuse", "unknown"].map((p) =>
        assemblyName(machine, p),
      ),
    ).toEqual(["Nothing wrong", "Something else", "Differs from the file", "Heater", "Heater and Fuse", "unknown"]);
    expect([hypothesisName(machine, named("no-fault")), hypothesisName(machine, named("something-else"))]).toEqual([
      "Nothing wrong",
      "Something else",
    ]);
  });
});

describe("what can be told apart", () => {
  const same = (a: Reading | null, b: Reading | null, fn: "dcv" | "look" | "continuity" = "dcv") =>
    sameNominal(makeTest("on", fn, "out-L", "in-N"), [a], [b], ORDINARY_METER);
  const label = (words: string): Reading => ({ kind: "label", label: words });
  it("goes by kind, by word, by sound, and by six errors of the meter", () => {
    expect([
      same(volts(5), volts(5.001)),
      same(volts(5), volts(6)),
      same(volts(5), { kind: "overload" }),
      same({ kind: "overload" }, { kind: "overload" }),
    ]).toEqual([true, false, false, true]);
    expect([
      same(label("lit"), label("lit"), "look"),
      same(label("lit"), label("dark"), "look"),
      same(label("lit"), volts(1), "look"),
    ]).toEqual([true, false, false]);
    const beep = (beeps: boolean): Reading => ({ kind: "beep", beeps });
    expect([
      same(beep(true), beep(true), "continuity"),
      same(beep(true), beep(false), "continuity"),
      same(beep(true), label("x"), "continuity"),
    ]).toEqual([true, false, false]);
    expect([same(null, null), same(null, volts(0)), same(volts(0), null)]).toEqual([true, false, false]);
    const { relative, absolute } = ORDINARY_METER.accuracy.dcv;
    const error = Math.hypot(absolute, relative * 100);
    expect(same(volts(100), volts(100 + 4 * error))).toBe(true);
    expect(same(volts(100), volts(100 + 8 * error))).toBe(false);
  });

  /** Everything permitted, read on one fault after the other: no dictionary in between. */
  const simulator = new Simulator(machine);
  const readings = (id: string) => {
    const state = new Map(
      machine.file.setups.map((s) => [
        s.id,
        simulator.energise(s, faultsOf(machine, named(id)), nominalValues(machine)),
      ]),
    );
    return dictionary.permitted.map((test) => observe(simulator, state.get(test.setup)!, test, ORDINARY_METER));
  };
  const alike = (a: string, b: string, only = (_: number) => true) => {
    const [x, y] = [readings(a), readings(b)];
    return dictionary.permitted.every((test, t) => !only(t) || sameNominal(test, [x[t]!], [y[t]!], ORDINARY_METER));
  };

  it("groups the faults that no permitted reading tells apart, links and all", () => {
    const ids = hypotheses.filter((h) => h.kind !== "something else").map((h) => h.id);
    const groups = faultGroups(dictionary);
    expect(groups.flat().sort()).toEqual([...ids].sort());
    for (const a of ids)
      for (const b of ids)
        if (a < b && alike(a, b))
          expect(
            groups.some((g) => g.includes(a) && g.includes(b)),
            `${a} and ${b}`,
          ).toBe(true);
    // Who is alone differs from everyone in something.
    for (const [alone] of groups.filter((g) => g.length === 1))
      for (const b of ids) if (b !== alone) expect(alike(alone!, b), `${alone} and ${b}`).toBe(false);
  });

  it("names what shows nothing at all to the eye: every look the same as on a sound machine", () => {
    const coverage = coverageOf(dictionary);
    const looks = (t: number) => dictionary.permitted[t]!.function === "look";
    const unseen = hypotheses.filter((h) => h.kind === "fault" && alike(h.id, "no-fault", looks)).map((h) => h.id);
    expect(coverage.unseen.map((f) => f.id).sort()).toEqual([...unseen].sort());
    expect(unseen.length).toBeGreaterThan(0);
    expect(unseen.length).toBeLessThan(coverage.faults);
    expect(coverage.faults).toBe(hypotheses.filter((h) => h.kind === "fault").length);
    expect(coverage.tests + coverage.idleTests).toBe(dictionary.permitted.length);
    expect(coverage.unseen.every((f) => f.name.includes(": "))).toBe(true);
    // Who stands together, who shows nowhere, and who stands alone are all the faults there are, each once.
    const groups = faultGroups(dictionary);
    expect(coverage.silent.map((f) => f.id)).toEqual(
      groups.find((g) => g.includes("no-fault"))!.filter((id) => id !== "no-fault"),
    );
    expect(coverage.together.map((g) => g.map((f) => f.id))).toEqual(
      groups.filter((g) => g.length > 1 && !g.includes("no-fault")),
    );
    expect(coverage.alone).toBe(groups.filter((g) => g.length === 1 && g[0] !== "no-fault").length);
  });

  it("names the points that would help most, by the pairs that each would tell apart", () => {
    const { helpfulPoints } = coverageOf(dictionary);
    const pointed = new Set([...machine.points.values()].map((p) => machine.nets[p.node]));
    for (const { net, pairs } of helpfulPoints) {
      expect(pointed.has(net), net).toBe(false);
      expect(pairs).toBeGreaterThan(0);
    }
    expect(helpfulPoints.map((p) => p.pairs)).toEqual(helpfulPoints.map((p) => p.pairs).sort((a, b) => b - a));
    expect(helpfulPoints.length).toBeLessThanOrEqual(5);
  });

  it("finds the setup that would show a thing: that of a complaint which says so, else the first with power in which anything shows it", () => {
    expect(setupShowing(dictionary, { part: "lamp", label: "dark" })).toBe("later");
    expect(setupShowing(dictionary, { part: "lamp", label: "bright" })).toBe("on");
    expect(setupShowing(dictionary, { part: "lamp", label: "purple" })).toBeNull();
  });
});

describe("the reasons for and against an assembly", () => {
  const reading = (test: ReturnType<typeof makeTest>, shown: Reading): Evidence => ({
    type: "reading",
    id: "r",
    test,
    shown,
  });
  const atHeater = makeTest("on", "acv", "out-L", "in-N");
  const odds = (probability: ArrayLike<number>, assembly: string) => {
    const own = dictionary.hypotheses.reduce(
      (sum, h, i) => sum + (blamedAssemblies(h).includes(assembly) ? probability[i]! : 0),
      0,
    );
    return own / (1 - own);
  };
  it.each([
    ["nothing there", 0],
    ["all of it", 119.5],
    ["half of it", 62],
  ] as const)("weigh one reading by how far it moves the odds (Good, 1950): %s", (_, value) => {
    const evidence = [reading(atHeater, volts(value))];
    const [before, after] = [believe(dictionary, []), believe(dictionary, evidence)];
    for (const assembly of ["heater", "fuse", "cord", "house", "no-fault"]) {
      const moved = Math.log2(odds(after.probability, assembly) / odds(before.probability, assembly));
      const reasons = reasonsFor(dictionary, evidence, after, assembly);
      if (Math.abs(moved) < 0.4) expect(reasons, assembly).toEqual([]);
      else {
        expect(reasons, assembly).toHaveLength(1);
        expect(reasons[0]!.bits).toBeCloseTo(moved, 6);
        expect(reasons[0]!.side).toBe(moved > 0 ? "for" : "against");
        expect(reasons[0]!.soundShows).toBe(
          windowWords(windowOf(atHeater, dictionary.predictionsFor(atHeater)[0]!, ORDINARY_METER), "acv"),
        );
      }
    }
  });
  it("are none for an assembly that nobody suspects, and come strongest first", () => {
    const evidence: Evidence[] = [
      { type: "complaint", id: "c", complaint: "dark" },
      { ...reading(atHeater, volts(0)), id: "a" } as Evidence,
      { ...reading(makeTest("on", "acv", "in-L", "in-N"), volts(119)), id: "b" } as Evidence,
    ];
    const beliefs = believe(dictionary, evidence);
    expect(reasonsFor(dictionary, evidence, beliefs, "not an assembly")).toEqual([]);
    const reasons = reasonsFor(dictionary, evidence, beliefs, "fuse");
    expect(reasons.length).toBeGreaterThan(1);
    expect(reasons.map((r) => Math.abs(r.bits))).toEqual(reasons.map((r) => Math.abs(r.bits)).sort((x, y) => y - x));
    // What was measured says what it would show with this fault; a complaint has no such thing to say.
    for (const r of reasons)
      expect([r.wouldShow !== null, r.soundShows !== null]).toEqual(r.evidence === "c" ? [false, false] : [true, true]);
    expect(reasons.find((r) => r.evidence === "a")!.wouldShow).not.toBe(
      reasons.find((r) => r.evidence === "a")!.soundShows,
    );
  });
  it("the history begins with the complaint, ends with what is believed now, and adds to no more than one", () => {
    const evidence: Evidence[] = [{ type: "complaint", id: "c", complaint: "dark" }, reading(atHeater, volts(0))];
    const history = historyOf(dictionary, evidence);
    expect(history.steps.map((s) => s.evidence)).toEqual(["c", "r"]);
    const now = involvement(dictionary, believe(dictionary, evidence).probability);
    history.assemblies.forEach(({ assembly }, i) =>
      expect(history.steps[1]!.shares[i]).toBeCloseTo(now.get(assembly)!, 12),
    );
    for (const s of history.steps) expect(s.shares.reduce((a, b) => a + b, 0)).toBeLessThanOrEqual(1 + 1e-9);
    expect(history.assemblies.length).toBeLessThanOrEqual(5);
    // The two that lead now come first, then whatever ever stood high.
    const [first, second, ...others] = history.assemblies.map((_, i) => history.steps.map((step) => step.shares[i]!));
    expect(first![1]).toBeGreaterThanOrEqual(second![1]!);
    for (const other of others) expect(second![1]).toBeGreaterThanOrEqual(other[1]!);
    const highest = others.map((shares) => Math.max(...shares));
    expect(highest).toEqual([...highest].sort((a, b) => b - a));
  });
});
