/** Where a shortcut works. */
export type Place = "Everywhere" | "Jobs" | "A job" | "A question" | "Service modes" | "Blink reader" | "Calculators";

/** Something a key does. A single key is silent while one types, and can be switched off with all of them. */
interface Action {
  readonly words: string;
  readonly place: Place;
  /** As `react-hotkeys-hook` reads it. */
  readonly key: string;
}

/**
 * Everything that can be done by one key. No chord that a usual browser or system takes: none on Alt with D, E, F, B,
 * S, T, V, H, a digit or an arrow to the side.
 */
export const ACTIONS = {
  help: { words: "Show these shortcuts", place: "Everywhere", key: "?" },
  calculators: { words: "Calculators and bench", place: "Everywhere", key: "alt+c" },
  find: { words: "Find in this list", place: "Everywhere", key: "/" },
  print: { words: "Print", place: "Everywhere", key: "alt+p" },
  newJob: { words: "New job", place: "Jobs", key: "n" },
  quick: { words: "A machine without a file", place: "Jobs", key: "q" },
  next: { words: "Next test", place: "A job", key: "alt+x" },
  signs: { words: "Codes and signs", place: "A job", key: "alt+g" },
  modes: { words: "Service modes", place: "A job", key: "alt+o" },
  serviceTests: { words: "Service tests", place: "A job", key: "alt+l" },
  why: { words: "Why this test", place: "A job", key: "alt+w" },
  other: { words: "I measured something else", place: "A job", key: "alt+i" },
  take: { words: "Take the meter's reading", place: "A job", key: "alt+m" },
  strike: { words: "Strike out the last reading", place: "A job", key: "alt+z" },
  difference: { words: "Record a difference from the file", place: "A job", key: "alt+r" },
  numbers: { words: "Show numbers", place: "A job", key: "alt+n" },
  diagnosis: { words: "Close with a diagnosis", place: "A job", key: "alt+k" },
  measure: { words: "Start measuring", place: "A question", key: "alt+j" },
  yes: { words: "Yes", place: "A question", key: "y" },
  no: { words: "No", place: "A question", key: "n" },
  notNow: { words: "Not now", place: "A question", key: "s" },
  later: { words: "Next service test", place: "Service modes", key: "alt+down" },
  earlier: { words: "Service test before", place: "Service modes", key: "alt+up" },
  press: { words: "Press, hold, or done", place: "Service modes", key: "space" },
  beep: { words: "Beep on or off", place: "Service modes", key: "m" },
  hold: { words: "Hold while the lamp is lit", place: "Blink reader", key: "space" },
  clear: { words: "Clear what was tapped", place: "Blink reader", key: "backspace" },
} as const satisfies Readonly<Record<string, Action>>;

export type ActionId = keyof typeof ACTIONS;

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
