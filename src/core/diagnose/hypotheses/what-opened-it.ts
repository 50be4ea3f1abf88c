import { assemblyOfFault, type Fault, faultId, has, type Machine, type Part, type SetupEntry } from "../../model";
import { NoOperatingPoint, nominalValues, Simulator, type State } from "../../simulate";
import type { Hypothesis } from "./hypothesis";

/**
 * Why something opened, or welded: a fuse that blew, a cut-off that tripped, a contact that welded is what came of
 * something. Which faults of the machine bring it about is found by simulation: the fault is put in, the machine is
 * brought into each of its powered setups, and one sees what opens, or carries more than it may.
 */

/** A fault that brings it about, and how: it shorts, draws too much, heats the place, or the file says so. */
export interface Opener {
  readonly fault: Fault;
  readonly how: "short" | "overload" | "heat" | "file";
}

/** Of the times each is met, in how many it has brought it about already; estimate E66. */
const SHARES = { short: 0.9, overload: 0.3, heat: 0.5, file: 1 } as const;
/** Of its rating, what opens a fuse within a shift; IEC 60127 and UL 248-14 lie on either side of it, from memory. */
const OVERLOADED = 1.5;
/** Shares of belief in something else, and in nothing wrong at all, before any evidence; estimate E67. */
const NEITHER = { else: 0.03, nothing: 0.002 } as const;

/** Whether a fault is one that something else brings about. */
export function isBroughtAbout(machine: Machine, { part, mode }: Fault): boolean {
  return (
    machine.partById.get(part)?.modes.find((m) => m.id === mode)?.protective === true || isWelded(machine, part, mode)
  );
}

const isWelded = (machine: Machine, part: string, mode: string): boolean =>
  mode === "welded" && machine.partById.get(part)?.kind.electrical.rated !== undefined;

/**
 * The faults that bring another one about, in file order. The machine is one with inner shorts, see `withInnerShorts`.
 */
export function openersOf(machine: Machine, opened: Fault): readonly Opener[] {
  const part = machine.partById.get(opened.part);
  if (!part) return [];
  const fed = opened.mode === "welded" ? fedBy(machine, part) : null;
  const opens = fed ? null : new Opening(machine, part, opened);
  // What a sound machine does to it is no fault's doing.
  if (opens && opens.by([]) !== null) return [];
  return machine.parts.flatMap((other) =>
    other.modes.flatMap((mode): Opener[] => {
      const fault = { part: other.id, mode: mode.id };
      if (other.id === part.id || mode.protective) return [];
      const said = machine.file.causes.some(
        (c) => c.part === fault.part && c.mode === fault.mode && faultId(c.then) === faultId(opened),
      );
      if (said) return [{ fault, how: "file" }];
      if (heats(other, mode.id, part)) return [{ fault, how: "heat" }];
      if (fed) return isOverload(other, mode.id) && touches(other, fed) ? [{ fault, how: "overload" }] : [];
      const how = opens?.by([fault]) ?? null;
      return how === null ? [] : [{ fault, how }];
    }),
  );
}

/** Whether faults open a part, or overload it, in any powered setup. */
class Opening {
  private readonly simulator: Simulator;
  private readonly open: number | undefined;

  constructor(
    private readonly machine: Machine,
    private readonly part: Part,
    opened: Fault,
  ) {
    this.simulator = new Simulator(machine);
    // Opened from the beginning, as the fault has it: what the same state says later.
    this.open = this.standing(machine.file.setups[0]!, [opened])?.phases.at(-1)!.states[part.index];
  }

  /** The machine with faults in a setup; null where the model finds no operating point. */
  private standing(setup: SetupEntry, faults: readonly Fault[]): State | null {
    try {
      return this.simulator.energise(setup, faults, nominalValues(this.machine));
    } catch (error) {
      if (error instanceof NoOperatingPoint) return null;
      throw error;
    }
  }

