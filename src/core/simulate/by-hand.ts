import type { Machine } from "../model";
import type { Test } from "./test";

/**
 * Turned by hand: locked off and uncoupled, a motor and what it drives are turned apart. Coupled, or by a clamp alone, a
 * seized motor and a jammed drive look alike. It is a look in a setup in which nothing is powered.
 */
export function isByHand(machine: Machine, test: Pick<Test, "setup" | "function" | "red" | "instant">): boolean {
  const setup = machine.setupById.get(test.setup);
  return (
    test.function === "look" &&
    test.instant === "settled" &&
    setup !== undefined &&
    setup.power === "off" &&
    setup.feeds.length === 0 &&
    turnsByHand(machine, test.red)
  );
}

/** Whether a part can be turned by hand. */
export function turnsByHand(machine: Machine, part: string): boolean {
  return machine.partById.get(part)?.kind.observed?.byHand !== undefined;
}

/** What can be seen of a part in a setup: how it works, or how it turns by hand; null where there is nothing to see. */
export function labelsIn(machine: Machine, setup: string, part: string): readonly string[] | null {
  return isByHand(machine, { setup, function: "look", red: part, instant: "settled" })
    ? BY_HAND
    : (machine.partById.get(part)?.labels ?? null);
}

/** How a part turns by hand. */
export const TURNS_FREELY = "turns freely";
export const STUCK = "stuck or drags";
const BY_HAND: readonly string[] = [TURNS_FREELY, STUCK];
