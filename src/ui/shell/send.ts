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
    readonly problems: readonly SentProblem[],
    /** Whether the same, sent again in a moment, may be taken. */
    readonly again = false,
  ) {
    super(sentence);
  }
}

/** Characters; below 64 KiB also where some of them take three bytes. */
const MOST_KEPT_ALIVE = 20_000;
/** Waits before what bears an id of its own is sent again, milliseconds. */
const AGAIN_AFTER = [250, 750, 2000];

/** Sends JSON to one of our own routes. Throws an Error whose message is a sentence for the person. */
export async function send<T>(url: string, body: unknown, method: "POST" | "PUT" = "POST"): Promise<T> {
  let response: Response;
  const content = JSON.stringify(body);
  try {
    // What is under way reaches the server although the page is left meanwhile; browsers allow that up to 64 KiB.
    response = await fetch(url, {
      method,
      headers: { "content-type": "application/json" },
      body: content,
      keepalive: content.length < MOST_KEPT_ALIVE,
    });
  } catch {
    throw new Refused("Unzo cannot be reached. What you typed is kept; try again.", [], true);
  }
  const answer = (await response.json().catch(() => ({}))) as T & {
    error?: string;
    again?: boolean;
    problems?: SentProblem[];
  };
  if (!response.ok)
    throw new Refused(
      answer.error ?? "Unzo refused this. Nothing was changed.",
      answer.problems ?? [],
      answer.again ?? false,
    );
  return answer;
}

/**
 * The same for what bears an id made here, so that it counts once however often it is sent: where the server was lost in the middle,
 * or is busy, it is sent again by itself before anybody is told.
 */
export async function sendOnce<T>(
  url: string,
  body: Readonly<Record<string, unknown>> & { readonly id: string },
): Promise<T> {
  for (const wait of AGAIN_AFTER) {
    try {
      return await send<T>(url, body);
    } catch (error) {
      if (!(error instanceof Refused) || !error.again) throw error;
      await new Promise((resolve) => setTimeout(resolve, wait));
    }
  }
  return send<T>(url, body);
}
