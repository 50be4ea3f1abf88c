import { asc, eq } from "drizzle-orm";
import { readingsOverYears } from "../core/history";
import type { Held } from "../core/learn";
import { jobOn } from "../core/journal";
import type { UnitLife } from "../contract/units";
import { database } from "./db";
import { journalsOf } from "./journals";
import { machineByHash } from "./machine-store";
import { jobs, outcomes } from "./schema";

/** What a unit was through: what was read of it over the years, what was done, its photos. */
export async function unitLife(unit: string): Promise<UnitLife> {
  const rows = await database()
    .select({ id: jobs.id, hash: jobs.machineHash })
    .from(jobs)
    .where(eq(jobs.unit, unit))
    .orderBy(asc(jobs.openedAt), asc(jobs.id));
  const known = await database()
    .select({ job: outcomes.job, held: outcomes.held })
    .from(outcomes)
    .where(eq(outcomes.unit, unit));
  const held = new Map(known.map((k) => [k.job, k.held as Held["kind"]]));
  const journals = await journalsOf(rows.map((r) => r.id));
  const readable = rows.filter((r) => journals.get(r.id)!.events[0]?.body.type === "opened");
  const folded = [];
  for (const row of readable) folded.push(jobOn((await machineByHash(row.hash)).machine, journals.get(row.id)!.events));
  return {
    places: readingsOverYears(
      readable.map((r) => journals.get(r.id)!.events),
      Date.parse,
    ),
    repairs: folded.flatMap((job) => {
      const decided = job.work.decisions.at(-1);
      if (!job.called || !decided) return [];
      const { at, pieceName: piece } = job.called;
      return [{ job: job.id, at, piece, words: decided.body.words, held: held.get(job.id) ?? null }];
    }),
    photos: folded
      .flatMap((job) =>
        job.work.photos.map(({ at, body }) => ({ job: job.id, at, hash: body.hash, caption: body.caption })),
      )
      .reverse(),
  };
}
