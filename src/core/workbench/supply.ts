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
import { say } from "#words/core/workbench/supply";

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
  if (!(peak > 0)) throw new Refused(say.soLittleVoltageDoesNot, "volts");
  const period = 1 / hertz / (full ? 2 : 1);
  // From the crest (t = 0): peak - I t / C against peak |cos(2 pi f t)| coming up again before t = period.
  const sags = (t: number) => peak - (amps * t) / farads;
  const wave = (t: number) => peak * Math.cos(2 * Math.PI * hertz * (t - period));
  let [low, high] = [period * (full ? 0.5 : 0.75), period];
  if (sags(low) <= 0) throw new Refused(say.thisCapacitorRunsEmptyBetween, "farads");
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
  { stage: say.plugToFilter, reference: "neutral", expect: (v) => `${quantityText(v, "volts")} AC` },
  { stage: say.afterFuseAndFilter, reference: "neutral", expect: (v) => `${quantityText(v, "volts")} AC` },
  {
    stage: say.bulkCapacitor,
    reference: say.primaryReturnTheMinusOf,
    expect: (v) => `${quantityText(v * Math.SQRT2, "volts")} DC`,
  },
  { stage: say.startResistorSwitch, reference: say.primaryReturn, expect: () => say.to20VDcAt },
  { stage: say.afterTheTransformer, reference: say.boardGround, expect: () => say.theRailsVoltsDc },
  { stage: say.afterTheRegulator, reference: say.boardGround, expect: () => "5 or 3.3 V DC" },
];

/** What a symptom says of the stage; common practice, no source. */
export const SYMPTOMS: Readonly<
  Record<string, { readonly words: string; readonly stage: string; readonly next: string }>
> = {
  dead: {
    words: "dead",
    stage: say.lineSideFuseInrushResistor,
    next: say.bulkVoltsAgainstThePrimary,
  },
  ticking: {
    words: "ticks",
    stage: say.itStartsAndTripsOutput,
    next: say.powerOffItsLoadPlugs,
  },
  flashing: {
    words: say.comesAndGoes,
    stage: say.justOverloadedOrItsStart,
    next: say.itsLoadPlugsOffOne,
  },
  weak: {
    words: "weak",
    stage: say.outputFilterDriedOutOr,
    next: say.acVoltsOnTheRail,
  },
};

