"use client";

import type { ReactNode } from "react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import Form from "react-bootstrap/Form";
import { LINKED, type MeterFunction, unitOf } from "../../core/instrument";
import { cautionsFor, exposureOf, forbidden } from "../../core/safety";
import { FUNCTION_WORDS } from "../../core/diagnose";
import { commonShelf, type MachineFile } from "../../core/model";
import { readingText } from "../../core/quantity";
import { makeTest } from "../../core/simulate";
import { TopBar } from "../shell/TopBar";
import { MeterBar } from "./MeterBar";
import { say } from "#words/ui/meter";

/** A linked meter by itself: two points, a function, readings as they settle. */
export function MeterScreen({
  machines,
  file,
  hash,
}: {
  machines: readonly { readonly id: string; readonly name: string }[];
  file: MachineFile;
  hash: string;
}) {
  const router = useRouter();
  const machine = commonShelf().of(hash, file);
  const points = [...machine.points.values()];
  const reference = machine.file.references[0]?.points[0] ?? points[1]!.id;
  const [fn, setFn] = useState<MeterFunction>("dcv");
  const [setup, setSetup] = useState(machine.file.setups[0]!.id);
  const [red, setRed] = useState(points[0]!.id);
  const [black, setBlack] = useState(reference);
  const [fault, setFault] = useState("sound");
  const [rows, setRows] = useState<readonly { readonly at: number; readonly text: string; readonly where: string }[]>(
    [],
  );
  const made = makeTest(setup, fn, red, black);
  const entry = machine.setupById.get(setup)!;
  const refused = forbidden(machine, entry, made);
  const faults = machine.parts.flatMap((p) =>
    p.modes.map((m) => ({ id: `${p.id}:${m.id}`, name: `${p.name}: ${m.words}` })),
  );
  const pointName = (id: string) => machine.points.get(id)!.name;
  let answer: ReactNode;
  if (refused)
    answer = (
      <p className="problem" role="alert">
        {refused}
      </p>
    );
  else if (red === black)
    answer = (
      <p className="problem" role="alert">
        {say.bothLeadsOnOnePoint}
      </p>
    );
  else
    answer = (
      <MeterBar
        takeFirst
        fn={fn}
        live={exposureOf(machine, entry, made) === "live"}
        leads={{ setup, red, black }}
        where={{ machine: file.id, fault }}
        busy={false}
        onReading={(_, shown) =>
          setRows((r) =>
            [
              {
                at: r.length + 1,
                text: readingText(shown, unitOf(fn)),
                where: `${FUNCTION_WORDS[fn]}, ${pointName(red)} to ${pointName(black)}`,
              },
              ...r,
            ].slice(0, 50),
          )
        }
      />
    );
  return (
    <div className="start">
      <TopBar here={say.calculatorsAndBench} title={say.meterLink} />
      <main id="main" tabIndex={-1} className="tool-main">
        <header className="tool-head">
          <h1>{say.meterLink}</h1>
        </header>
        <Form className="tool-fields" onSubmit={(e) => e.preventDefault()} aria-label={say.whatIsMeasured}>
          <fieldset>
            <legend>{say.machine}</legend>
            <Form.Select
              aria-label={say.machine}
              value={file.id}
              onChange={(e) => router.push(`/tools/meter?machine=${e.target.value}`)}
            >
              {machines.map((m) => (
                <option key={m.id} value={m.id}>
                  {m.name}
                </option>
              ))}
            </Form.Select>
            <Choice
              id="setup"
              label={say.itStands}
              value={setup}
              options={machine.file.setups.map((s) => [s.id, s.name])}
              onChange={setSetup}
            />
            <Choice
              id="fault"
              label={say.standInHas}
              value={fault}
              options={[
                ["sound", "no fault"],
                ["hidden", say.aHiddenFault],
                ...faults.map((f) => [f.id, f.name] as const),
              ]}
              onChange={setFault}
            />
          </fieldset>
          <fieldset>
            <legend>{say.leads}</legend>
            <Choice
              id="fn"
              label={say.functionWord}
              value={fn}
              options={LINKED.map((f) => [f, FUNCTION_WORDS[f]])}
              onChange={(v) => setFn(v as MeterFunction)}
            />
            <Choice
              id="red"
              label={say.redLead}
              value={red}
              options={points.map((p) => [p.id, [p.name, p.where].filter(Boolean).join(", ")])}
              onChange={setRed}
            />
            <Choice
              id="black"
              label={say.blackLead}
              value={black}
              options={points.map((p) => [p.id, [p.name, p.where].filter(Boolean).join(", ")])}
              onChange={setBlack}
            />
          </fieldset>
        </Form>
        <section className="tool-result" aria-label={say.readings}>
          <ul className="cautions">
            {cautionsFor(machine, entry, made).map((c) => (
              <li key={c}>
                <i className="bi bi-exclamation-triangle" aria-hidden /> {c}
              </li>
            ))}
          </ul>
          {answer}
          <ol className="held" reversed aria-label={say.taken}>
            {rows.map((r) => (
              <li key={r.at}>
                <span className="value">{r.text}</span> <span className="quiet">{r.where}</span>
              </li>
            ))}
          </ol>
        </section>
      </main>
    </div>
  );
}

function Choice({
  id,
  label,
  value,
  options,
  onChange,
}: {
  id: string;
  label: string;
  value: string;
  options: readonly (readonly [string, string])[];
  onChange: (value: string) => void;
}) {
  return (
    <div className="tool-field">
      <Form.Label htmlFor={`meter-${id}`}>{label}</Form.Label>
      <Form.Select id={`meter-${id}`} value={value} onChange={(e) => onChange(e.target.value)}>
        {options.map(([v, words]) => (
          <option key={v} value={v}>
            {words}
          </option>
        ))}
      </Form.Select>
    </div>
  );
}
