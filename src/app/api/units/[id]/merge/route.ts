import { z } from "zod";
import { Refusal } from "../../../../../server/refusal";
import { mergeSchema } from "../../../../../contract/units";
import { mergeUnits } from "../../../../../server/units";
import { answer, jsonBody } from "../../../answer";
import { say } from "#words/app/api/units/id/merge";

type Context = { params: Promise<{ id: string }> };

/** This unit was found to be another one that is known already. */
export function POST(request: Request, { params }: Context) {
  return answer(request, async () => {
    const { id } = await params;
    if (!z.uuid().safeParse(id).success) throw new Refusal(404, say.thereIsNoSuchUnit);
    const input = mergeSchema.parse(await jsonBody(request));
    await mergeUnits(id, input, new Date());
    return { id: input.into };
  });
}
