import { quantityText } from "../quantity";
import { formula, positive, Refused, type Given, type Line, type Sheet, type Tool, type Verdict } from "./tool";
import { ratings } from "../model";
import { say } from "#words/core/workbench/relay";

/** Kinds of load by what they ask of a contact. */
export const CONTACT_LOADS = {
  resistive: { words: say.heaterResistive, share: 1, why: say.itsRatedCurrent },
  motor: { words: say.motorOrCompressor, share: 0.4, why: say.theInrushOfARotor },
  lamp: { words: say.filamentLamp, share: 0.15, why: "a cold filament takes ten times its current" },
  capacitor: {
    words: say.supplyOrCapacitor,
    share: 0.15,
    why: say.aCapacitorChargesThroughThe,
  },
  coil: { words: say.valveOrContactorCoil, share: 0.4, why: say.theCoilFeedsTheArc },
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
  positive(volts, say.coilVolts, "coilVolts");
  positive(ohms, say.coilOhms, "coilOhms");
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
        label: say.coil,
        text: `${quantityText(coil.amps, "amperes")}, ${quantityText(coil.watts, "watts")}`,
        big: true,
        formula: formula(
          "I = V / R",
          `${quantityText(coilVolts, "volts")} / ${quantityText(ohms, "ohms")}`,
          quantityText(coil.amps, "amperes"),
        ),
        source: say.ohmsAndJoulesLaws,
      },
      {
        label: say.pullsInDropsOut,
        text: say.aboveCoilVoltsBelowCoil(
          quantityText(0.75 * coilVolts, "volts"),
          quantityText(0.1 * coilVolts, "volts"),
        ),
        source: say.usualDataSheets75And,
      },
      { label: say.itsDriverCarries, text: quantityText(coil.amps, "amperes") },
    );
    const measured = given.number("measuredCoil");
    if (measured !== undefined)
      if (measured === Infinity || measured > 5 * ohms)
        verdicts.push({ kind: "bad", words: say.coilOpen, mode: "coil-open" });
      else if (Math.abs(measured / ohms - 1) > 0.15)
        verdicts.push({
          kind: "unsure",
          words: measured < ohms ? say.coilLowADiodeAcross : say.coilHighAPoorJoint,
        });
      else verdicts.push({ kind: "good", words: say.coilGood });
  }
  const [rated, load] = [given.number("rated"), given.number("load")];
  if (rated !== undefined && load !== undefined) {
    positive(rated, say.theContactsRating, "rated");
    const sort = given.text("sort") as ContactLoad;
    const direct = given.text("current") === "dc";
    const share = contactShare(sort, direct, given.number("loadVolts") ?? 230);
    const used = load / (rated * share);
    lines.push({
      label: say.contactUsed,
      text: say.ofWhatItMayCarry(quantityText(used, "share")),
      big: true,
      formula: formula(
        "I / (rating × k)",
        `${quantityText(load, "amperes")} / (${quantityText(rated, "amperes")} × ${share})`,
        quantityText(used, "share"),
      ),
      source: say.kForAFromMemory(
        share,
        CONTACT_LOADS[sort].words,
        direct ? say.directCurrent : "",
        CONTACT_LOADS[sort].why,
      ),
    });
    if (used > 1) verdicts.push({ kind: "bad", words: say.tooMuchForThisContact(CONTACT_LOADS[sort].why) });
    else if (used > 0.8) verdicts.push({ kind: "unsure", words: say.itMayWithLittleTo });
    else verdicts.push({ kind: "good", words: say.theContactCarriesIt });
  }
  const [drop, through] = [given.number("drop"), given.number("through") ?? load];
  if (drop !== undefined) {
    if (through === undefined) throw new Refused(say.clampTheCurrentTooA, "through");
    const watts = Math.abs(drop) * through;
    lines.push({
      label: say.heatInTheContact,
      text: quantityText(watts, "watts"),
      formula: formula(
        "P = V I",
        `${quantityText(Math.abs(drop), "volts")} × ${quantityText(through, "amperes")}`,
        quantityText(watts, "watts"),
      ),
      source: say.joulesLawAbove2W,
    });
    if (watts > 2) verdicts.push({ kind: "bad", words: say.theContactBurnsReplaceThe, mode: "contact-open" });
    else if (watts > 0.5) verdicts.push({ kind: "unsure", words: say.theContactIsWorn });
    else verdicts.push({ kind: "good", words: say.theContactIsGood });
  }
  if (given.text("closes") || given.text("opens")) {
    const [closes, opens] = [given.text("closes"), given.text("opens")];
    if (closes === "no") verdicts.push({ kind: "bad", words: say.doesNotCloseCoilFed, mode: "contact-open" });
    else if (opens === "no")
      verdicts.push({
        kind: "bad",
        words: say.doesNotOpenAgainWelded,
        mode: "welded",
      });
    else if (closes === "yes" && opens === "yes") verdicts.push({ kind: "good", words: say.itClosesAndOpensAgain });
    else verdicts.push({ kind: "unsure", words: say.halfATestARelay });
  }
  if (lines.length === 0 && verdicts.length === 0) throw new Refused(say.typeTheCoilsVoltsAnd);
  const verdict = verdicts.find((v) => v.kind === "bad") ?? verdicts.find((v) => v.kind === "unsure") ?? verdicts[0];
  return {
    lines,
    ...(verdict ? { verdict } : {}),
    cautions: [say.coilAndContactAreTwo],
    notes: [...new Set(verdicts.filter((v) => v !== verdict).map((v) => v.words))],
  };
}

/** A relay's coil and contact. */
export const relayTool: Tool = {
  id: "relay",
  name: say.relay,
  group: "Boards",
  words: say.coilDriverContactByKind,
  fields: [
    { key: "coilVolts", label: say.coilVolts, quantity: "volts", under: "Coil", min: 0 },
    { key: "coilOhms", label: say.coilOhms, quantity: "ohms", under: "Coil" },
    { key: "coilAmps", label: say.orCoilCurrent, quantity: "amperes", under: "Coil" },
    { key: "measuredCoil", label: say.measuredOhms, quantity: "ohms", under: "Coil" },
    { key: "rated", label: say.contactRating, quantity: "amperes", under: "Contact" },
    { key: "load", label: say.loadCurrent, quantity: "amperes", under: "Contact" },
    {
      key: "sort",
      label: say.load,
      choices: Object.entries(CONTACT_LOADS).map(([k, v]) => [k, v.words] as const),
      preset: "resistive",
      under: "Contact",
    },
    {
      key: "current",
      label: say.current,
      choices: [
        ["ac", "AC"],
        ["dc", "DC"],
      ],
      preset: "ac",
      under: "Contact",
    },
    { key: "loadVolts", label: say.loadVolts, quantity: "volts", under: "Contact", hint: "230", min: 0 },
    { key: "drop", label: say.dropAcrossIt, quantity: "volts", under: "Measured" },
    { key: "through", label: say.atACurrentOf, quantity: "amperes", under: "Measured" },
    {
      key: "closes",
      label: say.itCloses,
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
      label: say.itOpensAgain,
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
