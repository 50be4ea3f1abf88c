import { describe, expect, test } from "vitest";
import { advise } from "../../../../src/core/diagnose/advice/advise";
import { canMake } from "../../../../src/core/diagnose/planning/equipment";
import { slipsFor } from "../../../../src/core/diagnose/advice/likely-slips";
import { exposureOf } from "../../../../src/core/safety/exposure";
import { forbidden } from "../../../../src/core/safety/rules";
import type { Evidence } from "../../../../src/core/diagnose/evidence/evidence";
import { makeKernel } from "../../../../src/core/diagnose/reading/likelihood";
import { fromScale, scaleOf } from "../../../../src/core/diagnose/reading/scale";
import { shared } from "../../../../src/core/diagnose/dictionary/shared-predictions";
import { signChance } from "../../../../src/core/diagnose/evidence/signs";
import { windowOf, verdictOf } from "../../../../src/core/diagnose/reading/window";
import { makeTest, testKey } from "../../../../src/core/simulate/test";
import { ALL_EQUIPMENT } from "../../../../src/core/diagnose/planning/equipment";
import { demoDictionary } from "../../../support/demo-machine";
import { randomSource, randomValues, UnitOnTheBench } from "../../../support/unit-on-the-bench";
import { choose } from "../../../../src/core/diagnose/planning/rating";
import { believe } from "../../../../src/core/diagnose/belief/beliefs";
import { signsWorthIt } from "../../../../src/core/diagnose/belief/signs-worth-it";

// What changed assemblies of the code once lived through: the meaning of each is held here.
const dictionary = demoDictionary();
const { machine } = dictionary;
const setupOf = (id: string) => machine.setupById.get(id)!;

describe("the usual slips of a test", () => {
  const offered = (fn: "dcv" | "acv" | "ohms", red: string, black: string, setup = "cold-call", value = 12) =>
    slipsFor(machine, makeTest(setup, fn, red, black), { kind: "value", value });
  const words = (list: ReturnType<typeof offered>) => list.map((s) => s.words);
  test("each function has its own wrong function, and ohms have none", () => {
    expect(words(offered("dcv", "J2-1", "J2-3"))).toContain("AC volts instead of DC");
    expect(words(offered("dcv", "J2-1", "J2-3"))).not.toContain("DC volts instead of AC");
    expect(words(offered("acv", "J3-1", "J3-2"))).toEqual(
      expect.arrayContaining(["DC volts instead of AC", "the low-impedance setting"]),
    );
    expect(words(offered("acv", "J3-1", "J3-2"))).not.toContain("AC volts instead of DC");
    expect(words(offered("ohms", "J3-1", "J3-2", "unplugged")).some((w) => /volts|low-impedance/.test(w))).toBe(false);
  });
  test("the pins beside it, the mirrored one, the other side of the plug; never the two leads on one spot, never the test itself", () => {
    const list = offered("dcv", "J2-1", "J2-3");
    expect(words(list).some((w) => /pin 2 beside it/.test(w))).toBe(true);
    expect(
      words(list).some((w) => /counted from the wrong end/.test(w)),
      "the mirrored pin is the other lead's own",
    ).toBe(false);
    expect(words(offered("dcv", "J4-1", "J4-2")).some((w) => /counted from the wrong end/.test(w))).toBe(true);
    expect(list.some((s) => s.test.red === "J2-1.pad")).toBe(true);
    for (const s of list) {
      expect(s.test.red).not.toBe(s.test.black);
      if (testKey(s.test) === testKey(makeTest("cold-call", "dcv", "J2-1", "J2-3")))
        expect(s.shown).not.toEqual({ kind: "value", value: 12 });
    }
  });
  test("the black lead on another reference, only where that is another node than its own", () => {
    const blacks = offered("dcv", "J2-1", "J2-2").filter(
      (s) => s.words.startsWith("the black lead on ") && !/beside|counted|side/.test(s.words),
    );
    expect(blacks.length).toBeGreaterThan(0);
    for (const s of blacks) expect(machine.points.get(s.test.black!)!.node).not.toBe(machine.points.get("J2-2")!.node);
  });
  test("the unit standing otherwise: only in setups of the same power, with the same plugs apart and nothing fed; nothing forbidden", () => {
    const list = offered("dcv", "J2-1", "J2-3");
    const others = list.filter((s) => s.words.startsWith("the unit standing otherwise"));
    expect(others.length).toBeGreaterThan(0);
    for (const s of others) {
      const at = setupOf(s.test.setup);
      expect(s.test.setup).not.toBe("cold-call");
      expect([at.power, at.apart.join(), at.feeds.length]).toEqual(["on", setupOf("cold-call").apart.join(), 0]);
    }
    const there = new Set(others.map((s) => s.test.setup));
    for (const at of machine.file.setups)
      if (at.id !== "cold-call" && at.power === "on" && at.apart.length === 0 && at.feeds.length === 0)
        expect(there.has(at.id), at.id).toBe(true);
    for (const s of list) expect(forbidden(machine, setupOf(s.test.setup), s.test)).toBeNull();
  });
  test("a display read in thousands or thousandths, but not of nothing", () => {
    expect(
      offered("dcv", "J2-1", "J2-3")
        .filter((s) => /thousand/.test(s.words))
        .map((s) => s.shown),
    ).toEqual([
      { kind: "value", value: 12_000 },
      { kind: "value", value: 0.012 },
    ]);
    expect(words(offered("dcv", "J2-1", "J2-3", "cold-call", 0)).some((w) => /thousand/.test(w))).toBe(false);
  });
});

