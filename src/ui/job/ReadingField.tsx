"use client";

import { useEffect, useLayoutEffect, useRef, useState, type FormEvent } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { FLICKERS, type Machine } from "../../core/model";
import { labelWords, type TestCard } from "../../core/diagnose";
import { isByHand, labelsIn, RECHECK, testKey } from "../../core/simulate";
import { MeterBar } from "../meter/MeterBar";
import { useKept } from "../shell/useKept";
import { type EventBody, judgeTyped, leadWords, loneOne, readingBody, sawBody } from "../../core/journal";
import { bringIntoView } from "./into-view";
import { Digit } from "../shortcuts/Key";
import { useDigits } from "../shortcuts/useShortcut";
import { say } from "#words/ui/job/ReadingField";

/** A reading as it is logged. */
export type ReadingEntry = Extract<EventBody, { type: "reading" }>;

interface Props {
  readonly job: string;
  readonly machine: Machine;
  readonly card: TestCard;
  /** How often this test was made before: what was typed for the last time is not what is typed now. */
  readonly before: number;
  /** Whether it is the test that was proposed. */
  readonly proposed: boolean;
  readonly busy: boolean;
  readonly onRecord: (body: ReadingEntry) => Promise<boolean>;
  /** A whole reading stands in the field; more may be typed. */
  readonly onTyping: (body: ReadingEntry) => void;
}

const UNIT = {
  dcv: "V DC",
  acv: "V AC",
  lowz: "V",
  ohms: "Ω",
  continuity: "",
  clamp: "A",
  dcclamp: "A",
  look: "",
  inrush: "A",
  hertz: "Hz",
  capacitance: "F",
  insulation: "Ω",
} as const;

/** Takes what the meter shows, or what is seen. What is typed survives a reload until it is logged. */
export function ReadingField(props: Props) {
  return props.card.test.function === "look" ? <Labels {...props} /> : <Typed {...props} />;
}

function Typed({ job, card, before, proposed, busy, onRecord, onTyping }: Props) {
  const [typed, setTyped] = useKept(`unzo.draft.${job}.${testKey(card.test)}${before > 0 ? `.${before}` : ""}`);
  const [problem, setProblem] = useState("");
  const [asksOverload, setAsksOverload] = useState(false);
  const [nothing, setNothing] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  // What was typed while the page was still coming to life stands in the field and nowhere else.
  useLayoutEffect(() => {
    if (field.current?.value && typed === "") change(field.current.value);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, when it comes to life
  }, []);
  useEffect(() => {
    field.current?.focus({ preventScroll: true });
    const look = () => bringIntoView(field.current);
    look();
    // A keyboard that comes up on a phone hides what lies under it.
    window.visualViewport?.addEventListener("resize", look);
    return () => window.visualViewport?.removeEventListener("resize", look);
  }, []);

  function change(text: string) {
    setTyped(text);
    setProblem("");
    setAsksOverload(false);
    setNothing(false);
    const judged = judgeTyped(card, text, proposed);
    if (judged.kind === "read" && !busy) onTyping(judged.body);
  }

  async function record(body: ReadingEntry) {
    if (busy) return setProblem(say.oneMomentTheLastEntry);
    if (await onRecord(body)) setTyped("");
  }

  function submit(event: FormEvent) {
    event.preventDefault();
    // An empty field sent twice says that the meter shows nothing.
    const judged = judgeTyped(card, typed.trim() === "" && nothing ? "nothing" : typed, proposed);
    if (judged.kind === "read") return void record(judged.body);
    setNothing(judged.kind === "empty");
    if (judged.kind === "empty") return setProblem(say.typeWhatTheMeterShows);
    setAsksOverload(judged.ask === "overload?");
    setProblem(judged.sentence);
  }

  return (
    // Sent before the page is alive, a form of this method goes nowhere.
    <Form className="reading" method="dialog" onSubmit={submit} noValidate>
      <Form.Label htmlFor="reading" className="visually-hidden">
        {readingLabel(card)}
      </Form.Label>
      <div className="reading-box">
        <Form.Control
          id="reading"
          ref={field}
          value={typed}
          autoComplete="off"
          autoCapitalize="off"
          spellCheck={false}
          inputMode="text"
          maxLength={60}
          aria-describedby="next-exposure next-leads reading-problem"
          onChange={(e) => change(e.target.value)}
        />
        <span className="reading-unit" aria-hidden>
          {UNIT[card.test.function]}
        </span>
        <Button type="submit" aria-label={say.logTheReading}>
          <i className="bi bi-arrow-return-left" aria-hidden />
        </Button>
      </div>
      {card.test.black === undefined ? null : (
        <MeterBar
          fn={card.test.function}
          live={card.exposure === "live"}
          leads={{ setup: card.test.setup, red: card.test.red, black: card.test.black }}
          where={{ job }}
          busy={busy}
          onReading={(text, shown, simulated) => record(readingBody(card, text, shown, proposed, simulated))}
        />
      )}
      <p id="reading-problem" className="problem" role="alert">
        {problem}
      </p>
      {asksOverload ? (
        <div className="d-flex gap-2">
          <Button variant="outline-dark" onClick={() => void record(loneOne(card, "overload", proposed))}>
            {say.overload}
          </Button>
          <Button variant="outline-dark" onClick={() => void record(loneOne(card, "one ohm", proposed))}>
            {say.oneOhm}
          </Button>
        </div>
      ) : null}
    </Form>
  );
}

/** What is measured, and between which points. */
function readingLabel(card: TestCard): string {
  const to = card.black ? `${leadWords(card.red)} to ${leadWords(card.black)}` : leadWords(card.red);
  return `${card.functionWords}, ${to}`;
}

function Labels({ machine, card, proposed, busy, onRecord }: Props) {
  const part = machine.partById.get(card.test.red)!;
  const known = labelsIn(machine, card.test.setup, part.id) ?? [];
  let labels: readonly string[];
  if (card.test.instant === "recheck") labels = RECHECK;
  else if (known.includes(FLICKERS) || isByHand(machine, card.test)) labels = known;
  else labels = [...known, FLICKERS];
  const record = (label: string) => {
    if (!busy) void onRecord(sawBody(card, label, proposed));
  };
  const first = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    first.current?.focus({ preventScroll: true });
    bringIntoView(first.current);
  }, []);
  useDigits(labels.length, (i) => record(labels[i]!));
  return (
    <div className="labels" role="group" aria-label={say.whatDoYouSee(part.name)}>
      {labels.map((label, i) => (
        <Button
          key={label}
          ref={i === 0 ? first : null}
          size="lg"
          variant="outline-dark"
          disabled={busy}
          onClick={() => record(label)}
        >
          <Digit n={i + 1} /> {label === FLICKERS ? say.comesAndGoes : labelWords(label)}
        </Button>
      ))}
    </div>
  );
}
