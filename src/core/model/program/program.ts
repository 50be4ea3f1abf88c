import { z } from "zod";
import { id, number, words } from "../scalar";
import { patternOf } from "../../lamp";
import { conditionHolds, conditionSchema, plainConditions, type Condition, type Situation } from "./condition";
import { say } from "#words/core/model/program";

/** What a control program shows: the text of its display, and how each of its lamps goes. */
export interface Face {
  readonly display: string;
  readonly lamps: Readonly<Record<string, string>>;
}

/**
 * A control program: modes, the moves between them, the gestures a person makes, outputs, codes, display and lamps.
 *
 * It is event-driven: from a state and what it hears follow the things it is waiting for, each with the seconds to go;
 * when one comes due, `fireAll` gives the next state. What is waited for starts anew when its reason goes away.
 * Nothing here knows a clock: time is an argument of `stepProgram`.
 */

const seconds = number({ min: 0, max: 864_000 });

const shows = z
  .array(z.strictObject({ when: conditionSchema, shows: z.string().min(1).max(40) }))
  .max(40)
  .default([]);

const gesture = z.strictObject({
  id,
  name: words,
  /** Modes it works in; none named: all. */
  from: z.array(id).max(20).default([]),
  to: id,
  /** Keys held down together, and for how long. */
  hold: z.array(id).max(4).default([]),
  seconds: seconds.default(0),
  /** Keys pressed one after another, while those of `hold` stay down. */
  presses: z
    .array(z.strictObject({ key: id, times: number({ min: 1, max: 20 }).default(1) }))
    .max(12)
    .default([]),
  /** The presses must be done within this, seconds. */
  within: seconds.default(10),
  /** What must hold all the while, as the program hears it. */
  whilst: conditionSchema.optional(),
  /** Doors a person must open for it. */
  openDoors: z.array(id).max(4).default([]),
  /** It counts only when it is done within this many seconds of power-up. */
  afterPower: seconds.optional(),
});

export const programSchema = z.object({
  /** The first is the one after power-up. None: the machine's setups say the mode. */
  modes: z.array(id).max(60).default([]),
  /** What each mode is called by people; without a name, its short name serves. */
  modeNames: z.record(id, words).default({}),
  /** Items of its menu that are hidden until another item shows them. */
  hidden: z.array(id).max(40).default([]),
  /** Remembers its mode while it has no power. */
  keepsMode: z.enum(["yes", "no"]).default("no"),
  /** Modes it comes back to though it had no power: a power cycle does not leave them. */
  keeps: z.array(id).max(20).default([]),
  moves: z
    .array(
      z.strictObject({
        from: z.array(id).max(20).default([]),
        when: conditionSchema.optional(),
        after: seconds.default(0.1),
        to: id,
      }),
    )
    .max(80)
    .default([]),
  gestures: z.array(gesture).max(40).default([]),
  codes: z
    .array(
      z.strictObject({
        id,
        words,
        when: conditionSchema,
        after: seconds.default(1),
        /** Stays set until the power is gone, though its reason has gone. */
        stays: z.enum(["yes", "no"]).default("no"),
        /** The assembly the maker's own table blames. */
        blames: id.optional(),
      }),
    )
    .max(80)
    .default([]),
  display: shows,
  lamps: z.record(id, shows).default({}),
});
export type Program = z.output<typeof programSchema>;
export type Gesture = Program["gestures"][number];

/** An output as the program sees it: what it is on for, and after how long. */
export interface ProgramOutput {
  readonly when: Condition;
  /** Seconds the reason must last before it goes on. */
  readonly after: number;
  /** While this holds it goes on without that delay, as in a relay test. */
  readonly atOnce?: Condition | undefined;
}

/** Everything a program remembers. */
export interface ProgramState {
  readonly mode: string;
  readonly on: readonly string[];
  readonly codes: readonly string[];
  /** Keys it has taken notice of. */
  readonly down: readonly string[];
  /** Presses done of each gesture under way. */
  readonly progress: Readonly<Record<string, number>>;
  /** Gestures that count only after power-up and are too late now. */
  readonly late: readonly string[];
}

