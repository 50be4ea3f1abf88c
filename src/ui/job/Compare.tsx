"use client";

import { useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { comparedBody, type EventBody } from "../../core/journal";
import { has, type Machine } from "../../core/model";
import { say } from "#words/ui/job/Compare";

type Side = { readonly setup: string; readonly part: string; readonly label: string };

/** "Works on this, not on that": clears what both need. */
export function Compare({
  machine,
  busy,
  onLog,
}: {
  machine: Machine;
  busy: boolean;
  onLog: (body: EventBody) => Promise<boolean>;
}) {
  const setups = machine.file.setups.filter((s) => s.power === "on");
  const parts = machine.parts.filter((p) => p.labels && !has(p, "tells-codes"));
  const start = (i: number): Side => ({
    setup: setups[Math.min(i, setups.length - 1)]!.id,
    part: parts[0]?.id ?? "",
    label: parts[0]?.labels?.[i] ?? "",
  });
  const [works, setWorks] = useState<Side>(() => start(0));
  const [fails, setFails] = useState<Side>(() => start(1));
  const [done, setDone] = useState("");
  if (parts.length === 0 || setups.length < 2) return <p className="quiet">{say.thereIsNothingToCompare}</p>;
  const words = (s: Side) =>
    `${machine.partById.get(s.part)?.name ?? ""} ${s.label} (${machine.setupById.get(s.setup)?.name ?? ""})`;
  async function log() {
    const body = comparedBody({ ...works, words: words(works) }, { ...fails, words: words(fails) });
    if (await onLog(body)) setDone(body.words);
  }
  const side = (name: string, value: Side, set: (s: Side) => void) => (
    <fieldset className="compare-side">
      <legend>{name}</legend>
      <Form.Select
        aria-label={say.howItStands(name)}
        value={value.setup}
        onChange={(e) => set({ ...value, setup: e.target.value })}
      >
        {setups.map((s) => (
          <option key={s.id} value={s.id}>
            {s.name}
          </option>
        ))}
      </Form.Select>
      <Form.Select
        aria-label={`${name}: part`}
        value={value.part}
        onChange={(e) =>
          set({ ...value, part: e.target.value, label: machine.partById.get(e.target.value)?.labels?.[0] ?? "" })
        }
      >
        {parts.map((p) => (
          <option key={p.id} value={p.id}>
            {p.name}
          </option>
        ))}
      </Form.Select>
      <Form.Select
        aria-label={say.whatItDoes(name)}
        value={value.label}
        onChange={(e) => set({ ...value, label: e.target.value })}
      >
        {(machine.partById.get(value.part)?.labels ?? []).map((l) => (
          <option key={l} value={l}>
            {l}
          </option>
        ))}
      </Form.Select>
    </fieldset>
  );
  return (
    <div className="compare">
      <div className="compare-sides">
        {side(say.worksOnThis, works, setWorks)}
        {side(say.notOnThat, fails, setFails)}
      </div>
      <Button
        variant="outline-dark"
        disabled={busy || JSON.stringify(works) === JSON.stringify(fails)}
        onClick={() => void log()}
      >
        {say.logTheComparison}
      </Button>
      {done ? (
        <p role="status" className="sound">
          {say.loggedDone(done)}
        </p>
      ) : null}
    </div>
  );
}
