"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import type { JobPage, JobRow } from "../../contract/jobs";
import { dayName } from "../shell/time";
import { TopBar } from "../shell/TopBar";
import { JobList } from "./JobList";
import { NewJob } from "./NewJob";
import { Key } from "../shortcuts/Key";
import { useShortcut } from "../shortcuts/useShortcut";

/** The jobs of the day, and a new one. */
export function StartScreen({ open, closed, now }: { open: JobPage; closed: readonly JobRow[]; now: string }) {
  const router = useRouter();
  useShortcut("quick", () => router.push("/quick"));
  const isNew = open.total === 0 && closed.length === 0;
  return (
    <div className="start">
      <TopBar here="Jobs" title="Jobs">
        <span suppressHydrationWarning>{dayName(now)}</span>
      </TopBar>
      <main id="main" tabIndex={-1} className="start-main">
        <section aria-labelledby="open-jobs">
          <h1 id="open-jobs">Open jobs {open.total > 0 ? <span className="count">{open.total}</span> : null}</h1>
          {isNew ? <FirstSteps /> : null}
          {open.total === 0 && !isNew ? <p className="quiet">Nothing is open. Begin a job with the form.</p> : null}
          <JobList jobs={open.jobs} />
          {open.total > open.jobs.length ? (
            <Link className="btn btn-outline-dark" href="/jobs?state=open&page=2" prefetch={false}>
              {open.total - open.jobs.length} more open jobs
            </Link>
          ) : null}
          {closed.length > 0 ? (
            <>
              <h2 className="mt-4">Closed last</h2>
              <JobList jobs={closed} />
              <Link className="btn btn-outline-dark mt-2" href="/jobs?state=closed" prefetch={false}>
                Search closed jobs
              </Link>
            </>
          ) : null}
        </section>
        <div className="begin">
          <NewJob />
          <Link className="quick-link" href="/quick">
            <strong>No file for it?</strong> <Key of="quick" />
            <span>Name the machine and its loads; advice in a minute.</span>
          </Link>
        </div>
      </main>
    </div>
  );
}

/** What an empty shop does first. */
function FirstSteps() {
  return (
    <ol className="first-steps">
      <li>
        <strong>Begin a job.</strong> Type the model or a board number in the form, choose the machine, and give site
        and serial number from the plate.
      </li>
      <li>
        <strong>No file for the machine?</strong> <Link href="/quick">Name it and its loads</Link>, or{" "}
        <Link href="/machines">import or write its file</Link>.
      </li>
      <li>
        <strong>Say what you carry.</strong> In a job, <em>Tools and limits</em> at the upper right: only tests you can
        make are proposed.
      </li>
    </ol>
  );
}
