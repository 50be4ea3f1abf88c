import type { Entry } from "../quick/quick-machine";
import { lineVolts, type QuickSupply } from "../quick/quick-supply";
import type { Answers } from "./family";
import { say } from "#words/core/model/family/changeover-set";

/** What a changeover panel is drawn by: its answers, and what the utility gives. */
export interface Changeover {
  readonly isSplit: boolean;
  /** Between the two lines that are sensed and that the generator gives, rms. */
  readonly volts: number;
  /** Line to neutral, what the house's load has. */
  readonly lineVolts: number;
  /** Nominal volts of the start battery. */
  readonly battery: number;
  readonly hasFuses: boolean;
  readonly hasKey: boolean;
  readonly startsOnBoard: boolean;
  readonly pulledByGenerator: boolean;
  readonly face: "display" | "lamp" | null;
}

export function changeoverOf(a: Answers, supply: QuickSupply): Changeover {
  const face = a["face"];
  return {
    isSplit: supply.kind === "split phase",
    volts: supply.volts,
    lineVolts: lineVolts(supply),
    battery: Number(a["battery"]),
    hasFuses: a["fuses"] === "yes",
    hasKey: a["key"] === "yes",
    startsOnBoard: a["start"] === "board",
    pulledByGenerator: a["pulled"] === "generator",
    face: face === "display" || face === "lamp" ? face : null,
  };
}

/** Nets of the utility behind its breaker, and where its sensing plug begins. */
function behind(c: Changeover) {
  const second = c.isSplit ? "u-2" : "neutral";
  const senseSecond = c.hasFuses && c.isSplit ? "sf-2" : second;
  return { first: "u-1", second, senseFirst: c.hasFuses ? "sf-1" : "u-1", senseSecond };
}

/** The rail of the board and what its relays pull at, volts; ohms, amperes and odds of all parts are from memory. */
const RAIL = 9;
const COIL = { coilVolts: 8, coilOhms: 150 };

/** All parts, from the utility and the engine to the house. */
export function changeoverParts(c: Changeover): readonly Entry[] {
  return [...utilityParts(c), ...sensingParts(c), ...boardParts(c), ...engineParts(c), ...contactorParts(c)];
}

function utilityParts(c: Changeover): readonly Entry[] {
  const utility = { id: "utility", name: say.utility, piece: "utility" };
  const breaker = { id: "breaker", kind: "breaker", name: say.breaker, piece: "breaker", amps: 60 };
  const fuse = (n: number, a: string) => ({
    id: `sense-fuse-${n}`,
    kind: "fuse",
    name: say.senseFuse(n),
    piece: "sense-fuse",
    amps: 2,
    at: { a, b: `sf-${n}` },
  });
  const fuses = c.hasFuses ? [fuse(1, "u-1"), ...(c.isSplit ? [fuse(2, "u-2")] : [])] : [];
  if (!c.isSplit)
    return [
      { ...utility, kind: "outlet", at: { line: "ut-1", neutral: "neutral", earth: "earth" } },
      { ...breaker, poles: 1, at: { line1: "ut-1", load1: "u-1" } },
      ...fuses,
    ];
  return [
    { ...utility, kind: "split outlet", at: { line1: "ut-1", neutral: "neutral", line2: "ut-2", earth: "earth" } },
    { ...breaker, poles: 2, at: { line1: "ut-1", load1: "u-1", line2: "ut-2", load2: "u-2" } },
    ...fuses,
  ];
}

/** A small transformer and its rectifier tell the board that a source is there. */
function sensingParts(c: Changeover): readonly Entry[] {
  const sensed = (id: string, names: readonly [string, string], from: readonly [string, string], out: string) => [
    {
      id: `${id}-transformer`,
      kind: "transformer",
      name: names[0],
      piece: "board",
      voltsIn: c.volts,
      voltsOut: 6,
      ohmsIn: 2500,
      ohmsOut: 5,
      at: { "in-a": from[0], "in-b": from[1], "out-a": `${id}-a`, "out-b": `${id}-b` },
    },
    {
      id: `${id}-rectifier`,
      kind: "linear supply",
      name: names[1],
      piece: "board",
      volts: 7,
      at: { "in-a": `${id}-a`, "in-b": `${id}-b`, out, return: "gnd" },
    },
  ];
  return [
    ...sensed("sense", [say.sensing, say.sensingRectifier], ["S-1", "S-2"], "sensed"),
    ...sensed("gen", [say.genSensing, say.genRectifier], ["gen-1", "gen-2"], "run-in"),
  ];
}

