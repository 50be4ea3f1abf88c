import { ZodError } from "zod";

/** Something asked for that cannot be done: an HTTP status and a sentence a technician can act on. */
export class Refusal extends Error {
  constructor(readonly status: number, sentence: string) {
    super(sentence);
    this.name = "Refusal";
  }
}

/** Codes by which a lost or refusing database is known, in the driver and in the system. */
const LOST = new Set(["ECONNREFUSED", "ECONNRESET", "EPIPE", "ETIMEDOUT", "PROTOCOL_CONNECTION_LOST", "ER_SERVER_SHUTDOWN", "ENOENT", "ER_ACCESS_DENIED_ERROR", "ER_CON_COUNT_ERROR"]);

/** Status and sentence for any error; what is unknown is said to be so, without its inside. */
export function sentenceFor(error: unknown): { status: number; sentence: string } {
  if (error instanceof Refusal) return { status: error.status, sentence: error.message };
  if (error instanceof ZodError) {
    const issue = error.issues[0];
    return { status: 400, sentence: `${issue?.path.join(".") || "The request"}: ${issue?.message ?? "is not as expected"}` };
  }
  for (let e: unknown = error; e instanceof Error; e = e.cause) {
    const { code } = e as { code?: unknown };
    if (typeof code === "string" && LOST.has(code)) return { status: 503, sentence: "The database does not answer. Nothing was changed; try again in a moment." };
  }
  return { status: 500, sentence: "Something went wrong inside Unzo. Nothing was changed." };
}
