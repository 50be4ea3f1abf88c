import type { CurrentLog } from "./current-log";
import { say } from "#words/core/sleep-current";

/** What the machine may draw asleep and how soon it has to be there. Amperes, seconds. */
export interface SleepLimits {
  readonly asleepAmps: number;
  readonly withinSeconds: number;
}

/** A stretch of the log, seconds. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
}

/** What a current log tells of a machine that should fall asleep. */
export interface Sleep {
  /** Median currents, amperes; null where the log has no such stretch. */
  readonly awake: number | null;
  readonly asleep: number | null;
  /** Seconds from the (last) start until it stays asleep; null when it never does. */
  readonly toSleep: number | null;
  readonly wakeUps: readonly Stretch[];
  /** Where the clip was off; the test begins anew after the last of them. */
  readonly lost: readonly Stretch[];
  /** Where nothing was logged: not seen, and nothing is known of it; the test goes on. */
  readonly unseen: readonly Stretch[];
  /** Where what counts begins, seconds. */
  readonly from: number;
  readonly to: number;
  /** Mean current from falling asleep to the end, wake-ups included; null when it never sleeps. */
  readonly mean: number | null;
  /** The smallest step the logger can show, amperes. */
  readonly resolution: number;
}

/** A clip is off when nothing at all flows for this long, seconds, and the current then comes back to what it was. */
const LOST_SECONDS = 0.5;
/** Asleep is what stays so for this long, seconds, or for a twentieth of a short log. */
const STAYS = 5;
/** Levels closer than this factor are one level. */
const APART = 2.5;

/**
 * Finds the levels and the stretches. Two levels: the split of the logarithms of the currents that leaves the least
 * variance within (Otsu, IEEE Trans. SMC 9, 1979), with a fifth of the gap as hysteresis. A log with one level is awake
 * or asleep by the limit.
 */
export function analyseSleep(
  log: Pick<CurrentLog, "seconds" | "amps"> & { readonly resolution?: number },
  limits: SleepLimits,
): Sleep {
  const { seconds, amps } = log;
  const n = amps.length;
  // A few readings by eye differ by more than their display shows: as they are written counts where it is finer.
  const resolution = Math.min(stepOf(amps), log.resolution ?? Infinity);
  const nothing = Math.max(resolution / 2, limits.asleepAmps / 1000);
  const lost = clipLost(log, nothing);
  const start = startAfter(log, lost, nothing);
  const [from, to] = [seconds[Math.min(start, n - 1)]!, seconds[n - 1]!];
  const frame = { lost, unseen: gapsIn(seconds).filter((g) => g.to > from), from, to, resolution };
  const nowhere = { ...frame, awake: null, asleep: null, toSleep: null, wakeUps: [], mean: null };
  if (start >= n - 1) return nowhere;

  const split = splitOf(amps, start, nothing);
  const level = quantile(amps, start, 0.5);
  const awakeThroughout = { ...nowhere, awake: level };
  if (split === null && level > limits.asleepAmps * APART) return awakeThroughout;
  // Of a log slower than that, as of a display read by eye, one reading is all there is of it.
  const stays = medianStep(seconds) >= STAYS ? 0 : Math.min(STAYS, (to - from) / 20);
  const slept = stretchesBelow(log, split, start).filter((s) => s.to - s.from >= stays);
  if (slept.length === 0) return awakeThroughout;

  const first = slept[0]!;
  const wakeUps = slept
    .slice(1)
    .map((s, i) => ({ from: slept[i]!.to, to: s.from }))
    .filter((w) => w.to > w.from);
  const end = slept[slept.length - 1]!;
  if (end.to < to) wakeUps.push({ from: end.to, to });
  const awakeStretch = first.from > from ? [{ from, to: first.from }] : wakeUps;
  return {
    ...frame,
    awake: awakeStretch.length ? medianWithin(seconds, amps, awakeStretch) : null,
    asleep: medianWithin(seconds, amps, slept),
    toSleep: first.from - from,
    wakeUps,
    mean: meanFrom(seconds, amps, first.from),
  };
}

/** Where nothing was logged for twenty of the usual steps, and two seconds at least. */
function gapsIn(seconds: Float64Array): Stretch[] {
  const gap = Math.max(20 * medianStep(seconds), 2);
  const gaps: Stretch[] = [];
  for (let i = 1; i < seconds.length; i++)
    if (seconds[i]! - seconds[i - 1]! > gap) gaps.push({ from: seconds[i - 1]!, to: seconds[i]! });
  return gaps;
}

