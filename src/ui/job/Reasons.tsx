"use client";

import { useEffect, useState } from "react";
import type { Evidence } from "../../core/diagnose/evidence/evidence";
import type { Reason } from "../../core/diagnose/advice/reasons";
import type { Job } from "../../core/journal/fold";
import type { Desk } from "../shell/useDesk";
import { evidenceWords } from "./evidence-words";

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
  const [found, setFound] = useState<{ readonly key: string; readonly reasons: readonly Reason[] } | null>(null);
  const key = `${piece} ${evidence.map((e) => e.id).join(" ")}`;
  useEffect(() => {
    if (!desk) return;
    let current = true;
    desk.reasons(evidence, piece).then(
      (reasons) => {
        if (current) setFound({ key, reasons });
      },
      () => {},
    );
    return () => {
      current = false;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the key stands for piece and evidence
  }, [desk, key]);
  if (found?.key !== key) return <p className="quiet mb-1">Weighing…</p>;
  if (found.reasons.length === 0)
    return <p className="quiet mb-1">Nothing speaks for or against it yet but how often it fails.</p>;
  return (
    <ul className="reasons">
      {found.reasons.slice(0, 5).map((r) => (
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
