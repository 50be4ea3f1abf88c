import { type ClampPoint, has, type Machine, type Part, type Point } from "../../model";
import { forbidden, isPowered } from "../../safety";
import { SHOWN } from "../../quantity";
import type { Column } from "./predictor";
import { makeTest, type Test, testKey, turnsByHand } from "../../simulate";

/**
 * Every test worth thinking of: each reachable point against the reference of its own domain, across each part,
 * around each clamp point, a look at everything that shows or runs; in every setup, as far as it is permitted.
 */
export function candidateTests(machine: Machine): readonly Test[] {
  const found = new Map<string, Test>();
  const toReference = referencePairs(machine);
  const across = partPairs(machine);
  const ohmsPairs = [...toReference, ...across.map(({ pair }) => pair)];
  const voltsPairs = [...toReference, ...across.filter((a) => isReadPowered(machine, a)).map(({ pair }) => pair)];
  const metal = casePairs(machine);
  for (const setup of machine.file.setups) {
    const offer = (test: Test) => {
      if (forbidden(machine, setup, test) === null) found.set(testKey(test), test);
    };
    if (isPowered(setup)) {
      for (const part of machine.parts) if (part.labels) offer(makeTest(setup.id, "look", part.id));
      for (const clamp of machine.clamps.values()) {
        const fn = clampFunction(machine, clamp);
        offer(makeTest(setup.id, fn, clamp.id));
        if (fn === "clamp" && setup.power === "on") offer(makeTest(setup.id, "inrush", clamp.id));
      }
    }
    // Ripple: alternating volts where a supply gives direct ones.
    if (isPowered(setup))
      for (const [red, black] of supplyPairs(machine)) offer(makeTest(setup.id, "acv", red.id, black.id));
    if (!isPowered(setup)) {
      for (const part of machine.parts) if (turnsByHand(machine, part.id)) offer(makeTest(setup.id, "look", part.id));
      for (const [red, black] of capacitorPairs(machine)) offer(makeTest(setup.id, "capacitance", red.id, black.id));
      for (const [red, black] of metal) offer(makeTest(setup.id, "insulation", red.id, black.id));
    }
    // An ohmmeter finds a leak of some kilohms to the metalwork; that it finds none clears nothing, see `evidence`.
    for (const [red, black] of [...(isPowered(setup) ? voltsPairs : ohmsPairs), ...metal])
      offer(makeTest(setup.id, isPowered(setup) ? voltsFunction(machine, red, black) : "ohms", red.id, black.id));
  }
  return [...found.values()];
}

/** The points that a person is asked for: those inside a board only where it is opened. */
function pointsAsked(machine: Machine): readonly Point[] {
  return [...machine.points.values()].filter((p) => p.inside === undefined);
}

/** What the file itself asks: the tests that prove something of an assembly, and what complaints are seen by. */
export function namedTests(machine: Machine): readonly Test[] {
  const { complaints } = machine.file;
  const named = [
    ...[...machine.assemblyById.values()].flatMap((a) => a.proofs.flatMap((p) => p.any)),
    ...complaints.flatMap((c) => Object.keys(c.sees).map((red) => makeTest(c.setup, "look", red))),
  ].map((t) => makeTest(t.setup, t.function, t.red, t.black));
  return [...new Map(named.map((t) => [testKey(t), t])).values()];
}

/**
 * Leaves out the tests that show the same whatever is wrong, and those that show in a dearer setup exactly what
 * the same two points show in a cheaper one. `nominal` holds what each hypothesis predicts at nominal values, by test
 * key.
 */
export function tellingTests(
  machine: Machine,
  tests: readonly Test[],
  nominal: ReadonlyMap<string, Column>,
): readonly Test[] {
  const effort = (id: string) => {
    const setup = machine.setupById.get(id)!;
    return setup.minutes + setup.apart.length;
  };
  const sorted = [...tests].sort((a, b) => effort(a.setup) - effort(b.setup));
  const names = new Map<string, number>();
  const seen = new Set<string>();
  const kept = new Set<Test>();
  for (const test of sorted) {
    // One character a hypothesis: a text is compared as a whole.
    const column = nominal.get(testKey(test))!;
    let shows = "";
    let isOne = true;
    for (let h = 0; h < column.length; h++) {
      if (column.kind[h] === SHOWN.absent) continue;
      const code = coarse(column, h, names);
      if (shows !== "" && code !== shows.charCodeAt(0)) isOne = false;
      shows += String.fromCharCode(code);
    }
    if (isOne) continue;
    const place = `${machine.setupById.get(test.setup)!.power} ${test.function} ${test.red} ${test.black ?? ""} ${shows}`;
    if (seen.has(place)) continue;
    seen.add(place);
    kept.add(test);
  }
  return tests.filter((t) => kept.has(t));
}

