import { describe, expect, test } from "vitest";
import { exitsOf, faceInMode, guideTo, menuOf } from "../../../src/core/model/program/guide";
import { gesturesTo, type Program } from "../../../src/core/model/program/program";
import type { Machine } from "../../../src/core/model/machine";
import { everydaySetup } from "../../../src/core/model/everyday-setup";
import type { Fault } from "../../../src/core/model/fault";
import { controlsOf, MachineAtHand, type Doing } from "../../../src/core/simulate/at-hand";
import { controllerOf, programOf } from "../../../src/core/simulate/conditions";
import { displayPart, perform, PROPERLY, slipsOf } from "../../../src/core/simulate/perform";
import { Simulator } from "../../../src/core/simulate/energise";
import { nominalValues } from "../../../src/core/simulate/values";
import { ORDINARY_METER } from "../../../src/core/instrument/meter";
import { FLEET, machineNamed } from "../../support/fleet";

/** A machine plugged in and awake, 3 seconds after the start of its clock. */
function awake(machine: Machine, faults: readonly Fault[] = []): MachineAtHand {
  const hand = new MachineAtHand(machine, faults, nominalValues(machine), everydaySetup(machine.file), 0);
  hand.do({ do: "plug in" }, 0);
  hand.advance(3);
  return hand;
}

/** Modes that no gesture enters: what a person does to bring each about, and the seconds after which it is there. */
const BROUGHT_ABOUT: Readonly<
  Record<string, readonly { readonly doings: readonly Doing[]; readonly seconds: number; readonly mode: string }[]>
> = {
  "brenzik-cd-30": [
    { doings: [{ do: "make", part: "coin" }], seconds: 1, mode: "dry" },
    { doings: [{ do: "break", part: "coin" }], seconds: 1801, mode: "cool" },
    { doings: [], seconds: 301, mode: "idle" },
  ],
  "dornlau-fl-7": [
    { doings: [{ do: "press", key: "START" }], seconds: 0.2, mode: "lock" },
    { doings: [{ do: "release", key: "START" }], seconds: 4, mode: "wash" },
    { doings: [{ do: "press", key: "START" }], seconds: 3.5, mode: "drain" },
    { doings: [{ do: "release", key: "START" }, { do: "pull the plug" }], seconds: 10, mode: "" },
    { doings: [{ do: "plug in" }], seconds: 2, mode: "idle" },
  ],
  "gratlosch-bd-5": [
    { doings: [{ do: "make", part: "key-up" }], seconds: 1, mode: "raising" },
    {
      doings: [
        { do: "break", part: "key-up" },
        { do: "magnet on", place: "top" },
      ],
      seconds: 1,
      mode: "rest",
    },
    {
      doings: [
        { do: "magnet off", place: "top" },
        { do: "magnet off", place: "bottom" },
        { do: "make", part: "key-down" },
      ],
      seconds: 1,
      mode: "lowering",
    },
    {
      doings: [
        { do: "break", part: "key-down" },
        { do: "make", part: "edge" },
      ],
      seconds: 1,
      mode: "rest",
    },
  ],
  "kolbrast-tk-2": [
    { doings: [{ do: "level", place: "dial", level: 0.7 }], seconds: 2, mode: "drying" },
    { doings: [{ do: "open", door: "door" }], seconds: 1, mode: "idle" },
  ],
  "lawinor-im-90": [
    { doings: [{ do: "place", place: "evaporator", celsius: 20 }], seconds: 1, mode: "fill" },
    { doings: [], seconds: 121, mode: "freeze" },
    { doings: [{ do: "place", place: "evaporator", celsius: -18 }], seconds: 25, mode: "harvest" },
    { doings: [{ do: "place", place: "evaporator", celsius: 20 }], seconds: 12, mode: "fill" },
    { doings: [{ do: "level", place: "bin", level: 1 }], seconds: 7, mode: "full" },
    { doings: [{ do: "level", place: "bin", level: 0 }], seconds: 7, mode: "fill" },
  ],
  "pfellmar-co-12": [
    { doings: [{ do: "source off", part: "utility" }], seconds: 8.5, mode: "start" },
    { doings: [], seconds: 10, mode: "run" },
    { doings: [{ do: "source on", part: "utility" }], seconds: 301, mode: "cool" },
    { doings: [], seconds: 61, mode: "utility" },
  ],
  "sellrun-lc-24": [
    { doings: [{ do: "make", part: "start" }], seconds: 1, mode: "run" },
    {
      doings: [
        { do: "break", part: "start" },
        { do: "open", door: "guard" },
      ],
      seconds: 1,
      mode: "standby",
    },
  ],
  "tromblin-hd-4": [
    { doings: [{ do: "place", place: "boiler", celsius: 92 }], seconds: 3, mode: "ready" },
    { doings: [{ do: "make", part: "brew" }], seconds: 1, mode: "brewing" },
  ],
  "tannrast-ft-20": [
    { doings: [{ do: "make", part: "trigger" }], seconds: 0.5, mode: "half" },
    { doings: [{ do: "break", part: "trigger" }], seconds: 0.5, mode: "rest" },
  ],
};

