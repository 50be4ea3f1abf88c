import { type Meter, type MeterFunction, needsDeadCircuit } from "../instrument";
import type { Reading } from "../quantity";
import { type Fault, has, type Machine, type Part, type SetupEntry } from "../model";
import { conditionsOf, controllerOf, mainProgramOf } from "./conditions";
import { Simulator, type Course } from "./energise";
import { observe } from "./observe";
import { makeTest } from "./test";
import type { Values } from "./values";
import { say } from "#words/core/simulate";

/** Of a meter's error, what is noise from one reading to the next; the rest is its own and stays; estimate E38. */
const QUIET = 1 / 3;

/** Something a person does to a machine. */
export type Doing =
  | { readonly do: "press" | "release"; readonly key: string }
  | { readonly do: "open" | "close"; readonly door: string }
  | { readonly do: "plug in" | "pull the plug" }
  /** A single source of a machine that has several. */
  | { readonly do: "source on" | "source off"; readonly part: string }
  /** A switch, selector, coin or card worked by hand. */
  | { readonly do: "make" | "break"; readonly part: string }
  | { readonly do: "place"; readonly place: string; readonly celsius: number }
  | { readonly do: "level"; readonly place: string; readonly level: number }
  /** What a Hall, reed or light sensor looks at: in its place, or gone. */
  | { readonly do: "magnet on" | "magnet off"; readonly place: string }
  /** For machines whose mode no control program enters: someone brings it about. */
  | { readonly do: "mode"; readonly mode: string };

/** What there is to work on a machine with one's hands. */
export interface Controls {
  readonly keys: readonly string[];
  readonly doors: readonly { readonly id: string; readonly name: string }[];
  readonly switches: readonly Part[];
  readonly sources: readonly Part[];
  /** Places whose temperature the machine feels, degrees Celsius to begin with. */
  readonly places: readonly { readonly id: string; readonly celsius: number }[];
  readonly levels: readonly { readonly id: string; readonly level: number }[];
  readonly magnets: readonly string[];
  /** Modes to be brought about by hand; none where the control program has gestures for them. */
  readonly modes: readonly string[];
  /** Everything that shows, sounds or moves. */
  readonly seen: readonly Part[];
}

/** What can be worked and seen on a machine, from its file. */
export function controlsOf(machine: Machine): Controls {
  const { setups } = machine.file;
  const usual = <T>(pick: (s: SetupEntry) => Readonly<Record<string, T>>) => {
    const found = new Map<string, T>();
    for (const setup of setups)
      for (const [place, value] of Object.entries(pick(setup))) if (!found.has(place)) found.set(place, value);
    return found;
  };
  const program = mainProgramOf(machine);
  const made = new Set(setups.flatMap((s) => s.made));
  return {
    keys: [...new Set(machine.parts.flatMap((p) => p.kind.observed?.keys?.(p.fields) ?? []))],
    doors: machine.file.doors,
    switches: machine.parts.filter((p) => has(p, "worked-by-hand") || made.has(p.id)),
    sources: machine.sources,
    places: [...usual((s) => s.places)].map(([id, celsius]) => ({ id, celsius })),
    levels: [...usual((s) => s.levels)].map(([id, level]) => ({ id, level })),
    magnets: [...new Set(setups.flatMap((s) => s.magnets))],
    modes: program && program.modes.length > 0 ? [] : [...new Set(setups.map((s) => s.mode))],
    seen: machine.parts.filter((p) => p.labels !== null),
  };
}

/**
 * A machine one can put one's hands on: keys, doors, switches, plug, temperatures; it lives to its control program and
 * its fault on a clock that is passed in. The stand-in for the real machine in demos, practice and tests.
 */
export class MachineAtHand {
  private readonly simulator: Simulator;
  private readonly course: Course;
  private readonly setup: {
    -readonly [K in keyof SetupEntry]: SetupEntry[K];
  };
  private readonly pressed = new Set<string>();

  /**
   * Begins at `now` (seconds) as in the setup, nothing plugged in. Throws a RangeError for a fault the machine has
   * not, and `NoOperatingPoint`.
   */
  constructor(
    readonly machine: Machine,
    faults: readonly Fault[],
    private readonly values: Values,
    setup: SetupEntry,
    now: number,
  ) {
    this.simulator = new Simulator(machine);
    this.setup = { ...setup, power: "off", press: [] };
    this.course = this.simulator.begin(this.setup, faults, values, this.conditions(), now);
    this.simulator.advance(this.course, now);
  }

