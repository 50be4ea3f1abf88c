import { boardsOf, faceOfOneBoard, yesOrNo } from "./common-questions";
import type { Answers, Family, FamilyPlan, FamilyStage } from "./family";
import { load } from "./family-loads";
import { say } from "#words/core/model/family/battery-tool";
import { say as shared } from "#words/core/model/family/shared";

const hasNose = (a: Answers) => a["nose"] === "yes";

function stagesOf(a: Answers): readonly FamilyStage[] {
  const lamp = a["lamp"] === "yes" ? ["lamp"] : [];
  const asks = ["drive", ...lamp];
  const both = hasNose(a) ? [say.trigger, say.noseSwitch] : [say.trigger];
  return [
    { id: "both", ...(hasNose(a) ? say.both : say.pulled), asks, worked: both, minutes: 0.3 },
    { id: "rest", ...say.rest, mode: "both", asks, minutes: 0.2 },
    ...(hasNose(a)
      ? [
          { id: "trigger", ...say.triggerAlone, mode: "both", asks, worked: [say.trigger], minutes: 0.3 },
          { id: "nose", ...say.noseAlone, mode: "both", asks, worked: [say.noseSwitch], minutes: 0.3 },
        ]
      : []),
  ];
}

function plan(a: Answers): FamilyPlan {
  const kind = a["drive"] === "motor" ? "motor" : "solenoid";
  const protector = { name: say.protector, kind: "thermal cut-off" as const, celsius: 90 };
  const stopped = ["drive"];
  return {
    loads: {
      drive: load(
        a["drive"] === "motor" ? say.motor : say.solenoid,
        kind,
        120,
        a["protector"] === "yes" ? { through: [protector] } : {},
      ),
      ...(a["lamp"] === "yes" ? { lamp: load(say.workLamp, "lamp", 2) } : {}),
    },
    sensors: [
      { name: say.trigger, kind: "hand switch", stops: ["drive", ...(a["lamp"] === "yes" ? ["lamp"] : [])] },
      ...(hasNose(a) ? [{ name: say.noseSwitch, kind: "hand switch" as const, stops: stopped }] : []),
    ],
    ...boardsOf({ boards: "1", ...a }),
    filter: false,
    stages: stagesOf(a),
    functions: [
      ...(hasNose(a)
        ? [
            { of: "alone", stage: "trigger", load: "drive", by: "look" as const },
            { of: "alone", stage: "nose", load: "drive", by: "look" as const },
          ]
        : [{ of: "alone", stage: "rest", load: "drive", by: "look" as const }]),
      { of: "both", stage: "both", load: "drive", by: "look" },
    ],
    firsts: [{ id: "pack", ask: say.askPack, cause: "no", then: say.packThen, minutes: 2, odds: 30, loads: [] }],
    covers: {
      board: { name: say.shell, minutes: 8, tool: shared.torx15, screws: 9 },
      loads: { name: say.gearCover, minutes: 4, tool: shared.torx15, screws: 4 },
    },
    guards: ["sequence", "undervoltage"],
    cautions: [say.caution],
  };
}

/** A tool with a pack, fired by a trigger and what its nose is pressed on. */
export const batteryTool: Family = {
  id: "battery-tool",
  name: say.name,
  family: "powered equipment",
  row: "battery tool",
  supplies: ["18 V battery"],
  questions: [
    faceOfOneBoard("lamp"),
    { id: "drive", ...say.drive, usual: "motor" },
    yesOrNo("nose", say.askNose, "yes"),
    yesOrNo("protector", say.askProtector, "no"),
    yesOrNo("lamp", say.askLamp, "yes"),
  ],
  plan,
};
