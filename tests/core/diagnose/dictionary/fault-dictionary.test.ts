import { describe, expect, it } from "vitest";
import { ORDINARY_METER } from "../../../../src/core/instrument/meter";
import { readMachineYaml } from "../../../../src/core/model/file/machine-yaml";
import {
  isSameReading,
  surroundingsOf,
  type Evidence,
  type Repair,
} from "../../../../src/core/diagnose/evidence/evidence";
import { tellingTests } from "../../../../src/core/diagnose/dictionary/candidates";
import type { Hypothesis } from "../../../../src/core/diagnose/hypotheses/hypothesis";
import { questioned } from "../../../../src/core/diagnose/advice/likely-slips";
import { describeTest } from "../../../../src/core/diagnose/advice/test-sheet";
import { Predictor, sampleWeights } from "../../../../src/core/diagnose/dictionary/predictor";
import { callsForMore, likelyChanges, widen } from "../../../../src/core/diagnose/belief/widening";
import { variantOf } from "../../../../src/core/model/as-found";
import type { Reading } from "../../../../src/core/quantity/read";
import { Readings } from "../../../../src/core/quantity/readings";
import { observe } from "../../../../src/core/simulate/observe";
import { Simulator } from "../../../../src/core/simulate/energise";
import { makeTest, testKey } from "../../../../src/core/simulate/test";
import { sampledValues, nominalValues } from "../../../../src/core/simulate/values";
import { KETTLE } from "../../../support/kettle";
import { FaultDictionary } from "../../../../src/core/diagnose/dictionary/fault-dictionary";
import { believe, involvement } from "../../../../src/core/diagnose/belief/beliefs";

const { machine } = readMachineYaml(
  `${KETTLE}
causes:
  - { part: heater, mode: to-case, then: { part: F1, mode: blown }, share: 0.25 }
`,
  "kettle.yaml",
);
const meter = ORDINARY_METER;
const dictionary = FaultDictionary.of(machine, meter);
const told: number[] = [];
dictionary.build((share) => told.push(share));
const named = (id: string) => dictionary.hypotheses.findIndex((h) => h.id === id);
const sum = (list: Iterable<number>) => [...list].reduce((a, b) => a + b, 0);

/** Whether two readings are the same but for a hundredth of the meter's error. */
function isNear(test: ReturnType<typeof makeTest>, a: Reading | null, b: Reading | null): boolean {
  if (a?.kind !== "value" || b?.kind !== "value" || !(test.function in meter.accuracy))
    return JSON.stringify(a) === JSON.stringify(b);
  const { relative, absolute } = meter.accuracy[test.function as "dcv"];
  return Math.abs(a.value - b.value) <= 0.011 * (absolute + relative * Math.abs(a.value));
}

