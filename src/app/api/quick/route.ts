import { quickSchema } from "../../../contract/jobs";
import { openQuickJob } from "../../../server/quick";
import { answer, jsonBody } from "../answer";

export function POST(request: Request) {
  return answer(request, async () => openQuickJob(quickSchema.parse(await jsonBody(request)), new Date()));
}
