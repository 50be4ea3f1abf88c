import type { FAMILIES, FunctionRow } from "../families";
import type { QuickGuard, QuickLoad, QuickSensor } from "../quick/quick-load";
import type { Entry, QuickBoards, QuickFace, QuickStage } from "../quick/quick-machine";
import type { QuickSupply } from "../quick/quick-supply";
import type { Guard } from "../guards";
import { say } from "#words/core/model/family/family";

/** One question of a family, answered by a choice. */
export interface FamilyQuestion {
  readonly id: string;
  readonly ask: string;
  /** By the answer's id, as it is shown. */
  readonly choices: Readonly<Record<string, string>>;
  /** What holds mostly; from memory. */
  readonly usual: string;
  /** Whether it is asked at all, by what was answered before; left out: always. */
  readonly isAsked?: (answers: Answers) => boolean;
}

/** The answer to each question of a family, by its id. */
export type Answers = Readonly<Record<string, string>>;

/** A sensor or a switch of a family; loads by their keys. */
export type FamilySensor = Omit<QuickSensor, "stops" | "stopsWhenMade" | "of"> & {
  readonly stops?: readonly string[];
  readonly stopsWhenMade?: readonly string[];
  readonly of?: string;
};

/** A state of a family's machine; loads by their keys. */
export type FamilyStage = Omit<QuickStage, "asks"> & { readonly asks: readonly string[] };

/** How a function of the family's row is shown after a swap: a load looked at, or its current, in a state. */
export interface FamilyFunctionShown {
  /** The function of the row. */
  readonly of: string;
  readonly stage: string;
  readonly load: string;
  readonly by: "look" | "amps";
}

/** Something that is asked before anything is opened. */
export interface FamilyFirst {
  readonly id: string;
  readonly ask: string;
  /** The answer that means: this is the cause. */
  readonly cause: "yes" | "no";
  readonly then: string;
  readonly minutes: number;
  readonly odds: number;
  /** The loads that then do not work; none: nothing works. */
  readonly loads: readonly string[];
}

/** A cover as such machines usually have it. */
export interface FamilyCover {
  readonly name: string;
  readonly minutes: number;
  readonly tool: string;
  readonly screws: number;
}

/**
 * All that a family's machine has, by the answers. What such machines usually have, its watts, ohms, degrees and odds are
 * from memory.
 */
export interface FamilyPlan {
  readonly loads: Readonly<Record<string, QuickLoad>>;
  readonly sensors: readonly FamilySensor[];
  readonly inLine?: readonly QuickGuard[];
  readonly boards?: QuickBoards;
  readonly face?: QuickFace;
  readonly filter: boolean;
  /** Left out: one state, in which every load is asked for. */
  readonly stages?: readonly FamilyStage[];
  readonly functions: readonly FamilyFunctionShown[];
  readonly firsts: readonly FamilyFirst[];
  /** Over the board, and over the loads. */
  readonly covers: { readonly board: FamilyCover; readonly loads: FamilyCover };
  /** What the board watches over besides switching. */
  readonly guards: readonly Guard[];
  readonly cautions: readonly string[];
}

/** What is asked of a machine beside its family's own questions, as the plate has it. */
export interface FamilyPlate {
  readonly id: string;
  readonly maker: string;
  readonly model: string;
  /** What it hangs on, as typed. */
  readonly supply: string;
}

/** What holds for every family. */
interface FamilyFrame {
  readonly id: string;
  readonly name: string;
  readonly family: (typeof FAMILIES)[number];
  /** By which row of functions it is proven after a board swap; left out: by its family, or by none. */
  readonly row?: FunctionRow;
  /** What such machines hang on, the usual one first, as it is typed. */
  readonly supplies: readonly [string, ...string[]];
  readonly questions: readonly FamilyQuestion[];
}

/** A family whose machines are a board and what it switches. */
export interface PlannedFamily extends FamilyFrame {
  plan(answers: Answers, supply: QuickSupply): FamilyPlan;
}

/** A family with more sources than one: its file is drawn as a whole. */
interface DrawnFamily extends FamilyFrame {
  draw(plate: FamilyPlate, answers: Answers, supply: QuickSupply): Entry;
}

/** A family of machines: a few questions, each answer of which gives a whole working file. */
export type Family = PlannedFamily | DrawnFamily;

/** The questions that are asked after these answers, in their order. */
export const askedQuestions = (family: Family, answers: Answers): readonly FamilyQuestion[] =>
  family.questions.filter((q) => q.isAsked?.(answers) ?? true);

/**
 * The answers to all questions of a family, the usual one where none was given. Throws a RangeError with a sentence for a
 * question or an answer that it has not.
 */
export function wholeAnswers(family: Family, given: Answers): Answers {
  for (const id of Object.keys(given))
    if (!family.questions.some((q) => q.id === id)) throw new RangeError(say.noSuchQuestion(family.name, id));
  return family.questions.reduce<Answers>((all, q) => {
    const answer = (q.isAsked?.(all) ?? true) ? (given[q.id] ?? q.usual) : q.usual;
    if (!Object.hasOwn(q.choices, answer)) throw new RangeError(say.noSuchAnswer(q.ask, answer));
    return { ...all, [q.id]: answer };
  }, {});
}
