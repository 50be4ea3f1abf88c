import { quantityText, readSpan } from "../quantity";
import { INSULATION_CLASS_I, judgeInsulation } from "./heater";
import { formula, positive, Refused, type Given, type Line, type Sheet, type Tool, type Verdict } from "./tool";
import { ratings } from "../model";
import { say } from "#words/core/workbench/motor";

/** Three leads of a single-phase motor or compressor, named from three readings. */
export interface Windings {
  readonly common: string;
  readonly run: string;
  readonly start: string;
  readonly runOhms: number;
  readonly startOhms: number;
  /** How far the largest reading is from the sum of the two others, a share of it. */
  readonly off: number;
}

/**
 * Common, run and start from the readings between the leads 1-2, 2-3 and 1-3, ohms. The largest lies across both
 * windings: the lead that is not in it is common. From common, the smaller is the run winding (common practice, no
 * source). Throws
 * `Refused` where two are equal.
 */
export function nameLeads(ohms12: number, ohms23: number, ohms13: number): Windings {
  const readings = [
    { leads: ["1", "2"], ohms: ohms12 },
    { leads: ["2", "3"], ohms: ohms23 },
    { leads: ["1", "3"], ohms: ohms13 },
  ];
  if (readings.some((r) => !(r.ohms > 0) || !Number.isFinite(r.ohms))) throw new Refused(say.oneOfTheThreeIs);
  const sorted = [...readings].sort((a, b) => b.ohms - a.ohms);
  const [across, startWinding, runWinding] = sorted as [(typeof sorted)[0], (typeof sorted)[0], (typeof sorted)[0]];
  const common = ["1", "2", "3"].find((lead) => !across.leads.includes(lead))!;
  const other = (r: typeof across) => r.leads.find((lead) => lead !== common)!;
  if (startWinding.ohms - runWinding.ohms < 0.02 * startWinding.ohms) throw new Refused(say.twoReadingsAreEqualWithin);
  return {
    common,
    run: other(runWinding),
    start: other(startWinding),
    runOhms: runWinding.ohms,
    startOhms: startWinding.ohms,
    off: Math.abs(across.ohms - runWinding.ohms - startWinding.ohms) / across.ohms,
  };
}

/** How far windings that ought to be alike differ: the largest step from their mean, a share of it. */
export function imbalance(ohms: readonly number[]): number {
  const mean = ohms.reduce((a, b) => a + b, 0) / ohms.length;
  return Math.max(...ohms.map((o) => Math.abs(o - mean))) / mean;
}

/** Windings alike within this share are balanced; common practice, no source. */
const BALANCED = 0.05;
/** A run capacitor may have lost this much of its print; common practice, no source. */
const CAPACITOR_LOST = 0.1;
/** A rotor at rest draws four to eight times its running current; from memory. */
const LOCKED: readonly [number, number] = [4, 8];
/** A cold start thermistor; from memory. */
const START_PTC: readonly [number, number] = [3, 50];

/** A capacitor measured against its print; null where either is not known. Of a span what lies within lost nothing. */
function capacitorOf(given: Given): { readonly verdict: Verdict; readonly formula: string } | null {
  const farads = given.number("farads");
  if (farads === undefined || given.text("print") === "") return null;
  const print = readSpan(given.text("print"), "farads", given.liked);
  if (!print.ok) throw new Refused(print.sentence, "print");
  positive(print.low, say.thePrint, "print");
  const nearest = Math.min(print.high, Math.max(print.low, farads));
  const share = farads / nearest - 1;
  const shown = quantityText(share, "share");
  const bad = {
    kind: "bad",
    words: say.fromItsPrint(share < 0 ? say.weak : say.wrongValue, shown),
    mode: "open",
  } as const;
  return {
    verdict: Math.abs(share) <= CAPACITOR_LOST ? { kind: "good", words: say.goodFromItsPrint(shown) } : bad,
    formula: formula(
      "C / print - 1",
      `${quantityText(farads, "farads")} / ${quantityText(nearest, "farads")} - 1`,
      shown,
    ),
  };
}

