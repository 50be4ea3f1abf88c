import { notFound } from "next/navigation";
import { newestMachine } from "../../../../server/machine-store";
import { Refusal } from "../../../../server/refusal";
import { MachineJobScreen } from "../../../../ui/machine/MachineJobScreen";

export const dynamic = "force-dynamic";

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { machine } = await newestMachine((await params).id).catch((error: unknown) => {
    if (error instanceof Refusal && error.status === 404) notFound();
    throw error;
  });
  const { id, maker, model } = machine.file;
  return <MachineJobScreen machine={{ id, maker, model }} />;
}
