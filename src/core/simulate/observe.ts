import { isClamp, loadedShare, loadedShareAc, type Meter } from "../instrument";
import { FLICKERS, type Machine } from "../model";
import { type Manner, Names, type Reading, Readings, SHOWN } from "../quantity";
import { isByHand, STUCK, TURNS_FREELY } from "./by-hand";
import type { Simulator } from "./energise";
import type { Phase, State } from "./state";
import type { Test } from "./test";
import { say } from "#words/core/simulate";

/** How many times the capacitor's current a path beside it may carry before the meter gives up; from memory. */
const SWAMPED = 10;
/** Siemens beside the capacitor below which the meter does not notice them; from memory. */
const DRAINS = 1e-5;
/** Alternating volts from which on a meter counts the cycles; from memory. */
const COUNTED = 1;
/** Volts below which there is nothing to be loaded. */
const NOTHING = 1e-6;

/**
 * What `meter` shows (or the eye sees) when each of `tests` is made on a machine in `state`; without noise. The
 * setup of the tests is taken as made: `state` is that setup. Throws a RangeError for points the machine has not.
 */
export function observeAll(simulator: Simulator, state: State, tests: readonly Test[], meter: Meter): Reading[] {
  const out = new Readings(tests.length, new Names());
  observeInto(simulator, state, tests, meter, out);
  return tests.map((_, t) => out.at(t)!);
}

/** The same into typed arrays as long as `tests`. */
export function observeInto(
  simulator: Simulator,
  state: State,
  tests: readonly Test[],
  meter: Meter,
  out: Readings,
): void {
  if (state.phases.length === 1) return inPhase(simulator, state, state.phases[0]!, tests, meter, out);
  // Phase by phase: putting a phase into the solver costs far more than reading a test from it.
  const byPhase = state.phases.map((phase) => {
    const shown = new Readings(tests.length, out.names);
    inPhase(simulator, state, phase, tests, meter, shown);
    return shown;
  });
  tests.forEach((test, t) => {
    const shown = byPhase.map((each) => each.at(t)!);
    out.put(t, averaged(shown, state.phases, test, meter));
  });
}

function inPhase(
  simulator: Simulator,
  state: State,
  phase: Phase,
  tests: readonly Test[],
  meter: Meter,
  out: Readings,
): void {
  simulator.circuit.load(state, phase);
  const ends = endsOf(simulator.machine, tests);
  let surges = false;
  for (let t = 0; t < tests.length; t++) {
    const test = tests[t]!;
    if (test.function === "inrush") surges = true;
    else if (test.function === "look") out.set(t, SHOWN.label, out.names.of(seen(simulator, state, phase, test)));
    else read(simulator, state, test, meter, ends[2 * t]!, ends[2 * t + 1]!, out, t);
  }
  if (surges)
    simulator.circuit.whileStarting(state, phase, () =>
      tests.forEach((test, t) => {
        if (test.function === "inrush") out.set(t, SHOWN.value, clamped(simulator, test));
      }),
    );
}

/** The same for one test. */
export function observe(simulator: Simulator, state: State, test: Test, meter: Meter): Reading {
  return observeAll(simulator, state, [test], meter)[0]!;
}

function seen(simulator: Simulator, state: State, phase: Phase, test: Test): string {
  const part = simulator.machine.partById.get(test.red);
  if (!part) throw new RangeError(say.noPartRed(test.red));
  if (isByHand(simulator.machine, test)) {
    const { mode, isJammed } = state.instances[part.index]!;
    const turns = part.kind.observed!.byHand!(isJammed ? null : mode);
    return turns ? TURNS_FREELY : STUCK;
  }
  return simulator.circuit.seen(state, phase, part.index);
}

function clamped(simulator: Simulator, test: Test): number {
  const clamp = simulator.machine.clamps.get(test.red);
  if (!clamp) throw new RangeError(say.noClampPoint(test.red));
  const { ac, dc } = simulator.circuit.elementCurrent(clamp.element);
  return clampValue(test, ac, dc);
}

// A dictionary asks for the same list of tests thousands of times: where their leads go is looked up once.
const ENDS = new WeakMap<readonly Test[], { readonly machine: Machine; readonly nodes: Int32Array }>();

/**
 * For each test the nodes of its red and its black lead; none (-1) for what is no reading with leads. Throws a
 * RangeError for points the machine has not.
 */
