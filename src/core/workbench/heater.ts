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
import { ratings } from "../model";
import { say } from "#words/core/workbench/heater";

/** What a resistive load has to do with: any two give the others. Volts, amperes, ohms, watts. */
export interface Power {
  readonly volts: number;
  readonly amps: number;
  readonly ohms: number;
  readonly watts: number;
}

const OHM_AND_JOULE = say.ohmsAndJoulesLaws;
/**
 * Least insulation of a class I machine to its case after repair, ohms; with heating elements a third of it (EN
 * 50678:2020).
 */
export const INSULATION_CLASS_I = 1e6;
export const INSULATION_HEATERS = 0.3e6;

/**
 * Volts, amperes, ohms and watts from any two of them, all above zero. Throws `Refused` with fewer, or with more that
 * disagree by over 2 %.
 */
export function solvePower(known: Partial<Power>): Power {
  const { volts, amps, ohms, watts } = known;
  for (const [key, value] of Object.entries(known)) positive(value, key.charAt(0).toUpperCase() + key.slice(1), key);
  let found: { volts: number; amps: number } | null;
  if (volts !== undefined && watts !== undefined) found = { volts, amps: watts / volts };
  else if (volts !== undefined && ohms !== undefined) found = { volts, amps: volts / ohms };
  else if (volts !== undefined && amps !== undefined) found = { volts, amps };
  else if (watts !== undefined && ohms !== undefined)
    found = { volts: Math.sqrt(watts * ohms), amps: Math.sqrt(watts / ohms) };
  else if (watts !== undefined && amps !== undefined) found = { volts: watts / amps, amps };
  else if (ohms !== undefined && amps !== undefined) found = { volts: ohms * amps, amps };
  else found = null;
  if (!found || !Number.isFinite(found.volts)) throw new Refused(say.typeAnyTwoOfVolts);
  const all = { ...found, ohms: found.volts / found.amps, watts: found.volts * found.amps };
  for (const key of ["ohms", "watts", "amps"] as const) {
    const typed = known[key];
    if (typed !== undefined && Math.abs(typed / all[key] - 1) > 0.02)
      throw new Refused(say.theseDoNotGoTogether(quantityText(all[key], quantityOf(key))), key);
  }
  return all;
}

/** Ohms within which a part of `nominal` ohms is good. `tolerance` is a share. */
export function goodWindow(nominal: number, tolerance: number): readonly [number, number] {
  return [nominal * (1 - tolerance), nominal * (1 + tolerance)];
}

/**
 * What a resistive part is by its ohms: within its window good; near another rating of the same machine the wrong part;
 * above ten times nominal open. `others` are the ohms of other ratings.
 */
export function judgeOhms(measured: number, nominal: number, tolerance: number, others: readonly number[]): Verdict {
  const [low, high] = goodWindow(nominal, tolerance);
  if (measured >= low && measured <= high) return { kind: "good", words: say.goodWithinItsWindow };
  const other = others.find((o) => {
    const [l, h] = goodWindow(o, tolerance);
    return measured >= l && measured <= h;
  });
  if (other !== undefined)
    return {
      kind: "bad",
      words: say.wrongPartFittedItMatches(quantityText(other, "ohms")),
    };
  if (measured > 10 * nominal) return { kind: "bad", words: say.open, mode: "open" };
  if (measured < 0.1 * nominal)
    return {
      kind: "bad",
      words: say.shortedOrSomethingInParallel,
      mode: "shorted",
    };
  return {
    kind: "bad",
    words: measured > high ? say.driftedHighOrAPoor : say.driftedLowTurnsShortedOr,
    mode: "drifted",
  };
}

/** What the case says: below the limit it leaks. */
export function judgeInsulation(ohms: number, limit: number): Verdict {
  return ohms >= limit
    ? { kind: "good", words: say.insulated }
    : {
        kind: "bad",
        words: say.leaksToItsCaseWanted(quantityText(ohms, "ohms"), quantityText(limit, "ohms")),
        mode: "to-case",
      };
}

