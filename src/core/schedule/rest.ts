import { type Machine, ratings } from "../model";
import { nominalValues, NoOperatingPoint, Simulator } from "../simulate";

/**
 * The rest a compressor needs between two starts, so that its pressures come level: minutes from the file, kept
 * whatever the machine's own test mode allows, power cycles included.
 */

/** A stretch during which the unit stood in one setup; `from` in milliseconds since 1970. */
export interface Stay {
  readonly setup: string;
  readonly from: number;
}

/** Setups in which a sound machine runs its compressor, and the longest rest that any of its compressors asks for. */
export interface RestRule {
  readonly minutes: number;
  readonly running: readonly string[];
}

/** Finds the rule of a machine by simulation; null for a machine without a compressor. */
export function restRule(machine: Machine): RestRule | null {
  const compressors = machine.parts.filter((p) => ratings(p).restMinutes !== undefined);
  if (compressors.length === 0) return null;
  const simulator = new Simulator(machine);
  const running = new Set<string>();
  for (const [id, setup] of machine.setupById) {
    if (setup.power === "off") continue;
    try {
      const state = simulator.energise(setup, [], nominalValues(machine));
      const phase = state.phases[0]!;
      simulator.circuit.load(state, phase);
      if (compressors.some((c) => simulator.circuit.seen(state, phase, c.index) === "runs")) running.add(id);
    } catch (error) {
      if (!(error instanceof NoOperatingPoint)) throw error;
    }
  }
  return { minutes: Math.max(...compressors.map((c) => ratings(c).restMinutes!)), running: [...running] };
}

/** When the compressor may be started again, milliseconds; null while it runs, and where it never ran. */
export function restUntil(rule: RestRule, stays: readonly Stay[]): number | null {
  let left = -Infinity;
  stays.forEach((stay, i) => {
    const next = stays[i + 1];
    if (rule.running.includes(stay.setup) && next && !rule.running.includes(next.setup))
      left = Math.max(left, next.from);
  });
  const last = stays[stays.length - 1];
  if (left === -Infinity || (last && rule.running.includes(last.setup))) return null;
  return left + rule.minutes * 60_000;
}

/**
 * Seconds of rest left before the compressor may be started, at `now` (milliseconds). It counts from when the unit last left
 * a setup that runs it; 0 while it runs, and when it never ran.
 */
export function restLeft(rule: RestRule, stays: readonly Stay[], now: number): number {
  const until = restUntil(rule, stays);
  return until === null ? 0 : secondsUntilRest(rule.minutes, until, now);
}

/** Whole seconds from `now` until the rest is over. A clock that lags a moment behind the journal does not make it longer. */
export function secondsUntilRest(minutes: number, until: number, now: number): number {
  return Math.min(minutes * 60, Math.max(0, Math.ceil((until - now) / 1000)));
}
