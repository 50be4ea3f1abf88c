import { notFound } from "next/navigation";
import { newestMachine } from "../../../../server/machine-store";
import { Refusal } from "../../../../server/refusal";
import { HandScreen } from "../../../../ui/hand/HandScreen";

export const dynamic = "force-dynamic";

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ fault?: string }>;
}) {
  const [{ id }, { fault }] = await Promise.all([params, searchParams]);
  const { machine, hash } = await newestMachine(id).catch((error: unknown) => {
    if (error instanceof Refusal && error.status === 404) notFound();
    throw error;
  });
  return <HandScreen file={machine.file} hash={hash} hidden={fault ?? null} />;
}
