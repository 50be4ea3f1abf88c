import { ORDINARY_METER } from "../instrument";
import type { Machine, Part, SetupEntry } from "../model";
import { quantityText } from "../quantity";
import { makeTest, nominalValues, NoOperatingPoint, observe, Simulator, type State } from "../simulate";
import { insulationOf } from "./after-repair-limits";
import { type Connector, nodesOf, type OwnPlug } from "./access";
import { say } from "#words/core/repair/loads-dead";

/** What a board drives over one plug, read at the wire side with the plug off and nothing live. */
export interface DeadReading {
  readonly load: string;
  readonly red: string;
  readonly black: string;
  /** The plug that the red lead is at. */
  readonly plug: string;
  /** Ohms of the sound load with what lies in series; `Infinity`: nothing. */
  readonly ohms: number;
  readonly words: string;
}

/** Parts that current merely passes: what lies behind them is driven over the same pin. */
const isPassed = (part: Part) =>
  part.nodeOf.size <= 3 && !part.kind.electrical.load && !part.kind.electrical.source?.(part.fields);

/** The nodes that a node is joined to by what current merely passes, outside one assembly and not by way of `barred`. */
export function joinedTo(
  machine: Machine,
  node: number,
  assembly: string,
  barred: ReadonlySet<number> = new Set(),
): ReadonlySet<number> {
  const reached = new Set([node]);
  const next = [node];
  for (let at = next.pop(); at !== undefined; at = next.pop())
    for (const part of machine.parts) {
      if (part.assembly === assembly || !isPassed(part)) continue;
      const nodes = [...part.nodeOf].filter(([terminal]) => terminal !== "case").map(([, n]) => n);
      if (!nodes.includes(at)) continue;
      for (const n of nodes) {
        if (reached.has(n) || barred.has(n)) continue;
        reached.add(n);
        next.push(n);
      }
    }
  return reached;
}

/** Whether a plug brings the supply in, from a source of the machine. */
export function feeds(machine: Machine, connector: Connector, assembly: string): boolean {
  const sources = machine.sources.flatMap((s) => [...s.nodeOf].filter(([t]) => t !== "earth").map(([, n]) => n));
  const own = new Set(nodesOf(machine, connector, "near"));
  return nodesOf(machine, connector, "far").some((n) => {
    const reached = joinedTo(machine, n, assembly, own);
    return sources.some((s) => reached.has(s));
  });
}

/**
 * The loads that an assembly drives over its plugs: each with the pins at which its ohms are read once these are off,
 * and what a sound one shows.
 */
export function deadReadings(machine: Machine, assembly: string, plugs: readonly OwnPlug[]): readonly DeadReading[] {
  const off = machine.file.setups.find((s) => s.power === "off");
  const near = plugs.filter((p) => p.side === "near").map((p) => p.connector);
  if (!off || near.length === 0) return [];
  const simulator = new Simulator(machine);
  // Every plug of the board off, nothing held, nothing lifted.
  const setup = { ...off, apart: near.map((c) => c.id), press: [], lifted: [], openDoors: [], magnets: [], levels: {} };
  // Its plugs are off: nothing is reached through its own side of them.
  const own = new Set(near.flatMap((connector) => nodesOf(machine, connector, "near")));
  const pins = near.flatMap((connector) =>
    [...machine.points.values()]
      .filter((p) => p.connector === connector.id && p.where === connector.far.words)
      .map((point) => ({ connector, point, reached: joinedTo(machine, point.node, assembly, own) })),
  );
  const state = standing(machine, simulator, setup);
  if (!state) return [];
  return machine.parts.flatMap((load): DeadReading[] => {
    if (!load.kind.electrical.load || machine.assemblyById.get(load.assembly)?.board) return [];
    const ends = [...load.nodeOf].filter(([terminal]) => terminal !== "case").map(([, n]) => n);
    const at = ends.map((n) => pins.find((p) => p.reached.has(n)));
    const [red, black] = [at[0], at.find((p) => p !== undefined && p !== at[0])];
    if (!red || !black || red.point.node === black.point.node) return [];
    const test = makeTest(off.id, "ohms", red.point.id, black.point.id);
    const shown = observe(simulator, state, test, ORDINARY_METER);
    const ohms = shown.kind === "value" ? shown.value : Infinity;
    const words = [
      say.reads(load.name, red.point.name, black.point.name, ohms < Infinity ? quantityText(ohms, "ohms") : "OL"),
      ...toCase(machine, load),
    ].join("; ");
    return [{ load: load.id, red: red.point.id, black: black.point.id, plug: red.connector.id, ohms, words }];
  });
}

/** The sound machine in a setup; null where the model finds no operating point. */
function standing(machine: Machine, simulator: Simulator, setup: SetupEntry): State | null {
  try {
    return simulator.energise(setup, [], nominalValues(machine));
  } catch (error) {
    if (!(error instanceof NoOperatingPoint)) throw error;
    return null;
  }
}

/** What a load with a case must show to it. */
function toCase(machine: Machine, load: Part): readonly string[] {
  const node = load.nodeOf.get("case");
  const metal = node === undefined ? undefined : [...machine.points.values()].find((p) => p.node === node);
  return metal ? [say.toTheCase(metal.name, insulationOf(machine))] : [];
}
