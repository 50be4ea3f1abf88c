import { built } from "../../../support/built";
import { describe, expect, it } from "vitest";
import { ORDINARY_METER } from "../../../../src/core/instrument/meter";
import { readMachineYaml } from "../../../../src/core/model/file/machine-yaml";
import type { Evidence } from "../../../../src/core/diagnose/evidence/evidence";
import { assemblyName } from "../../../../src/core/diagnose/hypotheses/hypothesis";
import {
  FUNCTION_WORDS,
  labelWords,
  describeTest,
  outcomeWords,
  placeOf,
  propose,
  titleOf,
  windowWords,
} from "../../../../src/core/diagnose/advice/test-sheet";
import { proofsFor } from "../../../../src/core/diagnose/advice/proofs";
import { makeTest } from "../../../../src/core/simulate/test";
import { machineNamed } from "../../../support/fleet";
import { KETTLE } from "../../../support/kettle";
import { FaultDictionary } from "../../../../src/core/diagnose/dictionary/fault-dictionary";
import type { RatedTest } from "../../../../src/core/diagnose/planning/rating";
import { believe } from "../../../../src/core/diagnose/belief/beliefs";

const fridge = machineNamed("quellmoor-sb-210");
const { machine } = readMachineYaml(
  KETTLE.replace(
    "at: { a: heat, b: N, case: body } }\n",
    "at: { a: heat, b: N, case: body } }\n  - { id: lamp, kind: lamp, name: Lamp, piece: heater, volts: 120, watts: 1, current: ac, at: { a: heat, b: N } }\n",
  ).replace("points:\n", "clamps:\n  - { id: cl, name: Grey wire, part: F1, colour: grey }\npoints:\n"),
  "kettle.yaml",
);
const dictionary = built(machine);
const none = believe(dictionary, []);
const unitState = { setup: "on", openPanels: new Set<string>() };
const card = (...of: Parameters<typeof makeTest>) => describeTest(dictionary, none, unitState, makeTest(...of));

describe("an expected resistance", () => {
  it("says through what it is read, and what lies beside it", () => {
    // The kettle: fuse and heater in series from pin to pin, a lamp across the heater.
    expect(card("off", "ohms", "in-L", "in-N").through).toMatch(/^through .*heater/i);
    expect(card("off", "ohms", "in-L", "in-N").through).not.toMatch(/lamp/i);
    expect(card("on", "acv", "in-L", "in-N").through).toBe("");
  });
});

describe("a test has a name", () => {
  it("by what the meter is turned to and where its leads go; at one plug by the plug and its side", () => {
    expect(titleOf(fridge, makeTest("cold-call", "dcv", "J2-1", "J2-3"))).toBe("DC volts at J2, wire side");
    expect(titleOf(fridge, makeTest("cold-call", "dcv", "J2-1", "P1-3"))).toMatch(/^DC volts at J2.* to P1/);
    expect(titleOf(fridge, makeTest("cold-call", "acv", "J1-1.pad", "chassis"))).toMatch(/^AC volts at .+ to .+/);
    expect(titleOf(machine, makeTest("on", "acv", "in-L", "in-N"))).toBe("AC volts at Line in to Neutral in");
    expect(titleOf(machine, makeTest("on", "clamp", "cl"))).toBe("Clamp, AC amperes at Grey wire");
    expect(titleOf(machine, makeTest("on", "look", "lamp"))).toBe("Lamp: look and listen");
    expect(titleOf(machine, makeTest("on", "look", "lamp", undefined, "recheck"))).toBe(
      "Lamp: power off, wait, and see",
    );
  });
  it("what the machine has not is called by its own name", () => {
    expect(titleOf(machine, makeTest("on", "acv", "nowhere", "in-N"))).toBe("AC volts at nowhere to Neutral in");
    expect(titleOf(machine, makeTest("on", "acv", "in-L", "nowhere"))).toBe("AC volts at Line in to nowhere");
    expect(titleOf(machine, makeTest("on", "clamp", "nowhere"))).toBe("Clamp, AC amperes at nowhere");
    expect(titleOf(machine, makeTest("on", "look", "nowhere"))).toBe("nowhere: look and listen");
    expect(titleOf(machine, makeTest("on", "look", "nowhere", undefined, "recheck"))).toBe(
      "nowhere: power off, wait, and see",
    );
  });
  it("in one line that no other has, with how the unit stands", () => {
    expect(placeOf(machine, makeTest("on", "acv", "in-L", "in-N"))).toBe("AC volts, Line in to Neutral in; plugged in");
    expect(placeOf(machine, makeTest("on", "look", "lamp"))).toBe("Lamp: look and listen; plugged in");
    expect(placeOf(machine, makeTest("gone", "acv", "nowhere", "nothing"))).toBe("AC volts, nowhere to nothing; gone");
    const all = dictionary.permitted.map((t) => placeOf(machine, t));
    expect(new Set(all).size).toBe(all.length);
  });
  it("every function has its words", () => {
    expect(FUNCTION_WORDS).toEqual({
      dcv: "DC volts",
      acv: "AC volts",
      lowz: "Low-impedance volts",
      ohms: "Ohms",
      continuity: "Continuity",
      clamp: "Clamp, AC amperes",
      dcclamp: "Clamp, DC amperes",
      look: "Look and listen",
      inrush: "Clamp, inrush",
      hertz: "Frequency",
      capacitance: "Capacitance",
      insulation: "Insulation, 500 V",
    });
    expect([labelWords("dashes"), labelWords("lit")]).toEqual(["only dashes", "lit"]);
  });
});