/**
 * Where the clip was off: nothing at all until the current comes back. Nothing at all to the end, after the awake
 * level, is sleep: many displays show 0.0 then.
 */
function clipLost({ seconds, amps }: Pick<CurrentLog, "seconds" | "amps">, nothing: number): Stretch[] {
  const n = amps.length;
  const lost: Stretch[] = [];
  for (let i = 0; i < n;) {
    if (Math.abs(amps[i]!) > nothing) {
      i++;
      continue;
    }
    let j = i;
    while (j + 1 < n && Math.abs(amps[j + 1]!) <= nothing) j++;
    const isSleep = i > 0 && j === n - 1;
    if (seconds[j]! - seconds[i]! >= LOST_SECONDS && !isSleep) lost.push({ from: seconds[i]!, to: seconds[j]! });
    i = j + 1;
  }
  return lost;
}

/** The first entry that counts: a test begins anew once the clip was lost. */
function startAfter(
  { seconds, amps }: Pick<CurrentLog, "seconds" | "amps">,
  lost: readonly Stretch[],
  nothing: number,
): number {
  const last = lost.at(-1);
  if (!last) return 0;
  const back = seconds.findIndex((t, i) => t > last.to || (t === last.to && Math.abs(amps[i]!) > nothing));
  return back < 0 ? seconds.length : back;
}

/** The stretches below the split, with hysteresis; the whole log where there is one level only. */
function stretchesBelow(
  { seconds, amps }: Pick<CurrentLog, "seconds" | "amps">,
  split: number | null,
  start: number,
): Stretch[] {
  const [up, down] = split === null ? [Infinity, Infinity] : [split * 1.2, split / 1.2];
  const stretches: Stretch[] = [];
  let since: number | null = null;
  for (let i = start; i < amps.length; i++) {
    const a = Math.abs(amps[i]!);
    if (since === null && a < down) since = seconds[i]!;
    else if (since !== null && a > up) {
      stretches.push({ from: since, to: seconds[i]! });
      since = null;
    }
  }
  if (since !== null) stretches.push({ from: since, to: seconds.at(-1)! });
  return stretches;
}

/** What the log says against the limits. */
export interface SleepVerdict {
  readonly kind: "good" | "bad" | "unsure";
  readonly words: string;
}

/** Judges a log: a machine that sleeps within its limits is not the drain, and that is a full result. */
export function judgeSleep(
  sleep: Sleep,
  limits: SleepLimits,
  show: (amps: number) => string,
  time: (seconds: number) => string,
): SleepVerdict {
  if (sleep.resolution > limits.asleepAmps / 5)
    return {
      kind: "unsure",
      words: say.thisLoggerShowsStepsOf(show(sleep.resolution), show(limits.asleepAmps), show(limits.asleepAmps / 10)),
    };
  if (sleep.to - sleep.from < limits.withinSeconds && sleep.asleep === null)
    return {
      kind: "unsure",
      words: say.tooShortItMayTake(
        time(limits.withinSeconds),
        time(sleep.to - sleep.from),
        sleep.lost.length > 0 ? say.sinceTheClipWasLost : "",
      ),
    };
  if (sleep.asleep === null) return { kind: "bad", words: say.itNeverFallsAsleep };
  if (sleep.asleep > limits.asleepAmps)
    return {
      kind: "bad",
      words: say.itSleepsButDrawsWhere(show(sleep.asleep), show(limits.asleepAmps)),
    };
  if (sleep.toSleep! > limits.withinSeconds) return { kind: "bad", words: say.itSleepsOnlyAfter(time(sleep.toSleep!)) };
  if (sleep.mean !== null && sleep.mean > limits.asleepAmps)
    return { kind: "bad", words: say.itWakesUpTooOften(show(sleep.mean)) };
  const unseen = sleep.unseen.reduce((sum, g) => sum + g.to - g.from, 0);
  // What was not seen may have been a waking: the verdict is of what was.
  return { kind: "good", words: unseen > 0 ? say.notTheDrainAsSeen(time(unseen)) : say.thisUnitIsNotThe };
}

/**
 * What a machine draws where it should sleep, amperes: asleep; on average, where it wakes up too often for its limit;
 * still awake, where it never sleeps or not in time. Null where the log tells nothing.
 */
