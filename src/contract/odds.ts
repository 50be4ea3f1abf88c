import { z } from "zod";
import { actorSchema, address, reads, sends } from "./endpoint";

export const resetOddsSchema = z.strictObject({ id: z.uuid(), actor: actorSchema });

/** What is known of how a machine fails. */
export const shopOddsSchema = z.object({
  /** Closed repairs of it. */
  jobs: z.number(),
  /** Since when it is learned from anew, ISO 8601; null: from the beginning. */
  reset: z.string().nullable(),
  rows: z.array(
    z.object({
      name: z.string(),
      /** Shares of all causes, 0 to 1. */
      said: z.number(),
      used: z.number(),
      /** What was seen of it, by how it is known and how long ago. */
      seen: z.number(),
      /** How many times as often as files say parts of its kind failed so in other machines. */
      elsewhere: z.number(),
    }),
  ),
});
export type ShopOdds = Readonly<z.output<typeof shopOddsSchema>>;
export const machineOdds = reads((machine: string) => address`/api/machines/${machine}/odds`, shopOddsSchema);
export const resetMachineOdds = sends(
  (machine: string) => address`/api/machines/${machine}/odds`,
  resetOddsSchema,
  shopOddsSchema,
);
