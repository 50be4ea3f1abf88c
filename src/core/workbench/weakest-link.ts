import type { Machine } from "../model";
import { quantityText, readQuantity, type Typed } from "../quantity";
import { nominalValues, Simulator } from "../simulate";
import { wireLimit } from "./wire";
import { positive, Refused, type Given, type Sheet, type Table, type Tool, type Verdict } from "./tool";
import { say } from "#words/core/workbench/weakest-link";

/** One element of a path: what it may carry, and what flows through it. Amperes. */
export interface Link {
  readonly name: string;
  readonly rated: number;
  readonly running: number;
  /** The most in the first moments. */
  readonly starting: number;
  /** How many times its rating it bears for a moment. */
  readonly bears: number;
}

/** How many times its rating an element bears for the moment of a start; from memory. */
export const BEARS = { wire: 10, fuse: 8, switch: 1, relay: 3, contact: 3, breaker: 5, other: 1.5 } as const;

/** An element, the share of what it may carry, and in which of the two it bears more. */
export type Used = Link & { readonly used: number; readonly by: "running" | "starting" };

/** Each element's share of what it may carry, the worse of running and starting; the weakest first. */
export function weakestFirst(links: readonly Link[]): readonly Used[] {
  return links
    .map((link) => {
      const [running, starting] = [link.running / link.rated, link.starting / (link.rated * link.bears)];
      return {
        ...link,
        used: Math.max(running, starting),
        by: running >= starting ? ("running" as const) : ("starting" as const),
      };
    })
    .sort((a, b) => b.used - a.used || (a.name < b.name ? -1 : 1));
}

/** The table and the verdict of a path; a path with an overloaded element is refused with its figures. */
export function judgePath(links: readonly Link[]): Pick<Sheet, "verdict" | "table" | "lines"> {
  const sorted = weakestFirst(links);
  const worst = sorted[0];
  if (!worst) throw new Refused(say.aPathNeedsAtLeast, "path");
  const rows: Table["rows"] = sorted.map((l) => ({
    cells: [
      l.name,
      quantityText(l.rated, "amperes"),
      quantityText(l.running, "amperes"),
      quantityText(l.starting, "amperes"),
      `${quantityText(l.used, "share")} ${l.by}`,
    ],
    mark: markOf(l),
  }));
  return {
    lines: [
      {
        label: say.weakestLink,
        text: say.ofWhatItCarries(worst.name, quantityText(worst.used, "share")),
        big: true,
        formula:
          worst.by === "running"
            ? `${quantityText(worst.running, "amperes")} / ${quantityText(worst.rated, "amperes")}`
            : `${quantityText(worst.starting, "amperes")} / (${worst.bears} × ${quantityText(worst.rated, "amperes")})`,
        source: say.forAStartTimesIts(worst.bears),
      },
    ],
    verdict: verdictOf(worst),
    table: { head: ["Element", "Rated", "Running", "Start", "Used"], rows },
  };
}

/**
 * The rated elements of a machine in one setup: what flows through each once it runs, and what would flow with every
 * fed load starting at once, by simulation. Elements without current are left out. Throws a RangeError for a setup it
 * has not, `NoOperatingPoint`.
 */
export function ratedLinks(machine: Machine, setupId: string): readonly Link[] {
  const setup = machine.setupById.get(setupId);
  if (!setup) throw new RangeError(say.noSetupSetupId(setupId));
  const simulator = new Simulator(machine);
  const state = simulator.energise(setup, [], nominalValues(machine));
  const phase = state.phases[state.phases.length - 1]!;
  const flows = (element: number) => {
    const { dc, ac } = simulator.circuit.elementCurrent(element);
    return Math.hypot(dc, ac);
  };
  const rated = machine.parts.flatMap((part) => {
    const r = part.kind.electrical.rated?.(part.fields);
    return r && r.amps > 0 ? [{ part, r, element: part.firstElement + r.element }] : [];
  });
  simulator.circuit.load(state, phase);
  const running = rated.map((x) => flows(x.element));
  const starting = simulator.circuit.whileStarting(state, phase, () => rated.map((x) => flows(x.element)));
  return rated.flatMap(({ part, r }, i) =>
    running[i]! < 0.001
      ? []
      : [
          {
            name: part.name.toLowerCase().includes(r.bears) ? part.name : `${r.bears} ${part.name}`,
            rated: r.amps,
            running: running[i]!,
            starting: Math.max(running[i]!, starting[i]!),
            bears: BEARS[r.bears],
          },
        ],
  );
}

