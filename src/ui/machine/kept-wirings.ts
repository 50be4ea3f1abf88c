import { z } from "zod";
import { type Wiring, wiringSchema } from "./wiring";

/** Layouts kept in the browser's own store, by the hash of their file; the longest unused goes. */
const PLACE = "unzo.wirings";
const MOST = 8;
/** Another way of drawing is another layout. */
const DRAWN = "1";

const keptSchema = z.array(z.tuple([z.string(), wiringSchema]));

function all(): readonly (readonly [string, Wiring])[] {
  try {
    return keptSchema.parse(JSON.parse(localStorage.getItem(PLACE) ?? "[]"));
  } catch {
    // Closed, or not ours: it is laid out anew.
    return [];
  }
}

const nameOf = (hash: string) => `${DRAWN} ${hash}`;

/** The layout of a file that was drawn here before. */
export function keptWiring(hash: string): Wiring | null {
  return all().find(([name]) => name === nameOf(hash))?.[1] ?? null;
}

/** Keeps a layout; where there is no room for it, it is laid out again next time. */
export function keepWiring(hash: string, wiring: Wiring): void {
  const others = all().filter(([name]) => name !== nameOf(hash));
  try {
    localStorage.setItem(PLACE, JSON.stringify([[nameOf(hash), wiring], ...others].slice(0, MOST)));
  } catch {
    // Closed or full.
  }
}
