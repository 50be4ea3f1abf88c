import type { QuickGuard, QuickLoad, QuickSensor } from "./quick-load";
import { ONE_BOARD, type QuickMachine } from "./quick-machine";
import { isMains, lineVolts } from "./quick-supply";

/** How one load is wired: what switches it, from where, back to where; all names of nets. */
export interface Run {
  /** Its place among the loads, from 1, and its part's id. */
  readonly n: number;
  readonly id: string;
  readonly load: QuickLoad;
  readonly volts: number;
  readonly current: "ac" | "dc";
  /** The net that its lead begins with, behind what switches it. */
  readonly out: string;
  /** The net its other end lies on. */
  readonly back: string;
  /** What the board switches for it; a load of a group of which another has it has none. */
  readonly switched: Switched | null;
  /** The contactor or solid-state relay before it, and its place among the contacts; null where there is none. */
  readonly by: { readonly id: string; readonly pole: number; readonly from: string; readonly first: boolean } | null;
}

/** What the board switches: by a relay, by a transistor to its ground, or straight from a pin of its logic. */
export interface Switched {
  readonly kind: "relay" | "transistor" | "pin";
  readonly from: string;
  readonly to: string;
}

/** The nets that hold for a whole machine. */
export interface Nets {
  /** The line behind the fuse; and behind what lies in the line to all loads. */
  readonly fused: string;
  readonly line: string;
  /** What the loads' other ends lie on. */
  readonly back: string;
  /** Where the feed comes in, before the filter if there is one. */
  readonly entry: string;
  readonly rail: string;
  readonly ground: string;
  /** The same at the logic, which may sit on another board. */
  readonly logicRail: string;
  readonly logicGround: string;
}

/** Volts that the relays and the logic of a board run on where nothing says more, from memory. */
const USUAL_RAIL = 12;

/** The volts of the board's rail: what its direct loads or its link want, or what the machine itself is fed with. */
export function railVolts({ supply, loads, boards }: QuickMachine): number {
  if (!isMains(supply) && supply.hertz === 0) return supply.volts;
  const asked = [
    ...loads.flatMap((l) => (l.feed?.from === "board" ? [l.feed.volts] : [])),
    ...loads.flatMap((l) => (l.by?.coil?.from === "board" ? [l.by.coil.volts] : [])),
  ];
  return asked[0] ?? (boards && boards.count > 1 ? boards.volts : USUAL_RAIL);
}

/** Direct volts that loads want beside the rail's: each has a supply of its own on the board. */
export function furtherRails(quick: QuickMachine): readonly number[] {
  const rail = railVolts(quick);
  const wanted = quick.loads.flatMap((l) => [
    ...(l.feed?.from === "board" ? [l.feed.volts] : []),
    ...(l.by?.coil?.from === "board" ? [l.by.coil.volts] : []),
  ]);
  return [...new Set(wanted)].filter((v) => v !== rail);
}

/** The net of a direct voltage on the board. */
export function railNet(quick: QuickMachine, volts: number): string {
  const further = furtherRails(quick).indexOf(volts);
  return further < 0 ? netsOf(quick).rail : `rail-${further + 2}`;
}

/** Whether the machine has a transformer of its own for loads of low alternating voltage, and of how many volts. */
export function transformerVolts({ loads }: QuickMachine): number | null {
  const feed = loads.find((l) => l.feed?.from === "transformer")?.feed?.volts;
  return feed ?? loads.find((l) => l.by?.coil?.from === "transformer")?.by?.coil?.volts ?? null;
}

/** Whether it hangs on direct current: then its board has no supply of its own. */
export const isDirect = ({ supply }: QuickMachine): boolean => supply.hertz === 0;

export function netsOf(quick: QuickMachine): Nets {
  const { boards = ONE_BOARD, inLine = [] } = quick;
  const fused = quick.fuse ? "fused-L" : "board-L";
  const [rail, ground] = isDirect(quick) ? [fused, "board-N"] : ["rail", "gnd"];
  return {
    fused,
    line: inLine.length > 0 ? "line-L" : fused,
    back: "load-N",
    entry: quick.filter ? "filter-in" : "board",
    rail,
    ground,
    logicRail: boards.count === 3 ? "link-1" : rail,
    logicGround: boards.count === 3 ? "link-2" : ground,
  };
}

/** The part that switches a group of loads, by the first of them. */
export const switchingId = (first: number): string => `switch-${first}`;

