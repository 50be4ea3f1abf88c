import { describe, expect, it } from "vitest";
import type { Reading } from "../../../src/core/quantity/read";
import { Names, Readings } from "../../../src/core/quantity/readings";

const EVERY: readonly (Reading | null | undefined)[] = [
  null,
  undefined,
  { kind: "value", value: -13.2 },
  { kind: "value", value: 0 },
  { kind: "value", value: 4700, factor: 1.6 },
  { kind: "overload" },
  { kind: "beep", beeps: true },
  { kind: "beep", beeps: false },
  { kind: "label", label: "lit" },
  { kind: "label", label: "" },
  { kind: "jumping", low: 3, high: 11, manner: "jumping" },
  { kind: "jumping", low: -1, high: 0.25, manner: "fading" },
  { kind: "jumping", low: 0, high: 12, manner: "pulsing" },
];

describe("readings side by side", () => {
  it("give back every kind of reading as it was put in", () => {
    const readings = Readings.of(EVERY);
    expect(EVERY.map((_, i) => readings.at(i))).toEqual(EVERY);
  });

  it("are taken from others one by one and all at once, labels by the names they share", () => {
    const names = new Names();
    const from = Readings.of(EVERY, names);
    const [each, whole] = [new Readings(EVERY.length, names), new Readings(EVERY.length, names)];
    EVERY.forEach((_, i) => each.take(EVERY.length - 1 - i, from, i));
    whole.takeAll(from);
    expect(EVERY.map((_, i) => each.at(i))).toEqual([...EVERY].reverse());
    expect(EVERY.map((_, i) => whole.at(i))).toEqual(EVERY);
    expect(names.list).toEqual(["lit", ""]);
  });

  it("are rounded to single precision, seven digits, and are then what Float32 holds", () => {
    const readings = Readings.of([
      { kind: "value", value: 1 / 3 },
      { kind: "jumping", low: 0.1, high: 229.99999999, manner: "pulsing" },
      { kind: "overload" },
    ]);
    readings.round();
    const single = new Float32Array([1 / 3, 0.1, 229.99999999]);
    expect(readings.at(0)).toEqual({ kind: "value", value: single[0] });
    expect(readings.at(1)).toEqual({ kind: "jumping", low: single[1], high: single[2], manner: "pulsing" });
    expect(readings.at(2)).toEqual({ kind: "overload" });
    expect(Math.abs(single[0]! * 3 - 1)).toBeLessThan(1e-7);
  });
});
