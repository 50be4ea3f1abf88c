import type { Entry, QuickMachine } from "./quick-machine";
import { whenAsked, whenRunning } from "./quick-stages";
import { heardBy, type Run, runsOf } from "./quick-wiring";
import { say } from "#words/core/model/quick/quick-machine";

/** A code that the logic tells of a sensor or a lock, and how it is shown. */
export interface QuickCode {
  readonly id: string;
  readonly words: string;
  readonly when: Entry;
  /** Seconds its reason must last. */
  readonly after: number;
  readonly blames: string;
  readonly shows: string;
  /** The lock it is of; null of a sensor. */
  readonly lock: Run | null;
}

/** Seconds that a lock has to report its bolt; from memory. */
const LOCKS_WITHIN = 8;
/** Shares of the rail above and below which a sensor is taken as open or shorted; from memory. */
const OPEN_ABOVE = 0.97;
const SHORTED_BELOW = 0.03;

/** The codes of a machine that tells any. */
export function codesOf(quick: QuickMachine): readonly QuickCode[] {
  if (!quick.tells) return [];
  const runs = runsOf(quick);
  const codes = (quick.sensors ?? []).flatMap((s, k): readonly Omit<QuickCode, "shows">[] => {
    const input = `in${k + 1}`;
    const of = { blames: `sensor-${k + 1}`, lock: null };
    if (s.kind === "ntc")
      return [
        { ...of, id: `E${k + 1}o`, words: say.isOpen(s.name), when: { input, above: OPEN_ABOVE }, after: 2 },
        { ...of, id: `E${k + 1}s`, words: say.isShorted(s.name), when: { input, below: SHORTED_BELOW }, after: 2 },
      ];
    // A contact that is told to the board of relays is not the logic's to tell of.
    if (s.kind !== "lock contact" || heardBy(quick, s) !== "logic") return [];
    const lock = runs[s.of!]!;
    const when = { all: [whenAsked(quick, lock), { input, above: 0.5 }] };
    return [{ id: `E${k + 1}`, words: say.doesNotReport(s.name), when, after: LOCKS_WITHIN, blames: lock.id, lock }];
  });
  // By a lamp two flashes and more: one is easily taken for something else.
  return codes.map((c, k) => ({ ...c, shows: quick.face?.kind === "lamp" ? say.flashes(k + 2) : c.id }));
}

/** What the logic shows by its lamp or its display: its codes first. */
export function toldBy(quick: QuickMachine): Entry {
  const told = codesOf(quick);
  const codes = told.map(({ id, words, when, after, blames }) => ({ id, words, when, after, blames }));
  const byCode = told.map(({ id, shows }) => ({ when: { code: id }, shows }));
  if (quick.face?.kind === "lamp")
    return { codes, lamps: { on: [...byCode, { when: whenRunning(quick), shows: "steady" }] } };
  return quick.tells ? { codes, display: [...byCode, { when: { always: say.aslongAsItLives }, shows: "on" }] } : {};
}
