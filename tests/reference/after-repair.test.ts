import { describe, expect, test } from "vitest";
import {
  bondingLimit,
  conductorLimit,
  insulationLimit,
  keeps,
  protectionClass,
  safetyTest,
} from "../../src/core/repair/after-repair-limits";
import { judge } from "../../src/core/repair/judge-proof";
import type { ProofStep } from "../../src/core/repair/proof-step";
import { FLEET, machineNamed } from "../support/fleet";

// EN 50678:2020, general procedure for verifying the effectiveness of the protective measures of electrical equipment
// after repair.
describe("limits after repair", () => {
  test.each([
    [0, 0.3],
    [2, 0.3],
    [5, 0.3],
    [5.1, 0.4],
    [12.5, 0.4],
    [12.6, 0.5],
    [20, 0.5],
    [57.5, 1],
    [100, 1],
  ])("a cord of %d m: at most %d ohm", (metres, ohms) => expect(bondingLimit(metres)).toBeCloseTo(ohms, 9));
  test.each([
    ["I", false, 1],
    ["I", true, 0.3],
    ["II", false, 2],
    ["II", true, 2],
    ["III", false, 0.25],
  ] as const)("class %s, heaters %s: at least %d Mohm", (protection, heats, megohms) =>
    expect(insulationLimit(protection, heats)).toBe(megohms),
  );
  test.each([
    [0, 3.5],
    [3500, 3.5],
    [4000, 4],
    [7000, 7],
    [12_000, 10],
  ])("%d W of heating: at most %d mA in the protective conductor", (watts, milliamps) =>
    expect(conductorLimit(watts)).toBeCloseTo(milliamps, 9),
  );
  test("a cord has no length below nothing", () => expect(() => bondingLimit(-1)).toThrow(RangeError));

  test.each(FLEET)("%s: the standard applies on the mains, not to what runs on its own battery", (name) => {
    const machine = machineNamed(name);
    const safety = safetyTest(machine);
    const mains = machine.sources.some((s) => s.kind.kind === "outlet" || s.kind.kind === "split outlet");
    expect(safety.applies).toBe(mains);
    if (!safety.applies) return void expect(safety.why).toMatch(/EN 50678/);
    expect(safety.class).toBe(protectionClass(machine));
    // Class I has a protective conductor to prove, class II has not; touch current is proven on both.
    expect(safety.limits.map((l) => l.id)).toEqual(
      safety.class === "I" ? ["bonding", "insulation", "conductor", "touch"] : ["insulation", "touch"],
    );
    expect(safety.limits.every((l) => l.source.startsWith("EN 50678:2020"))).toBe(true);
  });

  test("a typed reading is judged in the unit of its limit; what cannot be read is asked again, never passed", () => {
    const safety = safetyTest(machineNamed("quellmoor-sb-210"));
    if (!safety.applies) throw new Error("it has a plug");
    const step = (id: string): ProofStep => ({
      id,
      group: "safety",
      words: "",
      how: "",
      expected: "",
      limit: safety.limits.find((l) => l.id === id)!,
      cautions: [],
    });
    for (const [id, typed, kind] of [
      ["bonding", "0.15", "pass"],
      ["bonding", "0,3", "pass"],
      ["bonding", "0.31 ohm", "fail"],
      ["bonding", "150m", "pass"],
      ["bonding", "OL", "fail"],
      ["insulation", "20", "pass"],
      ["insulation", "0.2", "fail"],
      ["insulation", "500k", "pass"],
      ["insulation", "100 kohm", "fail"],
      ["insulation", "OL", "pass"],
      ["insulation", "2G", "pass"],
      ["conductor", "0.8", "pass"],
      ["conductor", "3.6", "fail"],
      ["conductor", "800uA", "pass"],
      ["touch", "0.5", "pass"],
      ["touch", "0.6mA", "fail"],
      ["touch", "few", "unread"],
      ["touch", "", "unread"],
      ["bonding", "3 V", "unread"],
      ["bonding", "-1", "unread"],
    ] as const)
      expect(judge(step(id), typed).kind, `${id} ${typed}`).toBe(kind);
    expect(keeps(safety.limits[0]!, 0.3)).toBe(true);
  });
});
