import { ntcOhms, ratings } from "../model";
import { type Liked, quantityText, readQuantity } from "../quantity";
import {
  formula,
  positive,
  Refused,
  type Curve,
  type Given,
  type Line,
  type Sheet,
  type Tool,
  type Verdict,
} from "./tool";
import { say } from "#words/core/workbench/temperature-sensor";

const KELVIN = 273.15;

/** Ohms against degrees Celsius, and back. `range` is where the curve is known, degrees Celsius. */
export interface SensorCurve {
  readonly words: string;
  readonly source: string;
  readonly range: readonly [number, number];
  ohmsAt(celsius: number): number;
  celsiusAt(ohms: number): number;
}

/** B value, kelvin, from two resistances (ohms) and their temperatures (degrees Celsius); IEC 60539-1. */
export function betaOf(ohms1: number, celsius1: number, ohms2: number, celsius2: number): number {
  if (!(ohms1 > 0 && ohms2 > 0)) throw new Refused(say.resistancesMustBeAboveZero);
  if (celsius1 === celsius2) throw new Refused(say.twoDifferentTemperaturesAreNeeded);
  return Math.log(ohms1 / ohms2) / (1 / (celsius1 + KELVIN) - 1 / (celsius2 + KELVIN));
}

/** A thermistor by its ohms at 25 °C and its B value (IEC 60539-1). */
export function betaCurve(ohms25: number, beta: number): SensorCurve {
  positive(ohms25, say.ohmsAt25C, "ohms25");
  positive(beta, say.theBValue, "beta");
  return {
    words: say.bEquationOhms25At25(quantityText(ohms25, "ohms"), Math.round(beta)),
    source: "IEC 60539-1",
    range: [-50, 150],
    ohmsAt: (celsius) => ntcOhms(ohms25, beta, celsius),
    celsiusAt: (ohms) => 1 / (Math.log(ohms / ohms25) / beta + 1 / (25 + KELVIN)) - KELVIN,
  };
}

/**
 * A thermistor through three points (ohms, degrees Celsius): 1/T = a + b ln R + c (ln R)^3 (Steinhart and Hart,
 * Deep-Sea Research 15, 1968).
 */
export function threePointCurve(points: readonly (readonly [ohms: number, celsius: number])[]): SensorCurve {
  if (points.length !== 3 || points.some(([r]) => !(r > 0))) throw new Refused(say.threePointsAreNeededEach, "points");
  const [l1, l2, l3] = points.map(([r]) => Math.log(r)) as [number, number, number];
  const [y1, y2, y3] = points.map(([, t]) => 1 / (t + KELVIN)) as [number, number, number];
  if (l1 === l2 || l2 === l3 || l1 === l3) throw new Refused(say.theThreePointsNeedThree, "points");
  const byHeat = [...points].sort((a, b) => a[1] - b[1]).map(([r]) => r);
  if (byHeat[1]! > byHeat[0]! !== byHeat[2]! > byHeat[1]!) throw new Refused(say.theThreePointsTurnBack, "points");
  const [g2, g3] = [(y2 - y1) / (l2 - l1), (y3 - y1) / (l3 - l1)];
  const c = (g3 - g2) / (l3 - l2) / (l1 + l2 + l3);
  const b = g2 - c * (l1 * l1 + l1 * l2 + l2 * l2);
  const a = y1 - (b + l1 * l1 * c) * l1;
  const celsiusAt = (ohms: number) => {
    const l = Math.log(ohms);
    return 1 / (a + b * l + c * l ** 3) - KELVIN;
  };
  const temperatures = points.map(([, t]) => t);
  const range: readonly [number, number] = [Math.min(...temperatures) - 20, Math.max(...temperatures) + 20];
  return {
    words: say.throughThreePoints,
    source: say.steinhartAndHart1968,
    range,
    celsiusAt,
    ohmsAt: (celsius) =>
      inverse(celsiusAt, celsius, Math.exp(Math.min(l1, l2, l3) - 3), Math.exp(Math.max(l1, l2, l3) + 3)),
  };
}

