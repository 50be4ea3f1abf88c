import { describe, expect, it } from "vitest";
import { PART_KINDS } from "../../../src/core/model/kinds/registry";
import { rtdOhms } from "../../../src/core/model/kinds/rtd";
import { bench } from "../../support/bench-machine";
import { FLEET, machineNamed } from "../../support/fleet";
import { has } from "../../../src/core/model/traits";

/** Kinds that no demo machine has; each is tried on the bench below, or in machines drawn at the door (quick-wide). */
const ON_THE_BENCH = [
  "capacitor motor",
  "run capacitor",
  "diode",
  "rtd",
  "reed switch",
  "capacitor",
  "varistor",
  "led",
  "buzzer",
  "ptc",
  "solenoid",
  "triac",
  "inrush resistor",
  "insulation",
  "three-phase outlet",
  "three-phase motor",
  "low-voltage feed",
  "contactor",
  "solid-state relay",
  "board by its pins",
];

describe("the family of kinds", () => {
  it("is met in the fleet or on the bench, every one of them", () => {
    const met = new Set(FLEET.flatMap((name) => machineNamed(name).parts.map((p) => p.kind.kind)));
    expect(PART_KINDS.map((k) => k.kind).filter((k) => !met.has(k) && !ON_THE_BENCH.includes(k))).toEqual([]);
  });

  it("gives signs with chances, above what a sound part shows, for failure modes it has", () => {
    for (const name of FLEET)
      for (const part of machineNamed(name).parts)
        for (const sign of part.kind.failures.signs?.(part.fields) ?? []) {
          expect(sign.otherwise).toBeGreaterThan(0);
          for (const [mode, chance] of Object.entries(sign.given)) {
            expect(chance!).toBeGreaterThan(sign.otherwise);
            expect(chance!).toBeLessThan(1);
            expect(
              part.modes.map((m) => m.id),
              `${part.kind.kind} ${sign.id}`,
            ).toContain(mode);
          }
        }
  });

  it("gives every part its labels once", () => {
    for (const name of FLEET)
      for (const part of machineNamed(name).parts)
        if (part.labels) expect(new Set(part.labels).size, `${name} ${part.id}`).toBe(part.labels.length);
  });

  it("says how each part is tested by itself, and which of them protect", () => {
    for (const name of FLEET)
      for (const part of machineNamed(name).parts) {
        if (part.modes.length > 0 && part.kind.kind !== "jumper")
          expect(part.kind.service.alone, part.kind.kind).toBeTruthy();
        if (part.modes.some((m) => m.protective)) expect(has(part, "protects"), part.kind.kind).toBe(true);
      }
  });
});

describe("a capacitor motor and its run capacitor", () => {
  const { label, number } = bench(
    `- { id: cap, kind: run capacitor, name: C, piece: p, farads: 25u, at: { a: L, b: aux } }
     - { id: m, kind: capacitor motor, name: M, piece: p, volts: 120, amps: 2, mainOhms: 6, startOhms: 9, at: { common: N, main: L, start: aux, case: E } }`,
    ["aux"],
  );
  it("turns, and hums without its capacitor or with its auxiliary winding open", () => {
    expect(label("on", "look", "m")).toBe("turns");
    expect(label("on", "look", "m", undefined, "cap:open")).toBe("hums");
    expect(label("on", "look", "m", undefined, "m:start-open")).toBe("hums");
    // One winding alone makes no turning field, whichever it is.
    expect(label("on", "look", "m", undefined, "m:main-open")).toBe("hums");
    expect(label("on", "look", "m", undefined, "cap:weak")).toBe("hums");
  });
  it("reads its windings dead, the two smaller adding up", () => {
    expect(number("off", "ohms", "L", "N")).toBeCloseTo(6, 0);
    expect(number("off", "ohms", "aux", "N")).toBeCloseTo(9, 0);
    expect(number("off", "ohms", "L", "aux")).toBeCloseTo(15, 0);
  });
});

/**
 * Worked by hand: 120 V, 1.25 A on the plate, so 1 A through a winding of 120 ohm at a power factor of 0.8, which is
 * 96 + j72 ohm. A capacitor of 200 ohm (13.26 uF at 60 Hz) before the other makes 96 - j128: 0.75 A, 53.1 degrees
 * ahead of the volts and so a quarter turn before the first; the volts across that winding are 0.75 x 120 = 90, across
 * the capacitor 150.
 */
