import type { Conditions, Fault, Instance, Machine, Part, SetupEntry } from "../model";
import { stagesOf, type Stage } from "./conditions";
import { LivedWays } from "./lived-ways";
import { EVERY_PART, StampedCircuit } from "./stamped-circuit";
import { NoOperatingPoint, type Phase, type State } from "./state";
import type { Values } from "./values";
import { say } from "#words/core/simulate";

/** What a part is about to do, and when (seconds since the setup began). */
interface Due {
  readonly state: number | string;
  readonly at: number;
}

/** A machine that lives on from moment to moment; `Simulator.advance` changes it. */
export interface Course {
  readonly instancesIn: (conditions: Conditions) => readonly Instance<unknown>[];
  instances: readonly Instance<unknown>[];
  readonly states: Int32Array;
  readonly memory: Float64Array;
  readonly due: (readonly Due[])[];
  /** Seconds. */
  now: number;
  readonly name: string;
}

const faultNames = (faults: readonly Fault[]) =>
  faults.length ? faults.map((f) => `${f.part}:${f.mode}`).join(" and ") : "no fault";

interface SoundParts {
  readonly stages: readonly Stage[];
  readonly sound: readonly (readonly Instance<unknown>[])[];
  /** Numbers all that was done to the machine up to the end of each stage, in this sample. */
  readonly ways: readonly number[];
}

const soundIn = (machine: Machine, values: Values, conditions: Conditions): Instance<unknown>[] =>
  machine.parts.map((part, i) => ({
    id: part.id,
    fields: part.fields,
    values: values.of[i]!,
    mode: null,
    severity: 1,
    conditions,
  }));

const MOST_CHANGES = 300;
/** What happened within this time before the look is what the eye and the meter still follow, seconds. */
const WATCHED = 2.5;
const NOTHING_DUE: readonly Due[] = [];
/** What comes of a stage that is not looked at. */
const NOT_LOOKED_AT: { readonly phases: readonly Phase[]; readonly settled: boolean } = { phases: [], settled: true };
/** Seconds within which changes of one part count as one moment. */
const SAME_MOMENT = 1e-9;
/** So many passes settle every state of the demo machines that was tried, thousands of them at random; estimate E32. */
const MOST_PASSES = 3000;
/** Passes after which what still creeps is given its full step again. */
const AGAIN = 600;
/** Relative change of a source below which the analog part is at rest: a hundredth of what any meter resolves. */
const REST = 1e-5;

/**
 * Solves one machine again and again; keeps the work space, so make one a machine and a thread.
 *
 * Settling: the analog part converges first (source voltages that follow an input, damped); then the discrete
 * change with the shortest delay fires, one at a time. A combination of states seen before is a result: the
 * machine keeps going round it (chatters, hiccups).
 */
export class Simulator {
  /** Its circuit, in which a settled phase is measured. */
  readonly circuit: StampedCircuit;
  /** Parts with analog memory. */
  private readonly remembering: readonly Part[];
  private readonly known = new WeakMap<Values, WeakMap<SetupEntry, SoundParts> & { readonly number: number }>();
  private samples = 0;
  private readonly ways = new LivedWays();
  /** Stages lived through since it was made. */
  lived = 0;
  /** How often the machine was brought into a setup since it was made. */
  energised = 0;
  // Work space of `converge`.
  private readonly relax: Float64Array;
  private readonly lastStep: Float64Array;
  private readonly lastMemory: Float64Array;

  constructor(readonly machine: Machine) {
    this.circuit = new StampedCircuit(machine);
    const array = () => new Float64Array(machine.memorySize);
    [this.relax, this.lastStep, this.lastMemory] = [array(), array(), array()];
    this.remembering = machine.parts.filter((part) => part.kind.electrical.memory && part.kind.electrical.follow);
  }

