import { inferAll, addNode } from "bayesjs";
import { describe, expect, it } from "vitest";
import { ORDINARY_METER } from "../../../../src/core/instrument/meter";
import { readMachineYaml } from "../../../../src/core/model/file/machine-yaml";
import { advise } from "../../../../src/core/diagnose/advice/advise";
import { observationsOf, type Evidence } from "../../../../src/core/diagnose/evidence/evidence";
import { likelihood, normalCdf, SampleTrail } from "../../../../src/core/diagnose/reading/likelihood";
import { sampleWeights } from "../../../../src/core/diagnose/dictionary/predictor";
import { proofsFor } from "../../../../src/core/diagnose/advice/proofs";
import { describeTest } from "../../../../src/core/diagnose/advice/test-sheet";
import { clearedParts, likeliness, assemblySuspects } from "../../../../src/core/diagnose/belief/suspects";
import { verdictOf, windowOf } from "../../../../src/core/diagnose/reading/window";
import { makeTest, testKey, type Test } from "../../../../src/core/simulate/test";
import type { Reading } from "../../../../src/core/quantity/read";
import { demoDictionary } from "../../../support/demo-machine";
import { KETTLE } from "../../../support/kettle";
import { FaultDictionary } from "../../../../src/core/diagnose/dictionary/fault-dictionary";
import { believe, involvement } from "../../../../src/core/diagnose/belief/beliefs";
import { rate } from "../../../../src/core/diagnose/planning/rating";

const dictionary = demoDictionary();
const { machine } = dictionary;
const kettle = FaultDictionary.of(readMachineYaml(KETTLE, "kettle.yaml").machine, ORDINARY_METER);
kettle.build();

const reading = (id: string, test: Test, shown: Reading): Evidence => ({ type: "reading", id, test, shown });
const volts = (value: number): Reading => ({ kind: "value", value });
const at = (i: FaultDictionary, id: string, p: Float64Array) => p[i.hypotheses.findIndex((h) => h.id === id)]!;

const KETTLE_EVIDENCE: readonly Evidence[] = [
  reading("a", makeTest("on", "acv", "in-L", "in-N"), volts(119)),
  reading("b", makeTest("on", "acv", "out-L", "in-N"), volts(0.4)),
  reading("c", makeTest("off", "ohms", "out-L", "in-N"), volts(9.9)),
];

/** For one hypothesis: likelihood of every reading along every sample, [sample][reading]. */
function alongSamples(i: FaultDictionary, n: number, evidence: readonly Evidence[]): number[][] {
  const count = sampleWeights(i.machine, i.hypotheses[n]!).length;
  const trail = new SampleTrail(count, ORDINARY_METER);
  const rows: number[][] = Array.from({ length: count }, () => []);
  for (const o of observationsOf(i.machine, i.meter, evidence)) {
    const each = new Float64Array(count);
    trail.next(o.test, o.shown, i.predictionsFor(o.test)[n]!, o.slip, each, o.isLast);
    each.forEach((l, k) => rows[k]!.push(l ** o.weight));
  }
  return rows;
}

/** Bayes' rule written out: every hypothesis, every sample, every reading. */
function bruteForce(i: FaultDictionary, evidence: readonly Evidence[]): number[] {
  const joint = i.hypotheses.map((h, n) => {
    const weights = sampleWeights(i.machine, h);
    return alongSamples(i, n, evidence).reduce(
      (sum, row, k) => sum + row.reduce((product, l) => product * l, h.prior * weights[k]!),
      0,
    );
  });
  const total = joint.reduce((a, b) => a + b, 0);
  return joint.map((j) => j / total);
}