describe("a capacitor motor that reverses", () => {
  const { label, number } = bench(
    `- { id: cap, kind: run capacitor, name: C, piece: p, farads: 13.26u, at: { a: A, b: B } }
     - { id: one, kind: switch, name: One way, piece: p, at: { a: L, b: A } }
     - { id: other, kind: switch, name: The other, piece: p, at: { a: L, b: B } }
     - { id: m, kind: capacitor motor, name: M, piece: p, volts: 120, amps: 1.25, mainOhms: 20, startOhms: 20, at: { common: N, main: A, start: B, case: E } }`,
    ["A", "B"],
    {
      setups: `  - { id: first, name: One, power: "on", made: [one], how: Hold it. }
  - { id: second, name: Other, power: "on", made: [other], how: Hold it. }
  - { id: both, name: Both, power: "on", made: [one, other], how: Hold both. }`,
    },
  );
  it("turns one way by one side, the other way by the other, and hums with both sides fed", () => {
    expect(label("on", "look", "m")).toBe("still");
    expect(label("first", "look", "m")).toBe("turns");
    expect(label("second", "look", "m")).toBe("turns backwards");
    expect(label("both", "look", "m")).toBe("hums");
  });
  it("has the volts of the quarter turn at the side that is not fed, and across its capacitor", () => {
    expect(number("first", "acv", "B", "N") / number("first", "acv", "A", "N")).toBeCloseTo(0.75, 2);
    expect(number("first", "acv", "A", "B") / number("first", "acv", "A", "N")).toBeCloseTo(1.25, 2);
  });
});

describe("semiconductors", () => {
  it("a diode passes one way only", () => {
    const { number } = bench(
      `- { id: d, kind: diode, name: D, piece: p, amps: 1, at: { anode: plus, cathode: k } }
       - { id: r, kind: resistor, name: R, piece: p, ohms: 1k, at: { a: k, b: gnd } }
       - { id: d2, kind: diode, name: D2, piece: p, amps: 1, at: { anode: gnd, cathode: k2 } }
       - { id: r2, kind: resistor, name: R2, piece: p, ohms: 1k, at: { a: plus, b: k2 } }`,
      ["k", "k2"],
    );
    expect(number("on", "dcv", "k", "gnd")).toBeGreaterThan(12);
    expect(number("on", "dcv", "k2", "gnd")).toBeGreaterThan(12);
    expect(number("on", "dcv", "k", "gnd", "d:open")).toBeLessThan(0.1);
    expect(number("on", "dcv", "k2", "gnd", "d2:shorted")).toBeLessThan(0.1);
  });
  it("a triac conducts while its gate is driven; shorted, it never stops", () => {
    const parts = (
      gate: string,
    ) => `- { id: t, kind: triac, name: T, piece: p, amps: 8, at: { gate: ${gate}, mt1: N, mt2: load } }
       - { id: b, kind: non-isolated supply, name: B, piece: p, volts: 5, lineVolts: 120, maxAmps: 0.1, at: { line: L, neutral: N, out: five } }
       - { id: g, kind: resistor, name: G, piece: p, ohms: 330, at: { a: ${gate === "five" ? "five" : "gate"}, b: N } }
       - { id: h, kind: heater, name: H, piece: p, volts: 120, watts: 300, at: { a: L, b: load, case: E } }`;
    const driven = bench(parts("five"), ["load", "five"]);
    const idle = bench(parts("gate"), ["load", "five", "gate"]);
    expect(driven.number("on", "acv", "L", "load")).toBeGreaterThan(110);
    expect(driven.number("on", "acv", "L", "load", "t:open")).toBeLessThan(5);
    expect(idle.number("on", "acv", "L", "load")).toBeLessThan(5);
    expect(idle.number("on", "acv", "L", "load", "t:shorted")).toBeGreaterThan(110);
    expect(driven.machine.domains[driven.machine.nodeOf.get("five")!]!.energy).toBe("mains");
  });
  it("a light-emitting diode is lit from its rail", () => {
    const { label } = bench(
      "- { id: l, kind: led, name: LED, piece: p, volts: 13, amps: 10m, at: { plus: plus, minus: gnd } }",
      [],
    );
    expect(label("on", "look", "l")).toBe("lit");
    expect(label("on", "look", "l", undefined, "l:dead")).toBe("dark");
  });
});

describe("a buzzer", () => {
  // Rated 12 V and 20 mA it is 600 ohms (Ohm's law), and loads its rail alike whether it sounds or is mute.
  const { label, number } = bench(
    "- { id: b, kind: buzzer, name: B, piece: p, volts: 12, amps: 20m, at: { plus: plus, minus: gnd } }",
    [],
  );
  it("sounds from its rail, and is silent open or mute", () => {
    expect(label("on", "look", "b")).toBe("sounds");
    expect(label("on", "look", "b", undefined, "b:open")).toBe("silent");
    expect(label("on", "look", "b", undefined, "b:mute")).toBe("silent");
    expect(label("off", "look", "b")).toBe("silent");
    expect(number("off", "ohms", "plus", "gnd", "b:open")).toBeGreaterThan(number("off", "ohms", "plus", "gnd"));
  });
});

