"use client";

import Button from "react-bootstrap/Button";
import type { JournalEvent } from "../../core/journal";
import { say } from "#words/ui/job/OthersNote";

/** What somebody else has written into this job while one was at a test; that test stays until one has looked. */
export function OthersNote({ entries, onNext }: { entries: readonly JournalEvent[]; onNext: () => void }) {
  if (entries.length === 0) return null;
  const last = entries.at(-1)!;
  return (
    <p className="others-note" role="status">
      <i className="bi bi-people-fill" aria-hidden />{" "}
      <span>
        <strong>{last.actor}</strong> {entryWords(last)}
        {entries.length > 1 ? say.andCountMore(entries.length - 1) : ""}.
      </span>{" "}
      <Button size="sm" variant="outline-dark" onClick={onNext}>
        {say.showWhatIsNextNow}
      </Button>
    </p>
  );
}

/** An entry in a few words. */
function entryWords({ body }: JournalEvent): string {
  if (body.type === "reading") return `measured ${body.as.shown}: ${body.as.title}`;
  if (body.type === "struck") return say.struckAnEntryOut;
  if (body.type === "standing") return say.changedHowTheUnitStands;
  if (body.type === "note") return say.addedANote;
  if ("words" in body) return body.words;
  return say.wroteIntoThisJob;
}
