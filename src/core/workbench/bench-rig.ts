import type { BenchVerdict } from "../diagnose";
import { type Fault, has, type Machine, type OnBoard, type Part, ratings, type SetupEntry } from "../model";
import { nominalValues, NoOperatingPoint, Simulator, type State, type Values } from "../simulate";
import { quantityText } from "../quantity";
import { FUSE_RATINGS } from "./fuse";
import { say } from "#words/core/workbench/bench-rig";

/** What a lamp of the rig can do. */
export const LAMP_SHOWS = ["lit", "dark", "flickers"] as const;
export type LampShows = (typeof LAMP_SHOWS)[number];

/** A lamp in the place of a load. */
export interface RigLamp {
  readonly part: string;
  readonly name: string;
  /** Rating of the lamp: the load's own volts; watts small enough to be handled, large enough to load the contact. */
  readonly volts: number;
  readonly watts: number;
  readonly current: "ac" | "dc";
}

/** One step of the rig, in the order it is made. */
export interface RigStep {
  readonly id: string;
  readonly words: string;
  /** What to do, and what stands in for each sensor. */
  readonly how: readonly string[];
}

/** A board on the bench: how it is wired, what is done, what each lamp should do under each fault of the board. */
export interface BenchRig {
  readonly board: string;
  readonly boardName: string;
  readonly isolated: boolean;
  readonly lamps: readonly RigLamp[];
  readonly wiring: readonly string[];
  readonly cautions: readonly string[];
  readonly steps: readonly RigStep[];
  /** The board's own faults; the first, with an empty id, is the good board. */
  readonly faults: readonly {
    readonly id: string;
    readonly part: string;
    readonly mode: string;
    readonly name: string;
    readonly sort: BoardSort;
    readonly odds: number;
  }[];
  /** What lamp `l` does in step `s` under fault `f`: `shows[f][s][l]`, null where the model finds no state. */
  readonly shows: readonly (readonly (readonly (LampShows | null)[])[])[];
}

/** What a verdict of the rig can name. */
export type BoardSort = "good board" | OnBoard | "other part";

const sortOf = (part: Part, mode: string): BoardSort => part.kind.service.onBoard?.(mode) ?? "other part";
/** What switches a load. */
const SWITCHES: readonly BoardSort[] = ["relay", "driver", "controller"];

/** Boards of a machine that can be put on a rig: those with something that switches a load. */
export function rigBoards(machine: Machine): readonly { readonly assembly: string; readonly name: string }[] {
  const loads = loadsOf(machine, "");
  if (loads.length === 0) return [];
  return machine.file.pieces
    .filter(
      (p) => p.board && machine.parts.some((part) => part.assembly === p.id && SWITCHES.includes(sortOf(part, ""))),
    )
    .map((p) => ({ assembly: p.id, name: p.name }));
}

function loadsOf(machine: Machine, board: string): readonly Part[] {
  return machine.parts.filter((p) => p.kind.electrical.load && p.elementCount > 0 && p.assembly !== board).slice(0, 10);
}

/** Watts of the lamp for a load: its own up to these. */
const MAINS_LAMP = 40;
const LOW_LAMP = 5;

function lampFor(machine: Machine, part: Part): RigLamp {
  const f = ratings(part);
  const volts = f.volts ?? machine.file.supply.volts;
  const current = f.current ?? (machine.usual[machine.ends[2 * part.firstElement]!] === "dc" ? "dc" : "ac");
  const own = f.watts ?? volts * (f.amps ?? 1);
  return {
    part: part.id,
    name: part.name,
    volts,
    watts: Math.min(volts > 60 ? MAINS_LAMP : LOW_LAMP, Math.max(1, Math.round(own))),
    current,
  };
}

/** What stands in for the sensors in a setup, in words. */
function standIns(machine: Machine, setup: SetupEntry): string[] {
  return machine.parts.flatMap((part) => {
    const { place } = ratings(part);
    const celsius = place === undefined ? undefined : (setup.places[place] ?? machine.file.ambient);
    const standIn = part.kind.service.standIn?.(part.fields, { celsius, magnet: setup.magnets.length > 0 });
    if (!standIn) return [];
    if ("magnet" in standIn) return [`${part.name}: ${standIn.magnet ? say.magnetHeld : say.noMagnet}`];
    return [`${part.name}: ${quantityText(standIn.ohms, "ohms")} (${quantityText(standIn.celsius, "celsius")})`];
  });
}

