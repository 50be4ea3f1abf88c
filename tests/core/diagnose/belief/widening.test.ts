import { describe, expect, it } from "vitest";
import { advise } from "../../../../src/core/diagnose/advice/advise";
import { weigh } from "../../../../src/core/diagnose/belief/weigh";
import { unitStateAfter, type UnitState } from "../../../../src/core/diagnose/planning/cost";
import type { Evidence } from "../../../../src/core/diagnose/evidence/evidence";
import { faultsOf, hypothesisName, assembliesOf } from "../../../../src/core/diagnose/hypotheses/hypothesis";
import { mayTry } from "../../../../src/core/diagnose/planning/rollout";
import { likelyChanges } from "../../../../src/core/diagnose/belief/widening";
import { compileMachine } from "../../../../src/core/model/compile/compile";
import { variantOf } from "../../../../src/core/model/as-found";
import { makeTest } from "../../../../src/core/simulate/test";
import { nominalValues } from "../../../../src/core/simulate/values";
import { demoDictionary } from "../../../support/demo-machine";
import { FLEET, isolationOf, machineNamed } from "../../../support/fleet";
import { search } from "../../../support/isolate-unit";
import { mend } from "../../../support/two-faults";
import { randomSource, randomValues, UnitOnTheBench } from "../../../support/unit-on-the-bench";
import { has } from "../../../../src/core/model/traits";
import { involvement } from "../../../../src/core/diagnose/belief/beliefs";

const dictionary = demoDictionary();
const { machine } = dictionary;
const fault = (id: string) => ({ part: id.split(":")[0]!, mode: id.split(":")[1]! });

describe("two faults at once", () => {
  const P1_OPEN = "W4:open";
  const RELAY = "fan:open";
  const complaint: Evidence = { type: "complaint", id: "c", complaint: "panel-dark" };

  it("are not thought of while one explains everything", () => {
    const unit = new UnitOnTheBench(machine, [fault(P1_OPEN)], nominalValues(machine), randomSource(1));
    const run = search(dictionary, unit, "advice");
    expect(weigh(dictionary, run.evidence).dictionary).toBe(dictionary);
  });

  it("are found one after the other: after the first repair what is left is searched for, not the same piece again", () => {
    const unit = new UnitOnTheBench(machine, [fault(P1_OPEN), fault(RELAY)], nominalValues(machine), randomSource(1));
    const mending = mend(dictionary, unit);
    expect(mending.well).toBe(true);
    expect(mending.found.filter((f) => f.wasBad).map((f) => f.assembly)).toEqual(["door-harness", "fan"]);
    expect(mending.found.filter((f) => f.assembly === "door-harness").length).toBe(1);
  });

  it("are weighed as soon as a reading that fits none was made again with the same result", () => {
    // The harness is open at H1 and at W6: no single fault opens both wires.
    const both = new UnitOnTheBench(
      machine,
      [fault("H1-1:open"), fault("W6:open")],
      nominalValues(machine),
      randomSource(2),
    );
    const tests = [
      makeTest("unplugged", "ohms", "H1-1.cab", "H1-1.door"),
      makeTest("unplugged", "ohms", "H1-3.door", "P1-3"),
    ];
    const readings = tests.map((test, i): Evidence => ({ type: "reading", id: `r${i}`, test, shown: both.read(test) }));
    const odd = weigh(dictionary, [complaint, ...readings]);
    expect(odd.odd.length).toBeGreaterThan(0);
    const again = [...readings, ...readings.map((r): Evidence => ({ ...r, id: `${r.id} again` }))];
    const wide = weigh(dictionary, [complaint, ...again]);
    expect(wide.dictionary).not.toBe(dictionary);
    const ranked = wide.dictionary.hypotheses
      .map((h, i) => ({ h, p: wide.beliefs.probability[i]! }))
      .sort((a, b) => b.p - a.p);
    // Two readings leave room for something that is not drawn; of what is drawn, the right pair leads.
    const top = ranked.find(({ h }) => h.kind !== "something else")!;
    expect(top.h.kind).toBe("two faults");
    expect([...faultsOf(machine, top.h)].map((f) => f.part).sort()).toEqual(["H1-1", "W6"]);
    const shares = involvement(wide.dictionary, wide.beliefs.probability);
    const rest = 1 - shares.get("something-else")!;
    expect(Math.min(...assembliesOf(machine, top.h).map((p) => shares.get(p)!))).toBeGreaterThan(0.5 * rest);
    expect(hypothesisName(machine, top.h)).toContain("; and ");
  });

  it("asks first for the odd reading once more, and only that", () => {
    const unitState: UnitState = { setup: "cold-call", openPanels: new Set() };
    const lit: Evidence = { type: "complaint", id: "c", complaint: "no-cooling" };
    const first = advise(dictionary, [lit], unitState).next!.test;
    const impossible: Evidence = {
      type: "reading",
      id: "x",
      test: makeTest("cold-call", "dcv", "J2-1.pad", "J2-3.pad"),
      shown: { kind: "value", value: 47.3 },
    };
    const advice = advise(dictionary, [lit, impossible], unitStateAfter(machine, unitState, first));
    expect(advice.next!.test).toEqual(impossible.test);
    expect(advice.next!.why).toContain("Measure again: the last reading of");
    // It was a slip: measured again it is as it should be, and the odd value no longer counts.
    const sound: Evidence = { type: "reading", id: "y", test: impossible.test, shown: { kind: "value", value: 13.2 } };
    const after = advise(dictionary, [lit, impossible, sound], unitState);
    expect(after.isWider).toBe(false);
    expect(JSON.stringify(after.suspects)).toBe(JSON.stringify(advise(dictionary, [lit, sound], unitState).suspects));
  });

  it("crash nothing and loop nowhere; one of the two is found first, drawn from two machines", () => {
    for (const name of ["quellmoor-sb-210", "perlgrund-tm-3"]) {
      const own = name === "quellmoor-sb-210" ? dictionary : isolationOf(name);
      const random = randomSource(77);
      const faults = own.hypotheses.flatMap((h) => (h.kind === "fault" && h.led.length === 0 ? [h] : []));
      let [tried, right] = [0, 0];
      for (let k = 0; k < 6; k++) {
        const [a, b] = [faults[Math.floor(random() * faults.length)]!, faults[Math.floor(random() * faults.length)]!];
        if (a.fault.part === b.fault.part) continue;
        const mending = mend(
          own,
          new UnitOnTheBench(own.machine, [a.fault, b.fault], randomValues(own.machine, random), random),
        );
        tried++;
        if (mending.found[0]?.wasBad === true || mending.unseen) right++;
      }
      console.log(`${name}: one of two found first in ${right} of ${tried}`);
      // At this size one miss is within chance of the 95 % that the bench shows.
      expect(tried - right).toBeLessThanOrEqual(1);
    }
  });
});

