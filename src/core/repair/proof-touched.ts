import { type Fault, faultId, type Machine, withBoard } from "../model";
import { titleOf } from "../diagnose";
import { type Test, testKey } from "../simulate";
import { accessTo } from "./access";
import type { StepOf } from "./proof-functions";
import type { ProofStep } from "./proof-step";
import type { SpoiltTests } from "./spoilt-tests";

/** Of the readings that show a fault, so many are weighed against each other; estimate E55. */
const WEIGHED = 12;

/** What the proof of a repair shows of the faults of what was touched, and which it cannot show, by name. */
export interface TouchedProof {
  readonly steps: readonly ProofStep[];
  readonly unshown: readonly Fault[];
}

/** Faults that hands could have left: of the assembly and what is soldered to it, and of the plugs that came off it. */
export function touchedFaults(machine: Machine, assembly: string): readonly Fault[] {
  const own = withBoard(machine.file, assembly);
  const plugs = new Set(accessTo(machine, assembly).plugs.map((p) => p.connector.id));
  return machine.parts
    .filter((p) => {
      const connector = p.kind.electrical.connector?.(p.fields);
      return own.has(p.assembly) || (connector !== undefined && plugs.has(connector));
    })
    .flatMap((p) => p.modes.map((m) => ({ part: p.id, mode: m.id })));
}

/**
 * Further steps, so that each fault of what was touched which a permitted reading can show fails one: the reading that
 * shows most of what is still unshown first. `before` are the steps there are.
 */
export function touchedSteps(
  machine: Machine,
  spoilt: SpoiltTests,
  stepOf: StepOf,
  before: readonly ProofStep[],
  assembly: string,
): TouchedProof {
  let open = touchedFaults(machine, assembly).filter((f) => !spoilt.fails(f, before));
  const ways = new Map(open.map((f) => [faultId(f), spoilt.by(f).slice(0, WEIGHED)]));
  const steps: ProofStep[] = [];
  const tried = new Set<string>();
  for (let best = bestOf(open, ways, tried); best; best = bestOf(open, ways, tried)) {
    tried.add(testKey(best));
    const made = stepOf("touched", best, titleOf(machine, best));
    steps.push(...made);
    if (made.length > 0) open = open.filter((f) => !spoilt.fails(f, made));
  }
  return { steps, unshown: open };
}

/** The untried reading that shows the most of the open faults; of equals the safer and cheaper one, which stands first. */
function bestOf(
  open: readonly Fault[],
  ways: ReadonlyMap<string, readonly Test[]>,
  tried: ReadonlySet<string>,
): Test | null {
  const shows = new Map<string, { test: Test; faults: number; place: number }>();
  for (const f of open)
    ways.get(faultId(f))!.forEach((test, place) => {
      const key = testKey(test);
      if (tried.has(key)) return;
      const known = shows.get(key);
      if (known) {
        known.faults++;
        known.place += place;
      } else shows.set(key, { test, faults: 1, place });
    });
  let best: { test: Test; faults: number; place: number } | null = null;
  for (const one of shows.values())
    if (!best || one.faults > best.faults || (one.faults === best.faults && one.place < best.place)) best = one;
  return best?.test ?? null;
}