  /**
   * Brings the machine into a setup with the given faults and lets it settle, from rest or from the state `before`
   * (blown fuses, tripped cut-offs and modes are carried on). Throws `NoOperatingPoint`.
   */
  energise(setup: SetupEntry, faults: readonly Fault[], values: Values, before?: State): State {
    this.energised++;
    const { stages, sound, ways } = this.soundParts(setup, values);
    const instancesIn = this.surroundings(setup, faults, values);
    const last = before?.phases[before.phases.length - 1];
    const wrong = this.ways.numberOf(faults);
    const known = last ? undefined : this.ways.stateAfter(ways, wrong);
    if (known) {
      // The caller finds it in the circuit, as after living through it.
      if (known.settled) this.circuit.load(known, known.phases[0]!);
      return known;
    }
    // From rest, some of the way may have been lived through already, in another setup.
    const done = last ? { stage: 0, after: null } : this.ways.furthest(ways, wrong);
    let instances = instancesIn(stages[done.stage]!.conditions, sound[done.stage]);
    const states = (last ?? done.after)?.states.slice() ?? this.startStates(instances);
    const memory = (last ?? done.after)?.memory.slice() ?? new Float64Array(this.machine.memorySize);
    for (let i = done.stage; i < stages.length; i++) {
      const stage = stages[i]!;
      if (i > done.stage) instances = instancesIn(stage.conditions, sound[i]);
      this.circuit.powered = stage.conditions.powered;
      const result = this.live(instances, states, memory, stage, () => {
        throw new NoOperatingPoint(this.machine.file.id, setup.id, faultNames(faults));
      });
      if (i === stages.length - 1) {
        this.circuit.loaded = null;
        const state: State = { ...result, instances };
        if (result.settled) this.circuit.load(state, result.phases[0]!);
        if (!last) this.ways.keepState(ways[i]!, wrong, state);
        return state;
      }
      if (!last) this.ways.keepEnd(ways[i]!, wrong, { states, memory });
    }
    throw new RangeError(say.setupHasNoStage(setup.id));
  }

  /**
   * The stages of a setup for one sample, and its parts in each of them with nothing wrong: the same for every
   * fault.
   */
  private soundParts(setup: SetupEntry, values: Values): SoundParts {
    let ofValues = this.known.get(values);
    if (!ofValues)
      this.known.set(
        values,
        (ofValues = Object.assign(new WeakMap<SetupEntry, SoundParts>(), { number: this.samples++ })),
      );
    let known = ofValues.get(setup);
    if (!known) {
      const stages = stagesOf(this.machine, setup, values);
      const sound = stages.map(({ conditions }) => soundIn(this.machine, values, conditions));
      ofValues.set(
        setup,
        (known = { stages, sound, ways: this.ways.waysOf(this.machine, setup, stages, ofValues.number) }),
      );
    }
    return known;
  }

  /**
   * Every part with its values and its fault, in whatever conditions are given; `sound` are the parts in those with
   * nothing wrong, where they are known. Throws a RangeError for a fault the machine has not.
   */
  private surroundings(
    setup: SetupEntry,
    faults: readonly Fault[],
    values: Values,
  ): (conditions: Conditions, sound?: readonly Instance<unknown>[]) => readonly Instance<unknown>[] {
    const { machine } = this;
    const faulty = new Map<number, { mode: string; severity: number }>();
    for (const fault of faults) {
      const part = machine.partById.get(fault.part);
      const mode = part?.modes.find((m) => m.id === fault.mode);
      if (!part || !mode) throw new RangeError(say.hasNoFault(machine.file.id, fault.part, fault.mode));
      if (!setup.good.includes(part.id))
        faulty.set(part.index, { mode: mode.id, severity: values.severity(part, mode) });
    }
    const jammed = this.jammedBy(setup, faults, values).filter(([index]) => !faulty.has(index));
    const heated = new Map<string, number>();
    for (const [index, { mode }] of faulty) {
      const part = machine.parts[index]!;
      const heat = part.kind.failures.heats?.(part.fields, mode);
      if (heat && setup.power === "on") heated.set(heat.place, heat.celsius);
    }
    const heatedIn = (conditions: Conditions): Conditions =>
      heated.size === 0
        ? conditions
        : { ...conditions, temperature: (place) => heated.get(place) ?? conditions.temperature(place) };
    return (surrounding, sound) => {
      const parts = heated.size === 0 && sound ? sound : soundIn(machine, values, heatedIn(surrounding));
      if (faulty.size === 0) return parts;
      const own = parts.slice();
      for (const [index, { mode, severity }] of faulty) own[index] = { ...own[index]!, mode, severity };
      for (const [index, { mode, severity }] of jammed) own[index] = { ...own[index]!, mode, severity, isJammed: true };
      return own;
    };
  }

  /**
   * What drives something that is jammed, and the failure it then looks like; a part lifted in the setup is uncoupled
   * and holds up nothing.
   */
  private jammedBy(
    setup: SetupEntry,
    faults: readonly Fault[],
    values: Values,
  ): (readonly [index: number, { readonly mode: string; readonly severity: number }])[] {
    const { machine } = this;
    return faults.flatMap((fault) => {
      const { kind, fields } = machine.partById.get(fault.part)!;
      if (!kind.failures.jams?.includes(fault.mode)) return [];
      if (setup.good.includes(fault.part) || setup.lifted.includes(fault.part)) return [];
      const driver = machine.partById.get((fields as { readonly by: string }).by);
      const mode = driver?.modes.find((m) => m.id === driver.kind.failures.jammedLike);
      return driver && mode
        ? [[driver.index, { mode: mode.id, severity: values.severity(driver, mode) }] as const]
        : [];
    });
  }

