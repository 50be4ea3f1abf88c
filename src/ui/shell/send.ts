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
  ) {
    super(sentence);
  }
}

/** Characters; below 64 KiB also where some of them take three bytes. */
const MOST_KEPT_ALIVE = 20_000;

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
    throw new Error("Unzo cannot be reached. What you typed is kept; try again.");
  }
  const answer = (await response.json().catch(() => ({}))) as T & { error?: string; problems?: SentProblem[] };
  if (!response.ok) throw new Refused(answer.error ?? "Unzo refused this. Nothing was changed.", answer.problems ?? []);
  return answer;
}
