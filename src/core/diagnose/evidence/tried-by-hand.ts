import {
  compileMachine,
  type Fault,
  FLICKERS,
  has,
  type Machine,
  type MachineFile,
  type Part,
  type PartEntry,
  ratings,
} from "../../model";
import { bridgedEnds } from "../../safety";
import { makeTest, NoOperatingPoint, nominalValues, observe, Simulator } from "../../simulate";
import { ORDINARY_METER } from "../../instrument";
import { faultsOf, type Hypothesis } from "../hypotheses/hypothesis";
import { say } from "#words/core/diagnose/evidence";

/** What a hand can try without a meter. */
export const TRIALS = ["wiggled", "reseated", "good part in", "bridged", "series lamp"] as const;
export type Trial = (typeof TRIALS)[number];
/** What became of the complaint. */
export const CAME = ["still dead", "alive", "alive for a while", "bright", "dim"] as const;
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

/** How often a lamp in place of a fuse looks as the circuit has it; estimate E68. */
const SEEN_RIGHT = 0.94;

/**
 * What a trial comes to: the fault is taken away by it; a new part is burnt again by what burnt the old one (`again`); a
 * plug was pulled on the way (`beside`); or nothing of it.
 */
type Taken = Exclude<Trial, "series lamp"> | "again" | "beside" | null;

/** What can be tried so on a machine, each by id and name. */
export function trialsOf(machine: Machine, trial: Trial): readonly { readonly id: string; readonly name: string }[] {
  if (trial === "wiggled" || trial === "reseated") return machine.file.connectors.map(({ id, name }) => ({ id, name }));
  const parts = machine.parts.filter((p) => !has(p, "licensed") && p.modes.length > 0);
  if (trial === "series lamp") return machine.parts.filter((p) => takesLamp(p)).map(({ id, name }) => ({ id, name }));
  return (trial === "bridged" ? parts : parts.filter((p) => !has(p, "conductor"))).map(({ id, name }) => ({
    id,
    name,
  }));
}

/** Whether a lamp or a limited supply may stand in its place to see: what opens on too much current, and has blown. */
export const takesLamp = (part: Part): boolean => part.kind.electrical.rated?.(part.fields)?.bears === "fuse";

/** What can come of a trial. */
export const cameOf = (trial: Trial): readonly Came[] =>
  trial === "series lamp" ? ["bright", "dim"] : ["still dead", "alive", "alive for a while"];

/** Likelihood of what came of a trial under a hypothesis; `complaint`: what was to come alive. */
export function trialLikelihood(machine: Machine, complaint: string, tried: TriedByHand, h: Hypothesis): number {
  if (tried.trial === "series lamp") {
    const bright = isBright(machine, complaint, tried.of, h) ? SEEN_RIGHT : 1 - SEEN_RIGHT;
    return tried.came === "bright" ? bright : 1 - bright;
  }
  const taken = takenBy(machine, complaint, tried, h);
  const [alive, while_] = taken === null ? [BY_CHANCE, BY_CHANCE] : [ALIVE[taken], A_WHILE[taken]];
  if (tried.came === "alive") return alive;
  return tried.came === "alive for a while" ? while_ : 1 - alive - while_;
}

