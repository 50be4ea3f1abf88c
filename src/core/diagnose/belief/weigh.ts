import type { FaultDictionary } from "../dictionary/fault-dictionary";
import { comesAndGoes, type Evidence } from "../evidence/evidence";
import { Lru } from "../../lru";
import { believe, type Beliefs } from "./beliefs";
import { callsForMore, oddOnes, widen, type OddOne } from "./widening";

/** Evidence weighed, and the dictionary that explains it. */
export interface Weighed {
  readonly dictionary: FaultDictionary;
  readonly beliefs: Beliefs;
  readonly odd: readonly OddOne[];
  /** Single faults do not explain it, and nothing more was weighed: that takes longer, and may say otherwise. */
  readonly isNarrow: boolean;
}

/** What is weighed where single faults do not explain the evidence: two faults and what is not as drawn, or they alone. */
export type Look = "wide" | "single faults";

/** Sets of evidence weighed last that are kept, by dictionary. */
const KEPT = 3;
// A screen asks several things of the same evidence, and of what is half typed beside it: each is weighed once.
const WEIGHED = new WeakMap<FaultDictionary, Lru<string, Weighed>>();

function shelfOf(narrow: FaultDictionary): Lru<string, Weighed> {
  let shelf = WEIGHED.get(narrow);
  if (!shelf) WEIGHED.set(narrow, (shelf = new Lru(KEPT)));
  return shelf;
}

/** The dictionary that evidence asks for: of faults that stay, or of faults that come and go. */
const dictionaryFor = (dictionary: FaultDictionary, evidence: readonly Evidence[]): FaultDictionary =>
  comesAndGoes(evidence) ? dictionary.comingAndGoing() : dictionary;

/**
 * The evidence weighed, once: advice, slips, simple causes, signs and reasons all come from this. By the single
 * faults, or by more where those do not explain it.
 */
export function weigh(whole: FaultDictionary, evidence: readonly Evidence[], look: Look = "wide"): Weighed {
  const narrow = dictionaryFor(whole, evidence);
  const key = JSON.stringify(evidence);
  const shelf = shelfOf(narrow);
  let weighed = shelf.get(key);
  if (!weighed) shelf.set(key, (weighed = bySingleFaults(narrow, evidence)));
  if (look === "wide" && weighed.isNarrow) shelf.set(key, (weighed = byMore(narrow, evidence)));
  return weighed;
}

/**
 * Whether the last of the evidence fits something that is still possible, and one fault is enough for all of it. What
 * is half typed mostly fits nothing, and then a wide look would be taken for a reading that nobody made.
 */
export function fitsSomething(whole: FaultDictionary, evidence: readonly Evidence[]): boolean {
  const narrow = dictionaryFor(whole, evidence);
  const beliefs = believe(narrow, evidence);
  const odd = oddOnes(narrow, evidence, beliefs);
  if (odd.some((o) => o.evidence === evidence.at(-1)?.id) || callsForMore(narrow, evidence, beliefs, odd)) return false;
  shelfOf(narrow).set(JSON.stringify(evidence), { dictionary: narrow, beliefs, odd, isNarrow: false });
  return true;
}

function bySingleFaults(narrow: FaultDictionary, evidence: readonly Evidence[]): Weighed {
  const beliefs = believe(narrow, evidence);
  const odd = oddOnes(narrow, evidence, beliefs);
  return { dictionary: narrow, beliefs, odd, isNarrow: callsForMore(narrow, evidence, beliefs, odd) };
}

function byMore(narrow: FaultDictionary, evidence: readonly Evidence[]): Weighed {
  const dictionary = widen(narrow, evidence);
  const beliefs = believe(dictionary, evidence);
  return { dictionary, beliefs, odd: oddOnes(dictionary, evidence, beliefs), isNarrow: false };
}
