import type { Part } from "./machine";

/**
 * What a part is rated for, as its file says; a rating its kind does not have is absent. Volts, amperes, ohms, watts,
 * farads, minutes.
 */
export interface Ratings {
  readonly volts?: number;
  readonly watts?: number;
  /** Amperes it takes while it runs, or may carry. */
  readonly amps?: number;
  readonly ohms?: number;
  readonly farads?: number;
  readonly coilVolts?: number;
  readonly coilOhms?: number;
  readonly contactAmps?: number;
  /** What a contact may break of a direct current. */
  readonly dcAmps?: number;
  /** Of a thermistor: ohms at 25 degrees Celsius, and the B value in kelvin. */
  readonly ohms25?: number;
  readonly beta?: number;
  /** Of a platinum resistor: ohms at 0 degrees Celsius. */
  readonly ohms0?: number;
  /** Minutes of rest before it may be started again. */
  readonly restMinutes?: number;
  readonly current?: "ac" | "dc";
  /** Of a fuse, as its kind names them. */
  readonly family?: string;
  /** The place whose warmth, level or magnet it feels. */
  readonly place?: string;
}

/** Ratings that a kind calls by a name of its own. */
const OWN_NAMES: Readonly<Record<string, keyof Ratings>> = { runAmps: "amps" };
const NAMES: ReadonlySet<string> = new Set<keyof Ratings>([
  "volts",
  "watts",
  "amps",
  "ohms",
  "farads",
  "coilVolts",
  "coilOhms",
  "contactAmps",
  "dcAmps",
  "ohms25",
  "beta",
  "ohms0",
  "restMinutes",
  "current",
  "family",
  "place",
]);

/** The ratings of a part. */
export function ratings(part: Pick<Part, "fields">): Ratings {
  return Object.fromEntries(
    plainFields(part).flatMap(([field, value]) => {
      const name = OWN_NAMES[field] ?? field;
      return NAMES.has(name) ? [[name, value]] : [];
    }),
  );
}

/** The fields of a part that are one number or one word, as its file names them. */
export function plainFields(part: Pick<Part, "fields">): readonly (readonly [string, number | string])[] {
  // The one place where fields are read without knowing the kind: by what they are, not by what they should be.
  return Object.entries(part.fields as Readonly<Record<string, unknown>>).filter(
    (field): field is [string, number | string] => typeof field[1] === "number" || typeof field[1] === "string",
  );
}
