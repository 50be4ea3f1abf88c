import { statfsSync } from "node:fs";
import { Refusal } from "./refusal";
import { env } from "../env";
import { say } from "#words/server";

/** Writing stops while less than this is free, bytes. */
export const LEAST_FREE = 200 * 1024 * 1024;
/** A look at the disk serves for so long, milliseconds. */
const LOOK_EVERY = 2000;

let looked = { at: -Infinity, free: Infinity };

/**
 * Refuses with a plain sentence while the disk is nearly full: a database that runs out of it in the middle of a
 * write stops.
 * `UNZO_DATA` names the folder that is looked at; without one (a database elsewhere) nothing is refused.
 * `UNZO_FREE_BYTES` stands
 * in for the disk where that is tested.
 */
export function refuseWhenFull(): void {
  if (freeBytes() < LEAST_FREE) throw new Refusal(507, say.theDiskIsNearlyFull, true);
}

function freeBytes(): number {
  const { UNZO_FREE_BYTES: injected, UNZO_DATA: folder } = env();
  if (injected !== undefined) return injected;
  if (!folder) return Infinity;
  const now = Date.now();
  if (now - looked.at > LOOK_EVERY) {
    try {
      const { bavail, bsize } = statfsSync(folder);
      looked = { at: now, free: bavail * bsize };
    } catch {
      // A folder that cannot be looked at says nothing about its disk; the database will speak for itself.
      looked = { at: now, free: Infinity };
    }
  }
  return looked.free;
}
