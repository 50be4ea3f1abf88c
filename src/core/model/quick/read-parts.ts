import { plainNumber, readEngineering } from "../../quantity";
import type {
  QuickFrom,
  QuickGuard,
  QuickKind,
  QuickLoad,
  QuickParts,
  QuickSensor,
  QuickStart,
  QuickSwitching,
} from "./quick-load";
import { isMains, lineVolts, type QuickSupply } from "./quick-supply";
import { say } from "#words/core/model/quick/read-parts";

const THREE_PHASE_MOTOR = /^(?=.*(?:\b3|three)[\s-]*ph)(?=.*motor)/i;
const KINDS: readonly (readonly [RegExp, QuickKind])[] = [
  [/(?:door|lid)[\s-]*lock/i, "door lock"],
  [THREE_PHASE_MOTOR, "three-phase motor"],
  [/contactor/i, "contactor"],
  [/gas[\s-]*(?:valve|coil|cock)|holding coil/i, "gas valve"],
  [/compressor/i, "compressor"],
  [/pump/i, "pump"],
  [/fan|blower/i, "fan"],
  [/valve/i, "valve"],
  [/solenoid/i, "solenoid"],
  [/motor|drum(?!.*(?:lamp|light|bulb))/i, "motor"],
  [/lamp|light|bulb/i, "lamp"],
  [/heat|element|igniter|glow|boiler|kettle|grill|oven|plate|iron|defrost/i, "heater"],
];

/** Sizes taken where nothing is printed: watts, from memory. */
const USUAL: Readonly<Record<QuickKind, number>> = {
  heater: 1500,
  compressor: 150,
  pump: 60,
  fan: 25,
  valve: 8,
  solenoid: 8,
  "gas valve": 10,
  motor: 250,
  "three-phase motor": 750,
  lamp: 25,
  "door lock": 20,
  contactor: 8,
};
const USUAL_IGNITER = 300;
/** A coil or a fan of low voltage, from memory. */
const USUAL_LOW: Readonly<Partial<Record<QuickKind, number>>> = { fan: 5, pump: 15, heater: 60, motor: 40, lamp: 5 };

/** What is not modelled at all: kilovolts. */
const KILOVOLTS = /microwave|magnetron|\bkv\b|high voltage|spark|ignition (?:coil|transformer)/i;

const GUARDS: readonly (readonly [RegExp, QuickGuard["kind"]])[] = [
  [/thermal fuse|cut-?(?:off|out)|limit|overheat|klixon|overload/i, "thermal cut-off"],
  [/thermostat|control|flame|radiant/i, "thermostat"],
  [/pressure|float|level|flow/i, "pressure switch"],
  [/door|lid|cover|hood|hatch|flap|drawer|interlock/i, "door switch"],
  [/\bstop\b|pull cord/i, "stop switch"],
  [/trigger|push[\s-]*button|\bkey\b/i, "hand switch"],
];

/** What is named by one of these is that, whatever it belongs to: an oven thermostat is no oven. */
const GUARD_BY_ITS_END = /(?:thermostat|thermal fuse|cut-?(?:off|out)|limit)$/i;

const STARTS: readonly (readonly [RegExp, QuickStart])[] = [
  [/\bptc\b/i, "ptc"],
  [/overload|klixon|protector/i, "overload"],
  [/start(?:ing)?[\s-]*cap/i, "start capacitor"],
  [/run(?:ning)?[\s-]*cap/i, "run capacitor"],
];

const SOLID_STATE = /\bssr\b|solid[\s-]*state/i;
/** Most things in the lead to one load, and most loads at the door. */
const MOST_GUARDS = 4;
const MOST_LOADS = 8;
/** Between board and machine a low voltage is at most this, volts. */
const LOW = 60;

/** One thing as it was typed, and what it was taken for; or why it was not. */
export interface ReadItem {
  readonly text: string;
  readonly loads: readonly QuickLoad[];
  readonly sensor: (Omit<QuickSensor, "stops"> & { readonly stops: string | null }) | null;
  readonly inLine: QuickGuard | null;
  readonly problem: string | null;
}

const nothing = { loads: [], sensor: null, inLine: null, problem: null };

