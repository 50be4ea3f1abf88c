"use client";

import { useMemo, useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { swapPlan, type SwapStage } from "../../core/repair";
import type { RepairProps } from "./repair-props";
import { Photos } from "./Photos";
import { stagedBody } from "../../core/journal";
import { say } from "#words/ui/repair/Swap";

/** How the assembly comes out and goes in, stage by stage; ticks and photos are kept in the journal. */
export function Swap({ machine, job, assembly, busy, onLog, onDone }: RepairProps & { readonly onDone: () => void }) {
  const [transfer, setTransfer] = useState(false);
  const plan = useMemo(() => swapPlan(machine, assembly, transfer), [machine, assembly, transfer]);
  const done = new Set(job.work.stages[assembly]);
  const next = plan.stages.find((s) => !done.has(s.id));
  const decided = job.work.decisions.findLast((d) => d.body.piece === assembly)?.body;
  if (machine.assemblyById.get(assembly)!.licensed)
    return (
      <p className="rig-sheet" role="status">
        {say.workForALicensedTrade}
      </p>
    );
  return (
    <section aria-label={say.theSwap} className="swap">
      <div className="d-flex gap-3 align-items-center flex-wrap">
        <h2 className="mb-0">{say.partAboutMinutesMin(decided ? decided.words : say.theSwap, plan.minutes)}</h2>
        <Form.Check
          className="d-print-none"
          type="switch"
          id="transfer"
          label={say.plugsStraightOverOneAt}
          checked={transfer}
          onChange={(e) => setTransfer(e.target.checked)}
        />
        {next ? null : (
          <Button size="lg" onClick={onDone}>
            {say.goOn}
          </Button>
        )}
      </div>
      <ol className="swap-stages">
        {plan.stages.map((stage) => (
          <Stage
            key={stage.id}
            stage={stage}
            done={done.has(stage.id)}
            isNext={stage === next}
            busy={busy}
            onTick={() => void onLog(stagedBody(assembly, stage.id, !done.has(stage.id)))}
          >
            {stage.steps.some((s) => s.photo) ? <Photos job={job} stage={stage.id} busy={busy} onLog={onLog} /> : null}
          </Stage>
        ))}
      </ol>
    </section>
  );
}

function Stage({
  stage,
  done,
  isNext,
  busy,
  onTick,
  children,
}: {
  stage: SwapStage;
  done: boolean;
  isNext: boolean;
  busy: boolean;
  onTick: () => void;
  children: React.ReactNode;
}) {
  return (
    <li
      className={`rig-sheet${done ? " is-done" : ""}${isNext ? " is-next" : ""}`}
      aria-current={isNext ? "step" : undefined}
    >
      <Form.Check
        id={`stage-${stage.id}`}
        label={<strong>{stage.name}</strong>}
        checked={done}
        disabled={busy}
        onChange={onTick}
      />
      <ul>
        {stage.steps.map((s) => (
          <li key={s.id}>
            {s.words}
            {s.photo ? (
              <>
                {" "}
                <i className="bi bi-camera" role="img" aria-label={say.takeAPhoto} />
              </>
            ) : null}
            {s.details.length > 0 ? <span className="quiet d-block">{s.details.join("; ")}</span> : null}
            {s.cautions.map((c) => (
              <span key={c} className="swap-caution">
                <i className="bi bi-exclamation-triangle" aria-hidden /> {c}
              </span>
            ))}
          </li>
        ))}
      </ul>
      {children}
    </li>
  );
}
