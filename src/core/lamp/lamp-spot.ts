import type { Colour } from "./lamp-pattern";
import type { Flash, Watched } from "./lamp-beats";
import { say } from "#words/core/lamp";

/** One picture of a camera: red, green, blue and something, a byte each, row by row. */
export interface Frame {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8ClampedArray;
  /** Seconds on any clock that goes forward. */
  readonly time: number;
}

/** Where the lamp is in the picture, as shares of width and height, and how well it stands out. */
export interface Spot {
  readonly x: number;
  readonly y: number;
  /** Light against dark, 0 to 255. */
  readonly contrast: number;
}

/** The picture is looked at in so many cells a side: small enough for a lamp, large enough for a hand that shakes. */
const COLUMNS = 32;
const ROWS = 24;
const CELLS = COLUMNS * ROWS;
/** Frames kept: twenty seconds at sixty a second. */
const MOST_FRAMES = 1200;
/** Light and dark of a lamp differ by at least this, of 255. */
const LEAST_CONTRAST = 18;
/**
 * Share of the whole scatter that lies between light and dark (Otsu, 1979); a picture that drifts or shakes stays
 * below.
 */
const LEAST_SEPARATION = 0.7;
/** Saturation from which a flash has a colour, and degrees from one colour to another. */
const COLOURED = 0.25;

/**
 * Finds a blinking lamp in a stream of pictures and says when it was lit. Keeps the last twenty seconds of the whole
 * picture, coarsely, so that a lamp found late is read from the beginning. Pure: the time comes with the pictures.
 */
export class LampWatch {
  private readonly times: number[] = [];
  /** For each frame the mean red, green and blue of each cell. */
  private readonly frames: Uint8Array[] = [];
  private chosen: number | null = null;

  /** Adds a picture. Throws a RangeError for one that is smaller than the grid or earlier than the last. */
  add({ width, height, data, time }: Frame): void {
    if (width < COLUMNS || height < ROWS || data.length < width * height * 4)
      throw new RangeError(say.aPictureNeedsAtLeast(COLUMNS, ROWS));
    const last = this.times[this.times.length - 1];
    if (last !== undefined && time <= last) {
      if (time < last) throw new RangeError(say.thePicturesAreNotIn);
      return;
    }
    const sums = new Float64Array(CELLS * 3);
    const counts = new Uint32Array(CELLS);
    for (let y = 0; y < height; y++) {
      const row = Math.floor((y * ROWS) / height) * COLUMNS;
      for (let x = 0; x < width; x++) {
        const cell = row + Math.floor((x * COLUMNS) / width);
        const at = (y * width + x) * 4;
        sums[cell * 3]! += data[at]!;
        sums[cell * 3 + 1]! += data[at + 1]!;
        sums[cell * 3 + 2]! += data[at + 2]!;
        counts[cell]!++;
      }
    }
    this.frames.push(Uint8Array.from(sums, (s, i) => s / Math.max(1, counts[Math.floor(i / 3)]!)));
    this.times.push(time);
    if (this.frames.length > MOST_FRAMES) {
      this.frames.shift();
      this.times.shift();
    }
  }

  /** Seconds of pictures at hand. */
  get seconds(): number {
    return this.times.length < 2 ? 0 : this.times[this.times.length - 1]! - this.times[0]!;
  }

  /** Fixes the spot, as shares of width and height; null: find it. */
  choose(spot: { readonly x: number; readonly y: number } | null): void {
    const cell = (share: number, n: number) => Math.min(n - 1, Math.max(0, Math.floor(share * n)));
    this.chosen = spot ? cell(spot.y, ROWS) * COLUMNS + cell(spot.x, COLUMNS) : null;
  }

  /** Forgets every picture; the chosen spot stays. */
  clear(): void {
    this.times.length = 0;
    this.frames.length = 0;
  }

  /** The spot that blinks, or the chosen one; null while nothing blinks. */
  spot(): Spot | null {
    const place = (cell: number, contrast: number): Spot => ({
      x: ((cell % COLUMNS) + 0.5) / COLUMNS,
      y: (Math.floor(cell / COLUMNS) + 0.5) / ROWS,
      contrast,
    });
    if (this.chosen !== null) return place(this.chosen, this.parted(this.chosen)?.contrast ?? 0);
    let best: { cell: number; contrast: number; score: number } | null = null;
    for (let cell = 0; cell < CELLS; cell++) {
      const parted = this.parted(cell);
      if (!parted || parted.changes < 2) continue;
      const score = parted.contrast * parted.separation;
      if (!best || score > best.score) best = { cell, contrast: parted.contrast, score };
    }
    return best ? place(best.cell, best.contrast) : null;
  }

