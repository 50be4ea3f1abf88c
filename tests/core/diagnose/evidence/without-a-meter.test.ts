import { describe, expect, it } from "vitest";
import { ORDINARY_METER } from "../../../../src/core/instrument/meter";
import { aloneLikelihood } from "../../../../src/core/diagnose/evidence/bench-verdict";
import { blendAway, blendRow } from "../../../../src/core/diagnose/dictionary/intermittent";
import {
  agreedOn,
  isSameReading,
  observationsOf,
  surroundingsOf,
  type Evidence,
} from "../../../../src/core/diagnose/evidence/evidence";
import { openSimpleCauses } from "../../../../src/core/diagnose/evidence/simple-causes";
import { hypothesesOf, type Hypothesis } from "../../../../src/core/diagnose/hypotheses/hypothesis";
import type { OutcomeTable } from "../../../../src/core/diagnose/dictionary/outcomes";
import { proofsFor } from "../../../../src/core/diagnose/advice/proofs";
import { saidOf } from "../../../../src/core/diagnose/evidence/without-a-meter";
import { unknownSign, cannotBeObserved } from "../../../../src/core/diagnose/advice/expressible";
import {
  repairLikelihood,
  signChance,
  signsOf,
  UNIT_SIGNS,
  WHOLE_UNIT,
} from "../../../../src/core/diagnose/evidence/signs";
import { Stopwatch } from "../../../../src/core/diagnose/evidence/timed-observation";
import type { Reading } from "../../../../src/core/quantity/read";
import { makeTest } from "../../../../src/core/simulate/test";
import { machineNamed } from "../../../support/fleet";

const machine = machineNamed("quellmoor-sb-210");
const hypotheses = hypothesesOf(machine);
const named = (id: string) => hypotheses.find((h) => h.id === id)!;
const two = (a: string, b: string): Hypothesis => {
  const [x, y] = [a, b].map((id) => {
    const h = named(id);
    if (h.kind !== "fault") throw new Error(id);
    return h;
  }) as [Extract<Hypothesis, { kind: "fault" }>, Extract<Hypothesis, { kind: "fault" }>];
  return {
    kind: "two faults",
    id: `${a}+${b}`,
    faults: [x.fault, y.fault],
    assemblies: [x.assembly, y.assembly],
    assembly: `${x.assembly}+${y.assembly}`,
    prior: 0.01,
  };
};
const volts = (value: number): Reading => ({ kind: "value", value });
const label = (words: string): Reading => ({ kind: "label", label: words });
const atPlug = makeTest("cold-call", "dcv", "J2-1", "J2-3");
const reading = (id: string, shown: Reading, test = atPlug): Evidence => ({ type: "reading", id, test, shown });

describe("a part tested by itself", () => {
  const of = (found: "good" | "bad", h: Hypothesis, mode?: string) =>
    aloneLikelihood(machine, { part: "W4", found, ...(mode ? { mode } : {}) }, h);
  const broken = named("W4:open");
  const other = named("W3:open");
  it("is called good when it is, and seldom bad; the other way round a little less surely", () => {
    expect(of("bad", other)).toBeCloseTo(0.02, 12);
    expect(of("good", other)).toBeCloseTo(0.98, 12);
    expect(of("good", broken)).toBeCloseTo(0.06, 12);
    expect(of("bad", broken)).toBeCloseTo(0.94, 12);
    expect(of("bad", named("no-fault"))).toBeCloseTo(0.02, 12);
    expect(of("bad", named("something-else"))).toBeCloseTo(0.02, 12);
  });
  it("found bad in its own way speaks most; in another way hardly; in a way that it has not, as bad and no more", () => {
    const part = machine.parts.find((p) => p.modes.length > 1)!;
    const [own, another] = part.modes.map((m) => m.id);
    const bad = (mode: string) =>
      aloneLikelihood(machine, { part: part.id, found: "bad", mode }, named(`${part.id}:${own}`));
    expect(bad(own!)).toBeCloseTo(0.94 * 0.9, 12);
    expect(bad(another!)).toBeCloseTo(0.94 * 0.1, 12);
    expect(bad("no such mode")).toBeCloseTo(0.94, 12);
  });
  it("of two faults the one in it counts; a part that the machine has not says nothing", () => {
    expect(of("bad", two("W3:open", "W4:open"))).toBeCloseTo(0.94, 12);
    expect(of("bad", two("W3:open", "panel:dead"))).toBeCloseTo(0.02, 12);
    expect(aloneLikelihood(machine, { part: "nothing", found: "bad" }, broken)).toBe(1);
  });
});

