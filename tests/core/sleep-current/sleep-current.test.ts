import { describe, expect, test } from "vitest";
import Papa from "papaparse";
import { readCurrentLog, thinned, UnreadableLog } from "../../../src/core/sleep-current/current-log";
import { analyseSleep, daysUntilFlat, drawnAsleep, judgeSleep } from "../../../src/core/sleep-current/sleep-current";
import { quantityText } from "../../../src/core/quantity/units";
import { randomSource } from "../../support/unit-on-the-bench";

const LIMITS = { asleepAmps: 0.05, withinSeconds: 120 };
const words = (sleep: ReturnType<typeof analyseSleep>, limits = LIMITS) =>
  judgeSleep(
    sleep,
    limits,
    (a) => quantityText(a, "amperes"),
    (s) => quantityText(s, "seconds"),
  );

/** A machine awake for a minute, then asleep, waking up every two minutes for three seconds. */
function course(
  minutes: number,
  { asleep = 0.018, awake = 0.82, every = 120, clip = null as null | readonly [number, number], step = 0.1 } = {},
) {
  const random = randomSource(5);
  const rows: [number, number][] = [];
  for (let t = 0; t < minutes * 60; t += step) {
    const lost = clip && t >= clip[0] && t < clip[1];
    const since = clip && t >= clip[1] ? t - clip[1] : t;
    const up = since < 60 || (since > 60 && (since - 60) % every > every - 3);
    rows.push([t, lost ? 0 : Math.round((up ? awake : asleep) * (1 + 0.02 * (random() - 0.5)) * 1e5) / 1e5]);
  }
  return { seconds: Float64Array.from(rows, (r) => r[0]), amps: Float64Array.from(rows, (r) => r[1]), rows };
}

describe("a log of any logger", () => {
  const plain = course(5);
  const columns = (delimiter: string, comma: boolean, header: string, factor: number) =>
    [
      header,
      ...plain.rows.map(([t, a]) =>
        [t.toFixed(1), (a * factor).toFixed(3)].map((c) => (comma ? c.replace(".", ",") : c)).join(delimiter),
      ),
    ].join("\n");
  test.each([
    ["commas, amperes", columns(",", false, "Time (s),Current (A)", 1)],
    ["semicolons and decimal commas, milliamperes", columns(";", true, "Zeit [s];Strom [mA]", 1000)],
    ["tabs, microamperes", columns("\t", false, "elapsed s\tI_uA", 1e6)],
    [
      "the current first",
      ["current mA,time s", ...plain.rows.map(([t, a]) => `${(a * 1000).toFixed(3)},${t.toFixed(1)}`)].join("\n"),
    ],
    [
      "clock times",
      [
        "clock,Current (A)",
        ...plain.rows.map(
          ([t, a]) =>
            `${String(Math.floor((86_000 + t) / 3600) % 24).padStart(2, "0")}:${String(Math.floor((86_000 + t) / 60) % 60).padStart(2, "0")}:${((86_000 + t) % 60).toFixed(1).padStart(4, "0")},${a}`,
        ),
      ].join("\n"),
    ],
    [
      "dates, quoted (RFC 4180, written by a CSV library)",
      Papa.unparse(
        [
          ["timestamp", "Current (A)"],
          ...plain.rows
            .map(
              ([t, a]) =>
                [
                  `2026-11-30T23:${String(50 + Math.floor(t / 60)).padStart(2, "0")}:${(t % 60).toFixed(1).padStart(4, "0")}`,
                  a,
                ] as const,
            )
            .slice(0, 1200),
        ],
        { quotes: true },
      ),
    ],
  ])("%s", (_, text) => {
    const log = readCurrentLog(text);
    expect(log.skipped).toBe(0);
    expect(log.amps[0]).toBeCloseTo(plain.amps[0]!, 3);
    expect(log.seconds[10]! - log.seconds[0]!).toBeCloseTo(1, 3);
    expect(log.amps[log.amps.length - 1]).toBeGreaterThan(0.001);
  });
  test("numbers without a header are taken as seconds and what one says", () => {
    expect(readCurrentLog("0 820\n1 815\n2 18".replaceAll(" ", ";"), "mA").amps[2]).toBeCloseTo(0.018, 9);
  });
  test("what is no log says why", () => {
    expect(() => readCurrentLog("hello\nworld")).toThrow(UnreadableLog);
    expect(() => readCurrentLog("")).toThrow(/numbers only/);
    expect(readCurrentLog("s,A\n0,1\n1,oops\n2,1\n3,1").skipped).toBe(1);
  });
});

