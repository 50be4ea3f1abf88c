import { describe, expect, it } from "vitest";
import { candidateTests } from "../../../src/core/diagnose/dictionary/candidates";
import { unmeasurable } from "../../../src/core/diagnose/advice/expressible";
import { ORDINARY_METER } from "../../../src/core/instrument/meter";
import type { Fault } from "../../../src/core/model/fault";
import { cautionsFor } from "../../../src/core/safety/rules";
import { exposureOf } from "../../../src/core/safety/exposure";
import { Simulator } from "../../../src/core/simulate/energise";
import { observe } from "../../../src/core/simulate/observe";
import { makeTest } from "../../../src/core/simulate/test";
import { nominalValues } from "../../../src/core/simulate/values";
import { isolationOf, machineNamed } from "../../support/fleet";
import { search } from "../../support/isolate-unit";
import { randomSource, randomValues, UnitOnTheBench } from "../../support/unit-on-the-bench";

const conveyor = machineNamed("sellrun-lc-24");
const seen = (setup: string, part: string, ...faults: Fault[]) => {
  const simulator = new Simulator(conveyor);
  const state = simulator.energise(conveyor.setupById.get(setup)!, faults, nominalValues(conveyor));
  const shown = observe(simulator, state, makeTest(setup, "look", part), ORDINARY_METER);
  return shown.kind === "label" ? shown.label : shown.kind;
};
const SEIZED: Fault = { part: "motor", mode: "seized" };
const DRAGS: Fault = { part: "belt", mode: "drags" };

// Common practice, no source: locked off and uncoupled, motor and belt turned apart; coupled, or by a clamp alone, both
// look alike.
describe("a belt that drags and a motor that is seized", () => {
  it("look alike while they are coupled, to the eye and to a clamp", () => {
    const amps = (fault: Fault) => {
      const simulator = new Simulator(conveyor);
      const state = simulator.energise(conveyor.setupById.get("started")!, [fault], nominalValues(conveyor));
      return observe(simulator, state, makeTest("started", "dcclamp", "clamp-motor"), ORDINARY_METER);
    };
    expect(amps(DRAGS)).toEqual(amps(SEIZED));
    for (const part of ["motor", "belt", "lamp"])
      expect(seen("started", part, DRAGS)).toBe(seen("started", part, SEIZED));
  });

  it("are told apart by hand, each by the one that does not turn", () => {
    expect([seen("dead", "motor", SEIZED), seen("dead", "belt", SEIZED)]).toEqual(["stuck or drags", "turns freely"]);
    expect([seen("dead", "motor", DRAGS), seen("dead", "belt", DRAGS)]).toEqual(["turns freely", "stuck or drags"]);
    expect([seen("dead", "motor"), seen("dead", "belt")]).toEqual(["turns freely", "turns freely"]);
  });

  it("a motor fed by itself with the belt off turns though the belt drags", () => {
    expect(seen("bypass", "motor", DRAGS)).toBe("turns");
    expect(seen("bypass", "motor", SEIZED)).not.toBe("turns");
  });

  it("are found without power in three readings, where the board has not to be proven first", () => {
    for (const [fault, assembly] of [
      [DRAGS, "belt"],
      [SEIZED, "motor"],
    ] as const) {
      const random = randomSource(3);
      const unit = new UnitOnTheBench(conveyor, [fault], randomValues(conveyor, random), random);
      const run = search(isolationOf("sellrun-lc-24"), unit, "advice", {
        known: [{ type: "complaint", id: "c", complaint: "distress" }],
      });
      expect(run.assemblies).toEqual([assembly]);
      expect(run.readings).toBeLessThanOrEqual(3);
      expect(run.tests.filter((t) => t.function !== "look")).toEqual([]);
    }
  });
});

describe("turning by hand", () => {
  it("is offered locked off only, of what turns only", () => {
    const looks = candidateTests(conveyor).filter((t) => t.function === "look");
    // In the bypass a bench supply feeds the motor: nothing is turned by hand there.
    const off = looks.filter((t) => ["dead", "dead-start"].includes(t.setup));
    expect(new Set(off.map((t) => t.red))).toEqual(new Set(["motor", "belt"]));
    expect(
      cautionsFor(conveyor, conveyor.setupById.get("bypass")!, makeTest("bypass", "look", "motor")).join(),
    ).not.toContain("propped");
  });

  it("is a dead step that says what is locked off, and no reading of volts before it", () => {
    const byHand = makeTest("dead", "look", "belt");
    const setup = conveyor.setupById.get("dead")!;
    expect(exposureOf(conveyor, setup, byHand)).toBe("dead");
    const cautions = cautionsFor(conveyor, setup, byHand).join(" ");
    expect(cautions).toContain("propped");
    expect(cautions).not.toContain("Meter on volts");
  });

  it("is logged with its own words and no others", () => {
    const label = (setup: string, text: string) =>
      unmeasurable(conveyor, makeTest(setup, "look", "belt"), { kind: "label", label: text });
    expect(label("dead", "stuck or drags")).toBeNull();
    expect(label("dead", "moves")).toContain("turns freely");
    expect(label("started", "stuck or drags")).toContain("moves");
  });
});
