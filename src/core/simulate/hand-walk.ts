import type { Machine, SetupEntry } from "../model";
import { controlsOf } from "./at-hand";
import { conditionsOf } from "./conditions";
import type { Course, Simulator } from "./energise";
import { nominalValues } from "./values";

/** Something of a machine that a hand works, there or not: a door, a switch, a key, a magnet's place. */
export interface Hand {
  readonly of: "door" | "switch" | "key" | "magnet";
  readonly id: string;
  readonly name: string;
}

/** Everything of a machine that a hand works and that is either so or not. */
export function handsOf(machine: Machine): readonly Hand[] {
  const { doors, switches, keys, magnets } = controlsOf(machine);
  return [
    ...switches.map((p): Hand => ({ of: "switch", id: p.id, name: p.name })),
    ...doors.map((d): Hand => ({ of: "door", id: d.id, name: d.name })),
    ...keys.map((k): Hand => ({ of: "key", id: k, name: k })),
    ...magnets.map((m): Hand => ({ of: "magnet", id: m, name: m })),
  ];
}

/** Seconds after a move at which one looks: at once, and when what follows from it is over; estimate E53. */
const LOOKS = [0.15, 0.6] as const;
/** Seconds from power to the first move. */
const WAKES = 1;

/** A setup with a hand's thing turned over. */
function turned(setup: SetupEntry, hand: Hand): SetupEntry {
  const toggled = (list: readonly string[]) =>
    list.includes(hand.id) ? list.filter((x) => x !== hand.id) : [...list, hand.id];
  switch (hand.of) {
    case "door":
      return { ...setup, openDoors: toggled(setup.openDoors) };
    case "switch":
      return { ...setup, made: toggled(setup.made) };
    case "key":
      return { ...setup, press: toggled(setup.press) };
    case "magnet":
      return { ...setup, magnets: toggled(setup.magnets) };
  }
}

/**
 * Lives through every order of `depth` moves of those hands, from a powered setup on, each from the state that the
 * moves before it left. `visit` is told the moves (places in `hands`) and the largest current of each of `elements`
 * after the last of them, amperes; always in the same order. Throws `NoOperatingPoint`.
 */
export function walkHands(
  simulator: Simulator,
  setup: SetupEntry,
  hands: readonly Hand[],
  depth: number,
  elements: readonly number[],
  visit: (moves: readonly number[], amps: readonly number[]) => void,
): void {
  const { machine } = simulator;
  const values = nominalValues(machine);
  const conditions = (at: SetupEntry) => conditionsOf(machine, at, values);
  const most = (course: Course): number[] => {
    const phase = { states: course.states, memory: course.memory, seconds: Infinity };
    simulator.circuit.load({ phases: [phase], settled: true, instances: course.instances }, phase);
    return elements.map((e) => {
      const { dc, ac } = simulator.circuit.elementCurrent(e);
      return Math.hypot(dc, ac);
    });
  };
  const goOn = (course: Course, at: SetupEntry, moves: readonly number[]) => {
    if (moves.length === depth) return;
    hands.forEach((hand, i) => {
      const next = turned(at, hand);
      const own = { ...course, states: course.states.slice(), memory: course.memory.slice(), due: [...course.due] };
      own.instances = own.instancesIn(conditions(next));
      const begun = own.now;
      const seen = LOOKS.map((seconds) => {
        simulator.advance(own, begun + seconds);
        return most(own);
      });
      const way = [...moves, i];
      visit(
        way,
        elements.map((_, k) => Math.max(...seen.map((s) => s[k]!))),
      );
      goOn(own, next, way);
    });
  };
  const first = simulator.begin(setup, [], values, conditions(setup), 0);
  simulator.advance(first, WAKES);
  goOn(first, setup, []);
}
