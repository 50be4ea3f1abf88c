"use client";

import type { Evidence } from "../../core/diagnose";
import type { Job } from "../../core/journal";
import { useEngine, type Desk } from "../engine/useEngine";
import { evidenceWords } from "./evidence-words";
import { Problem } from "../engine/Problem";
import { say } from "#words/ui/job/Reasons";

/** What speaks for a suspect and what against it, the strongest first; asked of the desk when it is opened. */
export function Reasons({
  desk,
  evidence,
  assembly,
  job,
  numbers,
}: {
  desk: Desk | null;
  evidence: readonly Evidence[];
  assembly: string;
  job: Job;
  numbers: boolean;
}) {
  const { value: reasons, problem } = useEngine(desk, "reasons", [evidence, assembly]);
  if (problem) return <Problem words={problem} />;
  if (!reasons) return <p className="quiet mb-1">{say.weighing}</p>;
  if (reasons.length === 0) return <p className="quiet mb-1">{say.nothingSpeaksForOrAgainst}</p>;
  return (
    <ul className="reasons">
      {reasons.slice(0, 5).map((r) => (
        <li key={r.evidence}>
          <i className={`bi ${r.side === "for" ? "bi-plus-lg" : "bi-dash-lg"}`} aria-hidden />
          <span className="visually-hidden">{r.side}: </span>
          <span>
            {evidenceWords(job, r.evidence)}
            {r.wouldShow ? <span className="quiet">{withIt(r.wouldShow, r.soundShows)}</span> : null}
            {numbers ? <span className="quiet"> {say.bitsBit(r.bits.toFixed(1))}</span> : null}
          </span>
        </li>
      ))}
    </ul>
  );
}

function withIt(shows: string, sound: string | null) {
  return shows === sound ? say.withItAsIfWell(shows) : say.withItIfWell(shows, sound);
}
