import {
  type CircuitChange,
  type Guard,
  type GuardAnswers,
  NOT_ON_IT,
  GUARDS,
  has,
  type Machine,
  type MachineFile,
  type Part,
  ratings,
  variantOf,
  withBoard,
} from "../model";
import { type Hand, handsOf, NoOperatingPoint, Simulator, walkHands } from "../simulate";
import { amps, loadsOf, runsFrom, type Situation, situationsOf, type TruthTable } from "./situations";
import { say } from "#words/core/repair/modification";

/** The boards that a change takes out, by assembly, and any whose controller is taken out by itself. */
export function boardsOut(machine: Machine, changes: readonly CircuitChange[]): readonly string[] {
  const out = changes.flatMap((c) => {
    if (c.change === "board out") return [c.board];
    const part = c.change === "taken out" ? machine.partById.get(c.part) : undefined;
    return part?.kind.electrical.program ? [part.assembly] : [];
  });
  return [...new Set(out)];
}

/** What the boards that come out are known to have watched over; null where a file does not say. */
export function guardsOf(file: MachineFile, boards: readonly string[]): ReadonlySet<Guard> | null {
  const lists = boards.map((b) => file.pieces.find((p) => p.id === b)?.guards);
  return lists.some((l) => l === undefined) ? null : new Set(lists.flatMap((l) => l ?? []));
}

/** The protective parts that come out with the boards. */
export function protectionOut(machine: Machine, boards: readonly string[]): readonly Part[] {
  const gone = new Set(boards.flatMap((b) => [...withBoard(machine.file, b)]));
  return machine.parts.filter((p) => gone.has(p.assembly) && has(p, "protects", "interlock"));
}

/** What a model shows of one guard: whether the unit had it, and where a load would run without it. */
export interface Shown {
  readonly had: boolean;
  readonly lost: string | null;
}

/** Moves of the hands that are tried in every order, by how many there are to work; estimate E54. */
const DEPTH: readonly number[] = [0, 6, 6, 5, 4];
const MOST_HANDS = 4;

/**
 * Whether loads run in other orders of what a hand does than before: every order of some moves, from rest. A unit has a
 * sequence where the same position of its hands does not always do the same.
 */
export function sequenceShown(
  before: Machine,
  after: Machine,
  shared: readonly Part[],
  full: ReadonlyMap<string, number>,
): Shown & { readonly orders: number } {
  const hands = handsThatMatter(before, after, shared, full);
  const rest = restOf(before, hands);
  const depth = DEPTH[hands.length]!;
  const rows = (machine: Machine) => {
    const list: { readonly moves: readonly number[]; readonly runs: readonly boolean[] }[] = [];
    const elements = shared.map((p) => machine.partById.get(p.id)!.firstElement);
    walkHands(new Simulator(machine), machine.setupById.get(rest.id) ?? rest, hands, depth, elements, (moves, flows) =>
      list.push({ moves, runs: flows.map((a, i) => a > runsFrom(full.get(shared[i]!.id)!)) }),
    );
    return list;
  };
  try {
    const [was, is] = [rows(before), rows(after)];
    const byPosition = new Map<string, string>();
    let had = false;
    for (const { moves, runs } of was) {
      const position = hands.map((_, h) => moves.filter((m) => m === h).length % 2).join("");
      had ||= (byPosition.get(position) ?? runs.join()) !== runs.join();
      byPosition.set(position, runs.join());
    }
    const worse = is.flatMap(({ moves, runs }, k) =>
      runs.flatMap((r, i) => (r && !was[k]!.runs[i] ? [{ moves, load: shared[i]!.name }] : [])),
    );
    const lost = worse.length > 0 ? say.wouldRunAfter(stories(hands, worse), worse.length, was.length) : null;
    return { had, lost, orders: was.length };
  } catch (error) {
    if (error instanceof NoOperatingPoint) return { had: true, lost: say.ordersCannotBeTried, orders: 0 };
    throw error;
  }
}

/** Stories told of what would run. */
const MOST_TOLD = 2;

/** The shortest story for each set of hands that takes part, those with the fewest hands first. */
function stories(
  hands: readonly Hand[],
  worse: readonly { readonly moves: readonly number[]; readonly load: string }[],
): string {
  const shortest = new Map<string, (typeof worse)[number]>();
  for (const story of [...worse].sort((a, b) => a.moves.length - b.moves.length)) {
    const who = [...new Set(story.moves)].sort((a, b) => a - b).join();
    if (!shortest.has(who)) shortest.set(who, story);
  }
  return [...shortest]
    .sort(([a], [b]) => a.length - b.length)
    .slice(0, MOST_TOLD)
    .map(([, { load, moves }]) => say.story(load, toldMoves(hands, moves)))
    .join(" ");
}

/** The setup in which nobody touches anything: what a hand makes in others is not made in it. */
function restOf(machine: Machine, hands: readonly Hand[]) {
  const touched = (s: Machine["file"]["setups"][number]) =>
    hands.filter(
      (h) =>
        (h.of === "switch" && s.made.includes(h.id)) ||
        (h.of === "door" && s.openDoors.includes(h.id)) ||
        (h.of === "key" && s.press.includes(h.id)),
    ).length;
  return machine.file.setups
    .filter((s) => s.power === "on" && s.feeds.length === 0)
    .sort((a, b) => touched(a) - touched(b) || b.magnets.length - a.magnets.length)[0]!;
}

