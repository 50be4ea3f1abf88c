import { newestMachine } from "../../../../../server/machines";
import { answer } from "../../../answer";

export const dynamic = "force-dynamic";

/** The newest version of a machine file as JSON, ready to be compiled. */
export function GET(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(async () => ({ file: (await newestMachine((await params).id)).machine.file }));
}
