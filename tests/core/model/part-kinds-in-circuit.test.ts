import { describe, expect, it } from "vitest";
import { OPEN_OHMS } from "../../../src/core/model/kind";
import { PART_KINDS, partKind } from "../../../src/core/model/kinds/registry";
import { ntcOhms } from "../../../src/core/model/kinds/ntc";
import { sampledValues } from "../../../src/core/simulate/values";
import { bench } from "../../support/bench-machine";
import { demoMachine } from "../../support/demo-machine";

describe("the family of kinds", () => {
  it("has names of its own, found by name, and says how each kind fails with a source for the odds", () => {
    expect(new Set(PART_KINDS.map((k) => k.kind)).size).toBe(PART_KINDS.length);
    for (const kind of PART_KINDS) expect(partKind(kind.kind)?.kind).toBe(kind.kind);
    expect(partKind("flux capacitor")).toBeUndefined();
    for (const part of demoMachine().parts)
      for (const mode of part.modes) {
        expect(mode.odds, `${part.id}:${mode.id}`).toBeGreaterThan(0);
        expect(["from memory", "file"]).toContain(mode.source);
        if (mode.severity) expect(mode.severity[0]).toBeLessThan(mode.severity[1]);
      }
  });

  it("keeps elements and terminals together: every element ends at a terminal of its own kind or at ground", () => {
    for (const part of demoMachine().parts) {
      const terminals = new Set([...part.kind.electrical.terminals(part.fields), "@ground"]);
      for (const pair of part.kind.electrical.elements(part.fields))
        for (const end of pair) expect(terminals.has(end), `${part.id} ${end}`).toBe(true);
      for (const group of part.kind.electrical.galvanic(part.fields))
        for (const end of group) expect(terminals.has(end), `${part.id} ${end}`).toBe(true);
    }
  });
});

describe("heater", () => {
  const { number } = bench(
    "- { id: h, kind: heater, name: Heater, piece: p, volts: 120, watts: 325, at: { a: L, b: h2, case: E } }\n- { id: w, kind: wire, name: Wire, piece: p, at: { a: h2, b: N } }",
    ["h2"],
    { clamps: "[ { id: c, name: Clamp, part: w } ]" },
  );
  it("draws volts over ohms, and nothing when it is burnt out", () => {
    expect(number("on", "clamp", "c")).toBeCloseTo(120 / 44.3, 1);
    expect(number("on", "clamp", "c", undefined, "h:open")).toBeCloseTo(0, 6);
    expect(number("on", "acv", "L", "h2", "h:open")).toBeGreaterThan(115);
  });
  it("reads megohms or overload to its case when sound, kilohms when it leaks", () => {
    // 2 to 110 megohms is usual of sheathed heaters: common practice, no source.
    expect(number("off", "ohms", "h2", "E")).toBeGreaterThan(2e6);
    expect(number("off", "ohms", "h2", "E", "h:to-case")).toBeGreaterThan(1000);
    expect(number("off", "ohms", "h2", "E", "h:to-case")).toBeLessThan(60_000);
  });
});

describe("relay", () => {
  const { number } = bench(
    "- { id: k, kind: relay, name: Relay, piece: p, coilVolts: 12, coilOhms: 100, contactAmps: 10, at: { coil-a: plus, coil-b: gnd, common: L, make: out } }\n- { id: load, kind: heater, name: Load, piece: p, volts: 120, watts: 120, at: { a: out, b: N, case: E } }",
    ["out"],
  );
  it("closes with its coil fed and is open at rest", () => {
    expect(number("on", "acv", "out", "N")).toBeGreaterThan(110);
    expect(number("off", "ohms", "L", "out")).toBeGreaterThan(1e5);
  });
  it("shows full voltage across a contact that does not make, and none with a welded one when dead", () => {
    expect(number("on", "acv", "L", "out", "k:contact-open")).toBeGreaterThan(110);
    expect(number("off", "ohms", "L", "out", "k:welded")).toBeLessThan(0.1);
    expect(number("on", "acv", "L", "out", "k:coil-open")).toBeGreaterThan(110);
    // The coil, or less through the supply that lies beside it.
    expect(number("off", "ohms", "plus", "gnd")).toBeGreaterThan(45);
    expect(number("off", "ohms", "plus", "gnd")).toBeLessThan(105);
  });
});