describe("the dictionary", () => {
  it("holds what each fault shows in each test that tells anything, as the simulator shows it", () => {
    const simulator = new Simulator(machine);
    const anew = FaultDictionary.of(machine, meter);
    anew.build();
    expect(anew.candidates.map(testKey)).toEqual(dictionary.candidates.map(testKey));
    expect(anew.candidates.length).toBeGreaterThan(10);
    for (const test of anew.candidates) {
      const predictions = anew.predictionsFor(test);
      dictionary.hypotheses.forEach((h, i) => {
        if (h.kind === "something else") return expect(predictions[i]).toEqual([]);
        expect(predictions[i], `${h.id} ${testKey(test)}`).toHaveLength(sampleWeights(machine, h).length);
        const faults = h.kind === "fault" ? [h.fault, ...h.led] : [];
        const shown = observe(
          simulator,
          simulator.energise(machine.setupById.get(test.setup)!, faults, nominalValues(machine)),
          test,
          meter,
        );
        expect(isNear(test, shown, predictions[i]![0]!), `${h.id} ${testKey(test)}`).toBe(true);
      });
    }
  });
  it("is the same whether it is built at once or asked test by test", () => {
    const asked = FaultDictionary.of(machine, meter);
    for (const test of dictionary.candidates) {
      const [built, single] = [dictionary.predictionsFor(test), asked.predictionsFor(test)];
      built.forEach((prediction, h) =>
        prediction.forEach((shown, k) =>
          expect(isNear(test, shown, single[h]![k]!), `${testKey(test)} ${dictionary.hypotheses[h]!.id} ${k}`).toBe(
            true,
          ),
        ),
      );
      const [a, b] = [dictionary.tableFor(test), asked.tableFor(test)];
      expect(a.outcomes.length).toBe(b.outcomes.length);
      a.chances.forEach((chance, i) => expect(chance).toBeCloseTo(b.chances[i]!, 3));
    }
  });
  it("tells how far it has come, from nothing to all, never back", () => {
    expect(told.at(-1)).toBe(1);
    expect(told).toEqual([...told].sort((a, b) => a - b));
    expect(told[0]).toBeLessThan(0.6);
  });
  it("knows hypotheses of priors that add to one, also when it is widened", () => {
    expect(sum(dictionary.hypotheses.map((h) => h.prior))).toBeCloseTo(1, 12);
    const more: Hypothesis[] = [
      {
        kind: "two faults",
        id: "x+y",
        faults: [
          { part: "heater", mode: "open" },
          { part: "F1", mode: "blown" },
        ],
        assemblies: ["heater", "fuse"],
        assembly: "heater+fuse",
        prior: 0.01,
      },
    ];
    const wider = dictionary.widened(more);
    expect(sum(wider.hypotheses.map((h) => h.prior))).toBeCloseTo(1, 12);
    expect(wider.hypotheses[named("F1:blown")]!.prior).toBeCloseTo(
      0.99 * dictionary.hypotheses[named("F1:blown")]!.prior,
      12,
    );
    // It shows what both together show.
    const simulator = new Simulator(machine);
    for (const test of dictionary.candidates) {
      const shown = observe(
        simulator,
        simulator.energise(
          machine.setupById.get(test.setup)!,
          [
            { part: "heater", mode: "open" },
            { part: "F1", mode: "blown" },
          ],
          nominalValues(machine),
        ),
        test,
        meter,
      );
      expect(isNear(test, shown, wider.predictionsFor(test).at(-1)![0]!), testKey(test)).toBe(true);
    }
    expect(wider.candidates).toBe(dictionary.candidates);
  });
  it("a repair takes what was in its piece away, and only that: of a cause what came of it stays, of a single fault in vain all of it", () => {
    const repaired = (assembly: string, result: Repair["result"]): Repair[] => [{ assembly, result }];
    const [led, cause, fuse] = [named("heater:to-case>F1:blown"), named("heater:to-case"), named("F1:blown")];
    expect(dictionary.left(led, repaired("heater", "stays")).id).toBe("F1:blown");
    expect(dictionary.left(led, repaired("fuse", "stays")).id).toBe("heater:to-case");
    expect(dictionary.left(led, repaired("cord", "stays")).id).toBe("heater:to-case>F1:blown");
    expect(dictionary.left(led, [...repaired("heater", "stays"), ...repaired("fuse", "stays")]).id).toBe("no-fault");
    // It was repaired and stayed: then the repair has failed, if it was that.
    expect(dictionary.left(fuse, repaired("fuse", "stays")).id).toBe("F1:blown");
    expect(dictionary.left(fuse, repaired("fuse", "gone")).id).toBe("no-fault");
    expect(dictionary.left(cause).id).toBe("heater:to-case");
    const test = makeTest("on", "acv", "out-L", "in-N");
    const after = dictionary.predictionsAfter(test, repaired("heater", "stays"));
    expect(after[led]!.slice(0, 5).map((s) => s?.kind)).toEqual(
      dictionary.predictionsFor(test)[fuse]!.map((s) => s?.kind),
    );
    expect(after[cause]).toEqual(dictionary.predictionsFor(test)[cause]);
    const [plain, table] = [dictionary.tableFor(test), dictionary.tableFor(test, repaired("heater", "stays"))];
    const n = plain.outcomes.length;
    const row = (t: typeof plain, h: number) => [...t.chances.subarray(h * n, h * n + n)];
    expect(row(table, led)).toEqual(row(plain, fuse));
    expect(table.entropy[led]).toBe(plain.entropy[fuse]);
    expect(row(table, fuse)).toEqual(row(plain, fuse));
  });
  it("believes the samples that agree with the room and mains that were noted, by how far they lie off", () => {
    const predictor = new Predictor(machine, meter);
    expect(predictor.fitOf({}).every((l) => l === 0)).toBe(true);
    const fit = predictor.fitOf({ volts: 120 });
    const seeds = [1, 2, 3, 4].map((k) => 20_260 + k);
    const of = [
      120,
      ...seeds.map((seed, k) => sampledValues(machine, seed, 0.5, [0, 1 / 3, 2 / 3, 1][k]!, seeds).supplyVolts),
    ];
    const logs = of.map((v) => -0.5 * ((v - 120) / (0.03 * 120)) ** 2);
    logs.forEach((l, k) => expect(fit[k]).toBeCloseTo(l - Math.max(...logs), 9));
    const warm = predictor.fitOf({ celsius: machine.file.ambient + 8 });
    expect(Math.max(...warm)).toBe(0);
    expect(Math.min(...warm)).toBeLessThan(-0.5);
  });
});

