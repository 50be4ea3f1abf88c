import { describe, expect, test } from "vitest";
import { readMachineYaml } from "../../../src/core/model/file/machine-yaml";
import { exposureOf, panelsFor } from "../../../src/core/safety/exposure";
import { cautionsAt, cautionsFor, forbidden, inSupplyPrimary } from "../../../src/core/safety/rules";
import { sourcesOff } from "../../../src/core/safety/isolation";
import { workCautions } from "../../../src/core/safety/work-cautions";
import { compileMachine } from "../../../src/core/model/compile/compile";
import type { Machine } from "../../../src/core/model/machine";
import { makeTest } from "../../../src/core/simulate/test";
import { FLEET, machineNamed } from "../../support/fleet";
import { KETTLE } from "../../support/kettle";

// Written for what mutation testing of the hazard rules left alive: what is said, and of which parts.
const cooler = machineNamed("kaldruun-uc-80");
const setup = (id: string) => cooler.setupById.get(id)!;

test("on a live circuit ohms and continuity are refused by one sentence, capacitance and insulation by the one that says discharge", () => {
  for (const fn of ["ohms", "continuity"] as const)
    expect(forbidden(cooler, setup("calling"), makeTest("calling", fn, "T-L", "T-N"))).toBe(
      "Ohms only on a dead circuit: unplug, wait, prove it dead.",
    );
  for (const fn of ["capacitance", "insulation"] as const)
    expect(forbidden(cooler, setup("calling"), makeTest("calling", fn, "T-L", "T-N"))).toBe(
      "Only on a dead circuit: unplug, wait, discharge, prove it dead.",
    );
});

test("with the plug out a look is allowed, and nothing that needs power", () => {
  expect(forbidden(cooler, setup("unplugged"), makeTest("unplugged", "look", "compressor"))).toBeNull();
  for (const fn of ["dcv", "acv", "lowz", "hertz"] as const)
    expect(forbidden(cooler, setup("unplugged"), makeTest("unplugged", fn, "T-L", "T-N"))).toContain("needs power");
});

test("in the primary of a supply a low-impedance meter is refused, by what it does there; a high-impedance one is not", () => {
  const fridge = machineNamed("quellmoor-sb-210");
  const asked = (fn: "dcv" | "lowz") =>
    forbidden(fridge, fridge.setupById.get("cold-call")!, makeTest("cold-call", fn, "bulk-plus", "bulk-minus"));
  expect(asked("dcv")).toBeNull();
  expect(asked("lowz")).toContain("loads the bulk capacitor");
});

test("an insulation tester goes from mains to metalwork only: not within the mains, not on the metalwork alone, not in a supply's primary", () => {
  const asked = (red: string, black: string) =>
    forbidden(cooler, setup("unplugged"), makeTest("unplugged", "insulation", red, black));
  expect(asked("T-L", "chassis")).toBeNull();
  expect(asked("chassis", "T-L")).toBeNull();
  expect(asked("T-L", "T-N")).toContain("kills electronics");
  expect(asked("chassis", "plug-earth")).toContain("kills electronics");
  const fridge = machineNamed("quellmoor-sb-210");
  const bulk = makeTest("unplugged", "insulation", "bulk-plus", "chassis");
  expect(inSupplyPrimary(fridge, bulk)).toBe(true);
  expect(forbidden(fridge, fridge.setupById.get("unplugged")!, bulk)).toContain("kills electronics");
});

test("each kind of feed is taken off in its own words; of several, every one is named", () => {
  expect(sourcesOff(cooler)).toBe("Pull the plug and keep it in sight.");
  const panel = machineNamed("pfellmar-co-12");
  expect(panel.sources.length).toBeGreaterThan(1);
  // A house's supply has no plug: its breaker; the engine set starts by itself: locked out; the battery: its lead.
  for (const [source, way] of [
    ["outlet", "breaker off"],
    ["engine", "locked out"],
    ["battery", "battery lead off"],
  ] as const) {
    const own = panel.sources.find((s) => s.kind.kind.includes(source))!;
    expect(sourcesOff(panel)).toContain(`${own.name.toLowerCase()} (${way})`);
  }
  expect(sourcesOff(machineNamed("tannrast-ft-20"))).toBe("Take the battery off.");
});

