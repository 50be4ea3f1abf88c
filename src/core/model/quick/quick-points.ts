import { type Entry, ONE_BOARD, type QuickMachine } from "./quick-machine";
import { sensorNet, startId } from "./quick-parts";
import { isMains } from "./quick-supply";
import {
  coilGuardId,
  coilGuardNet,
  furtherLines,
  furtherRails,
  guardId,
  guardNet,
  guardsOf,
  isDirect,
  isSerial,
  netsOf,
  railVolts,
  type Run,
  runsOf,
  transformerVolts,
} from "./quick-wiring";
import { say } from "#words/core/model/quick/quick-machine";

/** Whether one probes the rails of the board: where something outside it hangs on them. */
function showsRails(quick: QuickMachine): boolean {
  if (isDirect(quick)) return false;
  const { boards = ONE_BOARD, sensors = [], loads } = quick;
  const isOnRail = loads.some(
    (l) => l.feed?.from === "board" || l.by?.coil?.from === "board" || (l.by?.coil === undefined && l.by),
  );
  return boards.count > 1 || sensors.length > 0 || isOnRail;
}

/** Where a probe can be put. */
export function pointsOf(quick: QuickMachine): readonly Entry[] {
  const runs = runsOf(quick);
  const inside = (id: string, name: string, net: string) => ({ id, name, net, panel: "cover" });
  const needsNeutral =
    runs.some((r) => r.back === netsOf(quick).back) || runs.some((r) => r.load.by?.coil?.from === "line");
  return [
    ...(isMains(quick.supply) ? plugPoints(quick) : []),
    ...(quick.filter
      ? [
          inside("filter-line", say.filterLineIn, "filter-in-L"),
          inside("filter-neutral", say.filterNeutralIn, "filter-in-N"),
        ]
      : []),
    inside("board-in-L", isMains(quick.supply) ? say.boardInLine : say.boardInPlus, "board-L"),
    inside("board-in-N", isMains(quick.supply) ? say.boardInNeutral : say.boardInMinus, "board-N"),
    ...furtherLines(quick).map((l) => inside(`board-in-${l}`, say.boardInOf(l), `board-${l}`)),
    ...(!isMains(quick.supply) && hasCase(quick) ? [inside("chassis", say.chassis, "chassis")] : []),
    ...(quick.fuse ? [inside("fuse-out", say.fuseBoardEnd, "fused-L")] : []),
    ...(quick.inLine ?? []).map((g, k) =>
      inside(`line-guard-${k + 1}-out`, say.behind(g.name.toLowerCase()), lineGuardOut(quick, k)),
    ),
    ...(transformerVolts(quick) === null
      ? []
      : [inside("transformer-a", say.secondary(1), "low-a"), inside("transformer-b", say.secondary(2), "low-b")]),
    ...(showsRails(quick)
      ? [
          inside("rail", say.railOf(railVolts(quick)), "rail"),
          ...furtherRails(quick).map((v, i) => inside(`rail-${i + 2}`, say.railOf(v), `rail-${i + 2}`)),
          inside("ground", say.boardGround, "gnd"),
        ]
      : []),
    ...runs.flatMap((run) => runPoints(run)),
    ...(needsNeutral
      ? [inside("load-neutral", isMains(quick.supply) ? say.loadsNeutralTerminal : say.loadsReturnTerminal, "load-N")]
      : []),
    ...(quick.sensors ?? []).flatMap((s, i) => [
      inside(`in-${i + 1}`, say.boardPinOf(s.name.toLowerCase()), `in-${i + 1}`),
      inside(`sensor-${i + 1}-at`, say.terminalOf(s.name), sensorNet(i + 1)),
    ]),
    ...((quick.boards ?? ONE_BOARD).count === 1 && quick.face?.kind === "display"
      ? [inside("told", say.dataToTheDisplay, "told")]
      : []),
  ];
}

/** Whether anything in it has a case to leak to. */
const hasCase = ({ loads }: QuickMachine) => loads.some((l) => l.kind === "heater" || l.kind === "motor");

const lineGuardOut = ({ inLine = [] }: QuickMachine, k: number) =>
  k === inLine.length - 1 ? "line-L" : `line-guard-${k + 2}-in`;

