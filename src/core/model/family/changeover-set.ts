import { assembly } from "../quick/assembly";
import type { Entry } from "../quick/quick-machine";
import type { QuickSupply } from "../quick/quick-supply";
import { type Changeover, changeoverOf, changeoverParts, changeoverPlugs } from "./changeover-parts";
import { faceOfOneBoard, yesOrNo } from "./common-questions";
import type { Answers, Family, FamilyPlate } from "./family";
import { say } from "#words/core/model/family/changeover-set";

/** What is replaced or handed over; minutes and prices from memory. */
function assembliesOf(c: Changeover): readonly Entry[] {
  const licensed = { licensed: "yes" };
  return [
    assembly("utility", say.utility, say.callTheUtility, 5, 0, licensed),
    assembly("breaker", say.breaker, say.findWhatTripped, 15, 40),
    ...(c.hasFuses ? [assembly("sense-fuse", say.senseFuses, say.findWhatBlew, 5, 4)] : []),
    assembly("sense-plug", say.sensePlug, say.reseat, 5, 0),
    assembly("control-plug", say.controlPlug, say.reseat, 6, 0),
    assembly("board", say.board, say.replaceBoard, 25, 240, { board: "yes", proofs: proofsOf(c) }),
    assembly("battery", say.battery, say.chargeBattery, 20, 90),
    assembly("selector", say.selector, say.replaceSelector, 12, 15),
    ...(c.startsOnBoard ? [] : [assembly("start-relay", say.startRelay, say.replaceStartRelay, 12, 18)]),
    assembly("engine", say.engine, say.engineFitter, 90, 300, licensed),
    assembly("contactor", say.contactor, say.replaceContactor, 45, 160),
    assembly("house", say.house, say.electrician, 20, 0, licensed),
  ];
}

/** What must be shown before the board is bought. */
function proofsOf(c: Changeover): readonly Entry[] {
  const test = (setup: string, function_: string, red: string, black?: string) => ({
    setup,
    function: function_,
    red,
    ...(black === undefined ? {} : { black }),
  });
  const faces = ["on-utility", ...(c.hasKey ? ["exercise"] : [])];
  const transfer = c.pulledByGenerator
    ? [test("lost", "acv", "K-5.pad", "gen-2")]
    : [test("lost", "dcv", "K-5.pad", "K-2.pad"), test("on-utility", "dcv", "K-5.pad", "K-2.pad")];
  return [
    {
      of: "feed",
      words: say.proofs.feed,
      any: [test("on-utility", "dcv", "K-1.pad", "K-2.pad")],
      shows: "good",
    },
    {
      of: "request",
      words: say.proofs.request,
      any: [test("on-utility", "acv", "S-1", "S-2")],
      shows: "good",
    },
    {
      of: "output",
      words: say.proofs.output,
      any: [
        test("lost", "dcv", "K-3.pad", "K-2.pad"),
        test("lost", "dcv", "K-4.pad", "K-2.pad"),
        ...transfer,
        test("on-utility", "dcv", "rail", "K-2.pad"),
        ...(c.face ? faces.map((setup) => test(setup, "look", "face")) : []),
      ],
      shows: "bad",
    },
  ];
}

function pointsOf(c: Changeover): readonly Entry[] {
  const isThere = (id: string) =>
    !(["ut-2", "u-2"].includes(id) && !c.isSplit) &&
    !(id === "sf-1" && !c.hasFuses) &&
    !(id === "sf-2" && (!c.hasFuses || !c.isSplit)) &&
    !(id === "starter" && c.startsOnBoard);
  const hood = ["starter", "gen-1", "gen-2"];
  return Object.entries(say.points)
    .filter(([id]) => isThere(id))
    .map(([id, name]) => ({
      id,
      name,
      net: id === "fuel-drive" ? "fuel" : id,
      panel: hood.includes(id) ? "engine-hood" : "dead-front",
    }));
}

