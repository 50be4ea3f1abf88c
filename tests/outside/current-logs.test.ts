import { readdirSync, readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { textOfBytes } from "../../src/ui/shell/text-of-file";
import { readCurrentLog, UnreadableLog } from "../../src/core/sleep-current";

/** What one file says, written down with it before it was read by anything: samples, the first and the last of them. */
interface Expected {
  readonly unit: "A" | "mA" | "µA";
  readonly samples?: number;
  readonly first?: readonly [seconds: number, amps: number];
  readonly last?: readonly [seconds: number, amps: number];
  /** What its refusal says. */
  readonly refused?: string;
}

const folder = new URL("logs/", import.meta.url);
const expected = JSON.parse(readFileSync(new URL("expected.json", folder), "utf8")) as Record<string, Expected>;

describe("logs as loggers write them", () => {
  test("each file of the folder has what it says beside it", () => {
    expect(readdirSync(folder).filter((n) => n !== "expected.json")).toEqual(Object.keys(expected).sort());
    expect(Object.keys(expected).length).toBeGreaterThanOrEqual(40);
  });
  test.each(Object.entries(expected))("%s is read as it was meant, or refused with a sentence", (name, says) => {
    const text = readFileSync(new URL(name, folder), "utf8");
    if (says.refused !== undefined) {
      expect(() => readCurrentLog(text, says.unit)).toThrow(UnreadableLog);
      expect(() => readCurrentLog(text, says.unit)).toThrow(new RegExp(says.refused, "i"));
      return;
    }
    const log = readCurrentLog(text, says.unit);
    expect(log.seconds).toHaveLength(says.samples!);
    const at = (i: number) => [log.seconds.at(i)!, log.amps.at(i)!];
    for (const [i, [seconds, amps]] of [
      [0, says.first!],
      [-1, says.last!],
    ] as const) {
      expect(at(i)[0]).toBeCloseTo(seconds, 3);
      expect(at(i)[1]! / amps).toBeCloseTo(1, 6);
    }
  });

  // Byte order marks after RFC 2781; node's own encoder writes the low byte first.
  test("a log in UTF-16 of either order is the same log", () => {
    const text = "time;A\n0;0,4\n1;0,5\nµ";
    const little = Buffer.concat([Buffer.from([0xff, 0xfe]), Buffer.from(text, "utf16le")]);
    const big = Buffer.from(little).swap16();
    for (const bytes of [little, big, Buffer.from(text)]) expect(textOfBytes(bytes)).toBe(text);
  });
});
