"use client";

import { useState, type FormEvent } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import Modal from "react-bootstrap/Modal";
import { type Judged, type BoundProof, type AssemblySuspect, proofsFor, shownProofs } from "../../core/diagnose";
import { calledBody, CONFIRMED_BY, type ConfirmedBy, type EventBody, isFault } from "../../core/journal";
import { inSentence } from "../../core/quantity";
import type { Machine, AssemblyEntry } from "../../core/model";
import { canBePutBack, type LeftBehind, type NoFaultFound } from "../../core/repair";
import type { Test } from "../../core/simulate";
import { type Unsafe, UnsafeFields } from "./UnsafeFields";
import { say } from "#words/ui/job/DiagnosisDialog";

interface Props {
  readonly show: boolean;
  readonly machine: Machine;
  readonly suspects: readonly AssemblySuspect[];
  readonly judged: readonly Judged[];
  /** How the proofs of the leading suspect stand. */
  readonly bound: readonly BoundProof[];
  /** The assembly whose repair took the complaint with it; null when none did. */
  readonly mended: string | null;
  /** What was changed on the unit and is not put back. */
  readonly left: readonly LeftBehind[];
  /** What a job without a fault found has to say for itself. */
  readonly noFault: NoFaultFound;
  readonly problem: string;
  /** Parts that were tested bad by themselves. */
  readonly alone: readonly string[];
  /** Whether anything was decided on or tried. */
  readonly isRepaired: boolean;
  /** A simple cause that was found: what was answered, and what was done; null when there is none. */
  readonly simple: { readonly cause: string; readonly action: string } | null;
  /** What a person has said did it, of what opened or welded; empty where nobody has. */
  readonly by: string;
  readonly onHide: () => void;
  readonly onMeasure: (test: Test) => void;
  readonly onBack: (item: LeftBehind) => void;
  readonly onDiagnose: (body: EventBody) => Promise<boolean>;
}

/** What may be called wrong. */
type Diagnosed = Pick<AssemblySuspect, "assembly" | "name"> & {
  readonly word: string;
  readonly faults: readonly { readonly id: string; readonly name: string }[];
};

/** In the list of what may be called. */
const SIMPLE = "simple-cause";

