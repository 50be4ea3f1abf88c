import type { Entry } from "../quick/quick-machine";
import type { MachineFile } from "../schema";
import { say } from "#words/core/model/family/usual-plugs";

/** A file before it is parsed: lists of entries whose fields are names. */
interface Draft {
  readonly file: MachineFile;
  /** Plugs by their ids, and the wires that go through each. */
  readonly plugs: readonly UsualPlug[];
}

/** A plug on a board: its wires, by id; and whether the returns of sensors go through it too. */
interface UsualPlug {
  readonly id: string;
  readonly name: string;
  readonly wires: readonly string[];
}

/** Nets that lie on a board. */
const ON_BOARD = /^(?:out-\d+|in-\d+|rail(?:-\d+)?|gnd|board-N|board-L\d?|fused-L|line-L|low-[ab]|link-\d|logic-gnd)$/;

/** What of a machine goes to which plug: mains loads, loads of low voltage, sensors. */
function plugsOf(file: MachineFile): readonly UsualPlug[] {
  const returns = new Set(file.wires.filter((w) => w.id.startsWith("back-")).map((w) => w.id.slice("back-".length)));
  const ofLow = (id: string) => returns.has(id.replace(/^(?:wire|back)-/, ""));
  const onBoard = file.wires.filter((w) => ON_BOARD.test(w.from) || ON_BOARD.test(w.to));
  const pick = (isIt: (id: string) => boolean) => onBoard.map((w) => w.id).filter(isIt);
  const sorts: readonly UsualPlug[] = [
    { id: "J2", name: say.loadPlug, wires: pick((id) => /^wire-|^switch-/.test(id) && !ofLow(id)) },
    { id: "J3", name: say.sensorPlug, wires: pick((id) => id.startsWith("sensor-wire-")) },
    { id: "J4", name: say.lowPlug, wires: pick((id) => /^(?:wire|back)-/.test(id) && ofLow(id)) },
  ];
  return sorts.filter((p) => p.wires.length > 0);
}

/** A pin that a wire got: what it is called, where it lies on the board. */
interface NewPin {
  readonly plug: string;
  readonly wire: string;
  readonly id: string;
  readonly net: string;
  readonly signal: string;
}

function pinsOf({ file, plugs }: Draft): readonly NewPin[] {
  return plugs.flatMap((plug) =>
    plug.wires.map((id, k) => {
      const wire = file.wires.find((w) => w.id === id)!;
      const net = ON_BOARD.test(wire.from) ? wire.from : wire.to;
      return { plug: plug.id, wire: id, id: `${plug.id}-${k + 1}`, net, signal: (wire.name ?? id).toLowerCase() };
    }),
  );
}

/** The returns of sensors, as pins of their plug. */
function returnPins(file: MachineFile, pins: readonly NewPin[]): readonly NewPin[] {
  const count = pins.filter((p) => p.plug === "J3").length;
  const nets = new Set(file.parts.map(terminalsOf).filter(isSensor).flatMap(boardNets));
  return [...nets].map((net, k) => ({
    plug: "J3",
    wire: "",
    id: `J3-${count + k + 1}`,
    net,
    signal: say.sensorReturn,
  }));
}

/** Whether a part's contact is told to a board: a sensor, a switch, the contact of a lock. */
const isSensor = (at: Record<string, string>) => Object.values(at).some((net) => /^sensor-\d+-a$/.test(net));
/** Where its other end lies, on a board; a lock's coil has its own return. */
const boardNets = (at: Record<string, string>) =>
  Object.entries(at).flatMap(([terminal, net]) => (ON_BOARD.test(net) && !terminal.startsWith("coil") ? [net] : []));

const terminalsOf = (part: MachineFile["parts"][number]) => (part as unknown as { at: Record<string, string> }).at;

/**
 * A file whose wires from the boards go through plugs, as they usually do: each gets a pin between the board and itself,
 * read on both sides; sensors have a common return.
 */
