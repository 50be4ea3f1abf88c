import {
  faceOf,
  gestureSeconds,
  gesturesTo,
  keptMode,
  modeName,
  pressesOf,
  startOf,
  type Gesture,
  type Program,
  type Face,
} from "./program";
import { say } from "#words/core/model/program";

/** One thing a person does on the way into a mode, drawn as a step in time. Seconds throughout. */
export type GuideStep =
  /** Power off, a wait, power on; what follows must be done within `within` seconds of that. */
  | { readonly do: "power"; readonly wait: number; readonly within: number | null }
  | { readonly do: "open"; readonly door: string }
  /** Keys go down together and stay down for the steps after it. */
  | { readonly do: "keep"; readonly keys: readonly string[] }
  /** Keys are held together for so long, then let go. */
  | { readonly do: "hold"; readonly keys: readonly string[]; readonly seconds: number }
  /** One key is pressed so many times, the first to the last within `within`. */
  | { readonly do: "press"; readonly key: string; readonly times: number; readonly within: number }
  | { readonly do: "let go"; readonly keys: readonly string[] };

/** One gesture of the way: what is done, and what the machine should show then. */
export interface GuideLeg {
  readonly gesture: Gesture | null;
  readonly name: string;
  readonly steps: readonly GuideStep[];
  readonly mode: string;
  readonly modeName: string;
  readonly shows: Face;
}

/** Seconds without power after which a board has surely forgotten; from memory. */
export const POWER_WAIT = 10;

/** What a machine with this program shows in a mode while no code is set. */
export function faceInMode(program: Program, mode: string): Face {
  return faceOf(program, { ...startOf(program), mode });
}

/** The steps of one gesture, in order. */
export function stepsOf(g: Gesture): readonly GuideStep[] {
  const doors = g.openDoors.map((door): GuideStep => ({ do: "open", door }));
  if (g.presses.length === 0) return [...doors, { do: "hold", keys: g.hold, seconds: g.seconds }];
  return [
    ...doors,
    ...(g.hold.length > 0 ? [{ do: "keep", keys: g.hold } as const] : []),
    ...g.presses.map((p): GuideStep => ({ do: "press", key: p.key, times: p.times, within: g.within })),
    ...(g.hold.length > 0 ? [{ do: "let go", keys: g.hold } as const] : []),
  ];
}

/**
 * The way from one mode to another in the fewest seconds; by way of a power cycle where nothing else leads there.
 * Null when nothing does.
 */
export function guideTo(program: Program, from: string, to: string): readonly GuideLeg[] | null {
  const leg = (g: Gesture): GuideLeg => ({
    gesture: g,
    name: g.name,
    steps: stepsOf(g),
    mode: g.to,
    modeName: modeName(program, g.to),
    shows: faceInMode(program, g.to),
  });
  const straight = gesturesTo(program, from, to);
  if (straight && straight.every((g) => g.afterPower === undefined)) return straight.map(leg);
  const first = program.modes[0];
  if (first === undefined || keptMode(program, from) !== null) return null;
  const afresh = gesturesTo(program, first, to);
  if (!afresh) return null;
  const power: GuideLeg = {
    gesture: null,
    name: say.powerOffWaitPowerOn,
    mode: first,
    modeName: modeName(program, first),
    shows: faceInMode(program, first),
    steps: [{ do: "power", wait: POWER_WAIT, within: afresh[0]?.afterPower ?? null }],
  };
  return [power, ...afresh.map(leg)];
}

/** How a mode is left. */
export interface Exits {
  /** The gestures home to the first mode; null when there are none. */
  readonly gestures: readonly Gesture[] | null;
  /** Seconds after which it ends by itself; null when it does not. */
  readonly endsAfter: number | null;
  /** Whether it is gone after a power cycle. */
  readonly power: boolean;
  /** Neither a gesture nor a power cycle leaves it: it has to be waited for. */
  readonly cannotBeCancelled: boolean;
}

/** Every way out of a mode, back to the first one. */
export function exitsOf(program: Program, mode: string): Exits {
  const home = program.modes[0]!;
  const gestures = mode === home ? [] : gesturesTo(program, mode, home);
  const power = keptMode(program, mode) === null;
  return {
    gestures,
    power,
    endsAfter: mode === home ? null : endsAfter(program, mode),
    cannotBeCancelled: mode !== home && gestures === null && !power,
  };
}

/** Follows the moves that need no reason but time. */
function endsAfter(program: Program, mode: string): number | null {
  let [seconds, at] = [0, mode];
  const seen = new Set<string>();
  while (at !== program.modes[0]) {
    if (seen.has(at)) return null;
    seen.add(at);
    const move = program.moves.find((m) => !m.when && (m.from.length === 0 || m.from.includes(at)) && m.to !== at);
    if (!move) return null;
    seconds += move.after;
    at = move.to;
  }
  return seconds;
}

/** One item of a machine's menu: a mode, and how it is reached from the item before it. */
export interface MenuItem {
  readonly mode: string;
  readonly name: string;
  readonly shows: string;
  /** Null for the first mode. */
  readonly by: Gesture | null;
  readonly from: string | null;
  readonly depth: number;
  /** Not to be seen until another item shows it. */
  readonly isHidden: boolean;
  readonly exits: Exits;
}

/** The modes of a program as a tree from its first mode: each one under the mode from which it is reached soonest. */
export function menuOf(program: Program): readonly MenuItem[] {
  const home = program.modes[0];
  if (home === undefined) return [];
  const items: MenuItem[] = [];
  const add = (mode: string, by: Gesture | null, from: string | null, depth: number) => {
    const face = faceInMode(program, mode);
    items.push({
      mode,
      name: modeName(program, mode),
      shows: face.display,
      by,
      from,
      depth,
      isHidden: program.hidden.includes(mode),
      exits: exitsOf(program, mode),
    });
    for (const next of program.modes) {
      const way = next === home ? null : gesturesTo(program, home, next);
      const last = way?.[way.length - 1];
      const before = way && way.length > 1 ? way[way.length - 2]!.to : home;
      if (last && before === mode) add(next, last, mode, depth + 1);
    }
  };
  add(home, null, null, 0);
  return items;
}

/** The keys of a way, pressed one after another, as short marks: `NEXT`, `OK`, `hold NEXT 4 s`. */
export function keyMarks(gestures: readonly Gesture[]): readonly string[] {
  return gestures.flatMap((g) => {
    const held = g.hold.join(" + ");
    if (g.presses.length === 0) return [`hold ${held} ${g.seconds} s`];
    return [...(held ? [`keep ${held}`] : []), ...pressesOf(g)];
  });
}

/** Seconds a way takes when it is made as it should be. */
export function waySeconds(legs: readonly GuideLeg[]): number {
  return legs.reduce((sum, leg) => sum + (leg.gesture ? gestureSeconds(leg.gesture) : POWER_WAIT), 0);
}
