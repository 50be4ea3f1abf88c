import Link from "next/link";
import type { RawEvent } from "../../core/journal";
import { PageTitle } from "../shell/PageTitle";
import { say } from "#words/ui/job/UnreadableJob";

/** A job that a newer Unzo wrote in: its entries as they are, nothing added, no advice. */
export function UnreadableJob({ id, raw, known }: { id: string; raw: readonly RawEvent[]; known: number }) {
  return (
    <main id="main" tabIndex={-1} className="plain-page is-wide">
      <PageTitle of={say.writtenByANewerUnzo} />
      <h1>{say.writtenByANewerUnzo}</h1>
      <p>{say.thisJobHoldsThatThis(raw.length === 1 ? say.anEntry : `${raw.length} entries`, known)}</p>
      <ol className="raw-entries">
        {raw.map((e) => (
          <li key={e.id}>
            <strong>{say.entrySeq(e.seq)}</strong>, {e.actor}, <time dateTime={e.at}>{e.at}</time>
            {say.versionV(e.v)}
            <pre>{JSON.stringify(e.body, null, 2)}</pre>
          </li>
        ))}
      </ol>
      <p className="d-flex gap-3">
        {known > 0 ? (
          <Link className="btn btn-primary" href={`/jobs/${id}/record`}>
            {say.record}
          </Link>
        ) : null}
        <Link className="btn btn-outline-dark" href="/">
          {say.allJobs}
        </Link>
      </p>
    </main>
  );
}
