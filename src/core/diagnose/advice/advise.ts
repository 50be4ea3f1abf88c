import { cautionsAt } from "../../safety";
import type { Machine } from "../../model";
import { inSentence } from "../../quantity";
import { testKey } from "../../simulate";
import type { UnitState } from "../planning/cost";
import type { Evidence } from "../evidence/evidence";
import { ALL_EQUIPMENT } from "../planning/equipment";
import { againWords, hingeOf, measureAgain, secondWitness } from "./made-again";
import { mended, simpleCause, stopOf, type Stop } from "./stop";
import { type BoundProof, bindProofs, dueProofs, readingName } from "./binding-proofs";
import { placeOf, propose, type ProposedTest } from "./test-sheet";
import {
  clearedParts,
  partDoubt,
  assemblySuspects,
  repairsOf,
  type ClearedPart,
  type AssemblySuspect,
} from "../belief/suspects";
import { boardToOpen, goOnInside, type InsideBoard } from "./inside-board";
import { namingAnother, showingIt } from "../planning/same-assembly";
import type { Beliefs } from "../belief/beliefs";
import { goOnToCause, mayHaveOpened, openedAt, type WhyOpened } from "./why-opened";
import { beforeSound } from "./before-sound";
import { secondLooks } from "../planning/second-looks";
import { inVain, planRollout, type Spread, type Rollout } from "../planning/rollout";
import { bringersOf } from "../dictionary/further-dictionaries";
import type { FaultDictionary } from "../dictionary/fault-dictionary";
import { type RatedTest, choose } from "../planning/rating";
import { testsLeft } from "./safe-first";
import { type Look, weigh } from "../belief/weigh";
import { say } from "#words/core/diagnose/advice";

/** A repair proposed to see whether it helps, because that is cheaper than to know. */
export interface Attempt {
  readonly assembly: string;
  readonly name: string;
  readonly repair: string;
  readonly minutes: number;
  readonly why: string;
  /** How it is made dead, and the usual cautions of the parts that are touched. */
  readonly cautions: readonly string[];
}

/**
 * Another step than the one proposed, and the minutes (danger and spares counted as such) the whole way takes longer
 * with it.
 */
export interface Alternative {
  readonly test: RatedTest;
  readonly title: string;
  readonly more: number;
}

/** Everything the job screen shows of the state of the search. */
export interface Advice {
  readonly suspects: readonly AssemblySuspect[];
  readonly cleared: readonly ClearedPart[];
  readonly doubt: Readonly<Record<string, number>>;
  /** A repair to try first; `next` is then the test instead of it. */
  readonly attempt: Attempt | null;
  readonly next: ProposedTest | null;
  readonly alternatives: readonly Alternative[];
  readonly stop: Stop | null;
  /** What must be shown of the assembly that is held for the fault, and how each of it stands; empty before that. */
  readonly proofs: readonly BoundProof[];
  /** Readings that fit nothing and are left out of all this. */
  readonly aside: readonly string[];
  /** That they are left out, as a sentence; empty where none is. */
  readonly asideWords: string;
  /** What is still to come; null when nothing more can be told. */
  readonly toCome: { readonly minutes: Spread; readonly money: Spread } | null;
  /** Two faults, or a unit that is not as drawn, are weighed too, because nothing else fits. */
  readonly isWider: boolean;
  /** The search goes on inside this board, whose components are suspected; left out where it does not. */
  readonly inside?: InsideBoard;
  /** Why what was found opened, where that is what was found. */
  readonly why?: WhyOpened;
}

/** Certainty at which an assembly is held to be found. */
export const FOUND = 0.985;
/** A board costs most and is blamed wrongly most often, and "nothing wrong" sends everyone home: both take more. */
export const FOUND_SURELY = 0.995;

/** Certainty from which on only steps that could name another assembly are taken; estimate E39. */
const NEARLY_SURE = 0.95;

/** The certainty at which this assembly is found. */
function sureOf({ machine }: FaultDictionary, assembly: string, fromElsewhere = false): number {
  // What a complaint can come from is sound: then it comes from beside the unit, and the rest of it is not in question.
  if (assembly === "no-fault" && fromElsewhere) return NEARLY_SURE;
  return assembly === "no-fault" || machine.assemblyById.get(assembly)?.board === true ? FOUND_SURELY : FOUND;
}

/** Whether the complaint names what it can come from, so that it may as well come from beside the unit. */
function mayComeFromElsewhere({ machine }: FaultDictionary, evidence: readonly Evidence[]): boolean {
  const made = evidence.find((e) => e.type === "complaint")?.complaint;
  return (machine.file.complaints.find((c) => c.id === made)?.from.length ?? 0) > 0;
}

