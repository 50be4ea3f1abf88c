import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  faceOf,
  gesturesTo,
  programProblems,
  programSchema,
  startOf,
  stepProgram,
  type Heard,
  type RunningProgram,
} from "../../../../src/core/model/program/program";
import { ORDINARY_METER } from "../../../../src/core/instrument/meter";
import { Simulator } from "../../../../src/core/simulate/energise";
import { observe } from "../../../../src/core/simulate/observe";
import { runSequence } from "../../../../src/core/simulate/sequence";
import { makeTest } from "../../../../src/core/simulate/test";
import { nominalValues } from "../../../../src/core/simulate/values";
import { readMachineYaml } from "../../../../src/core/model/file/machine-yaml";
import { machineNamed, machineText } from "../../../support/fleet";

const program = programSchema.parse({
  modes: ["run", "service", "defrost"],
  gestures: [
    {
      id: "enter",
      name: "Hold B, press A three times within six seconds",
      from: ["run"],
      to: "service",
      hold: ["B"],
      presses: [{ key: "A", times: "3" }],
      within: "6",
    },
    { id: "force", name: "Hold A for ten seconds", from: ["run"], to: "defrost", hold: ["A"], seconds: "10" },
  ],
  moves: [{ from: ["defrost"], after: "1200", to: "run" }],
  codes: [{ id: "E1", words: "Sensor open", when: { input: "sensor", above: "0.97" }, after: "2" }],
  display: [
    { when: { code: "E1" }, shows: "E1" },
    { when: { mode: "service" }, shows: "tE" },
    { when: { always: "lit" }, shows: "ok" },
  ],
});
const outputs = { cool: { when: { all: [{ mode: "run" }, { input: "sensor", below: 0.7 }] }, after: 180 } } as const;
const hear = (keys: readonly string[], sensor = 0.5): Heard => ({
  share: () => sensor,
  keyDown: (key) => keys.includes(key),
});

/** Lives through a script of [seconds, keys held, sensor level]. */
function live(script: readonly (readonly [number, readonly string[], number?])[]) {
  let running: RunningProgram = { state: startOf(program), due: {} };
  let clock = 0;
  for (const [seconds, keys, sensor] of script) {
    running = stepProgram(program, outputs, running, clock, clock + seconds, hear(keys, sensor));
    clock += seconds;
  }
  return running.state;
}
const press = [
  [0.2, ["A", "B"]],
  [0.2, ["B"]],
] as const;

describe("gestures", () => {
  it("enter the service mode by three presses while the other key is held", () => {
    expect(live([[0.2, ["B"]], ...press, ...press, ...press]).mode).toBe("service");
  });
  it("do not, with one press too few, without the held key, or too slowly", () => {
    expect(live([[0.2, ["B"]], ...press, ...press]).mode).toBe("run");
    expect(
      live([
        [0.2, ["A"]],
        [0.2, []],
        [0.2, ["A"]],
        [0.2, []],
        [0.2, ["A"]],
        [0.2, []],
      ]).mode,
    ).toBe("run");
    expect(live([[0.2, ["B"]], ...press, ...press, [7, ["B"]], ...press]).mode).toBe("run");
  });
  it("hold for ten seconds, not nine, and what cannot be cancelled ends by itself", () => {
    expect(live([[9.9, ["A"]]]).mode).toBe("run");
    expect(
      live([
        [10.2, ["A"]],
        [1, []],
      ]).mode,
    ).toBe("defrost");
    expect(
      live([
        [10.2, ["A"]],
        [600, ["A", "B"]],
      ]).mode,
    ).toBe("defrost");
    expect(
      live([
        [10.2, ["A"]],
        [1201, []],
      ]).mode,
    ).toBe("run");
  });
  it("are found from mode to mode", () => {
    expect(gesturesTo(program, "run", "service")!.map((g) => g.id)).toEqual(["enter"]);
    expect(gesturesTo(program, "service", "defrost")).toBeNull();
  });
});

