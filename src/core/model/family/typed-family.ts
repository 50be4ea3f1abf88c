import type { FAMILIES } from "../families";
import { idOf } from "../id-of";
import type { QuickLoad, QuickSensor } from "../quick/quick-load";
import type { QuickSupply } from "../quick/quick-supply";
import { readParts } from "../quick/read-parts";
import { BOARD_QUESTIONS, boardsOf, yesOrNo } from "./common-questions";
import type { Answers, Family, FamilyPlan, FamilyStage } from "./family";
import { backPanel, lidOverBoard } from "./shared-plans";
import { say } from "#words/core/model/family/typed-family";

/** Its id beside those of the known families. */
export const TYPED = "typed";

/**
 * A machine of no known family: what it has is typed in the words of the trade, as at the door, and in which state what
 * of it runs: `washing: wash pump, heater`; without any, all of it runs at once. `plan` throws a RangeError with the first
 * sentence of what was not understood.
 */
export function typedFamily(text: string, sort: (typeof FAMILIES)[number], states = ""): Family {
  return {
    id: TYPED,
    name: sort.charAt(0).toUpperCase() + sort.slice(1),
    family: sort,
    supplies: ["230", "120", "120/240 split", "400 V 3 phases", "24 VAC", "24 VDC", "18 V battery"],
    questions: [...BOARD_QUESTIONS, yesOrNo("filter", say.askFilter, "no")],
    plan: (answers, supply) => planOf(text, states, answers, supply),
  };
}

function planOf(text: string, states: string, answers: Answers, supply: QuickSupply): FamilyPlan {
  const { loads, sensors, inLine } = readParts(text, supply);
  const key = (i: number) => `load-${i + 1}`;
  return {
    loads: Object.fromEntries(loads.map((l, i) => [key(i), l])),
    sensors: sensors.map(({ stops, stopsWhenMade: _, of: __, ...s }) => ({ ...s, stops: stops.map(key) })),
    inLine,
    ...boardsOf(answers),
    filter: answers["filter"] === "yes",
    ...(states.trim() === "" ? {} : { stages: statesIn(states, loads, sensors) }),
    functions: [],
    firsts: [],
    covers: { board: lidOverBoard, loads: backPanel },
    guards: [],
    cautions: [],
  };
}

/** The states as they are typed, one a line or behind a semicolon: a name, a colon, what runs in it. */
function statesIn(text: string, loads: readonly QuickLoad[], sensors: readonly QuickSensor[]): readonly FamilyStage[] {
  return text
    .split(/[;\n]/)
    .map((line) => line.trim())
    .filter(Boolean)
    .map((line) => {
      const [name = "", runs, ...more] = line.split(":").map((t) => t.trim());
      if (name === "" || runs === undefined || more.length > 0)
        throw new RangeError(say.stateAndLoads(line.slice(0, 40)));
      const asked =
        runs === "" || /^nothing$/i.test(runs) ? [] : runs.split(/\s*,\s*|\s+and\s+/).map((n) => loadNamed(n, loads));
      // What would stop one of its loads is as it lets it run: filled.
      const filled = sensors.filter((s) => s.kind === "pressure switch" && asked.some((i) => s.stops.includes(i)));
      const lead = asked.flatMap((i) => loads[i]!.through ?? []).filter((g) => g.kind === "pressure switch");
      return {
        id: idOf(name) || "state",
        name: name.charAt(0).toUpperCase() + name.slice(1),
        how: say.bringItThere(name),
        asks: asked.map((i) => `load-${i + 1}`),
        levels: Object.fromEntries([...filled, ...lead].map((s) => [s.name, 1])),
      };
    });
}

function loadNamed(name: string, loads: readonly QuickLoad[]): number {
  const plain = name.toLowerCase();
  const exact = loads.findIndex((l) => l.name.toLowerCase() === plain);
  const found = exact >= 0 ? exact : loads.findIndex((l) => l.name.toLowerCase().includes(plain));
  if (found < 0) throw new RangeError(say.noSuchLoad(name.slice(0, 40)));
  return found;
}