const isAssembly = ({ machine }: FaultDictionary, assembly: string) => machine.assemblyById.has(assembly);

/** Whether the leading assembly is certain enough to end the search. */
export function isFound(dictionary: FaultDictionary, top: AssemblySuspect, fromElsewhere = false): boolean {
  return top.probability >= sureOf(dictionary, top.assembly, fromElsewhere);
}

/**
 * Share of "something else" from which on it is asked whether one reading makes it, and below which it does not;
 * estimate E40.
 */
const [ELSEWHERE, EXPLAINED] = [0.3, 0.05];

const elseOf = (advice: Advice) => advice.suspects.find((s) => s.assembly === "something-else")?.probability ?? 0;

/**
 * What to believe and what to do next. Pure: the same inputs give the same advice. One reading that fits nothing, though
 * it was confirmed, does not end a search: the search goes on without it, and says so. By single faults alone (`look`) it
 * is quick, and is not the last word where they do not explain the evidence.
 */
export function advise(
  narrow: FaultDictionary,
  evidence: readonly Evidence[],
  unitState: UnitState,
  look: Look = "wide",
): Advice {
  const whole = adviseWhole(narrow, evidence, unitState, look);
  if (whole.stop?.kind === "something else") return byWhatOpened(narrow, whole, evidence, unitState, look) ?? whole;
  const board = unitState.equipment?.boards ? boardToOpen(narrow, whole.stop) : null;
  const found =
    board === null
      ? whole
      : goOnInside(whole, narrow, board, (opened) => adviseWhole(opened, evidence, unitState, look));
  // What was found may be what came of something: the search does not end before that is known.
  if (found.stop?.kind !== "found") return found;
  const [assembly] = found.stop.assemblies;
  const held = found.inside?.suspects[0] ?? found.suspects.find((s) => s.assembly === assembly);
  const opened = openedAt(narrow, held?.faults ?? []);
  if (!opened) return found;
  const bringers = bringersOf(narrow, opened, unitState.equipment?.boards);
  const inside = bringers && adviseWhole(bringers, evidence, unitState, look);
  return goOnToCause(found, narrow, bringers, opened, inside, evidence);
}

/**
 * The file knows nothing that explains the readings, but something may have opened: what shorts inside a load is weighed
 * only then. Null where that explains them no better.
 */
function byWhatOpened(
  narrow: FaultDictionary,
  whole: Advice,
  evidence: readonly Evidence[],
  unitState: UnitState,
  look: Look,
): Advice | null {
  for (const opened of mayHaveOpened(narrow)) {
    const bringers = bringersOf(narrow, [opened], unitState.equipment?.boards);
    const inside = bringers && adviseWhole(bringers, evidence, unitState, look);
    if (inside && elseOf(inside) < EXPLAINED) return goOnToCause(whole, narrow, bringers, [opened], inside, evidence);
  }
  return null;
}

/** The search over the assemblies of the machine, or over the components of a board that is opened. */
function adviseWhole(narrow: FaultDictionary, evidence: readonly Evidence[], unitState: UnitState, look: Look): Advice {
  const whole = adviseOn(narrow, evidence, unitState, evidence, look);
  if (elseOf(whole) < ELSEWHERE || weigh(narrow, evidence, look).isNarrow) return whole;
  const times = new Map<string, number>();
  for (const e of evidence) if (e.type === "reading") times.set(testKey(e.test), (times.get(testKey(e.test)) ?? 0) + 1);
  const without = [...times].flatMap(([key, made]) => {
    if (made < 2) return [];
    const aside = evidence.flatMap((e) => (e.type === "reading" && testKey(e.test) === key ? [e.id] : []));
    const rest = evidence.filter((e) => !aside.includes(e.id));
    const goesOn = adviseOn(narrow, rest, unitState, evidence, "wide");
    return elseOf(goesOn) < EXPLAINED ? [{ goesOn, aside }] : [];
  });
  const [only] = without;
  // Where more than one could be left out nobody knows which.
  if (!only || without.length > 1) return whole;
  return {
    ...only.goesOn,
    aside: only.aside,
    asideWords: say.setAside(readingName(narrow.machine, evidence, only.aside[0]!)),
  };
}

