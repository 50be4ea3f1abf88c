import { decimal, engineering } from "./format";
import { eitherWay, readEngineering, withUnitOf } from "./read";
import { say } from "#words/core/quantity";

/**
 * What a number measures, always held in the SI unit of its name (degrees Celsius for temperatures, square
 * millimetres for wires).
 */
export type Quantity =
  | "volts"
  | "amperes"
  | "ohms"
  | "watts"
  | "farads"
  | "henries"
  | "hertz"
  | "seconds"
  | "celsius"
  | "metres"
  | "millimetres"
  | "area"
  | "joules"
  | "ampere-hours"
  | "kelvin"
  | "share"
  | "plain"
  | "money";

/** The units a person likes. A wire's size can be typed either way whatever is liked. */
export interface Liked {
  readonly temperature: "°C" | "°F";
  readonly wire: "mm²" | "AWG";
  readonly length: "metric" | "inches";
}
export const METRIC: Liked = { temperature: "°C", wire: "mm²", length: "metric" };

const SYMBOL: Readonly<Record<Quantity, string>> = {
  volts: "V",
  amperes: "A",
  ohms: "Ω",
  watts: "W",
  farads: "F",
  henries: "H",
  hertz: "Hz",
  seconds: "s",
  celsius: "°C",
  metres: "m",
  millimetres: "mm",
  area: "mm²",
  joules: "J",
  "ampere-hours": "Ah",
  kelvin: "K",
  share: "%",
  plain: "",
  money: "",
};

/** Units as they are typed, beyond an engineering prefix before the symbol: factor to the quantity's own unit. */
const TYPED: Readonly<Partial<Record<Quantity, Readonly<Record<string, number>>>>> = {
  volts: { v: 1, vac: 1, vdc: 1, volt: 1, volts: 1, mv: 1e-3, kv: 1e3 },
  amperes: { a: 1, amp: 1, amps: 1, ma: 1e-3, ua: 1e-6, µa: 1e-6 },
  watts: { w: 1, watt: 1, watts: 1, kw: 1e3, mw: 1e-3, hp: 745.7 },
  // As the trade writes them: an m before an f is a microfarad.
  farads: { f: 1, mf: 1e-6, mfd: 1e-6, ufd: 1e-6, µfd: 1e-6, uf: 1e-6, µf: 1e-6, nf: 1e-9, pf: 1e-12 },
  henries: { h: 1, mh: 1e-3, uh: 1e-6, µh: 1e-6 },
  hertz: { hz: 1, khz: 1e3 },
  seconds: { s: 1, sec: 1, ms: 1e-3, us: 1e-6, µs: 1e-6, min: 60, h: 3600, d: 86400 },
  metres: { m: 1, cm: 0.01, mm: 1e-3, ft: 0.3048, in: 0.0254 },
  millimetres: { mm: 1, cm: 10, m: 1e3, in: 25.4, '"': 25.4, mil: 0.0254 },
  joules: { j: 1, mj: 1e-3, kj: 1e3 },
  "ampere-hours": { ah: 1, mah: 1e-3 },
  kelvin: { k: 1, c: 1, "°c": 1 },
};

/** Ohms without a prefix: "4k7", "44.3", "OL"; nothing measured is an open circuit. */
const OPEN = /^(ol|0l|o\.l\.?|open|over|overload|inf|∞|1\s*\.?_+)$/i;

/**
 * Cross-section of a gauge number, square millimetres, from the diameter of ASTM B258: 0.127 mm x 92^((36 - n) / 39).
 */
export function areaOfGauge(gauge: number): number {
  const diameter = 0.127 * 92 ** ((36 - gauge) / 39);
  return (Math.PI / 4) * diameter * diameter;
}

/** The gauge number (not rounded) of a cross-section in square millimetres; the other way round. */
export function gaugeOfArea(area: number): number {
  return 36 - (39 * Math.log(Math.sqrt((4 * area) / Math.PI) / 0.127)) / Math.log(92);
}

/** A typed number, or a sentence why it is none. */
export type Typed = { readonly ok: true; readonly value: number } | { readonly ok: false; readonly sentence: string };

/**
 * Reads a number of a quantity as technicians type it: `4k7`, `1.5mm2`, `18 AWG`, `70F`, `2 min`, `OL`. A number alone
 * is in the liked unit. An open circuit is read as Infinity for ohms and refused elsewhere.
 */
