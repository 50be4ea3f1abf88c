"use client";

import { useState, type FormEvent } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import Modal from "react-bootstrap/Modal";
import type { TrailReading } from "../../core/journal";

/** Asks why a reading does not count. */
export function StrikeDialog({
  reading,
  onHide,
  onStrike,
}: {
  reading: TrailReading | null;
  onHide: () => void;
  onStrike: (event: string, reason: string) => Promise<boolean>;
}) {
  const [reason, setReason] = useState("misread");
  async function strike(event: FormEvent) {
    event.preventDefault();
    if (reading && reason.trim() && (await onStrike(reading.id, reason.trim()))) onHide();
  }
  return (
    <Modal show={reading !== null} onHide={onHide} aria-labelledby="strike-title">
      <Form onSubmit={(e) => void strike(e)}>
        <Modal.Header closeButton>
          <Modal.Title id="strike-title">Strike out {reading?.body.as.shown}?</Modal.Title>
        </Modal.Header>
        <Modal.Body>
          <p>{reading?.body.as.title}. It stays in the record, crossed out, and counts no more.</p>
          <Form.Label htmlFor="strike-reason">Why</Form.Label>
          <Form.Control
            id="strike-reason"
            autoFocus
            value={reason}
            maxLength={200}
            onChange={(e) => setReason(e.target.value)}
            onFocus={(e) => e.target.select()}
          />
        </Modal.Body>
        <Modal.Footer>
          <Button type="submit" disabled={!reason.trim()}>
            Strike out
          </Button>
        </Modal.Footer>
      </Form>
    </Modal>
  );
}
