import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { readMachineYaml, writeMachineYaml } from "../../../../src/core/model/file/machine-yaml";
import { lineOf, problemsOf } from "../../../support/file-problems";

// Files of format 1 as they shipped before there was a format 2; they must load for ever.
const OLD = ["hochkar-ip-4", "quellmoor-sb-210", "velmoor-dw-45"];
const oldText = (name: string) =>
  readFileSync(new URL(`../../../fixtures/format-1/${name}.yaml`, import.meta.url), "utf8");
const newText = (name: string) => readFileSync(new URL(`../../../../machines/${name}.yaml`, import.meta.url), "utf8");

describe("a machine file in format 2", () => {
  it.each(OLD)("says of %s what the file of format 1 said", (name) => {
    expect(oldText(name)).toMatch(/^format: 1$/m);
    expect(newText(name)).toMatch(/^format: 2$/m);
    expect(readMachineYaml(newText(name), "new.yaml").file).toEqual(readMachineYaml(oldText(name), "old.yaml").file);
  });

  it("is what is written, whatever was read", () => {
    const { file } = readMachineYaml(oldText("quellmoor-sb-210"), "old.yaml");
    const text = writeMachineYaml(file);
    expect(text).toMatch(/^format: 2$/m);
    expect(text).toMatch(/^manufacturer: Quellmoor$/m);
    expect(text).not.toMatch(/^(maker|pieces|panels|firsts):/m);
    expect(text).not.toMatch(/\b(piece|apart|made): /);
    expect(readMachineYaml(text, "new.yaml").file).toEqual(file);
  });

  it("renames fields, not the names of parts", () => {
    // This machine has a part that is called "panel", by which a complaint says what was seen.
    const text = writeMachineYaml(readMachineYaml(newText("quellmoor-sb-210"), "new.yaml").file);
    expect(text).toMatch(/sees:\s*\{?\s*panel: flickers/);
    expect(text).toMatch(/^covers:$/m);
  });

  it.each([
    ["assembly: fuse, amps: 8", "piece: fuse, amps: 8", /^parts\.\d+\.piece$/, "is called assembly in format 2"],
    ["manufacturer: Quellmoor", "maker: Quellmoor", /^maker$/, "is called manufacturer in format 2"],
    ["\nsimpleCauses:", "\nfirsts:", /^firsts$/, "is called simpleCauses in format 2"],
  ])("refuses a name of format 1: %s as %s", (now, before, field, sentence) => {
    const text = newText("quellmoor-sb-210").replace(now, before);
    const [found] = problemsOf(text);
    expect(found).toMatchObject({ line: lineOf(text, before.trim()), sentence });
    expect(found!.field).toMatch(field);
  });

  it("refuses a name of format 2 in a file of format 1", () => {
    const text = oldText("quellmoor-sb-210").replace("piece: fuse, amps: 8", "assembly: fuse, amps: 8");
    expect(problemsOf(text).map((p) => p.sentence)).toEqual([
      "`piece` is missing",
      "does not know the field assembly; a fuse has amps, family",
    ]);
  });

  it.each([
    [oldText("quellmoor-sb-210"), "piece: fuse, amps: 8", "piece: fuze, amps: 8", /^parts\.\d+\.piece$/],
    [newText("quellmoor-sb-210"), "assembly: fuse, amps: 8", "assembly: fuze, amps: 8", /^parts\.\d+\.assembly$/],
  ])("names the field by which the file calls it", (text, good, bad, field) => {
    const spoilt = text.replace(good, bad);
    const [found] = problemsOf(spoilt);
    expect(found!.field).toMatch(field);
    expect(found!.line).toBe(lineOf(spoilt, bad));
  });
});
