import { decimal, readEngineering } from "../quantity";
import { machineFileSchema, type MachineFile } from "./schema";
import { say } from "#words/core/model/quick";

/** A load as a technician names it: what it is and what is printed on it. */
export interface QuickLoad {
  readonly name: string;
  readonly kind: "heater" | "compressor" | "pump" | "fan" | "valve" | "motor" | "lamp";
  readonly watts: number;
}

/** A machine nobody has a file for, as far as it is known at the door. */
export interface QuickMachine {
  readonly id: string;
  readonly name: string;
  readonly family: MachineFile["family"];
  readonly volts: number;
  readonly hertz: number;
  readonly filter: boolean;
  readonly fuse: boolean;
  readonly loads: readonly QuickLoad[];
  /** How the board is held and joined, as far as it was seen. */
  readonly held?: QuickHeld;
}

/** How a board is held and joined, in a few ticks. */
export interface QuickHeld {
  readonly screws: boolean;
  readonly clips: boolean;
  readonly ribbon: boolean;
  readonly plugs: number;
}

/** The joints of a board that was looked at through the door. */
function jointsOf({ screws, clips, ribbon, plugs }: QuickHeld) {
  return [
    ...(ribbon ? [{ kind: "ribbon", count: 1 }] : []),
    ...(plugs > 0 ? [{ kind: "plug", count: plugs }] : []),
    ...(screws ? [{ kind: "screw", count: 1 }] : []),
    ...(clips ? [{ kind: "clip", count: 1 }] : []),
  ];
}

const KINDS: readonly (readonly [RegExp, QuickLoad["kind"]])[] = [
  [/compressor/i, "compressor"],
  [/pump/i, "pump"],
  [/fan|blower/i, "fan"],
  [/valve/i, "valve"],
  [/motor|drum/i, "motor"],
  [/lamp|light|bulb/i, "lamp"],
  [/heat|element|igniter/i, "heater"],
];

/** Sizes taken where nothing is printed: watts, from memory. */
const USUAL: Readonly<Record<QuickLoad["kind"], number>> = {
  heater: 1500,
  compressor: 150,
  pump: 60,
  fan: 25,
  valve: 8,
  motor: 250,
  lamp: 25,
};

/**
 * Reads loads as they are typed: `heater 1800, pump 0.4A; drum motor 250W`. A bare number is watts; amperes and ohms
 * are turned into watts at the machine's own voltage. Throws a RangeError with a sentence for what is no load.
 */
export function readLoads(text: string, volts: number): QuickLoad[] {
  const loads = text
    .split(/[;\n]|,(?!\d)/)
    .map((line) => line.trim())
    .filter(Boolean)
    .map((line): QuickLoad => {
      const match = /^(.*?)\s*(\d[\d.,]*\s*(?:k?w|watts?|ma|a|amps?|k?ohms?|k?Ω)?)?$/i.exec(line);
      const name = (match?.[1] ?? "").trim();
      if (name === "") throw new RangeError(say.namesNoLoadTypeWhat(line.slice(0, 40)));
      const kind = KINDS.find(([pattern]) => pattern.test(name))?.[1] ?? "heater";
      return {
        name: name.charAt(0).toUpperCase() + name.slice(1),
        kind,
        watts: match?.[2] ? wattsOf(match[2], volts, line) : USUAL[kind],
      };
    });
  if (loads.length === 0) throw new RangeError(say.nameAtLeastOneLoad);
  if (loads.length > 8) throw new RangeError(say.eightLoadsAtMostHere);
  return loads;
}

function wattsOf(text: string, volts: number, line: string): number {
  const number = readEngineering(text.replace(/\s*(k?)w(?:atts?)?$/i, "$1"))?.value;
  const value = number ?? readEngineering(text)?.value;
  if (value === undefined || value <= 0) throw new RangeError(say.theRatingInIsNo(line.slice(0, 40)));
  let watts: number;
  if (/a(?:mps?)?$/i.test(text.trim())) watts = volts * value;
  else if (/(?:ohms?|Ω)$/i.test(text.trim())) watts = volts ** 2 / value;
  else watts = value;
  if (watts < 0.5 || watts > 20_000) throw new RangeError(say.comesToWThatIs(line.slice(0, 40), Math.round(watts)));
  return watts;
}

