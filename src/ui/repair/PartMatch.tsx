"use client";

import { useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { matchPart } from "../../core/repair";
import type { RepairProps } from "./repair-props";
import { matchedBody } from "../../core/journal";
import { say } from "#words/ui/repair/PartMatch";

/** Holds the part in the hand against what belongs in here. */
export function PartMatch({ machine, job, assembly, busy, onLog }: RepairProps) {
  const entry = machine.assemblyById.get(assembly)!;
  const last = job.work.matches.findLast((m) => m.body.piece === assembly)?.body;
  const [number, setNumber] = useState(last?.number ?? "");
  const [revision, setRevision] = useState(last?.revision ?? "");
  const [reason, setReason] = useState("");
  const [by, setBy] = useState("");
  const match = number.trim() === "" ? null : matchPart(machine, assembly, number, revision);
  const logged = last && match && last.number === number.trim() && last.revision === revision.trim();
  return (
    <section className="rig-sheet" aria-label={say.thePartInHand}>
      <div className="repair-asks">
        <Form.Group controlId="part-number">
          <Form.Label>{say.numberOnThePartIn}</Form.Label>
          <Form.Control
            className="value"
            value={number}
            maxLength={60}
            placeholder={entry.number ?? ""}
            onChange={(e) => setNumber(e.target.value)}
          />
        </Form.Group>
        <Form.Group controlId="part-revision">
          <Form.Label>{say.revision}</Form.Label>
          <Form.Control
            className="value"
            value={revision}
            maxLength={20}
            placeholder={entry.revision ?? ""}
            onChange={(e) => setRevision(e.target.value)}
          />
        </Form.Group>
      </div>
      {match ? (
        <div className={`match ${match.fits ? "fits" : "refused"}`} role="status">
          <p className="mb-1">
            <i className={`bi ${match.fits ? "bi-check-circle-fill" : "bi-x-octagon-fill"}`} aria-hidden />{" "}
            <strong>{match.fits ? "Fits" : say.notFitted}.</strong> {match.words}
          </p>
          {match.differences.length > 0 ? (
            <ul className="mb-1">
              {match.differences.map((d) => (
                <li key={d.words}>
                  <strong>{d.words}.</strong> {d.todo}
                </li>
              ))}
            </ul>
          ) : null}
          <Button
            size="sm"
            variant="outline-dark"
            disabled={busy || logged === true}
            onClick={() => void onLog(matchedBody(assembly, { number, revision }, match))}
          >
            {logged ? "Noted" : say.noteIt}
          </Button>
          {!match.fits && logged && last.despite ? (
            <p className="mb-0">{say.goesInAllTheSame(last.despite.reason, last.despite.by)}</p>
          ) : null}
          {match.stops && logged && !last.despite ? (
            <Form
              className="repair-asks mt-2"
              onSubmit={(e) => {
                e.preventDefault();
                if (reason.trim() && by.trim())
                  void onLog(matchedBody(assembly, { number, revision }, match, { reason, by }));
              }}
            >
              <Form.Group controlId="despite-reason">
                <Form.Label>{say.goOnAllTheSameWhy}</Form.Label>
                <Form.Control value={reason} maxLength={400} onChange={(e) => setReason(e.target.value)} />
              </Form.Group>
              <Form.Group controlId="despite-by">
                <Form.Label>{say.theLeadsWord}</Form.Label>
                <Form.Control value={by} maxLength={80} onChange={(e) => setBy(e.target.value)} />
              </Form.Group>
              <Button type="submit" variant="outline-dark" disabled={busy || !reason.trim() || !by.trim()}>
                {say.goOnAllTheSame}
              </Button>
            </Form>
          ) : null}
        </div>
      ) : null}
    </section>
  );
}
