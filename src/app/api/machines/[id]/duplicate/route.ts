import { duplicateSchema } from "../../../../../contract/machines";
import { prepareDictionary } from "../../../../../server/isolation";
import { duplicateMachine } from "../../../../../server/machines";
import { answer, jsonBody } from "../../../answer";

type Context = { params: Promise<{ id: string }> };

export function POST(request: Request, { params }: Context) {
  return answer(request, async () => {
    const kept = await duplicateMachine((await params).id, duplicateSchema.parse(await jsonBody(request)), new Date());
    prepareDictionary(kept.hash);
    return kept;
  });
}
