import { AcSolver, DcSolver } from "../circuit";
import type { Machine } from "../model";

/** Siemens above which an element joins stiffly, see `joinedStiffly`. */
const STIFF = 1e-3;
/** Which sources are meant, by `EliminationProgram.isMoving`. */
const [STAYING, MOVING] = [0, 1] as const;

/**
 * A machine's circuit as numbers, element by element: solved for direct and alternating current, and measured between
 * nodes. What has not changed is not solved again. Keeps its work space, so make one a machine and a thread.
 */
export class SolvedCircuit {
  protected readonly elements: number;
  private readonly dcSolver: DcSolver;
  private readonly acSolver: AcSolver;
  // Conductances, siemens, and sources in series, volts, as they are at present.
  protected readonly g: Float64Array;
  protected readonly gAc: Float64Array;
  protected readonly bAc: Float64Array;
  /** By how much the conductance of an element may be more than `g`, see `Stamp.between`. */
  protected readonly more: Float64Array;
  protected readonly e: Float64Array;
  protected readonly eAc: Float64Array;
  /** What of the alternating sources is a quarter of a turn ahead of the line: of the lines of three phases. */
  protected readonly eAcIm: Float64Array;
  // What they were at the last factoring, to leave out work that would give the same.
  private readonly factoredDc: Float64Array;
  private readonly factoredAc: Float64Array;
  private readonly factoredAcB: Float64Array;
  private readonly solvedE: Float64Array;
  private readonly solvedEAc: Float64Array;
  private readonly solvedEAcIm: Float64Array;
  private readonly feed: Float64Array;
  private readonly feedIm: Float64Array;
  private readonly volts: Float64Array;
  private readonly voltsRe: Float64Array;
  private readonly voltsIm: Float64Array;
  /** Whether the nodes that no moving element ends at are still as they were before `solveMoving`. */
  private restIsOld = false;
  private restIsOldAc = false;
  /** Whether each side came of its stamps at one go, nothing of it of earlier stamps. */
  private isWholeDc = false;
  private isWholeAc = false;
  /** Whether any source is on; without one nothing alternates. */
  powered = false;
  /** The same circuit with every element at its most; made when one is asked for. */
  private most: { readonly solver: DcSolver; readonly siemens: Float64Array; fresh: boolean; differs: boolean } | null =
    null;
  private readonly stiffDc: { fresh: boolean; readonly group: Int32Array };
  private readonly stiffAc: { fresh: boolean; readonly group: Int32Array };

