import { everydaySetup, type Machine, type Point } from "../model";
import { quantityText } from "../quantity";
import { nominalValues, NoOperatingPoint, Simulator } from "../simulate";
import { say } from "#words/core/repair/procedure";

/** Terminals at which a supply and what it feeds have their return, most telling first. */
const RETURNS = ["return", "minus", "source"] as const;

// A plan is made anew at every tick; what a sound machine shows stays.
const KNOWN = new WeakMap<Machine, Map<string, readonly string[]>>();

/**
 * What each rail of a board should read on a sound unit in everyday use, to the board's own return; only its name where
 * the board has none that can be touched.
 */
export function railVolts(machine: Machine, assembly: string, rails: readonly Point[]): readonly string[] {
  const known = KNOWN.get(machine) ?? new Map<string, readonly string[]>();
  KNOWN.set(machine, known);
  const words = known.get(assembly) ?? reckoned(machine, assembly, rails);
  known.set(assembly, words);
  return words;
}

function reckoned(machine: Machine, assembly: string, rails: readonly Point[]): readonly string[] {
  const black = returnOf(machine, assembly);
  if (!black || rails.length === 0) return rails.map((p) => p.name);
  const simulator = new Simulator(machine);
  try {
    const state = simulator.energise(everydaySetup(machine.file), [], nominalValues(machine));
    simulator.circuit.load(state, state.phases[0]!);
    return rails.map((p) => {
      const { dc } = simulator.circuit.openVolts(p.node, black.node);
      return say.railReads(p.name, black.name, quantityText(dc, "volts"));
    });
  } catch (error) {
    if (error instanceof NoOperatingPoint) return rails.map((p) => p.name);
    throw error;
  }
}

function returnOf(machine: Machine, assembly: string): Point | undefined {
  const own = machine.parts.filter((p) => p.assembly === assembly);
  const nodes = RETURNS.flatMap((t) => own.flatMap((p) => p.nodeOf.get(t) ?? []));
  const points = [...machine.points.values()];
  return nodes.flatMap((n) => points.filter((p) => p.node === n))[0];
}
