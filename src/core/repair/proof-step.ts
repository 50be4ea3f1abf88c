import type { Window } from "../diagnose";
import type { Test } from "../simulate";
import type { SafetyLimit } from "./after-repair-limits";

/** One step of the proof that a repaired machine works and is safe. */
export interface ProofStep {
  readonly id: string;
  readonly group:
    | "look"
    | "complaint"
    | "repair"
    | "touched"
    | "protects"
    | "functions"
    | "loads"
    | "idle"
    | "time"
    | "closing"
    | "safety";
  readonly words: string;
  /** Functions that it shows besides. */
  readonly also?: readonly string[];
  readonly how: string;
  /** What passes, in words. */
  readonly expected: string;
  /** What comes of it where it does not pass: such a step may be shown by a photo. */
  readonly consequence?: string;
  /** The test it is, where a model says what it shows. */
  readonly test?: Test;
  readonly window?: Window;
  readonly limit?: SafetyLimit;
  /** Seconds it takes: started as a timer, looked at when it is due. */
  readonly wait?: number;
  readonly cautions: readonly string[];
}
