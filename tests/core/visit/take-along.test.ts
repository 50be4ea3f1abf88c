import { describe, expect, it } from "vitest";
import { ORDINARY_METER } from "../../../src/core/instrument";
import { uniformFor } from "../../../src/core/random";
import { proofGear, proofRun } from "../../../src/core/repair";
import { takeAlong } from "../../../src/core/visit";
import { FLEET, machineNamed } from "../../support/fleet";
import { demoMachine } from "../../support/demo-machine";

const machine = demoMachine();
const named = (name: string) => (i: { name: string }) => i.name === name;

describe("what to take along", () => {
  it("worked by hand: a lead in the door's harness, a dead supply, a loose plug", () => {
    const { withAll, withNothing, items } = takeAlong(machine, [
      { id: "W4:open", probability: 0.5 },
      { id: "PS1:dead", probability: 0.3 },
      { id: "H1-1:open", probability: 0.1 },
    ]);
    // Of every ten visits nine are for one of these; every repair is proven with the safety tester.
    expect(withAll).toBeCloseTo(0.9, 9);
    expect(withNothing).toBe(0);
    expect(items.find(named("Tester for the safety test after repair"))!.without).toBe(0);
    // The harness: without it its half of the visits does not end.
    expect(items.find(named("Door harness"))!.without).toBeCloseTo(0.4, 9);
    // The screwdriver opens the hinge: harness and plug.
    expect(items.find(named("Crosshead screwdriver"))!.without).toBeCloseTo(0.3, 9);
    // The harness ends most, so it comes first with what it needs.
    expect(items.slice(0, 3).map((i) => i.name)).toContain("Door harness");
    expect(items[2]!.upToHere).toBeCloseTo(0.5, 9);
    expect(items.at(-1)!.upToHere).toBeCloseTo(withAll, 9);
  });

  it("cause by cause it comes to the same, for every machine that ships", () => {
    for (const name of FLEET) {
      const fleet = machineNamed(name);
      const faults = fleet.parts.flatMap((p) => p.modes.map((m) => `${p.id}:${m.id}`)).filter((_, i) => i % 7 === 0);
      const weights = faults.map((f) => uniformFor(1, f));
      const total = weights.reduce((s, w) => s + w, 0) * 1.1;
      const causes = faults.map((id, i) => ({ id, probability: weights[i]! / total }));
      const { withAll, withNothing, items } = takeAlong(fleet, causes);
      expect(withAll, name).toBeLessThanOrEqual(1 / 1.1 + 1e-9);
      expect(withNothing).toBeLessThanOrEqual(withAll);
      items.slice(1).forEach((item, i) => expect(item.upToHere).toBeGreaterThanOrEqual(items[i]!.upToHere - 1e-12));
      for (const item of items) expect(item.without).toBeLessThanOrEqual(withAll + 1e-12);
      // Each cause by itself: with everything along its visit ends, or never does.
      const alone = causes.reduce(
        (sum, c) => sum + c.probability * takeAlong(fleet, [{ ...c, probability: 1 }]).withAll,
        0,
      );
      expect(alone).toBeCloseTo(withAll, 9);
    }
  });

  it("what the proof takes belongs to it: without the clamp no repair that needs one ends, worked by hand", () => {
    const gear = (assembly: string) =>
      assembly === machine.partById.get("PS1")!.assembly ? [{ kind: "meter" as const, name: "AC clamp" }] : [];
    const causes = [
      { id: "W4:open", probability: 0.5 },
      { id: "PS1:dead", probability: 0.3 },
    ];
    const { withAll, items } = takeAlong(machine, causes, gear);
    expect(withAll).toBeCloseTo(0.8, 9);
    expect(items.find(named("AC clamp"))).toMatchObject({ kind: "meter" });
    expect(items.find(named("AC clamp"))!.without).toBeCloseTo(0.5, 9);
    expect(takeAlong(machine, causes).items.some(named("AC clamp"))).toBe(false);
  });

  it("the proof of a new board takes what the trade proves its functions with; common practice, no source", () => {
    const taken = (id: string) => {
      const own = machineNamed(id);
      const board = own.file.pieces.find((p) => p.board)!.id;
      const part = own.parts.find((p) => p.assembly === board && p.modes.length > 0)!;
      const fault = { part: part.id, mode: part.modes[0]!.id };
      const script = proofRun(own, ORDINARY_METER, own.file.complaints[0]!.id, fault, 2, board);
      return proofGear(own, script).map((g) => g.name);
    };
    // Settled amps; its defrost pins joined; a sensor's resistor by the chart; its loads replaced by lamps.
    expect(taken("kaldruun-uc-80")).toEqual(
      expect.arrayContaining(["AC clamp", "Insulated jumper", "Resistor of 7.50 kΩ", "2 lamps in place of loads"]),
    );
    // A battery tool: amps over ten cycles, the low-pack cut-off by a bench supply, into a test block.
    expect(taken("grisselm-sn-18")).toEqual(["DC clamp", "Adjustable bench supply", "Test block"]);
    // An ice machine: the second cycle weighed.
    expect(taken("lawinor-im-90")).toContain("Scale");
  });

  it("what is for a licensed trade, or no fault of the machine, is ended by nothing that one takes along", () => {
    expect(takeAlong(machine, [{ id: "nothing:at all", probability: 0.7 }])).toEqual({
      withAll: 0,
      withNothing: 0,
      items: [],
    });
  });
});
