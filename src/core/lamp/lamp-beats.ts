import type { Colour } from "./lamp-pattern";

/** How a lamp goes, as flashes that were watched and as beats: a stretch of light and the dark after it. */

/** A flash, in seconds on any clock; `to` is null where only its beginning is known. */
export interface Flash {
  readonly from: number;
  readonly to: number | null;
  readonly colour?: Colour;
}

/** What was watched, and how sharply. */
export interface Watched {
  readonly flashes: readonly Flash[];
  /** The lamp was watched from then to then. */
  readonly start: number;
  readonly end: number;
  /** By how much an edge may be off: a third of a frame of a camera, the unsteadiness of a hand; seconds. */
  readonly blur: number;
  /** Tapped by a hand, which misses flashes and doubles them; a camera hardly does. */
  readonly byHand: boolean;
}

/** A stretch of light and the dark after it; null where it was not seen whole. */
export interface Beat {
  readonly on: number | null;
  readonly off: number | null;
  readonly colour: Colour | undefined;
}

/** A finger that bounces makes two flashes of one: what begins this soon after the last is still the last, seconds. */
const REBOUND = 0.09;

export function withoutBounces(flashes: readonly Flash[]): Flash[] {
  const kept: Flash[] = [];
  for (const f of flashes) {
    const last = kept[kept.length - 1];
    if (last?.to && f.from - last.to < REBOUND) kept[kept.length - 1] = { ...last, to: f.to };
    else kept.push(f);
  }
  return kept;
}

/** Flashes as beats: light, then dark. What began before the watching or outlasted it is not whole. */
export function beatsOf({ flashes, start, end, blur, byHand }: Watched): Beat[] {
  // Taps of a finger that never varies say when a flash began, not how long it was.
  const holds = flashes.flatMap((f) => (f.to === null ? [] : [f.to - f.from]));
  const isTapped = byHand && holds.every((h) => h < 0.25);
  return flashes.map((f, i) => {
    const next = flashes[i + 1];
    const cut = (i === 0 && f.from <= start + blur) || (f.to !== null && f.to >= end - blur);
    if (isTapped || f.to === null) return { on: null, off: next ? next.from - f.from : null, colour: f.colour };
    return { on: cut ? null : f.to - f.from, off: next ? next.from - f.to : null, colour: f.colour };
  });
}

/** Seconds of darkness since the last flash; null when it is still lit. */
export function tailOf({ flashes, end, byHand }: Watched): number | null {
  const last = flashes[flashes.length - 1]!;
  if (last.to === null || last.to >= end) return null;
  return byHand ? null : end - last.to;
}
