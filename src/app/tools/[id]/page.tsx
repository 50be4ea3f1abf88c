import { notFound } from "next/navigation";
import { compileMachine } from "../../../core/machine/compile";
import { applyChanges } from "../../../core/machine/variant";
import { TOOLS } from "../../../core/workbench/tools";
import { readJob } from "../../../server/jobs";
import { standingChanges } from "../../../server/journal";
import { Refusal } from "../../../server/refusal";
import { ToolScreen } from "../../../ui/tools/ToolScreen";

export const dynamic = "force-dynamic";

export default async function Page({ params, searchParams }: { params: Promise<{ id: string }>; searchParams: Promise<Record<string, string | string[] | undefined>> }) {
  const [{ id }, asked] = await Promise.all([params, searchParams]);
  const tool = TOOLS.find((t) => t.id === id);
  if (!tool) notFound();
  const typed = Object.fromEntries(tool.fields.flatMap(({ key }) => { const v = asked[key]; return typeof v === "string" ? [[key, v.slice(0, 4000)]] : []; }));
  const [job, part] = [asked.job, asked.part];
  return <ToolScreen id={id} typed={typed} inJob={typeof job === "string" && typeof part === "string" ? await partOf(job, part) : null} />;
}

/** The part under test with its machine as the job has it; an unknown job or part is no place. */
async function partOf(job: string, part: string) {
  const { events, file } = await readJob(job).catch((error: unknown) => {
    if (error instanceof Refusal && error.status === 404) notFound();
    throw error;
  });
  const variant = applyChanges(file, standingChanges(events));
  if (!compileMachine(variant).partById.has(part)) notFound();
  return { job, part, file: variant, actor: events[0]!.actor };
}
