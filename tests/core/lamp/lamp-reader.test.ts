import { describe, expect, test } from "vitest";
import { COLOURS, labelOf, litAt, patternOf, roundOf, type LampPattern } from "../../../src/core/lamp/lamp-pattern";
import { matchOnLamp } from "../../../src/core/lamp/lamp-match";
import type { Watched } from "../../../src/core/lamp/lamp-beats";
import { readLamp } from "../../../src/core/lamp/lamp-reader";
import { colourName, LampWatch } from "../../../src/core/lamp/lamp-spot";
import { readTimeList, TimeListError } from "../../../src/core/lamp/time-list";
import { FLEET, machineNamed } from "../../support/fleet";
import { anyPattern, filmed, stream, tapped, trials, upperBound } from "../../support/lamp-trials";

const seen = (pattern: LampPattern, rounds = 4, framesASecond = 30): Watched =>
  filmed(stream(7), [...roundOf(pattern)], rounds, 0, framesASecond);

describe("the words for how a lamp goes", () => {
  test("every label reads back as itself, and every lamp of the fleet has words that are read", () => {
    const patterns: LampPattern[] = [
      { kind: "dark" },
      { kind: "steady" },
      { kind: "blinks", rate: "slowly" },
      { kind: "blinks", rate: "fast" },
      { kind: "groups", flashes: 1 },
      { kind: "groups", flashes: 12 },
      { kind: "digits", long: 2, short: 9 },
      { kind: "colours", first: "red", firsts: 1, second: "green", seconds: 2 },
      { kind: "distress" },
    ];
    for (const p of patterns) expect(patternOf(labelOf(p))).toEqual(p);
    for (const wrong of ["0 flashes, pause", "13 flashes, pause", "1 red 2 red, pause", "blinks", "2 flash", ""])
      expect(patternOf(wrong), wrong).toBeNull();
    for (const name of FLEET)
      for (const part of machineNamed(name).parts)
        if (part.kind.kind === "indicator")
          for (const label of part.labels!)
            expect(label === "flickers" || patternOf(label) !== null, `${name} ${label}`).toBe(true);
  });

  test("light in time: a round of each pattern is lit when it says", () => {
    expect(litAt({ kind: "groups", flashes: 2 }, 0.1)).toBe("white");
    expect(litAt({ kind: "groups", flashes: 2 }, 0.45)).toBeNull();
    expect(litAt({ kind: "groups", flashes: 2 }, 1.2)).toBeNull();
    const colours: LampPattern = { kind: "colours", first: "red", firsts: 1, second: "green", seconds: 1 };
    expect([litAt(colours, 0.1), litAt(colours, 1.2)]).toEqual(["red", "green"]);
    expect(litAt({ kind: "steady" }, 99)).toBe("white");
  });
});

/** Enough for an upper bound of one in a thousand if none is wrong (rule of three); the bench tries ten thousand. */
const TRIALS = 3_000;

