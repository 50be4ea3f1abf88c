import { z } from "zod";
import { id, number, words } from "../machine/scalar";

/**
 * What a control program decides by: the level of an input as a share of the rail (0..1), the mode the machine
 * is in, and combinations of these.
 */
export type Condition =
  | { readonly input: string; readonly above: number }
  | { readonly input: string; readonly below: number }
  | { readonly mode: string }
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
    z.strictObject({ always: words }),
  ] as const;
  if (depth === 0) return z.union(plain) as z.ZodType<Condition, unknown>;
  const inner = conditionOf(depth - 1);
  const list = z.array(inner).min(1).max(20);
  return z.union([...plain, z.strictObject({ all: list }), z.strictObject({ any: list }), z.strictObject({ not: inner })]) as z.ZodType<Condition, unknown>;
}

export const conditionSchema = conditionOf(3);

/** Whether a condition holds, given each input's share of the rail and the mode. */
export function conditionHolds(condition: Condition, share: (input: string) => number, mode: string): boolean {
  if ("always" in condition) return true;
  if ("mode" in condition) return condition.mode === mode;
  if ("all" in condition) return condition.all.every((c) => conditionHolds(c, share, mode));
  if ("any" in condition) return condition.any.some((c) => conditionHolds(c, share, mode));
  if ("not" in condition) return !conditionHolds(condition.not, share, mode);
  return "above" in condition ? share(condition.input) > condition.above : share(condition.input) < condition.below;
}

/** The inputs a condition asks for, so that a file naming an unknown one is refused. */
export function conditionInputs(condition: Condition): readonly string[] {
  if ("input" in condition) return [condition.input];
  if ("all" in condition) return condition.all.flatMap(conditionInputs);
  if ("any" in condition) return condition.any.flatMap(conditionInputs);
  return "not" in condition ? conditionInputs(condition.not) : [];
}
