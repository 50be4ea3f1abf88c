import { notFound } from "next/navigation";
import { benchRig, rigBoards } from "../../../core/workbench";
import { readJob } from "../../../server/jobs";
import { changesIn } from "../../../core/journal";
import { listMachines } from "../../../server/library";
import { machineOf, newestMachine } from "../../../server/machine-store";
import { Refusal } from "../../../server/refusal";
import { RigScreen } from "../../../ui/rig/RigScreen";

export const dynamic = "force-dynamic";

export default async function Page({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { machine: asked, board: askedBoard, job: askedJob } = await searchParams;
  const library = await listMachines();
  const rows = library.flatMap((m) =>
    (m.rigs ?? []).map((b) => ({ machine: m.id, board: b.assembly, name: `${m.maker} ${m.model}: ${b.name}` })),
  );
  const job = typeof askedJob === "string" ? await found(readJob(askedJob)) : null;
  let id: string;
  if (job) id = job.file.id;
  else if (typeof asked === "string") id = asked;
  else id = rows[0]?.machine ?? library[0]?.id ?? "";
  const machine = (await (job ? machineOf(job.hash, changesIn(job.events)) : found(newestMachine(id)))).machine;
  const boards = rigBoards(machine);
  const board = boards.find((b) => b.assembly === askedBoard) ?? boards[0];
  return (
    <RigScreen
      key={`${id} ${board?.assembly ?? ""}`}
      machine={id}
      boards={job ? boards.map((b) => ({ machine: id, board: b.assembly, name: b.name })) : rows}
      rig={board ? benchRig(machine, board.assembly) : null}
      job={job ? { id: askedJob as string, actor: job.events[0]!.actor } : null}
    />
  );
}

/** What there is, or the page that says there is none. */
async function found<T>(asked: Promise<T>): Promise<T> {
  return asked.catch((error: unknown) => {
    if (error instanceof Refusal && error.status === 404) notFound();
    throw error;
  });
}