/** Winding ohms of a motor-like load of some watts, from memory: a fifth of what its power alone would say. */
const windingOhms = (volts: number, watts: number) => (0.2 * volts ** 2) / watts;

function loadPart(load: QuickLoad, n: number, volts: number): Record<string, unknown> {
  const { kind, watts } = load;
  const amps = watts / volts;
  const common = { id: `load-${n}`, name: load.name, piece: `load-${n}` };
  const two = { a: `load-${n}-L`, b: "load-N" };
  switch (kind) {
    case "heater":
      return { ...common, kind: "heater", volts, watts, at: { ...two, case: "chassis" } };
    case "lamp":
      return { ...common, kind: "lamp", current: "ac", volts, watts, at: two };
    case "compressor":
      return {
        ...common,
        kind: "compressor",
        volts,
        runAmps: amps / 0.8,
        windingOhms: windingOhms(volts, watts),
        restMinutes: 5,
        at: { line: `load-${n}-L`, neutral: "load-N", case: "chassis" },
      };
    case "motor":
      return {
        ...common,
        kind: "motor",
        current: "ac",
        volts,
        amps: amps / 0.8,
        ohms: windingOhms(volts, watts),
        at: { ...two, case: "chassis" },
      };
    case "fan":
      return { ...common, kind: "fan", volts, amps: amps / 0.6, ohms: windingOhms(volts, watts), at: two };
    case "pump":
      return {
        ...common,
        kind: "pump",
        current: "ac",
        volts,
        amps: amps / 0.6,
        ohms: windingOhms(volts, watts),
        at: two,
      };
    case "valve":
      return {
        ...common,
        kind: "valve",
        current: "ac",
        volts,
        amps: amps / 0.5,
        ohms: windingOhms(volts, watts),
        at: two,
      };
  }
}

/** What a load is seen to do when it does not work; null for one that shows nothing. */
const SILENT: Readonly<Record<QuickLoad["kind"], string | null>> = {
  heater: null,
  lamp: "dark",
  compressor: "silent",
  motor: "still",
  fan: "silent",
  pump: "silent",
  valve: "shut",
};

/** What must have been seen before the board is blamed. */
function boardProofs(loads: readonly QuickLoad[]) {
  return [
    {
      of: "feed",
      words: say.mainsReachesTheBoardLine,
      any: [{ setup: "asked", function: "acv", red: "board-in-L", black: "board-in-N" }],
      shows: "good",
    },
    {
      of: "load",
      words: say.theLoadsBehindItAre,
      any: loads.map((_, i) => ({
        setup: "unplugged",
        function: "ohms",
        red: `load-${i + 1}-feed`,
        black: "load-neutral",
      })),
      shows: "good",
    },
    {
      of: "output",
      words: say.aRelayOutputIsWrong,
      any: loads.map((_, i) => ({ setup: "asked", function: "acv", red: `out-${i + 1}`, black: "board-in-N" })),
      shows: "bad",
    },
  ];
}

/**
 * A machine file from checkpoints: outlet, cord, filter and fuse if there are any, board in, relay out, load. The board
 * is a block: a supply, a logic that asks for every load, and a relay for each.
 */
