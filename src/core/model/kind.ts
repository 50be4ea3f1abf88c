import type { z } from "zod";
import { once } from "./scalar";
import type { Energy } from "./energy";
import type { Face, Program } from "./program/program";
import type { Trait } from "./traits";

/**
 * The resistance at and above which a path counts as open, ohms; 1e9 would still show 1.2 V from 120 V through a 10
 * Mohm meter.
 */
export const OPEN_OHMS = 1e11;
export const OPEN = 1 / OPEN_OHMS;

/**
 * Tolerance of what an ohmmeter finds through chips: it depends on polarity and test voltage and proves nothing but a
 * short.
 */
export const VAGUE_OHMS = 0.6;

/**
 * The least that an ordinary ohmmeter shows through a silicon junction: it sends a milliampere at most and gives up at
 * some tenths of a volt; from memory, and by device models in tests/outside.
 */
export const JUNCTION_OHMS = 2e3;
/** The same through what leads more easily: a Schottky diode, the many junctions of a board's rail. */
export const CHIPS_OHMS = 100;
/** The same through the diodes that protect an input of a chip. */
export const CLAMP_OHMS = 5e4;
/** Sound insulation, ohms: 2 to 110 megohms is usual of compressors and sheathed heaters, common practice, no source. */
export const INSULATION_OHMS = [2e6, 1e9] as const;

/** One way a part fails. `odds` is a relative weight (machine-years do not matter, ratios do). */
export interface FailureMode {
  readonly id: string;
  /** As said to a technician, after the part's name: "Fuse F1: blown". */
  readonly words: string;
  readonly odds: number;
  /** Where the odds come from. */
  readonly source: "from memory" | "file";
  /** For a fault of degree: ohms (or a factor) drawn log-uniformly between these. */
  readonly severity?: readonly [number, number];
  /** Persistent faults found blown or tripped have a cause elsewhere to be looked for. */
  readonly protective?: boolean;
  /** What of the part has failed, where whoever repairs boards changes that and not the whole of it. */
  readonly component?: string;
}

/** What surrounds the machine in one setup; see `simulate/conditions`. */
export interface Conditions {
  /** Whether any source is on. */
  readonly powered: boolean;
  /** Whether the source of this part id is on. */
  isOn(source: string): boolean;
  /** Volts of the mains the machine is made for, as they are now, rms. */
  readonly supplyVolts: number;
  readonly hertz: number;
  /**
   * Service mode the machine is asked to be in; "run" is the everyday one. A control program with modes of its own is
   * brought there by its gestures.
   */
  readonly mode: string;
  /** Keys held down. */
  readonly pressed: ReadonlySet<string>;
  /** Switches and selectors worked by hand that are made. */
  readonly made: ReadonlySet<string>;
  /** Doors that stand open. */
  readonly openDoors: ReadonlySet<string>;
  /** Connectors pulled apart. */
  readonly apart: ReadonlySet<string>;
  /** Places at which a magnet is held. */
  readonly magnets: ReadonlySet<string>;
  /** Parts whose leads are lifted. */
  readonly lifted: ReadonlySet<string>;
  /** Loads replaced by a lamp of the same voltage. */
  readonly lamps: ReadonlySet<string>;
  /** Jumpers and bench feeds of this setup, by the id of the part that stands for each. */
  readonly rigged: ReadonlySet<string>;
  /**
   * Where between its bounds an ohmmeter finds what it can find anything of, see `Stamp.between`: 0 at the least ohms,
   * 1 at the most.
   */
  readonly between: number;
  /** Degrees Celsius at a named place. */
  temperature(place: string): number;
  /** Share (0..1) to which a place is filled, pressed or turned: water, pressure, a knob. */
  level(place: string): number;
}

/** A number of the part that varies from assembly to piece: uniformly within +-`tolerance` (a share of nominal). */
export interface Parameter {
  readonly name: string;
  readonly nominal: number;
  readonly tolerance: number;
  /**
   * What an ohmmeter finds through chips, see `VAGUE_OHMS`: drawn wide, so that nothing but a short or an open stands
   * out.
   */
  readonly vague?: boolean;
}

/** One part in one simulation: its fields, its drawn values, its fault if it has one. */
export interface Instance<F> {
  /** The part's own id. */
  readonly id: string;
  readonly fields: F;
  /** Values of `parameters(fields)`, in order. */
  readonly values: readonly number[];
  readonly mode: string | null;
  /** Drawn severity of the fault (1 when the mode has none). */
  readonly severity: number;
  /** Its mode is what it looks like, not its own: what it drives is jammed. */
  readonly isJammed?: boolean;
  readonly conditions: Conditions;
}

