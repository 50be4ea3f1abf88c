/** Sends JSON to one of our own routes. Throws an Error whose message is a sentence for the person. */
export async function send<T>(url: string, body: unknown): Promise<T> {
  let response: Response;
  try {
    response = await fetch(url, { method: "POST", headers: { "content-type": "application/json" }, body: JSON.stringify(body) });
  } catch {
    throw new Error("Unzo cannot be reached. What you typed is kept; try again.");
  }
  const answer = (await response.json().catch(() => ({}))) as T & { error?: string };
  if (!response.ok) throw new Error(answer.error ?? "Unzo refused this. Nothing was changed.");
  return answer;
}
