import { describe, expect, it } from "vitest";
import { changeSchema } from "../../../../src/core/model/as-found";
import { isLowVoltage } from "../../../../src/core/model/energy";
import { clampFunction, voltsFunction } from "../../../../src/core/diagnose/dictionary/candidates";
import { walkOf } from "../../../../src/core/diagnose/advice/baseline-walk";
import { isClamp, unitOf } from "../../../../src/core/instrument/meter";
import { sampledValues, nominalValues } from "../../../../src/core/simulate/values";
import { sampleWeights } from "../../../../src/core/diagnose/dictionary/predictor";
import { hypothesesOf } from "../../../../src/core/diagnose/hypotheses/hypothesis";
import { kernelOf, massBelow } from "../../../../src/core/diagnose/reading/likelihood";
import { scaleOf, toScale } from "../../../../src/core/diagnose/reading/scale";
import { ORDINARY_METER } from "../../../../src/core/instrument/meter";
import { ratingsOf, words } from "../../../../src/ui/machine/ratings";
import { cellText, cellValue } from "../../../../src/ui/machine/useRows";
import { FLEET, machineNamed } from "../../../support/fleet";

describe("which function a voltage or a current is measured with", () => {
  const dish = machineNamed("velmoor-dw-45");
  const point = (id: string) => dish.points.get(id)!;
  it("direct volts on boards and behind the bridge, alternating ones on the mains and behind a transformer", () => {
    expect(voltsFunction(dish, point("C-1"), point("C-3"))).toBe("dcv");
    expect(voltsFunction(dish, point("bulk-plus"), point("bulk-minus"))).toBe("dcv");
    expect(voltsFunction(dish, point("A-1"), point("A-2"))).toBe("acv");
    const ice = machineNamed("lawinor-im-90");
    expect(voltsFunction(ice, ice.points.get("sec-1")!, ice.points.get("sec-2")!)).toBe("acv");
    expect(voltsFunction(ice, ice.points.get("TP12")!, ice.points.get("P3-4")!)).toBe("dcv");
    const cooler = machineNamed("kaldruun-uc-80");
    expect(voltsFunction(cooler, cooler.points.get("TP12")!, cooler.points.get("T-N.pad")!)).toBe("dcv");
  });
  it("a clamp with a Hall sensor on a battery, an ordinary one on the mains", () => {
    const [winch, fridge] = [machineNamed("zirvald-bw-15"), machineNamed("firnau-bf-330")];
    expect(clampFunction(winch, [...winch.clamps.values()][0]!)).toBe("dcclamp");
    expect(clampFunction(fridge, fridge.clamps.get("clamp-comp")!)).toBe("clamp");
    expect([isClamp("dcclamp"), isClamp("clamp"), isClamp("acv")]).toEqual([true, true, false]);
    expect([unitOf("dcclamp"), unitOf("ohms"), unitOf("look")]).toEqual(["A", "ohm", ""]);
  });
  it("low voltage is a matter of isolation", () => {
    expect([
      isLowVoltage("isolated low voltage"),
      isLowVoltage("battery"),
      isLowVoltage("mains"),
      isLowVoltage("unknown"),
      isLowVoltage("earth"),
    ]).toEqual([true, true, false, false, false]);
  });
});

describe("samples", () => {
  const machine = machineNamed("kaldruun-uc-80");
  it("of every hypothesis weigh one together, more of them where a fault has degrees", () => {
    for (const h of hypothesesOf(machine)) {
      const weights = sampleWeights(machine, h);
      expect(weights.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 12);
      expect(Math.min(...weights)).toBeGreaterThan(0);
    }
    const counts = (id: string) =>
      sampleWeights(
        machine,
        hypothesesOf(machine).find((h) => h.id === id)!,
      ).length;
    expect(counts("T-C:resistive")).toBeGreaterThan(counts("T-C:open"));
  });
  it("cover every part value evenly: one in each slice of its tolerance", () => {
    const seeds = [11, 12, 13, 14];
    const drawn = seeds.map((seed) => sampledValues(machine, seed, 0.5, 0.5, seeds));
    const nominal = nominalValues(machine);
    machine.parts.forEach((part, p) =>
      part.parameters.forEach((parameter, q) => {
        if (parameter.vague || parameter.tolerance === 0) return;
        const shares = drawn
          .map((v) => (v.of[p]![q]! / nominal.of[p]![q]! - 1) / parameter.tolerance)
          .sort((a, b) => a - b);
        shares.forEach((share, slice) => {
          expect(share, `${part.id} ${parameter.name}`).toBeGreaterThanOrEqual(-1 + slice / 2 - 1e-9);
          expect(share, `${part.id} ${parameter.name}`).toBeLessThanOrEqual(-0.5 + slice / 2 + 1e-9);
        });
      }),
    );
  });
  it("reach the mildest and the worst of a graded fault", () => {
    const part = machine.partById.get("T-C")!;
    const mode = part.modes.find((m) => m.id === "resistive")!;
    const severities = [0, 1].map((stratum) => sampledValues(machine, 1, stratum).severity(part, mode));
    expect(severities[0]! / mode.severity![0]).toBeLessThan(1.2);
    expect(severities[1]! / mode.severity![1]).toBeGreaterThan(0.8);
  });
});

