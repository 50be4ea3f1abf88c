import { type Entry, ONE_BOARD, type QuickMachine } from "./quick-machine";
import { isMains, lineVolts } from "./quick-supply";
import { toldBy } from "./quick-codes";
import { whenAsked, whenRunning } from "./quick-stages";
import {
  driven,
  FEED_PINS,
  furtherRails,
  heardBy,
  isDirect,
  isSerial,
  netsOf,
  railVolts,
  type Run,
} from "./quick-wiring";
import { say } from "#words/core/model/quick/quick-machine";

/** The board on which the relays sit, and the one of the logic: assemblies. */
export const POWER_BOARD = "board";
export const logicBoard = ({ boards = ONE_BOARD }: QuickMachine): string =>
  boards.count === 3 ? "logic-board" : "board";
export const faceBoard = (quick: QuickMachine): string =>
  (quick.boards ?? ONE_BOARD).count > 1 ? "face-board" : logicBoard(quick);

/** The net at which the relay, transistor or pin of a load is asked for, on the board of the relays. */
const driveNet = ({ switched, n }: Run) => (switched!.kind === "pin" ? switched!.to : `drive-${n}`);

/** The same at the logic's own pin. */
function askNet(quick: QuickMachine, runs: readonly Run[], run: Run): string {
  const isApart = (quick.boards ?? ONE_BOARD).count === 3 && run.switched!.kind !== "pin";
  if (!isApart || isSerial(quick, runs)) return driveNet(run);
  return `link-${FEED_PINS + 1 + linked(runs).indexOf(run)}`;
}

/** What goes over the link, one wire a load; a pin goes straight out of the logic. */
const linked = (runs: readonly Run[]) => driven(runs).filter((r) => r.switched!.kind !== "pin");

/** The boards, as blocks: what feeds them, a logic that asks for every load, what switches each. */
export function boardParts(quick: QuickMachine, runs: readonly Run[]): readonly Entry[] {
  return [
    ...supplyParts(quick),
    logicPart(quick, runs),
    ...(isSerial(quick, runs) ? [driverPart(quick, runs)] : []),
    ...driven(runs).flatMap((run) => switchParts(quick, run)),
    ...faceParts(quick),
  ];
}

/** What makes the rails; a machine on direct current runs its board on that. */
function supplyParts(quick: QuickMachine): readonly Entry[] {
  if (isDirect(quick)) return [];
  const { supply } = quick;
  const nets = netsOf(quick);
  const line = lineVolts(supply);
  const common = { piece: POWER_BOARD };
  const rail = railVolts(quick);
  if (!isMains(supply))
    return [
      {
        ...common,
        id: "rectifier",
        kind: "linear supply",
        name: say.boardRectifier,
        volts: 1.4 * supply.volts,
        at: { "in-a": nets.fused, "in-b": "board-N", out: "raw", return: nets.ground },
      },
      {
        ...common,
        id: "supply",
        kind: "regulator",
        name: say.boardSupply,
        volts: rail,
        dropoutVolts: 2,
        at: { in: "raw", out: nets.rail, return: nets.ground },
      },
    ];
  const made = (id: string, name: string, volts: number, out: string, bulk: string) => ({
    ...common,
    id,
    kind: "switched supply",
    name,
    volts,
    startVolts: line * 0.65,
    limitAmps: limitAmps(quick, volts),
    yFarads: 1e-9,
    at: {
      line: nets.fused,
      neutral: "board-N",
      "bulk-plus": `${bulk}-P`,
      "bulk-minus": `${bulk}-N`,
      out,
      return: nets.ground,
    },
  });
  return [
    made("supply", say.boardSupply, rail, nets.rail, "bulk"),
    ...furtherRails(quick).map((volts, i) =>
      made(`supply-${i + 2}`, say.furtherSupply(volts), volts, `rail-${i + 2}`, `bulk-${i + 2}`),
    ),
  ];
}