/** Something waited for: `seconds` from when its reason appeared. */
export interface Wish {
  readonly key: string;
  readonly seconds: number;
}

/** What a program hears: levels of its inputs and keys held. */
export interface Heard {
  share(input: string): number;
  keyDown(key: string): boolean;
}

/** Seconds a key must be down, or up, to be noticed. */
export const DEBOUNCE = 0.03;
/** Seconds from a reason to a switched output. */
const REACTION = 0.1;

export function startOf(program: Program): ProgramState {
  return { mode: program.modes[0] ?? "run", on: [], codes: [], down: [], progress: {}, late: [] };
}

/** The mode a program comes back to when it had been in `mode` and lost its power; null for its first. */
export function keptMode(program: Program, mode: string): string | null {
  return program.keepsMode === "yes" || program.keeps.includes(mode) ? mode : null;
}

/** A mode as people call it. */
export function modeName(program: Program, mode: string): string {
  const plain = mode.replace(/-/g, " ");
  return program.modeNames[mode] ?? plain.charAt(0).toUpperCase() + plain.slice(1);
}

const situation = (state: ProgramState, heard: Heard): Situation => ({
  share: heard.share,
  keyDown: (key) => state.down.includes(key),
  mode: state.mode,
  codeSet: (code) => state.codes.includes(code),
});

const applies = (from: readonly string[], mode: string) => from.length === 0 || from.includes(mode);

const canBegin = (g: Gesture, state: ProgramState) => applies(g.from, state.mode) && !state.late.includes(g.id);

const KEYS = new WeakMap<Program, readonly string[]>();

/** Every condition that a program decides by. */
export function programConditions(
  program: Program,
  outputs: Readonly<Record<string, ProgramOutput>>,
): readonly Condition[] {
  const { moves, gestures, codes, display, lamps } = program;
  return [
    ...moves.map((m) => m.when),
    ...gestures.map((g) => g.whilst),
    ...Object.values(outputs).flatMap((o) => [o.when, o.atOnce]),
    ...[...codes, ...display, ...Object.values(lamps).flat()].map((x) => x.when),
  ].filter((c) => c !== undefined);
}

/** Whether a program looks at the mode that a machine's setups say: it has none of its own, and something asks. */
export function isLedByMode(program: Program, outputs: Readonly<Record<string, ProgramOutput>>): boolean {
  if (program.modes.length > 0) return false;
  const asksFrom = [...program.moves, ...program.gestures].some((x) => x.from.length > 0);
  return (
    asksFrom ||
    programConditions(program, outputs)
      .flatMap(plainConditions)
      .some((c) => "mode" in c)
  );
}

/** Every key that gestures and conditions speak of. */
export function programKeys(program: Program): readonly string[] {
  let keys = KEYS.get(program);
  if (!keys) KEYS.set(program, (keys = findKeys(program)));
  return keys;
}

function findKeys(program: Program): readonly string[] {
  const conditions = [
    ...program.moves.map((m) => m.when),
    ...program.gestures.map((g) => g.whilst),
    ...program.codes.map((c) => c.when),
  ].filter((c) => c !== undefined);
  const keys = [
    ...program.gestures.flatMap((g) => [...g.hold, ...g.presses.map((p) => p.key)]),
    ...conditions.flatMap(plainConditions).flatMap((c) => ("key" in c ? [c.key] : [])),
  ];
  return [...new Set(keys)];
}

/** The presses of a gesture, one by one. */
export function pressesOf(g: Gesture): readonly string[] {
  return g.presses.flatMap((p) => Array.from({ length: p.times }, () => p.key));
}