describe("what samples that differ predict", () => {
  const scale = scaleOf(ORDINARY_METER, "dcv");
  const of = (...values: number[]) =>
    kernelOf(
      values.map((value) => ({ kind: "value" as const, value })),
      scale,
    );
  it("samples that agree are sharp, those of one regime share a bell, one alone reaches no further than it may", () => {
    expect(of(13.2, 13.2, 13.2).widths.every((w) => w === 1)).toBe(true);
    const regime = of(12.9, 13.0, 13.1, 13.2);
    expect(new Set(regime.centres.map((c) => c.toFixed(9))).size).toBe(1);
    expect(of(13.2, 13.2, 13.2, 0, 0, 0).widths.every((w) => w === 1)).toBe(true);
    // Two witnesses of a regime are few: they reach a little further than what they show.
    expect(of(13.2, 13.2, 13.2, 0, 0).widths[4]).toBeGreaterThan(5);
    const lonely = of(13.2, 13.2, 13.2, 13.2, 6);
    expect(lonely.widths[4]).toBeGreaterThan(5);
    expect(lonely.widths[4]).toBeLessThan(13);
  });
  it("its mass lies where the samples are", () => {
    const kernel = of(13.2, 13.2, 13.2, 0, 0, 0);
    expect(massBelow(toScale(scale, 14), kernel) - massBelow(toScale(scale, 12.5), kernel)).toBeCloseTo(0.5, 3);
    expect(massBelow(toScale(scale, 0.3), kernel) - massBelow(toScale(scale, -0.3), kernel)).toBeCloseTo(0.5, 3);
  });
});

describe("what the screens write of a machine", () => {
  it("ratings in one line, with the words of their fields", () => {
    const fridge = machineNamed("firnau-bf-330");
    expect(ratingsOf(fridge.partById.get("heater")!)).toBe("volts 120, watts 325");
    expect(ratingsOf(fridge.partById.get("PS1")!)).toContain("y farads 2.2 n");
    expect(words("startVolts")).toBe("start volts");
    for (const name of FLEET)
      for (const part of machineNamed(name).parts) expect(ratingsOf(part)).not.toMatch(/NaN|undefined|object/);
  });
  it("cells of the editor go out and come back", () => {
    for (const value of ["J2-1", "010", "1E3", { a: "net-1", b: "net-2" }, ["x", "y"]])
      expect(cellValue(cellText(value))).toEqual(value);
    expect(cellText(undefined)).toBe("");
    expect(() => cellValue("{ a: ")).toThrow();
  });
  it("a walk without a plan goes to every stop of the paths", () => {
    const machine = machineNamed("sellrun-lc-24");
    const walk = walkOf(machine);
    for (const stage of machine.file.paths.flatMap((p) => p.stages))
      if ("at" in stage) expect(walk.some((t) => t.red === stage.at[0] && t.black === stage.at[1])).toBe(true);
    expect(walk.some((t) => t.function === "dcclamp")).toBe(true);
  });
  it("a change found on a unit is one of three, and nothing else", () => {
    expect(changeSchema.safeParse({ change: "taken out", part: "F1", bridged: true }).success).toBe(true);
    expect(changeSchema.safeParse({ change: "taken out", part: "F1", bridged: true, why: "x" }).success).toBe(false);
    expect(changeSchema.safeParse({ change: "burnt", part: "F1" }).success).toBe(false);
  });
});
