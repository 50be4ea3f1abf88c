import { quantityText, readQuantity } from "../quantity";
import { formula, positive, Refused, type Given, type Line, type Sheet, type Tool, type Verdict } from "./tool";
import { ratings } from "../model";
import { say } from "#words/core/workbench/fuse";

/** Preferred ratings, amperes (IEC 60127, from memory). */
export const FUSE_RATINGS = [
  0.1, 0.125, 0.16, 0.2, 0.25, 0.315, 0.4, 0.5, 0.63, 0.8, 1, 1.25, 1.6, 2, 2.5, 3.15, 4, 5, 6.3, 8, 10, 12.5, 16, 20,
  25, 32,
];

/** The next preferred rating above what flows, a quarter to spare (from memory). */
export function fuseFor(amps: number): number | null {
  return FUSE_RATINGS.find((r) => r >= 1.25 * amps - 1e-9) ?? null;
}

/** Amperes of loads typed as "325W heater, 0.5A fan", summed. Throws `Refused` naming the load. */
export function loadSum(
  text: string,
  volts: number,
  given: Given,
): { readonly amps: number; readonly parts: readonly { readonly words: string; readonly amps: number }[] } {
  const parts = text
    .split(/[,;\n]+/)
    .map((t) => t.trim())
    .filter((t) => t !== "")
    .map((t) => {
      const match = /^([\d.,]+\s*[a-zA-ZµΩ]+)\s*(.*)$/.exec(t);
      const typed = match?.[1] ?? t;
      const [watts, amps, ohms] = (["watts", "amperes", "ohms"] as const).map((q) =>
        new RegExp(`${{ watts: "w(?:atts?)?|hp", amperes: "a(?:mps?)?", ohms: "Ω|ohms?|r" }[q]}$`, "i").test(typed)
          ? readQuantity(typed, q, given.liked)
          : null,
      );
      let value: number;
      if (watts?.ok) value = watts.value / volts;
      else if (amps?.ok) value = amps.value;
      else if (ohms?.ok) value = volts / ohms.value;
      else value = NaN;
      if (!(value > 0) || !Number.isFinite(value)) throw new Refused(say.isNoLoadTypeWatts(t.slice(0, 30)), "loads");
      return { words: match?.[2] || "load", amps: value };
    });
  return { amps: parts.reduce((sum, p) => sum + p.amps, 0), parts };
}

function work(given: Given): Sheet {
  const volts = given.number("volts") ?? 230;
  positive(volts, say.theSupply, "volts");
  const lines: Line[] = [];
  let verdict: Verdict | undefined;
  const fitted = given.number("fitted");
  const print = given.number("print");
  if (given.text("loads")) {
    const sum = loadSum(given.text("loads"), volts, given);
    const wanted = fuseFor(sum.amps);
    lines.push({
      label: say.loadsTogether,
      text: quantityText(sum.amps, "amperes"),
      big: true,
      formula: `${sum.parts.map((p) => quantityText(p.amps, "amperes")).join(" + ")} = ${quantityText(sum.amps, "amperes")}`,
      source: say.sumOfCurrentsTakenAs,
    });
    lines.push({
      label: say.nextRatingAbove,
      text: wanted === null ? "beyond small fuses" : quantityText(wanted, "amperes"),
      formula: formula(
        "1.25 × I",
        `1.25 × ${quantityText(sum.amps, "amperes")}`,
        quantityText(1.25 * sum.amps, "amperes"),
      ),
      source: say.iec60127RatingsAndA,
    });
    if (fitted !== undefined)
      if (fitted < sum.amps) verdict = { kind: "bad", words: say.blownByLoadAllTogether };
      else if (print === undefined && wanted !== null && fitted > 2 * wanted)
        verdict = { kind: "bad", words: say.farTooLargeItProtects };
      else verdict = { kind: "good", words: say.itCarriesTheLoads };
    const motor = given.number("start");
    if (motor !== undefined && fitted !== undefined) {
      lines.push({
        label: say.withTheStartCurrent,
        text: say.timesItsRatingForA(quantityText(motor / fitted, "plain")),
        source: given.text("type") === "quick" ? say.aQuickFuseBlowsFrom : say.aSlowFuseBearsAbout,
      });
      if (motor / fitted > (given.text("type") === "quick" ? 2 : 10))
        verdict = { kind: "bad", words: say.blownByInrushWrongType };
    }
  }
  const dead = given.number("dead");
  if (dead !== undefined) {
    const feeds = dead === 0 ? Infinity : volts / dead;
    lines.push({
      label: say.behindItDead,
      text: say.deadPartAtMost(
        quantityText(dead, "ohms"),
        Number.isFinite(feeds) ? quantityText(feeds, "amperes") : "a short",
      ),
      formula: formula(
        "I = V / R",
        `${quantityText(volts, "volts")} / ${quantityText(dead, "ohms")}`,
        Number.isFinite(feeds) ? quantityText(feeds, "amperes") : say.withoutEnd,
      ),
      source: say.ohmsLawCoilsChokeSo,
    });
    if (fitted !== undefined && feeds > 3 * fitted)
      verdict = {
        kind: "bad",
        words: say.stillShortedBehindItFind,
      };
  } else if (given.text("blown") === "yes") verdict = { kind: "unsure", words: say.whyDidItBlowMeasure };
  const fuse = given.number("fuse");
  if (fuse !== undefined)
    lines.push({
      label: say.theFuseItself,
      text: fuse < 2 ? "whole" : "blown",
      source: say.deadAndOutOfIts,
    });
  if (print !== undefined && fitted !== undefined && print !== fitted)
    verdict = {
      kind: "bad",
      words: say.wrongSizeWhereIsPrinted(quantityText(fitted, "amperes"), quantityText(print, "amperes")),
    };
  if (lines.length === 0 && !verdict) throw new Refused(say.typeTheLoadsBehindIt);
  return {
    lines,
    ...(verdict ? { verdict } : {}),
    cautions: [say.sameTypeSameRatingSame, say.outOfItsHolderDead],
    notes: [say.aBlackGlassShortA],
  };
}

/** The right fuse, and why it blew. */
export const fuseTool: Tool = {
  id: "fuse",
  name: say.fuse,
  group: "joints",
  words: say.rightTypeAndSizeAnd,
  fields: [
    { key: "volts", label: say.supply, quantity: "volts", preset: "230", min: 0 },
    { key: "loads", label: say.loadsBehindIt, lines: 2, hint: say.heater05aFan },
    { key: "fitted", label: say.fuseFitted, quantity: "amperes" },
    { key: "print", label: say.printedAtTheHolder, quantity: "amperes" },
    {
      key: "type",
      label: say.type,
      choices: [
        ["slow", "slow"],
        ["quick", "quick"],
      ],
      preset: "slow",
    },
    { key: "start", label: say.largestInrush, quantity: "amperes" },
    {
      key: "blown",
      label: say.itIsBlown,
      choices: [
        ["no", "no"],
        ["yes", "yes"],
      ],
      preset: "no",
      under: "Measured",
    },
    { key: "fuse", label: say.itsOwnOhmsTakenOut, quantity: "ohms", under: "Measured" },
    { key: "dead", label: say.ohmsBehindItDead, quantity: "ohms", under: "Measured" },
  ],
  work,
  fill(part, machine): Record<string, string> {
    const { amps } = ratings(part);
    return {
      volts: String(machine.file.supply.volts),
      ...(amps ? { print: String(amps), fitted: String(amps) } : {}),
    };
  },
};