describe("a fault that comes and goes", () => {
  const each = (h: Hypothesis, words: string) => {
    const l = Float64Array.of(0.2, 1);
    blendAway(machine, h, words, 0.02, l);
    return [...l];
  };
  it("of a contact is away four times in ten, any other seldom, no fault never", () => {
    // A wire: away 0.4; gone is seen as "clears" but for a slip.
    expect(each(named("W4:open"), "clears")).toEqual([
      expect.closeTo(0.6 * 0.2 + 0.4 * 0.98, 12),
      expect.closeTo(0.6 + 0.4 * 0.98, 12),
    ]);
    expect(each(named("W4:open"), "returns at once")).toEqual([
      expect.closeTo(0.6 * 0.2 + 0.4 * 0.01, 12),
      expect.closeTo(0.6 + 0.4 * 0.01, 12),
    ]);
    expect(each(named("panel:dead"), "clears")).toEqual([
      expect.closeTo(0.92 * 0.2 + 0.08 * 0.98, 12),
      expect.closeTo(0.92 + 0.08 * 0.98, 12),
    ]);
    expect(each(named("no-fault"), "clears")).toEqual([0.2, 1]);
    // One of two that lies in a contact is enough.
    expect(each(two("panel:dead", "W4:open"), "clears")).toEqual(each(named("W4:open"), "clears"));
  });
  it("is blended into its own row of the table and into no other, rows still adding to one", () => {
    const table = (): OutcomeTable => ({
      outcomes: ["clears", "returns at once", "returns later"].map((words) => ({ kind: "label", label: words })),
      chances: Float32Array.of(0.2, 0.3, 0.5, 0.1, 0.9, 0, 0, 0, 1),
      entropy: Float64Array.of(1, 2, 3),
    });
    const blended = table();
    blendRow(machine, named("W4:open"), blended, 1);
    const row = [0.1 * 0.6 + 0.4, 0.9 * 0.6, 0];
    [0.2, 0.3, 0.5, ...row, 0, 0, 1].forEach((c, i) => expect(blended.chances[i]).toBeCloseTo(c, 6));
    expect([blended.entropy[0], blended.entropy[2]]).toEqual([1, 3]);
    expect(blended.entropy[1]).toBeCloseTo(-row.reduce((sum, p) => sum + (p > 0 ? p * Math.log2(p) : 0), 0), 6);
    const untouched = table();
    blendRow(machine, named("no-fault"), untouched, 1);
    expect(untouched).toEqual(table());
    const without: OutcomeTable = {
      outcomes: [{ kind: "beep", beeps: true }],
      chances: Float32Array.of(1),
      entropy: Float64Array.of(0),
    };
    blendRow(machine, named("W4:open"), without, 0);
    expect([...without.chances]).toEqual([1]);
  });
});

