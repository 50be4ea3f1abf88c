import { type Fault, FLICKERS, type GuideLeg, guideTo, has, type Machine, type Part, type SetupEntry } from "../model";
import { clampFunction, type FaultDictionary, windowOf, windowWords } from "../diagnose";
import { makeTest, nominalValues, NoOperatingPoint, programOf, Simulator, type Test } from "../simulate";
import { restRule } from "./rest";
import { say } from "#words/core/schedule";

/**
 * The machine's own tests as a run sheet, worked out from its model: mode by mode what should run and what should rest,
 * what to listen or feel for, what to clamp meanwhile, which relay edges that proves, and where the compressor must
 * rest first.
 */

/** A load in one step: what it should do. */
export interface SheetLoad {
  readonly part: string;
  readonly name: string;
  readonly test: Test;
  /** The label a sound one shows here. */
  readonly should: string;
  readonly labels: readonly string[];
  /** Whether that is running rather than resting. */
  readonly runs: boolean;
  /** Where to look, listen or feel. */
  readonly noticed: string;
}

export interface SheetStep {
  readonly setup: string;
  readonly name: string;
  readonly how: string;
  /** The gestures from the step before; empty where someone brings the setup about. */
  readonly legs: readonly GuideLeg[];
  readonly loads: readonly SheetLoad[];
  /** Currents worth a clamp meanwhile. */
  readonly clamps: readonly { readonly test: Test; readonly name: string; readonly window: string }[];
  /** Minutes the compressor must have rested before this step starts it; 0 when it does not. */
  readonly rest: number;
}

/** What proves that a relay closes, and that it opens again: the steps and the loads that tell. */
export interface RelayEdges {
  readonly relay: string;
  readonly name: string;
  readonly closes: readonly Edge[];
  readonly opens: readonly Edge[];
}
/** A load that is seen to differ, or a clamp point whose current does; `test` is how one sees it. */
export interface Edge {
  readonly setup: string;
  readonly part: string;
  readonly name: string;
  readonly test: Test;
}

export interface RunSheet {
  readonly steps: readonly SheetStep[];
  readonly relays: readonly RelayEdges[];
}

/** Amperes from which a clamp shows that a current flows. */
const FLOWING = 0.2;

/** Labels of a load at rest. */
const RESTING: readonly string[] = ["silent", "still", "dark", "shut", "rests", say.noFlame, "warm", "stands", "free"];

/** Setups that change nothing on the machine but its controls: what its own tests consist of. */
function ownSetups(machine: Machine): readonly SetupEntry[] {
  const own = (s: SetupEntry) =>
    s.power === "on" &&
    s.apart.length + s.lifted.length + s.jumpers.length + s.good.length + s.lamps.length + s.feeds.length === 0;
  const setups = [...machine.setupById.values()].filter(own);
  const program = programOf(machine);
  if (!program) return setups;
  const rank = (s: SetupEntry) => (s.mode === "run" ? -1 : program.modes.indexOf(s.mode));
  return [...setups].sort((a, b) => rank(a) - rank(b));
}

