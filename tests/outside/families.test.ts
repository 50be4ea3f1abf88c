import { describe, expect, it } from "vitest";
import { FaultDictionary } from "../../src/core/diagnose/dictionary/fault-dictionary";
import { ORDINARY_METER } from "../../src/core/instrument/meter";
import { compileMachine } from "../../src/core/model/compile/compile";
import { familyMachine } from "../../src/core/model/family/family-machine";
import { KNOWN_FAMILIES } from "../../src/core/model/family/families-known";
import { makeTest } from "../../src/core/simulate";
import { DOES, STILL } from "../support/what-families-do";
import { dialogueOf } from "./controller-table";
import { held } from "./dialogue";
import { SpiceUnit } from "./spice-unit";

/** Faults that the circuit simulator is given, of each family with its usual answers. */
const FAULTS: Readonly<Record<string, readonly string[]>> = {
  refrigerator: ["load-1-ptc:open", "relay-2:contact-open", "J2-3:open", "sensor-3:stuck-open"],
  absorption: ["guard-1-1:open", "relay-1:coil-open", "load-1:open"],
  washer: ["load-1:coil-open", "J2-6:open", "load-5:open", "relay-4:contact-open"],
  dishwasher: ["load-2:open", "sensor-1:stuck-open", "supply:dead"],
  "electric-dryer": ["guard-2-1:open", "load-1:open", "fuse:blown"],
  "gas-dryer": ["load-3:open", "relay-3:contact-open", "J2-1:open"],
  "heat-pump-dryer": ["load-3:open", "J2-1:open", "logic:dead"],
  "ice-machine": ["load-1-overload:open", "load-4:open", "relay-2:coil-open"],
  "vending-machine": ["driver-3:open", "J4-1:open", "load-1:open"],
  "heated-dispenser": ["guard-1-1:open", "load-2:open", "relay-1:coil-open"],
  cooker: ["load-1:open", "relay-2:contact-open", "outlet:dead"],
  "dc-drive": ["line-guard-1:stuck-open", "switch-1:coil-open", "load-1:open"],
  "changeover-set": [
    "fuel-relay:contact-open",
    "start-relay:contact-open",
    "generator-contactor:coil-open",
    "selector:stuck-open",
  ],
  "battery-tool": ["sensor-1:stuck-open", "load-1:open", "fuse:blown"],
};

describe.each(KNOWN_FAMILIES.map((f) => [f.id, f] as const))("a file of the family %s", (id, family) => {
  const plate = { id: "drawn", maker: "Nobody", model: "One", supply: family.supplies[0] };
  const machine = compileMachine(familyMachine(family, plate, {}));
  let built: FaultDictionary | null = null;
  const dictionary = () => {
    if (built) return built;
    built = FaultDictionary.of(machine, ORDINARY_METER);
    built.build();
    return built;
  };

  it("has every load run in the circuit simulator as the trade has it", () => {
    const { states } = dialogueOf(machine, "");
    const unit = new SpiceUnit(machine, { part: machine.parts[0]!.id, mode: "none" }, states, () => 0);
    let seen = 0;
    for (const setup of machine.file.setups.filter((s) => s.power === "on"))
      for (const part of machine.parts.filter((p) => /^load-\d+$/.test(p.id) && p.labels)) {
        const shown = unit.read(makeTest(setup.id, "look", part.id));
        if (shown.kind !== "label") throw new Error(part.id);
        const should = DOES[id]![setup.id]!.some((p) => p.test(part.name));
        expect(!STILL.includes(shown.label) && shown.label !== "hums", `${setup.id} ${part.name} ${shown.label}`).toBe(
          should,
        );
        seen++;
      }
    expect(seen).toBeGreaterThan(0);
  });

  it.each(FAULTS[id]!)("%s is found, answered by the circuit simulator", (fault) => {
    const ending = held(dialogueOf(machine, fault), 5, false, [], dictionary());
    expect(ending.assemblies, JSON.stringify(ending, null, 1)).toEqual([ending.truth]);
  });
});
