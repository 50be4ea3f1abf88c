import { ORDINARY_METER } from "../instrument";
import { type Fault, type Machine } from "../model";
import { plainNumber } from "../quantity";
import { Simulator } from "./energise";
import { observe } from "./observe";
import { NoOperatingPoint } from "./state";
import { makeTest } from "./test";
import { nominalValues } from "./values";
import { say } from "#words/core/simulate";

/** What is seen of a part, or what it draws, in one setup. */
export interface PartAtWork {
  readonly part: string;
  readonly name: string;
  /** What it does: `turns`, or its current, `8 A`. */
  readonly does: string;
  /** Whether it draws what it draws when it works. */
  readonly isOn: boolean;
}

/** What a machine does in one of its setups. */
export interface SetupAtWork {
  readonly setup: string;
  readonly name: string;
  readonly parts: readonly PartAtWork[];
}

/** Of the most it draws in any setup, what makes a part count as working. */
const WORKS_FROM = 0.1;
/** Amperes under which nothing works. */
const NOTHING = 5e-4;

/**
 * What every part that can be seen or that draws a load's current does in every setup with power, in the file's order;
 * with faults, what it does then; in one setup only, where one is named. A setup in which the machine comes to no rest is left out.
 */
export function whatRuns(
  machine: Machine,
  faults: readonly Fault[] = [],
  only: string | null = null,
): readonly SetupAtWork[] {
  const simulator = new Simulator(machine);
  const parts = machine.parts.filter((p) => p.labels !== null || p.kind.electrical.load === true);
  const setups = machine.file.setups.filter((s) => (only === null ? s.power === "on" : s.id === only));
  const drawn = setups.flatMap(({ id }) => {
    try {
      const state = simulator.energise(machine.setupById.get(id)!, faults, nominalValues(machine));
      return [{ id, state, amps: ampsOf(simulator, state, parts) }];
    } catch (error) {
      if (error instanceof NoOperatingPoint) return [];
      throw error;
    }
  });
  const most = parts.map((_, i) => Math.max(0, ...drawn.map((d) => d.amps[i]!)));
  return drawn.map(({ id, state, amps }) => ({
    setup: id,
    name: machine.setupById.get(id)!.name,
    parts: parts.map((p, i) => {
      const shown = p.labels ? observe(simulator, state, makeTest(id, "look", p.id), ORDINARY_METER) : null;
      const does = shown?.kind === "label" ? shown.label : say.amps(plainNumber(amps[i]!));
      return { part: p.id, name: p.name, does, isOn: amps[i]! > Math.max(NOTHING, WORKS_FROM * most[i]!) };
    }),
  }));
}

function ampsOf(
  simulator: Simulator,
  state: ReturnType<Simulator["energise"]>,
  parts: Machine["parts"],
): readonly number[] {
  simulator.circuit.load(state, state.phases.at(-1)!);
  return parts.map((p) => {
    const { ac, dc } = simulator.circuit.elementCurrent(p.firstElement);
    return Math.hypot(ac, dc);
  });
}