/** Works out the run sheet. `isolation` need not be built. */
export function runSheet(dictionary: FaultDictionary): RunSheet {
  const { machine } = dictionary;
  const loads = machine.parts.filter(isLoad);
  const simulator = new Simulator(machine);
  const program = programOf(machine);
  const rest = restRule(machine);
  const seenIn = (setup: SetupEntry, faults: readonly Fault[]): Readonly<Record<string, string>> | null => {
    try {
      const state = simulator.energise(setup, faults, nominalValues(machine));
      const phase = state.phases[0]!;
      simulator.circuit.load(state, phase);
      const flowing = [...machine.clamps.values()].map((c) => {
        const { dc, ac } = simulator.circuit.elementCurrent(c.element);
        return [c.id, Math.max(ac, Math.abs(dc)) > FLOWING ? "flows" : "nothing"] as const;
      });
      return Object.fromEntries([
        ...loads.map((p) => [p.id, simulator.circuit.seen(state, phase, p.index)] as const),
        ...flowing,
      ]);
    } catch (error) {
      if (!(error instanceof NoOperatingPoint)) throw error;
      return null;
    }
  };
  const setups = ownSetups(machine);
  const sound = new Map(setups.map((s) => [s.id, seenIn(s, [])]));
  let mode = program?.modes[0] ?? "run";
  let ran = false;
  const steps = setups.flatMap((setup): SheetStep[] => {
    const seen = sound.get(setup.id);
    if (!seen) return [];
    const to = program && setup.mode !== "run" ? setup.mode : (program?.modes[0] ?? "run");
    const legs = program ? (guideTo(program, mode, to) ?? []) : [];
    mode = to;
    const starts = rest?.running.includes(setup.id) ?? false;
    const step: SheetStep = {
      setup: setup.id,
      name: setup.name,
      how: setup.how,
      legs,
      rest: starts && ran ? rest!.minutes : 0,
      loads: loads.map((p) => {
        const should = seen[p.id]!;
        return {
          part: p.id,
          name: p.name,
          test: makeTest(setup.id, "look", p.id),
          should,
          labels: p.labels!,
          runs: !RESTING.includes(should),
          noticed: p.kind.observed?.noticed ?? say.look,
        };
      }),
      clamps: clampsIn(dictionary, setup),
    };
    ran ||= starts;
    return [step];
  });
  return { steps, relays: relayEdges(machine, setups, sound, seenIn) };
}

/** What works rather than shows: displays and status lamps have their own reader. */
function isLoad(part: Part): boolean {
  return part.labels !== null && !has(part, "tells-codes");
}

/** Clamp points that carry a current worth reading in a setup, with what a sound machine shows. */
function clampsIn(dictionary: FaultDictionary, setup: SetupEntry): SheetStep["clamps"] {
  const { machine } = dictionary;
  const tests = [...machine.clamps.values()].map((c) => makeTest(setup.id, clampFunction(machine, c), c.id));
  if (tests.length === 0) return [];
  return dictionary.soundFor(setup.id, tests).flatMap((prediction, i) => {
    const test = tests[i]!;
    const window = windowOf(test, prediction, dictionary.meter);
    if (window.kind !== "range" || window.high < FLOWING) return [];
    return [{ test, name: machine.clamps.get(test.red)!.name, window: windowWords(window, test.function) }];
  });
}

/**
 * For every relay the steps in which a load, or the current in a wire, would be another if it never closed, or never
 * opened: there its two edges are proven. A relay no step proves is listed with empty hands, so that nobody believes it
 * tested.
 */
function relayEdges(
  machine: Machine,
  setups: readonly SetupEntry[],
  sound: ReadonlyMap<string, Readonly<Record<string, string>> | null>,
  seenIn: (setup: SetupEntry, faults: readonly Fault[]) => Readonly<Record<string, string>> | null,
): RelayEdges[] {
  const differs = (fault: Fault): Edge[] =>
    setups.flatMap((setup) => {
      const [good, bad] = [sound.get(setup.id), seenIn(setup, [fault])];
      if (!good || !bad) return [];
      return Object.keys(good)
        .filter((part) => good[part] !== bad[part])
        .map((part): Edge => {
          const clamp = machine.clamps.get(part);
          return {
            setup: setup.id,
            part,
            name: clamp?.name ?? machine.partById.get(part)!.name,
            test: clamp ? makeTest(setup.id, clampFunction(machine, clamp), part) : makeTest(setup.id, "look", part),
          };
        });
    });
  return machine.parts
    .filter((p) => p.modes.some((m) => m.id === "welded"))
    .map((relay) => {
      const open = relay.modes.find((m) => m.id === "contact-open" || m.id === "coil-open");
      return {
        relay: relay.id,
        name: relay.name,
        closes: open ? differs({ part: relay.id, mode: open.id }) : [],
        opens: differs({ part: relay.id, mode: "welded" }),
      };
    });
}

/** A result in the words of its step: what runs where it should rest runs on. */
export function resultWords(load: SheetLoad, label: string): string {
  if (label === FLICKERS) return say.comesAndGoes;
  return !load.runs && !RESTING.includes(label) && label !== "hums" ? `${label} on` : label;
}