  private startStates(instances: readonly Instance<unknown>[]): Int32Array {
    const states = new Int32Array(this.machine.parts.length);
    for (const part of this.machine.parts)
      states[part.index] = part.kind.electrical.start?.(instances[part.index]!) ?? 0;
    return states;
  }

  /** A machine that lives on from moment to moment, beginning at `now` (seconds) in `conditions`; see `advance`. */
  begin(setup: SetupEntry, faults: readonly Fault[], values: Values, conditions: Conditions, now: number): Course {
    const instancesIn = this.surroundings(setup, faults, values);
    const instances = instancesIn(conditions);
    return {
      instancesIn,
      instances,
      now,
      name: `${setup.id} with ${faultNames(faults)}`,
      states: this.startStates(instances),
      memory: new Float64Array(this.machine.memorySize),
      due: this.machine.parts.map(() => NOTHING_DUE),
    };
  }

  /**
   * Lives on to the moment `to` in whatever conditions the course is in: what is waited for keeps its moment from one
   * call to the next. A machine that changes without end within the step is left where it is. Throws
   * `NoOperatingPoint`.
   */
  advance(course: Course, to: number): void {
    const { instances, states, memory, due } = course;
    this.circuit.powered = instances[0]?.conditions.powered ?? false;
    this.circuit.loaded = null;
    let changed = EVERY_PART;
    for (let change = 0; change < MOST_CHANGES; change++) {
      const circuitMoved = this.circuit.stampChanged(instances, states, memory, changed) || changed === EVERY_PART;
      if (circuitMoved && !this.converge(instances, states, memory))
        throw new NoOperatingPoint(this.machine.file.id, course.name, "");
      const soonest = this.soonestChange(instances, states, due, course.now, circuitMoved ? EVERY_PART : changed);
      if (!soonest || soonest.at > to) break;
      this.fire(instances, states, due, soonest);
      changed = soonest.part;
      course.now = Math.max(course.now, soonest.at);
    }
    course.now = to;
  }

  /**
   * Lives through one stage: change by change until nothing more is due, the time is up, or it goes round. `states`
   * and `memory` are carried on.
   */
  private live(
    instances: readonly Instance<unknown>[],
    states: Int32Array,
    memory: Float64Array,
    stage: Stage,
    lost: () => never,
  ): { phases: readonly Phase[]; settled: boolean } {
    this.lived++;
    this.circuit.startAnew();
    const due: (readonly Due[])[] = this.machine.parts.map(() => NOTHING_DUE);
    const history: { key: string; at: number; phase: Phase }[] = [];
    let now = 0;
    // After a change that leaves the circuit as it was (a key noticed, a mode entered) only the part itself is asked
    // again.
    let changed = EVERY_PART;
    for (let change = 0; change < MOST_CHANGES; change++) {
      const circuitMoved = this.circuit.stampChanged(instances, states, memory, changed) || changed === EVERY_PART;
      if (circuitMoved && !this.converge(instances, states, memory)) lost();
      const soonest = this.soonestChange(instances, states, due, now, circuitMoved ? EVERY_PART : changed);
      const over = !soonest || soonest.at > stage.seconds;
      // What is not looked at leaves its states and its memory, and nothing else.
      if (!stage.isLast) {
        if (over) return NOT_LOOKED_AT;
        this.fire(instances, states, due, soonest);
        changed = soonest.part;
        now = soonest.at;
        continue;
      }
      const phase: Phase = {
        states: states.slice(),
        memory: memory.slice(),
        seconds: soonest ? soonest.at - now : Infinity,
      };
      if (over) {
        const recent = history.filter((h) => h.at + h.phase.seconds > stage.seconds - WATCHED).map((h) => h.phase);
        // What still changes while one looks has not settled; what merely waits for something later has.
        const rests = !soonest || recent.length < 2;
        return rests
          ? { phases: [{ ...phase, seconds: Infinity }], settled: true }
          : { phases: [...recent, phase], settled: false };
      }
      const key = situationKey(states, due, now);
      const before = history.findIndex((h) => h.key === key);
      if (before >= 0) return { phases: history.slice(before).map((h) => h.phase), settled: false };
      history.push({ key, at: now, phase });
      this.fire(instances, states, due, soonest);
      changed = soonest.part;
      now = soonest.at;
    }
    // It never rests and its rhythms do not meet: the later half of what was seen stands for it.
    return { phases: history.slice(history.length / 2).map((h) => h.phase), settled: false };
  }

