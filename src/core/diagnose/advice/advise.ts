import { cautionsAt, forbidden } from "../../safety";
import type { Machine } from "../../model";
import { inSentence } from "../../quantity";
import { type Test, testKey } from "../../simulate";
import type { Standing } from "../planning/cost";
import type { Evidence, Repair } from "../evidence/evidence";
import { blamedPieces, type Hypothesis } from "../hypotheses/hypothesis";
import { ALL_MEANS, canMake, type Means } from "../planning/means";
import { isCause, isModelled } from "../evidence/simple-causes";
import { type BoundProof, bindProofs, readingName } from "./binding-proofs";
import { placeOf, propose, titleOf, type Proposal } from "./test-sheet";
import {
  clearedParts,
  partDoubt,
  pieceSuspects,
  repairsOf,
  type ClearedPart,
  type PieceSuspect,
} from "../belief/suspects";
import { namingAnother } from "../planning/same-assembly";
import { secondLooks } from "../planning/second-looks";
import { inVain, planWay, type Spread, type Way } from "../planning/rollout";
import { type OddOne } from "../belief/widening";
import { type Beliefs } from "../belief/beliefs";
import type { FaultDictionary } from "../dictionary/fault-dictionary";
import { type RatedTest, rate, rateOne, choose } from "../planning/rating";
import { weigh } from "../belief/weigh";
import { say } from "#words/core/diagnose/advice";

/** Why the search has ended, as a sentence. */
export interface Stop {
  readonly kind:
    "found" | "likely" | "group" | "something else" | "nothing wrong" | "simple cause" | "mended" | "not as drawn";
  readonly pieces: readonly string[];
  readonly sentence: string;
}

/** A repair proposed to see whether it helps, because that is cheaper than to know. */
export interface Attempt {
  readonly piece: string;
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
  readonly suspects: readonly PieceSuspect[];
  readonly cleared: readonly ClearedPart[];
  readonly doubt: Readonly<Record<string, number>>;
  /** A repair to try first; `next` is then the test instead of it. */
  readonly attempt: Attempt | null;
  readonly next: Proposal | null;
  readonly alternatives: readonly Alternative[];
  readonly stop: Stop | null;
  /** What must be shown of the piece that is held for the fault, and how each of it stands; empty before that. */
  readonly proofs: readonly BoundProof[];
  /** Readings that fit nothing and are left out of all this. */
  readonly aside: readonly string[];
  /** That they are left out, as a sentence; empty where none is. */
  readonly asideWords: string;
  /** What is still to come; null when nothing more can be told. */
  readonly toCome: { readonly minutes: Spread; readonly money: Spread } | null;
  /** Two faults, or a unit that is not as drawn, are weighed too, because nothing else fits. */
  readonly isWider: boolean;
}

/** Certainty at which a piece is held to be found. */
export const FOUND = 0.985;
/** A board costs most and is blamed wrongly most often, and "nothing wrong" sends everyone home: both take more. */
export const FOUND_SURELY = 0.995;

/** Certainty from which on only steps that could name another assembly are taken; estimate E39. */
const NEARLY_SURE = 0.95;

/** The certainty at which this piece is found. */
const sureOf = ({ machine }: FaultDictionary, piece: string) =>
  piece === "no-fault" || machine.pieceById.get(piece)?.board === true ? FOUND_SURELY : FOUND;

const isAssembly = ({ machine }: FaultDictionary, piece: string) => machine.pieceById.has(piece);

/** Whether the leading piece is certain enough to end the search. */
export function isFound(dictionary: FaultDictionary, top: PieceSuspect): boolean {
  return top.probability >= sureOf(dictionary, top.piece);
}

/**
 * Share of "something else" from which on it is asked whether one reading makes it, and below which it does not;
 * estimate E40.
 */
const [ELSEWHERE, EXPLAINED] = [0.3, 0.05];

const elseOf = (advice: Advice) => advice.suspects.find((s) => s.piece === "something-else")?.probability ?? 0;

/**
 * What to believe and what to do next. Pure: the same inputs give the same advice. One reading that fits nothing, though
 * it was confirmed, does not end a search: the search goes on without it, and says so.
 */