describe("the lamp reader", () => {
  test("with three groups seen and 15 % jitter at 15 to 60 frames a second, what it says for sure is right", () => {
    const frames = [15, 20, 24, 30, 60] as const;
    const { right, unsure, wrong } = trials(TRIALS, 1, 0.15, (random) => frames[random.whole(0, 4)]!);
    expect(right + unsure + wrong.length).toBe(TRIALS);
    expect(upperBound(wrong.length, TRIALS), wrong.join("\n")).toBeLessThanOrEqual(0.001);
    expect(unsure / TRIALS).toBeLessThanOrEqual(0.05);
  }, 300_000);

  test("noise is not read into a code: more jitter makes it unsure, not wrong", () => {
    const calm = trials(400, 2, 0.15, () => 30);
    const rough = trials(400, 2, 0.3, () => 30);
    expect(rough.unsure).toBeGreaterThan(calm.unsure);
    expect(rough.wrong.length).toBeLessThanOrEqual(6);
  });

  test("a hand that misses flashes, doubles them and begins in mid-group is read, or asked for another round", () => {
    let [right, unsure, wrong] = [0, 0, 0];
    for (let i = 0; i < 400; i++) {
      const random = stream(50_000 + i);
      const { pattern, round } = anyPattern(random, 0.15);
      if (pattern.kind === "colours") continue;
      const reading = readLamp(tapped(random, round, 4, 0.02, 0.02));
      if (!reading.sure) unsure++;
      else if (labelOf(reading.pattern!) === labelOf(pattern)) right++;
      else wrong++;
    }
    expect(wrong).toBeLessThanOrEqual(4);
    expect(right).toBeGreaterThan(4 * unsure * 0.8);
  });

  test("flashes without any rhythm are hardly ever taken for a code", () => {
    let sure = 0;
    for (let i = 0; i < 200; i++) {
      const random = stream(9000 + i);
      let t = random.uniform(0, 1);
      const flashes = Array.from({ length: random.whole(4, 30) }, () => {
        const from = t + 0.05 + Math.exp(0.9 * random.normal()) * 0.5;
        t = from + 0.05 + Math.exp(0.8 * random.normal()) * 0.3;
        return { from, to: t };
      });
      if (readLamp({ flashes, start: 0, end: t, blur: 0.01, byHand: false }).sure) sure++;
    }
    expect(sure).toBeLessThanOrEqual(3);
  });

  test("dark and steady take their time; one round is not enough, and it says so", () => {
    const dark = (seconds: number) => readLamp({ flashes: [], start: 0, end: seconds, blur: 0.01, byHand: false });
    expect([dark(2).sure, dark(6).sure, dark(6).pattern?.kind]).toEqual([false, true, "dark"]);
    expect(dark(2).advice).toContain("Keep watching");
    const steady = readLamp({ flashes: [{ from: 0, to: 6 }], start: 0, end: 6, blur: 0.01, byHand: false });
    expect([steady.pattern?.kind, steady.sure]).toEqual(["steady", true]);
    const once = readLamp(seen({ kind: "groups", flashes: 4 }, 1));
    expect(once.sure).toBe(false);
    expect(once.advice).not.toBe("");
    expect(readLamp(seen({ kind: "blinks", rate: "evenly" }, 4)).hertz).toBeCloseTo(1.1, 1);
  });

  test("taps alone cannot tell one flash from even blinking: it asks to hold, and names the runner-up", () => {
    const taps = Array.from({ length: 9 }, (_, i) => ({ from: i * 1.6, to: i * 1.6 + 0.09 }));
    const reading = readLamp({ flashes: taps, start: -1, end: 14, blur: 0.04, byHand: true });
    expect(reading.sure).toBe(false);
    expect(reading.advice).toContain("Hold for as long as it is lit");
    expect([reading.pattern?.kind, reading.runnerUp?.pattern.kind].sort()).toEqual(["blinks", "groups"]);
  });

  test("flashes out of order are refused", () => {
    expect(() =>
      readLamp({
        flashes: [
          { from: 2, to: 3 },
          { from: 1, to: 1.5 },
        ],
        start: 0,
        end: 4,
        blur: 0.01,
        byHand: false,
      }),
    ).toThrow("not in order");
  });
});

describe("what a pattern means on one lamp", () => {
  const labels = ["2 flashes, pause", "steady", "blinks evenly", "dark", "flickers"];
  test("a pattern the lamp knows is its label; an only blinking may go at any rate; another is refused in a sentence", () => {
    expect(matchOnLamp({ kind: "groups", flashes: 2 }, "Status lamp", labels)).toEqual({
      label: "2 flashes, pause",
      refused: null,
    });
    expect(matchOnLamp({ kind: "blinks", rate: "fast" }, "Status lamp", labels).label).toBe("blinks evenly");
    expect(matchOnLamp({ kind: "groups", flashes: 7 }, "Status lamp", labels).refused).toBe(
      "Status lamp of this machine has no such pattern: 7 flashes, pause. It knows 2 flashes, pause; steady; blinks evenly; dark.",
    );
  });
});

