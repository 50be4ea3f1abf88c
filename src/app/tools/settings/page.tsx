import { notFound } from "next/navigation";
import { readJob } from "../../../server/jobs";
import { listMachines } from "../../../server/library";
import { newestMachine } from "../../../server/machine-store";
import { Refusal } from "../../../server/refusal";
import { SettingsScreen } from "../../../ui/settings/SettingsScreen";

export const dynamic = "force-dynamic";

export default async function Page({ searchParams }: { searchParams: Promise<{ machine?: string; job?: string }> }) {
  const rows = (await listMachines()).map((m) => ({ id: m.id, name: `${m.maker} ${m.model}, ${m.name}` }));
  const shown = await settingsOf(await searchParams, rows[0]?.id ?? "").catch((error: unknown) => {
    if (error instanceof Refusal && error.status === 404) notFound();
    throw error;
  });
  return <SettingsScreen key={shown.machine} machines={rows} {...shown} />;
}

/** The settings of a machine, or of the unit of a job with what its journal holds of them. */
async function settingsOf(asked: { readonly machine?: string; readonly job?: string }, first: string) {
  if (!asked.job) {
    const { machine } = await newestMachine(asked.machine ?? first);
    return { machine: machine.file.id, settings: machine.file.settings, job: null };
  }
  const { events, file } = await readJob(asked.job);
  const noted = events.flatMap((e) =>
    e.body.type === "setting" ? [{ setting: e.body.setting, value: e.body.value, moment: e.body.moment }] : [],
  );
  return { machine: file.id, settings: file.settings, job: { id: asked.job, actor: events[0]!.actor, noted } };
}