  constructor(readonly machine: Machine) {
    const [elements, nodes] = [machine.ends.length / 2, machine.nets.length];
    const byElement = () => new Float64Array(elements);
    const unknown = () => byElement().fill(NaN);
    const byNode = () => new Float64Array(nodes);
    this.elements = elements;
    this.dcSolver = new DcSolver(machine.program);
    this.acSolver = new AcSolver(machine.program);
    [this.g, this.gAc, this.bAc, this.more] = [byElement(), byElement(), byElement(), byElement()];
    [this.e, this.eAc, this.eAcIm] = [byElement(), byElement(), byElement()];
    [this.factoredDc, this.factoredAc, this.factoredAcB] = [unknown(), unknown(), unknown()];
    [this.solvedE, this.solvedEAc, this.solvedEAcIm] = [unknown(), unknown(), unknown()];
    [this.feed, this.feedIm] = [byNode(), byNode()];
    [this.volts, this.voltsRe, this.voltsIm] = [byNode(), byNode(), byNode()];
    this.stiffDc = { fresh: false, group: new Int32Array(nodes) };
    this.stiffAc = { fresh: false, group: new Int32Array(nodes) };
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
      this.isWholeDc = true;
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
      this.isWholeAc = true;
    }
    if (newAc || !same(this.eAc, this.solvedEAc) || !same(this.eAcIm, this.solvedEAcIm)) {
      this.injected(this.gAc, this.eAc, null);
      this.injected(this.gAc, this.eAcIm, null, this.feedIm);
      this.acSolver.solve(this.feed, this.feedIm, this.voltsRe, this.voltsIm);
      this.acSolver.isHeld = false;
      this.solvedEAc.set(this.eAc);
      this.solvedEAcIm.set(this.eAcIm);
    }
  }

  /**
   * Forgets what was solved: the next solution comes of the stamps alone, whatever was solved before. So that a state is
   * the same to the last digit however one has come to it.
   */
  startAnew(): void {
    // What came whole of its stamps would come of them again.
    if (!this.isWholeDc) this.factoredDc.fill(NaN);
    if (!this.isWholeAc) this.factoredAc.fill(NaN);
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
      this.isWholeDc = false;
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
      this.isWholeAc = false;
      if (!this.acSolver.isHeld) {
        this.injected(this.gAc, this.eAc, STAYING);
        // What moves is in phase with the line.
        this.injected(this.gAc, this.eAcIm, STAYING, this.feedIm);
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
  private injected(conductance: Float64Array, volts: Float64Array, which: 0 | 1 | null, feed = this.feed): void {
    const { ends } = this.machine;
    const { isMoving } = this.machine.program;
    feed.fill(0);
    for (let i = 0; i < this.elements; i++) {
      if (volts[i] === 0 || (which !== null && isMoving[i] !== which)) continue;
      const amps = conductance[i]! * volts[i]!;
      const a = ends[2 * i]!;
      const b = ends[2 * i + 1]!;
      if (a >= 0) feed[a]! += amps;
      if (b >= 0) feed[b]! -= amps;
    }
  }

  /** Open-circuit volts between two nodes of what is solved. */
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

  /** Resistance that a meter sees between two nodes of what is solved, every source at rest, ohms. */
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
   * Whether two nodes of what is solved are joined by paths of less than 1 kohm an element: then what a 10 Mohm
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

  /** Direct volts across an element of what is solved, its own source included. */
  elementVolts(element: number): number {
    const [a, b] = [this.machine.ends[2 * element]!, this.machine.ends[2 * element + 1]!];
    return (a < 0 ? 0 : this.volts[a]!) - (b < 0 ? 0 : this.volts[b]!);
  }

  /** Direct watts that all nodes together leak to the solver's ground. */
  leakWatts(): number {
    return this.volts.reduce((sum, v) => sum + v * v * this.dcSolver.leak, 0);
  }

  /** Current through an element of what is solved: direct, and alternating rms. */
  elementCurrent(element: number): { dc: number; ac: number } {
    const [a, b] = [this.machine.ends[2 * element]!, this.machine.ends[2 * element + 1]!];
    const at = (v: Float64Array, n: number) => (n < 0 ? 0 : v[n]!);
    const re = at(this.voltsRe, a) - at(this.voltsRe, b) - this.eAc[element]!;
    const im = at(this.voltsIm, a) - at(this.voltsIm, b) - this.eAcIm[element]!;
    return {
      dc: this.g[element]! * (at(this.volts, a) - at(this.volts, b) - this.e[element]!),
      ac: this.powered ? Math.hypot(re, im) * Math.hypot(this.gAc[element]!, this.bAc[element]!) : 0,
    };
  }

  /** The alternating current through an element as a phasor, amperes rms, the line's volts at zero degrees. */
  protected phasor(element: number): readonly [re: number, im: number] {
    if (!this.powered) return [0, 0];
    const [a, b] = [this.machine.ends[2 * element]!, this.machine.ends[2 * element + 1]!];
    const across = (v: Float64Array) => (a < 0 ? 0 : v[a]!) - (b < 0 ? 0 : v[b]!);
    const [re, im] = [across(this.voltsRe) - this.eAc[element]!, across(this.voltsIm) - this.eAcIm[element]!];
    const [g, susceptance] = [this.gAc[element]!, this.bAc[element]!];
    return [g * re - susceptance * im, g * im + susceptance * re];
  }
}

function root(group: Int32Array, node: number): number {
  let r = node;
  while (group[r] !== r) r = group[r]!;
  group[node] = r;
  return r;
}

/** Whether two arrays of one length hold the same numbers. */
export function same(a: Float64Array, b: Float64Array): boolean {
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return true;
}
