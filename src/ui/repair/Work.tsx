"use client";

import { useMemo, useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { matchPart, procedureOfJob, wayBack, type WorkStage, type WorkStep } from "../../core/repair";
import type { RepairProps } from "./repair-props";
import { Photos } from "./Photos";
import { abandonedBody, stagedBody, waitedBody } from "../../core/journal";
import { ReasonDialog } from "../shell/ReasonDialog";
import { DryingTimer, useDrying } from "./DryingTimer";
import { say } from "#words/ui/repair/Work";

/** How the repair that was chosen is made, step by step; ticks and photos are kept in the journal. */
export function Work({
  machine,
  job,
  assembly,
  fault,
  busy,
  onLog,
  onDone,
}: RepairProps & { readonly fault: string | null; readonly onDone: () => void }) {
  const [transfer, setTransfer] = useState(false);
  const [stopping, setStopping] = useState(false);
  const decided = job.work.decisions.findLast((d) => d.body.piece === assembly)?.body;
  const inHand = job.work.matches.findLast((m) => m.body.piece === assembly)?.body;
  const plan = useMemo(
    () => procedureOfJob(machine, job, { assembly, fault, transfer }),
    [machine, job, assembly, fault, transfer],
  );
  const ticked = new Set(job.work.stages[assembly]);
  const isDone = (stage: WorkStage) => ticked.has(stage.id) || stage.steps.every((s) => ticked.has(s.id));
  const done = new Set(
    plan.stages.flatMap((stage) =>
      stage.steps.filter((s) => ticked.has(stage.id) || ticked.has(s.id)).map((s) => s.id),
    ),
  );
  const next = plan.stages.find((s) => !isDone(s));
  const { body: drying } = useDrying(assembly);
  const isDrying = job.work.waits.some((w) => w.body.wait === drying.wait);

  /** A tick; the clock of what dries begins by itself when all before it is done, and ends with its own tick. */
  async function tick(id: string, isNow: boolean) {
    if (!(await onLog(stagedBody(assembly, id, isNow))) || !isNow) return;
    const all = plan.stages.flatMap((stage) => stage.steps.map((step) => ({ stage: stage.id, step })));
    const isTicked = ({ stage, step }: (typeof all)[number]) =>
      ticked.has(stage) || ticked.has(step.id) || id === stage || id === step.id;
    const open = all.find((one) => !isTicked(one));
    if (isDrying) {
      if (all.some((one) => one.step.waits && isTicked(one))) await onLog(waitedBody(drying.wait));
    } else if (open?.step.waits) await onLog(drying);
  }
  const back = wayBack(plan, done);
  if (machine.assemblyById.get(assembly)!.licensed)
    return (
      <p className="rig-sheet" role="status">
        {say.workForALicensedTrade}
      </p>
    );
  if (inHand && !inHand.despite && matchPart(machine, assembly, inHand.number, inHand.revision).stops)
    return (
      <p className="rig-sheet swap-caution" role="status">
        {say.thePartInHandMustNot(inHand.number)} {inHand.words}
      </p>
    );
  return (
    <section aria-label={say.theSwap} className="swap">
      <div className="d-flex gap-3 align-items-center flex-wrap">
        <h2 className="mb-0">{say.partAboutMinutesMin(decided ? decided.words : say.theSwap, plan.minutes)}</h2>
        {plan.canTransfer ? (
          <Form.Check
            className="d-print-none"
            type="switch"
            id="transfer"
            label={say.plugsStraightOverOneAt}
            checked={transfer}
            onChange={(e) => setTransfer(e.target.checked)}
          />
        ) : null}
        {next && back.length > 0 ? (
          <Button variant="outline-dark" className="d-print-none" disabled={busy} onClick={() => setStopping(true)}>
            {say.stopHere}
          </Button>
        ) : null}
        {next ? null : (
          <Button size="lg" onClick={onDone}>
            {say.goOn}
          </Button>
        )}
      </div>
      {plan.lacks.map((words) => (
        <p key={words} className="quiet mb-0">
          {words}
        </p>
      ))}
      <ol className="swap-stages">
        {plan.stages.map((stage) => (
          <Stage
            key={stage.id}
            stage={stage}
            ticked={ticked}
            isDone={isDone(stage)}
            isNext={stage === next}
            busy={busy}
            onTick={(id, isNow) => void tick(id, isNow)}
            timer={<DryingTimer job={job} assembly={assembly} busy={busy} onLog={onLog} />}
          >
            {stage.steps.some((s) => s.photo) ? <Photos job={job} stage={stage.id} busy={busy} onLog={onLog} /> : null}
          </Stage>
        ))}
      </ol>
      <ReasonDialog
        show={stopping}
        title={say.stopHere}
        does={say.stopAndPutBack(back.length)}
        problem=""
        onHide={() => setStopping(false)}
        onReason={(reason) => onLog(abandonedBody(assembly, reason, back))}
      >
        <ol>
          {back.map((s) => (
            <li key={s.id}>{s.words}</li>
          ))}
        </ol>
      </ReasonDialog>
    </section>
  );
}

function Stage({
  stage,
  ticked,
  isDone,
  isNext,
  busy,
  onTick,
  timer,
  children,
}: {
  stage: WorkStage;
  ticked: ReadonlySet<string>;
  isDone: boolean;
  isNext: boolean;
  busy: boolean;
  onTick: (id: string, isNow: boolean) => void;
  timer: React.ReactNode;
  children: React.ReactNode;
}) {
  const isWhole = ticked.has(stage.id);
  return (
    <li
      className={`rig-sheet${isDone ? " is-done" : ""}${isNext ? " is-next" : ""}`}
      aria-current={isNext ? "step" : undefined}
    >
      <Form.Check
        id={`stage-${stage.id}`}
        label={<strong>{stage.name}</strong>}
        checked={isDone}
        disabled={busy || (isDone && !isWhole)}
        onChange={() => onTick(stage.id, !isWhole)}
      />
      <ul className="swap-steps">
        {stage.steps.map((s) => (
          <li key={s.id}>
            <Form.Check
              id={`step-${s.id.replaceAll(" ", "-")}`}
              checked={isWhole || ticked.has(s.id)}
              disabled={busy || isWhole}
              onChange={() => onTick(s.id, !ticked.has(s.id))}
              label={<StepWords step={s} />}
            />
            {s.cautions.map((c) => (
              <span key={c} className="swap-caution">
                <i className="bi bi-exclamation-triangle" aria-hidden /> {c}
              </span>
            ))}
            {s.waits ? timer : null}
          </li>
        ))}
      </ul>
      {children}
    </li>
  );
}

function StepWords({ step }: { step: WorkStep }) {
  return (
    <>
      {step.words}
      {step.photo ? (
        <>
          {" "}
          <i className="bi bi-camera" role="img" aria-label={say.takeAPhoto} />
        </>
      ) : null}
      {step.details.length > 0 ? <span className="quiet d-block">{step.details.join("; ")}</span> : null}
    </>
  );
}