function work(given: Given): Sheet {
  const { liked } = given;
  const show = (value: number, quantity: Parameters<typeof quantityText>[1]) => quantityText(value, quantity, liked);
  const known = Object.fromEntries(
    (["volts", "watts", "ohms", "amps"] as const).flatMap((key) => {
      const v = given.number(key);
      return v === undefined ? [] : [[key, v]];
    }),
  );
  const rated = solvePower(known);
  const tolerance = given.number("tolerance") ?? 0.1;
  if (tolerance >= 1) throw new Refused(say.aToleranceOf100Or, "tolerance");
  const [low, high] = goodWindow(rated.ohms, tolerance);
  const lines: Line[] = [
    {
      label: say.ohms,
      text: show(rated.ohms, "ohms"),
      big: true,
      formula: formula(
        "R = V² / P",
        `${show(rated.volts, "volts")}² / ${show(rated.watts, "watts")}`,
        show(rated.ohms, "ohms"),
      ),
      source: OHM_AND_JOULE,
    },
    {
      label: say.goodFrom,
      text: `${show(low, "ohms")} to ${show(high, "ohms")}`,
      formula: formula(
        "R (1 ± t)",
        `${show(rated.ohms, "ohms")} (1 ± ${show(tolerance, "share")})`,
        `${show(low, "ohms")} to ${show(high, "ohms")}`,
      ),
      source: say.usualToleranceOfElements10,
    },
    {
      label: say.aClampShouldRead,
      text: show(rated.amps, "amperes"),
      formula: formula(
        "I = P / V",
        `${show(rated.watts, "watts")} / ${show(rated.volts, "volts")}`,
        show(rated.amps, "amperes"),
      ),
      source: OHM_AND_JOULE,
    },
    { label: say.heat, text: show(rated.watts, "watts") },
    { label: say.ratedAt, text: show(rated.volts, "volts") },
  ];
  const real = given.number("real");
  if (real !== undefined) {
    positive(real, say.theRealSupply, "real");
    const watts = real ** 2 / rated.ohms;
    lines.push(
      {
        label: say.heatAtShow(show(real, "volts")),
        text: say.showShow2OfRated(show(watts, "watts"), show(watts / rated.watts, "share")),
        formula: formula("P = V² / R", `${show(real, "volts")}² / ${show(rated.ohms, "ohms")}`, show(watts, "watts")),
        source: OHM_AND_JOULE,
      },
      { label: say.clampAtShow(show(real, "volts")), text: show(real / rated.ohms, "amperes") },
    );
  }
  const others = readList(given.text("others"), "ohms", liked, "others");
  const measured = given.number("measured");
  const toCase = given.number("case");
  const insulation =
    toCase === undefined
      ? null
      : judgeInsulation(toCase, given.text("sort") === "coil" ? INSULATION_CLASS_I : INSULATION_HEATERS);
  let verdict: Verdict | undefined;
  if (insulation?.kind === "bad") verdict = insulation;
  else if (measured === undefined) verdict = insulation ?? undefined;
  else verdict = judgeOhms(measured, rated.ohms, tolerance, others);
  if (insulation)
    lines.push({
      label: say.toItsCase,
      text: insulation.words,
      source: say.en506782020ClassI,
    });
  return {
    lines,
    ...(verdict ? { verdict } : {}),
    cautions: [say.everySourceOffProvenDead],
    notes: given.text("sort") === "coil" ? [say.aCoilOnAlternatingCurrent] : [say.coldOhmsOfMostSheathed],
  };
}

/** A heater, or the winding of a coil. */
export const heaterTool: Tool = {
  id: "heater",
  name: say.heaterOrCoil,
  group: "loads",
  words: say.voltsWattsOhmsAmperesAny,
  fields: [
    { key: "volts", label: say.volts, quantity: "volts", min: 0 },
    { key: "watts", label: say.watts, quantity: "watts" },
    { key: "ohms", label: say.ohms, quantity: "ohms" },
    { key: "amps", label: say.amperes, quantity: "amperes" },
    {
      key: "sort",
      label: say.itIs,
      choices: [
        ["heater", "a heater"],
        ["coil", "a coil"],
      ],
      preset: "heater",
    },
    { key: "tolerance", label: say.tolerance, quantity: "share", preset: "10 %", max: 0.99 },
    { key: "measured", label: say.measuredOhms, quantity: "ohms", under: say.onTheBench, hint: "44.1, 4k7, OL" },
    { key: "case", label: say.ohmsToItsCase, quantity: "ohms", under: say.onTheBench },
    { key: "real", label: say.realSupply, quantity: "volts", under: say.onTheBench, min: 0 },
    { key: "others", label: say.ohmsOfOtherRatings, under: say.onTheBench, hint: "22, 88" },
  ],
  work,
  fill(part, machine) {
    const fields = ratings(part);
    const own = fields.ohms !== undefined && fields.watts === undefined;
    const rest = machine.parts
      .filter((p) => p !== part && p.kind === part.kind)
      .map(ratings)
      .map((f) => (f.ohms ?? f.volts! ** 2 / f.watts!).toFixed(1));
    return {
      ...(own
        ? { ohms: String(fields.ohms), volts: String(fields.ohms! * fields.amps! || fields.volts), sort: "coil" }
        : { volts: String(fields.volts), watts: String(fields.watts) }),
      others: [...new Set(rest)].join(" "),
      real: String(machine.file.supply.volts),
    };
  },
};

function quantityOf(key: "ohms" | "watts" | "amps"): "amperes" | "ohms" | "watts" {
  if (key === "ohms") return "ohms";
  if (key === "amps") return "amperes";
  return "watts";
}