/** Steps of a reading from one power of ten to the next: two and a half digits. */
const STEPS = 400;
/** A resistance that is known to within this factor only is told from nothing but a short; estimate E43. */
const OPEN_QUESTION = 3;
/** Codes of zero and of the first of the words. */
const [ZERO, WORDS] = [0x4000, 0x8000];

/**
 * A reading to two and a half digits as a number below 65,536; under a hundredth it is nothing. Words are numbered as
 * they come.
 */
function coarse(column: Column, h: number, words: Map<string, number>): number {
  const [kind, first] = [column.kind[h]!, column.first[h]!];
  if (kind === SHOWN.value || (kind === SHOWN.within && column.second[h]! < OPEN_QUESTION)) {
    const size = Math.abs(first);
    return size < 0.01 ? ZERO : ZERO + Math.sign(first) * (1 + Math.round(STEPS * Math.log10(100 * size)));
  }
  let word = NAMES[kind]!;
  if (kind === SHOWN.label) word = column.names.list[first]!;
  const known = words.get(word) ?? WORDS + words.size;
  words.set(word, known);
  return known;
}

/**
 * What is neither a value nor a label, by kind. What may be anything may be beyond the display: a test that tells
 * nothing else is not asked.
 */
const NAMES: Readonly<Record<number, string>> = {
  [SHOWN.none]: "none",
  [SHOWN.within]: "overload",
  [SHOWN.overload]: "overload",
  [SHOWN.beeps]: "true",
  [SHOWN.silent]: "false",
  [SHOWN.jumping]: "jumping",
  [SHOWN.fading]: "jumping",
  [SHOWN.pulsing]: "jumping",
};

/** Whether volts between two points are measured as direct or alternating. */
export function voltsFunction(machine: Machine, red: Point, black: Point): "dcv" | "acv" {
  return machine.usual[red.node] === "dc" || machine.usual[black.node] === "dc" ? "dcv" : "acv";
}

/** A clamp that sees what the wire carries. */
export function clampFunction(machine: Machine, clamp: ClampPoint): "clamp" | "dcclamp" {
  const nodes = [machine.ends[2 * clamp.element]!, machine.ends[2 * clamp.element + 1]!].filter((n) => n >= 0);
  return nodes.some((n) => machine.usual[n] === "dc") ? "dcclamp" : "clamp";
}

/** Terminals behind the rectifier of a supply: direct volts, though their domain is mains. */
const RECTIFIED = ["bulk-plus", "bulk-minus", "chip"];

/** Rectified line voltage is read against the primary return, never against line or neutral. */
function isBulk(machine: Machine, point: Point): boolean {
  return machine.parts.some((part) => RECTIFIED.some((terminal) => part.nodeOf.get(terminal) === point.node));
}

type Pair = readonly [Point, Point];

/**
 * A point against references of its own domain: those on its own plug if there are any, else those in reach with it.
 */
function referencePairs(machine: Machine): Pair[] {
  const references = machine.file.references.flatMap((r) => r.points.map((id) => machine.points.get(id)!));
  const pairs: Pair[] = [];
  for (const point of pointsAsked(machine)) {
    const same = references.filter(
      (r) => r.node !== point.node && machine.domains[r.node]!.group === machine.domains[point.node]!.group,
    );
    const beside = same.filter(
      (r) => r.connector !== undefined && r.connector === point.connector && r.where === point.where,
    );
    const near = same.filter((r) => r.panel === point.panel);
    // Far from any reference of its own, a point is measured against the first one the file names.
    for (const reference of referencesFor(beside, near, same))
      if (isBulk(machine, point) === isBulk(machine, reference)) pairs.push([point, reference]);
  }
  // At the outlet: line to protective earth, which shows whether the earth is there.
  for (const source of machine.sources) {
    const [line, earth] = [source.nodeOf.get("line") ?? source.nodeOf.get("line1"), source.nodeOf.get("earth")];
    if (line === undefined || earth === undefined) continue;
    const at = (node: number) => pointsAsked(machine).filter((p) => p.node === node);
    for (const red of at(line).slice(0, 1)) for (const black of at(earth).slice(0, 1)) pairs.push([red, black]);
  }
  return pairs;
}

