"use client";

import { useState } from "react";
import Form from "react-bootstrap/Form";
import { JOB_KINDS, type JobKind, PURPOSES } from "../../core/journal";
import { Fault, faultOf, type useFaults } from "../shell/useFaults";
import { KIND_WORDS, PURPOSE_WORDS } from "#words/job";
import { say } from "#words/ui/start";

/** What a job is for, and what of that: the module, why it is checked, which way it is laid up. */
export function KindField({
  kind,
  purpose,
  modules,
  faults,
  onKind,
  onPurpose,
}: {
  kind: JobKind;
  purpose: string;
  /** Null until the machine is chosen and known. */
  modules: readonly { readonly id: string; readonly name: string }[] | null;
  faults: ReturnType<typeof useFaults>["faults"];
  onKind: (kind: JobKind) => void;
  onPurpose: (purpose: string) => void;
}) {
  return (
    <>
      <Form.Group controlId="kind">
        <Form.Label>{say.whatFor}</Form.Label>
        <Form.Select size="lg" value={kind} onChange={(e) => onKind(e.target.value as JobKind)}>
          {JOB_KINDS.map((k) => (
            <option key={k} value={k}>
              {KIND_WORDS[k]}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      {kind === "check" || kind === "lay up" ? (
        <Form.Group controlId="purpose">
          <Form.Label>{kind === "check" ? say.why : say.which}</Form.Label>
          <Form.Select
            size="lg"
            value={purpose}
            {...faultOf(faults, "purpose")}
            onChange={(e) => onPurpose(e.target.value)}
          >
            <option value="">{say.choose}</option>
            {PURPOSES[kind].map((p) => (
              <option key={p} value={p}>
                {PURPOSE_WORDS[p]}
              </option>
            ))}
          </Form.Select>
          <Fault faults={faults} of="purpose" />
        </Form.Group>
      ) : null}
      {kind === "fit" && modules !== null ? (
        <ModuleField modules={modules} purpose={purpose} faults={faults} onPurpose={onPurpose} />
      ) : null}
    </>
  );
}

const OTHER = "*";

/** A module of the machine's file, or one of one's own by its name. */
function ModuleField({
  modules,
  purpose,
  faults,
  onPurpose,
}: {
  modules: readonly { readonly id: string; readonly name: string }[];
  purpose: string;
  faults: ReturnType<typeof useFaults>["faults"];
  onPurpose: (purpose: string) => void;
}) {
  const [isOther, setIsOther] = useState(false);
  const own = isOther || modules.length === 0;
  return (
    <>
      {modules.length > 0 ? (
        <Form.Group controlId="module">
          <Form.Label>{say.module}</Form.Label>
          <Form.Select
            size="lg"
            value={isOther ? OTHER : purpose}
            {...(own ? {} : faultOf(faults, "purpose"))}
            onChange={(e) => {
              setIsOther(e.target.value === OTHER);
              onPurpose(e.target.value === OTHER ? "" : e.target.value);
            }}
          >
            <option value="">{say.choose}</option>
            {modules.map((m) => (
              <option key={m.id} value={m.id}>
                {m.name}
              </option>
            ))}
            <option value={OTHER}>{say.anotherModule}</option>
          </Form.Select>
        </Form.Group>
      ) : null}
      {own ? (
        <Form.Group controlId="purpose">
          <Form.Label>{say.whichModule}</Form.Label>
          <Form.Control
            size="lg"
            value={purpose}
            maxLength={80}
            {...faultOf(faults, "purpose")}
            onChange={(e) => onPurpose(e.target.value)}
          />
        </Form.Group>
      ) : null}
      <Fault faults={faults} of="purpose" />
    </>
  );
}
