import { offerChanges } from "../../../../../server/quick";
import { answer } from "../../../answer";

type Context = { params: Promise<{ id: string }> };

export function POST(request: Request, { params }: Context) {
  return answer(request, async () => offerChanges((await params).id, new Date()));
}
