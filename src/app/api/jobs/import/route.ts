import { actorSchema } from "../../../../contract/endpoint";
import { MOST_JOB_BYTES, takeJob } from "../../../../server/job-file";
import { answer, jsonBody } from "../../answer";

/** Takes a job of another shop in. */
export function POST(request: Request) {
  return answer(request, async () => {
    const by = actorSchema.parse(new URL(request.url).searchParams.get("by") ?? "");
    return takeJob(await jsonBody(request, MOST_JOB_BYTES), by, new Date());
  });
}