function work(given: Given): Sheet {
  const volts = given.number("volts");
  if (volts === undefined) throw new Refused(say.typeTheVoltsThatCome, "volts");
  positive(volts, "Volts", "volts");
  const isolated = given.text("isolation") !== "none";
  const hertz = given.number("hertz") ?? 50;
  positive(hertz, say.theFrequency, "hertz");
  const v = (x: number) => quantityText(x, "volts");
  const lines: Line[] = [
    {
      label: say.peakNoLoad,
      text: v(volts * Math.SQRT2),
      big: true,
      formula: formula("V = √2 × V rms", `1.414 × ${v(volts)}`, v(volts * Math.SQRT2)),
      source: say.sineWaveLessTwoDiodes,
    },
  ];
  const [amps, farads, esr] = [given.number("amps"), given.number("farads"), given.number("esr") ?? 0];
  let verdict: Verdict | undefined;
  if (amps !== undefined && farads !== undefined) {
    positive(farads, say.theCapacitor, "farads");
    const full = given.text("bridge") !== "half";
    const r = rectified(volts, hertz, full ? 1.4 : 0.7, amps, farads, full, esr);
    lines.push(
      {
        label: say.ripple,
        text: say.vFromV2ToV3(v(r.ripple), v(r.least), v(r.peak)),
        formula: formula(
          full ? "below I / (2 f C)" : "below I / (f C)",
          `${quantityText(amps, "amperes")} / (${full ? "2 × " : ""}${quantityText(hertz, "hertz")} × ${quantityText(farads, "farads")})`,
          v(amps / ((full ? 2 : 1) * hertz * farads)),
        ),
        source: say.dischargeUntilTheWaveMeets,
      },
      ...(esr > 0
        ? [
            {
              label: say.ofThatItsEsr,
              text: v(amps * esr * (1 + CHARGING)),
              formula: `I × ESR × ${1 + CHARGING}`,
              source: say.chargingCurrentFiveTimesThe,
            },
          ]
        : []),
    );
    const to = given.number("least");
    if (to !== undefined) {
      if (to >= r.least) throw new Refused(say.itIsBelowThatAt(v(r.least)), "least");
      const t = holdUp(farads, r.least, to, { amps });
      lines.push({
        label: say.holdsAboveFor(v(to)),
        text: quantityText(t, "seconds"),
        formula: formula(
          "t = C (V1 - V2) / I",
          `${quantityText(farads, "farads")} × (${v(r.least)} - ${v(to)}) / ${quantityText(amps, "amperes")}`,
          quantityText(t, "seconds"),
        ),
        source: say.constantCurrentFromTheTrough,
      });
    }
    const measured = given.number("ripple");
    if (measured !== undefined)
      verdict =
        measured > 2 * r.ripple
          ? {
              kind: "bad",
              words: say.twiceTheRippleItShould(v(r.ripple)),
              mode: "ripple",
            }
          : { kind: "good", words: say.theRippleIsAsIt };
  }
  const series = given.number("series");
  if (series !== undefined) {
    const without = given.number("wiring") ?? 1;
    lines.push(
      {
        label: say.inrushWithTheResistor,
        text: quantityText(inrush(volts, series + without), "amperes"),
        formula: formula(
          "I = √2 V / (R + Rw)",
          `1.414 × ${v(volts)} / ${quantityText(series + without, "ohms")}`,
          quantityText(inrush(volts, series + without), "amperes"),
        ),
        source: say.emptyCapacitorSwitchedOnAt,
      },
      {
        label: say.withoutItBridged,
        text: quantityText(inrush(volts, without), "amperes"),
        formula: formula(
          "I = √2 V / Rw",
          `1.414 × ${v(volts)} / ${quantityText(without, "ohms")}`,
          quantityText(inrush(volts, without), "amperes"),
        ),
        source: say.wiring1AsADefault,
      },
    );
  }
  const [inVolts, outVolts, outAmps] = [given.number("regIn"), given.number("regOut"), given.number("regAmps")];
  if (inVolts !== undefined && outVolts !== undefined && outAmps !== undefined) {
    if (outVolts >= inVolts) throw new Refused(say.aLinearRegulatorGivesLess, "regOut");
    const watts = (inVolts - outVolts) * outAmps;
    lines.push({
      label: say.heatInTheRegulator,
      text: quantityText(watts, "watts"),
      formula: formula(
        say.pVinVoutI,
        `(${v(inVolts)} - ${v(outVolts)}) × ${quantityText(outAmps, "amperes")}`,
        quantityText(watts, "watts"),
      ),
      source: say.joulesLawAbove1W,
    });
  }
  const symptom = SYMPTOMS[given.text("symptom")];
  if (symptom)
    lines.push({
      label: say.itSymptomWords(symptomWords(symptom)),
      text: `${symptom.stage}. ${symptom.next}`,
      source: say.commonPracticeNoSource,
    });
  const rail = given.number("rail");
  const railWanted = given.number("railWanted");
  if (rail !== undefined && railWanted !== undefined) {
    const unloaded = given.text("plug") === "off";
    verdict = railVerdict(rail, railWanted, unloaded);
    lines.push({
      label: say.theRail,
      text: say.vOfV2PlugPart(v(rail), v(railWanted), unloaded ? say.offUnloaded : "on"),
      source: say.to14VOfA,
    });
  }
  const table: Table = {
    head: ["Stage", say.blackLeadOn, "Expect"],
    rows: STAGES.map((s) => ({
      cells: [
        s.stage,
        !isolated && s.reference === "board ground" ? say.neutralThisBoardGroundIs : s.reference,
        s.expect(volts, isolated),
      ],
    })),
  };
  return {
    lines,
    ...(verdict ? { verdict } : {}),
    table,
    cautions: [isolated ? say.upToTheTransformerEverything : say.notIsolatedEveryPointOf, say.theBulkCapacitorKeepsIts],
    notes: [say.aRailMeasuredWithIts],
  };
}

