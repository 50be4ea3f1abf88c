import { newestMachine } from "../../../../../server/machine-store";
import { answer } from "../../../answer";

export const dynamic = "force-dynamic";

/** The complaints that a machine knows and what its plates pick, for opening a job. */
export function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(request, async () => {
    const { machine } = await newestMachine((await params).id);
    const { complaints, plates, pieces } = machine.file;
    return {
      complaints: complaints.map(({ id, words }) => ({ id, words })),
      plates,
      pieces: pieces.filter((p) => plates.some((plate) => Object.hasOwn(plate.numbers, p.id))),
    };
  });
}
