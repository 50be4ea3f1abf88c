"use client";

import { useMemo } from "react";
import Button from "react-bootstrap/Button";
import type { Answers, Evidence, OpenFirst } from "../../core/diagnose";
import { answeredBody, type EventBody, type Job, toMeasuring } from "../../core/journal";
import { useEngine, type Desk } from "../engine/useEngine";
import { Key } from "../shortcuts/Key";
import { useShortcut } from "../shortcuts/useShortcut";
import { say } from "#words/ui/job/FirstThings";

interface Props {
  readonly job: Job;
  readonly evidence: readonly Evidence[];
  readonly desk: Desk | null;
  readonly busy: boolean;
  readonly onLog: (body: EventBody) => Promise<boolean>;
}

/** The questions a job still has before anything is opened; empty when they are through, null until they are known. */
export function useSimpleCauses({
  job,
  evidence,
  desk,
  answers,
}: Pick<Props, "job" | "evidence" | "desk"> & {
  readonly answers: Answers | null;
}): readonly OpenFirst[] | null {
  const answered = useMemo(
    () => job.answers.flatMap((a) => (a.body.type === "answered" ? [a.body.first] : [])),
    [job.answers],
  );
  const isOver = answered.includes("*") || job.readings.length > 0;
  // Where they cannot be worked out, none is asked: measuring goes on without them.
  // While the whole answer is worked out the questions need not wait for it.
  const { value, problem } = useEngine(desk, "simpleCauses", isOver || answers ? null : [evidence], true);
  const asked = answers?.simpleCauses ?? value;
  if (isOver || (problem && !asked)) return [];
  return asked?.filter((o) => !answered.includes(o.first.id)) ?? null;
}

/** Before anything is opened: one question at a time, the likeliest for its cost first, one key to answer. */
export function FirstThings({
  firsts: simpleCauses,
  last,
  busy,
  onLog,
  onTakeBack,
}: Pick<Props, "busy" | "onLog"> & {
  readonly firsts: readonly OpenFirst[];
  /** The answer given last, to be taken back where one sees it. */
  readonly last: Job["answers"][number] | undefined;
  readonly onTakeBack: (event: string) => void;
}) {
  const [now, ...later] = simpleCauses;
  const answer = (given: "yes" | "no" | "skip") => {
    if (!now || busy) return;
    void onLog(answeredBody(now.first, given));
  };
  useShortcut("yes", () => answer("yes"));
  useShortcut("no", () => answer("no"));
  useShortcut("notNow", () => answer("skip"));
  useShortcut("measure", () => void onLog(toMeasuring()), { enabled: !busy });
  if (!now) return null;
  return (
    <div className="next firsts" aria-busy={busy}>
      <div className="next-kicker">
        <span>{say.beforeYouOpenIt}</span>
        <span className="exposure none">
          <i className="bi bi-eye" aria-hidden /> {say.nothingOpened}
        </span>
        <span className="minutes">
          {now.first.minutes < 1 ? say.underAMinute : `${Math.round(now.first.minutes)} min`}
        </span>
      </div>
      <h2>{now.first.ask}</h2>
      <LastAnswer last={last} busy={busy} onTakeBack={onTakeBack} />
      <div className="labels">
        <Button size="lg" variant="outline-dark" disabled={busy} onClick={() => answer("yes")}>
          {say.yes} <Key of="yes" />
        </Button>
        <Button size="lg" variant="outline-dark" disabled={busy} onClick={() => answer("no")}>
          {say.no} <Key of="no" />
        </Button>
        <Button size="lg" variant="link" disabled={busy} onClick={() => answer("skip")}>
          {say.notNow} <Key of="notNow" />
        </Button>
      </div>
      {later.length > 0 ? (
        <p className="quiet mt-3 mb-1">{say.thenLater(later.map((o) => o.first.ask).join(" "))}</p>
      ) : null}
      <Button variant="outline-dark" className="mt-3" disabled={busy} onClick={() => void onLog(toMeasuring())}>
        {say.startMeasuring} <Key of="measure" />
      </Button>
    </div>
  );
}

/** The answer given last, with the way back; one key is quickly pressed. */
function LastAnswer({
  last,
  busy,
  onTakeBack,
}: {
  readonly last: Job["answers"][number] | undefined;
  readonly busy: boolean;
  readonly onTakeBack: (event: string) => void;
}) {
  if (!last) return null;
  return (
    <p className="quiet last-answer" role="status">
      {say.loggedBodyWords(last.body.words)}
      <Button size="sm" variant="link" disabled={busy} onClick={() => onTakeBack(last.id)}>
        {say.undo}
      </Button>
    </p>
  );
}

/** What was asked and compared, each to be taken back. */
export function Asked({ job, onTakeBack }: { job: Job; onTakeBack: (event: string) => void }) {
  const shown = job.answers.filter((a) => a.body.type !== "answered" || a.body.answer !== "skip");
  if (shown.length === 0) return null;
  return (
    <section aria-label={say.askedAndCompared}>
      <h2>{say.asked}</h2>
      <ul className="plain-list">
        {shown.map((a) => (
          <li key={a.id}>
            <span>{a.body.words}</span>
            <Button
              size="sm"
              variant="link"
              onClick={() => onTakeBack(a.id)}
              aria-label={say.takeBackBodyWords(a.body.words)}
            >
              <i className="bi bi-slash-circle" aria-hidden />
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