describe("supply and what hangs on it", () => {
  const { number, read, label } = bench(
    "- { id: f, kind: dc fan, name: Fan, piece: p, volts: 13, amps: 0.2, at: { plus: plus, minus: gnd } }\n- { id: pinch, kind: insulation, name: Pinch, piece: p, at: { a: plus, b: gnd } }\n- { id: r, kind: regulator, name: Regulator, piece: p, volts: 5, dropoutVolts: 1.5, at: { in: plus, out: five, return: gnd } }",
    ["five"],
  );
  it("gives its volts between its own output and its own return, and none when dead or without bulk", () => {
    expect(number("on", "dcv", "plus", "gnd")).toBeCloseTo(13, 0);
    expect(number("on", "dcv", "bp", "bm")).toBeCloseTo(168, 0);
    for (const fault of ["supply:dead", "supply:no-bulk"])
      expect(Math.abs(number("on", "dcv", "plus", "gnd", fault))).toBeLessThan(0.1);
    expect(number("on", "dcv", "bp", "bm", "supply:dead")).toBeGreaterThan(150);
    expect(Math.abs(number("on", "dcv", "bp", "bm", "supply:no-bulk"))).toBeLessThan(5);
  });
  it("trips and retries on a short: the meter jumps and never shows the full rail", () => {
    const shown = read("on", "dcv", "plus", "gnd", "pinch:rubbed-through");
    expect(shown.kind === "jumping" && shown.high).toBeLessThan(3);
    expect(label("on", "look", "f", undefined, "pinch:rubbed-through")).not.toBe("runs");
  });
  it("tells a seized fan from an open one by what it draws, not by its looks", () => {
    expect(label("on", "look", "f")).toBe("runs");
    for (const fault of ["f:seized", "f:open"]) expect(label("on", "look", "f", undefined, fault)).toBe("silent");
    expect(number("on", "dcv", "plus", "gnd", "f:seized")).toBeLessThan(number("on", "dcv", "plus", "gnd", "f:open"));
  });
  it("regulates, drops out, or passes what comes in", () => {
    expect(number("on", "dcv", "five", "gnd")).toBeCloseTo(5, 1);
    expect(number("on", "dcv", "five", "gnd", "r:passes")).toBeGreaterThan(12);
    expect(Math.abs(number("on", "dcv", "five", "gnd", "r:dead"))).toBeLessThan(0.1);
  });
  it("shows phantom volts from its floating side to earth on an open meter, and none on a low-impedance one", () => {
    const phantom = number("on", "acv", "plus", "E");
    expect(phantom).toBeGreaterThan(20);
    expect(number("on", "lowz", "plus", "E")).toBeLessThan(phantom / 50);
  });
});

