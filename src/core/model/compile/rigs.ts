import type { MachineFile, PartEntry } from "../schema";
import type { Point } from "../machine";
import { WIRE_OHMS } from "../kinds/jumper";
import { GROUND_NET, type Entry } from "./entries";
import type { Report } from "./problem";
import { say } from "#words/core/model/compile";

/** What the setups of a file put on the machine for a test. */
export type Rigs = ReturnType<typeof rigsIn>;

/**
 * Jumpers and bench feeds as parts of the circuit, each made in its own setup only, so that the circuit's shape never
 * changes.
 */
export function rigsIn(file: MachineFile, points: ReadonlyMap<string, Point>, problem: Report) {
  const entries: Entry[] = [];
  const ids = new Set<string>();
  const bySetup = new Map<string, Set<string>>();
  const add = (setup: string, entry: PartEntry, path: (string | number)[]) => {
    if (!ids.has(entry.id)) entries.push({ entry, path });
    ids.add(entry.id);
    bySetup.set(setup, (bySetup.get(setup) ?? new Set()).add(entry.id));
  };
  const net = (id: string, path: (string | number)[]) => {
    const point = points.get(id);
    if (!point) problem(path, say.thereIsNoPointCalled(id));
    return point?.net ?? GROUND_NET;
  };
  file.setups.forEach((setup, s) => {
    setup.jumpers.forEach(([a, b, ohms], j) => {
      const path = ["setups", s, "jumpers", j];
      add(
        setup.id,
        {
          kind: "jumper",
          id: `jumper.${a}.${b}${ohms === undefined ? "" : `.${ohms}`}`,
          name: say.jumperAToB(a, b),
          ohms: ohms ?? WIRE_OHMS,
          piece: "rig",
          at: { a: net(a, path), b: net(b, path) },
          odds: {},
        } as unknown as PartEntry,
        path,
      );
    });
    setup.feeds.forEach((feed, f) => {
      const path = ["setups", s, "feeds", f];
      const { plus, minus, ...own } = feed;
      if (setup.power === "on") problem(path, say.aBenchSupplyIsPut);
      add(
        setup.id,
        {
          kind: "bench feed",
          id: `feed.${plus}.${minus}.${feed.volts}`,
          name: say.benchSupplyVoltsV(feed.volts),
          piece: "rig",
          at: { plus: net(plus, path), minus: net(minus, path) },
          odds: {},
          ...own,
        } as unknown as PartEntry,
        path,
      );
    });
  });
  return { entries, ids, bySetup };
}
