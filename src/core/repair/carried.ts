import { has, type Machine, type Part, ratings, RELAY_BOUNDS, type SetupEntry, joinedByLeads } from "../model";
import { quantityText } from "../quantity";
import { nominalValues, NoOperatingPoint, Simulator } from "../simulate";
import { ratedLinks, weakestFirst } from "../workbench";
import { LEAST_AMPS } from "./situations";
import { say } from "#words/core/repair/modification";

/** What is found of a change's currents. */
export interface Carried {
  readonly ok: boolean;
  readonly words: string;
}

/** The weakest rated element of a machine over all its powered setups; null where nothing rated carries anything. */
export function weakestLink(machine: Machine): Carried | null {
  let weakest: { readonly used: number; readonly words: string } | null = null;
  for (const setup of machine.file.setups) {
    if (setup.power !== "on") continue;
    try {
      const link = weakestFirst(ratedLinks(machine, setup.id))[0];
      if (link && (weakest === null || link.used > weakest.used))
        weakest = { used: link.used, words: `${loadWords(link)} (${setup.name})` };
    } catch (error) {
      if (!(error instanceof NoOperatingPoint)) throw error;
    }
  }
  if (!weakest) return null;
  return weakest.used <= 1
    ? { ok: true, words: say.weakest(weakest.words) }
    : { ok: false, words: say.overloaded(weakest.words) };
}

function loadWords(link: { name: string; running: number; starting: number; rated: number }): string {
  const [running, starting, rated] = [link.running, link.starting, link.rated].map((a) => quantityText(a, "amperes"));
  return say.runningStartingRated(link.name, running, starting, rated);
}

/** The failure in which a motor stands and draws what its winding lets through. */
const HELD = "seized";

/**
 * What each new part carries while a motor is held: a contact that starts a motor must be able to break what it draws
 * standing still, and a rating for alternating current says nothing of direct. It is what flows in the first moment of a
 * start, before a fuse has had time to open.
 */
export function heldMotor(after: Machine, added: readonly Part[]): readonly Carried[] {
  const motors = after.parts.filter((p) => p.modes.some((m) => m.id === HELD) && p.elementCount > 0);
  const simulator = new Simulator(after);
  const most = new Map<Part, { amps: number; motor: Part; direct: boolean }>();
  for (const setup of after.file.setups) {
    if (setup.power !== "on") continue;
    const [drawn, carried] = [motors, added].map((parts) => atTheStart(simulator, setup, parts)) as [Flow[], Flow[]];
    for (const [m, motor] of motors.entries())
      for (const [k, part] of added.entries()) {
        const flow = carried[k];
        // What carries no more than a coil or a lamp is no part of the motor's circuit.
        if (!flow || flow.amps < MOTOR_SHARE * (drawn[m]?.amps ?? Infinity) || drawn[m]!.amps < LEAST_AMPS) continue;
        if (flow.amps > (most.get(part)?.amps ?? 0)) most.set(part, { ...flow, motor });
      }
  }
  return [...most].flatMap(([part, { amps, motor, direct }]): Carried[] => {
    // A fuse is there to open.
    if (has(part, "over-current")) return [];
    const rated = part.kind.electrical.rated?.(part.fields);
    const text = quantityText(amps, "amperes");
    if (!rated)
      return has(part, "conductor") ? [{ ok: false, words: say.wireOfUnknownSize(part.name, motor.name, text) }] : [];
    const given = ratings(part).dcAmps;
    if (direct && rated.bears === "relay" && given === undefined)
      return [{ ok: false, words: say.noRatingForDirectCurrent(part.name, motor.name, text) }];
    const bears = direct && given !== undefined ? given : rated.amps;
    const words = rated.bears === "wire" ? say.wireCarriesTheHeldMotor : say.carriesTheHeldMotor;
    return [{ ok: amps <= bears, words: words(part.name, quantityText(bears, "amperes"), motor.name, text) }];
  });
}

/** Of what a held motor draws, what an element of its own circuit carries at least. */
const MOTOR_SHARE = 0.5;

interface Flow {
  readonly amps: number;
  readonly direct: boolean;
}

const ratedElement = (part: Part) => part.kind.electrical.rated?.(part.fields)?.element ?? 0;

/** The current through each part in the first moment of a start in a setup; none where no operating point is found. */
function atTheStart(simulator: Simulator, setup: SetupEntry, parts: readonly Part[]): Flow[] {
  try {
    const state = simulator.energise(setup, [], nominalValues(simulator.machine));
    const phase = state.phases[state.phases.length - 1]!;
    simulator.circuit.load(state, phase);
    return simulator.circuit.whileStarting(state, phase, () =>
      parts.map((part) => flowIn(simulator, part.firstElement + ratedElement(part))),
    );
  } catch (error) {
    if (error instanceof NoOperatingPoint) return [];
    throw error;
  }
}

function flowIn(simulator: Simulator, element: number): Flow {
  const { dc, ac } = simulator.circuit.elementCurrent(element);
  return { amps: Math.hypot(dc, ac), direct: Math.abs(dc) > ac };
}

