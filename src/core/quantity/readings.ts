import type { Manner, Reading } from "./read";

/** What a place in `Readings` holds; of "within" and the moving ones both numbers, of a label its place among the names. */
export const SHOWN = {
  /** The model found no operating point. */
  none: 0,
  /** The unit has no such test. */
  absent: 1,
  value: 2,
  /** A value known to within a factor only. */
  within: 3,
  overload: 4,
  silent: 5,
  beeps: 6,
  label: 7,
  jumping: 8,
  fading: 9,
  pulsing: 10,
} as const;

const MANNERS: readonly Manner[] = ["jumping", "fading", "pulsing"];
const OVERLOAD: Reading = { kind: "overload" };
const BEEPS: Reading = { kind: "beep", beeps: true };
const SILENT: Reading = { kind: "beep", beeps: false };

/** Labels by number, in the order in which they first came. */
export class Names {
  private readonly places = new Map<string, number>();
  readonly list: string[] = [];

  of(name: string): number {
    let place = this.places.get(name);
    if (place === undefined) {
      this.places.set(name, (place = this.list.length));
      this.list.push(name);
    }
    return place;
  }
}

/**
 * Many readings side by side in typed arrays, without an object each: a dictionary holds millions of them. `kind` is one
 * of `SHOWN`; `first` and `second` are the value and its factor, the bounds of what moves, the place of a label.
 */
export class Readings {
  readonly kind: Uint8Array;
  readonly first: Float64Array;
  readonly second: Float64Array;

  constructor(
    readonly length: number,
    readonly names: Names,
  ) {
    this.kind = new Uint8Array(length);
    this.first = new Float64Array(length);
    this.second = new Float64Array(length);
  }

  /** The same from objects; undefined is what the unit has no test for. */
  static of(shown: readonly (Reading | null | undefined)[], names = new Names()): Readings {
    const readings = new Readings(shown.length, names);
    shown.forEach((reading, i) => readings.put(i, reading));
    return readings;
  }

  set(i: number, kind: number, first = 0, second = 0): void {
    this.kind[i] = kind;
    this.first[i] = first;
    this.second[i] = second;
  }

  put(i: number, reading: Reading | null | undefined): void {
    if (reading === undefined) return this.set(i, SHOWN.absent);
    if (reading === null) return this.set(i, SHOWN.none);
    switch (reading.kind) {
      case "value":
        return reading.factor === undefined
          ? this.set(i, SHOWN.value, reading.value)
          : this.set(i, SHOWN.within, reading.value, reading.factor);
      case "overload":
        return this.set(i, SHOWN.overload);
      case "beep":
        return this.set(i, reading.beeps ? SHOWN.beeps : SHOWN.silent);
      case "label":
        return this.set(i, SHOWN.label, this.names.of(reading.label));
      case "jumping":
        return this.set(i, SHOWN[reading.manner], reading.low, reading.high);
    }
  }

  /** What stands at a place, as an object. */
  at(i: number): Reading | null | undefined {
    const [first, second] = [this.first[i]!, this.second[i]!];
    switch (this.kind[i]) {
      case SHOWN.none:
        return null;
      case SHOWN.absent:
        return undefined;
      case SHOWN.value:
        return { kind: "value", value: first };
      case SHOWN.within:
        return { kind: "value", value: first, factor: second };
      case SHOWN.overload:
        return OVERLOAD;
      case SHOWN.silent:
        return SILENT;
      case SHOWN.beeps:
        return BEEPS;
      case SHOWN.label:
        return { kind: "label", label: this.names.list[first]! };
      default:
        return { kind: "jumping", low: first, high: second, manner: MANNERS[this.kind[i]! - SHOWN.jumping]! };
    }
  }

  /** Copies one place of others that use the same names. */
  take(i: number, from: Readings, place: number): void {
    this.kind[i] = from.kind[place]!;
    this.first[i] = from.first[place]!;
    this.second[i] = from.second[place]!;
  }

  /** Copies all of others that are as long and use the same names. */
  takeAll(from: Readings): void {
    this.kind.set(from.kind);
    this.first.set(from.first);
    this.second.set(from.second);
  }

  /** Rounds every number to single precision, seven digits: more than any meter shows, and the same once stored. */
  round(): void {
    for (let i = 0; i < this.length; i++) {
      this.first[i] = Math.fround(this.first[i]!);
      this.second[i] = Math.fround(this.second[i]!);
    }
  }
}