describe("the wider look", () => {
  // Fuse and heater both gone: line to the fuse, nothing behind it, and the element open when it is measured alone.
  const two = [
    { part: "heater", mode: "open" },
    { part: "F1", mode: "blown" },
  ];
  const simulator = new Simulator(machine);
  const reading = (id: string, setup: string, fn: "acv" | "ohms", red: string, black: string): Evidence => {
    const test = makeTest(setup, fn, red, black);
    return {
      type: "reading",
      id,
      test,
      shown: observe(
        simulator,
        simulator.energise(machine.setupById.get(setup)!, two, nominalValues(machine)),
        test,
        meter,
      ),
    };
  };
  const evidence: Evidence[] = [
    { type: "complaint", id: "c", complaint: "cold" },
    reading("a", "on", "acv", "in-L", "in-N"),
    reading("b", "on", "acv", "out-L", "in-N"),
    reading("d", "off", "ohms", "out-L", "in-N"),
    reading("e", "off", "ohms", "out-L", "in-N"),
  ];
  const wider = widen(dictionary, evidence);
  const added = wider.hypotheses.slice(dictionary.hypotheses.length);
  const singles = dictionary.hypotheses.flatMap((h) => (h.kind === "fault" && h.led.length === 0 ? [h] : []));

  it("weighs the pair that is there before all others, and far before any single fault", () => {
    const { probability } = believe(wider, evidence);
    const best = [...probability].indexOf(Math.max(...probability));
    expect(new Set(wider.hypotheses[best]!.assembly.split("+"))).toEqual(new Set(["heater", "fuse"]));
    expect(probability[best]! / Math.max(...[...probability].slice(0, dictionary.hypotheses.length))).toBeGreaterThan(
      5,
    );
  });
  it("gives a pair the product of its two priors, all pairs together two in a hundred", () => {
    const total = sum(singles.map((h) => h.prior));
    for (const h of added) {
      if (h.kind !== "two faults") continue;
      const [a, b] = h.faults.map(
        (f) => singles.find((s) => s.fault.part === f.part && s.fault.mode === f.mode)!.prior,
      ) as [number, number];
      expect(h.prior).toBeCloseTo((2 * 0.02 * a * b) / total ** 2, 14);
      expect(h.assemblies).toEqual([...h.faults].map((f) => machine.partById.get(f.part)!.assembly));
      expect(a).toBeGreaterThanOrEqual(b);
      expect(h.faults[0].part).not.toBe(h.faults[1].part);
    }
    const changes = likelyChanges(machine);
    expect(sum(changes.map((h) => h.prior))).toBeCloseTo(0.01, 12);
    for (const h of changes)
      if (h.kind === "not as drawn") expect(() => variantOf(machine.file, [h.change])).not.toThrow();
  });
  it("keeps the ones that explain the evidence best, by trying every pair there is", () => {
    expect(added.length).toBeLessThanOrEqual(14);
    const pairs = singles.flatMap((a, i) =>
      singles.slice(i + 1).flatMap((b): Hypothesis[] =>
        a.fault.part === b.fault.part
          ? []
          : [
              {
                kind: "two faults",
                id: `${a.id}+${b.id}`,
                faults: [a.fault, b.fault],
                assemblies: [a.assembly, b.assembly],
                assembly: a.assembly === b.assembly ? a.assembly : `${a.assembly}+${b.assembly}`,
                prior: (2 * 0.02 * a.prior * b.prior) / sum(singles.map((h) => h.prior)) ** 2,
              },
            ],
      ),
    );
    const every = dictionary.widened(
      [...pairs, ...likelyChanges(machine)],
      evidence.flatMap((e) => (e.type === "reading" ? [e.test] : [])),
    );
    const { probability } = believe(every, evidence);
    const first = dictionary.hypotheses.length;
    const ranked = every.hypotheses
      .slice(first)
      .map((h, i) => ({ h, p: probability[first + i]! }))
      .sort((a, b) => b.p - a.p);
    const key = (h: Hypothesis) =>
      h.kind === "two faults"
        ? h.faults
            .map((f) => `${f.part}:${f.mode}`)
            .sort()
            .join()
        : h.id;
    const kept = new Set(added.map(key));
    // The best eight of all are among those that it keeps.
    for (const { h } of ranked.slice(0, 8)) expect(kept.has(key(h)), key(h)).toBe(true);
  });
});

