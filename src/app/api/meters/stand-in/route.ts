import { standInSchema } from "../../../../contract/meters";
import { wireStandIn } from "../../../../server/meters";
import { answer, jsonBody } from "../../answer";

export function POST(request: Request) {
  return answer(request, async () => wireStandIn(standInSchema.parse(await jsonBody(request))));
}