/** Everything the program is waiting for in a state, given what it hears. */
export function wishesOf(
  program: Program,
  outputs: Readonly<Record<string, ProgramOutput>>,
  state: ProgramState,
  heard: Heard,
): Wish[] {
  const now = situation(state, heard);
  const wishes: Wish[] = [];
  for (const key of programKeys(program)) {
    if (heard.keyDown(key) && !state.down.includes(key)) wishes.push({ key: `down ${key}`, seconds: DEBOUNCE });
    if (!heard.keyDown(key) && state.down.includes(key)) wishes.push({ key: `up ${key}`, seconds: DEBOUNCE });
  }
  for (const g of program.gestures) {
    if (g.afterPower !== undefined && !state.late.includes(g.id))
      wishes.push({ key: `late ${g.id}`, seconds: g.afterPower });
    if (!canBegin(g, state)) continue;
    const ready = g.hold.every((k) => state.down.includes(k)) && (!g.whilst || conditionHolds(g.whilst, now));
    if (g.presses.length === 0 && g.hold.length > 0 && ready)
      wishes.push({ key: `gesture ${g.id}`, seconds: g.seconds });
    if ((state.progress[g.id] ?? 0) > 0) wishes.push({ key: `expire ${g.id}`, seconds: g.within });
  }
  program.moves.forEach((move, i) => {
    if (applies(move.from, state.mode) && move.to !== state.mode && (!move.when || conditionHolds(move.when, now)))
      wishes.push({ key: `move ${i} ${state.mode}`, seconds: move.after });
  });
  for (const code of program.codes) {
    const holds = conditionHolds(code.when, now);
    if (holds && !state.codes.includes(code.id)) wishes.push({ key: `set ${code.id}`, seconds: code.after });
    if (!holds && code.stays === "no" && state.codes.includes(code.id))
      wishes.push({ key: `clear ${code.id}`, seconds: REACTION });
  }
  for (const [name, output] of Object.entries(outputs)) {
    const wanted = conditionHolds(output.when, now);
    const waits = wanted && !(output.atOnce && conditionHolds(output.atOnce, now));
    if (wanted !== state.on.includes(name))
      wishes.push({
        key: `${wanted ? "on" : "off"} ${name}`,
        seconds: waits ? Math.max(REACTION, output.after) : REACTION,
      });
  }
  return wishes;
}

const withOne = (list: readonly string[], item: string) => (list.includes(item) ? list : [...list, item].sort());
const without = (list: readonly string[], item: string) => list.filter((x) => x !== item);

/** The state after these wishes have come due together. */
export function fireAll(program: Program, state: ProgramState, keys: readonly string[], heard: Heard): ProgramState {
  return keys.reduce((s, key) => fireOne(program, s, key, heard), state);
}

function fireOne(program: Program, state: ProgramState, key: string, heard: Heard): ProgramState {
  const [what, name] = [key.slice(0, key.indexOf(" ")), key.slice(key.indexOf(" ") + 1)];
  switch (what) {
    case "on":
      return { ...state, on: withOne(state.on, name) };
    case "off":
      return { ...state, on: without(state.on, name) };
    case "set":
      return { ...state, codes: withOne(state.codes, name) };
    case "clear":
      return { ...state, codes: without(state.codes, name) };
    case "up":
      return { ...state, down: without(state.down, name) };
    case "down":
      return pressed(program, { ...state, down: withOne(state.down, name) }, name, heard);
    case "late":
      return { ...state, late: withOne(state.late, name), progress: withoutKey(state.progress, name) };
    case "expire":
      return { ...state, progress: withoutKey(state.progress, name) };
    case "gesture": {
      const g = program.gestures.find((x) => x.id === name)!;
      // Another gesture of the same instant may have been first.
      return applies(g.from, state.mode) ? { ...state, mode: g.to, progress: {} } : state;
    }
    case "move": {
      const move = program.moves[Number.parseInt(name, 10)]!;
      // Another move of the same instant may have been first.
      return applies(move.from, state.mode) ? { ...state, mode: move.to, progress: {} } : state;
    }
  }
  throw new RangeError(say.aControlProgramKnowsNo(what));
}

