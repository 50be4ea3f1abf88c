import { checkedFile } from "../file/checked-file";
import type { Machine } from "../machine";
import type { MachineFile } from "../schema";

/** Something in a file that its family put there and that nobody has seen yet. */
export interface Assumed {
  readonly id: string;
  readonly sort: "part" | "plug" | "cover";
  readonly name: string;
}

/** What of a file is assumed, in its order. */
export function assumedIn(file: MachineFile): readonly Assumed[] {
  const named = new Map<string, Omit<Assumed, "id">>([
    ...file.parts.map((p) => {
      const { id, name } = p as unknown as { id: string; name: string };
      return [id, { sort: "part" as const, name }] as const;
    }),
    ...file.connectors.map((c) => [c.id, { sort: "plug" as const, name: c.name }] as const),
    ...file.panels.map((p) => [p.id, { sort: "cover" as const, name: p.name }] as const),
  ]);
  return (file.assumed ?? []).flatMap((id) => (named.has(id) ? [{ id, ...named.get(id)! }] : []));
}

/** The file with these seen: they are as it says. */
export function withSeen({ assumed = [], ...file }: MachineFile, ids: readonly string[]): MachineFile {
  const left = assumed.filter((id) => !ids.includes(id));
  return checkedFile(left.length === 0 ? file : { ...file, assumed: left });
}

/** A test as far as it says where hands and eyes were. */
interface WhereRead {
  readonly function: string;
  readonly red: string;
  readonly black?: string | undefined;
}

/**
 * What of a machine's assumed things somebody had before them who made these tests: a part that was looked at, a wire that
 * a clamp was put round, a plug one of whose pins was probed, a part two terminals of which were, a cover behind which one was.
 */
export function seenByTests(machine: Machine, tests: readonly WhereRead[]): readonly Assumed[] {
  const seen = new Set<string>();
  for (const { function: how, red, black } of tests) {
    if (how === "look") {
      seen.add(red);
      continue;
    }
    const clamp = machine.clamps.get(red);
    if (clamp) seen.add(clamp.part);
    const points = [red, black].flatMap((id) => (id === undefined ? [] : (machine.points.get(id) ?? [])));
    for (const { connector, panel } of points) for (const id of [connector, panel]) if (id !== undefined) seen.add(id);
    const nodes = new Set(points.map((p) => p.node));
    for (const part of machine.parts) {
      // What lies on a board is not seen from its plugs.
      if (machine.assemblyById.get(part.assembly)?.board) continue;
      const probed = new Set([...part.nodeOf.values()].filter((n) => nodes.has(n)));
      if (probed.size === 2) seen.add(part.id);
    }
  }
  return assumedIn(machine.file).filter((a) => seen.has(a.id));
}
