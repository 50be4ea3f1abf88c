import { yesOrNo, faceOfOneBoard, boardsOf } from "./common-questions";
import type { QuickGuard } from "../quick/quick-load";
import type { QuickSupply } from "../quick/quick-supply";
import type { Answers, Family, FamilyPlan, FamilyStage } from "./family";
import { load } from "./family-loads";
import { lidOverBoard } from "./shared-plans";
import { say } from "#words/core/model/family/dc-drive";
import { say as shared } from "#words/core/model/family/shared";

/** What stops it, from the plus on. */
function stopsOf(a: Answers): readonly QuickGuard[] {
  const stop: QuickGuard = { name: say.emergencyStop, kind: "stop switch" };
  return [
    stop,
    ...(a["stops"] === "cord" || a["stops"] === "all" ? [{ name: say.pullCord, kind: "stop switch" as const }] : []),
    ...(a["stops"] === "guard" || a["stops"] === "all"
      ? [{ name: say.guardSwitch, kind: "door switch" as const }]
      : []),
  ];
}

function stagesOf(a: Answers): readonly FamilyStage[] {
  const asks = ["motor", ...(a["lamp"] === "yes" ? ["lamp"] : [])];
  const started = { worked: [say.startKey] };
  return [
    { id: "run", ...say.run, asks, ...started, minutes: 1 },
    { id: "stopped", ...say.stopped, mode: "run", asks, worked: [say.startKey, say.emergencyStop], minutes: 0.3 },
    { id: "not-started", ...say.notStarted, mode: "run", asks, minutes: 0.2 },
    ...(a["barrier"] === "yes"
      ? [{ id: "barrier", ...say.barrier, mode: "run", asks, worked: [say.startKey, say.barrierContact], minutes: 0.3 }]
      : []),
    ...(a["stops"] === "cord" || a["stops"] === "all"
      ? [
          {
            id: "cord-pulled",
            ...say.cordPulled,
            mode: "run",
            asks,
            worked: [say.startKey, say.pullCord],
            minutes: 0.3,
          },
        ]
      : []),
    ...(a["stops"] === "guard" || a["stops"] === "all"
      ? [{ id: "guard-open", ...say.guardOpen, mode: "run", asks, ...started, doorOpen: true, minutes: 0.3 }]
      : []),
  ];
}

function plan(a: Answers, supply: QuickSupply): FamilyPlan {
  const hasContactor = a["switched"] === "contactor";
  const contactor = {
    kind: "contactor" as const,
    name: say.contactor,
    coil: { volts: supply.volts, from: "line" as const },
    through: [],
    poles: 1,
  };
  const all = ["motor", ...(a["lamp"] === "yes" ? ["lamp"] : [])];
  const stages = stagesOf(a);
  return {
    loads: {
      motor: load(say.motor, "motor", 180, hasContactor ? { by: contactor } : {}),
      ...(a["lamp"] === "yes" ? { lamp: load(say.runLamp, "lamp", 5) } : {}),
    },
    sensors: [
      { name: say.startKey, kind: "hand switch", stops: all },
      ...(a["barrier"] === "yes" ? [{ name: say.barrierContact, kind: "stop switch" as const, stops: all }] : []),
    ],
    inLine: stopsOf(a),
    ...boardsOf({ boards: "1", ...a }),
    filter: false,
    stages,
    functions: [
      ...stages
        .filter((s) => s.id !== "run" && s.id !== "barrier" && s.id !== "not-started")
        .map((s) => ({ of: "stops", stage: s.id, load: "motor", by: "look" as const })),
      ...(a["barrier"] === "yes" ? [{ of: "barrier", stage: "barrier", load: "motor", by: "look" as const }] : []),
      { of: "amps", stage: "run", load: "motor", by: "amps" },
      { of: "warm", stage: "run", load: "motor", by: "look" },
    ],
    firsts: [
      { id: "stop", ask: say.askStop, cause: "yes", then: say.stopThen, minutes: 1, odds: 20, loads: ["motor"] },
      { id: "jam", ask: say.askJam, cause: "yes", then: say.jamThen, minutes: 6, odds: 12, loads: ["motor"] },
    ],
    covers: { board: lidOverBoard, loads: { name: say.driveGuard, minutes: 5, tool: shared.torx20, screws: 4 } },
    guards: ["stall"],
    cautions: [shared.movingParts, say.caution],
  };
}

/** A conveyor, gate or lift on direct current, with what stops it. */
export const dcDrive: Family = {
  id: "dc-drive",
  name: say.name,
  family: "powered equipment",
  row: "conveyor",
  supplies: ["24 VDC", "24 V battery"],
  questions: [
    faceOfOneBoard("display"),
    { id: "stops", ...say.stops, usual: "stop" },
    { id: "switched", ...say.switched, usual: "contactor" },
    yesOrNo("barrier", say.askBarrier, "yes"),
    yesOrNo("lamp", say.askLamp, "yes"),
  ],
  plan,
};
