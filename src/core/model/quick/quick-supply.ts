import { plainNumber } from "../../quantity";
import { say } from "#words/core/model/quick/quick-supply";

/** What a machine hangs on, as far as its plate or its plug says. */
export interface QuickSupply {
  readonly kind: "mains" | "split phase" | "three-phase" | "low-voltage" | "battery";
  /** Line to neutral of the mains, leg to leg of split phase, line to line of three phases, else pole to pole; rms. */
  readonly volts: number;
  /** 0: direct. */
  readonly hertz: number;
}

/** Volts up to which a supply counts as low: nothing in it kills by a shock, dry (IEC 61140 has 50 V AC, 120 V DC). */
const LOW = { ac: 50, dc: 60 } as const;
/** Mains, line to neutral, in any country. */
const MAINS = { least: 90, most: 260 } as const;
/** Between these the grid says nothing of itself: both frequencies are met at 100 V. */
const BOTH_HERTZ_BELOW = 105;
/** Grids of up to so many volts run at 60 Hz mostly, above at 50; IEC world plugs table, from memory. */
const SIXTY_UP_TO = 135;

/**
 * Reads a supply as it is typed or printed: `230`, `120 V 60 Hz`, `120/240 split`, `400 V 3 phases`, `24 VAC`, `12 VDC`,
 * `18 V battery`. Throws a RangeError with a sentence for what is none or what leaves a question open.
 */
export function readSupply(text: string): QuickSupply {
  const said = text.trim().replaceAll(",", ".");
  const numbers = [...said.replace(/\d+\s*hz/gi, "").matchAll(/\d+(?:\.\d+)?/g)].map((m) => Number(m[0]));
  const hertz = Number(/(\d+)\s*hz/i.exec(said)?.[1] ?? NaN);
  if (!Number.isNaN(hertz) && hertz !== 50 && hertz !== 60) throw new RangeError(say.fiftyOrSixty);
  const isThree = /\b3\s*-?\s*(?:ph|~)|three|3~/i.test(said);
  const volts = isThree ? numbers.filter((n) => n !== 3) : numbers;
  const most = Math.max(...volts);
  if (volts.length === 0 || most <= 0) throw new RangeError(say.howManyVolts);
  if (/batter|pack|accu/i.test(said)) return batteryOf(most);
  const at = (v: number) => (Number.isNaN(hertz) ? usualHertz(v) : hertz);
  if (isThree || isRatio(volts, Math.sqrt(3))) return threePhases(most, at(most / Math.sqrt(3)));
  if (/split/i.test(said) || isRatio(volts, 2)) return splitPhase(most, at(most / 2));
  if (/dc\b|⎓|direct/i.test(said)) return direct(most);
  if (most >= MAINS.least && most <= MAINS.most) return { kind: "mains", volts: most, hertz: at(most) };
  if (most > LOW.ac) throw new RangeError(say.noSuchMains(plainNumber(most)));
  if (!/ac\b|~|altern/i.test(said)) throw new RangeError(say.alternatingOrDirect(plainNumber(most)));
  return { kind: "low-voltage", volts: most, hertz: Number.isNaN(hertz) ? 60 : hertz };
}

function batteryOf(volts: number): QuickSupply {
  if (volts > LOW.dc) throw new RangeError(say.tooHighABattery);
  return { kind: "battery", volts, hertz: 0 };
}

function direct(volts: number): QuickSupply {
  if (volts > LOW.dc) throw new RangeError(say.tooHighADirectSupply);
  return { kind: "low-voltage", volts, hertz: 0 };
}

function threePhases(volts: number, hertz: number): QuickSupply {
  if (volts < 190 || volts > 480) throw new RangeError(say.noSuchThreePhases(plainNumber(volts)));
  return { kind: "three-phase", volts, hertz };
}

function splitPhase(volts: number, hertz: number): QuickSupply {
  if (volts < 200 || volts > 260) throw new RangeError(say.noSuchSplitPhase(plainNumber(volts)));
  return { kind: "split phase", volts, hertz };
}

const isRatio = (volts: readonly number[], ratio: number) =>
  volts.length === 2 && Math.abs(Math.max(...volts) / Math.min(...volts) / ratio - 1) < 0.04;

function usualHertz(volts: number): number {
  if (volts < BOTH_HERTZ_BELOW) throw new RangeError(say.fiftyOrSixty);
  return volts <= SIXTY_UP_TO ? 60 : 50;
}

/** Volts from a line to neutral, or from pole to pole where there is no neutral; rms. */
export function lineVolts({ kind, volts }: QuickSupply): number {
  if (kind === "split phase") return volts / 2;
  return kind === "three-phase" ? volts / Math.sqrt(3) : volts;
}

/** Whether it comes of a grid, with what of it kills. */
export const isMains = ({ kind }: QuickSupply): boolean =>
  kind === "mains" || kind === "split phase" || kind === "three-phase";

/** A supply as it was understood. */
export function supplyWords(supply: QuickSupply): string {
  const volts = plainNumber(supply.volts);
  switch (supply.kind) {
    case "mains":
      return say.mains(volts, supply.hertz);
    case "split phase":
      return say.splitPhase(plainNumber(supply.volts / 2), volts, supply.hertz);
    case "three-phase":
      return say.threePhases(volts, plainNumber(lineVolts(supply)), supply.hertz);
    case "low-voltage":
      return supply.hertz === 0 ? say.direct(volts) : say.alternating(volts, supply.hertz);
    case "battery":
      return say.battery(volts);
  }
}
