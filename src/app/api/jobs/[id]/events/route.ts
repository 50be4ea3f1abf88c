import { z } from "zod";
import { logEntry } from "../../../../../contract/entries";
import { appendEvent } from "../../../../../server/journal";
import { journalOf } from "../../../../../server/journals";
import { Refusal } from "../../../../../server/refusal";
import { unitOfJob } from "../../../../../server/units";
import { answer, jsonBody } from "../../../answer";
import { say } from "#words/app/api/jobs/id/events";

export const dynamic = "force-dynamic";
type Context = { params: Promise<{ id: string }> };

const idSchema = z.uuid();

async function idOf({ params }: Context): Promise<string> {
  const { id } = await params;
  if (!idSchema.safeParse(id).success) throw new Refusal(404, say.thereIsNoSuchJob);
  return id;
}

export function GET(request: Request, context: Context) {
  return answer(request, async () => {
    const id = await idOf(context);
    const after = Number(new URL(request.url).searchParams.get("after") ?? 0);
    if (!Number.isInteger(after) || after < 0) throw new Refusal(400, say.afterMustBeASequence);
    await unitOfJob(id);
    return journalOf(id, after);
  });
}

export function POST(request: Request, context: Context) {
  return answer(request, async () => {
    const id = await idOf(context);
    return { event: await appendEvent(id, logEntry.request.parse(await jsonBody(request)), new Date()) };
  });
}