function withoutKey<T>(record: Readonly<Record<string, T>>, key: string): Record<string, T> {
  return Object.fromEntries(Object.entries(record).filter(([k]) => k !== key));
}

/** A key just went down: gestures that wanted it are one press further, others begin anew. */
function pressed(program: Program, state: ProgramState, key: string, heard: Heard): ProgramState {
  const now = situation(state, heard);
  let progress: Record<string, number> = { ...state.progress };
  for (const g of program.gestures) {
    const presses = pressesOf(g);
    if (presses.length === 0 || g.hold.includes(key) || !canBegin(g, state)) continue;
    const ready = g.hold.every((k) => state.down.includes(k)) && (!g.whilst || conditionHolds(g.whilst, now));
    const done = ready ? (progress[g.id] ?? 0) : 0;
    if (ready && presses[done] === key) {
      if (done + 1 === presses.length) return { ...state, mode: g.to, progress: {} };
      progress[g.id] = done + 1;
    } else if (ready && presses[0] === key) progress[g.id] = 1;
    else progress = withoutKey(progress, g.id);
  }
  return { ...state, progress };
}

/** What the program shows: the first line of each list that holds. Goes by mode, keys and codes only. */
export function faceOf(program: Program, state: ProgramState): Face {
  const now = situation(state, { share: () => 0, keyDown: () => false });
  const first = (lines: Program["display"]) => lines.find((l) => conditionHolds(l.when, now))?.shows ?? "dark";
  return {
    display: first(program.display),
    lamps: Object.fromEntries(Object.entries(program.lamps).map(([name, lines]) => [name, first(lines)])),
  };
}

/** Every text and every lamp pattern the program can show. */
export function facesOfProgram(program: Program): {
  readonly display: readonly string[];
  readonly lamps: Readonly<Record<string, readonly string[]>>;
} {
  const texts = (lines: Program["display"]) => [...new Set([...lines.map((l) => l.shows), "dark"])];
  return {
    display: texts(program.display),
    lamps: Object.fromEntries(Object.entries(program.lamps).map(([name, lines]) => [name, texts(lines)])),
  };
}

/** A program with its clock: the state, and when each thing waited for comes due (seconds). */
export interface RunningProgram {
  readonly state: ProgramState;
  readonly due: Readonly<Record<string, number>>;
}

/** Changes within one step after which a program is held to chase its own tail. */
const MOST_CHANGES = 1000;

/**
 * Moves a program on to the moment `now` (seconds, never backwards), hearing the same all the while. Pure: the same
 * arguments give the same result. Throws a RangeError for a program that changes without end in no time.
 */
export function stepProgram(
  program: Program,
  outputs: Readonly<Record<string, ProgramOutput>>,
  running: RunningProgram,
  since: number,
  now: number,
  heard: Heard,
): RunningProgram {
  let { state } = running;
  let due: Record<string, number> = { ...running.due };
  let clock = since;
  for (let change = 0; change < MOST_CHANGES; change++) {
    const wishes = wishesOf(program, outputs, state, heard);
    due = Object.fromEntries(wishes.map((w) => [w.key, due[w.key] ?? clock + w.seconds]));
    const soonest = Math.min(...Object.values(due));
    if (soonest > now) return { state, due };
    const keys = Object.keys(due).filter((k) => due[k]! <= soonest);
    clock = soonest;
    state = fireAll(program, state, keys, heard);
    for (const key of keys) delete due[key];
  }
  throw new RangeError(say.theControlProgramChangesWithout);
}

/** Seconds a key press takes, with the pause to the next. */
export const PRESS_SECONDS = 0.5;

/** Seconds a gesture takes when it is made as it should be. */
export function gestureSeconds(g: Gesture): number {
  return g.seconds + PRESS_SECONDS * (g.hold.length > 0 ? pressesOf(g).length + 1 : pressesOf(g).length);
}

