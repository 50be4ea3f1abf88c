import { copperOhms, gaugeOfArea, INTERNAL_DENSITY, internalAmps, quantityText } from "../quantity";
import { formula, positive, Refused, type Given, type Line, type Sheet, type Tool, type Verdict } from "./tool";
import { say } from "#words/core/workbench/wire";

/**
 * Overcurrent limit of small copper conductors of building wiring, amperes by gauge (NFPA 70, 240.4(D)). It is no
 * ampacity of internal leads.
 */
export const BUILDING_LIMIT: Readonly<Record<number, number>> = { 18: 7, 16: 10, 14: 15, 12: 20, 10: 30 };

/** Over this temperature nearby every 10 K cost a tenth; from memory. */
const COOL = 40;

/** Limit of a wire and the rule it comes from. */
export function wireLimit(
  area: number,
  place: "building" | "internal",
  celsius = 25,
): { readonly amps: number; readonly rule: string } {
  if (place === "building") {
    const gauge = Object.keys(BUILDING_LIMIT)
      .map(Number)
      .sort((a, b) => a - b)
      .find((g) => g >= gaugeOfArea(area) - 0.05);
    if (gauge === undefined) return { amps: 0, rule: say.nfpa702404D };
    return { amps: BUILDING_LIMIT[gauge]!, rule: say.nfpa702404DAwg(gauge) };
  }
  const derated = Math.max(0, 1 - Math.max(0, celsius - COOL) / 100);
  return {
    amps: internalAmps(area) * derated,
    rule: say.aAMmCommonPractice(
      INTERNAL_DENSITY,
      derated < 1 ? ` × ${quantityText(derated, "plain")} for ${quantityText(celsius, "celsius")}` : "",
    ),
  };
}

/** What `amps` drop along a wire and its way back, `length` metres each, and heat it by. */
function dropLines(ohms: number, amps: number, length: number, volts: number | undefined): readonly Line[] {
  const drop = ohms * amps;
  return [
    {
      label: say.drop,
      text: `${quantityText(drop, "volts")}${volts ? `, ${quantityText(drop / volts, "share")}` : ""}`,
      formula: formula(
        "V = R I",
        `${quantityText(ohms, "ohms")} × ${quantityText(amps, "amperes")}`,
        quantityText(drop, "volts"),
      ),
      source: say.ohmsLaw,
    },
    {
      label: say.heatInIt,
      text: `${quantityText(drop * amps, "watts")}, ${quantityText((drop * amps) / (2 * Math.max(length, 1e-9)), "watts")} a metre`,
    },
  ];
}

function work(given: Given): Sheet {
  const { liked } = given;
  const area = given.number("area");
  if (area === undefined) throw new Refused(say.typeTheWiresSize1, "area");
  positive(area, say.theSize, "area");
  const place = given.text("place") === "building" ? "building" : "internal";
  const celsius = given.number("celsius") ?? 25;
  const limit = wireLimit(area, place, celsius);
  const lines: Line[] = [
    {
      label: say.itCarries,
      text: quantityText(limit.amps, "amperes"),
      big: true,
      formula: limit.rule,
      source: place === "building" ? say.protectsBuildingWiringNoAmpacity : say.commonPractice,
    },
  ];
  const [length, amps, volts] = [given.number("length"), given.number("amps"), given.number("volts")];
  let verdict: Verdict | undefined;
  if (length !== undefined) {
    const ohms = copperOhms(area, 2 * length, celsius);
    lines.push({
      label: say.thereAndBack,
      text: quantityText(ohms, "ohms"),
      formula: formula(
        "R = ρ (1 + α (t - 20)) 2 l / A",
        `0.017241 × (1 + 0.00393 × ${quantityText(celsius - 20, "plain")}) × ` +
          `${quantityText(2 * length, "metres")} / ${quantityText(area, "area")}`,
        quantityText(ohms, "ohms"),
      ),
      source: "IEC 60028",
    });
    if (amps !== undefined) {
      const drop = ohms * amps;
      lines.push(...dropLines(ohms, amps, length, volts));
      if (volts && drop / volts > 0.05) verdict = { kind: "unsure", words: say.moreThanATwentiethIs };
    }
  }
  if (amps !== undefined)
    verdict =
      amps > limit.amps
        ? {
            kind: "bad",
            words: say.tooThinThroughAWire(quantityText(amps, "amperes"), quantityText(limit.amps, "amperes")),
          }
        : (verdict ?? { kind: "good", words: say.itCarriesThis });
  return {
    lines,
    ...(verdict ? { verdict } : {}),
    cautions: [],
    notes: [
      say.itIsAreaArea2(
        quantityText(area, "area", { ...liked, wire: "mm²" }),
        quantityText(area, "area", { ...liked, wire: "AWG" }),
      ),
      say.aSpliceCarriesWhatIts,
    ],
  };
}

/** A wire's limit and drop. */
export const wireTool: Tool = {
  id: "wire",
  name: say.wire,
  group: "joints",
  words: say.limitAndDropBySize,
  fields: [
    { key: "area", label: say.size, quantity: "area", hint: "1.5 or 16 AWG" },
    {
      key: "place",
      label: say.where,
      choices: [
        ["internal", say.insideTheMachine],
        ["building", say.buildingWiring],
      ],
      preset: "internal",
    },
    { key: "length", label: say.lengthOneWay, quantity: "metres" },
    { key: "amps", label: say.current, quantity: "amperes" },
    { key: "volts", label: say.supply, quantity: "volts", min: 0 },
    { key: "celsius", label: say.howWarmItIsThere, quantity: "celsius", hint: "25" },
  ],
  work,
};
