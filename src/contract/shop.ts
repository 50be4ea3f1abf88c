import { z } from "zod";
import { actorSchema, sends } from "./endpoint";
import { say } from "#words/contract";

const money = z.number().min(0, say.costsAreNotBelowZero).max(1e6, say.thatIsMoreThanA);

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
    .regex(/^[A-Z]{3}$/, say.aCurrencyHasThreeLetters)
    .default(NO_CURRENCY),
});
export type Rates = Readonly<z.output<typeof ratesSchema>>;

/** Rates as somebody sets them; the id is made by the client, so that sending twice is harmless. */
export const setRatesSchema = z.strictObject({ id: z.uuid(), actor: actorSchema, ...ratesSchema.shape });
export const setRates = sends(() => "/api/shop/rates", setRatesSchema, ratesSchema);

/** Who stands at the head of what is handed out. */
export const letterheadSchema = z.strictObject({
  name: z.string().trim().min(1, say.sayWhoHandsItOut).max(80),
  contact: z.string().trim().max(200),
});
export type Letterhead = Readonly<z.output<typeof letterheadSchema>>;
export const setLetterheadSchema = z.strictObject({ id: z.uuid(), actor: actorSchema, ...letterheadSchema.shape });
export const setLetterhead = sends(() => "/api/shop/letterhead", setLetterheadSchema, letterheadSchema);

/** How many there are of what is few; null: enough. */
const few = z
  .number(say.placesAreCounted)
  .int(say.placesAreCounted)
  .min(1, say.placesAreCounted)
  .max(50, say.placesAreCounted)
  .nullable();

/**
 * Whose hands there are, at how many places a unit can be run at once, at how many of them with water, and how many
 * supplies of low voltage there are.
 */
export const crewSchema = z.strictObject({
  people: z
    .array(z.string().trim().min(1, say.sayWhoIsHere).max(80, say.aNameIsShorter))
    .min(1, say.sayWhoIsHere)
    .max(12, say.soManyHands),
  places: few,
  water: few.default(null),
  supplies: few.default(null),
});
export type Crew = Readonly<z.output<typeof crewSchema>>;
export const setCrewSchema = z.strictObject({ id: z.uuid(), actor: actorSchema, ...crewSchema.shape });
export const setCrew = sends(() => "/api/shop/crew", setCrewSchema, crewSchema);
