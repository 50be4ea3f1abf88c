import { has, type Machine, ratings } from "../model";
import { say } from "#words/core/repair/after-repair-limits";

/** One measurement of the safety test after a repair. */
export interface SafetyLimit {
  readonly id: "bonding" | "insulation" | "conductor" | "touch" | "sleep";
  readonly words: string;
  readonly how: string;
  /** In `unit`; a reading has to be at most, or at least, this. */
  readonly limit: number;
  readonly sense: "at most" | "at least";
  readonly unit: "ohm" | "Mohm" | "mA";
  readonly source: string;
}

export type ProtectionClass = "I" | "II" | "III";

/** The safety test after repair, or why the standard does not speak of this machine. */
export type SafetyTest =
  | { readonly applies: true; readonly class: ProtectionClass; readonly limits: readonly SafetyLimit[] }
  | { readonly applies: false; readonly why: string };

const EN = say.en506782020TestAfter;
/** Ohms up to 5 m of cord, more for each further 7.5 m, and at most. */
const BONDING = { base: 0.3, upTo: 5, further: 0.1, each: 7.5, most: 1 };

/**
 * Highest resistance of the protective conductor for a cord of so many metres, ohms (EN 50678:2020). Throws a
 * RangeError below nothing.
 */
export function bondingLimit(metres: number): number {
  if (!(metres >= 0)) throw new RangeError(say.aCordHasALength);
  const steps = Math.max(0, Math.ceil((metres - BONDING.upTo) / BONDING.each));
  return Math.min(BONDING.most, BONDING.base + BONDING.further * steps);
}

/** Least insulation resistance, megohms. */
export function insulationLimit(protection: ProtectionClass, heats: boolean): number {
  if (protection === "II") return 2;
  if (protection === "III") return 0.25;
  return heats ? 0.3 : 1;
}

/**
 * Highest current in the protective conductor, milliamperes, by the watts of heating: 1 mA a kilowatt above 3.5 kW,
 * never more than 10.
 */
export function conductorLimit(heatingWatts: number): number {
  return heatingWatts > 3500 ? Math.min(10, heatingWatts / 1000) : 3.5;
}

/** Heating of a machine, watts. */
function heatingWatts(machine: Machine): number {
  return machine.parts.reduce((sum, p) => sum + (has(p, "heats") ? (ratings(p).watts ?? 0) : 0), 0);
}

/** Protection class after IEC 61140: as the file says, else I where an outlet brings an earth. */
export function protectionClass(machine: Machine): ProtectionClass | null {
  if (machine.file.protection) return machine.file.protection;
  const mains = machine.sources.filter((s) => s.kind.safety.isolatedBy === "plug");
  if (mains.length === 0) return null;
  return mains.some((s) => s.nodeOf.has("earth")) ? "I" : "II";
}

/** Least insulation of this machine, megohms; taken as of class I where nothing says. */
export function insulationOf(machine: Machine): number {
  return insulationLimit(protectionClass(machine) ?? "I", heatingWatts(machine) > 0);
}

/** The measurements that the standard asks for after a repair of this machine, for a cord of so many metres. */
export function safetyTest(machine: Machine, cordMetres = 2): SafetyTest {
  const protection = protectionClass(machine);
  if (protection === null)
    return {
      applies: false,
      why: say.itRunsOnItsOwn,
    };
  const watts = heatingWatts(machine);
  const limits: SafetyLimit[] = [];
  if (protection === "I")
    limits.push({
      id: "bonding",
      words: say.protectiveConductor,
      how: say.fromThePlugsEarthPin,
      limit: bondingLimit(cordMetres),
      sense: "at most",
      unit: "ohm",
      source: say.to5MOfCord(EN),
    });
  limits.push({
    id: "insulation",
    words: say.insulation,
    how: say.deadLineAndNeutralJoined,
    limit: insulationLimit(protection, watts > 0),
    sense: "at least",
    unit: "Mohm",
    source: say.mClassI03(EN),
  });
  if (protection === "I")
    limits.push({
      id: "conductor",
      words: say.protectiveConductorCurrent,
      how: say.runningEveryHeaterOnBoth,
      limit: conductorLimit(watts),
      sense: "at most",
      unit: "mA",
      source: say.maAbove35Kw(EN),
    });
  limits.push({
    id: "touch",
    words: say.touchCurrent,
    how: say.runningFromBareMetalThat,
    limit: 0.5,
    sense: "at most",
    unit: "mA",
    source: `${EN}: 0.5 mA`,
  });
  return { applies: true, class: protection, limits };
}

/** Whether a measured value keeps its limit. */
export function keeps(limit: SafetyLimit, value: number): boolean {
  return limit.sense === "at most" ? value <= limit.limit : value >= limit.limit;
}
