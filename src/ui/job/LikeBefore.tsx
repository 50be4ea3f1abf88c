"use client";

import Link from "next/link";
import { jobsBefore } from "../../contract/jobs";
import { HeldMark } from "../record/HeldMark";
import { useRoute } from "../engine/useRoute";
import { shortDate } from "../shell/time";
import { say } from "#words/ui/job/LikeBefore";

/** Past jobs on this type of machine that showed what this one shows; what they were, how long, whether it held. */
export function LikeBefore({ job, entries }: { job: string; entries: number }) {
  const { value } = useRoute(jobsBefore, [job], { news: entries });
  const before = value?.before ?? [];
  return (
    <section className="like-before" aria-label={say.likeThis}>
      <h2>{say.likeThis}</h2>
      {before.length === 0 ? <p className="quiet mb-0">{value ? say.noneYet : say.looking}</p> : null}
      <ul>
        {before.map((b) => (
          <li key={b.job}>
            <Link href={`/jobs/${b.job}/record`} prefetch={false}>
              <strong>{b.piece}</strong>
            </Link>{" "}
            <HeldMark held={b.held} />
            <span className="d-block" suppressHydrationWarning>
              {b.cause}; {say.minutes(Math.round(b.minutes))}, {b.by}, {shortDate(b.at)}
            </span>
            <span className="quiet d-block">{say.both(b.shared.slice(0, 3))}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
