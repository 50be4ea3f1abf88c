import { quantityText } from "../quantity";
import { formula, positive, Refused, type Given, type Line, type Sheet, type Tool } from "./tool";
import { say } from "#words/core/workbench/discharge";

/**
 * Volts of direct current up to which a charged capacitor may be touched (the common limit of 60 V for DC; IEC 61140,
 * from memory).
 */
export const SAFE_VOLTS = 60;

/** Joules in a capacitor. */
export function storedEnergy(farads: number, volts: number): number {
  return 0.5 * farads * volts * volts;
}

/** Seconds until a capacitor falls from `from` to `to` volts through `ohms`: R C ln(V1 / V2). */
export function dischargeSeconds(farads: number, ohms: number, from: number, to: number): number {
  return from <= to ? 0 : ohms * farads * Math.log(from / to);
}

/** Ohms through which it falls from `from` to `to` volts in `seconds`. */
export function dischargeOhms(farads: number, seconds: number, from: number, to: number): number {
  return seconds / (farads * Math.log(from / to));
}

function work(given: Given): Sheet {
  const [farads, volts] = [given.number("farads"), given.number("volts")];
  if (farads === undefined || volts === undefined)
    throw new Refused(say.typeTheCapacitorAndThe, farads === undefined ? "farads" : "volts");
  positive(farads, say.theCapacitor, "farads");
  const safe = given.number("safe") ?? SAFE_VOLTS;
  positive(safe, say.theSafeVoltage, "safe");
  const joules = storedEnergy(farads, volts);
  const lines: Line[] = [
    {
      label: say.stored,
      text: quantityText(joules, "joules"),
      big: true,
      formula: formula(
        "E = ½ C V²",
        `½ × ${quantityText(farads, "farads")} × ${quantityText(volts, "volts")}²`,
        quantityText(joules, "joules"),
      ),
      source: say.textbookFromAbout10J,
    },
  ];
  if (volts <= safe) lines.push({ label: say.belowTheSafeVoltage, text: "already" });
  const ohms = given.number("ohms");
  if (ohms !== undefined) {
    positive(ohms, say.theResistor, "ohms");
    const t = dischargeSeconds(farads, ohms, volts, safe);
    lines.push(
      {
        label: say.belowSafeAfter(quantityText(safe, "volts")),
        text: quantityText(t, "seconds"),
        formula: formula(
          "t = R C ln(V1 / V2)",
          `${quantityText(ohms, "ohms")} × ${quantityText(farads, "farads")} × ` +
            `ln(${quantityText(volts, "volts")} / ${quantityText(safe, "volts")})`,
          quantityText(t, "seconds"),
        ),
        source: say.firstOrderDecayTextbook,
      },
      { label: say.theResistorTakesAtFirst, text: quantityText((volts * volts) / ohms, "watts") },
    );
  }
  const within = given.number("within") ?? 10;
  if (volts > safe) {
    const r = dischargeOhms(farads, within, volts, safe);
    lines.push({
      label: say.resistorForWithin(quantityText(within, "seconds")),
      text: say.forAtFirst(quantityText(r, "ohms"), quantityText((volts * volts) / r, "watts")),
      formula: formula(
        "R = t / (C ln(V1 / V2))",
        `${quantityText(within, "seconds")} / (${quantityText(farads, "farads")} × ` +
          `ln(${quantityText(volts, "volts")} / ${quantityText(safe, "volts")}))`,
        quantityText(r, "ohms"),
      ),
      source: say.firstOrderDecayTextbook,
    });
  }
  return {
    lines,
    cautions: [say.neverWithAScrewdriverThrough, say.aCapacitorCreepsUpAgain],
    notes: [say.aPlugsOwnPinsAt],
  };
}

/** What a capacitor holds and how it is made safe. */
export const dischargeTool: Tool = {
  id: "discharge",
  name: say.storedCharge,
  group: "boards",
  words: say.energyWaitingTimeDischargeResistor,
  fields: [
    { key: "farads", label: say.capacitor, quantity: "farads", hint: "220u" },
    { key: "volts", label: say.voltsOnIt, quantity: "volts", min: 0, hint: "325" },
    { key: "ohms", label: say.bleederOrResistor, quantity: "ohms", hint: say.emptyNoneKnown },
    { key: "within", label: say.wantedWithin, quantity: "seconds", hint: "10 s" },
    { key: "safe", label: say.safeBelow, quantity: "volts", hint: "60", min: 0 },
  ],
  work,
};
