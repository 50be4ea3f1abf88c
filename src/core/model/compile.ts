import { isClamp } from "../instrument";
import { compileElimination, GROUND } from "../circuit";
import type { MachineFile, PartEntry, PieceEntry, SetupEntry } from "./schema";
import { domainsOf, usualVoltages } from "./domain";
import { LAMP_DARK, LAMP_LIT, type ClampPoint, type Machine, type Part, type Point } from "./machine";
import { modeSetups } from "./mode-setups";
import { partKind } from "./kinds/registry";
import { has } from "./traits";

/** One thing wrong in a machine file: where, and a sentence. */
export interface FileProblem {
  readonly path: readonly (string | number)[];
  readonly sentence: string;
}

/** Thrown by `compileMachine` when a file is well formed but contradicts itself. */
export class MachineFileError extends Error {
  constructor(readonly problems: readonly FileProblem[]) {
    super(problems.map((p) => `${p.path.join(".")}: ${p.sentence}`).join("\n"));
    this.name = "MachineFileError";
  }
}

/** The net that is the solver's ideal ground. */
const GROUND_NET = "@ground";

/** Makes a machine from its file. Throws `MachineFileError` naming every contradiction found. */
export function compileMachine(file: MachineFile): Machine {
  const problems: FileProblem[] = [];
  const problem = (path: (string | number)[], sentence: string) => problems.push({ path, sentence });

  const nodeOf = new Map<string, number>();
  const node = (net: string): number => {
    let n = nodeOf.get(net);
    if (n === undefined) nodeOf.set(net, (n = nodeOf.size));
    return n;
  };
  const points = new Map<string, Point>();
  const addPoint = (point: Point, path: (string | number)[]) => {
    if (points.has(point.id)) problem(path, `a second point is called ${point.id}`);
    points.set(point.id, point);
  };

  const pieceById = new Map(file.pieces.map((p) => [p.id, p]));
  const setupById = new Map(file.setups.map((s) => [s.id, s]));
  const panels = new Set(file.panels.map((p) => p.id));
  const doors = new Set(file.doors.map((d) => d.id));
  const connectors = new Set(file.connectors.map((c) => c.id));
  const needPanel = (panel: string | undefined, path: (string | number)[]) => {
    if (panel !== undefined && !panels.has(panel)) problem(path, `there is no cover called ${panel}`);
  };

  // Connectors, wires and listed parts all become entries of one list.
  type Entry = { entry: PartEntry; path: (string | number)[] };
  const entries: Entry[] = file.parts.map((entry, i) => ({ entry: entry as PartEntry, path: ["parts", i] }));
  file.connectors.forEach((connector, c) => {
    needPanel(connector.near.panel, ["connectors", c, "near", "panel"]);
    needPanel(connector.far.panel, ["connectors", c, "far", "panel"]);
    connector.pins.forEach((pin, p) => {
      const id = `${connector.id}-${pin.pin}`;
      const path = ["connectors", c, "pins", p];
      const nearId = `${id}${connector.near.suffix}`;
      const farId = `${id}${connector.far.suffix}`;
      if (nearId === farId) problem(path, "the two sides of the plug have the same name; give one a suffix");
      const near = pin.net ?? nearId;
      const common = {
        connector: connector.id,
        connectorName: connector.name,
        pin: pin.pin,
        signal: pin.signal,
        ...(pin.colour ? { colour: pin.colour } : {}),
      };
      for (const [side, pointId, net] of [
        [connector.near, nearId, near],
        [connector.far, farId, farId],
      ] as const) {
        const n = node(net);
        if (side.hidden) continue;
        addPoint(
          {
            id: pointId,
            name: `${connector.name} pin ${pin.pin}`,
            node: n,
            net,
            where: side.words,
            ...common,
            ...(side.panel ? { panel: side.panel } : {}),
          },
          path,
        );
      }
      entries.push({
        entry: {
          kind: "contact",
          id,
          name: `${connector.name} pin ${pin.pin}`,
          piece: connector.piece,
          at: { near, far: farId },
          odds: {},
          connector: connector.id,
        } as unknown as PartEntry,
        path,
      });
    });
  });
  file.wires.forEach((wire, w) => {
    const name = wire.name ?? `${wire.colour ?? ""} wire ${wire.from} to ${wire.to}`.trim();
    entries.push({
      entry: {
        kind: "wire",
        id: wire.id,
        name: name[0]!.toUpperCase() + name.slice(1),
        piece: wire.piece,
        at: { a: wire.from, b: wire.to },
        odds: {},
        colour: wire.colour,
      } as unknown as PartEntry,
      path: ["wires", w],
    });
  });

  file.points.forEach((point, i) => {
    needPanel(point.panel, ["points", i, "panel"]);
    addPoint(
      {
        id: point.id,
        name: point.name,
        node: node(point.net),
        net: point.net,
        ...(point.panel ? { panel: point.panel } : {}),
        ...(point.words ? { where: point.words } : {}),
        ...(point.colour ? { colour: point.colour } : {}),
      },
      ["points", i],
    );
  });
  const rigs = rigsIn(file, points, problem);
  entries.push(...rigs.entries);
  const faces = new Map(
    (file.parts as PartEntry[]).flatMap((p) => {
      const shown = partKind(p.kind)?.observed?.faces?.(p);
      return shown ? [[p.id, shown] as const] : [];
    }),
  );
  const lamped = new Set(file.setups.flatMap((s) => s.lamps));

  const parts: Part[] = [];
  const partById = new Map<string, Part>();
  const ends: number[] = [];
  let memorySize = 0;
  const used = new Map<string, number>();
  for (const { entry, path } of entries) {
    const kind = partKind(entry.kind)!;
    const { id, name, piece, at, odds, kind: _kind, ...own } = entry as PartEntry & Record<string, unknown>;
    const fields = own as unknown;
    if (partById.has(id)) problem([...path, "id"], `a second part is called ${id}`);
    if (!rigs.ids.has(id) && !pieceById.has(piece)) problem([...path, "piece"], `there is no piece called ${piece}`);
    const terminals = kind.electrical.terminals(fields);
    for (const name of Object.keys(at))
      if (!terminals.includes(name))
        problem([...path, "at", name], `a ${entry.kind} has no terminal ${name}; it has ${terminals.join(", ")}`);
    const nodes = new Map<string, number>();
    for (const terminal of terminals) {
      const net = at[terminal];
      if (net === undefined)
        problem([...path, "at"], `terminal ${terminal} of ${id} is not connected; name a net for it`);
      else {
        nodes.set(terminal, node(net));
        used.set(net, (used.get(net) ?? 0) + (kind.electrical.loose?.includes(terminal) ? 2 : 1));
      }
    }
    const modes = kind.failures
      .modes(fields)
      .map((mode) => (odds[mode.id] === undefined ? mode : { ...mode, odds: odds[mode.id]!, source: "file" as const }));
    for (const mode of Object.keys(odds))
      if (!modes.some((m) => m.id === mode))
        problem([...path, "odds", mode], `a ${entry.kind} does not fail as ${mode}`);
    const elements = kind.electrical.elements(fields);
    const part: Part = {
      index: parts.length,
      id,
      name,
      piece,
      kind,
      fields,
      nodeOf: nodes,
      firstElement: ends.length / 2,
      elementCount: elements.length,
      firstMemory: memorySize,
      parameters: kind.electrical.parameters(fields),
      modes,
      labels: kind.observed?.observable
        ? [
            ...kind.observed?.observable(fields, (controller) => faces.get(controller)).labels,
            ...(lamped.has(id) ? [LAMP_LIT, LAMP_DARK] : []),
          ]
        : null,
    };
    for (const pair of elements)
      for (const terminal of pair) ends.push(terminal === GROUND_NET ? GROUND : (nodes.get(terminal) ?? GROUND));
    memorySize += kind.electrical.memory ?? 0;
    parts.push(part);
    partById.set(id, part);
    for (const sentence of kind.contradictions?.(fields) ?? []) problem(path, sentence);
    const door = kind.electrical.door?.(fields);
    if (door !== undefined && !doors.has(door)) problem([...path, "door"], `there is no door called ${door}`);
  }

  file.points.forEach((point, i) => {
    if (!used.has(point.net)) problem(["points", i, "net"], `no part is connected to ${point.net}`);
  });
  for (const [net, count] of used)
    if (count < 2 && ![...points.values()].some((p) => p.net === net))
      problem(["parts"], `net ${net} has one end only; a name may be mistyped`);

  const clamps = new Map<string, ClampPoint>();
  file.clamps.forEach((clamp, i) => {
    const part = partById.get(clamp.part);
    needPanel(clamp.panel, ["clamps", i, "panel"]);
    if (!part) return problem(["clamps", i, "part"], `there is no part called ${clamp.part}`);
    if (clamp.element >= part.elementCount)
      return problem(["clamps", i, "element"], `${clamp.part} has ${part.elementCount} elements, counted from 0`);
    clamps.set(clamp.id, {
      id: clamp.id,
      name: clamp.name,
      element: part.firstElement + clamp.element,
      part: part.id,
      ...(clamp.panel ? { panel: clamp.panel } : {}),
      ...(clamp.colour ? { colour: clamp.colour } : {}),
    });
  });

  checkNames(file, { points, clamps, partById, setupById, connectors, doors, pieceById }, problem);
  if (problems.length > 0) throw new MachineFileError(problems);

  const nets = [...nodeOf.keys()];
  const domains = domainsOf(parts, nets.length);
  const topology = { nodeCount: nets.length, ends: Int32Array.from(ends) };
  for (const setup of modeSetups(file, parts)) if (!setupById.has(setup.id)) setupById.set(setup.id, setup);
  return {
    file,
    parts,
    partById,
    pieceById,
    setupById,
    nets,
    nodeOf,
    ends: topology.ends,
    program: compileElimination(topology),
    memorySize,
    points,
    clamps,
    domains,
    usual: usualVoltages(parts, domains),
    sources: parts.filter((p) => p.kind.electrical.source?.(p.fields)),
    rigsOf: rigs.bySetup,
  };
}

