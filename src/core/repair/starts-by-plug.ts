import { everydaySetup, has, type Machine } from "../model";
import { nominalValues, secondsUntil, Simulator } from "../simulate";

/** A part that begins to move by itself once a plug is off. */
export interface StartsByPlug {
  readonly plug: string;
  /** The name of the part. */
  readonly part: string;
  /** Until it does, seconds. */
  readonly after: number;
}

/** How long a plug may be off before it is known to start nothing, seconds; estimate E57. */
const WATCHED = 600;

// A plan is made anew at every tick; what a plug starts stays.
const KNOWN = new WeakMap<Machine, readonly StartsByPlug[]>();

/**
 * What a sound unit of several sources in everyday use starts by itself when one of its plugs is pulled, or left off at
 * power: a sensing plug tells a changeover that the utility is gone. Of each part that moves, the first sign of it that
 * it does not show with every plug in. Where no operating point is found nobody knows, and it counts as starting.
 */
export function startsByPlug(machine: Machine): readonly StartsByPlug[] {
  let known = KNOWN.get(machine);
  if (!known) KNOWN.set(machine, (known = found(machine)));
  return known;
}

function found(machine: Machine): readonly StartsByPlug[] {
  // With its only source off a unit starts nothing, whatever is unplugged.
  if (machine.sources.length < 2) return [];
  const everyday = everydaySetup(machine.file);
  const simulator = new Simulator(machine);
  const values = nominalValues(machine);
  const until = (apart: readonly string[], part: string, label: string) =>
    secondsUntil(simulator, { ...everyday, apart: [...everyday.apart, ...apart] }, [], values, part, label, WATCHED);
  const moving = machine.parts.filter((p) => p.labels && has(p, "moves"));
  // What it shows with every plug in, sooner or later, is nothing that a plug starts.
  const news = moving.map((part) => ({
    part,
    labels: part.labels!.filter((label) => !Number.isFinite(until([], part.id, label) ?? Infinity)),
  }));
  return machine.file.connectors.flatMap(({ id: plug }) =>
    news.flatMap(({ part, labels }) => {
      const after = Math.min(...labels.map((label) => until([plug], part.id, label) ?? 0));
      return Number.isFinite(after) ? [{ plug, part: part.name, after }] : [];
    }),
  );
}