/** Writes the part's present values into the netlist. `element` counts in the order of `elements(fields)`. */
export interface Stamp {
  /** The same conductance for direct and alternating current, siemens. */
  conduct(element: number, siemens: number): void;
  dc(element: number, siemens: number): void;
  ac(element: number, conductance: number, susceptance?: number): void;
  /**
   * What an ohmmeter may find anything of, between two conductances: a junction, which conducts by the meter's polarity
   * and test voltage or not at all; sound insulation. Every resistance of the circuit then lies between the one with
   * all of them at their least and the one with all at their most (Rayleigh's monotonicity).
   */
  between(element: number, least: number, most: number): void;
  /** A direct source in series with the element: lifts its first end above the second, volts. */
  emf(element: number, volts: number): void;
  /** The same at line frequency, volts rms, in phase with the line, or so many degrees ahead of it. */
  acEmf(element: number, volts: number, degrees?: number): void;
}

/** What a part can see of a solved circuit. Differences only: the potential of a floating node means nothing. */
export interface View {
  /** Direct volts between two terminals. */
  dc(a: string, b: string): number;
  /** Alternating volts rms between two terminals. */
  ac(a: string, b: string): number;
  /** Direct current through an element from its first to its second end, amperes. */
  current(element: number): number;
  /** Alternating current through an element, amperes rms. */
  acCurrent(element: number): number;
  /**
   * By how much one alternating current leads another: the product of both, amperes rms, times the sine of the angle by
   * which the first is ahead of the second; -x the other way round, 0 in step. What two windings turn a rotor with.
   */
  leads(first: number, second: number): number;
  /** Whether less than 2 kohm join two terminals, as the scan of a keypad finds out; the sources at rest. */
  joined(a: string, b: string): boolean;
  /** Whether another part, a relay, has pulled in or been welded. */
  pulledIn(part: string): boolean;
  /** What another part (a controller) has to show; null while it shows nothing. */
  face(part: string): Face | null;
  /** Watts that another part takes in its first element. */
  watts(part: string): number;
  /** The label under which another part is seen; empty for one that shows nothing. */
  seen(part: string): string;
}

/** A discrete change that a part is about to make. A part may wait for several at once, each under a key. */
export interface StateChange {
  /** The state it will be in, or a key that `fire` turns into one. */
  readonly state: number | string;
  /** Seconds until it happens; the soonest happens first. */
  readonly delay: number;
}

/** Something a person can see, hear or feel of a part, and the words it can take. */
export interface Observable {
  readonly what: string;
  readonly labels: readonly string[];
}

/** Something seen, heard or smelt of a part without a meter, with how likely it is under each failure mode. */
export interface Sign {
  readonly id: string;
  readonly words: string;
  /** Chance that it is there, by failure mode; from memory. */
  readonly given: Readonly<Partial<Record<string, number>>>;
  /** Chance that it is there though this part is sound. */
  readonly otherwise: number;
}

/** What may have made something open or weld that no reading shows: asked of a person, and what then. */
export interface AskedCause {
  readonly id: string;
  /** As the cause is named once it is found. */
  readonly words: string;
  /** A question with yes or no for an answer. */
  readonly ask: string;
}

/** Signs of a whole unit that speak for kinds of part; the words stand in `diagnose/evidence/signs`. */
export type UnitSign = "moved" | "warm" | "comes-and-goes" | "damp" | "unused" | "worked-on" | "storm";

/** A rated element: the amperes it may carry, and what it is called on the tool's sheet. */
export interface Rated {
  readonly amps: number;
  readonly element: number;
  readonly bears: "fuse" | "breaker" | "relay" | "switch" | "wire";
}

/**
 * What a part is to the circuit. Elements and terminals depend on the fields only, so that the circuit's shape never
 * changes with a fault.
 */
