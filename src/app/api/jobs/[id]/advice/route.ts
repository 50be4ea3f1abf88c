import { serverAdvice } from "../../../../../contract/jobs";
import { adviceOn } from "../../../../../server/isolation";
import { answer, jsonBody } from "../../../answer";

export const dynamic = "force-dynamic";

/** The advice on a job from the server's own dictionary; null while that is not built, unless asked to wait. */
export function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(request, async () => adviceOn((await params).id, serverAdvice.request.parse(await jsonBody(request))));
}
