import { unitReadingsFile } from "../../../../../server/readings-file";
import { answerError, fileAnswer, knock } from "../../../answer";

export const dynamic = "force-dynamic";

/** The readings of a unit as lines. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  try {
    knock(request);
    const { id } = await params;
    return fileAnswer(await unitReadingsFile(id), `unzo-readings-${id.slice(0, 8)}.csv`, "text/csv; charset=utf-8");
  } catch (error) {
    return answerError(error);
  }
}
