import type { Meter } from "../../instrument";
import type { Reading } from "../../quantity";
import type { Test } from "../../simulate";
import { kernelOf } from "./likelihood";
import type { Prediction } from "./prediction";
import { fromScale, isNumeric, scaleOf, toScale } from "./scale";

/** What a test should show if all is well. */
export type Window =
  | { readonly kind: "range"; readonly low: number; readonly high: number }
  | { readonly kind: "overload" }
  | { readonly kind: "label"; readonly label: string }
  | { readonly kind: "beep"; readonly beeps: boolean }
  | { readonly kind: "unsteady" }
  /** Nobody knows: a pin of which its board's sheet says nothing. */
  | { readonly kind: "unspoken" };

/** Does a reading agree with what a sound machine shows? */
export type Verdict = "fits" | "does not fit" | "not judged";

/** Meter errors beside the spread of the samples that still count as well, standard deviations. */
const ALLOWED = 3;

/** The window from what the sound machine predicts. */
export function windowOf(test: Test, sound: Prediction, meter: Meter): Window {
  if (sound.length === 0) return { kind: "unspoken" };
  const first = sound[0] ?? null;
  if (!first) return { kind: "unsteady" };
  if (first.kind === "label") return { kind: "label", label: first.label };
  if (first.kind === "beep") return { kind: "beep", beeps: first.beeps };
  if (!isNumeric(test.function)) return { kind: "unsteady" };
  const scale = scaleOf(meter, test.function);
  const kernel = kernelOf(sound, scale);
  // What may be anything between two bounds may be beyond the display too.
  const isOpen = kernel.overload > 0 && sound.some((s) => s?.kind === "value" && s.factor !== undefined);
  if (kernel.overload > 0.5 && !isOpen) return { kind: "overload" };
  if (kernel.values.length === 0) return { kind: "unsteady" };
  const low = fromScale(scale, Math.min(...kernel.values) - ALLOWED);
  const high = fromScale(scale, Math.max(...kernel.values) + ALLOWED);
  // A meter whose leads were zeroed shows a little below nothing: its own error is no fault of the machine.
  const isSigned = test.function === "dcv" || test.function === "ohms";
  return { kind: "range", low: isSigned ? low : Math.max(0, low), high: isOpen ? Infinity : high };
}

export function verdictOf(window: Window, shown: Reading): Verdict {
  if (window.kind === "unspoken") return "not judged";
  let fits: boolean;
  if (window.kind === "range")
    fits =
      (shown.kind === "value" && shown.value >= window.low && shown.value <= window.high) ||
      (shown.kind === "overload" && window.high === Infinity);
  else if (window.kind === "overload")
    fits = shown.kind === "overload" || (shown.kind === "value" && shown.value > 1e7);
  else if (window.kind === "label") fits = shown.kind === "label" && shown.label === window.label;
  else if (window.kind === "beep") fits = shown.kind === "beep" && shown.beeps === window.beeps;
  else fits = shown.kind === "jumping";
  return fits ? "fits" : "does not fit";
}

/** Whether two predictions could ever be told apart by the noiseless dictionary. */
export function sameNominal(test: Test, a: Prediction, b: Prediction, meter: Meter): boolean {
  const [x, y] = [a[0] ?? null, b[0] ?? null];
  if (!x || !y) return x === y;
  if (x.kind !== y.kind) return false;
  if (x.kind === "label" && y.kind === "label") return x.label === y.label;
  if (x.kind === "beep" && y.kind === "beep") return x.beeps === y.beeps;
  if (x.kind !== "value" || y.kind !== "value" || !isNumeric(test.function)) return true;
  const scale = scaleOf(meter, test.function);
  return Math.abs(toScale(scale, x.value) - toScale(scale, y.value)) < 6;
}
