import {
  analyseSleep,
  type CurrentLog,
  readCurrentLog,
  type Sleep,
  type SleepLimits,
  thinned,
  UnreadableLog,
} from "../core/sleep-current";

/** Points drawn at most. */
const DRAWN = 1200;

/** A current log in a worker: read once, judged against any limits. */
export class SleepDesk {
  private log: CurrentLog | null = null;

  /** Reads a log; a problem comes back as a sentence. */
  read(
    text: string,
    unit: "A" | "mA" | "µA",
  ):
    | {
        readonly ok: true;
        readonly read: string;
        readonly skipped: number;
        readonly samples: number;
        readonly points: readonly (readonly [number, number])[];
      }
    | { readonly ok: false; readonly sentence: string } {
    try {
      this.log = readCurrentLog(text, unit);
      return {
        ok: true,
        read: this.log.read,
        skipped: this.log.skipped,
        samples: this.log.amps.length,
        points: thinned(this.log, DRAWN),
      };
    } catch (error) {
      this.log = null;
      if (error instanceof UnreadableLog) return { ok: false, sentence: error.message };
      throw error;
    }
  }

  /** What the log that was read tells; null before one was. */
  analyse(limits: SleepLimits): Sleep | null {
    return this.log ? analyseSleep(this.log, limits) : null;
  }
}
