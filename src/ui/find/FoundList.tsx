"use client";

import Link from "next/link";
import type { ReactNode } from "react";
import type { Find, Found, FoundJob } from "../../contract/find";
import { isFoundBy, type Match, searchWords, termsIn } from "../../core/history";
import { jobAddress } from "../shell/job-address";
import { shortDate } from "../shell/time";
import { serialWords } from "../unit/plate";
import { FIELD_WORDS, say } from "#words/ui/find";
import { KIND_WORDS } from "#words/job";

/** What was found: machines and units first, for they are few; then jobs, each with why. */
export function FoundList({
  found,
  wanted,
  onOlder,
}: {
  found: Found;
  wanted: Find;
  onOlder: (before: number) => void;
}) {
  const { machines, units, jobs, next, isPart } = found;
  if (machines.length + units.length + jobs.length === 0)
    return (
      <p role="status">
        <strong>{say.nothing}</strong> <span className="quiet">{say.everyWord}</span>
      </p>
    );
  return (
    <>
      {isPart ? (
        <p className="quiet" role="status">
          {say.partOnly}
        </p>
      ) : null}
      <div className="found-all">
        <Group name={say.jobs} of={jobs}>
          {(job) => <JobFound job={job} typed={wanted.q} />}
        </Group>
        <div>
          <Group name={say.machines} of={machines}>
            {(m) => (
              <Link href={`/machines/${m.id}`} prefetch={false}>
                <strong>{m.name}</strong>
                {m.why.slice(0, 2).map((text) => (
                  <span key={text} className="found-why">
                    <Marked text={text} typed={wanted.q} />
                  </span>
                ))}
              </Link>
            )}
          </Group>
          <Group name={say.units} of={units}>
            {(u) => (
              <Link href={`/units/${u.id}`} prefetch={false}>
                <strong>
                  <Marked text={`${u.machineName}, ${serialWords(u.serial)}`} typed={wanted.q} />
                </strong>
                <span className="found-why">
                  <Marked text={u.site} typed={wanted.q} />
                </span>
              </Link>
            )}
          </Group>
        </div>
      </div>
      <nav className="pages" aria-label={say.more}>
        {wanted.before < Number.MAX_SAFE_INTEGER ? (
          <button type="button" className="btn btn-outline-dark" onClick={() => onOlder(Number.MAX_SAFE_INTEGER)}>
            {say.newest}
          </button>
        ) : null}
        {next === null ? null : (
          <button type="button" className="btn btn-outline-dark" onClick={() => onOlder(next)}>
            {say.more}
          </button>
        )}
      </nav>
    </>
  );
}

/** What was found of one sort; nothing where there is none. */
function Group<T extends { readonly id: string }>({
  name,
  of,
  children,
}: {
  name: string;
  of: readonly T[];
  children: (item: T) => ReactNode;
}) {
  if (of.length === 0) return null;
  return (
    <section aria-label={name}>
      <h2>{name}</h2>
      <ul className="found">
        {of.map((item) => (
          <li key={item.id}>{children(item)}</li>
        ))}
      </ul>
    </section>
  );
}

function JobFound({ job, typed }: { job: FoundJob; typed: string }) {
  return (
    <Link href={jobAddress({ ...job, open: job.closedAt === null })} prefetch={false}>
      <span className="found-head">
        <strong>{job.result ?? job.complaint ?? KIND_WORDS[job.kind]}</strong>
        <span className="quiet" suppressHydrationWarning>
          {job.closedAt === null ? say.open : shortDate(job.closedAt)}, {job.actor}
        </span>
      </span>
      <span className="quiet">
        {job.machineName}, {serialWords(job.serial)}; {job.site}
      </span>
      {job.why.map((match) => (
        <Why key={match.field + match.text} match={match} typed={typed} />
      ))}
    </Link>
  );
}

function Why({ match, typed }: { match: Match; typed: string }) {
  return (
    <span className="found-why">
      <span className="found-where">{FIELD_WORDS[match.field]}</span> <Marked text={match.text} typed={typed} />
    </span>
  );
}

/** A text with the words that were looked for marked in it. */
function Marked({ text, typed }: { text: string; typed: string }) {
  const words = searchWords(typed);
  const isWanted = (piece: string) => [...termsIn(piece)].some((term) => words.some((word) => isFoundBy(term, word)));
  return text
    .split(/([\s,;:()]+)/)
    .map((piece, i) => (isWanted(piece) ? <mark key={i}>{piece}</mark> : <span key={i}>{piece}</span>));
}
