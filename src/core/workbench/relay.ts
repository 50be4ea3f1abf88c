import { quantityText } from "../quantity";
import { formula, positive, Refused, type Given, type Line, type Sheet, type Tool, type Verdict } from "./tool";
import { ratings } from "../model";

/** Kinds of load by what they ask of a contact. */
export const CONTACT_LOADS = {
  resistive: { words: "heater, resistive", share: 1, why: "its rated current" },
  motor: { words: "motor or compressor", share: 0.4, why: "the inrush of a rotor at rest" },
  lamp: { words: "filament lamp", share: 0.15, why: "a cold filament takes ten times its current" },
  capacitor: {
    words: "supply or capacitor",
    share: 0.15,
    why: "a capacitor charges through the closing contact, and welds it",
  },
  coil: { words: "valve or contactor coil", share: 0.4, why: "the coil feeds the arc when it opens" },
} as const;
export type ContactLoad = keyof typeof CONTACT_LOADS;

/**
 * How much of its rating a contact may carry, as a share, for a kind of load (from memory); direct current above 30 V
 * puts out no arc by itself, and a contact rated for alternating current keeps a tenth of it.
 */
export function contactShare(load: ContactLoad, direct: boolean, volts: number): number {
  return CONTACT_LOADS[load].share * (direct && volts > 30 ? 0.1 : 1);
}

/** What a coil draws: amperes and watts. */
export function coilDraw(volts: number, ohms: number): { readonly amps: number; readonly watts: number } {
  positive(volts, "Coil volts", "coilVolts");
  positive(ohms, "Coil ohms", "coilOhms");
  return { amps: volts / ohms, watts: (volts * volts) / ohms };
}

function work(given: Given): Sheet {
  const lines: Line[] = [];
  const verdicts: Verdict[] = [];
  const [coilVolts, coilOhms, coilAmps] = [
    given.number("coilVolts"),
    given.number("coilOhms"),
    given.number("coilAmps"),
  ];
  const ohms = coilOhms ?? (coilVolts !== undefined && coilAmps ? coilVolts / coilAmps : undefined);
  if (coilVolts !== undefined && ohms !== undefined) {
    const coil = coilDraw(coilVolts, ohms);
    lines.push(
      {
        label: "Coil",
        text: `${quantityText(coil.amps, "amperes")}, ${quantityText(coil.watts, "watts")}`,
        big: true,
        formula: formula(
          "I = V / R",
          `${quantityText(coilVolts, "volts")} / ${quantityText(ohms, "ohms")}`,
          quantityText(coil.amps, "amperes"),
        ),
        source: "Ohm's and Joule's laws",
      },
      {
        label: "Pulls in, drops out",
        text: `above ${quantityText(0.75 * coilVolts, "volts")}, below ${quantityText(0.1 * coilVolts, "volts")}`,
        source: "usual data sheets, 75 % and 10 %, from memory",
      },
      { label: "Its driver carries", text: quantityText(coil.amps, "amperes") },
    );
    const measured = given.number("measuredCoil");
    if (measured !== undefined)
      if (measured === Infinity || measured > 5 * ohms)
        verdicts.push({ kind: "bad", words: "Coil open.", mode: "coil-open" });
      else if (Math.abs(measured / ohms - 1) > 0.15)
        verdicts.push({
          kind: "unsure",
          words: measured < ohms ? "Coil low: a diode across it? Swap the leads." : "Coil high: a poor joint.",
        });
      else verdicts.push({ kind: "good", words: "Coil good." });
  }
  const [rated, load] = [given.number("rated"), given.number("load")];
  if (rated !== undefined && load !== undefined) {
    positive(rated, "The contact's rating", "rated");
    const sort = given.text("sort") as ContactLoad;
    const direct = given.text("current") === "dc";
    const share = contactShare(sort, direct, given.number("loadVolts") ?? 230);
    const used = load / (rated * share);
    lines.push({
      label: "Contact used",
      text: `${quantityText(used, "share")} of what it may carry here`,
      big: true,
      formula: formula(
        "I / (rating × k)",
        `${quantityText(load, "amperes")} / (${quantityText(rated, "amperes")} × ${share})`,
        quantityText(used, "share"),
      ),
      source: `k ${share} for a ${CONTACT_LOADS[sort].words}${direct ? ", direct current" : ""}, from memory: ${CONTACT_LOADS[sort].why}`,
    });
    if (used > 1) verdicts.push({ kind: "bad", words: `Too much for this contact: ${CONTACT_LOADS[sort].why}.` });
    else if (used > 0.8) verdicts.push({ kind: "unsure", words: "It may, with little to spare." });
    else verdicts.push({ kind: "good", words: "The contact carries it." });
  }
  const [drop, through] = [given.number("drop"), given.number("through") ?? load];
  if (drop !== undefined) {
    if (through === undefined) throw new Refused("Clamp the current too: a drop alone says nothing.", "through");
    const watts = Math.abs(drop) * through;
    lines.push({
      label: "Heat in the contact",
      text: quantityText(watts, "watts"),
      formula: formula(
        "P = V I",
        `${quantityText(Math.abs(drop), "volts")} × ${quantityText(through, "amperes")}`,
        quantityText(watts, "watts"),
      ),
      source: "Joule's law; above 2 W it burns, common practice, no source",
    });
    if (watts > 2) verdicts.push({ kind: "bad", words: "The contact burns: replace the relay.", mode: "contact-open" });
    else if (watts > 0.5) verdicts.push({ kind: "unsure", words: "The contact is worn." });
    else verdicts.push({ kind: "good", words: "The contact is good." });
  }
  if (given.text("closes") || given.text("opens")) {
    const [closes, opens] = [given.text("closes"), given.text("opens")];
    if (closes === "no")
      verdicts.push({ kind: "bad", words: "Does not close: coil fed and heard?", mode: "contact-open" });
    else if (opens === "no")
      verdicts.push({
        kind: "bad",
        words: "Does not open again: welded. Find what it carried before a new one goes in.",
        mode: "welded",
      });
    else if (closes === "yes" && opens === "yes") verdicts.push({ kind: "good", words: "It closes, and opens again." });
    else verdicts.push({ kind: "unsure", words: "Half a test: a relay is proven by closing and by opening again." });
  }
  if (lines.length === 0 && verdicts.length === 0)
    throw new Refused("Type the coil's volts and ohms, or the contact's rating and load.");
  const verdict = verdicts.find((v) => v.kind === "bad") ?? verdicts.find((v) => v.kind === "unsure") ?? verdicts[0];
  return {
    lines,
    ...(verdict ? { verdict } : {}),
    cautions: ["Coil and contact are two circuits: low voltage on one side, mains a millimetre beside it."],
    notes: [...new Set(verdicts.filter((v) => v !== verdict).map((v) => v.words))],
  };
}

