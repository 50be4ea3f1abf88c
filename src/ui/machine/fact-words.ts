import { say } from "#words/ui/machine/OfferScreen";

/** Longest value shown whole, characters. */
const MOST_SHOWN = 160;

/** What a file says at a place, as it is shown; a picture is only named. */
export function factWords(value: unknown): string {
  if (value === undefined || value === null) return say.notThere;
  const text = typeof value === "object" ? JSON.stringify(value) : String(value);
  if (text.includes("data:image/")) return say.withAPicture;
  return text.length > MOST_SHOWN ? `${text.slice(0, MOST_SHOWN)} ...` : text;
}
