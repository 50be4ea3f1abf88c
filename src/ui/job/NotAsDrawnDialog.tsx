"use client";

import { useState, type FormEvent } from "react";
import Button from "react-bootstrap/Button";
import ButtonGroup from "react-bootstrap/ButtonGroup";
import Form from "react-bootstrap/Form";
import Modal from "react-bootstrap/Modal";
import ToggleButton from "react-bootstrap/ToggleButton";
import type { Machine, Part } from "../../core/machine/compile";
import type { MachineFile } from "../../core/machine/schema";
import { applyChanges, ChangeError, changeWords, IN_LEAD, type Change } from "../../core/machine/variant";
import { words as fieldWords } from "../machine/ratings";

const WHAT = [["put in", "A part sits in a lead"], ["other part", "A part is another one"], ["taken out", "A part is not there"]] as const;

interface Props {
  readonly show: boolean;
  readonly file: MachineFile;
  readonly machine: Machine;
  readonly problem: string;
  readonly onHide: () => void;
  readonly onFound: (change: Change, words: string) => Promise<boolean>;
}

/** Something found on this unit that its file has not: three questions, then everything is worked out anew. */
export function NotAsDrawnDialog({ show, file, machine, problem, onHide, onFound }: Props) {
  const [what, setWhat] = useState<Change["change"]>("put in");
  const parts = machine.parts.filter((p) => p.modes.length > 0 && (what === "put in" || what === "taken out" ? p.nodeOf.size >= 2 : ratingFields(p).length > 0));
  const [partId, setPartId] = useState("");
  const part = parts.find((p) => p.id === partId) ?? parts.find((p) => p.kind.load) ?? parts[0];
  const [kind, setKind] = useState("thermal cut-off");
  const [terminal, setTerminal] = useState("");
  const [values, setValues] = useState<Readonly<Record<string, string>>>({});
  const [bridged, setBridged] = useState(true);
  const [said, setSaid] = useState("");
  if (!part) return null;
  const terminals = [...part.nodeOf.keys()];
  const lead = terminals.includes(terminal) ? terminal : terminals[0]!;

  const change: Change = what === "put in" ? { change: "put in", kind, name: `${kind.charAt(0).toUpperCase()}${kind.slice(1)} in the lead`, part: part.id, terminal: lead, fields: {} }
    : what === "other part" ? { change: "other part", part: part.id, fields: Object.fromEntries(Object.entries(values).filter(([, v]) => v.trim() !== "")) }
    : { change: "taken out", part: part.id, bridged: bridged && terminals.length === 2 };

  async function found(event: FormEvent) {
    event.preventDefault();
    setSaid("");
    if (change.change === "other part" && Object.keys(change.fields).length === 0) return setSaid("Say what is different: type at least one rating.");
    try {
      applyChanges(file, [change]);
    } catch (error) {
      if (error instanceof ChangeError) return setSaid(error.message);
      throw error;
    }
    if (await onFound(change, changeWords(file, change))) {
      setValues({});
      onHide();
    }
  }

  return (
    <Modal show={show} onHide={onHide} aria-labelledby="found-title">
      <Form onSubmit={(e) => void found(e)} noValidate>
        <Modal.Header closeButton><Modal.Title id="found-title">Not as drawn</Modal.Title></Modal.Header>
        <Modal.Body className="d-grid gap-3">
          <ButtonGroup vertical aria-label="What was found">
            {WHAT.map(([value, label]) => <ToggleButton key={value} id={`what-${value}`} type="radio" name="what" value={value} variant="outline-dark" checked={what === value} onChange={() => { setWhat(value); setSaid(""); }}>{label}</ToggleButton>)}
          </ButtonGroup>
          {what === "put in" ? (
            <Form.Group controlId="found-kind"><Form.Label>What sits there</Form.Label><Form.Select size="lg" value={kind} onChange={(e) => setKind(e.target.value)}>{Object.keys(IN_LEAD).map((k) => <option key={k}>{k}</option>)}</Form.Select></Form.Group>
          ) : null}
          <Form.Group controlId="found-part">
            <Form.Label>{what === "put in" ? "In the lead of" : "Which part"}</Form.Label>
            <Form.Select size="lg" value={part.id} onChange={(e) => { setPartId(e.target.value); setValues({}); }}>{parts.map((p) => <option key={p.id} value={p.id}>{p.name}</option>)}</Form.Select>
          </Form.Group>
          {what === "put in" && terminals.length > 1 ? (
            <Form.Group controlId="found-terminal"><Form.Label>At its terminal</Form.Label><Form.Select size="lg" value={lead} onChange={(e) => setTerminal(e.target.value)}>{terminals.map((t) => <option key={t}>{t}</option>)}</Form.Select></Form.Group>
          ) : null}
          {what === "other part" ? ratingFields(part).map(([name, now]) => (
            <Form.Group key={name} controlId={`found-${name}`}><Form.Label>{fieldWords(name)}, drawn as {now}</Form.Label><Form.Control size="lg" value={values[name] ?? ""} onChange={(e) => setValues({ ...values, [name]: e.target.value })} /></Form.Group>
          )) : null}
          {what === "taken out" && terminals.length === 2 ? <Form.Check id="found-bridged" label="its two leads are joined (bridged)" checked={bridged} onChange={(e) => setBridged(e.target.checked)} /> : null}
          {what === "taken out" && bridged && part.kind.protective ? <p className="problem mb-0">A bridged safety device: the machine must not run like this. Note it, put one in before the call is closed.</p> : null}
          <p className="problem mb-0" role="alert">{said || problem}</p>
        </Modal.Body>
        <Modal.Footer><Button type="submit" size="lg">It is so on this unit</Button></Modal.Footer>
      </Form>
    </Modal>
  );
}

/** The plain ratings of a part, with what is drawn. */
function ratingFields(part: Part): readonly (readonly [string, string])[] {
  return Object.entries(part.fields as Record<string, unknown>).filter(([, v]) => typeof v === "number").map(([k, v]) => [k, String(v)] as const);
}