/** A relay's coil and contact. */
export const relayTool: Tool = {
  id: "relay",
  name: "Relay",
  group: "Boards",
  words: "Coil, driver, contact by kind of load",
  fields: [
    { key: "coilVolts", label: "Coil volts", quantity: "volts", under: "Coil", min: 0 },
    { key: "coilOhms", label: "Coil ohms", quantity: "ohms", under: "Coil" },
    { key: "coilAmps", label: "or coil current", quantity: "amperes", under: "Coil" },
    { key: "measuredCoil", label: "Measured ohms", quantity: "ohms", under: "Coil" },
    { key: "rated", label: "Contact rating", quantity: "amperes", under: "Contact" },
    { key: "load", label: "Load current", quantity: "amperes", under: "Contact" },
    {
      key: "sort",
      label: "Load",
      choices: Object.entries(CONTACT_LOADS).map(([k, v]) => [k, v.words] as const),
      preset: "resistive",
      under: "Contact",
    },
    {
      key: "current",
      label: "Current",
      choices: [
        ["ac", "AC"],
        ["dc", "DC"],
      ],
      preset: "ac",
      under: "Contact",
    },
    { key: "loadVolts", label: "Load volts", quantity: "volts", under: "Contact", hint: "230", min: 0 },
    { key: "drop", label: "Drop across it", quantity: "volts", under: "Measured" },
    { key: "through", label: "at a current of", quantity: "amperes", under: "Measured" },
    {
      key: "closes",
      label: "It closes",
      choices: [
        ["", "–"],
        ["yes", "yes"],
        ["no", "no"],
      ],
      preset: "",
      under: "Measured",
    },
    {
      key: "opens",
      label: "It opens again",
      choices: [
        ["", "–"],
        ["yes", "yes"],
        ["no", "no"],
      ],
      preset: "",
      under: "Measured",
    },
  ],
  work,
  fill(part) {
    const f = ratings(part);
    return { coilVolts: String(f.coilVolts), coilOhms: String(f.coilOhms), rated: String(f.contactAmps) };
  },
};
