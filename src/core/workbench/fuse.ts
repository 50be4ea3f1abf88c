import { quantityText, readQuantity } from "../quantity";
import { formula, positive, Refused, type Given, type Line, type Sheet, type Tool, type Verdict } from "./tool";
import { coldOhms, ratings } from "../model";
import { carriesFor, FAMILY_NAMES, type FuseFamily, opensWithin } from "./fuse-times";
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

/** How long an inrush is taken to last where nobody said, seconds; common practice, no source. */
const USUAL_INRUSH = 0.1;
/**
 * Of its own ohms: a sound fuse has up to so many times its usual ones, the leads of the meter come on top, above so many
 * times that it is blown; one of unknown rating is whole up to the last. Estimates E59.
 */
const OHMS = { spread: 3, leads: 0.3, blownAbove: 10, unknown: 20 } as const;

/** Whose ohms a family has. */
const COLD_FAMILY = { quick: "quick", slow: "time-lag", ul: "quick", blade: "blade" } as const;

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

/** What one question about a fuse adds to its sheet. */
interface Found {
  readonly lines: readonly Line[];
  readonly verdict?: Verdict;
  /** Whether it says why a fuse blew. */
  readonly isCause?: boolean;
}

const amps = (value: number) => quantityText(value, "amperes");
const NOTHING: Found = { lines: [] };

/** The loads together, the rating they want, and whether the one fitted carries them, by its family. */
function loadsOf(given: Given, volts: number, family: FuseFamily): Found {
  if (!given.text("loads")) return NOTHING;
  const [fitted, print] = [given.number("fitted"), given.number("print")];
  const sum = loadSum(given.text("loads"), volts, given);
  const wanted = fuseFor(sum.amps);
  const lines: Line[] = [
    {
      label: say.loadsTogether,
      text: amps(sum.amps),
      big: true,
      formula: `${sum.parts.map((p) => amps(p.amps)).join(" + ")} = ${amps(sum.amps)}`,
      source: say.sumOfCurrentsTakenAs,
    },
    {
      label: say.nextRatingAbove,
      text: wanted === null ? say.beyondSmallFuses : amps(wanted),
      formula: formula("1.25 × I", `1.25 × ${amps(sum.amps)}`, amps(1.25 * sum.amps)),
      source: say.iec60127RatingsAndA,
    },
  ];
  if (fitted === undefined) return { lines };
  if (fitted >= sum.amps && print === undefined && wanted !== null && fitted > 2 * wanted)
    return { lines, verdict: { kind: "bad", words: say.farTooLargeItProtects } };
  if (fitted >= sum.amps) return { lines, verdict: { kind: "good", words: say.itCarriesTheLoads } };
  const over = overloadOf(family, sum.amps / fitted);
  return { lines: [...lines, over.line], verdict: over.verdict, isCause: over.verdict.kind === "bad" };
}

/** Whether an overload that lasts opens a fuse of a family, and within what time. */
function overloadOf(family: FuseFamily, ratio: number): { readonly line: Line; readonly verdict: Verdict } {
  const { most } = opensWithin(family, ratio);
  const line = {
    label: say.overloaded,
    text: say.timesItsRating(quantityText(ratio, "plain")),
    source: say.boundsOf(FAMILY_NAMES[family]),
  };
  if (ratio <= carriesFor(family)) return { line, verdict: { kind: "unsure", words: say.overloadedYetItHolds } };
  if (most === Infinity) return { line, verdict: { kind: "unsure", words: say.overloadedItMayOpen } };
  return { line, verdict: { kind: "bad", words: say.blownByLoadWithin(quantityText(most, "seconds")) } };
}

/** The largest inrush and how long it lasts, against what its family bears. */
function inrushOf(given: Given, family: FuseFamily): Found {
  const [fitted, start, lasts] = [given.number("fitted"), given.number("start"), given.number("lasts")];
  if (start === undefined || fitted === undefined) return NOTHING;
  const ratio = start / fitted;
  const { least, most } = opensWithin(family, ratio);
  const line = {
    label: say.withTheStartCurrent,
    text: say.timesItsRatingForA(
      quantityText(ratio, "plain"),
      lasts === undefined ? null : quantityText(lasts, "seconds"),
    ),
    source: say.opensBetween(
      FAMILY_NAMES[family],
      least > 0 ? quantityText(least, "seconds") : null,
      Number.isFinite(most) ? quantityText(most, "seconds") : null,
    ),
  };
  const during = lasts ?? USUAL_INRUSH;
  if (during >= most)
    return { lines: [line], verdict: { kind: "bad", words: say.blownByInrushWrongType }, isCause: true };
  if (ratio > 1 && during > least) return { lines: [line], verdict: { kind: "unsure", words: say.inrushMayOpenIt } };
  return { lines: [line], verdict: { kind: "good", words: say.itBearsTheInrush } };
}

