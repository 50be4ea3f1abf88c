import { describe, expect, test } from "vitest";
import { coldOhms, RELAY_BOUNDS } from "../../src/core/model";
import { METRIC, quantityText, readQuantity, readSpan } from "../../src/core/quantity";
import { parseReading } from "../../src/core/quantity/read";
import { adjustmentFor, calibrate } from "../../src/core/workbench/calibration";
import { readPositions } from "../../src/core/workbench/coded-switch";
import { carriesFor, opensWithin } from "../../src/core/workbench/fuse-times";
import { judgeSweep, taperShare } from "../../src/core/workbench/level-sensor";
import { coilAmps, ratedShare } from "../../src/core/workbench/relay";
import { workTool } from "../../src/core/workbench/tool";
import { TOOLS } from "../../src/core/workbench/tools";

const sheet = (id: string, typed: Record<string, string>) => {
  const {
    sheet: s,
    problem,
    problems,
  } = workTool(
    TOOLS.find((t) => t.id === id)!,
    typed,
    METRIC,
  );
  if (!s) throw new Error(problem || JSON.stringify(problems));
  return s;
};
const verdict = (id: string, typed: Record<string, string>) => sheet(id, typed).verdict!;

describe("calibration: zero, span or both, by hand", () => {
  // True, shown; gain and offset by hand: shown = offset + gain x true.
  test.each([
    [
      "0 0.5, 50 50, 100 99.5: both, 0.5 and 0.99",
      [
        [0, 0.5],
        [50, 50],
        [100, 99.5],
      ],
      "both",
      0.5,
      0.99,
    ],
    [
      "3 + 1.05 x: both",
      [
        [0, 3],
        [50, 55.5],
        [100, 108],
      ],
      "both",
      3,
      1.05,
    ],
    [
      "2 above everywhere: zero",
      [
        [0, 2],
        [50, 52],
        [100, 102],
      ],
      "zero",
      2,
      1,
    ],
    [
      "a tenth too much: span",
      [
        [0, 0],
        [50, 55],
        [100, 110],
      ],
      "span",
      0,
      1.1,
    ],
    [
      "0.97 x: span",
      [
        [10, 9.7],
        [20, 19.4],
        [40, 38.8],
      ],
      "span",
      0,
      0.97,
    ],
    [
      "1.5 below everywhere: zero",
      [
        [10, 8.5],
        [20, 18.5],
        [40, 38.5],
      ],
      "zero",
      -1.5,
      1,
    ],
  ] as const)("%s", (_words, pairs, adjustment, offset, gain) => {
    const c = calibrate(pairs as unknown as [number, number][]);
    expect(c.offset).toBeCloseTo(offset, 9);
    expect(c.slope).toBeCloseTo(gain, 9);
    expect(adjustmentFor(c, 100, 0.2)).toBe(adjustment);
  });
  test("a curve that bends 2 in the middle is mended by nothing, where 0.5 is allowed", () => {
    const bent = calibrate([
      [0, 0],
      [50, 53],
      [100, 100],
    ]);
    expect(adjustmentFor(bent, 100, 0.5)).toBeNull();
    // Half of what it bends is left once the line lies through the middle: 3 x 2/3 = 2 at the most.
    expect(bent.bend).toBeCloseTo(2, 9);
  });
  test("it says which way and by how much", () => {
    expect(verdict("calibration", { rows: "0 0.5\n50 50\n100 99.5", allowed: "0.2" }).words).toBe(
      "Zero and span: the zero down by 0.5, then the span up by 1.01 %; look at the zero again.",
    );
  });
});

