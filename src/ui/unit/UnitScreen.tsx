"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import Button from "react-bootstrap/Button";
import type { UnitLife, UnitRecord } from "../../contract/units";
import { send } from "../shell/send";
import { shortDate } from "../shell/time";
import { TopBar } from "../shell/TopBar";
import { useKept } from "../shell/useKept";
import { NewJob } from "../start/NewJob";
import { serialWords } from "./plate";
import { OverYears } from "./OverYears";
import { HeldMark } from "../record/HeldMark";
import { UnitData } from "./UnitData";
import { UnitPhotos } from "./UnitPhotos";
import { logEntry } from "../../contract/entries";
import { madeGoodBody } from "../../core/journal";
import { jobAddress } from "../shell/job-address";
import { say } from "#words/ui/unit";

/** What stays with a unit from job to job: what was built into it, what is only patched, its settings, its jobs. */
export function UnitScreen({ unit, life }: { unit: UnitRecord; life: UnitLife }) {
  const router = useRouter();
  const [who] = useKept("unzo.who");
  const [problem, setProblem] = useState("");
  const ids = useRef(new Map<string, string>());
  const open = unit.jobs.find((j) => j.open);
  const doneIn = (job: string) => {
    const done = life.repairs.find((r) => r.job === job);
    return done ? (
      <>
        <span className="quiet">: {done.words}</span> {done.held ? <HeldMark held={done.held} /> : null}
      </>
    ) : null;
  };
  async function makeGood(event: string, words: string) {
    if (!open) return setProblem(say.openAJobOnThis);
    const id = ids.current.get(event) ?? crypto.randomUUID();
    ids.current.set(event, id);
    try {
      await send(logEntry, [open.id], {
        id,
        v: 1,
        actor: who || "Someone",
        body: madeGoodBody(event, words),
      });
      setProblem("");
      router.refresh();
    } catch (error) {
      setProblem((error as Error).message);
    }
  }
  return (
    <div className="start">
      <TopBar here="Jobs" title={`${unit.machineName}, ${serialWords(unit.serial)}`} />
      <main id="main" tabIndex={-1} className="repair-main">
        <header className="rig-head">
          <h1>
            {unit.machineName}, {serialWords(unit.serial)} <span className="quiet">{unit.site}</span>
          </h1>
          {unit.modifications.length > 0 ? (
            <Link className="btn btn-outline-dark btn-sm" href={`/units/${unit.id}/label`}>
              <i className="bi bi-printer" aria-hidden /> {say.label}
            </Link>
          ) : null}
        </header>
        <p className="problem" role="alert">
          {problem}
        </p>
        {unit.unsafe ? (
          <p className="power-mark" role="alert">
            <i className="bi bi-x-octagon-fill" aria-hidden /> {say.unsafeTag(unit.unsafe.tag)}: {unit.unsafe.reason}{" "}
            <Link href={`/jobs/${unit.unsafe.job}/record`}>{say.itsRecord}</Link>
          </p>
        ) : null}
        {unit.unreadable.length > 0 ? (
          <p className="power-mark" role="alert">
            <i className="bi bi-exclamation-triangle-fill" aria-hidden /> {say.aJobOfThisUnit}
          </p>
        ) : null}
        {unit.modifications.length > 0 ? (
          <section className="rig-sheet" aria-label={say.modified2}>
            <h2>
              <i className="bi bi-exclamation-diamond-fill" aria-hidden /> {say.modified2}
            </h2>
            <ul>
              {unit.modifications.map((m) => (
                <li key={m.id} suppressHydrationWarning>
                  <strong>{m.body.words}</strong>
                  {say.wordGivenBy(m.body.reason, m.body.customer, shortDate(m.at), m.actor)}{" "}
                  <Link href={`/jobs/${m.job}/record`}>{say.record}</Link>
                </li>
              ))}
            </ul>
          </section>
        ) : null}
        {unit.temporary.length > 0 ? (
          <section className="rig-sheet" aria-label={say.temporaryRepairs}>
            <h2>
              <i className="bi bi-bandaid-fill" aria-hidden /> {say.temporaryToBeMadeGood}
            </h2>
            <ul className="left-list">
              {unit.temporary.map((t) => (
                <li key={t.id}>
                  <span suppressHydrationWarning>
                    <strong>{t.body.words}</strong>
                    <span className="quiet d-block">
                      {shortDate(t.at)}, {t.actor}
                    </span>
                  </span>
                  <Button
                    variant="outline-dark"
                    aria-label={say.madeGoodBodyWords(t.body.words)}
                    onClick={() => void makeGood(t.id, t.body.words)}
                  >
                    <i className="bi bi-check-lg" aria-hidden /> {say.madeGood}
                  </Button>
                </li>
              ))}
            </ul>
          </section>
        ) : null}
        {unit.settings.length > 0 ? (
          <section className="rig-sheet" aria-label={say.settings}>
            <h2>{say.settingsAsLastKnown}</h2>
            <ul>
              {unit.settings.map((s) => (
                <li key={s.setting} suppressHydrationWarning>
                  {s.setting}: <strong className="value">{s.value}</strong>{" "}
                  <span className="quiet">{shortDate(s.at)}</span>
                </li>
              ))}
            </ul>
          </section>
        ) : null}
        <section className="rig-sheet" aria-label={say.jobs}>
          <h2>{say.jobs}</h2>
          {unit.jobs.length === 0 ? <p className="quiet mb-0">{say.noJobYet}</p> : null}
          <ul>
            {unit.jobs.map((j) => (
              <li key={j.id} suppressHydrationWarning>
                <Link href={jobAddress(j)} prefetch={false}>
                  {shortDate(j.openedAt)}: {j.complaint ?? say.noComplaint}
                </Link>{" "}
                {j.result ?? "open"}
                {doneIn(j.id)}
              </li>
            ))}
          </ul>
        </section>
        <OverYears places={life.places} repairs={life.repairs} />
        {life.places.length > 0 ? (
          <p>
            <a href={`/api/units/${unit.id}/readings`}>{say.readingsAsLines}</a>
          </p>
        ) : null}
        <UnitPhotos photos={life.photos} />
        <UnitData unit={unit} />
        <div className="one-form">
          <NewJob fixed={{ kind: "unit", unit }} />
        </div>
      </main>
    </div>
  );
}
