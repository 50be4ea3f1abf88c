import { readFileSync } from "node:fs";
import Ajv from "ajv/dist/2020";
import { describe, expect, it } from "vitest";
import { parse } from "yaml";
import { rtdOhms } from "../../src/core/model/kinds/rtd";
import { FLEET, machineText } from "../support/fleet";

describe("JSON Schema 2020-12, by a standard validator (ajv)", () => {
  const validate = new Ajv({ strict: false }).compile(
    JSON.parse(readFileSync(new URL("../../machines/machine-file.schema.json", import.meta.url), "utf8")) as object,
  );
  it.each(FLEET)("accepts %s as it is written", (name) => {
    expect(
      validate(parse(machineText(name), { schema: "failsafe" })),
      JSON.stringify(validate.errors?.slice(0, 3)),
    ).toBe(true);
  });
  it("accepts the smallest file of docs/machine-file.md, and refuses it with a field too many", () => {
    const page = readFileSync(new URL("../../docs/machine-file.md", import.meta.url), "utf8");
    const text = /```yaml\n([\s\S]*?)```/.exec(page)![1]!;
    const file = parse(text, { schema: "failsafe" }) as Record<string, unknown>;
    expect(validate(file)).toBe(true);
    expect(validate({ ...file, colour: "red" })).toBe(false);
  });
});

// IEC 60751: 100 ohm element.
describe("platinum resistors (IEC 60751)", () => {
  it.each([
    [-50, 80.31],
    [0, 100],
    [100, 138.51],
    [200, 175.86],
  ])("read at %d C %d ohm", (celsius, ohms) => {
    expect(rtdOhms(100, celsius)).toBeCloseTo(ohms, 2);
  });
});

describe("the page for newcomers", () => {
  it("shows a file that Unzo reads and isolates on", async () => {
    const { readMachineYaml } = await import("../../src/core/model/file/machine-yaml");
    const { FaultDictionary } = await import("../../src/core/diagnose/dictionary/fault-dictionary");
    const { ORDINARY_METER } = await import("../../src/core/instrument/meter");
    const page = readFileSync(new URL("../../docs/machine-file.md", import.meta.url), "utf8");
    const { machine } = readMachineYaml(/```yaml\n([\s\S]*?)```/.exec(page)![1]!, "page.yaml");
    const dictionary = FaultDictionary.of(machine, ORDINARY_METER);
    dictionary.build();
    expect(dictionary.candidates.length).toBeGreaterThan(5);
  });
});
