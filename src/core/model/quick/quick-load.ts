/** What a load, a switch or a sensor is, as far as its name and rating say. */
export type QuickKind =
  | "heater"
  | "compressor"
  | "pump"
  | "fan"
  | "valve"
  | "solenoid"
  | "gas valve"
  | "motor"
  | "three-phase motor"
  | "lamp"
  | "door lock"
  | "contactor";

/** What a load is fed from, where that is not line and neutral (or plus and minus) through its relay on the board. */
export type QuickFrom = "both lines" | "three lines" | "transformer" | "board";

/** A load as a technician names it: what it is and what is printed on it. */
export interface QuickLoad {
  readonly name: string;
  readonly kind: QuickKind;
  /** At the volts that it has in this machine. */
  readonly watts: number;
  readonly feed?: { readonly from: QuickFrom; readonly volts: number };
  /** What lies in its lead, from the board on. */
  readonly through?: readonly QuickGuard[];
  /** What switches it in the board's place; loads of one group share it. */
  readonly by?: QuickSwitching;
  /** What starts a compressor. */
  readonly start?: readonly QuickStart[];
}

/** A contactor or solid-state relay between the board and its loads. */
export interface QuickSwitching {
  readonly kind: "contactor" | "solid-state relay";
  readonly name: string;
  /** What its coil is fed with, from where; nothing of a solid-state relay, which the board drives from its rail. */
  readonly coil?: { readonly volts: number; readonly from: "line" | "transformer" | "board" };
  /** What lies in its coil's lead. */
  readonly through: readonly QuickGuard[];
  /** How many loads it switches. */
  readonly poles: number;
}

/** What lies in the lead to a load and opens it. */
export interface QuickGuard {
  readonly name: string;
  readonly kind: "thermostat" | "thermal cut-off" | "pressure switch" | "door switch" | "stop switch" | "hand switch";
  /** Where a thermostat or a cut-off opens, degrees Celsius; left out: where such things of a heater do. */
  readonly celsius?: number;
}

export type QuickStart = "ptc" | "overload" | "start capacitor" | "run capacitor";

/** What tells the board something: a switch that stops loads, a sensor. */
export interface QuickSensor {
  readonly name: string;
  readonly kind:
    "door switch" | "pressure switch" | "thermostat" | "stop switch" | "hand switch" | "ntc" | "lock contact";
  /** Ohms at 25 degrees, of an NTC. */
  readonly ohms?: number;
  /** The door lock whose contact it is, by its place among the loads, from 0. */
  readonly of?: number;
  /** The loads that stand still while it is open, by their place among the loads, from 0. */
  readonly stops: readonly number[];
  /** The loads that stand still while it is closed. */
  readonly stopsWhenMade?: readonly number[];
}

/** All that was named. */
export interface QuickParts {
  readonly loads: readonly QuickLoad[];
  readonly sensors: readonly QuickSensor[];
  /** What lies in the line to all loads. */
  readonly inLine: readonly QuickGuard[];
}