describe("evidence taken apart", () => {
  const complaint: Evidence = { type: "complaint", id: "c", complaint: "panel-dark" };
  const of = (...evidence: Evidence[]) => observationsOf(machine, ORDINARY_METER, evidence);
  const sees = Object.keys(machine.file.complaints.find((c) => c.id === "panel-dark")!.sees);

  it("a complaint is what it says is seen, in its own setup; one that the machine has not is nothing", () => {
    expect(sees.length).toBeGreaterThan(0);
    expect(
      of(complaint)
        .map((o) => o.test.red)
        .sort(),
    ).toEqual([...sees].sort());
    for (const o of of(complaint))
      expect(o).toMatchObject({ evidence: "c", slip: 0.03, weight: 1, isLast: true, repairs: [] });
    expect(of({ ...complaint, complaint: "none such" } as Evidence)).toEqual([]);
  });
  it("what is said without a meter is no observation", () => {
    expect(
      of(
        { type: "answer", id: "a", first: "x", answer: "yes" } as Evidence,
        { type: "sign", id: "s", part: "*", sign: "moved", there: true } as Evidence,
        { type: "alone", id: "b", part: "W4", found: "bad" } as Evidence,
        { type: "surroundings", id: "u", celsius: 20 } as Evidence,
        { type: "timed", id: "t", setup: "cold-call", part: "panel", label: "lit", seconds: 3, watched: 9 } as Evidence,
      ),
    ).toEqual([]);
  });
  it("a reading made again counts once in all, and a slip in it is the less likely; the last of it is marked", () => {
    expect(of(reading("a", volts(12)))).toEqual([
      expect.objectContaining({ evidence: "a", weight: 1, slip: 0.02, isLast: true }),
    ]);
    const twice = of(reading("a", volts(12)), reading("b", volts(12.01)));
    expect(twice.map((o) => [o.weight, o.isLast])).toEqual([
      [1 / 2, false],
      [1 / 2, true],
    ]);
    for (const o of twice) expect(o.slip).toBeCloseTo(0.02 * 0.15, 12);
    const thrice = of(reading("a", volts(12)), reading("b", volts(12)), reading("c", volts(12)));
    expect(thrice.map((o) => o.weight)).toEqual([1 / 3, 1 / 3, 1 / 3]);
    for (const o of thrice) expect(o.slip).toBeCloseTo(0.02 * 0.15 ** 2, 12);
    // Of another test beside it: each by itself.
    const beside = of(reading("a", volts(12)), reading("b", volts(12), makeTest("cold-call", "dcv", "J2-3", "J2-1")));
    expect(beside.map((o) => [o.weight, o.isLast])).toEqual([
      [1, true],
      [1, true],
    ]);
  });
  it("comes in an order of its own, whatever the order of measuring", () => {
    const [a, b, c] = [
      reading("a", volts(12)),
      reading("b", volts(5), makeTest("cold-call", "dcv", "P1-1", "P1-3")),
      reading("c", volts(0), makeTest("cold-call", "dcv", "H1-1.cab", "H1-3.cab")),
    ];
    const order = (...e: Evidence[]) => of(...e).map((o) => o.evidence);
    for (const e of [
      [a, c, b],
      [b, a, c],
      [c, b, a],
      [c, a, b],
      [b, c, a],
    ] as const)
      expect(order(...e)).toEqual(order(a, b, c));
  });
  it("of readings that differ those stand that most agree with, of equals the latest; a power cycle throws the dice anew", () => {
    expect(
      of(reading("a", volts(12)), reading("b", volts(0)), reading("c", volts(12.01)))
        .map((o) => o.evidence)
        .sort(),
    ).toEqual(["a", "c"]);
    expect(
      of(reading("a", volts(12)), reading("b", volts(12.01)), reading("c", volts(0)))
        .map((o) => o.evidence)
        .sort(),
    ).toEqual(["a", "b"]);
    expect(of(reading("a", volts(12)), reading("b", volts(0))).map((o) => o.evidence)).toEqual(["b"]);
    const cycle = makeTest("cold-call", "look", "panel", undefined, "recheck");
    const rechecks = of(
      reading("a", label("clears"), cycle),
      reading("b", label("returns at once"), cycle),
      reading("d", label("clears"), cycle),
    );
    expect(rechecks.map((o) => [o.evidence, o.weight, o.slip]).sort()).toEqual([
      ["a", 1, 0.02],
      ["b", 1, 0.02],
      ["d", 1, 0.02],
    ]);
  });
  it("a repair that did not help makes the complaint once more, of the machine as it is now; one that helped does not", () => {
    const tried = (result: "gone" | "stays", id = "t", assembly = "panel-board"): Evidence =>
      ({ type: "tried", id, assembly, result }) as Evidence;
    const stays = of(complaint, tried("stays"));
    expect(stays.filter((o) => o.evidence === "t").map((o) => o.repairs)).toEqual(
      sees.map(() => [{ assembly: "panel-board", result: "stays" }]),
    );
    expect(stays.filter((o) => o.evidence === "c").every((o) => o.repairs.length === 0)).toBe(true);
    // Before and after a repair are two readings, not one made again.
    expect(stays.every((o) => o.weight === 1)).toBe(true);
    expect(of(complaint, tried("gone"))).toEqual(of(complaint));
    expect(of(tried("stays"))).toEqual([]);
    const both = of(complaint, tried("stays"), tried("stays", "v", "door-harness"));
    expect(both.find((o) => o.evidence === "v")!.repairs).toEqual([
      { assembly: "panel-board", result: "stays" },
      { assembly: "door-harness", result: "stays" },
    ]);
  });
  it("of room and mains what was said last of each stands", () => {
    const said = (id: string, known: object): Evidence => ({ type: "surroundings", id, ...known }) as Evidence;
    expect(
      surroundingsOf([said("a", { celsius: 20 }), said("b", { volts: 118 }), said("c", { celsius: 8 }), complaint]),
    ).toEqual({ celsius: 8, volts: 118 });
    expect(surroundingsOf([complaint])).toEqual({});
  });
});

