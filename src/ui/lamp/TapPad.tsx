"use client";

import { useEffect, useRef, useState } from "react";
import Button from "react-bootstrap/Button";
import { type Flash, type LampReading, readLamp } from "../../core/lamp";
import { Strip } from "./Strip";
import { Key } from "../shortcuts/Key";
import { useShortcut } from "../shortcuts/useShortcut";
import { say } from "#words/ui/lamp";

/** Unsteadiness of a hand, seconds. */
const BLUR = 0.04;
/** The strip shows this much of the past, seconds. */
const SHOWN = 20;

/** Hold for as long as the lamp is lit: with the thumb, or the space bar. */
export function TapPad({ onReading }: { onReading: (reading: LampReading | null) => void }) {
  const kept = useRef<Flash[]>([]);
  const [flashes, setFlashes] = useState<readonly Flash[]>([]);
  const down = useRef<number | null>(null);
  const [isDown, setDown] = useState(false);
  const [end, setEnd] = useState(0);
  const pad = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    pad.current?.focus({ preventScroll: true });
  }, []);

  function press(at: number) {
    if (down.current !== null) return;
    down.current = at / 1000;
    setDown(true);
  }
  function release(at: number) {
    if (down.current === null) return;
    const [from, to] = [down.current, at / 1000];
    down.current = null;
    setDown(false);
    kept.current = [...kept.current, { from, to: Math.max(to, from + 0.01) }];
    setFlashes(kept.current);
    setEnd(to);
    const start = kept.current[0]!.from - 0.5;
    onReading(readLamp({ flashes: kept.current, start, end: to + 0.1, blur: BLUR, byHand: true }));
  }
  function clear() {
    kept.current = [];
    setFlashes([]);
    down.current = null;
    setDown(false);
    onReading(null);
  }
  useShortcut("hold", (e) => {
    if (!e.repeat) press(e.timeStamp);
  });
  useShortcut("hold", (e) => release(e.timeStamp), { keyup: true });
  useShortcut("clear", clear);

  const from = end - SHOWN;
  return (
    <div className="tap">
      <button
        ref={pad}
        type="button"
        className={`tap-pad ${isDown ? "is-down" : ""}`}
        aria-pressed={isDown}
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId);
          press(e.timeStamp);
        }}
        onPointerUp={(e) => release(e.timeStamp)}
        onPointerCancel={(e) => release(e.timeStamp)}
        onContextMenu={(e) => e.preventDefault()}
        onKeyDown={(e) => {
          if (e.key === " " || e.key === "Enter") e.preventDefault();
        }}
      >
        <strong>{isDown ? "lit" : "dark"}</strong>
        <span>
          {say.holdWhileTheLampIs} <Key of="hold" />
        </span>
      </button>
      <Strip
        bars={flashes.flatMap((f) =>
          f.to! < from ? [] : [[(f.from - from) / SHOWN, (f.to! - from) / SHOWN] as const],
        )}
      />
      <p className="d-flex gap-3 align-items-center mb-0">
        <span className="quiet">{say.flashesThreeRoundsAreEnough(flashes.length)}</span>
        <Button size="sm" variant="outline-dark" onClick={clear} disabled={flashes.length === 0}>
          {say.startOver} <Key of="clear" />
        </Button>
      </p>
    </div>
  );
}
