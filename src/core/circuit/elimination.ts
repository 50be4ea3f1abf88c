/**
 * Node elimination (star-mesh), with the order and the fill pattern worked out once for a topology.
 *
 * A network is a set of nodes joined by edges (conductances) and each leaking to ground. Eliminating
 * node k joins its neighbours pairwise: G_ij += G_ki * G_kj / (sum over G_k*). The diagonal is kept
 * as that *sum*, never by subtraction, so a 0.05 ohm contact beside 1e11 ohm loses no digits.
 * Source of the transformation: Rosen, "A new network theorem", J. IEE 62 (1924).
 */

/** The nodes and elements of a circuit. Node numbers are 0..nodeCount-1; `GROUND` is the reference. */
export interface Topology {
  readonly nodeCount: number;
  /** Two ends for each element, in turn; either may be `GROUND`. */
  readonly ends: Int32Array;
  /**
   * Elements that change again and again while the others stay: the nodes at their ends are eliminated last, so that
   * only these have to be eliminated anew. None where it is left out.
   */
  readonly moving?: Iterable<number>;
}

/** The end of an element that is tied to the ideal ground of the solver. */
export const GROUND = -1;

/** What is leaked from every node to ground, siemens; small enough to leave a floating supply floating. */
export const LEAK = 1e-12;

/** The compiled elimination of one topology; immutable, shared by every solve. */
export interface EliminationProgram {
  readonly nodeCount: number;
  readonly elementCount: number;
  /** Edges including those filled in by the elimination. */
  readonly edgeCount: number;
  /** For each element: its edge, or -1 if it goes to ground (see `elementNode`) or is a loop. */
  readonly elementEdge: Int32Array;
  /** For each element to ground: its node; else -1. */
  readonly elementNode: Int32Array;
  /** Nodes in the order of elimination (minimum degree; those of moving elements last). */
  readonly order: Int32Array;
  /** Elements that change again and again, and for each element whether it is one. */
  readonly moving: Int32Array;
  readonly isMoving: Uint8Array;
  /** The place in `order` from which on nodes are ends of moving elements; the edges between these, filled in or not. */
  readonly tail: number;
  readonly tailEdges: Int32Array;
  /** Neighbours of the n-th eliminated node stand at start[n]..start[n+1]-1 of `neighbour` and `edge`. */
  readonly start: Int32Array;
  readonly neighbour: Int32Array;
  readonly edge: Int32Array;
  /** For the n-th node, the edge that joins its neighbours i < j, row by row, from pairStart[n]. */
  readonly pairStart: Int32Array;
  readonly pairEdge: Int32Array;
  /**
   * For each node, the places in `order` that its elimination leads through, ascending, its own first. What is fed
   * into a node moves along this path only, so the voltage between two nodes needs their two paths and no more.
   */
  readonly path: readonly Int32Array[];
}