/**
 * Jumpers and bench feeds as parts of the circuit, each made in its own setup only, so that the circuit's shape never
 * changes.
 */
function rigsIn(
  file: MachineFile,
  points: ReadonlyMap<string, Point>,
  problem: (path: (string | number)[], sentence: string) => void,
) {
  const entries: { entry: PartEntry; path: (string | number)[] }[] = [];
  const ids = new Set<string>();
  const bySetup = new Map<string, Set<string>>();
  const add = (setup: string, entry: PartEntry, path: (string | number)[]) => {
    if (!ids.has(entry.id)) entries.push({ entry, path });
    ids.add(entry.id);
    bySetup.set(setup, (bySetup.get(setup) ?? new Set()).add(entry.id));
  };
  const net = (id: string, path: (string | number)[]) => {
    const point = points.get(id);
    if (!point) problem(path, `there is no point called ${id}`);
    return point?.net ?? "@ground";
  };
  file.setups.forEach((setup, s) => {
    setup.jumpers.forEach(([a, b], j) => {
      const path = ["setups", s, "jumpers", j];
      add(
        setup.id,
        {
          kind: "jumper",
          id: `jumper.${a}.${b}`,
          name: `Jumper ${a} to ${b}`,
          piece: "rig",
          at: { a: net(a, path), b: net(b, path) },
          odds: {},
        } as unknown as PartEntry,
        path,
      );
    });
    setup.feeds.forEach((feed, f) => {
      const path = ["setups", s, "feeds", f];
      const { plus, minus, ...own } = feed;
      if (setup.power === "on")
        problem(path, "a bench supply is put on a machine whose own sources are off; set power: off");
      add(
        setup.id,
        {
          kind: "bench feed",
          id: `feed.${plus}.${minus}.${feed.volts}`,
          name: `Bench supply ${feed.volts} V`,
          piece: "rig",
          at: { plus: net(plus, path), minus: net(minus, path) },
          odds: {},
          ...own,
        } as unknown as PartEntry,
        path,
      );
    });
  });
  return { entries, ids, bySetup };
}

