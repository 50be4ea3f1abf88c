import { compileMachine } from "./compile/compile";
import type { Machine } from "./machine";
import type { PartEntry } from "./schema";

/** The machine with what may short inside each of its loads; the circuit of a sound one is the same. */
export function withInnerShorts(machine: Machine): Machine {
  const shorts = machine.parts.flatMap((load): PartEntry[] => {
    if (!load.kind.electrical.load) return [];
    const [a, b] = load.kind.electrical.elements(load.fields)[0] ?? [];
    const net = (terminal: string | undefined) =>
      terminal === undefined ? undefined : machine.nets[load.nodeOf.get(terminal) ?? -1];
    const short = (id: string, one: string | undefined, other: string | undefined, toCase: boolean): PartEntry[] =>
      one === undefined || other === undefined || one === other
        ? []
        : [
            {
              kind: "inner short",
              id: `${load.id}.${id}`,
              name: load.name,
              piece: load.assembly,
              at: { a: one, b: other },
              odds: {},
              toCase,
            } as unknown as PartEntry,
          ];
    return [...short("short", net(a), net(b), false), ...short("short-to-case", net(a), net("case"), true)];
  });
  const file = { ...machine.file, parts: [...machine.file.parts, ...shorts] };
  return compileMachine(file as typeof machine.file);
}
