"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import { useRef, useState, type FormEvent } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { type MachineFile, type PlateSaid, plateWords } from "../../core/model";
import type { MachineSummary } from "../../contract/machines";
import type { UnitRow } from "../../contract/units";
import type { JobKind } from "../../core/journal";
import { KindField } from "./KindField";
import { sendOnce } from "../shell/send";
import { useKept } from "../shell/useKept";
import { serialWords } from "../unit/plate";
import { EMPTY_PLATE, PlateFields, plateOf, plateFaults, type TypedPlate } from "../unit/PlateFields";
import { UnitFinder } from "../unit/UnitFinder";
import { openJob } from "../../contract/jobs";
import { machineOpening } from "../../contract/machines";
import { unitNow, type OpenJob } from "../../contract/units";
import { useRoute } from "../engine/useRoute";
import { Key } from "../shortcuts/Key";
import { useShortcut } from "../shortcuts/useShortcut";
import { Fault, faultOf, useFaults } from "../shell/useFaults";
import { jobAddress } from "../shell/job-address";
import { say } from "#words/ui/start";

interface Complaint {
  readonly id: string;
  readonly words: string;
}

/** What opening a job needs to know of a machine. */
interface Opening {
  readonly complaints: readonly Complaint[];
  readonly plates: MachineFile["plates"];
  readonly pieces: MachineFile["pieces"];
  /** Null until it is known. */
  readonly addOns: readonly { readonly id: string; readonly name: string }[] | null;
}
const NOTHING: Opening = { complaints: [], plates: [], pieces: [], addOns: null };

/** The unit that is chosen, or the machine of which a new one is typed. */
type Chosen =
  | { readonly kind: "unit"; readonly unit: UnitRow }
  | { readonly kind: "new"; readonly machine: Pick<MachineSummary, "id" | "maker" | "model">; readonly id: string };

