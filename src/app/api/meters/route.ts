import { meters } from "../../../server/meters";
import { answer } from "../answer";

export const dynamic = "force-dynamic";

export function GET() {
  return answer(async () => ({ devices: (await meters()).list() }));
}
