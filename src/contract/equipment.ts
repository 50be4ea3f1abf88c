import type { Equipment } from "../core/diagnose";

/** The cookie in which a browser tells what its person has and does, so that the first step drawn is one they can make. */
export const EQUIPMENT_COOKIE = "unzo.without";

/** Tools that nearly every bag holds: told where they are missing. */
const USUAL = ["live", "clamp", "dcClamp"] as const;
/** Those that few hold: told where they are there. */
const FURTHER = ["inrush", "hertz", "capacitance", "insulation"] as const;
const CAREFUL = "haste";
const BOARDS = "+boards";

/** What a person has and does, from the text in which a browser keeps it; what it does not know is passed over. */
export function equipmentOf(kept: string): Equipment {
  const said = new Set(kept.split(" "));
  return {
    live: !said.has("live"),
    careful: said.has(CAREFUL),
    boards: said.has(BOARDS),
    clamp: !said.has("clamp"),
    dcClamp: !said.has("dcClamp"),
    inrush: said.has("+inrush"),
    hertz: said.has("+hertz"),
    capacitance: said.has("+capacitance"),
    insulation: said.has("+insulation"),
  };
}

/** The text for `equipmentOf`. */
export function equipmentText(equipment: Equipment): string {
  return [
    ...USUAL.filter((k) => !equipment[k]),
    ...(equipment.careful ? [CAREFUL] : []),
    ...(equipment.boards ? [BOARDS] : []),
    ...FURTHER.filter((k) => equipment[k]).map((k) => `+${k}`),
  ].join(" ");
}