describe("the tests that tell anything", () => {
  // The kettle again, and once more a minute later: what both show alike is measured where it costs less.
  const waited = readMachineYaml(
    KETTLE.replace(
      '  - { id: "off", name',
      '  - { id: later, name: Later, power: "on", how: Wait., minutes: 9 }\n  - { id: "off", name',
    ),
    "kettle.yaml",
  ).machine;
  const [now, later, off] = [
    makeTest("on", "acv", "out-L", "in-N"),
    makeTest("later", "acv", "out-L", "in-N"),
    makeTest("off", "ohms", "out-L", "in-N"),
  ];
  const kept = (shown: readonly (readonly [ReturnType<typeof makeTest>, readonly (Reading | null)[]])[]) =>
    tellingTests(
      waited,
      shown.map(([test]) => test),
      new Map(shown.map(([test, readings]) => [testKey(test), Readings.of(readings)])),
    ).map((t) => t.setup);
  const value = (v: number): Reading => ({ kind: "value", value: v });
  const label = (words: string): Reading => ({ kind: "label", label: words });

  it("are not those that show the same whatever is wrong, to two and a half digits, and below what any meter resolves nothing at all", () => {
    expect(kept([[now, [value(118), value(118.2), value(117.9)]]])).toEqual([]);
    expect(kept([[now, [value(118), value(119)]]])).toEqual(["on"]);
    expect(kept([[now, [value(0.004), value(-0.009), value(0)]]])).toEqual([]);
    expect(kept([[now, [value(0.004), value(0.02)]]])).toEqual(["on"]);
    expect(kept([[off, [{ kind: "overload" }, { kind: "overload" }]]])).toEqual([]);
    expect(kept([[off, [{ kind: "overload" }, value(10)]]])).toEqual(["off"]);
    expect(kept([[now, [null, value(118)]]])).toEqual(["on"]);
    expect(kept([[now, [label("lit"), label("lit")]]])).toEqual([]);
    expect(kept([[now, [label("lit"), label("dark")]]])).toEqual(["on"]);
    expect(
      kept([
        [
          off,
          [
            { kind: "beep", beeps: true },
            { kind: "beep", beeps: false },
          ],
        ],
      ]),
    ).toEqual(["off"]);
    expect(
      kept([
        [
          off,
          [
            { kind: "beep", beeps: true },
            { kind: "beep", beeps: true },
          ],
        ],
      ]),
    ).toEqual([]);
  });
  it("are made in the cheaper of two setups that show the same, whichever comes first in the file; in both where they differ", () => {
    const same = [value(118), value(0)];
    expect(
      kept([
        [later, same],
        [now, same],
      ]),
    ).toEqual(["on"]);
    expect(
      kept([
        [now, same],
        [later, same],
      ]),
    ).toEqual(["on"]);
    expect(
      kept([
        [now, same],
        [later, [value(118), value(60)]],
      ]),
    ).toEqual(["on", "later"]);
    // Power on and off are never the same test, though they should read alike.
    expect(
      kept([
        [off, same],
        [now, same],
      ]).sort(),
    ).toEqual(["off", "on"]);
  });
});

