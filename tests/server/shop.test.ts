import { randomUUID as uuid } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { POST as set } from "../../src/app/api/shop/rates/route";
import { shopRates } from "../../src/server/shop";
import { closeShop, posted, prepareShop, said } from "../support/shop";

beforeAll(prepareShop);
afterAll(closeShop);

const rates = (more: object = {}) => ({ id: uuid(), actor: "Ida", hour: 90, callback: 75, ...more });

describe("what the shop reckons with", () => {
  it("is kept in the stream of the shop, the last word counts, and the same sent twice is one", async () => {
    const first = rates();
    for (let i = 0; i < 2; i++) expect((await set(posted(first))).status).toBe(200);
    expect(await shopRates()).toEqual({ hour: 90, callback: 75, currency: "XXX" });
    await set(posted(rates({ hour: 120 })));
    expect(await shopRates()).toEqual({ hour: 120, callback: 75, currency: "XXX" });
    await set(posted(rates({ currency: "EUR" })));
    expect(await shopRates()).toEqual({ hour: 90, callback: 75, currency: "EUR" });
    await set(posted(rates({ hour: 120 })));
    // An old one sent again changes nothing.
    await set(posted(first));
    expect(await shopRates()).toEqual({ hour: 120, callback: 75, currency: "XXX" });
  });

  it.each([
    ["below zero", { hour: -1 }],
    ["no number", { callback: "much" }],
    ["nobody's", { actor: " " }],
    ["of a field too much", { colour: "red" }],
    ["in what is no currency", { currency: "euro" }],
  ])("is refused %s, and stays as it was", async (_name, more) => {
    const before = await shopRates();
    expect((await said(await set(posted(rates(more))))).status).toBe(400);
    expect(await shopRates()).toEqual(before);
  });
});
