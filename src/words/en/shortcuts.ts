/** What each shortcut does, as a person reads it. */
export const SHORTCUT_WORDS = {
  help: "Show these shortcuts",
  calculators: "Calculators and bench",
  find: "Find in this list",
  anything: "Find anything",
  print: "Print",
  newJob: "New job",
  quick: "A machine without a file",
  next: "Next test",
  signs: "Codes and signs",
  modes: "Service modes",
  serviceTests: "Service tests",
  why: "Why this test",
  other: "I measured something else",
  take: "Take the meter's reading",
  strike: "Strike out the last reading",
  difference: "Add what you see on this unit",
  numbers: "Show numbers",
  diagnosis: "Close with a diagnosis",
  measure: "Start measuring",
  yes: "Yes",
  no: "No",
  notNow: "Not now",
  later: "Next service test",
  earlier: "Service test before",
  press: "Press, hold, or done",
  beep: "Beep on or off",
  hold: "Hold while the lamp is lit",
  clear: "Clear what was tapped",
} as const;

/** What can be done by a key. */
export type ShortcutId = keyof typeof SHORTCUT_WORDS;
