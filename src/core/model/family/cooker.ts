import type { QuickSupply } from "../quick/quick-supply";
import { BOARD_QUESTIONS, boardsOf, yesOrNo } from "./common-questions";
import type { Answers, Family, FamilyPlan, FamilyStage } from "./family";
import { betweenLines, load } from "./family-loads";
import { backPanel, lidOverBoard } from "./shared-plans";
import { say } from "#words/core/model/family/cooker";
import { say as shared } from "#words/core/model/family/shared";

/** Watts of plates, the first the largest; from memory. */
const PLATES = [2000, 1500, 1500, 1200];
const platesOf = (a: Answers) => PLATES.slice(0, Number(a["plates"])).map((_, i) => `plate-${i + 1}`);
const hasOven = (a: Answers) => a["oven"] !== "none";
const ovenOf = (a: Answers) => (a["oven"] === "fan" ? ["oven-heat", "oven-fan"] : ["oven-heat", "grill"]);

function stagesOf(a: Answers): readonly FamilyStage[] {
  const lamp = a["lamp"] === "yes" && hasOven(a) ? ["lamp"] : [];
  return [
    ...(platesOf(a).length > 0 ? [{ id: "plates", ...say.plates.stage, asks: platesOf(a), minutes: 1 }] : []),
    ...(hasOven(a)
      ? [
          { id: "oven", ...say.oven.stage, asks: [...ovenOf(a), ...lamp], minutes: 2 },
          {
            id: "oven-hot",
            ...say.ovenHot,
            asks: [...(a["oven"] === "fan" ? ["oven-fan"] : []), ...lamp],
            places: { [say.ovenSensor]: 200 },
            minutes: 12,
          },
        ]
      : []),
    { id: "rest", name: shared.idle, how: shared.idleHow, asks: [], minutes: 0.2 },
  ];
}

function plan(a: Answers, supply: QuickSupply): FamilyPlan {
  const limit = { name: say.ovenLimit, kind: "thermal cut-off" as const, celsius: 320 };
  const heater = (name: string, watts: number, more = {}) =>
    load(name, "heater", watts, { ...betweenLines(supply), ...more });
  const oven = {
    "oven-heat": heater(a["oven"] === "fan" ? say.ringElement : say.lowerElement, 1800, { through: [limit] }),
    ...(a["oven"] === "fan"
      ? { "oven-fan": load(say.ovenFan, "fan", 30) }
      : { grill: heater(say.grillElement, 1400, { through: [limit] }) }),
  };
  return {
    loads: {
      ...Object.fromEntries(platesOf(a).map((p, i) => [p, heater(say.plate(i + 1), PLATES[i]!)])),
      ...(hasOven(a) ? oven : {}),
      ...(hasOven(a) && a["lamp"] === "yes" ? { lamp: load(say.ovenLamp, "lamp", 25) } : {}),
    },
    sensors: hasOven(a) ? [{ name: say.ovenSensor, kind: "ntc", ohms: 100_000 }] : [],
    ...boardsOf(a),
    filter: false,
    stages: stagesOf(a),
    functions: [],
    firsts: [
      {
        id: "clock",
        ask: say.askClock,
        cause: "yes",
        then: say.clockThen,
        minutes: 1,
        odds: 15,
        loads: hasOven(a) ? ["oven-heat"] : [],
      },
    ],
    covers: { board: lidOverBoard, loads: backPanel },
    guards: ["temperature"],
    cautions: [shared.hotSurfaces, say.caution],
  };
}

/** A cooker: plates, an oven, or both. */
export const cooker: Family = {
  id: "cooker",
  name: say.name,
  family: "powered equipment",
  supplies: ["230", "400 V 3 phases", "120/240 split"],
  questions: [
    ...BOARD_QUESTIONS,
    { id: "plates", ...say.plates.question, usual: "4" },
    { id: "oven", ...say.oven.question, usual: "fan", isAsked: (a) => a["plates"] !== "0" },
    yesOrNo("lamp", say.askLamp, "yes", (a) => hasOven(a)),
  ],
  plan,
};
