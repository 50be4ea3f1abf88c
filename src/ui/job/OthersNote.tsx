"use client";

import Button from "react-bootstrap/Button";
import type { JournalEvent } from "../../core/journal";

/** What somebody else has written into this job while one was at a test; that test stays until one has looked. */
export function OthersNote({ entries, onNext }: { entries: readonly JournalEvent[]; onNext: () => void }) {
  if (entries.length === 0) return null;
  const last = entries.at(-1)!;
  return (
    <p className="others-note" role="status">
      <i className="bi bi-people-fill" aria-hidden />{" "}
      <span>
        <strong>{last.actor}</strong> {entryWords(last)}
        {entries.length > 1 ? `, and ${entries.length - 1} more` : ""}.
      </span>{" "}
      <Button size="sm" variant="outline-dark" onClick={onNext}>
        Show what is next now
      </Button>
    </p>
  );
}

/** An entry in a few words. */
function entryWords({ body }: JournalEvent): string {
  if (body.type === "reading") return `measured ${body.as.shown}: ${body.as.title}`;
  if (body.type === "struck") return "struck an entry out";
  if (body.type === "standing") return "changed how the unit stands";
  if (body.type === "note") return "added a note";
  if ("words" in body) return body.words;
  return "wrote into this job";
}
