import { notFound } from "next/navigation";
import { applyChanges } from "../../../../core/machine/variant";
import { readJob } from "../../../../server/jobs";
import { standingChanges } from "../../../../server/journal";
import { Refusal } from "../../../../server/refusal";
import { RepairScreen } from "../../../../ui/repair/RepairScreen";

export const dynamic = "force-dynamic";

export default async function Page({ params, searchParams }: { params: Promise<{ id: string }>; searchParams: Promise<{ piece?: string; fault?: string }> }) {
  const [{ id }, { piece, fault }] = await Promise.all([params, searchParams]);
  const { events, file } = await readJob(id).catch((error: unknown) => {
    if (error instanceof Refusal && error.status === 404) notFound();
    throw error;
  });
  const called = events.find((e) => e.body.type === "called")?.body;
  const opened = events[0]!.body;
  const variant = applyChanges(file, standingChanges(events));
  const chosen = piece ?? (called?.type === "called" ? called.piece : variant.pieces[0]!.id);
  if (!variant.pieces.some((p) => p.id === chosen)) notFound();
  return <RepairScreen key={chosen} job={id} site={opened.type === "opened" ? opened.site : ""} file={variant} piece={chosen} fault={fault ?? null} />;
}
