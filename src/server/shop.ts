import { and, desc, eq } from "drizzle-orm";
import type { z } from "zod";
import type { Rates, setRatesSchema } from "../contract/shop";
import { SHOP_STREAM, shopEventSchema } from "../core/journal";
import { database, inTransaction } from "./db";
import { refuseWhenFull } from "./disk";
import { events } from "./schema";
import { appendToShop, bodyOf } from "./streams";

/** What the shop reckons with, as it was last said; null: nobody has said. */
export async function shopRates(): Promise<Rates | null> {
  const [row] = await database()
    .select({ body: events.body })
    .from(events)
    .where(and(eq(events.stream, SHOP_STREAM), eq(events.type, "rates set")))
    .orderBy(desc(events.seq))
    .limit(1);
  const said = row ? shopEventSchema.safeParse(bodyOf(row)) : null;
  if (!said?.success || said.data.type !== "rates set") return null;
  return { hour: said.data.hour, callback: said.data.callback, currency: said.data.currency };
}

/** Sets what the shop reckons with, for everybody who works here. The same id is taken once. Throws a `Refusal`. */
export async function setShopRates(input: z.output<typeof setRatesSchema>, now: Date): Promise<Rates> {
  refuseWhenFull();
  const { id, actor, hour, callback, currency } = input;
  const body = { type: "rates set" as const, currency, hour, callback, markup: 0 };
  await inTransaction((tx) => appendToShop(tx, { id, v: 1, actor, body }, now));
  return { hour, callback, currency };
}
