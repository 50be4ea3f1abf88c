import { describe, expect, it } from "vitest";
import { type Dialogue, DIALOGUES, held } from "./dialogue";

/**
 * Boards repaired to the component: every step from the complaint to the part on the board is answered by a circuit
 * simulator, in which each stage of the supply is a device of its own.
 */
const INSIDE: Readonly<Record<string, RegExp>> = {
  "firnau-bf-330": /^(PS1|Q1|Q2|K1|K1-joint|K2|U1|U2):/,
};
const mine = DIALOGUES.map((dialogue, i) => ({ dialogue, seed: i + 1 })).filter(({ dialogue }) =>
  INSIDE[dialogue.machine]?.test(dialogue.fault),
);

describe("a search that goes on inside the board, answered by a circuit simulator", () => {
  it.each(
    mine.map((m): [string, Dialogue, number] => [`${m.dialogue.machine} ${m.dialogue.fault}`, m.dialogue, m.seed]),
  )("%s: ends at the component, and at no other", (_name, dialogue, seed) => {
    const ending = held(dialogue, seed, true);
    expect(ending.assemblies, JSON.stringify(ending, null, 1)).toEqual([ending.truth]);
    expect(ending.components, JSON.stringify(ending, null, 1)).toEqual([ending.component]);
  });

  it("has a dozen faults of boards to be found", () => {
    expect(mine.length).toBeGreaterThanOrEqual(10);
  });
});
