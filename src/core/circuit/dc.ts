import { LEAK, mergePaths, type EliminationProgram } from "./elimination";

/** The part of a + b that `sum` = fl(a + b) lost; exact (Knuth's two-sum). */
export function roundingOf(a: number, b: number, sum: number): number {
  const bRounded = sum - a;
  return a - (sum - bRounded) + (b - bRounded);
}

/** No currents beside those held. */
const NO_CURRENT = new Float64Array(0);

/** A direct-current solve of one compiled circuit; holds its own work space, so one is used again and again. */
export class DcSolver {
  private readonly conductance: Float64Array;
  private readonly toGround: Float64Array;
  private readonly inverseSum: Float64Array;
  private readonly current: Float64Array;
  private readonly rest: Float64Array;
  private readonly between: Float64Array;
  private readonly places: Int32Array;
  // What the nodes that stay have made of those of moving elements: all that changes again is behind it.
  private readonly heldConductance: Float64Array;
  private readonly heldToGround: Float64Array;
  private readonly heldCurrent: Float64Array;
  private readonly heldRest: Float64Array;

  constructor(
    readonly program: EliminationProgram,
    readonly leak: number = LEAK,
  ) {
    this.conductance = new Float64Array(program.edgeCount);
    this.toGround = new Float64Array(program.nodeCount);
    this.inverseSum = new Float64Array(program.nodeCount);
    this.current = new Float64Array(program.nodeCount);
    this.rest = new Float64Array(program.nodeCount);
    this.between = new Float64Array(program.nodeCount);
    this.places = new Int32Array(program.nodeCount);
    this.heldConductance = new Float64Array(program.tailEdges.length);
    this.heldToGround = new Float64Array(program.nodeCount);
    this.heldCurrent = new Float64Array(program.nodeCount);
    this.heldRest = new Float64Array(program.nodeCount);
  }

  /** Takes the conductance of every element (siemens, not negative) and eliminates. */
  factor(siemens: Float64Array): void {
    const { elementCount, isMoving, nodeCount, tail, tailEdges } = this.program;
    const { conductance: g, toGround } = this;
    g.fill(0);
    toGround.fill(this.leak);
    for (let e = 0; e < elementCount; e++) if (isMoving[e] === 0) this.add(e, siemens[e]!);
    this.eliminate(0, tail);
    for (let i = 0; i < tailEdges.length; i++) this.heldConductance[i] = g[tailEdges[i]!]!;
    this.heldToGround.set(toGround);
    this.addMoving(siemens);
    this.eliminate(tail, nodeCount);
  }

  /** The same where nothing but moving elements has changed since `factor`. */
  refactor(siemens: Float64Array): void {
    const { nodeCount, order, tail, tailEdges } = this.program;
    for (let i = 0; i < tailEdges.length; i++) this.conductance[tailEdges[i]!] = this.heldConductance[i]!;
    for (let n = tail; n < nodeCount; n++) this.toGround[order[n]!] = this.heldToGround[order[n]!]!;
    this.addMoving(siemens);
    this.eliminate(tail, nodeCount);
  }

  private addMoving(siemens: Float64Array): void {
    const { moving } = this.program;
    for (let m = 0; m < moving.length; m++) this.add(moving[m]!, siemens[moving[m]!]!);
  }

  private add(e: number, siemens: number): void {
    const { elementEdge, elementNode } = this.program;
    if (elementEdge[e]! >= 0) this.conductance[elementEdge[e]!]! += siemens;
    else if (elementNode[e]! >= 0) this.toGround[elementNode[e]!]! += siemens;
  }

  private eliminate(first: number, end: number): void {
    const { order, start, neighbour, edge, pairStart, pairEdge } = this.program;
    const { conductance: g, toGround, inverseSum } = this;
    for (let n = first; n < end; n++) {
      const from = start[n]!;
      const to = start[n + 1]!;
      let sum = toGround[order[n]!]!;
      for (let i = from; i < to; i++) sum += g[edge[i]!]!;
      const inverse = 1 / sum;
      inverseSum[n] = inverse;
      const leakShare = toGround[order[n]!]! * inverse;
      let pair = pairStart[n]!;
      for (let i = from; i < to; i++) {
        const gi = g[edge[i]!]!;
        toGround[neighbour[i]!]! += gi * leakShare;
        const share = gi * inverse;
        for (let j = i + 1; j < to; j++) g[pairEdge[pair++]!]! += share * g[edge[j]!]!;
      }
    }
  }

  /** Node voltages for currents (amperes) fed into the nodes; `injected` is left as it is, `volts` is filled. */
  solve(injected: Float64Array, volts: Float64Array): void {
    this.hold(injected);
    this.solveTail(NO_CURRENT, volts);
    this.solveHead(volts);
  }

