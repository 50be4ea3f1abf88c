import type { QuickGuard, QuickLoad } from "../quick/quick-load";
import type { QuickSupply } from "../quick/quick-supply";
import { BOARD_QUESTIONS, boardsOf, yesOrNo } from "./common-questions";
import type { Answers, Family, FamilyFunctionShown, FamilyPlan, FamilySensor, FamilyStage } from "./family";
import { betweenLines, load } from "./family-loads";
import { askGas, askOutlet, backPanel, lidOverBoard } from "./shared-plans";
import { say } from "#words/core/model/family/dryers";
import { say as shared } from "#words/core/model/family/shared";

/** Where the cut-off and the fuse in a dryer's heat open, degrees; from memory. */
const LIMITS: Readonly<Record<string, readonly QuickGuard[]>> = {
  limit: [{ name: say.highLimit, kind: "thermal cut-off", celsius: 150 }],
  both: [
    { name: say.cyclingThermostat, kind: "thermostat", celsius: 70 },
    { name: say.highLimit, kind: "thermal cut-off", celsius: 150 },
  ],
  fuse: [
    { name: say.highLimit, kind: "thermal cut-off", celsius: 150 },
    { name: shared.thermalFuse, kind: "thermal cut-off", celsius: 190 },
  ],
};

/** What makes a dryer's heat: its loads, what tells the board of it, and in which states it is asked for. */
interface Heat {
  readonly loads: Readonly<Record<string, QuickLoad>>;
  readonly sensors: readonly FamilySensor[];
  readonly stages: (more: readonly string[]) => readonly FamilyStage[];
  readonly functions: readonly FamilyFunctionShown[];
  readonly cautions: readonly string[];
  readonly firsts: FamilyPlan["firsts"];
}

/** A dryer's drum, door and airflow, around what heats it. */
function dryerPlan(a: Answers, heat: Heat): FamilyPlan {
  const moved = ["motor", ...(a["fan"] === "own" ? ["fan"] : [])];
  const all = [...moved, ...Object.keys(heat.loads)];
  return {
    loads: {
      motor: load(shared.drumMotor, "motor", 250),
      ...(a["fan"] === "own" ? { fan: load(say.fan, "fan", 40) } : {}),
      ...heat.loads,
    },
    sensors: [
      { name: shared.doorSwitch, kind: "door switch", stops: all },
      { name: say.outletSensor, kind: "ntc", ohms: 10_000 },
      ...heat.sensors,
    ],
    ...boardsOf(a),
    filter: false,
    stages: [
      ...heat.stages(moved),
      { id: "cool-down", ...say.coolDown, asks: moved, minutes: 2 },
      {
        id: "door-open",
        name: shared.doorOpen,
        how: shared.doorOpenHow,
        mode: heat.stages(moved)[0]!.id,
        asks: heat.stages(moved)[0]!.asks,
        doorOpen: true,
      },
    ],
    functions: [
      { of: "door", stage: "door-open", load: "motor", by: "look" },
      { of: "direction", stage: "cool-down", load: "motor", by: "look" },
      ...heat.functions,
    ],
    firsts: [
      askOutlet,
      {
        id: "air",
        ask: say.askAir,
        cause: "yes",
        then: say.airThen,
        minutes: 5,
        odds: 25,
        loads: Object.keys(heat.loads).slice(0, 1),
      },
      ...heat.firsts,
    ],
    covers: { board: lidOverBoard, loads: backPanel },
    guards: ["sequence", "temperature"],
    cautions: [shared.movingParts, shared.hotSurfaces, ...heat.cautions],
  };
}

const fanQuestion = { id: "fan", ...say.fanOn, usual: "drum" } as const;
const limitQuestion = { id: "limits", ...say.limits, usual: "fuse" } as const;

