import {
  type CircuitChange,
  ChangeError,
  changeWords,
  type Fault,
  faultId,
  type GuardAnswers,
  has,
  type InPlace,
  type Machine,
  type Part,
  type PartEntry,
  plainFields,
  ratings,
  variantOf,
  joinedByLeads,
} from "../model";
import { nominalValues, secondsUntil, Simulator } from "../simulate";
import { coilVolts, heatIn, heldMotor, thinWires, unsuppressed, weakestLink } from "./carried";
import {
  boardsOut,
  guardFindings,
  guardsOf,
  protectionOut,
  sequenceShown,
  stayingLoads,
  temperatureShown,
  undervoltageShown,
} from "./lost-guards";
import { amps, LEAST_AMPS, loadsOf, type Situation, situationsOf, type TruthTable, truthTableIn } from "./situations";
import { say } from "#words/core/repair/modification";

/** One thing that was looked at before a change may be built, with its figures. */
export interface Finding {
  readonly of:
    | "protection"
    | "interlock"
    | "sequence"
    | "guard"
    | "single fault"
    | "timing"
    | "current"
    | "held motor"
    | "coil"
    | "suppression"
    | "fuse";
  readonly ok: boolean;
  readonly words: string;
}

/** Whether a change to the circuit of a unit may be built. */
export interface ModificationProof {
  readonly allowed: boolean;
  readonly findings: readonly Finding[];
  /** What is to be minded though it is allowed. */
  readonly warnings: readonly string[];
  /** Simulated situations, faults included. */
  readonly situations: number;
}

/** Timing may move by this share, and by so many seconds, and is watched this long; estimate E29. */
const LATER_SHARE = 0.1;
const LATER = 0.6;
const WATCHED = 900;

const faultsOf = (machine: Machine): readonly Fault[] =>
  machine.parts.flatMap((p) => p.modes.map((m) => ({ part: p.id, mode: m.id })));

/** What is asked of a change beside the change itself. */
export interface ProofOptions {
  /** What is known of the boards that come out, where their file does not say. */
  readonly guards?: GuardAnswers;
  /** Is told the share done. */
  readonly progress?: (share: number) => void;
}

/** The circuit before and after, and how a person may meet it. */
interface Compared {
  readonly before: Machine;
  readonly after: Machine;
  readonly changes: readonly CircuitChange[];
  readonly situations: readonly Situation[];
  readonly shared: readonly Part[];
  readonly full: ReadonlyMap<string, number>;
  readonly was: TruthTable;
  readonly is: TruthTable;
}

/**
 * Proves a change to a unit's circuit before it may be built. It is refused, with figures, when a load would run in a
 * situation or after an order of moves in which it did not run before (nothing failed, or any one part failed), when
 * what a board watched over is lost, when its timing moves, when an element would carry more than it bears (running,
 * starting, its motor held), when a load would run unprotected, or when a protective part, a door switch or an earth is
 * taken out, bridged or made weaker. Throws `ChangeError` for a change that cannot be made.
 */
export function proveModification(
  before: Machine,
  changes: readonly CircuitChange[],
  { guards = {}, progress }: ProofOptions = {},
): ModificationProof {
  // What comes out with a board must go in again: that is looked at by itself.
  const out = new Set(protectionOut(before, boardsOut(before, changes)));
  const sight = changes.flatMap((change): Finding[] => {
    const words = touchesProtection(before, change, out);
    return words ? [{ of: "protection", ok: false, words }] : [];
  });
  // What is refused on sight is not proven any further; what it would do is shown, so that nobody has to be believed.
  if (sight.length > 0)
    return { allowed: false, findings: [...sight, ...wouldDo(before, changes)], warnings: [], situations: 0 };
  const after = variantOf(before.file, changes);
  const { situations, shared, full } = stayingLoads(before, after);
  const [was, is] = [truthTableIn(before, situations, [], full), truthTableIn(after, situations, [], full)];
  const c: Compared = { before, after, changes, situations, shared, full, was, is };
  const kept = protectionFinding(c);
  const table = tableFinding(c);
  const lost = guardsLost(c, guards);
  const failed = singleFaults(c, progress);
  const current = weakestLink(after);
  const added = after.parts.filter((p) => !before.partById.has(p.id));
  const late = timing(before, after);
  const spike = unsuppressed(after, added);
  const findings: Finding[] = [
    kept,
    table,
    ...lost.findings,
    failed.finding,
    { of: "timing", ok: late === null, words: late ?? say.everyLoadComesOnWhen },
    ...(current ? [{ of: "current" as const, ...current }] : []),
    ...heldMotor(after, added).map((f): Finding => ({ of: "held motor", ...f })),
    ...coilVolts(after, added).map((f): Finding => ({ of: "coil", ...f })),
    ...(spike ? [{ of: "suppression" as const, ...spike }] : []),
    fuseFinding(c),
  ];
  return {
    allowed: findings.every((f) => f.ok),
    findings,
    situations: 2 * situations.length + failed.simulated + lost.orders,
    warnings: [...lost.byTrial, ...warningsOf(c, added)],
  };
}