test("work on an assembly says how it is made dead, and the cautions of its own parts and of no others", () => {
  const own = cautionsAt(cooler, "heater");
  expect(own[0]).toContain("prove it dead before you touch it");
  expect(own.join(" ")).toContain("sheath is hot");
  expect(own.join(" ")).not.toContain("refrigerant");
  expect(cautionsAt(cooler, "compressor").join(" ")).toContain("refrigerant");
});

describe("the dangers of working on a machine", () => {
  const kettle = readMachineYaml(KETTLE, "kettle.yaml").machine;
  const of = (machine: Machine, cleans = false) => workCautions(machine, cleans).map((c) => c.of);
  test("a kettle is only hot; as powered equipment it may also hold something up, with or without a drive that is drawn", () => {
    expect(of(kettle)).toEqual(["raised", "hot"]);
    expect(of(compileMachine({ ...kettle.file, family: "washer" }))).toEqual(["hot"]);
    // A driven load is let down, and an engine secured, whatever the family is called.
    for (const name of ["brenzik-cd-30", "dornlau-fl-7", "sellrun-lc-24", "pfellmar-co-12"])
      expect(of(compileMachine({ ...machineNamed(name).file, family: "washer" })), name).toContain("raised");
    expect(of(machineNamed("quellmoor-sb-210"))).not.toContain("raised");
  });
  test("bare mains are named where there are covers over mains, and a spray only where one is used", () => {
    expect(of(machineNamed("quellmoor-sb-210"))).toContain("mains");
    expect(of(kettle)).not.toContain("mains");
    for (const name of FLEET) {
      expect(of(machineNamed(name)), name).not.toContain("aerosol");
      expect(
        of(machineNamed(name), true).filter((x) => x === "aerosol"),
        name,
      ).toHaveLength(1);
    }
  });
  test("of two sources each is named, to be locked off", () => {
    for (const name of FLEET) {
      const machine = machineNamed(name);
      const said = workCautions(machine).filter((c) => c.of === "two sources");
      expect(said, name).toHaveLength(machine.sources.length > 1 ? 1 : 0);
      for (const { words } of said)
        for (const source of machine.sources) expect(words).toContain(source.name.toLowerCase());
    }
  });
});