function electricHeat(a: Answers, supply: QuickSupply): Heat {
  const by: QuickLoad["by"] =
    a["switched"] === "contactor"
      ? {
          kind: "contactor",
          name: say.heaterContactor,
          coil: { volts: 24, from: "transformer" },
          through: [],
          poles: 1,
        }
      : undefined;
  const heater = load(shared.heater, "heater", supply.volts < 200 ? 1400 : 2800, {
    ...betweenLines(supply),
    through: LIMITS[a["limits"]!]!,
    ...(by ? { by } : {}),
  });
  return {
    loads: { heater },
    sensors: [],
    stages: (moved) => [{ id: "drying", ...say.drying, asks: [...moved, "heater"], minutes: 3 }],
    functions: [
      { of: "heat", stage: "drying", load: "heater", by: "amps" },
      { of: "heat", stage: "cool-down", load: "heater", by: "amps" },
    ],
    cautions: [],
    firsts: [],
  };
}

/** A dryer with an electric heater. */
export const electricDryer: Family = {
  id: "electric-dryer",
  name: say.electric,
  family: "dryer",
  supplies: ["230", "120/240 split", "120"],
  questions: [...BOARD_QUESTIONS, limitQuestion, { id: "switched", ...say.switched, usual: "board" }, fanQuestion],
  plan: (a, supply) => dryerPlan(a, electricHeat(a, supply)),
};

function gasHeat(a: Answers): Heat {
  const limits = LIMITS[a["limits"]!]!;
  const hasFlame = a["flame"] === "yes";
  const flame = { [shared.flameSensor]: 200 };
  return {
    loads: {
      igniter: load(shared.igniter, "heater", 350),
      valve: load(shared.gasValve, "gas valve", 10, { through: limits }),
    },
    sensors: hasFlame ? [{ name: shared.flameSensor, kind: "thermostat", stops: ["igniter"] }] : [],
    stages: (moved) => [
      { id: "lighting", ...say.lighting, asks: [...moved, "igniter", "valve"], minutes: 1 },
      ...(hasFlame
        ? [
            {
              id: "burning",
              ...say.burning,
              mode: "lighting",
              asks: [...moved, "igniter", "valve"],
              places: flame,
              minutes: 2,
            },
          ]
        : []),
    ],
    functions: [
      { of: "heat", stage: "lighting", load: "igniter", by: "amps" },
      { of: "gas", stage: "lighting", load: "valve", by: "look" },
      { of: "gas", stage: "door-open", load: "valve", by: "look" },
    ],
    cautions: [shared.hasGas],
    firsts: [askGas("valve")],
  };
}

/** A dryer with a gas burner, lit by an igniter. */
export const gasDryer: Family = {
  id: "gas-dryer",
  name: say.gas,
  family: "dryer",
  supplies: ["120", "230"],
  questions: [...BOARD_QUESTIONS, limitQuestion, yesOrNo("flame", say.askFlame, "yes"), fanQuestion],
  plan: (a) => dryerPlan(a, gasHeat(a)),
};

function pumpHeat(a: Answers): Heat {
  const start = a["start"] === "inside" ? {} : { start: ["run capacitor", "overload"] as const };
  const tank = { [say.tankSwitch]: 1 };
  return {
    loads: {
      compressor: load(shared.compressor, "compressor", 450, start),
      water: load(say.waterPump, "pump", 15),
    },
    sensors: [
      { name: say.compressorSensor, kind: "ntc", ohms: 10_000 },
      { name: say.tankSwitch, kind: "pressure switch", stopsWhenMade: ["compressor"] },
    ],
    stages: (moved) => [
      { id: "drying", ...say.drying, asks: [...moved, "compressor", "water"], minutes: 6 },
      {
        id: "tank-full",
        ...say.tankFull,
        mode: "drying",
        asks: [...moved, "compressor", "water"],
        levels: tank,
        minutes: 2,
      },
    ],
    functions: [
      { of: "heat", stage: "drying", load: "compressor", by: "amps" },
      { of: "heat", stage: "cool-down", load: "compressor", by: "look" },
    ],
    cautions: [say.refrigerant],
    firsts: [],
  };
}

/** A dryer with a heat pump. */
export const heatPumpDryer: Family = {
  id: "heat-pump-dryer",
  name: say.heatPump,
  family: "dryer",
  supplies: ["230", "120"],
  questions: [...BOARD_QUESTIONS, { id: "start", ...say.start, usual: "run" }, fanQuestion],
  plan: (a) => dryerPlan(a, pumpHeat(a)),
};
