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
}

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
export function weigh(whole: FaultDictionary, evidence: readonly Evidence[]): Weighed {
  const narrow = dictionaryFor(whole, evidence);
  const key = JSON.stringify(evidence);
  const shelf = shelfOf(narrow);
  let weighed = shelf.get(key);
  if (!weighed) shelf.set(key, (weighed = weighAnew(narrow, evidence)));
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
  shelfOf(narrow).set(JSON.stringify(evidence), { dictionary: narrow, beliefs, odd });
  return true;
}

function weighAnew(narrow: FaultDictionary, evidence: readonly Evidence[]): Weighed {
  const beliefs = believe(narrow, evidence);
  const odd = oddOnes(narrow, evidence, beliefs);
  if (!callsForMore(narrow, evidence, beliefs, odd)) return { dictionary: narrow, beliefs, odd };
  const dictionary = widen(narrow, evidence);
  const wider = believe(dictionary, evidence);
  return { dictionary, beliefs: wider, odd: oddOnes(dictionary, evidence, wider) };
}
