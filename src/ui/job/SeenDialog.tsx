"use client";

import { useState, type FormEvent } from "react";
import Button from "react-bootstrap/Button";
import ButtonGroup from "react-bootstrap/ButtonGroup";
import Form from "react-bootstrap/Form";
import Modal from "react-bootstrap/Modal";
import ToggleButton from "react-bootstrap/ToggleButton";
import type { EventBody, Job } from "../../core/journal";
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
import { GoodReads, goodReadsOf, type ReadsDraft } from "./GoodReads";
import { linesOf, SeenLines, type LinesDraft } from "./SeenLines";
import { SeenPhoto } from "./SeenPhoto";
import { pointOf, SeenPoint, type PointDraft } from "./SeenPoint";
import { say } from "#words/ui/job/SeenDialog";

const WHAT = ["lines", "put in", "other part", "reads", "taken out", "point", "photo"] as const;
type What = (typeof WHAT)[number];

interface Props {
  readonly show: boolean;
  readonly job: Job;
  readonly file: MachineFile;
  readonly machine: Machine;
  readonly problem: string;
  readonly busy: boolean;
  readonly onHide: () => void;
  readonly onFound: (change: Change, words: string) => Promise<boolean>;
  readonly onLog: (body: EventBody) => Promise<boolean>;
}

const isInPlace = (what: What): what is ChangeDraft["what"] =>
  what === "put in" || what === "other part" || what === "taken out";

/** Something seen on this unit that its file has not: what it is, a line or two, then everything is worked out anew. */
export function SeenDialog({ show, job, file, machine, problem, busy, onHide, onFound, onLog }: Props) {
  const [what, setWhat] = useState<What>("lines");
  const [draft, setDraft] = useState<ChangeDraft>(FIRST_DRAFT);
  const [lines, setLines] = useState<LinesDraft>({ table: "plugs", target: "", text: "" });
  const [reads, setReads] = useState<ReadsDraft>({ part: "", ohms: "" });
  const [point, setPoint] = useState<PointDraft>({ name: "", where: "", panel: "" });
  const [said, setSaid] = useState("");
  const part = partOf(machine, draft);
  if (!part) return null;

  /** What was seen, and in words; throws an error with a sentence for what is not whole yet. */
  function seen(): { readonly change: Change; readonly words: string } {
    if (what === "reads") return goodReadsOf(machine, reads);
    const change = changeSeen();
    return { change, words: changeWords(file, change) };
  }

  function changeSeen(): Change {
    if (what === "lines") return linesOf(file, lines);
    if (what === "point") return pointOf(file, point);
    const change = changeOf(machine, draft);
    if (!change) throw new ChangeError(say.sayWhatIsDifferentType);
    return change;
  }

  async function found(event: FormEvent) {
    event.preventDefault();
    setSaid("");
    if (what === "photo") return onHide();
    try {
      const { change, words } = seen();
      variantOf(file, [change]);
      if (!(await onFound(change, words))) return;
      setDraft({ ...draft, values: {} });
      setLines({ ...lines, text: "" });
      setReads({ ...reads, ohms: "" });
      setPoint({ name: "", where: "", panel: point.panel });
      onHide();
    } catch (error) {
      if (!(error instanceof ChangeError || error instanceof RangeError)) throw error;
      setSaid(error.message);
    }
  }

  return (
    <Modal show={show} onHide={onHide} aria-labelledby="found-title">
      <Form onSubmit={(e) => void found(e)} noValidate>
        <Modal.Header closeButton>
          <Modal.Title id="found-title">{say.addWhatYouSee}</Modal.Title>
        </Modal.Header>
        <Modal.Body className="d-grid gap-3">
          <ButtonGroup className="seen-what" aria-label={say.whatIsIt}>
            {WHAT.map((value) => (
              <ToggleButton
                key={value}
                id={`what-${value}`}
                type="radio"
                name="what"
                value={value}
                size="sm"
                variant="outline-dark"
                checked={what === value}
                onChange={() => {
                  setWhat(value);
                  if (isInPlace(value)) setDraft({ ...draft, what: value });
                  setSaid("");
                }}
              >
                <i className={`bi ${what === value ? "bi-check-circle-fill" : "bi-circle"}`} aria-hidden />{" "}
                {say.what[value]}
              </ToggleButton>
            ))}
          </ButtonGroup>
          {what === "lines" ? <SeenLines file={file} draft={lines} onChange={setLines} /> : null}
          {what === "reads" ? <GoodReads machine={machine} draft={reads} onChange={setReads} /> : null}
          {what === "point" ? <SeenPoint file={file} draft={point} onChange={setPoint} /> : null}
          {what === "photo" ? <SeenPhoto file={file} job={job} busy={busy} onLog={onLog} /> : null}
          {isInPlace(what) ? (
            <ChangeChoice machine={machine} draft={draft} names={false} size="lg" onChange={setDraft} />
          ) : null}
          {what === "taken out" && draft.bridged && has(part, "protects") ? (
            <p className="problem mb-0">{say.aBridgedSafetyDeviceThe}</p>
          ) : null}
          <p className="problem mb-0" role="alert">
            {said || problem}
          </p>
        </Modal.Body>
        <Modal.Footer>
          <Button type="submit" size="lg" disabled={busy}>
            {what === "photo" ? say.done : say.itIsSoOnThis}
          </Button>
        </Modal.Footer>
      </Form>
    </Modal>
  );
}
