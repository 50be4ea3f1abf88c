import { boardsOf, faceOfOneBoard, yesOrNo } from "./common-questions";
import type { Answers, Family, FamilyPlan, FamilyStage } from "./family";
import { load } from "./family-loads";
import { askGas, askOutlet } from "./shared-plans";
import { say } from "#words/core/model/family/absorption";
import { say as shared } from "#words/core/model/family/shared";

const burns = (a: Answers) => a["gas"] === "yes";

function stagesOf(a: Answers): readonly FamilyStage[] {
  const gas = ["igniter", "valve"];
  return [
    { id: "on-mains", ...say.onMains, asks: ["element"], minutes: 2 },
    ...(burns(a)
      ? [
          { id: "lighting", ...say.lighting, asks: gas, minutes: 1 },
          {
            id: "on-gas",
            ...say.onGas,
            mode: "lighting",
            asks: gas,
            places: { [shared.flameSensor]: 300 },
            minutes: 2,
          },
        ]
      : []),
    { id: "satisfied", ...say.satisfied, asks: [], places: { [say.coolSensor]: 3 }, minutes: 1 },
  ];
}

function plan(a: Answers): FamilyPlan {
  const cutOff = { name: say.boilerCutOff, kind: "thermal cut-off" as const, celsius: 230 };
  return {
    loads: {
      element: load(say.element, "heater", 190, a["cutoff"] === "yes" ? { through: [cutOff] } : {}),
      ...(burns(a)
        ? { igniter: load(shared.igniter, "heater", 60), valve: load(shared.gasValve, "gas valve", 8) }
        : {}),
    },
    sensors: [
      { name: say.coolSensor, kind: "ntc", ohms: 10_000 },
      ...(burns(a) ? [{ name: shared.flameSensor, kind: "thermostat" as const, stops: ["igniter"] }] : []),
    ],
    ...boardsOf({ boards: "1", ...a }),
    filter: false,
    stages: stagesOf(a),
    functions: [
      { of: "amps", stage: "on-mains", load: "element", by: "amps" },
      { of: "amps", stage: "satisfied", load: "element", by: "amps" },
      ...(burns(a) ? [{ of: "gas", stage: "on-gas", load: "valve", by: "look" as const }] : []),
    ],
    firsts: [
      askOutlet,
      { id: "level", ask: say.askLevel, cause: "no", then: say.levelThen, minutes: 3, odds: 20, loads: ["element"] },
      ...(burns(a) ? [askGas("valve")] : []),
    ],
    covers: {
      board: { name: shared.controlLid, minutes: 3, tool: shared.crosshead, screws: 2 },
      loads: { name: say.flueCover, minutes: 8, tool: shared.crosshead, screws: 4 },
    },
    guards: ["sequence", "temperature"],
    cautions: [say.caution, ...(burns(a) ? [shared.hasGas] : [])],
  };
}

/** A refrigerator that cools by heat: an element on mains, beside it a burner. */
export const absorption: Family = {
  id: "absorption",
  name: say.name,
  family: "refrigerator",
  row: "absorption refrigerator",
  supplies: ["230", "120"],
  questions: [faceOfOneBoard("display"), yesOrNo("gas", say.askGas, "yes"), yesOrNo("cutoff", say.askCutOff, "yes")],
  plan,
};