describe("the posterior", () => {
  it("is Bayes' rule by brute force", () => {
    const ours = believe(kettle, KETTLE_EVIDENCE).probability;
    bruteForce(kettle, KETTLE_EVIDENCE).forEach((p, n) => expect(ours[n]).toBeCloseTo(p, 12));
    const evidence: Evidence[] = [
      { type: "complaint", id: "c", complaint: "panel-dark" },
      reading("x", makeTest("cold-call", "dcv", "H1-1.cab", "H1-3.cab"), volts(13.2)),
    ];
    const demo = believe(dictionary, evidence).probability;
    bruteForce(dictionary, evidence).forEach((p, n) => expect(demo[n]).toBeCloseTo(p, 12));
  });

  it("is that of a general Bayesian library (bayesjs, junction tree) on the same small network", () => {
    const units = kettle.hypotheses.flatMap((h, n) =>
      sampleWeights(kettle.machine, h).map((w, k) => ({ n, k, name: `${h.id}#${k}`, prior: h.prior * w })),
    );
    const rows = kettle.hypotheses.map((_, n) => alongSamples(kettle, n, KETTLE_EVIDENCE));
    let network = addNode(
      {},
      {
        id: "unit",
        states: units.map((u) => u.name),
        parents: [],
        cpt: Object.fromEntries(units.map((u) => [u.name, u.prior])),
      },
    );
    const given: Record<string, string> = {};
    observationsOf(kettle.machine, kettle.meter, KETTLE_EVIDENCE).forEach((o, r) => {
      const chances = units.map(({ n, k }) => rows[n]![k]![r]!);
      const most = Math.max(...chances);
      const id = testKey(o.test);
      given[id] = "seen";
      network = addNode(network, {
        id,
        states: ["seen", "not"],
        parents: ["unit"],
        cpt: units.map((u, i) => ({
          when: { unit: u.name },
          then: { seen: chances[i]! / most, not: 1 - chances[i]! / most },
        })),
      });
    });
    const theirs = inferAll(network, given)["unit"] as Record<string, number>;
    const ours = believe(kettle, KETTLE_EVIDENCE).probability;
    kettle.hypotheses.forEach((h, n) => {
      const sum = units.filter((u) => u.n === n).reduce((total, u) => total + theirs[u.name]!, 0);
      // The library rounds each state to eight decimals.
      expect(ours[n]).toBeCloseTo(sum, 7);
    });
  });

  it("does not depend on the order of the evidence", () => {
    const forth = believe(kettle, KETTLE_EVIDENCE).probability;
    const back = believe(kettle, [...KETTLE_EVIDENCE].reverse()).probability;
    forth.forEach((p, n) => expect(back[n]).toBeCloseTo(p, 12));
  });

  it("learns from the same reading taken again that it was no slip, and nothing else", () => {
    const test = makeTest("cold-call", "dcv", "H1-1.door", "H1-3.door");
    const once = believe(dictionary, [reading("1", test, volts(0))]).probability;
    const often = believe(
      dictionary,
      ["1", "2", "3", "4"].map((id) => reading(id, test, volts(0))),
    ).probability;
    const predict0 = (id: string) =>
      dictionary
        .predictionsFor(test)
        [dictionary.hypotheses.findIndex((h) => h.id === id)]!.every(
          (s) => s?.kind === "value" && Math.abs(s.value) < 0.01,
        );
    const [fitting, misfitting] = [true, false].map((fits) =>
      dictionary.hypotheses.map((h, n) => ({ h, n })).filter(({ h }) => h.kind === "fault" && predict0(h.id) === fits),
    );
    // Between those that show it the odds stay; those that would need a slip fall, but not without end.
    const ratio = (n: number) => often[n]! / once[n]!;
    const gain = ratio(fitting![0]!.n);
    for (const { n } of fitting!) expect(ratio(n)).toBeCloseTo(gain, 1);
    const fallen = misfitting!.filter(({ n }) => ratio(n) < 0.01 * gain);
    expect(fallen.length).toBeGreaterThan(10);
  });

  it("goes by the readings that agree when the same spot was read twice and once more", () => {
    const test = makeTest("cold-call", "dcv", "P1-1.pad", "P1-3.pad");
    const slipFirst = [reading("1", test, volts(0)), reading("2", test, volts(13.2))];
    expect([...believe(dictionary, slipFirst).probability]).toEqual([
      ...believe(dictionary, [reading("2", test, volts(13.2))]).probability,
    ]);
    const outvoted = [reading("1", test, volts(13.2)), reading("2", test, volts(13.1)), reading("3", test, volts(0))];
    const p = at(dictionary, "P1-3:open", believe(dictionary, outvoted).probability);
    expect(p).toBeLessThan(at(dictionary, "P1-3:open", believe(dictionary, []).probability));
  });

  it("keeps something else in the running, and lets it lead when nothing fits", () => {
    const odd = [
      reading("1", makeTest("cold-call", "dcv", "J2-1.pad", "J2-3.pad"), volts(-88)),
      reading("2", makeTest("cold-call", "dcv", "TP5", "J2-3.pad"), volts(47)),
      reading("3", makeTest("cold-call", "acv", "J1-1", "J1-2"), volts(61)),
    ];
    const p = believe(dictionary, odd).probability;
    expect(at(dictionary, "something-else", p)).toBeGreaterThan(0.5);
    expect(advise(dictionary, odd, { setup: "cold-call", openPanels: new Set() }).suspects[0]!.assembly).toBe(
      "something-else",
    );
  });
});

