"use client";

import Link from "next/link";
import { useRef, useState } from "react";
import Form from "react-bootstrap/Form";
import type { DayJob } from "../../contract/day";
import { logEntry } from "../../contract/entries";
import { type EventBody, promisedBody, visitBody } from "../../core/journal";
import { FormDialog } from "../shell/FormDialog";
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
  const [who] = useKept("unzo.who");
  // Sent again after a lost answer they are the same entries.
  const ids = useRef(new Map<string, string>());
  const idOf = (body: EventBody) => {
    const key = JSON.stringify(body);
    const id = ids.current.get(key) ?? crypto.randomUUID();
    ids.current.set(key, id);
    return id;
  };
  async function keep() {
    const bodies: EventBody[] = [
      ...(promised === local(job.promisedAt) ? [] : [promisedBody(moment(promised))]),
      ...(visit === local(job.visitAt) && (Number(minutes) || 0) === job.visitMinutes
        ? []
        : [visitBody(moment(visit), Number(minutes) || 0)]),
    ];
    for (const body of bodies)
      await send(logEntry, [job.id], { id: idOf(body), v: 1, actor: who.trim() || "Someone", body });
    tellNews();
    onHide();
  }
  return (
    <FormDialog title={say.times(job.site)} does={say.keep} onHide={onHide} onKeep={keep}>
      <Form.Group controlId="promised">
        <Form.Label>{say.whenPromised}</Form.Label>
        <Form.Control autoFocus type="datetime-local" value={promised} onChange={(e) => setPromised(e.target.value)} />
      </Form.Group>
      <Form.Group controlId="visit">
        <Form.Label>{say.whenVisit}</Form.Label>
        <Form.Control type="datetime-local" value={visit} onChange={(e) => setVisit(e.target.value)} />
      </Form.Group>
      <Form.Group controlId="way">
        <Form.Label>{say.minutesOfWay}</Form.Label>
        <Form.Control type="number" min={0} max={1440} value={minutes} onChange={(e) => setMinutes(e.target.value)} />
      </Form.Group>
      <Link href={`/jobs/${job.id}/visit`}>{say.beforeDriving}</Link>
    </FormDialog>
  );
}
