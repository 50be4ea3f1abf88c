"use client";

import Link from "next/link";
import { useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import type { PartEntry } from "../../core/machine/schema";
import { IN_LEAD, type Change as CircuitChange } from "../../core/machine/variant";
import { changeWords, type ModificationProof } from "../../core/repair/modification";
import { send } from "../shell/send";
import type { RepairProps } from "./Decide";

type Kind = "put in" | "other part" | "taken out";

const OF: Readonly<Record<ModificationProof["findings"][number]["of"], string>> = { protection: "What protects", interlock: "Interlocks", "single fault": "Any one part failed", timing: "Timing", current: "Currents", fuse: "Fuse" };

/** A change to the circuit: proven before it may be built, refused with figures, marked for ever. */
export function Change({ machine, job, unit, busy, onLog }: RepairProps & { readonly unit: string }) {
  const { file } = machine;
  const [kind, setKind] = useState<Kind>("put in");
  const [part, setPart] = useState("");
  const [terminal, setTerminal] = useState("");
  const [what, setWhat] = useState(Object.keys(IN_LEAD)[0]!);
  const [name, setName] = useState("");
  const [field, setField] = useState("");
  const [value, setValue] = useState("");
  const [bridged, setBridged] = useState(false);
  const [reason, setReason] = useState("");
  const [customer, setCustomer] = useState("");
  const [proof, setProof] = useState<{ readonly key: string; readonly proof: ModificationProof } | null>(null);
  const [proving, setProving] = useState(false);
  const [problem, setProblem] = useState("");
  const entry = (file.parts as PartEntry[]).find((p) => p.id === part);
  const change: CircuitChange | null = part === "" ? null
    : kind === "put in" ? { change: "put in", kind: what, name: name.trim() || what, part, terminal: terminal || Object.keys(entry?.at ?? {})[0] || "b", fields: field.trim() ? { [field.trim()]: asField(value) } : {} }
    : kind === "other part" ? { change: "other part", part, fields: { [field.trim()]: asField(value) } }
    : { change: "taken out", part, bridged };
  const key = JSON.stringify(change);
  const current = proof?.key === key ? proof.proof : null;

  async function prove() {
    if (!change) return setProblem("Choose the part.");
    setProving(true);
    setProblem("");
    try {
      setProof({ key, proof: (await send<{ proof: ModificationProof }>(`/api/jobs/${job.id}/change`, { changes: [change] })).proof });
    } catch (error) {
      setProblem((error as Error).message);
    } finally {
      setProving(false);
    }
  }

  async function build() {
    if (!change || !current?.allowed) return;
    await onLog({ type: "modified", changes: [change], words: changeWords(file, change), reason: reason.trim(), customer: customer.trim(), proof: current.findings.map((f) => f.words.slice(0, 300)) });
  }

  return (
    <>
      {job.work.modifications.length > 0 ? (
        <section className="rig-sheet" aria-label="Built into this unit">
          <h2><i className="bi bi-exclamation-diamond-fill" aria-hidden /> Built into this unit</h2>
          <ul>{job.work.modifications.map((m) => <li key={m.id}><strong>{m.body.words}</strong>: {m.body.reason} ({m.body.customer})</li>)}</ul>
          <Link className="btn btn-outline-dark" href={`/units/${unit}/label`}>Print the label</Link>
        </section>
      ) : null}
      <section className="rig-sheet" aria-label="The change">
        <p className="quiet">A change is proven on the model before anyone builds it. What protects people is never taken out, bridged or made weaker.</p>
        <div className="repair-asks">
          <Form.Group controlId="change-kind"><Form.Label>What</Form.Label><Form.Select value={kind} onChange={(e) => setKind(e.target.value as Kind)}><option value="put in">Put a part into a lead</option><option value="other part">Another rating</option><option value="taken out">Take a part out</option></Form.Select></Form.Group>
          <Form.Group controlId="change-part"><Form.Label>{kind === "put in" ? "At" : "Part"}</Form.Label><Form.Select value={part} onChange={(e) => { setPart(e.target.value); setTerminal(""); }}><option value="">Choose</option>{machine.parts.map((p) => <option key={p.id} value={p.id}>{p.name}</option>)}</Form.Select></Form.Group>
          {kind === "put in" ? (
            <>
              <Form.Group controlId="change-terminal"><Form.Label>Terminal</Form.Label><Form.Select value={terminal} onChange={(e) => setTerminal(e.target.value)}>{Object.keys(entry?.at ?? {}).map((t) => <option key={t} value={t}>{t}</option>)}</Form.Select></Form.Group>
              <Form.Group controlId="change-what"><Form.Label>Put in</Form.Label><Form.Select value={what} onChange={(e) => setWhat(e.target.value)}>{Object.keys(IN_LEAD).map((k) => <option key={k} value={k}>{k}</option>)}</Form.Select></Form.Group>
              <Form.Group controlId="change-name"><Form.Label>Called</Form.Label><Form.Control value={name} maxLength={60} onChange={(e) => setName(e.target.value)} /></Form.Group>
            </>
          ) : null}
          {kind === "taken out" ? <Form.Check className="align-self-end" type="switch" id="change-bridged" label="and its ends joined" checked={bridged} onChange={(e) => setBridged(e.target.checked)} /> : (
            <>
              <Form.Group controlId="change-field"><Form.Label>Rating</Form.Label><Form.Control value={field} maxLength={40} placeholder="amps, watts, ohms" onChange={(e) => setField(e.target.value)} /></Form.Group>
              <Form.Group controlId="change-value"><Form.Label>Is</Form.Label><Form.Control className="value" value={value} maxLength={40} onChange={(e) => setValue(e.target.value)} /></Form.Group>
            </>
          )}
        </div>
        <Button size="lg" disabled={proving || part === ""} onClick={() => void prove()}>{proving ? "Proving it" : "Prove it"}</Button>
        {proving ? <span className="ms-2 quiet" role="status">every situation, with every part failed once</span> : null}
        <p className="problem mb-0" role="alert">{problem}</p>
      </section>
      {current ? (
        <section className={`rig-sheet ${current.allowed ? "" : "is-refused"}`} aria-label="What came of it">
          <h2><i className={`bi ${current.allowed ? "bi-check-circle-fill" : "bi-x-octagon-fill"}`} aria-hidden /> {current.allowed ? "It may be built." : "Refused."} {current.situations > 0 ? <span className="quiet">{current.situations} situations simulated</span> : null}</h2>
          <ul className="findings">{current.findings.map((f) => <li key={f.of + f.words} className={f.ok ? "passed" : "failed"}><i className={`bi ${f.ok ? "bi-check-circle-fill" : "bi-x-octagon-fill"}`} aria-hidden /> <span><strong>{OF[f.of]}:</strong> {f.words}</span></li>)}</ul>
          {current.allowed ? (
            <>
              {current.warnings.length > 0 ? <ul>{current.warnings.map((w) => <li key={w}>{w}</li>)}</ul> : null}
              <p className="swap-caution">It marks this unit for ever. The maker&apos;s approval may end with it; local codes and licensed trades come first.</p>
              <div className="repair-asks">
                <Form.Group controlId="change-reason"><Form.Label>Reason</Form.Label><Form.Control value={reason} maxLength={400} onChange={(e) => setReason(e.target.value)} /></Form.Group>
                <Form.Group controlId="change-customer"><Form.Label>Customer&apos;s word given by</Form.Label><Form.Control value={customer} maxLength={80} onChange={(e) => setCustomer(e.target.value)} /></Form.Group>
              </div>
              <Button size="lg" disabled={busy || reason.trim() === "" || customer.trim() === ""} onClick={() => void build()}>Build it and mark the unit</Button>
            </>
          ) : null}
        </section>
      ) : null}
    </>
  );
}

function asField(value: string): string | number {
  const number = Number(value.trim().replace(",", "."));
  return value.trim() !== "" && Number.isFinite(number) ? number : value.trim();
}
