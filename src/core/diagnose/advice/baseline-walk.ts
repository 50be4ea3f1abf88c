import { forbidden, isPowered } from "../../safety";
import type { Machine } from "../../model";
import { makeTest, type Test, testKey } from "../../simulate";
import { clampFunction, voltsFunction } from "../dictionary/candidates";

/**
 * The order in which someone without a plan goes about it: the file's own chain, or else every path from plug to load,
 * point by point in every setup, then the clamps, then the same points dead. What the search is compared with.
 */
export function walkOf(machine: Machine): readonly Test[] {
  if (machine.file.chain.length > 0)
    return machine.file.chain.map((t) => makeTest(t.setup, t.function, t.red, t.black));
  const walk = new Map<string, Test>();
  const add = (test: Test) => {
    if (forbidden(machine, machine.setupById.get(test.setup)!, test) === null) walk.set(testKey(test), test);
  };
  const stops = machine.file.paths.flatMap((path) =>
    path.stages.flatMap((stage) => ("at" in stage ? [stage.at.map((id) => machine.points.get(id)!)] : [])),
  );
  const setups = [...machine.file.setups].sort((a, b) => Number(isPowered(b)) - Number(isPowered(a)));
  for (const setup of setups) {
    for (const [red, black] of stops)
      add(makeTest(setup.id, isPowered(setup) ? voltsFunction(machine, red!, black!) : "ohms", red!.id, black!.id));
    if (isPowered(setup))
      for (const clamp of machine.clamps.values()) add(makeTest(setup.id, clampFunction(machine, clamp), clamp.id));
  }
  return [...walk.values()];
}