function endsOf(machine: Machine, tests: readonly Test[]): Int32Array {
  const known = ENDS.get(tests);
  if (known?.machine === machine) return known.nodes;
  const nodes = new Int32Array(2 * tests.length).fill(-1);
  tests.forEach((test, t) => {
    if (test.function === "look" || isClamp(test.function)) return;
    const red = machine.points.get(test.red);
    const black = test.black === undefined ? undefined : machine.points.get(test.black);
    if (!red || !black) throw new RangeError(say.noPointPart(red ? test.black : test.red));
    nodes[2 * t] = red.node;
    nodes[2 * t + 1] = black.node;
  });
  ENDS.set(tests, { machine, nodes });
  return nodes;
}

/** Reads one test of the loaded phase into place `t`. */
function read(
  simulator: Simulator,
  state: State,
  test: Test,
  meter: Meter,
  a: number,
  b: number,
  out: Readings,
  t: number,
): void {
  switch (test.function) {
    case "clamp":
    case "dcclamp":
    case "inrush":
      return out.set(t, SHOWN.value, clamped(simulator, test));
    case "dcv": {
      const open = simulator.circuit.openVolts(a, b).dc;
      if (Math.abs(open) < NOTHING) return out.set(t, SHOWN.value, 0);
      const share = simulator.circuit.joinedStiffly(a, b, false)
        ? 1
        : loadedShare(simulator.circuit.seenOhms(a, b), meter.inputOhms);
      return out.set(t, SHOWN.value, open * share);
    }
    case "acv":
    case "lowz": {
      const inputOhms = test.function === "acv" ? meter.inputOhms : meter.lowInputOhms;
      if (test.function === "acv" && floats(simulator, a, b)) return phantom(state, out, t);
      const open = simulator.circuit.openVolts(a, b);
      // Not Math.hypot, which is ten times slower and guards against overflows that no mains has.
      const volts = Math.sqrt(open.acRe * open.acRe + open.acIm * open.acIm);
      if (volts < NOTHING && (test.function === "acv" || Math.abs(open.dc) < NOTHING))
        return out.set(t, SHOWN.value, 0);
      if (test.function === "acv" && simulator.circuit.joinedStiffly(a, b, true)) return out.set(t, SHOWN.value, volts);
      const z = simulator.circuit.seenImpedance(a, b);
      const ac = volts * loadedShareAc(z.re, z.im, inputOhms);
      if (test.function === "acv") return out.set(t, SHOWN.value, ac);
      const dc = open.dc * loadedShare(simulator.circuit.seenOhms(a, b), inputOhms);
      return out.set(t, SHOWN.value, Math.hypot(ac, dc));
    }
    case "ohms":
      return resistance(simulator, state, meter.overloadOhms, a, b, out, t);
    case "continuity":
      return out.set(t, simulator.circuit.seenOhms(a, b) < meter.beepOhms ? SHOWN.beeps : SHOWN.silent);
    case "insulation":
      return resistance(simulator, state, meter.insulationOhms, a, b, out, t);
    case "capacitance": {
      // With one lead of it off, as it is always measured: nothing lies beside it. What leaks more than it leads is no
      // capacitor to the meter.
      const own = simulator.circuit.storedBetween(a, b);
      if (own.g > DRAINS && own.g > SWAMPED * Math.abs(own.b)) return out.set(t, SHOWN.overload);
      return out.set(t, SHOWN.value, Math.max(0, own.b) / (2 * Math.PI * state.instances[0]!.conditions.hertz));
    }
    case "hertz":
      return out.set(t, SHOWN.value, cyclesBetween(simulator, a, b) ? state.instances[0]!.conditions.hertz : 0);
    case "look":
      throw new RangeError(say.aLookIsNoMeter);
  }
}

/** Whether a meter counts cycles between two nodes. */
function cyclesBetween(simulator: Simulator, a: number, b: number): boolean {
  const { acRe, acIm } = simulator.circuit.openVolts(a, b);
  return Math.hypot(acRe, acIm) >= COUNTED;
}

/** Impedance above which a wire is coupled to those beside it as much as to anything else, ohms; from memory. */
const FLOATS = 3e6;

/** Whether what is measured is joined to the circuit by next to nothing, beside live wires. */
function floats(simulator: Simulator, a: number, b: number): boolean {
  if (!simulator.circuit.isOnMains || simulator.circuit.joinedStiffly(a, b, true)) return false;
  const { re, im } = simulator.circuit.seenImpedance(a, b);
  return re * re + im * im > FLOATS * FLOATS;
}

/** Of the supply: what a floating wire may show of it, least and most; and how often it shows nothing. From memory. */
const PHANTOM = { least: 0.004, most: 0.4, none: 0.35 };