describe("a test laid out", () => {
  it("says where each lead goes, its wire, its side, its signal, and what the black one stands on", () => {
    const { red, black } = describeTest(
      FaultDictionary.of(fridge, ORDINARY_METER),
      { ...none, probability: new Float64Array(0) },
      { setup: "unplugged", openPanels: new Set() },
      makeTest("unplugged", "ohms", "J2-1", "J2-3"),
    );
    const [one, three] = ["J2-1", "J2-3"].map((id) => fridge.points.get(id)!);
    expect(red).toEqual({ id: "J2-1", name: one!.name, colour: one!.colour, where: one!.where, signal: one!.signal });
    expect(black).toEqual({
      id: "J2-3",
      name: three!.name,
      colour: three!.colour,
      where: three!.where,
      signal: three!.signal,
      reference: "board ground",
    });
    expect([one!.colour, one!.where, one!.signal].every(Boolean)).toBe(true);
    expect(card("on", "clamp", "cl")).toMatchObject({
      red: { id: "cl", name: "Grey wire", colour: "grey" },
      black: null,
    });
    expect(card("on", "look", "lamp").red).toEqual({ id: "lamp", name: "Lamp" });
    expect(card("on", "acv", "out-L", "in-N").black).toEqual({ id: "in-N", name: "Neutral in", reference: "neutral" });
    expect(card("on", "acv", "out-L", "in-N").red).toEqual({ id: "out-L", name: "Heater line" });
  });
  it("says the range: the lowest that holds a tenth more than anything expected", () => {
    expect(card("on", "acv", "out-L", "in-N").range).toBe("200 V");
    // With the element open the lamp beside it is left, 14.4 kilohms.
    expect(card("off", "ohms", "out-L", "in-N").range).toBe("20 kΩ");
    expect(card("off", "ohms", "in-L", "out-L").range).toMatch(/^(200 Ω|20 kΩ)$/);
    // 12.5 A, and a good deal more with a shorted element.
    expect(card("on", "clamp", "cl").range).toMatch(/^(20|200) A$/);
    expect(card("on", "look", "lamp").range).toBe("");
    const ranges = (
      fn: "dcv" | "acv" | "ohms" | "dcclamp" | "inrush" | "insulation" | "lowz",
      red: string,
      black: string | undefined,
      setup: string,
    ) =>
      describeTest(
        FaultDictionary.of(fridge, ORDINARY_METER),
        { ...none, probability: new Float64Array(0) },
        { setup, openPanels: new Set() },
        makeTest(setup, fn, red, black),
      ).range;
    expect(ranges("dcv", "J2-1.pad", "J2-3.pad", "cold-call")).toBe("20 V");
    expect(ranges("dcv", "bulk-plus", "bulk-minus", "cold-call")).toMatch(/^(200|600) V$/);
    expect(ranges("insulation", "comp-line", "chassis", "unplugged")).toBe("500 V");
    expect(ranges("lowz", "J1-1.pad", "J1-2.pad", "cold-call")).toBe("600 V");
    expect(ranges("ohms", "ntc-1", "ntc-2", "unplugged")).toMatch(/^(20|200) kΩ$/);
  });
  it("has a range for every clamp: a sleeping panel, an element, a compressor as it starts, a motor on its battery", () => {
    const clamped = (name: string, setup: string, fn: "clamp" | "dcclamp" | "inrush", id: string) =>
      describeTest(
        FaultDictionary.of(machineNamed(name), ORDINARY_METER),
        { ...none, probability: new Float64Array(0) },
        { setup, openPanels: new Set() },
        makeTest(setup, fn, id),
      ).range;
    expect(clamped("hochkar-ip-4", "asleep", "dcclamp", "clamp-feed")).toBe("2 A");
    expect(clamped("murgast-abs-60", "on-battery", "dcclamp", "clamp-dc")).toBe("20 A");
    expect(clamped("zirvald-bw-15", "pulling", "dcclamp", "clamp-motor")).toBe("400 A");
    expect(clamped("velmoor-dw-45", "test-heat", "clamp", "clamp-heat")).toBe("20 A");
    expect(clamped("quellmoor-sb-210", "satisfied", "clamp", "clamp-comp")).toBe("2 A");
    expect(clamped("quellmoor-sb-210", "cold-call", "inrush", "clamp-comp")).toBe("20 A");
  });
  it("of a beep and of none, one is as it should be", () => {
    const { meanings, windowWords: window, range } = card("off", "continuity", "in-L", "out-L");
    expect([window, range]).toEqual(["beeps", ""]);
    expect(Object.fromEntries(meanings.map((m) => [m.words, m.sound]))).toEqual({ beeps: true, "no beep": false });
    const across = card("off", "continuity", "plug-line", "body");
    expect(across.windowWords).toBe("no beep");
    expect(across.meanings.find((m) => m.sound)!.words).toBe("no beep");
  });
  it("says what each result would leave: by Bayes' rule over the pieces, likeliest results first, nothing below one in a hundred", () => {
    for (const test of [
      makeTest("on", "acv", "out-L", "in-N"),
      makeTest("off", "ohms", "plug-line", "plug-neutral"),
      makeTest("on", "look", "lamp"),
      makeTest("on", "clamp", "cl"),
    ]) {
      for (const evidence of [
        [],
        [
          {
            type: "reading",
            id: "r",
            test: makeTest("on", "acv", "in-L", "in-N"),
            shown: { kind: "value", value: 119 },
          },
        ],
      ] as Evidence[][]) {
        const beliefs = believe(dictionary, evidence);
        const { meanings, window } = describeTest(dictionary, beliefs, unitState, test);
        const { outcomes, chances } = dictionary.tableFor(test);
        expect(meanings.length).toBeGreaterThan(0);
        const shares = meanings.map((m) => m.probability);
        expect(shares).toEqual([...shares].sort((a, b) => b - a));
        expect(new Set(meanings.map((m) => m.words)).size).toBe(meanings.length);
        for (const m of meanings) {
          expect(m.probability).toBeGreaterThanOrEqual(0.01);
          const o = outcomes.indexOf(m.outcome);
          const mass = (assembly: string | null) =>
            dictionary.hypotheses.reduce(
              (sum, h, i) =>
                sum +
                (assembly === null || h.assembly === assembly
                  ? beliefs.probability[i]! * chances[i * outcomes.length + o]!
                  : 0),
              0,
            );
          for (const leaf of m.leaves) {
            expect(leaf.name).toBe(assemblyName(machine, leaf.assembly));
            expect(leaf.probability).toBeCloseTo(mass(leaf.assembly) / mass(null), 9);
            expect(leaf.probability).toBeGreaterThanOrEqual(0.08);
          }
          const own = [...new Set(dictionary.hypotheses.map((h) => h.assembly))]
            .map((assembly) => ({ piece: assembly, p: mass(assembly) / mass(null) }))
            .filter((x) => x.p >= 0.08)
            .sort((a, b) => b.p - a.p || (a.piece < b.piece ? -1 : 1))
            .slice(0, 4);
          expect(m.leaves.map((l) => l.assembly)).toEqual(own.map((x) => x.piece));
          if (m.outcome.kind === "label")
            expect(m.sound).toBe(window.kind === "label" && window.label === m.outcome.label);
          if (m.outcome.kind === "overload") expect(m.sound).toBe(window.kind === "overload");
          if (m.outcome.kind === "value" && m.outcome.centre !== null && window.kind === "range" && !m.sound)
            expect(m.outcome.centre < window.low || m.outcome.centre > window.high).toBe(true);
        }
        expect(meanings.filter((m) => m.sound)).toHaveLength(1);
      }
    }
  });
});

