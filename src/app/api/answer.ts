import { knockOf, knownHosts, refusedAtDoor, type BodyKind } from "../../server/door";
import { RefusedMachine } from "../../server/machines";
import { Refusal, sentenceFor } from "../../server/refusal";
import { env } from "../../env";
import { inRequest, log, requestId } from "../../log";
import { say } from "#words/app/api";

/** Largest request body taken where a route names none, bytes. */
const MOST_BYTES = 100_000;
/** How deep JSON from outside may nest. */
const MOST_DEPTH = 60;

const HEADERS = { "cache-control": "no-store", "x-content-type-options": "nosniff" };

/**
 * Runs a route's work for whom the door lets in; what goes wrong becomes a status and a sentence, and the inside goes
 * to the log only.
 */
export async function answer(
  request: Request,
  work: () => Promise<unknown>,
  body: BodyKind = "json",
): Promise<Response> {
  const id = request.headers.get("x-request-id") ?? crypto.randomUUID();
  return inRequest(id, async () => {
    try {
      knock(request, body);
      return Response.json(await work(), { headers: { ...HEADERS, "x-request-id": id } });
    } catch (error) {
      return answerError(error);
    }
  });
}

/** A file to be kept by whoever asks for it. Its name is of ours, or made of letters, digits, dots and dashes. */
export function fileAnswer(content: BodyInit, name: string, type: string): Response {
  return new Response(content, {
    headers: { ...HEADERS, "content-type": type, "content-disposition": `attachment; filename="${name}"` },
  });
}

/** Throws a `Refusal` for a request that the door does not let in. */
export function knock(request: Request, body: BodyKind = "json"): void {
  const refused = refusedAtDoor(
    knockOf(request.method, (name) => request.headers.get(name)),
    knownHosts(env().UNZO_HOSTS),
    body,
  );
  if (refused) throw new Refusal(refused.status, refused.sentence);
}

/** The response for something that went wrong. */
export function answerError(error: unknown): Response {
  const { status, sentence, again } = sentenceFor(error);
  const mark = requestId();
  if (status === 500) log().error({ err: error }, "A request failed");
  else if (status === 503) log().warn({ err: error }, "A request could not be served");
  return Response.json(
    {
      error: status === 500 && mark ? say.itStandsInTheLog(sentence, mark) : sentence,
      ...(again ? { again } : {}),
      ...(error instanceof RefusedMachine ? { problems: error.problems } : {}),
    },
    { status, headers: mark ? { ...HEADERS, "x-request-id": mark } : HEADERS },
  );
}

/** The body of a request, cut off at its limit while it streams: what is longer is never held. Throws a `Refusal`. */
export async function bodyBytes(request: Request, most: number): Promise<Uint8Array<ArrayBuffer>> {
  const tooMuch = () => new Refusal(413, say.thatIsMoreThanCan);
  if (Number(request.headers.get("content-length") ?? 0) > most) {
    await request.body?.cancel();
    throw tooMuch();
  }
  const chunks: Uint8Array[] = [];
  let size = 0;
  const reader = request.body?.getReader();
  while (reader) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.byteLength;
    if (size > most) {
      await reader.cancel();
      throw tooMuch();
    }
    chunks.push(value);
  }
  const bytes = new Uint8Array(size);
  let at = 0;
  for (const chunk of chunks) {
    bytes.set(chunk, at);
    at += chunk.byteLength;
  }
  return bytes;
}

/** The JSON body of a request. Throws a `Refusal` for anything that is none, and for text that is no whole text. */
export async function jsonBody(request: Request, most = MOST_BYTES): Promise<unknown> {
  const bytes = await bodyBytes(request, most);
  let body: unknown;
  try {
    body = JSON.parse(new TextDecoder("utf-8", { fatal: true }).decode(bytes));
  } catch {
    throw new Refusal(400, say.theRequestIsNoJson);
  }
  if (!isWhole(body, 0)) throw new Refusal(400, say.theRequestHoldsHalfA);
  return body;
}

/** Whether every text in it is well-formed Unicode: a lone surrogate cannot be stored as it is. */
function isWhole(value: unknown, depth: number): boolean {
  if (depth > MOST_DEPTH) return false;
  if (typeof value === "string") return value.isWellFormed();
  if (Array.isArray(value)) return value.every((v) => isWhole(v, depth + 1));
  if (value === null || typeof value !== "object") return true;
  return Object.entries(value).every(([k, v]) => k.isWellFormed() && isWhole(v, depth + 1));
}
