import { notFound } from "next/navigation";
import { jobOn, unseenIn } from "../../../../core/journal";
import { readJob } from "../../../../server/jobs";
import { Refusal } from "../../../../server/refusal";
import { UnreadableJob } from "../../../../ui/job/UnreadableJob";
import { RecordSheet } from "../../../../ui/record/RecordSheet";
import { unseenWords } from "../../../../ui/job/unseen-words";

export const dynamic = "force-dynamic";

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { events, raw, id, file, machine } = await readJob((await params).id).catch((error: unknown) => {
    if (error instanceof Refusal && error.status === 404) notFound();
    throw error;
  });
  // Without an opening that can be read there is no record, only what was stored.
  if (events[0]?.body.type !== "opened") return <UnreadableJob id={id} raw={raw} known={0} />;
  const stale = Object.fromEntries([...unseenIn(events)].map(([id, missed]) => [id, unseenWords(missed)]));
  return <RecordSheet job={jobOn(machine, events)} file={file} stale={stale} />;
}
