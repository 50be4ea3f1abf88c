import { believe } from "../src/core/diagnose/belief/beliefs";
import { rate } from "../src/core/diagnose/planning/rating";
import { FLEET, isolationOf } from "../tests/support/fleet";

/** What the ohmmeter tells on a machine before anything is known. */
export interface DeadTests {
  readonly machine: string;
  /** Ohms tests that are offered. */
  readonly tests: number;
  /** Information of one of them on the assembly, bits: the mean over them. */
  readonly bits: number;
  /** Of what they predict, fault by fault, the share that is known to within a factor of three at best. */
  readonly vague: number;
}

/** A resistance known no better than this factor tells a short from no short. */
const VAGUE = 3;
/** A sample stands for so small a part of the stretch between its bounds, on a logarithmic scale; see `simulate/observe`. */
const STRETCHES = 6;

/** For every machine: so that "it may be anything" is no way out. */
export function benchDeadTests(names: readonly string[] = FLEET): readonly DeadTests[] {
  return names.map((machine) => {
    const dictionary = isolationOf(machine);
    const { probability } = believe(dictionary, []);
    const setup = dictionary.machine.file.setups[0]!.id;
    const rated = rate(dictionary, probability, { setup, openPanels: new Set() }, new Set());
    const ohms = dictionary.candidates.filter((t) => t.function === "ohms");
    const shown = ohms.flatMap((t) => dictionary.predictionsFor(t).flatMap((p) => p[0] ?? []));
    const vague = shown.filter((s) => s.kind === "value" && (s.factor ?? 1) ** STRETCHES >= VAGUE).length;
    const bits = rated.filter((r) => r.test.function === "ohms").reduce((sum, r) => sum + r.bits, 0);
    return {
      machine,
      tests: ohms.length,
      bits: bits / Math.max(1, ohms.length),
      vague: vague / Math.max(1, shown.length),
    };
  });
}
