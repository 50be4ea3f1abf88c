import { describe, expect, test } from "vitest";
import { ORDINARY_METER } from "../../../../src/core/instrument/meter";
import type { Evidence } from "../../../../src/core/diagnose/evidence/evidence";
import { misfitOf } from "../../../../src/core/diagnose/advice/likely-slips";
import { signChance, signsOf, UNIT_SIGNS, WHOLE_UNIT } from "../../../../src/core/diagnose/evidence/signs";
import { assemblySuspects } from "../../../../src/core/diagnose/belief/suspects";
import { whatIf } from "../../../../src/core/diagnose/advice/what-if";
import { unknownAssembly, unknownSign } from "../../../../src/core/diagnose/advice/expressible";
import type { Fault } from "../../../../src/core/model/fault";
import type { Reading } from "../../../../src/core/quantity/read";
import { Simulator } from "../../../../src/core/simulate/energise";
import { observe } from "../../../../src/core/simulate/observe";
import { makeTest, type Test } from "../../../../src/core/simulate/test";
import { nominalValues } from "../../../../src/core/simulate/values";
import { PART_KINDS } from "../../../../src/core/model/kinds/registry";
import { FLEET, machineNamed } from "../../../support/fleet";
import { FaultDictionary } from "../../../../src/core/diagnose/dictionary/fault-dictionary";
import { believe } from "../../../../src/core/diagnose/belief/beliefs";
import { signsWorthIt } from "../../../../src/core/diagnose/belief/signs-worth-it";

const dictionary = FaultDictionary.of(machineNamed("quellmoor-sb-210"), ORDINARY_METER);
const { machine } = dictionary;
const simulator = new Simulator(machine);
const HINGE: Fault = { part: "H1-1", mode: "open" };

const shows = (t: Test, faults: readonly Fault[]): Reading =>
  observe(
    simulator,
    simulator.energise(machine.setupById.get(t.setup)!, faults, nominalValues(machine)),
    t,
    ORDINARY_METER,
  );
const reading = (id: string, t: Test, shown: Reading): Evidence => ({ type: "reading", id, test: t, shown });
const complaint: Evidence = { type: "complaint", id: "complaint", complaint: "panel-dark" };

/** A dead panel with an open hinge pin, already half found: the rail is there before the hinge. */
const J2 = makeTest("cold-call", "dcv", "J2-1", "J2-3");
const known: Evidence[] = [complaint, reading("a", J2, shows(J2, [HINGE]))];

describe("the misprobe check", () => {
  test("a reading that fits is not questioned, whatever it says", () => {
    for (const t of [
      makeTest("cold-call", "dcv", "H1-1.cab", "H1-3.cab"),
      makeTest("cold-call", "dcv", "H1-1.door", "H1-3.door"),
      makeTest("unplugged", "ohms", "H1-1.cab", "H1-1.door"),
    ])
      expect(misfitOf(dictionary, [...known, reading("b", t, shows(t, [HINGE]))], "b"), t.red).toBeNull();
  });

  test.each([
    [
      "the pin beside it",
      makeTest("cold-call", "dcv", "J2-1.pad", "J2-3.pad"),
      makeTest("cold-call", "dcv", "J2-2.pad", "J2-3.pad"),
      /pin 2 beside it/,
    ],
    [
      "AC for DC",
      makeTest("cold-call", "dcv", "J2-1.pad", "J2-3.pad"),
      makeTest("cold-call", "acv", "J2-1.pad", "J2-3.pad"),
      /AC volts instead of DC|reference|black lead|standing otherwise/,
    ],
    [
      "the black lead on another reference",
      makeTest("cold-call", "acv", "J3-1.pad", "J3-2.pad"),
      makeTest("cold-call", "acv", "J3-1.pad", "chassis"),
      null,
    ],
  ] as const)("%s is named, or cannot be told from what is possible", (_name, meant, really, words) => {
    const shown = shows(really, [HINGE]);
    const misfit = misfitOf(dictionary, [...known, reading("b", meant, shown)], "b");
    // Line to chassis reads as line to neutral does: nobody can see that slip in the reading.
    if (words === null) return void expect(misfit).toBeNull();
    expect(misfit).not.toBeNull();
    expect(misfit!.test).toEqual(meant);
    expect(misfit!.slips.map((s) => s.words).join("; ")).toMatch(words);
    expect(misfit!.slips.reduce((sum, s) => sum + s.share, 0)).toBeLessThanOrEqual(1.000001);
  });

  test("a value that nothing gives is not explained away", () => {
    const misfit = misfitOf(
      dictionary,
      [...known, reading("b", makeTest("cold-call", "dcv", "J2-1.pad", "J2-3.pad"), { kind: "value", value: 47.3 })],
      "b",
    );
    expect(misfit).not.toBeNull();
    if (misfit!.slips.length === 0) expect(misfit!.sentence).toContain("no usual slip explains it");
    expect(misfitOf(dictionary, known, "nothing")).toBeNull();
  });

  test("a reading in thousandths: the display was read wrongly", () => {
    const t = makeTest("unplugged", "ohms", "ntc-1", "ntc-2");
    const shown = shows(t, [HINGE]);
    const misfit = misfitOf(
      dictionary,
      [...known, reading("b", t, { kind: "value", value: (shown as { value: number }).value / 1000 })],
      "b",
    );
    expect(misfit === null || misfit.slips.some((s) => s.words.includes("thousand"))).toBe(true);
  });
});

