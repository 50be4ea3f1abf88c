import { MOST_FLASHES, type Colour, type LampPattern } from "./lamp-pattern";
import type { Beat } from "./lamp-beats";

/** What the flashes may mean: each pattern as a round of lights and darks, with what its words say of their lengths. */

export type On = "short" | "long";
export type Off = "gap" | "digit" | "pause";
export interface Element {
  readonly on: On;
  readonly off: Off;
  readonly colour?: Colour;
}
interface Ratio {
  readonly middle: number;
  readonly spread: number;
  readonly least: number;
}
export interface Template {
  readonly pattern: LampPattern;
  readonly elements: readonly Element[];
  readonly prior: number;
  readonly ratios: readonly { readonly over: On | Off; readonly under: On | Off; readonly as: Ratio }[];
}

/** Ratios of stretches, as the middle and the spread of their logarithm; and the least a word allows. From memory. */
const LONG_TO_SHORT = { middle: Math.log(3), spread: 0.4, least: 1.6 };
const PAUSE_TO_GAP = { middle: Math.log(4), spread: 0.7, least: 1.7 };
const DIGIT_TO_GAP = { middle: Math.log(2.6), spread: 0.5, least: 1.5 };
const PAUSE_TO_DIGIT = { middle: Math.log(2.2), spread: 0.5, least: 1.25 };
const EVEN_OFF_TO_ON = { middle: 0, spread: 0.35, least: 0 };
const SINGLE_OFF_TO_ON = { middle: Math.log(5), spread: 0.5, least: 1.3 };
const LETTER_TO_DOT = { middle: Math.log(3), spread: 0.3, least: 1.6 };
const WORD_TO_DOT = { middle: Math.log(7), spread: 0.4, least: 2.5 };

/**
 * Splits values into two sorts where their logarithms scatter least about their two means (Fisher, 1958); null when
 * they are of one sort.
 */
function split(values: readonly number[], least: number): number | null {
  const logs = values.map((v) => Math.log(Math.max(1e-3, v))).sort((a, b) => a - b);
  const n = logs.length;
  const sums = [0];
  for (const l of logs) sums.push(sums[sums.length - 1]! + l);
  const mean = (from: number, to: number) => (sums[to]! - sums[from]!) / (to - from);
  // The scatter about two means is least where the sum of squares between them is greatest.
  let [at, best] = [-1, -1];
  for (let i = 1; i < n; i++) {
    const between = i * mean(0, i) ** 2 + (n - i) * mean(i, n) ** 2;
    if (at < 0 || between > best) {
      best = between;
      at = i;
    }
  }
  if (at < 0 || mean(at, n) - mean(0, at) < Math.log(least)) return null;
  return Math.exp((logs[at]! + logs[at - 1]!) / 2);
}

const near = (n: number) => [n - 1, n, n + 1].filter((k) => k >= 1 && k <= MOST_FLASHES);

/** The patterns worth laying over the flashes: those whose counts have been seen, give or take one. */
export function templatesFor(beats: readonly Beat[], byHand: boolean): Template[] {
  const ons = beats.flatMap((b) => (b.on === null ? [] : [b.on]));
  const offs = beats.flatMap((b) => (b.off === null ? [] : [b.off]));
  const onSplit = split(ons, 1.4);
  const list: Template[] = [
    {
      pattern: { kind: "blinks", rate: "evenly" },
      elements: [{ on: "short", off: "gap" }],
      prior: 0.2,
      ratios: ons.length > 0 ? [{ over: "gap", under: "short", as: EVEN_OFF_TO_ON }] : [],
    },
  ];
  const counts = new Set<number>([1]);
  const border = split(offs, 1.3);
  // There may be two sorts of pause: the longer stretches are looked at by themselves too.
  for (const at of [
    border,
    border === null
      ? null
      : split(
          offs.filter((o) => o > border),
          1.2,
        ),
    border === null
      ? null
      : split(
          offs.filter((o) => o < border),
          1.2,
        ),
  ])
    if (at !== null)
      for (const n of runs(beats, (b) => b.off !== null && b.off > at))
        (byHand ? near(n) : [n]).forEach((k) => counts.add(k));
  for (const n of counts) if (n <= MOST_FLASHES) list.push(groups(n, ons.length > 0));
  if (onSplit !== null) {
    const pairs = neighbours(
      beats.map((b) => (b.on === null ? null : b.on > onSplit)),
      byHand,
    );
    // A long flash that came out short breaks its run; the whole round between two pauses still tells, divided as
    // long and short are on the whole.
    const share = ons.filter((on) => on > onSplit).length / ons.length;
    for (const whole of counts)
      for (
        let firsts = Math.max(1, Math.round(whole * share) - 1);
        firsts <= Math.min(whole - 1, Math.round(whole * share) + 1);
        firsts++
      )
        if (
          firsts <= 9 &&
          whole - firsts <= 9 &&
          !pairs.some((p) => p.firsts === firsts && p.seconds === whole - firsts)
        )
          pairs.push({ firsts, seconds: whole - firsts });
    for (const { firsts, seconds } of pairs) {
      const pattern: LampPattern = { kind: "digits", long: firsts, short: seconds };
      list.push(
        ...twice(
          pattern,
          firsts,
          seconds,
          { on: "long" },
          { on: "short" },
          [{ over: "long", under: "short", as: LONG_TO_SHORT }],
          0.15 / 81,
        ),
      );
    }
    list.push(...distress());
  }
  const colours = [...new Set(beats.flatMap((b) => (b.colour ? [b.colour] : [])))];
  if (colours.length === 2) {
    for (const [first, second] of [
      [colours[0]!, colours[1]!],
      [colours[1]!, colours[0]!],
    ] as const) {
      for (const { firsts, seconds } of neighbours(
        beats.map((b) => (b.colour === undefined ? null : b.colour === first)),
        byHand,
      )) {
        const pattern: LampPattern = { kind: "colours", first, firsts, second, seconds };
        list.push(
          ...twice(
            pattern,
            firsts,
            seconds,
            { on: "short", colour: first },
            { on: "short", colour: second },
            [],
            0.1 / 162,
          ),
        );
      }
    }
  }
  return list;
}

