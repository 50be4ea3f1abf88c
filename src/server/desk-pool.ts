import { log } from "../log";
/** One worker that answers for one machine. */
export interface Desk<D> {
  readonly desk: D;
  /** Rejects when the worker ends by itself; never resolves. */
  readonly lost: Promise<never>;
  end(): void;
}

interface Kept<D> extends Desk<D> {
  readonly built: Promise<void>;
  ready: boolean;
  users: number;
}

/**
 * Workers that are costly to begin, each for one key, a bounded number at once. Who asks for one that is not there
 * waits in turn until there is room; one that is in use is never put away; one that ends takes down only what waits on
 * it.
 */
export class DeskPool<D> {
  /** By key, the longest unused first. */
  private readonly kept = new Map<string, Kept<D>>();
  private waiting: (() => void)[] = [];
  private readonly preparing = new Set<string>();
  /** Workers begun since the pool was made. */
  begun = 0;

  constructor(private readonly most: number) {}

  /** Whether the worker of a key is there and built. */
  isReady(key: string): boolean {
    return this.kept.get(key)?.ready ?? false;
  }

  /** Whether it is there, built or being built. */
  has(key: string): boolean {
    return this.kept.has(key);
  }

  get size(): number {
    return this.kept.size;
  }

  /** Runs work on the worker of a key, which is begun and built first where it is not there. */
  async use<T>(
    key: string,
    begin: () => Desk<D>,
    build: (desk: D) => Promise<void>,
    work: (desk: D) => Promise<T>,
  ): Promise<T> {
    const kept = await this.take(key, begin, build);
    try {
      await kept.built;
      return await Promise.race([work(kept.desk), kept.lost]);
    } finally {
      kept.users--;
      this.wake();
    }
  }

  /** Begins and builds the worker of a key in its turn, without anybody waiting for it. */
  prepare(key: string, begin: () => Desk<D>, build: (desk: D) => Promise<void>): void {
    if (this.preparing.has(key) || this.kept.has(key)) return;
    this.preparing.add(key);
    this.use(key, begin, build, () => Promise.resolve())
      // Whoever asks next begins it anew and is told what is wrong.
      .catch((error: unknown) => log().error({ err: error }, "A dictionary could not be built"))
      .finally(() => this.preparing.delete(key));
  }

  private async take(key: string, begin: () => Desk<D>, build: (desk: D) => Promise<void>): Promise<Kept<D>> {
    for (;;) {
      const known = this.kept.get(key);
      if (known) {
        known.users++;
        this.kept.delete(key);
        this.kept.set(key, known);
        return known;
      }
      if (this.makeRoom()) return this.begin(key, begin, build);
      await new Promise<void>((resolve) => this.waiting.push(resolve));
    }
  }

  /** Whether there is room for one more, after the longest unused idle one was put away where that was needed. */
  private makeRoom(): boolean {
    if (this.kept.size < this.most) return true;
    for (const [key, kept] of this.kept) {
      if (kept.users > 0) continue;
      this.kept.delete(key);
      kept.end();
      return true;
    }
    return false;
  }

  private begin(key: string, begin: () => Desk<D>, build: (desk: D) => Promise<void>): Kept<D> {
    const desk = begin();
    this.begun++;
    const kept: Kept<D> = {
      ...desk,
      ready: false,
      users: 1,
      built: Promise.race([build(desk.desk), desk.lost]).then(() => {
        kept.ready = true;
      }),
    };
    const drop = () => {
      if (this.kept.get(key) === kept) this.kept.delete(key);
      kept.end();
      this.wake();
    };
    kept.built.catch(drop);
    desk.lost.catch(drop);
    this.kept.set(key, kept);
    return kept;
  }

  /** Everyone who waits looks again, in the order in which they came. */
  private wake(): void {
    const waiting = this.waiting;
    this.waiting = [];
    for (const look of waiting) look();
  }
}
