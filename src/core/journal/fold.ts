import type { Standing } from "../diagnose/planning/cost";
import type { Evidence } from "../diagnose/evidence/evidence";
import type { Judged } from "../diagnose/advice/proofs";
import { makeTest, type Test } from "../simulate/test";
import type { EventBody, JournalEvent } from "./events";

type Body<T extends EventBody["type"]> = Extract<EventBody, { type: T }>;

/** What is known without a meter. */
export type Answer =
  | Body<"answered">
  | Body<"compared">
  | Body<"noticed">
  | Body<"tried">
  | Body<"timed">
  | Body<"alone">
  | Body<"setting">
  | Body<"surroundings">;

/** A reading in the trail, and whether it was struck out. */
export interface TrailReading {
  readonly id: string;
  readonly seq: number;
  readonly at: string;
  readonly actor: string;
  readonly body: Body<"reading">;
  readonly struck: { readonly at: string; readonly actor: string; readonly reason: string } | null;
}

/** One event of the work after the search, as the job keeps it. */
export interface Done<T extends EventBody["type"]> {
  readonly id: string;
  readonly at: string;
  readonly actor: string;
  readonly body: Body<T>;
}

/** What was decided, done, changed and proven. */
export interface Work {
  readonly decisions: readonly Done<"decided">[];
  /** Stages that are done, by plan. */
  readonly stages: Readonly<Record<string, readonly string[]>>;
  readonly matches: readonly Done<"matched">[];
  /** Photos in the order in which they were first kept, each with its last marks. */
  readonly photos: readonly Done<"photo">[];
  /** What was changed for the while and is not put back. */
  readonly changed: readonly Done<"changed">[];
  /** The last result of each step of the proof run since the last repair, in order. */
  readonly proved: readonly Done<"proved">[];
  /** What is waited for. */
  readonly waits: readonly Done<"waiting">[];
  readonly modifications: readonly Done<"modified">[];
  readonly madeGood: readonly Done<"made good">[];
}

/** A job as its journal tells it; the same on server and in the browser. */
export interface Job {
  readonly id: string;
  readonly opened: Body<"opened"> & { readonly at: string; readonly actor: string };
  readonly readings: readonly TrailReading[];
  /** What was found on the unit that its file has not, in order; struck-out ones are left out. */
  readonly changes: readonly {
    readonly id: string;
    readonly at: string;
    readonly actor: string;
    readonly body: Body<"varied">;
  }[];
  /** Simple causes asked for, what works beside what does not, signs, parts tested by themselves, settings, repairs tried; struck-out ones are left out. */
  readonly answers: readonly {
    readonly id: string;
    readonly at: string;
    readonly actor: string;
    readonly seq: number;
    readonly body: Answer;
  }[];
  /** How the unit stood, one setup after another; ISO 8601. */
  readonly stays: readonly { readonly setup: string; readonly at: string }[];
  readonly notes: readonly { readonly at: string; readonly actor: string; readonly text: string }[];
  readonly work: Work;
  /** What was put back since the unit last was brought to stand as it does, by item. */
  readonly restored: readonly string[];
  /** Whether the safety notice has been read on this job. */
  readonly warned: boolean;
  readonly setup: string;
  readonly openPanels: readonly string[];
  readonly called: (Body<"called"> & { readonly at: string; readonly actor: string }) | null;
  /** Events that came after the call: kept, shown, and without effect on it. */
  readonly addenda: readonly JournalEvent[];
  readonly lastSeq: number;
}

/** Thrown for a journal that does not begin with its opening. */
export class BrokenJournal extends Error {}

/**
 * Folds events, in order of `seq`, into a job. `panelsOf` says which covers a test needs open, `setupOf` how the unit
 * stands when a complaint is made. Throws `BrokenJournal`.
 */
