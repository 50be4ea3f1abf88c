import type { MachineFile } from "../schema";

/** A line of a sheet as it was typed or pasted, and what it was taken for. */
export interface SheetLine<T> {
  readonly text: string;
  /** Null where it was not understood. */
  readonly item: T | null;
  /** As it was taken, or why it was not. */
  readonly words: string;
}

/** A sort of table that sheets print: how its lines are read, and put into a file. */
export interface SheetTable<T> {
  /** Lines in their order; empty ones are left out, what is not understood keeps its place. */
  read(text: string, file: MachineFile): readonly SheetLine<T>[];
  /** The file with these lines in it. Throws a RangeError with a sentence for what does not go with it. */
  apply(file: MachineFile, items: readonly T[], target: string): MachineFile;
}

/** Reads each line by itself; a RangeError of `one` becomes the line's own sentence. */
export function readLines<T>(
  text: string,
  one: (line: string) => { readonly item: T; readonly words: string },
): readonly SheetLine<T>[] {
  return text
    .split(/\r?\n/)
    .map((line) => line.trim())
    .filter(Boolean)
    .map((line) => {
      try {
        return { text: line, ...one(line) };
      } catch (error) {
        if (!(error instanceof RangeError)) throw error;
        return { text: line, item: null, words: error.message };
      }
    });
}

/** The columns of a line: by tabs, semicolons or commas where there are any, else by blanks. */
export function columnsOf(line: string): readonly string[] {
  let by = /\s+/;
  if (/[\t;]/.test(line)) by = /[\t;]+/;
  else if (/,\s|\s{2,}/.test(line)) by = /,\s+|\s{2,}/;
  return line
    .split(by)
    .map((c) => c.trim())
    .filter(Boolean);
}
