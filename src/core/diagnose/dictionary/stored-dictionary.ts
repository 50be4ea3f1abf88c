import { z } from "zod";
import { METER_FUNCTIONS } from "../../instrument";
import { Names, Readings, SHOWN } from "../../quantity";
import type { Test } from "../../simulate";
import type { Prediction } from "../reading/prediction";
import { say } from "#words/core/diagnose/dictionary";

const FORMAT = 1;
const whole = z.number().int().min(0);

/** What a stored dictionary says of itself, before its arrays. */
const headSchema = z.object({
  format: z.literal(FORMAT),
  hypotheses: whole,
  tests: z.array(
    z.object({
      setup: z.string(),
      function: z.enum(METER_FUNCTIONS),
      red: z.string(),
      black: z.string().exactOptional(),
      instant: z.enum(["settled", "recheck"]),
    }),
  ) satisfies z.ZodType<Test[]>,
  useful: whole,
  names: z.array(z.string()),
  /** By test, how many different predictions there are. */
  distinct: z.array(whole),
  /** How many numbers and readings follow. */
  numbers: whole,
  readings: whole,
});
type Head = z.output<typeof headSchema>;

/** Tests, and what every hypothesis predicts for each: what a dictionary is rebuilt from. */
export interface DictionaryContent {
  /** Those that tell something first. */
  readonly tests: readonly Test[];
  /** How many of them tell something; the others are asked by the file itself. */
  readonly useful: number;
  /** By place of a test; predictions that are alike are one object. */
  predictionsOf(place: number): readonly Prediction[];
}

/** How many numbers a reading of a kind holds. */
const numbersOf = (kind: number) => {
  if (kind === SHOWN.value || kind === SHOWN.label) return 1;
  return kind === SHOWN.within || kind >= SHOWN.jumping ? 2 : 0;
};

/**
 * A dictionary as bytes: different predictions once, numbers in single precision, to which they were rounded when the
 * dictionary was built. It holds no odds and nothing of where the unit stands. Little-endian.
 */
export function packDictionary(
  { tests, useful, predictionsOf }: DictionaryContent,
  hypotheses: number,
): Uint8Array<ArrayBuffer> {
  const names = new Names();
  const rows = new Uint16Array(tests.length * hypotheses);
  const distinct: number[] = [];
  const lengths: number[] = [];
  const kinds: number[] = [];
  const numbers: number[] = [];
  tests.forEach((_, t) => {
    const rowOf = new Map<Prediction, number>();
    predictionsOf(t).forEach((prediction, h) => {
      let row = rowOf.get(prediction);
      if (row === undefined) {
        rowOf.set(prediction, (row = rowOf.size));
        lengths.push(prediction.length);
        const { kind, first, second } = Readings.of(prediction, names);
        kind.forEach((k, i) => {
          kinds.push(k);
          if (numbersOf(k) > 0) numbers.push(first[i]!);
          if (numbersOf(k) > 1) numbers.push(second[i]!);
        });
      }
      rows[t * hypotheses + h] = row;
    });
    distinct.push(rowOf.size);
  });
  const head: Head = {
    format: FORMAT,
    hypotheses,
    tests: [...tests],
    useful,
    names: names.list,
    distinct,
    numbers: numbers.length,
    readings: kinds.length,
  };
  const text = new TextEncoder().encode(JSON.stringify(head));
  const from = aligned(4 + text.length);
  const size = from + 4 * numbers.length + rows.byteLength + lengths.length + kinds.length;
  const bytes = new Uint8Array(size);
  new DataView(bytes.buffer).setUint32(0, text.length, true);
  bytes.set(text, 4);
  let at = from;
  for (const array of [Float32Array.from(numbers), rows, Uint8Array.from(lengths), Uint8Array.from(kinds)]) {
    bytes.set(new Uint8Array(array.buffer), at);
    at += array.byteLength;
  }
  return bytes;
}

const aligned = (n: number) => Math.ceil(n / 4) * 4;

/**
 * The content of a stored dictionary; the predictions of a test are made when they are asked for. Throws a RangeError for
 * bytes that are none, or not for so many hypotheses.
 */
export function unpackDictionary(bytes: Uint8Array, hypotheses: number): DictionaryContent {
  const { head, from } = headOf(bytes);
  const { tests, distinct } = head;
  const count = distinct.reduce((sum, d) => sum + d, 0);
  const rowCount = tests.length * hypotheses;
  if (head.hypotheses !== hypotheses || distinct.length !== tests.length)
    throw new RangeError(say.notAStoredDictionary);
  if (bytes.length - from !== 4 * head.numbers + 2 * rowCount + count + head.readings)
    throw new RangeError(say.notAStoredDictionary);
  // A copy of its own, so that the numbers are aligned; not `slice`, which copies nothing of a Node buffer.
  const body = Uint8Array.from(bytes.subarray(from));
  const numbers = new Float32Array(body.buffer, 0, head.numbers);
  const rows = new Uint16Array(body.buffer, 4 * head.numbers, rowCount);
  const lengths = body.subarray(4 * head.numbers + 2 * rowCount).subarray(0, count);
  const kinds = body.subarray(body.length - head.readings);
  const names = new Names();
  head.names.forEach((name) => names.of(name));

  // Where the different predictions, the readings and the numbers of each test begin.
  const begin = distinct.map(() => [0, 0, 0] as const as readonly [number, number, number]);
  let [d, r, n] = [0, 0, 0];
  distinct.forEach((own, t) => {
    begin[t] = [d, r, n];
    for (let i = 0; i < own; i++, d++) for (let k = 0; k < lengths[d]!; k++, r++) n += numbersOf(kinds[r]!);
  });

  return {
    tests,
    useful: head.useful,
    predictionsOf(t) {
      const [first] = begin[t]!;
      let [, reading, number] = begin[t]!;
      const predictions = Array.from({ length: distinct[t]! }, (_, i): Prediction => {
        const shown = new Readings(lengths[first + i]!, names);
        for (let k = 0; k < shown.length; k++, reading++) {
          const has = numbersOf(kinds[reading]!);
          shown.set(k, kinds[reading]!, has > 0 ? numbers[number]! : 0, has > 1 ? numbers[number + 1]! : 0);
          number += has;
        }
        return Array.from({ length: shown.length }, (_, k) => shown.at(k) ?? null);
      });
      return Array.from(rows.subarray(t * hypotheses, (t + 1) * hypotheses), (row) => predictions[row]!);
    },
  };
}

function headOf(bytes: Uint8Array): { readonly head: Head; readonly from: number } {
  try {
    const length = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength).getUint32(0, true);
    const head = headSchema.parse(JSON.parse(new TextDecoder().decode(bytes.subarray(4, 4 + length))));
    return { head, from: aligned(4 + length) };
  } catch {
    throw new RangeError(say.notAStoredDictionary);
  }
}
