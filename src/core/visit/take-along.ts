import { accessTo, optionsFor, proofRunNeeds, replacesWhole, USUAL_RATES, USUAL_WORTH, weighOptions } from "../repair";
import type { Machine } from "../model";
import { say } from "#words/core/visit";

/** Something to take along: a part, a tool, a tester, an instrument beside a plain meter, what is rigged up for a test. */
export interface Item {
  readonly kind: "part" | "tool" | "tester" | "meter" | "rig";
  readonly name: string;
}

/** An item, and what it is worth. */
export interface ItemWorth extends Item {
  /** Share of visits that end at once with everything else along, and not this. */
  readonly without: number;
  /** Share of visits that end at once with this and all items before it in the list. */
  readonly upToHere: number;
}

/** What a visit may need, and how likely it ends at once. */
export interface TakeAlong {
  /** Share of visits that end at once with all of it, and with the meter alone. */
  readonly withAll: number;
  readonly withNothing: number;
  /** Together what ends most visits for the fewest things first; what would add nothing is left out. */
  readonly items: readonly ItemWorth[];
}

/** A cause, `part:mode`, and how likely it is it, 0 to 1. What is left of one is something else, which no visit ends. */
export interface LikelyCause {
  readonly id: string;
  readonly probability: number;
}

/** What the proof of a repair takes besides, by the assembly that is repaired. */
export type ProofGear = (assembly: string) => readonly Item[];

/** Sets of things each of which ends a visit at once for one cause; none where that is for a licensed trade. */
function waysToEnd(machine: Machine, cause: string, gear: ProofGear): readonly (readonly Item[])[] {
  const [part = "", mode = ""] = cause.split(":");
  const known = machine.partById.get(part);
  if (!known?.modes.some((m) => m.id === mode)) return [];
  const assembly = machine.assemblyById.get(known.assembly)!;
  const options = weighOptions(optionsFor(machine, { part, mode }), USUAL_RATES, USUAL_WORTH)
    .map(({ option }) => option)
    .filter((o) => o.id !== "hand-over" && o.id !== "give-up" && !o.temporary);
  const { covers } = accessTo(machine, known.assembly);
  const tools = machine.file.panels.filter((p) => covers.includes(p.id)).flatMap((p) => p.tools);
  const always = [
    ...[...new Set(tools)].map((name): Item => ({ kind: "tool", name })),
    ...proofRunNeeds(machine).map((name): Item => ({ kind: "tester", name })),
    ...gear(known.assembly),
  ];
  // The repair that costs least on the average, or the whole assembly in its place.
  const chosen = [...new Set([options[0], options.find((o) => replacesWhole(o.id))])].filter((o) => o !== undefined);
  return chosen.map((o) => [
    ...(o.parts > 0
      ? [{ kind: "part" as const, name: replacesWhole(o.id) ? assembly.name : say.partFor(o.words) }]
      : []),
    ...always,
  ]);
}

const keyOf = ({ kind, name }: Item) => `${kind} ${name}`;

/**
 * What to take along: a visit ends at once where everything is along that one way of ending the true cause needs. Taken
 * in bundles, each time the one that adds most for each thing in it; the best set is not sought beyond that.
 */
export function takeAlong(machine: Machine, causes: readonly LikelyCause[], gear: ProofGear = () => []): TakeAlong {
  const known = causes.map(({ id, probability }) => ({ probability, ways: waysToEnd(machine, id, gear) }));
  const byKey = new Map(known.flatMap(({ ways }) => ways.flat().map((item) => [keyOf(item), item] as const)));
  const sets = known.map(({ probability, ways }) => ({ probability, ways: ways.map((w) => w.map(keyOf)) }));
  const ends = (along: ReadonlySet<string>) =>
    sets.reduce((sum, s) => sum + (s.ways.some((w) => w.every((k) => along.has(k))) ? s.probability : 0), 0);
  const along = new Set<string>();
  const taken: { readonly key: string; readonly upToHere: number }[] = [];
  for (;;) {
    const now = ends(along);
    const bundles = sets.flatMap(({ ways }) =>
      ways.flatMap((way) => {
        const more = way.filter((k) => !along.has(k));
        const gain = more.length === 0 ? 0 : ends(new Set([...along, ...more])) - now;
        return gain > 1e-9 ? [{ more, worth: gain / more.length }] : [];
      }),
    );
    const [best] = bundles.sort((a, b) => b.worth - a.worth || (a.more.join() < b.more.join() ? -1 : 1));
    if (!best) break;
    for (const key of best.more) {
      along.add(key);
      taken.push({ key, upToHere: ends(along) });
    }
  }
  const without = (key: string) => ends(new Set([...along].filter((k) => k !== key)));
  return {
    withAll: ends(along),
    withNothing: ends(new Set()),
    items: taken.map(({ key, upToHere }) => ({ ...byKey.get(key)!, without: without(key), upToHere })),
  };
}
