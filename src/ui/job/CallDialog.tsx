"use client";

import { useState, type FormEvent } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import Modal from "react-bootstrap/Modal";
import { proofsFor, type Judged } from "../../core/isolate/proofs";
import type { PieceSuspect } from "../../core/isolate/suspects";
import type { EventBody } from "../../core/journal/events";
import { inSentence } from "../../core/quantity/format";
import type { Machine } from "../../core/machine/compile";
import type { Test } from "../../core/simulate/test";

interface Props {
  readonly show: boolean;
  readonly machine: Machine;
  readonly suspects: readonly PieceSuspect[];
  readonly judged: readonly Judged[];
  readonly problem: string;
  /** A simple cause that was found: what was answered, and what was done; null when there is none. */
  readonly simple: { readonly cause: string; readonly action: string } | null;
  readonly onHide: () => void;
  readonly onMeasure: (test: Test) => void;
  readonly onCall: (body: EventBody) => Promise<boolean>;
}

/** In the list of what may be called. */
const SIMPLE = "simple-cause";

/** The call: what is wrong, what is still unproven of it, what will be done. */
export function CallDialog({ show, machine, suspects, judged, problem, simple, onHide, onMeasure, onCall }: Props) {
  const [picked, setPicked] = useState<string | null>(null);
  const [action, setAction] = useState<string | null>(null);
  const [despite, setDespite] = useState("");
  const all: readonly PieceSuspect[] = simple ? [{ piece: SIMPLE, name: "A simple cause", probability: 1, word: "likely", faults: [] }, ...suspects] : suspects;
  const suspect = all.find((s) => s.piece === picked) ?? all[0];
  if (!suspect) return null;
  const entry = machine.pieceById.get(suspect.piece);
  const proofs = proofsFor(machine, suspect.piece, judged);
  const unproven = proofs.filter((p) => p.by === null);
  const isSimple = suspect.piece === SIMPLE;
  const words = action ?? (isSimple && simple ? simple.action : entry ? `${entry.repair}.` : suspect.piece === "no-fault" ? "Nothing to repair; every reading is sound." : "Look further.");
  const cause = isSimple && simple ? simple.cause : suspect.faults[0]?.name ?? suspect.name;
  const blocked = unproven.length > 0 && despite.trim() === "";

  async function call(event: FormEvent) {
    event.preventDefault();
    if (blocked || words.trim() === "") return;
    const done = await onCall({
      type: "called", piece: isSimple ? "no-fault" : suspect!.piece, pieceName: suspect!.name, cause, action: words.trim(), sure: suspect!.word,
      proofs: proofs.map((p) => ({ words: p.words, proven: p.by !== null })), ...(unproven.length > 0 ? { despite: despite.trim() } : {}),
    });
    if (done) onHide();
  }

  return (
    <Modal show={show} onHide={onHide} size="lg" aria-labelledby="call-title">
      <Form onSubmit={(e) => void call(e)}>
        <Modal.Header closeButton><Modal.Title id="call-title">The call</Modal.Title></Modal.Header>
        <Modal.Body className="d-grid gap-3">
          <Form.Group controlId="call-piece">
            <Form.Label>What is wrong</Form.Label>
            <Form.Select size="lg" autoFocus value={suspect.piece} onChange={(e) => { setPicked(e.target.value); setAction(null); }}>
              {all.map((s) => <option key={s.piece} value={s.piece}>{s.name} ({s.word})</option>)}
            </Form.Select>
            <Form.Text>{cause}</Form.Text>
          </Form.Group>
          {proofs.length > 0 ? (
            <div>
              <p className="mb-1"><strong>Before {inSentence(suspect.name)} is blamed</strong></p>
              <ul className="proofs">
                {proofs.map((p) => (
                  <li key={p.of}>
                    <i className={`bi ${p.by ? "bi-check-circle-fill proven" : "bi-circle"}`} aria-hidden />
                    <span><span className="visually-hidden">{p.by ? "Proven: " : "Unproven: "}</span>{p.words}</span>
                    {p.by ? null : <Button size="sm" variant="outline-dark" onClick={() => onMeasure(p.tests[0]!)}>Measure it</Button>}
                  </li>
                ))}
              </ul>
              {unproven.length > 0 ? (
                <Form.Group controlId="call-despite">
                  <Form.Label>Call it with that unproven? Say why.</Form.Label>
                  <Form.Control value={despite} maxLength={400} onChange={(e) => setDespite(e.target.value)} />
                </Form.Group>
              ) : null}
            </div>
          ) : null}
          <Form.Group controlId="call-action">
            <Form.Label>What will be done</Form.Label>
            <Form.Control as="textarea" rows={2} value={words} maxLength={1000} onChange={(e) => setAction(e.target.value)} />
          </Form.Group>
          <p className="problem" role="alert">{problem}</p>
        </Modal.Body>
        <Modal.Footer><Button type="submit" size="lg" disabled={blocked || words.trim() === ""}>Close the job</Button></Modal.Footer>
      </Form>
    </Modal>
  );
}
