import { z } from "zod";
import { correctionSchema } from "../../../../contract/units";
import { correctUnit, openJobsOf, unitState } from "../../../../server/units";
import { Refusal } from "../../../../server/refusal";
import { answer, jsonBody } from "../../answer";
import { say } from "#words/app/api/units/id";

export const dynamic = "force-dynamic";
type Context = { params: Promise<{ id: string }> };

/** How a unit stands, and its open jobs. */
export function GET(request: Request, { params }: Context) {
  return answer(request, async () => {
    const { id } = await params;
    const { state } = await unitState(id);
    return { state, open: await openJobsOf(id) };
  });
}

/** Corrects the data of a unit. */
export function POST(request: Request, { params }: Context) {
  return answer(request, async () => {
    const { id } = await params;
    if (!z.uuid().safeParse(id).success) throw new Refusal(404, say.thereIsNoSuchUnit);
    await correctUnit(id, correctionSchema.parse(await jsonBody(request)), new Date());
    return { id };
  });
}