function takenBy(machine: Machine, complaint: string, { trial, of }: TriedByHand, h: Hypothesis): Taken {
  if (trial === "series lamp") return null;
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

/** What was simulated for a machine, by what was tried and under which hypothesis. */
const known = new WeakMap<Machine, Map<string, boolean>>();

function remembered(machine: Machine, key: string, work: () => boolean): boolean {
  const own = known.get(machine) ?? new Map<string, boolean>();
  known.set(machine, own);
  let is = own.get(key);
  if (is === undefined) own.set(key, (is = work()));
  return is;
}

/** Machines with something clipped on, by what and where; one a machine. */
const variants = new WeakMap<Machine, Map<string, Simulator>>();

function variant(machine: Machine, key: string, file: () => MachineFile): Simulator {
  const own = variants.get(machine) ?? new Map<string, Simulator>();
  variants.set(machine, own);
  let simulator = own.get(key);
  if (!simulator) own.set(key, (simulator = new Simulator(compileMachine(file()))));
  return simulator;
}

/** Whether the complaint is gone under a hypothesis while a part is bridged, by simulation. */
function comesAlive(machine: Machine, complaintId: string, of: string, h: Hypothesis): boolean {
  return remembered(machine, `bridged ${complaintId} ${of} ${h.id}`, () => {
    const complaint = machine.file.complaints.find((c) => c.id === complaintId);
    const sees = Object.entries(complaint?.sees ?? {});
    const part = machine.partById.get(of);
    const ends = part && bridgedEnds(part);
    if (!complaint || sees.length === 0 || !ends) return false;
    const [from, to] = ends.map((n) => machine.nets[n]!) as [string, string];
    const simulator = variant(machine, `bridged ${of}`, () => ({
      ...machine.file,
      wires: [...machine.file.wires, { id: "by-hand", piece: part.assembly, from, to }],
    }));
    const labels = seenIn(simulator, complaint.setup, faultsOf(machine, h), sees);
    return labels !== null && !labels.includes(FLICKERS) && labels.some((label, i) => label !== sees[i]![1]);
  });
}

/** What is seen of some parts; null where the model finds no operating point. */
function seenIn(
  simulator: Simulator,
  setupId: string,
  faults: readonly Fault[],
  sees: readonly (readonly [string, string])[],
): readonly string[] | null {
  const { machine } = simulator;
  try {
    const state = simulator.energise(machine.setupById.get(setupId)!, faults, nominalValues(machine));
    return sees.map(([seen]) => {
      const shown = observe(simulator, state, makeTest(setupId, "look", seen), ORDINARY_METER);
      return shown.kind === "label" ? shown.label : FLICKERS;
    });
  } catch (error) {
    if (error instanceof NoOperatingPoint) return null;
    throw error;
  }
}

/** The lamp in place of a mains fuse, watts; of a limited supply, the share of the fuse's amperes. Common practice. */
const LAMP = { watts: 100, share: 0.5 } as const;

/** Whether a lamp, or a supply that limits, in place of what opened takes more than half of the volts. */
function isBright(machine: Machine, complaintId: string, of: string, h: Hypothesis): boolean {
  return remembered(machine, `lamp ${complaintId} ${of} ${h.id}`, () => {
    const complaint = machine.file.complaints.find((c) => c.id === complaintId);
    const part = machine.partById.get(of);
    if (!complaint || !part) return false;
    const { volts, hertz } = machine.file.supply;
    const ohms = hertz > 0 ? volts ** 2 / LAMP.watts : volts / (LAMP.share * (ratings(part).amps ?? 1));
    const simulator = variant(machine, `lamp ${of}`, () => withLamp(machine.file, of, ohms));
    const faults = faultsOf(machine, h).filter((f) => f.part !== of);
    try {
      const setup = simulator.machine.setupById.get(complaint.setup)!;
      const state = simulator.energise(setup, faults, nominalValues(simulator.machine));
      simulator.circuit.load(state, state.phases.at(-1)!);
      const { dc, ac } = simulator.circuit.elementCurrent(simulator.machine.partById.get(LAMP_ID)!.firstElement);
      return Math.hypot(dc, ac) * ohms > volts / 2;
    } catch (error) {
      if (error instanceof NoOperatingPoint) return false;
      throw error;
    }
  });
}

const LAMP_ID = "by-hand-lamp";

/** The file with a resistor behind a part: with that part whole, a lamp in its place. */
function withLamp(file: MachineFile, of: string, ohms: number): MachineFile {
  const behind = `${LAMP_ID}-net`;
  const parts = file.parts as PartEntry[];
  const part = parts.find((p) => p.id === of)!;
  const [, last] = Object.keys(part.at) as [string, string];
  const lamp = { kind: "resistor", id: LAMP_ID, name: LAMP_ID, piece: part.piece, odds: {}, ohms };
  return {
    ...file,
    parts: [
      ...parts.map((p) => (p.id === of ? { ...p, at: { ...p.at, [last]: behind } } : p)),
      { ...lamp, at: { a: behind, b: part.at[last]! } } as unknown as PartEntry,
    ] as MachineFile["parts"],
  };
}

/** A trial as said to a technician. */
export const trialWords = (name: string, { trial, came }: TriedByHand): string => say.triedByHand(name, trial, came);
