"use client";

import type { Evidence } from "../../core/diagnose";
import type { Job } from "../../core/journal";
import { useEngine, type Desk } from "../engine/useEngine";
import { evidenceWords } from "./evidence-words";
import { Problem } from "../engine/Problem";

/** What speaks for a suspect and what against it, the strongest first; asked of the desk when it is opened. */
export function Reasons({
  desk,
  evidence,
  piece,
  job,
  numbers,
}: {
  desk: Desk | null;
  evidence: readonly Evidence[];
  piece: string;
  job: Job;
  numbers: boolean;
}) {
  const { value: reasons, problem } = useEngine(desk, "reasons", [evidence, piece]);
  if (problem) return <Problem words={problem} />;
  if (!reasons) return <p className="quiet mb-1">Weighing…</p>;
  if (reasons.length === 0)
    return <p className="quiet mb-1">Nothing speaks for or against it yet but how often it fails.</p>;
  return (
    <ul className="reasons">
      {reasons.slice(0, 5).map((r) => (
        <li key={r.evidence}>
          <i className={`bi ${r.side === "for" ? "bi-plus-lg" : "bi-dash-lg"}`} aria-hidden />
          <span className="visually-hidden">{r.side}: </span>
          <span>
            {evidenceWords(job, r.evidence)}
            {r.wouldShow && r.wouldShow !== r.soundShows ? (
              <span className="quiet">
                ; with it {r.wouldShow}, if well {r.soundShows}
              </span>
            ) : r.wouldShow ? (
              <span className="quiet">; with it {r.wouldShow}, as if well</span>
            ) : null}
            {numbers ? <span className="quiet"> ({r.bits.toFixed(1)} bit)</span> : null}
          </span>
        </li>
      ))}
    </ul>
  );
}
