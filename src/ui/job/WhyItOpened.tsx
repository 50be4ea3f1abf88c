"use client";

import { useState } from "react";
import Button from "react-bootstrap/Button";
import type { Came, WhyOpened } from "../../core/diagnose";
import { byHandBody, type EventBody, type Job, noticedBody } from "../../core/journal";
import type { Machine } from "../../core/model";
import { say } from "#words/ui/job/WhyItOpened";

const STATE_CLASS = { found: "failed", cleared: "passed", open: "" } as const;
const STATE_ICON = { found: "bi-exclamation-octagon-fill", cleared: "bi-check2", open: "bi-question-lg" } as const;

/** Why what was found opened: what the readings say of each cause, a lamp in its place, and what only a person can say. */
export function WhyItOpened({
  why,
  job,
  machine,
  busy,
  onLog,
}: {
  readonly why: WhyOpened;
  readonly job: Job;
  readonly machine: Machine;
  readonly busy: boolean;
  readonly onLog: (body: EventBody) => Promise<boolean>;
}) {
  const part = machine.partById.get(why.part)!;
  const isFound = why.causes.some((c) => c.state === "found");
  const lamp = job.answers.findLast(
    ({ body }) => body.type === "by hand" && body.trial === "series lamp" && body.of === part.id,
  )?.body;
  const isAc = machine.file.supply.hertz > 0;
  const [showLamp, setShowLamp] = useState(false);
  const came = (c: Came) => void onLog(byHandBody(part.name, { trial: "series lamp", of: part.id, came: c }));
  return (
    <section className="why-opened" aria-labelledby="why-opened">
      <h3 id="why-opened">{say.whyDidItOpen}</h3>
      {why.causes.length > 0 ? (
        <ul className="findings" aria-label={say.whatTheReadingsSay}>
          {why.causes.map((c) => (
            <li key={c.name} className={STATE_CLASS[c.state]}>
              <i className={`bi ${STATE_ICON[c.state]}`} aria-hidden />{" "}
              <span>
                {c.name} <span className="quiet">{say.states[c.state]}</span>
              </span>
            </li>
          ))}
        </ul>
      ) : null}
      {why.seriesLamp && !isFound ? (
        <div>
          <Button
            size="sm"
            variant="link"
            aria-expanded={showLamp}
            onClick={() => setShowLamp((s) => !s)}
            className="px-0"
          >
            {isAc ? say.aLampInItsPlace : say.aLimitedSupplyInItsPlace}
          </Button>
          {lamp?.type === "by hand" ? <span className="quiet"> {lamp.words}</span> : null}
          {showLamp ? (
            <>
              <ol className="steps">
                {(isAc ? say.lampSteps : say.supplySteps).map((s) => (
                  <li key={s}>{s}</li>
                ))}
              </ol>
              <div className="d-flex flex-wrap gap-2 mb-2">
                <Button variant="outline-dark" disabled={busy} onClick={() => came("bright")}>
                  {isAc ? say.bright : say.limits}
                </Button>
                <Button variant="outline-dark" disabled={busy} onClick={() => came("dim")}>
                  {isAc ? say.dim : say.holds}
                </Button>
              </div>
            </>
          ) : null}
        </div>
      ) : null}
      {isFound ? null : (
        <ul className="signs" aria-label={say.whatOnlyYouCanSay}>
          {why.asked.map((a) => (
            <li key={a.id}>
              <span>{a.ask}</span>
              <span className="d-flex gap-2">
                {([true, false] as const).map((there) => (
                  <Button
                    key={String(there)}
                    size="sm"
                    variant={a.answer === there ? "dark" : "outline-dark"}
                    aria-pressed={a.answer === there}
                    disabled={busy}
                    onClick={() =>
                      void onLog(
                        noticedBody({ part: part.id, partName: part.name, sign: a.sign, words: a.words }, there),
                      )
                    }
                  >
                    {there ? say.yes : say.no}
                  </Button>
                ))}
              </span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