describe("two readings of one test", () => {
  const same = (a: Reading, b: Reading, fn: "dcv" | "look" | "continuity" = "dcv") =>
    isSameReading(ORDINARY_METER, { test: makeTest("cold-call", fn, "J2-1", "J2-3"), shown: a }, { shown: b });
  it("say the same within six errors of the meter, by the same word, the same sound, the same kind", () => {
    const { relative, absolute } = ORDINARY_METER.accuracy.dcv;
    const error = Math.hypot(absolute, relative * 12);
    expect([
      same(volts(12), volts(12 + 5 * error)),
      same(volts(12), volts(12 + 7 * error)),
      same(volts(12 + 7 * error), volts(12)),
    ]).toEqual([true, false, false]);
    expect([same(label("lit"), label("lit"), "look"), same(label("lit"), label("dark"), "look")]).toEqual([
      true,
      false,
    ]);
    expect([
      same({ kind: "beep", beeps: true }, { kind: "beep", beeps: true }, "continuity"),
      same({ kind: "beep", beeps: true }, { kind: "beep", beeps: false }, "continuity"),
    ]).toEqual([true, false]);
    expect([
      same({ kind: "overload" }, { kind: "overload" }),
      same({ kind: "overload" }, volts(3)),
      same(volts(3), { kind: "overload" }),
      same({ kind: "beep", beeps: true }, { kind: "overload" }, "continuity"),
    ]).toEqual([true, false, false, false]);
  });
  it("of parties of one size the later is believed", () => {
    const group = [12, 0, 12, 0].map((v) => ({ test: atPlug, shown: volts(v) }));
    expect(agreedOn(ORDINARY_METER, group)).toEqual([group[1], group[3]]);
    expect(agreedOn(ORDINARY_METER, group.slice(0, 3))).toEqual([group[0], group[2]]);
  });
});