/** Where loads run in one table and not in the other. */
function extraIn({ shared, situations }: Compared, was: TruthTable, is: TruthTable) {
  return shared.flatMap((p) =>
    [...is.get(p.id)!]
      .filter((k) => !was.get(p.id)!.has(k))
      .map((k) => ({ load: p.name, situation: situations[k]!.words })),
  );
}

function tableFinding(c: Compared): Finding {
  const more = extraIn(c, c.was, c.is);
  return {
    of: "interlock",
    ok: more.length === 0,
    words:
      more.length === 0
        ? say.loadsInSituationsNoneRuns(c.shared.length, c.situations.length)
        : say.wouldRunSoInOf(more[0]!.load, more[0]!.situation, more.length, c.shared.length * c.situations.length),
  };
}

/** What protects and comes out with a board must be put in again, no weaker. */
function protectionFinding({ before, after, changes }: Compared): Finding {
  const gone = protectionOut(before, boardsOut(before, changes));
  const added = after.parts.filter((p) => !before.partById.has(p.id));
  const lost = gone.filter(
    (p) => !added.some((a) => a.kind === p.kind && weakerField(p, new Map(plainFields(a))) === null),
  );
  return lost.length === 0
    ? { of: "protection", ok: true, words: say.noProtectivePartDoorSwitch }
    : { of: "protection", ok: false, words: say.comesOutWithTheBoard(lost.map((p) => p.name).join(", ")) };
}

/** The first field in which a part would protect less than another of its kind, as a sentence; null where none. */
function weakerField(part: Part, is: ReadonlyMap<string, number | string>): string | null {
  for (const [field, old] of plainFields(part)) {
    const value = is.get(field);
    if (value === undefined) continue;
    if (typeof old === "number" && Number(value) > old)
      return say.protectsMayNotBecome(part.name, field, old, String(value));
    if (typeof old === "string" && old !== String(value)) return say.nameProtectsFieldStaysOld(part.name, field, old);
  }
  return null;
}

/** What the boards that come out watched over, and every order of what a hand does. */
function guardsLost(c: Compared, answers: GuardAnswers) {
  const boards = boardsOut(c.before, c.changes);
  if (boards.length === 0) return { findings: [], byTrial: [], orders: 0 };
  const sequence = sequenceShown(c.before, c.after, c.shared, c.full);
  const found = guardFindings(guardsOf(c.before.file, boards), answers, {
    sequence,
    temperature: temperatureShown(c.situations, c.was, c.is, c.shared),
    undervoltage: undervoltageShown(c.before, c.after, c.changes, c.shared, c.full),
  });
  const findings = found.map((f): Finding => ({
    of: f.guard === "sequence" ? "sequence" : "guard",
    ok: f.ok,
    words: f.words,
  }));
  return {
    findings: sequence.lost
      ? findings
      : [{ of: "sequence" as const, ok: true, words: say.noOrderMakesItRun(sequence.orders) }, ...findings],
    byTrial: found.flatMap((f) => (f.byTrial ? [say.showByTrial(f.words)] : [])),
    orders: 2 * sequence.orders,
  };
}

/**
 * Under every single fault. A part that was there before is held against itself failed; a new one against the sound unit
 * and against what the parts it replaces could do when they failed, for a relay may weld where a transistor could short.
 */
