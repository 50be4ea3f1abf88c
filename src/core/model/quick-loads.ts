import { readEngineering } from "../quantity";
import { say } from "#words/core/model/quick";

/** A load as a technician names it: what it is and what is printed on it. */
export interface QuickLoad {
  readonly name: string;
  readonly kind: "heater" | "compressor" | "pump" | "fan" | "valve" | "motor" | "lamp";
  readonly watts: number;
  /** What lies in its lead, from the board on. */
  readonly through?: readonly QuickGuard[];
}

/** What lies in the lead to a load and opens it. */
export interface QuickGuard {
  readonly name: string;
  readonly kind: "thermostat" | "thermal cut-off" | "pressure switch" | "door switch";
}

const KINDS: readonly (readonly [RegExp, QuickLoad["kind"]])[] = [
  [/compressor/i, "compressor"],
  [/pump/i, "pump"],
  [/fan|blower/i, "fan"],
  [/valve/i, "valve"],
  [/motor|drum/i, "motor"],
  [/lamp|light|bulb/i, "lamp"],
  [/heat|element|igniter|boiler|kettle|grill|oven|plate|iron|defrost/i, "heater"],
];

/** Sizes taken where nothing is printed: watts, from memory. */
const USUAL: Readonly<Record<QuickLoad["kind"], number>> = {
  heater: 1500,
  compressor: 150,
  pump: 60,
  fan: 25,
  valve: 8,
  motor: 250,
  lamp: 25,
};

/** What is not modelled at all: kilovolts. */
const KILOVOLTS = /microwave|magnetron|\bkv\b|high voltage/i;

const GUARDS: readonly (readonly [RegExp, QuickGuard["kind"]])[] = [
  [/thermal fuse|cut-?(off|out)|limit|overheat/i, "thermal cut-off"],
  [/thermostat|control/i, "thermostat"],
  [/pressure|float|level|flow/i, "pressure switch"],
  [/door|lid|cover/i, "door switch"],
];

/** Most guards in the lead to one load. */
const MOST_GUARDS = 4;

/**
 * Reads loads as they are typed: `heater 1800 through thermostat and high limit, pump 0.4A; element 3x2000 at 230V`. A
 * bare number is watts; amperes and ohms are turned into watts at the machine's own voltage, and so are watts that are
 * given at another. Throws a RangeError with a sentence for what is no load; nothing is guessed.
 */
export function readLoads(text: string, volts: number): QuickLoad[] {
  if (KILOVOLTS.test(text)) throw new RangeError(say.kilovoltsAreNotModelled);
  const loads = text
    .split(/[;\n]|,(?!\d)/)
    .map((line) => line.trim())
    .filter(Boolean)
    .flatMap((line) => loadsIn(line, volts));
  if (loads.length === 0) throw new RangeError(say.nameAtLeastOneLoad);
  if (loads.length > 8) throw new RangeError(say.eightLoadsAtMostHere);
  return loads;
}

/** One load, or several alike. */
function loadsIn(line: string, volts: number): readonly QuickLoad[] {
  const [rated = "", ...guards] = line.split(/\bthrough\b/i).map((part) => part.trim());
  const [own = "", at] = rated.split(/\s+at\s+(?=\d)/i);
  const match = /^(.*?)\s*(?:(\d)\s*[x×]\s*)?(\d[\d.,]*\s*(?:k?w|watts?|ma|a|amps?|k?ohms?|k?Ω)?)?$/i.exec(own);
  const name = (match?.[1] ?? "").trim();
  if (name === "") throw new RangeError(say.namesNoLoadTypeWhat(line.slice(0, 40)));
  const kind = KINDS.find(([pattern]) => pattern.test(name))?.[1];
  if (kind === undefined) throw new RangeError(say.whatIsIt(name.slice(0, 40)));
  const made = at === undefined ? volts : readEngineering(at.replace(/\s*v(?:olts?)?$/i, ""))?.value;
  if (made === undefined || made <= 0) throw new RangeError(say.theRatingInIsNo(line.slice(0, 40)));
  const watts = (match?.[3] ? wattsOf(match[3], made, line) : USUAL[kind]) * (volts / made) ** 2;
  const through = guards.length === 0 ? [] : guardsIn(guards.join(" and "), line);
  const count = match?.[2] === undefined ? 1 : Number(match[2]);
  const whole = name.charAt(0).toUpperCase() + name.slice(1);
  if (count < 1) throw new RangeError(say.theRatingInIsNo(line.slice(0, 40)));
  return Array.from({ length: count }, (_, i) => ({
    name: count === 1 ? whole : `${whole} ${i + 1}`,
    kind,
    watts,
    ...(through.length > 0 ? { through } : {}),
  }));
}

/** What lies in the lead to a load, from the board on. */
function guardsIn(text: string, line: string): readonly QuickGuard[] {
  const names = text
    .split(/\s*(?:\band\b|\+|&)\s*/i)
    .map((n) => n.trim())
    .filter(Boolean);
  if (names.length === 0 || names.length > MOST_GUARDS) throw new RangeError(say.throughWhat(line.slice(0, 40)));
  return names.map((name) => {
    const kind = GUARDS.find(([pattern]) => pattern.test(name))?.[1];
    if (kind === undefined) throw new RangeError(say.noSuchGuard(name.slice(0, 40)));
    return { name: name.charAt(0).toUpperCase() + name.slice(1), kind };
  });
}

function wattsOf(text: string, volts: number, line: string): number {
  const number = readEngineering(text.replace(/\s*(k?)w(?:atts?)?$/i, "$1"))?.value;
  const value = number ?? readEngineering(text)?.value;
  if (value === undefined || value <= 0) throw new RangeError(say.theRatingInIsNo(line.slice(0, 40)));
  let watts: number;
  if (/a(?:mps?)?$/i.test(text.trim())) watts = volts * value;
  else if (/(?:ohms?|Ω)$/i.test(text.trim())) watts = volts ** 2 / value;
  else watts = value;
  if (watts < 0.5 || watts > 20_000) throw new RangeError(say.comesToWThatIs(line.slice(0, 40), Math.round(watts)));
  return watts;
}
