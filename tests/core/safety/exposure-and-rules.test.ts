import { describe, expect, it } from "vitest";
import { energyAt, exposureOf, panelsFor, panelsOverMains } from "../../../src/core/safety/exposure";
import { cautionsFor, DEAD_SHARE, forbidden, inSupplyPrimary } from "../../../src/core/safety/rules";
import { advise } from "../../../src/core/diagnose/advice/advise";
import { unitStateAfter, costOf, type UnitState } from "../../../src/core/diagnose/planning/cost";
import type { Evidence } from "../../../src/core/diagnose/evidence/evidence";
import { makeTest, testKey } from "../../../src/core/simulate/test";
import { demoDictionary } from "../../support/demo-machine";
import { complaintOf } from "../../support/isolate-unit";
import { randomSource, randomValues, UnitOnTheBench } from "../../support/unit-on-the-bench";
import { rate } from "../../../src/core/diagnose/planning/rating";
import { believe } from "../../../src/core/diagnose/belief/beliefs";

const dictionary = demoDictionary();
const { machine } = dictionary;
const setup = (id: string) => machine.setupById.get(id)!;

describe("exposure goes by isolation, not by volts", () => {
  it("takes the bulk capacitor's both ends as mains, the board's 13 V as isolated, the metalwork as earth", () => {
    expect(energyAt(machine, "bulk-plus")).toBe("mains");
    expect(energyAt(machine, "bulk-minus")).toBe("mains");
    expect(energyAt(machine, "J2-1")).toBe("isolated low voltage");
    expect(energyAt(machine, "ntc-1")).toBe("isolated low voltage");
    expect(energyAt(machine, "chassis")).toBe("earth");
    expect(energyAt(machine, "no-such-point")).toBe("unknown");
  });

  it("calls a relay's switched side mains though nothing flows there: an open switch isolates nobody", () => {
    expect(energyAt(machine, "J3-1.pad")).toBe("mains");
    expect(exposureOf(machine, setup("satisfied"), makeTest("satisfied", "acv", "J3-1.pad", "J3-2.pad"))).toBe("live");
  });

  it("calls a powered 13 V test low voltage, and live as soon as one lead is on the chassis or the mains", () => {
    expect(exposureOf(machine, setup("cold-call"), makeTest("cold-call", "dcv", "P1-1", "P1-3"))).toBe("low voltage");
    expect(exposureOf(machine, setup("cold-call"), makeTest("cold-call", "dcv", "P1-1", "chassis"))).toBe("live");
    expect(exposureOf(machine, setup("unplugged"), makeTest("unplugged", "ohms", "P1-1", "P1-3"))).toBe("dead");
    expect(exposureOf(machine, setup("cold-call"), makeTest("cold-call", "look", "panel"))).toBe("none");
  });

  it("knows the covers over bare mains, and those that a pulled plug needs off", () => {
    expect([...panelsOverMains(machine)].sort()).toEqual(["freezer-back", "rear-cover"]);
    expect(panelsFor(machine, makeTest("unplugged-P1", "ohms", "H1-1.cab", "H1-3.cab"))).toEqual([
      "door-trim",
      "hinge-cover",
    ]);
  });
});

describe("what may not be done", () => {
  it("ohms on a live circuit, low impedance in a supply's primary, volts on a dead machine", () => {
    expect(forbidden(machine, setup("cold-call"), makeTest("cold-call", "ohms", "J2-1", "J2-3"))).toMatch(
      /dead circuit/,
    );
    expect(forbidden(machine, setup("cold-call"), makeTest("cold-call", "continuity", "J2-1", "J2-3"))).toMatch(
      /dead circuit/,
    );
    expect(forbidden(machine, setup("cold-call"), makeTest("cold-call", "lowz", "bulk-plus", "bulk-minus"))).toMatch(
      /primary/,
    );
    expect(forbidden(machine, setup("unplugged"), makeTest("unplugged", "acv", "J1-1", "J1-2"))).toMatch(/needs power/);
    expect(forbidden(machine, setup("cold-call"), makeTest("cold-call", "lowz", "J1-1", "J1-2"))).toBeNull();
  });
});

