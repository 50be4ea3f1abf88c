import { describe, expect, it } from "vitest";
import { fileDoubts } from "../../../../src/core/diagnose/advice/file-doubts";
import { readMachineYaml } from "../../../../src/core/model/file/machine-yaml";
import { FLEET, machineNamed, machineText } from "../../../support/fleet";

const changed = (name: string, from: string, to: string) => {
  const text = machineText(name);
  expect(text).toContain(from);
  return readMachineYaml(text.replace(from, to), "changed.yaml").machine;
};

describe("a file that is well formed", () => {
  it("is told of a complaint that its sound machine would fit", () => {
    const doubts = fileDoubts(changed("kaldruun-uc-80", "sees: { compressor: silent }", "sees: { compressor: runs }"));
    expect(doubts).toHaveLength(1);
    expect(doubts[0]).toContain("a machine without a fault shows just that");
  });

  it("is told of a test mode in which its sound machine shows and runs nothing", () => {
    // The washer's drain test, with a supply that has not the volts to wake the board.
    const doubts = fileDoubts(changed("dornlau-fl-7", "startVolts: 85", "startVolts: 200"));
    expect(doubts.filter((d) => d.includes("powered, but a machine without a fault"))).not.toEqual([]);
    expect(doubts.some((d) => d.includes("Started, then skipped to drain"))).toBe(true);
  });

  it.each(FLEET)("%s leaves nothing to doubt", (name) => {
    expect(fileDoubts(machineNamed(name))).toEqual([]);
  });
});