function boardParts(c: Changeover): readonly Entry[] {
  const at = { plus: "rail", return: "gnd" };
  return [
    {
      id: "regulator",
      kind: "regulator",
      name: say.regulator,
      piece: "board",
      volts: RAIL,
      dropoutVolts: 1,
      at: { in: "bat", out: "rail", return: "gnd" },
    },
    logicPart(c),
    ...(c.hasKey
      ? [
          {
            id: "keypad",
            kind: "keypad",
            name: say.testKey,
            piece: "board",
            keys: { TEST: ["a", "b"] },
            at: { a: "key-1", b: "key-2" },
          },
        ]
      : []),
    ...(c.face === "lamp"
      ? [{ id: "face", kind: "indicator", name: say.lamp, piece: "board", of: "logic", lamp: "state", volts: RAIL, at }]
      : []),
    ...(c.face === "display"
      ? [
          {
            id: "face",
            kind: "panel",
            name: say.display,
            piece: "board",
            startVolts: 0.7 * RAIL,
            stopVolts: 0.6 * RAIL,
            runOhms: RAIL ** 2,
            deadOhms: 5000,
            linkVolts: 3,
            shows: "logic",
            at: { ...at, link: "told" },
          },
        ]
      : []),
  ];
}

/** What it shows in each of its states, by lamp and by display. */
const SHOWN: readonly (readonly [Entry, string, string])[] = [
  [{ code: "E1" }, "blinks fast", "E1"],
  [{ mode: "exercise" }, say.doubleFlash, "EX"],
  [{ mode: "utility" }, "steady", "UT"],
  [{ mode: "start" }, "blinks slowly", "ST"],
  [{ any: [{ mode: "run" }, { mode: "cool" }] }, "blinks evenly", "EN"],
];

/** The control program: loses the utility, starts, takes over, goes back, cools down. */
function logicPart(c: Changeover): Entry {
  const shown = SHOWN.filter(([when]) => c.hasKey || when["mode"] !== "exercise");
  const { exercise, ...modes } = say.modes;
  const auto = { input: "selector", below: 0.5 };
  return {
    id: "logic",
    kind: "controller",
    name: say.logic,
    piece: "board",
    rail: { min: 7.5, max: 10 },
    loadOhms: 220,
    inputs: { utility: { pullDownOhms: 4700 }, running: { pullDownOhms: 47_000 }, selector: { pullUpOhms: 10_000 } },
    ...(c.hasKey
      ? {
          keys: { TEST: ["key-1", "key-2"] },
          gestures: [
            { id: "exercise", name: say.holdTest, from: ["utility"], to: "exercise", hold: ["TEST"], seconds: 5 },
          ],
        }
      : {}),
    modes: [...Object.keys(modes), ...(c.hasKey ? ["exercise"] : [])],
    modeNames: { ...modes, ...(c.hasKey ? { exercise } : {}) },
    moves: [
      { from: ["utility"], when: { all: [{ input: "utility", below: 0.4 }, auto] }, after: 8, to: "start" },
      { from: ["start"], when: { input: "running", above: 0.4 }, after: 3, to: "run" },
      { from: ["run"], when: { input: "utility", above: 0.5 }, after: 300, to: "cool" },
      { from: ["cool"], after: 60, to: "utility" },
      ...(c.hasKey ? [{ from: ["exercise"], after: 90, to: "utility" }] : []),
    ],
    codes: [
      { id: "E1", words: say.engineDoesNotStart, when: { mode: "start" }, after: 25, stays: "yes", blames: "engine" },
    ],
    ...(c.face === "lamp" ? { lamps: { state: shown.map(([when, shows]) => ({ when, shows })) } } : {}),
    ...(c.face === "display" ? { display: shown.map(([when, , shows]) => ({ when, shows })) } : {}),
    outputs: {
      crank: { does: "lifts", ohms: 10, when: { mode: "start" } },
      fuel: { does: "lifts", ohms: 2, when: { any: [{ mode: "start" }, { mode: "run" }, { mode: "cool" }] } },
      transfer: { does: "lifts", ohms: 10, when: { mode: "run" } },
      ...(c.face === "display" ? { tells: { does: "lifts", ohms: 1000, when: { always: say.aslongAsItLives } } } : {}),
    },
    at: {
      rail: "rail",
      return: "gnd",
      utility: "sensed",
      running: "run-in",
      selector: "auto",
      ...(c.hasKey ? { "key-1": "key-1", "key-2": "key-2" } : {}),
      crank: "crank",
      fuel: "fuel",
      transfer: "trans",
      ...(c.face === "display" ? { tells: "told" } : {}),
    },
  };
}

