import { figureTableSchema } from "../../../../contract/figures";
import { figuresFile } from "../../../../server/figures";
import { answerError, fileAnswer, knock } from "../../answer";

export const dynamic = "force-dynamic";

/** The numbers behind a chart, as a file. */
export async function GET(request: Request): Promise<Response> {
  try {
    knock(request);
    const { table, ...asked } = figureTableSchema.parse(Object.fromEntries(new URL(request.url).searchParams));
    const file = await figuresFile(asked, table, new Date());
    return fileAnswer(file, `unzo-${table}.csv`, "text/csv; charset=utf-8");
  } catch (error) {
    return answerError(error);
  }
}