/**
 * Steps of the rig: every powered setup of the file in which nothing is pulled apart or fed past the board; then off,
 * and on again.
 */
function rigSteps(
  machine: Machine,
  lamps: readonly string[],
  good: readonly string[],
): { step: RigStep; setup: SetupEntry; before?: number }[] {
  const rigged = (setup: SetupEntry): SetupEntry => ({
    ...setup,
    lamps: [...lamps],
    good: [...good],
    feeds: [],
    apart: [],
    lifted: [],
  });
  const seen = new Set<string>();
  const powered = machine.file.setups.filter((s) => {
    if (s.power !== "on" || s.feeds.length > 0 || s.apart.length > 0 || s.lifted.length > 0 || s.off.length > 0)
      return false;
    const key = JSON.stringify([
      s.mode,
      s.press,
      s.made,
      s.openDoors,
      s.jumpers,
      s.magnets,
      s.places,
      s.levels,
      s.seconds,
    ]);
    return seen.has(key) ? false : (seen.add(key), true);
  });
  const steps = powered.map((s) => ({
    setup: rigged(s),
    step: {
      id: s.id,
      words: s.name.replace(/^Plugged in,? ?/, "Power on, ").replace(/, $/, ""),
      how: [
        ...standIns(machine, s),
        ...(s.seconds && s.seconds > 60 ? [`Wait ${quantityText(s.seconds, "seconds")}.`] : []),
        ...(s.mode === "run" ? [] : [say.modeMode(s.mode)]),
      ],
    },
  }));
  const first = steps[0];
  if (!first) return [];
  return [
    ...steps,
    {
      setup: { ...first.setup, id: first.setup.id, power: "off" },
      step: { id: "power-off", words: say.powerOff, how: [say.everyLampGoesDark] },
    },
    {
      setup: first.setup,
      before: 0,
      step: { id: "power-again", words: say.powerOffWaitTenSeconds, how: first.step.how },
    },
  ];
}

/**
 * The rig of one board of a machine, simulated under each of the board's faults with everything else known good. Throws
 * a RangeError for an assembly that cannot be put on a rig.
 */
export function benchRig(machine: Machine, board: string): BenchRig {
  const named = rigBoards(machine).find((b) => b.assembly === board);
  if (!named) throw new RangeError(say.isNoBoardWithOutputs(board));
  const loads = loadsOf(machine, board);
  const lamps = loads.map((p) => lampFor(machine, p));
  const good = machine.parts.filter((p) => p.assembly !== board).map((p) => p.id);
  const steps = rigSteps(
    machine,
    loads.map((p) => p.id),
    good,
  );
  const own = machine.parts.filter((p) => p.assembly === board);
  const isolated = !own.some((p) => has(p, "not-isolating"));
  const faults: BenchRig["faults"][number][] = [
    {
      id: "",
      part: "",
      mode: "",
      name: say.goodBoard,
      sort: "good board",
      odds: own.reduce((s, p) => s + p.modes.reduce((t, m) => t + m.odds, 0), 0) / 2 || 1,
    },
    ...own.flatMap((part) =>
      part.modes.map((m) => ({
        id: `${part.id}:${m.id}`,
        part: part.id,
        mode: m.id,
        name: `${part.name}: ${m.words}`,
        sort: sortOf(part, m.id),
        odds: m.odds,
      })),
    ),
  ];
  const simulator = new Simulator(machine);
  const values = nominalValues(machine);
  const shows = faults.map((f) => {
    const fault: Fault[] = f.id === "" ? [] : [{ part: f.part, mode: f.mode }];
    return lampsUnder(simulator, machine, steps, loads, lamps, fault, values);
  });
  const watts = lamps.filter((l) => l.volts > 60).reduce((s, l) => s + l.watts, 0);
  const amps = watts / machine.file.supply.volts;
  return {
    board,
    boardName: named.name,
    isolated,
    lamps,
    steps: steps.map((s) => s.step),
    faults,
    shows,
    wiring: [
      say.feedVThroughAnIsolating(
        machine.file.supply.volts,
        Math.ceil((1.2 * (watts + 30)) / 10) * 10,
        FUSE_RATINGS.find((r) => r >= 1.5 * (amps + 0.1)) ?? 1,
      ),
      ...lamps.map((l) => say.nameAVoltsVWatts(l.name, l.volts, l.watts, l.current === "dc" ? ", DC" : "")),
      isolated ? say.groundTheBoardsOwnGround : say.groundNoneThisBoardsGround,
    ],
    cautions: [say.isolatingTransformerFuseAndA, ...(isolated ? [] : [say.notIsolatedBehindTheTransformer])],
  };
}