describe("sensors and small parts", () => {
  it("a platinum resistor follows IEC 60751 in the circuit too", () => {
    const { number } = bench(
      "- { id: s, kind: rtd, name: S, piece: p, ohms0: 100, place: oven, at: { a: s1, b: s2 } }",
      ["s1", "s2"],
      { setups: '  - { id: hot, name: Hot, power: "off", places: { oven: 100 }, how: Heat. }' },
    );
    expect(number("hot", "ohms", "s1", "s2")).toBeCloseTo(rtdOhms(100, 100), 2);
    expect(number("hot", "ohms", "s1", "s2", "s:open")).toBe(Infinity);
  });
  it("a reed contact closes near its magnet", () => {
    const { number } = bench(
      "- { id: r, kind: reed switch, name: R, piece: p, place: lid, at: { a: r1, b: r2 } }",
      ["r1", "r2"],
      { setups: '  - { id: near, name: Near, power: "off", magnets: [lid], how: Hold it. }' },
    );
    expect(number("off", "ohms", "r1", "r2")).toBe(Infinity);
    expect(number("near", "ohms", "r1", "r2")).toBeLessThan(1);
    expect(number("near", "ohms", "r1", "r2", "r:stuck-open")).toBe(Infinity);
  });
  it("a PTC starter is low when cold and has let go once it has run", () => {
    const { number } = bench(
      `- { id: t, kind: ptc, name: T, piece: p, coldOhms: 20, hotOhms: 8k, at: { a: L, b: aux } }
       - { id: h, kind: heater, name: H, piece: p, volts: 120, watts: 700, at: { a: aux, b: N, case: E } }`,
      ["aux"],
    );
    expect(number("off", "ohms", "L", "aux")).toBeCloseTo(20, 0);
    expect(number("on", "acv", "aux", "N")).toBeLessThan(5);
  });
  it("a solenoid pulls when fed; a varistor and a capacitor are open until they short", () => {
    const { label, number } = bench(
      `- { id: s, kind: solenoid, name: S, piece: p, current: ac, volts: 120, amps: 0.2, ohms: 90, at: { a: L, b: N } }
       - { id: v, kind: varistor, name: V, piece: p, at: { a: v1, b: v2 } }
       - { id: c, kind: capacitor, name: C, piece: p, farads: 100u, at: { a: c1, b: c2 } }
       - { id: i, kind: inrush resistor, name: I, piece: p, ohms: 10, at: { a: i1, b: i2 } }`,
      ["v1", "v2", "c1", "c2", "i1", "i2"],
    );
    expect(label("on", "look", "s")).toBe("pulls");
    expect(label("on", "look", "s", undefined, "s:jammed")).toBe("rests");
    expect(number("off", "ohms", "v1", "v2")).toBe(Infinity);
    expect(number("off", "ohms", "v1", "v2", "v:shorted")).toBeLessThan(5);
    expect(number("off", "ohms", "c1", "c2", "c:shorted")).toBeLessThan(5);
    expect(number("off", "ohms", "i1", "i2")).toBeCloseTo(10, 0);
    expect(number("off", "ohms", "i1", "i2", "i:open")).toBe(Infinity);
  });
});

describe("split phase and supplies", () => {
  const machine = machineNamed("pfellmar-co-12");
  it("120 V from each leg to neutral, 240 V between them; a lost leg leaves the other live", async () => {
    const { Simulator } = await import("../../../src/core/simulate/energise");
    const { observe } = await import("../../../src/core/simulate/observe");
    const { makeTest } = await import("../../../src/core/simulate/test");
    const { nominalValues } = await import("../../../src/core/simulate/values");
    const { ORDINARY_METER } = await import("../../../src/core/instrument/meter");
    const simulator = new Simulator(machine);
    const volts = (red: string, black: string, mode?: string) => {
      const shown = observe(
        simulator,
        simulator.energise(
          machine.setupById.get("utility-on")!,
          mode ? [{ part: "utility", mode }] : [],
          nominalValues(machine),
        ),
        makeTest("utility-on", "acv", red, black),
        ORDINARY_METER,
      );
      return shown.kind === "value" ? shown.value : NaN;
    };
    expect(volts("ut-1", "neutral")).toBeCloseTo(120, 0);
    expect(volts("ut-2", "neutral")).toBeCloseTo(120, 0);
    expect(volts("ut-1", "ut-2")).toBeCloseTo(240, 0);
    expect(volts("ut-1", "neutral", "leg2-lost")).toBeCloseTo(120, 0);
    // The dead leg is fed back through what hangs between the legs: it reads something, and it is not dead.
    expect(volts("ut-2", "neutral", "leg2-lost")).toBeGreaterThan(20);
  });

  it("a supply that has lost its feedback, or whose rectifier is shorted, ticks; one with a dry bulk capacitor ripples", () => {
    const { read, number } = bench("", []);
    expect(read("on", "dcv", "plus", "gnd", "supply:feedback-open").kind).toBe("jumping");
    expect(number("off", "ohms", "plus", "gnd", "supply:rectifier-short")).toBeLessThan(1);
    expect(number("on", "acv", "plus", "gnd", "supply:ripple")).toBeGreaterThan(1);
    expect(number("on", "acv", "plus", "gnd")).toBeLessThan(0.1);
  });
});
