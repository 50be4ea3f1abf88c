import { newestMachine } from "../../../../../server/machine-store";
import { answer } from "../../../answer";

export const dynamic = "force-dynamic";

/** The newest version of a machine file as JSON, ready to be compiled. */
export function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(request, async () => {
    const { machine, hash } = await newestMachine((await params).id);
    return { file: machine.file, hash };
  });
}
