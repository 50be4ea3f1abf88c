import { actorSchema } from "../../../../contract/endpoint";
import { MOST_PACK_BYTES, packOf, takePack } from "../../../../server/packs";
import { answer, answerError, bodyBytes, knock } from "../../answer";

export const dynamic = "force-dynamic";

/** The machine files of this shop as one archive: all, or those that `of` names. */
export async function GET(request: Request) {
  try {
    knock(request);
    const asked = new URL(request.url).searchParams;
    const bytes = await packOf(asked.getAll("of"), actorSchema.parse(asked.get("by") ?? ""), new Date());
    return new Response(bytes, {
      headers: {
        "content-type": "application/zip",
        "content-disposition": 'attachment; filename="machines.zip"',
        "cache-control": "no-store",
      },
    });
  } catch (error) {
    return answerError(error);
  }
}

/** Takes the pack of another shop in. */
export function POST(request: Request) {
  return answer(
    request,
    async () => {
      const actor = actorSchema.parse(new URL(request.url).searchParams.get("actor") ?? "");
      return takePack(await bodyBytes(request, MOST_PACK_BYTES), actor, new Date());
    },
    "archive",
  );
}
