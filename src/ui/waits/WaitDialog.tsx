"use client";

import { type FormEvent, useRef, useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import Modal from "react-bootstrap/Modal";
import { type Care, CARES, MOST_WAIT } from "../../core/journal";
import { readWaitTime } from "../../core/schedule";
import type { NewWait } from "./useWaits";
import { CARE_MEANS, CARE_WORDS, say, USUAL_WAITS } from "#words/ui/waits";

interface Props {
  /** The job that is open; null: none is. */
  readonly job: string | null;
  readonly problem: string;
  onBegin(wait: NewWait, id: string): Promise<boolean>;
  onHide(): void;
}

/** Enters something to wait for: what, how long, and whether one may go away meanwhile. */
export function WaitDialog({ job, problem, onBegin, onHide }: Props) {
  const [words, setWords] = useState("");
  const [time, setTime] = useState("");
  const [care, setCare] = useState<Care>("watch");
  const [of, setOf] = useState(job);
  const [wrong, setWrong] = useState("");
  const [busy, setBusy] = useState(false);
  // Sent again after a lost answer it is the same wait.
  const ids = useRef({ wait: "", entry: "" });
  const field = useRef<HTMLInputElement>(null);
  function usual(id: string) {
    const chosen = USUAL_WAITS.find((u) => u.id === id)!;
    setWords(chosen.words);
    setTime(chosen.time);
    setCare(chosen.care);
    field.current?.focus();
    field.current?.select();
  }
  async function submit(event: FormEvent) {
    event.preventDefault();
    const seconds = readWaitTime(time);
    if (words.trim() === "") return setWrong(say.sayWhat);
    if (seconds === null || seconds > MOST_WAIT) return setWrong(say.cannotRead);
    setWrong("");
    setBusy(true);
    ids.current.wait ||= crypto.randomUUID();
    ids.current.entry ||= crypto.randomUUID();
    if (await onBegin({ wait: ids.current.wait, words, seconds, care, job: of, assembly: null }, ids.current.entry))
      onHide();
    setBusy(false);
  }
  return (
    <Modal show onHide={onHide} aria-labelledby="wait-title">
      <Form onSubmit={(e) => void submit(e)} noValidate>
        <Modal.Header closeButton>
          <Modal.Title as="h2" id="wait-title">
            {say.begin}
          </Modal.Title>
        </Modal.Header>
        <Modal.Body className="wait-dialog">
          <div className="wait-usual">
            {USUAL_WAITS.map((u) => (
              <button type="button" key={u.id} aria-pressed={words === u.words} onClick={() => usual(u.id)}>
                {u.words} <span className="quiet">{u.time}</span>
              </button>
            ))}
          </div>
          <Form.Group controlId="wait-words">
            <Form.Label>{say.whatFor}</Form.Label>
            <Form.Control
              autoFocus
              autoComplete="off"
              maxLength={200}
              value={words}
              onChange={(e) => {
                setWords(e.target.value);
                ids.current = { wait: "", entry: "" };
              }}
            />
          </Form.Group>
          <Form.Group controlId="wait-time">
            <Form.Label>{say.howLong}</Form.Label>
            <Form.Control
              ref={field}
              className="value"
              autoComplete="off"
              maxLength={30}
              value={time}
              placeholder={say.howLongHint}
              onChange={(e) => {
                setTime(e.target.value);
                ids.current = { wait: "", entry: "" };
              }}
            />
          </Form.Group>
          <fieldset>
            <legend>{say.mayOneLeave}</legend>
            {CARES.map((c) => (
              <Form.Check
                key={c}
                type="radio"
                name="care"
                id={`care-${c}`}
                checked={care === c}
                onChange={() => setCare(c)}
                label={
                  <>
                    <strong>{CARE_WORDS[c]}</strong> <span className="quiet">{CARE_MEANS[c]}</span>
                  </>
                }
              />
            ))}
          </fieldset>
          {job ? (
            <Form.Group controlId="wait-of">
              <Form.Label>{say.of}</Form.Label>
              <Form.Select value={of ?? ""} onChange={(e) => setOf(e.target.value === "" ? null : e.target.value)}>
                <option value={job}>{say.thisJob}</option>
                <option value="">{say.noJob}</option>
              </Form.Select>
            </Form.Group>
          ) : null}
          <p className="problem mb-0" role="alert">
            {wrong || problem}
          </p>
        </Modal.Body>
        <Modal.Footer>
          <Button variant="outline-dark" onClick={onHide}>
            {say.cancel}
          </Button>
          <Button type="submit" disabled={busy}>
            {say.start}
          </Button>
        </Modal.Footer>
      </Form>
    </Modal>
  );
}
