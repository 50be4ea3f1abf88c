import { type Fault, type Machine, type SetupEntry, withInnerShorts } from "../../src/core/model";
import { LEAK_PLACE } from "../../src/core/model/kinds/load";
import { ORDINARY_METER } from "../../src/core/instrument";
import { makeTest, nominalValues, observe, Simulator } from "../../src/core/simulate";
import type { Dialogue } from "./dialogue";

/**
 * What the controllers of a unit with a fault do, setup by setup, by running their programs: the circuit simulator is
 * told this and nothing else of them.
 */

/** What is seen of these follows from a program, not from the circuit alone. */
const FACES = new Set(["panel", "indicator", "cooling unit", "engine set"]);

/** The faults that a text names: "motor:seized>F1:blown" is a seized motor that has blown its fuse. */
export const faultsIn = (text: string): readonly [Fault, ...Fault[]] =>
  text
    .split(">")
    .filter(Boolean)
    .map((f) => {
      const [part, mode] = f.split(":") as [string, string];
      return { part, mode };
    }) as unknown as readonly [Fault, ...Fault[]];

/** A unit with a fault, and the complaint it is brought in with. */
export function dialogueOf(file: Machine, fault: string): Dialogue {
  // A load that has shorted inside is no fault of its file.
  const named = faultsIn(fault);
  const isInner = ({ part, mode }: Fault) =>
    mode === "shorted" && file.partById.get(part)!.kind.electrical.load === true;
  const machine = named.some(isInner) ? withInnerShorts(file) : file;
  const broken = named.map((f) => (isInner(f) ? { ...f, part: `${f.part}.short` } : f));
  const nominal = nominalValues(machine);
  // What leaks leaks at its fed end, as in the circuit simulator.
  const of = machine.parts.map((p, i) =>
    p.parameters.map(({ name }, k) => (name === LEAK_PLACE.name ? 2 : nominal.of[i]![k]!)),
  );
  const values = { ...nominal, of, severity: severityOf };
  const simulator = new Simulator(machine);
  const look = (setup: string, id: string, faults: readonly Fault[] = broken) => {
    const state = simulator.energise(machine.setupById.get(setup)!, faults, values);
    const shown = observe(simulator, state, makeTest(setup, "look", id), ORDINARY_METER);
    return shown.kind === "label" ? shown.label : "";
  };
  const atWork = (setup: SetupEntry, faults: readonly Fault[]) => {
    const state = simulator.energise(setup, faults, values);
    const last = state.phases.at(-1)!;
    return Object.fromEntries(
      machine.parts
        .filter((p) => p.kind.kind === "controller")
        .flatMap((p): [string, string[]][] => {
          const awake = (last.states[p.index] ?? 0) !== 0 && setup.power === "on";
          return awake ? [[p.id, outputsOn(p, state.instances[p.index]!, last.states[p.index]!)]] : [];
        }),
    );
  };
  const breaker = machine.parts.find((p) => p.kind.kind === "earth-leakage breaker");
  const states = Object.fromEntries(
    [...machine.setupById.values()].map((setup) => {
      const faces = machine.parts.filter((p) => FACES.has(p.kind.kind) && p.labels);
      return [
        setup.id,
        {
          on: atWork(setup, broken),
          // What was at work the moment before it tripped.
          ...(breaker && look(setup.id, breaker.id) === "trips" ? { before: atWork(setup, []) } : {}),
          shows: Object.fromEntries(faces.map((p) => [p.id, look(setup.id, p.id)])),
        },
      ];
    }),
  );
  const complaint =
    machine.file.complaints.find(
      (c) =>
        Object.keys(c.sees).length > 0 &&
        Object.entries(c.sees).every(([id, label]) => look(c.setup, id) === label) &&
        !Object.entries(c.sees).every(([id, label]) => look(c.setup, id, []) === label),
    ) ??
    machine.file.complaints.find((c) => c.id === "check-over") ??
    machine.file.complaints.find((c) => Object.keys(c.sees).length === 0)!;
  return { machine: machine.file.id, fault, complaint: complaint.id, states };
}

/** As in the circuit simulator: an oxidised contact has 30 ohm, what leaks to the case 9 k. */
function severityOf(_part: unknown, mode: { readonly id: string }): number {
  if (mode.id === "to-case") return 9e3;
  if (mode.id === "filter-dry") return 12;
  return mode.id === "resistive" ? 30 : 1;
}

/** Outputs of a controller that conduct, by what it writes of itself. */
function outputsOn(part: Machine["parts"][number], instance: unknown, state: number): string[] {
  const fields = part.fields as unknown as { inputs: object; outputs: Record<string, { ohms: number }> };
  const written = new Map<number, number>();
  const write = (element: number, siemens: number) => void written.set(element, siemens);
  part.kind.electrical.stamp(instance as never, { conduct: write, dc: write, ac: write } as never, state, [] as never);
  const first = 1 + Object.keys(fields.inputs).length;
  return Object.keys(fields.outputs).filter((_, i) => (written.get(first + i) ?? 0) > 1e-6);
}
