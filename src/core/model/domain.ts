import { isLowVoltage, type Domain, type Energy } from "./energy";
import type { Part } from "./machine";
import { has } from "./traits";

/** For each node its domain. */
export function domainsOf(parts: readonly Part[], nodeCount: number): Domain[] {
  const joined = new Joined(nodeCount);
  const root = (n: number) => joined.root(n);
  for (const part of parts)
    for (const group of part.kind.electrical.galvanic(part.fields)) joined.join(group.map((t) => part.nodeOf.get(t)!));
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

/** For each node whether its usual voltage is alternating or direct, following wires and plugs, then contacts. */
export function usualVoltages(parts: readonly Part[], domains: readonly Domain[]): readonly ("ac" | "dc")[] {
  const along = new Joined(domains.length);
  for (const part of parts) if (has(part, "harness")) along.join([...part.nodeOf.values()]);
  const marked = new Map<number, "ac" | "dc">();
  for (const part of parts) {
    const { direct = [], alternating = [] } = part.kind.electrical.carries?.(part.fields) ?? {};
    for (const terminal of alternating) marked.set(along.root(part.nodeOf.get(terminal)!), "ac");
    for (const terminal of direct) marked.set(along.root(part.nodeOf.get(terminal)!), "dc");
  }
  // Behind a contact or a fuse is what stands before it, unless both sorts come together there.
  const behind = new Joined(domains.length);
  domains.forEach((_, n) => behind.join([n, along.root(n)]));
  for (const part of parts) if (isContact(part)) for (const ends of endsInside(part)) behind.join(ends);
  const met = new Map<number, Set<"ac" | "dc">>();
  for (const [n, sort] of marked) met.set(behind.root(n), (met.get(behind.root(n)) ?? new Set()).add(sort));
  return domains.map((d, n) => {
    const own = marked.get(along.root(n));
    const [sort, other] = met.get(behind.root(n)) ?? [];
    return own ?? (other === undefined ? sort : undefined) ?? (isLowVoltage(d.energy) ? "dc" : "ac");
  });
}

/** What joins two places or parts them, and does nothing else. */
function isContact(part: Part): boolean {
  const { answersTo, door } = part.kind.electrical;
  return has(part, "breaks-current") || has(part, "protects") || answersTo !== undefined || door !== undefined;
}

/** The nodes of each of a part's elements that lie within one of its galvanic groups. */
function endsInside({ kind, fields, nodeOf }: Part): readonly (readonly number[])[] {
  const groups = kind.electrical.galvanic(fields);
  return kind.electrical
    .elements(fields)
    .flatMap(([a, b]) =>
      groups.some((g) => g.includes(a) && g.includes(b)) ? [[nodeOf.get(a)!, nodeOf.get(b)!]] : [],
    );
}

/** Nodes that hang together. */
class Joined {
  private readonly parent: Int32Array;

  constructor(count: number) {
    this.parent = Int32Array.from({ length: count }, (_, n) => n);
  }

  root(node: number): number {
    let r = node;
    while (this.parent[r] !== r) r = this.parent[r]!;
    while (this.parent[node] !== r) [node, this.parent[node]] = [this.parent[node]!, r];
    return r;
  }

  join(nodes: readonly number[]): void {
    for (const n of nodes) this.parent[this.root(n)] = this.root(nodes[0]!);
  }
}
