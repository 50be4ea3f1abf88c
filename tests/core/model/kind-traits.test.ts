import { describe, expect, it } from "vitest";
import { workCautions, type WorkCaution } from "../../../src/core/safety/work-cautions";
import { PART_KINDS, type KindId } from "../../../src/core/model/kinds/registry";
import { TRAITS, type Trait } from "../../../src/core/model/traits";
import { KIND_NAMES } from "#words/kinds";
import { FLEET, machineNamed } from "../../support/fleet";
import { compileMachine } from "../../../src/core/model/compile/compile";

/**
 * What can hurt and what protects: by hand, for every kind (common practice, no source). A kind that is in no row has
 * none of these traits.
 */
const BY_HAND: Readonly<Partial<Record<Trait, readonly KindId[]>>> = {
  hot: ["compressor", "cooling unit", "heater", "inrush resistor", "lamp", "ptc", "resistor"],
  moves: [
    "capacitor motor",
    "charger",
    "dc fan",
    "driven",
    "engine set",
    "fan",
    "motor",
    "motor drive",
    "pump",
    "solenoid",
    "three-phase motor",
  ],
  "starts-by-itself": [
    "capacitor motor",
    "dc fan",
    "engine set",
    "fan",
    "motor",
    "motor drive",
    "pump",
    "three-phase motor",
  ],
  "spring-or-weight": ["door lock", "solenoid"],
  "suspended-load": ["driven", "engine set"],
  "hot-water": ["pump"],
  sharp: ["cooling unit", "fan"],
  "stores-charge": [
    "capacitor",
    "linear supply",
    "motor drive",
    "non-isolated supply",
    "run capacitor",
    "staged supply",
    "switched supply",
  ],
  "battery-arc": ["battery", "charger"],
  refrigerant: ["compressor", "cooling unit"],
  "flammable-refrigerant": ["compressor", "cooling unit"],
  gas: ["gas valve coil"],
  licensed: [
    "compressor",
    "cooling unit",
    "earth-leakage breaker",
    "engine set",
    "gas valve coil",
    "outlet",
    "split outlet",
    "three-phase outlet",
  ],
  protects: ["breaker", "earth-leakage breaker", "fuse", "thermal cut-off"],
  "over-current": ["breaker", "fuse"],
  interlock: ["door lock", "door switch", "pressure switch", "reed switch", "thermal cut-off"],
};
const dangers = Object.keys(BY_HAND) as Trait[];

describe("the traits of kinds", () => {
  it.each(PART_KINDS.map((k) => [k.kind, k.safety.traits] as const))(
    "%s: as the table by hand has it",
    (kind, traits) => {
      for (const danger of dangers) expect(traits.includes(danger), danger).toBe(BY_HAND[danger]!.includes(kind));
      expect(new Set(traits).size).toBe(traits.length);
    },
  );

  it("stand in one table that a person can read", async () => {
    const width = Math.max(...PART_KINDS.map((k) => k.kind.length)) + 2;
    const lines = [...PART_KINDS]
      .sort((a, b) => (a.kind < b.kind ? -1 : 1))
      .map((k) => `${k.kind.padEnd(width)}${TRAITS.filter((t) => k.safety.traits.includes(t)).join(", ")}`.trimEnd());
    await expect(`${lines.join("\n")}\n`).toMatchFileSnapshot("kind-traits.txt");
  });

  it("are each of at least one kind, and every kind has a name", () => {
    for (const trait of TRAITS)
      expect(
        PART_KINDS.some((k) => k.safety.traits.includes(trait)),
        trait,
      ).toBe(true);
    expect(Object.keys(KIND_NAMES).sort()).toEqual(PART_KINDS.map((k) => k.kind).sort());
    expect(new Set(Object.values(KIND_NAMES)).size).toBe(PART_KINDS.length);
  });
});

describe("a gas valve", () => {
  // A bench supply or a bridge would open it with nobody watching the flame (common practice, no source).
  const { file } = machineNamed("murgast-abs-60");
  const setup = file.setups.find((s) => s.power === "on")!;
  const gas = machineNamed("murgast-abs-60").partById.get("gas")!;
  const at = [...machineNamed("murgast-abs-60").points.values()];
  const own = at.find((p) => [...gas.nodeOf.values()].includes(p.node))!.id;
  const other = at.find((p) => ![...gas.nodeOf.values()].includes(p.node))!.id;
  const withSetup = (more: object) => ({ ...file, setups: [...file.setups, { ...setup, id: "probe", ...more }] });

  it("is never fed from the bench, and never bridged while there is power", () => {
    const feed = { plus: own, minus: other, volts: 12, current: "dc" as const, amps: 1 };
    expect(() => compileMachine(withSetup({ power: "off", feeds: [feed] }))).toThrow(/never fed directly/);
    expect(() => compileMachine(withSetup({ jumpers: [[own, other]] }))).toThrow(/its own control only/);
    const elsewhere = at.filter((p) => ![...gas.nodeOf.values()].includes(p.node)).slice(0, 2);
    expect(() =>
      compileMachine(
        withSetup({ power: "off", feeds: [{ ...feed, plus: elsewhere[0]!.id, minus: elsewhere[1]!.id }] }),
      ),
    ).not.toThrow(/gas valve/);
  });
});

describe("what is said of a machine's dangers", () => {
  const SAID: Readonly<Partial<Record<Trait, WorkCaution["of"]>>> = {
    hot: "hot",
    moves: "moving",
    "spring-or-weight": "spring",
    sharp: "sharp",
    "stores-charge": "charge",
    "battery-arc": "battery",
    refrigerant: "refrigerant",
    gas: "gas",
  };
  it.each(FLEET)("%s: every danger that a part of it has, and no other", (name) => {
    const machine = machineNamed(name);
    const kinds = machine.parts.map((p) => p.kind.kind as KindId);
    const said = workCautions(machine);
    for (const [danger, of] of Object.entries(SAID) as [Trait, WorkCaution["of"]][])
      expect(
        said.some((c) => c.of === of),
        danger,
      ).toBe(kinds.some((k) => BY_HAND[danger]!.includes(k)));
    expect(said.some((c) => c.of === "hot water")).toBe(kinds.includes("pump") && kinds.includes("heater"));
    if (kinds.includes("driven") || kinds.includes("engine set"))
      expect(said.some((c) => c.of === "raised")).toBe(true);
    for (const { words } of said.filter((c) => c.of === "refrigerant")) expect(words).toContain("no flame");
  });
});