  /** Renews what every part is about to do (a wish that persists keeps its moment) and finds the next to happen. */
  private soonestChange(
    instances: readonly Instance<unknown>[],
    states: Int32Array,
    due: (readonly Due[])[],
    now: number,
    only: number,
  ): { part: number; at: number } | null {
    let soonest: { part: number; at: number } | null = null;
    for (const part of this.machine.parts) {
      if (!part.kind.electrical.next) continue;
      if (only !== EVERY_PART && part.index !== only) {
        for (const d of due[part.index]!) if (!soonest || d.at < soonest.at) soonest = { part: part.index, at: d.at };
        continue;
      }
      this.circuit.turn(part.index);
      const wished = part.kind.electrical.next(instances[part.index]!, this.circuit.view, states[part.index]!);
      if (wished === null) {
        due[part.index] = NOTHING_DUE;
        continue;
      }
      const pending = due[part.index]!;
      if ("delay" in wished && pending.length === 1 && pending[0]!.state === wished.state) {
        // It waits for what it has waited for.
        if (!soonest || pending[0]!.at < soonest.at) soonest = { part: part.index, at: pending[0]!.at };
        continue;
      }
      const changes = "delay" in wished ? [wished] : wished;
      if (changes.length === 0) {
        due[part.index] = NOTHING_DUE;
        continue;
      }
      const renewed = changes.map(
        (change) => pending.find((d) => d.state === change.state) ?? { state: change.state, at: now + change.delay },
      );
      due[part.index] = renewed;
      for (const d of renewed) if (!soonest || d.at < soonest.at) soonest = { part: part.index, at: d.at };
    }
    return soonest;
  }

  /** Makes the changes of one part that come due at this moment. */
  private fire(
    instances: readonly Instance<unknown>[],
    states: Int32Array,
    due: (readonly Due[])[],
    { part, at }: { part: number; at: number },
  ): void {
    const ripe = due[part]!.filter((d) => d.at <= at + SAME_MOMENT);
    due[part] = due[part]!.filter((d) => d.at > at + SAME_MOMENT);
    const { kind } = this.machine.parts[part]!;
    this.circuit.turn(part);
    states[part] = kind.electrical.fire
      ? kind.electrical.fire(
          instances[part]!,
          this.circuit.view,
          states[part]!,
          ripe.map((d) => String(d.state)),
        )
      : (ripe[0]!.state as number);
  }

  /** Solves until no analog memory moves; what is not remembered is stamped already. False if it never rests. */
  private converge(instances: readonly Instance<unknown>[], states: Int32Array, memory: Float64Array): boolean {
    const { relax, lastStep, lastMemory } = this;
    relax.fill(1);
    lastStep.fill(0);
    for (let pass = 0; pass < MOST_PASSES; pass++) {
      // Values that chase each other come to rest when all of them take small steps.
      const round = pass % AGAIN;
      let cap: number;
      if (round < 50) cap = 1;
      else if (round < 150) cap = 0.3;
      else if (round < 300) cap = 0.08;
      else cap = 0.02;
      if (pass === 0) this.circuit.solveAll();
      else {
        for (const part of this.remembering) this.circuit.stampPart(part, instances, states, memory);
        this.circuit.solveMoving();
      }
      let moved = false;
      for (const part of this.remembering) {
        const size = part.kind.electrical.memory!;
        const own = memory.subarray(part.firstMemory, part.firstMemory + size);
        lastMemory.set(own);
        this.circuit.turn(part.index);
        part.kind.electrical.follow!(instances[part.index]!, this.circuit.view, states[part.index]!, own);
        for (let i = 0; i < size; i++) {
          const before = lastMemory[i]!;
          if (Math.abs(own[i]! - before) > REST * Math.max(REST, Math.abs(before))) moved = true;
          const at = part.firstMemory + i;
          const step = own[i]! - before;
          // Damped only where it swings: a value that creeps one way is left its full step.
          relax[at] = step * lastStep[at]! < 0 ? relax[at]! / 2 : Math.min(cap, relax[at]! * 1.3);
          lastStep[at] = step;
          own[i] = before + relax[at]! * step;
        }
      }
      if (!moved) {
        this.circuit.solveRest();
        return true;
      }
    }
    return false;
  }
}

/** Names a situation: the states, and what is due in how many milliseconds. */
function situationKey(states: Int32Array, due: readonly (readonly Due[])[], now: number): string {
  const waiting = due.map((list) => list.map((d) => `${d.state}@${Math.round((d.at - now) * 1000)}`).join("+"));
  return `${states.join()};${waiting.join()}`;
}
