import { newestMachine } from "../../../../../server/machine-store";
import { answer } from "../../../answer";

export const dynamic = "force-dynamic";

/** The complaints that a machine knows and what its plates pick, for opening a job. */
export function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(request, async () => {
    const { machine } = await newestMachine((await params).id);
    const { complaints, plates, pieces, addOns } = machine.file;
    return {
      complaints: complaints.map(({ id, words }) => ({ id, words })),
      plates,
      addOns: addOns.map(({ id, name }) => ({ id, name })),
      pieces: pieces.filter((p) => plates.some((plate) => Object.hasOwn(plate.numbers, p.id))),
    };
  });
}
