import type { Beat, Watched } from "./lamp-beats";
import type { Off, On, Template } from "./lamp-templates";

/**
 * A template laid over the beats: where each of them lies in it (Viterbi, 1967, with flashes missed and doubled), and
 * the rhythm that fits best.
 */

export type Rhythm = Readonly<Partial<Record<On | Off, number>>>;
export interface Fit {
  readonly log: number;
  readonly rounds: number;
  readonly rhythm: Rhythm;
  readonly scatter: number;
}

/** A rhythm is even to within this share of each stretch. */
export const UNEVEN = 0.17;
export const UNEVEN_HAND = 0.22;
/** A second flash within this of the first is a bounce of the finger, seconds. */
const BOUNCE = 0.15;

/** Lays a template over the beats, its rhythm fitted to them; null when its rhythm contradicts its words. */
export function fitted(
  template: Template,
  beats: readonly Beat[],
  tail: number | null,
  watched: Watched,
  passes: number,
): Fit | null {
  let rhythm = firstRhythm(template, beats);
  let path = viterbi(template, beats, rhythm, tail, watched);
  for (let pass = 0; pass < passes; pass++) {
    const next = refitted(template, beats, path.places, rhythm);
    const changed = (Object.keys(next) as (On | Off)[]).some((k) => Math.abs(next[k]! - rhythm[k]!) > 1e-6);
    rhythm = next;
    path = viterbi(template, beats, rhythm, tail, watched);
    if (!changed) break;
  }
  let log = path.log + Math.log(template.prior);
  for (const { over, under, as } of template.ratios) {
    const [a, b] = [rhythm[over], rhythm[under]];
    if (a === undefined || b === undefined) continue;
    if (a / b < as.least) return null;
    log += -0.5 * ((Math.log(a / b) - as.middle) / as.spread) ** 2 - Math.log(as.spread * Math.sqrt(2 * Math.PI));
  }
  // Each free length of the rhythm was fitted: half the logarithm of the number of beats (Schwarz, 1978).
  log -= 0.5 * Object.keys(rhythm).length * Math.log(beats.length);
  return { log, rounds: path.rounds, rhythm, scatter: scatter(template, beats, path.places, rhythm, watched.blur) };
}

