"use client";

import { useState, type FormEvent } from "react";
import Button from "react-bootstrap/Button";
import ButtonGroup from "react-bootstrap/ButtonGroup";
import Form from "react-bootstrap/Form";
import Modal from "react-bootstrap/Modal";
import ToggleButton from "react-bootstrap/ToggleButton";
import {
  type Change,
  ChangeError,
  changeWords,
  has,
  type Machine,
  type MachineFile,
  variantOf,
} from "../../core/model";
import { ChangeChoice, changeOf, FIRST_DRAFT, partOf, type ChangeDraft } from "../machine/ChangeChoice";
import { say } from "#words/ui/job/DiffersDialog";

const WHAT = [
  ["put in", say.aPartSitsInA],
  ["other part", say.aPartIsAnotherOne],
  ["taken out", say.aPartIsNotThere],
] as const;

interface Props {
  readonly show: boolean;
  readonly file: MachineFile;
  readonly machine: Machine;
  readonly problem: string;
  readonly onHide: () => void;
  readonly onFound: (change: Change, words: string) => Promise<boolean>;
}

/** Something found on this unit that its file has not: three questions, then everything is worked out anew. */
export function DiffersDialog({ show, file, machine, problem, onHide, onFound }: Props) {
  const [draft, setDraft] = useState<ChangeDraft>(FIRST_DRAFT);
  const [said, setSaid] = useState("");
  const part = partOf(machine, draft);
  if (!part) return null;
  const change = changeOf(machine, draft);

  async function found(event: FormEvent) {
    event.preventDefault();
    setSaid("");
    if (!change) return setSaid(say.sayWhatIsDifferentType);
    try {
      variantOf(file, [change]);
    } catch (error) {
      if (error instanceof ChangeError) return setSaid(error.message);
      throw error;
    }
    if (await onFound(change, changeWords(file, change))) {
      setDraft({ ...draft, values: {} });
      onHide();
    }
  }

  return (
    <Modal show={show} onHide={onHide} aria-labelledby="found-title">
      <Form onSubmit={(e) => void found(e)} noValidate>
        <Modal.Header closeButton>
          <Modal.Title id="found-title">{say.differsFromTheFile}</Modal.Title>
        </Modal.Header>
        <Modal.Body className="d-grid gap-3">
          <ButtonGroup vertical aria-label={say.whatWasFound}>
            {WHAT.map(([value, label]) => (
              <ToggleButton
                key={value}
                id={`what-${value}`}
                type="radio"
                name="what"
                value={value}
                variant="outline-dark"
                checked={draft.what === value}
                onChange={() => {
                  setDraft({ ...draft, what: value });
                  setSaid("");
                }}
              >
                {label}
              </ToggleButton>
            ))}
          </ButtonGroup>
          <ChangeChoice machine={machine} draft={draft} names={false} size="lg" onChange={setDraft} />
          {draft.what === "taken out" && draft.bridged && has(part, "protects") ? (
            <p className="problem mb-0">{say.aBridgedSafetyDeviceThe}</p>
          ) : null}
          <p className="problem mb-0" role="alert">
            {said || problem}
          </p>
        </Modal.Body>
        <Modal.Footer>
          <Button type="submit" size="lg">
            {say.itIsSoOnThis}
          </Button>
        </Modal.Footer>
      </Form>
    </Modal>
  );
}
