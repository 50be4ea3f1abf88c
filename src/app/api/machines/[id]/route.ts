import { prepareDictionary } from "../../../../server/isolation";
import { keepEdited } from "../../../../server/machines";
import { Refusal } from "../../../../server/refusal";
import { answer, jsonBody } from "../../answer";
import { say } from "#words/app/api/machines/id";

type Context = { params: Promise<{ id: string }> };

/** Keeps an edited file as the newest version of its machine. */
export function PUT(request: Request, { params }: Context) {
  return answer(request, async () => {
    const { id } = await params;
    const file = await jsonBody(request, 2_000_000);
    if ((file as { id?: unknown } | null)?.id !== id) throw new Refusal(400, say.idMustStayDuplicateThe(id));
    const kept = await keepEdited(file, new Date());
    prepareDictionary(kept.hash);
    return kept;
  });
}
