import { checkedFile } from "../file/checked-file";
import { placesIn } from "./file-nets";
import { columnsOf, readLines, type SheetTable } from "./sheet-line";
import { say } from "#words/core/model/sheet/wire-list";

/** A wire as a list has it: its ends are nets of the file. */
export interface WireRow {
  readonly id: string;
  readonly colour: string | null;
  readonly gauge: string | null;
  readonly from: string;
  readonly to: string;
}

const COLOUR = /^[a-z]+(?:[/-][a-z]+)*$/;
const GAUGE = /^(?:\d+(?:[.,]\d+)?\s*mm2|\d+\s*AWG|AWG\s*\d+)$/i;

/**
 * A wire list: `W4 brown 0.75mm2 T-C comp-line`, with tabs, semicolons or blanks; the ends as points, pins or nets of the
 * file. A wire that is there gets its colour and size; a new one goes into the harness that is chosen.
 */
export const wireList: SheetTable<WireRow> = {
  read(text, file) {
    const places = placesIn(file);
    const end = (name: string) => {
      const net = places.get(name.toLowerCase());
      if (net === undefined) throw new RangeError(say.noSuchPlace(name.slice(0, 40)));
      return net;
    };
    return readLines(text, (line) => {
      const [id = "", ...rest] = columnsOf(line);
      const more = rest.filter((c) => GAUGE.test(c) || (COLOUR.test(c) && !places.has(c.toLowerCase())));
      const ends = rest.filter((c) => !more.includes(c));
      if (ends.length !== 2 || more.length > 2) throw new RangeError(say.wireColourEnds(line.slice(0, 40)));
      const gauge = more.find((c) => GAUGE.test(c)) ?? null;
      const colour = more.find((c) => !GAUGE.test(c)) ?? null;
      const [from, to] = [end(ends[0]!), end(ends[1]!)];
      if (from === to) throw new RangeError(say.sameEnds(id));
      const words = [id, ...(colour ? [colour] : []), ...(gauge ? [gauge] : []), say.fromTo(ends[0]!, ends[1]!)];
      return { item: { id, colour, gauge, from, to }, words: words.join(", ") };
    });
  },
  apply(file, items, target) {
    if (!file.pieces.some((p) => p.id === target)) throw new RangeError(say.noSuchHarness(target));
    const byId = new Map(items.map((w) => [w.id, w]));
    const looks = ({ colour, gauge }: WireRow) => ({ ...(colour ? { colour } : {}), ...(gauge ? { gauge } : {}) });
    const known = file.wires.map((wire) => {
      const row = byId.get(wire.id);
      if (!row) return wire;
      const isSame = new Set([row.from, row.to, wire.from, wire.to]).size === 2;
      if (!isSame) throw new RangeError(say.goesElsewhere(wire.id, wire.from, wire.to));
      return { ...wire, ...looks(row) };
    });
    const fresh = items.filter((w) => !file.wires.some((k) => k.id === w.id));
    const wires = fresh.map((w) => ({ id: w.id, piece: target, from: w.from, to: w.to, ...looks(w) }));
    return checkedFile({ ...file, wires: [...known, ...wires] });
  },
};