describe("a fault that brings about another", () => {
  const dryer = isolationOf("brenzik-cd-30");
  const led = dryer.hypotheses.find((h) => h.id === "KH:welded>limit:open")!;

  it("is one hypothesis that blames the cause and names what came of it", () => {
    expect(led).toMatchObject({ assembly: "board", led: [{ part: "limit", mode: "open" }] });
    expect(assembliesOf(dryer.machine, led)).toEqual(["board", "high-limit"]);
    expect(hypothesisName(dryer.machine, led)).toMatch(/Heat relay.*and with it High-limit cut-off/);
    const sum = dryer.hypotheses.reduce((s, h) => s + h.prior, 0);
    expect(sum).toBeCloseTo(1, 12);
  });

  it("is found as the cause, and the opened cut-off is not the end of the search", () => {
    const unit = new UnitOnTheBench(
      dryer.machine,
      faultsOf(dryer.machine, led),
      nominalValues(dryer.machine),
      randomSource(4),
    );
    const run = search(dryer, unit, "advice");
    expect(run.assemblies).toEqual(["board"]);
    // Opened by itself, the cut-off is what is found.
    const alone = new UnitOnTheBench(
      dryer.machine,
      [fault("limit:open")],
      nominalValues(dryer.machine),
      randomSource(4),
    );
    expect(search(dryer, alone, "advice").assemblies).toEqual(["high-limit"]);
  });

  it("refuses causes of parts and failures that are not there, and shares that add up to too much", () => {
    const file = machineNamed("brenzik-cd-30").file;
    const cause = file.causes[0]!;
    const withCauses = (causes: typeof file.causes) => () => compileMachine({ ...file, causes });
    expect(withCauses([{ ...cause, part: "nobody" }])).toThrow(/no part called nobody/);
    expect(withCauses([{ ...cause, then: { part: "limit", mode: "asleep" } }])).toThrow(/cannot be asleep/);
    expect(withCauses([{ ...cause, then: { part: cause.part, mode: "coil-open" } }])).toThrow(/another part/);
    expect(
      withCauses([
        { ...cause, share: 0.6 },
        { ...cause, share: 0.5 },
      ]),
    ).toThrow(/more than 0.95/);
  });
});

describe("a unit that is not as drawn", () => {
  it("is named when a door switch was bridged and nothing in the file explains what is measured", () => {
    const bridged = variantOf(machine.file, [{ change: "taken out", part: "door-sw", bridged: true }]);
    const unit = new UnitOnTheBench(bridged, [], nominalValues(bridged), randomSource(5));
    const hypotheses = likelyChanges(machine);
    const own = hypotheses.find((h) => h.kind === "not as drawn" && "part" in h.change && h.change.part === "door-sw")!;
    expect(hypothesisName(machine, own)).toMatch(/is bridged$/);
    const wide = dictionary.widened(hypotheses);
    const at = wide.hypotheses.findIndex((h) => h.id === own.id);
    const setup = machine.file.setups.find((s) => s.openDoors.length > 0 && s.power === "on")!;
    const look = makeTest(setup.id, "look", "fan");
    expect(wide.predictionsFor(look)[at]![0]).toEqual(unit.read(look));
  });

  it("can be taken as it was found, questions about the missing part and all", () => {
    for (const name of FLEET) {
      const m = machineNamed(name);
      for (const h of likelyChanges(m))
        if (h.kind === "not as drawn") expect(() => variantOf(m.file, [h.change]), `${name} ${h.words}`).not.toThrow();
    }
  });
});

describe("what may be tried to see whether it helps", () => {
  it("goes by the kind of part too: a file that forgets to say so makes no compressor a thing to try", () => {
    for (const assembly of machine.file.pieces.filter((p) => p.licensed))
      expect(mayTry(machine, { ...assembly, licensed: false }), assembly.id).toBe(false);
  });

  it.each(FLEET)("%s: never a board, a protective part, a source, or what a licensed trade does", (name) => {
    const m = machineNamed(name);
    for (const assembly of m.file.pieces) {
      if (!mayTry(m, assembly)) continue;
      expect(assembly.board).toBe(false);
      expect(assembly.repair).not.toMatch(/hand over|licensed|call the|find what/i);
      for (const part of m.parts.filter((p) => p.assembly === assembly.id)) {
        expect(has(part, "protects"), part.id).toBe(false);
        expect(part.kind.electrical.source?.(part.fields) ?? false, part.id).toBe(false);
        expect([
          "fuse",
          "breaker",
          "thermal cut-off",
          "outlet",
          "gas valve coil",
          "cooling unit",
          "compressor",
        ]).not.toContain(part.kind.kind);
      }
    }
  });
});