describe("what each result would mean", () => {
  it("is a line of its own for each, the sound one marked, chances adding to no more than one", () => {
    const beliefs = believe(dictionary, [{ type: "complaint", id: "c", complaint: "cold" }]);
    for (const test of dictionary.candidates) {
      const { meanings, range } = describeTest(dictionary, beliefs, { setup: "on", openPanels: new Set() }, test);
      expect(new Set(meanings.map((m) => m.words)).size, testKey(test)).toBe(meanings.length);
      expect(sum(meanings.map((m) => m.probability))).toBeLessThanOrEqual(1 + 1e-6);
      expect(meanings.map((m) => m.probability)).toEqual(meanings.map((m) => m.probability).sort((a, b) => b - a));
      expect(meanings.filter((m) => m.sound).length, testKey(test)).toBeLessThanOrEqual(1);
      for (const m of meanings) {
        expect(m.probability).toBeGreaterThan(0);
        for (const l of m.leaves) expect(l.probability).toBeGreaterThanOrEqual(0.08);
      }
      if (test.function === "ohms") expect(range).not.toBe("");
      // Of a reading that only a sound machine gives, a good part is left for "nothing wrong" or for what does not
      // show there.
      const shown = dictionary.predictionsFor(test)[0]![0]!;
      const sound = meanings.find((m) => m.sound);
      if (sound?.outcome.kind === "value" && shown.kind === "value")
        expect(shown.value >= sound.outcome.low - 1e-9 && shown.value <= sound.outcome.high + 1e-9, testKey(test)).toBe(
          true,
        );
    }
  });
});

describe("the reading that is questioned", () => {
  const at = (id: string, test: ReturnType<typeof makeTest>, value: number): Evidence => ({
    type: "reading",
    id,
    test,
    shown: { kind: "value", value },
  });
  const [a, b] = [makeTest("on", "acv", "out-L", "in-N"), makeTest("on", "acv", "in-L", "in-N")];
  it("is the last, unless it has outvoted an earlier one of the same test", () => {
    expect(questioned(meter, [])).toBeNull();
    expect(questioned(meter, [{ type: "complaint", id: "c", complaint: "cold" }])).toBeNull();
    expect(questioned(meter, [at("1", a, 118), at("2", b, 118)])).toBe("2");
    expect(questioned(meter, [at("1", a, 3), at("2", a, 118), at("3", a, 118)])).toBe("1");
    // One of another test that was outvoted long ago is left alone.
    expect(questioned(meter, [at("1", a, 3), at("2", a, 118), at("3", a, 118), at("4", b, 118)])).toBe("4");
    expect(questioned(meter, [at("1", a, 118), at("2", a, 118.1)])).toBe("2");
  });
});

