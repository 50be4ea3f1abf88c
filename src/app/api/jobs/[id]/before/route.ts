import { likeBefore } from "../../../../../server/like-before";
import { answer } from "../../../answer";

export const dynamic = "force-dynamic";

/** Closed jobs on the same type of machine that showed what this one shows. */
export function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(request, async () => ({ before: await likeBefore((await params).id) }));
}
