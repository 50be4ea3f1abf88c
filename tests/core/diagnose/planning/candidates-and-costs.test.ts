import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  conditionHolds,
  plainConditions,
  conditionSchema,
  type Condition,
  type Situation,
} from "../../../../src/core/model/program/condition";
import { canonicalJson } from "../../../../src/core/model/file/canonical-json";
import { costOf, unitStateAfter, type UnitState } from "../../../../src/core/diagnose/planning/cost";
import { outcomeOf } from "../../../../src/core/diagnose/dictionary/outcomes";
import { fromScale, scaleOf, toScale } from "../../../../src/core/diagnose/reading/scale";
import { ORDINARY_METER } from "../../../../src/core/instrument/meter";
import { readEngineering, parseReading } from "../../../../src/core/quantity/read";
import { quantity } from "../../../../src/core/quantity/format";
import { uniformFor } from "../../../../src/core/random";
import { makeTest, testKey } from "../../../../src/core/simulate/test";
import { demoDictionary } from "../../../support/demo-machine";

const isolation = demoDictionary();
const { machine } = isolation;
const closed = (setup: string): UnitState => ({ setup, openPanels: new Set() });

describe("what a test costs from where the unit stands", () => {
  const hinge = makeTest("cold-call", "dcv", "H1-1.cab", "H1-3.cab");
  it("counts the cover once: it stays open", () => {
    const first = costOf(machine, closed("cold-call"), hinge);
    const second = costOf(machine, unitStateAfter(machine, closed("cold-call"), hinge), hinge);
    expect(first.steps).toEqual([
      "Pull the plug",
      "Open: hinge cover, 1 min, crosshead screwdriver",
      "Place the leads, then plug in",
    ]);
    expect(second.steps).toEqual([]);
    expect(first.minutes - second.minutes).toBeCloseTo(1.5 + 1 + 0.5, 9);
  });

  it("pulls the plug for ohms, and leaves it out for the next ohms", () => {
    const ohms = makeTest("unplugged", "ohms", "plug-line", "plug-neutral");
    expect(costOf(machine, closed("cold-call"), ohms).steps).toEqual(["Pull the plug"]);
    expect(costOf(machine, closed("unplugged"), ohms).steps).toEqual([]);
  });

  it("parts and rejoins plugs with the power off", () => {
    const apart = makeTest("unplugged-J2", "ohms", "J2-1", "J2-3");
    const there = costOf(machine, closed("cold-call"), apart);
    expect(there.steps).toEqual(["Pull the plug", "Open: rear cover, 3 min, 6 mm nut driver", "Unplug J2"]);
    const back = costOf(
      machine,
      unitStateAfter(machine, closed("cold-call"), apart),
      makeTest("cold-call", "look", "panel"),
    );
    expect(back.steps).toEqual(["Reconnect J2", "Place the leads, then plug in"]);
  });

  it("charges for ice and for a forced defrost, once", () => {
    const ice = makeTest("satisfied", "look", "compressor");
    expect(costOf(machine, closed("cold-call"), ice).minutes).toBeGreaterThan(6);
    expect(costOf(machine, closed("satisfied"), ice).minutes).toBe(1);
  });

  it("holds danger to cost minutes: live more than isolated low voltage, that more than dead", () => {
    const risk = (test: ReturnType<typeof makeTest>) => costOf(machine, closed("cold-call"), test).risk;
    expect(risk(makeTest("cold-call", "acv", "J1-1", "J1-2"))).toBeGreaterThan(risk(hinge));
    expect(risk(hinge)).toBeGreaterThan(risk(makeTest("unplugged", "ohms", "plug-line", "plug-neutral")));
  });
});

describe("the tests that are thought of at all", () => {
  it("carry unique names, name points that exist, and measure across one domain only", () => {
    const keys = isolation.permitted.map(testKey);
    expect(new Set(keys).size).toBe(keys.length);
    for (const test of isolation.permitted) {
      if (!test.black) continue;
      const [red, black] = [machine.points.get(test.red)!, machine.points.get(test.black)!];
      expect(red.node).not.toBe(black.node);
      const [a, b] = [machine.domains[red.node]!, machine.domains[black.node]!];
      if (a.group !== b.group) expect([a.energy, b.energy]).toContain("earth");
    }
  });

  it("give every hypothesis chances that add to one, and put what it predicts into an outcome", () => {
    for (const test of isolation.candidates.filter((_, i) => i % 17 === 0)) {
      const { outcomes, chances } = isolation.tableFor(test);
      isolation.hypotheses.forEach((h, i) => {
        let sum = 0;
        for (let o = 0; o < outcomes.length; o++) sum += chances[i * outcomes.length + o]!;
        expect(sum, `${testKey(test)} ${h.id}`).toBeCloseTo(1, 5);
      });
      const nominal = isolation.predictionsFor(test)[0]![0]!;
      if (nominal.kind !== "jumping") expect(outcomeOf(outcomes, nominal), testKey(test)).toBeGreaterThanOrEqual(0);
    }
  });
});

