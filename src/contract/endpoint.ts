import { z } from "zod";
import { say } from "#words/contract";

/** What is asked of the server and what it answers, at one address. */
export interface Endpoint {
  readonly method: "GET" | "POST" | "PUT";
  /** The address for the parts of it that differ. */
  address(...parts: never[]): string;
  /** The body that is sent; undefined where there is none. */
  readonly request: z.ZodType;
  readonly answer: z.ZodType;
}
export type PartsOf<E extends Endpoint> = Parameters<E["address"]>;
export type AskedOf<E extends Endpoint> = z.input<E["request"]>;
export type AnswerOf<E extends Endpoint> = z.output<E["answer"]>;

/** The address of an endpoint for its parts. */
export const addressOf = <E extends Endpoint>(endpoint: E, parts: PartsOf<E>): string =>
  (endpoint.address as (...parts: readonly unknown[]) => string)(...(parts as readonly unknown[]));

/** An address of ours: the parts between the texts are encoded, whatever they hold. */
export function address(texts: TemplateStringsArray, ...parts: readonly string[]): string {
  return texts.reduce((whole, text, i) => whole + encodeURIComponent(parts[i - 1]!) + text);
}

const nothing = z.undefined();

/** Something that is read. */
export const reads = <P extends readonly string[], A extends z.ZodType>(where: (...parts: P) => string, answer: A) => ({
  method: "GET" as const,
  address: where,
  request: nothing,
  answer,
});

/** Something that is sent. */
export const sends = <P extends readonly string[], Q extends z.ZodType, A extends z.ZodType>(
  where: (...parts: P) => string,
  request: Q,
  answer: A,
  method: "POST" | "PUT" = "POST",
) => ({ method, address: where, request, answer });

/** A shape of the core that its own code has made: it is named, not checked field by field. */
export const made = <T extends object>() => z.custom<T>((value) => typeof value === "object" && value !== null);

/** Why something was refused, as every route says it. */
export const refusalSchema = z.object({
  error: z.string(),
  /** Whether the same, sent again in a moment, may be taken. */
  again: z.boolean().optional(),
  /** What is wrong with a file, each problem with its place. */
  problems: z.array(z.object({ line: z.number(), field: z.string(), sentence: z.string() })).optional(),
});

export const named = z.object({ id: z.string() });
export const actorSchema = z.string().trim().min(1, say.sayWhoYouAre).max(80);