/** The same, on some of the evidence; `all` says what has been made already. */
function adviseOn(
  narrow: FaultDictionary,
  evidence: readonly Evidence[],
  unitState: UnitState,
  all: readonly Evidence[],
  look: Look,
): Advice {
  const { dictionary, beliefs, odd } = weigh(narrow, evidence, look);
  const repairs = repairsOf(evidence);
  const suspects = assemblySuspects(dictionary, beliefs, repairs);
  const here: UnitState = repairs.length > 0 ? { ...unitState, repairs } : unitState;
  const made = new Set(
    all.flatMap((e) => (e.type === "reading" && (e.repairs?.length ?? 0) === repairs.length ? [testKey(e.test)] : [])),
  );
  const top = suspects[0]!;
  const early = simpleCause(dictionary, evidence) ?? mended(dictionary, beliefs, repairs);
  const again = early ? null : measureAgain(dictionary, beliefs, here, evidence, odd);
  const left = new Set([...made, ...secondLooks(dictionary, all)]);
  const bound = early || again ? here : { ...here, due: dueProofs(dictionary, beliefs, here, evidence, suspects) };
  const open = early || again ? [] : testsLeft(dictionary, beliefs, bound, evidence, left);
  const isNearlySure = top.probability > NEARLY_SURE && isAssembly(dictionary, top.assembly);
  const telling = isNearlySure ? couldStillChange(dictionary, beliefs, evidence, open, top.assembly) : open;
  const nothingElse = telling.length === 0 && open.length > 0;
  const isCertain = nothingElse || isFound(dictionary, top, mayComeFromElsewhere(dictionary, evidence));
  const sure = early === null && again === null && isCertain;
  const isOver = sure || (early === null && again === null && open.length === 0);
  const last = lastLook(dictionary, beliefs, here, evidence, top, { sure, isOver, left });
  const settled = early !== null || (sure && last.step === null);
  const rated = settled || last.step ? [] : telling;
  const isProven = (settled || (isNearlySure && !again && !last.step)) && !early;
  const proofs = isProven ? bindProofs(dictionary, beliefs, here, evidence, top.assembly) : [];
  // Its bad output is owed in any case, and makes it surer than anything else does.
  const proof = nextProof(settled ? proofs : proofs.filter((p) => p.of === "output"));
  const missing = proof ? [] : proofs.filter((p) => p.state === "refuted" || p.state === "beyond");
  const way =
    settled || again || last.step ? null : planRollout(dictionary, beliefs, bound, rated, canSee(dictionary, evidence));
  const chosen = again ?? last.step ?? proof?.test ?? chooseFrom(dictionary, rated, way);
  const second = rated.find((r) => r !== chosen);
  const attempt = again || proof ? null : attemptOf(dictionary, suspects, way);
  const atTheEnd = () =>
    last.against
      ? notSound(narrow.machine, evidence, last.against)
      : stopOf(dictionary, beliefs, suspects, settled, unitState.equipment ?? ALL_EQUIPMENT, missing);
  const stop = early ?? (chosen || attempt ? null : atTheEnd());
  const insists = insistsOn(dictionary.machine, again, last, proof);
  return {
    suspects,
    cleared: clearedParts(dictionary, beliefs),
    doubt: partDoubt(dictionary, beliefs, repairs),
    attempt,
    next: chosen ? propose(dictionary, beliefs, here, chosen, second, insists) : null,
    alternatives: alternativesOf(dictionary, rated, way, chosen),
    stop,
    proofs,
    aside: [],
    asideWords: "",
    toCome: way ? { minutes: way.minutes, money: way.money } : null,
    isWider: dictionary.hypotheses.length > narrow.hypotheses.length,
  };
}

/**
 * Nearly sure, and no step left that could name another assembly: what is left to do is to prove it. Sure by the
 * complaint alone, something of it is seen first.
 */
function couldStillChange(
  dictionary: FaultDictionary,
  beliefs: Beliefs,
  evidence: readonly Evidence[],
  open: readonly RatedTest[],
  assembly: string,
): readonly RatedTest[] {
  const repairs = repairsOf(evidence);
  if (!evidence.some((e) => e.type === "reading" || e.type === "tried"))
    return showingIt(dictionary, beliefs, open, assembly);
  return namingAnother(dictionary, beliefs, repairs, open, assembly, 1 - sureOf(dictionary, assembly));
}

/** Nothing in the file fits, and yet a reading is not what a sound machine shows. */
function notSound(machine: Machine, evidence: readonly Evidence[], id: string): Stop {
  return {
    kind: "something else",
    assemblies: [],
    sentence: say.notWhatASoundMachineShows(readingName(machine, evidence, id)),
  };
}

/** A step that has to be made before a search may end as it would; none once all of them were. */
interface LastLook {
  readonly step: RatedTest | null;
  readonly why: string;
  /** A reading that stands against calling the unit sound. */
  readonly against: string | null;
}

