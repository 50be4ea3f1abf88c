import { KETTLE } from "./kettle";

const parts = (n: number) =>
  Array.from(
    { length: n },
    (_, i) => `  - { id: p${i}, kind: resistor, name: R, piece: fuse, ohms: 1k, at: { a: L, b: N } }`,
  ).join("\n");

/** Files made to break a reader, each with a word of the sentence that must refuse it. */
export const HOSTILE: readonly (readonly [string, string, RegExp])[] = [
  ["over 1 MB", `${KETTLE}# ${"x".repeat(1_000_001)}`, /larger than 1 MB/],
  ["40 kB of brackets", "[".repeat(40_000), /nested more than/],
  ["40 kB of braces and keys", "{a: ".repeat(10_000), /holds too much/],
  ["braces nested past sense", "{a: ".repeat(500), /nested more than/],
  ["deep indentation", Array.from({ length: 400 }, (_, i) => `${" ".repeat(i)}a:`).join("\n"), /nested more than/],
  ["dashes without end", `${"- ".repeat(2_000)}x`, /nested more than/],
  [
    "aliases that explode",
    `a: &a [x, x, x, x, x, x, x, x, x]\nb: &b [*a, *a, *a, *a, *a, *a, *a, *a, *a]\nc: &c [*b, *b, *b, *b, *b, *b, *b, *b, *b]\nd: &d [*c, *c, *c, *c, *c, *c, *c, *c, *c]\ne: [*d, *d, *d, *d, *d, *d, *d, *d, *d]\n`,
    /aliases/,
  ],
  ["a cycle", "a: &a\n  b: *a\n", /alias/],
  ["10,000 parts", KETTLE.replace("parts:\n", `parts:\n${parts(10_000)}\n`), /holds too much/],
  ["10,000 keys in one map", `${Array.from({ length: 10_000 }, (_, i) => `k${i}: v`).join("\n")}\n`, /holds too much/],
  ["an unknown kind", KETTLE.replace("kind: fuse", "kind: flux capacitor"), /kind|form/],
  ["a tag of another language", KETTLE.replace("name: Kettle", "name: !!js/function 'function () {}'"), /tag/],
  ["no YAML at all", "\u0000\u0001\u0002", /./],
  ["nothing", "", /./],
];