function setupsOf(c: Changeover): readonly Entry[] {
  const contactors = ["utility-contactor", "generator-contactor"];
  const lost = { power: "on", off: ["utility"], seconds: 45, minutes: 1 };
  return [
    { id: "on-utility", ...say.onTheUtility, power: "on" },
    { id: "lost", ...say.utilityLost, ...lost },
    { id: "selector-off", ...say.selectorOff, ...lost, made: ["selector"] },
    ...(c.hasKey ? [{ id: "exercise", ...say.exercise, power: "on", mode: "exercise", minutes: 0.3 }] : []),
    { id: "dead", ...say.dead, power: "off" },
    { id: "by-hand", ...say.byHand, power: "off", made: contactors, minutes: 1 },
    { id: "by-hand-one", ...say.byHandOne, power: "off", made: [contactors[1]], minutes: 0.5 },
  ];
}

const box = (name: string, parts: readonly string[], over: string | null = "dead-front") => ({
  box: name,
  parts,
  ...(over ? { panel: over } : {}),
});
const at = (...points: readonly string[]) => ({ at: points });
const secondLine = (c: Changeover) => (c.isSplit ? "u-2" : "neutral");

/** From both sources through the contactors to the house. */
function changeoverPath(c: Changeover): Entry {
  const transfer = c.pulledByGenerator ? ["transfer-relay"] : [];
  return {
    id: "changeover",
    name: say.paths.changeover,
    stages: [
      at("u-1", secondLine(c)),
      box(say.utilitySide, ["utility-contactor"]),
      at("load-u", "neutral"),
      box(say.onUtility, ["load-1"], null),
      at("gen-1", "gen-2"),
      ...(transfer.length > 0 ? [box(say.board, transfer)] : []),
      box(say.generatorSide, ["generator-contactor"]),
      at("load-g", "gen-2"),
      box(say.onGenerator, ["load-2"], null),
    ],
  };
}

function pathsOf(c: Changeover): readonly Entry[] {
  const second = secondLine(c);
  const fuses = c.hasFuses ? ["sense-fuse-1", ...(c.isSplit ? ["sense-fuse-2"] : [])] : [];
  const sensing = ["sense-transformer", "sense-rectifier"];
  const face = c.face ? ["face"] : [];
  return [
    {
      id: "sensing",
      name: say.paths.sensing,
      stages: [
        box(say.utility, ["utility"], null),
        at("ut-1", c.isSplit ? "ut-2" : "neutral"),
        box(say.breaker, ["breaker"]),
        at("u-1", second),
        ...(fuses.length > 0 ? [box(say.senseFuses, fuses)] : []),
        at("S-1.pad", "S-2.pad"),
        box(say.sensePlug, ["S-1", "S-2"]),
        at("S-1", "S-2"),
        box(say.board, [...sensing, "regulator", "logic", ...face]),
        at("sensed", "K-2.pad"),
      ],
    },
    {
      id: "starting",
      name: say.paths.starting,
      stages: [
        box(say.battery, ["battery"], null),
        at("K-1", "K-2"),
        box(say.controlPlug, ["K-1", "K-2", "K-3", "K-4", "K-5", "K-6"]),
        at("K-1.pad", "K-2.pad"),
        box(say.board, ["regulator", "logic", "fuel-relay", ...(c.hasKey ? ["keypad"] : [])]),
        at("K-6", "K-2"),
        box(say.selector, ["selector"]),
        at("K-3", "K-2"),
        box(say.startRelay, ["start-relay"]),
        ...(c.startsOnBoard ? [] : [at("starter", "K-2")]),
        box(say.engine, ["engine"], "engine-hood"),
        at("gen-1", "gen-2"),
        box(say.board, ["gen-transformer", "gen-rectifier"]),
      ],
    },
    changeoverPath(c),
  ];
}

function complaintsOf(c: Changeover): readonly Entry[] {
  const one = (id: string, words: string, setup: string, path: string, sees: Entry = {}) => ({
    id,
    words,
    setup,
    path,
    sees,
  });
  const says = say.complaints;
  return [
    one("no-start", says.noStart, "lost", "starting", { engine: "stands" }),
    one("cranks", says.cranks, "lost", "starting", { engine: "cranks" }),
    one("no-transfer", says.noTransfer, "lost", "changeover", { engine: "runs", "load-2": "dark" }),
    one("no-house", says.noHouse, "on-utility", "changeover", { "load-1": "dark" }),
    one("starts-alone", says.startsAlone, "on-utility", "sensing", { engine: "runs" }),
    ...(c.face ? [one("face-dark", says.dark, "on-utility", "starting", { face: "dark" })] : []),
    one("check-over", says.check, "on-utility", "sensing"),
  ];
}

