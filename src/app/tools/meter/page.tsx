import { notFound } from "next/navigation";
import { listMachines } from "../../../server/library";
import { newestMachine } from "../../../server/machine-store";
import { Refusal } from "../../../server/refusal";
import { MeterScreen } from "../../../ui/meter/MeterScreen";

export const dynamic = "force-dynamic";

export default async function Page({ searchParams }: { searchParams: Promise<{ machine?: string }> }) {
  const rows = (await listMachines()).map((m) => ({ id: m.id, name: `${m.maker} ${m.model}, ${m.name}` }));
  const id = (await searchParams).machine ?? rows[0]?.id ?? "";
  const { machine, hash } = await newestMachine(id).catch((error: unknown) => {
    if (error instanceof Refusal && error.status === 404) notFound();
    throw error;
  });
  return <MeterScreen key={id} machines={rows} file={machine.file} hash={hash} />;
}