describe("readings of one test", () => {
  const say = (fn: "dcv" | "look" | "continuity", a: Reading, b: Reading) =>
    isSameReading(meter, { test: makeTest("on", fn, "x", "y"), shown: a }, { shown: b });
  const value = (v: number): Reading => ({ kind: "value", value: v });
  const label = (words: string): Reading => ({ kind: "label", label: words });
  const beep = (beeps: boolean): Reading => ({ kind: "beep", beeps });
  it("say the same within six errors of the meter, by word, by sound, by kind", () => {
    const { relative, absolute } = meter.accuracy.dcv;
    const error = Math.hypot(absolute, relative * 10);
    expect([say("dcv", value(10), value(10 + 5 * error)), say("dcv", value(10), value(10 + 7 * error))]).toEqual([
      true,
      false,
    ]);
    expect([say("look", label("lit"), label("lit")), say("look", label("lit"), label("dark"))]).toEqual([true, false]);
    expect([say("continuity", beep(true), beep(true)), say("continuity", beep(true), beep(false))]).toEqual([
      true,
      false,
    ]);
    expect([
      say("dcv", { kind: "overload" }, { kind: "overload" }),
      say("dcv", { kind: "overload" }, value(1)),
      say("look", label("lit"), beep(true)),
    ]).toEqual([true, false, false]);
  });
  it("of room and mains, what was said last stands, each by itself", () => {
    const said = (id: string, more: { celsius?: number; volts?: number }): Evidence => ({
      type: "surroundings",
      id,
      ...more,
    });
    expect(surroundingsOf([])).toEqual({});
    expect(surroundingsOf([said("a", { celsius: 20 }), said("b", { volts: 118 })])).toEqual({
      celsius: 20,
      volts: 118,
    });
    expect(surroundingsOf([said("a", { celsius: 20, volts: 110 }), said("b", { celsius: 31 })])).toEqual({
      celsius: 31,
      volts: 110,
    });
  });
});

describe("a call for more than one fault", () => {
  const odd = (evidence: string, confirmed: boolean) => ({ evidence, slip: 0.9, confirmed });
  const complaint: Evidence = { type: "complaint", id: "c", complaint: "cold" };
  const reading: Evidence = {
    type: "reading",
    id: "r",
    test: makeTest("on", "acv", "out-L", "in-N"),
    shown: { kind: "value", value: 119 },
  };
  const calls = (evidence: readonly Evidence[], odds: Parameters<typeof callsForMore>[3]) =>
    callsForMore(dictionary, evidence, believe(dictionary, evidence), odds);
  it("is one odd thing confirmed, one odd thing that the customer says, or two odd things; never one slip alone", () => {
    expect(calls([complaint, reading], [])).toBe(false);
    expect(calls([complaint, reading], [odd("r", false)])).toBe(false);
    expect(calls([complaint, reading], [odd("r", true)])).toBe(true);
    expect(calls([complaint, reading], [odd("c", false)])).toBe(true);
    expect(calls([complaint, reading], [odd("r", false), odd("s", true)])).toBe(true);
    expect(calls([complaint, reading], [odd("r", false), odd("s", false)])).toBe(true);
  });
  it("is a repair in vain of what is still held for the fault, and not of an assembly nobody suspects", () => {
    const open: Evidence = {
      type: "reading",
      id: "o",
      test: makeTest("off", "ohms", "out-L", "in-N"),
      shown: { kind: "overload" },
    };
    const tried = (assembly: string, result: "stays" | "gone"): Evidence => ({
      type: "tried",
      id: "t",
      assembly,
      result,
    });
    const share = involvement(
      dictionary,
      believe(dictionary, [complaint, open, { ...open, id: "p" }, tried("heater", "stays")]).probability,
    ).get("heater")!;
    expect(share).toBeGreaterThan(0.4);
    expect(calls([complaint, open, { ...open, id: "p" }, tried("heater", "stays")], [])).toBe(true);
    expect(calls([complaint, open, { ...open, id: "p" }, tried("cord", "stays")], [])).toBe(false);
  });
});
