import { describe, expect, test } from "vitest";
import { type CircuitChange, variantOf } from "../../src/core/model";
import { proveModification } from "../../src/core/repair/modification";
import { makeTest } from "../../src/core/simulate/test";
import { machineNamed } from "../support/fleet";
import { SpiceUnit } from "./spice-unit";

/**
 * A stapler whose board is no longer made gets a relay worked by its own two switches in series. Truth: the circuit
 * simulator runs the changed circuit in every position of the switches; the rest is worked by hand from the file's
 * values. The rule of what may be bypassed: common practice, no source.
 */
const stapler = machineNamed("grisselm-sn-18");
const board: CircuitChange = { change: "board out", board: "board" };
const RATED = { coilVolts: 18, coilOhms: 270, contactAmps: 40, dcAmps: 40 };
const relay = (fields: Record<string, number> = RATED): CircuitChange => ({
  change: "added",
  kind: "relay",
  name: "Relay K1",
  at: { "coil-a": "both", "coil-b": "minus", common: "M-2", make: "minus" },
  fields,
});
const diode: CircuitChange = {
  change: "added",
  kind: "diode",
  name: "Diode across the motor",
  at: { anode: "M-2", cathode: "M-1" },
  fields: { amps: 6 },
};
const lamp: CircuitChange = {
  change: "added",
  kind: "led",
  name: "Ready lamp",
  at: { plus: "both", minus: "minus" },
  fields: { volts: 18, ohms: 1000 },
};
const salvage = [board, relay(), diode, lamp];
const nothing = { part: "", mode: "" };
const inSpice = (changes: readonly CircuitChange[], fault = nothing) =>
  new SpiceUnit(variantOf(stapler.file, changes), fault, {}, () => 0);

