import { isLowVoltage, type Domain, type Energy } from "./energy";
import type { Part } from "./machine";
import { has } from "./traits";

/** For each node its domain. */
export function domainsOf(parts: readonly Part[], nodeCount: number): Domain[] {
  const parent = Int32Array.from({ length: nodeCount }, (_, n) => n);
  const root = (n: number): number => {
    let r = n;
    while (parent[r] !== r) r = parent[r]!;
    while (parent[n] !== r) [n, parent[n]] = [parent[n]!, r];
    return r;
  };
  for (const part of parts)
    for (const group of part.kind.electrical.galvanic(part.fields)) {
      const first = part.nodeOf.get(group[0]!)!;
      for (const terminal of group) parent[root(part.nodeOf.get(terminal)!)] = root(first);
    }
  const energy = new Map<number, Energy>();
  const mark = (node: number, value: Energy) => {
    const rank: readonly Energy[] = ["mains", "isolated low voltage", "battery", "earth", "unknown"];
    const now = energy.get(root(node));
    if (now === undefined || rank.indexOf(value) < rank.indexOf(now)) energy.set(root(node), value);
  };
  for (const part of parts)
    for (const [terminal, value] of part.kind.electrical.energises?.(part.fields) ?? [])
      mark(part.nodeOf.get(terminal)!, value);
  const number = new Map<number, number>();
  return Array.from({ length: nodeCount }, (_, n) => {
    const r = root(n);
    if (!number.has(r)) number.set(r, number.size);
    return { group: number.get(r)!, energy: energy.get(r) ?? "unknown" };
  });
}

/** For each node whether its usual voltage is alternating or direct, following wires and plugs. */
export function usualVoltages(parts: readonly Part[], domains: readonly Domain[]): readonly ("ac" | "dc")[] {
  const parent = Int32Array.from(domains, (_, n) => n);
  const root = (n: number): number => {
    let r = n;
    while (parent[r] !== r) r = parent[r]!;
    return r;
  };
  for (const part of parts)
    if (has(part, "harness")) {
      const [a, b] = [...part.nodeOf.values()];
      parent[root(a!)] = root(b!);
    }
  const marked = new Map<number, "ac" | "dc">();
  for (const part of parts) {
    const { direct = [], alternating = [] } = part.kind.electrical.carries?.(part.fields) ?? {};
    for (const terminal of alternating) marked.set(root(part.nodeOf.get(terminal)!), "ac");
    for (const terminal of direct) marked.set(root(part.nodeOf.get(terminal)!), "dc");
  }
  return domains.map((d, n) => marked.get(root(n)) ?? (isLowVoltage(d.energy) ? "dc" : "ac"));
}