describe("likelihoods", () => {
  it("are a density: over every value, overload and jumping they add to one, whatever the hypothesis", () => {
    const test = makeTest("cold-call", "dcv", "P1-1", "P1-3");
    const predictions = dictionary.predictionsFor(test);
    for (const id of ["no-fault", "panel:dead", "H1-1:resistive", "panel:shorted"]) {
      const prediction = predictions[dictionary.hypotheses.findIndex((h) => h.id === id)]!;
      if (prediction.some((s) => s?.kind === "jumping")) continue;
      let mass =
        likelihood(test, { kind: "overload" }, prediction, ORDINARY_METER) +
        likelihood(test, { kind: "jumping", low: 0, high: 1, manner: "jumping" }, prediction, ORDINARY_METER);
      const { relative, absolute } = ORDINARY_METER.accuracy.dcv;
      const edge = Math.asinh((600 * relative) / absolute) / relative;
      for (let y = -edge; y <= edge; y += 0.05)
        mass +=
          0.05 * likelihood(test, volts((Math.sinh(y * relative) * absolute) / relative), prediction, ORDINARY_METER);
      expect(mass, id).toBeCloseTo(1, 2);
    }
  });

  it("use the normal distribution: 68.27 % within one deviation, 95.45 % within two (ISO 3534-1 tables, from memory)", () => {
    expect(normalCdf(1) - normalCdf(-1)).toBeCloseTo(0.6827, 4);
    expect(normalCdf(2) - normalCdf(-2)).toBeCloseTo(0.9545, 4);
  });
});

describe("the next test", () => {
  const unitState = { setup: "cold-call", openPanels: new Set<string>() };
  const complaint: Evidence = { type: "complaint", id: "c", complaint: "panel-dark" };

  it("has the information that an exhaustive count over its outcomes gives (de Kleer and Williams 1987)", () => {
    const { probability } = believe(kettle, []);
    for (const rated of rate(kettle, probability, { setup: "on", openPanels: new Set() }, new Set()).slice(0, 20)) {
      const { outcomes, chances } = kettle.tableFor(rated.test);
      const n = outcomes.length;
      const entropy = (ps: number[]) => -ps.filter((p) => p > 0).reduce((s, p) => s + p * Math.log2(p), 0);
      const gain = (groups: readonly string[], of: (n: number) => string) => {
        const prior = groups.map((g) => probability.reduce((s, p, h) => s + (of(h) === g ? p : 0), 0));
        let after = 0;
        for (let o = 0; o < n; o++) {
          const joint = groups.map((g) =>
            probability.reduce((s, p, h) => s + (of(h) === g ? p * chances[h * n + o]! : 0), 0),
          );
          const mass = joint.reduce((a, b) => a + b, 0);
          if (mass > 0) after += mass * entropy(joint.map((j) => j / mass));
        }
        return entropy(prior) - after;
      };
      const assemblies = gain(kettle.assemblies, (h) => kettle.hypotheses[h]!.assembly);
      const faults = gain(
        kettle.hypotheses.map((h) => h.id),
        (h) => kettle.hypotheses[h]!.id,
      );
      expect(rated.bits).toBeCloseTo(0.9 * assemblies + 0.1 * faults, 4);
    }
  });

  it("says where the leads go, on what range, what to expect and what each result would leave", () => {
    const evidence = [
      complaint,
      reading("1", makeTest("cold-call", "look", "panel"), { kind: "label", label: "dark" }),
      reading("2", makeTest("cold-call", "look", "fan"), { kind: "label", label: "runs" }),
    ];
    const next = describeTest(
      dictionary,
      believe(dictionary, evidence),
      unitState,
      makeTest("cold-call", "dcv", "H1-1.door", "H1-3.door"),
    );
    expect(next).toMatchObject({
      functionWords: "DC volts",
      range: "20 V",
      exposure: "low voltage",
      red: { colour: "red" },
      black: { reference: "board ground", colour: "black" },
    });
    expect(next!.window).toMatchObject({ kind: "range" });
    expect(next!.meanings.length).toBeGreaterThanOrEqual(2);
    expect(next!.meanings.filter((m) => m.sound).length).toBe(1);
    const total = next!.meanings.reduce((s, m) => s + m.probability, 0);
    expect(total).toBeGreaterThan(0.9);
    expect(total).toBeLessThanOrEqual(1.0001);
    expect(advise(dictionary, evidence, unitState).next!.why).toMatch(/ leaves .+ %\)/);
    expect(next!.cost.steps[0]).toBe("Pull the plug");
  });

  it("names a range that holds what is expected, on every test of the chain", () => {
    const limit = (range: string) =>
      Number.parseFloat(range) * (range.includes("k") ? 1e3 : range.includes("M") ? 1e6 : 1);
    for (const t of machine.file.chain) {
      const card = describeTest(
        dictionary,
        believe(dictionary, []),
        unitState,
        makeTest(t.setup, t.function, t.red, t.black),
      );
      if (card.window.kind === "range" && card.range !== "highest")
        expect(limit(card.range), card.title).toBeGreaterThanOrEqual(card.window.high);
    }
  });

  it("is the same for the same evidence", () => {
    const fresh = FaultDictionary.of(machine, ORDINARY_METER);
    fresh.build();
    expect(JSON.stringify(advise(fresh, [complaint], unitState))).toBe(
      JSON.stringify(advise(dictionary, [complaint], unitState)),
    );
  });

  it("judges a test nobody would propose as what it was", () => {
    const odd = makeTest("cold-call", "dcv", "J2-1", "chassis");
    const card = describeTest(dictionary, believe(dictionary, [complaint]), unitState, odd);
    expect(card.exposure).toBe("live");
    expect(verdictOf(card.window, volts(0.01))).toBe("fits");
    // 0 V from the floating rail to the chassis says nothing about the rail.
    const before = believe(dictionary, [complaint]).probability;
    const after = believe(dictionary, [complaint, reading("1", odd, volts(0.01))]).probability;
    expect(at(dictionary, "panel:dead", after) / at(dictionary, "panel:dead", before)).toBeCloseTo(1, 0);
  });
});

