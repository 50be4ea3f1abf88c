import { Refusal, sentenceFor } from "../../server/refusal";

/** Largest request body taken, bytes. */
const MOST_BYTES = 100_000;

/** Runs a route's work; what goes wrong becomes a status and a sentence, and the inside goes to the log only. */
export async function answer(work: () => Promise<unknown>): Promise<Response> {
  try {
    return Response.json(await work());
  } catch (error) {
    const { status, sentence } = sentenceFor(error);
    if (status === 500) console.error(error);
    return Response.json({ error: sentence }, { status });
  }
}

/** The JSON body of a request. Throws a `Refusal` for anything that is none. */
export async function jsonBody(request: Request): Promise<unknown> {
  const text = await request.text();
  if (text.length > MOST_BYTES) throw new Refusal(413, "That is more than one entry of a journal can hold.");
  try {
    return JSON.parse(text) as unknown;
  } catch {
    throw new Refusal(400, "The request is no JSON. Nothing was changed.");
  }
}
