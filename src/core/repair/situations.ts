import type { Fault, Machine, Part, SetupEntry } from "../model";
import { nominalValues, NoOperatingPoint, Simulator } from "../simulate";
import { say } from "#words/core/repair/modification";

/** A way a person may meet the machine: a setup with doors open or shut, one place hot or one float up. */
export interface Situation {
  readonly words: string;
  readonly setup: SetupEntry;
  /** What is out of the ordinary in it. */
  readonly of: "doors" | "hot" | "level";
}

/** Doors beyond this many are not combined but opened one at a time. */
const COMBINED_DOORS = 3;
/** A load is on from this share of its largest current on, and from this many amperes; estimate E28. */
const ON = 0.1;
export const LEAST_AMPS = 1e-3;
/** A place that a sensor feels is hot so many degrees Celsius, where nothing says when it should answer. */
const HOT = 110;
/** How much hotter than where it should answer. */
const BEYOND = 15;

/** Every way a person may meet the machine that its interlocks and its sensors of warmth answer to. */
export function situationsOf(machine: Machine): readonly Situation[] {
  const doors = machine.file.doors.map((d) => d.id);
  const sets =
    doors.length <= COMBINED_DOORS
      ? Array.from({ length: 2 ** doors.length }, (_, k) => doors.filter((_, i) => k & (1 << i)))
      : [[], ...doors.map((d) => [d])];
  const answers = machine.parts.flatMap((p) => p.kind.electrical.answersTo?.(p.fields) ?? []);
  const hot = new Map<string, number>();
  for (const a of answers) if ("place" in a) hot.set(a.place, Math.max(hot.get(a.place) ?? 0, a.aboveCelsius + BEYOND));
  for (const p of machine.parts) {
    const felt = p.kind.electrical.warmedAt?.(p.fields);
    if (felt !== undefined && !hot.has(felt)) hot.set(felt, HOT);
  }
  const levels = new Set(answers.flatMap((a) => ("level" in a ? [a.level] : [])));
  return machine.file.setups
    .filter((s) => s.power === "on")
    .flatMap((setup) => [
      ...sets.map((open): Situation => ({
        words: `${setup.name}${doorsWords(machine, open)}`,
        setup: { ...setup, openDoors: open },
        of: "doors",
      })),
      ...[...hot].map(([place, celsius]): Situation => ({
        words: `${setup.name}, ${place} at ${celsius} °C`,
        setup: { ...setup, places: { ...setup.places, [place]: celsius } },
        of: "hot",
      })),
      ...[...levels].map((place): Situation => ({
        words: `${setup.name}, ${place} full`,
        setup: { ...setup, levels: { ...setup.levels, [place]: 1 } },
        of: "level",
      })),
    ]);
}

/** How the doors stand in a situation, as the end of its name; nothing for a machine without doors. */
function doorsWords({ file }: Machine, open: readonly string[]): string {
  if (file.doors.length === 0) return "";
  if (open.length === 0) return say.doorsShut;
  return `, ${open.map((id) => file.doors.find((d) => d.id === id)!.name.toLowerCase()).join(" and ")} open`;
}

export const loadsOf = (machine: Machine): readonly Part[] =>
  machine.parts.filter((p) => p.kind.electrical.load && p.elementCount > 0);

/** Amperes in the first element of each load, by part; null where the model finds no operating point. */
export function amps(
  simulator: Simulator,
  loads: readonly Part[],
  setup: SetupEntry,
  faults: readonly Fault[],
): readonly number[] | null {
  try {
    const state = simulator.energise(setup, faults, nominalValues(simulator.machine));
    const most = loads.map(() => 0);
    for (const phase of state.phases) {
      simulator.circuit.load(state, phase);
      loads.forEach((p, i) => {
        const { dc, ac } = simulator.circuit.elementCurrent(p.firstElement);
        most[i] = Math.max(most[i]!, Math.hypot(dc, ac));
      });
    }
    return most;
  } catch (error) {
    if (error instanceof NoOperatingPoint) return null;
    throw error;
  }
}

/** Amperes from which a load counts as running, where its largest are `most`. */
export const runsFrom = (most: number): number => Math.max(LEAST_AMPS, ON * most);

/** Which loads run in which situations, by load id: places in the list of situations. */
export type TruthTable = ReadonlyMap<string, ReadonlySet<number>>;

/** Which loads run in which situations of a machine, by load id: the truth table of its interlocks. */
export function truthTable(machine: Machine, faults: readonly Fault[] = []): TruthTable {
  return truthTableIn(machine, situationsOf(machine), faults);
}

/** The same in given situations; `full` are the largest amperes of the loads, where they are known from elsewhere. */
export function truthTableIn(
  machine: Machine,
  situations: readonly Situation[],
  faults: readonly Fault[],
  full?: ReadonlyMap<string, number>,
): TruthTable {
  const simulator = new Simulator(machine);
  const loads = loadsOf(machine);
  const rows = situations.map((s) => amps(simulator, loads, s.setup, faults));
  return new Map(
    loads.map((p, i) => {
      const from = runsFrom(full?.get(p.id) ?? Math.max(...rows.map((r) => r?.[i] ?? 0)));
      // Where no operating point is found nothing is known: it counts as running, which is the dangerous side.
      return [p.id, new Set(rows.flatMap((r, k) => (r === null || r[i]! > from ? [k] : [])))];
    }),
  );
}
