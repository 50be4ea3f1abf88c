import { plainNumber } from "../../quantity";
import { idOf } from "../id-of";
import { checkedFile } from "../file/checked-file";
import type { QuickGuard, QuickLoad, QuickSensor } from "../quick/quick-load";
import { guardBetween, loadBetween } from "../quick/quick-parts";
import { lineVolts, type QuickSupply } from "../quick/quick-supply";
import { readItems } from "../quick/read-parts";
import type { MachineFile } from "../schema";
import { partsIn, placesIn } from "./file-nets";
import { readLines, type SheetTable } from "./sheet-line";
import { say } from "#words/core/model/sheet/new-parts";

/** A part that the file has not, and the nets that it lies between. */
export interface NewPart {
  readonly what: { readonly load: QuickLoad } | { readonly contact: QuickGuard | QuickSensor };
  readonly name: string;
  readonly volts: number;
  readonly current: "ac" | "dc";
  readonly a: string;
  readonly b: string;
}

/** Minutes and price of a part of which nothing else is known; from memory. */
const USUAL = { minutes: 30, price: 40 };
/** Volts from which on a supply of alternating current is the mains. */
const LEAST_MAINS = 90;

/** What the machine hangs on, as far as its file's supply says. */
function supplyOf(file: MachineFile): QuickSupply {
  const { supply } = file;
  const parts = partsIn(file);
  const { volts, hertz } = supply;
  if (hertz === 0 || volts < LEAST_MAINS) return { kind: "low-voltage", volts, hertz };
  // The outlet tells how many lines there are: a load from one of several to neutral has less than is between them.
  const outlet = parts.find(({ at }) => "line1" in at && "neutral" in at);
  if (!outlet) return { kind: "mains", volts, hertz };
  return { kind: "line3" in outlet.at ? "three-phase" : "split phase", volts, hertz };
}

/** The place at the end of a line and what stands before it; the longest name that fits. Null where it ends in none. */
function lastPlace(line: string, places: ReadonlyMap<string, string>) {
  const plain = line.toLowerCase();
  const fits = (name: string) => plain.endsWith(name) && /[\s,;]/.test(plain.at(-name.length - 1) ?? "");
  const name = [...places.keys()].filter(fits).sort((a, b) => b.length - a.length)[0];
  if (name === undefined) return null;
  const at = line.length - name.length;
  return { name: line.slice(at), net: places.get(name)!, before: line.slice(0, at).replace(/[\s,;]+$/, "") };
}

/** One line: what it is with its rating, then both ends. */
function rowOf(line: string, file: MachineFile, places: ReadonlyMap<string, string>) {
  const far = lastPlace(line, places);
  if (!far) throw new RangeError(say.noSuchPlace(line.split(/\s+/).at(-1) ?? ""));
  const near = lastPlace(far.before.replace(/\s+(?:and|to)$/i, ""), places);
  if (!near) throw new RangeError(say.partAndEnds(line.slice(0, 60)));
  const text = near.before.replace(/\s+(?:between|from|at|on)$/i, "");
  const supply = supplyOf(file);
  const items = readItems(text, supply);
  const [read] = items;
  if (!read || items.length !== 1 || read.loads.length > 1) throw new RangeError(say.oneAtATime);
  if (read.problem !== null) throw new RangeError(read.problem);
  const [load] = read.loads;
  const contact = read.sensor ? { ...read.sensor, stops: [] } : read.inLine;
  const named = load ?? contact!;
  if (near.net === far.net) throw new RangeError(say.sameEnds(named.name));
  const isDirect = load?.feed?.from === "board" || supply.hertz === 0;
  const fed = { volts: load?.feed?.volts ?? lineVolts(supply), current: isDirect ? ("dc" as const) : ("ac" as const) };
  const hasMore =
    load && (["three-phase motor", "contactor", "door lock", "compressor"].includes(load.kind) || load.by);
  if (hasMore || (load?.through ?? []).length > 0) throw new RangeError(say.needsMore(named.name));
  const what = load ? { load } : { contact: contact! };
  const item: NewPart = { what, name: named.name, ...fed, a: near.net, b: far.net };
  return { item, words: say.between(named.name, ratingOf(item), near.name, far.name) };
}

function ratingOf({ what, volts }: NewPart): string {
  if ("load" in what) return say.watts(plainNumber(what.load.watts), plainNumber(volts));
  const ohms = "ohms" in what.contact ? what.contact.ohms : undefined;
  return ohms === undefined ? "" : say.ohmsAt25(plainNumber(ohms));
}

/** The part as the file has it. */
function entryOf({ what, volts, current, a, b }: NewPart, id: string, body: string): object {
  if ("load" in what) return loadBetween(what.load, { volts, current }, id, { a, b }, body);
  const { contact } = what;
  const { kind, name } = contact;
  if (kind === "lock contact") throw new RangeError(say.needsMore(name));
  if (kind !== "ntc") return guardBetween({ ...contact, kind }, id, { a, b });
  const { ohms = 1e4 } = contact as QuickSensor;
  return { id, kind, name, piece: id, ohms25: ohms, beta: 3800, place: id, at: { a, b } };
}

/** The net that cases and earths lie on; in a file without any it is a net of its own, which the file then refuses. */
const bodyOf = (file: MachineFile): string =>
  partsIn(file).flatMap(({ at }) => at["case"] ?? at["earth"] ?? [])[0] ?? "body";

/** Parts that nobody drew: `fan 24V 5W J4-1 J4-2`, `NTC 10k between J3-1 and J3-5`; each an assembly of its own. */
export const newParts: SheetTable<NewPart> = {
  read(text, file) {
    const places = placesIn(file);
    return readLines(text, (line) => rowOf(line, file, places));
  },
  apply(file, items) {
    return items.reduce((now, item) => {
      const id = idOf(item.name) || "part";
      const isTaken = [...partsIn(now), ...now.pieces, ...now.wires].some((p) => p.id === id);
      if (isTaken) throw new RangeError(say.isThereAlready(item.name));
      const doors = isMadeByDoor(item) && now.doors.length === 0 ? [{ id: "door", name: item.name }] : now.doors;
      return checkedFile({
        ...now,
        doors,
        pieces: [...now.pieces, { id, name: item.name, repair: say.replace(item.name.toLowerCase()), ...USUAL }],
        parts: [...now.parts, onDoor(entryOf(item, id, bodyOf(now)), doors)],
      });
    }, file);
  },
};

const isMadeByDoor = ({ what }: NewPart) => "contact" in what && what.contact.kind === "door switch";

/** A door switch is worked by the machine's first door, whatever that is called. */
function onDoor(entry: object, doors: readonly { readonly id: string }[]): object {
  return "door" in entry ? { ...entry, door: doors[0]!.id } : entry;
}
