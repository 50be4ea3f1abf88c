import { describe, expect, it } from "vitest";
import { ORDINARY_METER } from "../../../../src/core/instrument/meter";
import { codeMatches, codesOf } from "../../../../src/core/diagnose/advice/code-odds";
import type { Hypothesis } from "../../../../src/core/diagnose/hypotheses/hypothesis";
import type { Prediction } from "../../../../src/core/diagnose/reading/prediction";
import { shared } from "../../../../src/core/diagnose/dictionary/shared-predictions";
import { Stopwatch, type Timed } from "../../../../src/core/diagnose/evidence/timed-observation";
import { learnTimes } from "../../../../src/core/diagnose/planning/learned-times";
import { verdictOf, type Window } from "../../../../src/core/diagnose/reading/window";
import type { Reading } from "../../../../src/core/quantity/read";
import { makeTest } from "../../../../src/core/simulate/test";
import { machineNamed } from "../../../support/fleet";

const value = (v: number): Reading => ({ kind: "value", value: v });
const label = (words: string): Reading => ({ kind: "label", label: words });
const beep = (beeps: boolean): Reading => ({ kind: "beep", beeps });
const OVER: Reading = { kind: "overload" };
const jumping = (low: number, high: number, manner: "jumping" | "pulsing" | "fading" = "jumping"): Reading => ({
  kind: "jumping",
  low,
  high,
  manner,
});

describe("the verdict on a reading", () => {
  const fits = (window: Window, shown: Reading) => verdictOf(window, shown) === "fits";
  it("goes by the window: a range with its borders, an overload or what is as good as one, a word, a sound, a movement", () => {
    const range: Window = { kind: "range", low: 1, high: 2 };
    expect([0.99, 1, 1.5, 2, 2.01].map((v) => fits(range, value(v)))).toEqual([false, true, true, true, false]);
    expect([fits(range, OVER), fits(range, label("1.5")), fits(range, jumping(1, 2))]).toEqual([false, false, false]);
    expect([
      fits({ kind: "overload" }, OVER),
      fits({ kind: "overload" }, value(2e7)),
      fits({ kind: "overload" }, value(1e7)),
      fits({ kind: "overload" }, label("OL")),
    ]).toEqual([true, true, false, false]);
    expect([
      fits({ kind: "label", label: "lit" }, label("lit")),
      fits({ kind: "label", label: "lit" }, label("dark")),
      fits({ kind: "label", label: "lit" }, beep(true)),
    ]).toEqual([true, false, false]);
    expect([
      fits({ kind: "beep", beeps: true }, beep(true)),
      fits({ kind: "beep", beeps: true }, beep(false)),
      fits({ kind: "beep", beeps: false }, label("x")),
    ]).toEqual([true, false, false]);
    expect([fits({ kind: "unsteady" }, jumping(0, 5)), fits({ kind: "unsteady" }, value(3))]).toEqual([true, false]);
  });
});

describe("predictions that are kept as one", () => {
  const one = (fn: "dcv" | "look" | "continuity", a: Prediction, b: Prediction) => {
    const [x, y] = shared(makeTest("on", fn, "a", "b"), [a, b], ORDINARY_METER);
    return x === y;
  };
  it("differ by less than a hundredth of the meter's error in every sample; words, sounds and movements not at all", () => {
    const { relative, absolute } = ORDINARY_METER.accuracy.dcv;
    const hair = 0.01 * (absolute + relative * 10);
    expect(one("dcv", [value(10), value(5)], [value(10 + 0.9 * hair), value(5)])).toBe(true);
    expect(one("dcv", [value(10), value(5)], [value(10 + 1.2 * hair), value(5)])).toBe(false);
    expect(one("dcv", [value(10), value(5)], [value(10), value(5.1)])).toBe(false);
    expect(one("dcv", [value(10)], [value(10), value(10)])).toBe(false);
    expect([
      one("dcv", [OVER], [OVER]),
      one("dcv", [OVER], [value(1)]),
      one("dcv", [null], [null]),
      one("dcv", [null], [value(1)]),
      one("dcv", [value(1)], [null]),
    ]).toEqual([true, false, true, false, false]);
    expect([
      one("look", [label("lit")], [label("lit")]),
      one("look", [label("lit")], [label("dark")]),
      one("look", [label("lit")], [beep(true)]),
    ]).toEqual([true, false, false]);
    expect([one("continuity", [beep(true)], [beep(true)]), one("continuity", [beep(true)], [beep(false)])]).toEqual([
      true,
      false,
    ]);
    expect([
      one("dcv", [jumping(1, 4)], [jumping(1, 4)]),
      one("dcv", [jumping(1, 4)], [jumping(1, 4.5)]),
      one("dcv", [jumping(1, 4)], [jumping(0.5, 4)]),
      one("dcv", [jumping(1, 4)], [jumping(1, 4, "pulsing")]),
    ]).toEqual([true, false, false, false]);
  });
});

