import { z } from "zod";
import { endWaitSchema } from "../../../../contract/waits";
import { endWait } from "../../../../server/waits";
import { answer, jsonBody } from "../../answer";

/** Ends a wait that belongs to no job. */
export function POST(request: Request, { params }: { params: Promise<{ wait: string }> }) {
  return answer(request, async () => {
    const wait = z.uuid().parse((await params).wait);
    return endWait(wait, endWaitSchema.parse(await jsonBody(request)), new Date());
  });
}
