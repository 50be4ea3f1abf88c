"use client";

import { useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { stagedBody } from "../../core/journal";
import { addOnCalled, addOnPlan, unitsOf } from "../../core/repair";
import { SwitchRow } from "../tools/SwitchRow";
import type { RepairProps } from "./repair-props";
import { say } from "#words/ui/repair/ModuleWork";

/** A module that is added, stage by stage, with what a price is keyed in as. */
export function ModuleWork({
  machine,
  job,
  busy,
  onLog,
  purpose,
  onDone,
}: Pick<RepairProps, "machine" | "job" | "busy" | "onLog"> & {
  readonly purpose: string;
  readonly onDone?: () => void;
}) {
  const addOn = addOnCalled(machine.file, purpose);
  const done = new Set(job.work.stages[addOn.id]);
  const plan = addOnPlan(machine, purpose);
  return (
    <section className="rig-sheet" aria-label={addOn.name}>
      <h2>{addOn.name}</h2>
      <ol className="key-steps">
        {plan.map((stage) => (
          <li key={stage.id}>
            <Form.Check
              id={`addon-${addOn.id}-${stage.id.replaceAll(" ", "-")}`}
              label={<strong>{stage.name}</strong>}
              checked={done.has(stage.id)}
              disabled={busy}
              onChange={() => void onLog(stagedBody(addOn.id, stage.id, !done.has(stage.id)))}
            />
            <ul>
              {stage.steps.map((s) => (
                <li key={s}>{s}</li>
              ))}
            </ul>
            {stage.drawing ? <SwitchRow drawing={stage.drawing} /> : null}
            {stage.id === "settings" && addOn.pricing ? <KeyedIn pricing={addOn.pricing} /> : null}
          </li>
        ))}
      </ol>
      {onDone ? (
        <Button size="lg" disabled={plan.some((s) => !done.has(s.id))} onClick={onDone}>
          {say.goOnToTheProof}
        </Button>
      ) : null}
    </section>
  );
}

type Pricing = NonNullable<ReturnType<typeof addOnCalled>["pricing"]>;

/** What is keyed in for a price or a time. */
function KeyedIn({ pricing }: { readonly pricing: Pricing }) {
  const [typed, setTyped] = useState("");
  const keyed = typed.trim() === "" ? null : unitsOf(Number(typed.replace(",", ".")), pricing);
  return (
    <div className="keyed-in">
      <Form.Group controlId="price">
        <Form.Label>
          {pricing.of}, {pricing.sign}
        </Form.Label>
        <Form.Control
          className="value"
          inputMode="decimal"
          value={typed}
          maxLength={12}
          onChange={(e) => setTyped(e.target.value)}
        />
      </Form.Group>
      <p role="status" className={keyed?.ok === false ? "problem mb-0" : "mb-0"}>
        {keyed?.ok ? (
          <>
            {pricing.where}: {say.keyIn} <strong className="value big-value">{keyed.units}</strong>
          </>
        ) : (
          keyed?.words
        )}
      </p>
    </div>
  );
}
