import { newJobSchema } from "../../../contract/jobs";
import { openJob } from "../../../server/jobs";
import { answer, jsonBody } from "../answer";

export function POST(request: Request) {
  return answer(request, async () => openJob(newJobSchema.parse(await jsonBody(request)), new Date()));
}
