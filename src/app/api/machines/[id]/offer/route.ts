import { settleOfferSchema } from "../../../../../contract/machines";
import { settleOffer } from "../../../../../server/machines";
import { answer, jsonBody } from "../../../answer";

type Context = { params: Promise<{ id: string }> };

/** Takes a newer shipped revision whole, fact by fact, or not. */
export function POST(request: Request, { params }: Context) {
  return answer(request, async () =>
    settleOffer((await params).id, settleOfferSchema.parse(await jsonBody(request, 2_000_000)), new Date()),
  );
}
