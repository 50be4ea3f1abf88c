import { notFound } from "next/navigation";
import { machineByHash, newestMachine } from "../../../server/machine-store";
import { versionsOf } from "../../../server/library";
import { shippedOffer } from "../../../server/machines";
import { Refusal } from "../../../server/refusal";
import { MachineScreen } from "../../../ui/machine/MachineScreen";

export const dynamic = "force-dynamic";

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ version?: string }>;
}) {
  const [{ id }, { version }] = await Promise.all([params, searchParams]);
  const found = await load(id, version).catch((error: unknown) => {
    if (error instanceof Refusal && error.status === 404) notFound();
    throw error;
  });
  return (
    <MachineScreen
      file={found.file}
      hash={found.hash}
      versions={found.versions}
      version={version ?? null}
      offered={found.offered}
    />
  );
}

async function load(id: string, version: string | undefined) {
  const { machine, hash } = version ? { ...(await machineByHash(version)), hash: version } : await newestMachine(id);
  const [versions, offer] = await Promise.all([versionsOf(id), shippedOffer(id)]);
  return { file: machine.file, hash, versions, offered: offer !== null };
}
