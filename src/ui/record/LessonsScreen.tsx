"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import { useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { type JobLessons, type LessonRow, takeLessons } from "../../contract/jobs";
import { send } from "../shell/send";
import { clockTime, dayName } from "../shell/time";
import { TopBar } from "../shell/TopBar";
import { useKept } from "../shell/useKept";
import { factWords } from "../machine/fact-words";
import { say } from "#words/ui/lessons";

/** What a job learned of its machine, one by one with who and when; what is ticked becomes a new version of the file. */
export function LessonsScreen({ of: { job, machine, lessons } }: { readonly of: JobLessons }) {
  const router = useRouter();
  const [who] = useKept("unzo.who");
  // What nobody has changed otherwise since is ticked.
  const [taken, setTaken] = useState<ReadonlySet<string>>(
    () => new Set(lessons.filter((l) => !l.isKnown && l.conflicts.length === 0).map((l) => l.id)),
  );
  const [problem, setProblem] = useState("");
  const [busy, setBusy] = useState(false);
  const isOpen = lessons.some((l) => !l.isKnown);

  async function take() {
    setBusy(true);
    setProblem("");
    try {
      await send(takeLessons, [job], { own: machine.hash, take: [...taken], actor: who || "Someone" });
      router.push(`/machines/${machine.id}?tab=versions`);
    } catch (error) {
      setProblem((error as Error).message);
      setBusy(false);
      router.refresh();
    }
  }
  const toggle = (id: string) =>
    setTaken((now) => {
      const next = new Set(now);
      if (!next.delete(id)) next.add(id);
      return next;
    });
  return (
    <div className="start">
      <TopBar here="Machines" title={say.title} />
      <main id="main" tabIndex={-1} className="library">
        <h1>{say.title}</h1>
        <p className="quiet mb-0">{isOpen ? say.ofMachine(machine.name, machine.revision) : say.nothingLearned}</p>
        {lessons.length === 0 ? null : (
          <ul className="lessons">
            {lessons.map((l) => (
              <Lesson key={l.id} lesson={l} isTaken={taken.has(l.id)} onToggle={() => toggle(l.id)} />
            ))}
          </ul>
        )}
        <p className="problem" role="alert">
          {problem}
        </p>
        <p className="d-flex gap-3 flex-wrap">
          {isOpen ? (
            <Button size="lg" disabled={busy || taken.size === 0} onClick={() => void take()}>
              {say.putIn(taken.size)}
            </Button>
          ) : null}
          <Link className="btn btn-outline-dark btn-lg" href={`/jobs/${job}/record`}>
            {say.backToRecord}
          </Link>
        </p>
      </main>
    </div>
  );
}

function Lesson({
  lesson: l,
  isTaken,
  onToggle,
}: {
  readonly lesson: LessonRow;
  readonly isTaken: boolean;
  readonly onToggle: () => void;
}) {
  return (
    <li>
      <Form.Check
        id={`lesson-${l.id}`}
        checked={isTaken}
        disabled={l.isKnown}
        label={l.words}
        aria-label={say.take(l.words)}
        onChange={onToggle}
      />
      <span className="quiet" suppressHydrationWarning>
        {l.by}, {dayName(l.at)} {clockTime(l.at)}
        {l.isKnown ? `, ${say.isKnown}` : ""}
      </span>
      {l.conflicts.length === 0 ? null : (
        <div className="lesson-conflicts">
          <strong>
            <i className="bi bi-exclamation-diamond" aria-hidden /> {say.conflict}
          </strong>
          <ul>
            {l.conflicts.map((c) => (
              <li key={c.key}>
                {c.key}: {say.was} {factWords(c.was)}, {say.now} <b>{factWords(c.now)}</b>, {say.found}{" "}
                <b>{factWords(c.found)}</b>
              </li>
            ))}
          </ul>
        </div>
      )}
    </li>
  );
}
