import { describe, expect, test } from "vitest";
import { ORDINARY_METER } from "../../../src/core/instrument/meter";
import { assemblySuspects } from "../../../src/core/diagnose/belief/suspects";
import { restLeft, restRule } from "../../../src/core/schedule/rest";
import { resultWords, runSheet } from "../../../src/core/schedule/run-sheet";
import { FLEET, machineNamed } from "../../support/fleet";
import { FaultDictionary } from "../../../src/core/diagnose/dictionary/fault-dictionary";
import { believe } from "../../../src/core/diagnose/belief/beliefs";

describe("the machine's own tests as a run sheet", () => {
  test.each(FLEET)("%s: every step says what should run, every relay how its two edges are proven", (name) => {
    const dictionary = FaultDictionary.of(machineNamed(name), ORDINARY_METER);
    const sheet = runSheet(dictionary);
    expect(sheet.steps.length).toBeGreaterThan(1);
    for (const step of sheet.steps) {
      expect(step.how.length).toBeGreaterThan(3);
      for (const load of step.loads) expect(load.labels, `${name} ${step.setup} ${load.part}`).toContain(load.should);
    }
    // Something runs in one step and rests in another.
    const loads = sheet.steps[0]!.loads.map((l) => l.part);
    if (loads.length > 0)
      expect(
        loads.some((part) => new Set(sheet.steps.map((s) => s.loads.find((l) => l.part === part)!.runs)).size === 2),
        name,
      ).toBe(true);
    const setups = new Set(sheet.steps.map((s) => s.setup));
    for (const relay of sheet.relays)
      for (const edge of [...relay.closes, ...relay.opens]) expect(setups.has(edge.setup)).toBe(true);
  });

  test("a relay test proves that it closes, and that it opens again: the welded one is seen only in the second", () => {
    const dictionary = FaultDictionary.of(machineNamed("quellmoor-sb-210"), ORDINARY_METER);
    const sheet = runSheet(dictionary);
    const k1 = sheet.relays.find((r) => r.relay === "K1")!;
    expect(k1.closes).toContainEqual(expect.objectContaining({ setup: "cold-call", part: "compressor" }));
    expect(k1.opens).toContainEqual(expect.objectContaining({ setup: "satisfied", part: "compressor" }));
    // The defrost heater shows nothing: the clamp on its wire does.
    expect(sheet.relays.find((r) => r.relay === "K2")!.closes).toContainEqual(
      expect.objectContaining({
        setup: "defrost",
        part: "clamp-heat",
        test: expect.objectContaining({ function: "clamp" }),
      }),
    );
    const [on, off] = [
      sheet.steps.find((s) => s.setup === "cold-call")!,
      sheet.steps.find((s) => s.setup === "satisfied")!,
    ];
    const [ran, rested] = [on, off].map((s) => s.loads.find((l) => l.part === "compressor")!);
    expect([
      resultWords(ran!, "runs"),
      resultWords(rested!, "runs"),
      resultWords(rested!, "silent"),
      resultWords(rested!, "hums"),
      resultWords(ran!, "flickers"),
    ]).toEqual(["runs", "runs on", "silent", "hums", "comes and goes"]);
    const result = (step: typeof on, label: string) => ({
      type: "reading" as const,
      id: step.setup,
      test: step.loads.find((l) => l.part === "compressor")!.test,
      shown: { kind: "label" as const, label },
    });
    const board = (evidence: Parameters<typeof believe>[1]) =>
      assemblySuspects(dictionary, believe(dictionary, evidence))
        .find((s) => s.assembly === "main-board")
        ?.faults.find((f) => f.id === "K1:welded")?.probability ?? 0;
    // It ran when it should: that says nothing against a welded contact. Running on says it.
    expect(board([result(on, "runs"), result(off, "runs")])).toBeGreaterThan(0.3);
    expect(board([result(on, "runs"), result(off, "silent")])).toBeLessThan(0.001);
  });

  test("service tests are reached by gestures from the step before, currents are worth a clamp", () => {
    const sheet = runSheet(FaultDictionary.of(machineNamed("firnau-bf-330"), ORDINARY_METER));
    const test1 = sheet.steps.find((s) => s.setup === "mode.compressor-test")!;
    expect(test1.legs.map((l) => l.mode)).toContain("compressor-test");
    expect(test1.loads.find((l) => l.part === "compressor")).toMatchObject({ should: "runs", runs: true });
    const quellmoor = runSheet(FaultDictionary.of(machineNamed("quellmoor-sb-210"), ORDINARY_METER));
    expect(quellmoor.steps.find((s) => s.setup === "defrost")!.clamps.map((c) => c.name)).toEqual([
      "Violet wire to the heater",
    ]);
  });

  test("a second start of the compressor comes after its rest", () => {
    const sheet = runSheet(FaultDictionary.of(machineNamed("quellmoor-sb-210"), ORDINARY_METER));
    const running = sheet.steps.filter((s) => s.loads.some((l) => l.part === "compressor" && l.should === "runs"));
    expect(running[0]!.rest).toBe(0);
    for (const step of running.slice(1)) expect(step.rest).toBe(5);
  });
});

describe("compressor rest", () => {
  const rule = restRule(machineNamed("quellmoor-sb-210"))!;
  const minute = 60_000;

  test("comes from the file and from which setups run it", () => {
    expect(rule.minutes).toBe(5);
    expect(rule.running.includes("cold-call")).toBe(true);
    expect(rule.running.includes("satisfied")).toBe(false);
    expect(rule.running.includes("unplugged")).toBe(false);
    expect(restRule(machineNamed("velmoor-dw-45"))).toBeNull();
  });

  test("counts from when it last ran; a power cycle does not shorten it; running needs none", () => {
    const stays = [
      { setup: "cold-call", from: 0 },
      { setup: "unplugged", from: 10 * minute },
    ];
    expect(restLeft(rule, stays, 10 * minute)).toBe(300);
    expect(restLeft(rule, stays, 10 * minute - 900)).toBe(300);
    expect(restLeft(rule, stays, 12 * minute)).toBe(180);
    expect(restLeft(rule, stays, 15 * minute)).toBe(0);
    // Plugged in satisfied, unplugged again: still counted from the last run.
    expect(
      restLeft(
        rule,
        [...stays, { setup: "satisfied", from: 11 * minute }, { setup: "unplugged", from: 12 * minute }],
        13 * minute,
      ),
    ).toBe(120);
    expect(restLeft(rule, [...stays, { setup: "cold-call", from: 16 * minute }], 17 * minute)).toBe(0);
    expect(restLeft(rule, [{ setup: "unplugged", from: 0 }], 0)).toBe(0);
    // From one running setup straight into another it never stopped.
    expect(
      restLeft(
        rule,
        [
          { setup: "cold-call", from: 0 },
          { setup: "panel-off-powered", from: minute },
        ],
        2 * minute,
      ),
    ).toBe(0);
  });
});
