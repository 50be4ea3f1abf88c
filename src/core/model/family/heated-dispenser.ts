import { BOARD_QUESTIONS, boardsOf, yesOrNo } from "./common-questions";
import type { Answers, Family, FamilyPlan, FamilyStage } from "./family";
import { fromBoard, load } from "./family-loads";
import { askOutlet, backPanel, lidOverBoard } from "./shared-plans";
import { say } from "#words/core/model/family/heated-dispenser";
import { say as shared } from "#words/core/model/family/shared";

const valvesOf = (a: Answers) => Array.from({ length: Number(a["valves"]) }, (_, i) => `valve-${i + 1}`);

function stagesOf(a: Answers): readonly FamilyStage[] {
  const water = { [say.tankFloat]: 1 };
  const hot = { [say.boilerSensor]: 92 };
  const brewing = ["pump", ...valvesOf(a)];
  const open: FamilyStage = {
    id: "door-open",
    ...say.doorOpen,
    mode: "brew",
    asks: brewing,
    levels: water,
    places: hot,
    doorOpen: true,
  };
  return [
    { id: "heating", ...say.heating, asks: ["boiler"], levels: water, minutes: 1 },
    { id: "ready", ...say.ready, asks: [], levels: water, places: hot, minutes: 5 },
    { id: "brew", ...say.brew, asks: brewing, levels: water, places: hot, minutes: 1 },
    { id: "tank-empty", ...say.tankEmpty, mode: "brew", asks: brewing, places: hot, minutes: 1 },
    ...(a["door"] === "yes" ? [open] : []),
  ];
}

function plan(a: Answers): FamilyPlan {
  const valves = valvesOf(a);
  const cutOff = { name: say.boilerCutOff, kind: "thermal cut-off" as const, celsius: 120 };
  const volts = Number(a["volts"]);
  return {
    loads: {
      boiler: load(say.boiler, "heater", 1400, { through: [cutOff] }),
      pump: a["pump"] === "mains" ? load(say.pump, "pump", 50) : load(say.pump, "pump", 15, fromBoard(volts)),
      ...Object.fromEntries(valves.map((v, i) => [v, load(say.valve(i + 1), "valve", 8, fromBoard(volts))])),
    },
    sensors: [
      { name: say.tankFloat, kind: "pressure switch", stops: ["pump", "boiler"] },
      { name: say.boilerSensor, kind: "ntc", ohms: 50_000 },
      ...(a["door"] === "yes"
        ? [{ name: shared.doorSwitch, kind: "door switch" as const, stops: ["pump", ...valves] }]
        : []),
    ],
    ...boardsOf(a),
    filter: true,
    stages: stagesOf(a),
    functions: [
      ...(a["door"] === "yes" ? [{ of: "door", stage: "door-open", load: "pump", by: "look" as const }] : []),
      ...valves.map((v) => ({ of: "columns", stage: "brew", load: v, by: "look" as const })),
      { of: "columns", stage: "tank-empty", load: "pump", by: "look" },
      { of: "compressor", stage: "heating", load: "boiler", by: "amps" },
      { of: "compressor", stage: "ready", load: "boiler", by: "amps" },
      { of: "sale", stage: "brew", load: "pump", by: "look" },
    ],
    firsts: [
      askOutlet,
      {
        id: "tank",
        ask: say.askTank,
        cause: "no",
        then: say.tankThen,
        minutes: 1,
        odds: 30,
        loads: ["pump", "boiler"],
      },
      { id: "scale", ask: say.askScale, cause: "yes", then: say.scaleThen, minutes: 25, odds: 18, loads: ["pump"] },
    ],
    covers: { board: lidOverBoard, loads: backPanel },
    guards: ["sequence", "temperature"],
    cautions: [say.caution],
  };
}

/** A dispenser of hot drinks or hot water. */
export const heatedDispenser: Family = {
  id: "heated-dispenser",
  name: say.name,
  family: "vending machine",
  supplies: ["230", "120"],
  questions: [
    ...BOARD_QUESTIONS,
    { id: "valves", ...say.valves, usual: "2" },
    { id: "volts", ...say.volts, usual: "24" },
    { id: "pump", ...say.pumpOn, usual: "mains" },
    yesOrNo("door", say.askDoor, "yes"),
  ],
  plan,
};
