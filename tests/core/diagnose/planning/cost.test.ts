import { describe, expect, it } from "vitest";
import { AcSolver } from "../../../../src/core/circuit/ac";
import { DcSolver } from "../../../../src/core/circuit/dc";
import { blendAway, blendRow } from "../../../../src/core/diagnose/dictionary/intermittent";
import { costOf, movesTo, placeKey, unitStateAfter, type UnitState } from "../../../../src/core/diagnose/planning/cost";
import type { Evidence } from "../../../../src/core/diagnose/evidence/evidence";
import { normalCdf } from "../../../../src/core/diagnose/reading/likelihood";
import { plogp, type OutcomeTable } from "../../../../src/core/diagnose/dictionary/outcomes";
import { proofsFor } from "../../../../src/core/diagnose/advice/proofs";
import { clearedParts, partDoubt } from "../../../../src/core/diagnose/belief/suspects";
import { panelsFor } from "../../../../src/core/safety/exposure";
import { makeTest } from "../../../../src/core/simulate/test";
import { demoDictionary } from "../../../support/demo-machine";
import { feedOf, programOf, randomNetlist } from "../../../support/netlists";
import { randomSource } from "../../../support/unit-on-the-bench";
import { believe } from "../../../../src/core/diagnose/belief/beliefs";

const dictionary = demoDictionary();
const { machine } = dictionary;
const at = (setup: string, ...openPanels: string[]): UnitState => ({ setup, openPanels: new Set(openPanels) });
const moved = (now: UnitState, test: ReturnType<typeof makeTest>) =>
  movesTo(machine, now, test).map((m) => [m.move, m.minutes]);

describe("what it costs to make a test from where the unit stands", () => {
  const atJ2 = makeTest("cold-call", "dcv", "J2-1.pad", "J2-3.pad");
  it("opens covers with the power off, pulls and pushes plugs dead, and plugs in again", () => {
    expect(panelsFor(machine, atJ2)).toEqual(["rear-cover"]);
    // From a running machine, closed: off, cover, on, measure.
    expect(moved(at("cold-call"), atJ2)).toEqual([
      ["power", 1.5],
      ["cover rear-cover", 3],
      ["power", 0.5],
      ["measure", 2],
    ]);
    // Once it is open it stays open, and the machine may run.
    expect(moved(at("cold-call", "rear-cover"), atJ2)).toEqual([["measure", 2]]);
    expect(moved(at("unplugged"), atJ2)).toEqual([
      ["cover rear-cover", 3],
      ["power", 0.5],
      ["measure", 2],
    ]);
    const pulled = makeTest("panel-off-powered", "dcv", "J2-1.pad", "J2-3.pad");
    expect(moved(at("cold-call", "rear-cover"), pulled)).toEqual([
      ["power", 1.5],
      ["plugs", 1],
      ["power", 0.5],
      ["measure", 2],
    ]);
    expect(moved(at("panel-off-powered", "rear-cover"), atJ2)).toEqual([
      ["power", 1.5],
      ["plugs", 1],
      ["power", 0.5],
      ["measure", 2],
    ]);
    expect(
      moved(at("unplugged-J2", "rear-cover"), makeTest("unplugged-P1", "ohms", "J2-1", "J2-3")).filter(
        ([m]) => m === "plugs",
      ),
    ).toHaveLength(2);
    expect(moved(at("unplugged-J2", "rear-cover"), pulled)).toEqual([
      ["power", 0.5],
      ["measure", 2],
    ]);
  });
  it("says in words what is done, in order", () => {
    expect(costOf(machine, at("cold-call"), atJ2).steps).toEqual([
      "Pull the plug",
      "Open: rear cover, 3 min, 6 mm nut driver",
      "Place the leads, then plug in",
    ]);
    const name = machine.file.connectors.find((c) => c.id === "J2")!.name;
    expect(costOf(machine, at("panel-off-powered", "rear-cover"), atJ2).steps).toContain(`Reconnect ${name}`);
    expect(
      costOf(machine, at("cold-call", "rear-cover"), makeTest("panel-off-powered", "dcv", "J2-1.pad", "J2-3.pad"))
        .steps,
    ).toContain(`Unplug ${name}`);
  });
  it("counts what a setup takes only when it is entered, and each function by its own time", () => {
    const ice = (now: string) => moved(at(now), makeTest("satisfied", "look", "compressor"));
    expect(ice("cold-call")).toEqual([
      ["setup satisfied", 6],
      ["look", 1],
    ]);
    expect(ice("satisfied")).toEqual([["look", 1]]);
    const clamp = [...machine.clamps.keys()][0]!;
    const own = (test: ReturnType<typeof makeTest>) =>
      movesTo(machine, { setup: test.setup, openPanels: new Set(machine.file.panels.map((p) => p.id)) }, test).at(-1)!;
    expect(
      [
        own(makeTest("cold-call", "clamp", clamp)),
        own(makeTest("unplugged", "ohms", "J2-1", "J2-3")),
        own(makeTest("unplugged", "capacitance", "J2-1", "J2-3")),
        own(makeTest("unplugged", "insulation", "J2-1", "J2-3")),
      ].map((m) => [m.move, m.minutes]),
    ).toEqual([
      ["clamp", 1],
      ["measure", 2],
      ["capacitance", 2],
      ["insulation", 2.5],
    ]);
    const recheck = makeTest("cold-call", "look", "panel", undefined, "recheck");
    expect(movesTo(machine, at("cold-call"), recheck).map((m) => [m.move, m.minutes, m.words])).toEqual([
      ["recheck", 0, "Power off, wait ten seconds, power on"],
      ["recheck", 2, ""],
    ]);
    expect(movesTo(machine, at("unplugged"), recheck).map((m) => m.words)).toContain(
      "Watch from the moment the power comes on",
    );
  });
  it("leaves the unit in the test's setup, with every cover off that was off before or came off", () => {
    const after = unitStateAfter(machine, { ...at("unplugged", "door-trim"), times: { x: 2 } }, atJ2);
    expect(after.setup).toBe("cold-call");
    expect([...after.openPanels].sort()).toEqual(["door-trim", "rear-cover"]);
    expect(after.times).toEqual({ x: 2 });
    expect(placeKey(after)).toBe("cold-call door-trim rear-cover");
    expect(placeKey(at("cold-call", "rear-cover", "door-trim"))).toBe(placeKey(after));
  });
});

