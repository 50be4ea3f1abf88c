import { partDoubt } from "../belief/suspects";
import { signsWorthIt } from "../belief/signs-worth-it";
import { type Look, weigh, type Weighed } from "../belief/weigh";
import { bringersOf, insideOf } from "../dictionary/further-dictionaries";
import type { FaultDictionary } from "../dictionary/fault-dictionary";
import type { Evidence } from "../evidence/evidence";
import { type OpenFirst, openSimpleCauses } from "../evidence/simple-causes";
import type { SignAsked } from "../evidence/signs";
import type { UnitState } from "../planning/cost";
import { type Advice, advise } from "./advise";
import { type Misfit, misfitOf, questioned } from "./likely-slips";

/** All that a job screen asks first of one state of the search. */
export interface Answers {
  readonly advice: Advice;
  /** The questions before anything is opened in the order in which they are worth asking, whether answered or not. */
  readonly simpleCauses: readonly OpenFirst[];
  readonly signs: readonly Sign[];
  /** False: single faults do not explain the evidence, and more was not weighed yet. */
  readonly isWhole: boolean;
  /** Whether the last reading, or one that it has outvoted, fits nothing, and which slip would explain it. */
  readonly misfit: Misfit | null;
}

/** A sign worth looking for, and what it tells, bits. */
export type Sign = SignAsked & { readonly bits: number };

/** Signs told at once. */
const MOST_SIGNS = 12;

/** All of it at once; by single faults alone it is quick, and says whether it is whole. */
export function answersFor(
  dictionary: FaultDictionary,
  evidence: readonly Evidence[],
  unitState: UnitState,
  look: Look = "wide",
): Answers {
  const questionedId = questioned(dictionary.meter, evidence);
  const advice = advise(dictionary, evidence, unitState, look);
  const weighed = weigh(dictionary, evidence, look);
  const further = furtherFor(dictionary, advice, unitState);
  return {
    advice,
    isWhole: !weighed.isNarrow,
    simpleCauses: simpleCausesFor(weighed, evidence),
    signs: signsFor(further === dictionary ? weighed : weigh(further, evidence, look), evidence),
    misfit: questionedId === null ? null : misfitOf(further, evidence, questionedId),
  };
}

/**
 * The dictionary in which the search goes on: inside a board its components are told apart, and what opened something
 * explains readings that no fault of the file does.
 */
function furtherFor(dictionary: FaultDictionary, { inside, why }: Advice, unitState: UnitState): FaultDictionary {
  if (why) return bringersOf(dictionary, why.faults, unitState.equipment?.boards) ?? dictionary;
  return inside ? insideOf(dictionary, inside.board) : dictionary;
}

/** The questions of the complaint in the order in which they are worth asking, whether answered or not. */
export function simpleCausesFor(
  { dictionary, beliefs }: Pick<Weighed, "dictionary" | "beliefs">,
  evidence: readonly Evidence[],
): readonly OpenFirst[] {
  const made = evidence.find((e) => e.type === "complaint");
  return openSimpleCauses(dictionary.machine, made?.complaint ?? "", new Set(), partDoubt(dictionary, beliefs));
}

function signsFor({ dictionary, beliefs }: Weighed, evidence: readonly Evidence[]): readonly Sign[] {
  const found = new Set(evidence.flatMap((e) => (e.type === "sign" ? [`${e.part} ${e.sign}`] : [])));
  return signsWorthIt(dictionary, beliefs.probability, found).slice(0, MOST_SIGNS);
}
