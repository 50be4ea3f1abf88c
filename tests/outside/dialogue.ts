import { readFileSync } from "node:fs";

import { advise, type Evidence, type FaultDictionary, type UnitState, type WhyOpened } from "../../src/core/diagnose";
import { assemblyOfFault, canOpen, type Machine, openBoard } from "../../src/core/model";
import { makeTest } from "../../src/core/simulate";
import { ALL_EQUIPMENT } from "../../src/core/diagnose/planning/equipment";
import { unitStateAfter } from "../../src/core/diagnose/planning/cost";
import { isolationOf } from "../support/fleet";
import { randomSource } from "../support/unit-on-the-bench";
import { faultsIn } from "./controller-table";
import { SpiceUnit, type StateTable } from "./spice-unit";

/** A unit with a fault, its complaint, and what its controllers do setup by setup. */
export interface Dialogue {
  readonly machine: string;
  readonly fault: string;
  readonly complaint: string;
  readonly states: Readonly<Record<string, StateTable>>;
}

export const DIALOGUES = JSON.parse(
  readFileSync(new URL("dialogues.json", import.meta.url), "utf8"),
) as readonly Dialogue[];

/** How a dialogue ended: what was called, what it is, and what it took. */
export interface Ending {
  readonly kind: string;
  /** The assembly that is broken. */
  readonly truth: string;
  readonly assemblies: readonly string[];
  readonly inVain: readonly string[];
  readonly readings: readonly string[];
  readonly runs: number;
  /** The components of a board that were named, and the one that is broken; empty where nobody looked inside. */
  readonly components: readonly string[];
  readonly component: string;
  /** What had opened, and its causes as they stand at the end. */
  readonly why?: WhyOpened;
}

const MOST = 40;
/** An ordinary meter and clamps: what the circuit simulator's instruments are. */
const EQUIPMENT = { ...ALL_EQUIPMENT, inrush: false, hertz: false, capacitance: false, insulation: false };

const built = new Map<string, FaultDictionary>();
function dictionaryOf(name: string): FaultDictionary {
  if (!built.has(name)) built.set(name, isolationOf(name));
  return built.get(name)!;
}

/** What of a dialogue's table the circuit does not bear out, as sentences; none where it is as written. */
export function contradictions({ machine: name, fault, complaint, states }: Dialogue, seed: number): string[] {
  const { machine } = dictionaryOf(name);
  const [{ part, mode }, ...led] = faultsIn(fault);
  const random = randomSource(seed);
  const unit = new SpiceUnit(machine, { part, mode }, states, () => 2 * random() - 1, { led });
  const { setup, sees } = machine.file.complaints.find((c) => c.id === complaint)!;
  const unseen = Object.entries(sees).flatMap(([seen, label]) => {
    const shown = unit.read(makeTest(setup, "look", seen));
    return shown.kind === "label" && shown.label === label ? [] : [`${seen} does not look ${label}`];
  });
  // A controller is at work where its rail is there, and nowhere else.
  const fed = machine.parts.flatMap((controller) => {
    if (controller.kind.kind !== "controller" || [part, ...led.map((f) => f.part)].includes(controller.id)) return [];
    const { min, max } = (controller.fields as unknown as { rail: { min: number; max: number } }).rail;
    const volts = unit.rail(setup, controller.id);
    const isFed = volts >= min && volts <= max;
    const isAwake = states[setup]!.on[controller.id] !== undefined;
    return isFed === isAwake
      ? []
      : [`${controller.id} has ${volts.toFixed(2)} V and is ${isAwake ? "awake" : "asleep"}`];
  });
  return [...unseen, ...fed];
}

/** A search from the complaint to its end, every step answered by the circuit simulator. */
export function held(
  { machine: name, fault, complaint, states }: Dialogue,
  seed: number,
  boards = false,
  before: readonly Evidence[] = [],
  dictionary: FaultDictionary = dictionaryOf(name),
  /** The machine as it really is, where the dictionary knows it by a sheet only. */
  real: Machine = dictionary.machine,
): Ending {
  const { machine } = dictionary;
  const [{ part, mode }, ...led] = faultsIn(fault);
  const truth = real.partById.get(part)!.assembly;
  const random = randomSource(seed);
  const unit = new SpiceUnit(real, { part, mode }, states, () => 2 * random() - 1, { led });
  const evidence: Evidence[] = [{ type: "complaint", id: "complaint", complaint }, ...before];
  const readings: string[] = [];
  const inVain: string[] = [];
  let unitState: UnitState = {
    setup: machine.file.complaints.find((c) => c.id === complaint)!.setup,
    openPanels: new Set(),
    equipment: { ...EQUIPMENT, boards },
  };
  const component = boards && canOpen(real, truth) ? assemblyOfFault(openBoard(real, truth), { part, mode }) : "";
  const ended = (
    kind: string,
    assemblies: readonly string[],
    components: readonly string[] = [],
    why?: WhyOpened,
  ): Ending => ({
    ...(why ? { why } : {}),
    components,
    component,
    kind,
    truth,
    assemblies,
    inVain,
    readings,
    runs: unit.runs,
  });
  for (let step = 0; step < MOST; step++) {
    const advice = advise(dictionary, evidence, unitState);
    if (advice.stop) {
      const named = advice.inside?.suspects.filter((s) => s.probability >= 0.05).map((s) => s.assembly);
      return ended(advice.stop.kind, advice.stop.assemblies, named, advice.why);
    }
    if (advice.attempt) {
      const { assembly } = advice.attempt;
      const result = assembly === truth ? ("gone" as const) : ("stays" as const);
      evidence.push({ type: "tried", id: `t${step}`, assembly, result });
      if (result === "stays") inVain.push(assembly);
      continue;
    }
    const { test } = advice.next!;
    unitState = unitStateAfter(machine, unitState, test);
    const shown = unit.read(test);
    readings.push(
      `${test.setup} ${test.function} ${test.red} ${test.black ?? ""} = ${"value" in shown ? shown.value.toPrecision(4) : "label" in shown ? shown.label : "beeps" in shown ? shown.beeps : shown.kind}`,
    );
    const repairs = evidence.flatMap((e) => (e.type === "tried" ? [{ assembly: e.assembly, result: e.result }] : []));
    evidence.push({
      type: "reading",
      id: `r${step}`,
      test,
      shown,
      ...(repairs.length > 0 ? { repairs } : {}),
    });
  }
  return ended("no end", []);
}
