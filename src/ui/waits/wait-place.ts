import { dryingOf } from "../../core/journal";
import type { OpenWait } from "../../contract/waits";

/** A symbol for how one may leave what waits. */
export const CARE_ICONS = { leave: "bi-box-arrow-right", watch: "bi-eye", locked: "bi-lock" } as const;

/** Where what is waited for goes on: a contact that dries belongs to the work, a step that waits to the proof. */
export function placeOf({ job, wait, assembly }: OpenWait): string | null {
  if (job === null) return null;
  if (!assembly) return `/jobs/${job}`;
  const step = wait === dryingOf(assembly) ? "swap" : "prove";
  return `/jobs/${job}/repair?step=${step}&assembly=${encodeURIComponent(assembly)}`;
}