describe("a list of times", () => {
  test("one column of beginnings, or two of from and to; seconds or milliseconds; decimal commas", () => {
    expect(readTimeList("0.1\n0.5\n0.9\n").flashes).toEqual([
      { from: 0.1, to: null },
      { from: 0.5, to: null },
      { from: 0.9, to: null },
    ]);
    expect(readTimeList("from ms,to ms\n0,300\n600,900\n2400,2700").flashes[1]).toEqual({ from: 0.6, to: 0.9 });
    expect(readTimeList("0,1;0,4\n0,7;1,0").flashes[1]).toEqual({ from: 0.7, to: 1 });
    const { flashes } = seen({ kind: "digits", long: 2, short: 1 });
    const text = flashes.map((f) => `${f.from.toFixed(2)}, ${f.to!.toFixed(2)}`).join("\n");
    const reading = readLamp(readTimeList(text));
    expect([labelOf(reading.pattern!), reading.sure]).toEqual(["2 long 1 short, pause", true]);
  });
  test.each([
    ["", "no time"],
    ["1\n2", "Three times"],
    ["1\nx1\n3", "no time"],
    ["3\n2\n1", "not in order"],
    ["1\n1\n1", "not all the same"],
  ])("%j is refused in a sentence", (text, sentence) => {
    expect(() => readTimeList(text)).toThrow(TimeListError);
    expect(() => readTimeList(text)).toThrow(sentence);
  });
});

describe("the lamp in the picture", () => {
  /** Pictures of a lamp at a spot: noise, drift of the whole picture, a shaking hand. */
  function film(
    pattern: LampPattern,
    { seconds = 14, rate = 30, x = 0.7, y = 0.3, noise = 6, drift = 10, shake = 0.004 } = {},
  ): LampWatch {
    const [width, height] = [96, 72];
    const random = stream(11);
    const watch = new LampWatch();
    for (let f = 0; f < seconds * rate; f++) {
      const time = f / rate;
      const data = new Uint8ClampedArray(width * height * 4);
      const lit = litAt(pattern, time + 0.37);
      const [sx, sy] = [x + shake * random.normal(), y + shake * random.normal()];
      for (let i = 0; i < width * height; i++) {
        const d = Math.hypot((i % width) / width - sx, (Math.floor(i / width) / height - sy) * 0.75);
        const glow = lit && d < 0.04 ? 150 : 0;
        const room = 70 + drift * Math.sin(time / 3) + noise * random.normal();
        data[i * 4] = room + (lit === "green" || lit === "blue" ? 0 : glow);
        data[i * 4 + 1] = room + (lit === "red" || lit === "blue" ? 0 : glow);
        data[i * 4 + 2] = room + (lit === "white" || lit === "blue" ? glow : 0);
        data[i * 4 + 3] = 255;
      }
      watch.add({ width, height, data, time });
    }
    return watch;
  }

  test.each([
    [{ kind: "groups", flashes: 3 }],
    [{ kind: "blinks", rate: "evenly" }],
    [{ kind: "digits", long: 1, short: 2 }],
    [{ kind: "distress" }],
    [{ kind: "colours", first: "red", firsts: 1, second: "green", seconds: 2 }],
  ] as [LampPattern][])("found and read: %j", (pattern) => {
    const watch = film(pattern, { seconds: pattern.kind === "distress" ? 24 : 16 });
    const spot = watch.spot()!;
    expect(Math.hypot(spot.x - 0.7, spot.y - 0.3)).toBeLessThan(0.06);
    const reading = readLamp(watch.watched()!);
    expect([labelOf(reading.pattern!), reading.sure]).toEqual([labelOf(pattern), true]);
  });

  test("nothing blinks: no spot; a chosen one is dark or steady", () => {
    const still = film({ kind: "steady" }, { seconds: 6, shake: 0 });
    expect(still.spot()).toBeNull();
    expect(still.watched()).toBeNull();
    still.choose({ x: 0.7, y: 0.3 });
    expect(readLamp(still.watched()!).pattern?.kind).toBe("steady");
    still.choose({ x: 0.2, y: 0.8 });
    expect(readLamp(still.watched()!).pattern?.kind).toBe("dark");
    still.clear();
    expect([still.seconds, still.watched()]).toEqual([0, null]);
  });

  test("colours by their light, and pictures that are none are refused", () => {
    expect([
      colourName(200, 10, 10),
      colourName(20, 180, 30),
      colourName(210, 190, 20),
      colourName(10, 20, 200),
      colourName(200, 190, 195),
    ]).toEqual([...COLOURS]);
    const watch = new LampWatch();
    expect(() => watch.add({ width: 8, height: 8, data: new Uint8ClampedArray(256), time: 0 })).toThrow("at least");
  });
});
