import { prepareDictionary } from "../../../../../server/isolation";
import { offerChanges } from "../../../../../server/quick";
import { answer } from "../../../answer";

type Context = { params: Promise<{ id: string }> };

export function POST(request: Request, { params }: Context) {
  return answer(request, async () => {
    const kept = await offerChanges((await params).id, new Date());
    prepareDictionary(kept.hash);
    return kept;
  });
}
