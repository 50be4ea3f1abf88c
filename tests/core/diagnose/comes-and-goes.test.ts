import { describe, expect, it } from "vitest";
import { advise } from "../../../src/core/diagnose/advice/advise";
import type { Evidence } from "../../../src/core/diagnose/evidence/evidence";
import { believe } from "../../../src/core/diagnose/belief/beliefs";
import { weigh } from "../../../src/core/diagnose/belief/weigh";
import { exposureOf } from "../../../src/core/safety/exposure";
import { has } from "../../../src/core/model/traits";
import { makeTest } from "../../../src/core/simulate/test";
import { isolationOf } from "../../support/fleet";
import { FleetingUnit } from "../../support/fleeting-unit";
import { complaintMadeOf, search } from "../../support/isolate-unit";
import { randomSource, randomValues, UnitOnTheBench } from "../../support/unit-on-the-bench";

const dictionary = isolationOf("perlgrund-tm-3");
const { machine, hypotheses } = dictionary;
const says = (complaint: string): Evidence => ({ type: "complaint", id: "complaint", complaint, comesAndGoes: true });
const shareOf = (id: string, evidence: readonly Evidence[]) => {
  const weighed = weigh(dictionary, evidence);
  return weighed.beliefs.probability[hypotheses.findIndex((h) => h.id === id)]!;
};

describe("a complaint that comes and goes", () => {
  const shown = makeTest("up", "look", "screen");
  const look = { type: "reading", id: "l", test: shown, shown: { kind: "label", label: "1.50" } } as const;
  const fed = makeTest("up", "dcv", "H-3", "H-2");
  const volts = (id: string, value: number) =>
    ({ type: "reading", id, test: fed, shown: { kind: "value", value } }) as const;

  it("is not cleared by seeing that it works now", () => {
    const fault = "H-3:open";
    const before = shareOf(fault, [says("all")]);
    const sound = new UnitOnTheBench(machine, [], randomValues(machine, randomSource(1)), randomSource(2));
    const now = { ...look, shown: sound.read(shown) } as Evidence;
    expect(shareOf(fault, [says("all"), now])).toBeGreaterThan(0.9 * before);
    // Of a fault that stays, the same look speaks strongly against it.
    const stays: Evidence = { type: "complaint", id: "complaint", complaint: "all" };
    expect(shareOf(fault, [stays, now])).toBeLessThan(0.2 * shareOf(fault, [stays]));
  });

  it("is found by one bad reading, and only made less likely by a good one", () => {
    const fault = "H-3:open";
    const before = shareOf(fault, [says("all")]);
    expect(shareOf(fault, [says("all"), volts("a", 0.01)])).toBeGreaterThan(2 * before);
    const good = shareOf(fault, [says("all"), volts("a", 24)]);
    expect(good).toBeLessThan(before);
    expect(good).toBeGreaterThan(0.1 * before);
  });

  it("is taken back by the last word on that sign", () => {
    const sign = (there: boolean): Evidence => ({ type: "sign", id: "s", part: "*", sign: "comes-and-goes", there });
    const of = (...e: Evidence[]) => weigh(dictionary, e).dictionary.comesAndGoes;
    const stays: Evidence = { type: "complaint", id: "complaint", complaint: "all" };
    expect([of(says("all")), of(stays), of(stays, sign(true)), of(says("all"), sign(false))]).toEqual([
      true,
      false,
      true,
      false,
    ]);
  });

  it("never has a repair tried to see: it would be gone after any of them", () => {
    for (const complaint of ["e301", "e412", "dead"]) {
      const setup = machine.file.complaints.find((c) => c.id === complaint)!.setup;
      const advice = advise(dictionary, [says(complaint)], { setup, openPanels: new Set() });
      expect(advice).toMatchObject({ attempt: null, isWider: false });
    }
    const gone: Evidence = { type: "tried", id: "t", assembly: "feed-harness", result: "gone" };
    const setup = machine.file.complaints.find((c) => c.id === "e301")!.setup;
    const { stop } = advise(dictionary, [says("e301"), gone], { setup, openPanels: new Set() });
    expect(stop).toMatchObject({ kind: "mended", assemblies: ["feed-harness"] });
    expect(stop!.sentence).toContain("Gone for now");
    const of = (e: readonly Evidence[]) => [...believe(dictionary.comingAndGoing(), e).probability];
    expect(of([says("e301"), gone])).toEqual(of([says("e301")]));
  });

  it("is not provoked among live wires while a safe reading tells anything", () => {
    const whole = isolationOf("kaldruun-uc-80");
    const live = (evidence: Evidence) => {
      const run: string[] = [];
      const { setup } = whole.machine.file.complaints.find((c) => c.id === "warm")!;
      const known: Evidence[] = [evidence];
      const unit = new UnitOnTheBench(whole.machine, [], randomValues(whole.machine, randomSource(4)), randomSource(5));
      for (let step = 0; step < 12; step++) {
        const { next } = advise(whole, known, { setup, openPanels: new Set() });
        if (!next) break;
        run.push(exposureOf(whole.machine, whole.machine.setupById.get(next.test.setup)!, next.test));
        known.push({ type: "reading", id: `r${step}`, test: next.test, shown: unit.read(next.test) });
      }
      return run;
    };
    const steps = live(says("warm"));
    expect(steps.length).toBeGreaterThan(5);
    expect(steps.slice(0, 6)).not.toContain("live");
  });

  it("ends at the contact that comes and goes, and blames nothing sound", () => {
    const ends: string[] = [];
    let tried = 0;
    for (const h of hypotheses) {
      if (h.kind !== "fault" || !has(machine.partById.get(h.fault.part)!, "comes-and-goes")) continue;
      const random = randomSource(11);
      const values = randomValues(machine, random);
      const complaint = complaintMadeOf(new UnitOnTheBench(machine, [h.fault], values, random), true);
      if (!complaint || Object.keys(machine.file.complaints.find((c) => c.id === complaint)!.sees).length === 0)
        continue;
      tried++;
      const run = search(dictionary, new FleetingUnit(machine, [h.fault], values, random), "advice", {
        known: [says(complaint)],
      });
      if (run.assemblies.join() !== h.assembly) ends.push(`${h.id} ended at ${run.assemblies.join()}`);
    }
    expect(tried).toBeGreaterThan(8);
    expect(ends).toEqual([]);
  });

  it("that can come from one assembly only is neither found without a reading, nor looked for where it cannot show", () => {
    const { next, stop } = advise(dictionary, [says("all")], { setup: "up", openPanels: new Set() });
    expect(stop).toBeNull();
    const table = dictionary.tableFor(next!.test);
    const n = table.outcomes.length;
    const at = (id: string) => {
      const h = hypotheses.findIndex((x) => x.id === id);
      return [...table.chances.subarray(h * n, h * n + n)];
    };
    const sound = at("no-fault");
    const alike = at("H-3:open").reduce((sum, p, o) => sum + Math.min(p, sound[o]!), 0);
    expect(alike).toBeLessThan(0.5);
  });
  it("that shows nothing ends without a name, and is not called sound", () => {
    const random = randomSource(3);
    const unit = new UnitOnTheBench(machine, [], randomValues(machine, random), random);
    const run = search(dictionary, unit, "advice", { known: [says("e301")], most: 60 });
    const last = advise(dictionary, run.evidence, { setup: "up", openPanels: new Set() });
    expect(last.stop?.kind).not.toBe("nothing wrong");
    expect(last.stop?.kind).not.toBe("found");
  });
});
