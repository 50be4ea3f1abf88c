"use client";

import { useEffect, useRef, useState, type FormEvent } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { useHotkeys } from "react-hotkeys-hook";
import { unitOf } from "../../core/instrument/meter";
import { FLICKERS } from "../../core/model/kind";
import { labelWords, type Laid } from "../../core/diagnose/advice/test-sheet";
import type { Machine } from "../../core/model/machine";
import { readShown, type Asked, type Shown } from "../../core/quantity/read";
import { RECHECK, testKey } from "../../core/simulate/test";
import { MeterBar } from "../meter/MeterBar";
import { useKept } from "../shell/useKept";

interface Props {
  readonly job: string;
  readonly machine: Machine;
  readonly laid: Laid;
  /** How often this test was made before: what was typed for the last time is not what is typed now. */
  readonly before: number;
  readonly busy: boolean;
  readonly onRecord: (typed: string, shown: Shown) => Promise<boolean>;
  /** A whole reading stands in the field; more may be typed. */
  readonly onTyping: (typed: string, shown: Shown) => void;
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

function askedFor(fn: Laid["test"]["function"]): Asked {
  return unitOf(fn) || "beep";
}

/** Takes what the meter shows, or what is seen. What is typed survives a reload until it is logged. */
export function ReadingField(props: Props) {
  return props.laid.test.function === "look" ? <Labels {...props} /> : <Typed {...props} />;
}

function Typed({ job, laid, before, busy, onRecord, onTyping }: Props) {
  const [typed, setTyped] = useKept(`unzo.draft.${job}.${testKey(laid.test)}${before > 0 ? `.${before}` : ""}`);
  const [problem, setProblem] = useState("");
  const [asksOverload, setAsksOverload] = useState(false);
  const [nothing, setNothing] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => {
    field.current?.focus({ preventScroll: true });
  }, []);

  function change(text: string) {
    setTyped(text);
    setProblem("");
    setAsksOverload(false);
    setNothing(false);
    const result = readShown(text, askedFor(laid.test.function));
    if (result.ok && !busy) onTyping(text.trim(), result.shown);
  }

  async function record(text: string, shown: Shown) {
    if (busy) return setProblem("One moment, the last entry is still on its way. Then press Enter again.");
    if (await onRecord(text, shown)) setTyped("");
  }

  async function submit(event: FormEvent) {
    event.preventDefault();
    if (typed.trim() === "" && nothing) return submitNothing();
    const result = readShown(typed, askedFor(laid.test.function));
    if (result.ok) return record(typed.trim(), result.shown);
    setAsksOverload(result.ask === "overload?");
    setNothing(typed.trim() === "");
    setProblem(
      typed.trim() === "" ? "Type what the meter shows. If it shows nothing, press Enter once more." : result.sentence,
    );
  }

  async function submitNothing() {
    const result = readShown("nothing", askedFor(laid.test.function));
    if (result.ok) await record("nothing", result.shown);
  }

  return (
    <Form className="reading" onSubmit={(e) => void submit(e)} noValidate>
      <Form.Label htmlFor="reading" className="visually-hidden">
        Reading, {laid.functionWords}
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
          aria-describedby="reading-problem"
          onChange={(e) => change(e.target.value)}
        />
        <span className="reading-unit" aria-hidden>
          {UNIT[laid.test.function]}
        </span>
        <Button type="submit" aria-label="Log the reading">
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
          onReading={record}
        />
      )}
      <p id="reading-problem" className="problem" role="alert">
        {problem}
      </p>
      {asksOverload ? (
        <div className="d-flex gap-2">
          <Button variant="outline-dark" onClick={() => void record("1 (overload)", { kind: "overload" })}>
            Overload
          </Button>
          <Button
            variant="outline-dark"
            onClick={() =>
              void record(
                "1 ohm",
                laid.test.function === "continuity" ? { kind: "beep", beeps: true } : { kind: "value", value: 1 },
              )
            }
          >
            One ohm
          </Button>
        </div>
      ) : null}
    </Form>
  );
}

function Labels({ machine, laid, busy, onRecord }: Props) {
  const part = machine.partById.get(laid.test.red)!;
  const known = part.labels ?? [];
  const labels: readonly string[] =
    laid.test.instant === "recheck" ? RECHECK : known.includes(FLICKERS) ? known : [...known, FLICKERS];
  const record = (label: string) => {
    if (!busy) void onRecord(label, { kind: "label", label });
  };
  const first = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    first.current?.focus({ preventScroll: true });
  }, []);
  useHotkeys(
    labels.map((_, i) => String(i + 1)),
    (event) => {
      const label = labels[Number(event.key) - 1];
      if (label) record(label);
    },
    [labels, busy, laid],
  );
  return (
    <div className="labels" role="group" aria-label={`What do you see: ${part.name}`}>
      {labels.map((label, i) => (
        <Button
          key={label}
          ref={i === 0 ? first : null}
          size="lg"
          variant="outline-dark"
          disabled={busy}
          onClick={() => record(label)}
        >
          <kbd>{i + 1}</kbd> {label === FLICKERS ? "comes and goes" : labelWords(label)}
        </Button>
      ))}
    </div>
  );
}
