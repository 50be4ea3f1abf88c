import { type Block, blocksOf, type Day, LATE } from "./day";

/** A block where it lies in the day; minutes from now. */
export interface Placed {
  readonly block: Block;
  readonly person: number;
  readonly start: number;
  /** When the hands are free again, and when the wait is over. */
  readonly handsEnd: number;
  readonly end: number;
}

/** A day in an order. */
export interface DayPlan {
  /** By their start. */
  readonly placed: readonly Placed[];
  /** When each unit is done, minutes from now, in the order of the units. */
  readonly done: readonly number[];
  /** What the plan costs: weighted minutes until each unit is done; those that it is late, or hands are, cost more. */
  readonly cost: number;
}

/** A day while it is being laid out: who is free when, what is held until when, which block of each unit is next. */
export class Layout {
  readonly blocks: readonly (readonly Block[])[];
  private readonly next: number[];
  private readonly ready: number[];
  private readonly free: number[];
  /** For each thing that is few, until when each of it is held. */
  private readonly held: Map<string, number[]>;
  private lastStart = 0;
  /** Minutes that hands came too late to where they were expected, in all, by the weight of the unit. */
  private missed = 0;
  readonly placed: Placed[] = [];

  constructor(readonly day: Day) {
    this.blocks = day.units.map(blocksOf);
    this.next = day.units.map(() => 0);
    this.ready = day.units.map((u) => u.from);
    this.free = Array.from({ length: Math.max(1, day.people) }, () => 0);
    this.held = new Map(Object.entries(day.few).map(([name, n]) => [name, Array.from({ length: n }, () => 0)]));
    // What waits already does not wait for anybody: it holds what it holds.
    day.units.forEach((_, unit) => {
      if (this.has(unit) && this.blocks[unit]![0]!.hands === 0) this.place(unit);
    });
  }

  /** Whether a unit has a block left. */
  has(unit: number): boolean {
    return this.next[unit]! < this.blocks[unit]!.length;
  }

  /** When the next block of a unit could begin, after all that is laid out. */
  earliest(unit: number): number {
    const block = this.blocks[unit]![this.next[unit]!]!;
    // A wait in front of the hands needs nobody, and has begun.
    if (block.hands === 0) return this.ready[unit]!;
    return Math.max(
      this.ready[unit]!,
      Math.min(...this.free),
      this.lastStart,
      ...[...block.holds, ...block.holdsOn].map((n) => this.heldUntil(n)),
    );
  }

  /** Minutes too late at an appointment, by weight, where hands first come to a unit with a block. */
  private missedBy(unit: number, block: Block, start: number): number {
    const { expected, weight } = this.day.units[unit]!;
    const isFirst = !this.blocks[unit]!.slice(0, this.next[unit]).some((b) => b.hands > 0);
    if (expected === undefined || block.hands === 0 || !isFirst) return 0;
    return weight * Math.max(0, start - expected);
  }

  private heldUntil(name: string): number {
    const held = this.held.get(name);
    return held ? Math.min(...held) : 0;
  }

  /** Lays out the next block of a unit. Answers how to take it back. */
  place(unit: number): () => void {
    const block = this.blocks[unit]![this.next[unit]!]!;
    const start = this.earliest(unit);
    const handsEnd = start + block.hands;
    const end = handsEnd + block.wait;
    const person = this.free.indexOf(Math.min(...this.free));
    const before = {
      ready: this.ready[unit]!,
      free: this.free[person]!,
      lastStart: this.lastStart,
      missed: this.missed,
    };
    this.missed += this.missedBy(unit, block, start);
    const taken: (readonly [number[], number, number])[] = [];
    for (const name of new Set([...block.holds, ...block.holdsOn])) {
      const held = this.held.get(name);
      if (!held) continue;
      const at = held.indexOf(Math.min(...held));
      taken.push([held, at, held[at]!]);
      held[at] = block.holdsOn.includes(name) ? end : handsEnd;
    }
    if (block.hands > 0) this.free[person] = handsEnd;
    this.ready[unit] = end;
    this.next[unit]!++;
    if (block.hands > 0) this.lastStart = start;
    this.placed.push({ block, person, start, handsEnd, end });
    return () => {
      this.placed.pop();
      this.next[unit]!--;
      this.ready[unit] = before.ready;
      this.free[person] = before.free;
      this.lastStart = before.lastStart;
      this.missed = before.missed;
      for (const [held, at, until] of taken) held[at] = until;
    };
  }

  /** Least cost of whatever is laid out from here: every unit goes on at once, as if alone. */
  bound(): number {
    return this.day.units.reduce((sum, { weight, promised }, unit) => {
      let done = this.ready[unit]!;
      for (let b = this.next[unit]!; b < this.blocks[unit]!.length; b++) {
        const { hands, wait } = this.blocks[unit]![b]!;
        done = Math.max(done, b === this.next[unit] ? this.earliest(unit) : done) + hands + wait;
      }
      return sum + costOf(done, weight, promised);
    }, LATE * this.missed);
  }

  plan(): DayPlan {
    return {
      placed: [...this.placed].sort((a, b) => a.start - b.start),
      done: [...this.ready],
      cost: this.day.units.reduce(
        (sum, { weight, promised }, unit) => sum + costOf(this.ready[unit]!, weight, promised),
        LATE * this.missed,
      ),
    };
  }
}

/** What it costs that a unit is done then. */
export const costOf = (done: number, weight: number, promised: number | null): number =>
  weight * (done + (promised === null ? 0 : LATE * Math.max(0, done - promised)));

/** The day in an order of units: each mention is the next block of that unit; what is not mentioned comes behind. */
export function laidOut(day: Day, order: readonly number[]): DayPlan {
  const layout = new Layout(day);
  for (const unit of order) if (layout.has(unit)) layout.place(unit);
  for (let unit = 0; unit < day.units.length; unit++) while (layout.has(unit)) layout.place(unit);
  return layout.plan();
}
