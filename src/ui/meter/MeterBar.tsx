"use client";

import { useEffect, useRef, useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import {
  type AutoHold,
  feed,
  holdRuleFor,
  IDLE,
  LINKED,
  type MeterFunction,
  needsDeadCircuit,
  ORDINARY_METER,
  unitOf,
} from "../../core/instrument";
import { type Reading, readingText } from "../../core/quantity";
import { useKept } from "../shell/useKept";
import { layLeads, readMeter, useDevices, useFloats } from "./useMeters";
import { Key } from "../shortcuts/Key";
import { useShortcut } from "../shortcuts/useShortcut";
import { say } from "#words/ui/meter";

interface Props {
  /** What is to be measured, and where the stand-in's leads lie. */
  readonly fn: MeterFunction;
  readonly live: boolean;
  readonly leads: { readonly setup: string; readonly red: string; readonly black: string } | null;
  readonly where: { readonly job?: string; readonly machine?: string; readonly fault?: string };
  readonly busy: boolean;
  /** Takes the first meter there is where none was chosen. */
  readonly takeFirst?: boolean;
  readonly onReading: (typed: string, shown: Reading, simulated: boolean) => void | Promise<unknown>;
}

/**
 * What each meter was last seen to hold. A next test begins with the leads still where they were: that value is not
 * taken for the new spot.
 */
const heldBy = new Map<string, Reading>();

/** Milliseconds between readings while it waits for one to settle. */
const PACE = 350;

/**
 * A reading straight from a linked meter: taken by a key, or by itself when it has settled. Typing always works
 * beside it.
 */
export function MeterBar({ fn, live, leads, where, busy, takeFirst, onReading }: Props) {
  const meters = useDevices().filter((d) => d.kind === "meter");
  const [chosen, setChosen] = useKept("unzo.meter");
  const [keptAuto, keepAuto] = useKept("unzo.meter.auto");
  const auto = keptAuto === "yes";
  const [display, setDisplay] = useState("");
  const [problem, setProblem] = useState("");
  const [taking, setTaking] = useState(false);
  const device = meters.find((m) => m.id === chosen) ?? (takeFirst ? meters[0] : undefined);
  const [floats, setFloats] = useFloats(device?.id ?? "none");
  const [off, setOff] = useState(false);
  const key = `${device?.id} ${fn} ${JSON.stringify(leads)}`;
  const asksOff = needsDeadCircuit(fn);

  const take = async (): Promise<Reading> => {
    if (!device) throw new Error(say.noMeterIsChosen);
    // The confirmed switch happens with the leads off; they are laid once the meter is set.
    if (device.simulated) await layLeads(where, leads);
    return readMeter(device.id, { function: fn, live, floats, leadsOff: off });
  };

  const once = async () => {
    setTaking(true);
    setProblem("");
    try {
      const shown = await take();
      setDisplay(readingText(shown, unitOf(fn)));
      await onReading(inDigits(shown), shown, device?.simulated === true);
    } catch (error) {
      setProblem((error as Error).message);
    } finally {
      setTaking(false);
    }
  };
  useShortcut("take", () => void once(), { enabled: Boolean(device) && !busy && !taking });

  // Auto-hold: readings until one rests; it is logged, and the next test comes.
  const latest = useRef({ take, onReading });
  useEffect(() => {
    latest.current = { take, onReading };
  });
  useEffect(() => {
    if (!auto || !device || busy) return;
    let current = true;
    const before = device.simulated ? undefined : heldBy.get(device.id);
    let hold: AutoHold = before ? { recent: [], held: before } : IDLE;
    const rule = holdRuleFor(ORDINARY_METER, fn);
    const step = async () => {
      if (!current) return;
      try {
        const shown = await latest.current.take();
        if (!current) return;
        setProblem("");
        setDisplay(readingText(shown, unitOf(fn)));
        const next = feed(hold, shown, rule);
        hold = next.hold;
        if (next.taken) {
          const t = next.taken;
          heldBy.set(device.id, t);
          await latest.current.onReading(asTyped(t), t, device.simulated);
        }
      } catch (error) {
        if (!current) return;
        setProblem((error as Error).message);
      }
      if (current) setTimeout(() => void step(), PACE);
    };
    void step();
    return () => {
      current = false;
    };
  }, [auto, device, busy, fn, key, off, floats]);

  if (meters.length === 0 || !LINKED.includes(fn)) return null;
  return (
    <div className="meter-bar" role="group" aria-label={say.meterLink}>
      <Form.Select
        size="sm"
        aria-label={say.readingFrom}
        value={device?.id ?? ""}
        onChange={(e) => {
          setChosen(e.target.value);
          setProblem("");
        }}
      >
        <option value="">{say.meterTypedByHand}</option>
        {meters.map((m) => (
          <option key={m.id} value={m.id}>
            {m.name}
          </option>
        ))}
      </Form.Select>
      {device ? (
        <>
          <Button size="sm" disabled={busy || taking} onClick={() => void once()}>
            {say.takeIt} <Key of="take" />
          </Button>
          <Form.Check
            type="switch"
            id="meter-auto"
            label={say.takeItWhenItIs}
            checked={auto}
            onChange={(e) => keepAuto(e.target.checked ? "yes" : "")}
          />
          {asksOff ? (
            <Form.Check
              type="checkbox"
              id="meter-leads-off"
              label={say.leadsWereOffWhenIt}
              checked={off}
              onChange={(e) => setOff(e.target.checked)}
            />
          ) : null}
          {live ? (
            <Form.Check
              type="checkbox"
              id="meter-floats"
              label={say.itsInputsFloatAndAre}
              checked={floats}
              onChange={(e) => setFloats(e.target.checked)}
            />
          ) : null}
          <output className="value" aria-label={say.theMeterShows}>
            {display}
          </output>
        </>
      ) : null}
      {problem ? (
        <p className="field-problem" role="alert">
          {problem}
        </p>
      ) : null}
    </div>
  );
}

function inDigits(shown: Reading): string {
  if (shown.kind === "value") return String(Number(shown.value.toPrecision(5)));
  if (shown.kind === "overload") return "OL";
  if (shown.kind === "beep") {
    if (shown.beeps) return "beep";
    return "nothing";
  }
  return "";
}

function asTyped(t: Reading): string {
  if (t.kind === "value") return String(Number(t.value.toPrecision(5)));
  if (t.kind === "jumping") return `${t.low.toPrecision(4)}-${t.high.toPrecision(4)}`;
  if (t.kind === "overload") return "OL";
  if (t.kind === "beep" && t.beeps) return "beep";
  return "nothing";
}
