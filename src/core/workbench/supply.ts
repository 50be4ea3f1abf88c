import { quantityText } from "../quantity";
import {
  formula,
  positive,
  Refused,
  type Given,
  type Line,
  type Sheet,
  type Table,
  type Tool,
  type Verdict,
} from "./tool";
import { has, ratings } from "../model";

/** A rectifier and its bulk capacitor under load. */
export interface Rectified {
  /** Volts at the top of the ripple. */
  readonly peak: number;
  /** Volts, top to bottom. */
  readonly ripple: number;
  readonly least: number;
  readonly mean: number;
}

/**
 * Peak and ripple of a full-wave (or half-wave) rectifier from `volts` rms at `hertz`, `diodes` volts lost, `amps`
 * drawn evenly and
 * `farads`. The capacitor feeds the load from the crest until the rising wave meets it again: that instant is solved
 * for, so the ripple is below I/(2 f C), the textbook bound. `esr` ohms add their own step, the charging current being
 * some times the load's (see `CHARGING`).
 */
export function rectified(
  volts: number,
  hertz: number,
  diodes: number,
  amps: number,
  farads: number,
  full: boolean,
  esr = 0,
): Rectified {
  const peak = volts * Math.SQRT2 - diodes;
  if (!(peak > 0)) throw new Refused("So little voltage does not come through the diodes.", "volts");
  const period = 1 / hertz / (full ? 2 : 1);
  // From the crest (t = 0): peak - I t / C against peak |cos(2 pi f t)| coming up again before t = period.
  const sags = (t: number) => peak - (amps * t) / farads;
  const wave = (t: number) => peak * Math.cos(2 * Math.PI * hertz * (t - period));
  let [low, high] = [period * (full ? 0.5 : 0.75), period];
  if (sags(low) <= 0)
    throw new Refused("This capacitor runs empty between two crests: the load is too much for it.", "farads");
  for (let i = 0; i < 100; i++) {
    const middle = (low + high) / 2;
    if (wave(middle) < sags(middle)) low = middle;
    else high = middle;
  }
  const ripple = (amps * high) / farads + amps * esr * (1 + CHARGING);
  return { peak, ripple, least: peak - ripple, mean: peak - ripple / 2 };
}

/** Times the load current that flows into the capacitor at the crest, for the usual short conduction; from memory. */
const CHARGING = 5;

/**
 * Seconds a capacitor carries a load from `from` down to `to` volts: at constant current C (V1 - V2) / I, at constant
 * power C (V1² - V2²) / 2 P.
 */
export function holdUp(
  farads: number,
  from: number,
  to: number,
  load: { readonly amps: number } | { readonly watts: number },
): number {
  return "amps" in load ? (farads * (from - to)) / load.amps : (farads * (from * from - to * to)) / (2 * load.watts);
}

/** Peak current of charging an empty capacitor at the crest through `ohms`. */
export function inrush(volts: number, ohms: number): number {
  return (volts * Math.SQRT2) / ohms;
}

/** Stages from plug to logic, with what to measure against what. */
export const STAGES: readonly {
  readonly stage: string;
  readonly reference: string;
  readonly expect: (mains: number, isolated: boolean) => string;
}[] = [
  { stage: "Plug to filter", reference: "neutral", expect: (v) => `${quantityText(v, "volts")} AC` },
  { stage: "After fuse and filter", reference: "neutral", expect: (v) => `${quantityText(v, "volts")} AC` },
  {
    stage: "Bulk capacitor",
    reference: "primary return, the minus of the bulk capacitor",
    expect: (v) => `${quantityText(v * Math.SQRT2, "volts")} DC`,
  },
  { stage: "Start resistor, switch", reference: "primary return", expect: () => "10 to 20 V DC at the chip" },
  { stage: "After the transformer", reference: "board ground", expect: () => "the rail's volts DC" },
  { stage: "After the regulator", reference: "board ground", expect: () => "5 or 3.3 V DC" },
];

