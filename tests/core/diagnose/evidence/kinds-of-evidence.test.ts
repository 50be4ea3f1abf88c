import { describe, expect, test } from "vitest";
import { ORDINARY_METER } from "../../../../src/core/instrument/meter";
import { advise } from "../../../../src/core/diagnose/advice/advise";
import { codeMatches, codeOdds, codesOf, setupShowing } from "../../../../src/core/diagnose/advice/code-odds";
import type { Evidence } from "../../../../src/core/diagnose/evidence/evidence";
import {
  answerLikelihood,
  simpleCausesOf,
  isModelled,
  openSimpleCauses,
} from "../../../../src/core/diagnose/evidence/simple-causes";
import { describeTest } from "../../../../src/core/diagnose/advice/test-sheet";
import { unaskable, cannotBeObserved } from "../../../../src/core/diagnose/advice/expressible";
import { assemblySuspects } from "../../../../src/core/diagnose/belief/suspects";
import { makeTest } from "../../../../src/core/simulate/test";
import { FLEET, machineNamed } from "../../../support/fleet";
import { FaultDictionary } from "../../../../src/core/diagnose/dictionary/fault-dictionary";
import { believe } from "../../../../src/core/diagnose/belief/beliefs";

const firnau = FaultDictionary.of(machineNamed("firnau-bf-330"), ORDINARY_METER);
const murgast = FaultDictionary.of(machineNamed("murgast-abs-60"), ORDINARY_METER);
const look = (id: string, setup: string, part: string, label: string): Evidence => ({
  type: "reading",
  id,
  test: makeTest(setup, "look", part),
  shown: { kind: "label", label },
});
const of = (dictionary: FaultDictionary, evidence: readonly Evidence[], assembly: string) =>
  assemblySuspects(dictionary, believe(dictionary, evidence)).find((s) => s.assembly === assembly)?.probability ?? 0;

describe("a code is evidence, not a verdict", () => {
  test("it re-weighs the suspects by which faults make it appear, beside what the maker's table blames", () => {
    const [e1] = codesOf(firnau.machine).filter((c) => codeMatches(c, "e1"));
    expect(e1).toMatchObject({ code: "E1", label: "E1", blames: "sensor" });
    const odds = codeOdds(firnau, [], setupShowing(firnau, e1!)!, e1!);
    // The table blames the sensor; an open plug or wire, more often, makes the same code.
    expect(odds.blamed).toBeGreaterThan(0.05);
    expect(odds.blamed).toBeLessThan(0.5);
    expect(odds.suspects.length).toBeGreaterThan(1);
    expect(odds.suspects.reduce((sum, s) => sum + s.probability, 0)).toBeLessThanOrEqual(1.0001);
  });

  test("found by code, by display text, by meaning, by lamp pattern", () => {
    const lawinor = codesOf(machineNamed("lawinor-im-90"));
    expect(lawinor.filter((c) => codeMatches(c, "2 flashes")).map((c) => c.code)).toEqual(["L2"]);
    expect(
      codesOf(firnau.machine)
        .filter((c) => codeMatches(c, "sensor shorted"))
        .map((c) => c.code),
    ).toEqual(["E2"]);
    expect(codesOf(firnau.machine).filter((c) => codeMatches(c, "zz9"))).toEqual([]);
  });

  test("what a machine cannot show, and a question it has not, get a sentence", () => {
    const { machine } = firnau;
    expect(cannotBeObserved(machine, { setup: "calling", part: "panel", label: "E1" })).toBeNull();
    expect(cannotBeObserved(machine, { setup: "calling", part: "panel", label: "E9" })).toMatch(
      /^Door panel .*cannot show "E9".*Nothing was logged\.$/,
    );
    expect(cannotBeObserved(machine, { setup: "nowhere", part: "panel", label: "E1" })).toContain("no setup nowhere");
    expect(cannotBeObserved(machine, { setup: "calling", part: "F1", label: "E1" })).toContain(
      "nothing called F1 to look at",
    );
    expect(
      cannotBeObserved(machine, { setup: "calling", part: "panel", label: "clears", instant: "recheck" }),
    ).toBeNull();
    expect([unaskable(machine, "vent"), unaskable(machine, "*")]).toEqual([null, null]);
    expect(unaskable(machine, "weather")).toContain("no such question");
  });
});