function plugPoints(quick: QuickMachine): readonly Entry[] {
  return [
    { id: "plug-line", name: say.plugLinePin, net: "plug-L" },
    ...furtherLines(quick).map((l) => ({ id: `plug-${l}`, name: say.plugPinOf(l), net: `plug-${l}` })),
    { id: "plug-neutral", name: say.plugNeutralPin, net: "plug-N" },
    { id: "plug-earth", name: say.plugEarthPin, net: "plug-E" },
    { id: "chassis", name: say.chassis, net: "chassis" },
  ];
}

/** The points of one load: behind what switches it, along its lead, at its terminals. */
function runPoints(run: Run): readonly Entry[] {
  const { n, id, load, by, switched } = run;
  const name = load.name.toLowerCase();
  const inside = (point: string, words: string, net: string) => ({ id: point, name: words, net, panel: "cover" });
  const outWords = switched?.kind === "relay" ? say.relayOutLoadName(name) : say.boardOutLoadName(name);
  return [
    ...(switched ? [inside(`out-${n}`, outWords, switched.to)] : []),
    ...(by ? switchingPoints(run) : []),
    ...guardsOf(load).map((g, k) => inside(guardNet(n, k + 1), say.boardEndOf(g.name, name), guardNet(n, k + 1))),
    inside(`${id}-feed`, say.loadNameFeedTerminal(load.name), `${id}-L`),
    ...(switched?.kind === "transistor" ? [inside(`${id}-minus`, say.minusTerminalOf(load.name), run.back)] : []),
    ...(load.kind === "three-phase motor"
      ? [2, 3].map((k) => inside(`${id}-L${k}`, say.leadOfMotor(load.name, k), `${id}-L${k}`))
      : []),
    ...(load.kind === "contactor"
      ? [
          inside(`${id}-in`, say.contactIn(load.name), `${id}-in`),
          inside(`${id}-made`, say.contactOut(load.name), `${id}-made`),
        ]
      : []),
    ...(load.start ?? []).flatMap((start) => startPoints(run, start)),
  ];
}

function startPoints({ id, load }: Run, start: string): readonly Entry[] {
  const inside = (point: string, words: string, net: string) => ({ id: point, name: words, net, panel: "cover" });
  if (start === "overload") return [inside(`${id}-common`, say.commonOf(load.name), `${id}-C`)];
  if (start === "start capacitor") return [inside(`${id}-between`, say.betweenPtcAndCapacitor, `${id}-X`)];
  const firstAtStart = (load.start ?? []).find((s) => s === "ptc" || s === "run capacitor");
  return start === firstAtStart ? [inside(`${id}-start`, say.startTerminalOf(load.name), `${id}-S`)] : [];
}

function switchingPoints({ load, by, out, n }: Run): readonly Entry[] {
  const inside = (point: string, words: string, net: string) => ({ id: point, name: words, net, panel: "cover" });
  const of = load.name.toLowerCase();
  const name = load.by!.name;
  const outs =
    load.kind === "three-phase motor"
      ? [1, 2, 3].map((k) => inside(`${by!.id}-out-${k}`, say.contactOutOf(name, k), `${by!.id}-out-${k}`))
      : [inside(out, say.switchingOut(name, of), out)];
  if (!by!.first) return load.by!.kind === "contactor" ? outs : [];
  if (load.by!.kind === "solid-state relay")
    return [
      inside(`${by!.id}-plus`, say.inputPlus(name), `${by!.id}-plus`),
      inside(`${by!.id}-minus`, say.inputMinus(name), `${by!.id}-minus`),
      ...outs,
    ];
  return [
    ...load.by!.through.map((g, k) =>
      inside(coilGuardNet(n, k + 1), say.boardEndOf(g.name, name.toLowerCase()), coilGuardNet(n, k + 1)),
    ),
    inside(`${by!.id}-coil`, say.coilOf(name), `${by!.id}-coil`),
    ...outs,
  ];
}

/** The point at a load's other end. */
export function backPoint(quick: QuickMachine, run: Run): string {
  if (run.load.kind === "three-phase motor") return `${run.id}-L2`;
  if (run.switched?.kind === "transistor") return `${run.id}-minus`;
  if (run.back === "low-b") return "transformer-b";
  return run.back === netsOf(quick).back ? "load-neutral" : "board-in-L2";
}

