import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { ORDINARY_METER } from "../../src/core/instrument/meter";
import { readMachineYaml } from "../../src/core/model/file/machine-yaml";
import { FaultDictionary } from "../../src/core/diagnose/dictionary/fault-dictionary";
import { search } from "../support/isolate-unit";
import { StrangeUnit, type Stranger } from "../support/strange-unit";
import { randomSource } from "../support/unit-on-the-bench";

/**
 * Machines that came in from their sheets through the screens (`tests/e2e/sheets.spec.ts`, which compares what came in
 * with the files here), searched on what they really are. The truth was written first; what is known of it here is its
 * hash, so that it stays what it was, and where a hand puts the probe.
 */
interface Sheet extends Stranger {
  readonly name: string;
  readonly sha256: string;
  /** Every so many faults are tried, and of those that show at least this share is found. */
  readonly every: number;
  readonly share: number;
}

const SHEETS: readonly Sheet[] = [
  {
    name: "talried-bd-2",
    sha256: "5441d5db78d65716e1325615da47c4ced4bbb84105d494686c9b0f3cc0047d9e",
    every: 1,
    share: 0.95,
    places: {
      asked: "run",
      unplugged: "off",
      chassis: "frame",
      "board-in-L": "in-line",
      "board-in-N": "in-neutral",
      "fuse-out": "behind-fuse",
      rail: "twelve",
      ground: "zero",
      "guard-1-1-in": "cut-off-in",
      "load-1-feed": "heater-in",
      "load-2-feed": "fan-in",
      "load-neutral": "loads-neutral",
      "sensor-1-at": "door-terminal",
      "sensor-2-at": "sensor-terminal",
      told: "data",
      "clamp-1": "heater-lead",
      face: "D1",
      "load-2": "M1",
    },
    assemblies: {
      wiring: "harness",
      "load-1": "heater",
      "guard-1-1": "cut-off",
      "load-2": "fan",
      "sensor-1": "door-switch",
      "sensor-2": "air-sensor",
      "CN2-plug": "cn2",
      "CN3-plug": "cn3",
    },
  },
  {
    name: "falzjoch-gw-25",
    sha256: "88f324aac43ed3bb8b59eff14257c1ec445109daad318a1119bf03edffd8c192",
    every: 2,
    share: 0.95,
    places: {
      unplugged: "off",
      chassis: "frame",
      "board-in-L": "in-line",
      "board-in-N": "in-neutral",
      "fuse-out": "behind-fuse",
      "transformer-a": "ac24",
      "transformer-b": "ac0",
      rail: "twelve",
      ground: "zero",
      "load-1-feed": "w-in",
      "load-2-feed": "d-in",
      "load-3-feed": "v-in",
      "switch-4-coil": "k9-in",
      "switch-4-out-1": "k9-out",
      "guard-4-1-in": "th-in",
      "guard-4-2-in": "hl-in",
      "load-4-feed": "h-in",
      "load-5-feed": "dose-plus",
      "load-5-minus": "dose-minus",
      "load-6-feed": "lamp-plus",
      "load-6-minus": "lamp-minus",
      "load-neutral": "loads-neutral",
      "sensor-1-at": "lv-in",
      "sensor-2-at": "hd-in",
      "sensor-3-at": "ts-in",
      told: "data",
      "clamp-1": "wash-lead",
      "clamp-4": "heater-lead",
      face: "DSP",
      "switch-4": "K9",
      "load-1": "M1",
      "load-2": "M2",
      "load-3": "Y1",
      "load-5": "M3",
      "load-6": "E1",
    },
    assemblies: {
      wiring: "harness",
      "switch-4": "contactor",
      "load-1": "wash-pump",
      "load-2": "drain-pump",
      "load-3": "valve",
      "load-4": "heater",
      "load-5": "dosing",
      "load-6": "lamp",
      "guard-4-1": "thermostat",
      "guard-4-2": "limit",
      "sensor-1": "level",
      "sensor-2": "hood-switch",
      "sensor-3": "sensor",
      "X1-plug": "x1",
      "X2-plug": "x2",
      "X3-plug": "x3",
    },
  },
  {
    name: "steinkar-kt-40",
    sha256: "37131e98f83dae312b67e4e3fc269e4b01c98d7575d1e751711d3128e938329c",
    // 153 of all 153 were found when each was tried.
    every: 3,
    share: 0.95,
    places: {
      unplugged: "off",
      chassis: "frame",
      "filter-line": "filter-in-line",
      "filter-neutral": "filter-in-neutral",
      "board-in-L": "in-line",
      "board-in-N": "in-neutral",
      "fuse-out": "behind-fuse",
      rail: "twelve",
      ground: "zero",
      ...Object.fromEntries(
        Array.from({ length: 10 }, (_, i) => [
          [`link-${i + 1}`, `L-${i + 1}`],
          [`link-${i + 1}.pad`, `L-${i + 1}.pad`],
        ]).flat(),
      ),
      ...Object.fromEntries(
        [1, 2, 3].flatMap((n) => [
          [`face-link-${n}`, `D-${n}`],
          [`face-link-${n}.pad`, `D-${n}.pad`],
        ]),
      ),
      "load-1-feed": "c-in",
      "load-1-common": "c-com",
      "load-1-start": "c-st",
      "load-2-feed": "fc-in",
      "guard-3-1-in": "td-in",
      "load-3-feed": "ke-in",
      "guard-4-1-in": "tp-in",
      "load-4-feed": "pl-in",
      "load-5-feed": "pu-in",
      "load-6-feed": "ta-in",
      "load-7-feed": "k-plus",
      "load-7-minus": "k-minus",
      "load-8-feed": "li-plus",
      "load-8-minus": "li-minus",
      "load-neutral": "loads-neutral",
      "sensor-1-at": "do-in",
      "sensor-2-at": "fl-in",
      "sensor-3-at": "co-in",
      "sensor-4-at": "kt-in",
      "clamp-1": "compressor-lead",
      "clamp-3": "kettle-lead",
      "clamp-4": "plate-lead",
      face: "SC",
      "load-1": "CM",
      "load-2": "FC",
      "load-5": "MP",
      "load-6": "YT",
      "load-7": "FK",
      "load-8": "EL",
      "kettle-lamp": "E2",
      "plate-lamp": "E3",
      "tank-lamp": "E4",
      "second-condenser-fan": "M9",
      "second-tap-valve": "Y9",
      "drip-heater": "R9",
      "second-cold-fan": "F9",
      "second-light": "E5",
      "tap-light": "E6",
    },
    assemblies: {
      board: "power-board",
      "logic-board": "brain",
      "face-board": "screen",
      "face-plug": "screen-plug",
      wiring: "harness",
      "load-1": "compressor",
      "load-1-ptc": "starter",
      "load-1-overload": "overload",
      "load-2": "condenser-fan",
      "load-3": "kettle",
      "guard-3-1": "dry-cut",
      "load-4": "plate",
      "guard-4-1": "plate-fuse",
      "load-5": "pump",
      "load-6": "tap-valve",
      "load-7": "cold-fan",
      "load-8": "strip",
      "sensor-1": "door-switch",
      "sensor-2": "tank-float",
      "sensor-3": "cold-sensor",
      "sensor-4": "kettle-sensor",
      "P1-plug": "p1",
      "P2-plug": "p2",
      "P3-plug": "p3",
    },
  },
];