/** What is shown after a swap: by the model where it has it, else by the person's eye. */
function functionsOf(c: Changeover): readonly Entry[] {
  const shown = (of: string, setup: string, red: string) => ({ of, shown: { setup, function: "look", red } });
  const ohms = (setup: string) => ({
    of: "interlock",
    shown: { setup, function: "ohms", red: "gen-1", black: "load-g" },
  });
  const eye = (of: string, words: string) => ({ of, eye: words });
  return [
    ohms("by-hand"),
    ohms("by-hand-one"),
    eye("battery", say.eyes.battery),
    shown("inhibit", "selector-off", "engine"),
    shown("start", "lost", "engine"),
    eye("start", say.eyes.delay),
    eye("before transfer", say.eyes.before),
    eye("utility dead", say.eyes.dead),
    shown("loaded", "lost", "load-2"),
    eye("loaded", say.eyes.loaded),
    shown("return", "on-utility", "load-1"),
    shown("return", "on-utility", "engine"),
    eye("return", say.eyes.back),
    ...(c.hasKey && c.face ? [shown("exercise", "exercise", "face")] : []),
    eye("exercise", say.eyes.clock),
  ];
}

function firstsOf(): readonly Entry[] {
  const says = say.firsts;
  return [
    {
      id: "street",
      ask: says.street,
      cause: "no",
      then: says.streetThen,
      minutes: 2,
      odds: 15,
      complaints: ["starts-alone", "no-house"],
    },
    {
      id: "breaker-on",
      ask: says.breaker,
      cause: "no",
      then: says.breakerThen,
      minutes: 1,
      odds: 12,
      complaints: ["starts-alone", "no-house"],
    },
    { id: "fuel", ask: says.fuel, cause: "no", then: says.fuelThen, minutes: 2, odds: 30, complaints: ["cranks"] },
    {
      id: "selector-at",
      ask: says.selector,
      cause: "no",
      then: says.selectorThen,
      minutes: 1,
      odds: 20,
      complaints: ["no-start"],
    },
  ];
}

/** The whole file; what it has in common with no household machine, two live sources, is why it is drawn by itself. */
function draw(plate: FamilyPlate, answers: Answers, supply: QuickSupply): Entry {
  const c = changeoverOf(answers, supply);
  const cover = (id: string, name: string, minutes: number, tool: string, screws: number) => ({
    id,
    name,
    minutes,
    tools: [tool],
    screws: screws === 0 ? [] : [{ size: tool, count: screws, place: say.deadFront }],
  });
  return {
    format: 1,
    id: plate.id,
    revision: "1",
    maker: plate.maker,
    model: plate.model,
    name: say.name,
    family: "powered equipment",
    functionsOf: "changeover",
    functions: functionsOf(c),
    supply: { volts: supply.volts, hertz: supply.hertz, percent: 6 },
    cautions: [say.threeSources, say.startsByItself, say.leadsBackwards],
    panels: [
      cover("dead-front", say.deadFront, 4, say.crosshead, 4),
      cover("engine-hood", say.engineHood, 2, say.hoodKey, 0),
    ],
    pieces: assembliesOf(c),
    parts: changeoverParts(c),
    connectors: changeoverPlugs(c),
    points: pointsOf(c),
    references: [
      { name: "neutral", points: ["neutral"] },
      { name: say.references.generator, points: ["gen-2"] },
      { name: say.references.minus, points: ["K-2", "K-2.pad"] },
      { name: "earth", points: ["earth"] },
    ],
    setups: setupsOf(c),
    paths: pathsOf(c),
    complaints: complaintsOf(c),
    firsts: firstsOf(),
  };
}

/** A panel that starts an engine set when the utility is lost, and puts the house on it. */
export const changeoverSet: Family = {
  id: "changeover-set",
  name: say.name,
  family: "powered equipment",
  row: "changeover",
  supplies: ["120/240 split", "230"],
  questions: [
    faceOfOneBoard("lamp"),
    { id: "battery", ...say.startsAt, usual: "12" },
    { id: "start", ...say.startedBy, usual: "apart" },
    { id: "pulled", ...say.pulledBy, usual: "battery" },
    yesOrNo("fuses", say.askFuses, "yes"),
    yesOrNo("key", say.askTestKey, "yes"),
  ],
  draw,
};