describe("the machine at hand", () => {
  test.each(FLEET)("%s: every mode is entered, shows what it should and is left, on a passed-in clock", (name) => {
    const machine = machineNamed(name);
    const program = programOf(machine);
    const entered = new Set<string>();
    const display = displayPart(machine);
    if (program) {
      const home = program.modes[0]!;
      for (const mode of program.modes) {
        const legs = guideTo(program, home, mode);
        if (!legs) continue;
        const hand = awake(machine);
        entered.add(home);
        for (const leg of legs) {
          perform(hand, leg.steps);
          expect(hand.mode, `${name} by ${leg.name}`).toBe(leg.mode);
          if (display) {
            hand.advance(hand.now + 1);
            expect(hand.look()[display], leg.name).toBe(faceShown(machine, program, leg.mode));
          }
          entered.add(leg.mode);
        }
        // Used: its parts do there what the dictionary says of the same mode.
        if (mode !== home) expect(worksAsIn(hand, machine), `${name} in ${mode}`).toEqual(dictionaryIn(machine, mode));
        // Some modes have gone on by themselves meanwhile: out of wherever it is.
        leave(hand, machine, program, hand.mode!);
      }
    } else {
      // No control program enters these: someone brings them about.
      for (const mode of [...new Set(machine.file.setups.map((s) => s.mode))]) {
        const hand = awake(machine);
        if (name === "hochkar-ip-4") hand.do({ do: "make", part: "key" }, hand.now);
        hand.do({ do: "mode", mode }, hand.now);
        hand.advance(hand.now + 5);
        if (controllerOf(machine)) expect(hand.mode).toBe(mode);
        hand.do({ do: "mode", mode: "run" }, hand.now);
        hand.advance(hand.now + 5);
        if (controllerOf(machine)) expect(hand.mode).toBe("run");
      }
    }
    const hand = awake(machine);
    if (BROUGHT_ABOUT[name]) entered.add(hand.mode!);
    for (const { doings, seconds, mode } of BROUGHT_ABOUT[name] ?? []) {
      for (const doing of doings) hand.do(doing, hand.now);
      hand.advance(hand.now + seconds);
      expect(hand.mode ?? "", `${name} after ${JSON.stringify(doings)}`).toBe(mode);
      entered.add(mode);
    }
    if (name === "tannrast-ft-20") for (const mode of driveOnce(hand)) entered.add(mode);
    expect(program ? program.modes.filter((m) => !entered.has(m)) : []).toEqual([]);
  });

  test.each(FLEET.filter((n) => programOf(machineNamed(n))?.gestures.length))(
    "%s: wrong timing enters nothing, and a dead controller or panel shows nothing",
    (name) => {
      const machine = machineNamed(name);
      const program = programOf(machine)!;
      const home = program.modes[0]!;
      for (const g of program.gestures.filter((x) => x.from.includes(home) || x.from.length === 0)) {
        const [leg] = guideTo(program, home, g.to)!.slice(-1);
        if (!leg?.gesture) continue;
        const times = leg.gesture.presses.reduce((n, p) => n + p.times, 0);
        const wrong = [
          ...(leg.gesture.presses.length === 0 ? [{ ...PROPERLY, hold: 0.6 }] : []),
          ...(times > 1
            ? [
                { ...PROPERLY, missed: 1 },
                { ...PROPERLY, pace: (leg.gesture.within * 1.3) / (times - 1) },
              ]
            : []),
          ...(leg.gesture.openDoors.length > 0 ? [{ ...PROPERLY, doors: false }] : []),
        ];
        for (const manner of wrong) {
          const hand = awake(machine);
          perform(hand, leg.steps, manner);
          expect(hand.mode, `${g.id} ${JSON.stringify(manner)}`).not.toBe(g.to);
        }
        const controller = controllerOf(machine)!;
        const dead = awake(machine, [{ part: controller.id, mode: "dead" }]);
        perform(dead, leg.steps);
        expect(dead.mode).toBeNull();
        const panel = machine.parts.find((p) => p.kind.kind === "panel");
        if (panel) {
          const dark = awake(machine, [{ part: panel.id, mode: "dead" }]);
          perform(dark, leg.steps);
          // The mode is entered all the same: the panel only does not show it.
          expect([dark.mode, dark.look()[panel.id]]).toEqual([g.to, "dark"]);
        }
      }
    },
  );

  test("too late after power-up is too late; a power cycle gives another chance", () => {
    const machine = machineNamed("velmoor-dw-45");
    const program = programOf(machine)!;
    const hand = awake(machine);
    hand.advance(30);
    const legs = guideTo(program, "idle", "recall")!;
    expect(legs[0]!.steps[0]).toMatchObject({ do: "power", within: 10 });
    perform(hand, legs[1]!.steps);
    expect(hand.mode).toBe("idle");
    for (const leg of legs) perform(hand, leg.steps);
    expect([hand.mode, hand.look().panel]).toEqual(["recall", "b45"]);
  });

  test("a mode that is kept outlives a power cycle and cannot be cancelled", () => {
    const machine = machineNamed("firnau-bf-330");
    const program = programOf(machine)!;
    expect(exitsOf(program, "defrost")).toMatchObject({
      gestures: null,
      endsAfter: 1200,
      power: false,
      cannotBeCancelled: true,
    });
    const hand = awake(machine);
    for (const leg of guideTo(program, "run", "defrost")!) perform(hand, leg.steps);
    expect(hand.mode).toBe("defrost");
    hand.do({ do: "pull the plug" }, hand.now);
    hand.advance(hand.now + 20);
    expect(hand.mode).toBeNull();
    hand.do({ do: "plug in" }, hand.now);
    hand.advance(hand.now + 3);
    expect(hand.mode).toBe("defrost");
    hand.advance(hand.now + 1201);
    expect(hand.mode).toBe("run");
    expect(exitsOf(program, "service")).toMatchObject({ endsAfter: 900, power: true, cannotBeCancelled: false });
  });

  test("the menu is a tree with the fewest keys to every item, the hidden one among them", () => {
    const program = programOf(machineNamed("obwart-dv-8"))!;
    const menu = menuOf(program);
    expect(menu.map((m) => m.mode).sort()).toEqual([...program.modes].sort());
    const hidden = menu.find((m) => m.isHidden)!;
    expect([hidden.mode, hidden.from, hidden.shows]).toEqual(["hidden-menu", "extra-on", "SECr"]);
    // Against every way there is, tried out one by one.
    const presses = (ids: readonly { presses: readonly { times: number }[] }[]) =>
      ids.reduce((n, g) => n + g.presses.reduce((k, p) => k + p.times, 0), 0);
    for (const to of program.modes.filter((m) => m !== "menu" && m !== "sale")) {
      let fewest = Infinity;
      const walk = (mode: string, sum: number, seen: readonly string[]) => {
        if (mode === to) fewest = Math.min(fewest, sum);
        for (const g of program.gestures)
          if (g.from.includes(mode) && g.hold.length === 0 && !seen.includes(g.to))
            walk(g.to, sum + presses([g]), [...seen, g.to]);
      };
      walk("menu", 0, ["menu"]);
      const way = gesturesTo(program, "menu", to)!;
      if (way.every((g) => g.hold.length === 0)) expect(presses(way), to).toBe(fewest);
    }
  });

  test("what goes wrong is found by doing it wrong: each slip shows what the machine really shows", () => {
    const machine = machineNamed("firnau-bf-330");
    const program = programOf(machine)!;
    const [leg] = guideTo(program, "run", "service")!;
    const slips = slipsOf(machine, [], leg!);
    const by = (words: RegExp) => slips.find((s) => words.test(s.words))!;
    // Slower than six seconds B has been down for ten: that is the forced defrost, which cannot be cancelled.
    expect(by(/slower than 6/)).toMatchObject({ shows: "dF", of: "hand", unseen: false });
    expect(by(/door not open/).shows).toBe("-18");
    expect(by(/one press too few/).shows).toBe("-18");
    expect(by(/Keypad: key A dead/).shows).toBe("-18");
    expect(by(/Door panel.*: dead|panel.*dead/i).shows).toBe("dark");
  });

  test("controls come from the file, and nothing is worked that is not there", () => {
    const machine = machineNamed("firnau-bf-330");
    const controls = controlsOf(machine);
    expect(controls.keys).toEqual(["A", "B"]);
    expect(controls.doors.map((d) => d.id)).toEqual(["fridge-door"]);
    const hand = awake(machine);
    expect(() => hand.do({ do: "open", door: "cellar" }, 4)).toThrow("has no cellar");
    expect(() => hand.do({ do: "make", part: "nothing" }, 4)).toThrow("has no nothing");
    // A moment that is past changes nothing.
    const before = hand.look();
    hand.advance(1);
    expect([hand.now, hand.look()]).toEqual([3, before]);
  });
});

