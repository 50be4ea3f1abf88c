import type { Machine } from "../../model";
import { inSentence, type Reading } from "../../quantity";
import { exposureOf, forbidden } from "../../safety";
import { makeTest, type Test, testKey } from "../../simulate";
import type { UnitState } from "../planning/cost";
import type { Evidence } from "../evidence/evidence";
import { blamedAssemblies } from "../hypotheses/hypothesis";
import { ALL_EQUIPMENT, canMake } from "../planning/equipment";
import { type RatedTest, rateOne } from "../planning/rating";
import { type Beliefs } from "../belief/beliefs";
import type { AssemblySuspect } from "../belief/suspects";
import type { FaultDictionary } from "../dictionary/fault-dictionary";
import { type Verdict, verdictOf, windowOf } from "../reading/window";
import { titleOf } from "./test-sheet";
import { say } from "#words/core/diagnose/advice";
import { proofsFor, type Judged, type Proof } from "./proofs";

/**
 * How a proof stands. `shown`: a reading of its own came out as it must. `implied`: other readings leave its contrary
 * less than half a per cent. `open`: it can be shown, by `test`. `otherwise`: a reading of its own came out otherwise
 * and is made again, `test`. `refuted`: it came out otherwise twice. `beyond`: no permitted test of it can be made.
 * `needless`: it asks for something bad that the fault held for it has nothing to do with.
 */
export type ProofState = "shown" | "implied" | "needless" | "open" | "otherwise" | "refuted" | "beyond";

/** A proof, and what is to be done for it. */
export interface BoundProof extends Proof {
  readonly state: ProofState;
  /** The reading that implies it, where one does, and that in words. */
  readonly impliedBy: string | null;
  readonly because: string;
  readonly test: RatedTest | null;
}

/** Belief in the contrary of a proof below which other readings imply it. */
export const IMPLIED = 0.005;
/** A reading has to do with a proof if without it its contrary would be believed so many times as much; estimate E41. */
const CONCERNS = 1.5;
/** Share of the leading faults that must spoil an output for its test to be one of the fault; estimate E42. */
const SPOILS = 0.5;

/** A fault of an assembly, and what its file wants proven of the assembly that no permitted test can show with this fault. */
export interface Unmeetable {
  readonly fault: string;
  readonly assembly: string;
  readonly words: string;
}

/** The proofs that cannot be met, fault by fault: with them a search ends as "likely, unproven" at best. */
export function unmeetableProofs(dictionary: FaultDictionary): readonly Unmeetable[] {
  const { machine, hypotheses } = dictionary;
  return hypotheses.flatMap((h, i): readonly Unmeetable[] => {
    if (h.kind !== "fault") return [];
    const only = new Float64Array(hypotheses.length);
    only[i] = 1;
    const entries = machine.assemblyById.get(h.assembly)?.proofs ?? [];
    return proofsFor(machine, h.assembly, []).flatMap((proof, k) => {
      const isGood = entries[k]!.shows === "good";
      const tests = isGood
        ? proof.tests.filter((t) => contrary(dictionary, only, t, "fits") < SPOILS && isPermitted(dictionary, {}, t))
        : spoiled(dictionary, only, {}, h.assembly, proof).filter((t) => isPermitted(dictionary, {}, t));
      // Something bad that the fault has nothing to do with is not asked for.
      const needless = !isGood && proof.of !== "output" && tests.length === 0;
      return tests.length > 0 || needless ? [] : [{ fault: h.id, assembly: h.assembly, words: proof.words }];
    });
  });
}

/** What a reading is of, in a sentence. */
export function readingName(machine: Machine, evidence: readonly Evidence[], id: string): string {
  const reading = evidence.find((e) => e.id === id);
  return reading?.type === "reading" ? inSentence(titleOf(machine, reading.test)) : id;
}

/**
 * The proofs of an assembly as a dialog shows them: what is implied counts with its reason, what is needless is left
 * out, and why something opened is asked beside what the file wants.
 */
export function shownProofs(proofs: readonly Proof[], bound: readonly BoundProof[]): readonly Proof[] {
  const ofTheFile = proofs.flatMap((proof) => {
    const own = bound.find((b) => b.of === proof.of && b.words === proof.words);
    if (proof.by !== null || !own) return [proof];
    if (own.state === "needless") return [];
    return [
      own.state === "implied"
        ? { ...proof, by: own.impliedBy, words: `${proof.words}; ${own.because}` }
        : { ...proof, by: own.by },
    ];
  });
  return [...ofTheFile, ...bound.filter((b) => b.of === "cause")];
}