describe("power off, wait, and see", () => {
  const e1 = look("code", "calling", "panel", "E1");
  const recheck = (label: string): Evidence => ({
    type: "reading",
    id: "again",
    test: makeTest("calling", "look", "panel", undefined, "recheck"),
    shown: { kind: "label", label },
  });

  test("a fault that stays is back at once; a program that waits shows it later", () => {
    const predicted = (dictionary: FaultDictionary, setup: string, part: string, id: string) => {
      const h = dictionary.hypotheses.findIndex((x) => x.id === id);
      return dictionary.predictionsFor(makeTest(setup, "look", part, undefined, "recheck"))[h]![0];
    };
    expect(predicted(firnau, "calling", "panel", "sensor:open")).toEqual({ kind: "label", label: "returns at once" });
    expect(predicted(firnau, "calling", "panel", "no-fault")).toEqual({ kind: "label", label: "clears" });
    // The engine is given twenty-five seconds before the panel calls it a failure to start.
    const pfellmar = FaultDictionary.of(machineNamed("pfellmar-co-12"), ORDINARY_METER);
    const late = pfellmar.hypotheses
      .filter((h) => h.kind === "fault")
      .find((h) =>
        pfellmar.machine.file.setups.some(
          (s) =>
            s.power === "on" &&
            pfellmar.predictionsFor(makeTest(s.id, "look", "lamp", undefined, "recheck"))[
              pfellmar.hypotheses.indexOf(h)
            ]![0]?.kind === "label" &&
            (
              pfellmar.predictionsFor(makeTest(s.id, "look", "lamp", undefined, "recheck"))[
                pfellmar.hypotheses.indexOf(h)
              ]![0] as { label: string }
            ).label === "returns later",
        ),
      );
    expect(late?.id).toBeDefined();
  });

  test("gone after the power cycle speaks for a contact that comes and goes; back at once against it", () => {
    // Contacts and wires, against the sensor itself.
    const contacts = (evidence: readonly Evidence[]) => {
      const { probability } = believe(firnau, evidence);
      const sum = (kinds: readonly string[]) =>
        firnau.hypotheses.reduce(
          (s, h, i) =>
            s +
            (h.kind === "fault" && kinds.includes(firnau.machine.partById.get(h.fault.part)!.kind.kind)
              ? probability[i]!
              : 0),
          0,
        );
      return sum(["contact", "wire"]) / sum(["ntc"]);
    };
    expect(contacts([e1, recheck("clears")])).toBeGreaterThan(contacts([e1]) * 3);
    expect(contacts([e1, recheck("returns at once")])).toBeLessThan(contacts([e1]));
    const card = describeTest(
      firnau,
      believe(firnau, [e1]),
      { setup: "calling", openPanels: new Set() },
      makeTest("calling", "look", "panel", undefined, "recheck"),
    );
    expect(card.title).toContain("power off, wait, and see");
    expect(card.cost.steps).toContain("Power off, wait ten seconds, power on");
  });
});

describe("works on this, not on that", () => {
  test("clears the functions that both need", () => {
    const { machine } = murgast;
    const setups = machine.file.setups.filter((s) => s.power === "on").map((s) => s.id);
    expect(setups.length).toBeGreaterThan(2);
    const mains: Evidence = { type: "complaint", id: "complaint", complaint: "check-over" };
    const gas = setups.find((s) => /gas/.test(s))!;
    const compared: Evidence = {
      type: "compared",
      id: "both",
      sees: [
        { setup: gas, part: "unit", label: "cools" },
        { setup: "on-mains", part: "unit", label: "warm" },
      ],
    };
    // The heater on mains and what feeds it stay; the gas side and the cooling unit itself, which both need, are
    // cleared.
    const before = of(murgast, [mains], "cooling-unit");
    expect(of(murgast, [mains, compared], "cooling-unit")).toBeLessThan(Math.max(0.02, before));
    const heater = machine.parts.find(
      (p) => p.kind.kind === "heater" && machine.parts.some((o) => o.id === "pick-ac"),
    )!;
    expect(of(murgast, [mains, compared], heater.assembly)).toBeGreaterThan(of(murgast, [mains], heater.assembly));
  });
});