/** Ohms by a table, straight in the logarithm of ohms between its rows. */
export function tableCurve(rows: readonly (readonly [celsius: number, ohms: number])[]): SensorCurve {
  const sorted = [...rows].sort((a, b) => a[0] - b[0]);
  if (sorted.length < 2) throw new Refused(say.aTableNeedsTwoRows, "points");
  if (sorted.some(([, r]) => !(r > 0))) throw new Refused(say.everyRowNeedsOhmsAbove, "points");
  const rises = sorted[1]![1] > sorted[0]![1];
  for (let i = 1; i < sorted.length; i++)
    if (
      sorted[i]![0] === sorted[i - 1]![0] ||
      sorted[i]![1] > sorted[i - 1]![1] !== rises ||
      sorted[i]![1] === sorted[i - 1]![1]
    )
      throw new Refused(say.theTableTurnsBackAt(sorted[i]![0]), "points");
  const between = (x: number, from: 0 | 1, to: 0 | 1, of: (v: number) => number, back: (v: number) => number) => {
    const list = rises || from === 0 ? sorted : [...sorted].reverse();
    const at = list.findIndex((row) => row[from] >= x);
    if (at < 0 || (at === 0 && list[0]![from] !== x)) return NaN;
    if (list[at]![from] === x) return list[at]![to];
    const [a, b] = [list[at - 1]!, list[at]!];
    const share =
      from === 0 ? (x - a[0]) / (b[0] - a[0]) : (Math.log(x) - Math.log(a[1])) / (Math.log(b[1]) - Math.log(a[1]));
    return back(of(a[to]) + share * (of(b[to]) - of(a[to])));
  };
  return {
    words: `table of ${sorted.length} rows`,
    source: "the table typed in",
    range: [sorted[0]![0], sorted[sorted.length - 1]![0]],
    ohmsAt: (celsius) => between(celsius, 0, 1, Math.log, Math.exp),
    celsiusAt: (ohms) =>
      between(
        ohms,
        1,
        0,
        (v) => v,
        (v) => v,
      ),
  };
}

/** A platinum resistor of `ohms0` at 0 °C, -200 to 850 °C (IEC 60751, Callendar and Van Dusen). */
export function platinumCurve(ohms0: number): SensorCurve {
  positive(ohms0, say.ohmsAt0C, "ohms25");
  const [a, b, c] = [3.9083e-3, -5.775e-7, -4.183e-12];
  const ohmsAt = (t: number) => ohms0 * (1 + a * t + b * t * t + (t < 0 ? c * (t - 100) * t ** 3 : 0));
  return {
    words: say.platinumOhms0At0C(quantityText(ohms0, "ohms")),
    source: "IEC 60751",
    range: [-200, 850],
    ohmsAt,
    celsiusAt: (ohms) => inverse(ohmsAt, ohms, -200, 850),
  };
}

/** Where a monotone function reaches `value`, by halving; NaN outside. */
function inverse(of: (x: number) => number, value: number, low: number, high: number): number {
  const rises = of(high) > of(low);
  if (rises ? value < of(low) || value > of(high) : value > of(low) || value < of(high)) return NaN;
  let [a, b] = [low, high];
  for (let i = 0; i < 200; i++) {
    const middle = (a + b) / 2;
    if (of(middle) < value === rises) a = middle;
    else b = middle;
  }
  return (a + b) / 2;
}

/** Volts at a board pin with the sensor to ground and `pullUp` ohms to the rail. */
export function pinVolts(rail: number, pullUp: number, sensor: number): number {
  return sensor === Infinity ? rail : (rail * sensor) / (sensor + pullUp);
}

/**
 * Seconds a small sensor needs to come within 1 % of a new temperature: five time constants (common practice, no
 * source).
 */
const TIME_CONSTANT = { water: 15, air: 120 } as const;

