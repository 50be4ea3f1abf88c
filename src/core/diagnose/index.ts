/** The search for a fault, from hypotheses to advice. What others may use of it; nothing else is reached. */

export { type Alive, aliveIn, type AliveRow } from "./advice/alive";
export type { AskedAnswered, WhyOpened } from "./advice/why-opened";
export type { InsideBoard } from "./advice/inside-board";
export {
  CAME,
  type Came,
  cameOf,
  type Trial,
  TRIALS,
  trialsOf,
  trialWords,
  type TriedByHand,
} from "./evidence/tried-by-hand";
export { type Advice, advise, type Alternative, type Attempt } from "./advice/advise";
export { type Answers, answersFor, type Sign, simpleCausesFor } from "./advice/answers";
export type { Stop } from "./advice/stop";
export { walkOf } from "./advice/baseline-walk";
export { codeMatches, codeOdds, type CodeOdds, codesOf, type MachineCode, setupShowing } from "./advice/code-odds";
export { comesAndGoes } from "./evidence/evidence";
export { fileDoubts } from "./advice/file-doubts";
export { type Coverage, coverageOf, type FaultGroup } from "./advice/coverage";
export {
  expressible,
  type SetAside,
  unaskable,
  unknownPart,
  unknownAssembly,
  unknownSign,
  untriable,
  unmeasurable,
  cannotBeObserved,
} from "./advice/expressible";
export { faultGroups } from "./advice/groups";
export { type Misfit, misfitOf, questioned } from "./advice/likely-slips";
export { type BoundProof, shownProofs, unmeetableProofs } from "./advice/binding-proofs";
export { type Judged, proofsFor } from "./advice/proofs";
export { type History, historyOf, type Reason, reasonsFor } from "./advice/reasons";
export {
  FUNCTION_WORDS,
  labelWords,
  type TestCard,
  describeTest,
  type Lead,
  type ProposedTest,
  titleOf,
  LEADS_SHOW,
  windowWords,
} from "./advice/test-sheet";
export { likelyReadings, type WhatIf, whatIf } from "./advice/what-if";
export { believe } from "./belief/beliefs";
export { signsWorthIt } from "./belief/signs-worth-it";
export { likeliness, partDoubt, type AssemblySuspect, repairsOf } from "./belief/suspects";
export { fitsSomething, type Look, weigh, type Weighed } from "./belief/weigh";
export { candidateTests, clampFunction } from "./dictionary/candidates";
export { insideOf } from "./dictionary/further-dictionaries";
export { FaultDictionary } from "./dictionary/fault-dictionary";
export { Predictor, SOUND_MACHINE } from "./dictionary/predictor";
export type { Prediction } from "./reading/prediction";
export type { BenchVerdict } from "./evidence/bench-verdict";
export { type Evidence, isSameReading } from "./evidence/evidence";
export { type SignAsked, WHOLE_UNIT } from "./evidence/signs";
export { type OpenFirst, openSimpleCauses } from "./evidence/simple-causes";
export type { Hypothesis } from "./hypotheses/hypothesis";
export { costOf, movesTo, type UnitState, unitStateAfter } from "./planning/cost";
export { isOfOnePiece, learnTimes, type StepTaken, type Times } from "./planning/learned-times";
export { type Equipment, type Gear, gearFor } from "./planning/equipment";
export { EXACT_SUSPECTS } from "./planning/planner";
export type { Spread } from "./planning/rollout";
export { type Verdict, sameNominal, verdictOf, type Window, windowOf } from "./reading/window";
