import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { MachineYamlError, readMachineYaml } from "../../../src/core/model/file/machine-yaml";
import { machineText } from "../../support/fleet";
import { HOSTILE } from "../../support/hostile-files";

describe("hostile machine files", () => {
  it.each(HOSTILE)("%s: refused with a sentence", (_name, text, sentence) => {
    expect(() => readMachineYaml(text, "bad.yaml")).toThrow(MachineYamlError);
    expect(() => readMachineYaml(text, "bad.yaml")).toThrow(sentence);
  });

  it("cut, doubled and scrambled files are taken or refused, never anything else (fuzz)", () => {
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
            const assembly = changed.slice(from, from + length);
            changed =
              changed.slice(0, from) +
              (what === "cut" ? "" : what === "double" ? assembly + assembly : insert) +
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