/** What a symptom says of the stage; common practice, no source. */
export const SYMPTOMS: Readonly<
  Record<string, { readonly words: string; readonly stage: string; readonly next: string }>
> = {
  dead: {
    words: "dead",
    stage: "Line side: fuse, inrush resistor, bridge, switch; or it never starts",
    next: "Bulk volts against the primary return. There: it does not start. Not there: back to fuse and inrush resistor.",
  },
  ticking: {
    words: "ticks",
    stage: "It starts and trips: output shorted, or its feedback lost",
    next: "Power off, its load plugs off, on again. Ticks still: output rectifier or feedback. Starts: what it feeds is shorted.",
  },
  flashing: {
    words: "comes and goes",
    stage: "Just overloaded, or its start supply runs dry",
    next: "Its load plugs off one after the other; then the small capacitor at its chip.",
  },
  weak: {
    words: "weak",
    stage: "Output filter dried out, or too much drawn",
    next: "AC volts on the rail under load: more than a twentieth says filter. Little ripple and low: clamp the load.",
  },
};

function work(given: Given): Sheet {
  const volts = given.number("volts");
  if (volts === undefined)
    throw new Refused("Type the volts that come in: mains, or the transformer's winding.", "volts");
  positive(volts, "Volts", "volts");
  const isolated = given.text("isolation") !== "none";
  const hertz = given.number("hertz") ?? 50;
  positive(hertz, "The frequency", "hertz");
  const v = (x: number) => quantityText(x, "volts");
  const lines: Line[] = [
    {
      label: "Peak, no load",
      text: v(volts * Math.SQRT2),
      big: true,
      formula: formula("V = √2 × V rms", `1.414 × ${v(volts)}`, v(volts * Math.SQRT2)),
      source: "sine wave; less two diodes",
    },
  ];
  const [amps, farads, esr] = [given.number("amps"), given.number("farads"), given.number("esr") ?? 0];
  let verdict: Verdict | undefined;
  if (amps !== undefined && farads !== undefined) {
    positive(farads, "The capacitor", "farads");
    const full = given.text("bridge") !== "half";
    const r = rectified(volts, hertz, full ? 1.4 : 0.7, amps, farads, full, esr);
    lines.push(
      {
        label: "Ripple",
        text: `${v(r.ripple)}, from ${v(r.least)} to ${v(r.peak)}`,
        formula: formula(
          full ? "below I / (2 f C)" : "below I / (f C)",
          `${quantityText(amps, "amperes")} / (${full ? "2 × " : ""}${quantityText(hertz, "hertz")} × ${quantityText(farads, "farads")})`,
          v(amps / ((full ? 2 : 1) * hertz * farads)),
        ),
        source: "discharge until the wave meets it, solved",
      },
      ...(esr > 0
        ? [
            {
              label: "Of that its ESR",
              text: v(amps * esr * (1 + CHARGING)),
              formula: `I × ESR × ${1 + CHARGING}`,
              source: "charging current five times the load's, from memory",
            },
          ]
        : []),
    );
    const to = given.number("least");
    if (to !== undefined) {
      if (to >= r.least) throw new Refused(`It is below that at every trough already: ${v(r.least)}.`, "least");
      const t = holdUp(farads, r.least, to, { amps });
      lines.push({
        label: `Holds above ${v(to)} for`,
        text: quantityText(t, "seconds"),
        formula: formula(
          "t = C (V1 - V2) / I",
          `${quantityText(farads, "farads")} × (${v(r.least)} - ${v(to)}) / ${quantityText(amps, "amperes")}`,
          quantityText(t, "seconds"),
        ),
        source: "constant current, from the trough",
      });
    }
    const measured = given.number("ripple");
    if (measured !== undefined)
      verdict =
        measured > 2 * r.ripple
          ? {
              kind: "bad",
              words: `Twice the ripple it should have (${v(r.ripple)}): the capacitor has dried out.`,
              mode: "ripple",
            }
          : { kind: "good", words: "The ripple is as it should be." };
  }
  const series = given.number("series");
  if (series !== undefined) {
    const without = given.number("wiring") ?? 1;
    lines.push(
      {
        label: "Inrush with the resistor",
        text: quantityText(inrush(volts, series + without), "amperes"),
        formula: formula(
          "I = √2 V / (R + Rw)",
          `1.414 × ${v(volts)} / ${quantityText(series + without, "ohms")}`,
          quantityText(inrush(volts, series + without), "amperes"),
        ),
        source: "empty capacitor, switched on at the crest",
      },
      {
        label: "Without it, bridged",
        text: quantityText(inrush(volts, without), "amperes"),
        formula: formula(
          "I = √2 V / Rw",
          `1.414 × ${v(volts)} / ${quantityText(without, "ohms")}`,
          quantityText(inrush(volts, without), "amperes"),
        ),
        source: "wiring 1 Ω as a default, from memory",
      },
    );
  }
  const [inVolts, outVolts, outAmps] = [given.number("regIn"), given.number("regOut"), given.number("regAmps")];
  if (inVolts !== undefined && outVolts !== undefined && outAmps !== undefined) {
    if (outVolts >= inVolts) throw new Refused("A linear regulator gives less than it gets.", "regOut");
    const watts = (inVolts - outVolts) * outAmps;
    lines.push({
      label: "Heat in the regulator",
      text: quantityText(watts, "watts"),
      formula: formula(
        "P = (Vin - Vout) I",
        `(${v(inVolts)} - ${v(outVolts)}) × ${quantityText(outAmps, "amperes")}`,
        quantityText(watts, "watts"),
      ),
      source: "Joule's law; above 1 W it wants a heat sink, from memory",
    });
  }
  const symptom = SYMPTOMS[given.text("symptom")];
  if (symptom)
    lines.push({
      label: `It ${symptomWords(symptom)}`,
      text: `${symptom.stage}. ${symptom.next}`,
      source: "common practice, no source",
    });
  const rail = given.number("rail");
  const railWanted = given.number("railWanted");
  if (rail !== undefined && railWanted !== undefined) {
    const unloaded = given.text("plug") === "off";
    verdict = railVerdict(rail, railWanted, unloaded);
    lines.push({
      label: "The rail",
      text: `${v(rail)} of ${v(railWanted)}, plug ${unloaded ? "off: unloaded" : "on"}`,
      source: "12 to 14 V of a 13 V kind is good, common practice, no source",
    });
  }
  const table: Table = {
    head: ["Stage", "Black lead on", "Expect"],
    rows: STAGES.map((s) => ({
      cells: [
        s.stage,
        !isolated && s.reference === "board ground" ? "neutral: this board ground is mains" : s.reference,
        s.expect(volts, isolated),
      ],
    })),
  };
  return {
    lines,
    ...(verdict ? { verdict } : {}),
    table,
    cautions: [
      isolated
        ? "Up to the transformer everything is mains. The chassis is a reference only if it is bonded; never for the primary."
        : "Not isolated: every point of this board is as deadly as mains, its ground included. Isolating transformer, or dead tests only.",
      "The bulk capacitor keeps its charge: discharge it through a resistor, prove it below 60 V.",
    ],
    notes: ["A rail measured with its plug off is unloaded: it does not clear a weak supply."],
  };
}

