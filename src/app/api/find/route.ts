import { findSchema } from "../../../contract/find";
import { findAnything } from "../../../server/find";
import { answer } from "../answer";

export const dynamic = "force-dynamic";

/** Units, machines and jobs that fit what is typed, and why. */
export function GET(request: Request) {
  return answer(request, () => findAnything(findSchema.parse(Object.fromEntries(new URL(request.url).searchParams))));
}
