import type { MeterFunction } from "../../instrument";
import type { Machine } from "../../model";
import { exposureOf } from "../../safety";
import type { Test } from "../../simulate";

/** What a person has with them, and what they do not do. */
export interface Equipment {
  /** Works on live mains at all; an apprentice, and whoever is alone in a cellar, may not. */
  readonly live: boolean;
  readonly clamp: boolean;
  readonly dcClamp: boolean;
  /**
   * Tools beyond volts, ohms and amperes: a clamp that holds the inrush, a meter that counts cycles or measures
   * farads, an insulation tester.
   */
  readonly inrush: boolean;
  readonly hertz: boolean;
  readonly capacitance: boolean;
  readonly insulation: boolean;
  /** Counts what a step exposes one to three times: whoever learns, is alone, or would rather not. */
  readonly careful: boolean;
  /** Repairs boards, and goes on to the component once a board is found. */
  readonly boards: boolean;
}

/** How much more danger weighs for whoever is careful. */
export const CAREFUL = 3;

/** What a function needs beside a plain meter. */
const TOOL: Readonly<Partial<Record<MeterFunction, Exclude<keyof Equipment, "live" | "careful" | "boards">>>> = {
  clamp: "clamp",
  dcclamp: "dcClamp",
  inrush: "inrush",
  hertz: "hertz",
  capacitance: "capacitance",
  insulation: "insulation",
};

/** Everything at hand, of whoever changes boards as a whole. */
export const ALL_EQUIPMENT: Equipment = {
  live: true,
  clamp: true,
  dcClamp: true,
  inrush: true,
  hertz: true,
  capacitance: true,
  insulation: true,
  careful: false,
  boards: false,
};

/** Whether a test can be made with these means. */
export function canMake(machine: Machine, test: Test, equipment: Equipment): boolean {
  const tool = TOOL[test.function];
  if (tool && !equipment[tool]) return false;
  return equipment.live || exposureOf(machine, machine.setupById.get(test.setup)!, test) !== "live";
}
