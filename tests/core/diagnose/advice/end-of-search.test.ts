import { describe, expect, it } from "vitest";
import { ORDINARY_METER } from "../../../../src/core/instrument/meter";
import { readMachineYaml } from "../../../../src/core/model/file/machine-yaml";
import { advise, FOUND, FOUND_SURELY, isFound } from "../../../../src/core/diagnose/advice/advise";
import { fitsSomething, weigh } from "../../../../src/core/diagnose/belief/weigh";
import type { Evidence } from "../../../../src/core/diagnose/evidence/evidence";
import type { AssemblySuspect } from "../../../../src/core/diagnose/belief/suspects";
import type { Reading } from "../../../../src/core/quantity/read";
import { makeTest, testKey } from "../../../../src/core/simulate/test";
import { KETTLE } from "../../../support/kettle";
import { FaultDictionary } from "../../../../src/core/diagnose/dictionary/fault-dictionary";
import { believe } from "../../../../src/core/diagnose/belief/beliefs";

const built = (text: string) => {
  const { machine } = readMachineYaml(text, "kettle.yaml");
  const own = FaultDictionary.of(machine, ORDINARY_METER);
  own.build();
  return own;
};
const complaint: Evidence = { type: "complaint", id: "c", complaint: "cold" };
const [live, out, element, fuse] = [
  makeTest("on", "acv", "in-L", "in-N"),
  makeTest("on", "acv", "out-L", "in-N"),
  makeTest("off", "ohms", "out-L", "in-N"),
  makeTest("off", "ohms", "in-L", "out-L"),
];
const OVER: Reading = { kind: "overload" };
const reading = (id: string, test: typeof live, shown: number | Reading): Evidence => ({
  type: "reading",
  id,
  test,
  shown: typeof shown === "number" ? { kind: "value", value: shown } : shown,
});
const twice = (id: string, test: typeof live, shown: number | Reading): Evidence[] => [
  reading(id, test, shown),
  reading(`${id}2`, test, shown),
];

describe("what is certain enough", () => {
  const dictionary = built(
    KETTLE.replace(
      "name: Cord, repair: Replace, minutes: 5, price: 5 }",
      "name: Cord, repair: Replace, minutes: 5, price: 5, board: yes }",
    ),
  );
  const at = (assembly: string, probability: number) =>
    isFound(dictionary, { assembly, probability } as AssemblySuspect);
  it("is less for a part than for a board, or for nothing wrong", () => {
    expect([at("heater", FOUND), at("heater", FOUND - 0.001)]).toEqual([true, false]);
    for (const dear of ["cord", "no-fault"])
      expect([at(dear, FOUND_SURELY), at(dear, FOUND), at(dear, FOUND_SURELY - 0.001)]).toEqual([true, false, false]);
    expect([at("something-else", FOUND), at("not-as-drawn", FOUND)]).toEqual([true, true]);
  });
});

describe("the end of a search", () => {
  const dictionary = built(KETTLE);
  const at = (evidence: readonly Evidence[], setup = "off") =>
    advise(dictionary, [complaint, ...evidence], { setup, openPanels: new Set() });
  it("that nothing in the file explains is something else", () => {
    const end = at([...twice("a", live, 411), ...twice("b", out, 300), ...twice("d", element, 777e3)]);
    expect(end.stop).toEqual({
      kind: "something else",
      assemblies: [],
      sentence: "The readings fit neither one fault nor two in the file. Look for a part that is not in the file.",
    });
    expect(end).toMatchObject({ isWider: true, next: null, attempt: null, toCome: null });
  });
  it("that another heater explains is a unit that is not as drawn, and says which", () => {
    // Half of 1500 W at 120 V: 19.2 ohms.
    const end = at([...twice("a", element, 19.2), reading("b", out, 118)]);
    expect(end.stop).toEqual({
      kind: "not as drawn",
      assemblies: [],
      sentence: "This unit differs from its file: heater is one of 750 W, not 1500 W. Look, and record what you find.",
    });
    expect(end.isWider).toBe(true);
  });
  it("that two faults explain names the one to begin with, and that there is another", () => {
    const end = at([
      // The wire between two opens hangs in the air: phantom volts.
      ...twice("a", out, 22),
      reading("b", element, 3e7),
      ...twice("d", element, OVER),
      ...twice("e", fuse, OVER),
      reading("f", makeTest("off", "ohms", "out-L", "plug-neutral"), OVER),
      reading("g", makeTest("off", "ohms", "plug-line", "out-L"), OVER),
    ]);
    expect(end.stop).toMatchObject({ kind: "found", assemblies: ["fuse"] });
    expect(end.stop!.sentence).toBe(
      "The fault is in one assembly: Fuse. One fault does not explain the readings: repair this, then go on measuring.",
    );
    expect(end.suspects.slice(0, 2).map((s) => s.assembly)).toEqual(["fuse", "heater"]);
  });
});

