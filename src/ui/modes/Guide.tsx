"use client";

import { useEffect, useMemo, useRef, useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import {
  again,
  BEGIN,
  type Count,
  type Exits,
  type GuideLeg,
  type GuideStep,
  type Machine,
  mark,
  secondsLeft,
  seen,
  stepWords,
  tick,
} from "../../core/model";
import { useKept } from "../shell/useKept";
import { useEngine, type Desk } from "../engine/useEngine";
import { beep } from "./beep";
import { Problem } from "../engine/Problem";
import { Key } from "../shortcuts/Key";
import { useShortcut } from "../shortcuts/useShortcut";
import { say } from "#words/ui/modes";

interface Props {
  readonly machine: Machine;
  readonly desk: Desk | null;
  readonly legs: readonly GuideLeg[];
  readonly exits: Exits;
  /** The machine showed what it should at the end of a leg; it is in that mode now. */
  readonly onArrived: (mode: string) => void;
  /** In a job: logs what it showed instead. */
  readonly onShowed?: (mode: string, label: string) => void;
}

const TICK = 100;
const PACE = 700;
const now = () => performance.now() / 1000;

/** Leads a person into a mode step by step: one large instruction, one count, one key to mark what was done. */
export function Guide({ machine, desk, legs, exits, onArrived, onShowed }: Props) {
  const [count, setCount] = useState<Count>(BEGIN);
  const [clock, setClock] = useState(() => now());
  const [muted, setMuted] = useKept("unzo.muted");
  const [instead, setInstead] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  const leg = legs[count.leg]!;
  const step = leg.steps[count.step];
  const doorName = useMemo(() => (id: string) => machine.file.doors.find((d) => d.id === id)?.name ?? id, [machine]);

  useEffect(() => {
    if (count.state !== "doing") return;
    const timer = setInterval(() => {
      const t = now();
      setClock(t);
      setCount((c) => tick(legs, c, t));
    }, TICK);
    return () => clearInterval(timer);
  }, [legs, count.state]);
  // A pace to press to: a tone for each press that is due, a higher one at the end of a hold.
  const pacing = count.state === "doing" && step?.do === "press" && step.times > 1;
  useEffect(() => {
    if (!pacing || muted) return;
    const timer = setInterval(() => beep(660), PACE);
    return () => clearInterval(timer);
  }, [pacing, muted]);
  const state = `${count.leg} ${count.step} ${count.state}`;
  const before = useRef(state);
  useEffect(() => {
    if (before.current !== state && !muted)
      if (count.state === "late") beep(220);
      else if (count.state === "look") beep(990);
      else beep(880);
    before.current = state;
  }, [state, count.state, muted]);
  useEffect(() => {
    button.current?.focus({ preventScroll: true });
  }, [state]);

  const doMark = () => {
    const t = now();
    setClock(t);
    setCount((c) => mark(legs, c, t));
  };
  const restart = () => {
    setInstead(false);
    setCount((c) => again(legs, c));
  };
  const arrived = () => {
    setInstead(false);
    onArrived(leg.mode);
    setCount((c) => seen(legs, c));
  };
  // The button in focus answers to the space bar by itself; from anywhere else the key marks too.
  useShortcut("press", doMark, {
    enabled: count.state === "doing",
    unless: () => document.activeElement === button.current,
  });
  useShortcut("yes", arrived, { enabled: count.state === "look" });
  useShortcut("no", () => setInstead(true), { enabled: count.state === "look" });
  useShortcut("beep", () => setMuted(muted ? "" : "yes"));

  const left = secondsLeft(legs, count, clock);
  const waiting = step?.do === "power" && count.since !== null && left !== null && left > 0;
  return (
    <div className="guide">
      <div className="guide-head">
        <ol className="guide-legs" aria-label={say.theWay}>
          {legs.map((l, i) => (
            <li key={i} className={legClass(i, count)}>
              {l.modeName}
            </li>
          ))}
        </ol>
        <Form.Check
          type="switch"
          id="guide-mute"
          label={
            <>
              {say.beep} <Key of="beep" />
            </>
          }
          checked={!muted}
          onChange={(e) => setMuted(e.target.checked ? "" : "yes")}
        />
      </div>
      <Timeline
        steps={leg.steps}
        at={count.step}
        isOver={count.state === "look" || count.state === "done"}
        doorName={doorName}
      />
      {count.state === "doing" && step ? (
        <div className="guide-now">
          <p className="guide-words" aria-live="polite">
            {nowWords(waiting, step, count, doorName)}
          </p>
          <p className="guide-count value" role="timer" aria-label={say.secondsLeft}>
            {left === null ? " " : left.toFixed(left < 10 ? 1 : 0)}
            <span>{left === null ? "" : " s"}</span>
          </p>
          <Button ref={button} size="lg" className="guide-mark" disabled={waiting} onClick={doMark}>
            {markWords(step, count)} <Key of="press" />
          </Button>
        </div>
      ) : null}
      {count.state === "late" ? (
        <div className="guide-now" role="status">
          <p className="guide-words">{say.tooSlowItBeganTo}</p>
          <Button ref={button} size="lg" onClick={restart}>
            {say.beginAgain}
          </Button>
        </div>
      ) : null}
      {count.state === "look" ? (
        <div className="guide-now">
          <p className="guide-words">
            {say.itShouldShowNow}{" "}
            <span className="menu-shows big">{leg.shows.display === "dark" ? lampWords(leg) : leg.shows.display}</span>
          </p>
          <div className="d-flex flex-wrap gap-2">
            <Button ref={button} size="lg" onClick={arrived}>
              {say.yes} <Key of="yes" />
            </Button>
            <Button size="lg" variant="outline-dark" aria-expanded={instead} onClick={() => setInstead(true)}>
              {say.no} <Key of="no" />
            </Button>
          </div>
          {instead ? (
            <Instead
              desk={desk}
              before={legs.slice(0, count.leg)}
              leg={leg}
              onAgain={restart}
              {...(onShowed ? { onShowed: (label: string) => onShowed(leg.mode, label) } : {})}
            />
          ) : null}
        </div>
      ) : null}
      {count.state === "done" ? (
        <div className="guide-now" role="status">
          <p className="guide-words">
            <i className="bi bi-check2" aria-hidden /> {say.inModeName(legs[legs.length - 1]!.modeName.toLowerCase())}
          </p>
          <p>{exitWords(exits)}</p>
        </div>
      ) : null}
    </div>
  );
}

function markWords(step: GuideStep, count: Count): string {
  switch (step.do) {
    case "open":
      return say.itIsOpen;
    case "keep":
      return say.iHoldIt;
    case "hold":
      return count.since === null ? say.iPressNow : say.keepHolding;
    case "press":
      return "Pressed";
    case "let go":
      return say.letGo;
    case "power":
      return count.since === null ? say.powerIsOff : say.powerIsOn;
  }
}

const lampWords = (leg: GuideLeg) => Object.values(leg.shows.lamps)[0] ?? say.nothingNew;

const lastsWords = (seconds: number) =>
  seconds < 120 ? `${Math.round(seconds)} s` : `${Math.round(seconds / 60)} min`;

/** How a mode is left, as a sentence. */
function exitWords(exits: Exits): string {
  const ways = [
    ...(exits.gestures && exits.gestures.length > 0 ? [exits.gestures.map((g) => g.name).join(say.then)] : []),
    ...(exits.endsAfter !== null ? [say.itEndsByItselfAfter(lastsWords(exits.endsAfter))] : []),
    ...(exits.power ? [say.aPowerCycleLeavesIt] : []),
  ];
  if (exits.cannotBeCancelled)
    return say.itCannotBeCancelledNot(
      exits.endsAfter !== null ? say.itEndsByItselfAfterMin(Math.round(exits.endsAfter / 60)) : "",
    );
  return ways.length > 0 ? say.outOfIt(ways.join("; or ")) : "";
}

/** The steps of a leg on one line in time: how long each lasts, which one is now. */
function Timeline({
  steps,
  at,
  isOver,
  doorName,
}: {
  steps: readonly GuideStep[];
  at: number;
  isOver: boolean;
  doorName: (id: string) => string;
}) {
  return (
    <ol className="timeline" aria-label={say.steps}>
      {steps.map((s, i) => (
        <li
          key={i}
          className={`time-step ${stepClass(isOver, i, at)}`}
          style={{
            flexGrow: widthOf(s),
          }}
        >
          {s.do === "press" ? (
            <span className="time-marks" aria-hidden>
              {Array.from({ length: s.times }, (_, k) => (
                <span key={k} />
              ))}
            </span>
          ) : (
            <span className="time-bar" aria-hidden />
          )}
          <span>{shortWords(s, doorName)}</span>
        </li>
      ))}
    </ol>
  );
}

function shortWords(step: GuideStep, doorName: (id: string) => string): string {
  switch (step.do) {
    case "open":
      return `${doorName(step.door)} open`;
    case "keep":
      return `${step.keys.join(" + ")} down`;
    case "hold":
      return `${step.keys.join(" + ")} held ${step.seconds} s`;
    case "press":
      return step.times > 1 ? `${step.times} × ${step.key} in ${step.within} s` : step.key;
    case "let go":
      return `${step.keys.join(" + ")} up`;
    case "power":
      return say.powerOffSOn(step.wait);
  }
}

/** What it may show instead, and what that means, found by doing it wrong on the simulated machine. */
function Instead({
  desk,
  before,
  leg,
  onAgain,
  onShowed,
}: {
  desk: Desk | null;
  before: readonly GuideLeg[];
  leg: GuideLeg;
  onAgain: () => void;
  onShowed?: (label: string) => void;
}) {
  const { value: slips, problem } = useEngine(desk, "slips", [before, leg]);
  if (problem) return <Problem words={problem} />;
  if (!slips)
    return (
      <p className="quiet" role="status">
        {say.tryingOnTheSimulatedMachine}
      </p>
    );
  const shows = [...new Set(slips.filter((s) => !s.unseen).map((s) => s.shows))];
  return (
    <div className="instead">
      <h3>{say.itShowsInstead}</h3>
      <ul className="plain-list">
        {shows.map((text) => {
          const hand = slips.filter((s) => s.shows === text && !s.unseen && s.of === "hand");
          const machine = slips.filter((s) => s.shows === text && !s.unseen && s.of === "machine");
          return (
            <li key={text}>
              <span className="menu-shows">{text}</span>
              <span className="instead-words">
                {hand.length > 0 ? (
                  <span>
                    <strong>{say.yourHand}</strong> {hand.map((s) => s.words).join("; ")}.{" "}
                  </span>
                ) : null}
                {machine.length > 0 ? (
                  <span>
                    <strong>{say.theMachine}</strong> {machine.map((s) => s.words).join("; ")}.
                  </span>
                ) : null}
              </span>
              {onShowed ? (
                <Button size="sm" variant="outline-dark" onClick={() => onShowed(text)}>
                  {say.logThis}
                </Button>
              ) : null}
            </li>
          );
        })}
      </ul>
      <Button variant="outline-dark" onClick={onAgain}>
        {say.tryAgain}
      </Button>
    </div>
  );
}

function legClass(i: number, count: Count): "" | "is-done" | "is-now" {
  if (i < count.leg || count.state === "done") return "is-done";
  if (i === count.leg) return "is-now";
  return "";
}

function nowWords(waiting: boolean, step: GuideStep, count: Count, doorName: (id: string) => string): string {
  if (waiting) return "Wait";
  if (step.do === "power" && count.since !== null) return say.powerOnNow;
  return stepWords(step, count, doorName);
}

function stepClass(isOver: boolean, i: number, at: number): "" | "is-done" | "is-now" {
  if (isOver || i < at) return "is-done";
  if (i === at) return "is-now";
  return "";
}

/** How wide a step is drawn, by how long it takes. */
function widthOf(s: GuideStep): number {
  if (s.do === "hold") return Math.min(6, 1 + s.seconds / 3);
  if (s.do === "press") return 1 + s.times / 2;
  if (s.do === "power") return 2.5;
  return 1;
}
