import type { Advice } from "../diagnose";
import type { Job } from "../journal";
import type { Failures, Machine } from "../model";
import { inSentence } from "../quantity";
import { say } from "#words/core/repair/no-fault-found";

/** What a job without a fault found has to say for itself. */
export interface NoFaultFound {
  readonly tested: readonly string[];
  readonly excluded: readonly string[];
  readonly elsewhere: readonly string[];
}

/** Faults that come and go hide from a test on a good day. */
const HIDING: Readonly<Record<NonNullable<Failures<unknown>["provokedBy"]>, string>> = {
  moving: say.contactsMovedAndWarmedWhile,
  cycling: say.relaysManyCyclesWarm,
  warming: say.cutOffsThatSetThemselves,
  "starting warm": say.theStartOfTheCompressor,
};

/** No fault found as a full outcome: what was tested, what that excludes, where else to look. */
export function noFaultFound(machine: Machine, job: Job, advice: Pick<Advice, "cleared" | "suspects">): NoFaultFound {
  const readings = job.readings.filter((r) => r.struck === null);
  const elsewhere: string[] = [];
  const left = advice.suspects
    .filter(
      (s) =>
        s.assembly !== "no-fault" &&
        s.assembly !== "something-else" &&
        s.assembly !== "not-as-drawn" &&
        s.probability >= 0.01,
    )
    .slice(0, 4);
  if (left.length > 0) elsewhere.push(say.leastExcludedLeft(left.map((s) => inSentence(s.name)).join(", ")));
  const asked = new Set(
    job.answers.flatMap(({ body }) => (body.type === "answered" && body.answer !== "skip" ? [body.first] : [])),
  );
  const open = machine.file.firsts
    .filter(
      (f) =>
        !asked.has(f.id) &&
        (f.complaints.length === 0 ||
          job.opened.complaint === undefined ||
          f.complaints.includes(job.opened.complaint)),
    )
    .slice(0, 4);
  for (const f of open) elsewhere.push(say.notAskedAsk(f.ask));
  for (const [way, words] of Object.entries(HIDING))
    if (machine.parts.some((p) => p.kind.failures.provokedBy === way)) elsewhere.push(say.comesAndGoesTry(words));
  if (!job.answers.some(({ body }) => body.type === "surroundings")) elsewhere.push(say.roomTemperatureAndLineVoltage);
  elsewhere.push(say.howItIsUsedAnd);
  return {
    tested: readings.map(
      (r) =>
        `${r.body.as.title}: ${r.body.as.shown}, ${r.body.as.verdict === "fits" ? say.asItShouldBe : say.notAsItShouldBe}`,
    ),
    excluded: advice.cleared.map((c) => c.name),
    elsewhere,
  };
}
