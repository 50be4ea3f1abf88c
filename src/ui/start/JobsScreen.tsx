import Link from "next/link";
import type { JobPage } from "../../contract/jobs";
import { TopBar } from "../shell/TopBar";
import { FilesInOut } from "./FilesInOut";
import { JobList } from "./JobList";
import { say } from "#words/ui/start";

/** Every job, open or closed, a page at a time. */
export function JobsScreen({
  found,
  state,
  page,
  size,
  most,
}: {
  found: JobPage;
  state: "open" | "closed";
  page: number;
  size: number;
  /** More than so many are not counted. */
  most: number;
}) {
  const pages = Math.max(1, Math.ceil(found.total / size));
  const to = (n: number) => `/jobs?${new URLSearchParams({ state, page: String(n) }).toString()}`;
  return (
    <div className="start">
      <TopBar here="Jobs" title={say.allJobs} />
      <main id="main" tabIndex={-1} className="library">
        <h1>
          {state === "open" ? say.openJobs : say.closedJobs}{" "}
          <span className="count">{found.total < most ? found.total : say.mostAndMore(most)}</span>
        </h1>
        <p className="jobs-ways">
          <Link href={`/jobs?state=${state === "open" ? "closed" : "open"}`} prefetch={false}>
            {state === "open" ? say.closedJobs : say.openJobs}
          </Link>
          <Link href="/find" prefetch={false}>
            {say.findAJob}
          </Link>
        </p>
        {found.jobs.length === 0 ? <p className="quiet">{say.thereIsNoneYetBegin}</p> : <JobList jobs={found.jobs} />}
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
        <FilesInOut />
      </main>
    </div>
  );
}
