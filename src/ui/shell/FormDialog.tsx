"use client";

import { type FormEvent, type ReactNode, useId, useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import Modal from "react-bootstrap/Modal";
import { say } from "#words/ui/shell";

interface Props {
  readonly title: string;
  /** What the button does. */
  readonly does: string;
  readonly children: ReactNode;
  /** What was refused, where it is known elsewhere. */
  readonly refused?: string;
  onHide(): void;
  /** Keeps what is entered, and closes the dialog if it is to close; what it throws is said in the dialog, which stays. */
  onKeep(): Promise<void>;
}

/** Asks for a few things that are kept together; what was refused is said, and nothing typed is lost. */
export function FormDialog({ title, does, children, refused = "", onHide, onKeep }: Props) {
  const [problem, setProblem] = useState("");
  const [busy, setBusy] = useState(false);
  const id = useId();
  async function keep(event: FormEvent) {
    event.preventDefault();
    setProblem("");
    setBusy(true);
    try {
      await onKeep();
    } catch (error) {
      setProblem((error as Error).message);
    } finally {
      setBusy(false);
    }
  }
  return (
    <Modal show onHide={onHide} aria-labelledby={id}>
      <Form onSubmit={(e) => void keep(e)} noValidate>
        <Modal.Header closeButton>
          <Modal.Title as="h2" id={id}>
            {title}
          </Modal.Title>
        </Modal.Header>
        <Modal.Body className="form-dialog">
          {children}
          <p className="problem mb-0" role="alert">
            {problem || refused}
          </p>
        </Modal.Body>
        <Modal.Footer>
          <Button variant="outline-dark" onClick={onHide}>
            {say.cancel}
          </Button>
          <Button type="submit" disabled={busy}>
            {does}
          </Button>
        </Modal.Footer>
      </Form>
    </Modal>
  );
}