export function foldJournal(
  events: readonly JournalEvent[],
  panelsOf: (test: Test) => readonly string[],
  setupOf: (complaint: string | undefined) => string,
): Job {
  const sorted = [...events].sort((a, b) => a.seq - b.seq);
  const first = sorted[0];
  if (!first || first.body.type !== "opened")
    throw new BrokenJournal("This journal does not begin with the opening of the job.");
  const readings: TrailReading[] = [];
  const changes: Job["changes"][number][] = [];
  const answers: Job["answers"][number][] = [];
  const notes: Job["notes"][number][] = [];
  const openPanels = new Set<string>();
  const restored = new Set<string>();
  const work = new WorkFold();
  const addenda: JournalEvent[] = [];
  let warned = false;
  let setup = setupOf(first.body.complaint);
  let called: Job["called"] = null;
  const stays = [{ setup, at: first.at }];
  const stand = (next: string, at: string) => {
    if (stays[stays.length - 1]!.setup !== next) stays.push({ setup: next, at });
    setup = next;
    restored.clear();
  };

  for (const event of sorted.slice(1)) {
    const { body, at, actor } = event;
    if (called) {
      addenda.push(event);
      continue;
    }
    work.take(event);
    switch (body.type) {
      case "opened":
        throw new BrokenJournal("This journal opens the job twice.");
      case "warned":
        warned = true;
        break;
      case "standing":
        stand(body.setup, at);
        if (body.panel) openPanels.add(body.panel);
        break;
      case "reading":
        readings.push({ id: event.id, seq: event.seq, at, actor, body, struck: null });
        stand(body.test.setup, at);
        for (const panel of panelsOf(plainTest(body.test))) openPanels.add(panel);
        break;
      case "struck": {
        const index = readings.findIndex((r) => r.id === body.event);
        const change = changes.findIndex((c) => c.id === body.event);
        const answer = answers.findIndex((a) => a.id === body.event);
        if (change >= 0) changes.splice(change, 1);
        if (answer >= 0) answers.splice(answer, 1);
        if (index >= 0 && !readings[index]!.struck)
          readings[index] = { ...readings[index]!, struck: { at, actor, reason: body.reason } };
        break;
      }
      case "varied":
        changes.push({ id: event.id, at, actor, body });
        break;
      // From here on the unit is another machine, as with what was found on it.
      case "modified":
        body.changes.forEach((change, i) =>
          changes.push({ id: `${event.id}#${i}`, at, actor, body: { type: "varied", change, words: body.words } }),
        );
        break;
      case "restored":
        restored.add(body.item);
        for (const panel of openPanels) if (body.item === `cover ${panel}`) openPanels.delete(panel);
        break;
      case "answered":
      case "compared":
      case "noticed":
      case "tried":
      case "timed":
      case "alone":
      case "setting":
      case "surroundings":
        answers.push({ id: event.id, seq: event.seq, at, actor, body });
        break;
      case "note":
        notes.push({ at, actor, text: body.text });
        break;
      case "called":
        called = { ...body, at, actor };
        break;
    }
  }
  return {
    id: first.job,
    opened: { ...first.body, at: first.at, actor: first.actor },
    readings,
    changes,
    answers,
    stays,
    notes,
    work: work.now(),
    restored: [...restored],
    warned,
    setup,
    openPanels: [...openPanels],
    called,
    addenda,
    lastSeq: sorted[sorted.length - 1]!.seq,
  };
}

/** Gathers the work of a job event by event. */
class WorkFold {
  private readonly kept: JournalEvent[] = [];

  take(event: JournalEvent): void {
    this.kept.push(event);
  }