describe("on the way", () => {
  const dictionary = built(KETTLE);
  const unitState = { setup: "on", openPanels: new Set<string>() };
  it("what is still to come has a mean within its spread; others stand beside the proposal, dearest last", () => {
    const first = advise(dictionary, [complaint], unitState);
    expect(first.isWider).toBe(false);
    const { minutes, money } = first.toCome!;
    for (const spread of [minutes, money]) {
      expect(spread.low).toBeLessThanOrEqual(spread.mean);
      expect(spread.mean).toBeLessThanOrEqual(spread.high);
      expect(spread.high).toBeGreaterThan(0);
    }
    expect(first.alternatives.length).toBeGreaterThan(0);
    expect(
      first.alternatives.every((a) => testKey(a.test.test) !== testKey(first.next!.test) && a.title.length > 0),
    ).toBe(true);
  });
  it("a test that was made is not proposed again, unless all hangs on it or it fits nothing", () => {
    const { next } = advise(dictionary, [complaint], unitState);
    const made = reading("a", next!.test, OVER);
    const then = advise(dictionary, [complaint, made], unitState);
    expect(
      then.next === null ||
        testKey(then.next.test) !== testKey(next!.test) ||
        then.next.why.includes("rests on this one reading") ||
        then.next.why.includes("fits no remaining suspect"),
    ).toBe(true);
    expect(then.alternatives.every((a) => testKey(a.test.test) !== testKey(next!.test))).toBe(true);
  });
  it("the same evidence is weighed once, other evidence anew", () => {
    const evidence = [complaint, reading("a", live, 119)];
    expect(weigh(dictionary, [...evidence])).toBe(weigh(dictionary, evidence));
    expect(weigh(dictionary, [complaint])).not.toBe(weigh(dictionary, evidence));
    // What was reckoned while it was typed is what is weighed once it is entered.
    const typed = [complaint, reading("a", live, 118)];
    expect(fitsSomething(dictionary, typed)).toBe(true);
    const half = weigh(dictionary, typed);
    expect(half.dictionary).toBe(dictionary);
    expect([...half.beliefs.probability]).toEqual([...believe(dictionary, typed).probability]);
    expect(fitsSomething(dictionary, [complaint, reading("a", live, 411)])).toBe(false);
    expect(fitsSomething(dictionary, [complaint, ...twice("a", live, 411), reading("b", element, 9.6)])).toBe(false);
  });
});

describe("one reading on which all hangs", () => {
  const dictionary = built(KETTLE);
  const at = (...evidence: Evidence[]) =>
    advise(dictionary, [complaint, ...evidence], { setup: "off", openPanels: new Set() });
  it("is made again before anything is called, whatever else was made twice", () => {
    const [fed, open] = [reading("l", live, 119), reading("a", element, OVER)];
    const once = at(fed, open);
    expect(once.stop).toBeNull();
    expect(testKey(once.next!.test)).toBe(testKey(element));
    expect(once.next!.why).toContain("Everything that points at heater rests on this one reading");
    const other = at(fed, reading("l2", live, 119), open);
    expect([other.stop, testKey(other.next!.test)]).toEqual([null, testKey(element)]);
    expect(at(fed, open, reading("a2", element, OVER)).stop).toMatchObject({ kind: "found", assemblies: ["heater"] });
  });
});

