"use client";

import Button from "react-bootstrap/Button";
import { type EventBody, type Job, stillThere } from "../../core/journal";
import { Key } from "../shortcuts/Key";
import { say } from "#words/ui/job/SimpleCause";

/** A simple cause was found: put it right and try. Still there, the search goes on with that cause ruled out. */
export function SimpleCause({
  job,
  sentence,
  busy,
  onLog,
  onDiagnose,
}: {
  job: Job;
  sentence: string;
  busy: boolean;
  onLog: (body: EventBody) => Promise<boolean>;
  onDiagnose: () => void;
}) {
  const last = [...job.answers].reverse().find((a) => a.body.type === "answered" && a.body.answer !== "skip");
  const still = () => {
    if (last?.body.type !== "answered") return;
    void onLog(stillThere(last.body, sentence));
  };
  return (
    <div className="next">
      <p className="next-kicker">{say.aSimpleCause}</p>
      <h2>{sentence}</h2>
      <p>{say.putItRightThenTry}</p>
      <div className="d-flex flex-wrap gap-2">
        <Button size="lg" disabled={busy} onClick={onDiagnose} autoFocus>
          {say.theComplaintIsGone} <Key of="diagnosis" />
        </Button>
        <Button size="lg" variant="outline-dark" disabled={busy} onClick={still}>
          {say.itIsStillThere}
        </Button>
      </div>
    </div>
  );
}
