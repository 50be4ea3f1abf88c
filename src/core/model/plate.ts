import type { MachineFile } from "./schema";
import { say } from "#words/core/model/plate";

export type PlateEntry = MachineFile["plates"][number];

/** What a plate says: product code and its index. */
export interface PlateSaid {
  readonly productCode?: string | null | undefined;
  readonly productIndex?: string | null | undefined;
}

/** Letters and digits only, in capitals: how codes are compared whatever dashes and blanks are printed. */
const plain = (text: string | null | undefined) => (text ?? "").toUpperCase().replace(/[^A-Z0-9]/g, "");

/**
 * What a plate picks of a file. `known`: the file has this code with this index, or this code for every index. `other
 * index`: it has the code with other indexes only, so boards are to be compared. `unknown`: the file says nothing of
 * this code, or the plate gives none.
 */
export type PlatePick =
  | { readonly kind: "known"; readonly plate: PlateEntry }
  | { readonly kind: "other index"; readonly indexes: readonly string[] }
  | { readonly kind: "unknown" };

export function pickByPlate(file: Pick<MachineFile, "plates">, said: PlateSaid): PlatePick {
  const code = plain(said.productCode);
  const own = code === "" ? [] : file.plates.filter((p) => plain(p.code) === code);
  const index = plain(said.productIndex);
  const plate =
    own.find((p) => p.index !== undefined && plain(p.index) === index) ?? own.find((p) => p.index === undefined);
  if (plate) return { kind: "known", plate };
  if (own.length === 0) return { kind: "unknown" };
  return { kind: "other index", indexes: own.flatMap((p) => (p.index === undefined ? [] : [p.index])) };
}

/** The file with the board numbers that a plate picks; the file itself where it picks none. */
export function asPlated(file: MachineFile, said: PlateSaid): MachineFile {
  const pick = pickByPlate(file, said);
  if (pick.kind !== "known" || Object.keys(pick.plate.numbers).length === 0) return file;
  const { numbers } = pick.plate;
  const numberOf = (id: string) => (Object.hasOwn(numbers, id) ? numbers[id] : undefined);
  return {
    ...file,
    pieces: file.pieces.map((assembly) => {
      const number = numberOf(assembly.id);
      // The revision in the file is that of the number in the file.
      return number === undefined || number === assembly.number
        ? assembly
        : { ...assembly, number, revision: undefined };
    }),
  };
}

/** What a plate picks, in words; empty where the file says nothing of it. */
export function plateWords(file: Pick<MachineFile, "plates" | "pieces">, said: PlateSaid): string {
  const pick = pickByPlate(file, said);
  if (pick.kind === "unknown") return "";
  if (pick.kind === "other index") return say.theFileKnowsThisCode(pick.indexes.join(", "));
  const boards = Object.entries(pick.plate.numbers).map(
    ([id, number]) => `${file.pieces.find((p) => p.id === id)?.name ?? id} ${number}`,
  );
  return [...boards, ...(pick.plate.sheet ? [say.drawnOnSheet(pick.plate.sheet)] : [])].join(", ");
}