describe("what is asked before a board is blamed", () => {
  test("is permitted, can be made, was not made before, and is live only where its proof has no other way", () => {
    for (const fault of [
      { part: "panel", mode: "dead" },
      { part: "U1", mode: "dead" },
    ].filter((f) => machine.partById.get(f.part)?.modes.some((m) => m.id === f.mode))) {
      const random = randomSource(31);
      const unit = new UnitOnTheBench(machine, [fault], randomValues(machine, random), random);
      const evidence: Evidence[] = [{ type: "complaint", id: "c", complaint: "panel-dark" }];
      let unitState: Parameters<typeof advise>[2] = { setup: "cold-call", openPanels: new Set<string>() };
      const made = new Set<string>();
      let bound: ReturnType<typeof advise>["proofs"] = [];
      for (let k = 0; k < 16; k++) {
        const { next, proofs } = advise(dictionary, evidence, unitState);
        bound = proofs;
        if (!next) break;
        expect(forbidden(machine, setupOf(next.test.setup), next.test)).toBeNull();
        expect(canMake(machine, next.test, ALL_EQUIPMENT)).toBe(true);
        if (next.proves) {
          expect(made.has(testKey(next.test))).toBe(false);
          const ways = machine.file.pieces
            .flatMap((p) => p.proofs)
            .filter((p) =>
              p.any.some((t) => testKey(makeTest(t.setup, t.function, t.red, t.black)) === testKey(next.test)),
            )
            .map((p) => p.any.map((t) => makeTest(t.setup, t.function, t.red, t.black)));
          const live = (t: typeof next.test) => exposureOf(machine, setupOf(t.setup), t) === "live";
          if (live(next.test))
            expect(
              ways.some((any) => any.filter((t) => forbidden(machine, setupOf(t.setup), t) === null).every(live)),
            ).toBe(true);
        }
        made.add(testKey(next.test));
        evidence.push({ type: "reading", id: `r${k}`, test: next.test, shown: unit.read(next.test) });
        unitState = { setup: next.test.setup, openPanels: new Set() };
      }
      // In the end each is shown by a reading of its own, or implied by one that is named.
      expect(bound.length).toBeGreaterThan(0);
      for (const { by, impliedBy, state } of bound)
        if (state !== "needless") expect(evidence.map((e) => e.id)).toContain(by ?? impliedBy);
    }
  });
});