/** A supply bears twice what hangs on it, at least 2 A. */
function limitAmps({ loads }: QuickMachine, volts: number): number {
  const watts = loads.reduce((sum, l) => sum + (l.feed?.from === "board" && l.feed.volts === volts ? l.watts : 0), 0);
  return Math.max(2, (3 * watts) / volts + 1);
}

/** The inputs of the logic, or of what hears it, by the places of their sensors. */
const inputsOf = (quick: QuickMachine, by: "logic" | "listener") =>
  (quick.sensors ?? []).flatMap((s, k) => (heardBy(quick, s) === by ? [k + 1] : []));
const pulledUp = (places: readonly number[]) => Object.fromEntries(places.map((k) => [`in${k}`, { pullUpOhms: 1e4 }]));
const atPins = (places: readonly number[]) => Object.fromEntries(places.map((k) => [`in${k}`, `in-${k}`]));

/** Ohms of what pulls a relay to ground, from memory: a transistor or a driver chip, of which no sheet says which. */
const DRIVE_OHMS = 15;

const isLifted = (run: Run) => run.switched!.kind === "transistor";
const outputOf = (run: Run, when: Entry) =>
  isLifted(run) ? { does: "lifts", ohms: 1000, when } : { does: "sinks", ohms: DRIVE_OHMS, known: "roughly", when };

function logicPart(quick: QuickMachine, runs: readonly Run[]): Entry {
  const nets = netsOf(quick);
  const rail = railVolts(quick);
  const serial = isSerial(quick, runs);
  const asked = serial ? driven(runs).filter((r) => r.switched!.kind === "pin") : driven(runs);
  const inputs = inputsOf(quick, "logic");
  const ask = { does: "sinks", ohms: 50, when: whenRunning(quick) };
  const tells = { does: "lifts", ohms: 1000, when: { always: say.aslongAsItLives } };
  return {
    id: "logic",
    kind: "controller",
    name: say.boardLogic,
    piece: logicBoard(quick),
    rail: { min: 0.75 * rail, max: 1.25 * rail },
    loadOhms: rail ** 2 / 0.7,
    ...(inputs.length > 0 ? { inputs: pulledUp(inputs) } : {}),
    ...toldBy(quick),
    outputs: {
      ...Object.fromEntries(asked.map((r) => [`out${r.n}`, outputOf(r, whenAsked(quick, r))])),
      ...(serial ? { ask } : {}),
      ...(hasDisplay(quick) ? { tells } : {}),
    },
    at: {
      rail: nets.logicRail,
      return: nets.logicGround,
      ...atPins(inputs),
      ...Object.fromEntries(asked.map((r) => [`out${r.n}`, askNet(quick, runs, r)])),
      ...(serial ? { ask: `link-${FEED_PINS + 1}` } : {}),
      ...(hasDisplay(quick) ? { tells: "told" } : {}),
    },
  };
}

/** What hears the logic on the board of the relays, where they talk in series. */
function driverPart(quick: QuickMachine, runs: readonly Run[]): Entry {
  const nets = netsOf(quick);
  const rail = railVolts(quick);
  const asked = linked(runs);
  const inputs = inputsOf(quick, "listener");
  return {
    id: "listener",
    kind: "controller",
    name: say.relayBoardLogic,
    piece: POWER_BOARD,
    rail: { min: 0.75 * rail, max: 1.25 * rail },
    loadOhms: rail ** 2 / 0.3,
    inputs: { ask: { pullUpOhms: 1e4 }, ...pulledUp(inputs) },
    outputs: Object.fromEntries(
      asked.map((r) => [`out${r.n}`, outputOf(r, { all: [whenAsked(quick, r), { input: "ask", below: 0.5 }] })]),
    ),
    at: {
      rail: nets.rail,
      return: nets.ground,
      ask: "link-ask",
      ...atPins(inputs),
      ...Object.fromEntries(asked.map((r) => [`out${r.n}`, driveNet(r)])),
    },
  };
}

