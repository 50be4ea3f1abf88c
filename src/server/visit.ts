import type { Answers, Gear } from "../core/diagnose";
import { jobOn } from "../core/journal";
import type { Fault, Machine } from "../core/model";
import { log } from "../log";
import { proofGear } from "../core/repair";
import { type TakeAlong, takeAlong } from "../core/visit";
import type { BeforeDriving } from "../contract/visit";
import { adviceOn, supposedProof } from "./isolation";
import { readJob } from "./jobs";
import { Refusal } from "./refusal";
import { say } from "#words/server";

/** Suspects shown. */
const SHOWN = 5;
/** Repairs whose proofs are worked out, the likeliest: each takes up to a second of a thread. */
const PROVEN = 6;

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
    take: takenAlong(id, machine, suspects),
  };
}

/** What to take along, with what the proof of the likeliest repairs takes. */
async function takenAlong(id: string, machine: Machine, suspects: Answers["advice"]["suspects"]): Promise<TakeAlong> {
  const gear = new Map<string, readonly Gear[]>();
  for (const { assembly, faults } of suspects.slice(0, PROVEN)) {
    const fault = faults.map((f) => faultNamed(machine, f.id)).find((f) => f !== null);
    if (!fault) continue;
    try {
      gear.set(assembly, proofGear(machine, await supposedProof(id, fault, assembly)));
    } catch (error) {
      // The list without it is better than none.
      log().warn({ err: error, job: id, assembly }, "What a proof takes could not be worked out");
    }
  }
  const causes = suspects.flatMap((s) => s.faults.map((f) => ({ id: f.id, probability: f.probability })));
  return takeAlong(machine, causes, (assembly) => gear.get(assembly) ?? []);
}

function faultNamed(machine: Machine, id: string): Fault | null {
  const [part = "", mode = ""] = id.split(":");
  return machine.partById.get(part)?.modes.some((m) => m.id === mode) ? { part, mode } : null;
}