describe("timers, codes and display", () => {
  it("an output waits out its start delay, and begins anew when its reason goes away", () => {
    expect(live([[179, []]]).on).toEqual([]);
    expect(live([[181, []]]).on).toEqual(["cool"]);
    expect(
      live([
        [170, []],
        [1, [], 0.9],
        [170, []],
      ]).on,
    ).toEqual([]);
  });
  it("a code appears after its time, is shown, and goes with its reason", () => {
    expect(live([[1.9, [], 0.99]]).codes).toEqual([]);
    const state = live([[2.1, [], 0.99]]);
    expect(state.codes).toEqual(["E1"]);
    expect(faceOf(program, state).display).toBe("E1");
    expect(
      faceOf(
        program,
        live([
          [2.1, [], 0.99],
          [1, []],
        ]),
      ).display,
    ).toBe("ok");
  });
  it("the same is the same, in one step or in many (property)", () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            // Sums of these are exact: what ends at a moment ends there however one comes to it.
            fc.integer({ min: 1, max: 25_600 }).map((n) => n / 64),
            fc.subarray(["A", "B"]),
            fc.double({ min: 0, max: 1, noNaN: true }),
          ),
          { maxLength: 12 },
        ),
        (script) => {
          const whole = live(script);
          expect(live(script)).toEqual(whole);
          expect(
            live(
              script.flatMap(
                ([s, keys, level]) =>
                  [
                    [s / 2, keys, level],
                    [s / 2, keys, level],
                  ] as const,
              ),
            ),
          ).toEqual(whole);
          expect(program.modes).toContain(whole.mode);
        },
      ),
      { numRuns: 200 },
    );
  });
  it("is refused when it speaks of what is not there", () => {
    const bad = programSchema.parse({
      modes: ["a"],
      moves: [{ to: "b", when: { input: "x", above: "0.5" } }],
      gestures: [{ id: "g", name: "g", to: "a", hold: ["K"] }],
      display: [{ when: { input: "y", above: "0.1" }, shows: "hot" }],
    });
    expect(programProblems(bad, {}, [], [])).toEqual(
      expect.arrayContaining([
        "move 1 asks for an input x, which the controller has not",
        "move 1 names a mode b, which the program has not",
        "gesture g asks for a key K, which the controller does not scan",
        expect.stringContaining("give the input a code") as string,
      ]),
    );
  });
});

