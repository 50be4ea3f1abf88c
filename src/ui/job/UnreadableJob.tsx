import Link from "next/link";
import type { RawEvent } from "../../core/journal";
import { PageTitle } from "../shell/PageTitle";

/** A job that a newer Unzo wrote in: its entries as they are, nothing added, no advice. */
export function UnreadableJob({ id, raw, known }: { id: string; raw: readonly RawEvent[]; known: number }) {
  return (
    <main id="main" tabIndex={-1} className="plain-page is-wide">
      <PageTitle of={"Written by a newer Unzo"} />
      <h1>Written by a newer Unzo</h1>
      <p>
        This job holds {raw.length === 1 ? "an entry" : `${raw.length} entries`} that this version cannot read. One may
        change the circuit, so there is no advice and nothing can be added here. The other {known} entries are in the
        record. Bring this Unzo up to date to go on.
      </p>
      <ol className="raw-entries">
        {raw.map((e) => (
          <li key={e.id}>
            <strong>Entry {e.seq}</strong>, {e.actor}, <time dateTime={e.at}>{e.at}</time>, version {e.v}
            <pre>{JSON.stringify(e.body, null, 2)}</pre>
          </li>
        ))}
      </ol>
      <p className="d-flex gap-3">
        {known > 0 ? (
          <Link className="btn btn-primary" href={`/jobs/${id}/record`}>
            Record
          </Link>
        ) : null}
        <Link className="btn btn-outline-dark" href="/">
          All jobs
        </Link>
      </p>
    </main>
  );
}