/**
 * Elements typed one a line: "switch 0.5A", "wire 18 AWG", "fuse 10A main"; "fuse 10A @ 0.7A / 4A" has currents of
 * its own. Throws `Refused` naming the line.
 */
export function readPath(text: string, running: number, starting: number, given: Given): Link[] {
  return text
    .split(/\n|[,;](?=\s)|;/)
    .map((t) => t.trim())
    .filter((t) => t !== "")
    .map((whole) => {
      const [line, own] = whole.split("@").map((t) => t.trim()) as [string, string | undefined];
      const currents = own === undefined ? [] : own.split("/").map((t) => readQuantity(t, "amperes", given.liked));
      if (currents.some((c) => !c.ok || c.value < 0))
        throw new Refused(say.afterTheRunningAndStart(whole.slice(0, 40)), "path");
      const [runs, starts] = currents.map((c) => (c.ok ? c.value : 0));
      const kind =
        (Object.keys(BEARS) as (keyof typeof BEARS)[]).find((k) => new RegExp(`\\b${k}\\b`, "i").test(line)) ?? "other";
      const size = /(\d{1,2}(?:\/0)?\s*AWG|[\d.,]+\s*mm[²2]?)/i.exec(line);
      const amps = /([\d.,]+\s*m?A)\b/i.exec(line);
      let read: Typed | null;
      if (size) read = readQuantity(size[1]!, "area", given.liked);
      else if (amps) read = readQuantity(amps[1]!, "amperes", given.liked);
      else read = null;
      if (!read?.ok || !(read.value > 0)) throw new Refused(say.whatMayItCarryType(line.slice(0, 30)), "path");
      return {
        name: line,
        rated: size ? wireLimit(read.value, "internal").amps : read.value,
        running: runs ?? running,
        starting: Math.max(starts ?? starting, runs ?? running),
        bears: BEARS[kind],
      };
    });
}

function work(given: Given): Sheet {
  const running = given.number("running");
  const everyOwn = given
    .text("path")
    .split("\n")
    .filter((l) => l.trim() !== "")
    .every((l) => l.includes("@"));
  if (running === undefined && !(everyOwn && given.text("path") !== ""))
    throw new Refused(say.typeTheCurrentOfThe, "running");
  positive(running, say.theCurrent, "running");
  const times = { motor: 6, lamp: 10, supply: 15, resistive: 1 }[given.text("sort")] ?? 1;
  const starting = given.number("starting") ?? times * (running ?? 0);
  if (running !== undefined && starting < running) throw new Refused(say.theStartCurrentIsBelow, "starting");
  const judged = judgePath(readPath(given.text("path"), running ?? 0, starting, given));
  return {
    ...judged,
    cautions: [say.neverRoundAProtectivePart],
    notes: [given.number("starting") === undefined && times > 1 ? say.startCurrentTakenAsTimes(times) : ""].filter(
      Boolean,
    ),
  };
}

/** Every element of a path against its rating; a bypass through a weaker one is refused. */
export const weakestLinkTool: Tool = {
  id: "path",
  name: say.weakestLink,
  group: "joints",
  words: say.aPathOrABypass,
  fields: [
    { key: "path", label: say.elementsOneALine, lines: 4, hint: say.fuse10aSwitch05a },
    { key: "running", label: say.loadRunning, quantity: "amperes" },
    { key: "starting", label: say.startCurrent, quantity: "amperes" },
    {
      key: "sort",
      label: say.load,
      choices: [
        ["resistive", "heater"],
        ["motor", "motor"],
        ["lamp", "lamp"],
        ["supply", "supply"],
      ],
      preset: "motor",
    },
  ],
  work,
  fillMachine(machine, setup): Record<string, string> {
    return {
      path: ratedLinks(machine, setup)
        .map(
          (l) =>
            `${l.name} ${quantityText(l.rated, "amperes")} @ ${quantityText(l.running, "amperes")} / ` +
            `${quantityText(l.starting, "amperes")}`,
        )
        .join("\n"),
    };
  },
};

function markOf(l: Used): "check" | "fits" | "misfit" {
  if (l.used > 1) return "misfit";
  if (l.used > 0.8) return "check";
  return "fits";
}

function verdictOf(worst: Used): Verdict {
  if (worst.used > 1)
    return {
      kind: "bad",
      words: say.refusedIsRated(
        worst.name,
        quantityText(worst.by === "running" ? worst.running : worst.starting, "amperes"),
        worst.by,
        quantityText(worst.rated, "amperes"),
      ),
    };
  if (worst.used > 0.8) return { kind: "unsure", words: say.justHasLittleToSpare(worst.name) };
  return { kind: "good", words: say.everyElementCarriesIt };
}
