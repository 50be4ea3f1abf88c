import { has, type Machine } from "../model";
import { isClamp } from "../instrument";
import type { State } from "./state";
import type { Test } from "./test";

const KNOWN = new WeakMap<Machine, Int32Array>();

/** For each node the one that stands for it and all that plugs and wires join to it. */
function alongWires(machine: Machine): Int32Array {
  const known = KNOWN.get(machine);
  if (known) return known;
  const parent = Int32Array.from(machine.nets, (_, n) => n);
  const root = (n: number): number => (parent[n] === n ? n : root(parent[n]!));
  for (const part of machine.parts) {
    if (!has(part, "harness")) continue;
    const [a, b] = [...part.nodeOf.values()];
    parent[root(a!)] = root(b!);
  }
  const made = parent.map((_, n) => root(n));
  KNOWN.set(machine, made);
  return made;
}

/**
 * Nodes of which nobody knows what stands on them in a state, by number: pins of a board of which its sheet says
 * nothing, and what wires join to them. Null where everything is spoken of, as in every machine without such a board.
 */
export function unspokenNodes(machine: Machine, state: State): ReadonlySet<number> | null {
  const boards = machine.parts.filter((p) => p.kind.electrical.unspoken);
  if (boards.length === 0) return null;
  const along = alongWires(machine);
  const ends = new Set<number>();
  for (const { states } of state.phases)
    for (const part of boards)
      for (const pin of part.kind.electrical.unspoken!(part.fields, states[part.index]!))
        ends.add(along[part.nodeOf.get(pin)!]!);
  if (ends.size === 0) return null;
  return new Set(Array.from(along.keys()).filter((n) => ends.has(along[n]!)));
}

/** Whether a test hangs on such a node: with a lead, around a wire, or by what a part there does. */
export function hangsOn(machine: Machine, test: Test, nodes: ReadonlySet<number>): boolean {
  if (test.function === "look") return partHangsOn(machine, test.red, nodes);
  if (isClamp(test.function)) {
    const element = machine.clamps.get(test.red)?.element;
    return element !== undefined && [0, 1].some((end) => nodes.has(machine.ends[2 * element + end]!));
  }
  return [test.red, test.black].some((id) => id !== undefined && nodes.has(machine.points.get(id)?.node ?? -1));
}

const partHangsOn = (machine: Machine, id: string, nodes: ReadonlySet<number>) =>
  [...(machine.partById.get(id)?.nodeOf.values() ?? [])].some((n) => nodes.has(n));
