"use client";

import type { JournalEvent } from "../../core/journal";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useRef, useState, type FormEvent } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import Table from "react-bootstrap/Table";
import { type Job, noteBody } from "../../core/journal";
import { workCautions } from "../../core/safety";
import { commonShelf, type MachineFile } from "../../core/model";
import { send } from "../shell/send";
import { useKept } from "../shell/useKept";
import { clockTime, dayName, dateWithYear } from "../shell/time";
import { logEntry, offerChanges, photoAddress } from "../../contract/jobs";
import { PageTitle } from "../shell/PageTitle";
import { VERDICT_WORDS } from "../../words/en/job";
import { useMoney } from "../shell/Currency";

/** The record of a job, on screen and on paper: everything as it was shown when it happened. */
export function RecordSheet({
  job,
  file,
  stale,
}: {
  job: Job;
  file: MachineFile;
  /** For entries that were made without knowing others: what was not known, in words. */
  stale: Readonly<Record<string, string>>;
}) {
  return (
    <div className="record">
      <nav className="record-bar d-print-none">
        <Link className="btn btn-outline-dark" href="/">
          All jobs
        </Link>
        {file.pieces.some((p) => p.id === job.called?.piece) ? (
          <Link className="btn btn-outline-dark" href={`/jobs/${job.id}/repair`}>
            The repair
          </Link>
        ) : null}
        {job.called || job.dropped ? null : (
          <Link className="btn btn-outline-dark" href={`/jobs/${job.id}`}>
            Go on measuring
          </Link>
        )}
        <Button onClick={() => window.print()}>
          <i className="bi bi-printer" aria-hidden /> Print
        </Button>
      </nav>
      <main id="main" tabIndex={-1} className="sheet">
        <PageTitle of={`Record: ${job.opened.site}, ${file.maker} ${file.model}`} />
        <h1>Job record</h1>
        <dl className="facts">
          <dt>Unit</dt>
          <dd>
            {file.maker} {file.model},{" "}
            {job.opened.serial === null ? "no serial number on the plate" : `serial number ${job.opened.serial}`}
          </dd>
          <dt>Site</dt>
          <dd>{job.opened.site}</dd>
          <dt>Complaint</dt>
          <dd>{job.opened.complaintWords ?? "none"}</dd>
          <dt>Job</dt>
          <dd className="value">{job.id.slice(0, 8)}</dd>
          <dt>Opened</dt>
          <dd suppressHydrationWarning>
            {dateWithYear(job.opened.at)}, {clockTime(job.opened.at)}, {job.opened.actor}
          </dd>
          {job.called ? (
            <>
              <dt>Closed</dt>
              <dd suppressHydrationWarning>
                {dateWithYear(job.called.at)}, {clockTime(job.called.at)}, {job.called.actor}
              </dd>
            </>
          ) : null}
        </dl>
        {job.dropped ? (
          <section className="call">
            <h2>Dropped: opened by mistake</h2>
            <p suppressHydrationWarning>
              {job.dropped.body.reason}. {dateWithYear(job.dropped.at)}, {clockTime(job.dropped.at)},{" "}
              {job.dropped.actor}
            </p>
          </section>
        ) : null}
        {job.called ? (
          <section className="call">
            <h2>{job.called.pieceName}</h2>
            <p>
              {job.called.cause}. Judged {job.called.sure}.
            </p>
            <p>
              <strong>{job.work.proved.length > 0 ? "Done:" : "To be done:"}</strong> {job.called.action}
            </p>
            {job.called.proofs.length > 0 ? (
              <ul>
                {job.called.proofs.map((p) => (
                  <li key={p.words}>
                    {p.proven ? "Proven" : "Not proven"}: {p.words}
                  </li>
                ))}
              </ul>
            ) : null}
            {job.called.excluded && job.called.excluded.length > 0 ? (
              <p>Excluded by the tests: {job.called.excluded.join(", ")}.</p>
            ) : null}
            {job.called.elsewhere ? (
              <>
                <p className="mb-1">Where else to look:</p>
                <ul>
                  {job.called.elsewhere.map((e) => (
                    <li key={e}>{e}</li>
                  ))}
                </ul>
              </>
            ) : null}
            {job.called.left ? (
              <p>
                <strong>Not restored at close:</strong> {job.called.left.map((l) => l.words).join("; ")}. Because:{" "}
                {job.called.leftBecause}
              </p>
            ) : null}
            {job.called.despite ? <p>Closed without this proof because: {job.called.despite}</p> : null}
          </section>
        ) : null}
        {job.called || job.dropped ? null : <p className="quiet">The job is open.</p>}
        <WorkDone job={job} />
        <h2>Readings</h2>
        {job.readings.length === 0 ? (
          <p>None.</p>
        ) : (
          <Table responsive size="sm" className="readings">
            <thead>
              <tr>
                <th>Time</th>
                <th>Test</th>
                <th>Reading</th>
                <th>Expected</th>
                <th>Result</th>
              </tr>
            </thead>
            <tbody>
              {job.readings.map((r) => (
                <tr key={r.id} className={r.struck ? "is-struck" : ""}>
                  <td suppressHydrationWarning>{clockTime(r.at)}</td>
                  <td>
                    {r.body.as.title}
                    <span className="quiet d-block">
                      {r.body.as.black ? `red: ${r.body.as.red}; black: ${r.body.as.black}. ` : ""}
                      {r.body.as.setup}. {r.actor}.
                    </span>
                    {stale[r.id] ? <span className="d-block">On older advice: {stale[r.id]}.</span> : null}
                    {r.struck ? (
                      <span className="d-block">
                        Struck out by {r.struck.actor}: {r.struck.reason}
                      </span>
                    ) : null}
                  </td>
                  <td className="value">{r.struck ? <s>{r.body.as.shown}</s> : r.body.as.shown}</td>
                  <td className="value">{r.body.as.expected}</td>
                  <td>{VERDICT_WORDS[r.body.as.verdict]}</td>
                </tr>
              ))}
            </tbody>
          </Table>
        )}
        {job.answers.length > 0 ? (
          <>
            <h2>Asked</h2>
            <ul>
              {job.answers.map((a) => (
                <li key={a.id} suppressHydrationWarning>
                  {a.body.words}{" "}
                  <span className="quiet">
                    {clockTime(a.at)}, {a.actor}
                  </span>
                </li>
              ))}
            </ul>
          </>
        ) : null}
        {job.changes.length > 0 ? (
          <>
            <h2>Differs from the file</h2>
            <ul>
              {job.changes.map((c) => (
                <li key={c.id}>
                  {c.body.words} <span className="quiet">{c.actor}</span>
                </li>
              ))}
            </ul>
            <OfferToFile job={job.id} />
          </>
        ) : null}
        {job.notes.length > 0 ? (
          <>
            <h2>Notes</h2>
            <ul>
              {job.notes.map((n) => (
                <li key={n.at}>
                  {n.text} <span className="quiet">{n.actor}</span>
                </li>
              ))}
            </ul>
          </>
        ) : null}
        {job.addenda.length > 0 ? (
          <>
            <h2>Added after closing</h2>
            <ul>
              {job.addenda.map((e) => (
                <li key={e.id} suppressHydrationWarning>
                  {dayName(e.at)} {clockTime(e.at)}, {e.actor}: {entryWords(e)}
                </li>
              ))}
            </ul>
          </>
        ) : null}
        <NoteForm job={job} />
        {job.work.decisions.length > 0 ? (
          <p className="small-print">
            On this machine:{" "}
            {workCautions(commonShelf().of(job.opened.machineHash, file))
              .map((c) => c.words)
              .join(" ")}
          </p>
        ) : null}
        <p className="small-print">
          Local codes and licensed practice come first. Times as on the server. Machine file {file.id}, revision{" "}
          {file.revision}.
        </p>
      </main>
    </div>
  );
}