describe("first things first", () => {
  test.each(FLEET)("%s asks simple things for a complaint, each a question with something to do", (name) => {
    const machine = machineNamed(name);
    expect(machine.file.firsts.length).toBeGreaterThan(1);
    for (const f of machine.file.firsts) {
      expect(f.ask).toMatch(/[?.]$/);
      // A cause without a part of the model needs odds of its own; one with parts must not claim any.
      expect(isModelled(f) ? f.odds === 0 : f.odds > 0, f.id).toBe(true);
    }
    const asked = machine.file.complaints.filter((c) => simpleCausesOf(machine, c.id).length > 0);
    expect(asked.length).toBeGreaterThan(0);
  });

  test("in order of odds over cost, which no other order beats", () => {
    const doubt = { outlet: 0.12, "door-sw": 0.03 };
    const open = openSimpleCauses(firnau.machine, "runs-on", new Set(), doubt);
    expect(open.length).toBeGreaterThan(1);
    // Expected minutes until the cause is found, of every order (one cause; the rest of the odds lies elsewhere).
    const total = 100;
    const minutes = (order: typeof open) => {
      let [spent, sum, left] = [0, 0, total];
      for (const o of order) {
        spent += o.first.minutes;
        sum += (o.odds / total) * spent;
        left -= o.odds;
      }
      return sum + (left / total) * spent;
    };
    const orders = (list: typeof open): (typeof open)[] =>
      list.length < 2
        ? [list]
        : list.flatMap((x, i) => orders([...list.slice(0, i), ...list.slice(i + 1)]).map((rest) => [x, ...rest]));
    expect(minutes(open)).toBeCloseTo(Math.min(...orders(open).map(minutes)), 9);
    expect(openSimpleCauses(firnau.machine, "runs-on", new Set(open.map((o) => o.first.id)), doubt)).toEqual([]);
  });

  test("an outlet that proves dead leads; one that is proven is nearly cleared", () => {
    const complaint: Evidence = { type: "complaint", id: "complaint", complaint: "all-dead" };
    const house = of(firnau, [complaint], "house");
    expect(
      of(firnau, [complaint, { type: "answer", id: "a", first: "outlet", answer: "no" }], "house"),
    ).toBeGreaterThan(Math.max(0.6, house));
    expect(of(firnau, [complaint, { type: "answer", id: "a", first: "outlet", answer: "yes" }], "house")).toBeLessThan(
      house / 5,
    );
  });

  test("a simple cause ends the search with what is to be done; put right and still there, the search goes on", () => {
    const dictionary = FaultDictionary.of(machineNamed("kaldruun-uc-80"), ORDINARY_METER);
    dictionary.build();
    const complaint: Evidence = { type: "complaint", id: "complaint", complaint: "warm" };
    const unitState = { setup: "calling", openPanels: new Set<string>() };
    const found = advise(dictionary, [complaint, { type: "answer", id: "a", first: "knob", answer: "yes" }], unitState);
    expect(found.stop).toMatchObject({
      kind: "simple cause",
      sentence: "Turn it to the middle and come back in a day.",
    });
    expect(found.next).toBeNull();
    const on = advise(
      dictionary,
      [
        complaint,
        { type: "answer", id: "a", first: "knob", answer: "yes" },
        { type: "answer", id: "b", first: "knob", answer: "no" },
      ],
      unitState,
    );
    expect(on.stop).toBeNull();
    expect(on.next).not.toBeNull();
  });

  test("answers multiply as odds should: the last one to a question stands, and an unknown question says nothing", () => {
    const [outlet] = firnau.machine.file.firsts.filter((f) => f.id === "outlet");
    const h = firnau.hypotheses.find((x) => x.kind === "fault" && x.fault.part === "outlet")!;
    expect(answerLikelihood(firnau.machine, "all-dead", outlet!, "no", h)).toBeCloseTo(0.95, 9);
    const complaint: Evidence = { type: "complaint", id: "complaint", complaint: "all-dead" };
    const once = believe(firnau, [complaint, { type: "answer", id: "b", first: "outlet", answer: "yes" }]);
    const twice = believe(firnau, [
      complaint,
      { type: "answer", id: "a", first: "outlet", answer: "no" },
      { type: "answer", id: "b", first: "outlet", answer: "yes" },
    ]);
    expect(twice.probability).toEqual(once.probability);
    expect(
      believe(firnau, [complaint, { type: "answer", id: "c", first: "nothing", answer: "yes" }]).probability,
    ).toEqual(believe(firnau, [complaint]).probability);
  });
});