const textOf = (name: string) => readFileSync(new URL(`./sheets/${name}.yaml`, import.meta.url), "utf8");

describe.each(SHEETS.map((s) => [s.name, s] as const))("%s, brought in from its sheet", (name, sheet) => {
  const truth = readMachineYaml(textOf(name), name).machine;
  const broughtIn = readMachineYaml(textOf(`${name}.brought`), name).machine;

  it("is searched on what it was written to be before it came in", () => {
    expect(createHash("sha256").update(textOf(name)).digest("hex")).toBe(sheet.sha256);
  });

  it("isolates what breaks in it, each fault at its assembly", () => {
    const dictionary = FaultDictionary.of(broughtIn, ORDINARY_METER);
    dictionary.build();
    const random = randomSource(17);
    const wrong: string[] = [];
    let all = 0;
    const faults = truth.parts.flatMap((part) => part.modes.map((mode) => ({ part, mode })));
    for (const { part, mode } of faults.filter((_, i) => i % sheet.every === 0)) {
      const unit = new StrangeUnit(broughtIn, truth, { part: part.id, mode: mode.id }, sheet, random);
      if (unit.looksSound()) continue;
      all++;
      const { assemblies } = search(dictionary, unit, "advice");
      const found = assemblies.map((a) => sheet.assemblies[a] ?? a);
      if (found.length !== 1 || found[0] !== part.assembly)
        wrong.push(`${part.id}:${mode.id} (${part.assembly}) ends at ${found.join(", ")}`);
    }
    console.log(`${name}: ${all - wrong.length} of ${all} faults end at their assembly. ${wrong.join("; ")}`);
    expect(all).toBeGreaterThan(25);
    expect((all - wrong.length) / all, wrong.join("; ")).toBeGreaterThanOrEqual(sheet.share);
  });
});
