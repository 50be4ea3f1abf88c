import { describe, expect, it } from "vitest";
import { uniformFor } from "../../../src/core/random";
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

  it("what is for a licensed trade, or no fault of the machine, is ended by nothing that one takes along", () => {
    expect(takeAlong(machine, [{ id: "nothing:at all", probability: 0.7 }])).toEqual({
      withAll: 0,
      withNothing: 0,
      items: [],
    });
  });
});
