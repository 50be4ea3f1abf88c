import type { Machine, Fault } from "../../model";
import { faultsOf, type Hypothesis } from "../hypotheses/hypothesis";

/**
 * A part tested by itself, off the circuit or on the bench: good, or bad in a way that may be one of its failure
 * modes.
 */
export interface BenchVerdict {
  readonly part: string;
  readonly found: "good" | "bad";
  readonly mode?: string;
}

/**
 * How often a sound part is called bad on the bench, and a bad one good; estimate E10. A fault that comes and goes hides
 * more often.
 */
const CALLED_BAD = 0.02;
const CALLED_GOOD = 0.06;
/** Of bad parts, how often the mode found is another than the true one: "high" for "open"; estimate E11. */
const OTHER_MODE = 0.1;

/** Likelihood of what a test of one part by itself found under a hypothesis; 1 for a part the machine has not. */
export function aloneLikelihood(machine: Machine, { part, found, mode }: BenchVerdict, hypothesis: Hypothesis): number {
  const own = machine.partById.get(part);
  if (!own) return 1;
  const fault = faultsOf(machine, hypothesis).find((f) => f.part === part);
  if (!fault) return found === "bad" ? CALLED_BAD : 1 - CALLED_BAD;
  if (found === "good") return CALLED_GOOD;
  const known = mode !== undefined && own.modes.some((m) => m.id === mode);
  return (1 - CALLED_GOOD) * shareOfMode(known, fault, mode);
}

/** How often a part with this fault is judged bad in this way. */
function shareOfMode(known: boolean, fault: Fault | undefined, mode: string | undefined): number {
  if (known) {
    if (fault?.mode === mode) return 1 - OTHER_MODE;
    return OTHER_MODE;
  }
  return 1;
}
