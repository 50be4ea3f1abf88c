"use client";

import { useState, type ReactNode } from "react";
import Button from "react-bootstrap/Button";
import { FLICKERS, keyMarks } from "../../core/model";
import type { EventBody, Job, TrailReading } from "../../core/journal";
import { type Edge, resultWords, type RunSheet, type SheetLoad, type SheetStep } from "../../core/schedule";
import { type Test, testKey } from "../../core/simulate";
import { useEngine, type Desk } from "../engine/useEngine";
import { Stopwatch } from "./Stopwatch";
import { RestClock } from "./RestClock";
import type { Rest } from "./useRest";
import { Problem } from "../engine/Problem";
import { Digit } from "../shortcuts/Key";
import { useDigits, useShortcut } from "../shortcuts/useShortcut";
import { say } from "#words/ui/job/RunSheetView";

interface Props {
  readonly job: Job;
  readonly desk: Desk | null;
  readonly busy: boolean;
  readonly rest: Rest;
  readonly onStand: (setup: string) => Promise<boolean>;
  readonly onSaw: (test: Test, label: string) => Promise<boolean>;
  readonly onMeasure: (test: Test) => void;
  readonly onLog: (body: EventBody) => Promise<boolean>;
}

/** The machine's own tests: step by step what should run, what does, logged with one key; each is evidence. */
export function RunSheetView({ job, desk, busy, rest, onStand, onSaw, onMeasure, onLog }: Props) {
  const { value: sheet, problem } = useEngine(desk, "sheet", []);
  const [at, setAt] = useState(0);
  const results = new Map(
    job.readings
      .filter((r) => !r.struck && r.body.shown.kind === "label")
      .map((r) => [testKey({ ...r.body.test } as Test), r.body.shown.kind === "label" ? r.body.shown.label : ""]),
  );
  const resultOf = (load: SheetLoad) => results.get(testKey(load.test)) ?? null;
  const step = sheet?.steps[at];
  const open = step?.loads.find((l) => resultOf(l) === null) ?? null;
  const standsHere = step !== undefined && job.setup === step.setup;
  const mustRest = step !== undefined && !standsHere && rest.until !== null && rest.starts(step.setup);
  const labels = open ? labelsOf(open) : [];
  useDigits(labels.length, (i) => {
    if (open && standsHere && !busy) void onSaw(open.test, labels[i]!);
  });
  useShortcut("later", () => setAt((n) => Math.min((sheet?.steps.length ?? 1) - 1, n + 1)));
  useShortcut("earlier", () => setAt((n) => Math.max(0, n - 1)));
  if (problem) return <Problem words={problem} />;
  if (!sheet || !step) return <p role="status">{say.workingOutWhatShouldRun}</p>;
  return (
    <div className="run-sheet">
      <ol className="sheet-steps" aria-label={say.serviceTests}>
        {sheet.steps.map((s, i) => {
          const [done, wrong] = [
            s.loads.filter((l) => resultOf(l) !== null),
            s.loads.filter((l) => resultOf(l) !== null && resultOf(l) !== l.should),
          ];
          return (
            <li key={s.setup}>
              <button type="button" aria-current={i === at ? "step" : undefined} onClick={() => setAt(i)}>
                <span className={`mark ${stateOf(wrong, done, s)}`} aria-hidden />
                <span>
                  {s.name}
                  <span className="quiet"> {countWords(wrong, done, s)}</span>
                </span>
              </button>
            </li>
          );
        })}
      </ol>
      <div className="sheet-step">
        <h2>{step.name}</h2>
        <p className="mb-1">{step.how}</p>
        <p className="cautions mb-1">
          <i className="bi bi-exclamation-triangle" aria-hidden /> {say.coversStayOnHandsHair}
        </p>
        {step.legs.length > 0 ? (
          <p className="way-keys">
            {step.legs
              .flatMap((l) => (l.gesture ? keyMarks([l.gesture]) : [say.powerOffOn]))
              .map((k, i) => (
                <span key={i} className="key-mark">
                  {k}
                </span>
              ))}
          </p>
        ) : null}
        {mustRest ? (
          <p className="rest" role="status">
            <i className="bi bi-hourglass-split" aria-hidden /> {say.compressorRestartDelay}{" "}
            <strong className="value">
              {rest.until === null ? null : <RestClock until={rest.until} minutes={rest.minutes} />}
            </strong>{" "}
            {say.beforeThisStepStartsIt}
          </p>
        ) : null}
        {!standsHere ? (
          <Button size="lg" disabled={busy || mustRest} onClick={() => void onStand(step.setup)}>
            {say.itIsInThisStep}
          </Button>
        ) : null}
        <ul className="sheet-loads">
          {step.loads.map((load) => (
            <Load
              key={load.part}
              load={load}
              result={resultOf(load)}
              isOpen={load === open && standsHere}
              disabled={!standsHere || busy}
              onSaw={(label) => void onSaw(load.test, label)}
            >
              {load.runs && load === open && standsHere ? (
                <Stopwatch setup={step.setup} load={load} busy={busy} onLog={onLog} />
              ) : null}
            </Load>
          ))}
        </ul>
        {step.clamps.length > 0 ? (
          <div className="sheet-clamps">
            <h3>{say.meanwhileWithAClamp}</h3>
            <ul className="plain-list">
              {step.clamps.map((c) => (
                <li key={c.name}>
                  <span>
                    {c.name}: <span className="value">{c.window}</span>
                  </span>
                  <Button size="sm" variant="outline-dark" onClick={() => onMeasure(c.test)}>
                    {say.measure}
                  </Button>
                </li>
              ))}
            </ul>
          </div>
        ) : null}
      </div>
      <Relays
        sheet={sheet}
        verdicts={
          new Map(
            job.readings.filter((r) => !r.struck).map((r) => [testKey({ ...r.body.test } as Test), r.body.as.verdict]),
          )
        }
      />
    </div>
  );
}

