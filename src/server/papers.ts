import { failureSort, withInnerShorts } from "../core/model";
import { changesIn, jobOn, type Job } from "../core/journal";
import { learnedHolds } from "../core/learn";
import { customerPage, plainFault } from "../core/paper";
import { optionsFor, priceOf, USUAL_RATES, USUAL_WORTH, weighOptions } from "../core/repair";
import type { CustomerPaper, PaperHead, QuotedOption, QuotePaper } from "../contract/paper";
import { oddsBy } from "./kept-odds";
import { readJob } from "./jobs";
import { machineOf } from "./machine-store";
import { Refusal } from "./refusal";
import { shopLetterhead, shopRates } from "./shop";
import { say } from "#words/server";

/** A day by the clock of the shop, so many days after a moment. */
export function dayAfter(at: string, days: number): string {
  const day = new Date(Date.parse(at));
  day.setDate(day.getDate() + days);
  return `${day.getFullYear()}-${String(day.getMonth() + 1).padStart(2, "0")}-${String(day.getDate()).padStart(2, "0")}`;
}

async function readable(id: string) {
  const read = await readJob(id);
  if (read.raw.length > 0 || read.events[0]?.body.type !== "opened") throw new Refusal(409, say.thisJobHoldsAnEntry);
  return { ...read, job: jobOn(read.machine, read.events) };
}

async function headOf(job: Job, file: { maker: string; model: string; name: string }): Promise<PaperHead> {
  return {
    job: job.id,
    letterhead: await shopLetterhead(),
    site: job.opened.site,
    machine: `${file.maker} ${file.model}, ${file.name}`,
    serial: job.opened.serial,
    at: job.called?.at ?? job.opened.at,
    by: job.called?.actor ?? job.opened.actor,
  };
}

/** The customer's page of a job, and the record behind it. Throws a `Refusal` while the job is open. */
export async function customerPaper(id: string): Promise<CustomerPaper & { readonly kept: Job["work"]["photos"] }> {
  const { job, file, machine } = await readable(id);
  if (!job.called) throw new Refusal(409, say.thePageIsMadeWhen);
  return {
    head: await headOf(job, file),
    page: customerPage(machine, job, dayAfter),
    record: job.readings
      .filter((r) => r.struck === null)
      .map(({ at, body: { as } }) => ({
        at,
        test: `${as.title}, ${as.setup}`,
        shown: as.shown,
        expected: as.expected,
        verdict: as.verdict,
      })),
    kept: job.work.photos,
  };
}

/**
 * What can be offered for a cause of a job, by what it costs on average: nothing licensed is left out, giving up is.
 * Throws a `Refusal` for a cause that the machine has not.
 */
export async function quotePaper(id: string, piece: string, asked: string | null): Promise<QuotePaper> {
  const { job, file, events, hash, odds } = await readable(id);
  const { machine: drawn } = await machineOf(hash, changesIn(events), undefined, odds);
  const last = job.work.decisions.findLast((d) => d.body.piece === piece)?.body.fault ?? job.work.quoted?.body.fault;
  const fault = asked ?? last ?? null;
  const [part = "", mode = ""] = (fault ?? "").split(":");
  const machine = drawn.partById.has(part) ? drawn : withInnerShorts(drawn);
  const known = machine.partById.get(part) ?? machine.parts.find((p) => p.assembly === piece);
  if (!known || !machine.assemblyById.has(piece)) throw new Refusal(404, say.thereIsNoSuchPart);
  const failed = known.modes.find((m) => m.id === mode) ?? known.modes[0];
  if (!failed) throw new Refusal(404, say.thereIsNoSuchPart);
  const rates = await shopRates();
  const reckoned = {
    ...USUAL_RATES,
    ...(rates ? { perMinute: rates.hour / 60, comeBack: rates.callback } : {}),
  };
  const holds = (await oddsBy(odds))?.holds ?? [];
  const options = learnedHolds(
    optionsFor(machine, { part: known.id, mode: failed.id }),
    holds,
    failureSort(known, failed.id),
  );
  const offered = (option: (typeof options)[number]): QuotedOption => ({
    option: option.id,
    words: option.words,
    price: Math.round(priceOf(option, reckoned)),
    holds: option.holds,
    days: option.leadDays,
    means: option.school,
  });
  const given = job.work.quoted;
  return {
    head: { ...(await headOf(job, file)), at: given?.at ?? job.opened.at },
    wrong: plainFault(machine, `${known.id}:${failed.id}`) ?? known.name,
    piece,
    fault: `${known.id}:${failed.id}`,
    options: weighOptions(options, reckoned, USUAL_WORTH)
      .filter(({ option }) => option.id !== "give-up")
      .map(({ option }) => offered(option)),
    given:
      given?.body.piece === piece
        ? {
            options: given.body.options.map((o) => ({
              ...o,
              means: options.find((k) => k.id === o.option)?.school ?? "",
            })),
            until: given.body.until,
            at: given.at,
          }
        : null,
  };
}
