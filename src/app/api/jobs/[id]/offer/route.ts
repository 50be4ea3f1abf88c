import { offerChanges } from "../../../../../server/quick";
import { answer } from "../../../answer";

type Context = { params: Promise<{ id: string }> };

export function POST(_request: Request, { params }: Context) {
  return answer(async () => offerChanges((await params).id, new Date()));
}
