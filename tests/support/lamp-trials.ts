import { COLOURS, labelOf, type Colour, type LampPattern } from "../../src/core/lamp/lamp-pattern";
import type { Flash, Watched } from "../../src/core/lamp/lamp-beats";
import { readLamp } from "../../src/core/lamp/lamp-reader";

/** A stream of random numbers, the same for the same seed (mulberry32). */
export function stream(seed: number): {
  uniform(low: number, high: number): number;
  normal(): number;
  whole(low: number, high: number): number;
} {
  let a = seed >>> 0;
  const next = () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = a;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  return {
    uniform: (low, high) => low + (high - low) * next(),
    normal: () => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next()),
    whole: (low, high) => low + Math.floor(next() * (high - low + 1)),
  };
}
type Random = ReturnType<typeof stream>;

interface Stretch {
  readonly lit: Colour | null;
  readonly seconds: number;
}

/** A pattern at random, with a rhythm of its own that is not the decoder's; no stretch shorter than `least` seconds. */
export function anyPattern(random: Random, least: number): { pattern: LampPattern; round: Stretch[] } {
  const flash = random.uniform(Math.max(least, 0.12), Math.max(least * 1.6, 0.45));
  const gap = Math.max(least, flash * random.uniform(0.7, 1.5));
  const pause = Math.max(flash, gap) * random.uniform(3, 6);
  const run = (n: number, lit: Colour, seconds: number, last: number): Stretch[] =>
    Array.from({ length: n }, (_, i) => [
      { lit, seconds },
      { lit: null, seconds: i === n - 1 ? last : gap },
    ]).flat();
  switch (random.whole(0, 9)) {
    case 0: {
      const rates = (["slowly", "evenly", "fast"] as const).filter(
        (r) => 0.5 / ({ slowly: 0.4, evenly: 1.1, fast: 3 }[r] * 1.2) >= least,
      );
      const rate = rates[random.whole(0, rates.length - 1)]!;
      const half = 0.5 / ({ slowly: 0.4, evenly: 1.1, fast: 3 }[rate] * random.uniform(0.85, 1.18));
      return { pattern: { kind: "blinks", rate }, round: run(1, "white", half, half) };
    }
    case 1:
    case 2: {
      const [long, short] = [random.whole(1, 9), random.whole(1, 9)];
      const longer = flash * random.uniform(2.4, 3.5);
      const between = gap * random.uniform(2, 2.6);
      return {
        pattern: { kind: "digits", long, short },
        round: [
          ...run(long, "white", longer, between),
          ...run(short, "white", flash, Math.max(longer, between) * random.uniform(1.7, 2.6)),
        ],
      };
    }
    case 3: {
      const [first, second] = [COLOURS[0], COLOURS[1]];
      const [firsts, seconds] = [random.whole(1, 9), random.whole(1, 9)];
      const between = gap * random.uniform(2, 2.6);
      return {
        pattern: { kind: "colours", first, firsts, second, seconds },
        round: [
          ...run(firsts, first, flash, between),
          ...run(seconds, second, flash, between * random.uniform(1.8, 2.6)),
        ],
      };
    }
    case 4: {
      const dot = Math.max(least, random.uniform(0.12, 0.3));
      const between = random.uniform(0, 1) < 0.3 ? dot : 3 * dot;
      const letter = (seconds: number, last: number) => [
        ...[0, 1, 2].flatMap((i): Stretch[] => [
          { lit: "white", seconds },
          { lit: null, seconds: i === 2 ? last : dot },
        ]),
      ];
      return {
        pattern: { kind: "distress" },
        round: [...letter(dot, between), ...letter(3 * dot, between), ...letter(dot, 7 * dot)],
      };
    }
    default: {
      const n = random.whole(1, 9);
      return {
        pattern: { kind: "groups", flashes: n },
        round: run(n, "white", flash, n === 1 ? Math.max(pause, flash * 4) : pause),
      };
    }
  }
}

/**
 * The pattern for so many rounds (three times as many blinks of an even one), begun anywhere, in the middle of a
 * stretch, each stretch with Gaussian jitter (a share of itself), as a camera of so many frames a second sees it.
 */
