import { notFound } from "next/navigation";
import { readJob } from "../../../server/jobs";
import { timesOn } from "../../../server/learned-times";
import { Refusal } from "../../../server/refusal";
import { unitRecord } from "../../../server/units";
import { JobScreen } from "../../../ui/job/JobScreen";
import { UnreadableJob } from "../../../ui/job/UnreadableJob";

export const dynamic = "force-dynamic";

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ view?: string; shown?: string }>;
}) {
  const job = await readJob((await params).id).catch((error: unknown) => {
    if (error instanceof Refusal && error.status === 404) notFound();
    throw error;
  });
  const { view, shown } = await searchParams;
  if (job.raw.length > 0) return <UnreadableJob id={job.id} raw={job.raw} known={job.events.length} />;
  const [unit, times] = await Promise.all([unitRecord(job.unit), timesOn(job.file.id)]);
  return (
    <JobScreen
      unit={unit}
      events={job.events}
      file={job.file}
      hash={job.hash}
      times={times}
      start={{ view: view ?? "", shown: shown ?? "" }}
    />
  );
}
