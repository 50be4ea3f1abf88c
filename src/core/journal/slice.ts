import type { EventBody, JournalEvent } from "./events";

export type Body<T extends EventBody["type"]> = Extract<EventBody, { type: T }>;

/** An event without where it stands in the journal, as a job keeps it. */
export interface Done<T extends EventBody["type"]> {
  readonly id: string;
  readonly at: string;
  readonly actor: string;
  readonly body: Body<T>;
}

/**
 * One area of what a journal tells: what it is before the first entry, and after one more. A state belongs to the fold
 * that made it, which may change it in place, so that one more entry costs the same however long the journal is;
 * whoever wants to keep one folds anew.
 * `A` is what has to be known beside the journal.
 */
export interface Slice<S, A = unknown> {
  init(about: A): S;
  apply(state: S, entry: JournalEvent, about: A): S;
  /** Takes what is written after the call too. Without it the call ends what the slice tells. */
  readonly afterCall?: true;
}

/** Entries after which a job is over. */
const ENDS: ReadonlySet<EventBody["type"]> = new Set<EventBody["type"]>(["called", "dropped"]);

type Slices<A> = Readonly<Record<string, Slice<unknown, A>>>;
export type StateOf<S> = S extends Slice<infer T, never> ? T : never;
export type Composed<T> = { -readonly [K in keyof T]: T[K] extends Slice<infer S, never> ? S : never };

/** Several slices as one, each with its own name in the state. */
export function composed<A, T extends Slices<A>>(slices: T): Slice<Composed<T> & { closed: boolean }, A> {
  const names = Object.keys(slices) as (keyof T & string)[];
  return {
    init: (about) =>
      ({
        closed: false,
        ...Object.fromEntries(names.map((name) => [name, slices[name]!.init(about)])),
      }) as Composed<T> & {
        closed: boolean;
      },
    apply(state, entry, about) {
      for (const name of names)
        if (!state.closed || slices[name]!.afterCall)
          state[name] = slices[name]!.apply(state[name], entry, about) as (typeof state)[typeof name];
      if (ENDS.has(entry.body.type)) state.closed = true;
      return state;
    },
  };
}

/** Folds entries, in order of `seq`, into what a slice tells of them. */
export function folded<S, A>(slice: Slice<S, A>, entries: readonly JournalEvent[], about: A): S {
  return entries.reduce((state, entry) => slice.apply(state, entry, about), slice.init(about));
}

/** A slice that keeps the entries of one type, in order. */
export function listOf<T extends EventBody["type"]>(type: T): Slice<Done<T>[]> {
  return {
    init: () => [],
    apply(state, entry) {
      if (entry.body.type === type) state.push(doneOf(entry, entry.body as Body<T>));
      return state;
    },
  };
}

/** An entry as a job keeps it. */
export function doneOf<T extends EventBody["type"]>({ id, at, actor }: JournalEvent, body: Body<T>): Done<T> {
  return { id, at, actor, body };
}
