"use client";

import { useState } from "react";
import Button from "react-bootstrap/Button";
import type { Advice } from "../../core/isolate/advise";
import type { Evidence } from "../../core/isolate/evidence";
import type { Job } from "../../core/journal/fold";
import type { Desk } from "../shell/useDesk";
import { evidenceWords } from "./evidence-words";
import { Reasons } from "./Reasons";

interface Props {
  readonly advice: Advice | null;
  readonly progress: number;
  readonly job: Job;
  readonly desk: Desk | null;
  readonly evidence: readonly Evidence[];
  readonly numbers: boolean;
  readonly onNumbers: () => void;
  readonly onCall: () => void;
}

/** What is still possible, in words first; and what is cleared, by which reading. */
export function Suspects({ advice, progress, job, desk, evidence, numbers, onNumbers, onCall }: Props) {
  const [opened, setOpened] = useState<string | null>(null);
  const shown = advice?.suspects.filter((s, i) => i < 6 && s.probability >= 0.01) ?? [];
  return (
    <section className="suspects" aria-label="Still possible">
      <div className="panel-head">
        <h2>Still possible</h2>
        <Button size="sm" variant="link" aria-pressed={numbers} onClick={onNumbers}>numbers <kbd>Alt N</kbd></Button>
        <Button size="sm" variant="outline-dark" onClick={onCall} disabled={!advice}>Call <kbd>Alt K</kbd></Button>
      </div>
      {advice?.isWider ? <p className="wider mb-1"><i className="bi bi-intersect" aria-hidden /> No single fault explains it: two at once are weighed too, and a unit not as drawn.</p> : null}
      {advice ? null : <p className="quiet mb-0">Trying every fault, {Math.round(progress * 100)} %</p>}
      <ul>
        {shown.map((s) => (
          <li key={s.piece}>
            <details open={opened === s.piece} onToggle={(e) => { const { open } = e.currentTarget; setOpened((before) => (open ? s.piece : before === s.piece ? null : before)); }}>
              <summary>
                <span className="suspect-name">{s.name}</span>
                <span className="suspect-word">{numbers ? `${(s.probability * 100).toFixed(s.probability < 0.1 ? 1 : 0)} %` : s.word}</span>
                <span className="suspect-bar" aria-hidden><span style={{ width: `${Math.max(1, s.probability * 100)}%` }} /></span>
              </summary>
              <ul className="faults">{s.faults.slice(0, 5).map((f) => <li key={f.id}>{f.name}{numbers ? `, ${(f.probability * 100).toFixed(1)} %` : ""}</li>)}</ul>
              {opened === s.piece ? <Reasons desk={desk} evidence={evidence} piece={s.piece} job={job} numbers={numbers} /> : null}
            </details>
          </li>
        ))}
      </ul>
      {advice && advice.cleared.length > 0 ? (
        <details className="cleared">
          <summary><i className="bi bi-check2" aria-hidden /> Cleared: {advice.cleared.length} parts</summary>
          <ul>
            {advice.cleared.map((c) => <li key={c.part}><strong>{c.name}</strong> <span className="quiet">by {c.by.map((id) => evidenceWords(job, id)).join("; ")}</span></li>)}
          </ul>
        </details>
      ) : null}
    </section>
  );
}
