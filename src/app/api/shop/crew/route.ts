import { setCrewSchema } from "../../../../contract/shop";
import { setShopCrew } from "../../../../server/shop";
import { answer, jsonBody } from "../../answer";

/** Whose hands there are today, set for everybody. */
export function POST(request: Request) {
  return answer(request, async () => setShopCrew(setCrewSchema.parse(await jsonBody(request)), new Date()));
}
