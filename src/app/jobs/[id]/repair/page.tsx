import { notFound, redirect } from "next/navigation";
import { readJob } from "../../../../server/jobs";
import { changesIn, type JournalEvent, WHOLE_UNIT } from "../../../../core/journal";
import { oddsBy } from "../../../../server/kept-odds";
import { machineOf, shelfKey } from "../../../../server/machine-store";
import { Refusal } from "../../../../server/refusal";
import { UnreadableJob } from "../../../../ui/job/UnreadableJob";
import { RepairScreen } from "../../../../ui/repair/RepairScreen";
import { shopRates } from "../../../../server/shop";
import type { Machine } from "../../../../core/model";
import { jobOn } from "../../../../core/journal";
import { adviceOn } from "../../../../server/isolation";

export const dynamic = "force-dynamic";

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ assembly?: string; fault?: string; step?: string }>;
}) {
  const [{ id }, { assembly, fault, step }] = await Promise.all([params, searchParams]);
  const { events, raw, unit, file, hash, odds } = await readJob(id).catch((error: unknown) => {
    if (error instanceof Refusal && error.status === 404) notFound();
    throw error;
  });
  if (raw.length > 0) return <UnreadableJob id={id} raw={raw} known={events.length} />;
  const { machine } = await machineOf(hash, changesIn(events), undefined, odds);
  const opened = events[0]?.body;
  const isWhole = opened?.type === "opened" && opened.kind !== "repair";
  const chosen = isWhole ? WHOLE_UNIT : await assemblyOf(id, machine, events, assembly);
  // Nothing to repair is known: the search goes on.
  if (chosen === null) redirect(`/jobs/${id}`);
  // One that was taken out for good is still known to the file.
  if (!isWhole && !file.pieces.some((p) => p.id === chosen) && !machine.assemblyById.has(chosen)) notFound();
  return (
    <RepairScreen
      key={chosen}
      events={events}
      unit={unit}
      file={file}
      hash={shelfKey(hash, odds)}
      holds={(await oddsBy(odds))?.holds ?? []}
      assembly={chosen}
      fault={fault ?? null}
      step={step ?? ""}
      rates={await shopRates()}
    />
  );
}

/** The assembly that is asked for, decided on or called, or else the likeliest; null where nothing is known. */
async function assemblyOf(
  id: string,
  machine: Machine,
  events: readonly JournalEvent[],
  asked: string | undefined,
): Promise<string | null> {
  return asked ?? assemblyIn(events) ?? leadingAssembly(id, machine, events);
}

/** The assembly decided on last, else the one called first. */
function assemblyIn(events: readonly JournalEvent[]): string | undefined {
  const decided = events.findLast((e) => e.body.type === "decided")?.body;
  if (decided?.type === "decided") return decided.piece;
  const called = events.find((e) => e.body.type === "called")?.body;
  return called?.type === "called" ? called.piece : undefined;
}

/** The assembly that is most likely at fault, as the server knows it; null where it is none that can be repaired. */
async function leadingAssembly(id: string, machine: Machine, events: readonly JournalEvent[]): Promise<string | null> {
  const { setup, openPanels } = jobOn(machine, events);
  const known = await adviceOn(id, { setup, openPanels: [...openPanels], wait: true }, "wide");
  return known?.answers.advice.suspects.find((s) => machine.assemblyById.has(s.assembly))?.assembly ?? null;
}