function curveOf(given: Given): SensorCurve {
  const sort = given.text("sort");
  const ohms25 = given.number("ohms25");
  if (sort === "platinum") return platinumCurve(ohms25 ?? 100);
  const rows = readRows(given.text("points"), given.liked);
  if (sort === "points") return rows.length === 3 ? threePointCurve(rows.map(([t, r]) => [r, t])) : tableCurve(rows);
  if (ohms25 === undefined) throw new Refused(say.typeItsOhmsAt25, "ohms25");
  return betaCurve(ohms25, given.number("beta") ?? 3435);
}

/** Rows of "temperature ohms", one a line; pasted columns too. Throws `Refused` naming the line. */
export function readRows(text: string, liked: Liked): [celsius: number, ohms: number][] {
  return text
    .split("\n")
    .map((l) => l.trim())
    .filter((l) => l !== "")
    .flatMap((line, i) => {
      const cells = line.split(/[;\t]|,\s|\s+/).filter((c) => c !== "");
      const [celsius, ohms] = [
        readQuantity(cells[0] ?? "", "celsius", liked),
        readQuantity(cells[1] ?? "", "ohms", liked),
      ];
      if (cells.length < 2 || !celsius.ok || !ohms.ok) {
        if (i === 0 && /[a-z]{3}/i.test(line)) return [];
        throw new Refused(say.lineOfTheTableTemperature(i + 1, line.slice(0, 30)), "points");
      }
      return [[celsius.value, ohms.value] as [number, number]];
    });
}

