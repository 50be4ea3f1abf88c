import type { MachineFile } from "../schema";
import { checkedFile } from "./checked-file";

/** A photo of an assembly with marks on it; places are shares of width and height. */
export interface Picture {
  /** A data address. */
  readonly image: string;
  /** Width over height. */
  readonly ratio: number;
  readonly marks: readonly { readonly words: string; readonly at: readonly [number, number] }[];
}

/** Half of the width of a mark that names no point, as a share. */
const HALF = 0.03;

/**
 * The file with a photo as the picture of an assembly. A mark that bears the name of a point or a pin is its place on the
 * picture; another is an outline with its words. Throws a RangeError with a sentence for a picture that does not fit.
 */
export function withDrawing(file: MachineFile, assembly: string, { image, ratio, marks }: Picture): MachineFile {
  const named = new Map<string, string>([
    ...file.points.flatMap(
      (p) =>
        [
          [p.id.toLowerCase(), p.id],
          [p.name.toLowerCase(), p.id],
        ] as const,
    ),
    ...file.connectors.flatMap((c) =>
      c.pins.flatMap((p) => {
        const near = `${c.id}-${p.pin}${c.near.suffix}`;
        return [
          [`${c.id}-${p.pin}`.toLowerCase(), near],
          [near.toLowerCase(), near],
        ] as const;
      }),
    ),
  ]);
  const spot = (words: string) => named.get(words.trim().toLowerCase());
  const pins = marks.flatMap((m) => (spot(m.words) === undefined ? [] : [[spot(m.words)!, m.at] as const]));
  const inside = (v: number) => Math.min(1, Math.max(0, v));
  const outlines = marks
    .filter((m) => spot(m.words) === undefined && m.words.trim() !== "")
    .map(({ words, at: [x, y] }) => ({
      words: words.trim(),
      at: [inside(x - HALF), inside(y - HALF), 2 * HALF, 2 * HALF],
    }));
  const drawing = { image, ratio: Number(ratio.toFixed(3)), pins: Object.fromEntries(pins), outlines };
  return checkedFile({ ...file, pieces: file.pieces.map((p) => (p.id === assembly ? { ...p, drawing } : p)) });
}