describe("a board replaced by a relay", () => {
  const proof = proveModification(stapler, salvage);

  test("passes, with every finding told", () => {
    expect(proof.findings.filter((f) => !f.ok)).toEqual([]);
    expect(proof.allowed).toBe(true);
    const of = new Set(proof.findings.map((f) => f.of));
    expect([...of]).toEqual(
      expect.arrayContaining(["protection", "interlock", "sequence", "held motor", "coil", "suppression", "fuse"]),
    );
  });

  test.each([
    ["rest", "still", "dark"],
    ["trigger-only", "still", "dark"],
    ["nose-only", "still", "dark"],
    ["armed", "turns", "lit"],
  ])("%s: the simulated circuit has the motor %s and the lamp %s", (setup, motor, lit) => {
    const unit = inSpice(salvage);
    const of = (part: string) => unit.read(makeTest(setup, "look", part));
    expect(of("motor")).toEqual({ kind: "label", label: motor });
    const led = variantOf(stapler.file, salvage).parts.find((p) => p.name === "Ready lamp")!.id;
    expect(of(led)).toEqual({ kind: "label", label: lit });
  });

  test("the held motor draws what the simulator and Ohm's law say, and the contact is rated for it", () => {
    const shown = inSpice(salvage, { part: "motor", mode: "seized" }).read(makeTest("armed", "dcclamp", "clamp-motor"));
    // By hand: 18 V over winding 0.7, pack 0.08, contact and leads about 0.05 ohm.
    const byHand = 18 / (0.7 + 0.08 + 0.05);
    expect(shown).toMatchObject({ kind: "value" });
    const amps = (shown as { value: number }).value;
    expect(Math.abs(amps - byHand)).toBeLessThan(0.08 * byHand);
    const told = Number(
      /draws ([\d.]+) A/.exec(
        proof.findings.find((f) => f.of === "held motor" && f.words.includes("Relay"))!.words,
      )![1],
    );
    expect(Math.abs(told - amps)).toBeLessThan(0.08 * amps);
  });

  test("the lamp's resistor: 18 V over 1 k are 0.32 W by hand, so at least half a watt is asked for", () => {
    expect(proof.warnings.find((w) => w.startsWith("Ready lamp"))).toMatch(/turns 3\d\d mW .* one of 6\d\d mW/);
  });

  test.each([
    [
      "a contact for 12 A",
      [board, relay({ ...RATED, contactAmps: 12, dcAmps: 12 }), diode],
      "held motor",
      /12\.0 A.*2\d\.\d A/,
    ],
    [
      "a contact rated for alternating current only",
      [board, relay({ coilVolts: 18, coilOhms: 270, contactAmps: 40, dcAmps: 0 }), diode],
      null,
      null,
    ],
    ["a coil made for 6 V", [board, relay({ ...RATED, coilVolts: 6, coilOhms: 40 }), diode], "coil", /burns/],
    [
      "a coil made for 48 V",
      [board, relay({ ...RATED, coilVolts: 48, coilOhms: 2000 }), diode],
      "coil",
      /may not pull in/,
    ],
    ["no diode", [board, relay()], "suppression", /Nothing takes up/],
    [
      "the diode the wrong way round",
      [board, relay(), { ...diode, at: { anode: "M-1", cathode: "M-2" } }],
      "suppression",
      /wrong way/,
    ],
  ] as const)("%s is refused", (_name, changes, of, words) => {
    if (of === null)
      return expect(() => proveModification(stapler, changes as unknown as CircuitChange[])).toThrow(/dcAmps/);
    const refused = proveModification(stapler, changes as unknown as CircuitChange[]);
    expect(refused.allowed).toBe(false);
    expect(refused.findings.find((f) => f.of === of && !f.ok)?.words).toMatch(words);
  });

  test("a wire too thin for the held motor is refused with its figures, one of no size too", () => {
    const thin = (gauge?: string): CircuitChange[] => [
      board,
      { change: "moved", part: "W1", terminal: "a" },
      { change: "wired", from: "fused", to: "W1.a.free", ...(gauge ? { gauge } : {}) },
      relay(),
      diode,
    ];
    // 8 A a square millimetre, common practice: 1 mm2 bears 8 A, 4 mm2 32 A; the held motor draws 22 A.
    const held = (gauge?: string) =>
      proveModification(stapler, thin(gauge)).findings.filter((f) => f.of === "held motor" && !f.ok);
    expect(held("1 mm2")[0]!.words).toMatch(/8\.00 A.*2\d\.\d A/);
    expect(held()[0]!.words).toMatch(/no size/);
    expect(held("4 mm2")).toEqual([]);
  });

  test("the half-amp switches may not carry the motor themselves: refused with amperes", () => {
    const direct: CircuitChange[] = [
      board,
      { change: "wired", from: "both", to: "M-1", gauge: "4 mm2" },
      { change: "wired", from: "M-2", to: "minus", gauge: "4 mm2" },
      { change: "moved", part: "W1", terminal: "b" },
      diode,
    ];
    const refused = proveModification(stapler, direct);
    expect(refused.allowed).toBe(false);
    expect(refused.findings.find((f) => f.of === "current")!.words).toMatch(/switch.*rated 500 mA/i);
  });

  test("one switch bridged is refused, with where the motor would run; the simulator agrees that it would", () => {
    const bridged: CircuitChange[] = [{ change: "taken out", part: "nose-sw", bridged: true }];
    const refused = proveModification(stapler, bridged);
    expect(refused.allowed).toBe(false);
    expect(refused.findings.map((f) => f.words).join()).toMatch(
      /neither taken out nor bridged.*Motor would run in 2 of 8/,
    );
    expect(inSpice(bridged).read(makeTest("trigger-only", "look", "motor"))).toEqual({ kind: "label", label: "turns" });
    const trigger = proveModification(stapler, [{ change: "taken out", part: "trigger", bridged: true }]);
    expect(trigger.allowed).toBe(false);
    expect(trigger.findings.find((f) => f.of === "interlock")!.words).toMatch(/nose/i);
  });

  test("without the fuse it is refused, and in the sound unit the fuse is the last thing between pack and motor", () => {
    const without = proveModification(stapler, [...salvage, { change: "taken out", part: "F1", bridged: true }]);
    expect(without.allowed).toBe(false);
    expect(without.findings[0]!.of).toBe("protection");
  });

  test.each([
    [
      "a wire past the nose switch",
      { change: "wired", from: "T-2", to: "both", gauge: "4 mm2" },
      /Nose switch protects: nothing is put across/,
    ],
    [
      "a wire past it from plug to plug",
      { change: "wired", from: "N-1", to: "C-2", gauge: "4 mm2" },
      /Nose switch protects/,
    ],
    ["a wire past the fuse", { change: "wired", from: "lead-P", to: "M-1", gauge: "4 mm2" }, /Fuse F1 protects/],
    [
      "a resistor past the nose switch",
      { change: "added", kind: "resistor", name: "R", at: { a: "T-2", b: "both" }, fields: { ohms: 100 } },
      /Nose switch protects/,
    ],
  ] as const)("%s is refused on sight, whatever stays of the board", (_name, change, words) => {
    const proof = proveModification(stapler, [change as unknown as CircuitChange]);
    expect(proof.allowed).toBe(false);
    expect(proof.findings[0]!.words).toMatch(words);
  });

  test("a gas valve is joined to nothing new: its own control feeds it alone", () => {
    const dryer = machineNamed("brenzik-cd-30");
    const valve = dryer.parts.find((p) => p.kind.electrical.onlyByItsControl)!;
    const net = (node: number) => dryer.nets[node]!;
    const [a] = [...valve.nodeOf.values()];
    const live = dryer.points.get("plug-line") ?? [...dryer.points.values()][0]!;
    const proof = proveModification(dryer, [{ change: "wired", from: live.net, to: net(a!), gauge: "1 mm2" }]);
    expect(proof.allowed).toBe(false);
    expect(proof.findings[0]!.words).toMatch(/by its own control alone/);
  });

  test("past the board while the board stays in: refused, for the motor would run with the board dead", () => {
    const tool = machineNamed("tannrast-ft-20");
    const past: CircuitChange[] = [
      { change: "moved", part: "motor", terminal: "b", to: "joint-1" },
      {
        change: "added",
        kind: "relay",
        name: "K1",
        at: { "coil-a": "fed", "coil-b": "gate", common: "joint-1", make: "gnd" },
        fields: RATED,
      },
      { change: "added", kind: "switch", name: "Button", at: { a: "joint-1", b: "gnd" }, fields: { rests: "open" } },
    ];
    const proof = proveModification(tool, past);
    expect(proof.allowed).toBe(false);
  });

  test("a fuse that would open is no shelter for a contact that is too weak", () => {
    // 18 V over 0.7, 0.08 and some hundredths of an ohm are 22 A; a fuse of 10 A opens, the contact must bear it till then.
    const small: CircuitChange = {
      change: "put in",
      kind: "fuse",
      name: "F2",
      part: "W1",
      terminal: "b",
      fields: { amps: 10 },
    };
    const weak = proveModification(stapler, [board, relay({ ...RATED, contactAmps: 12, dcAmps: 12 }), diode, small]);
    expect(weak.findings.find((f) => f.of === "held motor" && !f.ok)?.words).toMatch(/12\.0 A.*2\d\.\d A/);
  });

  test("a board of which nobody knows what it watched over is not bypassed; said so, it is", () => {
    const file = { ...stapler.file, pieces: stapler.file.pieces.map((p) => ({ ...p, guards: undefined })) };
    const unknown = variantOf(file as typeof stapler.file, []);
    const asked = proveModification(unknown, salvage);
    expect(asked.allowed).toBe(false);
    expect(asked.findings.filter((f) => !f.ok).map((f) => f.of)).toEqual(Array(5).fill("guard").fill("sequence", 0, 1));
    const none = { sequence: "no", temperature: "no", undervoltage: "no", stall: "no", brake: "no" };
    expect(proveModification(unknown, salvage, { guards: none }).allowed).toBe(true);
    const braked = proveModification(unknown, salvage, { guards: { ...none, brake: "a resistor across the motor" } });
    expect(braked.allowed).toBe(true);
    expect(braked.warnings.join()).toMatch(/To be shown by trying it.*resistor across/);
  });
});