function work(given: Given): Sheet {
  const { liked } = given;
  const curve = curveOf(given);
  const celsius = (v: number) => quantityText(v, "celsius", liked);
  const ohms = (v: number) => quantityText(v, "ohms", liked);
  const lines: Line[] = [];
  let verdict: Verdict | undefined;
  const tolerance = given.number("tolerance") ?? 0.05;
  const [measured, ambient] = [given.number("measured"), given.number("ambient")];
  if (ambient !== undefined) {
    const wanted = curve.ohmsAt(ambient);
    if (Number.isNaN(wanted))
      throw new Refused(say.theCurveIsKnownFrom(celsius(curve.range[0]), celsius(curve.range[1])), "ambient");
    lines.push({
      label: say.atCelsius(celsius(ambient)),
      text: `${ohms(wanted * (1 - tolerance))} to ${ohms(wanted * (1 + tolerance))}`,
      big: measured === undefined,
      formula: formula(
        "R(t) (1 ± tolerance)",
        `${ohms(wanted)} (1 ± ${quantityText(tolerance, "share")})`,
        `${ohms(wanted * (1 - tolerance))} to ${ohms(wanted * (1 + tolerance))}`,
      ),
      source: curve.source,
    });
    if (measured !== undefined) verdict = judge(curve, measured, ambient, tolerance, given);
  } else if (measured !== undefined)
    if (measured === Infinity) verdict = { kind: "bad", words: say.open, mode: "open" };
    else if (measured < 20 && curve.ohmsAt(25) > 500) verdict = { kind: "bad", words: say.shorted, mode: "short" };
    else verdict = { kind: "unsure", words: say.goodOrDriftedTypeHow };
  if (measured !== undefined && Number.isFinite(measured)) {
    const reads = curve.celsiusAt(measured);
    lines.unshift({
      label: say.theBoardWouldBelieve,
      text: Number.isFinite(reads) ? celsius(reads) : say.beyondItsCurve,
      big: true,
      formula: `R = ${ohms(measured)} on ${curve.words}`,
      source: curve.source,
    });
  }
  const [rail, pullUp, pin] = [given.number("rail"), given.number("pullUp"), given.number("pin")];
  if (rail !== undefined && pullUp !== undefined) {
    positive(rail, say.theRail, "rail");
    positive(pullUp, say.thePullUp, "pullUp");
    const at = measured ?? (ambient === undefined ? undefined : curve.ohmsAt(ambient));
    if (at !== undefined) {
      const volts = pinVolts(rail, pullUp, at);
      lines.push({
        label: say.atTheBoardPin,
        text: quantityText(volts, "volts"),
        formula: formula(
          "V = U R / (R + Rp)",
          `${quantityText(rail, "volts")} × ${ohms(at)} / (${ohms(at)} + ${ohms(pullUp)})`,
          quantityText(volts, "volts"),
        ),
        source: say.voltageDivider,
      });
    }
    lines.push({ label: say.sensorOpenShorted, text: `${quantityText(rail, "volts")}, 0 V` });
    if (pin !== undefined) {
      if (pin < 0 || pin >= rail)
        lines.push({
          label: say.pinAtPin(quantityText(pin, "volts")),
          text: pin >= rail ? say.sensorOpen : say.belowGroundWrongReference,
        });
      else {
        const r = (pullUp * pin) / (rail - pin);
        const t = curve.celsiusAt(r);
        lines.push({
          label: say.pinAtPin(quantityText(pin, "volts")),
          text: `${ohms(r)}, ${Number.isFinite(t) ? celsius(t) : say.beyondItsCurve}`,
          formula: formula(
            "R = Rp V / (U - V)",
            `${ohms(pullUp)} × ${quantityText(pin, "volts")} / (${quantityText(rail, "volts")} - ${quantityText(pin, "volts")})`,
            ohms(r),
          ),
          source: say.voltageDivider,
        });
      }
    }
  }
  const wanted = given.number("wanted");
  if (wanted !== undefined) {
    const box = curve.ohmsAt(wanted);
    if (Number.isNaN(box))
      throw new Refused(say.theCurveIsKnownFrom(celsius(curve.range[0]), celsius(curve.range[1])), "wanted");
    lines.push({
      label: say.decadeBoxFor(celsius(wanted)),
      text: `${ohms(box)}: ${decades(box)}`,
      formula: `R(${celsius(wanted)}) = ${ohms(box)}`,
      source: curve.source,
    });
  }
  const ice = curve.ohmsAt(0);
  if (Number.isFinite(ice))
    lines.push({
      label: say.inStirredCrushedIce,
      text: say.ohmsToOhms2AfterWater(
        ohms(ice * (1 - tolerance)),
        ohms(ice * (1 + tolerance)),
        quantityText(5 * TIME_CONSTANT.water, "seconds"),
      ),
      source: say.fiveTimeConstantsOfA,
    });
  const hand = curve.ohmsAt(33);
  if (Number.isFinite(hand))
    lines.push({
      label: say.heldInAWarmHand,
      text: say.movesTowardsWithinAMinute(ohms(hand)),
      source: say.skinAbout33CFrom,
    });
  return {
    lines,
    ...(verdict ? { verdict } : {}),
    curve: drawn(curve, liked, measured),
    table: tableOf(curve, liked),
    cautions: [say.ohmsWithItsPlugOff],
    notes: [say.inStillAirWaitBefore(quantityText(5 * TIME_CONSTANT.air, "seconds"))],
  };
}

function judge(curve: SensorCurve, measured: number, ambient: number, tolerance: number, given: Given): Verdict {
  if (measured === Infinity) return { kind: "bad", words: say.open, mode: "open" };
  const wanted = curve.ohmsAt(ambient);
  if (measured < 0.02 * wanted) return { kind: "bad", words: say.shortedOrItsLeadIs, mode: "short" };
  if (Math.abs(measured / wanted - 1) <= tolerance) return { kind: "good", words: say.goodAtThisTemperatureOne };
  const reads = curve.celsiusAt(measured);
  return {
    kind: "bad",
    words: say.offItsCurveIsIt(
      Number.isFinite(reads) ? say.itReadsReads(quantityText(reads, "celsius", given.liked)) : "",
    ),
    mode: "drifted",
  };
}

