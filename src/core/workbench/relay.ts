import { quantityText } from "../quantity";
import { formula, positive, Refused, type Given, type Line, type Sheet, type Tool, type Verdict } from "./tool";
import { ratings, RELAY_BOUNDS } from "../model";
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

/** The mains where nobody said, hertz. */
export const USUAL_HERTZ = 50;

/**
 * Amperes of a coil of `ohms` and `henries` at `hertz` (0: direct current): V / sqrt(R² + (2 pi f L)²), textbook. A
 * coil on alternating current is choked by its inductance, and its ohms alone say too much.
 */
export function coilAmps(volts: number, ohms: number, henries: number, hertz: number): number {
  return volts / Math.hypot(ohms, 2 * Math.PI * hertz * henries);
}

/** The formula of `coilAmps` with its numbers, and where it comes from. */
export function coilFormula(
  volts: number,
  ohms: number,
  henries: number,
  hertz: number,
): { readonly formula: string; readonly source: string } {
  const [v, r] = [quantityText(volts, "volts"), quantityText(ohms, "ohms")];
  const amps = quantityText(coilAmps(volts, ohms, henries, hertz), "amperes");
  if (hertz === 0 || henries === 0)
    return {
      formula: formula("I = V / R", `${v} / ${r}`, amps),
      source: hertz === 0 ? say.ohmsLaw : say.withoutItsHenries,
    };
  const chokes = quantityText(2 * Math.PI * hertz * henries, "ohms");
  return { formula: formula("I = V / √(R² + (2π f L)²)", `${v} / √(${r}² + ${chokes}²)`, amps), source: say.impedance };
}

/**
 * How much of a printed rating a contact may carry of a load: all of it where the rating is for just that kind of load
 * and current; its share where the rating is the usual one, for a heater on alternating current. Null where the rating
 * is for another kind: nothing follows from it.
 */
export function ratedShare(
  rating: { readonly load: ContactLoad; readonly direct: boolean },
  load: ContactLoad,
  direct: boolean,
  volts: number,
): number | null {
  if (rating.load === load && rating.direct === direct) return 1;
  if (rating.load !== "resistive") return null;
  // A rating for direct current at its volts is none for another current, but the kind of load still counts.
  if (rating.direct) return direct ? CONTACT_LOADS[load].share : null;
  return contactShare(load, direct, volts);
}

/** What a coil draws: amperes, and the watts that warm it. */
export function coilDraw(
  volts: number,
  ohms: number,
  henries = 0,
  hertz = 0,
): { readonly amps: number; readonly watts: number } {
  positive(volts, say.coilVolts, "coilVolts");
  positive(ohms, say.coilOhms, "coilOhms");
  const amps = coilAmps(volts, ohms, henries, hertz);
  return { amps, watts: amps * amps * ohms };
}

/** What one question about a relay adds to its sheet. */
interface Found {
  readonly lines: readonly Line[];
  readonly verdicts: readonly Verdict[];
}

/** What the coil draws, and whether its measured resistance is that of a whole coil. */
function coilOf(given: Given): Found {
  const [volts, typed, amps] = [given.number("coilVolts"), given.number("coilOhms"), given.number("coilAmps")];
  const kind = given.text("coilCurrent") === "ac" ? "ac" : "dc";
  const [henries, hertz] = [given.number("henries") ?? 0, kind === "ac" ? (given.number("hertz") ?? USUAL_HERTZ) : 0];
  // Volts by amperes are the ohms of a coil on direct current only.
  if (typed === undefined && amps && kind === "ac") throw new Refused(say.ohmsOfAnAcCoil, "coilOhms");
  const ohms = typed ?? (volts !== undefined && amps ? volts / amps : undefined);
  if (volts === undefined || ohms === undefined) return { lines: [], verdicts: [] };
  const draws = coilDraw(volts, ohms, henries, hertz);
  const bounds = RELAY_BOUNDS[kind];
  const current = quantityText(draws.amps, "amperes");
  return {
    lines: [
      {
        label: say.coil,
        text: `${current}, ${quantityText(draws.watts, "watts")}`,
        big: true,
        ...coilFormula(volts, ohms, henries, hertz),
      },
      {
        label: say.pullsInDropsOut,
        text: say.pulledInByReleasedBy(
          quantityText(bounds.pulledInBy * volts, "volts"),
          quantityText(bounds.releasedBy * volts, "volts"),
        ),
        source: say.boundsOnly(quantityText(bounds.pulledInBy, "share"), quantityText(bounds.releasedBy, "share")),
      },
      { label: say.itsDriverCarries, text: current },
    ],
    verdicts: coilVerdict(given.number("measuredCoil"), ohms),
  };
}

function coilVerdict(measured: number | undefined, ohms: number): readonly Verdict[] {
  if (measured === undefined) return [];
  if (measured === Infinity || measured > 5 * ohms) return [{ kind: "bad", words: say.coilOpen, mode: "coil-open" }];
  if (Math.abs(measured / ohms - 1) <= 0.15) return [{ kind: "good", words: say.coilGood }];
  return [{ kind: "unsure", words: measured < ohms ? say.coilLowADiodeAcross : say.coilHighAPoorJoint }];
}