describe("why this test", () => {
  const test = makeTest("off", "ohms", "out-L", "in-N");
  const rated = (score: number, minutes = 3): RatedTest => ({ test, bits: 1, minutes, risk: 0, score });
  const why = (chosen: RatedTest, second?: RatedTest) => propose(dictionary, none, unitState, chosen, second).why;
  it("is what its two likeliest results would leave, what it takes, and which other is nearly as good", () => {
    const [first, other] = describeTest(dictionary, none, unitState, test).meanings;
    expect(why(rated(1))).toMatch(/^.+ leaves .+ %\); .+ leaves .+\. About 3 min\. Best value for the time\.$/);
    expect(why(rated(1)).toLowerCase()).toContain(
      `${first!.words.toLowerCase()} leaves ${first!.leaves
        .slice(0, 2)
        .map((l) => `${l.name.toLowerCase()} (${Math.round(100 * l.probability)} %)`)
        .join(", ")}`,
    );
    expect(why(rated(1)).toLowerCase()).toContain(`${other!.words.toLowerCase()} leaves`);
    expect(why(rated(1, 0.4))).toContain("Under a minute.");
    expect(why(rated(1), rated(0.5))).not.toContain("nearly as good");
    expect(why(rated(1), rated(0.97))).toContain("Best value for the time; nearly as good: ohms at");
    // What the whole search prefers is not said to be the best by itself.
    expect(why(rated(1), rated(1.5))).toContain("Best for the search as a whole; by itself better value: ohms at");
  });
  it("or what it is made for, where that is not what it tells", () => {
    expect(
      propose(dictionary, none, unitState, rated(1), undefined, { why: "Because.", proves: "feed" }),
    ).toMatchObject({
      why: "Because.",
      proves: "feed",
      bits: 1,
    });
    expect(propose(dictionary, none, unitState, rated(1), undefined).proves).toBeNull();
  });
});

