"use client";

import { useRouter } from "next/navigation";
import { useMemo, useState, type FormEvent } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import {
  failedReading,
  judge,
  PROOF_GROUPS,
  purposeOf,
  proofState,
  type ProofStep,
  toldOfRepair,
} from "../../core/repair";
import { useDesk } from "../shell/useDesk";
import { useKept } from "../shell/useKept";
import { Photos } from "./Photos";
import { TesterFields } from "./TesterFields";
import type { RepairProps } from "./repair-props";
import { useEngine } from "../engine/useEngine";
import { isPowered } from "../../core/safety";
import { careNow, provedBody, waitedBody, waitingBody, WHOLE_UNIT } from "../../core/journal";
import { Progress } from "../shell/Progress";
import { say } from "#words/ui/repair/Prove";

const NONE: readonly ProofStep[] = [];

/** The proof that the fault is gone and the machine safe: one step at a time, measured or seen, passed or failed. */
export function Prove({
  machine,
  job,
  assembly,
  fault,
  busy,
  onLog,
  onBack,
}: RepairProps & { readonly fault: string | null; readonly onBack: () => void }) {
  const router = useRouter();
  const [cord, setCord] = useKept("unzo.cord");
  const taken = fault ?? job.work.decisions.findLast((d) => d.body.piece === assembly)?.body.fault ?? null;
  const metres = Number(cord.replace(",", "."));
  const { desk, problem: gone } = useDesk(machine.file);
  const complaint = job.opened.complaint ?? null;
  const [part, mode] = (taken ?? "").split(":") as [string, string | undefined];
  const known = mode !== undefined && machine.partById.get(part)?.modes.some((m) => m.id === mode);
  const purpose = useMemo(() => purposeOf(machine, job), [machine, job]);
  const isWhole = assembly === WHOLE_UNIT;
  const { value: script, problem: lostScript } = useEngine(
    desk,
    "proofRun",
    [complaint, known ? { part, mode } : null, metres > 0 ? metres : 2, isWhole ? null : assembly, purpose],
    true,
  );
  const lost = gone || lostScript;
  const steps = script ?? NONE;
  const state = proofState(steps, job.work.proved);
  const result = new Map(job.work.proved.map((p) => [p.body.step, p.body]));
  const [picked, setPicked] = useState<string | null>(null);
  // One step may be several entries: what was waited for, what is proven, what it makes of the repair.
  const [working, setWorking] = useState(false);
  const step = steps.find((s) => s.id === picked) ?? state.next;
  const waiting = step?.wait ? job.work.waits.find((w) => w.body.wait === step.id) : undefined;

  const proven = isWhole ? say.everyStepPassed : say.provenTheFaultIsGone;

  /** How the unit may be left while a step waits: as it then stands, with the covers that are off now. */
  const careOf = ({ test, limit }: ProofStep) => {
    const setup = machine.setupById.get(test?.setup ?? job.setup);
    return careNow({
      powered: setup !== undefined && isPowered(setup),
      coversOff: job.openPanels.length > 0,
      // What is waited for is a load that comes on, unless it is only measured at rest.
      startsByItself: limit === undefined,
    });
  };

  async function log(passed: boolean, typed: string) {
    setWorking(true);
    await record(passed, typed);
    setWorking(false);
  }

  /** The clock of the step that comes now begins by itself: it is reached, and the machine stands as it was left. */
  async function beginNext(done: ProofStep, passed: boolean, typed: string) {
    if (!passed || done !== state.next) return;
    const now = proofState(steps, [...job.work.proved, { body: provedBody(done, passed, typed) }]).next;
    if (!now?.wait || job.work.waits.some((w) => w.body.wait === now.id)) return;
    await onLog(waitingBody(now, now.wait, assembly, careOf(now)));
  }

  async function record(passed: boolean, typed: string) {
    if (!step) return;
    if (waiting) await onLog(waitedBody(step.id));
    if (!(await onLog(provedBody(step, passed, typed)))) return;
    setPicked(null);
    await beginNext(step, passed, typed);
    const reading = passed ? null : failedReading(machine, step, typed);
    if (reading) await onLog(reading);
    if (isWhole) return;
    const told = toldOfRepair(machine, job, assembly, steps, step, passed, typed);
    // Where it has not helped, the search goes on with all that is known.
    if (told && (await onLog(told)) && told.result === "stays") router.push(`/jobs/${job.id}`);
  }

  if (!script)
    return (
      <section className="rig-sheet" role="status" aria-busy={lost === ""}>
        <h2>{say.workingOutWhatASound}</h2>
        {lost ? <p className="problem">{lost}</p> : <Progress label={say.computing} />}
      </section>
    );
  return (
    <>
      <section className="rig-sheet prove-now" aria-label={say.nextStepOfTheProof}>
        {step ? (
          <>
            <p className="next-kicker">
              {say.proofgroupsPassedOfTotalPassed(PROOF_GROUPS[step.group], state.passed, state.total)}
            </p>
            <h2>{step.words}</h2>
            {step.also ? <p className="quiet">{say.itAlsoShows(step.also.join("; "))}</p> : null}
            <p>{step.how}</p>
            {step.limit ? <p className="quiet">{step.limit.source}</p> : null}
            {step.group === "safety" ? <TesterFields job={job} busy={busy} onLog={onLog} /> : null}
            {step.cautions.map((c) => (
              <p key={c} className="swap-caution">
                <i className="bi bi-exclamation-triangle" aria-hidden /> {c}
              </p>
            ))}
            {step.consequence ? (
              <>
                <p className="quiet">{say.otherwise(step.consequence)}</p>
                <Photos job={job} stage={step.words.slice(0, 120)} busy={busy} onLog={onLog} />
              </>
            ) : null}
            <p className="prove-wanted">
              {say.passes} <strong className="value">{step.expected}</strong>
            </p>
            {step.wait && !waiting ? (
              <Button
                size="lg"
                variant="outline-dark"
                className="mb-2"
                disabled={busy}
                onClick={() => void onLog(waitingBody(step, step.wait!, assembly, careOf(step)))}
              >
                <i className="bi bi-hourglass-split" aria-hidden /> {say.startTheClock}
              </Button>
            ) : null}
            {waiting ? (
              <p className="quiet">
                <i className="bi bi-hourglass-split" aria-hidden /> {say.itsClockRuns}
              </p>
            ) : null}
            <Answer key={step.id} step={step} busy={busy || working} onLog={log} />
          </>
        ) : (
          <>
            <h2>
              <i className={`bi ${state.complete ? "bi-check-circle-fill" : "bi-x-octagon-fill"}`} aria-hidden />{" "}
              {state.complete ? proven : say.notProven}
            </h2>
            {state.failed.length > 0 ? (
              <p className="swap-caution">{say.failedItIsNotHanded(state.failed.map((f) => f.words).join(", "))}</p>
            ) : null}
            <Button size="lg" onClick={onBack}>
              {say.whatIsStillToRestore}
            </Button>
          </>
        )}
      </section>
      <section className="rig-sheet" aria-label={say.allSteps}>
        <div className="d-flex gap-3 align-items-end flex-wrap mb-2">
          <Form.Group controlId="cord">
            <Form.Label>{say.cordMetres}</Form.Label>
            <Form.Control
              className="value"
              style={{ width: "6rem" }}
              value={cord}
              placeholder="2"
              onChange={(e) => setCord(e.target.value)}
            />
          </Form.Group>
          {steps.some((s) => s.limit) ? null : <p className="mb-0 quiet">{say.itRunsOnItsOwn}</p>}
        </div>
        <ol className="proof-list">
          {steps.map((s) => {
            const r = result.get(s.id);
            const stands = resultOf(r);
            return (
              <li key={s.id} className={stands.className}>
                <button type="button" aria-current={s === step ? "step" : undefined} onClick={() => setPicked(s.id)}>
                  <i className={`bi ${stands.icon}`} aria-hidden />
                  <span>
                    <span className="visually-hidden">{stands.spoken}</span>
                    {s.words}
                    {s.also ? <span className="quiet d-block">{say.itAlsoShows(s.also.join("; "))}</span> : null}
                    <span className="quiet d-block">
                      {PROOF_GROUPS[s.group]}; {s.group === "functions" && !s.test ? s.how : s.expected}
                    </span>
                  </span>
                  <span className="value">{r?.typed ?? ""}</span>
                </button>
              </li>
            );
          })}
        </ol>
      </section>
    </>
  );
}