/**
 * The gestures, in order, that lead from one mode to another in the fewest seconds (Dijkstra, 1959; ties by the order
 * of the file); null when none do.
 */
export function gesturesTo(program: Program, from: string, to: string): readonly Gesture[] | null {
  interface Way {
    readonly mode: string;
    readonly seconds: number;
    readonly gestures: readonly Gesture[];
  }
  const open: Way[] = [{ mode: from, seconds: 0, gestures: [] }];
  const done = new Set<string>();
  while (open.length > 0) {
    let best = 0;
    open.forEach((way, i) => {
      if (way.seconds < open[best]!.seconds) best = i;
    });
    const [way] = open.splice(best, 1) as [Way];
    if (way.mode === to) return way.gestures;
    if (done.has(way.mode)) continue;
    done.add(way.mode);
    for (const g of program.gestures)
      if (applies(g.from, way.mode) && !done.has(g.to))
        open.push({ mode: g.to, seconds: way.seconds + gestureSeconds(g), gestures: [...way.gestures, g] });
  }
  return null;
}

/** Contradictions inside a program, each a sentence. */
export function programProblems(
  program: Program,
  outputs: Readonly<Record<string, { readonly when: Condition; readonly atOnce?: Condition | undefined }>>,
  inputs: readonly string[],
  keys: readonly string[],
): string[] {
  const problems: string[] = [];
  const codes = program.codes.map((c) => c.id);
  const mode = (name: string, where: string) => {
    if (program.modes.length > 0 && !program.modes.includes(name)) problems.push(say.namesAModeWhichThe(where, name));
  };
  const check = (condition: Condition | undefined, where: string) => {
    for (const c of condition ? plainConditions(condition) : []) {
      if ("input" in c && !inputs.includes(c.input)) problems.push(say.asksForAnInputWhich(where, c.input));
      if ("key" in c && !keys.includes(c.key)) problems.push(say.asksForAKeyWhich(where, c.key));
      if ("code" in c && !codes.includes(c.code)) problems.push(say.asksForACodeWhich(where, c.code));
      if ("mode" in c) mode(c.mode, where);
    }
  };
  for (const [name, output] of Object.entries(outputs)) {
    check(output.when, `output ${name}`);
    check(output.atOnce, `output ${name}`);
  }
  program.moves.forEach((m, i) => {
    check(m.when, `move ${i + 1}`);
    m.from.forEach((f) => mode(f, `move ${i + 1}`));
    mode(m.to, `move ${i + 1}`);
  });
  for (const g of program.gestures) {
    check(g.whilst, `gesture ${g.id}`);
    g.from.forEach((f) => mode(f, `gesture ${g.id}`));
    mode(g.to, `gesture ${g.id}`);
    for (const k of [...g.hold, ...g.presses.map((p) => p.key)])
      if (!keys.includes(k)) problems.push(say.gestureAsksForAKey(g.id, k));
    if (g.afterPower !== undefined && gestureSeconds(g) > g.afterPower)
      problems.push(say.gestureTakesLongerThanThe(g.id, g.afterPower));
    if (g.hold.length === 0 && g.presses.length === 0) problems.push(say.gestureAsksForNoKey(g.id));
  }
  for (const m of [...Object.keys(program.modeNames), ...program.hidden, ...program.keeps]) mode(m, say.aListOfModes);
  for (const c of program.codes) check(c.when, `code ${c.id}`);
  for (const line of [...program.display, ...Object.values(program.lamps).flat()]) {
    check(line.when, `"${line.shows}"`);
    if (plainConditions(line.when).some((c) => "input" in c)) problems.push(say.goesByAnInputWhat(line.shows));
  }
  for (const [name, lines] of Object.entries(program.lamps))
    for (const line of lines) if (patternOf(line.shows) === null) problems.push(say.lampIsNoWayA(name, line.shows));
  return problems;
}
