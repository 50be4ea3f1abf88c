import { searchUnits } from "../../../server/units";
import { answer } from "../answer";

export const dynamic = "force-dynamic";

/** Units and machines that fit what is typed. */
export function GET(request: Request) {
  return answer(request, async () => searchUnits((new URL(request.url).searchParams.get("q") ?? "").slice(0, 120)));
}
