import { AcSolver } from "../circuit/ac";
import { DcSolver } from "../circuit/dc";
import { LAMP_DARK, LAMP_LIT, type Machine, type Part } from "../machine/compile";
import type { Fault } from "../machine/fault";
import { OPEN, type Conditions, type Face, type Instance, type Stamp, type View } from "../machine/parts/kind";
import type { SetupEntry } from "../machine/schema";
import { stagesOf, type Stage } from "./conditions";
import { NoOperatingPoint, type Phase, type State } from "./state";
import type { Values } from "./values";

/** What a part is about to do, and when (seconds since the setup began). */
interface Due {
  readonly state: number | string;
  readonly at: number;
}

const MOST_CHANGES = 300;
/** What happened within this time before the look is what the eye and the meter still follow, seconds. */
const WATCHED = 2.5;
const NOTHING_DUE: readonly Due[] = [];
const NO_MEMORY = new Float64Array(0);
const EVERY_PART = -1;
/** Seconds within which changes of one part count as one moment. */
const SAME_MOMENT = 1e-9;
/** Ohms below which the scan of a keypad takes two lines as joined. */
const KEY_OHMS = 2000;
const MOST_PASSES = 600;
const LAMP_WATTS = 40;
/** Relative change of a source below which the analog part is at rest: a hundredth of what any meter resolves. */
const REST = 1e-5;
/** Siemens above which an element joins stiffly, see `joinedStiffly`. */
const STIFF = 1e-3;

/**
 * Solves one machine again and again; keeps the work space, so make one a machine and a thread.
 *
 * Settling: the analog part converges first (source voltages that follow an input, damped); then the discrete
 * change with the shortest delay fires, one at a time. A combination of states seen before is a result: the
 * machine keeps going round it (chatters, hiccups).
 */
export class Simulator {
  private readonly elements: number;
  private readonly dcSolver: DcSolver;
  private readonly acSolver: AcSolver;
  // Present stamps.
  private readonly g: Float64Array;
  private readonly gAc: Float64Array;
  private readonly bAc: Float64Array;
  private readonly e: Float64Array;
  private readonly eAc: Float64Array;
  // Stamps at the last factoring, to leave out work that would give the same.
  private readonly factoredDc: Float64Array;
  private readonly factoredAc: Float64Array;
  private readonly factoredAcB: Float64Array;
  private readonly solvedE: Float64Array;
  private readonly solvedEAc: Float64Array;
  private readonly feed: Float64Array;
  private readonly feedIm: Float64Array;
  private readonly volts: Float64Array;
  private readonly voltsRe: Float64Array;
  private readonly voltsIm: Float64Array;
  private readonly circuit: readonly Float64Array[];
  /** Parts with analog memory. */
  private readonly remembering: readonly Part[];
  // Work space of `converge`.
  private readonly relax: Float64Array;
  private readonly lastStep: Float64Array;
  private readonly lastMemory: Float64Array;
  private powered = false;
  private readonly stiffDc: { fresh: boolean; readonly group: Int32Array };
  private readonly stiffAc: { fresh: boolean; readonly group: Int32Array };
  private loaded: Phase | null = null;
  private states: Int32Array = new Int32Array(0);
  private instances: readonly Instance<unknown>[] = [];
  private element0 = 0;
  private partIndex = 0;

