import { and, desc, eq } from "drizzle-orm";
import type { z } from "zod";
import type { Crew, Letterhead, Rates, setCrewSchema, setLetterheadSchema, setRatesSchema } from "../contract/shop";
import { SHOP_STREAM, type ShopEvent, shopEventSchema } from "../core/journal";
import { database, inTransaction } from "./db";
import { refuseWhenFull } from "./disk";
import { events } from "./schema";
import { appendToShop, bodyOf } from "./streams";

/** What was last said of the shop by an entry of a type; null: nothing, or nothing that can be read. */
async function lastSaid<T extends ShopEvent["type"]>(type: T): Promise<Extract<ShopEvent, { type: T }> | null> {
  const [row] = await database()
    .select({ body: events.body })
    .from(events)
    .where(and(eq(events.stream, SHOP_STREAM), eq(events.type, type)))
    .orderBy(desc(events.seq))
    .limit(1);
  const said = row ? shopEventSchema.safeParse(bodyOf(row)) : null;
  return said?.success && said.data.type === type ? (said.data as Extract<ShopEvent, { type: T }>) : null;
}

/** What the shop reckons with, as it was last said; null: nobody has said. */
export async function shopRates(): Promise<Rates | null> {
  const said = await lastSaid("rates set");
  return said && { hour: said.hour, callback: said.callback, currency: said.currency };
}

/** Who stands at the head of what is handed out; null: nobody has said. */
export async function shopLetterhead(): Promise<Letterhead | null> {
  const said = await lastSaid("letterhead set");
  return said && { name: said.name, contact: said.contact };
}

/** Whose hands there are, as it was last said; null: nobody has said. */
export async function shopCrew(): Promise<Crew | null> {
  const said = await lastSaid("crew set");
  return said && crewIn(said);
}

/** Sets whose hands there are, for everybody. The same id is taken once. Throws a `Refusal`. */
export async function setShopCrew(input: z.output<typeof setCrewSchema>, now: Date): Promise<Crew> {
  refuseWhenFull();
  const { id, actor, ...crew } = input;
  await inTransaction((tx) => appendToShop(tx, { id, v: 1, actor, body: { type: "crew set", ...crew } }, now));
  return crew;
}

const crewIn = ({ people, places, water, supplies }: Extract<ShopEvent, { type: "crew set" }>): Crew => ({
  people,
  places,
  water: water ?? null,
  supplies: supplies ?? null,
});

/** Sets the head of what is handed out. The same id is taken once. Throws a `Refusal`. */
export async function setShopLetterhead(input: z.output<typeof setLetterheadSchema>, now: Date): Promise<Letterhead> {
  refuseWhenFull();
  const { id, actor, name, contact } = input;
  await inTransaction((tx) =>
    appendToShop(tx, { id, v: 1, actor, body: { type: "letterhead set", name, contact } }, now),
  );
  return { name, contact };
}

/** Sets what the shop reckons with, for everybody who works here. The same id is taken once. Throws a `Refusal`. */
export async function setShopRates(input: z.output<typeof setRatesSchema>, now: Date): Promise<Rates> {
  refuseWhenFull();
  const { id, actor, hour, callback, currency } = input;
  const body = { type: "rates set" as const, currency, hour, callback, markup: 0 };
  await inTransaction((tx) => appendToShop(tx, { id, v: 1, actor, body }, now));
  return { hour, callback, currency };
}
