import { describe, expect, it } from "vitest";
import { energyAt } from "../../../src/core/safety/exposure";
import { candidateTests } from "../../../src/core/diagnose/dictionary/candidates";
import { observationsOf } from "../../../src/core/diagnose/evidence/evidence";
import { readMachineYaml } from "../../../src/core/model/file/machine-yaml";
import { ORDINARY_METER } from "../../../src/core/instrument/meter";
import type { Machine } from "../../../src/core/model/machine";
import { makeTest } from "../../../src/core/simulate/test";
import type { Reading } from "../../../src/core/quantity/read";
import { FLEET, machineNamed } from "../../support/fleet";
import { KETTLE } from "../../support/kettle";

/** Loads whose metal case can become live, with a point on one of their ends; the metalwork has a point too. */
function leakable(machine: Machine): string[] {
  const isMetal = machine.file.references.some((r) => r.points.some((id) => energyAt(machine, id) === "earth"));
  if (!isMetal) return [];
  return machine.parts
    .filter((p) => p.nodeOf.has("case"))
    .filter((p) => {
      const ends = [...p.nodeOf].filter(([terminal]) => terminal !== "case").map(([, node]) => node);
      return [...machine.points.values()].some((point) => ends.includes(point.node));
    })
    .map((p) => p.id);
}

describe("leakage to the metalwork", () => {
  it.each(FLEET)("%s: an insulation test is thought of for every load whose ends can be reached", (name) => {
    const machine = machineNamed(name);
    const tests = candidateTests(machine).filter((t) => t.function === "insulation");
    for (const id of leakable(machine)) {
      const nodes = [...machine.partById.get(id)!.nodeOf.values()];
      const mains = [...machine.points.values()].filter(
        (p) => nodes.includes(p.node) && energyAt(machine, p.id) === "mains",
      );
      if (mains.length === 0) continue;
      expect(
        tests.some((t) => mains.some((p) => p.id === t.red)),
        `${name} ${id}`,
      ).toBe(true);
    }
  });

  it("is looked for also where the metalwork's point lies behind another cover than the load", () => {
    const machine = readMachineYaml(KETTLE, "kettle.yaml").machine;
    const metal = machine.file.references.flatMap((r) => r.points).filter((id) => energyAt(machine, id) === "earth");
    const moved = new Map(machine.points);
    for (const id of metal) moved.set(id, { ...machine.points.get(id)!, panel: "elsewhere" });
    const apart = { ...machine, points: moved } as Machine;
    const ends = (m: Machine) =>
      new Set(
        candidateTests(m)
          .filter((t) => t.function === "insulation")
          .map((t) => t.red),
      );
    expect(ends(machine).size).toBeGreaterThan(0);
    expect(ends(apart)).toEqual(ends(machine));
  });

  it("is not cleared by the overload of an ohmmeter; ohms that it shows count", () => {
    const machine = machineNamed("kaldruun-uc-80");
    const dead = machine.file.setups.find((s) => s.power === "off")!.id;
    const metal = machine.file.references.flatMap((r) => r.points).find((id) => energyAt(machine, id) === "earth")!;
    const line = [...machine.points.values()].find((p) => energyAt(machine, p.id) === "mains")!.id;
    const made = (fn: "ohms" | "continuity" | "insulation", shown: Reading) =>
      observationsOf(machine, ORDINARY_METER, [
        { type: "reading", id: "r", test: makeTest(dead, fn, line, metal), shown },
      ]).length;
    expect(made("ohms", { kind: "overload" })).toBe(0);
    expect(made("continuity", { kind: "beep", beeps: false })).toBe(0);
    expect(made("ohms", { kind: "value", value: 4000 })).toBe(1);
    expect(made("insulation", { kind: "overload" })).toBe(1);
  });
});
