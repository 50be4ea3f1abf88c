import type { MachineFile } from "../schema";
import { codeTable } from "./code-table";
import { coverScrews } from "./cover-screws";
import { logicsIn } from "./file-nets";
import { modeTable } from "./mode-table";
import { newParts } from "./new-parts";
import { partNumbers } from "./part-numbers";
import { plugTable } from "./plug-table";
import { sensorsOf, sensorTable } from "./sensor-table";
import type { SheetTable } from "./sheet-line";
import { wireList } from "./wire-list";

/** Sorts of tables that a sheet prints beside its pin tables, in the order in which they are offered. */
export const SHEET_TABLES = ["plugs", "parts", "codes", "modes", "wires", "numbers", "sensor", "screws"] as const;
export type SheetTableId = (typeof SHEET_TABLES)[number];

/** A sort of table with its own sort of line forgotten. */
interface AnyTable {
  shown(text: string, file: MachineFile): readonly ShownLine[];
  put(file: MachineFile, text: string, target: string): MachineFile;
}

function anyTable<T>({ read, apply }: SheetTable<T>): AnyTable {
  return {
    shown: (text, file) => read(text, file).map((l) => ({ text: l.text, words: l.words, isRead: l.item !== null })),
    put(file, text, target) {
      const items = read(text, file).map((line) => {
        if (line.item === null) throw new RangeError(line.words);
        return line.item;
      });
      return apply(file, items, target);
    },
  };
}

const TABLES: Readonly<Record<SheetTableId, AnyTable>> = {
  plugs: anyTable(plugTable),
  parts: anyTable(newParts),
  codes: anyTable(codeTable),
  modes: anyTable(modeTable),
  wires: anyTable(wireList),
  numbers: anyTable(partNumbers),
  sensor: anyTable(sensorTable),
  screws: anyTable(coverScrews),
};

/** A line of such a table as it is shown: what it was taken for, or why it was not understood. */
export interface ShownLine {
  readonly text: string;
  readonly words: string;
  readonly isRead: boolean;
}

/** The lines of a table as they were taken. */
export const readSheet = (table: SheetTableId, text: string, file: MachineFile): readonly ShownLine[] =>
  TABLES[table].shown(text, file);

/** What a table is put to: the harness of new wires, the sensor of ohms, the logic of codes; none for tables that name everything. */
export function targetsOf(
  table: SheetTableId,
  file: MachineFile,
): readonly { readonly id: string; readonly name: string }[] {
  if (table === "sensor") return sensorsOf(file);
  if (table === "codes" || table === "modes") return logicsIn(file);
  if (table !== "wires") return [];
  const used = new Set(file.wires.map((w) => w.piece));
  // Where wires lie already first.
  return [...file.pieces].sort((a, b) => Number(used.has(b.id)) - Number(used.has(a.id)));
}

/**
 * The file with the lines of a table in it. Throws a RangeError with a sentence while a line is not understood, and for
 * what does not go with the file.
 */
export const withSheet = (file: MachineFile, table: SheetTableId, text: string, target: string): MachineFile =>
  TABLES[table].put(file, text, target);
