"use client";

import { useRef, useState } from "react";
import Form from "react-bootstrap/Form";
import { type Care, CARES, MOST_WAIT } from "../../core/journal";
import { readWaitTime } from "../../core/schedule";
import { FormDialog } from "../shell/FormDialog";
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
  async function keep() {
    const seconds = readWaitTime(time);
    if (words.trim() === "") throw new Error(say.sayWhat);
    if (seconds === null || seconds > MOST_WAIT) throw new Error(say.cannotRead);
    ids.current.wait ||= crypto.randomUUID();
    ids.current.entry ||= crypto.randomUUID();
    if (await onBegin({ wait: ids.current.wait, words, seconds, care, job: of, assembly: null }, ids.current.entry))
      onHide();
  }
  return (
    <FormDialog title={say.begin} does={say.start} refused={problem} onHide={onHide} onKeep={keep}>
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
    </FormDialog>
  );
}
