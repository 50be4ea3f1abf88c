import type { QuickStart } from "../quick/quick-load";
import { BOARD_QUESTIONS, boardsOf, yesOrNo } from "./common-questions";
import type { Answers, Family, FamilyPlan, FamilySensor, FamilyStage } from "./family";
import { fromBoard, load } from "./family-loads";
import { askOutlet, backPanel, lidOverBoard } from "./shared-plans";
import { say } from "#words/core/model/family/refrigerator";
import { say as shared } from "#words/core/model/family/shared";

const STARTS: Readonly<Record<string, readonly QuickStart[]>> = {
  "ptc-overload": ["ptc", "overload"],
  "ptc-run": ["ptc", "overload", "run capacitor"],
  inside: [],
};

/** Degrees at which a defrost thermostat opens; from memory. */
const DEFROST_OPENS = 10;

function sensorsOf(a: Answers): readonly FamilySensor[] {
  const ntc = (name: string): FamilySensor => ({ name, kind: "ntc", ohms: 5000 });
  const all = [ntc(say.freezerSensor), ntc(say.fridgeSensor), ntc(say.evaporatorSensor)];
  const door: FamilySensor = {
    name: shared.doorSwitch,
    kind: "door switch",
    stops: a["fan"] === "none" ? [] : ["fan"],
  };
  return [...all.slice(0, Number(a["sensors"])), ...(a["door"] === "yes" ? [door] : [])];
}

function stagesOf(a: Answers): readonly FamilyStage[] {
  const fan = a["fan"] === "none" ? [] : ["fan"];
  const light = a["light"] === "yes" ? ["light"] : [];
  const cold = {
    [say.freezerSensor]: -18,
    [say.fridgeSensor]: 5,
    [say.evaporatorSensor]: -25,
    [say.defrostThermostat]: -20,
  };
  const warm = {
    ...cold,
    [say.freezerSensor]: 5,
    [say.fridgeSensor]: 15,
    [say.evaporatorSensor]: 0,
    [say.defrostThermostat]: 0,
  };
  return [
    { id: "cooling", ...say.cooling, asks: ["compressor", ...fan], places: warm, minutes: 2 },
    ...(a["defrost"] === "none" ? [] : [{ id: "defrost", ...say.defrost, asks: ["heater"], places: cold, minutes: 3 }]),
    { id: "satisfied", ...say.satisfied, asks: [], places: cold, minutes: 2 },
    ...(a["door"] === "yes"
      ? [{ id: "door-open", ...say.doorOpen, asks: ["compressor", ...fan, ...light], places: warm, doorOpen: true }]
      : []),
  ];
}

function plan(a: Answers): FamilyPlan {
  const start = STARTS[a["start"]!]!;
  const guards = [
    { name: say.defrostThermostat, kind: "thermostat" as const, celsius: DEFROST_OPENS },
    ...(a["defrost"] === "fuse" ? [{ name: shared.thermalFuse, kind: "thermal cut-off" as const, celsius: 72 }] : []),
  ];
  const hasDoorLight = a["light"] === "yes" && a["door"] === "yes";
  return {
    loads: {
      compressor: load(shared.compressor, "compressor", 130, start.length > 0 ? { start } : {}),
      ...(a["defrost"] === "none" ? {} : { heater: load(say.defrostHeater, "heater", 280, { through: guards }) }),
      ...(a["fan"] === "mains" ? { fan: load(say.fan, "fan", 8) } : {}),
      ...(a["fan"] === "12" ? { fan: load(say.fan, "fan", 3, fromBoard(12)) } : {}),
      ...(hasDoorLight ? { light: load(shared.light, "lamp", 3, fromBoard(12)) } : {}),
    },
    sensors: sensorsOf(a),
    ...boardsOf(a),
    filter: false,
    stages: stagesOf(a),
    functions: [
      ...(a["door"] === "yes" && a["fan"] !== "none"
        ? [{ of: "keys", stage: "door-open", load: "fan", by: "look" as const }]
        : []),
      { of: "compressor", stage: "cooling", load: "compressor", by: "amps" },
      { of: "compressor", stage: "satisfied", load: "compressor", by: "look" },
      ...(a["defrost"] === "none" ? [] : [{ of: "defrost", stage: "defrost", load: "heater", by: "amps" as const }]),
    ],
    firsts: [
      askOutlet,
      { id: "set", ask: say.askSet, cause: "no", then: say.setThen, minutes: 2, odds: 8, loads: ["compressor"] },
    ],
    covers: { board: lidOverBoard, loads: backPanel },
    guards: ["sequence", "temperature"],
    cautions: [say.caution],
  };
}

/** A refrigerator or freezer with a compressor and a fan behind its coil. */
export const refrigerator: Family = {
  id: "refrigerator",
  name: say.name,
  family: "refrigerator",
  supplies: ["230", "120"],
  questions: [
    ...BOARD_QUESTIONS,
    { id: "start", ...say.start, usual: "ptc-overload" },
    { id: "defrost", ...say.defrostHow, usual: "thermostat" },
    { id: "fan", ...say.fanFrom, usual: "12" },
    { id: "sensors", ...say.sensors, usual: "2" },
    yesOrNo("door", say.askDoor, "yes"),
    yesOrNo("light", say.askLight, "yes", (a) => a["door"] === "yes"),
  ],
  plan,
};