/**
 * Reads what a machine has as it is typed, one thing after another: `heater 2200 through thermostat and high limit, pump
 * 0.4A, element 3x2000 at 230V through contactor 24VAC, fan 24V from board, lid switch stops motor`. A bare number is
 * watts; amperes and ohms become watts at the volts of the load. Nothing is guessed: what is not understood comes back
 * with why.
 */
export function readItems(text: string, supply: QuickSupply): readonly ReadItem[] {
  const items: ReadItem[] = [];
  for (const line of joinedStarts(text)) {
    try {
      if (KILOVOLTS.test(line)) throw new RangeError(say.kilovoltsAreNotModelled);
      items.push({ ...nothing, text: line, ...itemOf(line, supply) });
    } catch (error) {
      if (!(error instanceof RangeError)) throw error;
      items.push({ ...nothing, text: line, problem: error.message });
    }
  }
  return items;
}

/** What was typed, as parts; throws a RangeError with the first sentence of what was not understood. */
export function readParts(text: string, supply: QuickSupply): QuickParts {
  const items = readItems(text, supply);
  for (const { problem } of items) if (problem !== null) throw new RangeError(problem);
  const loads = items.flatMap((i) => i.loads);
  if (loads.length === 0) throw new RangeError(say.nameAtLeastOneLoad);
  if (loads.length > MOST_LOADS) throw new RangeError(say.eightLoadsAtMostHere);
  const sensors = items.flatMap(({ sensor }) => (sensor ? [{ ...sensor, stops: stopped(sensor.stops, loads) }] : []));
  return { loads, sensors, inLine: items.flatMap(({ inLine }) => inLine ?? []) };
}

/** Things one after another; what starts a compressor stays with it, though a comma stands between. */
function joinedStarts(text: string): readonly string[] {
  const lines = text
    .split(/[;\n]|,(?!\d)/)
    .map((line) => line.trim())
    .filter(Boolean);
  return lines.reduce<string[]>((all, line) => {
    const before = all.at(-1);
    const isStart = STARTS.some(([pattern]) => pattern.test(line)) && !/compressor|motor/i.test(line);
    if (isStart && before !== undefined && /compressor/i.test(before)) all[all.length - 1] = `${before} and ${line}`;
    else all.push(line);
    return all;
  }, []);
}

function itemOf(line: string, supply: QuickSupply): Partial<ReadItem> {
  const whole = clausesOf(line);
  const sensor = sensorOf(whole.head, whole.stops);
  if (sensor) return { sensor };
  const guard = GUARDS.find(([pattern]) => pattern.test(whole.head));
  const isLoad = KINDS.some(([pattern]) => pattern.test(whole.head)) && !GUARD_BY_ITS_END.test(whole.head);
  if (guard && !isLoad) return { inLine: { name: named(whole.head), kind: guard[1] } };
  if (SOLID_STATE.test(whole.head)) throw new RangeError(say.whatDoesItSwitch(named(whole.head)));
  return { loads: loadsIn(whole, line, supply) };
}

interface Clauses {
  readonly head: string;
  readonly through: string | null;
  readonly start: string | null;
  readonly from: string | null;
  readonly stops: string | null;
}

/** A line by its words of joining: through, with, from, stops. */
function clausesOf(line: string): Clauses {
  const pieces = line
    .replace(/\b(?:thru|via)\b/gi, "through")
    .split(/\b(through|with|from|stops)\b/i)
    .map((p) => p.trim());
  const clause = (word: string) => {
    const found = pieces.flatMap((p, i) => (p.toLowerCase() === word && i % 2 === 1 ? [pieces[i + 1] ?? ""] : []));
    return found.length === 0 ? null : found.join(" and ");
  };
  return {
    head: pieces[0]!,
    through: clause("through"),
    start: clause("with"),
    from: clause("from"),
    stops: clause("stops"),
  };
}

