import { pingDatabase } from "../../../server/db";
import { answer } from "../answer";

export const dynamic = "force-dynamic";

export function GET() {
  return answer(async () => {
    await pingDatabase();
    return { ok: true };
  });
}