export interface Electrical<F> {
  terminals(fields: F): readonly string[];
  /** Terminals that are galvanically one inside the part, open or closed; what is not joined here is isolated. */
  galvanic(fields: F): readonly (readonly string[])[];
  /** A source of energy of its own, to be switched off before the machine is dead. */
  source?(fields: F): boolean;
  /** Has a coil, winding or element a lamp can stand in for on the bench. */
  readonly load?: boolean;
  /** A load that is never fed past the control that watches it, nor bridged: gas would flow without a flame. */
  readonly onlyByItsControl?: boolean;
  /** Terminals that may end in nothing: brought out only where a file has a point on them. */
  readonly loose?: readonly string[];
  /** A capacitor between its terminals `a` and `b`, whose farads can be measured. */
  readonly stores?: boolean;
  /** Takes up what a coil or a motor gives back when its contact opens. */
  readonly takesUp?: boolean;
  /** A supply whose output may carry ripple. */
  readonly ripples?: boolean;
  /** Terminals at which the part brings energy in, and of what sort; see `domain`. */
  energises?(fields: F): readonly (readonly [string, Energy])[];
  /** Terminals that carry direct voltage in a machine on the mains, or alternating in a low-voltage one. */
  carries?(fields: F): { readonly direct?: readonly string[]; readonly alternating?: readonly string[] };
  elements(fields: F): readonly (readonly [string, string])[];
  parameters(fields: F): readonly Parameter[];
  /** Discrete state at the moment the conditions begin. */
  start?(instance: Instance<F>): number;
  stamp(instance: Instance<F>, stamp: Stamp, state: number, memory: Float64Array): void;
  /**
   * What it is to an ohmmeter while nothing is powered, where that is another thing than what it is when it runs: it
   * depends on no running state.
   */
  dead?(instance: Instance<F>, stamp: Stamp): void;
  /** The same in the first moments after it is fed, where that draws more: a rotor at rest, a cold filament. */
  stampAtStart?(instance: Instance<F>, stamp: Stamp): void;
  /** How many analog values the part carries from solve to solve (source voltages that follow an input). */
  readonly memory?: number;
  /** Renews the analog memory from the solved circuit. */
  follow?(instance: Instance<F>, view: View, state: number, memory: Float64Array): void;
  /** The change the part wants to make now, or several it waits for, or null. */
  next?(instance: Instance<F>, view: View, state: number): StateChange | readonly StateChange[] | null;
  /** The state after the changes of these keys have come due together; for kinds whose changes have keys. */
  fire?(instance: Instance<F>, view: View, state: number, keys: readonly string[]): number;
  /** The control program it runs; for controllers. */
  program?(fields: F): Program;
  /** Whether it goes by the mode that a machine's setups say. */
  isLedByMode?(fields: F): boolean;
  /** The mode a control program is in; null while it is dead. */
  inMode?(instance: Instance<F>, state: number): string | null;
  /**
   * Terminals of which nobody knows what they give in this state, because its sheet does not say: what is read there
   * speaks neither for nor against anything.
   */
  unspoken?(fields: F, state: number): readonly string[];
  /** The door that works it. */
  door?(fields: F): string;
  /** The connector it is a contact of. */
  connector?(fields: F): string;
  /** What makes it switch: a place grown hotter than so many degrees Celsius, or a place filled. */
  answersTo?(fields: F): { readonly place: string; readonly aboveCelsius: number } | { readonly level: string };
  /** The place whose warmth it tells, without switching anything itself. */
  warmedAt?(fields: F): string;
  /** What one of its elements may carry; null where its file does not say. */
  rated?(fields: F): Rated | null;
}

/** How a part fails, and what is noticed of it. */
export interface Failures<F> {
  modes(fields: F): readonly FailureMode[];
  /** A failure that heats a place of a powered machine, and to how many degrees Celsius. */
  heats?(fields: F, mode: string): { readonly place: string; readonly celsius: number } | null;
  /** What can be seen of its failures. */
  signs?(fields: F): readonly Sign[];
  /** Chance of a sign of the whole unit when a part of this kind has failed; estimate E27. */
  readonly unitSigns?: Readonly<Partial<Record<UnitSign, number>>>;
  /** What a person is asked where this failure is one that something else brings about. */
  askedCauses?(fields: F, mode: string): readonly AskedCause[];
  /** Failure modes that stand in the way of a gesture with these keys and doors. */
  hinders?(
    fields: F,
    gesture: { readonly keys: readonly string[]; readonly doors: readonly string[] },
  ): readonly string[];
  /** Of what is driven: failures that jam it, so that its motor stands as if it were seized itself. */
  readonly jams?: readonly string[];
  /** Of what drives: the failure it looks like while what it drives is jammed. */
  readonly jammedLike?: string;
  /** What brings out a fault of it that comes and goes. */
  readonly provokedBy?: "moving" | "cycling" | "warming" | "starting warm";
}

