import type { Entry, QuickMachine, QuickStage } from "./quick-machine";
import { isMains } from "./quick-supply";
import { coilGuardId, guardId, guardsOf, type Run, runsOf } from "./quick-wiring";
import { say } from "#words/core/model/quick/quick-machine";

/** The states in which the machine is looked at; one that asks for every load where no more is known. */
export function stagesOf(quick: QuickMachine): readonly QuickStage[] {
  if (quick.stages) return quick.stages;
  const mains = isMains(quick.supply);
  return [
    {
      id: "asked",
      mode: "run",
      name: mains ? say.pluggedInAskedToRun : say.fedAskedToRun,
      how: mains ? say.plugInAndStartIt : say.feedItAndStartIt,
      asks: quick.loads.map((_, i) => i),
      levels: Object.fromEntries(
        namedPlaces(quick).flatMap((p) => (p.kind === "pressure switch" ? [[p.name, 1]] : [])),
      ),
    },
  ];
}

const modeOf = (stage: QuickStage): string => stage.mode ?? stage.id;

/** The first state in which a load is asked for; the first of all for one that never is. */
export const stageOf = (quick: QuickMachine, { n }: Run): QuickStage => {
  const stages = stagesOf(quick);
  return stages.find((s) => s.asks.includes(n - 1)) ?? stages[0]!;
};

/** The condition of a control program that holds in these states. */
function inModes(stages: readonly QuickStage[]): Entry {
  const modes = [...new Set(stages.map(modeOf))].map((mode) => ({ mode }));
  return modes.length === 1 ? modes[0]! : { any: modes };
}

/** When a load is asked for: in its states, and while nothing that stops it does. */
export function whenAsked(quick: QuickMachine, run: Run): Entry {
  // What a contactor switches is asked for with any of its loads.
  const alike = run.by ? runsOf(quick).filter((r) => r.by?.id === run.by!.id) : [run];
  const asked = stagesOf(quick).filter((s) => alike.some((r) => s.asks.includes(r.n - 1)));
  const has = (list: readonly number[] | undefined) => list?.includes(run.n - 1) === true;
  const stops = (quick.sensors ?? []).flatMap((s, k) => [
    ...(has(s.stops) ? [{ input: `in${k + 1}`, below: 0.5 }] : []),
    ...(has(s.stopsWhenMade) ? [{ input: `in${k + 1}`, above: 0.5 }] : []),
  ]);
  const when = asked.length === 0 ? { mode: "never" } : inModes(asked);
  return stops.length === 0 ? when : { all: [when, ...stops] };
}

/** When any load is asked for. */
export const whenRunning = (quick: QuickMachine): Entry => inModes(stagesOf(quick).filter((s) => s.asks.length > 0));

/** What goes by a temperature, a level, a door or a hand, under its name. */
interface NamedPlace {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
}

function namedPlaces(quick: QuickMachine): readonly NamedPlace[] {
  const runs = runsOf(quick);
  return [
    ...runs.flatMap((r) => guardsOf(r.load).map((g, k) => ({ ...g, id: guardId(r.n, k + 1) }))),
    ...runs.flatMap((r) =>
      (r.by?.first ? r.load.by!.through : []).map((g, k) => ({ ...g, id: coilGuardId(r.n, k + 1) })),
    ),
    ...(quick.inLine ?? []).map((g, k) => ({ ...g, id: `line-guard-${k + 1}` })),
    ...(quick.sensors ?? []).map((s, k) => ({ ...s, id: `sensor-${k + 1}` })),
  ];
}

/** The setups of the file: each state, and all off. */
export function setupsOf(quick: QuickMachine): readonly Entry[] {
  const places = namedPlaces(quick);
  const byId = <T>(named: Readonly<Record<string, T>> = {}) =>
    Object.fromEntries(places.flatMap((p) => (Object.hasOwn(named, p.name) ? [[p.id, named[p.name]]] : [])));
  const mains = isMains(quick.supply);
  return [
    ...stagesOf(quick).map((stage) => ({
      id: stage.id,
      name: stage.name,
      power: "on",
      mode: modeOf(stage),
      how: stage.how,
      levels: byId(stage.levels),
      places: byId(stage.places),
      made: places.flatMap((p) => (stage.worked?.includes(p.name) ? [p.id] : [])),
      openDoors: stage.doorOpen ? ["door"] : [],
      minutes: stage.minutes ?? 0,
      ...(stage.seconds === undefined ? {} : { seconds: stage.seconds }),
    })),
    {
      id: "unplugged",
      name: mains ? say.unplugged : say.feedOff,
      power: "off",
      how: mains ? say.pullThePlugWaitOne : say.takeTheFeedOff,
    },
  ];
}
