import { describe, expect, it } from "vitest";
import { readWaitTime } from "../../../src/core/schedule";
import { careNow, frees } from "../../../src/core/journal";

describe("a time to wait, as one types it", () => {
  it.each([
    ["20", 1200],
    ["20 min", 1200],
    ["90s", 90],
    ["1:30", 5400],
    ["0:05", 300],
    ["2 h", 7200],
    ["1 h 30", 5400],
    ["1h30min", 5400],
    ["1,5 h", 5400],
    ["0.5 d", 43_200],
    ["3 days", 259_200],
    ["1 w", 604_800],
    ["2 days 6 hours", 194_400],
  ])("%s is %d seconds", (typed, seconds) => expect(readWaitTime(typed)).toBe(seconds));

  it.each(["", " ", "soon", "-5", "0", "5 parsecs", "1:75", "20 min tomorrow", "3 d 4", "1:2:3", "e9"])(
    "%j is none",
    (typed) => expect(readWaitTime(typed)).toBeNull(),
  );
});

describe("how one may leave a unit that waits", () => {
  it.each([
    [false, true, true, "locked"],
    [true, true, false, "watch"],
    [true, false, true, "watch"],
    [true, true, true, "watch"],
    [true, false, false, "leave"],
  ] as const)("powered %s, covers off %s, starts by itself %s: %s", (powered, coversOff, startsByItself, care) => {
    // Safe to leave is: covers on, nothing starts by itself; common practice, no source.
    expect(careNow({ powered, coversOff, startsByItself })).toBe(care);
  });

  it("only the first and the last free a person, and what nobody has said does not", () => {
    expect(["leave", "watch", "locked", null].map((c) => frees(c as "leave" | null))).toEqual([
      true,
      false,
      true,
      false,
    ]);
  });
});
