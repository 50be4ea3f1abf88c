import { FLICKERS, has, type Machine, variantOf } from "../../model";
import { bridgedEnds } from "../../safety";
import { makeTest, NoOperatingPoint, nominalValues, observe, Simulator } from "../../simulate";
import { ORDINARY_METER } from "../../instrument";
import { faultsOf, type Hypothesis } from "../hypotheses/hypothesis";
import { say } from "#words/core/diagnose/evidence";

/** What a hand can try without a meter. */
export const TRIALS = ["wiggled", "reseated", "good part in", "bridged"] as const;
export type Trial = (typeof TRIALS)[number];
/** What became of the complaint. */
export const CAME = ["still dead", "alive", "alive for a while"] as const;
export type Came = (typeof CAME)[number];

/** Something tried by hand: on which part, or on which plug, and what came of it. */
export interface TriedByHand {
  readonly trial: Trial;
  /** A part; of what is wiggled or reseated a plug. */
  readonly of: string;
  readonly came: Came;
}

/** How often a fault that the trial takes away shows itself alive; estimate E63. */
const ALIVE = { wiggled: 0.2, reseated: 0.5, "good part in": 0.9, bridged: 0.92, again: 0.15, beside: 0.45 } as const;
/** The same, alive for a while only; estimate E64. */
const A_WHILE = {
  wiggled: 0.35,
  reseated: 0.15,
  "good part in": 0.03,
  bridged: 0.03,
  again: 0.6,
  beside: 0.15,
} as const;
/** How often it comes alive, or does so for a while, whatever is wrong; estimate E65. */
const BY_CHANCE = 0.03;

/**
 * What a trial comes to: the fault is taken away by it; a new part is burnt again by what burnt the old one (`again`); a
 * plug was pulled on the way (`beside`); or nothing of it.
 */
type Taken = Trial | "again" | "beside" | null;

/** What can be tried so on a machine, each by id and name. */
export function trialsOf(machine: Machine, trial: Trial): readonly { readonly id: string; readonly name: string }[] {
  if (trial === "wiggled" || trial === "reseated") return machine.file.connectors.map(({ id, name }) => ({ id, name }));
  const parts = machine.parts.filter((p) => !has(p, "licensed") && p.modes.length > 0);
  return (trial === "bridged" ? parts : parts.filter((p) => !has(p, "conductor"))).map(({ id, name }) => ({
    id,
    name,
  }));
}

/** Likelihood of what came of a trial under a hypothesis; `complaint`: what was to come alive. */
export function trialLikelihood(machine: Machine, complaint: string, tried: TriedByHand, h: Hypothesis): number {
  const taken = takenBy(machine, complaint, tried, h);
  const [alive, while_] = taken === null ? [BY_CHANCE, BY_CHANCE] : [ALIVE[taken], A_WHILE[taken]];
  if (tried.came === "alive") return alive;
  return tried.came === "alive for a while" ? while_ : 1 - alive - while_;
}

function takenBy(machine: Machine, complaint: string, { trial, of }: TriedByHand, h: Hypothesis): Taken {
  const faults = faultsOf(machine, h);
  if (faults.length === 0) return null;
  if (trial === "bridged") return comesAlive(machine, complaint, of, h) ? trial : null;
  const isContactOf = (plug: (connector: string) => boolean) =>
    faults.some((f) => {
      const { kind, fields } = machine.partById.get(f.part)!;
      const connector = kind.electrical.connector?.(fields);
      return connector !== undefined && plug(connector);
    });
  if (trial !== "good part in") return isContactOf((c) => c === of) ? trial : null;
  if (faults.every((f) => f.part === of)) return trial;
  // What it has taken with it is new; what took it is not.
  if (faults.some((f) => f.part === of)) return h.kind === "fault" ? "again" : null;
  return isContactOf((c) => isPluggedBy(machine, c, of)) ? "beside" : null;
}

/** Whether a plug has to be pulled to take a part out. */
function isPluggedBy(machine: Machine, connector: string, part: string): boolean {
  const own = new Set(machine.partById.get(part)?.nodeOf.values());
  return machine.parts.some(
    (p) => p.kind.electrical.connector?.(p.fields) === connector && [...p.nodeOf.values()].some((n) => own.has(n)),
  );
}

/** By machine, complaint and bridged part: which hypotheses come alive. */
const known = new WeakMap<Machine, Map<string, Map<string, boolean>>>();

/** Whether the complaint is gone under a hypothesis while a part is bridged, by simulation. */
function comesAlive(machine: Machine, complaint: string, part: string, h: Hypothesis): boolean {
  const bridged = known.get(machine) ?? new Map<string, Map<string, boolean>>();
  known.set(machine, bridged);
  const key = `${complaint} ${part}`;
  const came = bridged.get(key) ?? new Map<string, boolean>();
  bridged.set(key, came);
  let is = came.get(h.id);
  if (is === undefined) came.set(h.id, (is = simulated(machine, complaint, part, h)));
  return is;
}

/** The machine with a part bridged; one a machine and part. */
const variants = new WeakMap<Machine, Map<string, Simulator>>();

function bridgedMachine(machine: Machine, part: string): Simulator | null {
  const own = variants.get(machine) ?? new Map<string, Simulator>();
  variants.set(machine, own);
  let simulator = own.get(part);
  if (!simulator) {
    const known = machine.partById.get(part);
    const ends = known && bridgedEnds(known);
    if (!ends) return null;
    const [from, to] = ends.map((n) => machine.nets[n]!) as [string, string];
    simulator = new Simulator(variantOf(machine.file, [{ change: "wired", from, to }]));
    own.set(part, simulator);
  }
  return simulator;
}

function simulated(machine: Machine, complaintId: string, part: string, h: Hypothesis): boolean {
  const complaint = machine.file.complaints.find((c) => c.id === complaintId);
  const sees = Object.entries(complaint?.sees ?? {});
  const simulator = bridgedMachine(machine, part);
  if (!complaint || sees.length === 0 || !simulator) return false;
  const variant = simulator.machine;
  try {
    const setup = variant.setupById.get(complaint.setup)!;
    const state = simulator.energise(setup, faultsOf(machine, h), nominalValues(variant));
    const labels = sees.map(([seen]) => {
      const shown = observe(simulator, state, makeTest(complaint.setup, "look", seen), ORDINARY_METER);
      return shown.kind === "label" ? shown.label : FLICKERS;
    });
    return !labels.includes(FLICKERS) && labels.some((label, i) => label !== sees[i]![1]);
  } catch (error) {
    if (error instanceof NoOperatingPoint) return false;
    throw error;
  }
}

/** A trial as said to a technician. */
export const trialWords = (name: string, { trial, came }: TriedByHand): string => say.triedByHand(name, trial, came);
