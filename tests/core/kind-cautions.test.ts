import { describe, expect, it } from "vitest";
import { CAUTION_KINDS, workCautions, type WorkCaution } from "../../src/core/safety/work-cautions";
import { PART_KINDS } from "../../src/core/model/kinds/index";
import { FLEET, machineNamed } from "../support/fleet";

/**
 * What can be hot, moves, holds a charge, holds refrigerant or gas: by hand, for every kind (common practice, no source). A kind that is
 * in no row has none of these dangers of its own.
 */
const DANGERS: Readonly<Record<keyof typeof CAUTION_KINDS, readonly string[]>> = {
  hot: ["compressor", "cooling unit", "heater", "inrush resistor", "lamp", "ptc", "resistor"],
  moving: ["capacitor motor", "dc fan", "driven", "engine set", "fan", "motor", "motor drive", "pump", "solenoid"],
  charge: ["capacitor", "linear supply", "motor drive", "non-isolated supply", "run capacitor", "switched supply"],
  refrigerant: ["compressor", "cooling unit"],
  gas: ["gas valve coil"],
};
const KINDS = PART_KINDS.map((k) => k.kind as string);

describe("what is said of a kind's dangers", () => {
  it.each(KINDS)("%s: as the table by hand has it", (kind) => {
    for (const danger of Object.keys(DANGERS) as (keyof typeof DANGERS)[])
      expect(CAUTION_KINDS[danger].includes(kind), danger).toBe(DANGERS[danger].includes(kind));
  });

  it("names only kinds that there are", () => {
    for (const list of [...Object.values(CAUTION_KINDS), ...Object.values(DANGERS)])
      expect(list.filter((kind) => !KINDS.includes(kind))).toEqual([]);
  });

  it("every machine that has a part of a dangerous kind says so", () => {
    const OF: Readonly<Record<keyof typeof DANGERS, WorkCaution["of"]>> = {
      hot: "hot",
      moving: "moving",
      charge: "charge",
      refrigerant: "refrigerant",
      gas: "gas",
    };
    for (const name of FLEET) {
      const machine = machineNamed(name);
      const said = new Set(workCautions(machine).map((c) => c.of));
      for (const danger of Object.keys(DANGERS) as (keyof typeof DANGERS)[]) {
        const has = machine.parts.some((p) => DANGERS[danger].includes(p.kind.kind));
        expect(said.has(OF[danger]), `${name} ${danger}`).toBe(has);
      }
    }
  });
});
