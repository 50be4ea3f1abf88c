"use client";

import * as Comlink from "comlink";
import Link from "next/link";
import { useMemo, useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import {
  type CircuitChange,
  ChangeError,
  type Guard,
  type GuardAnswers,
  GUARDS,
  type Machine,
  variantOf,
} from "../../core/model";
import { boardsOut, builtWords, guardsOf, type ModificationProof } from "../../core/repair";
import { ChangeChoice, changeOf, FIRST_DRAFT, type ChangeDraft } from "../machine/ChangeChoice";
import { CircuitChoice, circuitChange, type CircuitDraft, FIRST_CIRCUIT } from "./CircuitChoice";
import { GuardQuestions } from "./GuardQuestions";
import { useDesk } from "../shell/useDesk";
import type { RepairProps } from "./repair-props";
import { modifiedBody } from "../../core/journal";
import { whileAwaited } from "../../workers/while-awaited";
import { Progress } from "../shell/Progress";
import { say } from "#words/ui/repair/Change";

const WHAT = [
  ["board out", say.takeABoardOut],
  ["added", say.buildAPartIn],
  ["wired", say.joinByAWire],
  ["moved", say.moveALead],
  ["put in", say.putAPartIntoA],
  ["other part", say.anotherRating],
  ["taken out", say.takeAPartOut],
] as const;
const IN_PLACE: readonly string[] = ["put in", "other part", "taken out"] satisfies readonly ChangeDraft["what"][];
const isInPlace = (what: CircuitChange["change"]): what is ChangeDraft["what"] => IN_PLACE.includes(what);
/** So many changes are proven and built together; the journal takes no more at once. */
const MOST = 20;
const OF: Readonly<Record<ModificationProof["findings"][number]["of"], string>> = {
  protection: say.whatProtects,
  interlock: "Interlocks",
  sequence: say.orderOfMoves,
  guard: say.whatTheBoardWatched,
  "single fault": say.anyOnePartFailed,
  timing: "Timing",
  current: "Currents",
  "held motor": say.motorHeld,
  coil: "Coil",
  suppression: "Suppression",
  fuse: "Fuse",
};

/**
 * A change to the circuit, of one or several parts: proven before it may be built, refused with figures, marked for
 * ever.
 */
export function Change({ machine, job, unit, busy, onLog }: RepairProps & { readonly unit: string }) {
  const { file } = machine;
  const { desk, problem: lost } = useDesk(file);
  const [what, setWhat] = useState<CircuitChange["change"]>("put in");
  const [draft, setDraft] = useState<ChangeDraft>(FIRST_DRAFT);
  const [circuit, setCircuit] = useState<CircuitDraft>(FIRST_CIRCUIT);
  const [guards, setGuards] = useState<GuardAnswers>({});
  // Each with its words, from the file as it was when it was chosen: a later one may take its part away.
  const [kept, setKept] = useState<readonly { readonly change: CircuitChange; readonly words: string }[]>([]);
  const [reason, setReason] = useState("");
  const [customer, setCustomer] = useState("");
  const [proof, setProof] = useState<{ readonly key: string; readonly proof: ModificationProof } | null>(null);
  const [share, setShare] = useState<number | null>(null);
  const [problem, setProblem] = useState("");
  // What comes next is chosen on the machine as it would be by then.
  const sofar = useMemo(
    () =>
      withChanges(
        machine,
        kept.map((k) => k.change),
      ),
    [machine, kept],
  );
  const change = isInPlace(what) ? changeOf(sofar, { ...draft, what }) : circuitChange(sofar, what, circuit);
  const all = change ? [...kept, { change, words: builtWords(sofar.file, change) }] : kept;
  const changes = all.map((k) => k.change);
  const key = JSON.stringify([changes, guards]);
  const boards = boardsOut(machine, changes);
  const known = boards.length > 0 ? guardsOf(file, boards) : new Set<Guard>();
  const asked = known === null ? GUARDS : [...known];
  const current = proof?.key === key ? proof.proof : null;

  /** Whether the changes can be made at all; says why not. */
  function canMake(): boolean {
    setProblem("");
    if (changes.length === 0) {
      setProblem(say.sayWhatIsDifferentType);
      return false;
    }
    try {
      variantOf(file, changes);
      return true;
    } catch (error) {
      if (!(error instanceof ChangeError)) throw error;
      setProblem(error.message);
      return false;
    }
  }

  async function prove() {
    if (!desk || !canMake()) return;
    const ask = (tell: (share: number) => void) => desk.remote.proveChange(file, changes, guards, Comlink.proxy(tell));
    try {
      setProof({ key, proof: await whileAwaited(ask, setShare) });
    } catch (error) {
      setProblem((error as Error).message);
    }
  }

  function another() {
    if (!change || !canMake()) return;
    setKept(all);
    setDraft(FIRST_DRAFT);
    setCircuit({ ...FIRST_CIRCUIT, kind: circuit.kind });
  }

  async function build() {
    if (!current?.allowed) return;
    if (await onLog(modifiedBody(all, { reason, customer }, current.findings, guards))) setKept([]);
  }

  return (
    <>
      {job.work.modifications.length > 0 ? (
        <section className="rig-sheet" aria-label={say.builtIntoThisUnit}>
          <h2>
            <i className="bi bi-exclamation-diamond-fill" aria-hidden /> {say.builtIntoThisUnit}
          </h2>
          <ul>
            {job.work.modifications.map((m) => (
              <li key={m.id}>
                <strong>{m.body.words}</strong>: {m.body.reason} ({m.body.customer})
              </li>
            ))}
          </ul>
          <Link className="btn btn-outline-dark" href={`/units/${unit}/label`}>
            {say.printTheLabel}
          </Link>
        </section>
      ) : null}
      <section className="rig-sheet" aria-label={say.theChange}>
        <p className="quiet">{say.aChangeIsProvenOn}</p>
        {kept.length > 0 ? (
          <ol className="mark-list">
            {kept.map((k, i) => (
              <li key={JSON.stringify(k.change)}>
                <span>{k.words}</span>
                {i === kept.length - 1 ? (
                  <Button
                    variant="link"
                    aria-label={say.leaveOutWords(k.words)}
                    onClick={() => setKept(kept.slice(0, -1))}
                  >
                    <i className="bi bi-x-lg" aria-hidden />
                  </Button>
                ) : null}
              </li>
            ))}
          </ol>
        ) : null}
        <div className="repair-asks">
          <Form.Group controlId="change-what">
            <Form.Label>{say.what}</Form.Label>
            <Form.Select
              value={what}
              onChange={(e) => {
                setWhat(e.target.value as CircuitChange["change"]);
                setDraft({ ...draft, values: {} });
              }}
            >
              {WHAT.map(([id, name]) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </Form.Select>
          </Form.Group>
          {isInPlace(what) ? (
            <ChangeChoice machine={sofar} draft={{ ...draft, what }} names onChange={setDraft} />
          ) : (
            <CircuitChoice machine={sofar} what={what} draft={circuit} onChange={setCircuit} />
          )}
        </div>
        {asked.length > 0 ? (
          <GuardQuestions guards={asked} isKnown={known !== null} answers={guards} onChange={setGuards} />
        ) : null}
        <div className="d-flex gap-2 flex-wrap align-items-center">
          <Button size="lg" disabled={share !== null || !desk} onClick={() => void prove()}>
            {say.proveIt}
          </Button>
          <Button
            size="lg"
            variant="outline-dark"
            disabled={share !== null || !change || kept.length >= MOST - 1}
            onClick={another}
          >
            <i className="bi bi-plus-lg" aria-hidden /> {say.andAnotherChange}
          </Button>
        </div>
        {share === null ? null : (
          <div role="status" className="mt-2">
            <p className="quiet mb-1">{say.everySituationWithEveryPart}</p>
            <Progress now={Math.round(100 * share)} label={say.provingIt} />
          </div>
        )}
        <p className="problem mb-0" role="alert">
          {problem || lost}
        </p>
      </section>
      {current ? (
        <section className={`rig-sheet ${current.allowed ? "" : "is-refused"}`} aria-label={say.whatCameOfIt}>
          <h2>
            <i className={`bi ${current.allowed ? "bi-check-circle-fill" : "bi-x-octagon-fill"}`} aria-hidden />{" "}
            {current.allowed ? say.itMayBeBuilt : "Refused."}{" "}
            {current.situations > 0 ? (
              <span className="quiet">{say.situationsSituationsSimulated(current.situations)}</span>
            ) : null}
          </h2>
          <ul className="findings">
            {current.findings.map((f) => (
              <li key={f.of + f.words} className={f.ok ? "passed" : "failed"}>
                <i className={`bi ${f.ok ? "bi-check-circle-fill" : "bi-x-octagon-fill"}`} aria-hidden />{" "}
                <span>
                  <strong>{OF[f.of]}:</strong> {f.words}
                </span>
              </li>
            ))}
          </ul>
          {current.allowed ? (
            <>
              {current.warnings.length > 0 ? (
                <ul>
                  {current.warnings.map((w) => (
                    <li key={w}>{w}</li>
                  ))}
                </ul>
              ) : null}
              <p className="swap-caution">{say.itMarksThisUnitFor}</p>
              <div className="repair-asks">
                <Form.Group controlId="change-reason">
                  <Form.Label>{say.reason}</Form.Label>
                  <Form.Control value={reason} maxLength={400} onChange={(e) => setReason(e.target.value)} />
                </Form.Group>
                <Form.Group controlId="change-customer">
                  <Form.Label>{say.customersWordGivenBy}</Form.Label>
                  <Form.Control value={customer} maxLength={80} onChange={(e) => setCustomer(e.target.value)} />
                </Form.Group>
              </div>
              <Button
                size="lg"
                disabled={busy || reason.trim() === "" || customer.trim() === ""}
                onClick={() => void build()}
              >
                {say.buildItAndMarkThe}
              </Button>
            </>
          ) : null}
        </section>
      ) : null}
    </>
  );
}

/** The machine with the changes kept so far; as it is where they no longer fit it, for they were built in just now. */
function withChanges(machine: Machine, changes: readonly CircuitChange[]): Machine {
  if (changes.length === 0) return machine;
  try {
    return variantOf(machine.file, changes);
  } catch (error) {
    if (error instanceof ChangeError) return machine;
    throw error;
  }
}
