"use client";

import type { JournalEvent } from "../../core/journal";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useRef, useState, type FormEvent } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import Table from "react-bootstrap/Table";
import { type Job, noteBody, seenAssembly, WHOLE_UNIT } from "../../core/journal";
import { kindWords } from "../job/kind-words";
import { workCautions } from "../../core/safety";
import { assumedIn, commonShelf, type MachineFile } from "../../core/model";
import { send } from "../shell/send";
import { useKept } from "../shell/useKept";
import { clockTime, dayName, dateWithYear } from "../shell/time";
import { photoAddress } from "../../contract/jobs";
import { logEntry } from "../../contract/entries";
import { PageTitle } from "../shell/PageTitle";
import { VERDICT_WORDS } from "#words/job";
import { useMoney } from "../shell/Currency";
import { DidItHold } from "./DidItHold";
import { say as held } from "#words/ui/held";
import { say } from "#words/ui/record";

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
  const router = useRouter();
  const hasLessons =
    job.changes.length > 0 ||
    assumedIn(file).length > 0 ||
    job.work.photos.some((p) => seenAssembly(p.body.stage) !== null);
  const goesOnAt = job.opened.kind === "repair" ? `/jobs/${job.id}` : `/jobs/${job.id}/repair`;
  return (
    <div className="record">
      <nav className="record-bar d-print-none">
        <Link className="btn btn-outline-dark" href="/">
          {say.allJobs}
        </Link>
        {file.pieces.some((p) => p.id === job.called?.piece) ? (
          <Link className="btn btn-outline-dark" href={`/jobs/${job.id}/repair`}>
            {say.theRepair}
          </Link>
        ) : null}
        {job.called || job.dropped ? null : (
          <Link className="btn btn-outline-dark" href={goesOnAt}>
            {say.goOnMeasuring}
          </Link>
        )}
        {job.called ? (
          <Link className="btn btn-outline-dark" href={`/jobs/${job.id}/customer`}>
            <i className="bi bi-person-lines-fill" aria-hidden /> {say.forTheCustomer}
          </Link>
        ) : null}
        <Button onClick={() => window.print()}>
          <i className="bi bi-printer" aria-hidden /> {say.print}
        </Button>
      </nav>
      <main id="main" tabIndex={-1} className="sheet">
        <PageTitle of={`Record: ${job.opened.site}, ${file.maker} ${file.model}`} />
        <h1>{say.jobRecord}</h1>
        <dl className="facts">
          <dt>{say.unit}</dt>
          <dd>
            {file.maker} {file.model},{" "}
            {job.opened.serial === null ? say.noSerialNumberOnThe : say.serialNumberSerial(job.opened.serial)}
          </dd>
          <dt>{say.site}</dt>
          <dd>{job.opened.site}</dd>
          <dt>{job.opened.kind === "repair" ? say.complaint : say.whatFor}</dt>
          <dd>{job.opened.complaintWords ?? kindWords(job.opened.kind, job.opened.purpose, file)}</dd>
          <dt>{say.job}</dt>
          <dd className="value">{job.id.slice(0, 8)}</dd>
          <dt>{say.opened}</dt>
          <dd suppressHydrationWarning>
            {dateWithYear(job.opened.at)}, {clockTime(job.opened.at)}, {job.opened.actor}
          </dd>
          {job.called ? (
            <>
              <dt>{say.closed}</dt>
              <dd suppressHydrationWarning>
                {dateWithYear(job.called.at)}, {clockTime(job.called.at)}, {job.called.actor}
              </dd>
            </>
          ) : null}
        </dl>
        {job.dropped ? (
          <section className="call">
            <h2>{say.droppedOpenedByMistake}</h2>
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
              {job.called.piece === WHOLE_UNIT
                ? job.called.cause
                : say.causeJudgedSure(job.called.cause, job.called.sure)}
            </p>
            <p>
              <strong>{job.work.proved.length > 0 ? "Done:" : say.toBeDone}</strong> {job.called.action}
            </p>
            {job.called.proofs.length > 0 ? (
              <ul>
                {job.called.proofs.map((p) => (
                  <li key={p.words}>
                    {p.proven ? "Proven" : say.notProven}: {p.words}
                  </li>
                ))}
              </ul>
            ) : null}
            {job.called.excluded && job.called.excluded.length > 0 ? (
              <p>{say.excludedByTheTests(job.called.excluded.join(", "))}</p>
            ) : null}
            {job.called.elsewhere ? (
              <>
                <p className="mb-1">{say.whereElseToLook}</p>
                <ul>
                  {job.called.elsewhere.map((e) => (
                    <li key={e}>{e}</li>
                  ))}
                </ul>
              </>
            ) : null}
            {job.called.unsafe ? (
              <p className="swap-caution">
                <strong>{say.unsafeLeftDisconnected}</strong>{" "}
                {say.unsafeBecause(job.called.unsafe.reason, job.called.unsafe.tag, job.called.unsafe.signed)}
              </p>
            ) : null}
            {job.called.left ? (
              <p>
                <strong>{say.notRestoredAtClose}</strong>
                {say.leftBecause(job.called.left.map((l) => l.words).join("; "))} {job.called.leftBecause}
              </p>
            ) : null}
            {job.called.despite ? <p>{say.closedWithoutThisProofBecause(job.called.despite)}</p> : null}
          </section>
        ) : null}
        {job.called || job.dropped ? null : <p className="quiet">{say.theJobIsOpen}</p>}
        <WorkDone job={job} file={file} />
        <h2>{say.readings}</h2>
        {job.readings.length === 0 ? (
          <p>{say.none}</p>
        ) : (
          <Table responsive size="sm" className="readings">
            <thead>
              <tr>
                <th>{say.time}</th>
                <th>{say.test}</th>
                <th>{say.reading}</th>
                <th>{say.expected}</th>
                <th>{say.result}</th>
              </tr>
            </thead>
            <tbody>
              {job.readings.map((r) => (
                <tr key={r.id} className={r.struck ? "is-struck" : ""}>
                  <td suppressHydrationWarning>{clockTime(r.at)}</td>
                  <td>
                    {r.body.as.title}
                    <span className="quiet d-block">
                      {r.body.as.black ? say.redRedBlackBlack(r.body.as.red, r.body.as.black) : ""}
                      {r.body.as.setup}. {r.actor}.
                    </span>
                    {stale[r.id] ? (
                      <span className="d-block">
                        {say.onOlderAdvice} {stale[r.id]}.
                      </span>
                    ) : null}
                    {r.struck ? (
                      <span className="d-block">{say.struckOutBy(r.struck.actor, r.struck.reason)}</span>
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
            <h2>{say.asked}</h2>
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
            <h2>{say.differsFromTheFile}</h2>
            <ul>
              {job.changes.map((c) => (
                <li key={c.id}>
                  {c.body.words} <span className="quiet">{c.actor}</span>
                </li>
              ))}
            </ul>
          </>
        ) : null}
        {hasLessons ? (
          <p className="d-print-none">
            <Link className="btn btn-outline-dark btn-sm" href={`/jobs/${job.id}/offer`}>
              {say.whatThisJobLearned}
            </Link>
          </p>
        ) : null}
        {job.notes.length > 0 ? (
          <>
            <h2>{say.notes}</h2>
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
            <h2>{say.addedAfterClosing}</h2>
            <ul>
              {job.addenda.map((e) => (
                <li key={e.id} suppressHydrationWarning>
                  {dayName(e.at)} {clockTime(e.at)}, {e.actor}: {entryWords(e)}
                </li>
              ))}
            </ul>
          </>
        ) : null}
        {job.called && job.opened.kind === "repair" ? (
          <p className="did-it-hold d-print-none">
            <strong>{held.didItHold}</strong>{" "}
            <DidItHold job={job.id} of={job.opened.site} onTold={() => router.refresh()} />
          </p>
        ) : null}
        <NoteForm job={job} />
        {job.work.decisions.length > 0 ? (
          <p className="small-print">
            {say.onThisMachine(
              workCautions(commonShelf().of(job.opened.machineHash, file))
                .map((c) => c.words)
                .join(" "),
            )}
          </p>
        ) : null}
        <p className="d-print-none record-files">
          <a href={`/api/jobs/${job.id}/readings`}>{say.readingsAsLines}</a>{" "}
          <a href={`/api/jobs/${job.id}/file`}>{say.jobAsFile}</a>
        </p>
        <p className="small-print">{say.localCodesAndLicensedPractice(file.id, file.revision)}</p>
      </main>
    </div>
  );
}

const SURE = { none: "none", "in warranty": "in warranty", unknown: "unknown" } as const;

/** What a photo shows: the stage of a repair, or an assembly as it is. */
const stageName = (file: MachineFile, stage: string) =>
  file.pieces.find((p) => p.id === seenAssembly(stage))?.name ?? stage;

/** What was decided, done, changed and proven. */
function WorkDone({ job, file }: { job: Job; file: MachineFile }) {
  const money = useMoney();
  const { decisions, matches, photos, proved, modifications, madeGood } = job.work;
  if (decisions.length + matches.length + photos.length + proved.length + modifications.length + madeGood.length === 0)
    return null;
  return (
    <>
      <h2>{say.repair}</h2>
      <ul>
        {decisions.map(({ id, body }) => (
          <li key={id}>
            {say.bodyWordsMinutesMinPrice(body.words, body.minutes, money(body.price))}
            {body.temporary ? <strong> {say.temporaryToBeMadeGood}</strong> : null}
            {say.warrantySureSealsSealsPart(
              SURE[body.warranty],
              body.seals,
              body.approved ? say.agreedWithUpTo(body.approved.by, money(body.approved.price)) : "",
            )}
          </li>
        ))}
        {matches.map(({ id, body }) => (
          <li key={id}>
            {say.partNumberPartPart2Body(
              body.number,
              body.revision ? `, revision ${body.revision}` : "",
              body.fits ? "fits" : say.notFitted,
              body.words,
            )}
          </li>
        ))}
        {modifications.map(({ id, body }) => (
          <li key={id}>
            <strong>{say.modifiedBodyWords(body.words)}</strong>
            {say.wordGivenByProven(body.reason, body.customer, body.proof.join(" "))}
          </li>
        ))}
        {madeGood.map(({ id, body }) => (
          <li key={id}>{say.madeGoodBodyWords(body.words)}</li>
        ))}
      </ul>
      {proved.length > 0 ? (
        <Table responsive size="sm" className="readings">
          <thead>
            <tr>
              <th>{say.proof}</th>
              <th>{say.reading}</th>
              <th>{say.expected}</th>
              <th>{say.result}</th>
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
              <img src={photoAddress(body.hash)} alt={body.caption || say.photoStage(stageName(file, body.stage))} />
              <span>
                {body.caption || say.photoStage(stageName(file, body.stage))}
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
    if (text.trim() === "") return setProblem(say.writeTheNoteFirst);
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
          {say.note}
        </Form.Label>
        <Form.Control
          id="note"
          placeholder={say.addANote}
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
          {say.add}
        </Button>
      </div>
    </Form>
  );
}

function entryWords(e: JournalEvent): string {
  if (e.body.type === "reading") return `${e.body.as.shown}, ${e.body.as.title}`;
  if (e.body.type === "note") return e.body.text;
  if (e.body.type === "followed up") return e.body.held ? held.heldSoFar : held.hasComeBack;
  if (e.body.type === "customer page") return say.customersPageMade;
  return e.body.type;
}
