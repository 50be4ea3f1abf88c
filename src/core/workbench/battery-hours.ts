import { quantityText } from "../quantity";
import { formula, positive, Refused, type Given, type Sheet, type Tool } from "./tool";

/** Exponent of a lead-acid battery where its sheet says none; from memory. */
const LEAD_ACID = 1.2;

/**
 * Hours that a battery lasts at a steady current: t = H (C / (I H))^k, with its capacity C named for H hours. Peukert's
 * law, 1897; from memory. `ampereHours`, `rateHours` and `amps` above zero, `exponent` at least 1.
 */
export function batteryHours(ampereHours: number, rateHours: number, amps: number, exponent: number): number {
  return rateHours * (ampereHours / (amps * rateHours)) ** exponent;
}

function work(given: Given): Sheet {
  const [capacity, amps] = [given.number("capacity"), given.number("amps")];
  const [rate, exponent] = [given.number("rate") ?? 20, given.number("exponent") ?? LEAD_ACID];
  if (capacity === undefined) throw new Refused("Type its capacity.", "capacity");
  if (amps === undefined) throw new Refused("Type the current.", "amps");
  positive(capacity, "The capacity", "capacity");
  positive(amps, "The current", "amps");
  positive(rate, "The hours", "rate");
  if (exponent < 1) throw new Refused("An exponent is 1 or more.", "exponent");
  const hours = batteryHours(capacity, rate, amps, exponent);
  const round = (value: number) => Number(value.toPrecision(3));
  return {
    lines: [
      {
        label: "Lasts",
        text: `${round(hours)} h`,
        big: true,
        formula: formula(
          "t = H (C / (I H))^k",
          `${rate} (${capacity} / (${round(amps)} · ${rate}))^${exponent}`,
          `${round(hours)} h`,
        ),
        source: "Peukert's law, 1897, from memory",
      },
      { label: "Gives until then", text: `${round(hours * amps)} Ah of ${capacity} Ah` },
      {
        label: "Half of it, which spares a lead battery",
        text: `${round(hours / 2)} h at ${quantityText(amps, "amperes", given.liked)}`,
      },
    ],
    cautions: ["Rings off, no spanner across it; its black lead comes off first and goes on last."],
    notes: ["Cold takes a third of it at freezing, age takes the rest: measure under load before you trust it."],
  };
}

/** How long a battery lasts at a steady load. */
export const batteryHoursTool: Tool = {
  id: "battery",
  name: "Battery hours",
  group: "Loads",
  words: "How long a battery carries a load",
  fields: [
    { key: "capacity", label: "Capacity, Ah", quantity: "plain", min: 0 },
    { key: "rate", label: "Named for, hours", quantity: "plain", hint: "20", min: 0 },
    { key: "amps", label: "Steady current", quantity: "amperes", min: 0 },
    { key: "exponent", label: "Exponent", quantity: "plain", hint: String(LEAD_ACID), min: 1, max: 2 },
  ],
  work,
};
