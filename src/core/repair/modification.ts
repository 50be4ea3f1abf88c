import {
  type Change,
  ChangeError,
  type Fault,
  faultId,
  has,
  type Machine,
  type Part,
  type PartEntry,
  plainFields,
  ratings,
  type SetupEntry,
  variantOf,
} from "../model";
import { quantityText } from "../quantity";
import { nominalValues, NoOperatingPoint, secondsUntil, Simulator } from "../simulate";
import { ratedLinks, weakestFirst } from "../workbench";
import { say } from "#words/core/repair/modification";

/** One thing that was looked at before a change may be built, with its figures. */
export interface Finding {
  readonly of: "protection" | "interlock" | "single fault" | "timing" | "current" | "fuse";
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

/** A way a person may meet the machine: a setup with doors open or shut, one place hot or one float up. */
interface Situation {
  readonly words: string;
  readonly setup: SetupEntry;
}

/** Doors beyond this many are not combined but opened one at a time. */
const COMBINED_DOORS = 3;
/** A load is on from this share of its largest current on, and from this many amperes; estimate E28. */
const ON = 0.1;
const LEAST_AMPS = 1e-3;
/** Timing may move by this share, and by so many seconds, and is watched this long; estimate E29. */
const LATER_SHARE = 0.1;
const LATER = 0.6;
const WATCHED = 900;

/** Every way a person may meet the machine that its interlocks answer to. */
function situationsOf(machine: Machine): readonly Situation[] {
  const doors = machine.file.doors.map((d) => d.id);
  const sets =
    doors.length <= COMBINED_DOORS
      ? Array.from({ length: 2 ** doors.length }, (_, k) => doors.filter((_, i) => k & (1 << i)))
      : [[], ...doors.map((d) => [d])];
  const answers = machine.parts.flatMap((p) => p.kind.electrical.answersTo?.(p.fields) ?? []);
  const hot = answers.flatMap((a) => ("place" in a ? [a] : []));
  const levels = answers.flatMap((a) => ("level" in a ? [a.level] : []));
  return machine.file.setups
    .filter((s) => s.power === "on")
    .flatMap((setup) => [
      ...sets.map((open): Situation => ({
        words: `${setup.name}${doorsWords(machine, open)}`,
        setup: { ...setup, openDoors: open },
      })),
      ...hot.map(({ place, aboveCelsius: above }): Situation => ({
        words: `${setup.name}, ${place} at ${above + 15} °C`,
        setup: { ...setup, places: { ...setup.places, [place]: above + 15 } },
      })),
      ...levels.map((place): Situation => ({
        words: `${setup.name}, ${place} full`,
        setup: { ...setup, levels: { ...setup.levels, [place]: 1 } },
      })),
    ]);
}

const loadsOf = (machine: Machine) => machine.parts.filter((p) => p.kind.electrical.load && p.elementCount > 0);

/** Amperes in the first element of each load, by part; null where the model finds no operating point. */
function amps(
  simulator: Simulator,
  loads: readonly Part[],
  setup: SetupEntry,
  faults: readonly Fault[],
): readonly number[] | null {
  try {
    const state = simulator.energise(setup, faults, nominalValues(simulator.machine));
    const most = loads.map(() => 0);
    for (const phase of state.phases) {
      simulator.circuit.load(state, phase);
      loads.forEach((p, i) => {
        const { dc, ac } = simulator.circuit.elementCurrent(p.firstElement);
        most[i] = Math.max(most[i]!, Math.hypot(dc, ac));
      });
    }
    return most;
  } catch (error) {
    if (error instanceof NoOperatingPoint) return null;
    throw error;
  }
}

/** Which loads run in which situations of a machine, by load id: the truth table of its interlocks. */
export function truthTable(machine: Machine, faults: readonly Fault[] = []): ReadonlyMap<string, ReadonlySet<number>> {
  return truthTableIn(machine, situationsOf(machine), faults);
}

function truthTableIn(
  machine: Machine,
  situations: readonly Situation[],
  faults: readonly Fault[],
  full?: ReadonlyMap<string, number>,
): ReadonlyMap<string, ReadonlySet<number>> {
  const simulator = new Simulator(machine);
  const loads = loadsOf(machine);
  const rows = situations.map((s) => amps(simulator, loads, s.setup, faults));
  return new Map(
    loads.map((p, i) => {
      const most = full?.get(p.id) ?? Math.max(...rows.map((r) => r?.[i] ?? 0));
      // Where no operating point is found nothing is known: it counts as running, which is the dangerous side.
      return [
        p.id,
        new Set(rows.flatMap((r, k) => (r === null || r[i]! > Math.max(LEAST_AMPS, ON * most) ? [k] : []))),
      ];
    }),
  );
}

const faultsOf = (machine: Machine): readonly Fault[] =>
  machine.parts.flatMap((p) => p.modes.map((m) => ({ part: p.id, mode: m.id })));

/**
 * Proves a change to a unit's circuit before it may be built. It is refused, with figures, when a load would run in a
 * situation in which it did not run before (nothing failed, or any one part failed), when its timing moves, when an
 * element would carry more than it bears (running or starting), when a load would run unprotected, or when a protective
 * part, a door switch or an earth is taken out, bridged or made weaker. Throws `ChangeError` for a change that cannot
 * be made. `progress` is told the share done.
 */
export function proveModification(
  before: Machine,
  changes: readonly Change[],
  progress?: (share: number) => void,
): ModificationProof {
  const findings: Finding[] = [];
  const find = (of: Finding["of"], ok: boolean, words: string) => {
    findings.push({ of, ok, words });
  };
  let simulated = 0;
  for (const change of changes) {
    const words = touchesProtection(before, change);
    if (words) find("protection", false, words);
  }
  if (findings.length === 0) find("protection", true, say.noProtectivePartDoorSwitch);
  // What is refused on sight is not proven any further; what it would do is shown, so that nobody has to be believed.
  else return { allowed: false, findings: [...findings, ...wouldDo(before, changes)], warnings: [], situations: 0 };

  const after = variantOf(before.file, changes);
  const situations = situationsOf(before);
  const [simBefore, simAfter] = [new Simulator(before), new Simulator(after)];
  const shared = loadsOf(before).filter((p) => after.partById.has(p.id));
  const currents = situations.map((s) => amps(simBefore, shared, s.setup, []));
  const full = new Map(shared.map((p, i) => [p.id, Math.max(...currents.map((row) => row?.[i] ?? 0))]));
  const [sound, changed] = [truthTableIn(before, situations, [], full), truthTableIn(after, situations, [], full)];
  simulated += 2 * situations.length;
  const extra = (was: ReadonlyMap<string, ReadonlySet<number>>, is: ReadonlyMap<string, ReadonlySet<number>>) =>
    shared.flatMap((p) =>
      [...is.get(p.id)!]
        .filter((k) => !was.get(p.id)!.has(k))
        .map((k) => ({ load: p.name, situation: situations[k]!.words })),
    );
  const more = extra(sound, changed);
  find(
    "interlock",
    more.length === 0,
    more.length === 0
      ? say.loadsInSituationsNoneRuns(shared.length, situations.length)
      : say.wouldRunSoInOf(more[0]!.load, more[0]!.situation, more.length, shared.length * situations.length),
  );
  const lost = shared.flatMap((p) =>
    [...sound.get(p.id)!].filter((k) => !changed.get(p.id)!.has(k)).map((k) => `${p.name}: ${situations[k]!.words}`),
  );

  // Under every single fault; a part that was not there before may fail into nothing that the sound machine does not
  // do.
  const faults = faultsOf(after).filter(
    (f) => !after.partById.get(f.part)!.kind.electrical.source?.(after.partById.get(f.part)!.fields),
  );
  let worst: {
    readonly fault: Fault;
    readonly load: string;
    readonly situation: string;
    readonly count: number;
  } | null = null;
  const known = new Set(faultsOf(before).map(faultId));
  faults.forEach((fault, i) => {
    progress?.(i / faults.length);
    const was = known.has(faultId(fault)) ? truthTableIn(before, situations, [fault], full) : sound;
    const is = truthTableIn(after, situations, [fault], full);
    simulated += 2 * situations.length;
    const found = extra(was, is);
    if (found.length > 0 && (worst === null || found.length > worst.count))
      worst = { fault, ...found[0]!, count: found.length };
  });
  const w = worst as {
    readonly fault: Fault;
    readonly load: string;
    readonly situation: string;
    readonly count: number;
  } | null;
  const faultName = (f: Fault) =>
    `${after.partById.get(f.part)!.name} ${after.partById.get(f.part)!.modes.find((m) => m.id === f.mode)!.words}`;
  find(
    "single fault",
    w === null,
    w === null
      ? say.withEachOfSingleFaults(faults.length)
      : say.withWouldRunCasesMore(faultName(w.fault), w.load, w.situation, w.count),
  );

  const late = timing(before, after);
  find("timing", late === null, late ?? say.everyLoadComesOnWhen);

  let weakest: { readonly name: string; readonly used: number; readonly words: string } | null = null;
  for (const setup of after.file.setups) {
    if (setup.power !== "on") continue;
    try {
      const link = weakestFirst(ratedLinks(after, setup.id))[0];
      if (link && (weakest === null || link.used > weakest.used))
        weakest = {
          name: link.name,
          used: link.used,
          words: `${loadWords(link)} (${setup.name})`,
        };
    } catch (error) {
      if (!(error instanceof NoOperatingPoint)) throw error;
    }
  }
  if (weakest) find("current", weakest.used <= 1, `${weakest.used <= 1 ? "Weakest" : "Overloaded"}: ${weakest.words}.`);

  const bare = unprotected(after, simAfter).filter((id) => !unprotected(before, simBefore).includes(id));
  find(
    "fuse",
    bare.length === 0,
    bare.length === 0
      ? say.everyLoadThatWasBehind
      : say.noFuseOrBreakerWould(bare.map((id) => after.partById.get(id)!.name).join(", ")),
  );

  const added = after.parts.filter((p) => !before.partById.has(p.id));
  return {
    allowed: findings.every((f) => f.ok),
    findings,
    situations: simulated,
    warnings: [
      ...lost.slice(0, 3).map((l) => say.itWouldNoLongerRun(l)),
      ...added
        .filter((p) => ratings(p).amps === undefined && p.elementCount > 0)
        .map((p) => say.hasNoRatingInThe(p.name)),
      ...added.filter((p) => has(p, "breaks-current")).map((p) => say.breaksAnInductiveLoadFit(p.name)),
      say.wiresCarryWhatTheFuse,
    ],
  };
}

/**
 * In how many situations a refused change would let which load run; nothing where it cannot even be made on the
 * model.
 */
function wouldDo(before: Machine, changes: readonly Change[]): Finding[] {
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
function touchesProtection(machine: Machine, change: Change): string | null {
  // Wires are parts of the compiled machine too.
  const part = machine.partById.get(change.part);
  const isEarth = (node: number | undefined) => node !== undefined && machine.domains[node]!.energy === "earth";
  const nodes = [...(part?.nodeOf.values() ?? [])];
  const conducts = part !== undefined && has(part, "conductor", "insulates") && nodes.some(isEarth);
  if (change.change === "put in")
    return conducts && (nodes.every(isEarth) || isEarth(part.nodeOf.get(change.terminal)))
      ? say.nothingIsPutIntoA
      : null;
  if (change.change === "taken out" && conducts)
    return has(part, "supply-cord") ? say.aCordIsNotTaken : say.aProtectiveConductorIsNot;
  if (part && has(part, "interlock", "protects")) {
    if (change.change === "taken out") return say.protectsPeopleOrTheMachine(part.name);
    const own = new Map(plainFields(part));
    for (const [field, value] of Object.entries(change.fields)) {
      const old = own.get(field);
      if (typeof old === "number" && Number(value) > old)
        return say.protectsMayNotBecome(part.name, field, old, String(value));
      if (typeof old === "string" && old !== String(value)) return say.nameProtectsFieldStaysOld(part.name, field, old);
    }
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
export function builtWords(file: Machine["file"], change: Change): string {
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

/** How the doors stand in a situation, as the end of its name; nothing for a machine without doors. */
function doorsWords({ file }: Machine, open: readonly string[]): string {
  if (file.doors.length === 0) return "";
  if (open.length === 0) return say.doorsShut;
  return `, ${open.map((id) => file.doors.find((d) => d.id === id)!.name.toLowerCase()).join(" and ")} open`;
}

function loadWords(link: { name: string; running: number; starting: number; rated: number }): string {
  const [running, starting, rated] = [link.running, link.starting, link.rated].map((a) => quantityText(a, "amperes"));
  return say.runningStartingRated(link.name, running, starting, rated);
}