const named = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** A switch that the board is told by, or a sensor; null for what is none. */
function sensorOf(head: string, stops: string | null): ReadItem["sensor"] {
  if (/\bntc\b|\bsensor\b|probe|thermistor/i.test(head) && !/flame|radiant/i.test(head)) {
    const ohms = readEngineering(/(\d[\d.]*\s*(?:k|m)?)\s*(?:ohms?|Ω)?$/i.exec(head)?.[1] ?? "10k")?.value;
    if (ohms === undefined || ohms < 100 || ohms > 1e6) throw new RangeError(say.theRatingInIsNo(head.slice(0, 40)));
    const name = head.replace(/\s*\d[\d.]*\s*(?:k|m)?\s*(?:ohms?|Ω)?$/i, "").trim();
    return { name: named(name === "" ? head : name), kind: "ntc", ohms, stops };
  }
  const isSwitch = stops !== null || /switch$|flame sensor|float$/i.test(head);
  const kind = GUARDS.find(([pattern]) => pattern.test(head))?.[1];
  if (!isSwitch || KINDS.some(([pattern]) => pattern.test(head))) return null;
  if (kind === undefined || kind === "thermal cut-off") throw new RangeError(say.noSuchGuard(head.slice(0, 40)));
  return { name: named(head), kind, stops };
}

/** The loads that a switch names as stopped; all of them where it is a door or a lid and says nothing. */
function stopped(said: string | null, loads: readonly QuickLoad[]): readonly number[] {
  if (said === null) return [];
  if (/^(?:all|everything)$/i.test(said)) return loads.map((_, i) => i);
  return namesIn(said).flatMap((name) => {
    const found = loads.flatMap((l, i) => (l.name.toLowerCase().includes(name.toLowerCase()) ? [i] : []));
    if (found.length === 0) throw new RangeError(say.stopsNoSuchLoad(name));
    return found;
  });
}

const namesIn = (text: string) =>
  text
    .split(/\s*(?:\band\b|\+|&)\s*/i)
    .map((n) => n.trim())
    .filter(Boolean);

/** One load, or several alike. */
function loadsIn({ head, through, start, from }: Clauses, line: string, supply: QuickSupply): readonly QuickLoad[] {
  const rated = ratingOf(head, line);
  const kind = KINDS.find(([pattern]) => pattern.test(rated.name))?.[1];
  if (kind === undefined) throw new RangeError(say.whatIsIt(rated.name.slice(0, 40)));
  refuseUnmodelled(kind, supply, through);
  const feed = feedOf(kind, rated, from, supply);
  const own = feed?.volts ?? lineVolts(supply);
  const made = rated.volts !== null && (feed === null || rated.isRating) ? rated.volts : own;
  const usual = (feed !== null && own <= LOW ? USUAL_LOW[kind] : undefined) ?? usualWatts(kind, rated.name);
  const watts = (rated.size === null ? usual : wattsOf(rated.size, made, line)) * (own / made) ** 2;
  const lead = through === null ? null : leadOf(through, line, supply, rated.count);
  return Array.from({ length: rated.count }, (_, i) => ({
    name: rated.count === 1 ? named(rated.name) : `${named(rated.name)} ${i + 1}`,
    kind,
    watts,
    ...(feed ? { feed } : {}),
    ...(lead && lead.through.length > 0 ? { through: lead.through } : {}),
    ...(lead?.by ? { by: lead.by } : {}),
    ...(start === null ? {} : { start: startsIn(kind, start) }),
  }));
}

function refuseUnmodelled(kind: QuickKind, supply: QuickSupply, through: string | null): void {
  if (kind === "compressor" && supply.hertz === 0) throw new RangeError(say.compressorOnDirect);
  if (kind === "three-phase motor" && supply.kind !== "three-phase") throw new RangeError(say.noThreePhases);
  if (kind === "three-phase motor" && !/contactor/i.test(through ?? "")) throw new RangeError(say.needsAContactor);
}

const usualWatts = (kind: QuickKind, name: string) =>
  /igniter|glow/i.test(name) && kind === "heater" ? USUAL_IGNITER : USUAL[kind];

interface Rated {
  readonly name: string;
  readonly count: number;
  readonly size: string | null;
  readonly volts: number | null;
  readonly current: "ac" | "dc" | null;
  /** Whether the volts were said as those of the rating, with "at". */
  readonly isRating: boolean;
}

