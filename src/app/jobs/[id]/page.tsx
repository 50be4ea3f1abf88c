import { notFound } from "next/navigation";
import { readJob, timesOn } from "../../../server/jobs";
import { Refusal } from "../../../server/refusal";
import { unitOfJob, unitRecord } from "../../../server/units";
import { JobScreen } from "../../../ui/job/JobScreen";

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
  const unit = await unitRecord(await unitOfJob((await params).id));
  return (
    <JobScreen
      unit={unit}
      events={job.events}
      file={job.file}
      times={await timesOn(job.machine)}
      start={{ view: view ?? "", shown: shown ?? "" }}
    />
  );
}