  /** Whether what `hold` took is still there: a resistance that was asked for is worked out in its place. */
  isHeld = false;

  /** Takes the currents of all sources that stay; then `solveTail`, as often as moving ones change, and `solveHead`. */
  hold(injected: Float64Array): void {
    const { order, tail, nodeCount } = this.program;
    this.current.set(injected);
    this.rest.fill(0);
    this.push(0, tail);
    for (let n = tail; n < nodeCount; n++) {
      this.heldCurrent[n] = this.current[order[n]!]!;
      this.heldRest[n] = this.rest[order[n]!]!;
    }
    this.isHeld = true;
  }

  /** Voltages of the nodes of moving elements, with the currents of moving sources beside those held. */
  solveTail(injected: Float64Array, volts: Float64Array): void {
    const { order, tail, nodeCount } = this.program;
    const { current, rest } = this;
    for (let n = tail; n < nodeCount; n++) {
      const k = order[n]!;
      const more = injected.length === 0 ? 0 : injected[k]!;
      current[k] = this.heldCurrent[n]! + more;
      rest[k] = this.heldRest[n]! + roundingOf(this.heldCurrent[n]!, more, current[k]);
    }
    this.push(tail, nodeCount);
    this.draw(nodeCount - 1, tail, volts);
  }

  /** Voltages of the other nodes. */
  solveHead(volts: Float64Array): void {
    this.draw(this.program.tail - 1, 0, volts);
  }

  /** Hands the currents fed into eliminated nodes on to their neighbours, keeping what rounding would lose. */
  private push(first: number, end: number): void {
    const { order, start, neighbour, edge } = this.program;
    const { conductance: g, inverseSum, current, rest, toGround } = this;
    for (let n = first; n < end; n++) {
      const k = order[n]!;
      const whole = current[k]! + rest[k]!;
      // What rounding would lose on the way is kept and handed to the strongest neighbour (or ground): on a floating
      // island the
      // loss of 1e-14 A would otherwise meet a leak of 1e-12 S and lift the island by millivolts.
      let kept = rest[k]! - (whole - current[k]!);
      current[k] = whole;
      if (whole === 0) continue;
      const pushed = whole * inverseSum[n]!;
      let left = whole;
      let strongest = -1;
      let most = toGround[k]!;
      for (let i = start[n]!; i < start[n + 1]!; i++) {
        const siemens = g[edge[i]!]!;
        const amps = pushed * siemens;
        const other = neighbour[i]!;
        if (siemens > most) {
          most = siemens;
          strongest = other;
        }
        const sum = current[other]! + amps;
        rest[other]! += roundingOf(current[other]!, amps, sum);
        current[other] = sum;
        const after = left - amps;
        kept += roundingOf(left, -amps, after);
        left = after;
      }
      if (strongest >= 0) rest[strongest]! += left - pushed * toGround[k]! + kept;
    }
  }

  private draw(last: number, first: number, volts: Float64Array): void {
    const { order, start, neighbour, edge } = this.program;
    const { conductance: g, inverseSum, current } = this;
    for (let n = last; n >= first; n--) {
      let sum = current[order[n]!]!;
      for (let i = start[n]!; i < start[n + 1]!; i++) sum += g[edge[i]!]! * volts[neighbour[i]!]!;
      volts[order[n]!] = sum * inverseSum[n]!;
    }
  }

  /** Resistance between two nodes with every source at rest, ohms: 1 A is fed into `a` and taken out at `b`. */
  resistance(a: number, b: number): number {
    if (a === b) return 0;
    this.isHeld = false;
    const { order, start, neighbour, edge, path } = this.program;
    const { conductance: g, inverseSum, current, between: volts, places } = this;
    const count = mergePaths(path[a]!, path[b]!, places);
    for (let p = 0; p < count; p++) current[order[places[p]!]!] = 0;
    current[a] = 1;
    current[b] = -1;
    for (let p = 0; p < count; p++) {
      const n = places[p]!;
      const pushed = current[order[n]!]! * inverseSum[n]!;
      for (let i = start[n]!; i < start[n + 1]!; i++) current[neighbour[i]!]! += pushed * g[edge[i]!]!;
    }
    for (let p = count - 1; p >= 0; p--) {
      const n = places[p]!;
      let sum = current[order[n]!]!;
      for (let i = start[n]!; i < start[n + 1]!; i++) sum += g[edge[i]!]! * volts[neighbour[i]!]!;
      volts[order[n]!] = sum * inverseSum[n]!;
    }
    return Math.max(0, volts[a]! - volts[b]!);
  }
}