describe("a fault that comes and goes", () => {
  const hypothesis = (id: string) => dictionary.hypotheses.find((h) => h.id === id)!;
  const label = (words: string) => ({ kind: "label", label: words }) as const;
  const table = (): OutcomeTable => ({
    outcomes: [label("clears"), label("returns at once")],
    chances: Float32Array.from([0, 1, 0.25, 0.75]),
    entropy: Float64Array.from([0, 0.8]),
  });
  it("may be away after a power cycle: contacts four times in ten, the rest in eight of a hundred, a sound machine never", () => {
    for (const [id, away] of [
      ["J2-3:open", 0.4],
      ["panel:dead", 0.08],
    ] as const) {
      const own = table();
      blendRow(machine, hypothesis(id), own, 0);
      expect([...own.chances]).toEqual([away, 1 - away, 0.25, 0.75].map(Math.fround));
      expect(own.entropy[0]).toBeCloseTo(-plogp(away) - plogp(1 - away), 6);
      expect(own.entropy[1]).toBe(0.8);
      const each = Float64Array.from([0.5, 0.1]);
      blendAway(machine, hypothesis(id), "clears", 0.03, each);
      [0.5, 0.1].forEach((l, k) => expect(each[k]).toBeCloseTo((1 - away) * l + away * 0.97, 12));
      blendAway(machine, hypothesis(id), "returns later", 0.03, each.fill(0.5));
      expect(each[0]).toBeCloseTo((1 - away) * 0.5 + away * 0.015, 12);
    }
    const sound = table();
    blendRow(machine, hypothesis("no-fault"), sound, 0);
    expect([...sound.chances]).toEqual([...table().chances]);
    const each = Float64Array.from([0.5]);
    blendAway(machine, hypothesis("no-fault"), "clears", 0.03, each);
    expect(each[0]).toBe(0.5);
    const without = { ...table(), outcomes: [label("returns later"), label("returns at once")] };
    blendRow(machine, hypothesis("J2-3:open"), without, 0);
    expect([...without.chances]).toEqual([...table().chances]);
  });
});

