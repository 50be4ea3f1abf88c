"use client";

import { useState, type FormEvent, type ReactNode } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import Modal from "react-bootstrap/Modal";
import { say } from "#words/ui/shell";

interface Props {
  readonly show: boolean;
  readonly title: string;
  /** What will follow from it. */
  readonly children: ReactNode;
  /** What the reason usually is. */
  readonly usual?: string;
  /** What the button does. */
  readonly does: string;
  /** Why it was refused; empty where it was not. */
  readonly problem: string;
  readonly onHide: () => void;
  /** Answers whether it was taken; then the dialog closes. */
  readonly onReason: (reason: string) => Promise<boolean>;
}

/** Asks for a reason before something that stays on record. */
export function ReasonDialog({ show, title, children, usual = "", does, problem, onHide, onReason }: Props) {
  const [reason, setReason] = useState(usual);
  const isGiven = reason.trim() !== "";
  async function submit(event: FormEvent) {
    event.preventDefault();
    if (isGiven && (await onReason(reason.trim()))) onHide();
  }
  return (
    <Modal show={show} onHide={onHide} aria-labelledby="reason-title">
      <Form onSubmit={(e) => void submit(e)} noValidate>
        <Modal.Header closeButton>
          <Modal.Title as="h2" id="reason-title">
            {title}
          </Modal.Title>
        </Modal.Header>
        <Modal.Body>
          <div className="mb-3">{children}</div>
          <Form.Label htmlFor="reason">{say.reason}</Form.Label>
          <Form.Control
            id="reason"
            autoFocus
            value={reason}
            maxLength={200}
            onChange={(e) => setReason(e.target.value)}
            onFocus={(e) => e.target.select()}
          />
          <p className="problem" role="alert">
            {problem}
          </p>
        </Modal.Body>
        <Modal.Footer>
          <Button type="submit" disabled={!isGiven}>
            {isGiven ? does : say.typeAReason}
          </Button>
        </Modal.Footer>
      </Form>
    </Modal>
  );
}
