import { parseReading } from "../../quantity";
import { pinBoard } from "../kinds/pin-board";
import { checkedFile } from "../file/checked-file";
import type { MachineFile } from "../schema";
import type { Measured } from "./measured";
import type { PinFields } from "./pin-fields";
import { say } from "#words/core/model/pins/board-table";

/** A board of a file that is known by its pins. */
export interface PinBoard {
  readonly id: string;
  readonly name: string;
  readonly fields: PinFields;
}

/** The boards of a file that are known by their pins, in its order. */
export function pinBoardsOf(file: MachineFile): readonly PinBoard[] {
  return file.parts.flatMap((part) => {
    if (part.kind !== pinBoard.kind) return [];
    const { id, name, ...fields } = part as unknown as { id: string; name: string } & PinFields;
    return [{ id, name, fields }];
  });
}

/**
 * What was typed of a reading on a good board: `12.8`, `OL`, `0 to 13` of what pulses. Throws a RangeError with a
 * sentence for what is no reading.
 */
export function readMeasured(text: string, fn: Measured["function"]): Pick<Measured, "low" | "high" | "overload"> {
  const read = parseReading(text, fn === "ohms" ? "ohm" : "V");
  if (!read.ok) throw new RangeError(read.sentence);
  const reading = read.shown;
  if (reading.kind === "overload") return { overload: true };
  if (reading.kind === "jumping") return { low: reading.low, high: reading.high, overload: false };
  if (reading.kind === "value") return { low: reading.value, overload: false };
  throw new RangeError(say.noSuchReading);
}

/**
 * The file with one more reading on a good board. Throws a RangeError for a board that it has not and for a row that is
 * none.
 */
export function withMeasured(file: MachineFile, board: string, row: Measured): MachineFile {
  if (!pinBoardsOf(file).some((b) => b.id === board)) throw new RangeError(board);
  const parts = file.parts.map((part) => {
    const { id, measured = [] } = part as unknown as { id: string; measured?: readonly Measured[] };
    if (id !== board) return part;
    return { ...part, measured: [...measured, row] };
  });
  return checkedFile({ ...file, parts });
}