describe("the window of a sound machine", () => {
  const meter = dictionary.meter;
  const volts = makeTest("cold-call", "dcv", "J2-1", "J2-3");
  test("reaches below nothing for direct volts only; an overload fits a reading above ten megohms, and no label fits a value", () => {
    const near = [
      { kind: "value" as const, value: 0.001 },
      { kind: "value" as const, value: 0 },
    ];
    const dc = windowOf(volts, near, meter);
    expect(dc.kind === "range" && dc.low < 0).toBe(true);
    const ac = windowOf(makeTest("cold-call", "acv", "J3-1", "J3-2"), near, meter);
    expect(ac.kind === "range" && ac.low).toBe(0);
    const open = windowOf(
      makeTest("unplugged", "ohms", "J3-1", "J3-2"),
      [{ kind: "overload" }, { kind: "overload" }],
      meter,
    );
    expect(open).toEqual({ kind: "overload" });
    expect(verdictOf(open, { kind: "value", value: 2e7 })).toBe("fits");
    expect(verdictOf(open, { kind: "value", value: 9e6 })).toBe("does not fit");
    expect(verdictOf({ kind: "label", label: "runs" }, { kind: "value", value: 1 })).toBe("does not fit");
    expect(verdictOf({ kind: "beep", beeps: true }, { kind: "beep", beeps: false })).toBe("does not fit");
    expect(windowOf(volts, [null], meter)).toEqual({ kind: "unsteady" });
    // What nobody foresees is judged by nobody.
    expect(windowOf(volts, [], meter)).toEqual({ kind: "unspoken" });
    expect(verdictOf({ kind: "unspoken" }, { kind: "value", value: 1 })).toBe("not judged");
    expect(verdictOf({ kind: "unsteady" }, { kind: "jumping", low: 1, high: 2, manner: "jumping" })).toBe("fits");
    expect(verdictOf({ kind: "unsteady" }, { kind: "value", value: 1 })).toBe("does not fit");
  });
  test("its ends are inside it", () => {
    const window = windowOf(volts, dictionary.predictionsFor(volts)[0]!, meter);
    if (window.kind !== "range") throw new Error("no range");
    for (const value of [window.low, window.high]) expect(verdictOf(window, { kind: "value", value })).toBe("fits");
    expect(verdictOf(window, { kind: "value", value: window.low - 0.01 })).toBe("does not fit");
    expect(verdictOf(window, { kind: "value", value: window.high + 0.01 })).toBe("does not fit");
  });
});

describe("a dead test beside a live one", () => {
  const live = { test: makeTest("cold-call", "acv", "J3-1.pad", "J3-2.pad"), bits: 1, minutes: 1, risk: 0, score: 1 };
  const dead = (score: number) => ({
    test: makeTest("unplugged", "ohms", "J3-1", "J3-2"),
    bits: score,
    minutes: 1,
    risk: 0,
    score,
  });
  test("is taken from 80 % of its worth on, and not below; a dead one that is best needs no share", () => {
    expect(exposureOf(machine, setupOf("cold-call"), live.test)).toBe("live");
    expect(choose(dictionary.machine, [live, dead(0.8)])).toEqual(dead(0.8));
    expect(choose(dictionary.machine, [live, dead(0.79)])).toEqual(live);
    expect(choose(dictionary.machine, [live])).toEqual(live);
    expect(choose(dictionary.machine, [dead(1), { ...live, score: 0.9 }])).toEqual(dead(1));
    expect(choose(dictionary.machine, [])).toBeNull();
  });
});

describe("what a sign would tell", () => {
  test("is the mutual information of the sign and the piece, worked out here from the joint table", () => {
    const { probability } = believe(dictionary, [{ type: "complaint", id: "c", complaint: "panel-dark" }]);
    const plogp = (p: number) => (p > 0 ? p * Math.log2(p) : 0);
    for (const sign of signsWorthIt(dictionary, probability, new Set()).slice(0, 8)) {
      const joint = new Map<string, [number, number]>();
      dictionary.hypotheses.forEach((h, i) => {
        const chance = signChance(machine, sign.part, sign.sign, h)!;
        const row = joint.get(h.assembly) ?? [0, 0];
        joint.set(h.assembly, [row[0] + probability[i]! * chance, row[1] + probability[i]! * (1 - chance)]);
      });
      const rows = [...joint.values()];
      const yes = rows.reduce((sum, r) => sum + r[0], 0);
      const no = rows.reduce((sum, r) => sum + r[1], 0);
      // I = H(sign) + H(assembly) - H(sign, assembly)
      const information =
        -plogp(yes) -
        plogp(no) -
        rows.reduce((sum, r) => sum + plogp(r[0] + r[1]), 0) +
        rows.reduce((sum, r) => sum + plogp(r[0]) + plogp(r[1]), 0);
      expect(sign.bits).toBeCloseTo(Math.max(0, information), 9);
    }
    const bits = signsWorthIt(dictionary, probability, new Set()).map((x) => x.bits);
    expect(bits).toEqual([...bits].sort((a, b) => b - a));
    const first = signsWorthIt(dictionary, probability, new Set())[0]!;
    expect(
      signsWorthIt(dictionary, probability, new Set([`${first.part} ${first.sign}`])).some(
        (x) => x.part === first.part && x.sign === first.sign,
      ),
    ).toBe(false);
  });
});

