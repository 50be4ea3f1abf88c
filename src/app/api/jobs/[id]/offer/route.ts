import { takeLessonsSchema } from "../../../../../contract/jobs";
import { prepareDictionary } from "../../../../../server/isolation";
import { takeLessons } from "../../../../../server/lessons";
import { answer, jsonBody } from "../../../answer";

type Context = { params: Promise<{ id: string }> };

/** Puts what a job learned into its machine's file, fact by fact. */
export function POST(request: Request, { params }: Context) {
  return answer(request, async () => {
    const asked = takeLessonsSchema.parse(await jsonBody(request, 20_000));
    const kept = await takeLessons((await params).id, asked, new Date());
    prepareDictionary(kept.hash);
    return kept;
  });
}
