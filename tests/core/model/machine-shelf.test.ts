import { describe, expect, it } from "vitest";
import { ChangeError, type Change } from "../../../src/core/model/as-found";
import { MachineShelf } from "../../../src/core/model/machine-shelf";
import { machineNamed } from "../../support/fleet";

const { file } = machineNamed("firnau-bf-330");
const heater = (watts: number): Change => ({ change: "other part", part: "heater", fields: { watts } });

describe("the shelf of compiled machines", () => {
  it("compiles a file once, and once each way in which a unit differs from it", () => {
    const shelf = new MachineShelf(10);
    expect(shelf.known("h")).toBeUndefined();
    const drawn = shelf.of("h", file);
    for (let i = 0; i < 7; i++) {
      expect(shelf.of("h", file)).toBe(drawn);
      expect(shelf.of("h", structuredClone(file), [heater(160)])).toBe(shelf.of("h", file, [heater(160)]));
    }
    expect(shelf.known("h")).toBe(drawn);
    expect(shelf.known("h", [heater(160)])).not.toBe(drawn);
    expect(shelf.compiled).toBe(2);
  });

  it("lets the longest unused go", () => {
    const shelf = new MachineShelf(2);
    for (const hash of ["a", "b", "a", "c", "a"]) shelf.of(hash, file);
    expect([shelf.known("a") !== undefined, shelf.known("b"), shelf.known("c") !== undefined]).toEqual([
      true,
      undefined,
      true,
    ]);
    expect(shelf.compiled).toBe(3);
  });

  it("keeps nothing of a change that cannot be made", () => {
    const shelf = new MachineShelf(2);
    expect(() => shelf.of("h", file, [{ change: "taken out", part: "nothing", bridged: true }])).toThrow(ChangeError);
    expect(shelf.compiled).toBe(0);
  });
});