export function quickMachine(quick: QuickMachine): MachineFile {
  const { volts, loads } = quick;
  const entry = quick.filter ? "filter-in" : "board";
  const boardL = quick.fuse ? "fused-L" : "board-L";
  const assemblies = [
    { id: "house", name: say.houseWiring, repair: say.handOverToAnElectrician, minutes: 10, price: 0 },
    { id: "cord", name: say.powerCord, repair: say.replaceTheCord, minutes: 15, price: 18 },
    ...(quick.filter
      ? [{ id: "filter", name: say.lineFilter, repair: say.replaceTheFilter, minutes: 15, price: 25 }]
      : []),
    ...(quick.fuse
      ? [
          {
            id: "fuse",
            name: say.fuse,
            repair: say.findWhatBlewItThen,
            minutes: 6,
            price: 2,
          },
        ]
      : []),
    {
      id: "board",
      name: say.board,
      repair: say.replaceTheBoard,
      minutes: 25,
      price: 150,
      ...(quick.held ? { joints: jointsOf(quick.held) } : {}),
      board: "yes",
      proofs: boardProofs(loads),
    },
    {
      id: "wiring",
      name: say.wiringAndPlugsToThe,
      repair: say.cleanThePlugsRepairThe,
      minutes: 20,
      price: 10,
    },
    ...loads.map((load, i) => ({
      id: `load-${i + 1}`,
      name: load.name,
      repair: say.replaceLoadName(load.name.toLowerCase()),
      minutes: 30,
      price: 60,
    })),
  ];
  const parts = [
    {
      id: "outlet",
      kind: "outlet",
      name: say.outlet,
      piece: "house",
      at: { line: "plug-L", neutral: "plug-N", earth: "plug-E" },
    },
    {
      id: "cord",
      kind: "cord",
      name: say.powerCord,
      piece: "cord",
      at: {
        "line-pin": "plug-L",
        "neutral-pin": "plug-N",
        "earth-pin": "plug-E",
        line: `${entry}-L`,
        neutral: `${entry}-N`,
        earth: "chassis",
      },
    },
    ...(quick.filter
      ? [
          {
            id: "filter",
            kind: "line filter",
            name: say.lineFilter,
            piece: "filter",
            at: {
              "line-in": "filter-in-L",
              "neutral-in": "filter-in-N",
              line: "board-L",
              neutral: "board-N",
              earth: "chassis",
            },
          },
        ]
      : []),
    ...(quick.fuse
      ? [{ id: "fuse", kind: "fuse", name: say.fuse, piece: "fuse", amps: 15, at: { a: "board-L", b: "fused-L" } }]
      : []),
    {
      id: "supply",
      kind: "switched supply",
      name: say.boardSupply,
      piece: "board",
      volts: 12,
      startVolts: volts * 0.65,
      limitAmps: 2,
      yFarads: 1e-9,
      at: {
        line: boardL,
        neutral: "board-N",
        "bulk-plus": "bulk-P",
        "bulk-minus": "bulk-N",
        out: "rail",
        return: "gnd",
      },
    },
    {
      id: "logic",
      kind: "controller",
      name: say.boardLogic,
      piece: "board",
      rail: { min: 9, max: 15 },
      loadOhms: 200,
      outputs: Object.fromEntries(
        loads.map((_, i) => [`out${i + 1}`, { does: "sinks", ohms: 5, when: { mode: "run" } }]),
      ),
      at: {
        rail: "rail",
        return: "gnd",
        ...Object.fromEntries(loads.map((_, i) => [`out${i + 1}`, `drive-${i + 1}`])),
      },
    },
    ...loads.map((load, i) => ({
      id: `relay-${i + 1}`,
      kind: "relay",
      name: say.relayForLoadName(load.name.toLowerCase()),
      piece: "board",
      coilVolts: 12,
      coilOhms: 400,
      contactAmps: 16,
      at: { "coil-a": "rail", "coil-b": `drive-${i + 1}`, common: boardL, make: `out-${i + 1}` },
    })),
    ...loads.map((load, i) => loadPart(load, i + 1, volts)),
  ];
  const wires = [
    ...loads.map((load, i) => ({
      id: `wire-${i + 1}`,
      name: say.feedToLoadName(load.name.toLowerCase()),
      piece: "wiring",
      from: `out-${i + 1}`,
      to: `load-${i + 1}-L`,
    })),
    { id: "wire-N", name: say.neutralToTheLoads, piece: "wiring", from: "board-N", to: "load-N" },
  ];
  const points = [
    { id: "plug-line", name: say.plugLinePin, net: "plug-L" },
    { id: "plug-neutral", name: say.plugNeutralPin, net: "plug-N" },
    { id: "plug-earth", name: say.plugEarthPin, net: "plug-E" },
    { id: "chassis", name: say.chassis, net: "chassis" },
    ...(quick.filter
      ? [
          { id: "filter-line", name: say.filterLineIn, net: "filter-in-L", panel: "cover" },
          { id: "filter-neutral", name: say.filterNeutralIn, net: "filter-in-N", panel: "cover" },
        ]
      : []),
    { id: "board-in-L", name: say.boardInLine, net: "board-L", panel: "cover" },
    { id: "board-in-N", name: say.boardInNeutral, net: "board-N", panel: "cover" },
    ...(quick.fuse ? [{ id: "fuse-out", name: say.fuseBoardEnd, net: "fused-L", panel: "cover" }] : []),
    ...loads.flatMap((load, i) => [
      { id: `out-${i + 1}`, name: say.relayOutLoadName(load.name.toLowerCase()), net: `out-${i + 1}`, panel: "cover" },
      { id: `load-${i + 1}-feed`, name: say.loadNameFeedTerminal(load.name), net: `load-${i + 1}-L`, panel: "cover" },
    ]),
    { id: "load-neutral", name: say.loadsNeutralTerminal, net: "load-N", panel: "cover" },
  ];
  const front = [
    { box: "Outlet", parts: ["outlet"] },
    { at: ["plug-line", "plug-neutral"] },
    { box: "Cord", parts: ["cord"] },
    ...(quick.filter
      ? [{ at: ["filter-line", "filter-neutral"] }, { box: "Filter", parts: ["filter"], panel: "cover" }]
      : []),
    { at: ["board-in-L", "board-in-N"] },
    ...(quick.fuse ? [{ box: "Fuse", parts: ["fuse"], panel: "cover" }, { at: ["fuse-out", "board-in-N"] }] : []),
  ];
  const paths = loads.map((load, i) => ({
    id: `to-${i + 1}`,
    name: say.fromPlugTo(load.name.toLowerCase()),
    stages: [
      ...front,
      { box: "Board", parts: ["supply", "logic", `relay-${i + 1}`], panel: "cover" },
      { at: [`out-${i + 1}`, "board-in-N"] },
      { box: "Wiring", parts: [`wire-${i + 1}`, "wire-N"] },
      { at: [`load-${i + 1}-feed`, "load-neutral"] },
      { box: load.name, parts: [`load-${i + 1}`], panel: "cover" },
    ],
  }));
  return machineFileSchema.parse({
    format: 1,
    id: quick.id,
    revision: "1",
    maker: say.noFile,
    model: quick.name,
    name: quick.name,
    family: quick.family,
    supply: { volts, hertz: quick.hertz, percent: 6 },
    cautions: [say.drawnAtTheDoorThe],
    panels: [{ id: "cover", name: say.cover, minutes: 5, tools: [] }],
    pieces: assemblies,
    parts,
    wires,
    points,
    references: [
      {
        name: "neutral",
        points: ["plug-neutral", "board-in-N", "load-neutral", ...(quick.filter ? ["filter-neutral"] : [])],
      },
      { name: "chassis", points: ["chassis", "plug-earth"] },
    ],
    setups: [
      {
        id: "asked",
        name: say.pluggedInAskedToRun,
        power: "on",
        how: say.plugInAndStartIt,
      },
      { id: "unplugged", name: say.unplugged, power: "off", how: say.pullThePlugWaitOne },
    ],
    paths,
    complaints: [
      ...loads.map((load, i) => ({
        id: `no-${i + 1}`,
        words: say.doesNotWork(load.name),
        setup: "asked",
        path: `to-${i + 1}`,
        sees: SILENT[load.kind] === null ? {} : { [`load-${i + 1}`]: SILENT[load.kind] },
      })),
      {
        id: "dead",
        words: say.nothingWorks,
        setup: "asked",
        path: "to-1",
        sees: Object.fromEntries(
          loads.flatMap((load, i) => (SILENT[load.kind] === null ? [] : [[`load-${i + 1}`, SILENT[load.kind]]])),
        ),
      },
      { id: "check-over", words: say.toBeChecked, setup: "asked", path: "to-1" },
    ],
  });
}

/** One spot between plug and load, and what is expected there. */
export interface Checkpoint {
  readonly name: string;
  readonly expect: string;
}

/**
 * The checkpoints to one load (numbered from 1), in order, before anything is simulated: mains at each, then the
 * load's current.
 */
export function checkpointsTo(quick: QuickMachine, load: number): readonly Checkpoint[] {
  const { supply, paths, points } = quickMachine(quick);
  const chosen = quick.loads[load - 1]!;
  const [low, high] = [1 - supply.percent / 100, 1 + supply.percent / 100].map((share) =>
    decimal(supply.volts * share),
  );
  return [
    ...paths[load - 1]!.stages.flatMap((s) =>
      "at" in s ? [{ name: points.find((p) => p.id === s.at[0])!.name, expect: `${low} to ${high} V AC` }] : [],
    ),
    { name: `${chosen.name}, running`, expect: `about ${decimal(chosen.watts / supply.volts)} A` },
  ];
}
