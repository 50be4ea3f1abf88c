import { AcSolver, DcSolver } from "../circuit";
import {
  type Face,
  type Instance,
  LAMP_DARK,
  LAMP_LIT,
  type Machine,
  OPEN,
  type Part,
  type Stamp,
  type View,
} from "../model";
import type { Phase, State } from "./state";
import { say } from "#words/core/simulate";

const NO_MEMORY = new Float64Array(0);
/** In the place of a part's number: all of them. */
export const EVERY_PART = -1;
/** Ohms below which the scan of a keypad takes two lines as joined. */
const KEY_OHMS = 2000;
const LAMP_WATTS = 40;
/** Siemens above which an element joins stiffly, see `joinedStiffly`. */
const STIFF = 1e-3;
/** Which sources are meant, by `EliminationProgram.isMoving`. */
const [STAYING, MOVING] = [0, 1] as const;

/**
 * A machine as one circuit: every part stamps its present values, the solver gives potentials and currents, and the
 * parts see them through a window. Keeps its work space, so make one a machine and a thread.
 */
export class StampedCircuit {
  private readonly elements: number;
  private readonly dcSolver: DcSolver;
  private readonly acSolver: AcSolver;
  // Present stamps.
  private readonly g: Float64Array;
  private readonly gAc: Float64Array;
  private readonly bAc: Float64Array;
  /** By how much the conductance of an element may be more than `g`, see `Stamp.between`. */
  private readonly more: Float64Array;
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
  private readonly stamps: readonly Float64Array[];
  /** What a part had stamped before, see `stampChanged`. */
  private readonly before: Float64Array;
  /** Whether the nodes that no moving element ends at are still as they were before `solveMoving`. */
  private restIsOld = false;
  private restIsOldAc = false;
  /** Whether any source is on; without one nothing alternates. */
  powered = false;
  /** The same circuit with every element at its most; made when one is asked for. */
  private most: { readonly solver: DcSolver; readonly siemens: Float64Array; fresh: boolean; differs: boolean } | null =
    null;
  private readonly stiffDc: { fresh: boolean; readonly group: Int32Array };
  private readonly stiffAc: { fresh: boolean; readonly group: Int32Array };
  /** The phase that is in the solver. */
  loaded: Phase | null = null;
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
    this.dcSolver = new DcSolver(machine.program);
    this.acSolver = new AcSolver(machine.program);
    [this.g, this.gAc, this.bAc, this.e, this.eAc] = [
      array(elements),
      array(elements),
      array(elements),
      array(elements),
      array(elements),
    ];
    this.more = array(elements);
    this.stamps = [this.g, this.gAc, this.bAc, this.e, this.eAc, this.more];
    this.before = array(this.stamps.length * elements);
    [this.factoredDc, this.factoredAc, this.factoredAcB] = [
      array(elements).fill(NaN),
      array(elements).fill(NaN),
      array(elements).fill(NaN),
    ];
    [this.solvedE, this.solvedEAc] = [array(elements).fill(NaN), array(elements).fill(NaN)];
    [this.feed, this.feedIm, this.volts, this.voltsRe, this.voltsIm] = [
      array(nodes),
      array(nodes),
      array(nodes),
      array(nodes),
      array(nodes),
    ];
  }

  /** Stamps one part, or every part; says whether the circuit is another one now. */
  stampChanged(
    instances: readonly Instance<unknown>[],
    states: Int32Array,
    memory: Float64Array,
    changed: number,
  ): boolean {
    if (changed === EVERY_PART) {
      this.stampAll(instances, states, memory);
      return true;
    }
    const part = this.machine.parts[changed]!;
    const { firstElement: from, elementCount } = part;
    const { before } = this;
    for (let k = 0; k < this.stamps.length; k++)
      for (let i = 0; i < elementCount; i++) before[k * this.elements + i] = this.stamps[k]![from + i]!;
    this.stampPart(part, instances, states, memory);
    for (let k = 0; k < this.stamps.length; k++)
      for (let i = 0; i < elementCount; i++)
        if (before[k * this.elements + i] !== this.stamps[k]![from + i]) return true;
    return false;
  }

  stampAll(instances: readonly Instance<unknown>[], states: Int32Array, memory: Float64Array): void {
    this.states = states;
    this.instances = instances;
    for (const part of this.machine.parts) this.stampPart(part, instances, states, memory);
  }

  stampPart(part: Part, instances: readonly Instance<unknown>[], states: Int32Array, memory: Float64Array): void {
    const { index, firstElement, elementCount, firstMemory } = part;
    this.turn(index);
    for (let i = firstElement; i < firstElement + elementCount; i++) {
      this.e[i] = 0;
      this.eAc[i] = 0;
      this.more[i] = 0;
    }
    const { conditions } = instances[index]!;
    const { lifted, lamps } = conditions;
    if (lifted.has(part.id) || lamps.has(part.id)) {
      // A lead that is lifted opens the part; a lamp in its stead is a load of 40 watts at the machine's own voltage.
      for (let i = 0; i < elementCount; i++) this.stamp.conduct(i, OPEN);
      if (lamps.has(part.id)) this.stamp.conduct(0, LAMP_WATTS / this.machine.file.supply.volts ** 2);
      return;
    }
    if (part.kind.electrical.dead && !conditions.powered)
      return part.kind.electrical.dead(instances[index]!, this.stamp);
    part.kind.electrical.stamp(
      instances[index]!,
      this.stamp,
      states[index]!,
      part.kind.electrical.memory ? memory.subarray(firstMemory, firstMemory + part.kind.electrical.memory) : NO_MEMORY,
    );
  }

  /** Solves both sides of what is stamped; what has not changed keeps its solution. */
  solveAll(): void {
    this.solveRest();
    this.forget();
    // Passes and phases often differ on one side only (direct or alternating): the other keeps its solution.
    const newDc = !same(this.g, this.factoredDc);
    if (newDc) {
      this.dcSolver.factor(this.g);
      this.factoredDc.set(this.g);
    }
    if (newDc || !same(this.e, this.solvedE)) {
      this.injected(this.g, this.e, null);
      this.dcSolver.solve(this.feed, this.volts);
      this.dcSolver.isHeld = false;
      this.solvedE.set(this.e);
    }
    const newAc = !same(this.gAc, this.factoredAc) || !same(this.bAc, this.factoredAcB);
    if (newAc) {
      this.acSolver.factor(this.gAc, this.bAc);
      this.factoredAc.set(this.gAc);
      this.factoredAcB.set(this.bAc);
    }
    if (newAc || !same(this.eAc, this.solvedEAc)) {
      this.injected(this.gAc, this.eAc, null);
      this.feedIm.fill(0);
      this.acSolver.solve(this.feed, this.feedIm, this.voltsRe, this.voltsIm);
      this.acSolver.isHeld = false;
      this.solvedEAc.set(this.eAc);
    }
  }

  /**
   * Forgets what was solved: the next solution comes of the stamps alone, whatever was solved before. So that a state is
   * the same to the last digit however one has come to it.
   */
  startAnew(): void {
    this.factoredDc.fill(NaN);
    this.factoredAc.fill(NaN);
    this.restIsOld = false;
    this.restIsOldAc = false;
  }

  private forget(): void {
    this.stiffDc.fresh = false;
    this.stiffAc.fresh = false;
    if (this.most) this.most.fresh = false;
  }

  /**
   * Solves again after parts that remember were stamped anew and nothing else: only at the nodes of these, which is all
   * that they look at. `solveRest` then does the others.
   */
  solveMoving(): void {
    this.forget();
    const newDc = this.hasMoved(this.g, this.factoredDc);
    if (newDc) this.dcSolver.refactor(this.g);
    if (this.hasMoved(this.e, this.solvedE) || newDc) {
      if (!this.dcSolver.isHeld) {
        this.injected(this.g, this.e, STAYING);
        this.dcSolver.hold(this.feed);
      }
      this.injected(this.g, this.e, MOVING);
      this.dcSolver.solveTail(this.feed, this.volts);
      this.restIsOld = true;
    }
    const newConductance = this.hasMoved(this.gAc, this.factoredAc);
    const newAc = this.hasMoved(this.bAc, this.factoredAcB) || newConductance;
    if (newAc) this.acSolver.refactor(this.gAc, this.bAc);
    if (this.hasMoved(this.eAc, this.solvedEAc) || newAc) {
      if (!this.acSolver.isHeld) {
        this.injected(this.gAc, this.eAc, STAYING);
        this.feedIm.fill(0);
        this.acSolver.hold(this.feed, this.feedIm);
      }
      this.injected(this.gAc, this.eAc, MOVING);
      this.acSolver.solveTail(this.feed, this.voltsRe, this.voltsIm);
      this.restIsOldAc = true;
    }
  }

  /** The voltages of all other nodes after `solveMoving`. */
  solveRest(): void {
    if (this.restIsOld) this.dcSolver.solveHead(this.volts);
    if (this.restIsOldAc) this.acSolver.solveHead(this.voltsRe, this.voltsIm);
    this.restIsOld = false;
    this.restIsOldAc = false;
  }

  /** Whether a stamp of an element that moves is another one than `known`; takes it down there. */
  private hasMoved(stamps: Float64Array, known: Float64Array): boolean {
    const { moving } = this.machine.program;
    let moved = false;
    for (let m = 0; m < moving.length; m++) {
      const e = moving[m]!;
      if (stamps[e] === known[e]) continue;
      known[e] = stamps[e]!;
      moved = true;
    }
    return moved;
  }

  /** Norton currents into `feed`: of all sources, of those that stay or of those that move. */
  private injected(conductance: Float64Array, volts: Float64Array, which: 0 | 1 | null): void {
    const { ends } = this.machine;
    const { isMoving } = this.machine.program;
    this.feed.fill(0);
    for (let i = 0; i < this.elements; i++) {
      if (volts[i] === 0 || (which !== null && isMoving[i] !== which)) continue;
      const amps = conductance[i]! * volts[i]!;
      const a = ends[2 * i]!;
      const b = ends[2 * i + 1]!;
      if (a >= 0) this.feed[a]! += amps;
      if (b >= 0) this.feed[b]! -= amps;
    }
  }

  /** Puts a phase of a state back into the solver, so that it can be measured. */
  load(state: State, phase: Phase): void {
    if (this.loaded === phase) return;
    this.powered = state.instances[0]?.conditions.powered ?? false;
    this.stampAll(state.instances, phase.states, phase.memory);
    this.startAnew();
    this.solveAll();
    this.loaded = phase;
  }

  /**
   * What `measure` finds in the first moments of a phase, with every load that turns or glows in it drawing what it
   * draws from rest.
   * The loads start together, as they do when the power comes on.
   */
  whileStarting<T>(state: State, phase: Phase, measure: () => T): T {
    this.load(state, phase);
    const starting = this.machine.parts.filter(
      (part) =>
        part.kind.electrical.stampAtStart &&
        !state.instances[part.index]!.conditions.lamps.has(part.id) &&
        !state.instances[part.index]!.conditions.lifted.has(part.id),
    );
    if (starting.length === 0) return measure();
    for (const part of starting) {
      this.turn(part.index);
      part.kind.electrical.stampAtStart!(state.instances[part.index]!, this.stamp);
    }
    this.solveAll();
    const found = measure();
    this.loaded = null;
    this.load(state, phase);
    return found;
  }

  /** Open-circuit volts between two nodes of the loaded phase. */
  openVolts(a: number, b: number): { dc: number; acRe: number; acIm: number } {
    return {
      dc: this.volts[a]! - this.volts[b]!,
      acRe: this.voltsRe[a]! - this.voltsRe[b]!,
      acIm: this.voltsIm[a]! - this.voltsIm[b]!,
    };
  }

  /** Whether alternating volts are in the machine in the loaded phase. */
  get isOnMains(): boolean {
    return this.powered && this.machine.file.supply.hertz > 0;
  }

  /** Resistance that a meter sees between two nodes of the loaded phase, every source at rest, ohms. */
  seenOhms(a: number, b: number): number {
    return this.dcSolver.resistance(a, b);
  }

  /** The same with everything that conducts more or less at its most; what `seenOhms` gives where nothing does. */
  leastOhms(a: number, b: number): number {
    this.most ??= {
      solver: new DcSolver(this.machine.program),
      siemens: new Float64Array(this.elements),
      fresh: false,
      differs: false,
    };
    const { most } = this;
    if (!most.fresh) {
      most.differs = this.more.some((s) => s > 0);
      if (most.differs) {
        for (let e = 0; e < this.elements; e++) most.siemens[e] = this.g[e]! + this.more[e]!;
        most.solver.factor(most.siemens);
      }
      most.fresh = true;
    }
    return most.differs ? most.solver.resistance(a, b) : this.seenOhms(a, b);
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
      joined.group.forEach((_, n) => {
        joined.group[n] = n;
      });
      for (let e = 0; e < this.elements; e++) {
        const square = alternating
          ? this.gAc[e]! * this.gAc[e]! + this.bAc[e]! * this.bAc[e]!
          : this.g[e]! * this.g[e]!;
        if (square > STIFF * STIFF && ends[2 * e]! >= 0 && ends[2 * e + 1]! >= 0)
          joined.group[root(joined.group, ends[2 * e]!)] = root(joined.group, ends[2 * e + 1]!);
      }
      joined.fresh = true;
    }
    return root(joined.group, a) === root(joined.group, b);
  }

  /** The circuit as it stands in the loaded phase, to find out later whether another state is electrically the same. */
  snapshot(): CircuitSnapshot {
    return { arrays: this.stamps.map((a) => a.slice()) };
  }

  isSameAs(snapshot: CircuitSnapshot): boolean {
    return this.stamps.every((a, i) => same(a, snapshot.arrays[i]!));
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

  /**
   * The admittance of what stores charge between two nodes, by itself: as it is measured with a lead of it taken off.
   * Siemens; 0 where nothing there stores any.
   */
  storedBetween(a: number, b: number): { g: number; b: number } {
    const { ends, parts } = this.machine;
    const sum = { g: 0, b: 0 };
    for (const part of parts) {
      if (!part.kind.electrical.stores) continue;
      for (let e = part.firstElement; e < part.firstElement + part.elementCount; e++) {
        const [from, to] = [ends[2 * e]!, ends[2 * e + 1]!];
        if ((from === a && to === b) || (from === b && to === a)) {
          sum.g += this.gAc[e]!;
          sum.b += this.bAc[e]!;
        }
      }
    }
    return sum;
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

  /** The alternating current through an element as a phasor, amperes rms, the line's volts at zero degrees. */
  private phasor(element: number): readonly [re: number, im: number] {
    if (!this.powered) return [0, 0];
    const [a, b] = [this.machine.ends[2 * element]!, this.machine.ends[2 * element + 1]!];
    const across = (v: Float64Array) => (a < 0 ? 0 : v[a]!) - (b < 0 ? 0 : v[b]!);
    const [re, im] = [across(this.voltsRe) - this.eAc[element]!, across(this.voltsIm)];
    const [g, susceptance] = [this.gAc[element]!, this.bAc[element]!];
    return [g * re - susceptance * im, g * im + susceptance * re];
  }

  /** The label under which a part is seen in the loaded phase. */
  seen(state: State, phase: Phase, partIndex: number): string {
    const part = this.machine.parts[partIndex]!;
    if (!part.kind.observed?.look) throw new RangeError(say.isNothingOneCanSee(part.id));
    this.turn(partIndex);
    this.states = phase.states;
    this.instances = state.instances;
    if (state.instances[partIndex]!.conditions.lamps.has(part.id)) {
      const { acRe, acIm } = this.openVolts(
        this.machine.ends[2 * part.firstElement]!,
        this.machine.ends[2 * part.firstElement + 1]!,
      );
      return Math.hypot(acRe, acIm) > this.machine.file.supply.volts / 3 ? LAMP_LIT : LAMP_DARK;
    }
    return part.kind.observed?.look(state.instances[partIndex]!, this.view, phase.states[partIndex]!);
  }

  // The parts' window on the solver: `turn` says whose turn it is.
  /** Says whose turn it is at the window. */
  turn(partIndex: number): void {
    this.partIndex = partIndex;
    this.element0 = this.machine.parts[partIndex]!.firstElement;
  }
  private terminal(name: string): number {
    const node = this.machine.parts[this.partIndex]!.nodeOf.get(name);
    if (node === undefined) throw new RangeError(say.hasNoTerminal(this.machine.parts[this.partIndex]!.id, name));
    return node;
  }
  private readonly stamp: Stamp = {
    conduct: (element, siemens) => {
      this.more[this.element0 + element] = 0;
      this.stamp.dc(element, siemens);
      this.stamp.ac(element, siemens);
    },
    dc: (element, siemens) => {
      this.g[this.element0 + element] = siemens;
    },
    ac: (element, conductance, susceptance = 0) => {
      this.gAc[this.element0 + element] = conductance;
      this.bAc[this.element0 + element] = susceptance;
    },
    between: (element, least, most) => {
      this.stamp.conduct(element, least);
      this.more[this.element0 + element] = most - least;
    },
    emf: (element, volts) => {
      this.e[this.element0 + element] = volts;
    },
    acEmf: (element, volts) => {
      this.eAc[this.element0 + element] = volts;
    },
  };
  /** What the part whose turn it is sees of the solved circuit. */
  readonly view: View = {
    dc: (a, b) => this.openVolts(this.terminal(a), this.terminal(b)).dc,
    ac: (a, b) => {
      const { acRe, acIm } = this.openVolts(this.terminal(a), this.terminal(b));
      return Math.hypot(acRe, acIm);
    },
    current: (element) => this.elementCurrent(this.element0 + element).dc,
    acCurrent: (element) => this.elementCurrent(this.element0 + element).ac,
    leads: (first, second) => {
      const [aRe, aIm] = this.phasor(this.element0 + first);
      const [bRe, bIm] = this.phasor(this.element0 + second);
      return aIm * bRe - aRe * bIm;
    },
    joined: (a, b) => this.seenOhms(this.terminal(a), this.terminal(b)) < KEY_OHMS,
    face: (id): Face | null => {
      const other = this.machine.partById.get(id);
      return other?.kind.observed?.face?.(this.instances[other.index]!, this.states[other.index]!) ?? null;
    },
    watts: (id): number => {
      const other = this.machine.partById.get(id);
      if (!other || other.elementCount === 0) return 0;
      const { dc, ac } = this.elementCurrent(other.firstElement);
      const { acRe, acIm } = this.openVolts(
        this.machine.ends[2 * other.firstElement]!,
        this.machine.ends[2 * other.firstElement + 1]!,
      );
      return Math.abs(this.elementVolts(other.firstElement) * dc) + Math.hypot(acRe, acIm) * ac;
    },
    seen: (id): string => {
      const other = this.machine.partById.get(id);
      if (!other?.kind.observed?.look) return "";
      const turned = this.partIndex;
      this.turn(other.index);
      const label = other.kind.observed?.look(this.instances[other.index]!, this.view, this.states[other.index]!);
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
