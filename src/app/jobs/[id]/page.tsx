import { cookies } from "next/headers";
import { notFound } from "next/navigation";
import { Suspense } from "react";
import { readJob } from "../../../server/jobs";
import { timesOn } from "../../../server/learned-times";
import { machineOf } from "../../../server/machine-store";
import { isStored } from "../../../server/dictionaries";
import { engineHash } from "../../../server/engine";
import { firstAnswers } from "../../../server/isolation";
import { Refusal } from "../../../server/refusal";
import { keepToCome } from "../../../server/to-come";
import { unitOfJob, unitRecord } from "../../../server/units";
import { EQUIPMENT_COOKIE, equipmentOf } from "../../../contract/equipment";
import { changesIn, jobOn } from "../../../core/journal";
import type { Times } from "../../../core/diagnose";
import { questionOf } from "../../../ui/job/job-question";
import { JobScreen } from "../../../ui/job/JobScreen";
import { UnreadableJob } from "../../../ui/job/UnreadableJob";
import { Loading } from "../../../ui/shell/Loading";
import { say } from "#words/app/jobs/id";

export const dynamic = "force-dynamic";

type Start = { readonly shown: string };

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ shown?: string }>;
}) {
  const { id } = await params;
  // Whether there is such a job is known before anything is sent: what is not there says so with the right status.
  const unit = await unitOfJob(id).catch((error: unknown) => {
    if (error instanceof Refusal && error.status === 404) notFound();
    throw error;
  });
  const { shown = "" } = await searchParams;
  return (
    <Suspense fallback={<Loading words={say.readingTheJournal} />}>
      <Journal id={id} unit={unit} start={{ shown }} />
    </Suspense>
  );
}

/** What the screen asks first, answered where the server can answer at once. */
async function firstOf(job: Awaited<ReturnType<typeof readJob>>, equipment: string, times: Times) {
  const changes = changesIn(job.events);
  const { machine } = await machineOf(job.hash, changes, undefined, job.odds);
  const question = questionOf(machine, jobOn(machine, job.events), equipmentOf(equipment), times);
  const first = await firstAnswers({ hash: job.hash, changes, file: machine.file, odds: job.odds }, question);
  if (first) keepToCome(job.id, first.answers.advice.toCome);
  return first && { key: question.key, ...first };
}

/**
 * The job as soon as its journal is read. What stays with its unit hangs on the journals of other jobs: it comes when
 * it is there.
 */
async function Journal({ id, unit, start }: { id: string; unit: string; start: Start }) {
  const record = unitRecord(unit);
  // Whoever looks at it meets what went wrong; nobody does while the job itself cannot be read.
  record.catch(() => undefined);
  const job = await readJob(id);
  if (job.raw.length > 0) return <UnreadableJob id={job.id} raw={job.raw} known={job.events.length} />;
  const times = await timesOn(job.file.id);
  const equipment = (await cookies()).get(EQUIPMENT_COOKIE)?.value ?? "";
  return (
    <JobScreen
      unit={unit}
      record={record}
      events={job.events}
      file={job.file}
      hash={job.hash}
      odds={job.odds ?? null}
      engine={(await isStored(job.hash)) ? engineHash() : null}
      times={times}
      start={{ ...start, equipment, first: await firstOf(job, equipment, times) }}
    />
  );
}
