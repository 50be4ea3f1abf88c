import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { ORDINARY_METER } from "../../../../src/core/instrument/meter";
import { density, makeKernel, SLIP } from "../../../../src/core/diagnose/reading/likelihood";
import { outcomeOf, outcomeTable, plogp, type OutcomeTable } from "../../../../src/core/diagnose/dictionary/outcomes";
import type { Prediction } from "../../../../src/core/diagnose/reading/prediction";
import { scaleOf, toScale } from "../../../../src/core/diagnose/reading/scale";
import type { Reading } from "../../../../src/core/quantity/read";
import { makeTest } from "../../../../src/core/simulate/test";

const meter = ORDINARY_METER;
const volts = makeTest("on", "dcv", "a", "b");
const scale = scaleOf(meter, "dcv");
const value = (v: number): Reading => ({ kind: "value", value: v });
const OVER: Reading = { kind: "overload" };
const five = (shown: Reading): Prediction => [shown, shown, shown, shown, shown];
const row = ({ chances, outcomes }: OutcomeTable, h: number) => [
  ...chances.subarray(h * outcomes.length, (h + 1) * outcomes.length),
];
const sum = (list: readonly number[]) => list.reduce((a, b) => a + b, 0);

/** Mass of a prediction between two readings, by adding up its density in small steps. */
function massBetween(prediction: Prediction, low: number, high: number): number {
  const kernel = makeKernel(prediction, scale);
  const [from, to] = [
    Math.max(-2000, Number.isFinite(low) ? toScale(scale, low) : -2000),
    Math.min(2000, Number.isFinite(high) ? toScale(scale, high) : 2000),
  ];
  const step = 0.02;
  let mass = 0;
  for (let y = from; y < to; y += step) mass += density(y + step / 2, kernel) * Math.min(step, to - y);
  return mass * kernel.value;
}

