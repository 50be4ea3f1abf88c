import type { MeterFunction } from "./meter";

/** Commands of SCPI-1999 and IEEE 488.2 for the functions a bench meter has; a clamp or an eye has none. */
const CONFIGURE: Readonly<Partial<Record<MeterFunction, string>>> = {
  dcv: "VOLTage:DC",
  acv: "VOLTage:AC",
  ohms: "RESistance",
  continuity: "CONTinuity",
  hertz: "FREQuency",
  capacitance: "CAPacitance",
};
/** What `FUNCtion?` answers for each. */
const NAMED: Readonly<Partial<Record<MeterFunction, string>>> = {
  dcv: "VOLT",
  acv: "VOLT:AC",
  ohms: "RES",
  continuity: "CONT",
  hertz: "FREQ",
  capacitance: "CAP",
};

/** Functions that can be asked of a meter over the link. */
export const LINKED = Object.keys(CONFIGURE) as readonly MeterFunction[];

/** Sets a function; null for one the link has not. */
export function configureCommand(fn: MeterFunction): string | null {
  const name = CONFIGURE[fn];
  return name ? `CONFigure:${name}` : null;
}

/** The function that an answer to `FUNCtion?` names, long or short, quoted or not; null for another. */
export function functionNamed(answer: string): MeterFunction | null {
  const name = shortened(answer.trim().replace(/^"|"$/g, ""));
  return (
    (Object.keys(NAMED) as MeterFunction[]).find((fn) => NAMED[fn] === name || (fn === "dcv" && name === "VOLT:DC")) ??
    null
  );
}

/** Overload reads 9.9E37 (SCPI-1999, 7.2.1.4). */
export const OVERLOAD = 9.9e37;

/** What a meter answered to `READ?`: a value, an overload; null for what is no number. */
export function readAnswer(
  answer: string,
): { readonly kind: "value"; readonly value: number } | { readonly kind: "overload" } | null {
  const value = Number(answer.trim().split(",")[0]);
  if (answer.trim() === "" || Number.isNaN(value)) return null;
  return Math.abs(value) >= OVERLOAD * 0.999 ? { kind: "overload" } : { kind: "value", value };
}

/** A header in its short form: `MEASure:VOLTage:DC?` and `measure:voltage:dc?` become `MEAS:VOLT:DC?`. */
export function shortened(header: string): string {
  return header
    .trim()
    .toUpperCase()
    .replace(/^:/, "")
    .split(":")
    .map((word) => {
      const query = word.endsWith("?") ? "?" : "";
      const plain = query ? word.slice(0, -1) : word;
      return (SHORT[plain] ?? plain) + query;
    })
    .join(":");
}

const SHORT: Readonly<Record<string, string>> = {
  MEASURE: "MEAS",
  CONFIGURE: "CONF",
  VOLTAGE: "VOLT",
  CURRENT: "CURR",
  RESISTANCE: "RES",
  CONTINUITY: "CONT",
  FREQUENCY: "FREQ",
  CAPACITANCE: "CAP",
  FUNCTION: "FUNC",
  SENSE: "SENS",
  SYSTEM: "SYST",
  ERROR: "ERR",
  OUTPUT: "OUTP",
  SOURCE: "SOUR",
};