export function filmed(
  random: Random,
  round: readonly Stretch[],
  rounds: number,
  jitter: number,
  framesASecond: number,
): Watched {
  const stretches: { lit: Colour | null; from: number; to: number }[] = [];
  let at = 0;
  const begin = random.whole(0, round.length - 1);
  const isEven = round.length === 2;
  for (let i = 0; i < round.length * rounds * (isEven ? 3 : 1) + 1; i++) {
    const { lit, seconds } = round[(begin + i) % round.length]!;
    const long = Math.max(0.25 * seconds, seconds * (1 + jitter * random.normal()));
    stretches.push({ lit, from: at, to: at + long });
    at += long;
  }
  const frame = 1 / framesASecond;
  const cutIn = random.uniform(0, stretches[0]!.to);
  const flashes: Flash[] = [];
  let [open, s]: [{ from: number; colour: Colour } | null, number] = [null, 0];
  const start = cutIn;
  let end = cutIn;
  for (let t = cutIn; t < at; t += frame) {
    while (stretches[s]!.to <= t) s++;
    const { lit } = stretches[s]!;
    if (lit && !open) open = { from: t, colour: lit };
    if (!lit && open) {
      flashes.push({ from: open.from, to: t, colour: open.colour });
      open = null;
    }
    end = t;
  }
  if (open) flashes.push({ from: open.from, to: end, colour: open.colour });
  return { flashes, start, end, blur: frame / 3, byHand: false };
}

/** Outcomes of so many trials: right and sure, not sure, and sure but wrong. */
export function trials(
  count: number,
  seed: number,
  jitter: number,
  framesASecond: (random: Random) => number,
  rounds = 3,
): { right: number; unsure: number; wrong: string[] } {
  let [right, unsure] = [0, 0];
  const wrong: string[] = [];
  for (let i = 0; i < count; i++) {
    const random = stream(seed * 1_000_003 + i);
    const frames = framesASecond(random);
    const { pattern, round } = anyPattern(random, 2.5 / frames);
    const reading = readLamp(filmed(random, round, rounds, jitter, frames));
    if (!reading.sure) unsure++;
    else if (labelOf(reading.pattern!) === labelOf(pattern)) right++;
    else wrong.push(`${i}: ${labelOf(pattern)} read as ${labelOf(reading.pattern!)}`);
  }
  return { right, unsure, wrong };
}

/** Upper bound of a share at 95 % confidence (Wilson, 1927), one-sided. */
export function upperBound(hits: number, of: number): number {
  const z = 1.6449;
  const p = hits / of;
  return (p + (z * z) / (2 * of) + z * Math.sqrt((p * (1 - p)) / of + (z * z) / (4 * of * of))) / (1 + (z * z) / of);
}

/**
 * The same as a hand follows it on a key: late, uneven, now and then missing a flash or bouncing. `holds` false:
 * short taps only.
 */
export function tapped(
  random: Random,
  round: readonly Stretch[],
  rounds: number,
  missed: number,
  doubled: number,
  holds = true,
): Watched {
  const seen = filmed(random, round, rounds, 0.05, 200);
  const flashes: Flash[] = [];
  for (const f of seen.flashes) {
    if (random.uniform(0, 1) < missed) continue;
    const from = Math.max(flashes[flashes.length - 1]?.to ?? 0, f.from + 0.2 + 0.04 * random.normal());
    const to = Math.max(
      from + 0.05,
      holds ? f.to! + 0.2 + 0.04 * random.normal() : from + 0.08 + 0.03 * Math.abs(random.normal()),
    );
    flashes.push({ from, to });
    if (random.uniform(0, 1) < doubled) flashes.push({ from: to + 0.05, to: to + 0.11 });
  }
  const ordered = flashes.filter((f, i) => i === 0 || f.from >= flashes[i - 1]!.to!);
  return { flashes: ordered, start: seen.start, end: seen.end + 0.4, blur: 0.04, byHand: true };
}