  get now(): number {
    return this.course.now;
  }
  get isPluggedIn(): boolean {
    return this.setup.power === "on";
  }
  /** How it stands: what is open, made, held and how warm it is. */
  get setupNow(): SetupEntry {
    return { ...this.setup, press: [...this.pressed] };
  }

  /** Lets time pass to `now`, seconds; a moment that is past changes nothing. Throws `NoOperatingPoint`. */
  advance(now: number): void {
    if (now > this.course.now) this.simulator.advance(this.course, now);
  }

  /** Does something at the moment `now`. Throws a RangeError for a door, key or part the machine has not. */
  do(doing: Doing, now: number): void {
    this.check(doing);
    this.advance(now);
    this.change(doing);
    this.course.instances = this.course.instancesIn(this.conditions());
    this.simulator.advance(this.course, this.course.now);
  }

  private check(doing: Doing): void {
    const known = (list: readonly { readonly id: string }[], id: string) => {
      if (!list.some((item) => item.id === id)) throw new RangeError(say.fileIdHasNoId(this.machine.file.id, id));
    };
    if ("door" in doing) known(this.machine.file.doors, doing.door);
    if ("part" in doing) known(doing.do.startsWith("source") ? this.machine.sources : this.machine.parts, doing.part);
  }

  private change(doing: Doing): void {
    const { setup } = this;
    switch (doing.do) {
      case "press":
        this.pressed.add(doing.key);
        break;
      case "release":
        this.pressed.delete(doing.key);
        break;
      case "open":
        setup.openDoors = joined(setup.openDoors, doing.door);
        break;
      case "close":
        setup.openDoors = setup.openDoors.filter((d) => d !== doing.door);
        break;
      case "plug in":
        setup.power = "on";
        break;
      case "pull the plug":
        setup.power = "off";
        break;
      case "source off":
        setup.off = joined(setup.off, doing.part);
        break;
      case "source on":
        setup.off = setup.off.filter((p) => p !== doing.part);
        break;
      case "make":
        setup.made = joined(setup.made, doing.part);
        break;
      case "break":
        setup.made = setup.made.filter((p) => p !== doing.part);
        break;
      case "place":
        setup.places = { ...setup.places, [doing.place]: doing.celsius };
        break;
      case "level":
        setup.levels = { ...setup.levels, [doing.place]: doing.level };
        break;
      case "magnet on":
        setup.magnets = joined(setup.magnets, doing.place);
        break;
      case "magnet off":
        setup.magnets = setup.magnets.filter((m) => m !== doing.place);
        break;
      case "mode":
        setup.mode = doing.mode;
        break;
    }
  }

  /** What is seen and heard of every part that shows anything, by its id. */
  look(): Readonly<Record<string, string>> {
    const state = this.state();
    const [phase] = state.phases;
    this.simulator.circuit.load(state, { ...phase });
    return Object.fromEntries(
      this.machine.parts.filter((p) => p.labels).map((p) => [p.id, this.simulator.circuit.seen(state, phase, p.index)]),
    );
  }

  /**
   * What a meter shows now with its leads on two points (a clamp: around one): with noise of a third of its error, a
   * value of the standard normal distribution a call of `normal`. Throws a RangeError for points the machine has not.
   */
  measure(fn: MeterFunction, red: string, black: string | undefined, meter: Meter, normal: () => number): Reading {
    const shown = observe(this.simulator, this.state(), makeTest(this.setup.id, fn, red, black), meter);
    if (shown.kind !== "value" || fn === "continuity" || fn === "look") return shown;
    const { relative, absolute } = meter.accuracy[fn];
    const noise = (relative * Math.abs(shown.value) + absolute) * QUIET * normal();
    const value = shown.value + noise;
    return { kind: "value", value: shown.value >= 0 && value < 0 && needsDeadCircuit(fn) ? 0 : value };
  }

  /** The mode its control program is in; null while the controller is dead, and for a machine without one. */
  get mode(): string | null {
    const part = controllerOf(this.machine);
    return part?.kind.electrical.inMode?.(this.course.instances[part.index]!, this.course.states[part.index]!) ?? null;
  }

  /** The moment as a state that rests. */
  private state() {
    const phase = { states: this.course.states, memory: this.course.memory, seconds: Infinity };
    return { phases: [phase] as const, settled: true, instances: this.course.instances };
  }

  private conditions() {
    return conditionsOf(this.machine, this.setup, this.values, {
      pressed: [...this.pressed],
      openDoors: this.setup.openDoors,
    });
  }
}

const joined = (list: readonly string[], item: string) => (list.includes(item) ? [...list] : [...list, item]);
