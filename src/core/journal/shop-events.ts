import { z } from "zod";
import { FILE_ORIGINS } from "./file-origins";
import { CARES, MOST_WAIT } from "./waits";

/** The stream of the shop: what belongs to no single job or unit. */

const text = (most: number) => z.string().trim().min(1).max(most);
const money = z.number().min(0).max(1e6);

/** How many there are of what is few; null: enough. */
const few = z.number().int().min(1).max(50).nullable();

/** Where a machine file has it from. */
const offered = {
  /** What was learned, in words, by whom, when (ISO 8601). */
  learned: z
    .array(z.strictObject({ words: z.string().max(2000), by: text(80), at: z.iso.datetime() }))
    .max(60)
    .optional(),
  /** The pack that it came in: who packed it, and when. */
  pack: z.strictObject({ shop: text(120), at: z.iso.datetime() }).optional(),
};

export const shopEventSchema = z.discriminatedUnion("type", [
  /** A file of another shop waits beside the shop's own to be looked at. */
  z.strictObject({ type: z.literal("file offered"), machine: text(60), hash: text(64), ...offered }),
  /** A version of a machine file was taken into use; `base` is the shipped revision that it came from. */
  z.strictObject({
    type: z.literal("file kept"),
    machine: text(60),
    hash: text(64),
    origin: z.enum(FILE_ORIGINS),
    base: text(64).nullable(),
    /** The job on which it was learned. */
    job: z.uuid().optional(),
    ...offered,
  }),
  /** A newer shipped revision was looked at, and the shop's own kept as it is. */
  z.strictObject({ type: z.literal("file declined"), machine: text(60), hash: text(64) }),
  /** What the shop charges. */
  z.strictObject({
    type: z.literal("rates set"),
    currency: z.string().regex(/^[A-Z]{3}$/),
    hour: money,
    callback: money,
    markup: z.number().min(0).max(10),
  }),
  /** Something that is waited for and belongs to no job; it is due so many seconds after the entry. */
  z.strictObject({
    type: z.literal("waiting"),
    wait: z.uuid(),
    words: text(200),
    seconds: z.number().min(1).max(MOST_WAIT),
    care: z.enum(CARES),
  }),
  z.strictObject({ type: z.literal("waited"), wait: z.uuid() }),
  /** Who stands at the head of what is handed out: a name, and how to reach it. */
  z.strictObject({ type: z.literal("letterhead set"), name: text(80), contact: z.string().trim().max(200) }),
  /**
   * Whose hands there are today, at how many places a unit can be run at once, at how many of them with water and drain, and
   * how many can be fed with low voltage; null or left out: as many as there are units.
   */
  z.strictObject({
    type: z.literal("crew set"),
    people: z.array(text(80)).min(1).max(12),
    places: few,
    water: few.optional(),
    supplies: few.optional(),
  }),
  /** From here on a machine's causes are learned anew, beginning with what its file says. */
  z.strictObject({ type: z.literal("odds reset"), machine: text(60) }),
  /** Someone who works here. */
  z.strictObject({ type: z.literal("person named"), person: z.uuid(), name: text(80) }),
]);
export type ShopEvent = z.output<typeof shopEventSchema>;

/** The one stream of the shop in a database. */
export const SHOP_STREAM = "00000000-0000-4000-8000-000000000001";
