import type { Evidence } from "./evidence";
import { WHOLE_UNIT } from "./signs";

/** Whether this is somebody's word on the sign that it comes and goes. */
export const isSaidToComeAndGo = (e: Evidence) =>
  e.type === "sign" && e.part === WHOLE_UNIT && e.sign === "comes-and-goes";

/** Whether what was complained of comes and goes: said with the complaint, or by the last word on that sign. */
export function comesAndGoes(evidence: readonly Evidence[]): boolean {
  const sign = evidence.filter(isSaidToComeAndGo).at(-1);
  if (sign?.type === "sign") return sign.there;
  return evidence.some((e) => e.type === "complaint" && e.comesAndGoes === true);
}
