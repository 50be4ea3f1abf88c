import { ORDINARY_METER, unitOf } from "../../instrument";
import type { Fault, Machine, Point } from "../../model";
import { type Reading, readingText } from "../../quantity";
import { makeTest, nominalValues, NoOperatingPoint, observe, Simulator, type Test, whatRuns } from "../../simulate";
import { clampFunction, voltsFunction } from "../dictionary/candidates";
import { say } from "#words/core/diagnose/advice";

/** Something seen or read in a setup: on a sound machine, and with what was broken. */
export interface AliveRow {
  readonly name: string;
  readonly sound: string;
  /** Null where nothing is broken. */
  readonly broken: string | null;
  readonly changed: boolean;
  /** Whether it works now; null of a reading. */
  readonly isOn: boolean | null;
}

/** A machine in one of its setups, with what changes when something in it breaks. */
export interface Alive {
  readonly parts: readonly AliveRow[];
  readonly readings: readonly AliveRow[];
}

/** Readings that differ by less are alike to whoever looks: volts or amperes, and as a share. */
const ALIKE = { least: 0.2, share: 0.05 } as const;

/**
 * What a machine shows in a setup, sound and with a fault: its parts as they look, and what is read at the stops of its
 * paths and where a clamp goes round. A machine that comes to no rest shows nothing.
 */
export function aliveIn(machine: Machine, setup: string, fault: Fault | null): Alive {
  const tests = testsOf(machine, setup);
  const before = shownBy(machine, setup, [], tests);
  const after = fault ? shownBy(machine, setup, [fault], tests) : null;
  const broken = after?.parts ?? [];
  return {
    parts: before.parts.map((p, i) => ({
      name: p.name,
      sound: p.does,
      broken: after ? (broken[i]?.does ?? "") : null,
      changed: after !== null && broken[i]?.does !== p.does && (broken[i]?.isOn !== p.isOn || !/ A$/.test(p.does)),
      isOn: (broken[i] ?? p).isOn,
    })),
    readings: tests.map(({ test, name }, i) => ({
      name,
      sound: textOf(test, before.readings[i]),
      broken: after ? textOf(test, after.readings[i]) : null,
      changed: after !== null && !isAlike(before.readings[i], after.readings[i]),
      isOn: null,
    })),
  };
}

/** Where one reads along the paths, each pair once, and every clamp. */
function testsOf(machine: Machine, setup: string): readonly { readonly test: Test; readonly name: string }[] {
  const isOff = machine.setupById.get(setup)!.power === "off";
  const pairs = new Map<string, readonly [string, string]>();
  for (const { stages } of machine.file.paths)
    for (const stage of stages) if ("at" in stage) pairs.set(stage.at.join(" "), stage.at);
  const points = [...pairs.values()].map(([red, black]) => {
    const [r, b] = [machine.points.get(red)!, machine.points.get(black)!];
    const test = makeTest(setup, isOff ? "ohms" : voltsFunction(machine, r, b), red, black);
    return { test, name: `${placeOf(r)} – ${placeOf(b)}` };
  });
  const clamps = [...machine.clamps.values()].map((c) => ({
    test: makeTest(setup, clampFunction(machine, c), c.id),
    name: c.name,
  }));
  return isOff ? points : [...points, ...clamps];
}

/** A point with its side, where it has two. */
const placeOf = ({ name, where }: Point) => (where === undefined ? name : say.onSide(name, where));

interface Shown {
  readonly parts: ReturnType<typeof whatRuns>[number]["parts"];
  readonly readings: readonly Reading[];
}

function shownBy(
  machine: Machine,
  setup: string,
  faults: readonly Fault[],
  tests: readonly { readonly test: Test }[],
): Shown {
  const simulator = new Simulator(machine);
  try {
    const state = simulator.energise(machine.setupById.get(setup)!, faults, nominalValues(machine));
    return {
      parts: whatRuns(machine, faults, setup)[0]?.parts ?? [],
      readings: tests.map(({ test }) => observe(simulator, state, test, ORDINARY_METER)),
    };
  } catch (error) {
    if (error instanceof NoOperatingPoint) return { parts: [], readings: [] };
    throw error;
  }
}

const textOf = (test: Test, shown: Reading | undefined) => (shown ? readingText(shown, unitOf(test.function)) : "");

function isAlike(a: Reading | undefined, b: Reading | undefined): boolean {
  if (a?.kind !== "value" || b?.kind !== "value") return JSON.stringify(a) === JSON.stringify(b);
  return Math.abs(a.value - b.value) <= ALIKE.least + ALIKE.share * Math.max(Math.abs(a.value), Math.abs(b.value));
}
