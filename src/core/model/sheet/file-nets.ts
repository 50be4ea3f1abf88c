import { pinBoard } from "../kinds/pin-board";
import { controller } from "../kinds/controller";
import type { Condition } from "../program/condition";
import type { MachineFile } from "../schema";

/** A part of a file with its terminals, whatever its kind. */
export interface FilePart {
  readonly id: string;
  readonly kind: string;
  readonly name: string;
  readonly piece: string;
  readonly at: Readonly<Record<string, string>>;
}

export const partsIn = (file: MachineFile): readonly FilePart[] => file.parts as unknown as readonly FilePart[];

/** Every way in which a sheet may name a place of this file, in small letters, and the net it is. */
export function placesIn(file: MachineFile): ReadonlyMap<string, string> {
  const places = new Map<string, string>();
  for (const { at } of partsIn(file)) for (const net of Object.values(at)) places.set(net.toLowerCase(), net);
  for (const wire of file.wires) for (const net of [wire.from, wire.to]) places.set(net.toLowerCase(), net);
  for (const c of file.connectors)
    for (const p of c.pins) {
      places.set(`${c.id}-${p.pin}`.toLowerCase(), `${c.id}-${p.pin}`);
      const near = `${c.id}-${p.pin}${c.near.suffix}`;
      places.set(near.toLowerCase(), p.net ?? near);
    }
  // A board that is known by its pins: each pin by its own name.
  for (const { kind, at } of partsIn(file))
    if (kind === pinBoard.kind) for (const [pin, net] of Object.entries(at)) places.set(pin.toLowerCase(), net);
  for (const p of file.points) {
    places.set(p.name.toLowerCase(), p.net);
    places.set(p.id.toLowerCase(), p.net);
  }
  return places;
}

/** The nets of a file that its wires and plugs join: every net under the name of the first of its group. */
export function joinedNets(file: MachineFile): (net: string) => string {
  const parent = new Map<string, string>();
  const rootOf = (net: string): string => {
    const up = parent.get(net);
    return up === undefined ? net : rootOf(up);
  };
  const join = (a: string, b: string) => {
    const [x, y] = [rootOf(a), rootOf(b)];
    if (x !== y) parent.set(y, x);
  };
  for (const w of file.wires) join(w.from, w.to);
  for (const c of file.connectors)
    for (const p of c.pins) join(p.net ?? `${c.id}-${p.pin}${c.near.suffix}`, `${c.id}-${p.pin}`);
  return rootOf;
}

/** The fields of a controller that a sheet's tables go by. */
export interface LogicPart extends FilePart {
  readonly inputs: Readonly<Record<string, unknown>>;
  readonly outputs: Readonly<Record<string, { readonly when: Condition }>>;
  readonly keys: Readonly<Record<string, unknown>>;
  readonly modes: readonly string[];
  readonly codes: readonly { readonly id: string; readonly words: string; readonly when: Condition }[];
  readonly display: readonly { readonly when: Condition; readonly shows: string }[];
  readonly lamps: Readonly<Record<string, LogicPart["display"]>>;
  readonly gestures: readonly { readonly id: string }[];
  readonly modeNames: Readonly<Record<string, string>>;
}

/** The boards' logics of a file. */
export const logicsIn = (file: MachineFile): readonly LogicPart[] =>
  file.parts.filter((p) => p.kind === controller.kind) as unknown as readonly LogicPart[];

/** The logic that is meant. Throws a RangeError where the file has none. */
export function logicOf(file: MachineFile, id: string, otherwise: string): LogicPart {
  const logics = logicsIn(file);
  const found = logics.find((l) => l.id === id) ?? logics[0];
  if (!found) throw new RangeError(otherwise);
  return found;
}

/** The file with one logic changed. */
export const withLogic = (file: MachineFile, logic: LogicPart, more: object): object => ({
  ...file,
  parts: file.parts.map((p) => ((p as unknown as FilePart).id === logic.id ? { ...p, ...more } : p)),
});

/** A name in small letters, for finding it in a line. */
export const plainWords = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, " ")
    .trim();
