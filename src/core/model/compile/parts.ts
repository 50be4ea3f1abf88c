import { GROUND } from "../../circuit";
import { partKind } from "../kinds/registry";
import { LAMP_DARK, LAMP_LIT, type Part } from "../machine";
import type { MachineFile, PartEntry } from "../schema";
import { GROUND_NET, type Entry, type Nets } from "./entries";
import type { Report } from "./problem";
import type { Rigs } from "./rigs";
import { say } from "#words/core/model/compile";

/** The parts of a machine, laid end to end: elements and remembered values are numbered through. */
export interface Connected {
  readonly parts: readonly Part[];
  readonly partById: ReadonlyMap<string, Part>;
  /** The two nodes of every element, one after the other. */
  readonly ends: readonly number[];
  readonly memorySize: number;
  /** How many ends lie on a net; an end that may hang free counts for two. */
  readonly used: ReadonlyMap<string, number>;
}

/** Connects the listed parts and the rigs of the setups to the nets. */
export function connectParts(
  file: MachineFile,
  entries: readonly Entry[],
  rigs: Rigs,
  nets: Nets,
  problem: Report,
): Connected {
  const parts: Part[] = [];
  const partById = new Map<string, Part>();
  const ends: number[] = [];
  const used = new Map<string, number>();
  const assemblies = new Set(file.pieces.map((p) => p.id));
  const doors = new Set(file.doors.map((d) => d.id));
  const labelsOf = labelsIn(file);
  let memorySize = 0;
  for (const { entry, path } of entries) {
    const kind = partKind(entry.kind)!;
    const {
      id,
      name,
      piece: assembly,
      at: _at,
      odds: _odds,
      kind: _kind,
      ...own
    } = entry as PartEntry & Record<string, unknown>;
    const fields: unknown = own;
    if (partById.has(id)) problem([...path, "id"], say.aSecondPartIsCalled(id));
    if (!rigs.ids.has(id) && !assemblies.has(assembly))
      problem([...path, "piece"], say.thereIsNoAssemblyCalled(assembly));
    const nodeOf = nodesOf({ entry, path }, fields, nets, used, problem);
    const elements = kind.electrical.elements(fields);
    const part: Part = {
      index: parts.length,
      id,
      name,
      assembly,
      kind,
      fields,
      nodeOf,
      firstElement: ends.length / 2,
      elementCount: elements.length,
      firstMemory: memorySize,
      parameters: kind.electrical.parameters(fields),
      modes: modesOf({ entry, path }, fields, file.odds?.[id], problem),
      labels: labelsOf(entry, fields),
    };
    for (const pair of elements)
      for (const terminal of pair) ends.push(terminal === GROUND_NET ? GROUND : (nodeOf.get(terminal) ?? GROUND));
    memorySize += kind.electrical.memory ?? 0;
    parts.push(part);
    partById.set(id, part);
    for (const sentence of kind.contradictions?.(fields) ?? []) problem(path, sentence);
    const door = kind.electrical.door?.(fields);
    if (door !== undefined && !doors.has(door)) problem([...path, "door"], say.thereIsNoDoorCalled(door));
  }
  return { parts, partById, ends, memorySize, used };
}

function nodesOf(
  { entry, path }: Entry,
  fields: unknown,
  nets: Nets,
  used: Map<string, number>,
  problem: Report,
): Map<string, number> {
  const { electrical } = partKind(entry.kind)!;
  const terminals = electrical.terminals(fields);
  for (const name of Object.keys(entry.at))
    if (!terminals.includes(name))
      problem([...path, "at", name], say.aHasNoTerminalIt(entry.kind, name, terminals.join(", ")));
  const nodes = new Map<string, number>();
  for (const terminal of terminals) {
    const net = entry.at[terminal];
    if (net === undefined) {
      problem([...path, "at"], say.terminalOfIsNotConnected(terminal, entry.id));
      continue;
    }
    nodes.set(terminal, nets.node(net));
    used.set(net, (used.get(net) ?? 0) + (electrical.loose?.includes(terminal) ? 2 : 1));
  }
  return nodes;
}

/** How a part fails, with the odds its file gives where it does. */
function modesOf(
  { entry, path }: Entry,
  fields: unknown,
  known: Readonly<Record<string, number>> | undefined,
  problem: Report,
): Part["modes"] {
  const odds = entry.odds;
  const modes = partKind(entry.kind)!
    .failures.modes(fields)
    .map((mode) => {
      const own = known?.[mode.id] ?? odds[mode.id];
      return own === undefined ? mode : { ...mode, odds: own, source: "file" as const };
    });
  for (const mode of Object.keys(odds))
    if (!modes.some((m) => m.id === mode)) problem([...path, "odds", mode], say.aDoesNotFailAs(entry.kind, mode));
  return modes;
}

/** What each part can be seen to do; a display needs its controller's face, a load may have a lamp in its place. */
function labelsIn(file: MachineFile): (entry: PartEntry, fields: unknown) => Part["labels"] {
  const faces = new Map(
    (file.parts as PartEntry[]).flatMap((p) => {
      const shown = partKind(p.kind)?.observed?.faces?.(p);
      return shown ? [[p.id, shown] as const] : [];
    }),
  );
  const lamped = new Set(file.setups.flatMap((s) => s.lamps));
  return (entry, fields) => {
    const seen = partKind(entry.kind)!.observed?.observable?.(fields, (controller) => faces.get(controller));
    return seen && seen.labels.length > 0
      ? [...seen.labels, ...(lamped.has(entry.id) ? [LAMP_LIT, LAMP_DARK] : [])]
      : null;
  };
}