describe("fuses by their family (standards from memory, as in the trade's own table)", () => {
  const [minute, hour] = [60, 3600];
  test.each([
    ["UL 248-14, 135 %: opens within an hour", "ul", 1.35, "most", hour],
    ["UL 248-14, 200 %: within two minutes", "ul", 2, "most", 2 * minute],
    ["IEC 60127 quick, 150 %: holds an hour", "quick", 1.5, "least", hour],
    ["IEC 60127 quick, 210 %: opens within 30 minutes", "quick", 2.1, "most", 30 * minute],
    ["IEC 60127 time-lag, 150 %: holds an hour", "slow", 1.5, "least", hour],
    ["blade, 110 %: holds 100 hours", "blade", 1.1, "least", 100 * hour],
    ["blade, 200 %: 0.15 s at least", "blade", 2, "least", 0.15],
    ["blade, 200 %: 5 s at most", "blade", 2, "most", 5],
    ["IEC 60127 quick, 1000 %: 20 ms at most", "quick", 10, "most", 0.02],
    ["IEC 60127 time-lag, 1000 %: 20 ms at least", "slow", 10, "least", 0.02],
    ["IEC 60127 time-lag, 1000 %: 300 ms at most", "slow", 10, "most", 0.3],
  ] as const)("%s", (_words, family, ratio, end, seconds) => {
    expect(opensWithin(family, ratio)[end]).toBe(seconds);
  });
  test("between two gates the bounds of both hold; below the first nothing is said", () => {
    expect(opensWithin("quick", 3)).toEqual({ least: 0.01, most: 2 });
    expect(opensWithin("quick", 1.8).most).toBe(Infinity);
    expect([carriesFor("quick"), carriesFor("ul"), carriesFor("blade")]).toEqual([1.5, 1, 1.1]);
  });
  test("a sound quick one of 100 mA has several ohms, and is not called blown", () => {
    expect(coldOhms(0.1, "quick")).toBeGreaterThan(2);
    expect(coldOhms(0.1, "quick")).toBeLessThan(12);
    const own = (fuse: string, fitted: string) =>
      sheet("fuse", { fuse, fitted, type: "quick" }).lines.find((l) => l.label === "The fuse itself")!.text;
    expect([own("4.5", "0.1"), own("OL", "0.1"), own("0.05", "10")]).toEqual(["whole", "blown", "whole"]);
    // The same ohms are none of a 10 A fuse.
    expect(own("4.5", "10")).toBe("blown");
  });
  test("1.2 times its rating blows no IEC fuse within an hour; 2.5 times does within its time", () => {
    const loads = (watts: number, type: string) =>
      verdict("fuse", { volts: "100", loads: `${watts}W heater`, fitted: "1", type });
    expect(loads(120, "quick")).toMatchObject({ kind: "unsure" });
    expect(loads(250, "quick")).toMatchObject({ kind: "bad" });
    expect(loads(250, "quick").words).toContain("30 min");
    expect(loads(140, "ul").words).toContain("1 h");
  });
  test("an inrush of ten times for 10 ms is borne by a time-lag fuse, and opens a quick one at 30 ms", () => {
    const inrush = (type: string, lasts: string) => verdict("fuse", { fitted: "1", start: "10", lasts, type }).kind;
    expect(inrush("slow", "10 ms")).toBe("good");
    expect(inrush("slow", "100 ms")).toBe("unsure");
    expect(inrush("quick", "30 ms")).toBe("bad");
  });
});

describe("coils and contacts", () => {
  test("230 V, 4 kilohm, 12 H: 42 mA at 50 Hz, 38 mA at 60 Hz, 57.5 mA on direct current (by hand)", () => {
    // X = 2 pi 50 12 = 3770 ohm, Z = sqrt(4000^2 + 3770^2) = 5497 ohm; at 60 Hz X = 4524, Z = 6039.
    expect(coilAmps(230, 4000, 12, 50)).toBeCloseTo(0.04184, 5);
    expect(coilAmps(230, 4000, 12, 60)).toBeCloseTo(0.03809, 5);
    expect(coilAmps(230, 4000, 12, 0)).toBeCloseTo(0.0575, 9);
    const text = sheet("relay", { coilVolts: "230", coilOhms: "4k", henries: "12", coilCurrent: "ac" }).lines[0]!.text;
    expect(text).toContain("41.8 mA");
  });
  test("bounds of a coil: 75 and 10 % on DC, 85 and 20 % on AC (common practice; AC from memory)", () => {
    expect(RELAY_BOUNDS).toEqual({
      dc: { pulledInBy: 0.75, releasedBy: 0.1 },
      ac: { pulledInBy: 0.85, releasedBy: 0.2 },
    });
    const bounds = (coilCurrent: string) =>
      sheet("relay", { coilVolts: "24", coilOhms: "600", coilCurrent }).lines.find((l) => l.label.startsWith("Pulls"))!
        .text;
    expect(bounds("dc")).toBe("has pulled in by 18.0 V, has released by 2.40 V");
    expect(bounds("ac")).toBe("has pulled in by 20.4 V, has released by 4.80 V");
  });
  test("a rating counts whole for the load it is for, its share for another, and nothing across kinds", () => {
    expect(ratedShare({ load: "motor", direct: false }, "motor", false, 230)).toBe(1);
    expect(ratedShare({ load: "resistive", direct: false }, "resistive", false, 230)).toBe(1);
    expect(ratedShare({ load: "resistive", direct: false }, "motor", false, 230)).toBeLessThan(0.5);
    expect(ratedShare({ load: "motor", direct: false }, "lamp", false, 230)).toBeNull();
    expect(ratedShare({ load: "resistive", direct: true }, "resistive", false, 230)).toBeNull();
    expect(ratedShare({ load: "resistive", direct: true }, "resistive", true, 60)).toBe(1);
    // Rated for alternating current, above 30 V DC: an arc that does not go out.
    expect(ratedShare({ load: "resistive", direct: false }, "resistive", true, 60)).toBeCloseTo(0.1, 9);
  });
});