/** What the second probe lies on where the board's own side of a feed is looked at. */
function returnPoint(quick: QuickMachine, run: Run): string {
  const coil = run.load.by?.coil;
  if (coil) {
    if (coil.from === "transformer") return "transformer-b";
    return coil.from === "board" && !isDirect(quick) ? "ground" : "board-in-N";
  }
  if (run.back === "low-b") return "transformer-b";
  return run.back === "board-L2" ? "board-in-L2" : "board-in-N";
}

/** What is measured at the board's own output for a load. */
export function outputTest(
  quick: QuickMachine,
  run: Run,
): { readonly function: "acv" | "dcv"; readonly red: string; readonly black: string } {
  const own = `out-${run.n}`;
  const { kind } = run.switched!;
  const rail = isDirect(quick) ? railPoint(quick) : "rail";
  if (kind === "pin") return { function: "dcv", red: rail, black: own };
  if (kind === "transistor") return { function: "dcv", red: railOfRun(quick, run), black: own };
  const coil = run.load.by?.coil;
  const isDc = isDirect(quick) || coil?.from === "board";
  return { function: isDc ? "dcv" : "acv", red: own, black: returnPoint(quick, run) };
}

const railPoint = (quick: QuickMachine) => (quick.fuse ? "fuse-out" : "board-in-L");
const railOfRun = (quick: QuickMachine, { out }: Run) => (isDirect(quick) ? railPoint(quick) : out);

/** Points that one measures against. */
export function referencesOf(quick: QuickMachine): readonly Entry[] {
  const runs = runsOf(quick);
  const mains = isMains(quick.supply);
  const points = new Set(pointsOf(quick).map((p) => String(p.id)));
  const known = (ids: readonly string[]) => ids.filter((p) => points.has(p));
  const minus = known(["plug-neutral", "board-in-N", "load-neutral", "filter-neutral"]);
  return [
    { name: mains ? say.neutral : say.minus, points: minus },
    ...furtherLines(quick).map((l) => ({ name: say.lineNamed(l), points: known([`plug-${l}`, `board-in-${l}`]) })),
    ...(points.has("ground") ? [{ name: say.boardGround, points: ["ground"] }] : []),
    ...(points.has("transformer-b") ? [{ name: say.transformer, points: ["transformer-b"] }] : []),
    ...(runs.some((r) => r.switched?.kind === "transistor")
      ? [{ name: say.minusOfLoads, points: runs.flatMap((r) => known([`${r.id}-minus`])) }]
      : []),
    ...(points.has("chassis") ? [{ name: say.chassis, points: known(["chassis", "plug-earth"]) }] : []),
  ];
}

/** From the plug to each load. */
export function pathsOf(quick: QuickMachine): readonly Entry[] {
  const runs = runsOf(quick);
  const mains = isMains(quick.supply);
  const pair = quick.supply.kind;
  const lines = furtherLines(quick).map((l) => `cord-${l}`);
  const front: Entry[] = [
    { box: mains ? "Outlet" : "Feed", parts: ["outlet"] },
    ...(mains ? [{ at: ["plug-line", "plug-neutral"] }, { box: "Cord", parts: ["cord", ...lines] }] : []),
    ...(quick.filter
      ? [{ at: ["filter-line", "filter-neutral"] }, { box: "Filter", parts: ["filter"], panel: "cover" }]
      : []),
    { at: ["board-in-L", "board-in-N"] },
    ...(quick.fuse ? [{ box: "Fuse", parts: ["fuse"], panel: "cover" }, { at: ["fuse-out", "board-in-N"] }] : []),
    ...(quick.inLine ?? []).flatMap((g, k) => [
      { box: g.name, parts: [`line-guard-${k + 1}`], panel: "cover" },
      { at: [`line-guard-${k + 1}-out`, "board-in-N"] },
    ]),
    ...(transformerVolts(quick) === null || pair === "battery"
      ? []
      : [{ box: "Transformer", parts: ["transformer"], panel: "cover" }, { at: ["transformer-a", "transformer-b"] }]),
  ];
  return runs.map((run) => ({
    id: `to-${run.n}`,
    name: say.fromPlugTo(run.load.name.toLowerCase()),
    stages: [...front, ...boardStages(quick, runs, run), ...leadStages(quick, runs, run)],
  }));
}