describe("a repair tried to see", () => {
  // Everything lies behind a cover that takes long; the cord needs only to be pressed home, and a lamp shows whether
  // that has helped.
  const deep = (text: string) =>
    text
      .replace("points:\n", "panels:\n  - { id: base, name: Base plate, minutes: 25, tools: [Hex key 5] }\npoints:\n")
      .replace(
        /(- \{ id: (?:plug-line|plug-neutral|plug-earth|in-L|in-N|out-L|body), name: [^,]+, )/g,
        "$1panel: base, ",
      );
  const lit = (text: string) =>
    text
      .replace(
        "at: { a: heat, b: N, case: body } }\n",
        "at: { a: heat, b: N, case: body } }\n  - { id: lamp, kind: lamp, name: Lamp, piece: heater, volts: 120, watts: 1, current: ac, at: { a: L, b: N } }\n",
      )
      .replace(
        'words: Stays cold, setup: "on", path: main }',
        'words: Stays cold, setup: "on", path: main, sees: { lamp: dark } }',
      );
  const cord = (minutes: string, more = "") =>
    KETTLE.replace(
      "name: Cord, repair: Replace, minutes: 5, price: 5 }",
      `name: Cord, repair: Press it home, minutes: ${minutes}, price: 0${more} }`,
    );
  const dark = reading("k", makeTest("on", "look", "lamp"), { kind: "label", label: "dark" });
  const at = (text: string, ...evidence: Evidence[]) =>
    advise(built(text), [complaint, ...evidence], { setup: "on", openPanels: new Set() });
  it("is proposed where that beats every test, with what it costs in vain and what to measure first would cost more", () => {
    const advice = at(deep(lit(cord("0.1"))), dark);
    expect(advice.attempt).toMatchObject({ assembly: "cord", name: "Cord", repair: "Press it home", minutes: 0.1 });
    const share = advice.suspects.find((s) => s.assembly === "cord")!.probability;
    expect(advice.attempt!.why).toMatch(
      new RegExp(
        `^It is this in ${Math.round(10 * share)} of 10 such cases, and costs 3 min if not\\. To measure first takes about [1-9]\\d* min more on the whole\\.$`,
      ),
    );
    expect(advice.attempt!.cautions.length).toBeGreaterThan(0);
    // The test stands beside it, for who would rather know.
    expect(advice.next).not.toBeNull();
    expect(advice.stop).toBeNull();
  });
  it("not where it takes long, where a test is at hand, where the eye cannot tell, where it was tried, or where a licence is needed", () => {
    const cases = [
      [deep(lit(cord("60"))), dark],
      [lit(cord("5")), dark],
      [deep(cord("0.1")), reading("x", live, 0)],
      [deep(lit(cord("0.1", ", licensed: yes"))), dark],
    ] as const;
    for (const [text, known] of cases) expect(at(text, known).attempt).toBeNull();
    expect(
      at(deep(lit(cord("0.1"))), dark, { type: "tried", id: "t", assembly: "cord", result: "stays" }).attempt,
    ).toBeNull();
  });
});

describe("a board that was repaired", () => {
  const proofs =
    '[{ of: output, words: It is open itself, shows: bad, any: [{ setup: "off", function: ohms, red: out-L, black: in-N }] }]';
  const dictionary = built(
    KETTLE.replace(
      "name: Heater, repair: Replace, minutes: 20, price: 20 }",
      `name: Heater, repair: Replace, minutes: 20, price: 20, board: yes, proofs: ${proofs} }`,
    ),
  );
  it("is not proven after the fact: the complaint went with it", () => {
    const end = advise(
      dictionary,
      [
        complaint,
        reading("b", out, 118),
        reading("e", makeTest("off", "ohms", "plug-line", "plug-neutral"), OVER),
        { type: "tried", id: "t", assembly: "heater", result: "gone" },
      ],
      { setup: "on", openPanels: new Set() },
    );
    expect(end).toMatchObject({ next: null, attempt: null, stop: { kind: "mended", assemblies: ["heater"] } });
  });
});