  now(): Work {
    const of = <T extends EventBody["type"]>(type: T, from = 0) =>
      this.kept
        .slice(from)
        .filter((e) => e.body.type === type)
        .map(({ id, at, actor, body }): Done<T> => ({ id, at, actor, body: body as Body<T> }));
    const stages = new Map<string, Set<string>>();
    for (const { body } of of("staged")) {
      const done = stages.get(body.plan) ?? new Set<string>();
      stages.set(body.plan, done);
      if (body.done) done.add(body.stage);
      else done.delete(body.stage);
    }
    const photos = new Map<string, Done<"photo">>();
    for (const photo of of("photo")) photos.set(photo.body.hash, photo);
    const changed = new Map<string, Done<"changed">>();
    const waits = new Map<string, Done<"waiting">>();
    for (const { id, at, actor, body } of this.kept) {
      if (body.type === "changed") changed.set(body.item, { id, at, actor, body });
      if (body.type === "restored") changed.delete(body.item);
      if (body.type === "waiting") waits.set(body.wait, { id, at, actor, body });
      if (body.type === "waited") waits.delete(body.wait);
    }
    // What was proven before a repair that did not help says nothing of the machine that is repaired once more.
    const repaired = this.kept.findLastIndex(
      (e) => (e.body.type === "tried" && e.body.result === "stays") || e.body.type === "modified",
    );
    const proved = new Map<string, Done<"proved">>();
    for (const step of of("proved", repaired + 1)) {
      proved.delete(step.body.step);
      proved.set(step.body.step, step);
    }
    return {
      decisions: of("decided"),
      stages: Object.fromEntries([...stages].map(([plan, done]) => [plan, [...done]])),
      matches: of("matched"),
      photos: [...photos.values()],
      changed: [...changed.values()],
      proved: [...proved.values()],
      waits: [...waits.values()],
      modifications: of("modified"),
      madeGood: of("made good"),
    };
  }
}

/** The complaint and every reading that stands, as evidence. A reading taken after a repair is of the machine as repaired. */
export function evidenceOf(job: Job): Evidence[] {
  const repairs = job.answers.flatMap(({ seq, body }) =>
    body.type === "tried" ? [{ seq, repair: { piece: body.piece, result: body.result } }] : [],
  );
  const before = (seq: number) => {
    const made = repairs.filter((r) => r.seq < seq).map((r) => r.repair);
    return made.length > 0 ? { repairs: made } : {};
  };
  return [
    ...(job.opened.complaint === undefined
      ? []
      : [{ type: "complaint" as const, id: "complaint", complaint: job.opened.complaint }]),
    ...job.answers.flatMap(({ id, body }): Evidence[] => {
      if (body.type === "noticed") return [{ type: "sign", id, part: body.part, sign: body.sign, there: body.there }];
      if (body.type === "tried") return [{ type: "tried", id, piece: body.piece, result: body.result }];
      if (body.type === "timed")
        return [
          {
            type: "timed",
            id,
            setup: body.setup,
            part: body.part,
            label: body.label,
            seconds: body.seconds,
            watched: body.watched,
          },
        ];
      if (body.type === "setting") return [];
      if (body.type === "alone")
        return [
          {
            type: "alone",
            id,
            part: body.part,
            found: body.found,
            ...(body.mode === undefined ? {} : { mode: body.mode }),
          },
        ];
      if (body.type === "surroundings")
        return [
          {
            type: "surroundings",
            id,
            ...(body.celsius === undefined ? {} : { celsius: body.celsius }),
            ...(body.volts === undefined ? {} : { volts: body.volts }),
          },
        ];
      if (body.type === "compared") return [{ type: "compared", id, sees: body.sees }];
      return body.answer === "skip" ? [] : [{ type: "answer", id, first: body.first, answer: body.answer }];
    }),
    ...standing(job).map((r): Evidence => ({
      type: "reading",
      id: r.id,
      test: plainTest(r.body.test),
      shown: r.body.shown,
      ...before(r.seq),
    })),
  ];
}

/** Readings not struck out, with their verdicts as they were given. */
export function judgedOf(job: Job): Judged[] {
  return standing(job).map((r) => ({ id: r.id, test: plainTest(r.body.test), verdict: r.body.as.verdict }));
}

/** How the unit stands, for reckoning what a test costs from here. */
export function standingOf(job: Job): Standing {
  return { setup: job.setup, openPanels: new Set(job.openPanels) };
}

const standing = (job: Job) => job.readings.filter((r) => r.struck === null);

/** The stored test without the `undefined` that an optional field may carry. */
function plainTest(test: Body<"reading">["test"]): Test {
  return makeTest(test.setup, test.function, test.red, test.black, test.instant);
}