  /** The flashes of the lamp since the first picture; null while there is none to be seen. */
  watched(): Watched | null {
    const spot = this.spot();
    if (!spot || this.times.length < 2) return null;
    const cell =
      Math.min(ROWS - 1, Math.floor(spot.y * ROWS)) * COLUMNS + Math.min(COLUMNS - 1, Math.floor(spot.x * COLUMNS));
    const parted = this.parted(cell);
    const [start, end] = [this.times[0]!, this.times[this.times.length - 1]!];
    const blur = (end - start) / (this.times.length - 1) / 3;
    if (!parted) {
      // Nothing changes at the chosen spot: lit if it outshines what is around it.
      return { flashes: this.outshines(cell) ? [{ from: start, to: end }] : [], start, end, blur, byHand: false };
    }
    const flashes: { from: number; to: number; first: number; last: number }[] = [];
    let open = -1;
    this.frames.forEach((_, f) => {
      const light = this.light(f, cell);
      const lit =
        open >= 0 ? light > parted.border - 0.15 * parted.contrast : light > parted.border + 0.15 * parted.contrast;
      if (lit && open < 0) open = f;
      if (!lit && open >= 0) {
        flashes.push({ from: this.times[open]!, to: this.times[f]!, first: open, last: f - 1 });
        open = -1;
      }
    });
    if (open >= 0) flashes.push({ from: this.times[open]!, to: end, first: open, last: this.frames.length - 1 });
    const colours = this.coloursOf(cell, flashes, parted.border);
    return {
      flashes: flashes.map(({ from, to }, i): Flash => ({ from, to, ...(colours ? { colour: colours[i]! } : {}) })),
      start,
      end,
      blur,
      byHand: false,
    };
  }

  /** The strongest of the three colours: a red lamp is as bright as a white one. */
  private light(frame: number, cell: number): number {
    const f = this.frames[frame]!;
    return Math.max(f[cell * 3]!, f[cell * 3 + 1]!, f[cell * 3 + 2]!);
  }

  /** Splits a cell's light over time into dark and lit; null when it does not change enough, or only drifts. */
  private parted(cell: number): { border: number; contrast: number; separation: number; changes: number } | null {
    const histogram = new Uint32Array(256);
    let [low, high, sum, squares] = [255, 0, 0, 0];
    const n = this.frames.length;
    for (let f = 0; f < n; f++) {
      const v = this.light(f, cell);
      histogram[v]!++;
      if (v < low) low = v;
      if (v > high) high = v;
      sum += v;
      squares += v * v;
    }
    if (high - low < LEAST_CONTRAST) return null;
    const mean = sum / n;
    const scatter = squares / n - mean * mean;
    let [below, belowSum, best, border, contrast] = [0, 0, -1, 0, 0];
    for (let v = low; v < high; v++) {
      below += histogram[v]!;
      belowSum += v * histogram[v]!;
      const [m0, m1] = [belowSum / below, (sum - belowSum) / (n - below)];
      const between = (below / n) * (1 - below / n) * (m1 - m0) ** 2;
      if (between > best) {
        best = between;
        border = (m0 + m1) / 2;
        contrast = m1 - m0;
      }
    }
    const separation = scatter > 0 ? best / scatter : 0;
    if (contrast < LEAST_CONTRAST || separation < LEAST_SEPARATION) return null;
    let changes = 0;
    for (let f = 1; f < n; f++) if (this.light(f, cell) > border !== this.light(f - 1, cell) > border) changes++;
    return { border, contrast, separation, changes };
  }

  private outshines(cell: number): boolean {
    const last = this.frames.length - 1;
    const [x, y] = [cell % COLUMNS, Math.floor(cell / COLUMNS)];
    const around: number[] = [];
    for (const [dx, dy] of [
      [-4, 0],
      [4, 0],
      [0, -4],
      [0, 4],
      [-3, -3],
      [3, 3],
      [-3, 3],
      [3, -3],
    ] as const) {
      if (x + dx >= 0 && x + dx < COLUMNS && y + dy >= 0 && y + dy < ROWS)
        around.push(this.light(last, (y + dy) * COLUMNS + x + dx));
    }
    const middle = around.sort((a, b) => a - b)[Math.floor(around.length / 2)] ?? 0;
    return this.light(last, cell) - middle > 2 * LEAST_CONTRAST;
  }

  /** The colour of each flash, where the lamp has two; null where it has one. */
  private coloursOf(
    cell: number,
    flashes: readonly { first: number; last: number }[],
    border: number,
  ): Colour[] | null {
    const dark = [0, 0, 0];
    let n = 0;
    this.frames.forEach((f, i) => {
      if (this.light(i, cell) > border) return;
      n++;
      for (let c = 0; c < 3; c++) dark[c]! += f[cell * 3 + c]!;
    });
    const names = flashes.map(({ first, last }) => {
      const glow = [0, 1, 2].map((c) => {
        let sum = 0;
        for (let f = first; f <= last; f++) sum += this.frames[f]![cell * 3 + c]!;
        return Math.max(0, sum / (last - first + 1) - dark[c]! / Math.max(1, n));
      });
      return colourName(glow[0]!, glow[1]!, glow[2]!);
    });
    const counts = new Map<Colour, number>();
    for (const name of names) counts.set(name, (counts.get(name) ?? 0) + 1);
    const common = [...counts].filter(([, k]) => k >= 0.1 * names.length);
    return common.length === 2 && common[0]![1] + common[1]![1] === names.length ? names : null;
  }
}

/** The word for a light of so much red, green and blue. */
export function colourName(red: number, green: number, blue: number): Colour {
  const most = Math.max(red, green, blue);
  const least = Math.min(red, green, blue);
  if (most === 0 || (most - least) / most < COLOURED) return "white";
  const span = most - least;
  let sixth: number;
  if (most === red) sixth = ((green - blue) / span + 6) % 6;
  else if (most === green) sixth = (blue - red) / span + 2;
  else sixth = (red - green) / span + 4;
  const hue = 60 * sixth;
  if (hue < 30 || hue >= 320) return "red";
  if (hue < 70) return "yellow";
  return hue < 170 ? "green" : "blue";
}