const SURE = { none: "none", "in warranty": "in warranty", unknown: "unknown" } as const;

/** What was decided, done, changed and proven. */
function WorkDone({ job }: { job: Job }) {
  const money = useMoney();
  const { decisions, matches, photos, proved, modifications, madeGood } = job.work;
  if (decisions.length + matches.length + photos.length + proved.length + modifications.length + madeGood.length === 0)
    return null;
  return (
    <>
      <h2>Repair</h2>
      <ul>
        {decisions.map(({ id, body }) => (
          <li key={id}>
            {body.words}: {body.minutes} min, {money(body.price)}
            {body.temporary ? <strong> (temporary: to be made good)</strong> : null}. Warranty: {SURE[body.warranty]};
            seals: {body.seals}.
            {body.approved ? ` Agreed with ${body.approved.by} up to ${money(body.approved.price)}.` : ""}
          </li>
        ))}
        {matches.map(({ id, body }) => (
          <li key={id}>
            Part {body.number}
            {body.revision ? `, revision ${body.revision}` : ""}: {body.fits ? "fits" : "not fitted"}. {body.words}
          </li>
        ))}
        {modifications.map(({ id, body }) => (
          <li key={id}>
            <strong>Modified: {body.words}.</strong> {body.reason}. Word given by {body.customer}. Proven:{" "}
            {body.proof.join(" ")}
          </li>
        ))}
        {madeGood.map(({ id, body }) => (
          <li key={id}>Made good: {body.words}</li>
        ))}
      </ul>
      {proved.length > 0 ? (
        <Table responsive size="sm" className="readings">
          <thead>
            <tr>
              <th>Proof</th>
              <th>Reading</th>
              <th>Expected</th>
              <th>Result</th>
            </tr>
          </thead>
          <tbody>
            {proved.map(({ id, body }) => (
              <tr key={id}>
                <td>{body.words}</td>
                <td className="value">{body.typed}</td>
                <td className="value">{body.limit}</td>
                <td>{body.passed ? "passed" : "failed"}</td>
              </tr>
            ))}
          </tbody>
        </Table>
      ) : null}
      {photos.length > 0 ? (
        <ul className="record-photos">
          {photos.map(({ body }) => (
            <li key={body.hash}>
              <img src={photoAddress(body.hash)} alt={body.caption || `Photo, ${body.stage}`} />
              <span>
                {body.caption}
                {body.marks.length > 0 ? ` (${body.marks.map((m, i) => `${i + 1} ${m.words}`).join(", ")})` : ""}
              </span>
            </li>
          ))}
        </ul>
      ) : null}
    </>
  );
}