function faceShown(machine: Machine, program: Program, mode: string): string {
  const display = machine.partById.get(displayPart(machine)!)!;
  const face = faceInMode(program, mode);
  return display.kind.kind === "panel" ? face.display : face.lamps[(display.fields as { lamp: string }).lamp]!;
}

/** What everything that runs or shows does, eight seconds after the doors were closed again. */
function worksAsIn(hand: MachineAtHand, machine: Machine): Readonly<Record<string, string>> {
  for (const door of machine.file.doors)
    if (!everydaySetup(machine.file).openDoors.includes(door.id)) hand.do({ do: "close", door: door.id }, hand.now);
  hand.advance(hand.now + 8);
  return hand.look();
}

/** The same from the simulation of that mode as a setup, begun anew. */
function dictionaryIn(machine: Machine, mode: string): Readonly<Record<string, string>> {
  const simulator = new Simulator(machine);
  const state = simulator.energise({ ...everydaySetup(machine.file), mode, seconds: 8 }, [], nominalValues(machine));
  simulator.circuit.load(state, state.phases[0]!);
  return Object.fromEntries(
    machine.parts.filter((p) => p.labels).map((p) => [p.id, simulator.circuit.seen(state, state.phases[0]!, p.index)]),
  );
}

/** Leaves a mode by each of its exits and ends in the first mode. */
function leave(hand: MachineAtHand, machine: Machine, program: Program, mode: string): void {
  const home = program.modes[0]!;
  if (mode === home) return;
  const exits = exitsOf(program, mode);
  if (exits.gestures) for (const leg of guideTo(program, mode, home)!) perform(hand, leg.steps);
  else if (exits.power) {
    hand.do({ do: "pull the plug" }, hand.now);
    hand.advance(hand.now + 10);
    hand.do({ do: "plug in" }, hand.now);
    hand.advance(hand.now + 3);
  } else hand.advance(hand.now + exits.endsAfter! + 1);
  expect(hand.mode, `${machine.file.id} out of ${mode}`).toBe(home);
}