describe("a tool whose board keeps a sequence and its thermal fuse", () => {
  const tool = machineNamed("tannrast-ft-20");
  const changes: CircuitChange[] = [
    board,
    {
      change: "added",
      kind: "relay",
      name: "Relay K1",
      at: { "coil-a": "in-P", "coil-b": "s-trig", common: "in-P", make: "fed" },
      fields: RATED,
    },
    { change: "wired", from: "s-nose", to: "B-2.pad", gauge: "0.5 mm2" },
    { change: "wired", from: "M-2", to: "B-2.pad", gauge: "4 mm2" },
    { ...diode, at: { anode: "M-2", cathode: "fed" } } as CircuitChange,
  ];

  test("switches in series and a relay are refused, with what would be lost", () => {
    const proof = proveModification(tool, changes);
    expect(proof.allowed).toBe(false);
    const lost = proof.findings.filter((f) => !f.ok);
    expect(lost.find((f) => f.of === "protection")!.words).toMatch(/Thermal fuse/);
    // Held trigger, nose pressed twice: one stroke with its board, two with the switches alone.
    expect(lost.find((f) => f.of === "sequence")!.words).toMatch(/Trigger switch.*Nose pressed.*Today it does not/);
    expect(lost.find((f) => f.of === "guard")!.words).toMatch(/125 °C; today it stops/);
  });

  test("a thermal fuse of the same kind gives back the one, not the other", () => {
    const again: CircuitChange[] = [
      ...changes.slice(0, 1),
      {
        change: "added",
        kind: "thermal cut-off",
        name: "Thermal fuse put in again",
        at: { a: "in-P", b: "joint-1" },
        fields: { opensAbove: 110, place: "board", resets: "never" },
      },
      {
        ...changes[1]!,
        at: { "coil-a": "joint-1", "coil-b": "s-trig", common: "joint-1", make: "fed" },
      } as CircuitChange,
      ...changes.slice(2),
    ];
    const proof = proveModification(tool, again);
    expect(proof.findings.find((f) => f.of === "protection")!.ok).toBe(true);
    expect(proof.allowed).toBe(false);
    expect(proof.findings.filter((f) => !f.ok).map((f) => f.of)).toContain("sequence");
  });
});