/** Adds a line to the record; after the call it is an addendum that changes nothing above it. */
function NoteForm({ job }: { job: Job }) {
  const router = useRouter();
  const [text, setText] = useKept(`unzo.note.${job.id}`);
  const [who] = useKept("unzo.who");
  const [problem, setProblem] = useState("");
  const id = useRef<string | null>(null);
  async function add(event: FormEvent) {
    event.preventDefault();
    if (text.trim() === "") return setProblem("Write the note first.");
    try {
      await send(logEntry, [job.id], {
        id: (id.current ??= crypto.randomUUID()),
        v: 1,
        actor: who || job.opened.actor,
        body: noteBody(text),
      });
      id.current = null;
      setText("");
      setProblem("");
      router.refresh();
    } catch (error) {
      setProblem((error as Error).message);
    }
  }
  return (
    <Form className="note-form d-print-none" onSubmit={(e) => void add(e)}>
      <div className="flex-grow-1">
        <Form.Label htmlFor="note" className="visually-hidden">
          Note
        </Form.Label>
        <Form.Control
          id="note"
          placeholder="Add a note"
          maxLength={2000}
          value={text}
          onChange={(e) => {
            id.current = null;
            setText(e.target.value);
          }}
        />
        <p className="problem" role="alert">
          {problem}
        </p>
      </div>
      <div>
        <Button type="submit" variant="outline-dark">
          Add
        </Button>
      </div>
    </Form>
  );
}

/** Puts what was found on this unit into the machine's file, as a new version. */
function OfferToFile({ job }: { job: string }) {
  const [said, setSaid] = useState("");
  const [done, setDone] = useState<string | null>(null);
  async function offer() {
    try {
      setDone((await send(offerChanges, [job], {})).id);
    } catch (error) {
      setSaid((error as Error).message);
    }
  }
  if (done)
    return (
      <p className="d-print-none">
        It is in the file now, as a new version: <Link href={`/machines/${done}`}>{done}</Link>.
      </p>
    );
  return (
    <p className="d-print-none">
      <Button size="sm" variant="outline-dark" onClick={() => void offer()}>
        Every unit has this: put it into the file
      </Button>{" "}
      <span className="problem" role="alert">
        {said}
      </span>
    </p>
  );
}

function entryWords(e: JournalEvent): string {
  if (e.body.type === "reading") return `${e.body.as.shown}, ${e.body.as.title}`;
  if (e.body.type === "note") return e.body.text;
  return e.body.type;
}