function singleFaults(c: Compared, progress?: (share: number) => void): { finding: Finding; simulated: number } {
  const { before, after, situations, full } = c;
  const faults = faultsOf(after).filter(
    (f) => !after.partById.get(f.part)!.kind.electrical.source?.(after.partById.get(f.part)!.fields),
  );
  const known = new Set(faultsOf(before).map(faultId));
  const gone = faultsOf(before).filter((f) => !after.partById.has(f.part));
  const replaced = unionOf([c.was, ...gone.map((f) => truthTableIn(before, situations, [f], full))]);
  let worst: { fault: Fault; load: string; situation: string; count: number } | null = null;
  for (const [i, fault] of faults.entries()) {
    progress?.(i / faults.length);
    const own = known.has(faultId(fault)) ? truthTableIn(before, situations, [fault], full) : replaced;
    // A lead that is broken and no longer in a load's way only leaves it as it was with nothing wrong.
    const was = has(after.partById.get(fault.part)!, "conductor") ? unionOf([c.was, own]) : own;
    const found = extraIn(c, was, truthTableIn(after, situations, [fault], full));
    if (found.length > (worst?.count ?? 0)) worst = { fault, ...found[0]!, count: found.length };
  }
  const name = (f: Fault) => {
    const part = after.partById.get(f.part)!;
    return `${part.name} ${part.modes.find((m) => m.id === f.mode)!.words}`;
  };
  return {
    simulated: (2 * faults.length + gone.length) * situations.length,
    finding: {
      of: "single fault",
      ok: worst === null,
      words:
        worst === null
          ? say.withEachOfSingleFaults(faults.length)
          : say.withWouldRunCasesMore(name(worst.fault), worst.load, worst.situation, worst.count),
    },
  };
}

/** Where a load runs in any of several tables. */
function unionOf(tables: readonly TruthTable[]): TruthTable {
  const union = new Map<string, Set<number>>();
  for (const table of tables)
    for (const [load, rows] of table) union.set(load, new Set([...(union.get(load) ?? []), ...rows]));
  return union;
}

function fuseFinding({ before, after }: Compared): Finding {
  const was = unprotected(before, new Simulator(before));
  const bare = unprotected(after, new Simulator(after)).filter((id) => !was.includes(id));
  return {
    of: "fuse",
    ok: bare.length === 0,
    words:
      bare.length === 0
        ? say.everyLoadThatWasBehind
        : say.noFuseOrBreakerWould(bare.map((id) => after.partById.get(id)!.name).join(", ")),
  };
}

/** How many losses are named. */
const MOST_NAMED = 3;

function warningsOf({ shared, situations, was, is, after }: Compared, added: readonly Part[]): readonly string[] {
  const lost = shared.flatMap((p) =>
    [...was.get(p.id)!].filter((k) => !is.get(p.id)!.has(k)).map((k) => `${p.name}: ${situations[k]!.words}`),
  );
  const wires = added.filter((p) => has(p, "conductor"));
  const rated = ["amps", "contactAmps", "ohms"] as const;
  const others = added.filter((p) => !has(p, "conductor"));
  return [
    ...lost.slice(0, MOST_NAMED).map((l) => say.itWouldNoLongerRun(l)),
    ...others
      .filter((p) => rated.every((r) => ratings(p)[r] === undefined) && p.elementCount > 0)
      .map((p) => say.hasNoRatingInThe(p.name)),
    ...others
      .filter((p) => has(p, "breaks-current") && p.kind.electrical.rated?.(p.fields)?.bears !== "relay")
      .map((p) => say.breaksAnInductiveLoadFit(p.name)),
    ...heatIn(after, others),
    ...thinWires(after, wires),
    say.wiresCarryWhatTheFuse,
  ];
}

/**
 * In how many situations a refused change would let which load run; nothing where it cannot even be made on the
 * model.
 */
function wouldDo(before: Machine, changes: readonly CircuitChange[]): Finding[] {
  try {
    const after = variantOf(before.file, changes);
    const situations = situationsOf(before);
    const [was, is] = [truthTableIn(before, situations, []), truthTableIn(after, situations, [])];
    const worst = loadsOf(before)
      .flatMap((p) => {
        const more = [...(is.get(p.id) ?? [])].filter((k) => !was.get(p.id)!.has(k));
        return more.length > 0 ? [{ name: p.name, more }] : [];
      })
      .sort((a, b) => b.more.length - a.more.length)[0];
    return worst
      ? [
          {
            of: "interlock",
            ok: false,
            words: say.wouldRunInOfSituations(
              worst.name,
              worst.more.length,
              situations.length,
              situations[worst.more[0]!]!.words,
            ),
          },
        ]
      : [];
  } catch (error) {
    if (error instanceof ChangeError) return [];
    throw error;
  }
}

