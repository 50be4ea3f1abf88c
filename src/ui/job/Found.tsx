"use client";

import Button from "react-bootstrap/Button";
import type { Job } from "../../core/journal";
import { Key } from "../shortcuts/Key";
import { Term } from "../shell/Term";
import { say } from "#words/ui/job/Found";

/** What this unit has that its file has not. */
export function Found({
  job,
  onOpen,
  onTakeBack,
  refusal,
}: {
  job: Job;
  onOpen: () => void;
  onTakeBack: (event: string) => void;
  /** Why it cannot be taken back now; null when it can. */
  refusal: (event: string) => string | null;
}) {
  return (
    <section className="found" aria-label={say.differsFromTheFile}>
      <div className="panel-head">
        <h2>
          <Term of="differs" />
        </h2>
        <Button size="sm" variant="outline-dark" onClick={onOpen}>
          {say.recordADifference} <Key of="difference" />
        </Button>
      </div>
      {job.changes.length === 0 ? null : (
        <ul className="plain-list">
          {job.changes.map((c) => (
            <li key={c.id}>
              <span>{c.body.words}</span>
              {c.id.includes("#") ? null : (
                <Button
                  size="sm"
                  variant="link"
                  disabled={refusal(c.id) !== null}
                  title={refusal(c.id) ?? undefined}
                  onClick={() => onTakeBack(c.id)}
                  aria-label={say.takeBackBodyWords(c.body.words)}
                >
                  <i className="bi bi-slash-circle" aria-hidden />
                </Button>
              )}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
