import { decimal } from "../quantity";
import { type QuickGuard, type QuickLoad } from "./quick-loads";
import { machineFileSchema, type MachineFile } from "./schema";
import { say } from "#words/core/model/quick";

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

const guardsOf = ({ through = [] }: QuickLoad): readonly QuickGuard[] => through;
const guardId = (load: number, n: number) => `guard-${load}-${n}`;
/** The net on the board's side of a guard. */
const guardNet = (load: number, n: number) => `guard-${load}-${n}-in`;

/** What lies in the lead to a load, the n-th from the board. */
function guardPart({ name, kind }: QuickGuard, load: number, n: number, count: number): Record<string, unknown> {
  const id = guardId(load, n);
  const at = { a: guardNet(load, n), b: n === count ? `load-${load}-L` : guardNet(load, n + 1) };
  const common = { id, name, piece: id, at };
  switch (kind) {
    case "thermostat":
      return { ...common, kind, celsius: 90, place: id, closes: "below" };
    case "thermal cut-off":
      return { ...common, kind, opensAbove: 150, place: id, resets: /fuse/i.test(name) ? "never" : "by hand" };
    case "pressure switch":
      return { ...common, kind, place: id, above: 0.5 };
    case "door switch":
      return { ...common, kind, door: "door", closedWhen: "door closed" };
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

/** What is replaced in such a machine. */
function assembliesOf(quick: QuickMachine) {
  const { loads } = quick;
  return [
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
    ...loads.flatMap((load, i) =>
      guardsOf(load).map((guard, k) => ({
        id: guardId(i + 1, k + 1),
        name: say.guardOf(guard.name, load.name.toLowerCase()),
        repair: say.findWhyThenReplace(guard.name.toLowerCase()),
        minutes: 20,
        price: 15,
      })),
    ),
  ];
}

/** Where a probe can be put. */
function pointsOf(quick: QuickMachine) {
  const { loads } = quick;
  return [
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
      ...guardsOf(load).map((guard, k) => ({
        id: guardNet(i + 1, k + 1),
        name: say.boardEndOf(guard.name, load.name.toLowerCase()),
        net: guardNet(i + 1, k + 1),
        panel: "cover",
      })),
      { id: `out-${i + 1}`, name: say.relayOutLoadName(load.name.toLowerCase()), net: `out-${i + 1}`, panel: "cover" },
      { id: `load-${i + 1}-feed`, name: say.loadNameFeedTerminal(load.name), net: `load-${i + 1}-L`, panel: "cover" },
    ]),
    { id: "load-neutral", name: say.loadsNeutralTerminal, net: "load-N", panel: "cover" },
  ];
}

/** From the plug to each load. */
function pathsOf(quick: QuickMachine) {
  const { loads } = quick;
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
  return loads.map((load, i) => ({
    id: `to-${i + 1}`,
    name: say.fromPlugTo(load.name.toLowerCase()),
    stages: [
      ...front,
      { box: "Board", parts: ["supply", "logic", `relay-${i + 1}`], panel: "cover" },
      { at: [`out-${i + 1}`, "board-in-N"] },
      { box: "Wiring", parts: [`wire-${i + 1}`, "wire-N"] },
      ...guardsOf(load).flatMap((guard, k) => [
        { at: [guardNet(i + 1, k + 1), "load-neutral"] },
        { box: guard.name, parts: [guardId(i + 1, k + 1)], panel: "cover" },
      ]),
      { at: [`load-${i + 1}-feed`, "load-neutral"] },
      { box: load.name, parts: [`load-${i + 1}`], panel: "cover" },
    ],
  }));
}

/** What is complained of: each load, all of them, nothing. */
function complaintsOf(loads: readonly QuickLoad[]) {
  return [
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
    ...loads.flatMap((load, i) =>
      guardsOf(load).map((guard, k) => guardPart(guard, i + 1, k + 1, guardsOf(load).length)),
    ),
  ];
  const wires = [
    ...loads.map((load, i) => ({
      id: `wire-${i + 1}`,
      name: say.feedToLoadName(load.name.toLowerCase()),
      piece: "wiring",
      from: `out-${i + 1}`,
      to: guardsOf(load).length > 0 ? guardNet(i + 1, 1) : `load-${i + 1}-L`,
    })),
    { id: "wire-N", name: say.neutralToTheLoads, piece: "wiring", from: "board-N", to: "load-N" },
  ];
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
    doors: loads.some((l) => guardsOf(l).some((g) => g.kind === "door switch")) ? [{ id: "door", name: say.door }] : [],
    panels: [{ id: "cover", name: say.cover, minutes: 5, tools: [] }],
    pieces: assembliesOf(quick),
    parts,
    wires,
    points: pointsOf(quick),
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
        // What waits for a level or a pressure has it while it is asked to run.
        levels: Object.fromEntries(
          loads.flatMap((load, i) =>
            guardsOf(load).flatMap((guard, k) =>
              guard.kind === "pressure switch" ? [[guardId(i + 1, k + 1), 1]] : [],
            ),
          ),
        ),
      },
      { id: "unplugged", name: say.unplugged, power: "off", how: say.pullThePlugWaitOne },
    ],
    paths: pathsOf(quick),
    complaints: complaintsOf(loads),
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
