import { careNow, dryingOf, type Job, USUAL_DRYING, WHOLE_UNIT } from "../journal";
import type { Machine } from "../model";
import { procedureFor, proofMinutes, type ProofStep, purposeOf } from "../repair";
import type { DayStep } from "./day";
import { rigsFor } from "./rigs";
import { say } from "#words/core/plan-day";

/** Minutes, and one standard deviation of them. */
export interface Minutes {
  readonly mean: number;
  readonly spread: number;
}

/** Where hands go on with a job. */
export type Stage = "search" | "work" | "repair" | "proof";

/** What a job still needs, in order. */
export interface WorkLeft {
  readonly stage: Stage;
  /** The assembly that is repaired, where one was decided on. */
  readonly assembly: string | null;
  readonly steps: readonly DayStep[];
}

/** Minutes of a repair and of a proof of which no more is known; estimate E82. */
const USUAL_WORK = { repair: 30, proof: 15 } as const;
/** Spread of what is only usual, and of what is reckoned, as a share of it. */
export const ROUGH = 0.5;
const RECKONED = 0.3;
/** A wait is worth leaving for from so many minutes on; one that is shorter is stayed with. Estimate E83. */
const WORTH_LEAVING = 3;

/** Minutes of hands until a clock runs, at least. */
const BEGIN = 0.5;

/** Something that hands are on. */
export const handsOn = (words: string, minutes: number, spread = RECKONED * minutes): DayStep => ({
  words,
  minutes,
  spread,
  care: null,
  needs: [],
});

/** What is asked for the proof of a decided repair, as `proofRun` takes it; null: nothing is decided. */
export function proofAsked(machine: Machine, job: Job) {
  const decided = decidedOn(machine, job);
  if (decided === null && job.opened.kind === "repair") return null;
  const assembly = decided?.piece ?? null;
  return {
    complaint: job.opened.complaint ?? null,
    fault: decided ? faultOf(machine, decided.fault) : null,
    assembly: assembly === WHOLE_UNIT ? null : assembly,
    purpose: purposeOf(machine, job),
  };
}

/**
 * What hands still do on a job and what it waits for meanwhile: the search, the repair, the proof. `search` is what the
 * search is told to take, `script` the proof where it is known. `isRunUp`: it is run in the workshop, at a place for it.
 */
export function workLeft(
  machine: Machine,
  job: Job,
  known: { readonly search: Minutes; readonly script: readonly ProofStep[] | null; readonly isRunUp: boolean },
): WorkLeft {
  const needs = rigsFor(machine);
  const at = (step: DayStep): DayStep => (known.isRunUp ? { ...step, needs } : step);
  const decided = decidedOn(machine, job);
  const proof = (proofLeft(machine, job, known.script) ?? [handsOn(say.proof, USUAL_WORK.proof)]).map(at);
  if (!decided) {
    const work = handsOn(say.work, USUAL_WORK.repair, ROUGH * USUAL_WORK.repair);
    const isSearch = job.opened.kind === "repair";
    const repair = { ...work, words: say.repair };
    const steps = isSearch ? [at(handsOn(say.search, known.search.mean, known.search.spread)), repair] : [work];
    return { stage: isSearch ? "search" : "work", assembly: null, steps: [...steps, ...proof] };
  }
  const isProving = job.work.proved.length > 0;
  const repair = isProving ? [] : repairLeft(machine, job, decided);
  return { stage: isProving ? "proof" : "repair", assembly: decided.piece, steps: [...repair, ...proof] };
}

/** The latest decision, where what it is about is still in the machine. */
function decidedOn(machine: Machine, job: Job) {
  const decided = job.work.decisions.at(-1)?.body;
  return decided && machine.assemblyById.has(decided.piece) ? decided : null;
}

function faultOf(machine: Machine, fault: string | null | undefined) {
  const [part, mode] = (fault ?? ":").split(":") as [string, string];
  return machine.partById.get(part)?.modes.some((m) => m.id === mode) ? { part, mode } : null;
}

/** The steps of the repair that are not ticked, the minutes shared among them, and what dries between them. */
function repairLeft(machine: Machine, job: Job, decided: NonNullable<ReturnType<typeof decidedOn>>): DayStep[] {
  const { piece, option, minutes } = decided;
  const procedure = procedureFor(machine, { assembly: piece, option, fault: faultOf(machine, decided.fault) });
  const ticked = new Set(job.work.stages[piece]);
  const isDrying = job.work.waits.some((w) => w.body.wait === dryingOf(piece));
  const all = procedure.stages.flatMap((stage) => stage.steps.map((step) => ({ stage: stage.id, step })));
  // Its minutes are those of the bench clock: what dries is among them.
  const clocks = all.filter(({ step }) => step.waits).length;
  const hands = Math.max(minutes - USUAL_DRYING * clocks, minutes / 3);
  const each = hands / Math.max(1, all.length - clocks);
  const left: DayStep[] = [];
  let before = all.length === 0 ? hands : 0;
  const stayedWith = () => {
    if (before > 0) left.push(handsOn(say.repair, before));
    before = 0;
  };
  for (const { stage, step } of all) {
    if (ticked.has(stage) || ticked.has(step.id)) continue;
    // With nothing left before it and no clock running, it has dried.
    if (step.waits && !isDrying && before > 0) {
      stayedWith();
      left.push({ words: step.words, minutes: USUAL_DRYING, spread: 0, care: "locked", needs: [] });
    } else if (!step.waits) before += each;
  }
  stayedWith();
  return left;
}

/** The steps of the proof that have not passed yet, and the waits among them; null: its script is not known. */
function proofLeft(machine: Machine, job: Job, script: readonly ProofStep[] | null): DayStep[] | null {
  const proven = job.work.proved.map((p) => p.body.step);
  if (!script)
    return proven.length === 0
      ? null
      : [handsOn(say.proof, Math.max(3, USUAL_WORK.proof - proofMinutes(machine, proven)))];
  const running = new Set(job.work.waits.map((w) => w.body.wait));
  const left: DayStep[] = [];
  let before = 0;
  const stayedWith = () => {
    if (before > 0) left.push(handsOn(say.proof, before));
    before = 0;
  };
  for (const step of script) {
    if (proven.includes(step.id)) continue;
    const minutes = (step.wait ?? 0) / 60;
    if (minutes >= WORTH_LEAVING && !running.has(step.id)) {
      // Somebody has to be there for its clock to begin.
      before = Math.max(before, BEGIN);
      stayedWith();
      left.push({ words: step.words, minutes, spread: 0, care: careOfProof(step), needs: [] });
    } else before += running.has(step.id) ? 0 : minutes;
    before += proofMinutes(machine, [step.id]);
  }
  stayedWith();
  return left.length > 0 ? left : [handsOn(say.proof, 1)];
}

/** How a unit is left while a step of its proof waits: powered, closed, and most waits are for a load that comes on. */
const careOfProof = ({ limit }: ProofStep) =>
  careNow({ powered: true, coversOff: false, startsByItself: limit === undefined });
