import { z } from "zod";
import { actorSchema, sends } from "./endpoint";

const money = z.number().min(0, "Costs are not below zero.").max(1e6, "That is more than a shop charges.");

/** No currency is named: ISO 4217 has a code for that. */
export const NO_CURRENCY = "XXX";
/** Currencies to choose from, ISO 4217. */
export const CURRENCIES = [
  NO_CURRENCY,
  "EUR",
  "CHF",
  "GBP",
  "USD",
  "CAD",
  "AUD",
  "CZK",
  "DKK",
  "NOK",
  "PLN",
  "SEK",
] as const;

/** What the shop reckons with: an hour of work, and a second visit, in its currency (ISO 4217). */
export const ratesSchema = z.strictObject({
  hour: money,
  callback: money,
  currency: z
    .string()
    .regex(/^[A-Z]{3}$/, "A currency has three letters.")
    .default(NO_CURRENCY),
});
export type Rates = Readonly<z.output<typeof ratesSchema>>;

/** Rates as somebody sets them; the id is made by the client, so that sending twice is harmless. */
export const setRatesSchema = z.strictObject({ id: z.uuid(), actor: actorSchema, ...ratesSchema.shape });
export const setRates = sends(() => "/api/shop/rates", setRatesSchema, ratesSchema);
