/** From the cause found to the machine proven well. What others may use of it; nothing else is reached. */

export { accessTo } from "./access";
export { addOnCalled, addOnPlan } from "./add-on";
export { unitsOf } from "./unit-price";
export { type KeyStep } from "./carry-over";
export { carryOver, changeSetting, foundSettings } from "./carry-over";
export { familyFunctions, functionRowOf } from "./family-functions";
export { judge } from "./judge-proof";
export { canBePutBack, leftBehind, type LeftBehind } from "./left-behind";
export { failedReading } from "./failed-step";
export { type JobPurpose, purposeOf } from "./look-over";
export { boardsOut, guardsOf } from "./lost-guards";
export { builtWords, type ModificationProof, proveModification } from "./modification";
export { type NoFaultFound, noFaultFound } from "./no-fault-found";
export {
  cheapWhileOpen,
  isBoardOption,
  optionsFor,
  outlay,
  priceOf,
  replacesWhole,
  USUAL_RATES,
  USUAL_WORTH,
  weighOptions,
} from "./options";
export { matchPart } from "./part-match";
export { PROOF_GROUPS, proofRun, proofState, toldOfRepair } from "./proof-run";
export { proofGear, proofRunNeeds } from "./proof-needs";
export { proofMinutes } from "./proof-minutes";
export type { ProofStep } from "./proof-step";
export { procedureFor, procedureOfJob } from "./procedure";
export { wayBack, type WorkStage, type WorkStep } from "./work-steps";