describe("something timed by a watch", () => {
  const event = (seconds: number | null): Timed => ({ setup: "on", part: "p", label: "runs", seconds, watched: 60 });
  const expecting = (expected: number | null) => {
    const watch = Object.create(Stopwatch.prototype) as Stopwatch;
    watch.predicted = () => expected;
    return (seconds: number | null) => watch.likelihood(event(seconds), {} as Hypothesis);
  };
  it("is as likely as the clock, the hand and the delay allow; never, where never is expected", () => {
    expect(expecting(10)(10)).toBeCloseTo(0.97 + 0.0075, 12);
    // A second by hand and a fifth of the delay: two seconds off ten.
    expect(expecting(10)(13)).toBeCloseTo(0.97 * Math.exp(-0.5 * (9 / (1 + 4))) + 0.0075, 12);
    expect(expecting(10)(7)).toBeCloseTo(expecting(10)(13), 12);
    expect(expecting(10)(null)).toBeCloseTo(0.0075, 12);
    expect(expecting(Infinity)(null)).toBeCloseTo(0.97 + 0.0075, 12);
    expect(expecting(Infinity)(10)).toBeCloseTo(0.0075, 12);
    expect(expecting(null)(10)).toBe(0.25);
  });
});

describe("what moves really take", () => {
  it("is learned by the shares of the moves in a step, drawn towards the book as four steps would", () => {
    const twice = {
      moves: [
        { move: "cover", minutes: 2 },
        { move: "measure", minutes: 1 },
        { move: "words", minutes: 0 },
      ],
      took: 6,
    };
    const learned = learnTimes([twice]);
    expect(Object.keys(learned)).toEqual(["cover", "measure"]);
    expect(learned.cover).toBeCloseTo(2 ** (2 / 3 / (2 / 3 + 4)), 12);
    expect(learned.measure).toBeCloseTo(2 ** (1 / 3 / (1 / 3 + 4)), 12);
    const often = learnTimes(Array.from({ length: 400 }, () => twice));
    expect(often.cover).toBeGreaterThan(1.9);
    expect(often.cover).toBeLessThan(2);
  });
  it("says nothing of steps that were broken off, entered afterwards, or took nothing by the book", () => {
    const step = (took: number, minutes = 2) => learnTimes([{ moves: [{ move: "m", minutes }], took }]);
    expect([step(12.1), step(0.2), step(3, 0)]).toEqual([{}, {}, {}]);
    expect(step(12).m).toBeCloseTo(6 ** 0.2, 12);
    expect(step(0.21).m).toBeLessThan(1);
  });
});

describe("everything a machine can show", () => {
  it("comes with its codes first, what they mean and what they blame; and is found by any words of it", () => {
    const machine = machineNamed("firnau-bf-330");
    const codes = codesOf(machine);
    const first = codes.findIndex((c) => c.code === null);
    expect(first).toBeGreaterThan(0);
    expect(codes.slice(first).every((c) => c.code === null && c.words === "" && c.blames === null)).toBe(true);
    for (const c of codes) {
      expect(["panel", "indicator"]).toContain(machine.partById.get(c.part)!.kind.kind);
      expect(machine.partById.get(c.part)!.labels).toContain(c.label);
      if (c.blames !== null) expect(c.blamesName).toBe(machine.assemblyById.get(c.blames)!.name);
    }
    const named = codes.find((c) => c.code !== null && c.words.includes(" "))!;
    const [one, two] = named.words.split(" ");
    expect(codeMatches(named, `${two!.toUpperCase()}   ${one}`)).toBe(true);
    expect(codeMatches(named, named.label)).toBe(true);
    expect(codeMatches(named, `${one} surely-not-there`)).toBe(false);
    expect(codeMatches({ ...named, code: null }, "null")).toBe(false);
  });
});
