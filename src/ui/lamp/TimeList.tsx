"use client";

import { useState, type ChangeEvent } from "react";
import Form from "react-bootstrap/Form";
import { type LampReading, readLamp, readTimeList, TimeListError } from "../../core/lamp";
import { Strip } from "./Strip";
import { textOfFile } from "../shell/text-of-file";
import { say } from "#words/ui/lamp";

const MOST_BYTES = 1_000_000;

/** A pasted or imported list: when each flash began, or from when to when. */
export function TimeList({ onReading }: { onReading: (reading: LampReading | null) => void }) {
  const [text, setText] = useState("");
  const [problem, setProblem] = useState("");
  const [bars, setBars] = useState<readonly (readonly [number, number])[]>([]);
  function take(next: string) {
    setText(next);
    setBars([]);
    if (next.trim() === "") {
      setProblem("");
      return onReading(null);
    }
    try {
      const watched = readTimeList(next);
      const span = watched.end - watched.start;
      setBars(
        watched.flashes.map(
          (f) => [(f.from - watched.start) / span, ((f.to ?? f.from + 0.05) - watched.start) / span] as const,
        ),
      );
      setProblem("");
      onReading(readLamp(watched));
    } catch (error) {
      if (!(error instanceof TimeListError)) throw error;
      setProblem(error.message);
      onReading(null);
    }
  }
  async function file(event: ChangeEvent<HTMLInputElement>) {
    const [chosen] = event.target.files ?? [];
    if (!chosen) return;
    if (chosen.size > MOST_BYTES) return setProblem(say.theFileIsLargerThan);
    take(await textOfFile(chosen));
  }
  return (
    <div className="time-list">
      <Form.Group controlId="times">
        <Form.Label>{say.secondsOrMillisecondsOneFlash}</Form.Label>
        <Form.Control
          as="textarea"
          rows={5}
          value={text}
          spellCheck={false}
          onChange={(e) => take(e.target.value)}
          placeholder={"0.00, 0.30\n0.60, 0.90\n2.40, 2.70"}
        />
      </Form.Group>
      <Form.Control
        type="file"
        accept=".csv,.txt,text/plain,text/csv"
        aria-label={say.importAList}
        onChange={(e) => void file(e as ChangeEvent<HTMLInputElement>)}
      />
      <p className="problem" role="alert">
        {problem}
      </p>
      <Strip bars={bars} />
    </div>
  );
}
