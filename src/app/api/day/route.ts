import { dayAhead } from "../../../server/day";
import { answer } from "../answer";

export const dynamic = "force-dynamic";

/** What is in hand today, and what it still needs. */
export function GET(request: Request) {
  return answer(request, async () => ({ day: await dayAhead(new Date()) }));
}
