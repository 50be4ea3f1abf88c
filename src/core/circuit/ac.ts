import { roundingOf } from "./dc";
import { LEAK, mergePaths, type EliminationProgram } from "./elimination";

/** No currents beside those held. */
const NO_CURRENT = new Float64Array(0);

/** A phasor solve (rms values at line frequency) of one compiled circuit: the same program with complex admittances. */
export class AcSolver {
  private readonly gRe: Float64Array;
  private readonly gIm: Float64Array;
  private readonly groundRe: Float64Array;
  private readonly groundIm: Float64Array;
  private readonly inverseRe: Float64Array;
  private readonly inverseIm: Float64Array;
  private readonly currentRe: Float64Array;
  private readonly currentIm: Float64Array;
  private readonly restRe: Float64Array;
  private readonly restIm: Float64Array;
  private readonly betweenRe: Float64Array;
  private readonly betweenIm: Float64Array;
  private readonly places: Int32Array;
  // What the nodes that stay have made of those of moving elements; of the currents four numbers a node.
  private readonly heldRe: Float64Array;
  private readonly heldIm: Float64Array;
  private readonly heldGroundRe: Float64Array;
  private readonly heldGroundIm: Float64Array;
  private readonly heldCurrent: Float64Array;

  constructor(
    readonly program: EliminationProgram,
    readonly leak: number = LEAK,
  ) {
    const edges = () => new Float64Array(program.edgeCount);
    const nodes = () => new Float64Array(program.nodeCount);
    [this.gRe, this.gIm] = [edges(), edges()];
    [this.groundRe, this.groundIm] = [nodes(), nodes()];
    [this.inverseRe, this.inverseIm] = [nodes(), nodes()];
    [this.currentRe, this.currentIm] = [nodes(), nodes()];
    [this.restRe, this.restIm] = [nodes(), nodes()];
    [this.betweenRe, this.betweenIm] = [nodes(), nodes()];
    this.places = new Int32Array(program.nodeCount);
    this.heldRe = new Float64Array(program.tailEdges.length);
    this.heldIm = new Float64Array(program.tailEdges.length);
    [this.heldGroundRe, this.heldGroundIm] = [nodes(), nodes()];
    this.heldCurrent = new Float64Array(4 * program.nodeCount);
  }

  /** Takes conductance and susceptance of every element (siemens) and eliminates. */
  factor(conductance: Float64Array, susceptance: Float64Array): void {
    const { elementCount, isMoving, nodeCount, tail, tailEdges } = this.program;
    const { gRe, gIm, groundRe, groundIm } = this;
    gRe.fill(0);
    gIm.fill(0);
    groundRe.fill(this.leak);
    groundIm.fill(0);
    for (let e = 0; e < elementCount; e++) if (isMoving[e] === 0) this.add(e, conductance[e]!, susceptance[e]!);
    this.eliminate(0, tail);
    for (let i = 0; i < tailEdges.length; i++) {
      this.heldRe[i] = gRe[tailEdges[i]!]!;
      this.heldIm[i] = gIm[tailEdges[i]!]!;
    }
    this.heldGroundRe.set(groundRe);
    this.heldGroundIm.set(groundIm);
    this.addMoving(conductance, susceptance);
    this.eliminate(tail, nodeCount);
  }

  /** The same where nothing but moving elements has changed since `factor`. */
  refactor(conductance: Float64Array, susceptance: Float64Array): void {
    const { nodeCount, order, tail, tailEdges } = this.program;
    for (let i = 0; i < tailEdges.length; i++) {
      this.gRe[tailEdges[i]!] = this.heldRe[i]!;
      this.gIm[tailEdges[i]!] = this.heldIm[i]!;
    }
    for (let n = tail; n < nodeCount; n++) {
      this.groundRe[order[n]!] = this.heldGroundRe[order[n]!]!;
      this.groundIm[order[n]!] = this.heldGroundIm[order[n]!]!;
    }
    this.addMoving(conductance, susceptance);
    this.eliminate(tail, nodeCount);
  }

  private addMoving(conductance: Float64Array, susceptance: Float64Array): void {
    const { moving } = this.program;
    for (let m = 0; m < moving.length; m++) this.add(moving[m]!, conductance[moving[m]!]!, susceptance[moving[m]!]!);
  }

  private add(e: number, conductance: number, susceptance: number): void {
    const viaEdge = this.program.elementEdge[e]!;
    const node = this.program.elementNode[e]!;
    if (viaEdge >= 0) {
      this.gRe[viaEdge]! += conductance;
      this.gIm[viaEdge]! += susceptance;
    } else if (node >= 0) {
      this.groundRe[node]! += conductance;
      this.groundIm[node]! += susceptance;
    }
  }