export function advise(narrow: FaultDictionary, evidence: readonly Evidence[], standing: Standing): Advice {
  const whole = adviseOn(narrow, evidence, standing, evidence);
  if (elseOf(whole) < ELSEWHERE) return whole;
  const times = new Map<string, number>();
  for (const e of evidence) if (e.type === "reading") times.set(testKey(e.test), (times.get(testKey(e.test)) ?? 0) + 1);
  const without = [...times].flatMap(([key, made]) => {
    if (made < 2) return [];
    const aside = evidence.flatMap((e) => (e.type === "reading" && testKey(e.test) === key ? [e.id] : []));
    const rest = evidence.filter((e) => !aside.includes(e.id));
    const goesOn = adviseOn(narrow, rest, standing, evidence);
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
  standing: Standing,
  all: readonly Evidence[],
): Advice {
  const { dictionary, beliefs, odd } = weigh(narrow, evidence);
  const repairs = repairsOf(evidence);
  const suspects = pieceSuspects(dictionary, beliefs, repairs);
  const here: Standing = repairs.length > 0 ? { ...standing, repairs } : standing;
  const made = new Set(
    all.flatMap((e) => (e.type === "reading" && (e.repairs?.length ?? 0) === repairs.length ? [testKey(e.test)] : [])),
  );
  const top = suspects[0]!;
  const early = simpleCause(dictionary, evidence) ?? mended(dictionary, repairs);
  const again = early ? null : measureAgain(dictionary, beliefs, here, evidence, odd);
  const left = new Set([...made, ...secondLooks(dictionary, all)]);
  const open = early || again ? [] : rate(dictionary, beliefs.probability, here, left);
  // Nearly sure, and no step left that could name another assembly: what is left to do is to prove it.
  const telling =
    top.probability > NEARLY_SURE && isAssembly(dictionary, top.piece)
      ? namingAnother(dictionary, beliefs, here.repairs, open, top.piece, 1 - sureOf(dictionary, top.piece))
      : open;
  const nothingElse = telling.length === 0 && open.length > 0;
  const sure = early === null && again === null && (isFound(dictionary, top) || nothingElse);
  // What is found on one reading alone is not found yet: that one is made again.
  const hinge = sure ? hingeOf(dictionary, beliefs, here, evidence, top.piece) : null;
  const settled = early !== null || (sure && hinge === null);
  const rated = settled || hinge ? [] : telling;
  const proofs = settled && !early ? bindProofs(dictionary, beliefs, here, evidence, top.piece) : [];
  const proof = nextProof(proofs);
  const missing = proof ? [] : proofs.filter((p) => p.state === "refuted" || p.state === "beyond");
  const way =
    settled || again || hinge ? null : planWay(dictionary, beliefs, here, rated, canSee(dictionary, evidence));
  const chosen = again ?? hinge ?? proof?.test ?? chooseFrom(dictionary, rated, way);
  const second = rated.find((r) => r !== chosen);
  const attempt = again || proof ? null : attemptOf(dictionary, suspects, way);
  const insists = insistsOn(dictionary.machine, top, again, hinge, proof);
  return {
    suspects,
    cleared: clearedParts(dictionary, beliefs),
    doubt: partDoubt(dictionary, beliefs, repairs),
    attempt,
    next: chosen ? propose(dictionary, beliefs, here, chosen, second, insists) : null,
    alternatives: alternativesOf(dictionary, rated, way, chosen),
    stop:
      early ??
      (chosen || attempt ? null : stopOf(dictionary, beliefs, suspects, settled, standing.means ?? ALL_MEANS, missing)),
    proofs,
    aside: [],
    asideWords: "",
    toCome: way ? { minutes: way.minutes, money: way.money } : null,
    isWider: dictionary !== narrow,
  };
}

/** Why a test is asked for that the search itself would not ask for; null for one of the search. */
function insistsOn(
  machine: Machine,
  top: PieceSuspect,
  again: RatedTest | null,
  hinge: RatedTest | null,
  proof: BoundProof | null,
): { readonly why: string; readonly proves: string | null } | null {
  if (again) return { why: againWords(machine, again.test), proves: null };
  if (hinge) return { why: say.everythingThatPointsAtRests(inSentence(top.name)), proves: null };
  if (!proof) return null;
  const words = inSentence(proof.words);
  const why = proof.state === "otherwise" ? say.provesOtherwiseAgain(words) : say.neededBeforeTheBoardIs(words);
  return { why, proves: proof.words };
}

/** Why a reading is made once more; it names the reading that is meant. */
function againWords(machine: Machine, test: Test): string {
  return say.measureAgainTheLastReading(inSentence(titleOf(machine, test)));
}

/** Whether the complaint is of something that can be looked at. */
function canSee({ machine }: FaultDictionary, evidence: readonly Evidence[]): boolean {
  const made = evidence.find((e) => e.type === "complaint");
  const complaint = machine.file.complaints.find((c) => c.id === made?.complaint);
  return complaint !== undefined && Object.keys(complaint.sees).length > 0;
}

/** An odd reading that was made once only is made again: the cheapest of them. Null when none is odd. */
function measureAgain(
  dictionary: FaultDictionary,
  beliefs: Beliefs,
  standing: Standing,
  evidence: readonly Evidence[],
  odd: readonly OddOne[],
): RatedTest | null {
  const { machine } = dictionary;
  const tests = odd.flatMap((o) => {
    const reading = evidence.find((e) => e.id === o.evidence);
    if (
      o.confirmed ||
      reading?.type !== "reading" ||
      reading.test.instant !== "settled" ||
      (reading.repairs?.length ?? 0) !== (standing.repairs?.length ?? 0)
    )
      return [];
    if (
      forbidden(machine, machine.setupById.get(reading.test.setup)!, reading.test) !== null ||
      !canMake(machine, reading.test, standing.means ?? ALL_MEANS)
    )
      return [];
    return [rateOne(dictionary, beliefs.probability, standing, reading.test)];
  });
  return (
    tests.sort((a, b) => a.minutes + a.risk - b.minutes - b.risk || (testKey(a.test) < testKey(b.test) ? -1 : 1))[0] ??
    null
  );
}

/** Without a reading on which all hangs, less than this is left of what was found. */
const HANGS = 0.5;

/**
 * The reading without which the piece would not be held for the fault, if there is one that was made once only and can
 * be made again just so. A slip is rare, but it is the one thing that sends a person home with the wrong part.
 */
function hingeOf(
  dictionary: FaultDictionary,
  beliefs: Beliefs,
  standing: Standing,
  evidence: readonly Evidence[],
  piece: string,
): RatedTest | null {
  const { machine } = dictionary;
  const mine = dictionary.hypotheses.map((_, h) => blamedPieces(dictionary.left(h, standing.repairs)).includes(piece));
  const made = new Map<string, number>();
  for (const e of evidence) if (e.type === "reading") made.set(testKey(e.test), (made.get(testKey(e.test)) ?? 0) + 1);
  const hinges = evidence
    .flatMap((e) => {
      if (
        e.type !== "reading" ||
        e.test.instant !== "settled" ||
        // It is a reading that is made again, not a look, and each of them once.
        e.test.function === "look" ||
        made.get(testKey(e.test))! > 1 ||
        (e.repairs?.length ?? 0) !== (standing.repairs?.length ?? 0)
      )
        return [];
      const log = beliefs.byEvidence.get(e.id);
      if (!log) return [];
      const most = log.reduce((a, b) => Math.max(a, b), -Infinity);
      let [own, all] = [0, 0];
      beliefs.probability.forEach((p, h) => {
        const without = p / Math.exp(log[h]! - most);
        all += without;
        if (mine[h]) own += without;
      });
      const left = own / all;
      return left < HANGS ? [{ test: e.test, left }] : [];
    })
    .filter(
      ({ test }) =>
        forbidden(machine, machine.setupById.get(test.setup)!, test) === null &&
        canMake(machine, test, standing.means ?? ALL_MEANS),
    );
  const worst = hinges.sort((a, b) => a.left - b.left || (testKey(a.test) < testKey(b.test) ? -1 : 1))[0];
  return worst ? rateOne(dictionary, beliefs.probability, standing, worst.test) : null;
}

/** The test with the cheapest whole way; a dead one wherever it is nearly as good as a live one. */
function chooseFrom(dictionary: FaultDictionary, rated: readonly RatedTest[], way: Way | null): RatedTest | null {
  const best = way?.moves.find((m) => m.test)?.test;
  return best
    ? choose(dictionary.machine, [best, ...rated.filter((r) => r !== best)])
    : choose(dictionary.machine, rated);
}

/** A repair is tried only if it saves at least this on the whole way, minutes; estimate E01. */
const LEAST_SAVED = 2;

/** The repair to try, where that beats every test. */
function attemptOf(dictionary: FaultDictionary, suspects: readonly PieceSuspect[], way: Way | null): Attempt | null {
  const [first, ...others] = way?.moves ?? [];
  if (!first || first.attempt === null) return null;
  const piece = dictionary.machine.pieceById.get(first.attempt)!;
  const probability = suspects.find((s) => s.piece === piece.id)?.probability ?? 0;
  const test = others.find((m) => m.test);
  // To know is worth a little more than to have tried.
  if (test && test.more < LEAST_SAVED) return null;
  return {
    piece: piece.id,
    name: piece.name,
    repair: piece.repair,
    minutes: piece.minutes,
    cautions: cautionsAt(dictionary.machine, piece.id),
    why: say.itIsThisInOf(
      Math.min(9, Math.round(10 * probability)),
      Math.round(inVain(piece).minutes),
      test ? say.toMeasureFirstTakesAbout(Math.max(1, Math.round(test.more))) : "",
    ),
  };
}

function alternativesOf(
  dictionary: FaultDictionary,
  rated: readonly RatedTest[],
  way: Way | null,
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

/** The last repair took the complaint with it. */
function mended({ machine }: FaultDictionary, repairs: readonly Repair[]): Stop | null {
  const last = repairs[repairs.length - 1];
  if (last?.result !== "gone") return null;
  return {
    kind: "mended",
    pieces: [last.piece],
    sentence: say.thisRepairCuredTheComplaint(inSentence(machine.pieceById.get(last.piece)?.name ?? last.piece)),
  };
}

/**
 * A simple cause that was found and is no fault of the machine: it is put right and tried, before anything is
 * measured. The last answer to a question stands.
 */
function simpleCause({ machine }: FaultDictionary, evidence: readonly Evidence[]): Stop | null {
  const last = new Map(evidence.flatMap((e) => (e.type === "answer" ? [[e.first, e.answer] as const] : [])));
  const found = machine.file.firsts.find((f) => {
    const a = last.get(f.id);
    return a !== undefined && isCause(f, a) && !isModelled(f);
  });
  return found ? { kind: "simple cause", pieces: [], sentence: found.then } : null;
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

/** What is less likely than this is not named at the end of a search; estimate E02. */
const NAMED = 0.05;

const isLimited = (means: Means) => !means.live || !means.clamp || !means.dcClamp;

function stopOf(
  dictionary: FaultDictionary,
  beliefs: Beliefs,
  suspects: readonly PieceSuspect[],
  settled: boolean,
  means: Means,
  missing: readonly BoundProof[],
): Stop {
  const top = suspects[0]!;
  if (top.piece === "no-fault" && (settled || top.probability > 0.5))
    return { kind: "nothing wrong", pieces: [], sentence: say.everyReadingIsAsA };
  if (top.piece === "not-as-drawn" && (settled || top.probability > 0.5))
    return {
      kind: "not as drawn",
      pieces: [],
      sentence: say.thisUnitDiffersFromIts(inSentence(top.faults[0]?.name ?? say.somethingDiffers)),
    };
  if (top.piece === "something-else" && (settled || top.probability > 0.5))
    return {
      kind: "something else",
      pieces: [],
      sentence: say.theReadingsFitNeitherOne,
    };
  if (settled && missing.length > 0)
    return {
      kind: "likely",
      pieces: [top.piece],
      sentence: say.likelyUnproven(top.name, missing.map((p) => inSentence(p.words)).join("; ")),
    };
  if (settled) return found(dictionary, beliefs, top);
  const left = suspects.filter((s) => s.probability >= NAMED && s.piece !== "no-fault" && s.piece !== "something-else");
  const isPerhapsSound = suspects.some((s) => s.piece === "no-fault" && s.probability >= NAMED);
  const names = left.map((s) => s.name).join(", ");
  const group = { kind: "group", pieces: left.map((s) => s.piece) } as const;
  if (isLimited(means))
    return {
      ...group,
      sentence: say.noneOfTheTestsYou(names, isPerhapsSound ? say.partNothingWrong(names ? ", " : "") : ""),
    };
  // What shows nothing in any test cannot be told from a sound machine.
  if (isPerhapsSound)
    return {
      ...group,
      sentence: say.everyReadingIsAsAGood(names ? say.noSafeTestWouldShow(names) : ""),
    };
  return {
    ...group,
    sentence: say.noSafeTestTellsThese(names),
  };
}

/** What was found; and what goes with it: a second fault, a part it has taken along. */
function found({ machine, hypotheses }: FaultDictionary, beliefs: Beliefs, top: PieceSuspect): Stop {
  const mine = hypotheses
    .map((h, i) => ({ h, p: beliefs.probability[i]! }))
    .filter(({ h }) => blamedPieces(h).includes(top.piece))
    .sort((a, b) => b.p - a.p);
  const share = (kind: (h: Hypothesis) => boolean) => mine.reduce((sum, { h, p }) => sum + (kind(h) ? p : 0), 0);
  const two = share((h) => h.kind === "two faults") > 0.5;
  const led = mine[0]?.h.kind === "fault" ? mine[0].h.led : [];
  let more: string;
  if (two) more = say.oneFaultDoesNotExplain;
  else if (led.length > 0)
    more = say.itHasTakenWithIt(led.map((f) => inSentence(machine.partById.get(f.part)!.name)).join(" and "));
  else more = "";
  return { kind: "found", pieces: [top.piece], sentence: say.theFaultIsInOne(top.name, more) };
}
