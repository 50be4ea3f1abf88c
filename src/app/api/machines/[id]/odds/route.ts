import { resetOddsSchema } from "../../../../../contract/odds";
import { resetOdds, shopOdds } from "../../../../../server/learned-odds";
import { answer, jsonBody } from "../../../answer";

export const dynamic = "force-dynamic";
type Params = { params: Promise<{ id: string }> };

/** What a machine's file says of its causes, what this shop has seen of them, and what is used. */
export function GET(request: Request, { params }: Params) {
  return answer(request, async () => shopOdds((await params).id, new Date()));
}

/** Begins anew with what the file says. */
export function POST(request: Request, { params }: Params) {
  return answer(request, async () =>
    resetOdds((await params).id, resetOddsSchema.parse(await jsonBody(request)), new Date()),
  );
}
