import { setRatesSchema } from "../../../../contract/shop";
import { setShopRates } from "../../../../server/shop";
import { answer, jsonBody } from "../../answer";

/** What the shop reckons with, set for everybody. */
export function POST(request: Request) {
  return answer(request, async () => setShopRates(setRatesSchema.parse(await jsonBody(request)), new Date()));
}
