import { ZodError } from "zod";

/** Something asked for that cannot be done: an HTTP status and a sentence a technician can act on. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    sentence: string,
  ) {
    super(sentence);
    this.name = "Refusal";
  }
}

/** Codes by which a lost or refusing database is known, in the driver and in the system. */
const LOST = new Set([
  "ECONNREFUSED",
  "ECONNRESET",
  "EPIPE",
  "ETIMEDOUT",
  "PROTOCOL_CONNECTION_LOST",
  "ER_SERVER_SHUTDOWN",
  "ENOENT",
  "ER_ACCESS_DENIED_ERROR",
  "ER_CON_COUNT_ERROR",
]);

/** Whether a row with the same key was there already, however deep the driver's error is wrapped. */
export function isDuplicate(error: unknown): boolean {
  return codesOf(error).includes("ER_DUP_ENTRY");
}

function codesOf(error: unknown): string[] {
  const codes: string[] = [];
  for (let e: unknown = error; e instanceof Error; e = e.cause) {
    const { code } = e as { code?: unknown };
    if (typeof code === "string") codes.push(code);
  }
  return codes;
}

/** Status and sentence for any error; what is unknown is said to be so, without its inside. */
export function sentenceFor(error: unknown): { status: number; sentence: string } {
  if (error instanceof Refusal) return { status: error.status, sentence: error.message };
  if (error instanceof ZodError) {
    const issue = error.issues[0];
    return {
      status: 400,
      sentence: `${issue?.path.join(".") || "The request"}: ${issue?.message ?? "is not as expected"}`,
    };
  }
  if (codesOf(error).some((code) => LOST.has(code)))
    return { status: 503, sentence: "The database does not answer. Nothing was changed; try again in a moment." };
  if (isDuplicate(error))
    return { status: 409, sentence: "An entry with this id exists already. Nothing was changed." };
  return { status: 500, sentence: "Something went wrong inside Unzo. Nothing was changed." };
}
