import { stringify } from "yaml";
import { z } from "zod";
import { KIND_NAMES } from "#words/kinds";
import { KIND_SAYS } from "#words/kind-says";
import { fieldWords, type FieldWords } from "./field-words";
import { pinBoard } from "./kinds/pin-board";
import { type KindId, PART_KINDS, partKind } from "./kinds/registry";
import { quickMachine } from "./quick/quick";
import { readSupply } from "./quick/quick-supply";
import { readParts } from "./quick/read-parts";
import type { MachineFile, PartEntry } from "./schema";

const SAYS: Readonly<Record<KindId, string>> = KIND_SAYS;

/** A field of a kind: what it says, whether a file must have it, and what it is when nothing is said. */
export interface KindField extends FieldWords {
  readonly name: string;
  readonly isRequired: boolean;
  readonly default: string | null;
}

/** All that a newcomer wants to know of a kind of part, from its own definition. */
export interface KindPage {
  readonly kind: KindId;
  readonly name: string;
  readonly says: string;
  readonly terminals: readonly string[];
  readonly fields: readonly KindField[];
  /** How it fails, as said after its name, and how often beside the others of its kind. */
  readonly failures: readonly { readonly words: string; readonly odds: number }[];
  readonly signs: readonly string[];
  /** How it is tested by itself; null where nobody does. */
  readonly alone: string | null;
  readonly cautions: readonly string[];
  /** A part of this kind as a file has it; null where none was given. */
  readonly example: string | null;
}

/** Every kind, in the order of the registry. */
export const KIND_IDS: readonly KindId[] = PART_KINDS.map((k) => k.kind);

/** What is typed at the door of machines that have kinds which no file of a library need have. */
const DOORS = [
  ["400 V 3 phases", "motor 3 phase 750W through contactor 230V, heater 2000 at 230V through SSR"],
  ["24 VAC", "valve 8"],
] as const;

/** A board by two of its pins. */
function pinBoardPart(): PartEntry {
  const fields = pinBoard.fields.parse({
    pins: ["L", "N", "J2-1", "J2-2"],
    feed: { between: ["L", "N"], current: "ac", volts: 230, watts: 3 },
    states: [
      { id: "test3", name: "Test 3", mode: "test3" },
      { id: "idle", name: "Idle" },
    ],
    outputs: { fan: { to: "J2-1", from: "J2-2", gives: { volts: 13 }, on: ["test3"], off: ["idle"] } },
  });
  const at = { L: "board-L", N: "board-N", "J2-1": "J2-1", "J2-2": "J2-2" };
  return { id: "MB", kind: pinBoard.kind, name: "Main board", piece: "board", ...fields, at } as unknown as PartEntry;
}

/**
 * The plainest part of each kind in some files, by kind: the one with the fewest words; of a kind that none of them has
 * one from a machine drawn at the door.
 */
export function plainestParts(files: readonly MachineFile[]): ReadonlyMap<string, PartEntry> {
  const own = plainestIn(files);
  return new Map([[pinBoard.kind, pinBoardPart()], ...plainestIn(DOORS.map(doorFile)), ...own]);
}

function plainestIn(files: readonly MachineFile[]): ReadonlyMap<string, PartEntry> {
  const found = new Map<string, PartEntry>();
  for (const part of files.flatMap((f) => f.parts as PartEntry[])) {
    const known = found.get(part.kind);
    if (!known || JSON.stringify(part).length < JSON.stringify(known).length) found.set(part.kind, part);
  }
  return found;
}

function doorFile([hangsOn, text]: (typeof DOORS)[number]): MachineFile {
  const supply = readSupply(hangsOn);
  const base = { id: "door", name: "Door", family: "powered equipment", filter: false, fuse: true } as const;
  return quickMachine({ ...base, supply, ...readParts(text, supply) });
}

/** The page of a kind; `example` is a part of that kind. Throws a RangeError for a kind that there is not. */
export function kindPage(id: KindId, example: PartEntry | null): KindPage {
  const kind = partKind(id);
  if (!kind) throw new RangeError(id);
  const fields: unknown = example;
  return {
    kind: id,
    name: KIND_NAMES[id],
    says: SAYS[id],
    terminals: example ? kind.electrical.terminals(fields) : [],
    fields: fieldsWithWords(id),
    failures: example ? kind.failures.modes(fields).map(({ words, odds }) => ({ words, odds })) : [],
    signs: example ? (kind.failures.signs?.(fields) ?? []).map((s) => s.words) : [],
    alone: kind.service.alone ?? null,
    cautions: kind.safety.cautions ?? [],
    example: example ? exampleText(example) : null,
  };
}

function fieldsWithWords(id: KindId): readonly KindField[] {
  const { shape } = partKind(id)!.fields as unknown as { readonly shape: Readonly<Record<string, z.ZodType>> };
  return Object.entries(shape).map(([name, schema]) => {
    const usual = schema instanceof z.ZodDefault ? (schema.parse(undefined) as unknown) : undefined;
    return {
      ...(fieldWords(id, name) ?? { says: "" }),
      name,
      isRequired: !schema.safeParse(undefined).success,
      default: usual === undefined || (typeof usual === "object" && usual !== null) ? null : String(usual),
    };
  });
}

/** A part under the names of a file of today. */
function exampleText({ piece, odds: _odds, ...part }: PartEntry & { readonly odds: unknown }): string {
  const { id, kind, name, at, ...fields } = part as Record<string, unknown>;
  const plain = Object.fromEntries(Object.entries(fields).filter(([, v]) => v !== undefined));
  return stringify({ id, kind, name, assembly: piece, ...plain, at }, { lineWidth: 120, flowCollectionPadding: true });
}
