import { partKind } from "../kinds/registry";
import type { MachineFile } from "../schema";
import { plainWords } from "../sheet/file-nets";
import { say } from "#words/core/model/edit/typed-join";

/** An entry of a file that is being written: it may lack anything. */
export type DraftEntry = Readonly<Record<string, unknown>>;

/** The lists of a file that joining goes by, under the names of format 1. */
export interface DraftLists {
  readonly parts: readonly DraftEntry[];
  readonly wires: readonly DraftEntry[];
  readonly connectors: readonly DraftEntry[];
  readonly points: readonly DraftEntry[];
  readonly pieces: readonly DraftEntry[];
}

/** What a typed line joins, and the lists as they are then. */
export interface TypedJoin {
  /** As it was taken. */
  readonly words: string;
  readonly parts: readonly DraftEntry[];
  readonly wires: readonly DraftEntry[];
}

/** One end: a net, and the terminal it was named by; a terminal that is joined to nothing yet has no net. */
interface End {
  readonly words: string;
  readonly net: string | null;
  readonly part: number | null;
  readonly terminal: string | null;
}

const text = (value: unknown): string => (typeof value === "string" ? value : "");
const listOf = (value: unknown): readonly DraftEntry[] => (Array.isArray(value) ? (value as DraftEntry[]) : []);
const nets = (part: DraftEntry): Readonly<Record<string, string>> =>
  part["at"] !== null && typeof part["at"] === "object" ? (part["at"] as Record<string, string>) : {};

/** Ways in which a terminal is said, by its name in small letters. */
const SAID: Readonly<Record<string, readonly string[]>> = {
  plus: ["+", "positive", "pos"],
  minus: ["-", "−", "negative", "neg"],
  line: ["l"],
  neutral: ["n"],
  earth: ["pe", "ground", "gnd"],
  return: ["0 v", "gnd", "ground"],
  common: ["com", "c"],
  make: ["no"],
  break: ["nc"],
};

/**
 * The terminals of a part that is being written: those of its kind where its fields are whole, else those that it names.
 */
export function draftTerminals(part: DraftEntry): readonly string[] {
  const kind = partKind(text(part["kind"]));
  const own = Object.keys(nets(part));
  if (!kind) return own;
  const { id: _id, kind: _kind, name: _name, piece: _piece, at: _at, odds: _odds, ...fields } = part;
  const parsed = (kind.fields as unknown as { safeParse(v: unknown): { success: boolean; data?: unknown } }).safeParse(
    fields,
  );
  if (!parsed.success) return own.length > 0 ? own : terminalsUnread(kind, fields);
  return [...new Set([...kind.electrical.terminals(parsed.data), ...own.filter((t) => nets(part)[t] !== undefined)])];
}

/** The terminals of a kind that has the same whatever its fields say. */
function terminalsUnread(kind: NonNullable<ReturnType<typeof partKind>>, fields: DraftEntry): readonly string[] {
  try {
    return kind.electrical.terminals(fields);
  } catch {
    // Its terminals hang on fields that are not there yet.
    return [];
  }
}

/** Every place that a line can name, as it is offered: pins, points, terminals of parts. */
export function placeNames(lists: DraftLists): readonly string[] {
  return [
    ...lists.connectors.flatMap((c) => listOf(c["pins"]).map((p) => `${text(c["id"])}-${text(p["pin"])}`)),
    ...lists.points.map((p) => text(p["name"])),
    ...lists.parts.flatMap((p) => draftTerminals(p).map((t) => `${text(p["name"]) || text(p["id"])} ${t}`)),
  ].filter(Boolean);
}

/**
 * Reads `J2-3 to fan +`: both ends by pin, test point, net, or a part with one of its terminals. In one assembly they are
 * soldered together; else a wire goes from one to the other. Throws a RangeError with a sentence for an end that there is
 * not, or for what is joined already.
 */
export function typedJoin(lists: DraftLists, typed: string): TypedJoin {
  const ends = typed.split(/\s+to\s+|\s*(?:→|->|=)\s*/i);
  if (ends.length !== 2 || ends.some((e) => e.trim() === "")) throw new RangeError(say.fromTo);
  const [from, to] = ends.map((e) => endOf(lists, e.trim())) as [End, End];
  if (from.net !== null && from.net === to.net) throw new RangeError(say.joinedAlready(from.words, to.words));
  const soldered = isOneAssembly(lists, from, to);
  if (soldered && (from.part !== null || to.part !== null)) return solderedTogether(lists, from, to);
  return wired(lists, from, to);
}

/** The places of a file that can be named, and the net of one. Throws a RangeError with a sentence for none. */
export const placesToName = (file: MachineFile): readonly string[] => placeNames(listsOf(file));
export function netAt(file: MachineFile, words: string): string {
  const { net } = endOf(listsOf(file), words);
  if (net === null) throw new RangeError(say.noSuchPlace(words.slice(0, 40)));
  return net;
}

const listsOf = ({ parts, wires, connectors, points, pieces }: MachineFile): DraftLists =>
  ({ parts, wires, connectors, points, pieces }) as unknown as DraftLists;

