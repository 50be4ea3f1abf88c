import type { Machine, Part } from "../model";
import { type Liked, type Quantity, quantityText, readQuantity } from "../quantity";
import { say } from "#words/core/workbench/tool";

/**
 * A tool of the workbench: fields that may be left empty, and a sheet worked out from what is filled in. The same
 * description draws its screen, its print and its address.
 */
export interface Tool {
  readonly id: string;
  readonly name: string;
  readonly group: "loads" | "sensors" | "joints" | "boards" | "records";
  /** What it is for, in a few words. */
  readonly words: string;
  readonly fields: readonly Field[];
  /** Works it out. Throws `Refused` for what cannot be. */
  work(given: Given): Sheet;
  /** What a part's ratings fill in. */
  fill?(part: Part, machine: Machine): Readonly<Record<string, string>>;
  /** What a whole machine fills in, as it stands in one setup. */
  fillMachine?(machine: Machine, setup: string): Readonly<Record<string, string>>;
}

export interface Field {
  readonly key: string;
  readonly label: string;
  /** What is typed: a number of a quantity, one of some words, a list or free text. */
  readonly quantity?: Quantity;
  readonly choices?: readonly (readonly [value: string, words: string])[];
  readonly lines?: number;
  readonly hint?: string;
  /** What stands there when nothing is typed. */
  readonly preset?: string;
  /** Fields with the same heading stand together. */
  readonly under?: string;
  /** The least and the most a number may be, in the quantity's own unit. */
  readonly min?: number;
  readonly max?: number;
}

/** What was filled in: numbers in their own units, texts as typed. */
export interface Given {
  readonly liked: Liked;
  number(key: string): number | undefined;
  text(key: string): string;
}

/** One result, with the formula it comes from, the numbers in it, and its source. */
export interface Line {
  readonly label: string;
  readonly text: string;
  readonly formula?: string;
  readonly source?: string;
  /** The reading one came for. */
  readonly big?: boolean;
}

export interface Verdict {
  readonly kind: "good" | "bad" | "unsure";
  readonly words: string;
  /** For the part at hand: the failure mode found. */
  readonly mode?: string;
}

export interface Table {
  readonly head: readonly string[];
  /** Cells; a row may carry a mark of its own. */
  readonly rows: readonly { readonly cells: readonly string[]; readonly mark?: "fits" | "misfit" | "check" }[];
}

export interface Curve {
  readonly x: string;
  readonly y: string;
  readonly logarithmic?: boolean;
  readonly lines: readonly {
    readonly name: string;
    readonly points: readonly (readonly [number, number])[];
    readonly dots?: boolean;
  }[];
}

/** A row of switches or resistors as they are to stand, drawn as the board sits. */
export interface SwitchDrawing {
  readonly caption: string;
  readonly kind: "switches" | "resistors";
  readonly numbers: readonly number[];
  readonly on: readonly boolean[];
  readonly upsideDown: boolean;
  /** The end with the dot, the board held upright. */
  readonly marked: "left" | "right";
}

export interface Sheet {
  readonly lines: readonly Line[];
  readonly verdict?: Verdict;
  readonly table?: Table;
  readonly curve?: Curve;
  readonly switches?: readonly SwitchDrawing[];
  readonly cautions: readonly string[];
  /** What else is worth knowing, as short sentences. */
  readonly notes: readonly string[];
}

/** Why a tool cannot work something out, and at which field. */
export class Refused extends Error {
  constructor(
    sentence: string,
    readonly field?: string,
  ) {
    super(sentence);
  }
}

/** Reads what was typed into a tool's fields and works it out; a problem names its field where it has one. */
export function workTool(
  tool: Tool,
  typed: Readonly<Record<string, string>>,
  liked: Liked,
): { readonly sheet: Sheet | null; readonly problems: Readonly<Record<string, string>>; readonly problem: string } {
  const numbers = new Map<string, number>();
  const problems: Record<string, string> = {};
  for (const field of tool.fields) {
    const text = (typed[field.key] ?? field.preset ?? "").trim();
    if (!field.quantity || text === "") continue;
    const read = readQuantity(text, field.quantity, liked);
    if (!read.ok) {
      problems[field.key] = read.sentence;
      continue;
    }
    const low = field.min ?? (SIGNED.has(field.quantity) ? -Infinity : 0);
    if (read.value < low || read.value > (field.max ?? Infinity)) {
      problems[field.key] =
        field.max === undefined
          ? say.cannotBeBelow(field.label, quantityText(low, field.quantity, liked))
          : say.mustBeTo(
              field.label,
              quantityText(low, field.quantity, liked),
              quantityText(field.max, field.quantity, liked),
            );
      continue;
    }
    numbers.set(field.key, read.value);
  }
  if (Object.keys(problems).length > 0) return { sheet: null, problems, problem: "" };
  const given: Given = {
    liked,
    number: (key) => numbers.get(key),
    text: (key) =>
      textOf(
        tool.fields.find((f) => f.key === key),
        typed[key],
      ),
  };
  try {
    return { sheet: tool.work(given), problems, problem: "" };
  } catch (error) {
    if (!(error instanceof Refused)) throw error;
    return error.field
      ? { sheet: null, problems: { [error.field]: error.message }, problem: "" }
      : { sheet: null, problems, problem: error.message };
  }
}

/** What was typed or chosen; an address may name a choice that there is not, and then none was made. */
function textOf(field: Field | undefined, typed: string | undefined): string {
  const preset = field?.preset ?? "";
  const text = (typed ?? preset).trim();
  return field?.choices?.every(([value]) => value !== text) ? preset : text;
}

/** Quantities that may be below nothing. */
const SIGNED: ReadonlySet<Quantity> = new Set(["celsius", "volts", "plain"]);

/** A formula with its numbers: `R = V² / P`, then the numbers in it, then the result. */
export function formula(letters: string, numbers: string, result: string): string {
  return `${letters} = ${numbers} = ${result}`;
}

/**
 * Numbers typed one after the other, apart by spaces, commas followed by a space, semicolons or lines. Throws
 * `Refused`.
 */
export function readList(text: string, quantity: Quantity, liked: Liked, field: string): number[] {
  return text
    .split(/[;\n\t]+|,\s+|\s+/)
    .filter((t) => t !== "")
    .map((t) => {
      const read = readQuantity(t, quantity, liked);
      if (!read.ok) throw new Refused(read.sentence, field);
      return read.value;
    });
}

/** Refuses a value that has to be above nothing. */
export function positive(value: number | undefined, label: string, field: string): void {
  if (value !== undefined && !(value > 0)) throw new Refused(say.mustBeAboveZero(label), field);
}
