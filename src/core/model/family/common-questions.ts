import type { QuickBoards, QuickFace } from "../quick/quick-machine";
import type { Answers, FamilyQuestion } from "./family";
import { say } from "#words/core/model/family/common-questions";

/** How many boards there are. */
export const boardsQuestion: FamilyQuestion = { id: "boards", ...say.boards, usual: "1" };

/** What feeds the next board over the link. */
export const linkQuestion: FamilyQuestion = {
  id: "link",
  ...say.link,
  usual: "12",
  isAsked: (a) => a["boards"] !== "1",
};

/** Whether relay board and logic board have a wire a load, or talk in series. */
export const talkQuestion: FamilyQuestion = {
  id: "talk",
  ...say.talk,
  usual: "series",
  isAsked: (a) => a["boards"] === "3",
};

/** What it shows its codes by; a board with the display has one. */
export const faceQuestion: FamilyQuestion = {
  id: "face",
  ...say.face,
  usual: "display",
  isAsked: (a) => a["boards"] === "1",
};

/** The same of a machine that always has one board. */
export const faceOfOneBoard = (usual: "display" | "lamp"): FamilyQuestion => ({ id: "face", ...say.face, usual });

/** The questions about its boards, in their order. */
export const BOARD_QUESTIONS = [boardsQuestion, linkQuestion, talkQuestion, faceQuestion] as const;

/** A question that is answered by yes or no. */
export const yesOrNo = (
  id: string,
  ask: string,
  usual: "yes" | "no",
  isAsked?: FamilyQuestion["isAsked"],
): FamilyQuestion => ({ id, ask, choices: say.yesNo, usual, ...(isAsked ? { isAsked } : {}) });

/** Wires of a link with one for each load beside feed and return; and of one in series. */
const WIRES = { each: 12, series: 3 } as const;

/** The boards and what is shown, by the answers. */
export function boardsOf(answers: Answers): { readonly boards: QuickBoards; readonly face?: QuickFace } {
  const count = Number(answers["boards"] ?? 1) as QuickBoards["count"];
  const boards = {
    count,
    volts: Number(answers["link"] ?? 12),
    wires: answers["talk"] === "each" ? WIRES.each : WIRES.series,
  };
  if (count > 1) return { boards, face: { kind: "display", now: null } };
  const face = answers["face"];
  return face === "lamp" || face === "display" ? { boards, face: { kind: face, now: null } } : { boards };
}
