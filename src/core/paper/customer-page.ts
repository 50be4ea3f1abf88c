import type { Job } from "../journal";
import { watchDays } from "../learn";
import type { Machine } from "../model";
import { plainFault } from "./plain-fault";
import { say } from "#words/core/paper/customer-page";

/** A value of the safety test as it was measured. */
export interface SafetyRow {
  readonly words: string;
  readonly value: string;
  readonly limit: string;
  readonly passed: boolean;
}

/** The safety test after a repair: in a sentence, and in numbers with who made it and with what. */
export interface SafetyResult {
  readonly says: string;
  readonly passed: boolean;
  readonly rows: readonly SafetyRow[];
  readonly tester: { readonly name: string; readonly calibrated: string } | null;
  /** Who measured last, and when, ISO 8601. */
  readonly by: string;
  readonly at: string;
}

/** What whoever owns the machine is told: sentences in plain words, under the questions that they answer. */
export interface CustomerPage {
  readonly wrong: readonly string[];
  readonly done: readonly string[];
  readonly proven: readonly string[];
  readonly watch: readonly string[];
  /** The machine must not be used, and why; null where it may. */
  readonly unsafe: string | null;
  /** In the shop's coin; null where none was said. */
  readonly price: number | null;
  readonly warranty: boolean;
  /** The next date, `2026-12-14`, and what for; null where there is none. */
  readonly next: { readonly on: string; readonly words: string } | null;
  readonly safety: SafetyResult | null;
  /** Photos that were chosen, by hash. */
  readonly photos: readonly { readonly hash: string; readonly caption: string }[];
  /** A word of whoever made the page. */
  readonly words: string;
}

/**
 * The customer's page of a closed job. It says nothing that the journal does not: what was not tested is not said to
 * work, and what failed is said first. `dayAfter` gives the day so many days after a moment, `2026-12-14`.
 */
export function customerPage(machine: Machine, job: Job, dayAfter: (at: string, days: number) => string): CustomerPage {
  const chosen = job.work.customerPage?.body;
  const decided = job.work.decisions.at(-1)?.body;
  const shown = new Set(chosen?.photos);
  return {
    wrong: wrongWith(machine, job),
    done: doneTo(machine, job),
    proven: provenOf(job),
    watch: toWatch(job),
    unsafe: job.called?.unsafe ? say.unsafe(job.called.unsafe.reason, job.called.unsafe.tag) : null,
    price: decided?.approved?.price ?? decided?.price ?? null,
    warranty: decided?.warranty === "in warranty",
    next: nextDate(machine, job, dayAfter),
    safety: safetyOf(job),
    photos: job.work.photos.flatMap(({ body }) =>
      shown.has(body.hash) ? [{ hash: body.hash, caption: body.caption }] : [],
    ),
    words: chosen?.words ?? "",
  };
}

/** A sentence of it: somebody's words with an end. */
const ended = (words: string) => words.trim().replace(/[.\s]+$/, "");

function wrongWith(machine: Machine, { opened, called, work }: Job): string[] {
  const told = opened.complaintWords ? [say.youTold(ended(opened.complaintWords))] : [];
  if (opened.comesAndGoes) told.push(say.comesAndGoes);
  if (!called) return told;
  if (called.excluded)
    return [
      ...told,
      say.nothingFound,
      ...(called.excluded.length > 0 ? [say.ruledOut(called.excluded.join(", "))] : []),
      ...(called.elsewhere && called.elsewhere.length > 0 ? [say.lookElsewhere(called.elsewhere.join(", "))] : []),
    ];
  // What was decided about is what a person took for the cause.
  const decided = work.decisions.findLast((d) => d.body.piece === called.piece)?.body;
  const fault = decided?.fault ?? called.fault;
  const plain = fault === undefined ? null : plainFault(machine, fault);
  return [...told, plain ?? say.weFound(ended(called.cause))];
}

/** What an option of repair is called towards a customer; others are said in the words of the record. */
const DONE: Readonly<Record<string, (name: string) => string>> = {
  replace: say.replaced,
  "maker-board": say.newBoard,
  "third-party-board": say.otherBoard,
  "rebuilt-board": say.rebuiltBoard,
  "donor-board": say.donorBoard,
  "both-boards": () => say.bothBoards,
  clean: say.cleaned,
  reseat: say.reseated,
  pin: say.newContact,
  "make-room": say.roomMade,
  "cut-back": say.mended,
  harness: say.replaced,
  relay: say.mended,
  component: say.mended,
  capacitors: say.mended,
  solder: say.mended,
};

