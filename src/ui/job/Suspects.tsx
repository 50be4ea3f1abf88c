"use client";

import Button from "react-bootstrap/Button";
import type { Advice } from "../../core/isolate/advise";
import type { Job } from "../../core/journal/fold";

/** What is still possible, in words first; and what is cleared, by which reading. */
export function Suspects({ advice, progress, job, numbers, onNumbers, onCall }: { advice: Advice | null; progress: number; job: Job; numbers: boolean; onNumbers: () => void; onCall: () => void }) {
  const shown = advice?.suspects.filter((s, i) => i < 6 && s.probability >= 0.01) ?? [];
  return (
    <section className="suspects" aria-label="Still possible">
      <div className="panel-head">
        <h2>Still possible</h2>
        <Button size="sm" variant="link" aria-pressed={numbers} onClick={onNumbers}>numbers <kbd>Alt N</kbd></Button>
        <Button size="sm" variant="outline-dark" onClick={onCall} disabled={!advice}>Call <kbd>Alt K</kbd></Button>
      </div>
      {advice ? null : <p className="quiet mb-0">Trying every fault, {Math.round(progress * 100)} %</p>}
      <ul>
        {shown.map((s) => (
          <li key={s.piece}>
            <details>
              <summary>
                <span className="suspect-name">{s.name}</span>
                <span className="suspect-word">{numbers ? `${(s.probability * 100).toFixed(s.probability < 0.1 ? 1 : 0)} %` : s.word}</span>
                <span className="suspect-bar" aria-hidden><span style={{ width: `${Math.max(1, s.probability * 100)}%` }} /></span>
              </summary>
              <ul className="faults">{s.faults.slice(0, 5).map((f) => <li key={f.id}>{f.name}{numbers ? `, ${(f.probability * 100).toFixed(1)} %` : ""}</li>)}</ul>
            </details>
          </li>
        ))}
      </ul>
      {advice && advice.cleared.length > 0 ? (
        <details className="cleared">
          <summary><i className="bi bi-check2" aria-hidden /> Cleared: {advice.cleared.length} parts</summary>
          <ul>
            {advice.cleared.map((c) => <li key={c.part}><strong>{c.name}</strong> <span className="quiet">by {c.by.map((id) => wordsFor(job, id)).join("; ")}</span></li>)}
          </ul>
        </details>
      ) : null}
    </section>
  );
}

function wordsFor(job: Job, evidence: string): string {
  if (evidence === "complaint") return "the complaint";
  const reading = job.readings.find((r) => r.id === evidence);
  const answer = job.answers.find((a) => a.id === evidence);
  if (answer) return `the answer: ${answer.body.words}`;
  return reading ? `${reading.body.as.shown}, ${reading.body.as.title}` : "a reading";
}