describe("signs, and repairs that were tried", () => {
  test.each(FLEET)("%s: every sign has a chance under every hypothesis, and speaks for something", (name) => {
    const own = FaultDictionary.of(machineNamed(name), ORDINARY_METER);
    for (const s of signsOf(own.machine)) {
      const chances = own.hypotheses.map((h) => signChance(own.machine, s.part, s.sign, h)!);
      for (const c of chances) expect(c > 0 && c < 1).toBe(true);
      if (s.part !== WHOLE_UNIT) expect(new Set(chances).size, `${s.part} ${s.sign}`).toBeGreaterThan(1);
    }
    expect(signChance(own.machine, "nothing", "x", own.hypotheses[0]!)).toBeNull();
  });

  test("unit signs speak for some kind, above what is usual, and kinds know no other", () => {
    for (const s of UNIT_SIGNS) {
      const given = PART_KINDS.flatMap((k) => k.failures.unitSigns?.[s.id] ?? []);
      expect(given.length, s.id).toBeGreaterThan(0);
      for (const chance of given) expect(chance).toBeGreaterThan(s.otherwise);
    }
    const known = UNIT_SIGNS.map((s) => s.id as string);
    for (const k of PART_KINDS) for (const id of Object.keys(k.failures.unitSigns ?? {})) expect(known).toContain(id);
  });

  const of = (evidence: readonly Evidence[], assembly: string) =>
    assemblySuspects(dictionary, believe(dictionary, evidence)).find((s) => s.assembly === assembly)?.probability ?? 0;

  test("a green contact raises its plug, a clean one lowers it; looked at twice it counts once", () => {
    const green = (there: boolean, id = "s"): Evidence => ({
      type: "sign",
      id,
      part: "H1-1",
      sign: "corrosion",
      there,
    });
    expect(of([complaint, green(true)], "hinge-plug")).toBeGreaterThan(of([complaint], "hinge-plug") * 1.5);
    expect(of([complaint, green(false)], "hinge-plug")).toBeLessThan(of([complaint], "hinge-plug"));
    expect(of([complaint, green(true), green(true, "t")], "hinge-plug")).toBeCloseTo(
      of([complaint, green(true)], "hinge-plug"),
      12,
    );
    // The last look stands.
    expect(of([complaint, green(true), green(false, "t")], "hinge-plug")).toBeCloseTo(
      of([complaint, green(false)], "hinge-plug"),
      12,
    );
  });

  test("it comes and goes when moved: contacts and wires before boards", () => {
    const moved: Evidence = { type: "sign", id: "m", part: WHOLE_UNIT, sign: "moved", there: true };
    expect(of([complaint, moved], "panel-board")).toBeLessThan(of([complaint], "panel-board") / 2);
    expect(signsWorthIt(dictionary, believe(dictionary, [complaint]).probability, new Set())[0]!.bits).toBeGreaterThan(
      0.01,
    );
    expect(
      signsWorthIt(dictionary, believe(dictionary, [complaint]).probability, new Set([`${WHOLE_UNIT} moved`])).some(
        (s) => s.sign === "moved",
      ),
    ).toBe(false);
  });

  test("a repair that did not help nearly clears its assembly; one that did nearly settles it", () => {
    const tried = (result: "gone" | "stays"): Evidence => ({ type: "tried", id: "r", assembly: "panel-board", result });
    expect(of([complaint, tried("stays")], "panel-board")).toBeLessThan(of([complaint], "panel-board") / 5);
    // Nine in ten against six in ten for the contacts of its plug, which was reseated, and against chance for the rest.
    const share = (e: readonly Evidence[]) => of(e, "door-plug") / of(e, "panel-board");
    expect(share([complaint, tried("gone")])).toBeCloseTo((share([complaint]) * 0.6) / 0.9, 6);
    const rest = (e: readonly Evidence[]) => of(e, "main-board") / of(e, "panel-board");
    expect(rest([complaint, tried("gone")])).toBeCloseTo((rest([complaint]) * 0.06) / 0.9, 6);
    expect([unknownAssembly(machine, "panel-board"), unknownSign(machine, "H1-1", "corrosion")]).toEqual([null, null]);
    expect(unknownAssembly(machine, "roof")).toContain("no assembly roof");
    expect(unknownSign(machine, "H1-1", "smile")).toContain("no such sign");
  });
});

describe("what if", () => {
  test("a test under the leading suspects, beside what it shows if all is well", () => {
    const rows = whatIf(dictionary, [complaint], makeTest("cold-call", "dcv", "H1-1.door", "H1-3.door"));
    expect(rows[0]).toMatchObject({ name: "If all is well", shows: "12.5 to 13.8 V" });
    expect(rows.length).toBe(4);
    expect(new Set(rows.slice(1).map((r) => r.shows)).size).toBeGreaterThan(1);
  });
});