function endOf(lists: DraftLists, words: string): End {
  const plain = words.toLowerCase();
  const place = (net: string): End => ({ words, net, part: null, terminal: null });
  for (const c of lists.connectors)
    for (const p of listOf(c["pins"])) {
      const pin = `${text(c["id"])}-${text(p["pin"])}`;
      const suffix = text((c["near"] as DraftEntry | undefined)?.["suffix"]);
      if (plain === pin.toLowerCase()) return place(pin);
      if (suffix !== "" && (plain === `${pin}${suffix}`.toLowerCase() || plain === `${pin} board side`.toLowerCase()))
        return place(text(p["net"]) || `${pin}${suffix}`);
    }
  const point = lists.points.find((p) => [text(p["id"]), text(p["name"])].some((n) => n.toLowerCase() === plain));
  if (point) return place(text(point["net"]));
  const terminal = terminalNamed(lists, words);
  if (terminal) return terminal;
  const known = new Set([
    ...lists.parts.flatMap((p) => Object.values(nets(p))),
    ...lists.wires.flatMap((w) => [text(w["from"]), text(w["to"])]),
  ]);
  const net = [...known].find((n) => n.toLowerCase() === plain);
  if (net !== undefined) return place(net);
  throw new RangeError(say.noSuchPlace(words.slice(0, 40)));
}

/** `fan +`, `relay for heater coil-a`: the part with the longest name that the words begin with. */
function terminalNamed({ parts }: DraftLists, words: string): End | null {
  const plain = words.toLowerCase();
  const named = parts
    .flatMap((p, i) =>
      [text(p["name"]), text(p["id"])].filter(Boolean).map((name) => ({ i, name: name.toLowerCase() })),
    )
    .filter(({ name }) => plain.startsWith(`${name} `) || plain.startsWith(`${name}.`) || plain === name)
    .sort((a, b) => b.name.length - a.name.length)[0];
  if (!named) return null;
  const part = parts[named.i]!;
  const said = plain.slice(named.name.length + 1).trim();
  const terminals = draftTerminals(part);
  const found = terminals.find(
    (t) =>
      t.toLowerCase() === said || plainWords(t) === plainWords(said || "?") || SAID[t.toLowerCase()]?.includes(said),
  );
  if (found === undefined) throw new RangeError(say.whichTerminal(text(part["name"]) || named.name, terminals));
  return { words, net: nets(part)[found] ?? null, part: named.i, terminal: found };
}

/** The assembly of each end's part; null where it is a pin or a point. */
const assemblyOf = (lists: DraftLists, { part }: End) => (part === null ? null : text(lists.parts[part]!["piece"]));

/** Whether both ends lie in one assembly that is one piece of work: a board. */
function isOneAssembly(lists: DraftLists, from: End, to: End): boolean {
  const [a, b] = [assemblyOf(lists, from), assemblyOf(lists, to)];
  return a !== null && a === b;
}

const withTerminal = (parts: readonly DraftEntry[], end: End, net: string): readonly DraftEntry[] =>
  parts.map((p, i) => (i === end.part ? { ...p, at: { ...nets(p), [end.terminal!]: net } } : p));

/** Both on one net: the one that has none takes the other's; a new one where neither has. */
function solderedTogether(lists: DraftLists, from: End, to: End): TypedJoin {
  const net = from.net ?? to.net ?? freshNet(lists, from);
  const own = [from, to].filter((e) => e.part !== null && e.net !== net);
  const parts = own.reduce<readonly DraftEntry[]>((all, end) => withTerminal(all, end, net), lists.parts);
  return { words: say.soldered(from.words, to.words), parts, wires: lists.wires };
}

function wired(lists: DraftLists, from: End, to: End): TypedJoin {
  let { parts } = lists;
  const netOf = (end: End): string => {
    if (end.net !== null) return end.net;
    const net = freshNet(lists, end);
    parts = withTerminal(parts, end, net);
    return net;
  };
  const ids = new Set(lists.wires.map((w) => text(w["id"])));
  let n = lists.wires.length + 1;
  while (ids.has(`W${n}`)) n++;
  const piece =
    text(lists.wires[0]?.["piece"]) || text(lists.pieces.find((p) => /wir|harness/i.test(text(p["name"])))?.["id"]);
  const wire = { id: `W${n}`, piece: piece || text(lists.pieces[0]?.["id"]), from: netOf(from), to: netOf(to) };
  return { words: say.wired(wire.id, from.words, to.words), parts, wires: [...lists.wires, wire] };
}

/** A net named by its terminal, that no other part lies on. */
function freshNet({ parts }: DraftLists, { part, terminal }: End): string {
  const used = new Set(parts.flatMap((p) => Object.values(nets(p))));
  const base = `${text(parts[part!]!["id"])}-${terminal!}`.replace(/[^A-Za-z0-9._-]/g, "");
  let net = base;
  for (let n = 2; used.has(net); n++) net = `${base}-${n}`;
  return net;
}
