import { notFound } from "next/navigation";
import { changesIn } from "../../../core/journal";
import { readJob } from "../../../server/jobs";
import { machineOf } from "../../../server/machine-store";
import { Refusal } from "../../../server/refusal";
import { SleepScreen } from "../../../ui/sleep/SleepScreen";

export const dynamic = "force-dynamic";

export default async function Page({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { job, from = job } = await searchParams;
  return <SleepScreen inJob={typeof from === "string" ? await jobWithSleep(from) : null} />;
}

/** The job one came from, with its machine; an unknown job is no place. */
async function jobWithSleep(job: string) {
  const { events, hash } = await readJob(job).catch((error: unknown) => {
    if (error instanceof Refusal && error.status === 404) notFound();
    throw error;
  });
  const changes = changesIn(events);
  const { file } = await machineOf(hash, changes);
  return { job, file, hash, changes, actor: events[0]!.actor };
}
