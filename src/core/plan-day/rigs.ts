import type { Machine } from "../model";
import type { Day } from "./day";
import type { DayPlan, Placed } from "./schedule";

/** A place where a unit can be run: there may be few of them in a workshop. */
export const PLACE = "place";
/** Water and a drain at such a place. */
export const WATER = "water";
/** A bench supply, or a battery on its charger, that feeds a unit made for low voltage. */
export const SUPPLY = "low-voltage supply";

/** Families that do nothing to speak of without water. */
const RUN_ON_WATER: readonly Machine["file"]["family"][] = ["washer", "dishwasher", "ice machine"];

/** What of the workshop a machine holds while it is run there; common practice, no source. */
export function rigsFor({ file }: Machine): readonly string[] {
  return [
    PLACE,
    ...(RUN_ON_WATER.includes(file.family) ? [WATER] : []),
    // What is fed with direct current comes without the vehicle or the pack that feeds it.
    ...(file.supply.hertz === 0 ? [SUPPLY] : []),
  ];
}

/** Something that hands wait for although they would be free: what it is, and the unit that holds it until then. */
export interface HeldUp {
  readonly rig: string;
  readonly unit: number;
}

/** What a stretch of a plan waits for, where hands are free and the unit is ready before; null: for no rig. */
export function heldUp({ people, units }: Day, { placed }: DayPlan, { block, start }: Placed): HeldUp | null {
  const own = placed.filter((p) => p.block.unit === block.unit && p.start < start);
  const ready = Math.max(units[block.unit]!.from, ...own.map((p) => p.end));
  const busy = placed.filter((p) => p.block.hands > 0 && p.start < start && p.handsEnd >= start);
  if (ready >= start || busy.length >= Math.max(1, people)) return null;
  for (const rig of [...block.holds, ...block.holdsOn]) {
    const until = ({ block: of, handsEnd, end }: Placed) => {
      if (of.holdsOn.includes(rig)) return end;
      return of.holds.includes(rig) ? handsEnd : null;
    };
    const holder = placed.find((p) => p.block.unit !== block.unit && until(p) === start);
    if (holder) return { rig, unit: holder.block.unit };
  }
  return null;
}
