import { notFound } from "next/navigation";
import { type Tool, TOOLS } from "../../../core/workbench";
import { readJob } from "../../../server/jobs";
import { changesIn } from "../../../core/journal";
import { machineOf, newestMachine } from "../../../server/machine-store";
import { Refusal } from "../../../server/refusal";
import { ToolScreen } from "../../../ui/tools/ToolScreen";

export const dynamic = "force-dynamic";

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const [{ id }, asked] = await Promise.all([params, searchParams]);
  const tool = TOOLS.find((t) => t.id === id);
  if (!tool) notFound();
  const typed = Object.fromEntries(
    tool.fields.flatMap(({ key }) => {
      const v = asked[key];
      return typeof v === "string" ? [[key, v.slice(0, 4000)]] : [];
    }),
  );
  const [job, part, machine] = [asked.job, asked.part, asked.machine];
  const filled =
    typeof machine === "string" && tool.fillMachine
      ? await filledBy(tool, machine, typeof asked.setup === "string" ? asked.setup : null)
      : {};
  return (
    <ToolScreen
      id={id}
      typed={{ ...filled, ...typed }}
      inJob={typeof job === "string" && typeof part === "string" ? await partOf(job, part) : null}
    />
  );
}

/** What a machine of the library fills in; an unknown machine or setup is no place. */
async function filledBy(tool: Tool, id: string, setup: string | null) {
  const { machine } = await newestMachine(id).catch((error: unknown) => {
    if (error instanceof Refusal && error.status === 404) notFound();
    throw error;
  });
  const chosen = setup ?? machine.file.setups.find((s) => s.power === "on")?.id ?? "";
  if (!machine.setupById.has(chosen)) notFound();
  return tool.fillMachine!(machine, chosen);
}

/** The part under test with its machine as the job has it; an unknown job or part is no place. */
async function partOf(job: string, part: string) {
  const { events, hash } = await readJob(job).catch((error: unknown) => {
    if (error instanceof Refusal && error.status === 404) notFound();
    throw error;
  });
  const changes = changesIn(events);
  const { file, machine } = await machineOf(hash, changes);
  if (!machine.partById.has(part)) notFound();
  return { job, part, file, hash, changes, actor: events[0]!.actor };
}