describe("what is proven of an assembly before it is blamed", () => {
  const board = machine.file.pieces.find((p) => p.proofs.length > 0)!;
  it("needs the reading that was asked for, with the verdict that proves it; points on one node are one point", () => {
    const [first] = board.proofs;
    const entry = first!.any[0]!;
    const test = makeTest(entry.setup, entry.function, entry.red, entry.black);
    const [good, bad] =
      first!.shows === "good" ? (["fits", "does not fit"] as const) : (["does not fit", "fits"] as const);
    const proven = (readings: Parameters<typeof proofsFor>[2]) => proofsFor(machine, board.id, readings)[0]!.by;
    expect(proven([])).toBeNull();
    expect(proven([{ id: "r", test, verdict: good }])).toBe("r");
    expect(proven([{ id: "r", test, verdict: bad }])).toBeNull();
    expect(
      proven([{ id: "r", test: { ...test, function: test.function === "dcv" ? "acv" : "dcv" }, verdict: good }]),
    ).toBeNull();
    expect(proven([{ id: "r", test: { ...test, setup: "no such setup" }, verdict: good }])).toBeNull();
    const twin = [...machine.points.values()].find(
      (p) => p.id !== test.red && p.node === machine.points.get(test.red)!.node,
    );
    const other = [...machine.points.values()].find((p) => p.node !== machine.points.get(test.red)!.node)!;
    if (twin) expect(proven([{ id: "r", test: { ...test, red: twin.id }, verdict: good }])).toBe("r");
    expect(proven([{ id: "r", test: { ...test, red: other.id }, verdict: good }])).toBeNull();
    expect(proofsFor(machine, board.id, []).map((p) => p.words)).toEqual(board.proofs.map((p) => p.words));
    expect(proofsFor(machine, "no such piece", [])).toEqual([]);
  });
});

describe("parts that evidence has cleared", () => {
  it("are those hardly believed any more, each with the evidence that spoke most against it; none before there is any", () => {
    expect(clearedParts(dictionary, believe(dictionary, []))).toEqual([]);
    const test = makeTest("cold-call", "dcv", "J2-1.pad", "J2-3.pad");
    const evidence: Evidence[] = [
      { type: "complaint", id: "c", complaint: "panel-dark" },
      { type: "reading", id: "r", test, shown: { kind: "value", value: 13.1 } },
    ];
    const beliefs = believe(dictionary, evidence);
    const cleared = clearedParts(dictionary, beliefs);
    const doubt = partDoubt(dictionary, beliefs);
    const before = partDoubt(dictionary, believe(dictionary, []));
    expect(cleared.length).toBeGreaterThan(3);
    // Thirteen volts leave the board: its supply is cleared by that reading, the panel behind it is not.
    expect(cleared.find((c) => c.part === "PS1")?.by).toContain("r");
    expect(cleared.some((c) => c.part === "panel")).toBe(false);
    expect(cleared.map((c) => c.part)).toEqual(
      machine.parts.map((p) => p.id).filter((id) => cleared.some((c) => c.part === id)),
    );
    for (const c of cleared) {
      expect(doubt[c.part] ?? 0).toBeLessThan((before[c.part] ?? 0) / 2);
      expect(c.by.every((id) => evidence.some((e) => e.id === id))).toBe(true);
    }
  });
});

describe("numbers underneath", () => {
  it("the normal distribution function is that of the tables (Abramowitz and Stegun, table 26.1)", () => {
    // From memory of the table: P(0) = 0.5, P(1) = 0.841344746, P(2) = 0.977249868, P(3) = 0.998650102.
    for (const [z, p] of [
      [0, 0.5],
      [1, 0.841344746],
      [2, 0.977249868],
      [3, 0.998650102],
      [0.5, 0.691462461],
      [7, 1],
    ] as const) {
      expect(normalCdf(z)).toBeCloseTo(p, 6);
      expect(normalCdf(-z)).toBeCloseTo(1 - p, 6);
    }
    expect([normalCdf(6.1), normalCdf(-6.1)]).toEqual([1, 0]);
  });
  it("phasors of resistances alone are direct current, also where elements carry nothing at all", () => {
    const random = randomSource(5);
    for (let k = 0; k < 20; k++) {
      const netlist = randomNetlist(random, 12 + k);
      const siemens = Float64Array.from(netlist.elements, (e) => (!e.volts && random() < 0.3 ? 0 : e.g));
      const own = { ...netlist, elements: netlist.elements.map((e, i) => ({ ...e, g: siemens[i]! })) };
      const [direct, phasor] = [new DcSolver(programOf(netlist)), new AcSolver(programOf(netlist))];
      direct.factor(siemens);
      phasor.factor(siemens, new Float64Array(siemens.length));
      const [volts, re, im] = [
        new Float64Array(netlist.nodeCount),
        new Float64Array(netlist.nodeCount),
        new Float64Array(netlist.nodeCount),
      ];
      direct.solve(feedOf(own), volts);
      phasor.solve(feedOf(own), new Float64Array(netlist.nodeCount), re, im);
      for (const e of netlist.elements) {
        const across = (v: Float64Array) => (e.a < 0 ? 0 : v[e.a]!) - (e.b < 0 ? 0 : v[e.b]!);
        expect(Math.abs(across(re) - across(volts))).toBeLessThanOrEqual(1e-9 * 120);
        expect(across(im)).toBe(0);
      }
      for (let n = 1; n < 5; n++) expect(phasor.impedance(0, n).re / direct.resistance(0, n)).toBeCloseTo(1, 6);
    }
  });
});
