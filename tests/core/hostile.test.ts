import { execFileSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { MachineYamlError, readMachineYaml } from "../../src/core/formats/machine-yaml";
import { machineText } from "../support/fleet";
import { KETTLE } from "../support/kettle";

const parts = (n: number) =>
  Array.from(
    { length: n },
    (_, i) => `  - { id: p${i}, kind: resistor, name: R, piece: fuse, ohms: 1k, at: { a: L, b: N } }`,
  ).join("\n");

/** Files made to break a reader, each with a word of the sentence that must refuse it. */
const HOSTILE: readonly (readonly [string, string, RegExp])[] = [
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

describe("hostile machine files", () => {
  it.each(HOSTILE)("%s: refused with a sentence", (_name, text, sentence) => {
    expect(() => readMachineYaml(text, "bad.yaml")).toThrow(MachineYamlError);
    expect(() => readMachineYaml(text, "bad.yaml")).toThrow(sentence);
  });

  it("are refused in a process with 256 MB, which is ended if it takes long", { timeout: 120_000 }, () => {
    const folder = mkdtempSync(path.join(tmpdir(), "unzo-hostile-"));
    try {
      const script = path.join(folder, "read.ts");
      writeFileSync(
        script,
        `import { readFileSync } from "node:fs"; import { readMachineYaml } from ${JSON.stringify(path.resolve("src/core/formats/machine-yaml.ts"))};\nconst text = readFileSync(process.argv[2]!, "utf8"); const start = performance.now();\ntry { readMachineYaml(text, "bad.yaml"); console.log("taken"); } catch (error) { console.log((error as Error).name, Math.round(performance.now() - start)); }\n`,
      );
      for (const [name, text] of HOSTILE) {
        const file = path.join(folder, "bad.yaml");
        writeFileSync(file, text);
        const said = execFileSync(process.execPath, ["--max-old-space-size=256", "--import", "tsx", script, file], {
          encoding: "utf8",
          timeout: 20_000,
        }).trim();
        const [verdict, milliseconds] = said.split(" ");
        console.log(`${name}: ${milliseconds} ms`);
        expect(verdict, name).toBe("MachineYamlError");
      }
    } finally {
      rmSync(folder, { recursive: true, force: true });
    }
  });

  it("cut, doubled and scrambled files are taken or refused, never anything else (fuzz)", { timeout: 120_000 }, () => {
    const texts = ["kaldruun-uc-80", "hochkar-ip-4"].map(machineText);
    fc.assert(
      fc.property(
        fc.constantFrom(...texts),
        fc.array(
          fc.tuple(fc.nat(), fc.nat(80), fc.constantFrom("cut", "double", "swap"), fc.string({ maxLength: 6 })),
          { minLength: 1, maxLength: 4 },
        ),
        (text, edits) => {
          let changed = text;
          for (const [at, length, what, insert] of edits) {
            const from = at % changed.length;
            const piece = changed.slice(from, from + length);
            changed =
              changed.slice(0, from) +
              (what === "cut" ? "" : what === "double" ? piece + piece : insert) +
              changed.slice(from + length);
          }
          try {
            readMachineYaml(changed, "fuzz.yaml");
          } catch (error) {
            expect(error).toBeInstanceOf(MachineYamlError);
            expect((error as MachineYamlError).problems[0]!.sentence.length).toBeGreaterThan(5);
          }
        },
      ),
      { numRuns: 150 },
    );
  });
});
