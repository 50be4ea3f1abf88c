import { notFound } from "next/navigation";
import { writeMachineYaml } from "../../../../core/model";
import { newestMachine } from "../../../../server/machine-store";
import { Refusal } from "../../../../server/refusal";
import { EditorScreen } from "../../../../ui/machine/EditorScreen";

export const dynamic = "force-dynamic";

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { hash, machine } = await newestMachine((await params).id).catch((error: unknown) => {
    if (error instanceof Refusal && error.status === 404) notFound();
    throw error;
  });
  // Written here, once: a browser takes as long as for ten key presses.
  return <EditorScreen file={machine.file} original={writeMachineYaml(machine.file)} base={hash} />;
}
