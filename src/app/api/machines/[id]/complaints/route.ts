import { newestMachine } from "../../../../../server/machine-store";
import { answer } from "../../../answer";

export const dynamic = "force-dynamic";

/** The complaints that a machine knows, for opening a job. */
export function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(request, async () => {
    const { machine } = await newestMachine((await params).id);
    return { complaints: machine.file.complaints.map(({ id, words }) => ({ id, words })) };
  });
}
