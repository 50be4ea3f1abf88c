import { everydaySetup, type Fault, type GuideLeg, type GuideStep, has, type Machine } from "../model";
import { MachineAtHand } from "./at-hand";
import { mainProgramOf } from "./conditions";
import { nominalValues } from "./values";
import { say } from "#words/core/simulate";

/** How a person makes a gesture. */
export interface Manner {
  /** Opens the doors that it needs. */
  readonly doors: boolean;
  /** Share of the time asked for that a key is really held. */
  readonly hold: number;
  /** Seconds from one press to the next; null: easily within the time allowed. */
  readonly pace: number | null;
  /** Presses left out. */
  readonly missed: number;
  /** Keeps the keys down that should be kept down. */
  readonly keeps: boolean;
}

/** As it should be done. */
export const PROPERLY: Manner = { doors: true, hold: 1.1, pace: null, missed: 0, keeps: true };
const PRESS = 0.15;
const PAUSE = 0.2;
/** Seconds in which a machine shows what it has to show. */
const ANSWER = 1.5;

/** Makes the steps on a machine at hand, from the moment it is at; the machine's clock goes on with it. */
export function perform(hand: MachineAtHand, steps: readonly GuideStep[], manner: Manner = PROPERLY): void {
  const wait = (seconds: number) => hand.advance(hand.now + seconds);
  for (const step of steps) {
    switch (step.do) {
      case "power":
        hand.do({ do: "pull the plug" }, hand.now);
        wait(step.wait);
        hand.do({ do: "plug in" }, hand.now);
        wait(ANSWER);
        break;
      case "open":
        if (manner.doors) hand.do({ do: "open", door: step.door }, hand.now);
        wait(PAUSE);
        break;
      case "keep":
        if (manner.keeps) for (const key of step.keys) hand.do({ do: "press", key }, hand.now);
        wait(PAUSE);
        break;
      case "hold":
        for (const key of step.keys) hand.do({ do: "press", key }, hand.now);
        wait(step.seconds * manner.hold + (manner.hold >= 1 ? PAUSE : 0));
        for (const key of step.keys) hand.do({ do: "release", key }, hand.now);
        wait(PAUSE);
        break;
      case "press": {
        const pace = manner.pace ?? Math.min(PRESS + PAUSE, step.within / (step.times + 1));
        for (let i = 0; i < step.times - manner.missed; i++) {
          hand.do({ do: "press", key: step.key }, hand.now);
          wait(Math.min(PRESS, pace / 2));
          hand.do({ do: "release", key: step.key }, hand.now);
          wait(Math.max(pace - PRESS, pace / 2));
        }
        break;
      }
      case "let go":
        for (const key of step.keys) hand.do({ do: "release", key }, hand.now);
        wait(PAUSE);
        break;
    }
  }
}

/** A way in which a gesture goes wrong, and what the machine shows then. */
export interface Slip {
  readonly words: string;
  /** A slip of the hand, or something wrong with the machine. */
  readonly of: "hand" | "machine";
  readonly shows: string;
  /** The display shows just what it would after a gesture well made. */
  readonly unseen: boolean;
}

/** What the display of a machine shows: its panel's text, or its first lamp where it has no panel. */
export function displayPart(machine: Machine): string | null {
  const shows = machine.parts.filter((p) => has(p, "tells-codes") && p.labels);
  return (shows.find((p) => has(p, "display")) ?? shows[0])?.id ?? null;
}

/**
 * What a machine shows when a leg of the way goes wrong, found by doing it wrong on the simulated machine: too slow,
 * too short, a press left out, a door left shut, and the parts that a gesture needs broken. `before` are the legs that
 * lead up to it.
 */
export function slipsOf(machine: Machine, before: readonly GuideLeg[], leg: GuideLeg): readonly Slip[] {
  const part = displayPart(machine);
  const { gesture } = leg;
  const program = mainProgramOf(machine);
  if (part === null || !gesture || !program) return [];
  const shown = (faults: readonly Fault[], manner: Manner): string => {
    const hand = new MachineAtHand(machine, faults, nominalValues(machine), everydaySetup(machine.file), 0);
    hand.do({ do: "plug in" }, 0);
    hand.advance(2);
    for (const earlier of before) perform(hand, earlier.steps);
    perform(hand, leg.steps, manner);
    hand.advance(hand.now + ANSWER);
    return hand.look()[part]!;
  };
  const right = shown([], PROPERLY);
  const slips: Omit<Slip, "unseen">[] = [];
  const hand = (words: string, manner: Partial<Manner>) =>
    slips.push({ words, of: "hand", shows: shown([], { ...PROPERLY, ...manner }) });
  const times = gesture.presses.reduce((n, p) => n + p.times, 0);
  if (gesture.presses.length === 0) hand(say.notHeldLongEnough, { hold: 0.6 });
  if (times > 1) {
    hand(say.onePressTooFew, { missed: 1 });
    hand(say.slowerThanSeconds(gesture.within), { pace: (gesture.within * 1.3) / (times - 1) });
  }
  if (times > 0 && gesture.hold.length > 0) hand(say.notKeptDown(gesture.hold.join(" and ")), { keeps: false });
  if (gesture.openDoors.length > 0) hand(say.theDoorNotOpen, { doors: false });
  for (const fault of faultsAgainst(machine, gesture)) {
    const broken = machine.partById.get(fault.part)!;
    slips.push({
      words: `${broken.name}: ${broken.modes.find((m) => m.id === fault.mode)!.words}`,
      of: "machine",
      shows: shown([fault], PROPERLY),
    });
  }
  return slips.map((s) => ({ ...s, unseen: s.shows === right }));
}

/**
 * The faults that stand most directly in the way of a gesture: its keys, its door switches, the panel and the
 * controller.
 */
function faultsAgainst(
  machine: Machine,
  gesture: {
    readonly hold: readonly string[];
    readonly presses: readonly { readonly key: string }[];
    readonly openDoors: readonly string[];
  },
): Fault[] {
  const keys = [...new Set([...gesture.hold, ...gesture.presses.map((p) => p.key)])];
  return machine.parts.flatMap((part) => {
    const hindering = part.kind.failures.hinders?.(part.fields, { keys, doors: gesture.openDoors }) ?? [];
    return part.modes.filter((m) => hindering.includes(m.id)).map((m): Fault => ({ part: part.id, mode: m.id }));
  });
}
