"use client";

import { useState, type FormEvent } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { type EventBody, type Job, surroundingsBody } from "../../core/journal";
import { readEngineering } from "../../core/quantity";
import { say } from "#words/ui/job/Surroundings";

/** How warm it is and what the mains is at: asked once, kept with the job, used in everything that is worked out. */
export function Surroundings({
  job,
  busy,
  onLog,
}: {
  job: Job;
  busy: boolean;
  onLog: (body: EventBody) => Promise<boolean>;
}) {
  const known = job.answers.flatMap(({ body }) => (body.type === "surroundings" ? [body] : []));
  const last = (of: "celsius" | "volts") => [...known].reverse().find((k) => k[of] !== undefined)?.[of];
  const [celsius, setCelsius] = useState("");
  const [volts, setVolts] = useState("");
  const [problem, setProblem] = useState("");
  async function save(event: FormEvent) {
    event.preventDefault();
    const given = { ...read("celsius", celsius, -40, 70), ...read("volts", volts, 0, 600) };
    if ("problem" in given) return setProblem(given.problem!);
    if (given.celsius === undefined && given.volts === undefined) return setProblem(say.typeOneOfTheTwo);
    if (await onLog(surroundingsBody(given))) {
      setCelsius("");
      setVolts("");
      setProblem("");
    }
  }
  return (
    <Form onSubmit={(e) => void save(e)} className="surroundings">
      <Form.Group controlId="room-celsius">
        <Form.Label>{say.roomC}</Form.Label>
        <Form.Control
          size="sm"
          inputMode="decimal"
          value={celsius}
          placeholder={last("celsius")?.toString() ?? ""}
          onChange={(e) => setCelsius(e.target.value)}
        />
      </Form.Group>
      <Form.Group controlId="mains-volts">
        <Form.Label>{say.lineVoltageV}</Form.Label>
        <Form.Control
          size="sm"
          inputMode="decimal"
          value={volts}
          placeholder={last("volts")?.toString() ?? ""}
          onChange={(e) => setVolts(e.target.value)}
        />
      </Form.Group>
      <Button size="sm" type="submit" variant="outline-dark" disabled={busy}>
        {say.save}
      </Button>
      {problem ? (
        <p className="problem mb-0" role="alert">
          {problem}
        </p>
      ) : null}
    </Form>
  );
}

function read(
  name: "celsius" | "volts",
  typed: string,
  low: number,
  high: number,
): { celsius?: number; volts?: number; problem?: string } {
  if (typed.trim() === "") return {};
  const value = readEngineering(typed)?.value;
  if (value === undefined || value < low || value > high)
    return {
      problem: name === "celsius" ? say.aRoomIsBetweenAnd(low, high) : say.aMainsIsBetweenAnd(low, high),
    };
  return { [name]: value };
}
