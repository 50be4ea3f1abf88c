import type { Machine } from "../machine/compile";
import { exposureOf } from "../hazard/exposure";
import type { Test } from "../simulate/test";

/** What a person has with them, and what they do not do. */
export interface Means {
  /** Works on live mains at all; an apprentice, and whoever is alone in a cellar, may not. */
  readonly live: boolean;
  readonly clamp: boolean;
  readonly dcClamp: boolean;
}

/** Everything at hand. */
export const ALL_MEANS: Means = { live: true, clamp: true, dcClamp: true };

/** Whether a test can be made with these means. */
export function canMake(machine: Machine, test: Test, means: Means): boolean {
  if (test.function === "clamp" && !means.clamp) return false;
  if (test.function === "dcclamp" && !means.dcClamp) return false;
  return means.live || exposureOf(machine, machine.setupById.get(test.setup)!, test) !== "live";
}
