import { checkedFile } from "../file/checked-file";
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
  return file.assumed.flatMap((id) => (named.has(id) ? [{ id, ...named.get(id)! }] : []));
}

/** The file with these seen: they are as it says. */
export const withSeen = (file: MachineFile, ids: readonly string[]): MachineFile =>
  checkedFile({ ...file, assumed: file.assumed.filter((id) => !ids.includes(id)) });