/** A resistance as the switches of a decade box: "4 × 1 kΩ, 7 × 100 Ω". */
export function decades(ohms: number): string {
  let rest = Math.round(ohms);
  const parts: string[] = [];
  for (let step = 1e6; step >= 1; step /= 10) {
    const n = Math.floor(rest / step);
    rest -= n * step;
    if (n > 0) parts.push(`${n} × ${quantityText(step, "ohms").replace(/\.0+(?= )/, "")}`);
  }
  return parts.join(", ") || "0";
}

const drawn = (curve: SensorCurve, liked: Liked, measured: number | undefined): Curve => {
  const [low, high] = [Math.max(-40, curve.range[0]), Math.min(120, curve.range[1])];
  const points = Array.from({ length: 41 }, (_, i): [number, number] => {
    const t = low + ((high - low) * i) / 40;
    return [liked.temperature === "°F" ? t * 1.8 + 32 : t, curve.ohmsAt(t)];
  });
  const at = measured !== undefined && Number.isFinite(measured) ? curve.celsiusAt(measured) : NaN;
  return {
    x: liked.temperature,
    y: "Ω",
    logarithmic: points[0]![1] > 5 * points[40]![1],
    lines: [
      { name: curve.words, points },
      ...(Number.isFinite(at)
        ? [
            {
              name: "measured",
              points: [[liked.temperature === "°F" ? at * 1.8 + 32 : at, measured!]] as [number, number][],
              dots: true,
            },
          ]
        : []),
    ],
  };
};

function tableOf(curve: SensorCurve, liked: Liked): Sheet["table"] {
  const from = Math.ceil(Math.max(-30, curve.range[0]) / 10) * 10;
  const rows = Array.from({ length: 12 }, (_, i) => from + 10 * i).filter(
    (t) => t <= curve.range[1] && Number.isFinite(curve.ohmsAt(t)),
  );
  return {
    head: ["Temperature", "Ohms"],
    rows: rows.map((t) => ({ cells: [quantityText(t, "celsius", liked), quantityText(curve.ohmsAt(t), "ohms")] })),
  };
}

/** A temperature sensor: thermistor by B value, three points or a table; platinum. */
export const temperatureSensorTool: Tool = {
  id: "sensor",
  name: say.temperatureSensor,
  group: "sensors",
  words: say.ohmsToTemperatureAndBack,
  fields: [
    {
      key: "sort",
      label: say.itIs,
      choices: [
        ["beta", say.aThermistorByBValue],
        ["points", "by three points or a table"],
        ["platinum", "platinum"],
      ],
      preset: "beta",
    },
    { key: "ohms25", label: say.ohmsAt25CPlatinum, quantity: "ohms", hint: "5k" },
    { key: "beta", label: say.bValueKelvin, quantity: "plain", min: 500, max: 10000, hint: "3435" },
    { key: "points", label: say.pointsTemperatureOhms, lines: 3, hint: say.oneALine },
    { key: "tolerance", label: say.tolerance, quantity: "share", preset: "5 %", max: 0.5 },
    { key: "measured", label: say.measuredOhms, quantity: "ohms", under: "Measured" },
    { key: "ambient", label: say.howWarmItIsThere, quantity: "celsius", under: "Measured" },
    { key: "rail", label: say.boardRail, quantity: "volts", under: say.atTheBoard, hint: "5" },
    { key: "pullUp", label: say.pullUp, quantity: "ohms", under: say.atTheBoard, hint: "10k" },
    { key: "pin", label: say.voltsAtThePin, quantity: "volts", under: say.atTheBoard },
    { key: "wanted", label: say.makeItBelieve, quantity: "celsius", under: say.atTheBoard },
  ],
  work,
  fill(part): Record<string, string> {
    const { ohms0, ohms25, beta } = ratings(part);
    return ohms0 === undefined
      ? { sort: "beta", ohms25: String(ohms25), beta: String(beta) }
      : { sort: "platinum", ohms25: String(ohms0) };
  },
};