/** The most that flows through an element of a part in a setup; null where no operating point is found. */
function flowThrough(simulator: Simulator, part: Part, setup: SetupEntry, element = ratedElement(part)): Flow | null {
  try {
    const state = simulator.energise(setup, [], nominalValues(simulator.machine));
    const flows = state.phases.map((phase) => {
      simulator.circuit.load(state, phase);
      return flowIn(simulator, part.firstElement + element);
    });
    return flows.reduce((a, b) => (b.amps > a.amps ? b : a));
  } catch (error) {
    if (error instanceof NoOperatingPoint) return null;
    throw error;
  }
}

/**
 * New contacts that switch a direct-current motor or coil across which nothing takes up what it gives back: an arc eats
 * the contact until it welds, and a welded contact lets the motor run.
 */
export function unsuppressed(after: Machine, added: readonly Part[]): Carried | null {
  const contacts = added.filter(
    (p) => has(p, "breaks-current") && p.kind.electrical.rated?.(p.fields)?.bears === "relay",
  );
  if (contacts.length === 0) return null;
  const motors = after.parts.filter((p) => ratings(p).current === "dc" && p.modes.some((m) => m.id === HELD));
  const joined = joinedByLeads(after);
  const bare = motors.filter((motor) => {
    const own = [...motor.nodeOf.values()].slice(0, 2).map(joined);
    return !after.parts.some(
      (p) =>
        p !== motor &&
        p.nodeOf.size === 2 &&
        p.kind.electrical.takesUp &&
        [...p.nodeOf.values()].every((n) => own.includes(joined(n))),
    );
  });
  if (motors.length === 0) return null;
  const leads = added.find((p) => p.kind.electrical.takesUp && leadsSteadily(after, p));
  if (leads) return { ok: false, words: say.sitsTheWrongWayRound(leads.name) };
  return bare.length === 0
    ? { ok: true, words: say.suppressed }
    : { ok: false, words: say.nothingTakesUp(contacts[0]!.name, bare[0]!.name) };
}

/** A coil bears this many times its volts for good, and is sure to pull in from this share; from memory. */
const COIL = { most: 1.2, pullsIn: RELAY_BOUNDS.dc.pulledInBy } as const;

/** What the coils of new relays get where they get most. */
export function coilVolts(after: Machine, added: readonly Part[]): readonly Carried[] {
  const simulator = new Simulator(after);
  return added.flatMap((part): Carried[] => {
    const { coilVolts: rated, coilOhms } = ratings(part);
    if (rated === undefined || coilOhms === undefined) return [];
    const most = Math.max(
      0,
      ...after.file.setups.flatMap((s) => {
        const flows = s.power === "on" ? flowThrough(simulator, part, s, 0) : null;
        return flows ? [flows.amps * coilOhms] : [];
      }),
    );
    const [gets, made, from] = [most, rated, COIL.pullsIn * rated].map((v) => quantityText(v, "volts"));
    if (most > COIL.most * rated) return [{ ok: false, words: say.coilGetsTooMuch(part.name, gets!, made!) }];
    if (most < COIL.pullsIn * rated) return [{ ok: false, words: say.coilGetsTooLittle(part.name, gets!, made!) }];
    return [{ ok: true, words: say.coilGets(part.name, gets!, made!, from!) }];
  });
}

/** Volts from which a diode leads. */
const LEADS = 0.5;

/** Whether a diode that should only take up an impulse is driven forward while the machine works; seen with it away. */
function leadsSteadily(after: Machine, part: Part): boolean {
  const [anode, cathode] = [part.nodeOf.get("anode"), part.nodeOf.get("cathode")];
  if (anode === undefined || cathode === undefined) return false;
  const simulator = new Simulator(after);
  return after.file.setups.some((setup) => {
    if (setup.power !== "on") return false;
    try {
      const state = simulator.energise(setup, [{ part: part.id, mode: "open" }], nominalValues(after));
      return state.phases.some((phase) => {
        simulator.circuit.load(state, phase);
        return simulator.circuit.openVolts(anode, cathode).dc > LEADS;
      });
    } catch (error) {
      if (error instanceof NoOperatingPoint) return false;
      throw error;
    }
  });
}

/** Watts from which a resistor's size is worth a word. */
const WARM = 0.1;

/** What new resistors turn into heat where they get most, and the size that bears it: twice as much. */
export function heatIn(after: Machine, added: readonly Part[]): readonly string[] {
  const simulator = new Simulator(after);
  return added.flatMap((part) => {
    const { ohms } = ratings(part);
    if (ohms === undefined) return [];
    const watts = Math.max(
      0,
      ...after.file.setups.flatMap((s) => {
        const flows = s.power === "on" ? flowThrough(simulator, part, s) : null;
        return flows ? [flows.amps ** 2 * ohms] : [];
      }),
    );
    return watts < WARM
      ? []
      : [say.resistorOf(part.name, quantityText(watts, "watts"), quantityText(2 * watts, "watts"))];
  });
}

/** New wires that carry less than the fuses let through, and those nobody gave a size: both to be minded. */
export function thinWires(after: Machine, wires: readonly Part[]): readonly string[] {
  const fuses = after.parts.flatMap((p) => (has(p, "over-current") ? [ratings(p).amps ?? 0] : []));
  const most = Math.max(0, ...fuses);
  return wires.flatMap((w) => {
    const carries = w.kind.electrical.rated?.(w.fields)?.amps;
    if (carries === undefined) return [say.sayItsSize(w.name)];
    if (carries >= most) return [];
    return [say.wireThinnerThanItsFuse(w.name, quantityText(carries, "amperes"), quantityText(most, "amperes"))];
  });
}