describe("sensors, switches and loads", () => {
  const { number, read, label } = bench(
    "- { id: t, kind: ntc, name: Sensor, piece: p, ohms25: 5000, beta: 3650, place: box, at: { a: t1, b: t2 } }\n- { id: s, kind: door switch, name: Switch, piece: p, door: door, closedWhen: door closed, at: { a: s1, b: s2 } }\n- { id: c, kind: compressor, name: Compressor, piece: p, volts: 120, runAmps: 1.5, windingOhms: 8, restMinutes: 5, at: { line: L, neutral: N, case: E } }\n- { id: J, kind: contact, name: Contact, piece: p, connector: none, at: { near: j1, far: j2 } }",
    ["t1", "t2", "s1", "s2", "j1", "j2"],
    {
      doors: "[ { id: door, name: Door } ]",
      setups: '  - { id: ice, name: Ice, power: "off", places: { box: 0 }, openDoors: [door], how: Ice. }',
    },
  );
  it("a thermistor is far higher in crushed ice; open, shorted and drifted ones show", () => {
    expect(number("off", "ohms", "t1", "t2")).toBeCloseTo(5000, -1);
    expect(number("ice", "ohms", "t1", "t2")).toBeCloseTo(ntcOhms(5000, 3650, 0), -1);
    expect(number("off", "ohms", "t1", "t2", "t:open")).toBe(Infinity);
    expect(number("off", "ohms", "t1", "t2", "t:short")).toBeLessThan(25);
    expect(number("off", "ohms", "t1", "t2", "t:drifted")).toBeGreaterThan(9000);
  });
  it("a door switch follows its door, unless it sticks", () => {
    expect(read("off", "continuity", "s1", "s2")).toEqual({ kind: "beep", beeps: true });
    expect(read("ice", "continuity", "s1", "s2")).toEqual({ kind: "beep", beeps: false });
    expect(read("ice", "continuity", "s1", "s2", "s:stuck-closed")).toEqual({ kind: "beep", beeps: true });
    expect(read("off", "continuity", "s1", "s2", "s:stuck-open")).toEqual({ kind: "beep", beeps: false });
  });
  it("a compressor runs, hums when it is seized, and is silent with an open winding", () => {
    expect(label("on", "look", "c")).toBe("runs");
    expect(label("on", "look", "c", undefined, "c:locked")).toBe("hums");
    expect(label("on", "look", "c", undefined, "c:open")).toBe("silent");
    expect(number("off", "ohms", "L", "N")).toBeCloseTo(8, 0);
  });
  it("a contact is nothing, some ohms, or open", () => {
    expect(number("off", "ohms", "j1", "j2")).toBeLessThan(0.05);
    expect(number("off", "ohms", "j1", "j2", "J:resistive")).toBeGreaterThan(25);
    expect(number("off", "ohms", "j1", "j2", "J:open")).toBe(Infinity);
    expect(OPEN_OHMS).toBeGreaterThanOrEqual(1e11);
  });
});

describe("outlet and cord", () => {
  const { number } = bench(
    "- { id: cord, kind: cord, name: Cord, piece: p, at: { line-pin: L, neutral-pin: N, earth-pin: E, line: l2, neutral: n2, earth: e2 } }\n- { id: load, kind: heater, name: Load, piece: p, volts: 120, watts: 120, at: { a: l2, b: n2, case: e2 } }",
    ["l2", "n2", "e2"],
  );
  it("brings mains with its source impedance, and nothing unplugged", () => {
    expect(number("on", "acv", "l2", "n2")).toBeGreaterThan(118);
    expect(number("off", "acv", "l2", "n2")).toBe(0);
  });
  it("each broken core shows where it should", () => {
    expect(number("on", "acv", "l2", "n2", "cord:line-open")).toBeLessThan(1);
    expect(number("on", "acv", "n2", "E", "cord:neutral-open")).toBeGreaterThan(100);
    expect(number("off", "ohms", "E", "e2", "cord:earth-open")).toBe(Infinity);
    expect(number("on", "acv", "L", "N", "outlet:dead")).toBeLessThan(1);
    expect(number("on", "acv", "L", "E", "outlet:neutral-open")).toBeGreaterThan(110);
  });
});

describe("samples", () => {
  const machine = demoMachine();
  it("are the same for the same seed, within tolerance, and different for another", () => {
    const [a, b, c] = [sampledValues(machine, 1, 0.5), sampledValues(machine, 1, 0.5), sampledValues(machine, 2, 0.5)];
    expect(a.of).toEqual(b.of);
    expect(a.of).not.toEqual(c.of);
    machine.parts.forEach((part, p) =>
      part.parameters.forEach((parameter, i) =>
        expect(Math.abs(a.of[p]![i]! / parameter.nominal - 1)).toBeLessThanOrEqual(parameter.tolerance + 1e-12),
      ),
    );
    expect(Math.abs(a.supplyVolts / 120 - 1)).toBeLessThanOrEqual(0.06);
  });
  it("cover the range of a graded fault by their stratum", () => {
    const part = machine.partById.get("H1-1")!;
    const mode = part.modes.find((m) => m.severity)!;
    const [low, high] = [
      sampledValues(machine, 1, 0.05).severity(part, mode),
      sampledValues(machine, 1, 0.95).severity(part, mode),
    ];
    expect(low).toBeGreaterThanOrEqual(mode.severity![0]);
    expect(high).toBeLessThanOrEqual(mode.severity![1]);
    expect(high / low).toBeGreaterThan(10);
  });
});