export function drawnAsleep(sleep: Sleep, limits: SleepLimits): number | null {
  if (sleep.asleep === null || (sleep.toSleep ?? 0) > limits.withinSeconds) return sleep.awake ?? sleep.asleep;
  return sleep.mean !== null && sleep.mean > limits.asleepAmps ? sleep.mean : sleep.asleep;
}

/** Days until a battery of `ampereHours` is down to `share` of itself at a mean current of `amps`. */
export function daysUntilFlat(ampereHours: number, amps: number, share = 0.5): number {
  return (ampereHours * (1 - share)) / amps / 24;
}

function stepOf(amps: Float64Array): number {
  let least = Infinity;
  const stride = Math.max(1, Math.floor(amps.length / 50_000));
  for (let i = stride; i < amps.length; i += stride) {
    const d = Math.abs(amps[i]! - amps[i - stride]!);
    if (d > 1e-12 && d < least) least = d;
  }
  return Number.isFinite(least) ? least : 0;
}

function medianStep(seconds: Float64Array): number {
  const stride = Math.max(1, Math.floor(seconds.length / 1000));
  const steps: number[] = [];
  for (let i = stride; i < seconds.length; i += stride) steps.push((seconds[i]! - seconds[i - stride]!) / stride);
  steps.sort((a, b) => a - b);
  return steps[Math.floor(steps.length / 2)] ?? 1;
}

const BINS = 256;

/** The current between two levels, or null where there is one level only. */
function splitOf(amps: Float64Array, start: number, nothing: number): number | null {
  let [low, high] = [Infinity, -Infinity];
  for (let i = start; i < amps.length; i++) {
    const l = Math.log(Math.max(Math.abs(amps[i]!), nothing, 1e-12));
    if (l < low) low = l;
    if (l > high) high = l;
  }
  if (high - low < Math.log(APART)) return null;
  const counts = new Float64Array(BINS);
  for (let i = start; i < amps.length; i++)
    counts[
      Math.min(
        BINS - 1,
        Math.floor(((Math.log(Math.max(Math.abs(amps[i]!), nothing, 1e-12)) - low) / (high - low)) * BINS),
      )
    ]!++;
  const total = amps.length - start;
  let [sum, count, best, at] = [0, 0, -1, 0];
  const whole = counts.reduce((s, c, b) => s + b * c, 0);
  for (let b = 0; b < BINS - 1; b++) {
    count += counts[b]!;
    sum += b * counts[b]!;
    if (count === 0 || count === total) continue;
    const between = count * (total - count) * (sum / count - (whole - sum) / (total - count)) ** 2;
    if (between > best) {
      best = between;
      at = b;
    }
  }
  // The middle of the empty stretch round the split, so that hysteresis has room on both sides.
  let [left, right] = [at, at + 1];
  while (left > 0 && counts[left] === 0) left--;
  while (right < BINS - 1 && counts[right] === 0) right++;
  const means = (from: number, to: number) => {
    let [s, c] = [0, 0];
    for (let b = from; b <= to; b++) {
      s += b * counts[b]!;
      c += counts[b]!;
    }
    return c ? s / c : from;
  };
  if (((means(at + 1, BINS - 1) - means(0, at)) / BINS) * (high - low) < Math.log(APART)) return null;
  return Math.exp(low + ((left + right + 1) / 2 / BINS) * (high - low));
}

function quantile(amps: Float64Array, start: number, share: number): number {
  const list = amps.slice(start).sort();
  return list[Math.min(list.length - 1, Math.floor(share * list.length))]!;
}

function medianWithin(seconds: Float64Array, amps: Float64Array, stretches: readonly Stretch[]): number {
  const values: number[] = [];
  let s = 0;
  for (let i = 0; i < amps.length && s < stretches.length; i++) {
    while (s < stretches.length && seconds[i]! > stretches[s]!.to) s++;
    if (s < stretches.length && seconds[i]! >= stretches[s]!.from && seconds[i]! < stretches[s]!.to)
      values.push(amps[i]!);
  }
  return quantile(Float64Array.from(values.length ? values : [0]), 0, 0.5);
}

/** Mean over time from a moment on (trapezia). */
function meanFrom(seconds: Float64Array, amps: Float64Array, from: number): number {
  let [sum, time] = [0, 0];
  for (let i = 1; i < amps.length; i++) {
    if (seconds[i - 1]! < from) continue;
    const dt = seconds[i]! - seconds[i - 1]!;
    sum += (dt * (amps[i]! + amps[i - 1]!)) / 2;
    time += dt;
  }
  return time > 0 ? sum / time : amps[amps.length - 1]!;
}
