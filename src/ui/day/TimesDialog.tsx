"use client";

import Link from "next/link";
import { type FormEvent, useRef, useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import Modal from "react-bootstrap/Modal";
import type { DayJob } from "../../contract/day";
import { logEntry } from "../../contract/entries";
import { type EventBody, promisedBody, visitBody } from "../../core/journal";
import { send } from "../shell/send";
import { useKept } from "../shell/useKept";
import { tellNews } from "../shell/useNews";
import { say } from "#words/ui/day";

/** A moment as a field for date and time has it, by the clock of this device. */
function local(iso: string | null): string {
  if (iso === null) return "";
  const at = new Date(iso);
  return new Date(at.getTime() - 60_000 * at.getTimezoneOffset()).toISOString().slice(0, 16);
}
const moment = (typed: string) => (typed === "" ? null : new Date(typed).toISOString());

/** When a job is promised, and when one drives there. */
export function TimesDialog({ job, onHide }: { readonly job: DayJob; onHide(): void }) {
  const [promised, setPromised] = useState(local(job.promisedAt));
  const [visit, setVisit] = useState(local(job.visitAt));
  const [minutes, setMinutes] = useState(job.visitMinutes > 0 ? String(job.visitMinutes) : "");
  const [problem, setProblem] = useState("");
  const [busy, setBusy] = useState(false);
  const [who] = useKept("unzo.who");
  // Sent again after a lost answer they are the same entries.
  const ids = useRef(new Map<string, string>());
  const idOf = (body: EventBody) => {
    const key = JSON.stringify(body);
    const id = ids.current.get(key) ?? crypto.randomUUID();
    ids.current.set(key, id);
    return id;
  };
  async function keep(event: FormEvent) {
    event.preventDefault();
    setBusy(true);
    const bodies: EventBody[] = [
      ...(promised === local(job.promisedAt) ? [] : [promisedBody(moment(promised))]),
      ...(visit === local(job.visitAt) && (Number(minutes) || 0) === job.visitMinutes
        ? []
        : [visitBody(moment(visit), Number(minutes) || 0)]),
    ];
    try {
      for (const body of bodies)
        await send(logEntry, [job.id], { id: idOf(body), v: 1, actor: who.trim() || "Someone", body });
      tellNews();
      onHide();
    } catch (error) {
      setProblem((error as Error).message);
    } finally {
      setBusy(false);
    }
  }
  return (
    <Modal show onHide={onHide} aria-labelledby="times-title">
      <Form onSubmit={(e) => void keep(e)} noValidate>
        <Modal.Header closeButton>
          <Modal.Title as="h2" id="times-title">
            {say.times(job.site)}
          </Modal.Title>
        </Modal.Header>
        <Modal.Body className="wait-dialog">
          <Form.Group controlId="promised">
            <Form.Label>{say.whenPromised}</Form.Label>
            <Form.Control
              autoFocus
              type="datetime-local"
              value={promised}
              onChange={(e) => setPromised(e.target.value)}
            />
          </Form.Group>
          <Form.Group controlId="visit">
            <Form.Label>{say.whenVisit}</Form.Label>
            <Form.Control type="datetime-local" value={visit} onChange={(e) => setVisit(e.target.value)} />
          </Form.Group>
          <Form.Group controlId="way">
            <Form.Label>{say.minutesOfWay}</Form.Label>
            <Form.Control
              type="number"
              min={0}
              max={1440}
              value={minutes}
              onChange={(e) => setMinutes(e.target.value)}
            />
          </Form.Group>
          <Link href={`/jobs/${job.id}/visit`}>{say.beforeDriving}</Link>
          <p className="problem mb-0" role="alert">
            {problem}
          </p>
        </Modal.Body>
        <Modal.Footer>
          <Button variant="outline-dark" onClick={onHide}>
            {say.cancel}
          </Button>
          <Button type="submit" disabled={busy}>
            {say.keep}
          </Button>
        </Modal.Footer>
      </Form>
    </Modal>
  );
}