/** A new job: which unit, what the complaint is, who. */
export function NewJob({ fixed }: { fixed?: Chosen }) {
  const router = useRouter();
  const [typed, setTyped] = useState("");
  const [chosen, setChosen] = useState<Chosen | null>(fixed ?? null);
  const [plate, setPlate] = useState<TypedPlate>(EMPTY_PLATE);
  const [kind, setKind] = useState<JobKind>("repair");
  const [purpose, setPurpose] = useState("");
  const [complaint, setComplaint] = useState("");
  const [comesAndGoes, setComesAndGoes] = useState(false);
  const [who, setWho] = useKept("unzo.who");
  const [problem, setProblem] = useState("");
  const [busy, setBusy] = useState(false);
  const id = useRef<string | null>(null);
  const finder = useRef<HTMLInputElement>(null);
  const { faults, check, mend } = useFaults();
  useShortcut("newJob", () => finder.current?.focus());
  const machine = chosen?.kind === "unit" ? chosen.unit.machine : (chosen?.machine.id ?? null);
  const { complaints, ...plated } = useOpening(machine);
  const open = useOpenJobs(chosen?.kind === "unit" ? chosen.unit.id : null);

  const choose = (next: Chosen | null) => {
    id.current = null;
    setChosen(next);
    setComplaint("");
    setProblem("");
  };

  async function begin(event: FormEvent) {
    event.preventDefault();
    const whole = check([
      ["unit-field", chosen ? "" : say.chooseTheUnitOrType],
      ...(chosen?.kind === "new" ? plateFaults(plate) : []),
      ["complaint", complaint || kind !== "repair" ? "" : say.chooseTheComplaint],
      ["purpose", purpose.trim() || kind === "repair" || kind === "setting" ? "" : say.sayWhatFor],
      ["who", who.trim() ? "" : say.sayWhoYouAre],
    ]);
    if (!whole || !chosen) return;
    setBusy(true);
    setProblem("");
    const unit =
      chosen.kind === "unit"
        ? { unit: chosen.unit.id }
        : { newUnit: { id: chosen.id, machine: chosen.machine.id, ...plateOf(plate) } };
    try {
      const body = {
        id: (id.current ??= crypto.randomUUID()),
        ...unit,
        kind,
        ...(kind === "repair" ? { complaint, comesAndGoes } : {}),
        ...(kind !== "repair" && purpose.trim() ? { purpose: purpose.trim() } : {}),
        actor: who.trim(),
        again: open.length > 0,
      };
      const job = await sendOnce(openJob, [], body);
      router.push(jobAddress({ id: job.id, kind, open: true }));
    } catch (error) {
      // Corrected and sent again it is another job: it gets another id.
      id.current = null;
      setProblem((error as Error).message);
      setBusy(false);
    }
  }

  return (
    <Form className="new-job" onSubmit={(e) => void begin(e)} onInput={mend} aria-labelledby="new-job" noValidate>
      <h2 id="new-job">
        {say.newJob} {fixed ? null : <Key of="newJob" />}
      </h2>
      {chosen ? (
        <div className="chosen-unit">
          {chosen.kind === "unit" ? (
            <span>
              <strong>{chosen.unit.site}</strong>
              <span className="quiet d-block">
                {chosen.unit.machineName}, {serialWords(chosen.unit.serial)}
              </span>
            </span>
          ) : (
            <span>
              <strong>{say.newUnit}</strong>
              <span className="quiet d-block">
                {chosen.machine.maker} {chosen.machine.model}
              </span>
            </span>
          )}
          {fixed ? null : (
            <Button variant="outline-dark" size="sm" onClick={() => choose(null)}>
              {say.change}
            </Button>
          )}
        </div>
      ) : (
        <UnitFinder
          field={finder}
          label={say.unit}
          typed={typed}
          onType={setTyped}
          onUnit={(unit) => choose({ kind: "unit", unit })}
          onMachine={(found) => choose({ kind: "new", machine: found, id: crypto.randomUUID() })}
          faults={faults}
        />
      )}
      {chosen?.kind === "new" ? (
        <PlateFields plate={plate} onChange={setPlate} faults={faults}>
          <PlatePicks {...plated} said={plate} />
        </PlateFields>
      ) : (
        <PlatePicks {...plated} said={chosen?.unit ?? {}} />
      )}
      {open.length > 0 ? (
        <ul className="open-jobs" aria-label={say.openJobsOnThisUnit}>
          {open.map((job) => (
            <li key={job.id}>
              <Link href={jobAddress({ ...job, open: true })}>
                <i className="bi bi-arrow-right-circle" aria-hidden />{" "}
                {say.openAlreadyComplaintActor(job.complaint ?? say.noComplaint2, job.actor)}
              </Link>
            </li>
          ))}
        </ul>
      ) : null}
      <KindField
        kind={kind}
        purpose={purpose}
        modules={plated.addOns}
        faults={faults}
        onKind={(next) => {
          id.current = null;
          setKind(next);
          setPurpose("");
        }}
        onPurpose={(next) => {
          id.current = null;
          setPurpose(next);
        }}
      />
      {kind === "repair" ? (
        <>
          <Form.Group controlId="complaint">
            <Form.Label>{say.complaint}</Form.Label>
            <Form.Select
              size="lg"
              value={complaint}
              disabled={!machine}
              {...faultOf(faults, "complaint")}
              onChange={(e) => {
                id.current = null;
                setComplaint(e.target.value);
              }}
            >
              <option value="">{machine ? "Choose" : say.chooseTheUnitFirst}</option>
              {complaints.map((c) => (
                <option key={c.id} value={c.id}>
                  {c.words}
                </option>
              ))}
            </Form.Select>
            <Fault faults={faults} of="complaint" />
          </Form.Group>
          <Form.Check
            type="switch"
            id="comes-and-goes"
            label={say.itComesAndGoes}
            checked={comesAndGoes}
            onChange={(e) => {
              id.current = null;
              setComesAndGoes(e.target.checked);
            }}
          />
        </>
      ) : null}
      <Form.Group controlId="who">
        <Form.Label>{say.who}</Form.Label>
        <Form.Control
          size="lg"
          value={who}
          maxLength={80}
          autoComplete="name"
          {...faultOf(faults, "who")}
          onChange={(e) => {
            id.current = null;
            setWho(e.target.value);
          }}
        />
        <Fault faults={faults} of="who" />
      </Form.Group>
      <p className="problem" role="alert">
        {problem}
      </p>
      <Button type="submit" size="lg" disabled={busy}>
        {open.length > 0 ? say.beginAnotherJob : "Begin"}
      </Button>
    </Form>
  );
}

/** Which boards belong into a unit with this plate, and which sheet draws it, where the file says. */
function PlatePicks({ plates, pieces, said }: Pick<Opening, "plates" | "pieces"> & { readonly said: PlateSaid }) {
  const words = plateWords({ plates, pieces }, said);
  return words === "" ? null : (
    <p className="plate-picks" role="status">
      <i className="bi bi-card-text" aria-hidden /> {words}
    </p>
  );
}

/** What opening a job needs to know of a machine; nothing until it is there. */
function useOpening(machine: string | null): Opening {
  const { value, stale } = useRoute(machineOpening, machine === null ? null : [machine]);
  return machine === null || stale ? NOTHING : (value ?? NOTHING);
}

/** The open jobs of a unit. Where they cannot be read the server asks before it opens a second one. */
function useOpenJobs(unit: string | null): readonly OpenJob[] {
  const { value, stale } = useRoute(unitNow, unit === null ? null : [unit]);
  return unit === null || stale ? [] : (value?.open ?? []);
}
