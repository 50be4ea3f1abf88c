import { isClamp } from "../../instrument";
import { EXPOSURE_MINUTES, exposureOf, isolatedBy, panelsFor, sourcesWithIsolation } from "../../safety";
import type { Machine } from "../../model";
import type { Repair } from "../evidence/evidence";
import { CAREFUL, type Equipment } from "./equipment";
import type { Times } from "./learned-times";
import { isByHand, type Test } from "../../simulate";
import { say } from "#words/core/diagnose/planning";

/** How the unit stands now: what it costs to make a test depends on it. */
export interface UnitState {
  readonly setup: string;
  readonly openPanels: ReadonlySet<string>;
  /** What the person has and does; without it, everything. */
  readonly equipment?: Equipment;
  /** Repairs made on the way, in order. */
  readonly repairs?: readonly Repair[];
  /**
   * By test key, how likely it is that the test has to be made in any case, as a proof of a board that will be blamed;
   * 0 to `MOST_DUE`. So much less does it count to make it now.
   */
  readonly due?: ReadonlyMap<string, number>;
  /** What moves have really taken in this shop; without it, what is written here and in the file. */
  readonly times?: Times;
}

/** A move of which a step is made, with the minutes it takes by the book. `move` is its name in `Times`. */
export interface MoveMade {
  readonly move: string;
  readonly minutes: number;
  /** What is done, as a short sentence; empty for the measuring itself. */
  readonly words: string;
}

/** What a test costs from where the unit stands. Minutes; `risk` is danger expressed in minutes. */
export interface Cost {
  readonly minutes: number;
  readonly risk: number;
  /** What has to be done first, in order, as short sentences. */
  readonly steps: readonly string[];
}

/** Minutes of the everyday moves, from memory; what the journal has learned of them is in `Times`. */
const PLUG_IN = 0.5;
const PULL_PLUG = 1.5;
const PART_PLUG = 1;
const MEASURE = 2;
const CLAMP = 1;
/**
 * A capacitor is discharged and a lead of it taken off; an insulation tester is fetched, and discharges what it
 * charged.
 */
const CAPACITANCE = 2;
const INSULATION = 2.5;
const LOOK = 1;
/** A belt or a coupling is taken off, the one or the other turned, and put back. */
const BY_HAND = 4;
/** Power off, ten seconds, power on, and long enough to see it come back or not. */
const RECHECK_MINUTES = 2;

/** Cost of the transition from `now` to the test, and of the test itself. Covers are opened with the power off. */
export function costOf(machine: Machine, now: UnitState, test: Test): Cost {
  const moves = movesTo(machine, now, test);
  const minutes = moves.reduce((sum, m) => sum + m.minutes * (now.times?.[m.move] ?? 1), 0);
  const exposure = EXPOSURE_MINUTES[exposureOf(machine, machine.setupById.get(test.setup)!, test)];
  return {
    minutes,
    risk: exposure * (now.equipment?.careful ? CAREFUL : 1),
    steps: moves.flatMap((m) => (m.words ? [m.words] : [])),
  };
}

/** The moves from `now` to a test, and the test itself. */
export function movesTo(machine: Machine, now: UnitState, test: Test): readonly MoveMade[] {
  const setup = machine.setupById.get(test.setup)!;
  const before = machine.setupById.get(now.setup);
  const moves: MoveMade[] = [];
  const toOpen = panelsFor(machine, test).filter((p) => !now.openPanels.has(p));
  const plugsMoved = [...new Set([...setup.apart, ...(before?.apart ?? [])])].filter(
    (c) => setup.apart.includes(c) !== (before?.apart.includes(c) ?? false),
  );
  const wasOn = before?.power === "on";
  let on = wasOn;

  if (wasOn && (setup.power === "off" || toOpen.length > 0 || plugsMoved.length > 0)) {
    on = false;
    moves.push({
      move: "power",
      minutes: PULL_PLUG,
      words: isolating(machine),
    });
  }
  for (const id of toOpen) {
    const panel = machine.file.panels.find((p) => p.id === id)!;
    moves.push({
      move: `cover ${id}`,
      minutes: panel.minutes,
      words: openingWords(panel),
    });
  }
  for (const id of plugsMoved) {
    const name = machine.file.connectors.find((c) => c.id === id)!.name;
    moves.push({
      move: "plugs",
      minutes: PART_PLUG,
      words: setup.apart.includes(id) ? say.unplugName(name) : say.reconnectName(name),
    });
  }
  if (setup.power === "on" && !on) {
    moves.push({
      move: "power",
      minutes: PLUG_IN,
      words: isolatedBy(machine) === "plug" ? say.placeTheLeadsThenPlug : say.placeTheLeadsThenPower,
    });
  }
  if (test.instant === "recheck")
    moves.push({
      move: "recheck",
      minutes: 0,
      words: wasOn ? say.powerOffWaitTenSeconds : say.watchFromTheMomentThe,
    });
  if (test.setup !== now.setup && setup.minutes > 0)
    moves.push({ move: `setup ${setup.id}`, minutes: setup.minutes, words: setup.how });
  let own: { move: string; minutes: number };
  if (test.instant === "recheck") own = { move: "recheck", minutes: RECHECK_MINUTES };
  else if (isByHand(machine, test)) own = { move: "by hand", minutes: BY_HAND };
  else if (test.function === "look") own = { move: "look", minutes: LOOK };
  else if (isClamp(test.function)) own = { move: "clamp", minutes: CLAMP };
  else if (test.function === "capacitance") own = { move: "capacitance", minutes: CAPACITANCE };
  else if (test.function === "insulation") own = { move: "insulation", minutes: INSULATION };
  else own = { move: "measure", minutes: MEASURE };
  return [...moves, { ...own, words: "" }];
}

/** How the unit stands after the test. */
export function unitStateAfter(machine: Machine, now: UnitState, test: Test): UnitState {
  return { ...now, setup: test.setup, openPanels: new Set([...now.openPanels, ...panelsFor(machine, test)]) };
}

/** How the unit stands, as a text: setup and open covers. */
export function placeKey({ setup, openPanels }: Pick<UnitState, "setup" | "openPanels">): string {
  return `${setup} ${[...openPanels].sort().join(" ")}`;
}

/** The words for making a machine dead, by what feeds it. */
function isolating(machine: Machine): string {
  const by = isolatedBy(machine);
  return by === "several" ? say.everySourceOff(sourcesWithIsolation(machine)) : say.off[by];
}

function openingWords(panel: Machine["file"]["panels"][number]): string {
  const tools = panel.tools.length > 0 ? `, ${panel.tools.join(", ").toLowerCase()}` : "";
  return say.openPanelNameMinutesMin(panel.name.toLowerCase(), panel.minutes, tools);
}