/** Before a unit is called sound: the complaint, and what does not fit. Before a fault is named: the reading it hangs on. */
function lastLook(
  dictionary: FaultDictionary,
  beliefs: Beliefs,
  here: UnitState,
  evidence: readonly Evidence[],
  top: AssemblySuspect,
  { sure, isOver, left }: { readonly sure: boolean; readonly isOver: boolean; readonly left: ReadonlySet<string> },
): LastLook {
  if (top.assembly === "no-fault" && isOver) {
    const { step, why, against } = beforeSound(dictionary, beliefs, here, evidence);
    const again = step && why === "misfit" ? againWords(dictionary.machine, step.test) : say.seenBeforeCalledSound;
    if (step || against) return { step, why: again, against };
  }
  const witness = sure ? secondWitness(dictionary, beliefs, here, evidence, left) : null;
  if (witness) return { step: witness, why: say.aSecondWitness(inSentence(top.name)), against: null };
  // What is found on one reading alone is not found yet: that one is made again.
  const hinge = sure ? hingeOf(dictionary, beliefs, here, evidence, top.assembly) : null;
  return { step: hinge, why: say.everythingThatPointsAtRests(inSentence(top.name)), against: null };
}

/** Why a test is asked for that the search itself would not ask for; null for one of the search. */
function insistsOn(
  machine: Machine,
  again: RatedTest | null,
  last: LastLook,
  proof: BoundProof | null,
): { readonly why: string; readonly proves: string | null } | null {
  if (again) return { why: againWords(machine, again.test), proves: null };
  if (last.step) return { why: last.why, proves: null };
  if (!proof) return null;
  const words = inSentence(proof.words);
  const why = proof.state === "otherwise" ? say.provesOtherwiseAgain(words) : say.neededBeforeTheBoardIs(words);
  return { why, proves: proof.words };
}

/**
 * Whether the complaint is of something that can be looked at, so that one sees whether a repair has helped; what comes
 * and goes is gone after any repair.
 */
function canSee({ machine, comesAndGoes }: FaultDictionary, evidence: readonly Evidence[]): boolean {
  if (comesAndGoes) return false;
  const made = evidence.find((e) => e.type === "complaint");
  const complaint = machine.file.complaints.find((c) => c.id === made?.complaint);
  return complaint !== undefined && Object.keys(complaint.sees).length > 0;
}

/** The test with the cheapest whole way; a dead one wherever it is nearly as good as a live one. */
function chooseFrom(dictionary: FaultDictionary, rated: readonly RatedTest[], way: Rollout | null): RatedTest | null {
  const best = way?.moves.find((m) => m.test)?.test;
  return best
    ? choose(dictionary.machine, [best, ...rated.filter((r) => r !== best)])
    : choose(dictionary.machine, rated);
}

/** A repair is tried only if it saves at least this on the whole way, minutes; estimate E01. */
const LEAST_SAVED = 2;

/** The repair to try, where that beats every test. */
function attemptOf(
  dictionary: FaultDictionary,
  suspects: readonly AssemblySuspect[],
  way: Rollout | null,
): Attempt | null {
  const [first, ...others] = way?.moves ?? [];
  if (!first || first.attempt === null) return null;
  const assembly = dictionary.machine.assemblyById.get(first.attempt)!;
  const probability = suspects.find((s) => s.assembly === assembly.id)?.probability ?? 0;
  const test = others.find((m) => m.test);
  // To know is worth a little more than to have tried.
  if (test && test.more < LEAST_SAVED) return null;
  return {
    assembly: assembly.id,
    name: assembly.name,
    repair: assembly.repair,
    minutes: assembly.minutes,
    cautions: cautionsAt(dictionary.machine, assembly.id),
    why: say.itIsThisInOf(
      Math.min(9, Math.round(10 * probability)),
      Math.round(inVain(assembly).minutes),
      test ? say.toMeasureFirstTakesAbout(Math.max(1, Math.round(test.more))) : "",
    ),
  };
}

function alternativesOf(
  dictionary: FaultDictionary,
  rated: readonly RatedTest[],
  way: Rollout | null,
  chosen: RatedTest | null,
): readonly Alternative[] {
  const { machine } = dictionary;
  const planned =
    way?.moves.flatMap((m) =>
      m.test && m.test !== chosen ? [{ test: m.test, title: placeOf(machine, m.test.test), more: m.more }] : [],
    ) ?? [];
  return (
    planned.length > 0
      ? planned
      : rated.filter((r) => r !== chosen).map((r) => ({ test: r, title: placeOf(machine, r.test), more: 0 }))
  ).slice(0, 3);
}

/** The proof to see to next: what came out otherwise first, then the cheapest. */
function nextProof(proofs: readonly BoundProof[]): BoundProof | null {
  // What was refuted is not mended by showing the rest.
  if (proofs.some((p) => p.state === "refuted")) return null;
  const effort = ({ test }: BoundProof) => test!.minutes + test!.risk;
  return (
    proofs
      .filter((p) => p.test !== null)
      .sort((a, b) => Number(b.state === "otherwise") - Number(a.state === "otherwise") || effort(a) - effort(b))[0] ??
    null
  );
}
