import { z } from "zod";
import { id, number, words } from "../scalar";

/**
 * What a control program decides by: the level of an input as a share of the rail (0..1), the mode it is in, a key
 * held down, a code that is set, and combinations of these.
 */
export type Condition =
  | { readonly input: string; readonly above: number }
  | { readonly input: string; readonly below: number }
  | { readonly mode: string }
  | { readonly key: string }
  | { readonly code: string }
  | { readonly always: string }
  | { readonly all: readonly Condition[] }
  | { readonly any: readonly Condition[] }
  | { readonly not: Condition };

const share = number({ min: 0, max: 1 });

/** A condition nested at most six deep, so that a hostile file cannot exhaust the stack. */
function conditionOf(depth: number): z.ZodType<Condition, unknown> {
  const plain = [
    z.strictObject({ input: id, above: share }),
    z.strictObject({ input: id, below: share }),
    z.strictObject({ mode: id }),
    z.strictObject({ key: id }),
    z.strictObject({ code: id }),
    z.strictObject({ always: words }),
  ] as const;
  if (depth === 0) return z.union(plain) as z.ZodType<Condition, unknown>;
  const inner = conditionOf(depth - 1);
  const list = z.array(inner).min(1).max(20);
  return z.union([
    ...plain,
    z.strictObject({ all: list }),
    z.strictObject({ any: list }),
    z.strictObject({ not: inner }),
  ]) as z.ZodType<Condition, unknown>;
}

export const conditionSchema = conditionOf(3);

/** What a condition is held against. */
export interface Situation {
  /** Level of an input as a share of the rail, 0..1. */
  share(input: string): number;
  readonly mode: string;
  keyDown(key: string): boolean;
  codeSet(code: string): boolean;
}

/** Whether a condition holds. */
export function conditionHolds(condition: Condition, now: Situation): boolean {
  if ("always" in condition) return true;
  if ("mode" in condition) return condition.mode === now.mode;
  if ("key" in condition) return now.keyDown(condition.key);
  if ("code" in condition) return now.codeSet(condition.code);
  if ("all" in condition) return condition.all.every((c) => conditionHolds(c, now));
  if ("any" in condition) return condition.any.some((c) => conditionHolds(c, now));
  if ("not" in condition) return !conditionHolds(condition.not, now);
  return "above" in condition
    ? now.share(condition.input) > condition.above
    : now.share(condition.input) < condition.below;
}

/** Every plain condition inside, so that a file naming an unknown input, key, code or mode is refused. */
export function plainConditions(condition: Condition): readonly Condition[] {
  if ("all" in condition) return condition.all.flatMap(plainConditions);
  if ("any" in condition) return condition.any.flatMap(plainConditions);
  return "not" in condition ? plainConditions(condition.not) : [condition];
}