/** A low-voltage supply, stage by stage. */
export const supplyTool: Tool = {
  id: "supply",
  name: "Low-voltage supply",
  group: "Boards",
  words: "Stage by stage: what to expect, against which reference",
  fields: [
    { key: "volts", label: "Volts in, AC", quantity: "volts", preset: "230", min: 0 },
    { key: "hertz", label: "Line frequency", quantity: "hertz", preset: "50" },
    {
      key: "isolation",
      label: "Its low side",
      choices: [
        ["transformer", "isolated"],
        ["none", "not isolated"],
      ],
      preset: "transformer",
    },
    {
      key: "symptom",
      label: "It",
      choices: [
        ["", "–"],
        ["dead", "is dead"],
        ["ticking", "ticks"],
        ["flashing", "comes and goes"],
        ["weak", "is weak"],
      ],
      preset: "",
    },
    { key: "amps", label: "Load on the capacitor", quantity: "amperes", under: "Capacitor" },
    { key: "farads", label: "Capacitor", quantity: "farads", under: "Capacitor", hint: "100u" },
    { key: "esr", label: "Its ESR", quantity: "ohms", under: "Capacitor" },
    {
      key: "bridge",
      label: "Rectifier",
      choices: [
        ["full", "full wave"],
        ["half", "half wave"],
      ],
      preset: "full",
      under: "Capacitor",
    },
    { key: "least", label: "Least volts wanted", quantity: "volts", under: "Capacitor", min: 0 },
    { key: "ripple", label: "Ripple measured, top to bottom", quantity: "volts", under: "Capacitor", min: 0 },
    { key: "series", label: "Inrush resistor", quantity: "ohms", under: "Inrush, regulator" },
    { key: "wiring", label: "Rest of the way", quantity: "ohms", under: "Inrush, regulator", hint: "1 Ω" },
    { key: "regIn", label: "Regulator in", quantity: "volts", under: "Inrush, regulator" },
    { key: "regOut", label: "Regulator out", quantity: "volts", under: "Inrush, regulator" },
    { key: "regAmps", label: "Its current", quantity: "amperes", under: "Inrush, regulator" },
    { key: "rail", label: "Rail measured", quantity: "volts", under: "Rail" },
    { key: "railWanted", label: "Rail wanted", quantity: "volts", under: "Rail", min: 0.1 },
    {
      key: "plug",
      label: "Its plug",
      choices: [
        ["on", "on"],
        ["off", "off"],
      ],
      preset: "on",
      under: "Rail",
    },
  ],
  work,
  fill(part, machine): Record<string, string> {
    const { volts } = ratings(part);
    return {
      volts: String(machine.file.supply.volts),
      hertz: String(machine.file.supply.hertz || 50),
      ...(has(part, "not-isolating") ? { isolation: "none" } : {}),
      ...(volts !== undefined ? { railWanted: String(volts) } : {}),
    };
  },
};

