import { beginWaitSchema } from "../../../contract/waits";
import { beginWait, openWaits } from "../../../server/waits";
import { answer, jsonBody } from "../answer";

export const dynamic = "force-dynamic";

/** What is waited for, in any job and without one. */
export function GET(request: Request) {
  return answer(request, () => openWaits());
}

/** Begins a wait that belongs to no job. */
export function POST(request: Request) {
  return answer(request, async () => beginWait(beginWaitSchema.parse(await jsonBody(request)), new Date()));
}
