"use client";

import { useState, type FormEvent } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import Modal from "react-bootstrap/Modal";
import { droppedBody, type EventBody } from "../../core/journal";

/** For a job that was opened by mistake: it is dropped with a reason, and nothing is erased. */
export function DropJob({ onLog }: { readonly onLog: (body: EventBody) => Promise<boolean> }) {
  const [open, setOpen] = useState(false);
  const [reason, setReason] = useState("");
  async function drop(event: FormEvent) {
    event.preventDefault();
    if (reason.trim() === "") return;
    if (await onLog(droppedBody(reason))) setOpen(false);
  }
  return (
    <section className="drop-job" aria-label="Opened by mistake">
      <Button size="sm" variant="link" onClick={() => setOpen(true)}>
        Opened by mistake? Drop this job
      </Button>
      <Modal show={open} onHide={() => setOpen(false)} aria-labelledby="drop-title">
        <Form onSubmit={(e) => void drop(e)} noValidate>
          <Modal.Header closeButton>
            <Modal.Title as="h2" id="drop-title">
              Drop this job?
            </Modal.Title>
          </Modal.Header>
          <Modal.Body>
            <p>It leaves the open jobs and counts for nothing. What was entered stays on record.</p>
            <Form.Label htmlFor="drop-reason">Reason</Form.Label>
            <Form.Control
              id="drop-reason"
              autoFocus
              value={reason}
              maxLength={400}
              onChange={(e) => setReason(e.target.value)}
            />
          </Modal.Body>
          <Modal.Footer>
            <Button type="submit" disabled={reason.trim() === ""}>
              {reason.trim() === "" ? "Type a reason" : "Drop the job"}
            </Button>
          </Modal.Footer>
        </Form>
      </Modal>
    </section>
  );
}
