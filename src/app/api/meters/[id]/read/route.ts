import { readSchema } from "../../../../../contract/meters";
import { readDevice } from "../../../../../server/meters";
import { answer, jsonBody } from "../../../answer";

export function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(request, async () => readDevice((await params).id, readSchema.parse(await jsonBody(request))));
}
