import { say } from "#words/ui/waits";

/** A time to go or gone by, as a clock says it: 4:05, 1 h 20, 3 d. */
function clock(seconds: number): string {
  if (seconds >= 172_800) return `${Math.floor(seconds / 86_400)} d`;
  if (seconds >= 3600)
    return `${Math.floor(seconds / 3600)} h ${String(Math.floor((seconds % 3600) / 60)).padStart(2, "0")}`;
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;
}

/** What is left of a wait, seconds; below nothing it is overdue. */
export function leftWords(left: number): string {
  if (left > 0) return clock(left);
  return left > -60 ? say.due : say.overdue(clock(-left));
}