/**
 * Leakage to the metalwork: every end of a mains load against the chassis, wherever both can be reached. A point of the
 * metalwork behind the same cover is nearest; where there is none, any other one will do.
 */
function casePairs(machine: Machine): Pair[] {
  const pairs: Pair[] = [];
  const chassis = machine.file.references
    .flatMap((r) => r.points)
    .map((id) => machine.points.get(id)!)
    .filter((p) => machine.domains[p.node]!.energy === "earth");
  const caseNodes = machine.parts.filter((part) => part.nodeOf.has("case"));
  for (const part of caseNodes)
    for (const point of pointsAsked(machine))
      if ([...part.nodeOf.values()].includes(point.node)) {
        const others = chassis.filter((earth) => earth.node !== point.node);
        const beside = others.filter((earth) => earth.panel === point.panel);
        const open = others.filter((earth) => earth.panel === undefined);
        for (const earth of beside.length > 0 ? beside : [...open, ...others].slice(0, 1)) pairs.push([point, earth]);
      }
  return pairs;
}

/** The ends of every capacitor that can be reached and a lead of which can be taken off: none soldered to a board. */
function capacitorPairs(machine: Machine): Pair[] {
  const at = (node: number | undefined) =>
    pointsAsked(machine)
      .filter((p) => p.node === node)
      .slice(0, 1);
  return machine.parts
    .filter((part) => part.kind.electrical.stores && machine.assemblyById.get(part.assembly)?.board !== true)
    .flatMap((part) =>
      at(part.nodeOf.get("a")).flatMap((red) => at(part.nodeOf.get("b")).map((black): Pair => [red, black])),
    );
}

/** The output of every supply against its own return, one pair each. */
function supplyPairs(machine: Machine): Pair[] {
  const at = (node: number | undefined) =>
    pointsAsked(machine)
      .filter((p) => p.node === node)
      .slice(0, 1);
  return machine.parts.flatMap((part) => {
    if (!part.kind.electrical.ripples) return [];
    const [out, back] = [part.nodeOf.get("out"), part.nodeOf.get("return") ?? part.nodeOf.get("neutral")];
    return at(out).flatMap((red) => at(back).map((black): Pair => [red, black]));
  });
}

/** The two ends of an element of a part. */
interface Across {
  readonly pair: Pair;
  readonly part: Part;
  /** Which of the elements of its part. */
  readonly element: number;
}

/**
 * Whether volts are read across an element: as a drop over what only carries or breaks a current, or where one end of it
 * is a reference, or where its circuit has none. Across anything else a technician reads from each side to the source's
 * own return; never a rail to the motor's minus, nor two outputs against each other. Common practice, no source.
 */
function isReadPowered(machine: Machine, { pair, part, element }: Across): boolean {
  if (isBulk(machine, pair[0]) !== isBulk(machine, pair[1])) return false;
  const references = machine.file.references.flatMap((r) => r.points.map((id) => machine.points.get(id)!.node));
  const group = machine.domains[pair[0].node]!.group;
  if (!references.some((node) => machine.domains[node]!.group === group)) return true;
  if (pair.some((point) => references.includes(point.node))) return true;
  const rated = part.kind.electrical.rated?.(part.fields);
  return (
    has(part, "conductor", "protects", "interlock", "breaks-current", "often-bridged") &&
    (!rated || rated.element === element)
  );
}

/** The two ends of every element that has points on both. */
function partPairs(machine: Machine): Across[] {
  const at = new Map<number, Point[]>();
  for (const point of pointsAsked(machine)) at.set(point.node, [...(at.get(point.node) ?? []), point]);
  return machine.parts.flatMap((part) =>
    part.kind.electrical.elements(part.fields).flatMap(([a, b], element) =>
      (at.get(part.nodeOf.get(a)!) ?? []).flatMap((red) =>
        (at.get(part.nodeOf.get(b)!) ?? [])
          .filter((black) => red.node !== black.node)
          .filter((black) => machine.domains[red.node]!.group === machine.domains[black.node]!.group)
          .map((black): Across => ({ pair: [red, black], part, element })),
      ),
    ),
  );
}

/** The points to measure against: those beside it, else those near, else one of the same circuit. */
function referencesFor(beside: Point[], near: Point[], same: Point[]): Point[] {
  if (beside.length > 0) return beside;
  if (near.length > 0) return near;
  return same.slice(0, 1);
}
