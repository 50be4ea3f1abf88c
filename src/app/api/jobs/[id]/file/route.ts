import { jobFile } from "../../../../../server/job-file";
import { answerError, fileAnswer, knock } from "../../../answer";

export const dynamic = "force-dynamic";

/** A job as one file that another shop can take in. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  try {
    knock(request);
    const file = await jobFile((await params).id, new Date());
    return fileAnswer(JSON.stringify(file), `unzo-job-${file.job.slice(0, 8)}.json`, "application/json");
  } catch (error) {
    return answerError(error);
  }
}
