import { RefusedMachine } from "../../server/machines";
import { Refusal, sentenceFor } from "../../server/refusal";

/** Largest request body taken where a route names none, bytes. */
const MOST_BYTES = 100_000;

/** Runs a route's work; what goes wrong becomes a status and a sentence, and the inside goes to the log only. */
export async function answer(work: () => Promise<unknown>): Promise<Response> {
  try {
    return Response.json(await work());
  } catch (error) {
    return answerError(error);
  }
}

/** The response for something that went wrong. */
export function answerError(error: unknown): Response {
  const { status, sentence } = sentenceFor(error);
  if (status === 500) console.error(error);
  return Response.json(
    { error: sentence, ...(error instanceof RefusedMachine ? { problems: error.problems } : {}) },
    { status },
  );
}

/** The JSON body of a request. Throws a `Refusal` for anything that is none. */
export async function jsonBody(request: Request, most = MOST_BYTES): Promise<unknown> {
  const text = await request.text();
  if (text.length > most) throw new Refusal(413, "That is more than can be taken at once.");
  try {
    return JSON.parse(text) as unknown;
  } catch {
    throw new Refusal(400, "The request is no JSON. Nothing was changed.");
  }
}
