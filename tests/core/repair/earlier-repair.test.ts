import { describe, expect, test } from "vitest";
import { earlierRepairSteps } from "../../../src/core/repair/earlier-repair";
import { lookOver } from "../../../src/core/repair/look-over";
import { FLEET, machineNamed } from "../../support/fleet";

const wordsOf = (name: string) => earlierRepairSteps(machineNamed(name)).map((s) => `${s.words}: ${s.expected}`);

describe("an earlier repair, judged", () => {
  test.each(FLEET)("%s: every board by its joints, coating and scratches, each with what comes of it", (name) => {
    const machine = machineNamed(name);
    const steps = earlierRepairSteps(machine);
    for (const board of machine.file.pieces.filter((p) => p.board && !p.licensed))
      for (const what of ["joints", "coating", "tracks and scratches"])
        expect(steps.map((s) => s.words)).toContain(`${board.name}: ${what}`);
    // Kept as a result in the journal, which takes eighty characters; and each once.
    for (const s of steps) expect(s.consequence!.length, s.words).toBeLessThanOrEqual(80);
    expect(new Set(steps.map((s) => s.id)).size).toBe(steps.length);
  });
  test("ratings, lamps, a shared resistor and stand-offs are asked as the file has them", () => {
    // The file: relay of 16 A with a coil of 12 V; two dial lamps behind one resistor of 10 ohm; four M3 stand-offs.
    expect(wordsOf("kolbrast-tk-2")).toContain("Heat relay: rating: 16.0 A, coil 12.0 V");
    expect(wordsOf("hochkar-ip-4")).toContain("Shared dial resistor: shared by several lamps: 10.0 Ω");
    expect(wordsOf("gratlosch-bd-5").join("; ")).toContain("screws and stand-offs: 4 × screw, M3; 4 × stand-off");
    expect(wordsOf("velmoor-dw-45")).toContain("Kick plate: seal: tight");
  });
  test("asked of a second opinion and after another's repair, not before a sale", () => {
    const machine = machineNamed("gratlosch-bd-5");
    const asked = (purpose: string) =>
      lookOver(machine, { kind: "check", purpose }).filter((s) => s.consequence).length;
    expect(asked("second opinion")).toBeGreaterThan(5);
    expect(asked("after another's repair")).toBe(asked("second opinion"));
    expect(asked("before sale")).toBe(0);
  });
});