/** Whether the contact may carry its load. */
function loadOf(given: Given): Found {
  const [rated, load] = [given.number("rated"), given.number("load")];
  if (rated === undefined || load === undefined) return { lines: [], verdicts: [] };
  positive(rated, say.theContactsRating, "rated");
  const sort = given.text("sort") as ContactLoad;
  const { words, why } = CONTACT_LOADS[sort];
  const direct = given.text("current") === "dc";
  const rating = { load: given.text("ratedFor") as ContactLoad, direct: given.text("ratedCurrent") === "dc" };
  const share = ratedShare(rating, sort, direct, given.number("loadVolts") ?? 230);
  if (share === null) return { lines: [], verdicts: [{ kind: "unsure", words: say.ratingSaysNothing(words) }] };
  const used = load / (rated * share);
  const line: Line = {
    label: say.contactUsed,
    text: say.ofWhatItMayCarry(quantityText(used, "share")),
    big: true,
    formula: formula(
      "I / (rating × k)",
      `${quantityText(load, "amperes")} / (${quantityText(rated, "amperes")} × ${share})`,
      quantityText(used, "share"),
    ),
    source:
      share === 1 ? say.ratedForIt(words) : say.kForAFromMemory(share, words, direct ? say.directCurrent : "", why),
  };
  let verdict: Verdict = { kind: "good", words: say.theContactCarriesIt };
  if (used > 1) verdict = { kind: "bad", words: say.tooMuchForThisContact(why) };
  else if (used > 0.8) verdict = { kind: "unsure", words: say.itMayWithLittleTo };
  return { lines: [line], verdicts: [verdict] };
}

/** What the drop across the closed contact heats it by. */
function dropOf(given: Given): Found {
  const [drop, through] = [given.number("drop"), given.number("through") ?? given.number("load")];
  if (drop === undefined) return { lines: [], verdicts: [] };
  if (through === undefined) throw new Refused(say.clampTheCurrentTooA, "through");
  const watts = Math.abs(drop) * through;
  const heat = quantityText(watts, "watts");
  const line: Line = {
    label: say.heatInTheContact,
    text: heat,
    formula: formula("P = V I", `${quantityText(Math.abs(drop), "volts")} × ${quantityText(through, "amperes")}`, heat),
    source: say.joulesLawAbove2W,
  };
  let verdict: Verdict = { kind: "good", words: say.theContactIsGood };
  if (watts > 2) verdict = { kind: "bad", words: say.theContactBurnsReplaceThe, mode: "contact-open" };
  else if (watts > 0.5) verdict = { kind: "unsure", words: say.theContactIsWorn };
  return { lines: [line], verdicts: [verdict] };
}

/** Whether it was seen to close and to open again. */
function movesOf(given: Given): Found {
  const [closes, opens] = [given.text("closes"), given.text("opens")];
  if (!closes && !opens) return { lines: [], verdicts: [] };
  let verdict: Verdict = { kind: "unsure", words: say.halfATestARelay };
  if (closes === "no") verdict = { kind: "bad", words: say.doesNotCloseCoilFed, mode: "contact-open" };
  else if (opens === "no") verdict = { kind: "bad", words: say.doesNotOpenAgainWelded, mode: "welded" };
  else if (closes === "yes" && opens === "yes") verdict = { kind: "good", words: say.itClosesAndOpensAgain };
  return { lines: [], verdicts: [verdict] };
}

function work(given: Given): Sheet {
  const found = [coilOf(given), loadOf(given), dropOf(given), movesOf(given)];
  const [lines, verdicts] = [found.flatMap((f) => f.lines), found.flatMap((f) => f.verdicts)];
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
  group: "boards",
  words: say.coilDriverContactByKind,
  fields: [
    { key: "coilVolts", label: say.coilVolts, quantity: "volts", under: "Coil", min: 0 },
    { key: "coilOhms", label: say.coilOhms, quantity: "ohms", under: "Coil" },
    { key: "coilAmps", label: say.orCoilCurrent, quantity: "amperes", under: "Coil" },
    {
      key: "coilCurrent",
      label: say.coilOn,
      choices: [
        ["dc", "DC"],
        ["ac", "AC"],
      ],
      preset: "dc",
      under: "Coil",
    },
    { key: "henries", label: say.inductance, quantity: "henries", hint: "12 H", under: "Coil" },
    { key: "hertz", label: say.hertz, quantity: "hertz", hint: "50", under: "Coil" },
    { key: "measuredCoil", label: say.measuredOhms, quantity: "ohms", under: "Coil" },
    { key: "rated", label: say.contactRating, quantity: "amperes", under: "Contact" },
    {
      key: "ratedFor",
      label: say.ratedFor,
      choices: Object.entries(CONTACT_LOADS).map(([k, v]) => [k, v.words] as const),
      preset: "resistive",
      under: "Contact",
    },
    {
      key: "ratedCurrent",
      label: say.ratedOn,
      choices: [
        ["ac", "AC"],
        ["dc", "DC"],
      ],
      preset: "ac",
      under: "Contact",
    },
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
