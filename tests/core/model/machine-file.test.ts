import { Ajv2020 } from "ajv/dist/2020";
import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { parse } from "yaml";
import { canonicalJson } from "../../../src/core/model/file/canonical-json";
import { machineJsonSchema } from "../../../src/core/model/file/machine-json-schema";
import { readMachineYaml } from "../../../src/core/model/file/machine-yaml";
import { compileMachine } from "../../../src/core/model/compile/compile";
import { machineFileSchema } from "../../../src/core/model/schema";
import { demoMachine, demoMachineText } from "../../support/demo-machine";
import { lineOf, problemsOf } from "../../support/file-problems";

describe("a machine file", () => {
  it("reads the demo file, and reads it again from its own canonical JSON", () => {
    const { file } = readMachineYaml(demoMachineText, "demo.yaml");
    const again = machineFileSchema.parse(JSON.parse(canonicalJson(file)));
    expect(canonicalJson(again)).toBe(canonicalJson(file));
    expect(compileMachine(again).parts.length).toBe(demoMachine().parts.length);
  });

  it("keeps codes, pins and versions as they are written", () => {
    const { file } = readMachineYaml(demoMachineText.replace('revision: "1"', "revision: 010"), "demo.yaml");
    expect(file.revision).toBe("010");
  });

  it("takes 4k7 for a number and names the line of one that is none", () => {
    const good = demoMachineText.replace("coilOhms: 360", "coilOhms: 4k7");
    expect(problemsOf(good)).toEqual([]);
    const bad = demoMachineText.replace("ohms25: 5000", "ohms25: plenty");
    const [problem] = problemsOf(bad);
    expect(problem).toMatchObject({
      file: "test.yaml",
      line: lineOf(bad, "plenty"),
      field: expect.stringMatching(/^parts\.\d+\.ohms25$/) as string,
    });
    expect(problem!.sentence).toMatch(/number/);
  });

  it.each([
    [
      "an unknown field",
      (t: string) => t.replace("manufacturer: Quellmoor", "manufacturer: Quellmoor\ncolour: white"),
      /does not know the field colour/,
    ],
    [
      "a missing terminal",
      (t: string) => t.replace("at: { a: board-L, b: fused-L }", "at: { a: board-L }"),
      /terminal b of F1 is not connected/,
    ],
    [
      "an unknown terminal",
      (t: string) => t.replace("at: { a: board-L, b: fused-L }", "at: { a: board-L, b: fused-L, c: bgnd }"),
      /no terminal c/,
    ],
    ["a mistyped net", (t: string) => t.replace("b: fused-L }", "b: fusd-L }"), /net fusd-L has one end only/],
    [
      "an unknown cover",
      (t: string) =>
        t.replace("words: bare screw beside the cord, cover: rear-cover", "words: bare screw, cover: side-cover"),
      /no cover called side-cover/,
    ],
    [
      "an unknown setup in a complaint",
      (t: string) => t.replace("setup: satisfied, path: cooling", "setup: hungry, path: cooling"),
      /no setup called hungry/,
    ],
    [
      "a label that cannot be seen",
      (t: string) => t.replace("sees: { panel: flickers }", "sees: { panel: purple }"),
      /cannot be seen purple/,
    ],
    [
      "a part twice",
      (t: string) => t.replace("id: K2, kind: relay", "id: K1, kind: relay"),
      /second part is called K1/,
    ],
    [
      "an input the controller has not",
      (t: string) => t.replace("input: door, below: 0.5", "input: gate, below: 0.5"),
      /asks for an input gate/,
    ],
    [
      "a failure mode the kind has not",
      (t: string) => t.replace("assembly: fuse, amps: 8", "assembly: fuse, amps: 8, odds: { melted: 2 }"),
      /does not fail as melted/,
    ],
    ["another format", (t: string) => t.replace("format: 2", "format: 7"), /./],
    ["a negative rating", (t: string) => t.replace("watts: 325", "watts: -325"), /above 0/],
    [
      "an alias",
      (t: string) => t.replace("manufacturer: Quellmoor", "maker: &m Quellmoor").replace("model: SB-210", "model: *m"),
      /alias/,
    ],
    ["broken YAML", (t: string) => t.replace("format: 2", "format: [2"), /./],
  ])("refuses %s with a line and a sentence", (_name, spoil, sentence) => {
    const text = spoil(demoMachineText);
    expect(text).not.toBe(demoMachineText);
    const found = problemsOf(text);
    expect(found.length).toBeGreaterThan(0);
    expect(found.map((p) => p.sentence).join("\n")).toMatch(sentence);
  });

  it.each([
    ["40 kB of brackets", "a: " + "[".repeat(40_000)],
    ["deep indentation", Array.from({ length: 200 }, (_, i) => " ".repeat(i) + "a:").join("\n")],
    ["dashes in a row", "- ".repeat(5000) + "x"],
    ["two megabytes", "a: " + "x".repeat(2_000_000)],
    ["an empty file", ""],
    ["a list", "- 1\n- 2"],
    ["a number", "42"],
  ])("refuses %s", (_name, text) => {
    expect(problemsOf(text).length).toBeGreaterThan(0);
  });
});

describe("the JSON Schema made from the Zod schema", () => {
  const ajv = new Ajv2020({ strict: false });

  it("is the one in machines/, and accepts the demo file read without coercion and with it (validator: ajv)", () => {
    const kept = JSON.parse(
      readFileSync(new URL("../../../machines/machine-file.schema.json", import.meta.url), "utf8"),
    ) as object;
    expect(kept).toEqual(JSON.parse(JSON.stringify(machineJsonSchema())));
    const validate = ajv.compile(kept);
    for (const schema of ["failsafe", "core"] as const)
      expect(validate(parse(demoMachineText, { schema })), JSON.stringify(validate.errors)).toBe(true);
  });

  it("refuses what the reader refuses in shape", () => {
    const validate = ajv.compile(machineJsonSchema());
    expect(
      validate(parse(demoMachineText.replace("manufacturer: Quellmoor", "colour: white"), { schema: "failsafe" })),
    ).toBe(false);
  });
});
