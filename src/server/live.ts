import { inArray } from "drizzle-orm";
import { type JournalEvent, type RawEvent, upcast } from "../core/journal";
import { database } from "./db";
import { storedOf } from "./journals";
import { Refusal } from "./refusal";
import { streams } from "./schema";
import { entriesOf } from "./streams";
import { log } from "../log";
import { say } from "#words/server";

/**
 * Between two looks at the journals that are followed, milliseconds: another process on the same database may have
 * written.
 */
const LOOK_EVERY = 400;
/** Journals that one process follows at once, one for each page that is looked at. */
const MOST = 300;

interface Listener {
  readonly job: string;
  /** Sequence number of the last entry it was given. */
  seq: number;
  give(entries: readonly (JournalEvent | RawEvent)[]): void;
  end(): void;
}

/**
 * Follows the journals that somebody looks at. Every page of every process on one database is given every entry once
 * and in order: at once what this process writes, within a look what another one does.
 */
export class Follower {
  private readonly listeners = new Set<Listener>();
  private timer: NodeJS.Timeout | null = null;
  private looking: Promise<void> | null = null;
  private again = false;
  /** Looks at the database since it was made; one look serves all that are followed. */
  looks = 0;

  get following(): number {
    return this.listeners.size;
  }

  /**
   * Gives what a journal has after `seq`, and everything that comes, until the returned function is called. Throws a
   * `Refusal`.
   */
  follow(job: string, seq: number, give: Listener["give"], end: () => void): () => void {
    if (this.listeners.size >= MOST) throw new Refusal(503, say.tooManyPagesLookAt, true);
    const listener: Listener = { job, seq, give, end };
    this.listeners.add(listener);
    this.look();
    return () => {
      this.listeners.delete(listener);
      if (this.listeners.size === 0 && this.timer) clearTimeout(this.timer);
    };
  }

  /** Looks now: something was written here. */
  look(): void {
    if (this.looking) {
      this.again = true;
      return;
    }
    if (this.timer) clearTimeout(this.timer);
    this.timer = null;
    if (this.listeners.size === 0) return;
    this.looking = this.lookOnce()
      .catch((error: unknown) => {
        // Whoever listens keeps listening: the database comes back, and what was written meanwhile is given then.
        log().warn({ err: error }, "Journals could not be followed");
      })
      .finally(() => {
        this.looking = null;
        if (this.again) {
          this.again = false;
          this.look();
        } else if (this.listeners.size > 0) {
          this.timer = setTimeout(() => this.look(), LOOK_EVERY);
          this.timer.unref();
        }
      });
  }

  /** Ends every stream; for a process that is told to end. */
  close(): void {
    for (const listener of this.listeners) listener.end();
    this.listeners.clear();
    if (this.timer) clearTimeout(this.timer);
  }

  private async lookOnce(): Promise<void> {
    this.looks++;
    const db = database();
    const jobs = [...new Set([...this.listeners].map((l) => l.job))];
    const rows = await db
      .select({ id: streams.id, lastSeq: streams.lastSeq })
      .from(streams)
      .where(inArray(streams.id, jobs));
    for (const { id, lastSeq } of rows) {
      const behind = [...this.listeners].filter((l) => l.job === id && l.seq < lastSeq);
      if (behind.length === 0) continue;
      const from = Math.min(...behind.map((l) => l.seq));
      const entries = (await entriesOf(db, id, from)).map((row) => upcast(storedOf(row)));
      for (const listener of behind) {
        const fresh = entries.filter((e) => e.seq > listener.seq);
        if (fresh.length === 0) continue;
        listener.seq = fresh.at(-1)!.seq;
        listener.give(fresh);
      }
    }
  }
}

/** The one follower of this process, however the routes are bundled. */
export function follower(): Follower {
  return ((globalThis as { unzoFollower?: Follower }).unzoFollower ??= new Follower());
}
