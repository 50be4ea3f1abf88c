import { Lru } from "../lru";
import type { Fault, Machine, SetupEntry } from "../model";
import type { Stage } from "./conditions";
import type { State } from "./state";

/** What a machine has come to when a stage was over. */
export interface After {
  readonly states: Int32Array;
  readonly memory: Float64Array;
}

/** So many ends of stages are kept: of a large machine all that one dictionary needs. */
const MOST_ENDS = 40_000;
/** And so many states that were come to last: of a pair of faults first what was measured is asked, then the rest. */
const MOST_SETTLED = 2000;

/**
 * What a machine has come to, by all that was done to it and by its faults: setups that begin alike (power up, wait, enter
 * the service mode) are lived through once up to where they part, and what is asked again not at all. One a simulator.
 */
export class LivedWays {
  /** A way is a long text; each is named by a number. */
  private readonly numbers = new Map<string, number>();
  private readonly faultNumbers = new Map<string, number>();
  private readonly ends = new Lru<number, After>(MOST_ENDS);
  private readonly settled = new Lru<number, State>(MOST_SETTLED);

  /**
   * Numbers all that is done to a machine up to the end of each stage: the same number, the same machine after it.
   * `sample` numbers the values of its parts.
   */
  waysOf(machine: Machine, setup: SetupEntry, stages: readonly Stage[], sample: number): readonly number[] {
    // Where modes are entered by hand no part looks at the mode of the setup.
    const isLed = machine.parts.some((p) => p.kind.electrical.isLedByMode?.(p.fields));
    const { power, places, levels, off, good } = setup;
    let way = JSON.stringify([sample, power, places, levels, off, good, isLed ? setup.mode : ""]);
    return stages.map(({ conditions: c, seconds }) => {
      const sets = [c.pressed, c.made, c.openDoors, c.apart, c.magnets, c.lifted, c.lamps, c.rigged];
      way += JSON.stringify([c.powered, seconds, sets.map((set) => [...set].sort())]);
      const known = this.numbers.get(way) ?? this.numbers.size;
      this.numbers.set(way, known);
      return known;
    });
  }

  /** Numbers what is wrong with a machine, for the functions below. */
  numberOf(faults: readonly Fault[]): number {
    const name = faults.map((f) => `${f.part}:${f.mode}`).join(" ");
    const known = this.faultNumbers.get(name) ?? this.faultNumbers.size;
    this.faultNumbers.set(name, known);
    return known;
  }

  /** The state that was come to at the end of a whole way. */
  stateAfter(ways: readonly number[], faults: number): State | undefined {
    return this.settled.get(keyOf(ways.at(-1)!, faults));
  }

  /** How many of the first stages were lived through, and what had come of them; nothing where none was. */
  furthest(ways: readonly number[], faults: number): { readonly stage: number; readonly after: After | null } {
    for (let stage = ways.length - 1; stage > 0; stage--) {
      const after = this.ends.get(keyOf(ways[stage - 1]!, faults));
      if (after) return { stage, after };
    }
    return { stage: 0, after: null };
  }

  keepState(way: number, faults: number, state: State): void {
    this.settled.set(keyOf(way, faults), state);
  }

  /** Keeps where a stage ended; what is handed over may go on changing. */
  keepEnd(way: number, faults: number, { states, memory }: After): void {
    this.ends.set(keyOf(way, faults), { states: states.slice(), memory: memory.slice() });
  }
}

/** More ways than a machine and its samples can have. */
const WAYS = 2 ** 24;
const keyOf = (way: number, faults: number) => faults * WAYS + way;