/** Phantom volts: nothing, or anything up to nearly half the mains, by how the wires happen to lie. */
function phantom(state: State, out: Readings, t: number): void {
  const { between, supplyVolts } = state.instances[0]!.conditions;
  if (between < PHANTOM.none) return out.set(t, SHOWN.value, 0);
  const ratio = PHANTOM.most / PHANTOM.least;
  const share = PHANTOM.least * ratio ** ((between - PHANTOM.none) / (1 - PHANTOM.none));
  out.set(t, SHOWN.within, share * supplyVolts, ratio ** STRETCH);
}

/** Bounds of a resistance nearer to each other than this share, or than these ohms, are one value to any meter. */
const ONE_VALUE = { share: 0.02, ohms: 0.1 };

/**
 * What a meter that sends a current of its own shows, `most` ohms at most. Where junctions or insulation leave it open
 * the sample stands for a stretch between the two bounds, evenly on a logarithmic scale.
 */
function resistance(
  simulator: Simulator,
  state: State,
  most: number,
  a: number,
  b: number,
  out: Readings,
  t: number,
): void {
  const high = simulator.circuit.seenOhms(a, b);
  const low = simulator.circuit.leastOhms(a, b);
  if (low > most) return out.set(t, SHOWN.overload);
  if (high - low <= Math.max(ONE_VALUE.ohms, ONE_VALUE.share * low))
    return high > most ? out.set(t, SHOWN.overload) : out.set(t, SHOWN.value, high);
  const ratio = high / Math.max(low, ONE_VALUE.ohms);
  const value = Math.max(low, ONE_VALUE.ohms) * ratio ** state.instances[0]!.conditions.between;
  if (value > most) return out.set(t, SHOWN.overload);
  out.set(t, SHOWN.within, value, ratio ** STRETCH);
}

/** Of the whole way between the bounds, what one sample stands for; a handful of them lie a sixth to a third apart. */
const STRETCH = 1 / 6;

/** A round that comes again within this many seconds is seen as a rhythm; estimate E33. */
const RHYTHM = 4;

/** How a display moves on a machine that goes round its phases: in a rhythm one can follow, or not. */
function mannerOf(phases: readonly Phase[]): Manner {
  const round = phases.reduce((sum, p) => sum + p.seconds, 0);
  return Number.isFinite(round) && round <= RHYTHM && phases.length <= 6 ? "pulsing" : "jumping";
}

/**
 * A display that follows a machine going round its phases: it swings between the lowest value and as much of
 * the highest as the meter's averaging lets through.
 */
function averaged(shown: readonly Reading[], phases: readonly Phase[], test: Test, meter: Meter): Reading {
  const first = shown[0]!;
  if (first.kind === "label")
    return shown.every((s) => s.kind === "label" && s.label === first.label)
      ? first
      : { kind: "label", label: FLICKERS };
  if (first.kind === "beep") return { kind: "beep", beeps: shown.every((s) => s.kind === "beep" && s.beeps) };
  if (shown.some((s) => s.kind !== "value")) return { kind: "overload" };
  const values = shown.map((s) => (s.kind === "value" ? s.value : 0));
  const low = Math.min(...values);
  const high = Math.max(...values);
  const near = (target: number) =>
    values.reduce((sum, v, i) => (Math.abs(v - target) <= 0.25 * (high - low) ? sum + phases[i]!.seconds : sum), 0);
  const share = (target: number) => Math.min(1, near(target) / meter.averagingSeconds);
  const top = low + (high - low) * share(high);
  const bottom = Math.min(top, high - (high - low) * share(low));
  const { relative, absolute } = meter.accuracy[test.function as "dcv"];
  const value = (top + bottom) / 2;
  if (top - bottom < 5 * Math.hypot(absolute, relative * top)) {
    // What goes round too quickly to be seen: how long each phase lasts is a guess, and so is the mean; a transistor may
    // as well come to rest between them.
    const wide = high - low >= 5 * Math.hypot(absolute, relative * high) && low >= 0 && value > absolute;
    return wide ? { kind: "value", value, factor: Math.max(2, high / value) } : { kind: "value", value };
  }
  return { kind: "jumping", low: bottom, high: top, manner: mannerOf(phases) };
}

/** What a clamp shows of an alternating and a steady share, in amperes. */
function clampValue(test: Test, ac: number, dc: number): number {
  if (test.function === "inrush") return Math.hypot(ac, dc);
  if (test.function === "clamp") return ac;
  return Math.abs(dc);
}