describe("the cautions of a step, word for word and no others", () => {
  const fridge = machineNamed("quellmoor-sb-210");
  const said = (machine: Machine, ...of: Parameters<typeof makeTest>) =>
    cautionsFor(machine, machine.setupById.get(of[0])!, makeTest(...of));
  const exposed = (machine: Machine, ...of: Parameters<typeof makeTest>) =>
    exposureOf(machine, machine.setupById.get(of[0])!, makeTest(...of));
  const DEAD = (what: string) =>
    `Pull the plug and keep it in sight. Meter on volts first: prove it dead before you turn to ${what}.`;
  const BULK = "The bulk capacitor: wait a minute, then prove it below 5 V.";
  const LIVE = "Live: place the leads with the power off, then plug in, one hand, shrouded tips.";
  const AROUND = "Clamp around the insulated wire only, power off while you place it.";
  const PLUG = "Pull and push the plug with the power off, by its housing.";

  test("dead: by what the meter is turned to, with the bulk capacitor only where it is touched", () => {
    expect(said(fridge, "unplugged", "ohms", "J1-1.pad", "J1-2.pad")).toEqual([DEAD("ohms")]);
    expect(said(fridge, "unplugged", "ohms", "bulk-plus", "bulk-minus")).toEqual([DEAD("ohms"), BULK]);
    expect(said(fridge, "unplugged", "ohms", "J1-1.pad", "bulk-minus")).toEqual([DEAD("ohms"), BULK]);
    expect(said(fridge, "unplugged", "insulation", "comp-line", "chassis")).toEqual([
      DEAD("the insulation tester"),
      "500 V at the tips: plugs of the electronics off, hands off the leads, and let it discharge before you take them away.",
    ]);
    expect(said(fridge, "unplugged", "capacitance", "J1-1.pad", "J1-2.pad")).toEqual([
      DEAD("capacitance"),
      "A capacitor holds its charge: discharge it through a resistor, prove it under 5 V, then take one lead of it off.",
    ]);
    expect(exposed(fridge, "unplugged", "ohms", "bulk-plus", "bulk-minus")).toBe("dead");
  });
  test("live: leads placed dead; a clamp around the wire; the primary of a supply by itself", () => {
    expect(said(fridge, "cold-call", "acv", "J1-1.pad", "J1-2.pad")).toEqual([LIVE]);
    expect(said(fridge, "cold-call", "dcv", "bulk-plus", "bulk-minus")).toEqual([
      LIVE,
      "Non-isolated: the black lead is as deadly as the red one. Meter on its highest range.",
    ]);
    for (const fn of ["clamp", "inrush"] as const)
      expect(said(fridge, "cold-call", fn, "clamp-comp")).toEqual([AROUND]);
    expect(exposed(fridge, "cold-call", "clamp", "clamp-comp")).toBe("live");
  });
  test("isolated low voltage: by itself, or with bare mains behind the same cover", () => {
    expect(said(fridge, "cold-call", "dcv", "H1-1.cab", "H1-3.cab")).toEqual([
      "Isolated low voltage. A slipped probe can still kill a board.",
    ]);
    expect(said(fridge, "cold-call", "dcv", "J2-1.pad", "J2-3.pad")).toEqual([
      "These pins are isolated low voltage, but bare mains is beside them. Place the leads with the plug out.",
    ]);
    expect(exposed(fridge, "cold-call", "dcv", "H1-1.cab", "H1-3.cab")).toBe("low voltage");
    // One of two covers with mains behind it is enough.
    for (const [red, black] of [
      ["J2-1.pad", "P1-3"],
      ["P1-1", "J2-3.pad"],
    ] as const)
      expect(said(fridge, "cold-call", "dcv", red, black)).toEqual([
        "These pins are isolated low voltage, but bare mains is beside them. Place the leads with the plug out.",
      ]);
    // One lead on mains makes the whole test live.
    expect(exposed(fridge, "cold-call", "acv", "J1-1.pad", "J2-3.pad")).toBe("live");
    // A clamp around a wire that carries low voltage is no live work; around one that nobody knows it is.
    const panel = machineNamed("hochkar-ip-4");
    const powered = panel.file.setups.find((s) => s.power === "on")!.id;
    expect(exposed(panel, powered, "dcclamp", "clamp-feed")).toBe("low voltage");
    expect(exposed(panel, powered, "dcclamp", "no such clamp")).toBe("live");
  });
  test("looking is no exposure; a plug that has to be apart is pulled dead; what nobody feeds is taken as hot", () => {
    expect(said(fridge, "cold-call", "look", "panel")).toEqual([]);
    expect(exposed(fridge, "cold-call", "look", "panel")).toBe("none");
    expect(said(fridge, "panel-off-powered", "look", "panel")).toEqual([PLUG]);
    expect(said(fridge, "panel-off-powered", "acv", "J1-1.pad", "J1-2.pad")).toEqual([LIVE, PLUG]);
    expect(exposed(fridge, "cold-call", "dcv", "no such point", "J2-3.pad")).toBe("live");
  });
  test("a board that is bypassed, a jumper: only where the setup has one, in every machine", () => {
    for (const name of FLEET) {
      const machine = machineNamed(name);
      for (const setup of machine.file.setups) {
        const looked = machine.parts.find((p) => p.labels);
        if (!looked) continue;
        const words = cautionsFor(machine, setup, makeTest(setup.id, "look", looked.id)).join(" ");
        expect(words.includes("Board bypassed"), `${name} ${setup.id}`).toBe(setup.feeds.length > 0);
        expect(words.includes("Jumper in and out"), `${name} ${setup.id}`).toBe(setup.jumpers.length > 0);
        expect(words.includes("Pull and push the plug"), `${name} ${setup.id}`).toBe(setup.apart.length > 0);
      }
    }
  });
  test("a point that nothing known feeds is taken as hot, by name, each lead by itself; other points are not", () => {
    const drifting = readMachineYaml(
      KETTLE.replace(
        "points:\n",
        "  - { id: R9, kind: resistor, name: Loose end, piece: heater, ohms: 100, at: { a: loose-a, b: loose-b } }\npoints:\n  - { id: loose-a, name: Loose end A, net: loose-a }\n  - { id: loose-b, name: Loose end B, net: loose-b }\n",
      ),
      "kettle.yaml",
    ).machine;
    const hot = (words: readonly string[]) => words.filter((w) => w.includes("nothing known feeds it"));
    expect(hot(said(drifting, "on", "acv", "loose-a", "in-N"))).toEqual([
      "Loose end A: nothing known feeds it. Treat it as live.",
    ]);
    expect(hot(said(drifting, "on", "acv", "in-L", "loose-b"))).toEqual([
      "Loose end B: nothing known feeds it. Treat it as live.",
    ]);
    expect(hot(said(drifting, "on", "acv", "loose-a", "loose-b"))).toHaveLength(2);
    expect(hot(said(drifting, "on", "acv", "in-L", "in-N"))).toEqual([]);
    expect(exposed(drifting, "on", "dcv", "loose-a", "loose-b")).toBe("live");
  });
  test("a bench supply is a source: what it feeds is not dead, though the plug is out", () => {
    for (const name of ["zirvald-bw-15", "sellrun-lc-24", "tannrast-ft-20"]) {
      const machine = machineNamed(name);
      const bypass = machine.setupById.get("bypass")!;
      expect(bypass.power).toBe("off");
      const { plus, minus } = bypass.feeds[0]!;
      expect(exposed(machine, "bypass", "dcv", plus, minus), name).not.toBe("dead");
      expect(forbidden(machine, bypass, makeTest("bypass", "ohms", plus, minus)), name).toContain(
        "Ohms only on a dead circuit",
      );
      expect(forbidden(machine, bypass, makeTest("bypass", "dcv", plus, minus)), name).toBeNull();
    }
  });
  test("the cover in front of a clamp point, of a probed point, of a plug that is pulled; none for a look", () => {
    expect(panelsFor(fridge, makeTest("cold-call", "clamp", "clamp-comp"))).toEqual(["rear-cover"]);
    expect(panelsFor(fridge, makeTest("cold-call", "dcv", "J2-1.pad", "J2-3.pad"))).toEqual(["rear-cover"]);
    expect(panelsFor(fridge, makeTest("cold-call", "look", "panel"))).toEqual([]);
    expect(panelsFor(fridge, makeTest("unplugged-P1", "look", "panel"))).toEqual(["door-trim"]);
    // A plug is pulled at its far side, where that has a cover of its own.
    const opener = machineNamed("dornlau-fl-7");
    expect(opener.file.connectors.find((c) => c.id === "X4")).toMatchObject({
      near: { panel: "top" },
      far: { panel: "rear" },
    });
    const apart = opener.file.setups.find((s) => s.apart.includes("X4"));
    const changed = compileMachine({
      ...opener.file,
      setups: [
        ...opener.file.setups,
        { ...opener.file.setups.find((s) => s.power === "off")!, ...(apart ?? {}), id: "x4-off", apart: ["X4"] },
      ],
    });
    expect(panelsFor(changed, makeTest("x4-off", "look", "panel"))).toEqual(["rear"]);
  });
  test("each danger by what is in the machine", () => {
    const of = (name: string) => workCautions(machineNamed(name)).map((c) => c.of);
    expect(of("murgast-abs-60")).toEqual(expect.arrayContaining(["gas", "refrigerant", "hot"]));
    expect(of("quellmoor-sb-210")).toEqual(expect.arrayContaining(["charge", "refrigerant", "hot", "moving"]));
    expect(of("quellmoor-sb-210")).not.toContain("gas");
    for (const name of FLEET) {
      const kinds = new Set(machineNamed(name).parts.map((p) => p.kind.kind));
      expect(of(name).includes("refrigerant"), name).toBe(kinds.has("compressor") || kinds.has("cooling unit"));
      expect(of(name).includes("gas"), name).toBe([...kinds].some((k) => k.startsWith("gas valve")));
      if (kinds.has("switched supply") || kinds.has("staged supply") || kinds.has("capacitor"))
        expect(of(name), name).toContain("charge");
      if (kinds.has("motor") || kinds.has("pump") || kinds.has("dc fan")) expect(of(name), name).toContain("moving");
    }
  });
});