/** Nose pressed and trigger pulled: the tool drives, and is at rest again when both are let go. */
function driveOnce(hand: MachineAtHand): string[] {
  hand.do({ do: "open", door: "nose" }, hand.now);
  hand.do({ do: "make", part: "trigger" }, hand.now);
  hand.advance(hand.now + 0.5);
  const mode = hand.mode!;
  // One let go, and pressed again: it waits until both are, as the maker of such a tool has it.
  hand.do({ do: "close", door: "nose" }, hand.now);
  hand.advance(hand.now + 0.5);
  hand.do({ do: "open", door: "nose" }, hand.now);
  hand.advance(hand.now + 0.5);
  expect(hand.look()["motor"]).toBe("still");
  const after = hand.mode!;
  hand.do({ do: "break", part: "trigger" }, hand.now);
  hand.do({ do: "close", door: "nose" }, hand.now);
  hand.advance(hand.now + 0.5);
  expect(hand.mode).toBe("rest");
  return [mode, after];
}

describe("a meter on the machine at hand", () => {
  const still = () => 0;
  const machine = machineNamed("kaldruun-uc-80");
  // The heater is 230 V, 150 W: by Ohm's law 230^2 / 150 = 352.7 ohm.
  const HEATER_OHMS = 230 ** 2 / 150;

  test("reads the mains at the outlet with the plug in, and the heater's ohms with the plug out", () => {
    const hand = awake(machine);
    const live = hand.measure("acv", "plug-line", "plug-neutral", ORDINARY_METER, still);
    expect(live).toMatchObject({ kind: "value" });
    expect((live as { value: number }).value).toBeGreaterThan(228);
    expect((live as { value: number }).value).toBeLessThan(230.1);
    hand.do({ do: "pull the plug" }, 4);
    const dead = hand.measure("acv", "heater-line", "comp-neutral", ORDINARY_METER, still);
    expect((dead as { value: number }).value).toBeLessThan(0.1);
    const ohms = hand.measure("ohms", "heater-line", "comp-neutral", ORDINARY_METER, still);
    expect(Math.abs((ohms as { value: number }).value / HEATER_OHMS - 1)).toBeLessThan(0.02);
  });

  test("follows what is done: an open heater is overload, and the noise is the meter's", () => {
    const broken = awake(machine, [{ part: "heater", mode: "open" }]);
    broken.do({ do: "pull the plug" }, 4);
    expect(broken.measure("ohms", "heater-line", "comp-neutral", ORDINARY_METER, still)).toEqual({ kind: "overload" });
    const hand = awake(machine);
    const quiet = hand.measure("acv", "plug-line", "plug-neutral", ORDINARY_METER, still) as { value: number };
    const noisy = hand.measure("acv", "plug-line", "plug-neutral", ORDINARY_METER, () => 1) as { value: number };
    const { relative, absolute } = ORDINARY_METER.accuracy.acv;
    expect(noisy.value - quiet.value).toBeCloseTo((relative * quiet.value + absolute) / 3, 6);
  });

  test("knows no point the machine has not", () => {
    expect(() => awake(machine).measure("acv", "nowhere", "plug-neutral", ORDINARY_METER, still)).toThrow(RangeError);
  });
});
