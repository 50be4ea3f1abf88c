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

/** What a resistive load has to do with: any two give the others. Volts, amperes, ohms, watts. */
export interface Power {
  readonly volts: number;
  readonly amps: number;
  readonly ohms: number;
  readonly watts: number;
}

const OHM_AND_JOULE = "Ohm's and Joule's laws";
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
  if (!found || !Number.isFinite(found.volts))
    throw new Refused("Type any two of volts, watts, ohms and amperes; the others follow.");
  const all = { ...found, ohms: found.volts / found.amps, watts: found.volts * found.amps };
  for (const key of ["ohms", "watts", "amps"] as const) {
    const typed = known[key];
    if (typed !== undefined && Math.abs(typed / all[key] - 1) > 0.02)
      throw new Refused(
        `These do not go together: by the others it would be ${quantityText(all[key], quantityOf(key))}. Leave one empty.`,
        key,
      );
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
  if (measured >= low && measured <= high) return { kind: "good", words: "Good: within its window." };
  const other = others.find((o) => {
    const [l, h] = goodWindow(o, tolerance);
    return measured >= l && measured <= h;
  });
  if (other !== undefined)
    return {
      kind: "bad",
      words: `Wrong part fitted: it matches the rating of ${quantityText(other, "ohms")}, not this one.`,
    };
  if (measured > 10 * nominal) return { kind: "bad", words: "Open.", mode: "open" };
  if (measured < 0.1 * nominal)
    return {
      kind: "bad",
      words: "Shorted, or something in parallel: lift one lead and measure again.",
      mode: "shorted",
    };
  return {
    kind: "bad",
    words:
      measured > high
        ? "Drifted high, or a poor contact in the reading."
        : "Drifted low: turns shorted, or something in parallel.",
    mode: "drifted",
  };
}

/** What the case says: below the limit it leaks. */
export function judgeInsulation(ohms: number, limit: number): Verdict {
  return ohms >= limit
    ? { kind: "good", words: "Insulated." }
    : {
        kind: "bad",
        words: `Leaks to its case: ${quantityText(ohms, "ohms")}, wanted ${quantityText(limit, "ohms")} or more.`,
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
  if (tolerance >= 1) throw new Refused("A tolerance of 100 % or more lets everything pass.", "tolerance");
  const [low, high] = goodWindow(rated.ohms, tolerance);
  const lines: Line[] = [
    {
      label: "Ohms",
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
      label: "Good from",
      text: `${show(low, "ohms")} to ${show(high, "ohms")}`,
      formula: formula(
        "R (1 ± t)",
        `${show(rated.ohms, "ohms")} (1 ± ${show(tolerance, "share")})`,
        `${show(low, "ohms")} to ${show(high, "ohms")}`,
      ),
      source: "usual tolerance of elements ±10 %, common practice",
    },
    {
      label: "A clamp should read",
      text: show(rated.amps, "amperes"),
      formula: formula(
        "I = P / V",
        `${show(rated.watts, "watts")} / ${show(rated.volts, "volts")}`,
        show(rated.amps, "amperes"),
      ),
      source: OHM_AND_JOULE,
    },
    { label: "Heat", text: show(rated.watts, "watts") },
    { label: "Rated at", text: show(rated.volts, "volts") },
  ];
  const real = given.number("real");
  if (real !== undefined) {
    positive(real, "The real supply", "real");
    const watts = real ** 2 / rated.ohms;
    lines.push(
      {
        label: `Heat at ${show(real, "volts")}`,
        text: `${show(watts, "watts")}, ${show(watts / rated.watts, "share")} of rated`,
        formula: formula("P = V² / R", `${show(real, "volts")}² / ${show(rated.ohms, "ohms")}`, show(watts, "watts")),
        source: OHM_AND_JOULE,
      },
      { label: `Clamp at ${show(real, "volts")}`, text: show(real / rated.ohms, "amperes") },
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
      label: "To its case",
      text: insulation.words,
      source: "EN 50678:2020, class I; 0.3 MΩ with heating elements",
    });
  return {
    lines,
    ...(verdict ? { verdict } : {}),
    cautions: ["Every source off, proven dead; one lead of the part off, or its neighbours are measured too."],
    notes:
      given.text("sort") === "coil"
        ? [
            "A coil on alternating current draws less than volts over ohms: it chokes. Its ohms are for the ohmmeter only.",
          ]
        : ["Cold ohms of most sheathed elements are within a few per cent of the hot ones; a lamp's are a tenth."],
  };
}

/** A heater, or the winding of a coil. */
export const heaterTool: Tool = {
  id: "heater",
  name: "Heater or coil",
  group: "Loads",
  words: "Volts, watts, ohms, amperes: any two give the rest",
  fields: [
    { key: "volts", label: "Volts", quantity: "volts", min: 0 },
    { key: "watts", label: "Watts", quantity: "watts" },
    { key: "ohms", label: "Ohms", quantity: "ohms" },
    { key: "amps", label: "Amperes", quantity: "amperes" },
    {
      key: "sort",
      label: "It is",
      choices: [
        ["heater", "a heater"],
        ["coil", "a coil"],
      ],
      preset: "heater",
    },
    { key: "tolerance", label: "Tolerance", quantity: "share", preset: "10 %", max: 0.99 },
    { key: "measured", label: "Measured ohms", quantity: "ohms", under: "On the bench", hint: "44.1, 4k7, OL" },
    { key: "case", label: "Ohms to its case", quantity: "ohms", under: "On the bench" },
    { key: "real", label: "Real supply", quantity: "volts", under: "On the bench", min: 0 },
    { key: "others", label: "Ohms of other ratings", under: "On the bench", hint: "22, 88" },
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
