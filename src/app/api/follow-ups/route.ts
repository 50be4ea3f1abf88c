import { followUps } from "../../../server/outcomes";
import { answer } from "../answer";

export const dynamic = "force-dynamic";

/** Closed repairs of which it is time to ask whether they held. */
export function GET(request: Request) {
  return answer(request, async () => ({ followUps: await followUps(new Date()) }));
}
