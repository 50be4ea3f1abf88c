"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import type { JobPage, JobRow } from "../../contract/jobs";
import { dayName } from "../shell/time";
import { TopBar } from "../shell/TopBar";
import { HandsNow } from "../day/HandsNow";
import { FollowUps } from "./FollowUps";
import { JobList } from "./JobList";
import { NewJob } from "./NewJob";
import { Key } from "../shortcuts/Key";
import { useShortcut } from "../shortcuts/useShortcut";
import { say } from "#words/ui/start";

/** The jobs of the day, and a new one. */
export function StartScreen({ open, closed, now }: { open: JobPage; closed: readonly JobRow[]; now: string }) {
  const router = useRouter();
  useShortcut("quick", () => router.push("/quick"));
  const isNew = open.total === 0 && closed.length === 0;
  return (
    <div className="start">
      <TopBar here="Jobs" title={say.jobs}>
        <span suppressHydrationWarning>{dayName(now)}</span>
      </TopBar>
      <main id="main" tabIndex={-1} className="start-main">
        <section aria-labelledby="open-jobs">
          <h1 id="open-jobs">
            {say.openJobs} {open.total > 0 ? <span className="count">{open.total}</span> : null}
          </h1>
          {isNew ? <FirstSteps /> : null}
          {open.total > 0 ? <HandsNow /> : null}
          {open.total === 0 && !isNew ? <p className="quiet">{say.nothingIsOpenBeginA}</p> : null}
          <JobList jobs={open.jobs} />
          {open.total > open.jobs.length ? (
            <Link className="btn btn-outline-dark" href="/jobs?state=open&page=2" prefetch={false}>
              {say.moreOpenJobs(open.total - open.jobs.length)}
            </Link>
          ) : null}
          <FollowUps />
          {closed.length > 0 ? (
            <>
              <h2 className="mt-4">{say.closedLast}</h2>
              <JobList jobs={closed} />
              <Link className="btn btn-outline-dark mt-2" href="/jobs?state=closed" prefetch={false}>
                {say.allClosedJobs}
              </Link>
            </>
          ) : null}
        </section>
        <div className="begin">
          <NewJob />
          <Link className="quick-link" href="/quick">
            <strong>{say.noFileForIt}</strong> <Key of="quick" />
            <span>{say.nameTheMachineAndIts}</span>
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
        <strong>{say.beginAJob}</strong> {say.typeTheModelOrA}
      </li>
      <li>
        <strong>{say.noFileForTheMachine}</strong> <Link href="/quick">{say.nameItAndItsLoads}</Link>
        {say.or} <Link href="/machines">{say.importOrWriteItsFile}</Link>.
      </li>
      <li>
        <strong>{say.sayWhatYouCarry}</strong> {say.inAJob} <em>{say.toolsAndLimits}</em> {say.atTheUpperRightOnly}
      </li>
    </ol>
  );
}
