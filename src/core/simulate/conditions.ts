import {
  type Conditions,
  type Gesture,
  gesturesTo,
  type Machine,
  type Part,
  pressesOf,
  type Program,
  type SetupEntry,
} from "../model";
import type { Values } from "./values";

/** A stretch of time in which nobody touches the machine. */
export interface Stage {
  readonly conditions: Conditions;
  readonly seconds: number;
  /** The one that is looked at. */
  readonly isLast: boolean;
}

/** What a person does to the machine in one stage, beyond the setup itself. */
interface Doing {
  readonly pressed: readonly string[];
  readonly openDoors: readonly string[];
}

const isSameDoing = (a: Doing, b: Doing) =>
  a.pressed.join() === b.pressed.join() && a.openDoors.join() === b.openDoors.join();

const IDLE: Doing = { pressed: [], openDoors: [] };
/** Without a moment of its own, a setup is looked at this long after it was brought about, seconds. */
export const LOOK_AFTER = 60;
/** Seconds after power-up before the first key is pressed, for a key press, and between two. */
const WAKING = 2;
const PRESS = 0.25;

/**
 * The stages of a setup: power up and wait, the gestures that lead to its mode press by press, then the setup itself.
 * A setup without keys is one stage. What surrounds the machine is for one sample.
 */
export function stagesOf(machine: Machine, setup: SetupEntry, values: Values): Stage[] {
  const stage = (doing: Doing, seconds: number, isLast = false): Stage => ({
    conditions: conditionsOf(machine, setup, values, doing),
    seconds,
    isLast,
  });
  const last = stage({ pressed: setup.press, openDoors: setup.openDoors }, setup.seconds ?? LOOK_AFTER, true);
  if (setup.power === "off") return [last];
  const gestures = gesturesFor(machine, setup);
  if (gestures.length === 0 && setup.press.length === 0) return [last];
  const doings: [Doing, number][] = [[{ ...IDLE, openDoors: setup.openDoors }, WAKING]];
  for (const [doing, seconds] of gestures.flatMap(doingsOf)) {
    const before = doings.at(-1)!;
    // A key let go and then nothing touched is one stretch of time.
    if (isSameDoing(before[0], doing)) before[1] += seconds;
    else doings.push([doing, seconds]);
  }
  return [...doings.map(([doing, seconds]) => stage(doing, seconds)), last];
}

/**
 * The gestures that bring a machine's control program from its first mode to that of the setup; none where it has no
 * modes.
 */
export function gesturesFor(machine: Machine, setup: SetupEntry): readonly Gesture[] {
  const program = programOf(machine);
  if (!program || program.modes.length === 0 || setup.mode === "run") return [];
  return gesturesTo(program, program.modes[0]!, setup.mode) ?? [];
}

/**
 * The part that runs the machine: the controller that has modes, or else the first; undefined for a machine without.
 */
export function controllerOf(machine: Machine): Part | undefined {
  const controllers = machine.parts.filter((p) => p.kind.electrical.program);
  return controllers.find((p) => p.kind.electrical.program!(p.fields).modes.length > 0) ?? controllers[0];
}

/** The control program of that part, with modes or without. */
export function mainProgramOf(machine: Machine): Program | undefined {
  const controller = controllerOf(machine);
  return controller?.kind.electrical.program!(controller.fields);
}

/** The control program of a machine that has modes; undefined for a machine without. */
export function programOf(machine: Machine): Program | undefined {
  const program = mainProgramOf(machine);
  return program && program.modes.length > 0 ? program : undefined;
}

/** A gesture as a person makes it, step by step, with the seconds of each. */
function doingsOf(g: Gesture): [Doing, number][] {
  const { openDoors, hold } = g;
  if (g.presses.length === 0)
    return [
      [{ pressed: hold, openDoors }, g.seconds + 0.5],
      [{ ...IDLE, openDoors }, PRESS],
    ];
  return [
    ...(hold.length > 0 ? [[{ pressed: hold, openDoors }, PRESS] as [Doing, number]] : []),
    ...pressesOf(g).flatMap((key): [Doing, number][] => [
      [{ pressed: [...hold, key], openDoors }, PRESS],
      [{ pressed: hold, openDoors }, PRESS],
    ]),
    [{ ...IDLE, openDoors }, PRESS],
  ];
}

/** What surrounds the machine in a setup, for one sample. */
export function conditionsOf(
  machine: Machine,
  setup: SetupEntry,
  values: Values,
  doing: Doing = { pressed: setup.press, openDoors: setup.openDoors },
): Conditions {
  const off = new Set(setup.off);
  return {
    powered: setup.power === "on" || setup.feeds.length > 0,
    isOn: (source) => setup.power === "on" && !off.has(source),
    supplyVolts: values.supplyVolts,
    hertz: machine.file.supply.hertz || 50,
    mode: setup.mode,
    pressed: new Set(doing.pressed),
    made: new Set(setup.made),
    openDoors: new Set([...doing.openDoors]),
    apart: new Set(setup.apart),
    magnets: new Set(setup.magnets),
    lifted: new Set(setup.lifted),
    lamps: new Set(setup.lamps),
    rigged: machine.rigsOf.get(setup.id) ?? new Set(),
    between: values.between,
    temperature: (place) => setup.places[place] ?? values.ambient,
    level: (place) => setup.levels[place] ?? 0,
  };
}