/** A figure with a unit that has stayed in a name: something of the rating was not read. */
const UNREAD = /\d\s*(?:k?w|watts?|v|volts?|ma|a|amps?|k?ohms?|Ω)\b|[/\\]/i;

/** A load's name, how many alike, its rating and its volts. */
function ratingOf(typed: string, line: string): Rated {
  // As plates and people write them: `1.5kW/230V`, `2 heaters 500W`.
  const ahead = /^(\d)\s+(?=[a-z])/i.exec(typed);
  const head = (ahead ? typed.slice(ahead[0].length).replace(/^([a-z ]+?)s\b/i, "$1") : typed).replace(
    /\/(?=\d)/g,
    " ",
  );
  const bad = () => new RangeError(say.theRatingInIsNo(line.slice(0, 40)));
  const atVolts = /\s+at\s+(\S+)\s*(v\w*)?$/i.exec(head);
  let rest = atVolts ? head.slice(0, atVolts.index) : head;
  const own = /(?:^|\s)(\d[\d.]*)\s*v(?:olts?)?\s*(ac|dc)?\b/i.exec(rest);
  if (own) rest = `${rest.slice(0, own.index)} ${rest.slice(own.index + own[0].length)}`;
  const bare = /\s(ac|dc)\b/i.exec(rest);
  if (bare) rest = rest.replace(/\s(?:ac|dc)\b/i, " ");
  const match =
    /^(.*?)\s*(?:(\d)\s*[x×]\s*)?(\d[\d.,]*\s*(?:k?w|watts?|ma|a|amps?|k?ohms?|k?Ω)?)?$/i.exec(rest.trim()) ?? [];
  const name = (match[1] ?? "").replace(/\s+/g, " ").trim();
  if (name === "") throw new RangeError(say.namesNoLoadTypeWhat(line.slice(0, 40)));
  const count = Number(match[2] ?? ahead?.[1] ?? 1);
  if (UNREAD.test(name)) throw bad();
  const said = atVolts?.[1]?.replace(/v\w*$/i, "") ?? own?.[1];
  const volts = said === undefined ? null : (readEngineering(said)?.value ?? 0);
  if (count < 1 || (volts !== null && volts <= 0)) throw bad();
  const current = (own?.[2] ?? bare?.[1] ?? (/v\s*(ac|dc)$/i.exec(head)?.[1] || null))?.toLowerCase() ?? null;
  return {
    name,
    count,
    size: match[3] ?? null,
    volts,
    current: current as "ac" | "dc" | null,
    isRating: atVolts !== null,
  };
}

/** What a load hangs on, where that is not line and neutral; throws where its volts leave that open. */
function feedOf(
  kind: QuickKind,
  { name, volts, current }: Rated,
  from: string | null,
  supply: QuickSupply,
): { readonly from: QuickFrom; readonly volts: number } | null {
  if (kind === "three-phase motor") return { from: "three lines", volts: supply.volts };
  if (volts !== null && volts <= LOW && isMains(supply))
    return { from: lowFrom(kind, name, volts, current, from), volts };
  if (from !== null && !/board/i.test(from)) throw new RangeError(say.fromWhat(from.slice(0, 40)));
  if (!isMains(supply)) return null;
  const line = lineVolts(supply);
  const isBetween = volts !== null && Math.abs(volts / supply.volts - 1) < 0.15 && volts > 1.3 * line;
  if (supply.kind === "mains") return null;
  if (isBetween) return { from: "both lines", volts: supply.volts };
  if (kind === "heater" && volts === null)
    throw new RangeError(say.whichVolts(named(name), plainNumber(line), plainNumber(supply.volts)));
  return null;
}

function lowFrom(
  kind: QuickKind,
  name: string,
  volts: number,
  current: "ac" | "dc" | null,
  from: string | null,
): QuickFrom {
  const saysBoard = from !== null && /board/i.test(from);
  const saysTransformer = from !== null && /transformer/i.test(from);
  if (from !== null && !saysBoard && !saysTransformer) throw new RangeError(say.fromWhat(from.slice(0, 40)));
  if (current === "ac" || saysTransformer) return "transformer";
  // Fans and lamps of so few volts are made for direct current, pumps and coils for either.
  if (current === "dc" || saysBoard || kind === "fan" || kind === "lamp") return "board";
  throw new RangeError(say.alternatingOrDirect(named(name), plainNumber(volts)));
}

