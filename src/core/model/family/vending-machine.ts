import { BOARD_QUESTIONS, boardsOf, yesOrNo } from "./common-questions";
import type { Answers, Family, FamilyPlan, FamilyStage } from "./family";
import { fromBoard, load } from "./family-loads";
import { askOutlet, backPanel, lidOverBoard } from "./shared-plans";
import { say } from "#words/core/model/family/vending-machine";
import { say as shared } from "#words/core/model/family/shared";

const columnsOf = (a: Answers) => Array.from({ length: Number(a["columns"]) }, (_, i) => `column-${i + 1}`);
const isCold = (a: Answers) => a["cooled"] === "yes";

function stagesOf(a: Answers): readonly FamilyStage[] {
  const lit = a["light"] === "yes" ? ["light"] : [];
  const cooling = isCold(a) ? ["compressor", "fan"] : [];
  const cold = isCold(a) ? { [say.cabinetSensor]: 4 } : {};
  return [
    ...(isCold(a) ? [{ id: "cooling", ...say.cooling, asks: [...cooling, ...lit], minutes: 6 }] : []),
    { id: "ready", ...say.ready, asks: lit, places: cold, minutes: 1 },
    ...columnsOf(a).map((column, i) => ({
      id: `vend-${i + 1}`,
      name: say.vend.name(i + 1),
      how: say.vend.how(i + 1),
      asks: [...lit, column],
      places: cold,
      minutes: 0.5,
    })),
    {
      id: "door-open",
      ...say.doorOpen,
      mode: "vend-1",
      asks: [...lit, ...columnsOf(a).slice(0, 1)],
      places: cold,
      doorOpen: true,
    },
  ];
}

function plan(a: Answers): FamilyPlan {
  const columns = columnsOf(a);
  return {
    loads: {
      ...Object.fromEntries(columns.map((c, i) => [c, load(say.column(i + 1), "motor", 12, fromBoard(24))])),
      ...(isCold(a)
        ? {
            compressor: load(shared.compressor, "compressor", 300, { start: ["ptc", "overload"] }),
            fan: load(say.fan, "fan", 20),
          }
        : {}),
      ...(a["light"] === "yes" ? { light: load(shared.light, "lamp", 12, fromBoard(24)) } : {}),
    },
    sensors: [
      { name: shared.doorSwitch, kind: "door switch", stops: columns },
      ...(isCold(a) ? [{ name: say.cabinetSensor, kind: "ntc" as const, ohms: 10_000 }] : []),
    ],
    ...boardsOf(a),
    filter: true,
    stages: stagesOf(a),
    functions: [
      { of: "door", stage: "door-open", load: "column-1", by: "look" },
      ...columns.map((c, i) => ({ of: "columns", stage: `vend-${i + 1}`, load: c, by: "look" as const })),
      ...(isCold(a)
        ? [
            { of: "compressor", stage: "cooling", load: "compressor", by: "amps" as const },
            { of: "compressor", stage: "ready", load: "compressor", by: "look" as const },
            { of: "fan", stage: "cooling", load: "fan", by: "look" as const },
          ]
        : []),
    ],
    firsts: [
      askOutlet,
      { id: "jam", ask: say.askJam, cause: "yes", then: say.jamThen, minutes: 4, odds: 20, loads: columns },
    ],
    covers: { board: lidOverBoard, loads: backPanel },
    guards: ["sequence", "temperature"],
    cautions: [say.caution],
  };
}

/** A vending machine with columns that turn, cooled or not. */
export const vendingMachine: Family = {
  id: "vending-machine",
  name: say.name,
  family: "vending machine",
  supplies: ["230", "120"],
  questions: [
    ...BOARD_QUESTIONS,
    { id: "columns", ...say.columns, usual: "3" },
    yesOrNo("cooled", say.askCooled, "yes"),
    yesOrNo("light", say.askLight, "yes"),
  ],
  plan,
};