/** Every load's wiring, in their order. */
export function runsOf(quick: QuickMachine): readonly Run[] {
  const firsts = quick.loads.map((l, i) => (l.by ? quick.loads.findIndex((o) => o.by === l.by) : i));
  return quick.loads.map((load, i) => {
    const id = `load-${i + 1}`;
    const first = firsts[i]!;
    const { from, back } = endsOf(quick, load, i);
    const direct = load.feed?.from === "board" || isDirect(quick);
    const common = {
      n: i + 1,
      id,
      load,
      volts: load.feed?.volts ?? lineVolts(quick.supply),
      current: direct ? ("dc" as const) : ("ac" as const),
    };
    if (load.by) {
      // A contactor has a contact for each; behind a solid-state relay they hang side by side.
      const pole = load.by.kind === "contactor" ? i - first + 1 : 1;
      return {
        ...common,
        out: `${switchingId(first + 1)}-out-${pole}`,
        back,
        switched: i === first ? switchedBy(quick, load, i) : null,
        by: { id: switchingId(first + 1), pole, from, first: i === first },
      };
    }
    if (load.feed?.from === "board")
      return {
        ...common,
        out: from,
        back: `${id}-minus`,
        switched: { kind: "transistor", from, to: `out-${i + 1}` },
        by: null,
      };
    return { ...common, out: `out-${i + 1}`, back, switched: { kind: "relay", from, to: `out-${i + 1}` }, by: null };
  });
}

/** What the board itself switches where a contactor or a solid-state relay stands before the loads. */
function switchedBy(quick: QuickMachine, { by }: QuickLoad, i: number): Switched {
  if (by!.kind === "solid-state relay") return { kind: "pin", from: netsOf(quick).logicRail, to: `out-${i + 1}` };
  return { kind: "relay", from: coilEnds(quick, by!.coil!).from, to: `out-${i + 1}` };
}

/** Between what nets a contactor's coil is fed. */
export function coilEnds(
  quick: QuickMachine,
  coil: { readonly volts: number; readonly from: "line" | "transformer" | "board" },
): { readonly from: string; readonly back: string } {
  const nets = netsOf(quick);
  if (coil.from === "transformer") return { from: "low-a", back: "low-b" };
  if (coil.from === "board") return { from: railNet(quick, coil.volts), back: nets.ground };
  return { from: nets.line, back: nets.back };
}

/** Between what nets a load lies, its switch and its guards in the first. */
function endsOf(
  quick: QuickMachine,
  { feed, kind }: QuickLoad,
  i: number,
): { readonly from: string; readonly back: string } {
  const nets = netsOf(quick);
  // A contactor by itself is only a coil in this machine: what it switches was not said.
  if (kind === "contactor" && feed === undefined) return { from: nets.line, back: nets.back };
  if (feed?.from === "transformer") return { from: "low-a", back: "low-b" };
  if (feed?.from === "board") return { from: railNet(quick, feed.volts), back: nets.ground };
  if (feed?.from === "both lines") return { from: nets.line, back: "board-L2" };
  // Loads of three phases are shared out, one after another.
  if (quick.supply.kind === "three-phase" && feed === undefined && i % 3 > 0)
    return { from: `board-L${(i % 3) + 1}`, back: nets.back };
  return { from: nets.line, back: nets.back };
}

/** The lines beside the first that the machine has. */
export function furtherLines({ supply }: QuickMachine): readonly string[] {
  if (supply.kind === "three-phase") return ["L2", "L3"];
  return supply.kind === "split phase" ? ["L2"] : [];
}

export const guardId = (load: number, n: number): string => `guard-${load}-${n}`;
/** The net on the board's side of a guard. */
export const guardNet = (load: number, n: number): string => `guard-${load}-${n}-in`;
export const guardsOf = ({ through = [] }: QuickLoad): readonly QuickGuard[] => through;
/** The same of what lies in the lead of a contactor's coil. */
export const coilGuardId = (first: number, n: number): string => `coil-guard-${first}-${n}`;
export const coilGuardNet = (first: number, n: number): string => `coil-guard-${first}-${n}-in`;

/** Pins of a link that carry no request: what feeds the next board, and its return. */
export const FEED_PINS = 2;

/** The loads that the logic asks for, in their order. */
export const driven = (runs: readonly Run[]): readonly Run[] => runs.filter((r) => r.switched !== null);

/** Whether the boards of relays and of logic have too few wires for one a load: they talk in series then. */
export function isSerial({ boards = ONE_BOARD }: QuickMachine, runs: readonly Run[]): boolean {
  return boards.count === 3 && boards.wires < FEED_PINS + driven(runs).length;
}

/**
 * What a sensor is told to: the logic; where this talks in series, what stops a load is told to the board that switches
 * it.
 */
export function heardBy(quick: QuickMachine, { stops, stopsWhenMade = [] }: QuickSensor): "logic" | "listener" {
  return stops.length + stopsWhenMade.length > 0 && isSerial(quick, runsOf(quick)) ? "listener" : "logic";
}

/** The net of a sensor's return. */
export const sensorReturn = (quick: QuickMachine, sensor: QuickSensor): string =>
  heardBy(quick, sensor) === "logic" ? netsOf(quick).logicGround : netsOf(quick).ground;
