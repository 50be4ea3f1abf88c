import type { Meter, MeterFunction } from "./meter";
import type { Reading } from "../quantity";

/**
 * Waits for readings to settle, gives each resting value once, and goes on when the leads have moved. Immutable:
 * `feed` returns the next.
 */
export interface AutoHold {
  readonly recent: readonly Reading[];
  /** What was given last; nothing more is given until the display has left it. */
  readonly held: Reading | null;
}

export const IDLE: AutoHold = { recent: [], held: null };

/** Readings in a row that must agree. */
const AGREE = 3;
/** Readings after which a display that never rests is taken as jumping. */
const RESTLESS = 8;
/** Meter errors within which readings agree. */
const SPREAD = 4;

/** Volts that leads in the air show at most. */
const NOTHING_VOLTS = 0.02;

/**
 * How a function errs: shares and absolute, one standard deviation. `idle` is what the open leads show; it is never
 * held.
 */
export interface HoldRule {
  readonly relative: number;
  readonly absolute: number;
  idle(shown: Reading): boolean;
}

/**
 * The rule for a meter's function. With the leads in the air volts show nothing, and ohms and farads an overload;
 * either can be logged by hand.
 */
export function holdRuleFor(meter: Meter, fn: MeterFunction): HoldRule {
  // Continuity sounds or does not: what counts as one reading is the sound.
  const accuracy = fn === "continuity" || fn === "look" ? { relative: 0, absolute: 1 } : meter.accuracy[fn];
  const volts = fn === "dcv" || fn === "acv" || fn === "lowz";
  return {
    ...accuracy,
    idle: (s) => {
      if (volts) return s.kind === "value" && Math.abs(s.value) < NOTHING_VOLTS;
      return fn === "continuity" ? false : s.kind === "overload";
    },
  };
}

/** Takes one more reading; `taken` is what may be logged now, or null. */
export function feed(
  hold: AutoHold,
  shown: Reading,
  rule: HoldRule,
): { readonly hold: AutoHold; readonly taken: Reading | null } {
  const near = (a: Reading, b: Reading) => {
    if (a.kind === "value" && b.kind === "value")
      return Math.abs(a.value - b.value) <= SPREAD * Math.hypot(rule.absolute, rule.relative * b.value);
    return a.kind === b.kind;
  };
  if (hold.held && near(hold.held, shown)) return { hold: { ...hold, recent: [] }, taken: null };
  const recent = [...hold.recent, shown].slice(-RESTLESS);
  const last = recent.slice(-AGREE);
  if (last.length === AGREE && last.every((s) => near(s, shown))) {
    const values = last.flatMap((s) => (s.kind === "value" ? [s.value] : []));
    const resting: Reading =
      values.length === AGREE ? { kind: "value", value: values.reduce((a, b) => a + b, 0) / AGREE } : shown;
    // Leads in the air: armed for the next touch, nothing taken.
    return rule.idle(resting) ? { hold: IDLE, taken: null } : { hold: { recent: [], held: resting }, taken: resting };
  }
  const values = recent.flatMap((s) => (s.kind === "value" ? [s.value] : []));
  if (recent.length === RESTLESS && values.length === RESTLESS) {
    const jumping: Reading = {
      kind: "jumping",
      low: Math.min(...values),
      high: Math.max(...values),
      manner: "jumping",
    };
    return { hold: { recent: [], held: jumping }, taken: jumping };
  }
  return { hold: { ...hold, recent }, taken: null };
}
