import { assembly } from "./assembly";
import { plainNumber } from "../../quantity";
import { machineFileSchema, type MachineFile } from "../schema";
import { codesOf } from "./quick-codes";
import { faceBoard, linksOf, logicBoard } from "./quick-board";
import { setupsOf, stageOf, stagesOf } from "./quick-stages";
import type { QuickKind } from "./quick-load";
import { type Entry, ONE_BOARD, type QuickHeld, type QuickMachine } from "./quick-machine";
import { partsOf, startId, wiresOf } from "./quick-parts";
import { backPoint, outputTest, pathsOf, pointsOf, referencesOf } from "./quick-points";
import { isMains, lineVolts } from "./quick-supply";
import {
  coilGuardId,
  furtherLines,
  guardId,
  guardsOf,
  isDirect,
  railVolts,
  type Run,
  runsOf,
  switchingId,
  transformerVolts,
} from "./quick-wiring";
import { say } from "#words/core/model/quick/quick-machine";

/** The joints of a board that was looked at through the door. */
function jointsOf({ screws, clips, ribbon, plugs }: QuickHeld) {
  return [
    ...(ribbon ? [{ kind: "ribbon", count: 1 }] : []),
    ...(plugs > 0 ? [{ kind: "plug", count: plugs }] : []),
    ...(screws ? [{ kind: "screw", count: 1 }] : []),
    ...(clips ? [{ kind: "clip", count: 1 }] : []),
  ];
}

/** What a load is seen to do when it does not work; null for one that shows nothing. */
const SILENT: Readonly<Record<QuickKind, string | null>> = {
  heater: null,
  lamp: "dark",
  compressor: "silent",
  motor: "still",
  "three-phase motor": "still",
  fan: "silent",
  pump: "silent",
  valve: "shut",
  solenoid: "rests",
  "gas valve": "no flame",
  contactor: "at rest",
  "door lock": "free",
};

/** What must have been seen before the board is blamed. */
function boardProofs(quick: QuickMachine, runs: readonly Run[]) {
  const volts = isDirect(quick) ? "dcv" : "acv";
  return [
    {
      of: "feed",
      words: isMains(quick.supply) ? say.mainsReachesTheBoardLine : say.itsFeedReachesTheBoard,
      any: [{ setup: stagesOf(quick)[0]!.id, function: volts, red: "board-in-L", black: "board-in-N" }],
      shows: "good",
    },
    ...requestProofs(quick),
    {
      of: "load",
      words: say.theLoadsBehindItAre,
      any: runs.map((r) => ({ setup: "unplugged", function: "ohms", red: `${r.id}-feed`, black: backPoint(quick, r) })),
      shows: "good",
    },
    {
      of: "output",
      words: say.aRelayOutputIsWrong,
      any: runs.flatMap((r) => (r.switched ? [{ setup: stageOf(quick, r).id, ...outputTest(quick, r) }] : [])),
      shows: "bad",
    },
  ];
}

/** What stops loads tells the board the truth: each such switch read at the board's own pin. */
function requestProofs(quick: QuickMachine) {
  const { sensors = [] } = quick;
  const ground = isDirect(quick) ? "board-in-N" : "ground";
  return sensors.flatMap((s, k) => {
    const stage = stagesOf(quick).find((at) => at.asks.some((i) => s.stops.includes(i)));
    if (!stage) return [];
    const test = { setup: stage.id, function: "dcv", red: `in-${k + 1}`, black: ground };
    return [{ of: "request", words: say.tellsItTheTruth(s.name), any: [test], shows: "good" }];
  });
}

