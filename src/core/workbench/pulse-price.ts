import { quantityText } from "../quantity";
import { formula, Refused, type Given, type Sheet, type Tool, type Verdict } from "./tool";
import { say } from "#words/core/workbench/pulse-price";

/** How a price is taken in pulses of a fixed value. Money in the smallest coin, whole numbers. */
export interface PulsePrice {
  readonly pulses: number;
  /** What is charged when pulses are counted up to the price. */
  readonly charged: number;
  /** Charged less the price: never below nothing. */
  readonly over: number;
}

/** Pulses for a price: as many as reach it. Throws `Refused` for values not above nothing. */
export function pulsesFor(price: number, pulse: number): PulsePrice {
  if (!(price > 0) || !(pulse > 0)) throw new Refused(say.priceAndPulseValueMust, price > 0 ? "pulse" : "price");
  const pulses = Math.ceil(price / pulse - 1e-9);
  return { pulses, charged: pulses * pulse, over: pulses * pulse - price };
}

function work(given: Given): Sheet {
  const [price, pulse, count] = [given.number("price"), given.number("pulse"), given.number("count")];
  const cents = (v: number) => Math.round(v * 100);
  if (pulse === undefined || (price === undefined && count === undefined))
    throw new Refused(say.typeWhatOnePulseIs, pulse === undefined ? "pulse" : "price");
  if (price === undefined)
    return {
      lines: [
        {
          label: say.theCustomerIsCharged,
          text: quantityText(count! * pulse, "money"),
          big: true,
          formula: formula(
            say.countValue,
            `${count} × ${quantityText(pulse, "money")}`,
            quantityText(count! * pulse, "money"),
          ),
        },
      ],
      cautions: [],
      notes: [],
    };
  const p = pulsesFor(cents(price), cents(pulse));
  const asked = count ?? p.pulses;
  return {
    lines: [
      {
        label: say.pulses,
        text: String(p.pulses),
        big: true,
        formula: formula(
          say.nPriceValueUp,
          `${quantityText(price, "money")} / ${quantityText(pulse, "money")}`,
          String(p.pulses),
        ),
      },
      {
        label: say.theCustomerIsCharged,
        text: quantityText((asked * cents(pulse)) / 100, "money"),
        formula: formula(
          "n × value",
          `${asked} × ${quantityText(pulse, "money")}`,
          quantityText((asked * cents(pulse)) / 100, "money"),
        ),
      },
      { label: say.remainder, text: quantityText((cents(price) % cents(pulse)) / 100, "money") },
    ],
    verdict: verdictOf(asked, p),
    cautions: [],
    notes: [],
  };
}

/** Prices in pulses. */
export const pulsePriceTool: Tool = {
  id: "pulses",
  name: say.pulsesAndPrices,
  group: "records",
  words: say.pricePulseValueCountWhat,
  fields: [
    { key: "price", label: say.price, quantity: "money", hint: "2.50" },
    { key: "pulse", label: say.onePulseIsWorth, quantity: "money", hint: "0.25" },
    { key: "count", label: say.countSet, quantity: "plain", max: 10000 },
  ],
  work,
};

function verdictOf(asked: number, p: PulsePrice): Verdict {
  if (asked !== p.pulses)
    return {
      kind: "bad",
      words: asked < p.pulses ? say.setTooLowItSells : say.setTooHighItTakes,
    };
  if (p.over > 0)
    return {
      kind: "unsure",
      words: say.thePriceIsNoWhole(quantityText(p.over / 100, "money")),
    };
  return { kind: "good", words: say.itComesOutEven };
}
