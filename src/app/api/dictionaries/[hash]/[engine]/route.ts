import { gzippedDictionary } from "../../../../../server/dictionaries";
import { engineHash } from "../../../../../server/engine";
import { Refusal } from "../../../../../server/refusal";
import { answerError, knock } from "../../../answer";
import { say } from "#words/app/api";

export const dynamic = "force-dynamic";

/** The stored dictionary of a machine file; 404 where it is not built yet, or was built by another engine. */
export async function GET(request: Request, { params }: { params: Promise<{ hash: string; engine: string }> }) {
  try {
    knock(request);
    const { hash, engine } = await params;
    const body = engine === engineHash() ? await gzippedDictionary(hash.slice(0, 64)) : null;
    if (!body) throw new Refusal(404, say.thisDictionaryIsNotBuilt);
    // Named by the file and by the engine that built it, so it never changes: the browser keeps it.
    return new Response(new Uint8Array(body), {
      headers: {
        "content-type": "application/gzip",
        "cache-control": "private, max-age=31536000, immutable",
        "x-content-type-options": "nosniff",
      },
    });
  } catch (error) {
    return answerError(error);
  }
}
