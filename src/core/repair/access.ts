import { has, type Machine } from "../model";
import { say } from "#words/core/repair/access";

export type Connector = Machine["file"]["connectors"][number];

/**
 * Covers in an order in which each comes after those that lie over it. Throws a RangeError for covers that lie over
 * each other in a round.
 */
export function openingOrder(machine: Machine, wanted: readonly string[]): readonly string[] {
  const order: string[] = [];
  const visit = (id: string, path: readonly string[]) => {
    if (order.includes(id)) return;
    if (path.includes(id)) throw new RangeError(say.coversLieOverEachOther([...path, id].join(", ")));
    for (const over of machine.file.panels.find((p) => p.id === id)!.under) visit(over, [...path, id]);
    order.push(id);
  };
  for (const id of wanted) visit(id, []);
  return order;
}

/** Nodes on one side of a plug, pin by pin. */
export function nodesOf(machine: Machine, connector: Connector, side: "near" | "far"): readonly number[] {
  const { words } = connector[side];
  return [...machine.points.values()]
    .filter((p) => p.connector === connector.id && p.where === words)
    .map((p) => p.node);
}

/** A plug that is pulled before an assembly comes out, and on which side of it the assembly sits. */
export interface OwnPlug {
  readonly connector: Connector;
  readonly side: "near" | "far" | "both";
}

/**
 * The plugs of an assembly by either side of them: a board has those whose near side ends at its parts, and those whose
 * far side ends at its parts alone; a harness has both halves.
 */
export function plugsOf(machine: Machine, assembly: string): readonly OwnPlug[] {
  const parts = machine.parts.filter((p) => !has(p, "harness"));
  const own = new Set(parts.filter((p) => p.assembly === assembly).flatMap((p) => [...p.nodeOf.values()]));
  const others = new Set(parts.filter((p) => p.assembly !== assembly).flatMap((p) => [...p.nodeOf.values()]));
  return machine.file.connectors.flatMap((connector): OwnPlug[] => {
    if (connector.piece === assembly) return [{ connector, side: "both" }];
    if (nodesOf(machine, connector, "near").some((n) => own.has(n) && !others.has(n)))
      return [{ connector, side: "near" }];
    const far = nodesOf(machine, connector, "far");
    if (far.some((n) => own.has(n)) && far.every((n) => own.has(n) || !others.has(n)))
      return [{ connector, side: "far" }];
    return nodesOf(machine, connector, "near").some((n) => own.has(n)) && machine.assemblyById.get(assembly)!.board
      ? [{ connector, side: "near" }]
      : [];
  });
}

/** How an assembly is got at. */
export interface Access {
  readonly plugs: readonly OwnPlug[];
  /** Covers that lie over what is touched, in the order in which they come off. */
  readonly covers: readonly string[];
  /** What the file does not say, as sentences; the plan says them too. */
  readonly lacks: readonly string[];
}

/** How an assembly is got at, from the file's covers, plugs and joints. Throws a RangeError for one it has not. */
export function accessTo(machine: Machine, assembly: string): Access {
  const own = machine.assemblyById.get(assembly);
  if (!own) throw new RangeError(say.noAssemblyAssembly(assembly));
  const plugs = plugsOf(machine, assembly);
  const over = own.joints.flatMap((j) => (j.over === undefined ? [] : [j.over]));
  const atPlugs = plugs.flatMap(({ connector: { near, far }, side }) =>
    (side === "both" ? [near.panel, far.panel] : [side === "near" ? near.panel : far.panel]).flatMap((p) => p ?? []),
  );
  const wanted = over.length + atPlugs.length > 0 ? [...over, ...atPlugs] : coversAtPoints(machine, assembly);
  const isOpen = wanted === null;
  const covers = openingOrder(machine, [...new Set(wanted ?? [])]);
  const lacks = [
    ...(covers.length === 0 && !isOpen && machine.file.panels.length > 0 && !own.licensed
      ? [say.noWayIn(own.name)]
      : []),
    ...(own.joints.length === 0 && !own.licensed && plugs.every((p) => p.side !== "both")
      ? [say.heldByWhat(own.name)]
      : []),
  ];
  return { plugs, covers, lacks };
}

/**
 * The covers over an assembly that has no plug of its own: those over the points at its terminals; null where one of
 * these is reached from outside.
 */
function coversAtPoints(machine: Machine, assembly: string): readonly string[] | null {
  const parts = machine.parts.filter((p) => p.assembly === assembly);
  const sharers = (node: number) => machine.parts.filter((p) => [...p.nodeOf.values()].includes(node)).length;
  const nodes = [...new Set(parts.flatMap((p) => [...p.nodeOf.values()]))].sort((a, b) => sharers(a) - sharers(b));
  for (const node of nodes) {
    const points = [...machine.points.values()].filter((p) => p.node === node);
    if (points.some((p) => p.panel === undefined)) return null;
    if (points[0]) return [points.at(-1)!.panel!];
  }
  return [];
}