describe("a machine that should sleep", () => {
  test("levels, time to sleep and wake-ups come out as they were put in", () => {
    const sleep = analyseSleep(course(10), LIMITS);
    expect(sleep.awake).toBeCloseTo(0.82, 1);
    expect(sleep.asleep).toBeCloseTo(0.018, 3);
    expect(sleep.toSleep).toBeCloseTo(60, 0);
    expect(sleep.wakeUps).toHaveLength(4);
    for (const w of sleep.wakeUps) expect(w.to - w.from).toBeCloseTo(3, 0);
    expect(words(sleep)).toEqual({ kind: "good", words: "This unit is not the drain." });
  });
  // Common practice, no source: a display of two decimals shows 0.00 of a machine that sleeps.
  test("nothing at all to the end, after the awake level, is sleep; only what comes back was a clip", () => {
    const log = (amps: readonly number[]) => ({
      seconds: Float64Array.from(amps, (_, i) => 5 * i),
      amps: Float64Array.from(amps),
    });
    const awake = [0.4, 0.4, 0.41, 0.4, 0.4, 0.4];
    const none = Array.from({ length: 40 }, () => 0);
    const asleep = analyseSleep(log([...awake, ...none]), LIMITS);
    expect(asleep).toMatchObject({ asleep: 0, toSleep: 30, lost: [] });
    expect(words(asleep)).toEqual({ kind: "good", words: "This unit is not the drain." });
    expect(analyseSleep(log([...awake, ...none, ...awake]), LIMITS).lost).toHaveLength(1);
    // Nothing from the first moment on is a clip that was never on.
    expect(analyseSleep(log(none), LIMITS).lost).toHaveLength(1);
  });
  test("what counts against the limit: asleep, on average where it wakes too often, awake where it is late or never", () => {
    const drawn = (log: Parameters<typeof analyseSleep>[0], limits = LIMITS) =>
      drawnAsleep(analyseSleep(log, limits), limits)!;
    expect(drawn(course(10))).toBeCloseTo(0.018, 3);
    expect(drawn(course(31, { every: 20 }))).toBeGreaterThan(LIMITS.asleepAmps);
    expect(drawn(course(10), { ...LIMITS, withinSeconds: 30 })).toBeCloseTo(0.82, 1);
    expect(drawn(course(10, { asleep: 0.82 }))).toBeCloseTo(0.82, 1);
  });
  test("the mean counts the wake-ups, and the battery with it", () => {
    const sleep = analyseSleep(course(31), LIMITS);
    const mean = (117 * 0.018 + 3 * 0.82) / 120;
    expect(sleep.mean! / mean).toBeGreaterThan(0.93);
    expect(sleep.mean! / mean).toBeLessThan(1.07);
    expect(daysUntilFlat(60, 0.05)).toBe(25);
  });
  test("too much asleep, too late, too often, never: each its own words", () => {
    expect(words(analyseSleep(course(10, { asleep: 0.2 }), LIMITS)).words).toContain("It sleeps, but draws");
    expect(
      words(analyseSleep(course(10), { asleepAmps: 0.05, withinSeconds: 30 }), { asleepAmps: 0.05, withinSeconds: 30 })
        .words,
    ).toContain("only after");
    expect(words(analyseSleep(course(10, { every: 12 }), LIMITS)).words).toContain("too often");
    expect(words(analyseSleep(course(10, { asleep: 0.82 }), LIMITS)).words).toBe("It never falls asleep.");
  });
  test("a lost clip restarts the test", () => {
    const sleep = analyseSleep(course(10, { clip: [200, 210] }), LIMITS);
    expect(sleep.lost).toHaveLength(1);
    expect(sleep.from).toBeCloseTo(210, 0);
    expect(sleep.toSleep).toBeCloseTo(60, 0);
  });
  test("a gap in the log is not seen, and no clip that was lost: the test goes on, and the verdict says so", () => {
    const whole = course(10);
    const kept = [...whole.seconds.keys()].filter((i) => whole.seconds[i]! < 200 || whole.seconds[i]! > 290);
    const gapped = {
      seconds: Float64Array.from(kept, (i) => whole.seconds[i]!),
      amps: Float64Array.from(kept, (i) => whole.amps[i]!),
    };
    const sleep = analyseSleep(gapped, LIMITS);
    expect(sleep.lost).toEqual([]);
    expect(sleep.unseen).toHaveLength(1);
    expect(sleep.from).toBe(0);
    expect(sleep.toSleep).toBeCloseTo(60, 0);
    expect(words(sleep)).toMatchObject({ kind: "good" });
    expect(words(sleep).words).toContain("nothing was logged");
  });
  test("a display read by eye with a stopwatch: 0.4 A, after half a minute 0.00, is not the drain", () => {
    const eye = readCurrentLog("s;A\n0;0.4 A\n30.2;0.00 A");
    expect(eye.resolution).toBeCloseTo(0.01, 9);
    expect(words(analyseSleep(eye, LIMITS))).toEqual({ kind: "good", words: "This unit is not the drain." });
    // What the display cannot show it does not prove: steps of 10 mA say nothing of 4 mA.
    const fine = { asleepAmps: 0.004, withinSeconds: 120 };
    expect(words(analyseSleep(eye, fine), fine).kind).toBe("unsure");
    const never = readCurrentLog("s;A\n0;0.40 A\n150;0.41 A");
    expect(words(analyseSleep(never, LIMITS))).toMatchObject({ kind: "bad" });
  });
  test("a log too short, or too coarse for the limit, gives no verdict", () => {
    expect(words(analyseSleep(course(0.9), LIMITS)).kind).toBe("unsure");
    const coarse = course(10);
    const rounded = { seconds: coarse.seconds, amps: coarse.amps.map((a) => Math.round(a * 20) / 20 || 0.05) };
    expect(words(analyseSleep(rounded, LIMITS)).words).toContain("steps of");
  });
  test("a million samples are read whole, and thinned to what can be drawn with every peak kept", () => {
    const long = course(180, { step: 0.0108 });
    expect(long.amps.length).toBeGreaterThan(990_000);
    const sleep = analyseSleep(long, LIMITS);
    expect(sleep.wakeUps.length).toBe(89);
    const points = thinned(long, 1200);
    expect(points.length).toBeLessThanOrEqual(1202);
    expect(Math.max(...points.map((p) => p[1]))).toBe(long.amps.reduce((a, b) => Math.max(a, b)));
  });
});
