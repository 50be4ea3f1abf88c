"use client";

import Link from "next/link";
import { type ReactNode, useState } from "react";
import Button from "react-bootstrap/Button";
import { isClamp } from "../../core/instrument";
import {
  type Alternative,
  comesAndGoes,
  type TestCard,
  type Lead,
  type ProposedTest,
  type Stop,
} from "../../core/diagnose";
import { evidenceOf, type Job, type JournalEvent, leadWords, sleepTest } from "../../core/journal";
import type { Machine, AssemblyEntry } from "../../core/model";
import { type Test, testKey } from "../../core/simulate";
import { EXPOSURE_WORDS } from "#words/job";
import { BoardDrawing } from "../machine/BoardDrawing";
import { ReadingField } from "./ReadingField";
import { SafetyNotice } from "./SafetyNotice";
import { TestEditor } from "./TestEditor";
import { RestClock } from "./RestClock";
import type { Rest } from "./useRest";
import type { ReadingEntry } from "./ReadingField";
import { Key } from "../shortcuts/Key";
import { useShortcut } from "../shortcuts/useShortcut";
import { Term } from "../shell/Term";
import { say } from "#words/ui/job/NextTest";

interface Props {
  readonly job: Job;
  readonly machine: Machine;
  readonly card: TestCard | null;
  readonly test: Test | null;
  readonly refused: string | null;
  /** That a reading is left out of the search, in words; empty where none is. */
  readonly aside: string;
  readonly proposal: ProposedTest | null;
  readonly stop: Stop | null;
  /** The likeliest fault of all, "part:mode". */
  readonly likeliest: string | null;
  readonly alternatives: readonly Alternative[];
  readonly isChosen: boolean;
  readonly busy: boolean;
  readonly numbers: boolean;
  readonly onChoose: (test: Test | null) => void;
  readonly onRecord: (body: ReadingEntry) => Promise<boolean>;
  /** Whether what is laid out is what was proposed. */
  readonly proposed: boolean;
  /** What others wrote since one last looked at what is next. */
  readonly others: readonly JournalEvent[];
  /** A whole reading stands in the field; more may be typed. */
  readonly onTyping: (body: ReadingEntry) => void;
  readonly onDiagnose: () => void;
  /** Goes on inside the board that was found; null where there is none, or nothing on it to be told apart. */
  readonly onOpenBoard: (() => void) | null;
  /** What the search goes on to beyond the assembly: inside which board, or why what was found opened. */
  readonly beyond: string;
  /** Why what was found opened, as something to look at. */
  readonly why: ReactNode;
  readonly onWarned: () => void;
  /** The rest that must be over before this test may start the compressor; null: it starts none. */
  readonly rest: Rest | null;
}

const EXPOSURE_ICON = {
  none: "bi-eye",
  dead: "bi-plug",
  "low voltage": "bi-battery-half",
  live: "bi-lightning-charge-fill",
} as const;

