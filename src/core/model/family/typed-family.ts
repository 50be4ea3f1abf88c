import type { FAMILIES } from "../families";
import type { QuickSupply } from "../quick/quick-supply";
import { readParts } from "../quick/read-parts";
import { BOARD_QUESTIONS, boardsOf, yesOrNo } from "./common-questions";
import type { Answers, Family, FamilyPlan } from "./family";
import { backPanel, lidOverBoard } from "./shared-plans";
import { say } from "#words/core/model/family/typed-family";

/** Its id beside those of the known families. */
export const TYPED = "typed";

/**
 * A machine of no known family: what it has is typed in the words of the trade, as at the door. `plan` throws a RangeError
 * with the first sentence of what was not understood.
 */
export function typedFamily(text: string, sort: (typeof FAMILIES)[number]): Family {
  return {
    id: TYPED,
    name: say.name,
    family: sort,
    supplies: ["230", "120", "120/240 split", "400 V 3 phases", "24 VAC", "24 VDC", "18 V battery"],
    questions: [...BOARD_QUESTIONS, yesOrNo("filter", say.askFilter, "no")],
    plan: (answers, supply) => planOf(text, answers, supply),
  };
}

function planOf(text: string, answers: Answers, supply: QuickSupply): FamilyPlan {
  const { loads, sensors, inLine } = readParts(text, supply);
  const key = (i: number) => `load-${i + 1}`;
  return {
    loads: Object.fromEntries(loads.map((l, i) => [key(i), l])),
    sensors: sensors.map(({ stops, stopsWhenMade: _, of: __, ...s }) => ({ ...s, stops: stops.map(key) })),
    inLine,
    ...boardsOf(answers),
    filter: answers["filter"] === "yes",
    functions: [],
    firsts: [],
    covers: { board: lidOverBoard, loads: backPanel },
    guards: [],
    cautions: [],
  };
}