describe("a kernel where room or mains are known", () => {
  const scale = scaleOf(dictionary.meter, "dcv");
  const at = (...y: number[]) => y.map((v) => ({ kind: "value" as const, value: fromScale(scale, v) }));
  test("lies where the samples lie that agree with what is known, and is spread by half of all at least", () => {
    const kernel = makeKernel(at(100, 104, 108), scale, [1, 0, 0]);
    // All weight on the first: its centre; the spread of all three is 4, so half of that, widened by a quarter.
    for (const centre of kernel.centres) expect(centre).toBeCloseTo(100, 6);
    for (const width of kernel.widths) expect(width).toBeCloseTo(Math.hypot(1, 1.25 * 2), 6);
    const even = makeKernel(at(100, 104, 108), scale, [1, 1, 1]);
    expect(even.centres[0]).toBeCloseTo(104, 6);
    expect(even.widths[0]).toBeCloseTo(Math.hypot(1, 1.25 * Math.sqrt(32 / 3)), 6);
  });
  test("samples further apart than a regime do not share a bell; overload and jumping keep their shares", () => {
    const kernel = makeKernel(
      [...at(100, 102, 300, 302), { kind: "overload" }, { kind: "jumping", low: 1, high: 2, manner: "jumping" }],
      scale,
    );
    expect(kernel.centres[0]).toBeCloseTo(101, 6);
    expect(kernel.centres[2]).toBeCloseTo(301, 6);
    expect(kernel.swings).toHaveLength(1);
    expect(kernel.overload).toBeCloseTo(1.25 / 6.75, 9);
    expect(kernel.jumping).toBeCloseTo(1.25 / 6.75, 9);
    expect(kernel.value).toBeCloseTo(4.25 / 6.75, 9);
  });
});

describe("readings that are kept as one", () => {
  const meter = dictionary.meter;
  const t = makeTest("cold-call", "dcv", "J2-1", "J2-3");
  const value = (v: number) => [{ kind: "value" as const, value: v }];
  test("differ by less than a hundredth of the meter's error; a label, a beep or another manner is never the same", () => {
    const error = meter.accuracy.dcv.absolute + meter.accuracy.dcv.relative * 12;
    const [a, b, c] = [value(12), value(12 + 0.009 * error), value(12 + 0.011 * error)];
    const kept = shared(t, [a, b, c], meter);
    expect(kept[1]).toBe(a);
    expect(kept[2]).toBe(c);
    const look = makeTest("cold-call", "look", "panel");
    const labels = [
      [{ kind: "label" as const, label: "lit" }],
      [{ kind: "label" as const, label: "lit" }],
      [{ kind: "label" as const, label: "dark" }],
      [null],
      [],
    ];
    const seen = shared(look, labels, meter);
    expect(seen[1]).toBe(seen[0]);
    expect([seen[2], seen[3], seen[4]]).toEqual([labels[2], labels[3], labels[4]]);
    const swing = (manner: "jumping" | "pulsing", high: number) => [{ kind: "jumping" as const, low: 3, high, manner }];
    const swings = shared(
      t,
      [swing("jumping", 11), swing("pulsing", 11), swing("jumping", 11), swing("jumping", 12)],
      meter,
    );
    expect(swings[1]).not.toBe(swings[0]);
    expect(swings[2]).toBe(swings[0]);
    expect(swings[3]).not.toBe(swings[0]);
  });
});
