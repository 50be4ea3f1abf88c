import type { SafetyLimit } from "./after-repair-limits";
import { unitOf } from "../instrument";
import { verdictOf } from "../diagnose";
import { readEngineering, parseReading } from "../quantity";
import { keeps } from "./after-repair-limits";
import type { ProofStep } from "./proof-step";
import { say } from "#words/core/repair/judge-proof";

/** What a typed reading makes of a step of the proof. */
export type ProofVerdict = { readonly kind: "pass" | "fail" } | { readonly kind: "unread"; readonly words: string };

const OVERLOAD = /^(ol|o\.l|over|>.*)$/i;
/** How many of a step's own unit a base unit is. */
const OF_BASE = { ohm: 1, Mohm: 1e-6, mA: 1e3 } as const;
const BASE = { ohm: "ohm", Mohm: "ohm", mA: "A" } as const;

/**
 * Judges what was typed at a measured step. A bare number is in the unit of its limit: 0.2 ohm, 20 megohms, 0.3
 * milliamperes.
 */
export function judge(step: ProofStep, typed: string): ProofVerdict {
  const { limit } = step;
  if (limit) {
    // More than the tester can show: good for insulation, bad for all else.
    if (OVERLOAD.test(typed.trim())) return { kind: limit.id === "insulation" ? "pass" : "fail" };
    const bare = /^[\d\s.,]+$/.test(typed.trim());
    const read = readEngineering(typed);
    if (!read || read.value < 0 || (read.unit !== null && read.unit !== BASE[limit.unit]))
      return {
        kind: "unread",
        words: say.typeForExample(unitWord(limit), exampleOf(limit)),
      };
    return { kind: keeps(limit, bare ? read.value : read.value * OF_BASE[limit.unit]) ? "pass" : "fail" };
  }
  if (!step.test || !step.window) return { kind: "unread", words: say.thisStepIsSeenNot };
  const unit = unitOf(step.test.function);
  const read = parseReading(typed, unit === "" ? "beep" : unit);
  if (!read.ok) return { kind: "unread", words: read.sentence };
  return { kind: verdictOf(step.window, read.shown) === "fits" ? "pass" : "fail" };
}

function unitWord(limit: SafetyLimit): string {
  if (limit.unit === "mA") return "milliamperes";
  if (limit.unit === "Mohm") return "megohms";
  return "ohms";
}

function exampleOf(limit: SafetyLimit): string {
  if (limit.unit === "mA") return "0.3";
  if (limit.unit === "Mohm") return "20";
  return "0.15";
}
