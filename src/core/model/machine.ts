import type { EliminationProgram } from "../circuit";
import type { Domain } from "./energy";
import type { FailureMode, Parameter, PartKind } from "./kind";
import type { MachineFile, AssemblyEntry, SetupEntry } from "./schema";
import { say } from "#words/core/model/machine";

/** A part ready for simulation: its terminals and elements as numbers. */
export interface Part {
  readonly index: number;
  readonly id: string;
  readonly name: string;
  readonly assembly: string;
  readonly kind: PartKind<unknown>;
  readonly fields: unknown;
  readonly nodeOf: ReadonlyMap<string, number>;
  readonly firstElement: number;
  readonly elementCount: number;
  /** Where the analog memory of the part begins. */
  readonly firstMemory: number;
  readonly parameters: readonly Parameter[];
  readonly modes: readonly FailureMode[];
  /** By failure mode the assembly that is changed for it, where a board is repaired by its components. */
  readonly components?: ReadonlyMap<string, string>;
  /** What it can be seen, heard or felt to do; null for a part that shows nothing. */
  readonly labels: readonly string[] | null;
}

/** What a lamp in the stead of a load shows. */
export const LAMP_LIT = say.lampLit;
export const LAMP_DARK = say.lampDark;

/** A spot a probe can be put on. */
export interface Point {
  readonly id: string;
  readonly name: string;
  readonly node: number;
  readonly net: string;
  readonly connector?: string;
  readonly connectorName?: string;
  readonly pin?: string;
  readonly signal?: string;
  readonly colour?: string;
  /** Which side or spot, in words. */
  readonly where?: string;
  /** Cover it lies behind. */
  readonly panel?: string;
  /** The board inside which it lies: asked only of whoever repairs boards, see `openBoard`. */
  readonly inside?: string;
}

/** A conductor a clamp can be put around. */
export interface ClampPoint {
  readonly id: string;
  readonly name: string;
  readonly element: number;
  readonly part: string;
  readonly panel?: string;
  readonly colour?: string;
}

/** A machine file made ready: circuit, elimination, points, domains. Immutable. */
export interface Machine {
  readonly file: MachineFile;
  readonly parts: readonly Part[];
  readonly partById: ReadonlyMap<string, Part>;
  readonly assemblyById: ReadonlyMap<string, AssemblyEntry>;
  /** The setups of the file, and one for each mode of its control program that no setup of the file is in. */
  readonly setupById: ReadonlyMap<string, SetupEntry>;
  readonly nets: readonly string[];
  readonly nodeOf: ReadonlyMap<string, number>;
  /** Two nodes for each element. */
  readonly ends: Int32Array;
  readonly program: EliminationProgram;
  readonly memorySize: number;
  readonly points: ReadonlyMap<string, Point>;
  readonly clamps: ReadonlyMap<string, ClampPoint>;
  /** For each node. */
  readonly domains: readonly Domain[];
  /** For each node. */
  readonly usual: readonly ("ac" | "dc")[];
  /** Parts that bring energy in; all of them off is dead. */
  readonly sources: readonly Part[];
  /** For each setup, the jumpers and bench feeds it puts in. */
  readonly rigsOf: ReadonlyMap<string, ReadonlySet<string>>;
  /** The board whose components are looked for; see `openBoard`. */
  readonly opened?: string;
}
