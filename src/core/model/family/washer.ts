import { BOARD_QUESTIONS, boardsOf, yesOrNo } from "./common-questions";
import type { Answers, Family, FamilyPlan, FamilyStage } from "./family";
import { load } from "./family-loads";
import { askDrain, askOutlet, askTap, backPanel, lidOverBoard } from "./shared-plans";
import { say } from "#words/core/model/family/washer";
import { say as shared } from "#words/core/model/family/shared";

const hasHeater = (a: Answers) => a["heater"] === "yes";

function stagesOf(a: Answers): readonly FamilyStage[] {
  const lock = a["door"] === "lock" ? ["lock"] : [];
  const valves = a["valves"] === "2" ? ["cold", "hot"] : ["cold"];
  const heater = hasHeater(a) ? ["heater"] : [];
  const full = { [say.levelSwitch]: 1 };
  const locked = { seconds: 20 };
  return [
    { id: "wash", ...say.wash, asks: [...lock, "motor", ...heater], levels: full, minutes: 3, ...locked },
    { id: "fill", ...say.fill, asks: [...lock, ...valves], minutes: 0.5, ...locked },
    { id: "full", ...say.full, mode: "fill", asks: [...lock, ...valves], levels: full, minutes: 2, ...locked },
    { id: "drain", ...say.drain, asks: [...lock, "pump"], levels: full, minutes: 1, ...locked },
    { id: "spin", ...say.spin, asks: [...lock, "pump", "motor"], minutes: 3, ...locked },
    { id: "no-water", ...say.noWater, mode: "wash", asks: [...lock, "motor", ...heater], minutes: 1, ...locked },
    {
      id: "door-open",
      name: shared.doorOpen,
      how: shared.doorOpenHow,
      mode: "wash",
      asks: [...lock, "motor", ...heater],
      levels: full,
      doorOpen: true,
      ...locked,
    },
  ];
}

function plan(a: Answers): FamilyPlan {
  const isLocked = a["door"] === "lock";
  const valves = a["valves"] === "2" ? ["cold", "hot"] : ["cold"];
  const heated = hasHeater(a) ? ["heater"] : [];
  const stopped = [...valves, "motor", ...heated];
  const overheat = { name: shared.thermalCutOff, kind: "thermal cut-off" as const, celsius: 110 };
  const guarded = a["motor"] === "cut-off" ? { through: [{ name: say.motorProtector, kind: overheat.kind }] } : {};
  return {
    loads: {
      ...(isLocked ? { lock: load(shared.doorLock, "door lock", 20) } : {}),
      cold: load(valves.length === 2 ? say.coldValve : shared.inletValve, "valve", 8),
      ...(valves.length === 2 ? { hot: load(say.hotValve, "valve", 8) } : {}),
      motor: load(shared.drumMotor, "motor", 350, guarded),
      ...(hasHeater(a) ? { heater: load(shared.heater, "heater", 1900, { through: [overheat] }) } : {}),
      pump: load(shared.drainPump, "pump", 35),
    },
    sensors: [
      isLocked
        ? { name: shared.lockContact, kind: "lock contact", of: "lock", stops: stopped }
        : { name: say.lidSwitch, kind: "door switch", stops: stopped },
      { name: say.levelSwitch, kind: "pressure switch", stops: heated, stopsWhenMade: valves },
      ...(hasHeater(a) ? [{ name: say.waterSensor, kind: "ntc" as const, ohms: 4700 }] : []),
    ],
    ...boardsOf(a),
    filter: true,
    stages: stagesOf(a),
    functions: [
      ...(isLocked ? [{ of: "lock", stage: "fill", load: "lock", by: "look" as const }] : []),
      { of: "fill", stage: "fill", load: "cold", by: "look" },
      { of: "fill", stage: "full", load: "cold", by: "look" },
      ...(hasHeater(a)
        ? [
            { of: "heater", stage: "wash", load: "heater", by: "amps" as const },
            { of: "heater", stage: "no-water", load: "heater", by: "amps" as const },
          ]
        : []),
      { of: "tumble", stage: "wash", load: "motor", by: "look" },
      { of: "drain", stage: "drain", load: "pump", by: "look" },
      { of: "spin", stage: "spin", load: "motor", by: "look" },
    ],
    firsts: [askOutlet, askTap(...valves), askDrain("pump")],
    covers: { board: lidOverBoard, loads: backPanel },
    guards: ["sequence", "temperature"],
    cautions: [shared.movingParts, say.caution],
  };
}

/** A washer with a drum, heated or not. */
export const washer: Family = {
  id: "washer",
  name: say.name,
  family: "washer",
  supplies: ["230", "120"],
  questions: [
    ...BOARD_QUESTIONS,
    { id: "door", ...say.door, usual: "lock" },
    { id: "valves", ...say.valves, usual: "1" },
    { id: "motor", ...say.motor, usual: "plain" },
    yesOrNo("heater", say.askHeater, "yes"),
  ],
  plan,
};
