import type { Machine } from "../machine/compile";
import { exposureOf } from "../hazard/exposure";
import type { Test } from "../simulate/test";

/** What a person has with them, and what they do not do. */
export interface Means {
  /** Works on live mains at all; an apprentice, and whoever is alone in a cellar, may not. */
  readonly live: boolean;
  readonly clamp: boolean;
  readonly dcClamp: boolean;
  /** Counts what a step exposes one to three times: whoever learns, is alone, or would rather not. */
  readonly careful: boolean;
}

/** How much more danger weighs for whoever is careful. */
export const CAREFUL = 3;

/** Everything at hand. */
export const ALL_MEANS: Means = { live: true, clamp: true, dcClamp: true, careful: false };

/** Whether a test can be made with these means. */
export function canMake(machine: Machine, test: Test, means: Means): boolean {
  if (test.function === "clamp" && !means.clamp) return false;
  if (test.function === "dcclamp" && !means.dcClamp) return false;
  return means.live || exposureOf(machine, machine.setupById.get(test.setup)!, test) !== "live";
}
