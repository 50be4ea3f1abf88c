"use client";

import { useShortcut } from "../shortcuts/useShortcut";
import type { View } from "./job-views";

interface Doings {
  readonly onNumbers: () => void;
  readonly onDiagnose: () => void;
  readonly onVary: () => void;
  readonly onStrike: () => void;
  readonly onView: (view: View) => void;
}

/** The shortcuts of a job. */
export function useJobKeys({ onNumbers, onDiagnose, onVary, onStrike, onView }: Doings): void {
  useShortcut("numbers", onNumbers);
  useShortcut("diagnosis", onDiagnose);
  useShortcut("difference", onVary);
  useShortcut("strike", onStrike);
  useShortcut("next", () => onView("measure"));
  useShortcut("signs", () => onView("says"));
  useShortcut("modes", () => onView("modes"));
  useShortcut("serviceTests", () => onView("sheet"));
}
