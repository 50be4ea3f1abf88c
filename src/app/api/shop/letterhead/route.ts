import { setLetterheadSchema } from "../../../../contract/shop";
import { setShopLetterhead } from "../../../../server/shop";
import { answer, jsonBody } from "../../answer";

/** Who stands at the head of what is handed out, set for everybody. */
export function POST(request: Request) {
  return answer(request, async () => setShopLetterhead(setLetterheadSchema.parse(await jsonBody(request)), new Date()));
}