/** The call: what is wrong, what is still unproven of it, what will be done. */
export function DiagnosisDialog({
  show,
  machine,
  suspects,
  judged,
  bound,
  mended,
  left,
  noFault,
  problem,
  simple,
  alone,
  isRepaired,
  by,
  onHide,
  onMeasure,
  onBack,
  onDiagnose,
}: Props) {
  const [picked, setPicked] = useState<string | null>(null);
  const [action, setAction] = useState<string | null>(null);
  const [despite, setDespite] = useState("");
  const [because, setBecause] = useState("");
  const [known, setKnown] = useState<ConfirmedBy | "">("");
  const [isUnsafe, setIsUnsafe] = useState(false);
  const [unsafe, setUnsafe] = useState<Unsafe>({ reason: "", tag: "", signed: "" });
  const repaired = mended === null ? undefined : machine.assemblyById.get(mended);
  // After a repair that helped the machine is sound: what was wrong is what was repaired.
  let all: readonly Diagnosed[];
  if (repaired)
    all = [
      {
        assembly: repaired.id,
        name: repaired.name,
        word: "repaired",
        faults: [{ id: "", name: say.repairedTheComplaintIsCured }],
      },
      ...suspects.filter((s) => s.assembly !== repaired.id),
    ];
  else if (simple) all = [{ assembly: SIMPLE, name: say.aSimpleCause, word: "likely", faults: [] }, ...suspects];
  else all = suspects;
  const suspect = all.find((s) => s.assembly === picked) ?? all[0];
  if (!suspect) return null;
  const entry = machine.assemblyById.get(suspect.assembly);
  // How the proofs stand is worked out for the leading suspect; of any other only its own readings count.
  const proofs = shownProofs(
    proofsFor(machine, suspect.assembly, judged),
    suspect.assembly === suspects[0]?.assembly ? bound : [],
  );
  const unproven = proofs.filter((p) => p.by === null);
  const isSimple = suspect.assembly === SIMPLE;
  const words = action ?? repairWords(machine, isSimple, simple, entry, suspect);
  const plain = isSimple && simple ? simple.cause : (suspect.faults[0]?.name ?? suspect.name);
  // The record says both: what opened, and what did it.
  const cause = by !== "" && suspect.assembly === suspects[0]?.assembly ? say.openedBy(plain, by) : plain;
  // Two faults at once, and one on a component of an opened board, are no single cause of the file.
  const plainFault = suspect.faults[0]?.id ?? "";
  const isCause = !isSimple && isFault(machine, plainFault);
  // What nobody has said yet is what the journal shows: nothing works since before anything was done.
  const done = isRepaired ? "works since" : "only measured";
  const usual: ConfirmedBy = alone.includes(plainFault.split(":")[0]!) ? "found bad" : done;
  const isNothing = suspect.assembly === "no-fault" && !isSimple;
  // A job is not closed silently with something left behind.
  const blocked =
    (unproven.length > 0 && despite.trim() === "") ||
    (left.length > 0 && because.trim() === "") ||
    (isUnsafe && Object.values(unsafe).some((given) => given.trim() === ""));

  async function diagnose(event: FormEvent) {
    event.preventDefault();
    if (blocked || words.trim() === "") return;
    const done = await onDiagnose(
      calledBody(
        {
          piece: isSimple ? "no-fault" : suspect!.assembly,
          pieceName: suspect!.name,
          cause,
          action: words,
          sure: suspect!.word,
          ...(isCause ? { fault: plainFault, confirmed: known || usual } : {}),
        },
        proofs,
        despite,
        left,
        because,
        isNothing ? noFault : null,
        isUnsafe ? unsafe : null,
      ),
    );
    if (done) onHide();
  }

  return (
    <Modal show={show} onHide={onHide} size="lg" aria-labelledby="call-title">
      <Form onSubmit={(e) => void diagnose(e)}>
        <Modal.Header closeButton>
          <Modal.Title id="call-title">{say.diagnosis}</Modal.Title>
        </Modal.Header>
        <Modal.Body className="d-grid gap-3">
          <Form.Group controlId="call-piece">
            <Form.Label>{say.whatIsWrong}</Form.Label>
            <Form.Select
              size="lg"
              autoFocus
              value={suspect.assembly}
              onChange={(e) => {
                setPicked(e.target.value);
                setAction(null);
              }}
            >
              {all.map((s) => (
                <option key={s.assembly} value={s.assembly}>
                  {s.name} ({s.word})
                </option>
              ))}
            </Form.Select>
            <Form.Text>{cause}</Form.Text>
          </Form.Group>
          {proofs.length > 0 ? (
            <div>
              <p className="mb-1">
                <strong>{say.beforeIsBlamed(inSentence(suspect.name))}</strong>
              </p>
              <ul className="proofs">
                {proofs.map((p) => (
                  <li key={p.of}>
                    <i className={`bi ${p.by ? "bi-check-circle-fill proven" : "bi-circle"}`} aria-hidden />
                    <span>
                      <span className="visually-hidden">{p.by ? say.proven : say.unproven}</span>
                      {p.words}
                    </span>
                    {p.by || p.tests.length === 0 ? null : (
                      <Button size="sm" variant="outline-dark" onClick={() => onMeasure(p.tests[0]!)}>
                        {say.measureIt}
                      </Button>
                    )}
                  </li>
                ))}
              </ul>
              {unproven.length > 0 ? (
                <Form.Group controlId="call-despite">
                  <Form.Label>{say.closeWithoutThisProofGive}</Form.Label>
                  <Form.Control value={despite} maxLength={400} onChange={(e) => setDespite(e.target.value)} />
                </Form.Group>
              ) : null}
            </div>
          ) : null}
          {isNothing ? (
            <details className="no-fault" open>
              <summary>
                <strong>{say.noFaultFound}</strong>
                {say.testPartCleared(noFault.tested.length, noFault.excluded.length)}
              </summary>
              {noFault.excluded.length > 0 ? (
                <p className="mb-1">{say.excludedExcluded(noFault.excluded.join(", "))}</p>
              ) : null}
              <ul className="mb-0">
                {noFault.elsewhere.map((e) => (
                  <li key={e}>{e}</li>
                ))}
              </ul>
            </details>
          ) : null}
          {left.length > 0 ? (
            <div className="left-behind" role="group" aria-label={say.leftBehind}>
              <p className="mb-1">
                <strong>
                  <i className="bi bi-exclamation-triangle-fill" aria-hidden /> {say.notRestored}
                </strong>
              </p>
              <ul className="mb-1">
                {left.map((l) => (
                  <li key={l.item}>
                    {l.words}{" "}
                    {canBePutBack(l) ? (
                      <Button
                        size="sm"
                        variant="outline-dark"
                        aria-label={say.restoredWords(l.words)}
                        onClick={() => onBack(l)}
                      >
                        {say.restored}
                      </Button>
                    ) : null}
                  </li>
                ))}
              </ul>
              <Form.Group controlId="call-left">
                <Form.Label>{say.closeWithThatOpenSay}</Form.Label>
                <Form.Control value={because} maxLength={400} onChange={(e) => setBecause(e.target.value)} />
              </Form.Group>
            </div>
          ) : null}
          <Form.Group controlId="call-action">
            <Form.Label>{say.whatWillBeDone}</Form.Label>
            <Form.Control
              as="textarea"
              rows={2}
              value={words}
              maxLength={1000}
              onChange={(e) => setAction(e.target.value)}
            />
          </Form.Group>
          {isCause ? (
            <Form.Group controlId="call-known">
              <Form.Label>{say.howIsItKnown}</Form.Label>
              <Form.Select value={known || usual} onChange={(e) => setKnown(e.target.value as ConfirmedBy)}>
                {CONFIRMED_BY.map((by) => (
                  <option key={by} value={by}>
                    {say.known[by]}
                  </option>
                ))}
              </Form.Select>
            </Form.Group>
          ) : null}
          <UnsafeFields isUnsafe={isUnsafe} onUnsafe={setIsUnsafe} unsafe={unsafe} onChange={setUnsafe} />
          <p className="problem" role="alert">
            {problem}
          </p>
        </Modal.Body>
        <Modal.Footer>
          <Button type="submit" size="lg" disabled={blocked || words.trim() === ""}>
            {say.closeTheJob}
          </Button>
        </Modal.Footer>
      </Form>
    </Modal>
  );
}

function repairWords(
  machine: Machine,
  isSimple: boolean,
  simple: Props["simple"],
  entry: AssemblyEntry | undefined,
  suspect: Diagnosed,
): string {
  if (isSimple && simple) return simple.action;
  if (entry) return [`${entry.repair}.`, ...ledRepairs(machine, entry, suspect)].join(" ");
  if (suspect.assembly === "no-fault") return say.nothingToRepairEveryReading;
  return say.lookFurther;
}

/** What the fault has taken with it is renewed too, after it. */
function ledRepairs(machine: Machine, entry: AssemblyEntry, { faults }: Diagnosed): readonly string[] {
  const led = (faults[0]?.id ?? "").split(">").slice(1);
  const others = led.flatMap((f) => {
    const assembly = machine.assemblyById.get(machine.partById.get(f.split(":")[0]!)?.assembly ?? "");
    return assembly && assembly.id !== entry.id ? [say.thenRenew(inSentence(assembly.name))] : [];
  });
  return [...new Set(others)];
}
