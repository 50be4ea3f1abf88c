import { jobOn } from "../core/journal";
import { takeAlong } from "../core/visit";
import type { BeforeDriving } from "../contract/visit";
import { adviceOn } from "./isolation";
import { readJob } from "./jobs";
import { Refusal } from "./refusal";
import { say } from "#words/server";

/** Suspects shown. */
const SHOWN = 5;

/**
 * What is asked on the phone before one drives to a unit, what that makes likely, and what to take along. Throws a
 * `Refusal` for a job that is closed or holds what a later program wrote.
 */
export async function beforeDriving(id: string): Promise<BeforeDriving> {
  const { events, raw, file, machine } = await readJob(id);
  if (raw.length > 0 || events[0]?.body.type !== "opened") throw new Refusal(409, say.thisJobHoldsAnEntry);
  const job = jobOn(machine, events);
  if (job.called || job.dropped) throw new Refusal(409, say.thisJobIsOver);
  const { setup, openPanels } = job;
  const told = await adviceOn(id, { setup, openPanels: [...openPanels], wait: true }, "wide");
  const answered = job.answers.flatMap(({ body }) => (body.type === "answered" && body.first !== "*" ? [body] : []));
  const suspects = told?.answers.advice.suspects ?? [];
  return {
    job: id,
    site: job.opened.site,
    machine: `${file.maker} ${file.model}`,
    complaint: job.opened.complaintWords ?? null,
    visitAt: job.work.visit?.body.at ?? null,
    questions: (told?.answers.simpleCauses ?? [])
      .filter(({ first }) => !answered.some((a) => a.first === first.id))
      .map(({ first, odds }) => ({ id: first.id, ask: first.ask, cause: first.cause, then: first.then, odds })),
    answered: answered.map((a) => a.words),
    suspects: suspects.slice(0, SHOWN).map(({ name, probability }) => ({ name, probability })),
    take: takeAlong(
      machine,
      suspects.flatMap((s) => s.faults.map(({ id: fault, probability }) => ({ id: fault, probability }))),
    ),
  };
}