describe("the outcomes of a measured test", () => {
  it("are the values that are predicted sharply, what lies between them where anyone predicts it, overload and jumping", () => {
    const table = outcomeTable(
      volts,
      [five(value(5)), five(value(0)), five(OVER), five({ kind: "jumping", low: 1, high: 4, manner: "jumping" })],
      meter,
    );
    expect(table.outcomes.map((o) => o.kind).sort()).toEqual(["jumping", "overload", "value", "value"]);
    const centres = table.outcomes.flatMap((o) => (o.kind === "value" ? [o.centre!] : []));
    expect(centres[0]).toBeCloseTo(0, 6);
    expect(centres[1]).toBeCloseTo(5, 6);
    // Each of the four is nearly sure of its own: all but the slip, spread evenly.
    for (let h = 0; h < 4; h++) expect(Math.max(...row(table, h))).toBeCloseTo(1 - SLIP + SLIP / 4, 2);
    expect(new Set([0, 1, 2, 3].map((h) => row(table, h).indexOf(Math.max(...row(table, h))))).size).toBe(4);
  });
  it("leave out what nobody predicts: one value alone is one outcome", () => {
    const table = outcomeTable(volts, [five(value(5)), five(value(5.001))], meter);
    expect(table.outcomes).toHaveLength(1);
    expect([...table.chances]).toEqual([1, 1]);
    expect([...table.entropy]).toEqual([0, 0]);
  });
  it("are not drawn around what is predicted vaguely: that fills the gaps between the sharp ones", () => {
    const vague: Prediction = [value(20), value(60)];
    const table = outcomeTable(volts, [five(value(100)), vague], meter);
    expect(
      table.outcomes.flatMap((o) => (o.kind === "value" && o.centre !== null ? [Math.round(o.centre)] : [])),
    ).toEqual([100]);
    expect(table.outcomes).toHaveLength(2);
  });
  it("have the mass that each prediction has there, the slip spread evenly, in rows that add to one", () => {
    const spread: Prediction = [value(4.9), value(5.0), value(5.2), value(4.7), value(5.3)];
    const split: Prediction = [value(0), value(0), value(12), value(12), value(12)];
    const mixed: Prediction = [value(12), OVER, OVER, value(12), value(12)];
    const all = [five(value(5)), five(value(0)), five(value(12)), spread, split, mixed, five(OVER)];
    const table = outcomeTable(volts, all, meter);
    const n = table.outcomes.length;
    expect(n).toBeGreaterThanOrEqual(4);
    all.forEach((prediction, h) => {
      const own = row(table, h);
      expect(sum(own)).toBeCloseTo(1, 5);
      const kernel = makeKernel(prediction, scale);
      const masses = table.outcomes.map((o) =>
        o.kind === "value"
          ? massBetween(prediction, o.low, o.high)
          : o.kind === "overload"
            ? kernel.overload
            : kernel.jumping,
      );
      const total = sum(masses);
      own.forEach((chance, o) =>
        expect(chance, `row ${h} outcome ${o}`).toBeCloseTo((1 - SLIP) * (masses[o]! / total) + SLIP / n, 3),
      );
      expect(table.entropy[h]).toBeCloseTo(-sum(own.map(plogp)), 5);
    });
  });
  it("expect everything alike of what predicts nothing, and give the same row to the same prediction", () => {
    const twice = five(value(5));
    const table = outcomeTable(volts, [twice, [], five(value(0)), twice], meter);
    expect(row(table, 1)).toEqual(row(table, 1).map(() => Math.fround(1 / table.outcomes.length)));
    expect(row(table, 3)).toEqual(row(table, 0));
    expect(row(table, 2)).not.toEqual(row(table, 0));
    expect(table.entropy[1]).toBeCloseTo(Math.log2(table.outcomes.length), 6);
  });
  it("are ranges that follow each other without a gap, whatever is predicted, and no more than seven sharp ones", () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 400, noNaN: true }), { minLength: 1, maxLength: 14 }),
        (predicted) => {
          const table = outcomeTable(
            volts,
            predicted.map((v) => five(value(v))),
            meter,
          );
          const ranges = table.outcomes.flatMap((o) => (o.kind === "value" ? [o] : []));
          ranges.slice(1).forEach((o, i) => expect(o.low).toBeGreaterThanOrEqual(ranges[i]!.high - 1e-9));
          expect(ranges.filter((o) => o.centre !== null).length).toBeLessThanOrEqual(7);
          // What is predicted falls into the outcome that its own row holds likeliest.
          predicted.forEach((v, h) => {
            const own = row(table, h);
            expect(sum(own)).toBeCloseTo(1, 5);
            expect(own[outcomeOf(table.outcomes, { kind: "value", value: v })]).toBeGreaterThanOrEqual(
              Math.max(...own) - 1e-6,
            );
          });
        },
      ),
      { numRuns: 60 },
    );
  });
  it("join the closest first, by joining them one pair after the other", () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.integer({ min: 1, max: 60 }), { minLength: 8, maxLength: 12 }), (steps) => {
        // Places on the scale, well apart, each gap another.
        const places = steps.reduce<number[]>(
          (list, step, i) => [...list, (list.at(-1) ?? 0) + 12 + step + i / 100],
          [],
        );
        const readings = places.map((y) => Math.sinh(y * scale.relative) * (scale.absolute / scale.relative));
        const groups = places.map((y) => [y]);
        while (groups.length > 7) {
          const gaps = groups.slice(1).map((g, i) => g[0]! - groups[i]!.at(-1)!);
          const closest = gaps.indexOf(Math.min(...gaps));
          groups.splice(closest, 2, [...groups[closest]!, ...groups[closest + 1]!]);
        }
        const { outcomes } = outcomeTable(
          volts,
          readings.map((v) => five(value(v))),
          meter,
        );
        const of = readings.map((v) => outcomeOf(outcomes, { kind: "value", value: v }));
        places.forEach((y, i) =>
          places.forEach((z, j) =>
            expect(of[i] === of[j], `${y} and ${z}`).toBe(groups.some((g) => g.includes(y) && g.includes(z))),
          ),
        );
      }),
      { numRuns: 40 },
    );
  });
  it("join what lies closest when there are more than seven values", () => {
    const predicted = [1, 2, 4, 8, 16, 17, 32, 64, 128];
    const { outcomes } = outcomeTable(
      volts,
      predicted.map((v) => five(value(v))),
      meter,
    );
    const place = (v: number) => outcomeOf(outcomes, { kind: "value", value: v });
    const places = predicted.map(place);
    expect(places.every((p) => p >= 0)).toBe(true);
    expect(place(16)).toBe(place(17));
    expect(place(64)).not.toBe(place(128));
    expect(new Set(places).size).toBe(7);
  });
});

