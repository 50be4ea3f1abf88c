import { quantityText } from "../quantity";
import { formula, positive, Refused, type Given, type Sheet, type Tool } from "./tool";
import { say } from "#words/core/workbench/battery-hours";

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
  if (capacity === undefined) throw new Refused(say.typeItsCapacity, "capacity");
  if (amps === undefined) throw new Refused(say.typeTheCurrent, "amps");
  positive(capacity, say.theCapacity, "capacity");
  positive(amps, say.theCurrent, "amps");
  positive(rate, say.theHours, "rate");
  if (exponent < 1) throw new Refused(say.anExponentIs1Or, "exponent");
  const hours = batteryHours(capacity, rate, amps, exponent);
  const round = (value: number) => Number(value.toPrecision(3));
  return {
    lines: [
      {
        label: say.lasts,
        text: `${round(hours)} h`,
        big: true,
        formula: formula(
          "t = H (C / (I H))^k",
          `${rate} (${capacity} / (${round(amps)} · ${rate}))^${exponent}`,
          `${round(hours)} h`,
        ),
        source: say.peukertsLaw1897FromMemory,
      },
      { label: say.givesUntilThen, text: say.ahOfAh(round(hours * amps), capacity) },
      {
        label: say.halfOfItWhichSpares,
        text: `${round(hours / 2)} h at ${quantityText(amps, "amperes", given.liked)}`,
      },
    ],
    cautions: [say.ringsOffNoSpannerAcross],
    notes: [say.coldTakesAThirdOf],
  };
}

/** How long a battery lasts at a steady load. */
export const batteryHoursTool: Tool = {
  id: "battery",
  name: say.batteryHours,
  group: "loads",
  words: say.howLongABatteryCarries,
  fields: [
    { key: "capacity", label: say.capacityAh, quantity: "plain", min: 0 },
    { key: "rate", label: say.namedForHours, quantity: "plain", hint: "20", min: 0 },
    { key: "amps", label: say.steadyCurrent, quantity: "amperes", min: 0 },
    { key: "exponent", label: say.exponent, quantity: "plain", hint: String(LEAD_ACID), min: 1, max: 2 },
  ],
  work,
};
