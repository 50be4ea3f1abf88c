import { settleOfferSchema } from "../../../../../contract/machines";
import { prepareDictionary } from "../../../../../server/isolation";
import { settleOffer } from "../../../../../server/machines";
import { answer, jsonBody } from "../../../answer";

type Context = { params: Promise<{ id: string }> };

/** Takes a newer shipped revision whole, fact by fact, or not. */
export function POST(request: Request, { params }: Context) {
  return answer(request, async () => {
    const asked = settleOfferSchema.parse(await jsonBody(request, 2_000_000));
    const settled = await settleOffer((await params).id, asked, new Date());
    prepareDictionary(settled.hash);
    return settled;
  });
}
