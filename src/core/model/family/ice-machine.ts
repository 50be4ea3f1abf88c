import { BOARD_QUESTIONS, boardsOf, yesOrNo } from "./common-questions";
import type { Answers, Family, FamilyPlan, FamilyStage } from "./family";
import { load } from "./family-loads";
import { askOutlet, askTap, backPanel, lidOverBoard } from "./shared-plans";
import { say } from "#words/core/model/family/ice-machine";
import { say as shared } from "#words/core/model/family/shared";

function stagesOf(a: Answers): readonly FamilyStage[] {
  const fan = a["cooled"] === "air" ? ["fan"] : [];
  const ice = { [say.plateSensor]: -10 };
  const water = { [say.waterSwitch]: 1 };
  const freezing = ["compressor", "pump", ...fan];
  return [
    { id: "freeze", ...say.freeze, asks: freezing, places: ice, levels: water, minutes: 6 },
    { id: "fill", ...say.fill, asks: ["valve"], minutes: 1 },
    { id: "full", ...say.full, mode: "fill", asks: ["valve"], levels: water, minutes: 1 },
    {
      id: "harvest",
      ...say.harvest,
      asks: ["compressor", "gas", ...(a["purge"] === "yes" ? ["purge"] : [])],
      places: ice,
      levels: water,
      minutes: 8,
    },
    {
      id: "bin-full",
      ...say.binFull,
      mode: "freeze",
      asks: freezing,
      worked: [say.binSwitch],
      levels: water,
      minutes: 6,
    },
  ];
}

function plan(a: Answers): FamilyPlan {
  const isAir = a["cooled"] === "air";
  const all = ["compressor", "pump", "valve", "gas", ...(isAir ? ["fan"] : [])];
  const start = a["start"] === "inside" ? {} : { start: ["ptc", "overload"] as const };
  return {
    loads: {
      compressor: load(shared.compressor, "compressor", 350, start),
      pump: load(say.waterPump, "pump", 25),
      ...(isAir ? { fan: load(say.condenserFan, "fan", 30) } : {}),
      valve: load(shared.inletValve, "valve", 8),
      gas: load(say.hotGasValve, "valve", 10),
      ...(a["purge"] === "yes" ? { purge: load(say.purgePump, "pump", 20) } : {}),
    },
    sensors: [
      { name: say.binSwitch, kind: "stop switch", stops: all },
      { name: say.waterSwitch, kind: "pressure switch", stops: ["pump"], stopsWhenMade: ["valve"] },
      { name: say.plateSensor, kind: "ntc", ohms: 10_000 },
    ],
    ...boardsOf(a),
    filter: false,
    stages: stagesOf(a),
    functions: [
      { of: "fill", stage: "fill", load: "valve", by: "look" },
      { of: "fill", stage: "full", load: "valve", by: "look" },
      { of: "bin", stage: "bin-full", load: "compressor", by: "look" },
      { of: "freeze", stage: "freeze", load: "compressor", by: "amps" },
      { of: "freeze", stage: "freeze", load: "pump", by: "look" },
      { of: "harvest", stage: "harvest", load: "gas", by: "look" },
    ],
    firsts: [
      askOutlet,
      askTap("valve"),
      {
        id: "condenser",
        ask: say.askCondenser,
        cause: "yes",
        then: say.condenserThen,
        minutes: 10,
        odds: 20,
        loads: ["compressor"],
      },
    ],
    covers: { board: lidOverBoard, loads: backPanel },
    guards: ["sequence", "temperature"],
    cautions: [say.caution],
  };
}

/** A machine that freezes ice on a plate and harvests it by hot gas. */
export const iceMachine: Family = {
  id: "ice-machine",
  name: say.name,
  family: "ice machine",
  supplies: ["230", "120"],
  questions: [
    ...BOARD_QUESTIONS,
    { id: "cooled", ...say.cooled, usual: "air" },
    { id: "start", ...say.start, usual: "ptc" },
    yesOrNo("purge", say.askPurge, "no"),
  ],
  plan,
};
