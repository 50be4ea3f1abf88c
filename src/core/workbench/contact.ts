import { quantityText } from "../quantity";
import {
  formula,
  positive,
  readList,
  Refused,
  type Given,
  type Line,
  type Sheet,
  type Tool,
  type Verdict,
} from "./tool";
import { say } from "#words/core/workbench/contact";

/**
 * Watts in one contact up to which it stays cool, and above which its metal anneals and its housing browns; common
 * practice, no source.
 */
export const COOL_WATTS = 0.5;
export const BURNS_WATTS = 2;

/** What becomes of a contact that drops `volts` at `amps`: cool, warm or burning, with its ohms and watts. */
export function contactHeat(
  volts: number,
  amps: number,
): { readonly ohms: number; readonly watts: number; readonly state: "cool" | "warm" | "burns" } {
  const watts = volts * amps;
  return { ohms: volts / amps, watts, state: heatState(watts) };
}

/** Volts at which a contact carrying `amps` burns. */
export function burningDrop(amps: number): number {
  return BURNS_WATTS / amps;
}

/** Minutes a cleaned contact dries before power; the label goes before it. Common practice, no source. */
export const DRYING_MINUTES = 10;
/** Ohms of a good contact by a hand-held meter, leads zeroed; common practice, no source. */
const GOOD_OHMS = 0.2;

function work(given: Given): Sheet {
  const { liked } = given;
  const lines: Line[] = [];
  const found: Verdict[] = [];
  const wiggle = readList(given.text("wiggle"), "ohms", liked, "wiggle");
  if (wiggle.length > 0) {
    const [low, high] = [Math.min(...wiggle), Math.max(...wiggle)];
    let verdict: Verdict;
    if (high === Infinity)
      verdict = {
        kind: "bad",
        words: low === Infinity ? say.open : say.opensWhenItIsMoved,
        mode: low === Infinity ? "open" : "resistive",
      };
    else if (high - low > GOOD_OHMS)
      verdict = {
        kind: "bad",
        words: say.movesBetweenAndWhenWiggled(quantityText(low, "ohms"), quantityText(high, "ohms")),
        mode: "resistive",
      };
    else if (high > 5 * GOOD_OHMS) verdict = { kind: "bad", words: say.tooHighAndSteadyDirt, mode: "resistive" };
    else if (high > GOOD_OHMS) verdict = { kind: "unsure", words: say.aLittleHighZeroThe };
    else verdict = { kind: "good", words: say.steadyAndLow };
    found.push(verdict);
    lines.push({
      label: say.deadWiggled,
      text: verdict.words,
      source: say.below02WithZeroed,
    });
  }
  const [volts, amps] = [given.number("volts"), given.number("amps")];
  if (amps !== undefined) {
    positive(amps, say.theCurrent, "amps");
    lines.push({
      label: say.burnsFromADropOf,
      text: quantityText(burningDrop(amps), "volts"),
      formula: formula(
        "V = P / I",
        `${quantityText(BURNS_WATTS, "watts")} / ${quantityText(amps, "amperes")}`,
        quantityText(burningDrop(amps), "volts"),
      ),
      source: say.wInOneContactCommon,
    });
    if (volts !== undefined) {
      const heat = contactHeat(Math.abs(volts), amps);
      let verdict: Verdict;
      if (heat.state === "cool") verdict = { kind: "good", words: say.staysCool };
      else if (heat.state === "warm") verdict = { kind: "unsure", words: say.runsWarmCleanAndTighten };
      else verdict = { kind: "bad", words: say.burnsRenewPinAndSocket, mode: "resistive" };
      found.push(verdict);
      lines.push(
        {
          label: say.heatInIt,
          text: `${quantityText(heat.watts, "watts")}. ${verdict.words}`,
          big: true,
          formula: formula(
            "P = V I",
            `${quantityText(Math.abs(volts), "volts")} × ${quantityText(amps, "amperes")}`,
            quantityText(heat.watts, "watts"),
          ),
          source: say.joulesLaw,
        },
        {
          label: say.itsOhms,
          text: quantityText(heat.ohms, "ohms"),
          formula: formula(
            "R = V / I",
            `${quantityText(Math.abs(volts), "volts")} / ${quantityText(amps, "amperes")}`,
            quantityText(heat.ohms, "ohms"),
          ),
          source: say.ohmsLaw,
        },
      );
    }
  } else if (volts !== undefined) throw new Refused(say.aDropMeansSomethingOnly, "amps");
  const [depth, full] = [given.number("depth"), given.number("full")];
  if (depth !== undefined && full !== undefined) {
    const verdict: Verdict =
      depth >= 0.95 * full
        ? { kind: "good", words: say.seated }
        : {
            kind: "bad",
            words: say.standsOffByFindWhat(quantityText(full - depth, "millimetres", liked)),
            mode: "open",
          };
    found.push(verdict);
    lines.push({ label: say.seating, text: verdict.words });
  }
  const tug = given.text("tug");
  if (tug) {
    const verdict: Verdict =
      tug === "holds"
        ? { kind: "good", words: say.everyWireHolds }
        : {
            kind: "bad",
            words: say.aWireComesOutIts,
            mode: "open",
          };
    found.push(verdict);
    lines.push({ label: say.tugTest, text: verdict.words });
  }
  const done = given.text("done");
  if (done === "cleaned" || done === "both")
    lines.push({
      label: say.dryBeforePower,
      text: quantityText(given.number("drying") ?? DRYING_MINUTES * 60, "seconds"),
      source: say.minutesIsUsualTheLabel,
    });
  if (lines.length === 0) throw new Refused(say.typeOhmsWhileYouWiggle);
  const verdict = found.find((v) => v.kind === "bad") ?? found.find((v) => v.kind === "unsure") ?? found[0];
  return {
    lines,
    ...(verdict ? { verdict } : {}),
    cautions: [
      say.ohmsWithEverySourceOff,
      ...(done === "cleaned" || done === "both" ? [say.contactCleanerOnlyWithThe] : []),
    ],
    notes: notesOn(done),
  };
}

