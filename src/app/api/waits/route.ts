import { openWaits } from "../../../server/units";
import { answer } from "../answer";

export const dynamic = "force-dynamic";

export function GET() {
  return answer(async () => ({ waits: await openWaits() }));
}
