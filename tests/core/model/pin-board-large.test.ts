import { describe, expect, it } from "vitest";
import { FaultDictionary } from "../../../src/core/diagnose/dictionary/fault-dictionary";
import { ORDINARY_METER } from "../../../src/core/instrument/meter";
import { compileMachine } from "../../../src/core/model/compile/compile";
import { machineFileSchema } from "../../../src/core/model/schema";
import { search } from "../../support/isolate-unit";
import { randomSource, randomValues, UnitOnTheBench } from "../../support/unit-on-the-bench";

const STATES = ["idle", "fill", "wash", "drain", "test"];
const LOADS = 11;

/** A machine of 30 pins and 5 states that says of each output in three states of five whether it is on. */
function large(seed: number) {
  const random = randomSource(seed);
  const outputs: Record<string, unknown> = {};
  const parts: unknown[] = [];
  const at: Record<string, string> = { L: "in-L", N: "in-N", G: "ground" };
  const points: unknown[] = [
    { id: "plug-line", name: "Plug, line", net: "plug-L" },
    { id: "plug-neutral", name: "Plug, neutral", net: "plug-N" },
    { id: "plug-earth", name: "Plug, earth", net: "plug-E" },
    { id: "body", name: "Body", net: "body" },
    { id: "in-L", name: "Board, line", net: "in-L" },
    { id: "in-N", name: "Board, neutral", net: "in-N" },
    { id: "ground", name: "Board, ground", net: "ground" },
  ];
  for (let n = 0; n < LOADS; n++) {
    const isMains = n % 2 === 0;
    const spoken = [...STATES].sort(() => random() - 0.5).slice(0, 3);
    outputs[`out${n}`] = {
      to: `P${n}`,
      from: isMains ? "L" : "G",
      ...(isMains ? {} : { gives: { volts: 12 } }),
      on: spoken.slice(0, 1),
      off: spoken.slice(1),
    };
    at[`P${n}`] = `pin-${n}`;
    const ends = { a: `load-${n}`, b: isMains ? "in-N" : "ground" };
    parts.push(
      isMains
        ? {
            id: `L${n}`,
            kind: "heater",
            name: `Heater ${n}`,
            piece: `L${n}`,
            volts: 230,
            watts: 300,
            at: { ...ends, case: "body" },
          }
        : {
            id: `L${n}`,
            kind: "valve",
            name: `Valve ${n}`,
            piece: `L${n}`,
            current: "dc",
            volts: 12,
            amps: 0.3,
            ohms: 40,
            at: ends,
          },
    );
    points.push(
      { id: `pin-${n}`, name: `Pin ${n}`, net: `pin-${n}` },
      { id: `load-${n}`, name: `Load ${n}`, net: `load-${n}` },
    );
  }
  // Pins of which the sheet says nothing at all.
  const silent = Array.from({ length: 30 - 3 - LOADS }, (_, k) => `Q${k}`);
  for (const pin of silent) {
    at[pin] = `silent-${pin}`;
    points.push({ id: pin, name: pin, net: `silent-${pin}` });
  }
  const house = { id: "house", name: "House", repair: "Hand over", minutes: 10, price: 0, licensed: "yes" };
  return machineFileSchema.parse({
    format: 1,
    id: `large-${seed}`,
    revision: "1",
    maker: "Invented",
    model: "L",
    name: "Large",
    family: "washer",
    supply: { volts: 230, hertz: 50, percent: 6 },
    pieces: [
      house,
      { id: "cord", name: "Cord", repair: "Replace the cord", minutes: 10, price: 10 },
      { id: "board", name: "Board", repair: "Replace the board", minutes: 20, price: 120, board: "yes" },
      { id: "loom", name: "Loom", repair: "Repair the wire", minutes: 20, price: 5 },
      ...Array.from({ length: LOADS }, (_, n) => ({
        id: `L${n}`,
        name: `Load ${n}`,
        repair: "Replace it",
        minutes: 20,
        price: 20,
      })),
    ],
    parts: [
      {
        id: "outlet",
        kind: "outlet",
        name: "Outlet",
        piece: "house",
        at: { line: "plug-L", neutral: "plug-N", earth: "plug-E" },
      },
      {
        id: "cord",
        kind: "cord",
        name: "Cord",
        piece: "cord",
        at: {
          "line-pin": "plug-L",
          "neutral-pin": "plug-N",
          "earth-pin": "plug-E",
          line: "in-L",
          neutral: "in-N",
          earth: "body",
        },
      },
      {
        id: "B",
        kind: "board by its pins",
        name: "Board",
        piece: "board",
        pins: Object.keys(at),
        feed: { between: ["L", "N"], current: "ac", volts: 230, watts: 3 },
        isolated: "yes",
        states: STATES.map((s) => (s === "idle" ? { id: s, name: s } : { id: s, name: s, mode: s })).reverse(),
        outputs,
        at,
      },
      ...parts,
    ],
    wires: Array.from({ length: LOADS }, (_, n) => ({ id: `W${n}`, piece: "loom", from: `pin-${n}`, to: `load-${n}` })),
    points,
    references: [
      { name: "neutral", points: ["plug-neutral", "in-N"] },
      { name: "ground", points: ["ground"] },
      { name: "body", points: ["body", "plug-earth"] },
    ],
    setups: [
      ...STATES.map((s) => ({
        id: s,
        name: s,
        power: "on",
        ...(s === "idle" ? {} : { mode: s }),
        seconds: 20,
        how: s,
      })),
      { id: "dead", name: "Unplugged", power: "off", how: "Pull the plug." },
    ],
    paths: [
      {
        id: "path",
        name: "Path",
        stages: [{ box: "Cord", parts: ["cord"] }, { at: ["in-L", "in-N"] }, { box: "Board", parts: ["B"] }],
      },
    ],
    complaints: [{ id: "check", words: "To be checked", setup: "wash", path: "path" }],
  });
}

describe("a board of 30 pins and 5 states, two fifths of which its sheet leaves open", () => {
  it.each([1])("sheet %s: what it speaks of is found, and nothing it does not speak of is asked", (seed) => {
    const machine = compileMachine(large(seed));
    const dictionary = FaultDictionary.of(machine, ORDINARY_METER);
    dictionary.build();
    const random = randomSource(seed + 40);
    const faults = dictionary.hypotheses.flatMap((h) => (h.kind === "fault" ? [h] : []));
    const wrong: string[] = [];
    let all = 0;
    for (let k = 0; k < 14; k++) {
      const h = faults[Math.floor(random() * faults.length)]!;
      if (h.id.includes("unspoken")) continue;
      const unit = new UnitOnTheBench(machine, [h.fault], randomValues(machine, random), random);
      const run = search(dictionary, unit, "advice");
      expect(run.tests.filter((t) => /^Q/.test(t.red) || /^Q/.test(t.black ?? ""))).toEqual([]);
      // Six heaters share a neutral: which of them leaks to the body no reading tells while all are on it.
      if (h.id.endsWith(":to-case")) {
        expect(run.assemblies, h.id).toContain(h.assembly);
        continue;
      }
      all++;
      if (run.assemblies.length !== 1 || run.assemblies[0] !== h.assembly)
        wrong.push(`${h.id}: ${run.assemblies.join(", ")}`);
    }
    console.log(
      `${machine.parts.length} parts, ${dictionary.hypotheses.length} hypotheses; ${all - wrong.length} of ${all} found; ${wrong.join("; ")}`,
    );
    expect((all - wrong.length) / all, wrong.join("; ")).toBeGreaterThanOrEqual(0.95);
  });
});
