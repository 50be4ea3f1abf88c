"use client";

import * as Comlink from "comlink";
import { useEffect, useMemo, useRef, useState } from "react";
import { type DayAhead, dayAhead, type DayJob } from "../../contract/day";
import { type Day, namesOfHands, PLACE, SUPPLY, WATER } from "../../core/plan-day";
import type { DayAnswer, DayDesk } from "../../workers/day-desk";
import { useRoute } from "../engine/useRoute";
import { useKept } from "../shell/useKept";
import { useNews } from "../shell/useNews";

/** How often what is in hand is read anew, milliseconds. */
const EVERY = 30_000;

/** A planned day as the screen needs it. */
export interface PlannedDay extends DayAnswer {
  readonly ahead: DayAhead;
  readonly jobs: readonly DayJob[];
  /** Open jobs that are not in it. */
  readonly later: readonly DayJob[];
  /** Whose hands each person's of the plan are; empty where there is only one pair. */
  readonly names: readonly string[];
  /** Jobs that a person put first, in order. */
  readonly pins: readonly string[];
}

/** What cannot be gone on with within so many minutes is not of today. */
const TODAY = 600;
/** A day of more units than this is no day: the others come when some of these are done. */
const MOST = 12;

/** Whether hands can be on it today: it is not waited for, and nobody drives there, until later. */
const isToday = ({ from, steps }: DayJob) => {
  const first = steps.findIndex((s) => s.care === null || s.care === "watch");
  return first >= 0 && steps.slice(0, first).reduce((sum, s) => sum + s.minutes, from) < TODAY;
};

/** One person's hands, and enough of all else, as long as nobody says otherwise. */
const dayOf = (jobs: readonly DayJob[], crew: DayAhead["crew"]): Day => ({
  people: crew?.people.length ?? 1,
  few: {
    ...(crew?.places ? { [PLACE]: crew.places } : {}),
    ...(crew?.water ? { [WATER]: crew.water } : {}),
    ...(crew?.supplies ? { [SUPPLY]: crew.supplies } : {}),
  },
  units: jobs,
});

/**
 * The day, planned in a worker. It is calm: the job at hand and the next one stay until something real changes, an entry, a
 * wait, a job, a promise. What a person put first stays first until it is released.
 */
export function useDay(): {
  readonly day: PlannedDay | null;
  /** The order could not be worked out. */
  readonly isLost: boolean;
  pin(jobs: readonly string[]): void;
} {
  const { value } = useRoute(dayAhead, [], { every: EVERY, news: useNews() });
  const [pinned, setPinned] = useKept("unzo.day.pins");
  const pins = useMemo(() => (pinned === "" ? [] : pinned.split(" ")), [pinned]);
  const [answered, setAnswered] = useState<{
    readonly of: DayAhead;
    readonly jobs: readonly DayJob[];
    readonly answer: DayAnswer;
  } | null>(null);
  const [isLost, setIsLost] = useState(false);
  const remote = useRef<Comlink.Remote<DayDesk> | null>(null);
  /** What was first and second, and how everything stood then. */
  const before = useRef<{ readonly first: readonly string[]; readonly states: string } | null>(null);
  const ahead = value?.day;
  useEffect(() => {
    const worker = new Worker(new URL("../../workers/day.worker.ts", import.meta.url), { type: "module" });
    remote.current = Comlink.wrap<DayDesk>(worker);
    return () => {
      remote.current = null;
      worker.terminate();
    };
  }, []);
  useEffect(() => {
    if (!ahead || !remote.current) return;
    let isCurrent = true;
    const jobs = ahead.jobs.filter(isToday).slice(0, MOST);
    const states = [
      JSON.stringify(ahead.crew),
      ...jobs.map((j) => `${j.id} ${j.state} ${j.promisedAt} ${j.visitAt}`).sort(),
    ].join("\n");
    const calm = before.current?.states === states ? before.current.first : [];
    // Whoever is at a unit that is away finishes there.
    const there = jobs.filter((j) => j.isAway && j.expected === undefined).map((j) => j.id);
    const wanted = [...new Set([...there, ...(pins.length > 0 ? pins : calm)])];
    const hold = wanted.map((id) => jobs.findIndex((j) => j.id === id)).filter((i) => i >= 0);
    const take = (answer: DayAnswer) => {
      if (!isCurrent) return;
      setIsLost(false);
      const first = [...new Set(answer.plan.order)].slice(0, 2).map((unit) => jobs[unit]!.id);
      before.current = { first, states };
      setAnswered({ of: ahead, jobs, answer });
    };
    remote.current.plan(dayOf(jobs, ahead.crew), hold).then(take, () => setIsLost(true));
    return () => {
      isCurrent = false;
    };
  }, [ahead, pins]);
  const people = answered?.of.crew?.people ?? [];
  const day = answered
    ? {
        ...answered.answer,
        ahead: answered.of,
        jobs: answered.jobs,
        later: answered.of.jobs.filter((j) => !answered.jobs.includes(j)),
        names:
          people.length > 1
            ? namesOfHands(
                answered.answer.plan,
                people,
                answered.jobs.map((j) => j.lastBy),
              )
            : [],
        pins,
      }
    : null;
  return { day, isLost, pin: (jobs) => setPinned(jobs.join(" ")) };
}
