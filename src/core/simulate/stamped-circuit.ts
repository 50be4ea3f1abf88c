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
import { same, SolvedCircuit } from "./solved-circuit";
import type { Phase, State } from "./state";
import { say } from "#words/core/simulate";

const NO_MEMORY = new Float64Array(0);
/** In the place of a part's number: all of them. */
export const EVERY_PART = -1;
/** Ohms below which the scan of a keypad takes two lines as joined. */
const KEY_OHMS = 2000;
const LAMP_WATTS = 40;

/**
 * A machine as one circuit: every part stamps its present values, the solver gives potentials and currents, and the
 * parts see them through a window. Keeps its work space, so make one a machine and a thread.
 */
export class StampedCircuit extends SolvedCircuit {
  private readonly stamps: readonly Float64Array[];
  /** What a part had stamped before, see `stampChanged`. */
  private readonly before: Float64Array;
  /** The phase that is in the solver. */
  loaded: Phase | null = null;
  private states: Int32Array = new Int32Array(0);
  private instances: readonly Instance<unknown>[] = [];
  private element0 = 0;
  private partIndex = 0;

  constructor(machine: Machine) {
    super(machine);
    this.stamps = [this.g, this.gAc, this.bAc, this.e, this.eAc, this.eAcIm, this.more];
    this.before = new Float64Array(this.stamps.length * this.elements);
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
      this.eAcIm[i] = 0;
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

  /** The circuit as it stands in the loaded phase, to find out later whether another state is electrically the same. */
  snapshot(): CircuitSnapshot {
    return { arrays: this.stamps.map((a) => a.slice()) };
  }

  isSameAs(snapshot: CircuitSnapshot): boolean {
    return this.stamps.every((a, i) => same(a, snapshot.arrays[i]!));
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
    acEmf: (element, volts, degrees = 0) => {
      const angle = (degrees * Math.PI) / 180;
      this.eAc[this.element0 + element] = degrees === 0 ? volts : volts * Math.cos(angle);
      this.eAcIm[this.element0 + element] = degrees === 0 ? 0 : volts * Math.sin(angle);
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
    pulledIn: (id) => {
      const other = this.machine.partById.get(id);
      return other !== undefined && this.states[other.index] === 1;
    },
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
