import { z } from "zod";

/** The stream of a unit: what is on its plate and where it stands, corrected and merged, never erased. */

const text = (most: number) => z.string().trim().min(1).max(most);

/** What is known of a unit apart from its jobs. */
export const unitPlateSchema = z.strictObject({
  site: text(120),
  /** Id of the machine: the file that says how it is built. */
  machine: text(60),
  /** As on the plate; null: there is none on it. */
  serial: text(60).nullable(),
  /** Product code as on the plate, and its index, which picks board and drawing. */
  productCode: text(60).nullable(),
  productIndex: text(20).nullable(),
});
export type UnitPlate = z.output<typeof unitPlateSchema>;

export const unitEventSchema = z.discriminatedUnion("type", [
  z.strictObject({ type: z.literal("registered"), ...unitPlateSchema.shape }),
  /** What was entered wrong or has changed; only the fields that differ. */
  z.strictObject({ type: z.literal("corrected"), ...unitPlateSchema.partial().shape, words: z.string().max(200) }),
  /** This unit was found to be another one that is known already. */
  z.strictObject({ type: z.literal("merged"), into: z.uuid() }),
  /** Another entry was found to be this unit. */
  z.strictObject({ type: z.literal("absorbed"), unit: z.uuid() }),
]);
export type UnitEvent = z.output<typeof unitEventSchema>;

/** A unit as its stream tells it. */
export interface Unit extends UnitPlate {
  readonly mergedInto: string | null;
}

/** Folds the stream of a unit, in order; null for one that was never registered. */
export function foldUnit(events: readonly UnitEvent[]): Unit | null {
  let unit: Unit | null = null;
  for (const event of events) unit = after(unit, event);
  return unit;
}

function after(unit: Unit | null, event: UnitEvent): Unit | null {
  if (event.type === "registered") {
    const { type: _, ...plate } = event;
    return unit ?? { ...plate, mergedInto: null };
  }
  if (!unit) return null;
  if (event.type === "corrected") {
    const { type: _, words: __, ...changed } = event;
    return { ...unit, ...(Object.fromEntries(Object.entries(changed).filter(([, v]) => v !== undefined)) as object) };
  }
  return event.type === "merged" ? { ...unit, mergedInto: event.into } : unit;
}

/** A serial number as it is compared: without case and blanks; null where there is none. */
export function serialKey(serial: string | null): string | null {
  return serial === null ? null : serial.normalize("NFKC").replace(/\s+/g, "").toLowerCase();
}
