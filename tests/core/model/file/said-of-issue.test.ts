import { describe, expect, it } from "vitest";
import { MachineYamlError, readMachineYaml } from "../../../../src/core/model";
import { fieldSentence, fieldWords } from "../../../../src/core/model/field-words";
import { fieldsOf } from "../../../../src/core/model/file/said-of-issue";
import { PART_KINDS } from "../../../../src/core/model/kinds/registry";
import { FIELD_WORDS } from "../../../../src/words/en/fields";
import { machineText } from "../../../support/fleet";

const text = machineText("firnau-bf-330");
const FUSE = "kind: fuse, name: Fuse F1, assembly: fuse, amps: 8";
const RELAY = ", coilVolts: 12, coilOhms: 360, contactAmps: 12, at: { coil-a: rail12, coil-b: k1-drive";

/** What is said of a file with one thing in it written otherwise. */
function saidOf(was: string, is: string): string {
  expect(text).toContain(was);
  try {
    readMachineYaml(text.replace(was, is), "file");
  } catch (error) {
    if (error instanceof MachineYamlError) return error.problems.map((p) => `${p.field}: ${p.sentence}`).join("\n");
    throw error;
  }
  return "";
}

describe("what is wrong in a machine file, said to whoever writes it", () => {
  it.each([
    [
      "a field that is missing",
      RELAY,
      RELAY.replace("coilOhms: 360, ", ""),
      /`coilOhms` is missing: its coil, dead, in ohm/,
    ],
    ["a kind that nobody knows", FUSE, FUSE.replace("fuse,", "fuze,"), /no kind "fuze"; the nearest is fuse/],
    [
      "a field with a slip of the pen",
      FUSE,
      FUSE.replace("amps: 8", "amps: 8, famly: quick"),
      /famly; family is meant/,
    ],
    ["a field of no fuse", FUSE, FUSE.replace("amps: 8", "amps: 8, weight: 3"), /weight; a fuse has amps, family/],
    [
      "a word for a number",
      FUSE,
      FUSE.replace("amps: 8", "amps: eight"),
      /is no number: it is its rating, as printed on it, in A/,
    ],
    ["more than there is", FUSE, FUSE.replace("amps: 8", "amps: 80000"), /at most 1000/],
    [
      "another word than those",
      FUSE,
      FUSE.replace("amps: 8", "amps: 8, family: slow"),
      /one of quick, time-lag, blade/,
    ],
    ["a form that was nearly right", "function: ohms, red: J2-4", "function: ohmms, red: J2-4", /one of dcv, acv/],
    ["a field of the file itself", "model: BF-330\n", "", /model: `model` is missing/],
    ["a field deep inside", "rail: { min: 4.5, max: 5.6 }", "rail: { min: 4.5 }", /rail.max: `max` is missing/],
  ])("%s", (_name, was, is, wanted) => {
    const said = saidOf(was, is);
    expect(said).toMatch(wanted);
    expect(said).not.toMatch(/forms|Invalid input|undefined|\[object/);
  });
});

describe("the words of fields", () => {
  it("are there for every field of every kind, and for none that there is not", () => {
    const all = PART_KINDS.flatMap(({ kind }) => fieldsOf(kind).map((field) => [kind, field] as const));
    expect(all.filter(([kind, field]) => fieldWords(kind, field) === undefined)).toEqual([]);
    const used = new Set(all.flatMap(([kind, field]) => [field, `${kind}.${field}`]));
    expect(Object.keys(FIELD_WORDS).filter((key) => !used.has(key))).toEqual([]);
  });

  it("name the unit and what is usual", () => {
    expect(fieldSentence("regulator", "dropoutVolts")).toBe(
      "what its input must have above its output, in V, usually 0.3 to 2",
    );
    expect(fieldSentence("fuse", "amps")).not.toBe(fieldSentence("motor", "amps"));
  });
});