  private eliminate(first: number, end: number): void {
    const { order, start, neighbour, edge, pairStart, pairEdge } = this.program;
    const { gRe, gIm, groundRe, groundIm, inverseRe, inverseIm } = this;
    for (let n = first; n < end; n++) {
      const k = order[n]!;
      const from = start[n]!;
      const to = start[n + 1]!;
      let sumRe = groundRe[k]!;
      let sumIm = groundIm[k]!;
      for (let i = from; i < to; i++) {
        sumRe += gRe[edge[i]!]!;
        sumIm += gIm[edge[i]!]!;
      }
      const square = sumRe * sumRe + sumIm * sumIm;
      const invRe = sumRe / square;
      const invIm = -sumIm / square;
      inverseRe[n] = invRe;
      inverseIm[n] = invIm;
      const leakRe = groundRe[k]! * invRe - groundIm[k]! * invIm;
      const leakIm = groundRe[k]! * invIm + groundIm[k]! * invRe;
      let pair = pairStart[n]!;
      for (let i = from; i < to; i++) {
        const re = gRe[edge[i]!]!;
        const im = gIm[edge[i]!]!;
        if (re === 0 && im === 0) {
          pair += to - i - 1;
          continue;
        }
        groundRe[neighbour[i]!]! += re * leakRe - im * leakIm;
        groundIm[neighbour[i]!]! += re * leakIm + im * leakRe;
        const shareRe = re * invRe - im * invIm;
        const shareIm = re * invIm + im * invRe;
        for (let j = i + 1; j < to; j++, pair++) {
          const jRe = gRe[edge[j]!]!;
          const jIm = gIm[edge[j]!]!;
          gRe[pairEdge[pair]!]! += shareRe * jRe - shareIm * jIm;
          gIm[pairEdge[pair]!]! += shareRe * jIm + shareIm * jRe;
        }
      }
    }
  }

  /** Node phasors for currents fed into the nodes (rms amperes); fills `voltsRe` and `voltsIm`. */
  solve(injectedRe: Float64Array, injectedIm: Float64Array, voltsRe: Float64Array, voltsIm: Float64Array): void {
    this.hold(injectedRe, injectedIm);
    this.solveTail(NO_CURRENT, voltsRe, voltsIm);
    this.solveHead(voltsRe, voltsIm);
  }

  /** Whether what `hold` took is still there; see `DcSolver`. */
  isHeld = false;

  /** Takes the currents of all sources that stay; see `DcSolver.hold`. */
  hold(injectedRe: Float64Array, injectedIm: Float64Array): void {
    const { order, tail, nodeCount } = this.program;
    this.currentRe.set(injectedRe);
    this.currentIm.set(injectedIm);
    this.restRe.fill(0);
    this.restIm.fill(0);
    for (let n = 0; n < tail; n++) this.push(n);
    for (let n = tail; n < nodeCount; n++) {
      const k = order[n]!;
      this.heldCurrent[4 * n] = this.currentRe[k]!;
      this.heldCurrent[4 * n + 1] = this.currentIm[k]!;
      this.heldCurrent[4 * n + 2] = this.restRe[k]!;
      this.heldCurrent[4 * n + 3] = this.restIm[k]!;
    }
    this.isHeld = true;
  }

  /** Phasors of the nodes of moving elements, with the in-phase currents of moving sources beside those held. */
  solveTail(injectedRe: Float64Array, voltsRe: Float64Array, voltsIm: Float64Array): void {
    const { order, tail, nodeCount } = this.program;
    for (let n = tail; n < nodeCount; n++) {
      const k = order[n]!;
      const held = this.heldCurrent[4 * n]!;
      const more = injectedRe.length === 0 ? 0 : injectedRe[k]!;
      const sum = held + more;
      this.currentRe[k] = sum;
      this.currentIm[k] = this.heldCurrent[4 * n + 1]!;
      this.restRe[k] = this.heldCurrent[4 * n + 2]! + roundingOf(held, more, sum);
      this.restIm[k] = this.heldCurrent[4 * n + 3]!;
    }
    for (let n = tail; n < nodeCount; n++) this.push(n);
    for (let n = nodeCount - 1; n >= tail; n--) this.draw(n, voltsRe, voltsIm);
  }

  /** Phasors of the other nodes. */
  solveHead(voltsRe: Float64Array, voltsIm: Float64Array): void {
    for (let n = this.program.tail - 1; n >= 0; n--) this.draw(n, voltsRe, voltsIm);
  }