export function readQuantity(text: string, quantity: Quantity, liked: Liked): Typed {
  const typed = text.trim();
  if (typed === "") return { ok: false, sentence: say.nothingTypedYet };
  if (OPEN.test(typed)) return quantity === "ohms" ? { ok: true, value: Infinity } : no(typed, quantity, liked);
  const either = eitherWay(typed);
  if (either) return { ok: false, sentence: say.whichIsMeant(typed.slice(0, 30), either.whole, either.fraction) };
  if (quantity === "celsius") return readTemperature(typed, liked);
  if (quantity === "area") return readWire(typed, liked);
  if (quantity === "share") return readShare(typed);
  const split = /^([+-]?[\d.,]+(?:[eE][+-]?\d+)?)\s*([a-zA-Zµμ°"²]*)$/.exec(typed.replace(/(\d)\s+(?=\d)/g, "$1"));
  const factor = split && split[2] !== "" ? TYPED[quantity]?.[split[2]!.replace("μ", "µ").toLowerCase()] : undefined;
  if (split && factor !== undefined) return done(Number(split[1]!.replace(",", ".")) * factor, typed, quantity, liked);
  if (quantity === "millimetres" && liked.length === "inches" && split && split[2] === "")
    return done(Number(split[1]!.replace(",", ".")) * 25.4, typed, quantity, liked);
  if (quantity === "metres" && liked.length === "inches" && split && split[2] === "")
    return done(Number(split[1]!.replace(",", ".")) * 0.3048, typed, quantity, liked);
  const plain = readEngineering(typed);
  if (!plain) return no(typed, quantity, liked);
  if (
    plain.unit !== null &&
    { V: "volts", A: "amperes", ohm: "ohms", Hz: "hertz", F: "farads", beep: "" }[plain.unit] !== quantity
  )
    return {
      ok: false,
      sentence: say.isInAnotherUnitThis(typed.slice(0, 30), unitWords(quantity, liked)),
    };
  return done(plain.value, typed, quantity, liked);
}

/** A number or two ends, lowest first, or a sentence why it is neither. */
export type TypedSpan =
  | { readonly ok: true; readonly low: number; readonly high: number }
  | { readonly ok: false; readonly sentence: string };

/** Reads a print that may be a span: `108-130 MFD` of a start capacitor, `8u`. The unit at its end counts for both. */
export function readSpan(text: string, quantity: Quantity, liked: Liked): TypedSpan {
  const ends = /^([\d.,]+[^\d-–]*?)\s*(?:-|–|to)\s*([\d.,].*)$/.exec(text.trim());
  const [low, high] = ends
    ? [readQuantity(withUnitOf(ends[2]!, ends[1]!), quantity, liked), readQuantity(ends[2]!, quantity, liked)]
    : [readQuantity(text, quantity, liked), readQuantity(text, quantity, liked)];
  if (!low.ok) return low;
  if (!high.ok) return high;
  return { ok: true, low: Math.min(low.value, high.value), high: Math.max(low.value, high.value) };
}

function done(value: number, typed: string, quantity: Quantity, liked: Liked): Typed {
  return Number.isFinite(value) ? { ok: true, value } : no(typed, quantity, liked);
}

function no(typed: string, quantity: Quantity, liked: Liked): Typed {
  return { ok: false, sentence: say.isNoNumberOf(typed.slice(0, 30), unitWords(quantity, liked)) };
}

/** The unit a lone number is taken in, in words for a sentence. */
function unitWords(quantity: Quantity, liked: Liked): string {
  const unit = unitOfQuantity(quantity, liked);
  return unit === "" ? say.thisField : `${nameOfQuantity(quantity)} (${unit})`;
}

function readTemperature(typed: string, liked: Liked): Typed {
  const match = /^([+-]?[\d.,]+)\s*°?\s*([cfkCFK]?)$/.exec(typed.replace("−", "-"));
  const number = match ? Number(match[1]!.replace(",", ".")) : NaN;
  if (!match || !Number.isFinite(number)) return no(typed, "celsius", liked);
  const scale = match[2]!.toUpperCase() || (liked.temperature === "°F" ? "F" : "C");
  let celsius: number;
  if (scale === "F") celsius = (number - 32) / 1.8;
  else if (scale === "K") celsius = number - 273.15;
  else celsius = number;
  if (celsius <= -273.15) return { ok: false, sentence: say.nothingIsAsColdAs };
  return { ok: true, value: celsius };
}

function readWire(typed: string, liked: Liked): Typed {
  const gauge = /^(?:AWG\s*|#\s*)?(\d{1,2}(?:\/0)?|0{2,4})\s*(?:AWG|ga)?$/i.exec(typed);
  const marked = /AWG|ga|#|\/0/i.test(typed);
  if (gauge && (marked || (liked.wire === "AWG" && !typed.includes("/")))) {
    let n: number;
    if (/\/0$/.test(gauge[1]!)) n = 1 - Number(gauge[1]!.slice(0, -2));
    else if (/^0{2,4}$/.test(gauge[1]!)) n = 1 - gauge[1]!.length;
    else n = Number(gauge[1]);
    return n <= 40 && n >= -3 ? { ok: true, value: areaOfGauge(n) } : { ok: false, sentence: say.gaugesRunFrom40 };
  }
  const metric = /^([\d.,]+)\s*(?:mm2|mm²|mm\^2|qmm)?$/i.exec(typed);
  const area = metric ? Number(metric[1]!.replace(",", ".")) : NaN;
  if (!Number.isFinite(area) || area <= 0) return no(typed, "area", liked);
  return { ok: true, value: area };
}

function readShare(typed: string): Typed {
  const match = /^([+-]?[\d.,]+)\s*(%?)$/.exec(typed);
  const number = match ? Number(match[1]!.replace(",", ".")) : NaN;
  return Number.isFinite(number)
    ? { ok: true, value: number / 100 }
    : { ok: false, sentence: say.isNoPercentage(typed.slice(0, 30)) };
}

/** The unit in which a quantity is shown, and in which a lone number is taken. */
export function unitOfQuantity(quantity: Quantity, liked: Liked): string {
  if (quantity === "celsius") return liked.temperature;
  if (quantity === "area") return liked.wire;
  if (quantity === "millimetres" && liked.length === "inches") return "in";
  if (quantity === "metres" && liked.length === "inches") return "ft";
  return SYMBOL[quantity];
}

/** A value with its unit, to about three significant places: "44.3 Ω", "18 AWG", "68 °F", "2 min 5 s". */
export function quantityText(value: number, quantity: Quantity, liked: Liked = METRIC): string {
  if (Number.isNaN(value)) return "–";
  if (!Number.isFinite(value)) {
    if (quantity === "ohms") return "OL";
    return value > 0 ? say.withoutEnd : "–";
  }
  switch (quantity) {
    case "celsius":
      return `${trimmed(liked.temperature === "°F" ? value * 1.8 + 32 : value, 1)} ${liked.temperature}`;
    case "area":
      return liked.wire === "AWG" ? gaugeText(value) : `${decimal(value)} mm²`;
    case "millimetres":
      return liked.length === "inches" ? `${(value / 25.4).toFixed(3)} in` : `${decimal(value)} mm`;
    case "metres":
      return liked.length === "inches" ? `${decimal(value / 0.3048)} ft` : `${decimal(value)} m`;
    case "share":
      return `${trimmed(100 * value, Math.abs(value) < 0.1 ? 2 : 1)} %`;
    case "seconds":
      return durationText(value);
    case "money":
      return value.toFixed(2);
    case "plain":
      return trimmed(value, 3);
    default: {
      const { number, prefix } = engineering(value);
      return `${number} ${prefix}${SYMBOL[quantity]}`;
    }
  }
}

function gaugeText(area: number): string {
  const gauge = gaugeOfArea(area);
  const whole = Math.round(gauge);
  const name = whole <= -1 ? `${1 - whole}/0` : String(whole);
  return Math.abs(gauge - whole) < 0.05 ? `${name} AWG` : `about ${name} AWG`;
}

function durationText(seconds: number): string {
  if (Math.abs(seconds) < 100) {
    const { number, prefix } = engineering(seconds);
    return `${number} ${prefix}s`;
  }
  const whole = Math.round(seconds);
  if (whole < 3600) return whole % 60 ? `${Math.floor(whole / 60)} min ${whole % 60} s` : `${whole / 60} min`;
  if (whole < 172_800) return `${Math.floor(whole / 3600)} h ${Math.round((whole % 3600) / 60)} min`;
  return `${trimmed(seconds / 86_400, 1)} days`;
}

function trimmed(value: number, places: number): string {
  return String(Number(value.toFixed(places)));
}

function nameOfQuantity(quantity: Quantity): string {
  if (quantity === "celsius") return "degrees";
  if (quantity === "area") return say.wireSize;
  return quantity;
}