/** Why a change is refused on sight; null when it is not. */
function touchesProtection(machine: Machine, change: CircuitChange, out: ReadonlySet<Part>): string | null {
  if (change.change === "wired" || change.change === "added") {
    const nodes = Object.values(change.change === "added" ? change.at : { from: change.from, to: change.to }).flatMap(
      (net) => machine.nodeOf.get(net) ?? [],
    );
    if (nodes.some((n) => machine.domains[n]!.energy === "earth")) return say.nothingIsJoinedToAn;
    return nothingPast(machine, nodes, out);
  }
  if (change.change === "board out") return null;
  // Wires are parts of the compiled machine too.
  const part = machine.partById.get(change.part);
  const isEarth = (node: number | undefined) => node !== undefined && machine.domains[node]!.energy === "earth";
  const nodes = [...(part?.nodeOf.values() ?? [])];
  const conducts = part !== undefined && has(part, "conductor", "insulates") && nodes.some(isEarth);
  if (change.change === "put in")
    return conducts && (nodes.every(isEarth) || isEarth(part.nodeOf.get(change.terminal)))
      ? say.nothingIsPutIntoA
      : null;
  if ((change.change === "taken out" || change.change === "moved") && conducts)
    return has(part, "supply-cord") ? say.aCordIsNotTaken : say.aProtectiveConductorIsNot;
  if (part && has(part, "interlock", "protects")) {
    if (change.change === "taken out") return say.protectsPeopleOrTheMachine(part.name);
    if (change.change === "moved") return say.protectsStaysWhere(part.name);
    if (change.change === "other part") return weakerField(part, new Map(Object.entries(change.fields)));
  }
  return null;
}

/**
 * Why something new may not end on these nodes: it would lie across what protects, or feed a load past the control that
 * watches it. Leads and plug contacts count as one place.
 */
function nothingPast(machine: Machine, nodes: readonly number[], out: ReadonlySet<Part>): string | null {
  const joined = joinedByLeads(machine);
  const at = new Set(nodes.map(joined));
  for (const part of machine.parts) {
    if (out.has(part)) continue;
    const own = new Set([...part.nodeOf.values()].map(joined));
    if (part.kind.electrical.onlyByItsControl && [...own].some((n) => at.has(n)))
      return say.isFedByItsControlAlone(part.name);
    if (has(part, "interlock", "protects") && own.size === 2 && [...own].every((n) => at.has(n)))
      return say.nothingLiesAcross(part.name);
  }
  return null;
}

/** What runs with every fuse, breaker and cut-off open at once. */
function unprotected(machine: Machine, simulator: Simulator): readonly string[] {
  const open = machine.parts.flatMap((p): Fault[] => {
    const mode = p.modes.find((m) => m.protective);
    return mode && has(p, "over-current") ? [{ part: p.id, mode: mode.id }] : [];
  });
  const loads = loadsOf(machine);
  const running = new Set<string>();
  for (const setup of machine.file.setups)
    if (setup.power === "on")
      amps(simulator, loads, setup, open)?.forEach((a, i) => {
        if (a > 10 * LEAST_AMPS) running.add(loads[i]!.id);
      });
  return [...running].sort();
}

/** The first load that comes on at another time than before, as a sentence. */
function timing(before: Machine, after: Machine): string | null {
  const [a, b] = [new Simulator(before), new Simulator(after)];
  for (const setup of before.file.setups) {
    const same = after.setupById.get(setup.id);
    if (setup.power !== "on" || !same) continue;
    for (const part of loadsOf(before)) {
      const label = part.labels?.[0];
      if (label === undefined || !after.partById.get(part.id)?.labels) continue;
      const [was, is] = [
        secondsUntil(a, setup, [], nominalValues(before), part.id, label, WATCHED),
        secondsUntil(b, same, [], nominalValues(after), part.id, label, WATCHED),
      ];
      if (was === null || is === null || was === is) continue;
      if (!Number.isFinite(is)) continue;
      if (!Number.isFinite(was) || Math.abs(is - was) > Math.max(LATER, LATER_SHARE * was))
        return say.inAfterSBefore(
          part.name,
          label,
          setup.name,
          is.toFixed(1),
          Number.isFinite(was) ? `${was.toFixed(1)} s` : "never",
        );
    }
  }
  return null;
}

/** A change that is built into a unit, in words for its record and its label. */
export function builtWords(file: Machine["file"], change: CircuitChange): string {
  switch (change.change) {
    case "put in":
    case "other part":
    case "taken out":
      return builtInPlace(file, change);
    default:
      return changeWords(file, change);
  }
}

function builtInPlace(file: Machine["file"], change: InPlace): string {
  const name =
    (file.parts as PartEntry[]).find((p) => p.id === change.part)?.name ??
    file.wires.find((w) => w.id === change.part)?.name ??
    change.part;
  if (change.change === "put in") return say.putInAt(change.name, name);
  if (change.change === "other part")
    return say.isAnotherPart(
      name,
      Object.entries(change.fields)
        .map(([f, v]) => `${f} ${v}`)
        .join(", "),
    );
  return say.nameTakenOutPart(name, change.bridged ? ", bridged" : "");
}
