import { z } from "zod";
import { newEventSchema } from "../../../../../core/journal/events";
import { appendEvent, eventsOf } from "../../../../../server/journal";
import { readJob } from "../../../../../server/jobs";
import { proofOfChange } from "../../../../../server/isolation";
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
    const event = newEventSchema.parse(await jsonBody(request));
    // What the screen has shown of a proof is not taken on trust: a change that does not hold is never built.
    if (event.body.type === "modified") {
      const proof = await proofOfChange(id, event.body.changes);
      const fault = proof.findings.find((f) => !f.ok);
      if (fault) throw new Refusal(409, `This change is refused. ${fault.words}`);
    }
    return { event: await appendEvent(id, event, new Date()) };
  });
}
