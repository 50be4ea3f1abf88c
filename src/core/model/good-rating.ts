import type { Part } from "./machine";

/**
 * The rating of a part when one of its sort that is good reads so many ohms, dead and by itself; null for a part whose
 * rating an ohmmeter does not show.
 */
export function goodRating(part: Part, ohms: number): Readonly<Record<string, number>> | null {
  const rating = part.kind.service.goodOhms?.(part.fields, ohms);
  return rating ? Object.fromEntries(Object.entries(rating).map(([k, v]) => [k, Number(v.toPrecision(4))])) : null;
}