/** What was read and what the complaint saw, judged as a sound machine would have it. */
function judgedReadings(dictionary: FaultDictionary, evidence: readonly Evidence[]): readonly Judged[] {
  const judge = (id: string, test: Test, shown: Reading): Judged => ({
    id,
    test,
    verdict: verdictOf(windowOf(test, dictionary.predictionsFor(test)[0]!, dictionary.meter), shown),
  });
  return evidence.flatMap((e) => {
    if (e.type === "reading") return [judge(e.id, e.test, e.shown)];
    if (e.type !== "complaint") return [];
    const complaint = dictionary.machine.file.complaints.find((c) => c.id === e.complaint);
    return Object.entries(complaint?.sees ?? {}).map(([part, label]) =>
      judge(e.id, makeTest(complaint!.setup, "look", part), { kind: "label", label }),
    );
  });
}

/** Every proof of an assembly, and how it stands. */
export function bindProofs(
  dictionary: FaultDictionary,
  beliefs: Beliefs,
  unitState: UnitState,
  evidence: readonly Evidence[],
  assembly: string,
): readonly BoundProof[] {
  const { machine } = dictionary;
  const judged = judgedReadings(dictionary, evidence);
  const entries = machine.assemblyById.get(assembly)?.proofs ?? [];
  return proofsFor(machine, assembly, judged).map((proof, i): BoundProof => {
    const wanted: Verdict = entries[i]!.shows === "good" ? "fits" : "does not fit";
    const bound = (state: ProofState, test: RatedTest | null = null, by: string | null = null): BoundProof => ({
      ...proof,
      state,
      impliedBy: by,
      because: by === null ? "" : say.impliedBy(readingName(machine, evidence, by)),
      test,
    });
    if (proof.by !== null) return bound("shown");
    const asked =
      wanted === "fits" ? proof.tests : spoiled(dictionary, beliefs.probability, unitState, assembly, proof);
    if (wanted === "does not fit" && asked.length === 0 && proof.of !== "output") return bound("needless");
    const own = judged.find((j) => j.verdict === wanted && asked.some((t) => testKey(t) === testKey(j.test)));
    if (own) return { ...bound("shown"), by: own.id };
    const times = new Map(asked.map((t) => [t, judged.filter((j) => testKey(j.test) === testKey(t)).length]));
    const most = Math.max(0, ...times.values());
    const by = most === 0 ? impliedBy(dictionary, beliefs, evidence, asked, wanted) : null;
    if (by !== null) return bound("implied", null, by);
    const permitted = asked.filter((t) => isPermitted(dictionary, unitState, t));
    const [fresh, once] = [permitted.filter((t) => times.get(t) === 0), permitted.filter((t) => times.get(t) === 1)];
    if (most < 2 && fresh.length > 0) return bound("open", cheapest(dictionary, beliefs, unitState, fresh));
    if (most < 2 && once.length > 0) return bound("otherwise", cheapest(dictionary, beliefs, unitState, once));
    return bound(most > 0 ? "refuted" : "beyond");
  });
}

/** However likely a board is to be blamed, a proof of it is still a step that is made; estimate E45. */
const MOST_DUE = 0.85;
/** A board less likely than this owes no proofs yet; estimate E46. */
const OWES = 0.05;

/**
 * How likely each test is to be made in any case, because a suspect that will be blamed owes it as a proof: the
 * chance of the suspect, and of an output that its faults spoil it. Keys of tests.
 */
export function dueProofs(
  dictionary: FaultDictionary,
  beliefs: Beliefs,
  unitState: UnitState,
  evidence: readonly Evidence[],
  suspects: readonly AssemblySuspect[],
): ReadonlyMap<string, number> {
  const { machine } = dictionary;
  const judged = judgedReadings(dictionary, evidence);
  const made = new Set(judged.map((j) => testKey(j.test)));
  const due = new Map<string, number>();
  for (const { assembly, probability } of suspects) {
    const entries = machine.assemblyById.get(assembly)?.proofs ?? [];
    if (probability < OWES || entries.length === 0) continue;
    const mine = dictionary.hypotheses.map((h) => blamedAssemblies(h).includes(assembly));
    proofsFor(machine, assembly, judged).forEach((proof, i) => {
      if (proof.by !== null) return;
      for (const test of proof.tests) {
        if (made.has(testKey(test)) || !isPermitted(dictionary, unitState, test)) continue;
        const isGood = entries[i]!.shows === "good";
        const spoils = () =>
          probability - contrary(dictionary, beliefs.probability, test, "does not fit", (h) => mine[h]!);
        const owed = isGood ? probability : Math.max(0, spoils());
        due.set(testKey(test), Math.min(MOST_DUE, (due.get(testKey(test)) ?? 0) + owed));
      }
    });
  }
  return due;
}

/**
 * The tests of something that must show bad which the leading faults of the assembly would spoil: those that the file
 * names, and for an output any voltage between pins of the board itself.
 */
