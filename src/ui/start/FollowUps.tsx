"use client";

import Link from "next/link";
import { useState } from "react";
import { followUps } from "../../contract/outcomes";
import { useRoute } from "../engine/useRoute";
import { DidItHold } from "../record/DidItHold";
import { shortDate } from "../shell/time";
import { say as held } from "#words/ui/held";
import { say } from "#words/ui/start";

/** Repairs shown at once. */
const SHOWN = 3;

/** Closed repairs of which it is time to ask whether they held. */
export function FollowUps() {
  const [answered, setAnswered] = useState<readonly string[]>([]);
  const { value } = useRoute(followUps, []);
  const due = (value?.followUps ?? []).filter((f) => !answered.includes(f.job));
  if (due.length === 0) return null;
  return (
    <section className="follow-ups" aria-label={held.didItHold}>
      <h2>
        {held.didItHold} <span className="count">{due.length}</span>
      </h2>
      <ul>
        {due.slice(0, SHOWN).map((f) => (
          <li key={f.job}>
            <span>
              <Link href={`/jobs/${f.job}/record`} prefetch={false}>
                <strong>{f.site}</strong>
              </Link>{" "}
              {f.result}
              <span className="quiet d-block" suppressHydrationWarning>
                {f.complaint ?? say.noComplaint}, {say.closedOn(shortDate(f.closedAt))}
              </span>
            </span>
            <DidItHold job={f.job} of={f.site} onTold={() => setAnswered((before) => [...before, f.job])} />
          </li>
        ))}
      </ul>
    </section>
  );
}
