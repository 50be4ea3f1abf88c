import { z } from "zod";
import { actorSchema, sends } from "./endpoint";

const money = z.number().min(0, "Costs are not below zero.").max(1e6, "That is more than a shop charges.");

/** What the shop reckons with: an hour of work, and a second visit, in its own money. */
export const ratesSchema = z.strictObject({ hour: money, callback: money });
export type Rates = Readonly<z.output<typeof ratesSchema>>;

/** Rates as somebody sets them; the id is made by the client, so that sending twice is harmless. */
export const setRatesSchema = z.strictObject({ id: z.uuid(), actor: actorSchema, ...ratesSchema.shape });
export const setRates = sends(() => "/api/shop/rates", setRatesSchema, ratesSchema);
