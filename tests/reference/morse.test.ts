import { createRequire } from "node:module";
import { describe, expect, test } from "vitest";
import { roundOf } from "../../src/core/lamp/lamp-pattern";
import type { Flash } from "../../src/core/lamp/lamp-beats";
import { readLamp } from "../../src/core/lamp/lamp-reader";

const morse = createRequire(import.meta.url)("morse") as { encode(text: string): string };

/**
 * Light in time from the signs of another Morse encoder, timed by ITU-R M.1677-1: dash 3 dots, gaps 1, 3 and 7 dots.
 */
function lit(signs: string, dot: number, rounds: number, together: boolean): Flash[] {
  const flashes: Flash[] = [];
  let t = 0;
  for (let r = 0; r < rounds; r++) {
    signs.split(" ").forEach((letter) => {
      for (const sign of letter) {
        const seconds = sign === "-" ? 3 * dot : dot;
        flashes.push({ from: t, to: t + seconds });
        t += seconds + dot;
      }
      if (!together) t += 2 * dot;
    });
    t += together ? 6 * dot : 4 * dot;
  }
  return flashes;
}

describe("the distress signal", () => {
  test("is timed as ITU-R M.1677-1 has it, its signs those of another encoder (package morse)", () => {
    const round = roundOf({ kind: "distress" });
    const dot = Math.min(...round.map((l) => l.seconds));
    const signs = round
      .map(({ lit: on, seconds }) => {
        const dots = Math.round(seconds / dot);
        return on
          ? dots === 1
            ? "."
            : dots === 3
              ? "-"
              : "?"
          : dots === 1
            ? ""
            : dots === 3
              ? " "
              : dots === 7
                ? ""
                : "?";
      })
      .join("");
    expect(signs).toBe(morse.encode("SOS"));
  });

  test.each([[false], [true]])("is read as made by that encoder; letters run together: %s", (together) => {
    const flashes = lit(morse.encode("SOS"), 0.15, 3, together);
    const reading = readLamp({ flashes, start: 0, end: flashes.at(-1)!.to! + 0.2, blur: 0.01, byHand: false });
    expect([reading.pattern?.kind, reading.sure]).toEqual(["distress", true]);
  });

  test.each([["OSO"], ["SSS"], ["TTT"]])("%s is no distress signal", (text) => {
    const flashes = lit(morse.encode(text), 0.15, 3, false);
    const reading = readLamp({ flashes, start: 0, end: flashes.at(-1)!.to! + 0.2, blur: 0.01, byHand: false });
    expect(reading.sure && reading.pattern?.kind === "distress").toBe(false);
  });
});
