import Link from "next/link";
import type { JobPage } from "../../contract/jobs";
import { TopBar } from "../shell/TopBar";
import { JobList } from "./JobList";

/** Every job, open or closed, a page at a time, by words. The form works without a script. */
export function JobsScreen({
  found,
  state,
  words,
  page,
  size,
  most,
}: {
  found: JobPage;
  state: "open" | "closed";
  words: string;
  page: number;
  size: number;
  /** More than so many are not counted. */
  most: number;
}) {
  const pages = Math.max(1, Math.ceil(found.total / size));
  const to = (n: number) => `/jobs?${new URLSearchParams({ state, words, page: String(n) }).toString()}`;
  return (
    <div className="start">
      <TopBar here="Jobs" title="All jobs" />
      <main id="main" tabIndex={-1} className="library">
        <h1>
          {state === "open" ? "Open jobs" : "Closed jobs"}{" "}
          <span className="count">{found.total < most ? found.total : `${most} and more`}</span>
        </h1>
        <form className="library-search" action="/jobs" method="get">
          <input
            className="form-control form-control-lg"
            type="search"
            name="words"
            defaultValue={words}
            maxLength={120}
            aria-label="Search jobs"
            placeholder="Site, serial, machine, complaint, cause, person"
          />
          <select className="form-select form-select-lg" name="state" defaultValue={state} aria-label="Which jobs">
            <option value="open">open</option>
            <option value="closed">closed</option>
          </select>
          <button className="btn btn-dark btn-lg" type="submit">
            Search
          </button>
        </form>
        {found.jobs.length === 0 ? (
          <p className="quiet">
            {words.trim() === "" ? "There is none yet. Begin a job on the start screen." : "No job fits these words."}
          </p>
        ) : (
          <JobList jobs={found.jobs} />
        )}
        <nav className="pages" aria-label="Pages">
          {page > 1 ? (
            <Link className="btn btn-outline-dark" href={to(page - 1)} prefetch={false}>
              Newer
            </Link>
          ) : null}
          <span>
            page {page} of {found.total < most ? pages : `${pages} and more`}
          </span>
          {found.jobs.length === size ? (
            <Link className="btn btn-outline-dark" href={to(page + 1)} prefetch={false}>
              Older
            </Link>
          ) : null}
        </nav>
      </main>
    </div>
  );
}