function doneTo(machine: Machine, { called, work }: Job): string[] {
  const decided = work.decisions.findLast((d) => d.body.piece === called?.piece)?.body;
  const name = machine.assemblyById.get(decided?.piece ?? "")?.name ?? called?.pieceName ?? "";
  const done = decided && called && !called.unsafe ? DONE[decided.option] : undefined;
  const lines = called ? [done ? done(name) : `${ended(called.action)}.`] : [];
  for (const { body } of work.modifications) lines.push(say.changed(ended(body.words)));
  for (const { body } of work.madeGood) lines.push(say.madeGood(ended(body.words)));
  return lines.length > 0 ? lines : [say.nothingDone];
}

/** The group of a step of the proof: its name begins with it. */
const groupOf = (step: string) => step.split(" ")[0]!;

function provenOf({ work, called }: Job): string[] {
  const of = (...groups: string[]) =>
    work.proved.filter((p) => groups.includes(groupOf(p.body.step)) && p.body.passed).length;
  const failed = work.proved.filter((p) => !p.body.passed && groupOf(p.body.step) !== "safety");
  const [gone, protects, functions] = [of("complaint", "repair"), of("protects"), of("functions", "loads", "idle")];
  const unproven = called?.proofs.filter((p) => !p.proven).map((p) => p.words) ?? [];
  const lines = [
    ...failed.map((p) => say.failed(ended(p.body.words))),
    ...(gone > 0 && !failed.some((p) => ["complaint", "repair"].includes(groupOf(p.body.step)))
      ? [say.gone(gone)]
      : []),
    ...(protects > 0 ? [say.protects(protects)] : []),
    ...(functions > 0 ? [say.functions(functions)] : []),
    ...(unproven.length > 0 ? [say.notProven(unproven.map(ended).join("; "))] : []),
  ];
  const safety = safetyOf({ work });
  if (work.proved.length === 0) return [...lines, say.provenNothing];
  return [...lines, safety?.says ?? say.notTested];
}

function safetyOf({ work }: Pick<Job, "work">): SafetyResult | null {
  const measured = work.proved.filter((p) => groupOf(p.body.step) === "safety");
  const last = measured.at(-1);
  if (!last) return null;
  const passed = measured.every((p) => p.body.passed);
  return {
    says: passed ? say.safe(measured.length) : say.notSafe,
    passed,
    rows: measured.map(({ body }) => ({
      words: body.words,
      value: withUnit(body.typed, body.limit),
      limit: body.limit,
      passed: body.passed,
    })),
    tester: work.tester ? { name: work.tester.body.name, calibrated: work.tester.body.calibrated } : null,
    by: last.actor,
    at: last.at,
  };
}

/** A value as it was typed, in the unit of its limit where it was typed without one. */
function withUnit(typed: string, limit: string): string {
  return /^[\d.,\s<>]+$/.test(typed) ? `${typed.trim()} ${limit.split(" ").at(-1)!}` : typed;
}

function toWatch({ opened, work, called }: Job): string[] {
  const lines = [
    ...(work.decisions.at(-1)?.body.temporary ? [say.temporary] : []),
    ...(opened.comesAndGoes ? [say.ifItReturns] : []),
    ...(called?.left ? [say.left(called.left.map((l) => ended(l.words)).join("; "))] : []),
  ];
  return lines.length > 0 ? lines : [say.asUsual];
}

function nextDate(
  machine: Machine,
  { opened, called, work }: Job,
  dayAfter: (at: string, days: number) => string,
): CustomerPage["next"] {
  const chosen = work.customerPage?.body;
  const temporary = work.decisions.at(-1)?.body.temporary === true;
  const words = temporary ? say.makeGood : say.weAsk;
  if (chosen) return chosen.next === null ? null : { on: chosen.next, words };
  if (!called || opened.kind !== "repair" || called.excluded) return null;
  const days = watchDays(machine.file, { comesAndGoes: opened.comesAndGoes === true, temporary });
  return { on: dayAfter(called.at, days), words };
}