  constructor(readonly machine: Machine) {
    const elements = machine.ends.length / 2;
    const nodes = machine.nets.length;
    this.stiffDc = { fresh: false, group: new Int32Array(nodes) };
    this.stiffAc = { fresh: false, group: new Int32Array(nodes) };
    const array = (n: number) => new Float64Array(n);
    this.elements = elements;
    [this.relax, this.lastStep, this.lastMemory] = [array(machine.memorySize), array(machine.memorySize), array(machine.memorySize)];
    this.dcSolver = new DcSolver(machine.program);
    this.acSolver = new AcSolver(machine.program);
    [this.g, this.gAc, this.bAc, this.e, this.eAc] = [array(elements), array(elements), array(elements), array(elements), array(elements)];
    this.circuit = [this.g, this.gAc, this.bAc, this.e, this.eAc];
    this.remembering = machine.parts.filter((part) => part.kind.memory && part.kind.follow);
    [this.factoredDc, this.factoredAc, this.factoredAcB] = [array(elements).fill(NaN), array(elements).fill(NaN), array(elements).fill(NaN)];
    [this.solvedE, this.solvedEAc] = [array(elements).fill(NaN), array(elements).fill(NaN)];
    [this.feed, this.feedIm, this.volts, this.voltsRe, this.voltsIm] =
      [array(nodes), array(nodes), array(nodes), array(nodes), array(nodes)];
  }

  /**
   * Brings the machine into a setup with the given faults and lets it settle, from rest or from the state `before`
   * (blown fuses, tripped cut-offs and modes are carried on). Throws `NoOperatingPoint`.
   */
  energise(setup: SetupEntry, faults: readonly Fault[], values: Values, before?: State): State {
    const { machine } = this;
    const stages = stagesOf(machine, setup, values);
    const faulty = new Map<number, { mode: string; severity: number }>();
    for (const fault of faults) {
      const part = machine.partById.get(fault.part);
      const mode = part?.modes.find((m) => m.id === fault.mode);
      if (!part || !mode) throw new RangeError(`${machine.file.id} has no fault ${fault.part}:${fault.mode}`);
      if (!setup.good.includes(part.id)) faulty.set(part.index, { mode: mode.id, severity: values.severity(part, mode) });
    }
    const heated = new Map<string, number>();
    for (const [index, { mode }] of faulty) {
      const part = machine.parts[index]!;
      const heat = part.kind.heats?.(part.fields, mode);
      if (heat && setup.power === "on") heated.set(heat.place, heat.celsius);
    }
    const heatedIn = (conditions: Conditions): Conditions => (heated.size === 0 ? conditions : { ...conditions, temperature: (place) => heated.get(place) ?? conditions.temperature(place) });
    const instancesIn = (surrounding: Conditions, conditions = heatedIn(surrounding)): Instance<unknown>[] => machine.parts.map((part, i) => ({
      id: part.id, fields: part.fields, values: values.of[i]!, mode: faulty.get(i)?.mode ?? null, severity: faulty.get(i)?.severity ?? 1, conditions,
    }));

    const last = before?.phases[before.phases.length - 1];
    let instances = instancesIn(stages[0]!.conditions);
    const states = last ? last.states.slice() : Int32Array.from(machine.parts, (part, i) => part.kind.start?.(instances[i]!) ?? 0);
    const memory = last ? last.memory.slice() : new Float64Array(machine.memorySize);
    const name = () => (faults.length ? faults.map((f) => `${f.part}:${f.mode}`).join(" and ") : "no fault");
    for (const stage of stages) {
      if (stage !== stages[0]) instances = instancesIn(stage.conditions);
      this.powered = stage.conditions.powered;
      const result = this.live(instances, states, memory, stage, () => { throw new NoOperatingPoint(machine.file.id, setup.id, name()); });
      if (stage === stages[stages.length - 1]) {
        this.loaded = result.settled ? result.phases[0]! : null;
        return { ...result, instances };
      }
    }
    throw new RangeError(`setup ${setup.id} has no stage`);
  }

