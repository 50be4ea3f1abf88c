"use client";

import Button from "react-bootstrap/Button";
import type { Job } from "../../core/journal";
import type { Machine } from "../../core/model";
import { use } from "react";
import type { UnitRecord } from "../../contract/units";
import { clockTime, dayName } from "../shell/time";
import { useKnownState } from "./useKnownState";
import { say } from "#words/ui/unit";

/**
 * Says where the unit stands otherwise than this job has it: power belongs to the unit, whoever changed it wherever.
 */
export function UnitPower({
  unit: coming,
  job,
  machine,
  busy,
  onTake,
}: {
  unit: Promise<UnitRecord>;
  job: Job;
  machine: Machine;
  busy: boolean;
  onTake: (setup: string) => void;
}) {
  const unit = use(coming);
  const { state, stale } = useKnownState(unit.id, unit.state);
  if (stale)
    return (
      <span className="power-mark" role="alert">
        <i className="bi bi-exclamation-triangle-fill" aria-hidden /> {say.powerUnknownTreatAsLive}
      </span>
    );
  const last = job.stays.at(-1)!;
  // What this job takes for granted since it was opened counts for less than what anybody has said.
  const isNews = state !== null && (job.stays.length === 1 || state.at > last.at);
  if (!isNews || state.setup === job.setup) return null;
  const name = machine.setupById.get(state.setup)?.name ?? state.setup;
  return (
    <span className="power-mark" role="alert">
      <i className={`bi ${state.powered ? "bi-plug-fill" : "bi-plug"}`} aria-hidden />{" "}
      <span suppressHydrationWarning>
        {state.by}, {dayName(state.at)} {clockTime(state.at)}
        {state.job === job.id ? "" : say.anotherJob}: {name}
      </span>
      {machine.setupById.has(state.setup) ? (
        <Button size="sm" variant="light" disabled={busy} onClick={() => onTake(state.setup)}>
          {say.itStandsSo}
        </Button>
      ) : null}
    </span>
  );
}