/** What switches a load on the board. */
function switchParts(quick: QuickMachine, run: Run): readonly Entry[] {
  const { switched, n, load } = run;
  const nets = netsOf(quick);
  const name = load.name.toLowerCase();
  if (switched!.kind === "pin") return [];
  if (switched!.kind === "transistor")
    return [
      {
        id: `driver-${n}`,
        kind: "transistor switch",
        name: say.driverForLoadName(name),
        piece: POWER_BOARD,
        gateVolts: 2.5,
        ohms: 0.05,
        at: { gate: driveNet(run), drain: switched!.to, source: nets.ground },
      },
    ];
  return [
    {
      id: `relay-${n}`,
      kind: "relay",
      name: say.relayForLoadName(name),
      piece: POWER_BOARD,
      coilVolts: railVolts(quick),
      coilOhms: railVolts(quick) ** 2 / 0.36,
      contactAmps: 16,
      at: { "coil-a": nets.rail, "coil-b": driveNet(run), common: switched!.from, make: switched!.to },
    },
  ];
}

const hasDisplay = (quick: QuickMachine) => quick.face?.kind === "display" || (quick.boards ?? ONE_BOARD).count > 1;

/** The lamp or the display. */
function faceParts(quick: QuickMachine): readonly Entry[] {
  const nets = netsOf(quick);
  const rail = railVolts(quick);
  if (hasDisplay(quick)) {
    const apart = (quick.boards ?? ONE_BOARD).count > 1;
    return [
      {
        id: "face",
        kind: "panel",
        name: say.display,
        piece: faceBoard(quick),
        startVolts: 0.7 * rail,
        stopVolts: 0.6 * rail,
        runOhms: rail ** 2 / 1,
        deadOhms: 5000,
        linkVolts: 3,
        ...(quick.tells ? { shows: "logic" } : {}),
        at: apart
          ? { plus: "face-link-1", return: "face-link-2", link: "face-link-3" }
          : { plus: nets.logicRail, return: nets.logicGround, link: "told" },
      },
    ];
  }
  if (quick.face === undefined) return [];
  return [
    {
      id: "face",
      kind: "indicator",
      name: say.lamp,
      piece: faceBoard(quick),
      of: "logic",
      lamp: "on",
      volts: rail,
      at: { plus: nets.logicRail, return: nets.logicGround },
    },
  ];
}

/** The plugs between the boards. */
export function linksOf(quick: QuickMachine, runs: readonly Run[]): readonly Entry[] {
  const { count } = quick.boards ?? ONE_BOARD;
  const nets = netsOf(quick);
  const side = (words: string) => ({ words, panel: "cover" });
  const pin = (n: number, signal: string, net: string) => ({ pin: String(n), signal, net });
  const requests = isSerial(quick, runs)
    ? [pin(FEED_PINS + 1, say.serialLink, "link-ask")]
    : linked(runs).map((r, k) => pin(FEED_PINS + 1 + k, say.requestFor(r.load.name.toLowerCase()), driveNet(r)));
  return [
    ...(count === 3
      ? [
          {
            id: "link",
            name: say.linkPlug,
            piece: "link-plug",
            near: { suffix: ".pad", ...side(say.relayBoardSide) },
            far: side(say.logicBoardSide),
            pins: [pin(1, say.feedPin(railVolts(quick)), nets.rail), pin(2, say.groundPin, nets.ground), ...requests],
          },
        ]
      : []),
    ...(count > 1
      ? [
          {
            id: "face-link",
            name: say.displayPlug,
            piece: "face-plug",
            near: { suffix: ".pad", ...side(say.logicBoardSide) },
            far: side(say.displaySide),
            pins: [
              pin(1, say.feedPin(railVolts(quick)), nets.logicRail),
              pin(2, say.groundPin, nets.logicGround),
              pin(3, say.dataPin, "told"),
            ],
          },
        ]
      : []),
  ];
}