/** What the ohms behind it would let flow. */
function behindIt(given: Given, volts: number): Found {
  const [dead, fitted] = [given.number("dead"), given.number("fitted")];
  if (dead === undefined)
    return given.text("blown") === "yes"
      ? { lines: [], verdict: { kind: "unsure", words: say.whyDidItBlowMeasure } }
      : NOTHING;
  const feeds = dead === 0 ? Infinity : volts / dead;
  const flows = Number.isFinite(feeds) ? amps(feeds) : null;
  const line = {
    label: say.behindItDead,
    text: say.deadPartAtMost(quantityText(dead, "ohms"), flows ?? say.aShort),
    formula: formula(
      "I = V / R",
      `${quantityText(volts, "volts")} / ${quantityText(dead, "ohms")}`,
      flows ?? say.withoutEnd,
    ),
    source: say.ohmsLawCoilsChokeSo,
  };
  return fitted !== undefined && feeds > 3 * fitted
    ? { lines: [line], verdict: { kind: "bad", words: say.stillShortedBehindItFind } }
    : { lines: [line] };
}

/** Its own ohms against those of a sound one of its family and rating. */
function itself(given: Given, family: FuseFamily): Found {
  const [fuse, rating] = [given.number("fuse"), given.number("fitted") ?? given.number("print")];
  if (fuse === undefined) return NOTHING;
  const sound = coldOhms(rating ?? 1, COLD_FAMILY[family]);
  const bound = rating === undefined ? OHMS.unknown : OHMS.spread * sound + OHMS.leads;
  let text: string = say.measureAgain;
  if (fuse <= bound) text = say.whole;
  else if (fuse === Infinity || fuse > OHMS.blownAbove * bound) text = say.blown;
  return {
    lines: [
      {
        label: say.theFuseItself,
        text,
        ...(rating === undefined ? {} : { formula: say.aSoundOneHas(quantityText(sound, "ohms")) }),
        source: rating === undefined ? say.withoutItsRating : say.deadAndOutOfIts,
      },
    ],
  };
}

function work(given: Given): Sheet {
  const volts = given.number("volts") ?? 230;
  positive(volts, say.theSupply, "volts");
  const family = given.text("type") as FuseFamily;
  const [fitted, print] = [given.number("fitted"), given.number("print")];
  const [loads, inrush] = [loadsOf(given, volts, family), inrushOf(given, family)];
  const [behind, own] = [behindIt(given, volts), itself(given, family)];
  const isWrong = print !== undefined && fitted !== undefined && print !== fitted;
  const size: Found = isWrong
    ? { lines: [], verdict: { kind: "bad", words: say.wrongSizeWhereIsPrinted(amps(fitted), amps(print)) } }
    : NOTHING;
  const lines = [loads, inrush, behind, own].flatMap((f) => f.lines);
  // What is worst for whoever fits a new one is said first; of one that blew, then why.
  const isShorted = behind.verdict?.kind === "bad";
  const causes = [inrush, loads].filter((f) => f.isCause);
  const verdicts = [size, isShorted ? behind : NOTHING, ...causes, behind, inrush, loads].flatMap(
    (f) => f.verdict ?? [],
  );
  if (lines.length === 0 && verdicts.length === 0) throw new Refused(say.typeTheLoadsBehindIt);
  const verdict = verdicts.find((v) => v.kind !== "good") ?? verdicts[0];
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
      choices: (["slow", "quick", "ul", "blade"] as const).map((f) => [f, FAMILY_NAMES[f]] as const),
      preset: "slow",
    },
    { key: "start", label: say.largestInrush, quantity: "amperes" },
    { key: "lasts", label: say.itLasts, quantity: "seconds", hint: "100 ms" },
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
    const { amps: rating, family } = ratings(part);
    const type = (["slow", "quick", "blade"] as const).find((f) => COLD_FAMILY[f] === family);
    return {
      volts: String(machine.file.supply.volts),
      ...(rating ? { print: String(rating), fitted: String(rating) } : {}),
      ...(type ? { type } : {}),
    };
  },
};
