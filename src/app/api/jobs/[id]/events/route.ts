import { z } from "zod";
import { newEventSchema } from "../../../../../core/journal/events";
import { appendEvent, eventsOf } from "../../../../../server/journal";
import { readJob } from "../../../../../server/jobs";
import { Refusal } from "../../../../../server/refusal";
import { answer, jsonBody } from "../../../answer";

export const dynamic = "force-dynamic";
type Context = { params: Promise<{ id: string }> };

const idSchema = z.uuid();

export function GET(request: Request, { params }: Context) {
  return answer(async () => {
    const { id } = await params;
    const after = Number(new URL(request.url).searchParams.get("after") ?? 0);
    if (!Number.isInteger(after) || after < 0) throw new Refusal(400, "after: must be a sequence number, 0 or more.");
    await readJob(id);
    return { events: await eventsOf(id, after) };
  });
}

export function POST(request: Request, { params }: Context) {
  return answer(async () => {
    const { id } = await params;
    if (!idSchema.safeParse(id).success) throw new Refusal(404, "There is no such job.");
    return { event: await appendEvent(id, newEventSchema.parse(await jsonBody(request)), new Date()) };
  });
}