/** The hands that are at work where a load runs: what is told by more of those setups first. */
function handsThatMatter(
  before: Machine,
  after: Machine,
  shared: readonly Part[],
  full: ReadonlyMap<string, number>,
): readonly Hand[] {
  const simulator = new Simulator(before);
  const running = before.file.setups.filter(
    (s) =>
      s.power === "on" &&
      (amps(simulator, shared, s, [])?.some((a, i) => a > runsFrom(full.get(shared[i]!.id)!)) ?? false),
  );
  const kept = new Set(handsOf(after).map((h) => `${h.of} ${h.id}`));
  const weight = (h: Hand) =>
    running.filter(
      (s) => s.made.includes(h.id) || s.openDoors.includes(h.id) || s.press.includes(h.id) || s.magnets.includes(h.id),
    ).length;
  return handsOf(before)
    .filter((h) => kept.has(`${h.of} ${h.id}`) && weight(h) > 0)
    .sort((a, b) => weight(b) - weight(a))
    .slice(0, MOST_HANDS);
}

/** Moves as a person tells them: a thing the second time is let go. */
function toldMoves(hands: readonly Hand[], moves: readonly number[]): string {
  const on = new Set<number>();
  return moves
    .map((m) => {
      const was = on.has(m);
      if (was) on.delete(m);
      else on.add(m);
      return say.move[hands[m]!.of](hands[m]!.name, was);
    })
    .join(", ");
}

/** Shares of a direct-current supply's volts at which it is tried: a pack runs down. */
const RUN_DOWN = [0.9, 0.8, 0.7, 0.6, 0.5] as const;

/** Whether a load that the unit stops on a weak supply would run on. */
export function undervoltageShown(
  before: Machine,
  after: Machine,
  changes: readonly CircuitChange[],
  shared: readonly Part[],
  full: ReadonlyMap<string, number>,
): Shown {
  const packs = before.sources.filter(
    (p) => ratings(p).volts !== undefined && after.partById.has(p.id) && has(p, "battery-arc"),
  );
  const powered = before.file.setups.filter((s) => s.power === "on");
  const runs = (machine: Machine) => {
    const simulator = new Simulator(machine);
    const loads = shared.map((p) => machine.partById.get(p.id)!);
    return powered.map((s) => amps(simulator, loads, s, []));
  };
  if (packs.length === 0) return { had: false, lost: null };
  const normal = runs(before);
  let had = false;
  for (const share of RUN_DOWN) {
    const weak = packs.map((p): CircuitChange => ({
      change: "other part",
      part: p.id,
      fields: { volts: share * ratings(p).volts! },
    }));
    const [was, is] = [runs(variantOf(before.file, weak)), runs(variantOf(before.file, [...changes, ...weak]))];
    for (const [k, setup] of powered.entries())
      for (const [i, load] of shared.entries()) {
        const from = runsFrom(full.get(load.id)!) * share;
        const [a, b] = [was[k]?.[i] ?? Infinity, is[k]?.[i] ?? Infinity];
        if ((normal[k]?.[i] ?? 0) <= from || a > from) continue;
        had = true;
        if (b > from)
          return { had: true, lost: say.wouldRunOnAWeakPack(load.name, Math.round(100 * share), setup.name) };
      }
  }
  return { had, lost: null };
}

/** Whether a load that stops in a hot place would run on, by the truth tables of both. */
export function temperatureShown(
  situations: readonly Situation[],
  was: TruthTable,
  is: TruthTable,
  shared: readonly Part[],
): Shown {
  let had = false;
  for (const load of shared)
    for (const [k, s] of situations.entries()) {
      if (s.of !== "hot") continue;
      const cold = situations.findIndex(
        (o) => o.of === "doors" && o.setup.id === s.setup.id && !o.setup.openDoors.length,
      );
      const stops = cold >= 0 && was.get(load.id)!.has(cold) && !was.get(load.id)!.has(k);
      had ||= stops;
      if (!was.get(load.id)!.has(k) && is.get(load.id)!.has(k))
        return { had: true, lost: say.wouldRunHot(load.name, s.words) };
    }
  return { had, lost: null };
}

/** What is found of each guard of the boards that come out. */
export interface GuardFinding {
  readonly guard: Guard;
  readonly ok: boolean;
  readonly words: string;
  /** To be shown by trying it, for the model does not show it. */
  readonly byTrial: boolean;
}

/**
 * Judges each guard: one that the file or the person says was not there is passed over, one that the model shows must be
 * there after the change too, one that it does not show must have been replaced by something named. What nobody knows
 * is not allowed.
 */
export function guardFindings(
  known: ReadonlySet<Guard> | null,
  answers: GuardAnswers,
  shown: Readonly<Partial<Record<Guard, Shown>>>,
): readonly GuardFinding[] {
  return GUARDS.flatMap((guard): GuardFinding[] => {
    const name = say.guard[guard];
    const model = shown[guard];
    const answer = answers[guard]?.trim();
    if (model?.lost) return [{ guard, ok: false, words: model.lost, byTrial: false }];
    if (model?.had) return [{ guard, ok: true, words: say.guardKept(name), byTrial: false }];
    if (known && !known.has(guard)) return [];
    if (!answer)
      return [
        { guard, ok: false, words: known ? say.guardMustBeReplaced(name) : say.guardNotKnown(name), byTrial: false },
      ];
    if (answer === NOT_ON_IT)
      return known ? [{ guard, ok: false, words: say.guardMustBeReplaced(name), byTrial: false }] : [];
    return [{ guard, ok: true, words: say.guardReplaced(name, answer), byTrial: true }];
  });
}

/** Every situation of a unit, its loads that stay, and the largest amperes of each. */
export function stayingLoads(before: Machine, after: Machine) {
  const situations = situationsOf(before);
  const simulator = new Simulator(before);
  const shared = loadsOf(before).filter((p) => after.partById.has(p.id));
  const currents = situations.map((s) => amps(simulator, shared, s.setup, []));
  const full = new Map(shared.map((p, i) => [p.id, Math.max(...currents.map((row) => row?.[i] ?? 0))]));
  return { situations, shared, full };
}
