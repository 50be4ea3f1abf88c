import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { foldUnit, serialKey, unitEventSchema, type UnitEvent } from "../../../src/core/journal/unit-events";
import { shopEventSchema } from "../../../src/core/journal/shop-events";

const registered: UnitEvent = {
  type: "registered",
  site: "Larch Pass Hut",
  machine: "m",
  serial: "AB 12",
  productCode: "911 4",
  productIndex: "03",
};

const stored = (name: string) =>
  JSON.parse(readFileSync(new URL(`../../journals/${name}`, import.meta.url), "utf8")) as unknown[];

describe("entries as version 1 stored them", () => {
  it("of a unit are read for ever, every type of them", () => {
    const events = stored("v1-unit.stream.json").map((e) => unitEventSchema.parse(e));
    expect(new Set(events.map((e) => e.type))).toEqual(new Set(unitEventSchema.options.map((o) => o.shape.type.value)));
    expect(foldUnit(events)).toEqual({
      site: "Larch Pass Hut",
      machine: "quellmoor-sb-210",
      serial: null,
      productCode: "7210 014",
      productIndex: "00",
      mergedInto: "5f6a3e1c-0c0a-4b5e-9d10-000000000009",
    });
  });

  it("of the shop are read for ever, every type of them", () => {
    const events = stored("v1-shop.stream.json").map((e) => shopEventSchema.parse(e));
    expect(new Set(events.map((e) => e.type))).toEqual(new Set(shopEventSchema.options.map((o) => o.shape.type.value)));
  });
});

describe("the stream of a unit", () => {
  it("folds to the plate as last corrected, and to where it was merged", () => {
    expect(foldUnit([])).toBeNull();
    expect(foldUnit([{ type: "corrected", site: "x", words: "" }])).toBeNull();
    const corrected: UnitEvent = { type: "corrected", serial: null, site: "Upper Cairn Hut", words: "moved" };
    expect(foldUnit([registered, corrected])).toEqual({
      site: "Upper Cairn Hut",
      machine: "m",
      serial: null,
      productCode: "911 4",
      productIndex: "03",
      mergedInto: null,
    });
    const into = "0b0e8f6e-6a3c-4c57-9a53-000000000001";
    expect(foldUnit([registered, { type: "merged", into }])!.mergedInto).toBe(into);
    // Registered once: a second registration changes nothing.
    expect(foldUnit([registered, { ...registered, site: "elsewhere" }])!.site).toBe("Larch Pass Hut");
  });

  it("compares serial numbers without case and blanks", () => {
    expect(serialKey(" Ab 12\t-c ")).toBe("ab12-c");
    expect(serialKey("ＡＢ１２")).toBe("ab12");
    expect(serialKey(null)).toBeNull();
  });

  it("has entries that are read strictly; what it does not know it does not take", () => {
    expect(unitEventSchema.safeParse(registered).success).toBe(true);
    expect(unitEventSchema.safeParse({ ...registered, colour: "red" }).success).toBe(false);
    expect(unitEventSchema.safeParse({ ...registered, serial: "" }).success).toBe(false);
    const rates = { type: "rates set", currency: "EUR", hour: 90, callback: 60, markup: 0.3 };
    expect(shopEventSchema.safeParse(rates).success).toBe(true);
    expect(shopEventSchema.safeParse({ ...rates, currency: "euro" }).success).toBe(false);
  });
});