/** The boards between the feed and what switches a load. */
function boardStages(quick: QuickMachine, runs: readonly Run[], run: Run): readonly Entry[] {
  const first = firstOf(runs, run);
  const own = { relay: `relay-${first.n}`, transistor: `driver-${first.n}`, pin: null }[first.switched!.kind];
  const supply = [...(isMains(quick.supply) ? [] : ["rectifier"]), "supply"].filter(() => !isDirect(quick));
  const further = furtherRails(quick).map((_, i) => `supply-${i + 2}`);
  if ((quick.boards ?? ONE_BOARD).count < 3)
    return [{ box: "Board", parts: [...supply, ...further, "logic", ...(own ? [own] : [])], panel: "cover" }];
  return [
    ...(supply.length > 0 ? [{ box: "Relay board", parts: [...supply, ...further], panel: "cover" }] : []),
    { at: ["link-1.pad", "link-2.pad"] },
    { box: "Link", parts: ["link-1", "link-2"], panel: "cover" },
    { at: ["link-1", "link-2"] },
    { box: "Logic board", parts: ["logic"], panel: "cover" },
    ...(own ? [{ box: "Relay", parts: [...(isSerial(quick, runs) ? ["listener"] : []), own], panel: "cover" }] : []),
  ];
}

/** The run that has what the board switches, for one of a group. */
const firstOf = (runs: readonly Run[], run: Run): Run =>
  run.switched ? run : runs.find((r) => r.switched && r.by?.id === run.by?.id)!;

/** From the board's output to the load. */
function leadStages(quick: QuickMachine, runs: readonly Run[], run: Run): readonly Entry[] {
  const { n, id, load } = run;
  const back = backPoint(quick, run);
  const wires = [
    `wire-${n}`,
    ...(run.switched?.kind === "transistor" ? [`back-${n}`] : []),
    ...(load.kind === "three-phase motor" ? [`wire-${n}-L2`, `wire-${n}-L3`] : []),
    ...(run.back === netsOf(quick).back && load.kind !== "three-phase motor" ? ["wire-N"] : []),
  ];
  return [
    ...(run.by ? switchingStages(quick, firstOf(runs, run), run) : [outputStage(quick, run)]),
    { box: "Wiring", parts: wires },
    ...guardsOf(load).flatMap((guard, k) => [
      { at: [guardNet(n, k + 1), back] },
      { box: guard.name, parts: [guardId(n, k + 1)], panel: "cover" },
    ]),
    { at: [`${id}-feed`, back] },
    { box: load.name, parts: [id, ...(load.start ?? []).map((s) => startId(id, s))], panel: "cover" },
  ];
}

function outputStage(quick: QuickMachine, run: Run): Entry {
  const { red, black } = outputTest(quick, run);
  return { at: [red, black] };
}

function switchingStages(quick: QuickMachine, first: Run, run: Run): readonly Entry[] {
  const { red, black } = outputTest(quick, first);
  const { id } = run.by!;
  const back = returnPoint(quick, first);
  const own = first.load.by!;
  const behind = { at: [run.load.kind === "three-phase motor" ? `${id}-out-1` : run.out, backPoint(quick, run)] };
  if (own.kind === "solid-state relay")
    return [
      { at: [red, black] },
      { box: "Wiring", parts: [`${id}-wire-plus`, `${id}-wire`] },
      { at: [`${id}-plus`, `${id}-minus`] },
      { box: own.name, parts: [id], panel: "cover" },
      behind,
    ];
  return [
    { at: [red, black] },
    { box: "Wiring", parts: [`${id}-wire`] },
    ...own.through.flatMap((guard, k) => [
      { at: [coilGuardNet(first.n, k + 1), back] },
      { box: guard.name, parts: [coilGuardId(first.n, k + 1)], panel: "cover" },
    ]),
    { at: [`${id}-coil`, back] },
    { box: own.name, parts: [id], panel: "cover" },
    behind,
  ];
}
