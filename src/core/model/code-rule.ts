import { z } from "zod";
import { number, once } from "./scalar";
import { say } from "#words/core/model/code-rule";

const SIGNS = { digits: /^[0-9]*$/, hex: /^[0-9A-F]*$/, "letters and digits": /^[0-9A-Z]*$/ } as const;

/**
 * How a code that stands on a plate is built, so that a slip is found before it is keyed in: so many signs, and where
 * `modulo` is given the sum of each sign's value (A is 10) times its weight leaves `remainder`.
 */
export const codeRule = once(() =>
  z
    .strictObject({
      length: number({ min: 1, max: 40 }),
      of: z.enum(["digits", "hex", "letters and digits"]).default("digits"),
      weights: z
        .array(number({ min: 0, max: 100 }))
        .max(40)
        .default([]),
      modulo: number({ min: 2, max: 1000 }).optional(),
      remainder: number({ min: 0, max: 999 }).default(0),
    })
    .superRefine((rule, ctx) => {
      if (rule.modulo !== undefined && rule.weights.length !== rule.length)
        ctx.addIssue({ code: "custom", path: ["weights"], message: say.aWeightASign(rule.length) });
    }),
);
export type CodeRule = z.output<ReturnType<typeof codeRule>>;

/** A code as it is kept: capitals, without blanks and dashes. */
export const plainCode = (typed: string) => typed.toUpperCase().replace(/[\s-]/g, "");

/** Why a code cannot be one by its rule; null where it can. */
export function codeProblem(rule: CodeRule, typed: string): string | null {
  const code = plainCode(typed);
  if (!SIGNS[rule.of].test(code)) return say.onlyOf(rule.of);
  if (code.length !== rule.length) return say.soManySigns(rule.length, code.length);
  if (rule.modulo === undefined) return null;
  const sum = [...code].reduce((total, sign, i) => total + Number.parseInt(sign, 36) * rule.weights[i]!, 0);
  return sum % rule.modulo === rule.remainder ? null : say.checkSignWrong;
}