/** What a person sees, hears or works of a part. */
export interface Observed<F> {
  /** `facesOf` gives what a controller of the machine can show. */
  observable?(fields: F, facesOf?: FacesOf): Observable;
  /** The label that `observable` would have. */
  look?(instance: Instance<F>, view: View, state: number): string;
  /** Whether it turns freely by hand, locked off and uncoupled, with this failure of its own or none. */
  byHand?(mode: string | null): boolean;
  /** How a person notices what it does. */
  readonly noticed?: string;
  /** What a control program shows in a state; null when it is dead. */
  face?(instance: Instance<F>, state: number): Face | null;
  /** Every text its display can show and every way its lamps can go. */
  faces?(fields: F): {
    readonly display: readonly string[];
    readonly lamps: Readonly<Record<string, readonly string[]>>;
  };
  /** Keys one presses on it. */
  keys?(fields: F): readonly string[];
  /** The controller whose display or lamp it is, where it is one's. */
  shows?(fields: F): string | undefined;
  /** Which lamp of that controller it is. */
  lamp?(fields: F): string;
}

/** What of it can hurt, and what it protects from. */
export interface Safety {
  readonly traits: readonly Trait[];
  /** Usual cautions, said at the step where the part is touched. */
  readonly cautions?: readonly string[];
  /** How it is isolated, where it is a source. */
  readonly isolatedBy?: "plug" | "battery lead" | "locking out";
}

/** How it is tested by itself, found in a unit, and repaired. */
export interface Service<F> {
  /** How the part is tested by itself. */
  readonly alone?: string;
  /** The tool of the workbench that tests it. */
  readonly tool?: ToolId;
  /** What kind of level or position sensor that tool takes it for. */
  readonly level?: "hall" | "reed" | "switch" | "pot";
  /** May be found in a lead where nobody drew it, with the fields it gets when nothing is said. */
  readonly foundInLead?: Readonly<Record<string, string | number>>;
  /**
   * Its rating when one of its sort that is good reads so many ohms, dead and by itself; left out where an ohmmeter says
   * nothing of its rating.
   */
  goodOhms?(fields: F, ohms: number): Readonly<Record<string, number>>;
  /** May be built in between nets when a circuit is changed, with the fields it gets when nothing is said. */
  readonly builtIn?: Readonly<Record<string, string | number>>;
  /** What a failure mode of it is called when a board stands on the bench. */
  onBoard?(mode: string): OnBoard;
  /** What stands in for it on the bench at these surroundings. */
  standIn?(fields: F, around: { readonly celsius: number | undefined; readonly magnet: boolean }): StandIn | null;
  /** A repair of it that is smaller than the assembly it belongs to. */
  readonly repairs?: "joint" | "relay" | "capacitors";
}

/** Tools that test a part by itself. */
export type ToolId = "supply" | "motor" | "position" | "heater" | "relay" | "contact" | "sensor" | "fuse";

/** What a verdict on a board names of it. */
export type OnBoard =
  "relay" | "driver" | "low-voltage supply" | "sensor input" | "controller" | "board fuse or filter";

/** What is put in the stead of a sensor: a resistor, or a magnet held or not. */
export type StandIn = { readonly ohms: number; readonly celsius: number } | { readonly magnet: boolean };

/**
 * A kind of part: everything the program knows of it, in one file; its facets are the electrical, its failures, what is
 * observed of it, its safety, its service.
 */
export interface PartKind<F> {
  /** The id used in files. */
  readonly kind: string;
  /** Fields beyond id, name, assembly and terminals. */
  readonly fields: z.ZodType<F, unknown>;
  /** Contradictions inside the fields that a schema cannot express, each a sentence. */
  contradictions?(fields: F): readonly string[];
  readonly electrical: Electrical<F>;
  readonly failures: Failures<F>;
  /** Null for a part of which nothing is seen, heard or worked. */
  readonly observed: Observed<F> | null;
  readonly safety: Safety;
  readonly service: Service<F>;
}

/** What the controller of an id can show. */
export type FacesOf = (
  part: string,
) => { readonly display: readonly string[]; readonly lamps: Readonly<Record<string, readonly string[]>> } | undefined;

/** What the simulation reports of a thing whose state keeps changing. */
export const FLICKERS = "flickers";

/**
 * Keeps the field type inside the kind and its id in the type, and lets the registry hold all kinds together. The schema
 * of its fields is made when a file is first read: a page that only shows a machine does without.
 */
export function definePart<F, const K extends string = string>({
  fields,
  ...kind
}: Omit<PartKind<F>, "fields"> & { readonly kind: K; readonly fields: () => PartKind<F>["fields"] }): PartKind<F> & {
  readonly kind: K;
} {
  const schema = once(fields);
  return Object.defineProperty(kind, "fields", { get: schema, enumerable: true }) as PartKind<F> & { readonly kind: K };
}
