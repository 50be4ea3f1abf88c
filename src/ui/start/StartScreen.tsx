"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import { useRef, useState, type FormEvent } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { useHotkeys } from "react-hotkeys-hook";
import { v4 as uuid } from "uuid";
import type { JobRow, UnitRow } from "../../server/jobs";
import { send } from "../shell/send";
import { TopBar } from "../shell/TopBar";
import { useKept } from "../shell/useKept";
import { clockTime, dayName } from "../shell/time";

/** The jobs of the day, and a new one in three fields. */
export function StartScreen({ jobs, units, now }: { jobs: readonly JobRow[]; units: readonly UnitRow[]; now: string }) {
  const open = jobs.filter((j) => j.result === null);
  const closed = jobs.filter((j) => j.result !== null);
  return (
    <div className="start">
      <TopBar here="Jobs">
        <span>{dayName(now)}</span>
      </TopBar>
      <main className="start-main">
        <section aria-labelledby="open-jobs">
          <h1 id="open-jobs">Open jobs</h1>
          {open.length === 0 ? (
            <p className="quiet">Nothing is open. Begin a job with the form.</p>
          ) : (
            <JobList jobs={open} />
          )}
          {closed.length > 0 ? (
            <>
              <h2 className="mt-4">Closed</h2>
              <JobList jobs={closed} />
            </>
          ) : null}
        </section>
        <div className="begin">
          <NewJob units={units} />
          <Link className="quick-link" href="/quick">
            <strong>No file for it?</strong> <kbd>q</kbd>
            <span>Name the machine and its loads; advice in a minute.</span>
          </Link>
        </div>
      </main>
    </div>
  );
}

function JobList({ jobs }: { jobs: readonly JobRow[] }) {
  return (
    <ul className="jobs">
      {jobs.map((job) => (
        <li key={job.id}>
          <Link href={job.result === null ? `/jobs/${job.id}` : `/jobs/${job.id}/record`}>
            <span
              className={`state-mark ${job.result !== null ? "closed" : job.readings > 0 ? "under-way" : "untouched"}`}
              aria-hidden
            />
            <span className="job-text">
              <strong>{job.site}</strong>{" "}
              <span className="quiet">
                {job.machineName}, {job.serial}
              </span>
              <span className="job-complaint">{job.complaint}</span>
            </span>
            <span className="job-state">
              {job.result ??
                (job.readings === 0 ? "not begun" : `${job.readings} reading${job.readings === 1 ? "" : "s"}`)}
              <span className="quiet">
                {job.actor},{" "}
                <time dateTime={job.openedAt} suppressHydrationWarning>
                  {dayName(job.openedAt)} {clockTime(job.openedAt)}
                </time>
              </span>
            </span>
          </Link>
        </li>
      ))}
    </ul>
  );
}

function NewJob({ units }: { units: readonly UnitRow[] }) {
  const router = useRouter();
  const [unit, setUnit] = useState("");
  const [complaint, setComplaint] = useState("");
  const [who, setWho] = useKept("unzo.who");
  const [problem, setProblem] = useState("");
  const [busy, setBusy] = useState(false);
  const id = useRef<string | null>(null);
  const first = useRef<HTMLSelectElement>(null);
  useHotkeys("q", () => router.push("/quick"), { preventDefault: true });
  useHotkeys("n", () => first.current?.focus(), { preventDefault: true });
  const complaints = units.find((u) => u.id === unit)?.complaints ?? [];

  async function begin(event: FormEvent) {
    event.preventDefault();
    const missing = !unit
      ? "Choose the unit."
      : !complaint
        ? "Choose the complaint."
        : !who.trim()
          ? "Say who you are."
          : "";
    if (missing) return setProblem(missing);
    setBusy(true);
    setProblem("");
    try {
      const job = await send<{ id: string }>("/api/jobs", {
        id: (id.current ??= uuid()),
        unit,
        complaint,
        actor: who.trim(),
      });
      router.push(`/jobs/${job.id}`);
    } catch (error) {
      setProblem((error as Error).message);
      setBusy(false);
    }
  }

  const changed = (set: (value: string) => void) => (value: string) => {
    id.current = null;
    set(value);
  };
  return (
    <Form className="new-job" onSubmit={(e) => void begin(e)} aria-labelledby="new-job" noValidate>
      <h2 id="new-job">
        New job <kbd>n</kbd>
      </h2>
      <Form.Group controlId="unit">
        <Form.Label>Unit</Form.Label>
        <Form.Select
          ref={first}
          size="lg"
          value={unit}
          onChange={(e) => {
            changed(setUnit)(e.target.value);
            setComplaint("");
          }}
        >
          <option value="">Choose</option>
          {units.map((u) => (
            <option key={u.id} value={u.id}>
              {u.site}: {u.machineName}, {u.serial}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      <Form.Group controlId="complaint">
        <Form.Label>Complaint</Form.Label>
        <Form.Select
          size="lg"
          value={complaint}
          disabled={!unit}
          onChange={(e) => changed(setComplaint)(e.target.value)}
        >
          <option value="">{unit ? "Choose" : "Choose the unit first"}</option>
          {complaints.map((c) => (
            <option key={c.id} value={c.id}>
              {c.words}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      <Form.Group controlId="who">
        <Form.Label>Who</Form.Label>
        <Form.Control
          size="lg"
          value={who}
          maxLength={80}
          autoComplete="name"
          onChange={(e) => changed(setWho)(e.target.value)}
        />
      </Form.Group>
      <p className="problem" role="alert">
        {problem}
      </p>
      <Button type="submit" size="lg" disabled={busy}>
        Begin
      </Button>
    </Form>
  );
}
