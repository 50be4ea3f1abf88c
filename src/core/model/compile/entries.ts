import type { MachineFile, PartEntry } from "../schema";
import type { Point } from "../machine";
import type { Report } from "./problem";
import { say } from "#words/core/model/compile";

/** The net that is the solver's ideal ground. */
export const GROUND_NET = "@ground";

/** A part of the circuit as the file gives it, and where in the file. */
export interface Entry {
  readonly entry: PartEntry;
  readonly path: (string | number)[];
}

/** The nets of a machine, numbered in the order in which they are first named. */
export class Nets {
  readonly nodeOf = new Map<string, number>();

  node(net: string): number {
    let n = this.nodeOf.get(net);
    if (n === undefined) this.nodeOf.set(net, (n = this.nodeOf.size));
    return n;
  }
}

/** What a file lists, as points to measure at and as parts of one circuit. */
export interface Listed {
  readonly entries: readonly Entry[];
  readonly points: ReadonlyMap<string, Point>;
}

/** Makes one list of parts out of the file's parts, plugs and wires, and one of points out of pins and test points. */
export function listEntries(file: MachineFile, nets: Nets, problem: Report): Listed {
  const points = new Map<string, Point>();
  const addPoint = (point: Point, path: (string | number)[]) => {
    if (points.has(point.id)) problem(path, say.aSecondPointIsCalled(point.id));
    points.set(point.id, point);
  };
  const entries: Entry[] = file.parts.map((entry, i) => ({ entry: entry as PartEntry, path: ["parts", i] }));
  file.connectors.forEach((connector, c) =>
    connector.pins.forEach((pin, p) => {
      const path = ["connectors", c, "pins", p];
      const { near, far } = endsOf(connector, pin);
      if (near.id === far.id) problem(path, say.theTwoSidesOfThe);
      for (const end of [near, far]) {
        const node = nets.node(end.net);
        if (!end.side.hidden) addPoint(pinPoint(connector, pin, end, node), path);
      }
      entries.push({ entry: contactOf(connector, pin, near.net, far.net), path });
    }),
  );
  file.wires.forEach((wire, w) => entries.push({ entry: wireOf(wire), path: ["wires", w] }));
  file.points.forEach((point, i) =>
    addPoint(
      {
        id: point.id,
        name: point.name,
        node: nets.node(point.net),
        net: point.net,
        ...(point.panel ? { panel: point.panel } : {}),
        ...(point.words ? { where: point.words } : {}),
        ...(point.colour ? { colour: point.colour } : {}),
        ...(point.inside ? { inside: point.inside } : {}),
      },
      ["points", i],
    ),
  );
  return { entries, points };
}

type ConnectorEntry = MachineFile["connectors"][number];
type PinEntry = ConnectorEntry["pins"][number];
interface PinEnd {
  readonly id: string;
  readonly net: string;
  readonly side: ConnectorEntry["near"];
}

/** Both ends of a pin: the near one lies on the net it names, the far one is a net of its own. */
function endsOf(connector: ConnectorEntry, pin: PinEntry): { readonly near: PinEnd; readonly far: PinEnd } {
  const id = `${connector.id}-${pin.pin}`;
  const [nearId, farId] = [`${id}${connector.near.suffix}`, `${id}${connector.far.suffix}`];
  return {
    near: { id: nearId, net: pin.net ?? nearId, side: connector.near },
    far: { id: farId, net: farId, side: connector.far },
  };
}

function pinPoint(connector: ConnectorEntry, pin: PinEntry, end: PinEnd, node: number): Point {
  return {
    id: end.id,
    name: `${connector.name} pin ${pin.pin}`,
    node,
    net: end.net,
    where: end.side.words,
    connector: connector.id,
    connectorName: connector.name,
    pin: pin.pin,
    signal: pin.signal,
    ...(pin.colour ? { colour: pin.colour } : {}),
    ...(end.side.panel ? { panel: end.side.panel } : {}),
  };
}

function contactOf(connector: ConnectorEntry, pin: PinEntry, near: string, far: string): PartEntry {
  return {
    kind: "contact",
    id: `${connector.id}-${pin.pin}`,
    name: `${connector.name} pin ${pin.pin}`,
    piece: connector.piece,
    at: { near, far },
    odds: {},
    connector: connector.id,
  } as unknown as PartEntry;
}

function wireOf(wire: MachineFile["wires"][number]): PartEntry {
  const name = wire.name ?? say.colourWireFromToTo(wire.colour ?? "", wire.from, wire.to).trim();
  return {
    kind: "wire",
    id: wire.id,
    name: name[0]!.toUpperCase() + name.slice(1),
    piece: wire.piece,
    at: { a: wire.from, b: wire.to },
    odds: {},
    colour: wire.colour,
    gauge: wire.gauge,
    length: wire.length,
  } as unknown as PartEntry;
}