describe("the outcomes of what is seen or heard", () => {
  const look = makeTest("on", "look", "lamp");
  const label = (words: string): Reading => ({ kind: "label", label: words });
  it("are the words that anyone predicts, by their share of the samples", () => {
    const table = outcomeTable(
      look,
      [
        five(label("lit")),
        [label("lit"), label("dark"), label("dark"), label("dark"), label("dark")],
        [null, label("dim"), label("dim"), label("dim"), label("dim")],
        [],
      ],
      meter,
    );
    expect(table.outcomes).toEqual([
      { kind: "label", label: "dark" },
      { kind: "label", label: "dim" },
      { kind: "label", label: "lit" },
    ]);
    const expected = [
      [0, 0, 1],
      [0.8, 0, 0.2],
      [0, 1, 0],
    ].map((r) => r.map((p) => (1 - SLIP) * p + SLIP / 3));
    expected.forEach((r, h) => r.forEach((p, o) => expect(row(table, h)[o]).toBeCloseTo(p, 6)));
    row(table, 3).forEach((p) => expect(p).toBeCloseTo(1 / 3, 6));
    expect(table.entropy[3]).toBeCloseTo(Math.log2(3), 6);
  });
  it("are a sound or none for continuity", () => {
    const beep = (beeps: boolean): Reading => ({ kind: "beep", beeps });
    const table = outcomeTable(makeTest("off", "continuity", "a", "b"), [five(beep(true)), five(beep(false))], meter);
    expect(table.outcomes).toEqual([
      { kind: "beep", beeps: false },
      { kind: "beep", beeps: true },
    ]);
    expect(row(table, 0)[1]).toBeCloseTo(1 - SLIP / 2, 6);
    expect(row(table, 1)[0]).toBeCloseTo(1 - SLIP / 2, 6);
  });
  it("know which of them a reading is, and when it is none", () => {
    const table = outcomeTable(look, [five(label("lit")), five(label("dark"))], meter);
    expect([
      outcomeOf(table.outcomes, label("dark")),
      outcomeOf(table.outcomes, label("lit")),
      outcomeOf(table.outcomes, label("dim")),
      outcomeOf(table.outcomes, OVER),
    ]).toEqual([0, 1, -1, -1]);
    const ranges = [
      { kind: "value", low: 0, high: 1, centre: null },
      { kind: "value", low: 1, high: 2, centre: null },
      { kind: "overload" },
      { kind: "jumping" },
    ] as const;
    expect([0, 0.99, 1, 2].map((v) => outcomeOf(ranges, { kind: "value", value: v }))).toEqual([0, 0, 1, -1]);
    expect([outcomeOf(ranges, OVER), outcomeOf(ranges, { kind: "jumping" })]).toEqual([2, 3]);
    const sounds = [
      { kind: "beep", beeps: false },
      { kind: "beep", beeps: true },
    ] as const;
    expect([
      outcomeOf(sounds, { kind: "beep", beeps: true }),
      outcomeOf(sounds, { kind: "beep", beeps: false }),
    ]).toEqual([1, 0]);
  });
});