/** One next step: what to set, where the leads go, what to expect, and the field for what the meter says. */
export function NextTest(props: Props) {
  const {
    job,
    machine,
    card,
    test,
    refused,
    proposal,
    stop,
    likeliest,
    alternatives,
    isChosen,
    busy,
    numbers,
    onChoose,
    onRecord,
    onTyping,
    proposed,
    others,
    aside,
    onDiagnose,
    onOpenBoard,
    beyond,
    why: whyOpened,
    onWarned,
    rest,
  } = props;
  const sleep = sleepTest(machine);
  const [why, setWhy] = useState(false);
  const [editing, setEditing] = useState(false);
  useShortcut("why", () => setWhy((w) => !w));
  useShortcut("other", () => setEditing((e) => !e));

  const editor =
    editing || refused ? <TestEditor machine={machine} test={test} setup={job.setup} onChange={onChoose} /> : null;
  if (stop && !card) {
    return (
      <div className="next">
        {aside ? <Aside words={aside} /> : null}
        <p className="next-kicker">{endWords(stop)}</p>
        <h2>{stop.sentence}</h2>
        {whyOpened}
        <div className="d-flex flex-wrap gap-2 mt-3">
          {(stop.kind === "found" || stop.kind === "likely") && stop.assemblies[0] ? (
            <Link
              className="btn btn-primary btn-lg"
              href={`/jobs/${job.id}/repair?assembly=${stop.assemblies[0]}&fault=${encodeURIComponent(likeliest ?? "")}`}
            >
              {say.whatToDoAboutIt}
            </Link>
          ) : null}
          <Button
            size="lg"
            variant={stop.kind === "found" || stop.kind === "likely" ? "outline-dark" : "primary"}
            onClick={onDiagnose}
            autoFocus={!whyOpened}
          >
            {say.closeWithADiagnosis} <Key of="diagnosis" />
          </Button>
          {onOpenBoard ? (
            <Button size="lg" variant="outline-dark" onClick={onOpenBoard}>
              {say.iRepairBoardsGoOn}
            </Button>
          ) : null}
          <Button size="lg" variant="outline-dark" onClick={() => setEditing((e) => !e)}>
            {say.measureSomethingElse} <Key of="other" />
          </Button>
        </div>
        {editor}
      </div>
    );
  }
  const board = card ? boardWith(machine, card) : undefined;
  // What others measured here meanwhile does not clear the field that is being typed into.
  const before = card
    ? job.readings.filter((r) => testKey(r.body.test) === testKey(card.test) && !others.some((o) => o.id === r.id))
        .length
    : 0;
  const touched = card && (card.exposure === "live" || card.exposure === "low voltage");
  return (
    <div
      className={`next ${board ? "has-board" : ""}`}
      aria-busy={busy}
      data-test={card ? testKey(card.test) : undefined}
    >
      {aside ? <Aside words={aside} /> : null}
      <p className="visually-hidden" role="status">
        {card ? `${eyebrowOf(isChosen, proposal)}: ${card.title}. ${EXPOSURE_WORDS[card.exposure]}.` : ""}
      </p>
      <div className="next-kicker">
        <span>{beyond && !isChosen ? beyond : eyebrowOf(isChosen, proposal)}</span>
        {card ? (
          <span id="next-exposure" className={`exposure ${card.exposure.replace(" ", "-")}`}>
            <i className={`bi ${EXPOSURE_ICON[card.exposure]}`} aria-hidden /> {EXPOSURE_WORDS[card.exposure]}
          </span>
        ) : null}
        {card ? (
          <span className="minutes">
            {card.cost.minutes < 1 ? say.underAMinute : `${Math.round(card.cost.minutes)} min`}
          </span>
        ) : null}
        <span className="next-keys">
          {isChosen ? (
            <Button
              size="sm"
              variant="link"
              onClick={() => {
                setEditing(false);
                onChoose(null);
              }}
            >
              {say.backToAdvice}
            </Button>
          ) : null}
          <Button size="sm" variant="link" aria-expanded={editing} onClick={() => setEditing((e) => !e)}>
            {say.iMeasuredSomethingElse} <Key of="other" />
          </Button>
          {proposal ? (
            <Button size="sm" variant="link" aria-expanded={why} onClick={() => setWhy((w) => !w)}>
              {say.whyThisTest} <Key of="why" />
            </Button>
          ) : null}
        </span>
      </div>
      {refused ? (
        <p className="problem" role="alert">
          {refused}
        </p>
      ) : null}
      {card ? (
        <>
          <h2>{card.title}</h2>
          {why && proposal ? (
            <Why proposal={proposal} alternatives={alternatives} numbers={numbers} onChoose={onChoose} />
          ) : null}
          {touched && !job.warned ? (
            <>
              {editor}
              <SafetyNotice onRead={onWarned} busy={busy} />
            </>
          ) : (
            <>
              {rest && rest.until !== null ? (
                <p className="rest" role="status">
                  <i className="bi bi-hourglass-split" aria-hidden /> {say.compressorRestartDelay}{" "}
                  <strong className="value">
                    <RestClock until={rest.until} minutes={rest.minutes} />
                  </strong>{" "}
                  {say.beforeThisStartsItAgain}
                </p>
              ) : null}
              <Steps card={card} />
              {card.test.function !== "look" && comesAndGoes(evidenceOf(job)) ? (
                <p className="provoke">
                  <i className="bi bi-arrows-move" aria-hidden />{" "}
                  {card.exposure === "live" ? say.provokeItLive : say.provokeIt}
                </p>
              ) : null}
              {card.test.function === "look" ? null : <Leads card={card} />}
              {sleep && testKey(sleep) === testKey(card.test) ? (
                <p>
                  <Link className="btn btn-outline-dark" href={`/tools/sleep?job=${encodeURIComponent(job.id)}`}>
                    <i className="bi bi-graph-down" aria-hidden /> {say.logTheSleepCurrent}
                  </Link>
                </p>
              ) : null}
              {editor}
              <ul className="cautions">
                {card.cautions.map((c) => (
                  <li key={c}>
                    <i className="bi bi-exclamation-triangle" aria-hidden /> {c}
                  </li>
                ))}
              </ul>
              <div className="answer">
                <ReadingField
                  key={`${testKey(card.test)} ${before}`}
                  job={job.id}
                  machine={machine}
                  card={card}
                  before={before}
                  busy={busy}
                  proposed={proposed}
                  onRecord={onRecord}
                  onTyping={onTyping}
                />
                <p className="expected">
                  <span>{say.expected}</span>
                  <strong>{card.windowWords === "OL" ? <Term of="overload" /> : card.windowWords}</strong>
                  {card.through ? <small className="through">{card.through}</small> : null}
                </p>
              </div>
            </>
          )}
          {board && !(touched && !job.warned) ? (
            <BoardDrawing assembly={board} red={card.test.red} black={card.test.black} />
          ) : null}
          <Meanings card={card} numbers={numbers} />
        </>
      ) : (
        editor
      )}
    </div>
  );
}

