import { quantityText } from "../quantity";
import { formula, positive, Refused, type Given, type Line, type Sheet, type Tool } from "./tool";

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
    throw new Refused("Type the capacitor and the volts on it.", farads === undefined ? "farads" : "volts");
  positive(farads, "The capacitor", "farads");
  const safe = given.number("safe") ?? SAFE_VOLTS;
  positive(safe, "The safe voltage", "safe");
  const joules = storedEnergy(farads, volts);
  const lines: Line[] = [
    {
      label: "Stored",
      text: quantityText(joules, "joules"),
      big: true,
      formula: formula(
        "E = ½ C V²",
        `½ × ${quantityText(farads, "farads")} × ${quantityText(volts, "volts")}²`,
        quantityText(joules, "joules"),
      ),
      source: "textbook; from about 10 J a shock can kill, from memory",
    },
  ];
  if (volts <= safe) lines.push({ label: "Below the safe voltage", text: "already" });
  const ohms = given.number("ohms");
  if (ohms !== undefined) {
    positive(ohms, "The resistor", "ohms");
    const t = dischargeSeconds(farads, ohms, volts, safe);
    lines.push(
      {
        label: `Below ${quantityText(safe, "volts")} after`,
        text: quantityText(t, "seconds"),
        formula: formula(
          "t = R C ln(V1 / V2)",
          `${quantityText(ohms, "ohms")} × ${quantityText(farads, "farads")} × ` +
            `ln(${quantityText(volts, "volts")} / ${quantityText(safe, "volts")})`,
          quantityText(t, "seconds"),
        ),
        source: "first-order decay, textbook",
      },
      { label: "The resistor takes at first", text: quantityText((volts * volts) / ohms, "watts") },
    );
  }
  const within = given.number("within") ?? 10;
  if (volts > safe) {
    const r = dischargeOhms(farads, within, volts, safe);
    lines.push({
      label: `Resistor for ${quantityText(within, "seconds")}`,
      text: `${quantityText(r, "ohms")}, for ${quantityText((volts * volts) / r, "watts")} at first`,
      formula: formula(
        "R = t / (C ln(V1 / V2))",
        `${quantityText(within, "seconds")} / (${quantityText(farads, "farads")} × ` +
          `ln(${quantityText(volts, "volts")} / ${quantityText(safe, "volts")}))`,
        quantityText(r, "ohms"),
      ),
      source: "first-order decay, textbook",
    });
  }
  return {
    lines,
    cautions: [
      "Never with a screwdriver: through a resistor, with insulated clips; then measure. Dead is what the meter says.",
      "A capacitor creeps up again by itself: leave the resistor on while you work.",
    ],
    notes: [
      "A plug's own pins: at most 34 V one second after unplugging (IEC 60335-1, 22.5). That is no rule for the bulk capacitor.",
    ],
  };
}

/** What a capacitor holds and how it is made safe. */
export const dischargeTool: Tool = {
  id: "discharge",
  name: "Stored charge",
  group: "Boards",
  words: "Energy, waiting time, discharge resistor",
  fields: [
    { key: "farads", label: "Capacitor", quantity: "farads", hint: "220u" },
    { key: "volts", label: "Volts on it", quantity: "volts", min: 0, hint: "325" },
    { key: "ohms", label: "Bleeder or resistor", quantity: "ohms", hint: "empty: none known" },
    { key: "within", label: "Wanted within", quantity: "seconds", hint: "10 s" },
    { key: "safe", label: "Safe below", quantity: "volts", hint: "60", min: 0 },
  ],
  work,
};
