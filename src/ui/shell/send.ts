import type { z } from "zod";
import {
  addressOf,
  refusalSchema,
  type AnswerOf,
  type AskedOf,
  type Endpoint,
  type PartsOf,
} from "../../contract/endpoint";
import { say } from "#words/ui/shell";

/** One thing wrong in what was sent, placed. */
export interface SentProblem {
  readonly line: number;
  readonly field: string;
  readonly sentence: string;
}

/** The server refused; the message is a sentence for the person, `problems` says where. */
export class Refused extends Error {
  constructor(
    sentence: string,
    readonly problems: readonly SentProblem[] = [],
    /** Whether the same, sent again in a moment, may be taken. */
    readonly again = false,
    /** Whether what was asked for is not there. */
    readonly isMissing = false,
  ) {
    super(sentence);
  }
}

/** Characters; below 64 KiB also where some of them take three bytes. */
const MOST_KEPT_ALIVE = 20_000;
/** Waits before what bears an id of its own is sent again, milliseconds. */
const AGAIN_AFTER = [250, 750, 2000];

/** Reads from one of our own addresses. Throws a `Refused`. */
export function read<A>(address: string, answer: z.ZodType<A>, signal?: AbortSignal): Promise<A> {
  return exchange(address, answer, signal ? { signal } : {}, say.unzoCannotBeReached);
}

/** Sends to one of our own routes, a picture as it is and anything else as JSON. Throws a `Refused`. */
export function send<E extends Endpoint>(endpoint: E, parts: PartsOf<E>, body: AskedOf<E>): Promise<AnswerOf<E>> {
  const address = addressOf(endpoint, parts);
  const isPicture = body instanceof Blob;
  const content = isPicture ? body : JSON.stringify(body);
  return exchange(
    address,
    endpoint.answer as z.ZodType<AnswerOf<E>>,
    {
      method: endpoint.method,
      ...(isPicture ? {} : { headers: { "content-type": "application/json" } }),
      body: content,
      // What is under way reaches the server although the page is left meanwhile; browsers allow that up to 64 KiB.
      keepalive: typeof content === "string" && content.length < MOST_KEPT_ALIVE,
    },
    say.unzoCannotBeReachedWhat,
  );
}

/**
 * The same for what bears an id made here, so that it counts once however often it is sent: where the server was lost
 * in the middle, or is busy, it is sent again by itself before anybody is told.
 */
export async function sendOnce<E extends Endpoint>(
  endpoint: E,
  parts: PartsOf<E>,
  body: AskedOf<E> & { readonly id: string },
): Promise<AnswerOf<E>> {
  for (const wait of AGAIN_AFTER) {
    try {
      return await send(endpoint, parts, body);
    } catch (error) {
      if (!(error instanceof Refused) || !error.again) throw error;
      await new Promise((resolve) => setTimeout(resolve, wait));
    }
  }
  return send(endpoint, parts, body);
}

async function exchange<A>(
  address: string,
  answer: z.ZodType<A>,
  request: RequestInit,
  unreachable: string,
): Promise<A> {
  let response: Response;
  try {
    response = await fetch(address, request);
  } catch (error) {
    if (request.signal?.aborted) throw error;
    throw new Refused(unreachable, [], true);
  }
  // What is no JSON (a proxy's own page, a cut connection) is refused below like any answer that is not of the
  // contract.
  const body: unknown = await response.json().catch(() => null);
  if (!response.ok) {
    const refused = refusalSchema.safeParse(body);
    if (!refused.success) throw new Refused(say.unzoRefusedThisNothingWas);
    throw new Refused(refused.data.error, refused.data.problems, refused.data.again, response.status === 404);
  }
  const parsed = answer.safeParse(body);
  if (!parsed.success) throw new Refused(say.thisPageIsOfAnother);
  return parsed.data;
}