/** A low-voltage supply, stage by stage. */
export const supplyTool: Tool = {
  id: "supply",
  name: say.lowVoltageSupply,
  group: "boards",
  words: say.stageByStageWhatTo,
  fields: [
    { key: "volts", label: say.voltsInAc, quantity: "volts", preset: "230", min: 0 },
    { key: "hertz", label: say.lineFrequency, quantity: "hertz", preset: "50" },
    {
      key: "isolation",
      label: say.itsLowSide,
      choices: [
        ["transformer", "isolated"],
        ["none", say.notIsolated],
      ],
      preset: "transformer",
    },
    {
      key: "symptom",
      label: say.it,
      choices: [
        ["", "–"],
        ["dead", say.isDead],
        ["ticking", "ticks"],
        ["flashing", say.comesAndGoes],
        ["weak", say.isWeak],
      ],
      preset: "",
    },
    { key: "amps", label: say.loadOnTheCapacitor, quantity: "amperes", under: "Capacitor" },
    { key: "farads", label: say.capacitor, quantity: "farads", under: "Capacitor", hint: "100u" },
    { key: "esr", label: say.itsEsr, quantity: "ohms", under: "Capacitor" },
    {
      key: "bridge",
      label: say.rectifier,
      choices: [
        ["full", say.fullWave],
        ["half", say.halfWave],
      ],
      preset: "full",
      under: "Capacitor",
    },
    { key: "least", label: say.leastVoltsWanted, quantity: "volts", under: "Capacitor", min: 0 },
    { key: "ripple", label: say.rippleMeasuredTopToBottom, quantity: "volts", under: "Capacitor", min: 0 },
    { key: "series", label: say.inrushResistor, quantity: "ohms", under: say.inrushRegulator },
    { key: "wiring", label: say.restOfTheWay, quantity: "ohms", under: say.inrushRegulator, hint: "1 Ω" },
    { key: "regIn", label: say.regulatorIn, quantity: "volts", under: say.inrushRegulator },
    { key: "regOut", label: say.regulatorOut, quantity: "volts", under: say.inrushRegulator },
    { key: "regAmps", label: say.itsCurrent, quantity: "amperes", under: say.inrushRegulator },
    { key: "rail", label: say.railMeasured, quantity: "volts", under: "Rail" },
    { key: "railWanted", label: say.railWanted, quantity: "volts", under: "Rail", min: 0.1 },
    {
      key: "plug",
      label: say.itsPlug,
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
  if (symptom.words === "dead") return say.isDead;
  if (symptom.words === "weak") return say.isWeak;
  return symptom.words;
}

/** What a rail says of the supply; an unloaded one hides a weak supply, a loaded one a heavy load. Volts. */
function railVerdict(rail: number, wanted: number, unloaded: boolean): Verdict {
  const share = rail / wanted - 1;
  if (share > RAIL_WITHIN)
    return {
      kind: "bad",
      words: say.tooHighRegulationLostOff,
      mode: "feedback-open",
    };
  if (share >= -RAIL_WITHIN)
    return unloaded
      ? { kind: "unsure", words: say.thereButUnloadedAWeak }
      : { kind: "good", words: say.theRailStandsUnderLoad };
  if (rail >= NO_RAIL * wanted)
    return unloaded
      ? { kind: "bad", words: say.lowEvenUnloadedTheSupply, mode: "sagging" }
      : {
          kind: "unsure",
          words: say.lowTakeItsPlugOff,
        };
  return unloaded
    ? { kind: "bad", words: say.nothingEvenUnloadedTheSupply, mode: "dead" }
    : { kind: "unsure", words: say.nothingUnplugWhatItFeeds };
}

/** A loaded rail within this share of its print is sound; common practice, no source. */
const RAIL_WITHIN = 0.1;
/** Below this share of its print a rail is not there. */
const NO_RAIL = 0.1;