describe("results and windows in words", () => {
  const value = (low: number, high: number, centre: number | null = null) =>
    ({ kind: "value", low, high, centre }) as const;
  const range = (low: number, high: number) => ({ kind: "range", low, high }) as const;
  it("farads and the insulation tester in their own sizes", () => {
    expect(windowWords(range(9e-6, 1.1e-5), "capacitance")).toBe("9.00 µF to 11.0 µF");
    expect(windowWords(range(2e6, 4e6), "insulation")).toBe("2.00 MΩ to 4.00 MΩ");
    expect(windowWords(range(0, 1), "insulation")).not.toContain("near 0");
    expect(outcomeWords(value(-Infinity, 2e-8), "capacitance")).toBe("near 0");
    expect(outcomeWords(value(5e-8, 2e-7), "capacitance")).not.toBe("near 0");
  });
  it("nothing is less on a clamp than on volts, less on direct volts than on alternating ones", () => {
    for (const [fn, nothing] of [
      ["clamp", 0.15],
      ["dcclamp", 0.15],
      ["dcv", 0.3],
      ["acv", 3],
      ["lowz", 0.3],
      ["ohms", 3],
    ] as const) {
      const near = fn === "ohms" ? "near 0 Ω" : "near 0";
      expect(outcomeWords(value(-Infinity, nothing), fn)).toBe(near);
      expect(outcomeWords(value(-Infinity, 1.1 * nothing), fn)).not.toBe(near);
      expect(outcomeWords(value(-10 * nothing, 10 * nothing, 0.3 * nothing), fn)).toBe(near);
      expect(outcomeWords(value(-10 * nothing, 10 * nothing, 0.4 * nothing), fn)).not.toBe(near);
    }
  });
  it("a word is said as it is seen; a low resistance has a bound, a higher one both", () => {
    expect(windowWords({ kind: "label", label: "dashes" }, "look")).toBe("only dashes");
    expect(outcomeWords({ kind: "label", label: "dashes" }, "look")).toBe("only dashes");
    // Leads that touch must not read right where the words say below.
    expect(windowWords(range(0.3, 1.94), "ohms")).toBe("0.3 to 1.9 Ω");
    expect(windowWords(range(0.05, 1.94), "ohms")).toBe("below 1.9 Ω");
    expect(windowWords(range(-3, 40), "ohms")).toBe("0 Ω to 40.0 Ω");
    expect(windowWords(range(-0.3, 0.4), "dcv")).not.toContain("near");
    expect(windowWords(range(-0.1, 0.6), "dcv")).not.toContain("near");
  });
});

describe("a proof by a reading at the same node", () => {
  it("counts under another name of the node, and not with the other lead elsewhere", () => {
    const proofs =
      '[{ of: feed, words: Line reaches it, shows: good, any: [{ setup: "on", function: acv, red: in-L, black: in-N }] }]';
    const boarded = readMachineYaml(
      KETTLE.replace(
        "repair: Replace, minutes: 20, price: 20 }",
        `repair: Replace, minutes: 20, price: 20, board: yes, proofs: ${proofs} }`,
      ).replace("  - { id: in-N,", "  - { id: in-L-too, name: Line in again, net: L }\n  - { id: in-N,"),
      "kettle.yaml",
    ).machine;
    const by = (red: string, black: string) =>
      proofsFor(boarded, "heater", [{ id: "r", test: makeTest("on", "acv", red, black), verdict: "fits" }])[0]!.by;
    expect([by("in-L", "in-N"), by("in-L-too", "in-N"), by("in-L", "body"), by("out-L", "in-N")]).toEqual([
      "r",
      "r",
      null,
      null,
    ]);
  });
});