describe("conditions of a control program", () => {
  const share = (input: string) => ({ cabinet: 0.4, door: 0.9 })[input] ?? 0;
  const now = (mode: string, level = share): Situation => ({
    share: level,
    mode,
    keyDown: (key) => key === "START",
    codeSet: (code) => code === "E4",
  });
  it("combine as they read", () => {
    const warm: Condition = { input: "cabinet", below: 0.545 };
    expect(conditionHolds(warm, now("run"))).toBe(true);
    expect(conditionHolds({ all: [warm, { mode: "run" }] }, now("defrost"))).toBe(false);
    expect(conditionHolds({ any: [{ input: "door", below: 0.5 }, { not: { mode: "run" } }] }, now("defrost"))).toBe(
      true,
    );
    expect(conditionHolds({ always: "lit" }, now("run"))).toBe(true);
    expect(conditionHolds({ all: [{ key: "START" }, { not: { key: "STOP" } }, { code: "E4" }] }, now("run"))).toBe(
      true,
    );
    expect(plainConditions({ all: [warm, { not: { any: [{ key: "A" }, { code: "B" }] } }] })).toEqual([
      warm,
      { key: "A" },
      { code: "B" },
    ]);
  });
  it("hold or do not hold, never both (property)", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (level, limit) => {
          const c: Condition = { input: "x", above: limit };
          expect(
            conditionHolds(
              { not: c },
              now("run", () => level),
            ),
          ).toBe(
            !conditionHolds(
              c,
              now("run", () => level),
            ),
          );
        },
      ),
    );
  });
  it("are refused when nested without end or told in two ways at once", () => {
    let deep: unknown = { mode: "run" };
    for (let i = 0; i < 30; i++) deep = { not: deep };
    expect(conditionSchema.safeParse(deep).success).toBe(false);
    expect(conditionSchema.safeParse({ input: "a", above: 0.2, below: 0.4 }).success).toBe(false);
    expect(conditionSchema.safeParse({ input: "a", above: "0.2" }).success).toBe(true);
  });
});

describe("round trips (properties)", () => {
  it("a quantity shown in ohms reads back to three figures", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 9e6, noNaN: true }), (ohms) => {
        expect(readEngineering(quantity(ohms, "ohm"))!.value / ohms).toBeCloseTo(1, 2);
      }),
    );
  });
  it("any text gives a reading or a sentence, never an exception or a value that is not finite", () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 30 }), fc.constantFrom("V", "A", "ohm", "beep" as const), (text, asked) => {
        const read = parseReading(text, asked as "V");
        if (!read.ok) expect(read.sentence.length).toBeGreaterThan(10);
        else if (read.shown.kind === "value") expect(Number.isFinite(read.shown.value)).toBe(true);
      }),
      { numRuns: 1000 },
    );
  });
  it("the scale of readings is monotone and comes back", () => {
    const scale = scaleOf(ORDINARY_METER, "dcv");
    fc.assert(
      fc.property(
        fc.double({ min: -500, max: 500, noNaN: true }),
        fc.double({ min: -500, max: 500, noNaN: true }),
        (a, b) => {
          expect(Math.abs(fromScale(scale, toScale(scale, a)) - a)).toBeLessThan(1e-6 * Math.max(1, Math.abs(a)));
          if (a < b) expect(toScale(scale, a)).toBeLessThanOrEqual(toScale(scale, b));
        },
      ),
    );
  });
  it("canonical JSON is the same whatever the order of keys, and parses back", () => {
    fc.assert(
      fc.property(fc.dictionary(fc.string(), fc.jsonValue()), (object) => {
        const shuffled = Object.fromEntries(Object.entries(object).reverse());
        expect(canonicalJson(shuffled)).toBe(canonicalJson(object));
        expect(JSON.parse(canonicalJson(object))).toEqual(JSON.parse(JSON.stringify(object)));
      }),
    );
  });
  it("named chance is even and the same for the same name", () => {
    const values = Array.from({ length: 4000 }, (_, i) => uniformFor(3, `name ${i}`));
    expect(values.reduce((a, b) => a + b, 0) / values.length).toBeCloseTo(0.5, 1);
    expect(Math.min(...values)).toBeGreaterThanOrEqual(0);
    expect(Math.max(...values)).toBeLessThan(1);
    expect(uniformFor(3, "a")).toBe(uniformFor(3, "a"));
    expect(uniformFor(3, "a")).not.toBe(uniformFor(4, "a"));
  });
});
