import type { ShortcutId } from "#words/shortcuts";

/** Where a shortcut works. */
export type Place = "Everywhere" | "Jobs" | "A job" | "A question" | "Service modes" | "Blink reader" | "Calculators";

/** Something a key does. A single key is silent while one types, and can be switched off with all of them. */
interface Action {
  readonly place: Place;
  /** As `react-hotkeys-hook` reads it. */
  readonly key: string;
}

/**
 * Everything that can be done by one key; its words stand in the catalogue. No chord that a usual browser or system
 * takes: none on Alt with D, E, F, B, S, T, V, H, a digit or an arrow to the side.
 */
export const ACTIONS = {
  help: { place: "Everywhere", key: "?" },
  calculators: { place: "Everywhere", key: "alt+c" },
  find: { place: "Everywhere", key: "/" },
  anything: { place: "Everywhere", key: "alt+q" },
  wait: { place: "Everywhere", key: "alt+u" },
  print: { place: "Everywhere", key: "alt+p" },
  newJob: { place: "Jobs", key: "n" },
  quick: { place: "Jobs", key: "q" },
  next: { place: "A job", key: "alt+x" },
  signs: { place: "A job", key: "alt+g" },
  modes: { place: "A job", key: "alt+o" },
  serviceTests: { place: "A job", key: "alt+l" },
  why: { place: "A job", key: "alt+w" },
  other: { place: "A job", key: "alt+i" },
  take: { place: "A job", key: "alt+m" },
  strike: { place: "A job", key: "alt+z" },
  difference: { place: "A job", key: "alt+r" },
  numbers: { place: "A job", key: "alt+n" },
  diagnosis: { place: "A job", key: "alt+k" },
  measure: { place: "A question", key: "alt+j" },
  yes: { place: "A question", key: "y" },
  no: { place: "A question", key: "n" },
  notNow: { place: "A question", key: "s" },
  later: { place: "Service modes", key: "alt+down" },
  earlier: { place: "Service modes", key: "alt+up" },
  press: { place: "Service modes", key: "space" },
  beep: { place: "Service modes", key: "m" },
  hold: { place: "Blink reader", key: "space" },
  clear: { place: "Blink reader", key: "backspace" },
} as const satisfies Readonly<Record<ShortcutId, Action>>;

export type ActionId = ShortcutId;

/** Whether a key is pressed alone, so that it must be silent where one types. */
export const isSingle = (key: string) => !/^(alt|ctrl|meta|mod)\+/.test(key);

/** Chords that a browser or a system takes for itself. */
const TAKEN = /^(alt\+([defbstvh\d]|left|right|home|tab|space|enter)|(ctrl|meta|mod)\+.*)$/;

/**
 * Why a key cannot be the one for an action, or null where it can. Two actions of one place, or one that works
 * everywhere, need two keys.
 */
export function problemWith(
  key: string,
  action: ActionId,
  keyOf: (id: ActionId) => string,
): { readonly kind: "taken" } | { readonly kind: "used"; readonly by: ActionId } | null {
  if (TAKEN.test(key)) return { kind: "taken" };
  const { place } = ACTIONS[action];
  const other = (Object.keys(ACTIONS) as ActionId[]).find(
    (id) =>
      id !== action &&
      keyOf(id) === key &&
      (ACTIONS[id].place === place || ACTIONS[id].place === "Everywhere" || place === "Everywhere"),
  );
  return other ? { kind: "used", by: other } : null;
}
