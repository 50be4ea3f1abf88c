import { ZodError } from "zod";
import { say } from "#words/server";

/** Something asked for that cannot be done: an HTTP status and a sentence a technician can act on. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    sentence: string,
    /** Whether the same, sent again in a moment, may be taken. */
    readonly again = false,
  ) {
    super(sentence);
    this.name = "Refusal";
  }
}

/** The database was lost while it was told to keep a change: it may have kept it or not. */
export class MaybeWritten extends Refusal {
  constructor(cause: unknown) {
    super(503, say.theDatabaseWentAwayIn, true);
    this.name = "MaybeWritten";
    this.cause = cause;
  }
}

/** Codes by which a lost or refusing database is known, in the driver and in the system. */
const LOST = new Set([
  "ECONNREFUSED",
  "ECONNRESET",
  "EPIPE",
  "ETIMEDOUT",
  "PROTOCOL_CONNECTION_LOST",
  "PROTOCOL_PACKETS_OUT_OF_ORDER",
  "PROTOCOL_ENQUEUE_AFTER_FATAL_ERROR",
  "PROTOCOL_ENQUEUE_AFTER_QUIT",
  "ER_SERVER_SHUTDOWN",
  "ER_CONNECTION_KILLED",
  "ER_NORMAL_SHUTDOWN",
  "ENOENT",
  "ER_ACCESS_DENIED_ERROR",
  "ER_CON_COUNT_ERROR",
  "ER_TOO_MANY_USER_CONNECTIONS",
]);
/** Sentences of the driver for the same, where it gives no code. */
const LOST_WORDS = [
  /connection is in closed state|connection lost|server closed the connection/i,
  /pool is closed|^failed query: (rollback|commit|begin)|server has gone away/i,
];
const BUSY_WORDS = /^queue limit reached|no connections available/i;

/** Whether a row with the same key was there already, however deep the driver's error is wrapped. */
export function isDuplicate(error: unknown): boolean {
  return hasCode(error, "ER_DUP_ENTRY");
}

/** Whether an error, or what caused it, bears one of these codes. */
export function hasCode(error: unknown, ...codes: readonly string[]): boolean {
  return chain(error).some((e) => codes.includes(String((e as { code?: unknown }).code)));
}

/** Whether the database was lost. */
export function isLostDatabase(error: unknown): boolean {
  return chain(error).some(
    (e) => LOST.has(String((e as { code?: unknown }).code)) || LOST_WORDS.some((words) => words.test(e.message)),
  );
}

/** An error and what caused it, the outermost first. */
function chain(error: unknown): Error[] {
  const found: Error[] = [];
  for (let e: unknown = error; e instanceof Error && found.length < 10; e = e.cause) found.push(e);
  return found;
}

/**
 * Status and sentence for any error; what is unknown is said to be so, without its inside. `again`: worth sending
 * once more.
 */
export function sentenceFor(error: unknown): { status: number; sentence: string; again: boolean } {
  if (error instanceof Refusal) return { status: error.status, sentence: error.message, again: error.again };
  if (error instanceof ZodError) {
    const issue = error.issues[0];
    return {
      status: 400,
      sentence: `${issue?.path.map(String).join(".") || say.theRequest}: ${issue?.message ?? say.isNotAsExpected}`,
      again: false,
    };
  }
  if (isLostDatabase(error))
    return {
      status: 503,
      sentence: say.theDatabaseDoesNotAnswer,
      again: true,
    };
  if (
    hasCode(error, "ER_LOCK_DEADLOCK", "ER_LOCK_WAIT_TIMEOUT") ||
    chain(error).some((e) => BUSY_WORDS.test(e.message))
  )
    return { status: 503, sentence: say.unzoIsBusyNothingWas, again: true };
  if (isDuplicate(error)) return { status: 409, sentence: say.anEntryWithThisId, again: false };
  return { status: 500, sentence: say.somethingWentWrongInsideUnzo, again: false };
}
