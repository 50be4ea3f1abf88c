"use client";

import { useEffect, useRef, useState, type FormEvent } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { FLICKERS, type Machine } from "../../core/model";
import { labelWords, type Laid } from "../../core/diagnose";
import { RECHECK, testKey } from "../../core/simulate";
import { MeterBar } from "../meter/MeterBar";
import { useKept } from "../shell/useKept";
import { type EventBody, judgeTyped, leadWords, loneOne, readingBody, sawBody } from "../../core/journal";
import { bringIntoView } from "./into-view";
import { Digit } from "../shortcuts/Key";
import { useDigits } from "../shortcuts/useShortcut";
import { say } from "#words/ui/job/ReadingField";

/** A reading as it is logged. */
export type Reading = Extract<EventBody, { type: "reading" }>;

interface Props {
  readonly job: string;
  readonly machine: Machine;
  readonly laid: Laid;
  /** How often this test was made before: what was typed for the last time is not what is typed now. */
  readonly before: number;
  /** Whether it is the test that was proposed. */
  readonly proposed: boolean;
  readonly busy: boolean;
  readonly onRecord: (body: Reading) => Promise<boolean>;
  /** A whole reading stands in the field; more may be typed. */
  readonly onTyping: (body: Reading) => void;
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
  return props.laid.test.function === "look" ? <Labels {...props} /> : <Typed {...props} />;
}

function Typed({ job, laid, before, proposed, busy, onRecord, onTyping }: Props) {
  const [typed, setTyped] = useKept(`unzo.draft.${job}.${testKey(laid.test)}${before > 0 ? `.${before}` : ""}`);
  const [problem, setProblem] = useState("");
  const [asksOverload, setAsksOverload] = useState(false);
  const [nothing, setNothing] = useState(false);
  const field = useRef<HTMLInputElement>(null);
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
    const judged = judgeTyped(laid, text, proposed);
    if (judged.kind === "read" && !busy) onTyping(judged.body);
  }

  async function record(body: Reading) {
    if (busy) return setProblem(say.oneMomentTheLastEntry);
    if (await onRecord(body)) setTyped("");
  }

  function submit(event: FormEvent) {
    event.preventDefault();
    // An empty field sent twice says that the meter shows nothing.
    const judged = judgeTyped(laid, typed.trim() === "" && nothing ? "nothing" : typed, proposed);
    if (judged.kind === "read") return void record(judged.body);
    setNothing(judged.kind === "empty");
    if (judged.kind === "empty") return setProblem(say.typeWhatTheMeterShows);
    setAsksOverload(judged.ask === "overload?");
    setProblem(judged.sentence);
  }

  return (
    <Form className="reading" onSubmit={submit} noValidate>
      <Form.Label htmlFor="reading" className="visually-hidden">
        {readingLabel(laid)}
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
          {UNIT[laid.test.function]}
        </span>
        <Button type="submit" aria-label={say.logTheReading}>
          <i className="bi bi-arrow-return-left" aria-hidden />
        </Button>
      </div>
      {laid.test.black === undefined ? null : (
        <MeterBar
          fn={laid.test.function}
          live={laid.exposure === "live"}
          leads={{ setup: laid.test.setup, red: laid.test.red, black: laid.test.black }}
          where={{ job }}
          busy={busy}
          onReading={(text, shown) => record(readingBody(laid, text, shown, proposed))}
        />
      )}
      <p id="reading-problem" className="problem" role="alert">
        {problem}
      </p>
      {asksOverload ? (
        <div className="d-flex gap-2">
          <Button variant="outline-dark" onClick={() => void record(loneOne(laid, "overload", proposed))}>
            {say.overload}
          </Button>
          <Button variant="outline-dark" onClick={() => void record(loneOne(laid, "one ohm", proposed))}>
            {say.oneOhm}
          </Button>
        </div>
      ) : null}
    </Form>
  );
}

/** What is measured, and between which points. */
function readingLabel(laid: Laid): string {
  const to = laid.black ? `${leadWords(laid.red)} to ${leadWords(laid.black)}` : leadWords(laid.red);
  return `${laid.functionWords}, ${to}`;
}

function Labels({ machine, laid, proposed, busy, onRecord }: Props) {
  const part = machine.partById.get(laid.test.red)!;
  const known = part.labels ?? [];
  let labels: readonly string[];
  if (laid.test.instant === "recheck") labels = RECHECK;
  else if (known.includes(FLICKERS)) labels = known;
  else labels = [...known, FLICKERS];
  const record = (label: string) => {
    if (!busy) void onRecord(sawBody(laid, label, proposed));
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