describe("what the trade writes", () => {
  test.each([
    ["35 mf", 35e-6],
    ["35 MFD", 35e-6],
    ["35mfd", 35e-6],
    ["35 uF", 35e-6],
    ["7.5 µF", 7.5e-6],
    ["0.1 MFD", 0.1e-6],
    ["47n", 47e-9],
    ["220p", 220e-12],
    ["2200u", 2200e-6],
    ["4u7", 4.7e-6],
  ] as const)("a capacitor of %s", (text, farads) => {
    const read = readQuantity(text, "farads", METRIC);
    expect(read.ok && read.value / farads).toBeCloseTo(1, 9);
    const shown = parseReading(text, "F");
    expect(shown.ok && shown.shown.kind === "value" && shown.shown.value / farads).toBeCloseTo(1, 9);
  });
  test.each([
    ["108-130u", 108e-6, 130e-6],
    ["88 - 108 MFD", 88e-6, 108e-6],
    ["8u", 8e-6, 8e-6],
  ] as const)("a print of %s", (text, low, high) => {
    const span = readSpan(text, "farads", METRIC);
    expect(span.ok && span.low / low).toBeCloseTo(1, 9);
    expect(span.ok && span.high / high).toBeCloseTo(1, 9);
  });
  test("a start capacitor within its span is good; below it by more than it may lose, weak", () => {
    const start = (farads: string) => verdict("motor", { farads, print: "108-130 MFD" }).kind;
    expect([start("120u"), start("109u"), start("80u")]).toEqual(["good", "good", "bad"]);
  });
  test.each(["1,500", "12,500", "1,250 V"])("%s is asked back: which is meant", (text) => {
    const read = parseReading(text, "V");
    expect(read).toMatchObject({ ok: false });
    expect(!read.ok && read.sentence).toContain("or");
    expect(readQuantity(text.replace(" V", ""), "volts", METRIC).ok).toBe(false);
  });
  test.each([
    ["0,500", 0.5],
    ["12,5", 12.5],
    ["1,50", 1.5],
    ["1500", 1500],
    ["12 500", 12500],
  ] as const)("%s can be read one way only", (text, volts) => {
    const read = readQuantity(text, "volts", METRIC);
    expect(read.ok && read.value).toBeCloseTo(volts, 9);
  });
  test("switches as sheets print them, and as they stand", () => {
    expect(readPositions("1 3 5", 5)).toEqual([true, false, true, false, true]);
    expect(readPositions("2", 4)).toEqual([false, true, false, false]);
    expect(readPositions("1 0 1 0", 4)).toEqual([true, false, true, false]);
    expect(readPositions("1010", 4)).toEqual([true, false, true, false]);
    expect(readPositions("none", 3)).toEqual([false, false, false]);
    expect(() => readPositions("1 7", 5)).toThrow();
  });
});

describe("what an address may hold", () => {
  test("a choice that there is not is none: no tool falls over it", () => {
    for (const tool of TOOLS) {
      const odd = Object.fromEntries(tool.fields.map((f) => [f.key, f.choices ? "no such choice" : (f.hint ?? "5")]));
      expect(() => workTool(tool, odd, METRIC), tool.id).not.toThrow();
    }
    const odd = { volts: "100", loads: "250W heater", fitted: "1", type: "no such family" };
    expect(verdict("fuse", odd)).toEqual(verdict("fuse", { ...odd, type: "slow" }));
  });
  test("a field of a chart that begins at the second switch is typed by the switches' own numbers", () => {
    // By hand: 2 to 4 are 1, 2, 4; the first switch does something else and is on throughout.
    const chart = "0: 1\n1: 1 2\n2: 1 3\n3: 1 2 3\n4: 1 4\n5: 1 2 4";
    const found = sheet("switches", { chart, found: "2 4" }).lines.find((l) => l.label === "Found")!;
    expect(found.text).toBe("5");
  });
});

describe("potentiometers", () => {
  test("a logarithmic one has 10 to 20 % at half turn (from memory), and both ends", () => {
    expect(taperShare("logarithmic", 0.5)).toBeGreaterThanOrEqual(0.1);
    expect(taperShare("logarithmic", 0.5)).toBeLessThanOrEqual(0.2);
    for (const t of ["linear", "logarithmic", "reverse logarithmic"] as const)
      expect([taperShare(t, 0), taperShare(t, 1)].map((v) => v.toFixed(9))).toEqual(["0.000000000", "1.000000000"]);
  });
  test.each([
    // 10 k swept in quarters, as read on the bench: the steep end is no dead spot.
    ["linear", [2, 2500, 5010, 7480, 10_000]],
    ["logarithmic", [2, 480, 1520, 4100, 10_000]],
    ["reverse logarithmic", [2, 5900, 8450, 9500, 10_000]],
  ] as const)("%s", (taper, ohms) => {
    expect(judgeSweep(ohms)).toMatchObject({ taper, dead: [], backward: [] });
    expect(judgeSweep([...ohms].reverse()).dead).toEqual([]);
  });
  test("a dead spot on a logarithmic one, and another taper than wanted", () => {
    expect(judgeSweep([2, 480, Infinity, 4100, 10_000]).dead).toEqual([3]);
    const wanted = { sort: "pot", sweep: "2 480 1520 4100 10k", taper: "linear" };
    expect(verdict("position", wanted)).toMatchObject({ kind: "bad" });
    expect(verdict("position", { ...wanted, taper: "logarithmic" })).toMatchObject({ kind: "good" });
    expect(quantityText(taperShare("logarithmic", 0.5), "share")).toBe("15 %");
  });
});