/** Why this test, and what the others cost more. */
function Why({
  proposal,
  alternatives,
  numbers,
  onChoose,
}: {
  proposal: ProposedTest;
  alternatives: readonly Alternative[];
  numbers: boolean;
  onChoose: (test: Test) => void;
}) {
  return (
    <div className="why">
      <p className="mb-1">
        {proposal.why}
        {numbers ? ` (${proposal.bits.toFixed(2)} bit)` : ""}
      </p>
      {alternatives.length > 0 ? (
        <ul className="plain-list mb-0" aria-label={say.instead}>
          {alternatives.map((a) => (
            <li key={testKey(a.test.test)}>
              <Button size="sm" variant="link" onClick={() => onChoose(a.test.test)}>
                {a.title}
              </Button>{" "}
              <span className="quiet">
                {a.more < 0.5 ? say.costsNoMoreOnThe : say.costsMinMoreOnThe(Math.max(1, Math.round(a.more)))}
              </span>
            </li>
          ))}
        </ul>
      ) : null}
    </div>
  );
}

function Steps({ card }: { card: TestCard }) {
  if (card.cost.steps.length === 0) return <p className="steps">{card.setupName}.</p>;
  return (
    <ol className="steps">
      {card.cost.steps.map((s) => (
        <li key={s}>{s}</li>
      ))}
    </ol>
  );
}

/** The board on which the two spots are marked, where the file has a drawing or photo of it. */
function boardWith(machine: Machine, card: TestCard): AssemblyEntry | undefined {
  const [red, black] = [card.test.red, card.test.black];
  return machine.file.pieces.find(
    (p) => p.drawing && (red in p.drawing.pins || (black !== undefined && black in p.drawing.pins)),
  );
}

function Leads({ card }: { card: TestCard }) {
  return (
    <dl className="leads" id="next-leads">
      <div>
        <dt>
          <i className="bi bi-speedometer2" aria-hidden />
          <span className="visually-hidden">{say.meter}</span>
        </dt>
        <dd>
          {card.test.function === "lowz" ? <Term of="lowz" /> : card.functionWords}
          {card.range ? say.rangeOrAuto(card.range) : ""}
        </dd>
      </div>
      <LeadLine kind="red" lead={card.red} clamp={isClamp(card.test.function)} />
      {card.black ? <LeadLine kind="black" lead={card.black} clamp={false} /> : null}
    </dl>
  );
}

function LeadLine({ kind, lead, clamp }: { kind: "red" | "black"; lead: Lead; clamp: boolean }) {
  return (
    <div>
      <dt>
        <span className={`probe ${kind}`} aria-hidden />
        <span className="visually-hidden">{clamp ? "Clamp" : `${kind} lead`}</span>
      </dt>
      <dd>{leadWords(lead)}</dd>
    </div>
  );
}

function Meanings({ card, numbers }: { card: TestCard; numbers: boolean }) {
  if (card.meanings.length === 0) return null;
  return (
    <table className="meanings">
      <caption className="visually-hidden">{say.whatEachResultWouldMean}</caption>
      <tbody>
        {card.meanings.map((m) => (
          <tr key={m.words}>
            <th scope="row">{m.words}</th>
            <td>
              {m.leaves.length === 0
                ? say.noClearSuspect
                : m.leaves.map((l) => (numbers ? `${l.name} ${Math.round(l.probability * 100)} %` : l.name)).join(", ")}
              {m.sound ? <span className="quiet"> {say.asExpected}</span> : null}
            </td>
            {numbers ? <td className="share">{Math.round(m.probability * 100)} %</td> : null}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** A reading that the search goes on without. */
const Aside = ({ words }: { readonly words: string }) => (
  <p className="misfit-note" role="status">
    <span className="mark misfit" aria-hidden /> {words}
  </p>
);

function endWords(stop: Stop): string {
  if (stop.kind === "found") return "Found";
  if (stop.kind === "likely") return say.likely;
  if (stop.kind === "mended") return "Fixed";
  return say.endOfTheSearch;
}

function eyebrowOf(isChosen: boolean, proposal: ProposedTest | null): string {
  if (isChosen) return say.yourTest;
  if (proposal?.proves) return say.beforeItIsBlamed;
  return "Next";
}