/** What was measured or seen at one step. */
function Answer({
  step,
  busy,
  onLog,
}: {
  step: ProofStep;
  busy: boolean;
  onLog: (passed: boolean, typed: string) => Promise<void>;
}) {
  const [typed, setTyped] = useState("");
  const [problem, setProblem] = useState("");
  const measured = step.limit !== undefined || (step.test !== undefined && step.test.function !== "look");
  if (!measured) {
    return (
      <div className="d-flex gap-2 flex-wrap">
        <Button size="lg" disabled={busy} onClick={() => void onLog(true, step.expected)}>
          <i className="bi bi-check-lg" aria-hidden /> {step.test && !step.wait ? step.expected : "Yes"}
        </Button>
        <Button
          size="lg"
          variant="outline-dark"
          disabled={busy}
          onClick={() => void onLog(false, step.consequence ?? say.notSo)}
        >
          <i className="bi bi-x-lg" aria-hidden /> {say.no}
        </Button>
      </div>
    );
  }
  const judged = typed.trim() === "" ? null : judge(step, typed);
  function submit(event: FormEvent) {
    event.preventDefault();
    if (!judged) return setProblem(say.typeWhatTheMeterShows);
    if (judged.kind === "unread") return setProblem(judged.words);
    void onLog(judged.kind === "pass", typed.trim());
  }
  return (
    <Form className="d-flex gap-2 flex-wrap align-items-center" onSubmit={submit}>
      <Form.Label htmlFor="proof-reading" className="visually-hidden">
        {say.reading}
      </Form.Label>
      <Form.Control
        id="proof-reading"
        size="lg"
        className="value proof-reading"
        autoFocus
        autoComplete="off"
        value={typed}
        placeholder={say.reading}
        onChange={(e) => {
          setTyped(e.target.value);
          setProblem("");
        }}
      />
      <Button type="submit" size="lg" disabled={busy}>
        {say.log}
      </Button>
      {judged && judged.kind !== "unread" ? (
        <strong className={judged.kind === "pass" ? "all-back" : "swap-caution"}>
          <i className={`bi ${judged.kind === "pass" ? "bi-check-circle-fill" : "bi-x-octagon-fill"}`} aria-hidden />{" "}
          {judged.kind === "pass" ? "passes" : "fails"}
        </strong>
      ) : null}
      <p className="problem w-100 mb-0" role="alert">
        {problem}
      </p>
    </Form>
  );
}

/** How a step stands, by class, symbol and spoken word. */
const RESULTS = {
  open: { className: "", icon: "bi-circle", spoken: say.open },
  passed: { className: "passed", icon: "bi-check-circle-fill", spoken: say.passed },
  failed: { className: "failed", icon: "bi-x-octagon-fill", spoken: say.failed },
};

function resultOf(proved: { readonly passed: boolean } | undefined) {
  if (!proved) return RESULTS.open;
  return proved.passed ? RESULTS.passed : RESULTS.failed;
}
