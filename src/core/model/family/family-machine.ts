import { quickMachine } from "../quick/quick";
import type { QuickLoad, QuickSensor } from "../quick/quick-load";
import type { Entry, QuickMachine, QuickStage } from "../quick/quick-machine";
import { isMains, type QuickSupply, readSupply, supplyWords } from "../quick/quick-supply";
import { type MachineFile, machineFileSchema } from "../schema";
import { type Answers, type Family, type FamilyCover, type FamilyPlan, type FamilyPlate, wholeAnswers } from "./family";
import { withUsualPlugs } from "./usual-plugs";
import { say } from "#words/core/model/family/family-machine";

/**
 * A whole machine file from the answers to a family's questions: parts, the usual plugs, what is asked for in each state,
 * codes, covers, proofs, functions after a swap; all of it marked as assumed. Throws a RangeError with a sentence for an
 * answer that is none, or a supply that such machines do not have.
 */
export function familyMachine(family: Family, plate: FamilyPlate, given: Answers): MachineFile {
  const answers = wholeAnswers(family, given);
  const supply = supplyOf(family, plate.supply);
  const whole = machineFileSchema.parse(
    "draw" in family
      ? family.draw(plate, answers, supply)
      : planned(family, plate, family.plan(answers, supply), supply),
  );
  return { ...whole, assumed: [...assumedOf(whole)] };
}

/** The file of a board and what it switches. */
function planned(family: Family, plate: FamilyPlate, plan: FamilyPlan, supply: QuickSupply): Entry {
  const file = withUsualPlugs(quickMachine(quickOf(family, plate, plan, supply)));
  return { ...file, ...beside(family, plate, plan, file as unknown as MachineFile) };
}

/** Reads a supply and refuses one of another sort than those that the family usually has. */
function supplyOf(family: Family, typed: string): QuickSupply {
  const supply = readSupply(typed);
  const usual = family.supplies.map(readSupply);
  if (!usual.some((u) => u.kind === supply.kind && (u.hertz === 0) === (supply.hertz === 0)))
    throw new RangeError(say.hangsOnSomethingElse(family.name, usual.map(supplyWords)));
  return supply;
}

const keysOf = (plan: FamilyPlan) => Object.keys(plan.loads);

/** The plan as a machine at the door, its loads by their places. */
function quickOf(family: Family, plate: FamilyPlate, plan: FamilyPlan, supply: QuickSupply): QuickMachine {
  const keys = keysOf(plan);
  const place = (key: string) => {
    const i = keys.indexOf(key);
    if (i < 0) throw new TypeError(`${family.id}: no load ${key}`);
    return i;
  };
  const sensors = plan.sensors.map(({ stops, stopsWhenMade, of, ...sensor }): QuickSensor => ({
    ...sensor,
    stops: (stops ?? []).map(place),
    stopsWhenMade: (stopsWhenMade ?? []).map(place),
    ...(of === undefined ? {} : { of: place(of) }),
  }));
  const stages = plan.stages?.map(({ asks, ...stage }): QuickStage => ({ ...stage, asks: asks.map(place) }));
  return {
    id: plate.id,
    name: plate.model,
    family: family.family,
    supply,
    filter: plan.filter && isMains(supply),
    fuse: true,
    loads: Object.values(plan.loads),
    sensors,
    inLine: plan.inLine ?? [],
    ...(stages ? { stages } : {}),
    tells: plan.face !== undefined,
    ...(plan.boards ? { boards: plan.boards } : {}),
    ...(plan.face ? { face: plan.face } : {}),
  };
}

/** What the family says beyond the wiring. */
function beside(family: Family, plate: FamilyPlate, plan: FamilyPlan, file: MachineFile): Entry {
  const covers = [coverOf("cover", plan.covers.board), coverOf("loads-cover", plan.covers.loads)];
  return {
    maker: plate.maker,
    model: plate.model,
    name: family.name,
    ...(family.row ? { functionsOf: family.row } : {}),
    cautions: [say.drawnFromItsFamily, ...file.cautions.slice(1), ...plan.cautions],
    panels: covers,
    // What nobody said a board watches over is not known.
    pieces: file.pieces.map((p) => (p.board && plan.guards.length > 0 ? { ...p, guards: plan.guards } : p)),
    points: file.points.map((p) => (isAtLoad(p.net) ? { ...p, panel: "loads-cover" } : p)),
    paths: file.paths.map((path) => ({
      ...path,
      stages: path.stages.map((s) => ("box" in s && s.parts.every(isLoad) ? { ...s, panel: "loads-cover" } : s)),
    })),
    clamps: clampsOf(plan),
    functions: plan.functions.map((f) => {
      const n = keysOf(plan).indexOf(f.load) + 1;
      const shown =
        f.by === "look"
          ? { setup: f.stage, function: "look", red: `load-${n}` }
          : { setup: f.stage, function: "clamp", red: `clamp-${n}` };
      return { of: f.of, shown };
    }),
    firsts: firstsOf(plan),
  };
}

const coverOf = (id: string, { name, minutes, tool, screws }: FamilyCover) => ({
  id,
  name,
  minutes,
  tools: [tool],
  screws: screws === 0 ? [] : [{ size: tool, count: screws, place: say.allRound }],
});

/** Nets that lie at a load, a sensor or what stands in their leads, away from the board. */
const isAtLoad = (net: string) => /^(?:load-\d|load-N|guard-|coil-guard-|switch-\d|sensor-\d)/.test(net);

/** Parts away from the board: loads, what starts them and what lies in their leads. */
const isLoad = (part: string) => /^(?:load|guard|coil-guard|switch)-\d/.test(part) && !/wire/.test(part);

/** Round the lead of whatever draws a current that tells something. */
const clampsOf = (plan: FamilyPlan) =>
  Object.values(plan.loads).flatMap((load, i) =>
    isClamped(load)
      ? [{ id: `clamp-${i + 1}`, name: say.leadTo(load.name.toLowerCase()), part: `wire-${i + 1}`, panel: "cover" }]
      : [],
  );

/** Volt-amperes under which a clamp meter tells nothing; from memory. */
const LEAST_WATTS = 60;
const isClamped = ({ kind, watts }: QuickLoad) =>
  watts >= LEAST_WATTS && ["heater", "compressor", "motor", "pump"].includes(kind);

/** What is asked before anything is opened. */
function firstsOf(plan: FamilyPlan) {
  const keys = keysOf(plan);
  return plan.firsts.map(({ loads, ...first }) => ({
    ...first,
    complaints: loads.length === 0 ? ["dead"] : loads.map((key) => `no-${keys.indexOf(key) + 1}`),
  }));
}

/** All that nobody has seen yet: every part, plug and cover that the family put there. */
const assumedOf = (file: MachineFile): readonly string[] => [
  ...file.parts.map((p) => (p as unknown as { id: string }).id),
  ...file.connectors.map((c) => c.id),
  ...file.panels.map((p) => p.id),
];
