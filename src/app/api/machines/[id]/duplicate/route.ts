import { duplicateSchema } from "../../../../../contract/machines";
import { duplicateMachine } from "../../../../../server/machines";
import { answer, jsonBody } from "../../../answer";

type Context = { params: Promise<{ id: string }> };

export function POST(request: Request, { params }: Context) {
  return answer(request, async () =>
    duplicateMachine((await params).id, duplicateSchema.parse(await jsonBody(request)), new Date()),
  );
}
