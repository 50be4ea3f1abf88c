import type { Machine } from "./machine";
import { has } from "./traits";

/** Names the place a node belongs to, where leads and plug contacts make one of several. */
export function joinedByLeads(machine: Machine): (node: number) => number {
  const of = machine.nets.map((_, n) => n);
  const root = (n: number): number => (of[n] === n ? n : root(of[n]!));
  for (const part of machine.parts) {
    const [a, b] = [...part.nodeOf.values()];
    if (has(part, "conductor") && part.nodeOf.size === 2) of[root(a!)] = root(b!);
  }
  return root;
}