describe("programs in their machines", () => {
  const seen = (name: string, setup: string, part: string, faults: { part: string; mode: string }[] = []) => {
    const machine = machineNamed(name);
    const simulator = new Simulator(machine);
    const shown = observe(
      simulator,
      simulator.energise(machine.setupById.get(setup)!, faults, nominalValues(machine)),
      makeTest(setup, "look", part),
      ORDINARY_METER,
    );
    return shown.kind === "label" ? shown.label : shown.kind;
  };
  it("a board without its rail shows nothing and enters no mode", () => {
    expect(seen("firnau-bf-330", "service", "panel")).toBe("tE");
    expect(seen("firnau-bf-330", "service", "panel", [{ part: "U2", mode: "dead" }])).toBe("dashes");
    expect(seen("firnau-bf-330", "service", "panel", [{ part: "PS1", mode: "chip-dead" }])).toBe("dark");
  });
  it("a dead key and a plug pin without contact keep the service mode shut", () => {
    expect(seen("firnau-bf-330", "service", "panel", [{ part: "keypad", mode: "A-dead" }])).toBe("-18");
    expect(seen("firnau-bf-330", "service", "panel", [{ part: "J2-6", mode: "open" }])).toBe("-18");
    expect(seen("firnau-bf-330", "service", "panel", [{ part: "door-sw", mode: "stuck-closed" }])).toBe("-18");
  });
  it("two switches must both be made, each time", () => {
    expect(seen("tannrast-ft-20", "armed", "motor")).toBe("turns");
    for (const setup of ["trigger-only", "nose-only"]) expect(seen("tannrast-ft-20", setup, "motor")).toBe("still");
    expect(seen("tannrast-ft-20", "armed", "motor", [{ part: "nose-sw", mode: "stuck-open" }])).toBe("still");
  });
  it("a welded compressor relay runs on when everything else has stopped", () => {
    expect(seen("firnau-bf-330", "cold", "compressor", [{ part: "K1", mode: "welded" }])).toBe("runs");
  });
  it("reversed leads of a winch motor are seen", () => {
    const machine = readMachineYaml(
      machineText("zirvald-bw-15").replace(
        "at: { a: P-1, b: P-3, case: frame }",
        "at: { a: P-3, b: P-1, case: frame }",
      ),
      "reversed.yaml",
    ).machine;
    const simulator = new Simulator(machine);
    for (const setup of ["pulling", "bypass"]) {
      const state = simulator.energise(machine.setupById.get(setup)!, [], nominalValues(machine));
      expect(observe(simulator, state, makeTest(setup, "look", "motor"), ORDINARY_METER)).toEqual({
        kind: "label",
        label: "turns backwards",
      });
    }
  });
  it("a cooling unit that leaks trips its cut-off, which is not the end of the search", () => {
    const machine = machineNamed("murgast-abs-60");
    const simulator = new Simulator(machine);
    const state = simulator.energise(
      machine.setupById.get("on-mains")!,
      [{ part: "unit", mode: "leaks" }],
      nominalValues(machine),
    );
    const volts = observe(simulator, state, makeTest("on-mains", "acv", "ac-heat", "J1-2"), ORDINARY_METER);
    expect(volts.kind === "value" && volts.value).toBeLessThan(1);
  });
  it("a program that keeps its mode goes on with it when the mains returns; one that does not begins anew", () => {
    const shows = (text: string) => {
      const { machine } = readMachineYaml(text, "washer.yaml");
      const simulator = new Simulator(machine);
      const legs = [{ setup: "running" }, { setup: "dead" }, { setup: "idle" }];
      const [, , back] = runSequence(simulator, [], nominalValues(machine), legs);
      const shown = observe(simulator, back!, makeTest("idle", "look", "panel"), ORDINARY_METER);
      return shown.kind === "label" ? shown.label : shown.kind;
    };
    const text = machineText("dornlau-fl-7");
    expect(shows(text)).toBe("--:--");
    expect(
      shows(text.replace("modes: [idle, lock, wash, drain]", "modes: [idle, lock, wash, drain]\n    keepsMode: yes")),
    ).toBe("0:42");
  });
  it("a known good part put in, a lifted lead and a jumper do what they do on the bench", () => {
    const text = machineText("quellmoor-sb-210").replace(
      "  - { id: satisfied,",
      [
        '  - { id: good-loom, name: Good loom, power: "on", good: [W4], places: { cabinet: 12 }, how: Put it in. }',
        '  - { id: lifted, name: Lead lifted, power: "on", lifted: [W4], places: { cabinet: 12 }, how: Lift it. }',
        '  - { id: joined, name: Joined, power: "on", jumpers: [ [H1-1.door, P1-1] ], places: { cabinet: 12 }, how: Join it. }',
        "  - { id: satisfied,",
      ].join("\n"),
    );
    const { machine } = readMachineYaml(text, "fridge.yaml");
    const simulator = new Simulator(machine);
    const panel = (setup: string, faults: { part: string; mode: string }[]) => {
      const shown = observe(
        simulator,
        simulator.energise(machine.setupById.get(setup)!, faults, nominalValues(machine)),
        makeTest(setup, "look", "panel"),
        ORDINARY_METER,
      );
      return shown.kind === "label" ? shown.label : shown.kind;
    };
    const broken = [{ part: "W4", mode: "open" }];
    expect([
      panel("cold-call", broken),
      panel("good-loom", broken),
      panel("joined", broken),
      panel("lifted", []),
    ]).toEqual(["dark", "lit", "lit", "dark"]);
  });
  it("what has blown stays blown through the sequence that follows", () => {
    const machine = machineNamed("quellmoor-sb-210");
    const simulator = new Simulator(machine);
    const look = (state: ReturnType<typeof runSequence>[number]) =>
      observe(simulator, state, makeTest("cold-call", "look", "panel"), ORDINARY_METER);
    const [, , after] = runSequence(simulator, [{ part: "PS1", mode: "input-short" }], nominalValues(machine), [
      { setup: "cold-call" },
      { setup: "unplugged" },
      { setup: "cold-call", seconds: 30 },
    ]);
    expect(look(after!)).toEqual({ kind: "label", label: "dark" });
    const fuse = observe(simulator, after!, makeTest("cold-call", "acv", "J1-1.pad", "F1-out"), ORDINARY_METER);
    expect(fuse.kind === "value" && fuse.value).toBeGreaterThan(100);
    expect(() => runSequence(simulator, [], nominalValues(machine), [{ setup: "no such" }])).toThrow(RangeError);
  });
});
