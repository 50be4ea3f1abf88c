import { describe, expect, it } from "vitest";
import { FaultDictionary } from "../../src/core/diagnose/dictionary/fault-dictionary";
import { ORDINARY_METER } from "../../src/core/instrument/meter";
import { compileMachine } from "../../src/core/model/compile/compile";
import { quickMachine } from "../../src/core/model/quick/quick";
import type { QuickMachine } from "../../src/core/model/quick/quick-machine";
import { readSupply } from "../../src/core/model/quick/quick-supply";
import { readParts } from "../../src/core/model/quick/read-parts";
import { makeTest } from "../../src/core/simulate";
import { dialogueOf } from "./controller-table";
import { held } from "./dialogue";
import { SpiceUnit } from "./spice-unit";

/** A machine drawn at the door from what was typed there. */
function drawn(supply: string, text: string, more: Partial<QuickMachine> = {}) {
  const read = readSupply(supply);
  const base = { id: "door", name: "Door", family: "powered equipment" as const, filter: false, fuse: true };
  return compileMachine(quickMachine({ ...base, supply: read, ...readParts(text, read), ...more }));
}

/** Supplies, what is typed, and faults that the circuit simulator has: each is searched for by what it shows. */
const DOORS: readonly (readonly [string, string, Partial<QuickMachine>, readonly string[]])[] = [
  [
    "230 V 50 Hz",
    "heater 2200 through thermostat and high limit, pump 0.4A through pressure switch, motor 300, door switch stops motor",
    {},
    [
      "guard-1-2:open",
      "guard-2-1:stuck-open",
      "load-1:open",
      "relay-3:contact-open",
      "wire-N:open",
      "sensor-1:stuck-open",
    ],
  ],
  [
    "120 V 60 Hz",
    "compressor 130 with PTC start, overload; fan 24V from board; heater 300",
    {},
    ["load-1-ptc:open", "load-1-overload:open", "load-1:open", "driver-2:open", "back-2:open", "load-2:open"],
  ],
  [
    "400 V 3 phases 50 Hz",
    "element 3x2000 at 230V through contactor 24VAC, motor 3 phase 750W through contactor 230V, pump 60",
    {},
    [
      "outlet:line2-lost",
      "transformer:primary-open",
      "switch-1:coil-open",
      "switch-1:burnt-2",
      "switch-4:burnt-3",
      "load-4:open-v",
      "load-2:open",
    ],
  ],
  [
    "120/240 V split",
    "heater 5000 at 240V through high limit, drum motor 250, valve 24VAC",
    {},
    ["outlet:leg2-lost", "guard-1-1:open", "load-1:open", "transformer:secondary-open", "load-3:open"],
  ],
  [
    "230 V 50 Hz",
    "heater 2000 through SSR and thermal fuse, pump 60, lid switch stops heater",
    { boards: { count: 3, volts: 12, wires: 8 } },
    ["switch-1:open", "switch-1:input-open", "guard-1-1:open", "link-1:open", "link-3:open", "logic:dead"],
  ],
  [
    "24 VAC",
    "valve 8, fan 5",
    {},
    ["outlet:dead", "fuse:blown", "wire-1:open", "relay-2:contact-open", "rectifier:bridge-open"],
  ],
  [
    "18 V battery",
    "motor 200 through lid switch, lamp 3",
    {},
    ["outlet:flat", "guard-1-1:stuck-open", "load-1:open", "load-2:burnt-out"],
  ],
];

describe.each(DOORS)("%s: %s", (supply, text, more, faults) => {
  const machine = drawn(supply, text, more);
  const dictionary = FaultDictionary.of(machine, ORDINARY_METER);
  dictionary.build();

  it("every load runs in the circuit simulator when it is asked to", () => {
    const { states } = dialogueOf(machine, "");
    const unit = new SpiceUnit(machine, { part: "wire-1", mode: "none" }, states, () => 0);
    const RUN = ["turns", "runs", "pumps", "flows", "bright", "pulled in", "flame"];
    for (const part of machine.parts.filter((p) => /^load-\d+$/.test(p.id) && p.labels)) {
      const shown = unit.read(makeTest("asked", "look", part.id));
      expect(shown.kind === "label" && RUN.includes(shown.label), `${part.id} ${JSON.stringify(shown)}`).toBe(true);
    }
  });

  it.each(faults)("%s is found, answered by the circuit simulator", (fault) => {
    const ending = held(dialogueOf(machine, fault), 5, false, [], dictionary);
    expect(ending.assemblies, JSON.stringify(ending, null, 1)).toEqual([ending.truth]);
    expect(ending.inVain).toEqual([]);
  });
});