describe("cautions stand at the step where they matter", () => {
  const at = (s: string, ...rest: [Parameters<typeof makeTest>[1], string, string?]) =>
    cautionsFor(machine, setup(s), makeTest(s, ...rest)).join(" ");
  it("says what the leads are near", () => {
    expect(at("cold-call", "acv", "J1-1", "J1-2")).toMatch(/Live/);
    expect(at("cold-call", "dcv", "bulk-plus", "bulk-minus")).toMatch(/as deadly as the red/);
    expect(at("cold-call", "dcv", "J2-1", "J2-3")).toMatch(/bare mains is beside them/);
    expect(at("cold-call", "dcv", "P1-1", "P1-3")).not.toMatch(/bare mains/);
    expect(at("unplugged", "ohms", "bulk-plus", "bulk-minus")).toMatch(/below 5 V/);
    expect(at("unplugged-J2", "ohms", "J2-1", "J2-3")).toMatch(/plug/);
    expect(at("cold-call", "clamp", "clamp-comp")).toMatch(/insulated wire/);
  });
});

describe("every plan over every second fault of the machine", () => {
  it("proposes no forbidden step, no ohms with a source on, and no live step where a dead one is worth 80 % of it", () => {
    const random = randomSource(21);
    let proposals = 0;
    for (const [i, hypothesis] of dictionary.hypotheses.entries()) {
      if (hypothesis.kind !== "fault" || i % 2 === 1) continue;
      const unit = new UnitOnTheBench(machine, [hypothesis.fault], randomValues(machine, random), random);
      const evidence: Evidence[] = [{ type: "complaint", id: "c", complaint: complaintOf(unit) }];
      let unitState: UnitState = { setup: "cold-call", openPanels: new Set() };
      for (let step = 0; step < 8; step++) {
        const { next } = advise(dictionary, evidence, unitState);
        if (!next) break;
        proposals++;
        const { test } = next;
        const powered = setup(test.setup).power === "on";
        expect(forbidden(machine, setup(test.setup), test)).toBeNull();
        expect(powered && (test.function === "ohms" || test.function === "continuity")).toBe(false);
        expect(test.function === "lowz" && inSupplyPrimary(machine, test)).toBe(false);
        if (next.exposure === "live") expect(next.cautions.length).toBeGreaterThan(0);
        if (next.exposure === "live" && next.proves !== null) {
          // A proof is made live only where its file names no other way to show it.
          const proof = machine.file.pieces
            .flatMap((p) => p.proofs)
            .find(
              (p) =>
                p.words === next.proves &&
                p.any.some((t) => testKey(makeTest(t.setup, t.function, t.red, t.black)) === testKey(test)),
            );
          // An output that the file has no test of is shown at the board's own pins, where it has its voltage.
          if (!proof)
            expect(
              machine.file.pieces.flatMap((p) => p.proofs).some((p) => p.words === next.proves && p.of === "output"),
            ).toBe(true);
          // Of what must show bad only the ways that the fault spoils are ways.
          if (proof?.shows === "good")
            expect(
              proof.any.every(
                (t) => exposureOf(machine, setup(t.setup), makeTest(t.setup, t.function, t.red, t.black)) === "live",
              ),
            ).toBe(true);
        }
        // A test of the search, not one that proves a board before it is blamed: that one has to be at that spot.
        // Nor one that is made again: it has to be that one.
        const made = new Set(evidence.flatMap((e) => (e.type === "reading" ? [testKey(e.test)] : [])));
        if (next.exposure === "live" && next.proves === null && !made.has(testKey(test))) {
          // Independent of the chooser: rate everything again and look for a dead test that it should have taken.
          const rated = rate(dictionary, believe(dictionary, evidence).probability, unitState, made);
          const own = rated.find((r) => testKey(r.test) === testKey(test))!;
          const rivals = rated.filter((r) => setup(r.test.setup).power === "off" && r.score >= DEAD_SHARE * own.score);
          expect(rivals.map((r) => testKey(r.test))).toEqual([]);
        }
        // A cover is opened, and a plug moved, with the power off.
        const { steps } = costOf(machine, unitState, test);
        const opens = steps.findIndex((s) => s.startsWith("Open:"));
        if (opens >= 0 && setup(unitState.setup).power === "on")
          expect(steps.indexOf("Pull the plug")).toBeLessThan(opens);
        if (opens >= 0 && setup(unitState.setup).power === "on") expect(steps).toContain("Pull the plug");
        unitState = unitStateAfter(machine, unitState, test);
        evidence.push({ type: "reading", id: String(step), test, shown: unit.read(test) });
      }
    }
    expect(proposals).toBeGreaterThan(100);
  });
});
