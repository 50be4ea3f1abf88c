"use client";

import { type FormEvent, useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import Modal from "react-bootstrap/Modal";
import { type Crew as Known, setCrew } from "../../contract/shop";
import { sendOnce } from "../shell/send";
import { useKept } from "../shell/useKept";
import { tellNews } from "../shell/useNews";
import { say } from "#words/ui/day";

/** Whose hands the day is planned for, and at how many places a unit can be run; said here for everybody. */
export function Crew({ known }: { readonly known: Known | null }) {
  const [asks, setAsks] = useState(false);
  return (
    <p className="mb-0 mt-2">
      <button type="button" className="btn btn-outline-dark btn-sm crew-key" onClick={() => setAsks(true)}>
        <i className="bi bi-people" aria-hidden /> {say.crew}:{" "}
        {known ? say.crewOf(known.people.join(", "), known.places) : say.crewOne}
      </button>
      {asks ? <CrewDialog known={known} onHide={() => setAsks(false)} /> : null}
    </p>
  );
}

function CrewDialog({ known, onHide }: { readonly known: Known | null; onHide(): void }) {
  const [who] = useKept("unzo.who");
  const [names, setNames] = useState(known?.people.join(", ") ?? who);
  const [places, setPlaces] = useState(known?.places ? String(known.places) : "");
  const [problem, setProblem] = useState("");
  const [busy, setBusy] = useState(false);
  const [id] = useState(() => crypto.randomUUID());
  async function keep(event: FormEvent) {
    event.preventDefault();
    setBusy(true);
    const people = [...new Set(names.split(",").map((name) => name.trim()))].filter((name) => name !== "");
    try {
      const asked = { people, places: places.trim() === "" ? null : Number(places) };
      await sendOnce(setCrew, [], { id, actor: who.trim() || "Someone", ...asked });
      tellNews();
      onHide();
    } catch (error) {
      setProblem((error as Error).message);
    } finally {
      setBusy(false);
    }
  }
  return (
    <Modal show onHide={onHide} aria-labelledby="crew-title">
      <Form onSubmit={(e) => void keep(e)} noValidate>
        <Modal.Header closeButton>
          <Modal.Title as="h2" id="crew-title">
            {say.crew}
          </Modal.Title>
        </Modal.Header>
        <Modal.Body className="wait-dialog">
          <Form.Group controlId="crew-names">
            <Form.Label>{say.names}</Form.Label>
            <Form.Control autoFocus value={names} maxLength={400} onChange={(e) => setNames(e.target.value)} />
          </Form.Group>
          <Form.Group controlId="crew-places">
            <Form.Label>{say.placesToRun}</Form.Label>
            <Form.Control
              type="number"
              min={1}
              max={50}
              value={places}
              aria-describedby="crew-places-help"
              onChange={(e) => setPlaces(e.target.value)}
            />
            <Form.Text id="crew-places-help">{say.placesHelp}</Form.Text>
          </Form.Group>
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