function lampsUnder(
  simulator: Simulator,
  machine: Machine,
  steps: ReturnType<typeof rigSteps>,
  loads: readonly Part[],
  lamps: readonly RigLamp[],
  fault: readonly Fault[],
  values: Values,
): (LampShows | null)[][] {
  const states: (State | null)[] = [];
  return steps.map(({ setup, before }, s) => {
    try {
      const state = simulator.energise(
        setup,
        fault,
        values,
        before === undefined ? undefined : (states[before] ?? undefined),
      );
      states[s] = state;
      return lamps.map((lamp, l) => lampShows(simulator, state, loads[l]!, lamp, machine));
    } catch (error) {
      if (!(error instanceof NoOperatingPoint)) throw error;
      states[s] = null;
      return lamps.map(() => null);
    }
  });
}

/** A lamp glows from about a third of its volts; one that glows in some phases and not in others flickers. */
function lampShows(simulator: Simulator, state: State, load: Part, lamp: RigLamp, machine: Machine): LampShows {
  const [a, b] = [machine.ends[2 * load.firstElement]!, machine.ends[2 * load.firstElement + 1]!];
  const lit = state.phases.map((phase) => {
    simulator.circuit.load(state, phase);
    const { dc, acRe, acIm } = simulator.circuit.openVolts(a, b);
    return (lamp.current === "dc" ? Math.abs(dc) : Math.hypot(acRe, acIm)) > lamp.volts / 3;
  });
  if (lit.every(Boolean)) return "lit";
  return lit.some(Boolean) ? "flickers" : "dark";
}

/** What a lamp was seen to do. */
export interface LampSeen {
  readonly step: number;
  readonly lamp: number;
  readonly shows: LampShows;
}

/** How often a lamp is misread or does something else; estimate E34. */
const MISREAD = 0.03;

/** What the lamps say of the board. */
export interface RigVerdict {
  /** Faults by probability, the likeliest first. */
  readonly ranked: readonly {
    readonly id: string;
    readonly name: string;
    readonly sort: BoardSort;
    readonly probability: number;
  }[];
  /** By what would be repaired. */
  readonly sorts: readonly { readonly sort: BoardSort; readonly probability: number }[];
  readonly words: string;
  readonly why: string;
  readonly sure: boolean;
  /** The step that would tell most next; null when all were made. */
  readonly next: number | null;
}

/** Weighs what the lamps did. With nothing seen the odds stand. */
export function judgeRig(rig: BenchRig, seen: readonly LampSeen[]): RigVerdict {
  const weights = rig.faults.map((f, i) =>
    seen.reduce((w, o) => {
      const shows = rig.shows[i]![o.step]![o.lamp];
      return w * likelihoodOfLamp(shows, o);
    }, f.odds),
  );
  const total = weights.reduce((a, b) => a + b, 0);
  const ranked = rig.faults
    .map((f, i) => ({ id: f.id, name: f.name, sort: f.sort, probability: weights[i]! / total }))
    .sort((a, b) => b.probability - a.probability || (a.id < b.id ? -1 : 1));
  const bySort = new Map<BoardSort, number>();
  for (const r of ranked) bySort.set(r.sort, (bySort.get(r.sort) ?? 0) + r.probability);
  const sorts = [...bySort]
    .map(([sort, probability]) => ({ sort, probability }))
    .sort((a, b) => b.probability - a.probability || (a.sort < b.sort ? -1 : 1));
  const best = sorts[0]!;
  const sound = rig.shows[0]!;
  const possible = sorts.filter((s) => s.probability >= 0.15 && s.sort !== "good board").slice(0, 3);
  const odd = seen.filter((o) => sound[o.step]![o.lamp] !== null && sound[o.step]![o.lamp] !== o.shows);
  const made = new Set(seen.map((o) => o.step));
  const worth = rig.steps.map((_, s) => (made.has(s) ? -1 : telling(rig, ranked, s)));
  const next = Math.max(...worth) > 1e-6 ? worth.indexOf(Math.max(...worth)) : null;
  const sure = best.probability >= 0.9;
  const name = (o: LampSeen) => `${rig.lamps[o.lamp]!.name} ${o.shows} at “${rig.steps[o.step]!.words}”`;
  return {
    ranked,
    sorts,
    next,
    sure,
    words: verdictWords(seen, best, sure, possible, ranked),
    why: whyWords(odd, name, seen),
  };
}