function symptomWords(symptom: { readonly words: string }): string {
  if (symptom.words === "dead") return "is dead";
  if (symptom.words === "weak") return "is weak";
  return symptom.words;
}

/** What a rail says of the supply; an unloaded one hides a weak supply, a loaded one a heavy load. Volts. */
function railVerdict(rail: number, wanted: number, unloaded: boolean): Verdict {
  const share = rail / wanted - 1;
  if (share > RAIL_WITHIN)
    return {
      kind: "bad",
      words: "Too high: regulation lost. Off, before it kills what it feeds.",
      mode: "feedback-open",
    };
  if (share >= -RAIL_WITHIN)
    return unloaded
      ? { kind: "unsure", words: "There, but unloaded: a weak supply shows this too. Measure again with its plug on." }
      : { kind: "good", words: "The rail stands under load." };
  if (rail >= NO_RAIL * wanted)
    return unloaded
      ? { kind: "bad", words: "Low even unloaded: the supply.", mode: "sagging" }
      : {
          kind: "unsure",
          words: "Low: take its plug off. Comes up: load too heavy or supply weak; clamp tells which.",
        };
  return unloaded
    ? { kind: "bad", words: "Nothing even unloaded: the supply.", mode: "dead" }
    : { kind: "unsure", words: "Nothing: unplug what it feeds and measure again before the supply is blamed." };
}

/** A loaded rail within this share of its print is sound; common practice, no source. */
const RAIL_WITHIN = 0.1;
/** Below this share of its print a rail is not there. */
const NO_RAIL = 0.1;
