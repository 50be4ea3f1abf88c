import { isClamp, loadedShare, loadedShareAc, type Meter } from "../instrument";
import { FLICKERS, type Machine } from "../model";
import type { Manner, Reading } from "../quantity";
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

// What is shown over and over is one and the same thing: a dictionary holds millions of readings, most of them of
// what is dead or open.
const ZERO: Reading = { kind: "value", value: 0 };
const OVERLOAD: Reading = { kind: "overload" };
const BEEPS: Reading = { kind: "beep", beeps: true };
const SILENT: Reading = { kind: "beep", beeps: false };

/**
 * What `meter` shows (or the eye sees) when each of `tests` is made on a machine in `state`; without noise. The
 * setup of the tests is taken as made: `state` is that setup. Throws a RangeError for points the machine has not.
 */
export function observeAll(simulator: Simulator, state: State, tests: readonly Test[], meter: Meter): Reading[] {
  // Phase by phase: putting a phase into the solver costs far more than reading a test from it.
  const byPhase = state.phases.map((phase) => {
    simulator.circuit.load(state, phase);
    const surges = tests.filter((test) => test.function === "inrush");
    const starting =
      surges.length === 0
        ? []
        : simulator.circuit.whileStarting(state, phase, () => surges.map((test) => clamped(simulator, test)));
    const ends = endsOf(simulator.machine, tests);
    return tests.map((test, t) => {
      if (test.function === "look") return seen(simulator, state, phase, test);
      return test.function === "inrush"
        ? starting[surges.indexOf(test)]!
        : reading(simulator, state, test, meter, ends[2 * t]!, ends[2 * t + 1]!);
    });
  });
  if (byPhase.length === 1) return byPhase[0]!;
  return tests.map((test, t) =>
    averaged(
      byPhase.map((shown) => shown[t]!),
      state.phases,
      test,
      meter,
    ),
  );
}

/** The same for one test. */
export function observe(simulator: Simulator, state: State, test: Test, meter: Meter): Reading {
  return observeAll(simulator, state, [test], meter)[0]!;
}

function seen(simulator: Simulator, state: State, phase: Phase, test: Test): Reading {
  const part = simulator.machine.partById.get(test.red);
  if (!part) throw new RangeError(say.noPartRed(test.red));
  if (isByHand(simulator.machine, test)) {
    const { mode, isJammed } = state.instances[part.index]!;
    const turns = part.kind.observed!.byHand!(isJammed ? null : mode);
    return { kind: "label", label: turns ? TURNS_FREELY : STUCK };
  }
  return { kind: "label", label: simulator.circuit.seen(state, phase, part.index) };
}

function clamped(simulator: Simulator, test: Test): Reading {
  const clamp = simulator.machine.clamps.get(test.red);
  if (!clamp) throw new RangeError(say.noClampPoint(test.red));
  const { ac, dc } = simulator.circuit.elementCurrent(clamp.element);
  return {
    kind: "value",
    value: clampValue(test, ac, dc),
  };
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

function reading(simulator: Simulator, state: State, test: Test, meter: Meter, a: number, b: number): Reading {
  if (isClamp(test.function)) return clamped(simulator, test);
  switch (test.function) {
    case "dcv": {
      const open = simulator.circuit.openVolts(a, b).dc;
      if (Math.abs(open) < NOTHING) return ZERO;
      return {
        kind: "value",
        value: simulator.circuit.joinedStiffly(a, b, false)
          ? open
          : open * loadedShare(simulator.circuit.seenOhms(a, b), meter.inputOhms),
      };
    }
    case "acv":
    case "lowz": {
      const inputOhms = test.function === "acv" ? meter.inputOhms : meter.lowInputOhms;
      if (test.function === "acv" && floats(simulator, a, b)) return phantom(state);
      const open = simulator.circuit.openVolts(a, b);
      // Not Math.hypot, which is ten times slower and guards against overflows that no mains has.
      const volts = Math.sqrt(open.acRe * open.acRe + open.acIm * open.acIm);
      if (volts < NOTHING && (test.function === "acv" || Math.abs(open.dc) < NOTHING)) return ZERO;
      if (test.function === "acv" && simulator.circuit.joinedStiffly(a, b, true))
        return { kind: "value", value: volts };
      const z = simulator.circuit.seenImpedance(a, b);
      const ac = volts * loadedShareAc(z.re, z.im, inputOhms);
      if (test.function === "acv") return { kind: "value", value: ac };
      return {
        kind: "value",
        value: Math.hypot(ac, open.dc * loadedShare(simulator.circuit.seenOhms(a, b), inputOhms)),
      };
    }
    case "ohms":
      return resistance(simulator, state, meter.overloadOhms, a, b);
    case "continuity":
      return simulator.circuit.seenOhms(a, b) < meter.beepOhms ? BEEPS : SILENT;
    case "insulation":
      return resistance(simulator, state, meter.insulationOhms, a, b);
    case "capacitance": {
      // With one lead of it off, as it is always measured: nothing lies beside it. What leaks more than it leads is no
      // capacitor to the meter.
      const own = simulator.circuit.storedBetween(a, b);
      if (own.g > DRAINS && own.g > SWAMPED * Math.abs(own.b)) return OVERLOAD;
      return { kind: "value", value: Math.max(0, own.b) / (2 * Math.PI * state.instances[0]!.conditions.hertz) };
    }
    case "hertz": {
      const open = simulator.circuit.openVolts(a, b);
      return {
        kind: "value",
        value: Math.hypot(open.acRe, open.acIm) < COUNTED ? 0 : state.instances[0]!.conditions.hertz,
      };
    }
    case "look":
      throw new RangeError(say.aLookIsNoMeter);
  }
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
function phantom(state: State): Reading {
  const { between, supplyVolts } = state.instances[0]!.conditions;
  if (between < PHANTOM.none) return ZERO;
  const ratio = PHANTOM.most / PHANTOM.least;
  const share = PHANTOM.least * ratio ** ((between - PHANTOM.none) / (1 - PHANTOM.none));
  return { kind: "value", value: share * supplyVolts, factor: ratio ** STRETCH };
}

/** Bounds of a resistance nearer to each other than this share, or than these ohms, are one value to any meter. */
const ONE_VALUE = { share: 0.02, ohms: 0.1 };

/**
 * What a meter that sends a current of its own shows, `most` ohms at most. Where junctions or insulation leave it open
 * the sample stands for a stretch between the two bounds, evenly on a logarithmic scale.
 */
function resistance(simulator: Simulator, state: State, most: number, a: number, b: number): Reading {
  const high = simulator.circuit.seenOhms(a, b);
  const low = simulator.circuit.leastOhms(a, b);
  if (low > most) return OVERLOAD;
  if (high - low <= Math.max(ONE_VALUE.ohms, ONE_VALUE.share * low))
    return high > most ? OVERLOAD : { kind: "value", value: high };
  const ratio = high / Math.max(low, ONE_VALUE.ohms);
  const value = Math.max(low, ONE_VALUE.ohms) * ratio ** state.instances[0]!.conditions.between;
  return value > most ? OVERLOAD : { kind: "value", value, factor: ratio ** STRETCH };
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
  if (first.kind === "beep") return shown.every((s) => s.kind === "beep" && s.beeps) ? BEEPS : SILENT;
  if (shown.some((s) => s.kind !== "value")) return OVERLOAD;
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
