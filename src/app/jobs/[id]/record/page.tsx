import { notFound } from "next/navigation";
import { jobOn } from "../../../../core/journal/job";
import { readJob } from "../../../../server/jobs";
import { Refusal } from "../../../../server/refusal";
import { RecordSheet } from "../../../../ui/record/RecordSheet";

export const dynamic = "force-dynamic";

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { events, file, machine } = await readJob((await params).id).catch((error: unknown) => {
    if (error instanceof Refusal && error.status === 404) notFound();
    throw error;
  });
  return <RecordSheet job={jobOn(machine, events)} file={file} />;
}