  /** Impedance between two nodes with every source at rest: resistance and reactance, ohms. */
  impedance(a: number, b: number): { re: number; im: number } {
    if (a === b) return { re: 0, im: 0 };
    this.isHeld = false;
    const { order, path } = this.program;
    const { currentRe, currentIm, betweenRe, betweenIm, places } = this;
    const count = mergePaths(path[a]!, path[b]!, places);
    for (let p = 0; p < count; p++) {
      currentRe[order[places[p]!]!] = 0;
      currentIm[order[places[p]!]!] = 0;
      this.restRe[order[places[p]!]!] = 0;
      this.restIm[order[places[p]!]!] = 0;
    }
    currentRe[a] = 1;
    currentRe[b] = -1;
    for (let p = 0; p < count; p++) this.push(places[p]!);
    for (let p = count - 1; p >= 0; p--) this.draw(places[p]!, betweenRe, betweenIm);
    return { re: betweenRe[a]! - betweenRe[b]!, im: betweenIm[a]! - betweenIm[b]! };
  }

  /**
   * Hands the current fed into the n-th eliminated node on to its neighbours, keeping what rounding would lose; see
   * `DcSolver.solve`.
   */
  private push(n: number): void {
    const { order, start, neighbour, edge } = this.program;
    const { gRe, gIm, currentRe, currentIm, restRe, restIm } = this;
    const k = order[n]!;
    const iRe = currentRe[k]! + restRe[k]!;
    const iIm = currentIm[k]! + restIm[k]!;
    let keptRe = restRe[k]! - (iRe - currentRe[k]!);
    let keptIm = restIm[k]! - (iIm - currentIm[k]!);
    currentRe[k] = iRe;
    currentIm[k] = iIm;
    if (iRe === 0 && iIm === 0) return;
    const pushedRe = iRe * this.inverseRe[n]! - iIm * this.inverseIm[n]!;
    const pushedIm = iRe * this.inverseIm[n]! + iIm * this.inverseRe[n]!;
    let leftRe = iRe;
    let leftIm = iIm;
    let strongest = -1;
    let most = Math.abs(this.groundRe[k]!) + Math.abs(this.groundIm[k]!);
    for (let i = start[n]!; i < start[n + 1]!; i++) {
      const re = gRe[edge[i]!]!;
      const im = gIm[edge[i]!]!;
      const other = neighbour[i]!;
      const size = Math.abs(re) + Math.abs(im);
      if (size > most) {
        most = size;
        strongest = other;
      }
      const ampsRe = pushedRe * re - pushedIm * im;
      const ampsIm = pushedRe * im + pushedIm * re;
      const sumRe = currentRe[other]! + ampsRe;
      const sumIm = currentIm[other]! + ampsIm;
      restRe[other]! += roundingOf(currentRe[other]!, ampsRe, sumRe);
      restIm[other]! += roundingOf(currentIm[other]!, ampsIm, sumIm);
      currentRe[other] = sumRe;
      currentIm[other] = sumIm;
      const afterRe = leftRe - ampsRe;
      const afterIm = leftIm - ampsIm;
      keptRe += roundingOf(leftRe, -ampsRe, afterRe);
      keptIm += roundingOf(leftIm, -ampsIm, afterIm);
      leftRe = afterRe;
      leftIm = afterIm;
    }
    if (strongest < 0) return;
    restRe[strongest]! += leftRe - (pushedRe * this.groundRe[k]! - pushedIm * this.groundIm[k]!) + keptRe;
    restIm[strongest]! += leftIm - (pushedRe * this.groundIm[k]! + pushedIm * this.groundRe[k]!) + keptIm;
  }

  /** The voltage of the n-th eliminated node from those of its neighbours, which are known by then. */
  private draw(n: number, voltsRe: Float64Array, voltsIm: Float64Array): void {
    const { order, start, neighbour, edge } = this.program;
    const { gRe, gIm } = this;
    let sumRe = this.currentRe[order[n]!]!;
    let sumIm = this.currentIm[order[n]!]!;
    for (let i = start[n]!; i < start[n + 1]!; i++) {
      const re = gRe[edge[i]!]!;
      const im = gIm[edge[i]!]!;
      const vRe = voltsRe[neighbour[i]!]!;
      const vIm = voltsIm[neighbour[i]!]!;
      sumRe += re * vRe - im * vIm;
      sumIm += re * vIm + im * vRe;
    }
    voltsRe[order[n]!] = sumRe * this.inverseRe[n]! - sumIm * this.inverseIm[n]!;
    voltsIm[order[n]!] = sumRe * this.inverseIm[n]! + sumIm * this.inverseRe[n]!;
  }
}
