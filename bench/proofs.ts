import { verdictOf } from "../src/core/diagnose";
import { ORDINARY_METER } from "../src/core/instrument";
import { proofScript } from "../src/core/repair/proof-run";
import { touchedFaults } from "../src/core/repair/proof-touched";
import { FLEET, machineNamed } from "../tests/support/fleet";
import { randomSource, randomValues, UnitOnTheBench } from "../tests/support/unit-on-the-bench";

/** How the proof after a board swap of one machine held. */
export interface HeldProof {
  readonly machine: string;
  readonly board: string;
  readonly steps: number;
  /** Readings of sound units that failed a step, of all that were made. */
  readonly missed: number;
  readonly made: number;
  readonly worst: string;
  readonly faults: number;
  readonly unshown: readonly string[];
}

const DRAWS = 1_000;

/** Holds the proof of every machine's first board against a thousand sound units drawn apart from the search. */
export function benchProofs(say: (words: string) => void): readonly HeldProof[] {
  return FLEET.map((name) => {
    const machine = machineNamed(name);
    const board = machine.file.pieces.find((p) => p.board)!.id;
    const complaint = machine.file.complaints[0]!.id;
    const { steps, unshown } = proofScript(machine, ORDINARY_METER, complaint, null, 2, board);
    const measured = steps.filter((s) => s.test && s.window);
    const random = randomSource(2_026);
    const misses = new Map<string, number>();
    for (let draw = 0; draw < DRAWS; draw++) {
      const unit = new UnitOnTheBench(machine, [], randomValues(machine, random), random);
      for (const s of measured)
        if (verdictOf(s.window!, unit.read(s.test!)) === "does not fit") misses.set(s.id, (misses.get(s.id) ?? 0) + 1);
    }
    const [worst] = [...misses].sort((a, b) => b[1] - a[1]);
    const missed = [...misses.values()].reduce((sum, n) => sum + n, 0);
    say(`${name}: ${missed} of ${DRAWS * measured.length}`);
    return {
      machine: name,
      board,
      steps: steps.length,
      missed,
      made: DRAWS * measured.length,
      worst: worst ? `${worst[0]} (${worst[1]})` : "",
      faults: touchedFaults(machine, board).length,
      unshown: unshown.map((f) => `${f.part}:${f.mode}`),
    };
  });
}