describe("what the screen says of suspects", () => {
  const good = reading("13 V at P1", makeTest("cold-call", "dcv", "P1-1.pad", "P1-3.pad"), volts(13.1));
  const evidence: Evidence[] = [{ type: "complaint", id: "c", complaint: "panel-dark" }, good];

  it("clears the harness by the reading behind it", () => {
    const cleared = clearedParts(dictionary, believe(dictionary, evidence));
    for (const part of ["W1", "W3", "H1-1", "W4", "P1-3"])
      expect(cleared.find((c) => c.part === part)?.by, part).toContain("13 V at P1");
    expect(cleared.map((c) => c.part)).not.toContain("panel");
  });

  it("clears nothing without evidence, and brings everything back when the reading is struck out", () => {
    expect(clearedParts(dictionary, believe(dictionary, []))).toEqual([]);
    const without = assemblySuspects(dictionary, believe(dictionary, evidence.slice(0, 1)));
    expect(without.map((s) => s.assembly)).toContain("hinge-plug");
    expect(assemblySuspects(dictionary, believe(dictionary, evidence))[0]!.assembly).toBe("panel-board");
  });

  it("adds to one over all pieces", () => {
    const sums = involvement(dictionary, believe(dictionary, evidence).probability);
    expect([...sums.values()].reduce((a, b) => a + b, 0)).toBeCloseTo(1, 12);
    expect([likeliness(0.9), likeliness(0.2), likeliness(0.01)]).toEqual(["likely", "possible", "unlikely"]);
  });

  it("asks for feed, ground, request and output before the panel board is blamed, and takes them from readings at the same spot", () => {
    const none = proofsFor(machine, "panel-board", []);
    expect(none.map((p) => p.of)).toEqual(["feed", "ground", "request", "output"]);
    expect(none.every((p) => p.by === null)).toBe(true);
    const some = proofsFor(machine, "panel-board", [
      { id: "r", test: makeTest("cold-call", "dcv", "P1-1.pad", "P1-3.pad"), verdict: "fits" },
    ]);
    expect(some.filter((p) => p.by === "r").map((p) => p.of)).toEqual(["feed", "ground"]);
    // A wrong verdict proves nothing.
    expect(
      proofsFor(machine, "panel-board", [
        { id: "r", test: makeTest("cold-call", "dcv", "P1-1.pad", "P1-3.pad"), verdict: "does not fit" },
      ]).every((p) => p.by === null),
    ).toBe(true);
  });

  it("gives windows that the sound machine keeps", () => {
    for (const test of machine.file.chain.map((t) => makeTest(t.setup, t.function, t.red, t.black))) {
      const sound = dictionary.predictionsFor(test)[0]!;
      const window = windowOf(test, sound, ORDINARY_METER);
      for (const shown of sound) expect(verdictOf(window, shown!), testKey(test)).toBe("fits");
    }
  });
});
