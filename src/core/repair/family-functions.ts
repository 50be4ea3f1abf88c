import { type FunctionRow, has, type Machine } from "../model";
import { say } from "#words/core/repair/family-functions";

/** One function that a machine of a kind must show after its board was swapped. */
export interface FamilyFunction {
  readonly id: string;
  readonly words: string;
  readonly minutes: number;
  /** For the licensed trade. */
  readonly licensed?: true;
}

type Row = readonly (readonly [id: string, minutes: number, licensed?: "licensed"])[];

/** Functions shown after a board swap, in order; common practice, no source. A file may add, never take away. */
const ROWS: Readonly<Record<FunctionRow, Row>> = {
  refrigerator: [
    ["keys", 3],
    ["sensors", 2],
    ["compressor", 8],
    ["defrost", 10],
    ["frost", 12],
    ["log", 1],
  ],
  "absorption refrigerator": [
    ["level", 2],
    ["cut-offs", 2],
    ["amps", 7],
    ["change", 3],
    ["gas", 8, "licensed"],
    ["boiler", 23],
    ["log", 1],
  ],
  washer: [
    ["lock", 4],
    ["fill", 3],
    ["overfill", 2],
    ["heater", 3],
    ["tumble", 2],
    ["drain", 2],
    ["spin", 5],
    ["cycle", 19],
  ],
  dishwasher: [
    ["door", 1],
    ["fill", 3],
    ["float", 2],
    ["wash", 3],
    ["heater", 8],
    ["drain", 2],
    ["dispenser", 2],
    ["cycle", 14],
  ],
  dryer: [
    ["airflow", 2],
    ["door", 2],
    ["direction", 1],
    ["heat", 3],
    ["thermostat", 10],
    ["cut-offs", 1],
    ["gas", 4, "licensed"],
    ["coin", 2],
  ],
  "ice machine": [
    ["fill", 3],
    ["bin", 6],
    ["freeze", 15],
    ["harvest", 5],
    ["weight", 30],
    ["sanitised", 1],
  ],
  "vending machine": [
    ["door", 1],
    ["audit", 2],
    ["coins", 6],
    ["columns", 10],
    ["refund", 2],
    ["compressor", 8],
    ["fan", 2],
    ["food", 2],
    ["sale", 7],
  ],
  conveyor: [
    ["by hand", 1],
    ["stops", 4],
    ["barrier", 2],
    ["amps", 3],
    ["stall", 1],
    ["warm", 4],
  ],
  changeover: [
    ["interlock", 2],
    ["battery", 2],
    ["inhibit", 1],
    ["start", 2],
    ["before transfer", 2],
    ["utility dead", 1],
    ["loaded", 10],
    ["return", 16],
    ["exercise", 4],
  ],
  winch: [
    ["isolator", 1],
    ["release", 1],
    ["directions", 1],
    ["brake", 3],
    ["limits", 2],
    ["drop", 1],
    ["warm", 3],
  ],
  "battery tool": [
    ["alone", 1],
    ["both", 2],
    ["low pack", 3],
    ["cycles", 3],
    ["sleep", 1],
    ["block", 2],
  ],
  "instrument panel": [
    ["lamps", 1],
    ["dials", 5],
    ["warnings", 4],
    ["light", 1],
    ["hours", 1],
    ["sleep", 5],
    ["charging", 1],
  ],
  "ticket machine": [
    ["tariff", 3],
    ["cycles", 5],
    ["print", 4],
    ["sale", 8],
    ["refund", 4],
    ["tamper", 3],
    ["cash", 3],
  ],
};

/** The row that a machine goes by: what its file names, else its family; null where neither says. */
export function functionRowOf({ file }: Machine): FunctionRow | null {
  if (file.functionsOf) return file.functionsOf;
  return file.family === "powered equipment" ? null : file.family;
}

/** A tool none of whose boards keeps an order of its switches must not be asked for one: it is asked for the other. */
function asOnBoard({ file }: Machine, asked: string): string {
  const boards = file.pieces.filter((p) => p.board);
  const isKept = boards.some((b) => b.guards === undefined || b.guards.includes("sequence"));
  return asked === "both" && !isKept ? "both, no order" : asked;
}

/** What a machine must show after a board swap. */
export function familyFunctions(machine: Machine): readonly FamilyFunction[] {
  const row = functionRowOf(machine);
  if (!row) return [];
  const words: Readonly<Record<string, string>> = say[row];
  const burnsGas = machine.parts.some((p) => has(p, "gas"));
  return ROWS[row].flatMap(([asked, minutes, licensed]) => {
    // A tick for a flame that there is not teaches to tick.
    if (asked === "gas" && !burnsGas) return [];
    const id = asOnBoard(machine, asked);
    return { id, words: words[id]!, minutes, ...(licensed ? { licensed: true as const } : {}) };
  });
}