  /** Lives through one stage: change by change until nothing more is due, the time is up, or it goes round. `states` and `memory` are carried on. */
  private live(instances: readonly Instance<unknown>[], states: Int32Array, memory: Float64Array, stage: Stage, lost: () => never): { phases: readonly Phase[]; settled: boolean } {
    const due: (readonly Due[])[] = this.machine.parts.map(() => NOTHING_DUE);
    const history: { key: string; at: number; phase: Phase }[] = [];
    let now = 0;
    // After a change that leaves the circuit as it was (a key noticed, a mode entered) only the part itself is asked again.
    let changed = EVERY_PART;
    for (let change = 0; change < MOST_CHANGES; change++) {
      const circuitMoved = this.stampChanged(instances, states, memory, changed) || changed === EVERY_PART;
      if (circuitMoved && !this.converge(instances, states, memory)) lost();
      const soonest = this.soonestChange(instances, states, due, now, circuitMoved ? EVERY_PART : changed);
      const over = !soonest || soonest.at > stage.seconds;
      const phase: Phase = { states: states.slice(), memory: memory.slice(), seconds: soonest ? soonest.at - now : Infinity };
      if (over) {
        const recent = history.filter((h) => h.at + h.phase.seconds > stage.seconds - WATCHED).map((h) => h.phase);
        // What still changes while one looks has not settled; what merely waits for something later has.
        const rests = !soonest || recent.length < 2;
        return rests ? { phases: [{ ...phase, seconds: Infinity }], settled: true } : { phases: [...recent, phase], settled: false };
      }
      if (stage.isLast) {
        const key = `${states.join()};${due.map((list) => list.map((d) => `${d.state}@${Math.round((d.at - now) * 1000)}`).join("+")).join()}`;
        const before = history.findIndex((h) => h.key === key);
        if (before >= 0) return { phases: history.slice(before).map((h) => h.phase), settled: false };
        history.push({ key, at: now, phase });
      }
      this.fire(instances, states, due, soonest);
      changed = soonest.part;
      now = soonest.at;
    }
    // It never rests and its rhythms do not meet: the later half of what was seen stands for it.
    return { phases: history.slice(history.length / 2).map((h) => h.phase), settled: false };
  }

  /** Renews what every part is about to do (a wish that persists keeps its moment) and finds the next to happen. */
  private soonestChange(instances: readonly Instance<unknown>[], states: Int32Array, due: (readonly Due[])[], now: number, only: number): { part: number; at: number } | null {
    let soonest: { part: number; at: number } | null = null;
    for (const part of this.machine.parts) {
      if (!part.kind.next) continue;
      if (only !== EVERY_PART && part.index !== only) {
        for (const d of due[part.index]!) if (!soonest || d.at < soonest.at) soonest = { part: part.index, at: d.at };
        continue;
      }
      this.turn(part.index);
      const wished = part.kind.next(instances[part.index]!, this.view, states[part.index]!);
      const changes = wished === null ? [] : Array.isArray(wished) ? wished : [wished];
      if (changes.length === 0) { due[part.index] = NOTHING_DUE; continue; }
      const pending = due[part.index]!;
      const renewed = changes.map((change) => pending.find((d) => d.state === change.state) ?? { state: change.state, at: now + change.delay });
      due[part.index] = renewed;
      for (const d of renewed) if (!soonest || d.at < soonest.at) soonest = { part: part.index, at: d.at };
    }
    return soonest;
  }

  /** Makes the changes of one part that come due at this moment. */
  private fire(instances: readonly Instance<unknown>[], states: Int32Array, due: (readonly Due[])[], { part, at }: { part: number; at: number }): void {
    const ripe = due[part]!.filter((d) => d.at <= at + SAME_MOMENT);
    due[part] = due[part]!.filter((d) => d.at > at + SAME_MOMENT);
    const { kind } = this.machine.parts[part]!;
    this.turn(part);
    states[part] = kind.fire ? kind.fire(instances[part]!, this.view, states[part]!, ripe.map((d) => String(d.state))) : (ripe[0]!.state as number);
  }