/** Lengths of the runs of beats, each ended by one for which `ends` holds. */
function runs(beats: readonly Beat[], ends: (b: Beat) => boolean): Set<number> {
  const found = new Set<number>();
  let n = 0;
  for (const beat of beats) {
    n++;
    if (ends(beat)) {
      found.add(n);
      n = 0;
    }
  }
  if (n > 0) found.add(n);
  return found;
}

/**
 * Counts of a run of `true` followed by a run of `false`: every length of the one that was seen with every length of
 * the other; by hand also one more or fewer.
 */
function neighbours(flags: readonly (boolean | null)[], byHand: boolean): { firsts: number; seconds: number }[] {
  const lengths: Readonly<Record<"true" | "false", Map<number, number>>> = { true: new Map(), false: new Map() };
  let [run, of] = [0, null as boolean | null];
  for (const flag of [...flags, null]) {
    if (flag !== null && flag === of) {
      run++;
      continue;
    }
    if (of !== null) {
      const seen = lengths[of ? "true" : "false"];
      seen.set(run, (seen.get(run) ?? 0) + 1);
    }
    if (flag === null && run === 0) continue;
    [run, of] = [1, flag];
  }
  // One flash taken for the other sort makes runs that are not there; the commonest few hold the true one.
  const common = (seen: ReadonlyMap<number, number>) => {
    const often = [...seen]
      .sort((a, b) => b[1] - a[1] || b[0] - a[0])
      .slice(0, 4)
      .map(([n]) => n);
    return [...new Set(byHand ? often.flatMap(near) : often)].filter((n) => n <= 9);
  };
  return common(lengths.true).flatMap((firsts) => common(lengths.false).map((seconds) => ({ firsts, seconds })));
}

function groups(n: number, withLight: boolean): Template {
  const elements = Array.from({ length: n }, (_, i): Element => ({ on: "short", off: i === n - 1 ? "pause" : "gap" }));
  const single = withLight ? [{ over: "pause", under: "short", as: SINGLE_OFF_TO_ON } as const] : [];
  return {
    pattern: { kind: "groups", flashes: n },
    elements,
    prior: 0.5 / MOST_FLASHES,
    ratios: n === 1 ? single : [{ over: "pause", under: "gap", as: PAUSE_TO_GAP }],
  };
}

/** A code of two counts, with and without a gap of its own between them. */
function twice(
  pattern: LampPattern,
  firsts: number,
  seconds: number,
  first: Omit<Element, "off">,
  second: Omit<Element, "off">,
  ratios: Template["ratios"],
  prior: number,
): Template[] {
  const build = (between: Off): Element[] => [
    ...Array.from({ length: firsts }, (_, i): Element => ({ ...first, off: i === firsts - 1 ? between : "gap" })),
    ...Array.from({ length: seconds }, (_, i): Element => ({ ...second, off: i === seconds - 1 ? "pause" : "gap" })),
  ];
  const more = firsts + seconds > 2;
  return [
    {
      pattern,
      elements: build("digit"),
      prior: prior / 2,
      ratios: [
        ...ratios,
        ...(more ? [{ over: "digit", under: "gap", as: DIGIT_TO_GAP } as const] : []),
        { over: "pause", under: "digit", as: PAUSE_TO_DIGIT },
      ],
    },
    {
      pattern,
      elements: build("gap"),
      prior: prior / 2,
      ratios: [...ratios, { over: "pause", under: "gap", as: PAUSE_TO_GAP }],
    },
  ];
}

/** Three dots, three dashes, three dots, as three letters or run together (ITU-R M.1677-1). */
function distress(): Template[] {
  const letter = (on: On, last: Off): Element[] => [
    { on, off: "gap" },
    { on, off: "gap" },
    { on, off: last },
  ];
  const build = (between: Off): Element[] => [
    ...letter("short", between),
    ...letter("long", between),
    ...letter("short", "pause"),
  ];
  const morse = [
    { over: "long", under: "short", as: LONG_TO_SHORT },
    { over: "pause", under: "gap", as: WORD_TO_DOT },
  ] as const;
  return [
    {
      pattern: { kind: "distress" },
      elements: build("digit"),
      prior: 0.025,
      ratios: [...morse, { over: "digit", under: "gap", as: LETTER_TO_DOT }],
    },
    { pattern: { kind: "distress" }, elements: build("gap"), prior: 0.025, ratios: morse },
  ];
}