/** A plug contact or terminal. */
export const contactTool: Tool = {
  id: "contact",
  name: say.contactOrPlug,
  group: "joints",
  words: say.wiggledOhmsDropUnderLoad,
  fields: [
    { key: "wiggle", label: say.ohmsWhileWiggled, hint: "0.1 0.1 3 OL", under: "Dead" },
    { key: "depth", label: say.pushedIn, quantity: "millimetres", under: "Dead" },
    { key: "full", label: say.fullDepth, quantity: "millimetres", under: "Dead" },
    {
      key: "tug",
      label: say.tugTest,
      choices: [
        ["", say.notMade],
        ["holds", say.allHold],
        ["loose", say.oneComesOut],
      ],
      preset: "",
      under: "Dead",
    },
    { key: "volts", label: say.dropAcrossIt, quantity: "volts", under: say.underLoad, hint: "120 mV" },
    { key: "amps", label: say.currentThroughIt, quantity: "amperes", under: say.underLoad },
    {
      key: "done",
      label: say.whatWasDone,
      choices: [
        ["", say.nothingYet],
        ["reseated", "reseated"],
        ["cleaned", "cleaned"],
        ["both", say.cleanedAndReseated],
      ],
      preset: "",
      under: "Done",
    },
    { key: "drying", label: say.dryingTimeOfTheLabel, quantity: "seconds", hint: "10 min", under: "Done" },
  ],
  work,
};

function heatState(watts: number): "warm" | "cool" | "burns" {
  if (watts < COOL_WATTS) return "cool";
  if (watts < BURNS_WATTS) return "warm";
  return "burns";
}

function notesOn(done: string): string[] {
  if (done === "reseated") return [say.reseatedOnlyKeepItApart];
  if (done === "cleaned") return [say.cleanedOnlyPushedHomeAgain];
  if (done === "both") return [say.cleanedAndReseatedWhichOf];
  return [say.harnessBeforeBoardsInOld];
}