/**
 * A verdict as findings on parts tested by themselves: the blamed part, or of a good board what its lamps have
 * proven. None while it is not sure.
 */
export function rigFindings(rig: BenchRig, verdict: RigVerdict): readonly BenchVerdict[] {
  const best = verdict.ranked[0];
  if (!verdict.sure || !best) return [];
  const blamed = rig.faults.find((f) => f.id === best.id)!;
  if (blamed.sort !== "good board") return [{ part: blamed.part, found: "bad", mode: blamed.mode }];
  const proven = rig.faults.flatMap((f) =>
    f.sort === "relay" || f.sort === "controller" || f.sort === "low-voltage supply" ? [f.part] : [],
  );
  return [...new Set(proven)].map((part) => ({ part, found: "good" }));
}

/** What a meter settles where the lamps cannot. */
function apart(sorts: readonly BoardSort[]): string {
  if (sorts.includes("relay") && sorts.includes("driver")) return say.coilVoltsAtTheRelay;
  if (sorts.includes("low-voltage supply") || sorts.includes("controller")) return say.measureItsLowRailAgainst;
  return "";
}

/**
 * How far the likeliest faults part at a step: the chance that two drawn by their probabilities show different lamps.
 */
function telling(rig: BenchRig, ranked: RigVerdict["ranked"], step: number): number {
  const groups = new Map<string, number>();
  for (const r of ranked) {
    const key = rig.shows[rig.faults.findIndex((f) => f.id === r.id)]![step]!.join();
    groups.set(key, (groups.get(key) ?? 0) + r.probability);
  }
  return 1 - [...groups.values()].reduce((s, p) => s + p * p, 0);
}

/** How likely a lamp shows this for a sort of board; a lamp not seen says nothing. */
function likelihoodOfLamp(shows: "dark" | "lit" | "flickers" | null | undefined, o: LampSeen): number {
  if (shows === null || shows === undefined) return 1 / LAMP_SHOWS.length;
  if (shows === o.shows) return 1 - MISREAD;
  return MISREAD / 2;
}

function verdictWords(
  seen: readonly LampSeen[],
  best: { sort: BoardSort; probability: number },
  sure: boolean,
  possible: { sort: BoardSort; probability: number }[],
  ranked: { id: string; name: string; sort: BoardSort; probability: number }[],
): string {
  if (seen.length === 0) return say.makeTheFirstStepAnd;
  if (best.sort === "good board") {
    if (sure) return say.goodBoard2;
    return say.soFarAsAGood;
  }
  return (
    `${possible.map((p, i) => (i === 0 ? p.sort.charAt(0).toUpperCase() + p.sort.slice(1) : p.sort)).join(", or ")}. ` +
    `${sure ? `${ranked.find((r) => r.sort === best.sort)!.name}.` : apart(possible.map((p) => p.sort))}`
  ).trim();
}

function whyWords(odd: LampSeen[], name: (o: LampSeen) => string, seen: readonly LampSeen[]): string {
  if (odd.length > 0) return say.whichAGoodBoardDoes(odd.slice(0, 3).map(name).join("; "));
  if (seen.length > 0) return say.everyLampDidWhatA;
  return "";
}
