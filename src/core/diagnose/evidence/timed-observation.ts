import type { Machine } from "../../model";
import { nominalValues, secondsUntil, Simulator } from "../../simulate";
import { faultsOf, type Hypothesis } from "../hypotheses/hypothesis";

/** Something that happens after a time, or not at all: it was watched from when the setup was brought about. */
export interface Timed {
  readonly setup: string;
  readonly part: string;
  readonly label: string;
  /** Seconds after which it was first seen; null: not within `watched`. */
  readonly seconds: number | null;
  readonly watched: number;
}

/** A watch read by eye, and delays of parts, differ by about this share and these seconds; estimate E18. */
const SPREAD = 0.2;
const HAND = 1;
/** Something else was watched, or the clock was started late; estimate E19. */
const SLIP = 0.03;

/** Works out, and keeps, when each hypothesis shows something. One a machine and thread. */
export class Stopwatch {
  private readonly simulator: Simulator;
  private readonly known = new Map<string, number | null>();

  constructor(private readonly machine: Machine) {
    this.simulator = new Simulator(machine);
  }

  /** Seconds at nominal values; Infinity: never within `watched`; null: nothing is predicted. */
  predicted(event: Timed, hypothesis: Hypothesis): number | null {
    if (hypothesis.kind === "something else" || hypothesis.kind === "not as drawn") return null;
    const setup = this.machine.setupById.get(event.setup);
    if (!setup) return null;
    const key = `${hypothesis.id} ${event.setup} ${event.part} ${event.label} ${event.watched}`;
    if (!this.known.has(key))
      this.known.set(
        key,
        secondsUntil(
          this.simulator,
          setup,
          faultsOf(this.machine, hypothesis),
          nominalValues(this.machine),
          event.part,
          event.label,
          event.watched,
        ),
      );
    return this.known.get(key)!;
  }

  /** Likelihood of what was timed, as far as it depends on the hypothesis. */
  likelihood(event: Timed, hypothesis: Hypothesis): number {
    const expected = this.predicted(event, hypothesis);
    if (expected === null) return 0.25;
    const never = event.seconds === null;
    if (never || expected === Infinity) return (1 - SLIP) * Number(never && expected === Infinity) + SLIP / 4;
    const z = (event.seconds! - expected) / Math.hypot(HAND, SPREAD * expected);
    return (1 - SLIP) * Math.exp(-0.5 * z * z) + SLIP / 4;
  }
}
