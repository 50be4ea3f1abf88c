import { describe, expect, it } from "vitest";
import { decimal, engineering, inSentence, quantity, readingText } from "../../../src/core/quantity/format";
import { readEngineering, parseReading, type Asked } from "../../../src/core/quantity/read";

const value = (text: string, asked: Asked = "V") => {
  const read = parseReading(text, asked);
  return read.ok && read.shown.kind === "value" ? read.shown.value : read.ok ? read.shown : read.sentence;
};

describe("what a technician types", () => {
  it.each([
    ["13.2", "V", 13.2],
    ["13,2 V", "V", 13.2],
    [" 13.2v ", "V", 13.2],
    ["120 VAC", "V", 120],
    ["-0.4", "V", -0.4],
    ["\u22120.4", "V", -0.4],
    [".5", "V", 0.5],
    ["320 mV", "V", 0.32],
    ["0.43A", "A", 0.43],
    ["430mA", "A", 0.43],
    ["4k7", "ohm", 4700],
    ["4K7", "ohm", 4700],
    ["R47", "ohm", 0.47],
    ["2R2", "ohm", 2.2],
    ["1M0", "ohm", 1e6],
    ["4.7 k", "ohm", 4700],
    ["44.3 ohm", "ohm", 44.3],
    ["44,3Ω", "ohm", 44.3],
    ["5.2 kohm", "ohm", 5200],
    ["1.0", "ohm", 1],
    ["1 ohm", "ohm", 1],
    ["nothing", "V", 0],
    ["dead", "A", 0],
    ["1", "V", 1],
    ["12 500", "ohm", 12500],
    ["-1 234.5 V", "V", -1234.5],
  ] as const)("%s asked in %s is %d", (text, asked, expected) => {
    expect(value(text, asked)).toBeCloseTo(expected, 9);
  });

  // ISO 80000-1: digits stand in groups of three, no other way.
  it.each(["12 34", "1 2", "1200 500", "120 23 V", "12.5 3", "12 500 3"])(
    "takes no two numbers for one: %s",
    (text) => {
      expect(parseReading(text, "V")).toMatchObject({ ok: false });
    },
  );

  it("takes an overload in its usual spellings", () => {
    for (const text of ["OL", "ol", "O.L", "0L", "overload", "inf", "∞", "open"])
      expect(value(text, "ohm"), text).toEqual({ kind: "overload" });
  });

  it("takes nothing on an ohmmeter as an overload, on continuity as no beep", () => {
    expect(value("nothing", "ohm")).toEqual({ kind: "overload" });
    expect(value("nothing", "beep")).toEqual({ kind: "beep", beeps: false });
    expect(value("beep", "beep")).toEqual({ kind: "beep", beeps: true });
  });

  it("takes an unsteady display as a range, with the way it moves", () => {
    expect(value("3-11")).toEqual({ kind: "jumping", low: 3, high: 11, manner: "jumping" });
    expect(value("11 to 3,5 V")).toEqual({ kind: "jumping", low: 3.5, high: 11, manner: "jumping" });
    expect(value("3..11 pulsing")).toEqual({ kind: "jumping", low: 3, high: 11, manner: "pulsing" });
    expect(value("fading 13")).toEqual({ kind: "jumping", low: 0, high: 13, manner: "fading" });
  });

  it("asks whether a lone 1 on ohms is an overload on a manual range", () => {
    const read = parseReading("1", "ohm");
    expect(read).toMatchObject({ ok: false, ask: "overload?" });
  });

  it.each([
    ["", "V", /Nothing typed/],
    ["abc", "V", /is no reading/],
    ["13.2.1", "V", /is no reading/],
    ["0.4A", "V", /amperes/],
    ["12 V", "ohm", /volts/],
    ["-5", "ohm", /below zero/],
    ["beep", "V", /continuity/],
    ["<script>", "V", /is no reading/],
    ["1e999", "V", /is no reading/],
    ["--", "V", /is no reading/],
  ] as const)("refuses %j asked in %s with a sentence", (text, asked, sentence) => {
    const read = parseReading(text, asked);
    expect(read.ok).toBe(false);
    if (!read.ok) expect(read.sentence).toMatch(sentence);
  });

  it("reads engineering notation with either decimal sign, and refuses what is none", () => {
    expect(readEngineering("2.2n")?.value).toBeCloseTo(2.2e-9, 15);
    expect(readEngineering("4,7k")?.value).toBe(4700);
    expect(readEngineering("k")).toBeNull();
    expect(readEngineering("5 furlongs")).toBeNull();
  });
});

describe("how values are shown", () => {
  it("keeps three figures and takes a prefix for ohms only", () => {
    expect(engineering(4700)).toEqual({ number: "4.70", prefix: "k" });
    expect(engineering(999.9)).toEqual({ number: "1.00", prefix: "k" });
    expect(engineering(0)).toEqual({ number: "0", prefix: "" });
    expect(quantity(44.3, "ohm")).toBe("44.3 Ω");
    expect(quantity(13.42, "V")).toBe("13.4 V");
    expect(decimal(121.4)).toBe("121");
    expect(["Door harness", "J2", "13 V supply", "Panel plug J2 at the main board"].map(inSentence)).toEqual([
      "door harness",
      "J2",
      "13 V supply",
      "panel plug J2 at the main board",
    ]);
    expect(readingText({ kind: "jumping", low: 3, high: 11, manner: "jumping" }, "V")).toBe("3.00–11.0 V jumping");
  });
});