  by(faults: readonly Fault[]): "short" | "overload" | null {
    const { machine, part, simulator } = this;
    const rated = part.kind.electrical.rated?.(part.fields) ?? null;
    let most = 0;
    for (const setup of machine.file.setups.filter((x) => x.power === "on")) {
      const state = this.standing(setup, faults);
      const last = state?.phases.at(-1);
      if (!state || !last) continue;
      if (last.states[part.index] === this.open) return "short";
      if (!rated) continue;
      simulator.circuit.load(state, last);
      const { dc, ac } = simulator.circuit.elementCurrent(part.firstElement + rated.element);
      most = Math.max(most, Math.hypot(dc, ac));
    }
    return rated && most > OVERLOADED * rated.amps ? "overload" : null;
  }
}

/** Failures with which a load takes several times its current. */
const OVERLOADS = new Set(["shorted", "seized", "locked", "jammed"]);
const isOverload = (part: Part, mode: string): boolean =>
  OVERLOADS.has(mode) && (part.kind.electrical.load === true || mode === "shorted");
const touches = (part: Part, nodes: ReadonlySet<number>): boolean =>
  [...part.nodeOf.values()].some((n) => nodes.has(n));

/** The nodes that a contact feeds, through leads, plugs and what protects, up to the loads. */
function fedBy(machine: Machine, contact: Part): ReadonlySet<number> {
  const make = contact.nodeOf.get("make");
  const reached = new Set(make === undefined ? [] : [make]);
  for (let grew = true; grew;) {
    grew = false;
    for (const p of machine.parts) {
      if (
        p === contact ||
        p.kind.electrical.load ||
        !has(p, "conductor", "protects", "breaks-current", "often-bridged")
      )
        continue;
      const rated = p.kind.electrical.rated?.(p.fields)?.element ?? 0;
      const ends = p.kind.electrical.elements(p.fields)[rated]!.map((t) => p.nodeOf.get(t)!);
      if (!ends.some((n) => reached.has(n))) continue;
      for (const n of ends)
        if (!reached.has(n)) {
          reached.add(n);
          grew = true;
        }
    }
  }
  // What feeds the contact is not fed by it.
  reached.delete(contact.nodeOf.get("common")!);
  return reached;
}

/** Whether a failure of one part heats the place of a cut-off beyond what it opens at. */
function heats(other: Part, mode: string, cutOff: Part): boolean {
  const heated = other.kind.failures.heats?.(other.fields, mode);
  const answers = cutOff.kind.electrical.answersTo?.(cutOff.fields);
  return (
    heated !== undefined &&
    heated !== null &&
    answers !== undefined &&
    "place" in answers &&
    heated.place === answers.place &&
    heated.celsius > answers.aboveCelsius
  );
}

/**
 * What may be true of a machine in which one of these is known to have been brought about: it came by itself, or one of
 * the faults that bring it about has done it. Null where no fault of the file does.
 */
export function openedHypotheses(machine: Machine, opened: readonly Fault[]): readonly Hypothesis[] | null {
  const oddsOf = ({ part, mode }: Fault) => machine.partById.get(part)!.modes.find((m) => m.id === mode)!.odds;
  const all = opened.flatMap((of) => [
    { fault: of, led: [] as readonly Fault[], odds: oddsOf(of) },
    ...openersOf(machine, of).map(({ fault, how }) => ({ fault, led: [of], odds: oddsOf(fault) * SHARES[how] })),
  ]);
  if (all.every((h) => h.led.length === 0)) return null;
  const total = all.reduce((sum, h) => sum + h.odds, 0);
  return [
    // What a sound machine shows comes first in every dictionary.
    { kind: "no fault", id: "no-fault", assembly: "no-fault", prior: NEITHER.nothing },
    ...all.map(({ fault, led, odds }): Hypothesis => ({
      kind: "fault",
      id: [fault, ...led].map(faultId).join(">"),
      fault,
      led,
      assembly: assemblyOfFault(machine, fault),
      prior: ((1 - NEITHER.else - NEITHER.nothing) * odds) / total,
    })),
    { kind: "something else", id: "something-else", assembly: "something-else", prior: NEITHER.else },
  ];
}