function work(given: Given): Sheet {
  const { liked } = given;
  const ohms = (v: number) => quantityText(v, "ohms", liked);
  const lines: Line[] = [];
  const found: Verdict[] = [];
  const judge = (label: string, verdict: Verdict, formulaText?: string, source = say.commonPracticeNoSource) => {
    found.push(verdict);
    lines.push({ label, text: verdict.words, ...(formulaText ? { formula: formulaText } : {}), source });
  };
  const three = (["ohms12", "ohms23", "ohms13"] as const).map((k) => given.number(k));
  if (three.every((v) => v !== undefined)) {
    const open = three.filter((v) => v === Infinity).length;
    if (given.text("sort") === "alike") {
      if (open > 0) judge("Balance", { kind: "bad", words: say.aWindingIsOpen, mode: "open" });
      else {
        const share = imbalance(three as number[]);
        judge(
          "Balance",
          share <= BALANCED
            ? { kind: "good", words: say.balancedShareApart(quantityText(share, "share")) }
            : {
                kind: "bad",
                words: say.outOfBalanceByShorted(quantityText(share, "share")),
                mode: "shorted",
              },
          formula(say.maxRMeanMean, three.map((v) => ohms(v!)).join(", "), quantityText(share, "share")),
        );
      }
    } else if (open > 0)
      judge("Windings", {
        kind: "bad",
        words: open === 3 ? say.allOpenTheCommonLead : say.oneWindingIsOpen,
        mode: "open",
      });
    else {
      const w = nameLeads(three[0]!, three[1]!, three[2]!);
      lines.push({
        label: say.commonRunStart,
        text: `${w.common}, ${w.run}, ${w.start}`,
        big: true,
        formula: formula(
          "C-R + C-S",
          `${ohms(w.runOhms)} + ${ohms(w.startOhms)}`,
          `${ohms(w.runOhms + w.startOhms)}, against R-S ${ohms(Math.max(...(three as number[])))}`,
        ),
        source: say.commonPracticeNoSource,
      });
      judge(
        "Windings",
        w.off <= 0.1
          ? { kind: "good", words: say.theTwoSmallerAddUp }
          : {
              kind: "bad",
              words: say.theyDoNotAddUp(quantityText(w.off, "share")),
            },
      );
    }
  } else if (three.some((v) => v !== undefined))
    throw new Refused(
      say.threeReadingsAreNeeded1,
      (["ohms12", "ohms23", "ohms13"] as const)[three.findIndex((v) => v === undefined)],
    );
  const toCase = given.number("case");
  if (toCase !== undefined)
    judge(say.toItsCase, judgeInsulation(toCase, INSULATION_CLASS_I), undefined, say.en506782020ClassI);
  const capacitor = capacitorOf(given);
  if (capacitor) judge(say.runCapacitor, capacitor.verdict, capacitor.formula);
  const starter = given.number("starter");
  if (starter !== undefined)
    judge(
      say.startThermistorCold,
      starter >= START_PTC[0] && starter <= START_PTC[1]
        ? { kind: "good", words: say.asAColdStartThermistor }
        : {
            kind: "bad",
            words: starter > START_PTC[1] ? say.tooHighOpenCrackedOr : say.tooLowShorted,
          },
      undefined,
      say.to50ColdFromMemory,
    );
  const [plate, running, starting] = [given.number("plate"), given.number("running"), given.number("starting")];
  if (plate !== undefined) {
    positive(plate, say.thePlateCurrent, "plate");
    lines.push({
      label: say.rotorAtRestDraws,
      text: `${quantityText(LOCKED[0] * plate, "amperes")} to ${quantityText(LOCKED[1] * plate, "amperes")}`,
      formula: formula(
        "4 to 8 × I",
        `4 to 8 × ${quantityText(plate, "amperes")}`,
        `${quantityText(4 * plate, "amperes")} to ${quantityText(8 * plate, "amperes")}`,
      ),
      source: "from memory",
    });
    if (running !== undefined) judge(say.runningCurrent, runningVerdict(running, plate));
    if (starting !== undefined)
      judge(
        "Inrush",
        starting < 2 * plate
          ? { kind: "unsure", words: say.smallForAStartA }
          : { kind: "good", words: say.aStartLikeThisIs },
      );
  }
  const brush = given.number("brush");
  if (brush !== undefined) {
    const least = given.number("brushLeast") ?? 5;
    judge(
      "Brushes",
      brush < least
        ? { kind: "bad", words: say.wornBelowLeast(quantityText(least, "millimetres", liked)), mode: "brushes-worn" }
        : { kind: "good", words: say.longEnoughBothSlideFreely },
      undefined,
      say.mmAsADefaultFrom,
    );
  }
  const feeds = given.text("feed") === "yes";
  if (lines.length === 0 && !feeds) throw new Refused(say.typeTheThreeReadingsOr);
  const verdict = found.find((v) => v.kind === "bad") ?? found.find((v) => v.kind === "unsure") ?? found[0];
  return {
    lines,
    ...(verdict ? { verdict } : {}),
    cautions: [say.everySourceOffTheRun, ...(feeds ? [say.fedDirectlyUnloadedSecuredAgainst] : [])],
    notes: feeds ? [say.reducedVoltageAThirdFor, say.itTurnsWhatFeedsIt] : [],
  };
}

