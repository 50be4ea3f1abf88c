import Link from "next/link";
import type { JobPage } from "../../contract/jobs";
import { TopBar } from "../shell/TopBar";
import { JobList } from "./JobList";
import { say } from "#words/ui/start";

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
      <TopBar here="Jobs" title={say.allJobs} />
      <main id="main" tabIndex={-1} className="library">
        <h1>
          {state === "open" ? say.openJobs : say.closedJobs}{" "}
          <span className="count">{found.total < most ? found.total : say.mostAndMore(most)}</span>
        </h1>
        <form className="library-search" action="/jobs" method="get">
          <input
            className="form-control form-control-lg"
            type="search"
            name="words"
            defaultValue={words}
            maxLength={120}
            aria-label={say.searchJobs}
            placeholder={say.siteSerialMachineComplaintCause}
          />
          <select className="form-select form-select-lg" name="state" defaultValue={state} aria-label={say.whichJobs}>
            <option value="open">{say.open}</option>
            <option value="closed">{say.closed}</option>
          </select>
          <button className="btn btn-dark btn-lg" type="submit">
            {say.search}
          </button>
        </form>
        {found.jobs.length === 0 ? (
          <p className="quiet">{words.trim() === "" ? say.thereIsNoneYetBegin : say.noJobFitsTheseWords}</p>
        ) : (
          <JobList jobs={found.jobs} />
        )}
        <nav className="pages" aria-label={say.pages}>
          {page > 1 ? (
            <Link className="btn btn-outline-dark" href={to(page - 1)} prefetch={false}>
              {say.newer}
            </Link>
          ) : null}
          <span>{say.pagePageOfPart(page, found.total < most ? pages : say.mostAndMore(pages))}</span>
          {found.jobs.length === size ? (
            <Link className="btn btn-outline-dark" href={to(page + 1)} prefetch={false}>
              {say.older}
            </Link>
          ) : null}
        </nav>
      </main>
    </div>
  );
}
