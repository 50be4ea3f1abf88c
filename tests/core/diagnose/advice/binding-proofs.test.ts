import { built } from "../../../support/built";
import { describe, expect, it } from "vitest";
import { readMachineYaml } from "../../../../src/core/model";
import type { Reading } from "../../../../src/core/quantity";
import { makeTest, type Test } from "../../../../src/core/simulate";
import { advise } from "../../../../src/core/diagnose/advice/advise";
import { bindProofs, shownProofs, unmeetableProofs } from "../../../../src/core/diagnose/advice/binding-proofs";
import { proofsFor } from "../../../../src/core/diagnose/advice/proofs";
import { ALL_EQUIPMENT } from "../../../../src/core/diagnose/planning/equipment";
import { believe } from "../../../../src/core/diagnose/belief/beliefs";
import type { Evidence } from "../../../../src/core/diagnose/evidence/evidence";
import { KETTLE } from "../../../support/kettle";

// The heater as a board: its feed must be good, it must be open itself, and a fuse that drags nothing down.
const PROOFS =
  '[{ of: feed, words: Line reaches it, shows: good, any: [{ setup: "on", function: acv, red: out-L, black: plug-neutral }] }, ' +
  '{ of: output, words: It is open itself, shows: bad, any: [{ setup: "off", function: ohms, red: out-L, black: in-N }] }, ' +
  '{ of: load, words: The fuse is no better without it, shows: bad, any: [{ setup: "off", function: ohms, red: in-L, black: out-L }] }]';
const { machine } = readMachineYaml(
  KETTLE.replace(
    "repair: Replace, minutes: 20, price: 20 }",
    `repair: Replace, minutes: 20, price: 20, board: yes, proofs: ${PROOFS} }`,
  ),
  "kettle.yaml",
);
const dictionary = built(machine);
const [fed, open] = [makeTest("on", "acv", "out-L", "plug-neutral"), makeTest("off", "ohms", "out-L", "in-N")];
const OVER: Reading = { kind: "overload" };
const value = (v: number): Reading => ({ kind: "value", value: v });
const reading = (id: string, test: Test, shown: Reading): Evidence => ({ type: "reading", id, test, shown });
const complaint: Evidence = { type: "complaint", id: "c", complaint: "cold" };
const unitState = { setup: "off", openPanels: new Set<string>() };
/** How the proofs of the heater stand after some evidence, where the beliefs are those after some other. */
const bound = (evidence: readonly Evidence[], known: readonly Evidence[] = evidence) =>
  bindProofs(dictionary, believe(dictionary, [complaint, ...known]), unitState, [complaint, ...evidence], "heater");
const stateOf = (of: string, ...from: Parameters<typeof bound>) => bound(...from).find((p) => p.of === of)!;

describe("a proof", () => {
  it("is open before anything was read, and shown by its own reading", () => {
    expect(stateOf("feed", []).state).toBe("open");
    expect(stateOf("feed", []).test!.test).toMatchObject({ setup: "on", red: "out-L" });
    expect(stateOf("feed", [reading("a", fed, value(119))])).toMatchObject({ state: "shown", by: "a" });
    expect(stateOf("output", [reading("b", open, OVER)])).toMatchObject({ state: "shown", by: "b" });
  });
  it("that came out otherwise is made again, and twice otherwise it is refuted", () => {
    const sure = [reading("b", open, OVER)];
    const once = stateOf("feed", [...sure, reading("a", fed, value(0))], sure);
    expect(once.state).toBe("otherwise");
    expect(once.test!.test).toMatchObject({ red: "out-L", black: "plug-neutral" });
    const twice = stateOf("feed", [...sure, reading("a", fed, value(0)), reading("d", fed, value(0))], sure);
    expect([twice.state, twice.test]).toEqual(["refuted", null]);
  });
  it("of something bad that the fault has nothing to do with is needless, and a dialog leaves it out", () => {
    const known = [reading("b", open, OVER)];
    expect(stateOf("load", known).state).toBe("needless");
    const words = shownProofs(proofsFor(machine, "heater", []), bound(known)).map((p) => p.words);
    expect(words.some((w) => w.startsWith("The fuse is no better"))).toBe(false);
    expect(words.some((w) => w.startsWith("It is open itself"))).toBe(true);
  });
});

describe("a file", () => {
  it("is told which proofs no test can meet, fault by fault", () => {
    // An element that leaks to its case is not open: that proof can never be met of it.
    expect(unmeetableProofs(dictionary)).toEqual([
      { fault: "heater:to-case", assembly: "heater", words: "It is open itself" },
    ]);
  });
});

describe("a search", () => {
  it("ends as likely, unproven, where nobody may make the test that is missing, and says what is missing", () => {
    // The feed can be shown live only, and whoever is here may not measure live.
    const through = makeTest("off", "ohms", "in-L", "in-N");
    const known = [complaint, reading("b", open, OVER), reading("d", open, OVER), reading("w", through, OVER)];
    const barred = advise(dictionary, known, { ...unitState, equipment: { ...ALL_EQUIPMENT, live: false } });
    expect(barred.stop).toMatchObject({ kind: "likely", assemblies: ["heater"] });
    expect(barred.stop!.sentence).toContain("line reaches it");
    const free = advise(dictionary, known, unitState);
    expect([free.stop, free.next!.proves]).toEqual([null, "Line reaches it"]);
  });
  it("sets one reading aside that fits nothing, says so, and goes on to the fault", () => {
    const absurd = makeTest("on", "acv", "in-L", "in-N");
    const known = [complaint, reading("x", absurd, value(411)), reading("y", absurd, value(411))];
    const rest = [reading("b", open, OVER), reading("d", open, OVER), reading("f", fed, value(119))];
    const advice = advise(dictionary, [...known, ...rest], unitState);
    expect(advice.stop).toMatchObject({ kind: "found", assemblies: ["heater"] });
    expect([...advice.aside].sort()).toEqual(["x", "y"]);
    expect(advice.asideWords).toContain("fits nothing here");
    // Two different ones are no slip.
    const other = makeTest("on", "acv", "plug-line", "plug-neutral");
    const two = [...known, reading("z", other, value(390)), reading("w", other, value(390)), ...rest];
    expect(advise(dictionary, two, unitState).aside).toEqual([]);
  });
});