interface Names {
  readonly points: ReadonlyMap<string, Point>;
  readonly clamps: ReadonlyMap<string, ClampPoint>;
  readonly partById: ReadonlyMap<string, Part>;
  readonly setupById: ReadonlyMap<string, SetupEntry>;
  readonly connectors: ReadonlySet<string>;
  readonly doors: ReadonlySet<string>;
  readonly pieceById: ReadonlyMap<string, PieceEntry>;
}

/** Every name used in setups, references, paths, complaints, proofs and chain must exist. */
function checkNames(
  file: MachineFile,
  names: Names,
  problem: (path: (string | number)[], sentence: string) => void,
): void {
  const need = (
    known: { has(name: string): boolean },
    what: string,
    name: string | undefined,
    path: (string | number)[],
  ) => {
    if (name !== undefined && !known.has(name)) problem(path, `there is no ${what} called ${name}`);
  };
  const checkTest = (test: MachineFile["chain"][number], path: (string | number)[]) => {
    need(names.setupById, "setup", test.setup, [...path, "setup"]);
    if (test.function === "look") need(names.partById, "part", test.red, [...path, "red"]);
    else if (isClamp(test.function)) need(names.clamps, "clamp", test.red, [...path, "red"]);
    else {
      need(names.points, "point", test.red, [...path, "red"]);
      if (test.black === undefined) problem(path, "name where the black lead goes");
      need(names.points, "point", test.black, [...path, "black"]);
    }
  };
  file.plates.forEach((plate, i) => {
    for (const piece of Object.keys(plate.numbers))
      need(names.pieceById, "piece", piece, ["plates", i, "numbers", piece]);
  });
  file.setups.forEach((setup, i) => {
    setup.openDoors.forEach((door, d) => need(names.doors, "door", door, ["setups", i, "openDoors", d]));
    setup.apart.forEach((plug, c) => need(names.connectors, "connector", plug, ["setups", i, "apart", c]));
    for (const field of ["off", "lifted", "good", "lamps", "made"] as const)
      setup[field].forEach((part, k) => need(names.partById, "part", part, ["setups", i, field, k]));
    setup.off.forEach((part, k) => {
      if (
        names.partById.get(part) &&
        !names.partById.get(part)!.kind.electrical.source?.(names.partById.get(part)!.fields)
      )
        problem(["setups", i, "off", k], `${part} is no source`);
    });
    setup.lamps.forEach((part, k) => {
      if (names.partById.get(part) && !names.partById.get(part)!.kind.electrical.load)
        problem(["setups", i, "lamps", k], `${part} is no load; a lamp can stand in for a load only`);
    });
    // A protective device is never bridged while the machine is energised: it is tested dead.
    if (setup.power === "on")
      setup.jumpers.forEach(([a, b], k) => {
        const ends = [names.points.get(a)?.node, names.points.get(b)?.node];
        for (const part of names.partById.values())
          if (has(part, "protects") && ends.every((n) => n !== undefined && [...part.nodeOf.values()].includes(n)))
            problem(
              ["setups", i, "jumpers", k],
              `this bridges ${part.name} on a powered machine; a protective device is tested dead, never bypassed`,
            );
      });
    // Gas flows only where its own control watches the flame: no bench supply and no bridge ever opens its valve.
    for (const part of names.partById.values()) {
      if (!part.kind.electrical.onlyByItsControl) continue;
      const nodes = [...part.nodeOf.values()];
      const touches = (id: string) => nodes.includes(names.points.get(id)?.node ?? -1);
      setup.feeds.forEach((feed, k) => {
        if (touches(feed.plus) || touches(feed.minus))
          problem(
            ["setups", i, "feeds", k],
            `this feeds ${part.name} past its control; a gas valve is never fed directly`,
          );
      });
      setup.jumpers.forEach(([a, b], k) => {
        if (setup.power === "on" && (touches(a) || touches(b)))
          problem(
            ["setups", i, "jumpers", k],
            `this bridges to ${part.name}; a gas valve is worked by its own control only`,
          );
      });
    }
  });
  file.references.forEach((reference, i) =>
    reference.points.forEach((p, j) => need(names.points, "point", p, ["references", i, "points", j])),
  );
  file.pieces.forEach((piece, i) =>
    piece.proofs.forEach((proof, j) => proof.any.forEach((t, k) => checkTest(t, ["pieces", i, "proofs", j, "any", k]))),
  );
  file.chain.forEach((t, i) => checkTest(t, ["chain", i]));
  file.complaints.forEach((complaint, i) => {
    need(names.setupById, "setup", complaint.setup, ["complaints", i, "setup"]);
    need(new Set(file.paths.map((p) => p.id)), "path", complaint.path, ["complaints", i, "path"]);
    for (const [part, label] of Object.entries(complaint.sees)) {
      const known = names.partById.get(part);
      need(names.partById, "part", part, ["complaints", i, "sees"]);
      if (known && !known.labels?.includes(label))
        problem(["complaints", i, "sees", part], `${part} cannot be seen ${label}`);
    }
  });
  const asked = new Set<string>();
  file.firsts.forEach((first, i) => {
    if (asked.has(first.id)) problem(["firsts", i, "id"], `a second question is called ${first.id}`);
    asked.add(first.id);
    first.complaints.forEach((c, k) =>
      need(new Set(file.complaints.map((x) => x.id)), "complaint", c, ["firsts", i, "complaints", k]),
    );
    first.parts.forEach((p, k) => need(names.partById, "part", p, ["firsts", i, "parts", k]));
  });
  const led = new Map<string, number>();
  const settings = new Set(file.settings.map((x) => x.id));
  if (file.menu) {
    const { menu } = file;
    need(new Map(file.pieces.map((p) => [p.id, p])), "piece", menu.piece, ["menu", "piece"]);
    menu.items.forEach((item, i) => need(settings, "setting", item, ["menu", "items", i]));
    const gestures = new Set(
      (file.parts as { gestures?: { id: string }[] }[]).flatMap((p) => (p.gestures ?? []).map((g) => g.id)),
    );
    if (menu.gesture !== undefined) need(gestures, "gesture", menu.gesture, ["menu", "gesture"]);
  }
  file.addOns.forEach((a, i) => {
    if (a.panel !== undefined) need(new Set(file.panels.map((p) => p.id)), "cover", a.panel, ["addOns", i, "panel"]);
  });
  file.causes.forEach((cause, i) => {
    for (const [fault, at] of [
      [cause, []],
      [cause.then, ["then"]],
    ] as const) {
      const known = names.partById.get(fault.part);
      need(names.partById, "part", fault.part, ["causes", i, ...at, "part"]);
      if (known && !known.modes.some((m) => m.id === fault.mode))
        problem(["causes", i, ...at, "mode"], `${fault.part} cannot be ${fault.mode}`);
    }
    if (cause.part === cause.then.part)
      problem(["causes", i, "then", "part"], "a fault brings about a fault of another part");
    const key = `${cause.part} ${cause.mode}`;
    led.set(key, (led.get(key) ?? 0) + cause.share);
    if (led.get(key)! > 0.95)
      problem(["causes", i, "share"], "the shares of what comes of one fault add up to more than 0.95");
  });
  file.paths.forEach((path, i) =>
    path.stages.forEach((stage, j) => {
      if ("at" in stage) stage.at.forEach((p, k) => need(names.points, "point", p, ["paths", i, "stages", j, "at", k]));
      else
        for (const p of [...stage.parts, ...stage.rooms.flatMap((r) => r.parts)])
          need(names.partById, "part", p, ["paths", i, "stages", j, "parts"]);
    }),
  );
}