const labelsOf = (load: SheetLoad) => [...load.labels.filter((l) => l !== FLICKERS), FLICKERS];

function Load({
  load,
  result,
  isOpen,
  disabled,
  onSaw,
  children,
}: {
  load: SheetLoad;
  result: string | null;
  isOpen: boolean;
  disabled: boolean;
  onSaw: (label: string) => void;
  children: ReactNode;
}) {
  return (
    <li className={isOpen ? "is-now" : ""}>
      <div>
        <strong>{load.name}</strong>{" "}
        <span className={load.runs ? "should-run" : "should-rest"}>{say.shouldShould(load.should)}</span>
      </div>
      {isOpen ? <p className="quiet mb-1">{load.noticed}</p> : null}
      {children}
      {result !== null ? (
        <p className="mb-0">
          <span className={`mark ${result === load.should ? "fits" : "misfit"}`} aria-hidden />{" "}
          <strong>{resultWords(load, result)}</strong>{" "}
          <span className="quiet">{result === load.should ? say.asExpected : say.notAsExpected}</span>
        </p>
      ) : null}
      {result === null ? (
        <div className="labels small" role="group" aria-label={say.whatDoesItDo(load.name)}>
          {labelsOf(load).map((label, i) => (
            <Button key={label} variant="outline-dark" disabled={disabled} onClick={() => onSaw(label)}>
              {isOpen ? <Digit n={i + 1} /> : null} {resultWords(load, label)}
            </Button>
          ))}
        </div>
      ) : null}
    </li>
  );
}

/** Each relay with its two edges: proven to close, proven to open again. */
function Relays({
  sheet,
  verdicts,
}: {
  sheet: RunSheet;
  verdicts: ReadonlyMap<string, TrailReading["body"]["as"]["verdict"]>;
}) {
  if (sheet.relays.length === 0) return null;
  const where = (edges: readonly Edge[]) => [
    ...new Set(
      edges.map((e) => `${e.name.toLowerCase()} in ${sheet.steps.find((s) => s.setup === e.setup)?.name ?? e.setup}`),
    ),
  ];
  const said = (edges: readonly Edge[], verdict: string) =>
    edges.some((e) => verdicts.get(testKey(e.test)) === verdict);
  const edge = (edges: readonly Edge[]) => {
    if (said(edges, "does not fit"))
      return (
        <strong>
          <span className="mark misfit" aria-hidden /> {say.notAsExpected}
        </strong>
      );
    if (said(edges, "fits"))
      return (
        <span className="proven">
          <i className="bi bi-check2" aria-hidden /> {say.proven}
        </span>
      );
    return edges.length > 0 ? (
      <span className="quiet">
        {say.by} {where(edges)[0]}
      </span>
    ) : (
      <span className="quiet">{say.noStepShowsItMeasure}</span>
    );
  };
  return (
    <div className="sheet-relays">
      <h3>{say.relaysThatItClosesAnd}</h3>
      <table className="table table-sm">
        <thead>
          <tr>
            <th>{say.relay}</th>
            <th>{say.closes}</th>
            <th>{say.opens}</th>
          </tr>
        </thead>
        <tbody>
          {sheet.relays.map((r) => (
            <tr key={r.relay}>
              <th scope="row">{r.name}</th>
              <td>{edge(r.closes)}</td>
              <td>{edge(r.opens)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function stateOf(wrong: SheetLoad[], done: SheetLoad[], s: SheetStep): "open" | "fits" | "misfit" {
  if (wrong.length > 0) return "misfit";
  if (done.length > 0 && done.length === s.loads.length) return "fits";
  return "open";
}

function countWords(wrong: SheetLoad[], done: SheetLoad[], s: SheetStep): string {
  if (wrong.length > 0) return say.notAsExpected;
  if (done.length > 0) return `${done.length} of ${s.loads.length}`;
  return "";
}
