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
 * What a sound unit of several sources in everyday use starts by itself when one of its plugs is pulled, or left off at power: a sensing
 * plug tells a changeover that the utility is gone. Of what moves, the first label it takes that it has not with every
 * plug in.
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
  const after = (apart: readonly string[], part: string, label: string) => {
    const setup = { ...everyday, apart: [...everyday.apart, ...apart] };
    return secondsUntil(simulator, setup, [], values, part, label, WATCHED) ?? Infinity;
  };
  const moving = machine.parts.filter((p) => p.labels && has(p, "moves"));
  // What it shows with every plug in, sooner or later, is nothing that a plug starts.
  const news = moving.flatMap((part) =>
    part.labels!.filter((label) => after([], part.id, label) === Infinity).map((label) => ({ part, label })),
  );
  return machine.file.connectors.flatMap(({ id: plug }) =>
    news.flatMap(({ part, label }) => {
      const seconds = after([plug], part.id, label);
      return seconds === Infinity ? [] : [{ plug, part: part.name, after: seconds }];
    }),
  );
}
