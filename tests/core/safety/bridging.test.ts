import { describe, expect, it } from "vitest";
import { bridgingRefused } from "../../../src/core/safety";
import { has, isLowVoltage, ratings } from "../../../src/core/model";
import { FLEET, machineNamed } from "../../support/fleet";

/** Whose ends are joined to the mains, gas or a guard by the trade's own list; common practice, no source. */
describe("what may be bridged to see", () => {
  it.each(FLEET)("%s: never what protects, locks or is worked by hand, never a load, never mains", (name) => {
    const machine = machineNamed(name);
    for (const part of machine.parts) {
      const refused = bridgingRefused(machine, part.id);
      const nodes = [...part.nodeOf.values()];
      const isMains = nodes.some((n) => !isLowVoltage(machine.domains[n]!.energy));
      const isGuard = has(part, "protects", "interlock", "over-current", "worked-by-hand");
      const isLoad = part.kind.electrical.load === true || part.kind.electrical.source?.(part.fields) === true;
      if (isGuard || isLoad || (isMains && nodes.length === 2)) expect(refused, part.id).not.toBeNull();
    }
  });

  it("a plug's contact of an isolated 12 V rail may, the same of the mains may not", () => {
    const machine = machineNamed("firnau-bf-330");
    expect(bridgingRefused(machine, "J4-3")).toBeNull();
    expect(bridgingRefused(machine, "J1-1")).toMatch(/mains/);
    expect(bridgingRefused(machine, "F1")).toMatch(/never bridged/);
    expect(bridgingRefused(machine, "door-sw")).toMatch(/never bridged/);
    expect(bridgingRefused(machine, "fan")).toMatch(/short/);
    expect(bridgingRefused(machine, "nothing")).not.toBeNull();
  });

  it("what carries more than the fused lead does is not, by the current of the sound machine", () => {
    const machine = machineNamed("grisselm-sn-18");
    // The pack's own contact carries the motor.
    expect(bridgingRefused(machine, "B-1")).toMatch(/A: more than/);
    expect(ratings(machine.partById.get("motor")!).amps).toBeGreaterThan(1);
  });

  it("nothing in a circuit of gas", () => {
    const machine = machineNamed("murgast-abs-60");
    expect(machine.parts.filter((p) => bridgingRefused(machine, p.id) === null)).toEqual([]);
  });
});