/** Works out a minimum-degree order and the fill it causes. Throws a RangeError for an end outside the circuit. */
export function compileElimination(topology: Topology): EliminationProgram {
  const { nodeCount, ends } = topology;
  const elementCount = ends.length / 2;
  const adjacent: Map<number, number>[] = Array.from({ length: nodeCount }, () => new Map());
  const elementEdge = new Int32Array(elementCount).fill(-1);
  const elementNode = new Int32Array(elementCount).fill(-1);
  let edgeCount = 0;

  const join = (a: number, b: number): number => {
    const known = adjacent[a]!.get(b);
    if (known !== undefined) return known;
    const edge = edgeCount++;
    adjacent[a]!.set(b, edge);
    adjacent[b]!.set(a, edge);
    return edge;
  };

  for (let e = 0; e < elementCount; e++) {
    const a = ends[2 * e]!;
    const b = ends[2 * e + 1]!;
    if (a < GROUND || b < GROUND || a >= nodeCount || b >= nodeCount)
      throw new RangeError(`element ${e} ends outside the circuit`);
    if (a === b) continue;
    if (a === GROUND) elementNode[e] = b;
    else if (b === GROUND) elementNode[e] = a;
    else elementEdge[e] = join(a, b);
  }

  const order = new Int32Array(nodeCount);
  const start = new Int32Array(nodeCount + 1);
  const pairStart = new Int32Array(nodeCount + 1);
  const neighbour: number[] = [];
  const edge: number[] = [];
  const pairEdge: number[] = [];
  const { moving, isMoving, late } = movingIn(topology);
  const remaining = new Set<number>(Array.from({ length: nodeCount }, (_, n) => n).filter((n) => !late.has(n)));
  const tail = remaining.size;

  for (let n = 0; n < nodeCount; n++) {
    if (n === tail) late.forEach((node) => remaining.add(node));
    let best = -1;
    for (const node of remaining) {
      if (best < 0 || adjacent[node]!.size < adjacent[best]!.size) best = node;
      if (adjacent[best]!.size <= 1) break;
    }
    order[n] = best;
    remaining.delete(best);
    const around = [...adjacent[best]!.entries()].sort((x, y) => x[0] - y[0]);
    start[n] = neighbour.length;
    pairStart[n] = pairEdge.length;
    for (const [other, viaEdge] of around) {
      neighbour.push(other);
      edge.push(viaEdge);
      adjacent[other]!.delete(best);
    }
    for (let i = 0; i < around.length; i++)
      for (let j = i + 1; j < around.length; j++) pairEdge.push(join(around[i]![0], around[j]![0]));
  }
  start[nodeCount] = neighbour.length;
  pairStart[nodeCount] = pairEdge.length;

  return {
    path: pathsOf(order, start, neighbour),
    moving,
    isMoving,
    tail,
    tailEdges: Int32Array.from(new Set(edge.slice(start[tail]))),
    nodeCount,
    elementCount,
    edgeCount,
    elementEdge,
    elementNode,
    order,
    start,
    neighbour: Int32Array.from(neighbour),
    edge: Int32Array.from(edge),
    pairStart,
    pairEdge: Int32Array.from(pairEdge),
  };
}

/** The elements that move, and the nodes at their ends. */
function movingIn({ nodeCount, ends, moving = [] }: Topology) {
  const list = Int32Array.from(moving);
  const isMoving = new Uint8Array(ends.length / 2);
  const late = new Set<number>();
  for (const e of list) {
    isMoving[e] = 1;
    for (const node of [ends[2 * e]!, ends[2 * e + 1]!]) if (node >= 0 && node < nodeCount) late.add(node);
  }
  return { moving: list, isMoving, late };
}

/** For each node the places that what is fed into it moves along. */
function pathsOf(order: Int32Array, start: Int32Array, neighbour: readonly number[]): readonly Int32Array[] {
  const place = new Int32Array(order.length);
  order.forEach((node, n) => {
    place[node] = n;
  });
  const path: Int32Array[] = new Array<Int32Array>(order.length);
  for (let n = order.length - 1; n >= 0; n--) {
    let next = -1;
    for (let i = start[n]!; i < start[n + 1]!; i++)
      if (next < 0 || place[neighbour[i]!]! < next) next = place[neighbour[i]!]!;
    path[order[n]!] = Int32Array.from(next < 0 ? [n] : [n, ...path[order[next]!]!]);
  }
  return path;
}

/** Two ascending lists of places made one, into `into`; returns its length. */
export function mergePaths(a: Int32Array, b: Int32Array, into: Int32Array): number {
  let i = 0;
  let j = 0;
  let n = 0;
  while (i < a.length || j < b.length) {
    const x = i < a.length ? a[i]! : Infinity;
    const y = j < b.length ? b[j]! : Infinity;
    into[n++] = Math.min(x, y);
    if (x <= y) i++;
    if (y <= x) j++;
  }
  return n;
}