const median = (values: readonly number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;

/** A rhythm to begin with: the lengths sorted, as many to each role as the template has of it. */
function firstRhythm({ elements }: Template, beats: readonly Beat[]): Rhythm {
  const rhythm: Partial<Record<On | Off, number>> = {};
  const deal = (values: readonly number[], roles: readonly (On | Off)[], order: readonly (On | Off)[]) => {
    const sorted = [...values].sort((a, b) => a - b);
    let at = 0;
    const present = order.filter((r) => roles.includes(r));
    present.forEach((role, i) => {
      const share = roles.filter((r) => r === role).length / roles.length;
      const to =
        i === present.length - 1
          ? sorted.length
          : Math.min(sorted.length, at + Math.max(1, Math.round(share * sorted.length)));
      const mine = sorted.slice(at, to);
      rhythm[role] = mine.length > 0 ? median(mine) : (sorted[sorted.length - 1] ?? 0.3);
      at = to;
    });
  };
  deal(
    beats.flatMap((b) => (b.on === null ? [] : [b.on])),
    elements.map((e) => e.on),
    ["short", "long"],
  );
  deal(
    beats.flatMap((b) => (b.off === null ? [] : [b.off])),
    elements.map((e) => e.off),
    ["gap", "digit", "pause"],
  );
  return rhythm;
}

/** Where each beat lies in the template, and whether the step to the next one was plain. */
interface Place {
  readonly at: number;
  readonly step: "plain" | "missed" | "double";
}

function refitted({ elements }: Template, beats: readonly Beat[], places: readonly Place[], before: Rhythm): Rhythm {
  const sums = new Map<On | Off, [number, number]>();
  const add = (role: On | Off, x: number | null) => {
    if (x === null) return;
    const [sum, n] = sums.get(role) ?? [0, 0];
    sums.set(role, [sum + x, n + 1]);
  };
  places.forEach((place, i) => {
    const element = elements[place.at]!;
    const cameDouble = i > 0 && places[i - 1]!.step === "double";
    if (!cameDouble && place.step !== "double") add(element.on, beats[i]!.on);
    if (place.step === "plain") add(element.off, beats[i]!.off);
  });
  return Object.fromEntries(
    (Object.keys(before) as (On | Off)[]).map((role) => {
      const s = sums.get(role);
      return [role, s ? s[0] / s[1] : before[role]!];
    }),
  );
}

/**
 * By what share of themselves the stretches scatter about their rhythm, the blur of the edges taken off; root mean
 * square.
 */
function scatter(
  { elements }: Template,
  beats: readonly Beat[],
  places: readonly Place[],
  rhythm: Rhythm,
  blur: number,
): number {
  let [sum, n] = [0, 0];
  const add = (x: number | null, mean: number) => {
    if (x === null) return;
    sum += Math.max(0, ((x - mean) / mean) ** 2 - ((1.2 * blur) / mean) ** 2);
    n++;
  };
  places.forEach((place, i) => {
    const element = elements[place.at]!;
    if (place.step !== "double" && !(i > 0 && places[i - 1]!.step === "double")) add(beats[i]!.on, rhythm[element.on]!);
    if (place.step === "plain") add(beats[i]!.off, rhythm[element.off]!);
  });
  return n < 4 ? 0 : Math.sqrt(sum / (n - 1));
}

function viterbi(
  { elements, pattern }: Template,
  beats: readonly Beat[],
  rhythm: Rhythm,
  tail: number | null,
  { blur, byHand }: Watched,
): { log: number; places: Place[]; rounds: number } {
  const k = elements.length;
  const uneven = byHand ? UNEVEN_HAND : UNEVEN;
  const missed = Math.log(byHand ? 0.03 : 0.001);
  const doubled = Math.log(byHand ? 0.002 : 0.001);
  const plain = Math.log(byHand ? 0.968 : 0.998);
  const sdOf = (mean: number) => Math.sqrt((uneven * mean) ** 2 + (blur * 1.5) ** 2);
  const tappedOnly = beats.every((b) => b.on === null);
  const bell = (mean: number, sd: number) => ({ mean, sd, log: Math.log(sd) + 0.9189385 });
  const at = (x: number, b: { readonly mean: number; readonly sd: number; readonly log: number }) =>
    -0.5 * ((x - b.mean) / b.sd) ** 2 - b.log;
  const bright = elements.map((e) => bell(rhythm[e.on]!, sdOf(rhythm[e.on]!)));
  const on = (j: number, b: Beat) => {
    const { colour } = elements[j]!;
    return (
      (colour && b.colour ? Math.log(colour === b.colour ? 0.98 : 0.005) : 0) +
      (b.on === null ? 0 : at(b.on, bright[j]!))
    );
  };
  // Without colours in the pattern all flashes are of one colour.
  const colours = new Map<string, number>();
  for (const b of beats) if (b.colour) colours.set(b.colour, (colours.get(b.colour) ?? 0) + 1);
  const common = Math.max(0, ...colours.values());
  const odd = pattern.kind === "colours" ? 0 : [...colours.values()].reduce((a, b) => a + b, 0) - common;

  // What the template expects of each place is worked out once; then beat by beat, the best way to each place.
  const dark = elements.map((e) => bell(rhythm[e.off]!, sdOf(rhythm[e.off]!)));
  const skip = elements.map((e, j) => {
    const next = elements[(j + 1) % k]!;
    const parts = [rhythm[e.off]!, tappedOnly ? 0 : rhythm[next.on]!, rhythm[next.off]!];
    return bell(parts[0]! + parts[1]! + parts[2]!, Math.hypot(sdOf(parts[0]!), sdOf(parts[1]!), sdOf(parts[2]!)));
  });
  let logs = elements.map((_, j) => -Math.log(k) + on(j, beats[0]!));
  // The step by which the best way came to each place; it tells where from.
  const back: Place["step"][][] = [];
  for (let i = 1; i < beats.length; i++) {
    const off = beats[i - 1]!.off ?? 0;
    const light = elements.map((_, j) => on(j, beats[i]!));
    const bounced = doubled + (off < BOUNCE ? -Math.log(BOUNCE) : -30) + (beats[i]!.on === null ? 0 : Math.log(2));
    const next = new Array<number>(k).fill(-Infinity);
    const came = new Array<Place["step"]>(k).fill("plain");
    const lead = (to: number, step: Place["step"], log: number) => {
      if (log > next[to]!) {
        next[to] = log;
        came[to] = step;
      }
    };
    for (let j = 0; j < k; j++) {
      const [one, two] = [(j + 1) % k, (j + 2) % k];
      lead(one, "plain", logs[j]! + plain + at(off, dark[j]!) + light[one]!);
      lead(two, "missed", logs[j]! + missed + at(off, skip[j]!) + light[two]!);
      lead(j, "double", logs[j]! + bounced);
    }
    logs = next;
    back.push(came);
  }
  // The dark since the last flash: the template's own dark must not be over long ago.
  if (tail !== null)
    logs = logs.map((log, j) => {
      const gone = rhythm[elements[j]!.off]!;
      return log + (tail > gone + 4 * sdOf(gone) ? -7 : 0);
    });
  let last = 0;
  logs.forEach((log, j) => {
    if (log > logs[last]!) last = j;
  });
  const places: Place[] = [{ at: last, step: "plain" }];
  for (let i = back.length - 1, to = last; i >= 0; i--) {
    const step = back[i]![to]!;
    to = (to + k * 2 - { plain: 1, missed: 2, double: 0 }[step]) % k;
    places.push({ at: to, step });
  }
  places.reverse();
  const steps = places.slice(0, -1).reduce((n, p) => n + beatsIn(p), 1);
  return { log: logs[last]! + odd * Math.log(0.02), places, rounds: steps / k };
}

/** How many beats a step of the path stands for. */
function beatsIn(p: Place): number {
  if (p.step === "plain") return 1;
  if (p.step === "missed") return 2;
  return 0;
}