/** What is replaced in such a machine. */
function assembliesOf(quick: QuickMachine, runs: readonly Run[]): readonly Entry[] {
  const { boards = ONE_BOARD, held } = quick;
  const joints = held ? { joints: jointsOf(held) } : {};
  return [
    feedAssembly(quick),
    ...(isMains(quick.supply) ? [assembly("cord", say.powerCord, say.replaceTheCord, 15, 18)] : []),
    ...(quick.filter ? [assembly("filter", say.lineFilter, say.replaceTheFilter, 15, 25)] : []),
    ...(quick.fuse ? [assembly("fuse", say.fuse, say.findWhatBlewItThen, 6, 2)] : []),
    ...(transformerVolts(quick) === null
      ? []
      : [assembly("transformer", say.transformer, say.replaceTransformer, 20, 30)]),
    assembly("board", boards.count === 3 ? say.relayBoard : say.board, say.replaceTheBoard, 25, 150, {
      ...joints,
      board: "yes",
      proofs: boardProofs(quick, runs),
    }),
    ...(boards.count === 3
      ? [
          assembly(logicBoard(quick), say.logicBoard, say.replaceTheLogicBoard, 25, 140),
          assembly("link-plug", say.linkPlug, say.cleanThePlugsRepairThe, 10, 3),
        ]
      : []),
    ...(boards.count > 1
      ? [
          assembly(faceBoard(quick), say.displayBoard, say.replaceTheDisplayBoard, 20, 90),
          assembly("face-plug", say.displayPlug, say.cleanThePlugsRepairThe, 10, 3),
        ]
      : []),
    assembly("wiring", say.wiringAndPlugsToThe, say.cleanThePlugsRepairThe, 20, 10),
    ...runs.flatMap((r) => loadAssemblies(r)),
    ...(quick.inLine ?? []).map((guard, k) =>
      assembly(`line-guard-${k + 1}`, guard.name, say.findWhyThenReplace(guard.name.toLowerCase()), 20, 15),
    ),
    ...(quick.sensors ?? []).flatMap((s, i) =>
      s.kind === "lock contact"
        ? []
        : [assembly(`sensor-${i + 1}`, s.name, say.replaceLoadName(s.name.toLowerCase()), 15, 15)],
    ),
  ];
}

function feedAssembly({ supply }: QuickMachine): Entry {
  if (supply.kind === "battery")
    return { id: "house", name: say.battery, repair: say.chargeOrReplaceTheBattery, minutes: 10, price: 90 };
  if (supply.kind === "low-voltage")
    return { id: "house", name: say.feedFromOutside, repair: say.mendTheFeed, minutes: 15, price: 40 };
  return {
    id: "house",
    name: say.houseWiring,
    repair: say.handOverToAnElectrician,
    minutes: 10,
    price: 0,
    licensed: "yes",
  };
}

/** A load, what switches it, what lies in its lead and what starts it. */
function loadAssemblies({ n, id, load, by }: Run): readonly Entry[] {
  const of = load.name.toLowerCase();
  const guard = (at: string, name: string) => ({
    id: at,
    name: say.guardOf(name, of),
    repair: say.findWhyThenReplace(name.toLowerCase()),
    minutes: 20,
    price: 15,
  });
  return [
    {
      id,
      name: load.name,
      repair: say.replaceLoadName(of),
      minutes: 30,
      price: 60,
      ...(load.kind === "gas valve" ? { licensed: "yes" } : {}),
    },
    ...guardsOf(load).map((g, k) => guard(guardId(n, k + 1), g.name)),
    ...(load.start ?? []).map((s) => ({
      id: startId(id, s),
      name: say.guardOf(say.startPart[s], of),
      repair: say.replaceLoadName(say.startPart[s].toLowerCase()),
      minutes: 15,
      price: 15,
    })),
    ...(by?.first
      ? [
          {
            id: switchingId(n),
            name: say.guardOf(load.by!.name, of),
            repair: say.replaceLoadName(load.by!.name.toLowerCase()),
            minutes: 20,
            price: 35,
          },
          ...load.by!.through.map((g, k) => guard(coilGuardId(n, k + 1), g.name)),
        ]
      : []),
  ];
}

/** What is complained of: each load, all of them, nothing. */
function complaintsOf(quick: QuickMachine, runs: readonly Run[]) {
  const { now = null } = quick.face ?? {};
  const lit = quick.face?.kind === "lamp" ? "steady" : "lit";
  const face = now === null ? {} : { face: now === "lit" ? lit : "dark" };
  const first = stagesOf(quick)[0]!;
  const seen = (r: Run) => (SILENT[r.load.kind] === null ? {} : { [r.id]: SILENT[r.load.kind] });
  return [
    ...runs.map((r) => ({
      id: `no-${r.n}`,
      words: say.doesNotWork(r.load.name),
      setup: stageOf(quick, r).id,
      path: `to-${r.n}`,
      sees: { ...face, ...seen(r) },
    })),
    {
      id: "dead",
      words: say.nothingWorks,
      setup: first.id,
      path: "to-1",
      sees: { ...face, ...Object.assign({}, ...first.asks.map((i) => seen(runs[i]!))) },
    },
    ...codeComplaints(quick),
    { id: "check-over", words: say.toBeChecked, setup: first.id, path: "to-1", sees: face },
  ];
}

/** What it shows by itself. */
function codeComplaints(quick: QuickMachine): readonly Entry[] {
  return codesOf(quick).map(({ id, shows, lock }) => ({
    id: `shows-${id.toLowerCase()}`,
    words: say.itShows(shows),
    setup: lock === null ? stagesOf(quick)[0]!.id : stageOf(quick, lock).id,
    path: lock === null ? "to-1" : `to-${lock.n}`,
    sees: { face: shows },
  }));
}

