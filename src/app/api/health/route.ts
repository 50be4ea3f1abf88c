import { pingDatabase } from "../../../server/db";
import { answer } from "../answer";

export const dynamic = "force-dynamic";

export function GET(request: Request) {
  return answer(request, async () => {
    await pingDatabase();
    return { ok: true };
  });
}
