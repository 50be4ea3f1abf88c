import { checkedFile } from "../file/checked-file";
import { readLines, type SheetTable } from "./sheet-line";
import { say } from "#words/core/model/sheet/part-numbers";

/** A spare as a parts list has it. */
export interface NumberRow {
  readonly assembly: string;
  readonly number: string;
  /** In the shop's money; null: not said. */
  readonly price: number | null;
}

/**
 * A parts list: `Control board RB-4T 120`, `Fan; 4711-AB`: the assembly by its name, the number printed on it, its price
 * where there is one.
 */
export const partNumbers: SheetTable<NumberRow> = {
  read: (text, file) =>
    readLines(text, (line) => {
      const plain = line.replace(/[\t;]+|,\s+/g, " ").replace(/\s+/g, " ");
      const named = file.pieces
        .filter((p) => plain.toLowerCase().startsWith(p.name.toLowerCase()))
        .sort((a, b) => b.name.length - a.name.length)[0];
      if (!named) throw new RangeError(say.noSuchAssembly(plain.slice(0, 40)));
      const rest = plain.slice(named.name.length).trim().split(" ").filter(Boolean);
      const last = rest.at(-1) ?? "";
      const isPrice = rest.length > 1 && /^\d+(?:[.,]\d{1,2})?$/.test(last);
      const number = (isPrice ? rest.slice(0, -1) : rest).join(" ");
      if (number === "" || !/\d/.test(number)) throw new RangeError(say.noNumber(named.name));
      const price = isPrice ? Number(last.replace(",", ".")) : null;
      return {
        item: { assembly: named.id, number, price },
        words: price === null ? say.numbered(named.name, number) : say.priced(named.name, number, last),
      };
    }),
  apply(file, items) {
    const of = new Map(items.map((i) => [i.assembly, i]));
    const pieces = file.pieces.map((p) => {
      const row = of.get(p.id);
      return row ? { ...p, number: row.number, ...(row.price === null ? {} : { price: row.price }) } : p;
    });
    return checkedFile({ ...file, pieces });
  },
};