const hasDoor = (quick: QuickMachine, runs: readonly Run[]) =>
  [
    ...runs.flatMap((r) => [...guardsOf(r.load), ...(r.load.by?.through ?? [])]),
    ...(quick.inLine ?? []),
    ...(quick.sensors ?? []),
    ...quick.loads,
  ].some((g) => g.kind === "door switch" || g.kind === "door lock");

/**
 * A machine file from what is known at the door: what it hangs on, its boards as blocks (a supply, a logic that asks for
 * every load, a relay, transistor or pin for each), what lies in each lead, the loads.
 */
export function quickMachine(quick: QuickMachine): MachineFile {
  const runs = runsOf(quick);
  const { supply } = quick;
  return machineFileSchema.parse({
    format: 1,
    id: quick.id,
    revision: "1",
    maker: say.noFile,
    model: quick.name,
    name: quick.name,
    family: quick.family,
    supply: { volts: supply.volts, hertz: supply.hertz, percent: 6 },
    cautions: [
      say.drawnAtTheDoorThe,
      ...(runs.some((r) => r.load.kind === "gas valve") ? [say.smellOfGas] : []),
      ...(furtherLines(quick).length > 0 ? [say.twoLinesStayLive] : []),
    ],
    doors: hasDoor(quick, runs) ? [{ id: "door", name: say.door }] : [],
    panels: [{ id: "cover", name: say.cover, minutes: 5, tools: [] }],
    pieces: assembliesOf(quick, runs),
    parts: partsOf(quick),
    wires: wiresOf(quick),
    connectors: linksOf(quick, runs),
    points: pointsOf(quick),
    references: referencesOf(quick),
    setups: setupsOf(quick),
    paths: pathsOf(quick),
    complaints: complaintsOf(quick, runs),
  });
}

/** One spot between plug and load, and what is expected there. */
export interface Checkpoint {
  readonly name: string;
  readonly expect: string;
}

/**
 * The checkpoints to one load (numbered from 1), in order, before anything is simulated: what it is fed with at each,
 * then the load's current.
 */
export function checkpointsTo(quick: QuickMachine, load: number): readonly Checkpoint[] {
  const { paths, points, connectors } = quickMachine(quick);
  const run = runsOf(quick)[load - 1]!;
  const names = new Map<string, string>([
    ...points.map((p) => [p.id, p.name] as const),
    ...connectors.flatMap((c) =>
      c.pins.flatMap((p) =>
        [c.near, c.far].map(
          (side) => [`${c.id}-${p.pin}${side.suffix}`, say.pinOf(c.name, p.pin, side.words)] as const,
        ),
      ),
    ),
  ]);
  return [
    ...paths[load - 1]!.stages.flatMap((s) =>
      "at" in s && s.at[0] !== undefined ? [{ name: names.get(s.at[0])!, expect: expected(quick, run, s.at) }] : [],
    ),
    { name: say.running(run.load.name), expect: say.aboutAmps(plainNumber(run.load.watts / run.volts)) },
  ];
}

/**
 * What should stand at a checkpoint: the feed up to the board; its coil's or its input's volts up to a contactor or a
 * solid-state relay; behind that what the load is made for.
 */
function expected(quick: QuickMachine, run: Run, at: readonly string[]): string {
  const own = feedAt(quick, run, at[0]!);
  const [low, high] = [0.94, 1.06].map((share) => plainNumber(own.volts * share));
  return say.expectVolts(low!, high!, own.current === "dc" ? "DC" : "AC");
}

function feedAt(
  quick: QuickMachine,
  run: Run,
  point: string,
): { readonly volts: number; readonly current: "ac" | "dc" } {
  const { supply } = quick;
  const feed = { volts: lineVolts(supply), current: isDirect(quick) ? ("dc" as const) : ("ac" as const) };
  if (/^(?:plug|filter|board-in|fuse|line-guard)/.test(point)) return feed;
  const transformer = transformerVolts(quick);
  if (point === "transformer-a" && transformer !== null) return { volts: transformer, current: "ac" };
  const rail = { volts: railVolts(quick), current: "dc" as const };
  if (point.startsWith("link")) return rail;
  const by = run.load.by;
  const isBefore = by !== undefined && /^(?:out-|rail|coil-guard|switch-\d+-(?:coil|plus))/.test(point);
  if (!isBefore) return run;
  if (!by.coil) return rail;
  return { volts: by.coil.volts, current: by.coil.from === "board" ? "dc" : feed.current };
}
