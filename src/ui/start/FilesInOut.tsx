"use client";

import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import Button from "react-bootstrap/Button";
import { takeJobFile } from "../../contract/job-file";
import { send } from "../shell/send";
import { useKept } from "../shell/useKept";
import { say } from "#words/ui/start";

/** What goes out and comes in as a file: the calendar of what is due, and a job of another workshop. */
export function FilesInOut() {
  const router = useRouter();
  const [who] = useKept("unzo.who");
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState("");
  const chooser = useRef<HTMLInputElement>(null);
  async function take(file: File | undefined) {
    if (!file) return;
    setBusy(true);
    setProblem("");
    try {
      const { id } = await send(takeJobFile, [who.trim() || "Someone"], new Blob([file], { type: "application/json" }));
      router.push(`/jobs/${id}`);
    } catch (error) {
      setProblem((error as Error).message);
      setBusy(false);
    }
  }
  return (
    <section className="files-in-out" aria-label={say.filesInOut}>
      <a className="btn btn-outline-dark" href="/api/calendar">
        <i className="bi bi-calendar-event" aria-hidden /> {say.calendarOfDue}
      </a>{" "}
      <Button variant="outline-dark" disabled={busy} onClick={() => chooser.current?.click()}>
        <i className="bi bi-box-arrow-in-down" aria-hidden /> {say.takeJobIn}
      </Button>
      <input
        ref={chooser}
        type="file"
        hidden
        accept=".json,application/json"
        aria-label={say.takeJobIn}
        onChange={(e) => {
          void take(e.target.files?.[0]);
          e.target.value = "";
        }}
      />
      <p className="quiet mb-0">{say.calendarHow}</p>
      <p className="problem" role="alert">
        {problem}
      </p>
    </section>
  );
}
