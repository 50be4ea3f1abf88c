import { BOARD_QUESTIONS, boardsOf, yesOrNo } from "./common-questions";
import type { Answers, Family, FamilyPlan, FamilyStage } from "./family";
import { load } from "./family-loads";
import { askDrain, askOutlet, askTap, lidOverBoard } from "./shared-plans";
import { say } from "#words/core/model/family/dishwasher";
import { say as shared } from "#words/core/model/family/shared";

function stagesOf(a: Answers): readonly FamilyStage[] {
  const full = { [say.levelSwitch]: 1 };
  return [
    { id: "wash", ...say.wash, asks: ["circulation", "heater"], levels: full, minutes: 4 },
    { id: "fill", ...say.fill, asks: ["valve"], minutes: 0.5 },
    { id: "full", ...say.full, mode: "fill", asks: ["valve"], levels: full, minutes: 2 },
    { id: "drain", ...say.drain, asks: ["drain"], levels: full, minutes: 1 },
    ...(a["dispenser"] === "yes"
      ? [{ id: "dispense", ...say.dispense, asks: ["dispenser"], levels: full, minutes: 1 }]
      : []),
    ...(a["float"] === "yes"
      ? [{ id: "flood", ...say.flood, mode: "fill", asks: ["valve"], levels: { [say.floodSwitch]: 1 }, minutes: 1 }]
      : []),
    {
      id: "door-open",
      name: shared.doorOpen,
      how: shared.doorOpenHow,
      mode: "wash",
      asks: ["circulation", "heater"],
      levels: full,
      doorOpen: true,
    },
  ];
}

function plan(a: Answers): FamilyPlan {
  const cutOff = { name: shared.thermalCutOff, kind: "thermal cut-off" as const, celsius: 98 };
  const hasDispenser = a["dispenser"] === "yes";
  const all = ["circulation", "heater", "valve", "drain", ...(hasDispenser ? ["dispenser"] : [])];
  const door = { name: shared.doorSwitch, kind: "door switch" as const };
  const isInLine = a["door"] === "line";
  return {
    loads: {
      circulation: load(say.circulationPump, "pump", 90),
      heater: load(shared.heater, "heater", 1800, { through: [cutOff] }),
      valve: load(shared.inletValve, "valve", 8),
      drain: load(shared.drainPump, "pump", 30),
      ...(hasDispenser ? { dispenser: load(say.dispenser, "valve", 6) } : {}),
    },
    sensors: [
      { name: say.levelSwitch, kind: "pressure switch", stops: ["heater", "circulation"], stopsWhenMade: ["valve"] },
      ...(a["float"] === "yes"
        ? [{ name: say.floodSwitch, kind: "pressure switch" as const, stopsWhenMade: ["valve"] }]
        : []),
      { name: say.waterSensor, kind: "ntc", ohms: 10_000 },
      ...(isInLine ? [] : [{ ...door, stops: all }]),
    ],
    ...(isInLine ? { inLine: [door] } : {}),
    ...boardsOf(a),
    filter: true,
    stages: stagesOf(a),
    functions: [
      { of: "door", stage: "door-open", load: "circulation", by: "look" },
      { of: "fill", stage: "fill", load: "valve", by: "look" },
      { of: "fill", stage: "full", load: "valve", by: "look" },
      ...(a["float"] === "yes" ? [{ of: "float", stage: "flood", load: "valve", by: "look" as const }] : []),
      { of: "wash", stage: "wash", load: "circulation", by: "look" },
      { of: "heater", stage: "wash", load: "heater", by: "amps" },
      { of: "drain", stage: "drain", load: "drain", by: "look" },
      ...(hasDispenser ? [{ of: "dispenser", stage: "dispense", load: "dispenser", by: "look" as const }] : []),
    ],
    firsts: [askOutlet, askTap("valve"), askDrain("drain")],
    covers: { board: lidOverBoard, loads: { name: say.basePanel, minutes: 6, tool: shared.torx20, screws: 5 } },
    guards: ["sequence", "temperature"],
    cautions: [say.caution],
  };
}

/** A dishwasher for plates or glasses. */
export const dishwasher: Family = {
  id: "dishwasher",
  name: say.name,
  family: "dishwasher",
  supplies: ["230", "120"],
  questions: [
    ...BOARD_QUESTIONS,
    { id: "door", ...say.door, usual: "line" },
    yesOrNo("float", say.askFloat, "yes"),
    yesOrNo("dispenser", say.askDispenser, "yes"),
  ],
  plan,
};
