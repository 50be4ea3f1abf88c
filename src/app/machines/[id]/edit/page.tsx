import { notFound } from "next/navigation";
import { newestMachine } from "../../../../server/machine-store";
import { Refusal } from "../../../../server/refusal";
import { EditorScreen } from "../../../../ui/machine/EditorScreen";

export const dynamic = "force-dynamic";

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { hash, machine } = await newestMachine((await params).id).catch((error: unknown) => {
    if (error instanceof Refusal && error.status === 404) notFound();
    throw error;
  });
  return <EditorScreen file={machine.file} base={hash} />;
}