function engineParts(c: Changeover): readonly Entry[] {
  const relay = { kind: "relay", ...COIL };
  const started = c.startsOnBoard
    ? { piece: "board", at: { "coil-a": "crank", "coil-b": "gnd", common: "bat", make: "crank-out" } }
    : { piece: "start-relay", at: { "coil-a": "K-3", "coil-b": "K-2", common: "K-1", make: "starter" } };
  return [
    {
      id: "battery",
      kind: "battery",
      name: say.battery,
      piece: "battery",
      volts: 1.05 * c.battery,
      ohms: 0.01,
      at: { plus: "K-1", minus: "K-2" },
    },
    {
      id: "selector",
      kind: "switch",
      name: say.selector,
      piece: "selector",
      rests: "closed",
      at: { a: "K-6", b: "K-2" },
    },
    {
      id: "fuel-relay",
      name: say.fuelRelay,
      piece: "board",
      ...relay,
      contactAmps: 10,
      at: { "coil-a": "fuel", "coil-b": "gnd", common: "bat", make: "fuel-out" },
    },
    { id: "start-relay", name: say.startRelay, ...relay, coilOhms: 90, contactAmps: 200, ...started },
    {
      id: "engine",
      kind: "engine set",
      name: say.engine,
      piece: "engine",
      volts: c.volts,
      crankAmps: 1080 / c.battery,
      startVolts: c.battery,
      at: {
        crank: c.startsOnBoard ? "K-3" : "starter",
        fuel: "K-4",
        return: "K-2",
        line: "gen-1",
        neutral: "gen-2",
      },
    },
  ];
}

/** The two contactors, of which a lever lets one in, and what hangs behind each. */
function contactorParts(c: Changeover): readonly Entry[] {
  const { first, second } = behind(c);
  const own = { kind: "relay", piece: "contactor", contactAmps: 60 };
  const mainsCoil = { coilVolts: c.volts, coilOhms: 4000 };
  const load = { kind: "lamp", piece: "house", current: "ac" };
  return [
    {
      id: "utility-contactor",
      name: say.utilitySide,
      ...own,
      ...mainsCoil,
      at: { "coil-a": first, "coil-b": second, common: first, make: "load-u" },
    },
    {
      id: "generator-contactor",
      name: say.generatorSide,
      ...own,
      heldOffBy: "utility-contactor",
      ...(c.pulledByGenerator ? mainsCoil : { coilVolts: 8, coilOhms: 120 }),
      at: { "coil-a": "K-5", "coil-b": c.pulledByGenerator ? "gen-2" : "K-2", common: "gen-1", make: "load-g" },
    },
    ...(c.pulledByGenerator
      ? [
          {
            id: "transfer-relay",
            name: say.transferRelay,
            kind: "relay",
            piece: "board",
            ...COIL,
            contactAmps: 5,
            at: { "coil-a": "trans", "coil-b": "gnd", common: "gen-1", make: "trans-out" },
          },
        ]
      : []),
    { id: "load-1", name: say.onUtility, ...load, volts: c.lineVolts, watts: 60, at: { a: "load-u", b: "neutral" } },
    { id: "load-2", name: say.onGenerator, ...load, volts: c.volts, watts: 120, at: { a: "load-g", b: "gen-2" } },
  ];
}

/** The two plugs of the board. */
export function changeoverPlugs(c: Changeover): readonly Entry[] {
  const side = (words: string, suffix?: string) => ({ words, panel: "dead-front", ...(suffix ? { suffix } : {}) });
  const pin = (n: number, signal: string, net: string) => ({ pin: String(n), signal, net });
  const { senseFirst, senseSecond } = behind(c);
  return [
    {
      id: "S",
      name: say.sensePlug,
      piece: "sense-plug",
      near: side(say.sides.panel, ".pad"),
      far: side(say.sides.board),
      pins: [pin(1, say.pins.firstLeg, senseFirst), pin(2, say.pins.secondLeg, senseSecond)],
    },
    {
      id: "K",
      name: say.controlPlug,
      piece: "control-plug",
      near: side(say.sides.board, ".pad"),
      far: side(say.sides.engine),
      pins: [
        pin(1, say.pins.plus, "bat"),
        pin(2, say.pins.minus, "gnd"),
        pin(3, say.pins.crank, c.startsOnBoard ? "crank-out" : "crank"),
        pin(4, say.pins.fuel, "fuel-out"),
        pin(5, say.pins.transfer, c.pulledByGenerator ? "trans-out" : "trans"),
        pin(6, say.pins.selector, "auto"),
      ],
    },
  ];
}
