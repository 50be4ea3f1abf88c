"use client";

import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { controlsOf, type Doing, sampledValues, MachineAtHand } from "../../core/simulate";
import { everydaySetup, type Fault, type Machine, type SetupEntry } from "../../core/model";
import { type MeterFunction, ORDINARY_METER } from "../../core/instrument";
import { type Colour, litAt, patternOf } from "../../core/lamp";

/** How often the stand-in is looked at, milliseconds. */
const LOOK_EVERY = 50;

/** What is seen of the stand-in now. */
export interface HandView {
  readonly seen: Readonly<Record<string, string>>;
  readonly unitState: SetupEntry;
  readonly isPluggedIn: boolean;
  /** Its own clock, seconds since it was set up. */
  readonly now: number;
}

/**
 * A simulated machine that lives in real time; `fault` null is a sound one. A new fault, or `restart`, sets up a new
 * one, unplugged.
 */
export function useMachineAtHand(machine: Machine, fault: Fault | null, seed: number, speed: number) {
  const controls = useMemo(() => controlsOf(machine), [machine]);
  const hand = useRef<MachineAtHand | null>(null);
  const clock = useRef({ at: 0, wall: 0 });
  const [view, setView] = useState<HandView | null>(null);
  const [problem, setProblem] = useState("");
  const [part, mode] = [fault?.part, fault?.mode];
  const pace = useRef(speed);

  const now = useCallback(
    () => clock.current.at + ((performance.now() - clock.current.wall) / 1000) * pace.current,
    [],
  );
  useEffect(() => {
    clock.current = { at: now(), wall: performance.now() };
    pace.current = speed;
  }, [speed, now]);

  const look = useCallback(() => {
    const h = hand.current;
    if (h) setView({ seen: h.look(), unitState: h.setupNow, isPluggedIn: h.isPluggedIn, now: h.now });
  }, []);

  useEffect(() => {
    clock.current = { at: 0, wall: performance.now() };
    try {
      hand.current = new MachineAtHand(
        machine,
        part !== undefined && mode !== undefined ? [{ part, mode }] : [],
        sampledValues(machine, seed, 0.5),
        everydaySetup(machine.file),
        0,
      );
    } catch (error) {
      hand.current = null;
      queueMicrotask(() => setProblem((error as Error).message));
      return;
    }
    queueMicrotask(() => {
      setProblem("");
      look();
    });
    const timer = setInterval(() => {
      try {
        hand.current?.advance(now());
        look();
      } catch (error) {
        setProblem((error as Error).message);
        clearInterval(timer);
      }
    }, LOOK_EVERY);
    return () => clearInterval(timer);
  }, [machine, part, mode, seed, look, now]);

  const act = useCallback(
    (doing: Doing) => {
      try {
        hand.current?.do(doing, now());
        look();
      } catch (error) {
        setProblem((error as Error).message);
      }
    },
    [look, now],
  );

  const measure = useCallback((fn: MeterFunction, red: string, black: string | undefined) => {
    try {
      return hand.current?.measure(fn, red, black, ORDINARY_METER, normal) ?? null;
    } catch (error) {
      setProblem((error as Error).message);
      return null;
    }
  }, []);

  return { controls, view, problem, act, measure };
}

/** A value of the standard normal distribution (Box and Muller, 1958). */
function normal(): number {
  return Math.sqrt(-2 * Math.log(1 - Math.random())) * Math.cos(2 * Math.PI * Math.random());
}

/** Whether a lamp that goes as its label says is lit at a moment of the stand-in's clock. */
export function lampNow(label: string, now: number): Colour | null {
  const pattern = patternOf(label);
  if (pattern) return litAt(pattern, now);
  return label === "lit" || label === "bright" || label === "dim" ? "white" : null;
}