describe("signs and repairs", () => {
  it("of the unit speak for the kinds of part that they are said of, of two faults by the stronger", () => {
    const moved = UNIT_SIGNS.find((s) => s.id === "moved")!;
    expect(signChance(machine, WHOLE_UNIT, "moved", named("W4:open"))).toBe(0.45);
    expect(signChance(machine, WHOLE_UNIT, "moved", named("panel:dead"))).toBe(moved.otherwise);
    expect(signChance(machine, WHOLE_UNIT, "moved", two("panel:dead", "W4:open"))).toBe(0.45);
    expect(signChance(machine, WHOLE_UNIT, "no such", named("W4:open"))).toBeNull();
    expect(signChance(machine, "nothing", "moved", named("W4:open"))).toBeNull();
  });
  it("of a part speak by the way it has failed, and never rule out", () => {
    for (const { part, sign } of signsOf(machine).filter((s) => s.part !== WHOLE_UNIT)) {
      const own = machine.partById.get(part)!;
      const known = own.kind.failures.signs!(own.fields).find((s) => s.id === sign)!;
      for (const h of hypotheses) {
        const chance = signChance(machine, part, sign, h)!;
        expect(chance).toBeGreaterThanOrEqual(0.003);
        expect(chance).toBeLessThanOrEqual(0.99);
        const mode = h.kind === "fault" && h.fault.part === part ? h.fault.mode : null;
        const wanted = (mode === null ? undefined : known.given[mode]) ?? known.otherwise;
        if (h.kind !== "fault" || h.led.length === 0)
          expect(chance).toBeCloseTo(Math.min(0.99, Math.max(0.003, wanted)), 12);
      }
      expect(unknownSign(machine, part, sign)).toBeNull();
      expect(unknownSign(machine, "nothing", sign)).toContain("no such sign");
      expect(unknownSign(machine, part, "no such")).toContain("no such sign");
    }
  });
  it("a repair cures what it is of nine times in ten, of two faults four times in ten, anything else by chance", () => {
    const assembly = (h: Hypothesis) => (h.kind === "fault" ? h.assembly : "");
    const wire = named("W4:open");
    const of = (p: string, h: Hypothesis) => [
      repairLikelihood(machine, p, "gone", h),
      repairLikelihood(machine, p, "stays", h),
    ];
    expect(of(assembly(wire), wire)).toEqual([0.9, expect.closeTo(0.1, 12)]);
    expect(of("panel-board", wire)).toEqual([0.06, 0.94]);
    // Whoever swaps the panel pulls its plug and pushes it home: a contact of it is often cured by that alone.
    expect(of("panel-board", named("P1-1:open"))).toEqual([0.6, 0.4]);
    expect(of("panel-board", named("J4-1:open"))).toEqual([0.06, 0.94]);
    expect(of(assembly(wire), two("W4:open", "panel:dead"))).toEqual([0.4, 0.6]);
    expect(of("house", named("no-fault"))).toEqual([0.06, 0.94]);
  });
  it("of a question, a sign or a part the last word stands, and each counts once", () => {
    const said = (...e: Evidence[]) => saidOf(machine, new Stopwatch(machine), e);
    const sign = (id: string, there: boolean): Evidence =>
      ({ type: "sign", id, part: WHOLE_UNIT, sign: "moved", there }) as Evidence;
    const alone = (id: string, found: "good" | "bad"): Evidence =>
      ({ type: "alone", id, part: "W4", found }) as Evidence;
    const wire = named("W4:open");
    const there = 0.45;
    expect(said(sign("a", true), sign("b", false)).map((s) => [s.id, s.likelihood(wire)])).toEqual([["b", 1 - there]]);
    expect(said(sign("a", false), sign("b", true)).map((s) => [s.id, s.likelihood(wire)])).toEqual([["b", there]]);
    expect(said(alone("a", "good"), alone("b", "bad")).map((s) => [s.id, s.likelihood(wire)])).toEqual([["b", 0.94]]);
    expect(said({ ...(sign("a", true) as object), sign: "no such" } as Evidence)[0]!.likelihood(wire)).toBe(1);
    expect(
      said({ type: "tried", id: "t", assembly: "panel-board", result: "gone" } as Evidence, reading("r", volts(1))).map(
        (s) => [s.id, s.likelihood(wire)],
      ),
    ).toEqual([["t", 0.06]]);
    expect(said({ type: "answer", id: "x", first: "no such", answer: "yes" } as Evidence)).toEqual([]);
  });
});