/** A motor or compressor by its windings, capacitor, start device and currents. */
export const motorTool: Tool = {
  id: "motor",
  name: say.motorOrCompressor,
  group: "loads",
  words: say.windingsCapacitorStartDeviceCurrents,
  fields: [
    { key: "ohms12", label: say.lead1To2, quantity: "ohms", under: "Windings" },
    { key: "ohms23", label: say.lead2To3, quantity: "ohms", under: "Windings" },
    { key: "ohms13", label: say.lead1To3, quantity: "ohms", under: "Windings" },
    {
      key: "sort",
      label: say.windings,
      choices: [
        ["start", say.runAndStart],
        ["alike", say.threeAlike],
      ],
      preset: "start",
      under: "Windings",
    },
    { key: "case", label: say.anyLeadToTheCase, quantity: "ohms", under: "Windings" },
    { key: "farads", label: say.capacitorMeasured, quantity: "farads", under: "Starting", hint: "7.6u" },
    { key: "print", label: say.itsPrint, under: "Starting", hint: "8u, 108-130 MFD" },
    { key: "starter", label: say.startThermistorCold, quantity: "ohms", under: "Starting" },
    { key: "plate", label: say.plateCurrent, quantity: "amperes", under: "Currents" },
    { key: "running", label: say.clampRunning, quantity: "amperes", under: "Currents" },
    { key: "starting", label: say.clampInrush, quantity: "amperes", under: "Currents" },
    { key: "brush", label: say.brushLength, quantity: "millimetres", under: say.brushesAndFeed },
    { key: "brushLeast", label: say.leastLength, quantity: "millimetres", under: say.brushesAndFeed, hint: "5 mm" },
    {
      key: "feed",
      label: say.feedItDirectly,
      choices: [
        ["no", "no"],
        ["yes", say.yesShowTheRules],
      ],
      preset: "no",
      under: say.brushesAndFeed,
    },
  ],
  work,
  fill(part) {
    const { amps, farads } = ratings(part);
    return {
      ...(amps ? { plate: String(amps) } : {}),
      ...(farads ? { print: `${farads * 1e6}u` } : {}),
    };
  },
};

function runningVerdict(running: number, plate: number): Verdict {
  if (running > LOCKED[0] * 0.75 * plate)
    return {
      kind: "bad",
      words: say.itDoesNotTurnThis,
      mode: "locked",
    };
  if (running > 1.15 * plate) return { kind: "bad", words: say.overloadedStiffLowVoltageOr };
  if (running < 0.2 * plate) return { kind: "bad", words: say.nextToNothingFlowsOpen, mode: "open" };
  return { kind: "good", words: say.asItsPlateSaysOr };
}