  /** Solves until no analog memory moves; what is not remembered is stamped already. False if it never rests. */
  private converge(instances: readonly Instance<unknown>[], states: Int32Array, memory: Float64Array): boolean {
    const { relax, lastStep, lastMemory } = this;
    relax.fill(1);
    lastStep.fill(0);
    for (let pass = 0; pass < MOST_PASSES; pass++) {
      // Values that chase each other come to rest when all of them take small steps.
      const cap = pass < 50 ? 1 : pass < 150 ? 0.3 : pass < 300 ? 0.08 : 0.02;
      if (pass > 0) for (const part of this.remembering) this.stampPart(part, instances, states, memory);
      this.solveAll();
      let moved = false;
      for (const part of this.remembering) {
        const size = part.kind.memory!;
        const own = memory.subarray(part.firstMemory, part.firstMemory + size);
        lastMemory.set(own);
        this.turn(part.index);
        part.kind.follow!(instances[part.index]!, this.view, states[part.index]!, own);
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
      if (!moved) return true;
    }
    return false;
  }

  /** Stamps one part, or every part; says whether the circuit is another one now. */
  private stampChanged(instances: readonly Instance<unknown>[], states: Int32Array, memory: Float64Array, changed: number): boolean {
    if (changed === EVERY_PART) {
      this.stampAll(instances, states, memory);
      return true;
    }
    const part = this.machine.parts[changed]!;
    const { firstElement: from, elementCount } = part;
    const before = this.circuit.map((array) => array.slice(from, from + elementCount));
    this.stampPart(part, instances, states, memory);
    return this.circuit.some((array, k) => before[k]!.some((value, i) => value !== array[from + i]));
  }

  private stampAll(instances: readonly Instance<unknown>[], states: Int32Array, memory: Float64Array): void {
    this.states = states;
    this.instances = instances;
    for (const part of this.machine.parts) this.stampPart(part, instances, states, memory);
  }

  private stampPart(part: Part, instances: readonly Instance<unknown>[], states: Int32Array, memory: Float64Array): void {
    const { index, firstElement, elementCount, firstMemory } = part;
    this.turn(index);
    for (let i = firstElement; i < firstElement + elementCount; i++) { this.e[i] = 0; this.eAc[i] = 0; }
    const { lifted, lamps } = instances[index]!.conditions;
    if (lifted.has(part.id) || lamps.has(part.id)) {
      // A lead that is lifted opens the part; a lamp in its stead is a load of 40 watts at the machine's own voltage.
      for (let i = 0; i < elementCount; i++) this.stamp.conduct(i, OPEN);
      if (lamps.has(part.id)) this.stamp.conduct(0, LAMP_WATTS / this.machine.file.supply.volts ** 2);
      return;
    }
    part.kind.stamp(instances[index]!, this.stamp, states[index]!, part.kind.memory ? memory.subarray(firstMemory, firstMemory + part.kind.memory) : NO_MEMORY);
  }

  private solveAll(): void {
    this.stiffDc.fresh = false;
    this.stiffAc.fresh = false;
    // Passes and phases often differ on one side only (direct or alternating): the other keeps its solution.
    const newDc = !same(this.g, this.factoredDc);
    if (newDc) {
      this.dcSolver.factor(this.g);
      this.factoredDc.set(this.g);
    }
    if (newDc || !same(this.e, this.solvedE)) {
      this.injected(this.g, this.e);
      this.dcSolver.solve(this.feed, this.volts);
      this.solvedE.set(this.e);
    }
    const newAc = this.factorAc();
    if (newAc || !same(this.eAc, this.solvedEAc)) {
      this.injected(this.gAc, this.eAc);
      this.feedIm.fill(0);
      this.acSolver.solve(this.feed, this.feedIm, this.voltsRe, this.voltsIm);
      this.solvedEAc.set(this.eAc);
    }
  }

  /** Norton currents of all sources into `feed`. */
  private injected(conductance: Float64Array, volts: Float64Array): void {
    const { ends } = this.machine;
    this.feed.fill(0);
    for (let i = 0; i < this.elements; i++) {
      if (volts[i] === 0) continue;
      const amps = conductance[i]! * volts[i]!;
      const a = ends[2 * i]!;
      const b = ends[2 * i + 1]!;
      if (a >= 0) this.feed[a]! += amps;
      if (b >= 0) this.feed[b]! -= amps;
    }
  }

  /** Renews the alternating side if its admittances moved; says whether they did. */
  private factorAc(): boolean {
    if (same(this.gAc, this.factoredAc) && same(this.bAc, this.factoredAcB)) return false;
    this.acSolver.factor(this.gAc, this.bAc);
    this.factoredAc.set(this.gAc);
    this.factoredAcB.set(this.bAc);
    return true;
  }

  /** Puts a phase of a state back into the solver, so that it can be measured. */
  load(state: State, phase: Phase): void {
    if (this.loaded === phase) return;
    this.powered = state.instances[0]?.conditions.powered ?? false;
    this.stampAll(state.instances, phase.states, phase.memory);
    this.solveAll();
    this.loaded = phase;
  }

  /** Open-circuit volts between two nodes of the loaded phase. */
  openVolts(a: number, b: number): { dc: number; acRe: number; acIm: number } {
    return { dc: this.volts[a]! - this.volts[b]!, acRe: this.voltsRe[a]! - this.voltsRe[b]!, acIm: this.voltsIm[a]! - this.voltsIm[b]! };
  }

  /** Resistance that a meter sees between two nodes of the loaded phase, every source at rest, ohms. */
  seenOhms(a: number, b: number): number {
    return this.dcSolver.resistance(a, b);
  }

  /** The same at line frequency: resistance and reactance. */
  seenImpedance(a: number, b: number): { re: number; im: number } {
    return this.acSolver.impedance(a, b);
  }

  /**
   * Whether two nodes of the loaded phase are joined by paths of less than 1 kohm an element: then what a 10 Mohm
   * meter takes away is far below its own error, and the solve for it can be left out.
   */
  joinedStiffly(a: number, b: number, alternating: boolean): boolean {
    const joined = alternating ? this.stiffAc : this.stiffDc;
    if (!joined.fresh) {
      const { ends } = this.machine;
      joined.group.forEach((_, n) => { joined.group[n] = n; });
      for (let e = 0; e < this.elements; e++) {
        const siemens = alternating ? Math.hypot(this.gAc[e]!, this.bAc[e]!) : this.g[e]!;
        if (siemens > STIFF && ends[2 * e]! >= 0 && ends[2 * e + 1]! >= 0) joined.group[root(joined.group, ends[2 * e]!)] = root(joined.group, ends[2 * e + 1]!);
      }
      joined.fresh = true;
    }
    return root(joined.group, a) === root(joined.group, b);
  }

  /** The circuit as it stands in the loaded phase, to find out later whether another state is electrically the same. */
  snapshot(): CircuitSnapshot {
    return { arrays: this.circuit.map((a) => a.slice()) };
  }

  isSameAs(snapshot: CircuitSnapshot): boolean {
    return this.circuit.every((a, i) => same(a, snapshot.arrays[i]!));
  }

  /** Direct volts across an element of the loaded phase, its own source included. */
  elementVolts(element: number): number {
    const [a, b] = [this.machine.ends[2 * element]!, this.machine.ends[2 * element + 1]!];
    return (a < 0 ? 0 : this.volts[a]!) - (b < 0 ? 0 : this.volts[b]!);
  }

  /** Direct watts that all nodes together leak to the solver's ground. */
  leakWatts(): number {
    return this.volts.reduce((sum, v) => sum + v * v * this.dcSolver.leak, 0);
  }

  /** Current through an element of the loaded phase: direct, and alternating rms. */
  elementCurrent(element: number): { dc: number; ac: number } {
    const [a, b] = [this.machine.ends[2 * element]!, this.machine.ends[2 * element + 1]!];
    const at = (v: Float64Array, n: number) => (n < 0 ? 0 : v[n]!);
    const re = at(this.voltsRe, a) - at(this.voltsRe, b) - this.eAc[element]!;
    const im = at(this.voltsIm, a) - at(this.voltsIm, b);
    return {
      dc: this.g[element]! * (at(this.volts, a) - at(this.volts, b) - this.e[element]!),
      ac: this.powered ? Math.hypot(re, im) * Math.hypot(this.gAc[element]!, this.bAc[element]!) : 0,
    };
  }

  /** The label under which a part is seen in the loaded phase. */
  seen(state: State, phase: Phase, partIndex: number): string {
    const part = this.machine.parts[partIndex]!;
    if (!part.kind.look) throw new RangeError(`${part.id} is nothing one can see`);
    this.turn(partIndex);
    this.states = phase.states;
    this.instances = state.instances;
    if (state.instances[partIndex]!.conditions.lamps.has(part.id)) {
      const { acRe, acIm } = this.openVolts(this.machine.ends[2 * part.firstElement]!, this.machine.ends[2 * part.firstElement + 1]!);
      return Math.hypot(acRe, acIm) > this.machine.file.supply.volts / 3 ? LAMP_LIT : LAMP_DARK;
    }
    return part.kind.look(state.instances[partIndex]!, this.view, phase.states[partIndex]!);
  }

  // The parts' window on the solver: `turn` says whose turn it is.
  private turn(partIndex: number): void {
    this.partIndex = partIndex;
    this.element0 = this.machine.parts[partIndex]!.firstElement;
  }
  private terminal(name: string): number {
    const node = this.machine.parts[this.partIndex]!.nodeOf.get(name);
    if (node === undefined) throw new RangeError(`${this.machine.parts[this.partIndex]!.id} has no terminal ${name}`);
    return node;
  }
  private readonly stamp: Stamp = {
    conduct: (element, siemens) => { this.stamp.dc(element, siemens); this.stamp.ac(element, siemens); },
    dc: (element, siemens) => { this.g[this.element0 + element] = siemens; },
    ac: (element, conductance, susceptance = 0) => {
      this.gAc[this.element0 + element] = conductance;
      this.bAc[this.element0 + element] = susceptance;
    },
    emf: (element, volts) => { this.e[this.element0 + element] = volts; },
    acEmf: (element, volts) => { this.eAc[this.element0 + element] = volts; },
  };
  private readonly view: View = {
    dc: (a, b) => this.openVolts(this.terminal(a), this.terminal(b)).dc,
    ac: (a, b) => {
      const { acRe, acIm } = this.openVolts(this.terminal(a), this.terminal(b));
      return Math.hypot(acRe, acIm);
    },
    current: (element) => this.elementCurrent(this.element0 + element).dc,
    acCurrent: (element) => this.elementCurrent(this.element0 + element).ac,
    joined: (a, b) => this.seenOhms(this.terminal(a), this.terminal(b)) < KEY_OHMS,
    face: (id): Face | null => {
      const other = this.machine.partById.get(id);
      return other?.kind.face?.(this.instances[other.index]!, this.states[other.index]!) ?? null;
    },
    watts: (id): number => {
      const other = this.machine.partById.get(id);
      if (!other || other.elementCount === 0) return 0;
      const { dc, ac } = this.elementCurrent(other.firstElement);
      const { acRe, acIm } = this.openVolts(this.machine.ends[2 * other.firstElement]!, this.machine.ends[2 * other.firstElement + 1]!);
      return Math.abs(this.elementVolts(other.firstElement) * dc) + Math.hypot(acRe, acIm) * ac;
    },
    seen: (id): string => {
      const other = this.machine.partById.get(id);
      if (!other?.kind.look) return "";
      const turned = this.partIndex;
      this.turn(other.index);
      const label = other.kind.look(this.instances[other.index]!, this.view, this.states[other.index]!);
      this.turn(turned);
      return label;
    },
  };
}

/** Everything that decides what a meter shows, in one phase. */
export interface CircuitSnapshot {
  readonly arrays: readonly Float64Array[];
}

function root(group: Int32Array, node: number): number {
  let r = node;
  while (group[r] !== r) r = group[r]!;
  group[node] = r;
  return r;
}

function same(a: Float64Array, b: Float64Array): boolean {
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return true;
}