describe("what cannot have been seen", () => {
  const why = (part: string, words: string, setup = "cold-call", instant?: "recheck") =>
    cannotBeObserved(machine, { setup, part, label: words, ...(instant ? { instant } : {}) });
  it("is said in a sentence: no such setup, nothing to look at, another word than it knows", () => {
    const { labels } = machine.partById.get("panel")!;
    for (const known of labels!) expect(why("panel", known)).toBeNull();
    expect(why("panel", "flickers")).toBeNull();
    expect(why("panel", labels![0]!, "no such")).toContain("has no setup no such");
    expect(why("W4", "dark")).toContain("nothing called W4 to look at");
    expect(why("nothing", "dark")).toContain("nothing called nothing to look at");
    expect(why("panel", "purple")).toMatch(/cannot show "purple"\. It knows .+; /);
    expect(why("panel", "clears")).toContain("cannot show");
    expect(why("panel", "clears", "cold-call", "recheck")).toBeNull();
    expect(why("panel", labels![0]!, "cold-call", "recheck")).toContain("cannot show");
  });
});

describe("questions of the same worth", () => {
  it("are asked in the order of their names", () => {
    const simpleCauses = ["b", "a", "c"].map((id) => ({
      ...machine.file.firsts[0]!,
      id,
      parts: [],
      complaints: [],
      odds: 10,
      minutes: 1,
    }));
    const same = { ...machine, file: { ...machine.file, firsts: simpleCauses } };
    expect(openSimpleCauses(same, "panel-dark", new Set(), {}).map((o) => o.first.id)).toEqual(["a", "b", "c"]);
    // A question that takes no time is not worth without end.
    expect(
      openSimpleCauses(
        { ...machine, file: { ...machine.file, firsts: [{ ...simpleCauses[0]!, minutes: 0 }] } },
        "panel-dark",
        new Set(),
        {},
      )[0]!.score,
    ).toBe(100);
  });
});

describe("what is proven of an assembly", () => {
  it("by a reading of the same test, in the same setup, at the same node by whatever name, that shows what is wanted", () => {
    const assembly = machine.file.pieces.find(
      (p) => (p.proofs?.length ?? 0) > 0 && p.proofs!.some((x) => x.shows === "good"),
    )!;
    const proof = assembly.proofs!.find((x) => x.shows === "good")!;
    const [t] = proof.any;
    const made = makeTest(t!.setup, t!.function, t!.red, t!.black);
    const by = (test: typeof made, verdict: "fits" | "does not fit") =>
      proofsFor(machine, assembly.id, [{ id: "r", test, verdict }]).find((p) => p.of === proof.of)!.by;
    expect(by(made, "fits")).toBe("r");
    expect(by(made, "does not fit")).toBeNull();
    expect(by({ ...made, setup: "unplugged" }, "fits")).toBeNull();
    expect(by({ ...made, function: "hertz" }, "fits")).toBeNull();
    if (made.black !== undefined) expect(by({ ...made, red: made.black, black: made.red }, "fits")).toBeNull();
    const bad = machine.file.pieces.flatMap((p) =>
      (p.proofs ?? []).filter((x) => x.shows === "bad").map((x) => ({ assembly: p.id, x })),
    )[0]!;
    const [b] = bad.x.any;
    const seen = (verdict: "fits" | "does not fit") =>
      proofsFor(machine, bad.assembly, [
        { id: "r", test: makeTest(b!.setup, b!.function, b!.red, b!.black), verdict },
      ]).find((p) => p.of === bad.x.of)!.by;
    expect([seen("does not fit"), seen("fits")]).toEqual(["r", null]);
    expect(proofsFor(machine, "no such assembly", [])).toEqual([]);
  });
});
