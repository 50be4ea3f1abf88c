"use client";

import { useRef, useState, type FormEvent } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { changedBody, type EventBody, type Job, restoredBody } from "../../core/journal";
import { canBePutBack, type LeftBehind } from "../../core/repair";
import { say } from "#words/ui/repair/LeftList";

interface Props {
  readonly left: readonly LeftBehind[];
  readonly job: Job;
  readonly busy: boolean;
  readonly onLog: (body: EventBody) => Promise<boolean>;
}

/** Everything that was changed and not put back; the list writes itself, and takes what only a person knows. */
export function LeftList({ left, job, busy, onLog }: Props) {
  const [words, setWords] = useState("");
  const field = useRef<HTMLInputElement>(null);
  async function add(event: FormEvent) {
    event.preventDefault();
    if (words.trim() === "") return field.current?.focus();
    if (await onLog(changedBody(job.lastSeq + 1, words))) setWords("");
  }
  return (
    <section className="rig-sheet" aria-label={say.toRestore}>
      {left.length === 0 ? (
        <p className="all-back" role="status">
          <i className="bi bi-check-circle-fill" aria-hidden /> {say.nothingLeftToRestore}
        </p>
      ) : (
        <ul className="left-list">
          {left.map((l) => (
            <li key={l.item}>
              <span>
                <strong>{l.words}</strong>
                <span className="quiet d-block">{l.undo}</span>
              </span>
              {!canBePutBack(l) ? null : (
                <Button
                  variant="outline-dark"
                  disabled={busy}
                  aria-label={say.restoredWords(l.words)}
                  onClick={() => void onLog(restoredBody(l))}
                >
                  <i className="bi bi-check-lg" aria-hidden /> {say.back}
                </Button>
              )}
            </li>
          ))}
        </ul>
      )}
      <Form className="d-flex gap-2 align-items-end flex-wrap" onSubmit={(e) => void add(e)}>
        <Form.Group controlId="changed" className="flex-grow-1">
          <Form.Label>{say.somethingElseChangedForThe}</Form.Label>
          <Form.Control
            ref={field}
            value={words}
            maxLength={200}
            placeholder={say.waterShutAtTheWall}
            onChange={(e) => setWords(e.target.value)}
          />
        </Form.Group>
        <Button type="submit" variant="outline-dark" disabled={busy}>
          {say.add}
        </Button>
      </Form>
    </section>
  );
}
