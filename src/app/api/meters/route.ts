import { meters } from "../../../server/meters";
import { answer } from "../answer";

export const dynamic = "force-dynamic";

export function GET(request: Request) {
  return answer(request, async () => ({ devices: (await meters()).list() }));
}
