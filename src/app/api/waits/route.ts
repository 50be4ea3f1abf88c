import { openWaits } from "../../../server/waits";
import { answer } from "../answer";

export const dynamic = "force-dynamic";

export function GET(request: Request) {
  return answer(request, async () => ({ waits: await openWaits() }));
}
