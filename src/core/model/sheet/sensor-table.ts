import { plainNumber, readEngineering } from "../../quantity";
import { checkedFile } from "../file/checked-file";
import type { MachineFile } from "../schema";
import { ntc } from "../kinds/ntc";
import { readLines, type SheetTable } from "./sheet-line";
import { say } from "#words/core/model/sheet/sensor-table";

/** Ohms of a sensor at a temperature, as its sheet prints them. */
export interface SensorRow {
  readonly celsius: number;
  readonly ohms: number;
}

/** How far a table may lie beside the curve of two constants before it is none, as a share; common practice, no source. */
const MOST_BESIDE = 0.06;
const KELVIN = 273.15;
const AT_25 = 25 + KELVIN;

/** Ohms at 25 degrees and B value of the curve that lies nearest to a table, and how far the table lies beside it. */
export interface SensorCurve {
  readonly ohms25: number;
  /** Kelvin. */
  readonly beta: number;
  /** The largest distance of a row from the curve, as a share of its ohms. */
  readonly beside: number;
}

/**
 * Fits R = R25 exp(B (1/T - 1/298.15 K)) to a table: ln R is a straight line over 1/T, by least squares. Throws a
 * RangeError for fewer than two temperatures.
 */
export function sensorCurve(rows: readonly SensorRow[]): SensorCurve {
  const points = rows.map(({ celsius, ohms }) => [1 / (celsius + KELVIN) - 1 / AT_25, Math.log(ohms)] as const);
  const mean = (pick: 0 | 1) => points.reduce((sum, p) => sum + p[pick], 0) / points.length;
  const [x, y] = [mean(0), mean(1)];
  const square = points.reduce((sum, p) => sum + (p[0] - x) ** 2, 0);
  if (points.length < 2 || square === 0) throw new RangeError(say.twoTemperatures);
  const beta = points.reduce((sum, p) => sum + (p[0] - x) * (p[1] - y), 0) / square;
  const ln25 = y - beta * x;
  const beside = Math.max(...points.map((p) => Math.abs(Math.exp(p[1] - ln25 - beta * p[0]) - 1)));
  return { ohms25: Math.exp(ln25), beta, beside };
}

/** The ohms table of a sensor: `25 5.0k`, `0 °C; 16.3k`, `-10 C 27.2 kΩ`; put to the sensor that is chosen. */
export const sensorTable: SheetTable<SensorRow> = {
  read: (text) =>
    readLines(text, (line) => {
      const match = /^(-?\d+(?:[.,]\d+)?)\s*(?:°?\s*C)?[\s;:,\t]+(\d[\d.,]*\s*(?:k|M)?)\s*(?:ohms?|Ω)?$/i.exec(line);
      if (!match) throw new RangeError(say.degreesAndOhms(line.slice(0, 40)));
      const celsius = Number(match[1]!.replace(",", "."));
      const ohms = readEngineering(match[2]!)?.value ?? 0;
      if (celsius < -60 || celsius > 300 || ohms <= 0) throw new RangeError(say.degreesAndOhms(line.slice(0, 40)));
      return { item: { celsius, ohms }, words: say.row(plainNumber(celsius), plainNumber(ohms)) };
    }),
  apply(file, items, target) {
    const { ohms25, beta, beside } = sensorCurve(items);
    if (beta <= 0) throw new RangeError(say.risesWithWarmth);
    if (beside > MOST_BESIDE) throw new RangeError(say.noSuchCurve(Math.round(100 * beside)));
    let found = false;
    const parts = file.parts.map((part) => {
      if ((part as unknown as { id: string }).id !== target || part.kind !== ntc.kind) return part;
      found = true;
      return { ...part, ohms25: Number(ohms25.toPrecision(4)), beta: Math.round(beta) };
    });
    if (!found) throw new RangeError(say.noSuchSensor(target));
    return checkedFile({ ...file, parts });
  },
};

/** The sensors of a file whose ohms fall as they warm. */
export const sensorsOf = (file: MachineFile): readonly { readonly id: string; readonly name: string }[] =>
  file.parts.flatMap((part) => (part.kind === ntc.kind ? [part as unknown as { id: string; name: string }] : []));