/** What lies in the lead to a load, from the board on, and what switches it. */
function leadOf(
  text: string,
  line: string,
  supply: QuickSupply,
  poles: number,
): { readonly through: readonly QuickGuard[]; readonly by: QuickSwitching | null } {
  const names = namesIn(text);
  if (names.length === 0 || names.length > MOST_GUARDS) throw new RangeError(say.throughWhat(line.slice(0, 40)));
  const at = names.findIndex((n) => /contactor/i.test(n) || SOLID_STATE.test(n));
  if (at < 0) return { through: names.map(guardOf), by: null };
  const name = names[at]!;
  if (SOLID_STATE.test(name)) {
    const through = names.toSpliced(at, 1).map(guardOf);
    return { through, by: { kind: "solid-state relay", name: say.solidStateRelay, through: [], poles } };
  }
  const through = names.slice(0, at).map(guardOf);
  const isThree = THREE_PHASE_MOTOR.test(line);
  const by: QuickSwitching = {
    kind: "contactor",
    name: say.contactor,
    coil: coilOf(name, supply),
    through,
    poles: isThree ? 3 : poles,
  };
  return { through: names.slice(at + 1).map(guardOf), by };
}

function coilOf(name: string, supply: QuickSupply): NonNullable<QuickSwitching["coil"]> {
  const { volts, current } = ratingOf(name, name);
  const line = lineVolts(supply);
  if (!isMains(supply)) return { volts: supply.volts, from: "line" };
  if (volts === null) throw new RangeError(say.whichCoil(plainNumber(line)));
  if (volts > LOW) {
    if (Math.abs(volts / line - 1) > 0.15) throw new RangeError(say.noSuchCoil(plainNumber(volts), plainNumber(line)));
    return { volts: line, from: "line" };
  }
  if (current === null) throw new RangeError(say.alternatingOrDirect(say.contactor, plainNumber(volts)));
  return { volts, from: current === "ac" ? "transformer" : "board" };
}

function guardOf(name: string): QuickGuard {
  const kind = GUARDS.find(([pattern]) => pattern.test(name))?.[1];
  if (kind === undefined) throw new RangeError(say.noSuchGuard(name.slice(0, 40)));
  return { name: named(name), kind };
}

function startsIn(kind: QuickKind, text: string): readonly QuickStart[] {
  if (kind !== "compressor") throw new RangeError(say.onlyACompressor);
  return namesIn(text).map((name) => {
    const found = STARTS.find(([pattern]) => pattern.test(name))?.[1];
    if (found === undefined) throw new RangeError(say.noSuchStart(name.slice(0, 40)));
    return found;
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

/** An item as it was taken, in a few words. */
export function takenFor({ loads, sensor, inLine }: ReadItem): string {
  if (inLine) return say.inTheLineToAll(inLine.name);
  if (sensor) return sensor.kind === "ntc" ? say.sensor(sensor.name, plainNumber(sensor.ohms!)) : switchWords(sensor);
  const [first, ...alike] = loads;
  if (!first || alike.length === 0) return loads.map(loadWords).join(", ");
  return say.several(loads.length, loadWords({ ...first, name: first.name.replace(/ 1$/, "") }));
}

function switchWords({ name, stops }: { readonly name: string; readonly stops: string | null }): string {
  return stops === null ? say.tellsTheBoard(name) : say.stops(name, stops);
}

function loadWords({ name, watts, feed, through = [], by, start = [] }: QuickLoad): string {
  const at = feed ? [say.from[feed.from](plainNumber(feed.volts))] : [];
  const lead = [...(by ? [by.name.toLowerCase()] : []), ...through.map((g) => g.name.toLowerCase())];
  return [
    `${name} ${plainNumber(watts)} W`,
    ...at,
    ...(lead.length > 0 ? [say.through(lead.join(" + "))] : []),
    ...(start.length > 0 ? [say.startedBy(start.map((s) => say.start[s]).join(" + "))] : []),
  ].join(", ");
}
