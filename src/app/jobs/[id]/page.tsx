import { notFound } from "next/navigation";
import { readJob } from "../../../server/jobs";
import { Refusal } from "../../../server/refusal";
import { JobScreen } from "../../../ui/job/JobScreen";

export const dynamic = "force-dynamic";

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const job = await readJob((await params).id).catch((error: unknown) => {
    if (error instanceof Refusal && error.status === 404) notFound();
    throw error;
  });
  return <JobScreen events={job.events} file={job.file} />;
}