export function withUsualPlugs(file: MachineFile): Entry {
  const plugs = plugsOf(file);
  const pins = pinsOf({ file, plugs });
  const returns = returnPins(file, pins);
  const all = [...pins, ...returns];
  const byWire = new Map(pins.map((p) => [p.wire, p]));
  const wires = file.wires.map((w) => {
    const pin = byWire.get(w.id);
    if (!pin) return w;
    return pin.net === w.from ? { ...w, from: pin.id } : { ...w, to: pin.id };
  });
  const parts = file.parts.map((part) => {
    const at = terminalsOf(part);
    if (!isSensor(at)) return part;
    const own = (terminal: string, net: string) =>
      terminal.startsWith("coil") ? net : (returns.find((r) => r.net === net)?.id ?? net);
    return { ...part, at: Object.fromEntries(Object.entries(at).map(([t, net]) => [t, own(t, net)])) };
  });
  const moved = movedPoints(file, all);
  return {
    ...file,
    wires,
    parts,
    pieces: [...file.pieces.map((p) => ({ ...p, proofs: renamedTests(p.proofs, moved) })), ...plugs.map(plugPiece)],
    connectors: [...file.connectors, ...plugs.map((plug) => connectorOf(plug, all))],
    points: file.points.filter((p) => !moved.has(p.id)),
    references: referencesOf(file, moved, all),
    paths: file.paths.map((p) => ({ ...p, stages: stagesWith(p.stages, byWire, moved, all) })),
    setups: [
      ...file.setups,
      ...plugs.map(({ id, name }) => ({
        id: `${id.toLowerCase()}-off`,
        name: say.plugOff(name),
        power: "off",
        apart: [id],
        minutes: 0.5,
        how: say.pullThePlug(name),
      })),
    ],
  };
}

const plugPiece = ({ id, name }: UsualPlug) => ({
  id: `${id}-plug`,
  name,
  repair: say.cleanReseat,
  minutes: 8,
  price: 3,
});

function connectorOf({ id, name }: UsualPlug, pins: readonly NewPin[]): Entry {
  return {
    id,
    name,
    piece: `${id}-plug`,
    near: { suffix: ".pad", words: say.boardSide, panel: "cover" },
    far: { words: say.wireSide, panel: "cover" },
    pins: pins
      .filter((p) => p.plug === id)
      .map((p) => ({ pin: p.id.slice(id.length + 1), signal: p.signal.slice(0, 60), net: p.net })),
  };
}

/** Points that were the board's own pin for a wire: they are its pin's pad now. */
function movedPoints(file: MachineFile, pins: readonly NewPin[]): ReadonlyMap<string, string> {
  const own = new Map(pins.filter((p) => /^(?:out|in)-\d+$/.test(p.net)).map((p) => [p.net, p]));
  return new Map(file.points.flatMap((p) => (own.has(p.id) ? [[p.id, `${own.get(p.id)!.id}.pad`] as const] : [])));
}

const renamed = (moved: ReadonlyMap<string, string>, point: string) => moved.get(point) ?? point;

function renamedTests(proofs: MachineFile["pieces"][number]["proofs"], moved: ReadonlyMap<string, string>) {
  return proofs.map((proof) => ({
    ...proof,
    any: proof.any.map((t) => ({
      ...t,
      red: renamed(moved, t.red),
      ...(t.black === undefined ? {} : { black: renamed(moved, t.black) }),
    })),
  }));
}

function referencesOf(file: MachineFile, moved: ReadonlyMap<string, string>, pins: readonly NewPin[]) {
  const netOf = new Map(file.points.map((p) => [p.id, p.net]));
  return file.references.map((r) => {
    const nets = new Set(r.points.map((p) => netOf.get(p)));
    const more = pins.filter((p) => nets.has(p.net) && !moved.has(p.net)).flatMap((p) => [p.id, `${p.id}.pad`]);
    return { ...r, points: [...r.points.map((p) => renamed(moved, p)), ...more].slice(0, 20) };
  });
}

type Stages = MachineFile["paths"][number]["stages"];

/** A path with a plug before every wire that has one, and a stop behind it. */
function stagesWith(
  stages: Stages,
  byWire: ReadonlyMap<string, NewPin>,
  moved: ReadonlyMap<string, string>,
  pins: readonly NewPin[],
): readonly Entry[] {
  const back = pins.find((p) => p.wire === "wire-N");
  return stages.flatMap((stage, i): readonly Entry[] => {
    if ("at" in stage) return [{ ...stage, at: stage.at.map((p) => renamed(moved, p)) }];
    const own = stage.parts.flatMap((id) => byWire.get(id) ?? []);
    if (own.length === 0) return [stage];
    const next = stages.slice(i + 1).find((s) => "at" in s);
    const other = own[1]?.id ?? back?.id ?? (next && "at" in next ? renamed(moved, next.at[1]) : null);
    const stop = other === null || other === own[0]!.id ? [] : [{ at: [own[0]!.id, other] }];
    const plugs = [...new Set(own.map((p) => p.plug))].join(", ");
    return [{ box: say.plugBox(plugs), parts: own.map((p) => p.id), panel: "cover" }, ...stop, stage];
  });
}