function spoiled(
  dictionary: FaultDictionary,
  probability: Float64Array,
  unitState: Pick<UnitState, "equipment">,
  assembly: string,
  proof: Proof,
): readonly Test[] {
  const mine = dictionary.hypotheses.map((h) => blamedAssemblies(h).includes(assembly));
  const whole = probability.reduce((sum, p, h) => (mine[h] ? sum + p : sum), 0);
  const isSpoiled = (t: Test) =>
    contrary(dictionary, probability, t, "does not fit", (h) => mine[h]!) < (1 - SPOILS) * whole;
  const named = proof.tests.filter(isSpoiled);
  if (named.length > 0 || proof.of !== "output") return named;
  const { machine } = dictionary;
  const nodes = new Set(machine.parts.filter((p) => p.assembly === assembly).flatMap((p) => [...p.nodeOf.values()]));
  const isOwn = (id: string | undefined) => id !== undefined && nodes.has(machine.points.get(id)?.node ?? -1);
  return dictionary.candidates.filter(
    (t) =>
      (t.function === "dcv" || t.function === "acv") &&
      isOwn(t.red) &&
      isOwn(t.black) &&
      isPermitted(dictionary, unitState, t) &&
      isSpoiled(t),
  );
}

/** Belief, over the hypotheses asked for, that a test comes out otherwise than wanted. */
function contrary(
  dictionary: FaultDictionary,
  probability: Float64Array,
  test: Test,
  wanted: Verdict,
  counts: (hypothesis: number) => boolean = () => true,
): number {
  const predictions = dictionary.predictionsFor(test);
  const window = windowOf(test, predictions[0]!, dictionary.meter);
  let sum = 0;
  probability.forEach((p, h) => {
    const shown = predictions[h]!;
    if (p < 1e-7 || !counts(h)) return;
    // "Something else" predicts nothing: either may come.
    if (shown.length === 0) sum += p / 2;
    else sum += (p * shown.filter((s) => s === null || verdictOf(window, s) !== wanted).length) / shown.length;
  });
  return sum;
}

/**
 * The reading by which a proof is implied: without it its contrary would be believed most. Null where the contrary is
 * not excluded, or no reading has to do with it.
 */
function impliedBy(
  dictionary: FaultDictionary,
  beliefs: Beliefs,
  evidence: readonly Evidence[],
  tests: readonly Test[],
  wanted: Verdict,
): string | null {
  const now = Math.min(...tests.map((t) => contrary(dictionary, beliefs.probability, t, wanted)));
  if (!(now < IMPLIED)) return null;
  let best: { id: string; contrary: number } | null = null;
  const made = new Map<string, { id: string; log: Float64Array }>();
  for (const e of evidence) {
    const log = e.type === "reading" ? beliefs.byEvidence.get(e.id) : undefined;
    if (e.type !== "reading" || !log) continue;
    // A reading and its repeats are one.
    const before = made.get(testKey(e.test));
    made.set(testKey(e.test), { id: before?.id ?? e.id, log: log.map((l, h) => l + (before?.log[h] ?? 0)) });
  }
  for (const { id, log } of made.values()) {
    const least = log.reduce((a, b) => Math.min(a, b), Infinity);
    const without = beliefs.probability.map((p, h) => p / Math.exp(Math.min(60, log[h]! - least)));
    const whole = without.reduce((a, b) => a + b, 0);
    const left = Math.min(
      ...tests.map((t) =>
        contrary(
          dictionary,
          without.map((p) => p / whole),
          t,
          wanted,
        ),
      ),
    );
    if (left > Math.max(CONCERNS * now, best?.contrary ?? 0)) best = { id, contrary: left };
  }
  return best?.id ?? null;
}

function isPermitted({ machine }: FaultDictionary, unitState: Pick<UnitState, "equipment">, test: Test): boolean {
  return (
    forbidden(machine, machine.setupById.get(test.setup)!, test) === null &&
    canMake(machine, test, unitState.equipment ?? ALL_EQUIPMENT)
  );
}

/** The cheapest of some tests; what can be shown without touching anything live is never shown live. */
function cheapest(
  dictionary: FaultDictionary,
  beliefs: Beliefs,
  unitState: UnitState,
  tests: readonly Test[],
): RatedTest {
  const { machine } = dictionary;
  const safe = tests.filter((t) => exposureOf(machine, machine.setupById.get(t.setup)!, t) !== "live");
  const effort = (r: RatedTest) => r.minutes + r.risk;
  return (safe.length > 0 ? safe : tests)
    .map((t) => rateOne(dictionary, beliefs.probability, unitState, t))
    .sort((a, b) => effort(a) - effort(b) || (testKey(a.test) < testKey(b.test) ? -1 : 1))[0]!;
}
