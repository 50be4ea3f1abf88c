"use client";

import { useEffect, useState } from "react";
import Form from "react-bootstrap/Form";
import { FUNCTION_WORDS } from "../../core/diagnose";
import { isClamp, type MeterFunction, unitOf } from "../../core/instrument";
import type { Machine, SetupEntry } from "../../core/model";
import { type Reading, readingText } from "../../core/quantity";
import { forbidden } from "../../core/safety";
import { makeTest } from "../../core/simulate";
import { PointField, type Lead } from "./PointField";
import { say } from "#words/ui/hand";

/** How often the display shows a new reading, milliseconds. */
const EVERY = 400;
const FUNCTIONS = ["acv", "dcv", "lowz", "ohms", "continuity", "capacitance", "clamp"] as const;

interface Props {
  readonly machine: Machine;
  /** How the machine stands now: what it forbids is not measured. */
  readonly unitState: SetupEntry;
  readonly measure: (fn: MeterFunction, red: string, black: string | undefined) => Reading | null;
  /** A reading was looked at with the leads on another spot or on another range. */
  readonly onMeasured: () => void;
}

/** A meter with two leads, and every point of the simulated machine that they can be put on. */
export function HandMeter({ machine, unitState, measure, onMeasured }: Props) {
  const points = [...machine.points.values()];
  const clamps = [...machine.clamps.values()];
  const [fn, setFn] = useState<MeterFunction>("acv");
  const [red, setRed] = useState("");
  const [black, setBlack] = useState("");
  const [around, setAround] = useState("");
  const [shown, setShown] = useState<Reading | null>(null);
  const [inHand, setInHand] = useState<Lead>("red");
  const clamped = isClamp(fn);
  const isOn = clamped ? around !== "" : red !== "" && black !== "" && red !== black;
  const test = makeTest(unitState.id, fn, clamped ? around : red, clamped ? undefined : black);
  const refused = isOn ? forbidden(machine, unitState, test) : null;
  const isReading = isOn && refused === null;
  useEffect(() => {
    if (!isReading) return;
    const timer = setInterval(
      () => setShown(clamped ? measure(fn, around, undefined) : measure(fn, red, black)),
      EVERY,
    );
    return () => {
      clearInterval(timer);
      setShown(null);
    };
  }, [isReading, clamped, fn, red, black, around, measure]);
  const reading = isReading && shown ? readingText(shown, unitOf(fn)) : "– – –";
  const change = (set: (value: string) => void) => (value: string) => {
    set(value);
    onMeasured();
  };
  const touch = (point: string) => {
    if (clamped) setFn("acv");
    (inHand === "red" ? setRed : setBlack)(point);
    setInHand(inHand === "red" ? "black" : "red");
    onMeasured();
  };
  return (
    <div className="hand-bench">
      <section className="hand-meter" aria-label={say.meter}>
        <output className="hand-display value" aria-live="off">
          {reading}
        </output>
        <Form.Select aria-label={say.meterFunction} value={fn} onChange={(e) => setFn(e.target.value as MeterFunction)}>
          {FUNCTIONS.filter((f) => f !== "clamp" || clamps.length > 0).map((f) => (
            <option key={f} value={f}>
              {FUNCTION_WORDS[f]}
            </option>
          ))}
        </Form.Select>
        {clamped ? (
          <Spot label={say.clampAround} lead="red" value={around} spots={clamps} onChange={change(setAround)} />
        ) : (
          <>
            <Spot label={say.redLead} lead="red" value={red} spots={points} onChange={change(setRed)} />
            <Spot label={say.blackLead} lead="black" value={black} spots={points} onChange={change(setBlack)} />
          </>
        )}
        <p className="problem" role="alert">
          {refused ?? ""}
        </p>
      </section>
      <PointField
        machine={machine}
        red={clamped ? "" : red}
        black={clamped ? "" : black}
        reading={reading}
        inHand={inHand}
        onTake={setInHand}
        onTouch={touch}
      />
    </div>
  );
}

function Spot({
  label,
  lead,
  value,
  spots,
  onChange,
}: {
  readonly label: string;
  readonly lead: "red" | "black";
  readonly value: string;
  readonly spots: readonly { readonly id: string; readonly name: string; readonly where?: string }[];
  readonly onChange: (value: string) => void;
}) {
  return (
    <label className="hand-lead">
      <span className={`probe ${lead}`} aria-hidden /> <span>{label}</span>
      <Form.Select size="sm" aria-label={label} value={value} onChange={(e) => onChange(e.target.value)}>
        <option value="">{say.off}</option>
        {spots.map((s) => (
          <option key={s.id} value={s.id}>
            {s.name}
            {s.where ? `, ${s.where}` : ""}
          </option>
        ))}
      </Form.Select>
    </label>
  );
}
