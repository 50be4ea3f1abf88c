import { plainConditions } from "./condition";
import {
  fireAll,
  type Heard,
  type Program,
  programConditions,
  programKeys,
  type ProgramOutput,
  type ProgramState,
  wishesOf,
} from "./program";

/** So many yes and no fit into a whole number. */
const MOST_BITS = 50;

/** A wish as the simulation takes it. */
interface Due {
  readonly state: string;
  readonly delay: number;
}

/**
 * What a program decides, kept: it goes by its state and by which of its thresholds its inputs are beyond, and a
 * simulation meets the same few thousands of times. One a program.
 */
export class Decisions {
  private readonly asks: readonly { readonly input: string; readonly above?: number; readonly below?: number }[];
  private readonly keys: readonly string[];
  private readonly wishes = new Map<string, readonly Due[]>();
  private readonly states = new Map<string, ProgramState>();

  constructor(
    private readonly program: Program,
    private readonly outputs: Readonly<Record<string, ProgramOutput>>,
  ) {
    const asked = programConditions(program, outputs).flatMap(plainConditions);
    this.asks = asked.flatMap((c) => ("input" in c ? [c] : []));
    this.keys = programKeys(program);
  }

  /** What it waits for in a state, named `name`, hearing this. */
  wishesIn(name: string, state: ProgramState, heard: Heard): readonly Due[] {
    const key = this.keyOf(name, heard);
    let wishes = key === null ? undefined : this.wishes.get(key);
    if (!wishes) {
      wishes = wishesOf(this.program, this.outputs, state, heard).map((w) => ({ state: w.key, delay: w.seconds }));
      if (key !== null) this.wishes.set(key, wishes);
    }
    return wishes;
  }

  /** Its state after these wishes have come due together. */
  after(name: string, state: ProgramState, due: readonly string[], heard: Heard): ProgramState {
    const own = this.keyOf(name, heard);
    const key = own === null ? null : `${own} ${due.join(";")}`;
    let next = key === null ? undefined : this.states.get(key);
    if (!next) {
      next = fireAll(this.program, state, due, heard);
      if (key !== null) this.states.set(key, next);
    }
    return next;
  }

  /** Names a state with all that a program can tell of what it hears; null where that is too much for a number. */
  private keyOf(name: string, heard: Heard): string | null {
    if (this.asks.length + this.keys.length > MOST_BITS) return null;
    let bits = 1;
    let [input, share] = ["", 0];
    for (const ask of this.asks) {
      if (ask.input !== input) [input, share] = [ask.input, heard.share(ask.input)];
      bits = 2 * bits + Number(ask.above === undefined ? share < ask.below! : share > ask.above);
    }
    for (const pressed of this.keys) bits = 2 * bits + Number(heard.keyDown(pressed));
    return `${name} ${bits}`;
  }
}
