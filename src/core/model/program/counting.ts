import type { GuideLeg, GuideStep } from "./guide";
import { say } from "#words/core/model/program";

/**
 * Counting along while a person makes a gesture: which step they are at, how much time is left, whether they were too
 * slow. Pure: moments are passed in, in seconds on any clock.
 */

/** Where a person is on the way into a mode. */
export interface Count {
  readonly leg: number;
  readonly step: number;
  /** Presses done of this step; 1 in a power step once the plug is out. */
  readonly presses: number;
  /** When the clock of this step began; null before its first mark. */
  readonly since: number | null;
  /** Until when the leg must be done, after power-up; null when nothing presses. */
  readonly deadline: number | null;
  /** Under way, at the end of a leg where one looks, too slow, or through. */
  readonly state: "doing" | "look" | "late" | "done";
}

export const BEGIN: Count = { leg: 0, step: 0, presses: 0, since: null, deadline: null, state: "doing" };

const stepAt = (legs: readonly GuideLeg[], count: Count): GuideStep | undefined => legs[count.leg]?.steps[count.step];

function next(legs: readonly GuideLeg[], count: Count): Count {
  const on = { ...count, step: count.step + 1, presses: 0, since: null };
  return stepAt(legs, on) ? on : { ...on, state: "look" };
}

/** The person marks that something was done: the key is down, a press made, the door open, the plug out or in. */
export function mark(legs: readonly GuideLeg[], count: Count, now: number): Count {
  const step = stepAt(legs, count);
  if (!step || count.state !== "doing") return count;
  switch (step.do) {
    case "open":
    case "keep":
    case "let go":
      return next(legs, count);
    case "hold":
      return count.since === null ? { ...count, since: now } : count;
    case "press": {
      const presses = count.presses + 1;
      const since = count.since ?? now;
      if (now - since > step.within) return { ...count, state: "late" };
      return presses >= step.times ? next(legs, count) : { ...count, presses, since };
    }
    case "power":
      if (count.since === null) return { ...count, since: now, presses: 0 };
      if (now - count.since < step.wait) return count;
      return next(legs, { ...count, deadline: step.within === null ? null : now + step.within });
  }
}

/** Time has passed: a hold comes to its end, or presses are too slow. */
export function tick(legs: readonly GuideLeg[], count: Count, now: number): Count {
  const step = stepAt(legs, count);
  if (!step || count.state !== "doing") return count;
  if (count.deadline !== null && now > count.deadline && legs[count.leg]!.gesture?.afterPower !== undefined)
    return { ...count, state: "late" };
  if (step.do === "hold" && count.since !== null && now - count.since >= step.seconds) return next(legs, count);
  if (step.do === "press" && count.since !== null && now - count.since > step.within)
    return { ...count, state: "late" };
  return count;
}

/** The machine showed what it should: on to the next leg, or through. */
export function seen(legs: readonly GuideLeg[], count: Count): Count {
  if (count.state !== "look") return count;
  return count.leg + 1 < legs.length
    ? { ...BEGIN, leg: count.leg + 1, deadline: count.deadline }
    : { ...count, state: "done" };
}

/** Begins the leg again; after power-up the power has to be cycled again too. */
export function again(legs: readonly GuideLeg[], count: Count): Count {
  const needsPower = legs[count.leg]?.gesture?.afterPower !== undefined && count.leg > 0;
  return { ...BEGIN, leg: needsPower ? count.leg - 1 : count.leg };
}

/** Seconds left of what is being counted; null when nothing is. */
export function secondsLeft(legs: readonly GuideLeg[], count: Count, now: number): number | null {
  const step = stepAt(legs, count);
  if (!step || count.state !== "doing") return null;
  let whole: number | null;
  if (step.do === "hold") whole = step.seconds;
  else if (step.do === "press") whole = step.within;
  else if (step.do === "power") whole = step.wait;
  else whole = null;
  if (whole !== null && count.since !== null) return Math.max(0, whole - (now - count.since));
  return count.deadline !== null && legs[count.leg]!.gesture?.afterPower !== undefined
    ? Math.max(0, count.deadline - now)
    : null;
}

/** A step in words, as it is said to the person. */
export function stepWords(
  step: GuideStep,
  count: Pick<Count, "presses" | "since">,
  doorName: (id: string) => string,
): string {
  switch (step.do) {
    case "open":
      return say.openDoorName(doorName(step.door).toLowerCase());
    case "keep":
      return say.pressAndKeepDown(step.keys.join(" and "), step.keys.length > 1 ? "them" : "it");
    case "hold":
      return count.since === null ? say.pressAndHold(step.keys.join(" and ")) : `Hold ${step.keys.join(" and ")}`;
    case "press":
      return step.times === 1
        ? `Press ${step.key}`
        : say.pressStepKeyTimesOf(step.key, Math.min(step.times, count.presses + 1), step.times);
    case "let go":
      return say.letGoOf(step.keys.join(" and "));
    case "power":
      return count.since === null ? say.powerOff : say.waitThenPowerOn;
  }
}
