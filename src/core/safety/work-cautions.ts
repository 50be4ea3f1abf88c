import type { Machine, Part } from "../model/machine";
import { panelsOverMains } from "./exposure";

/** A danger of working on a machine, said at the step where it matters and once in the report. */
export interface WorkCaution {
  readonly of: "mains" | "charge" | "two sources" | "gas" | "refrigerant" | "hot" | "moving" | "raised" | "aerosol";
  readonly at: "power-down" | "open" | "swap" | "trial";
  readonly words: string;
}

const HOT: readonly string[] = ["heater", "lamp", "compressor", "resistor", "inrush resistor", "ptc", "cooling unit"];
const MOVING: readonly string[] = [
  "motor",
  "fan",
  "dc fan",
  "pump",
  "driven",
  "solenoid",
  "engine set",
  "capacitor motor",
  "motor drive",
];
const REFRIGERANT: readonly string[] = ["compressor", "cooling unit"];
const GAS: readonly string[] = ["gas valve coil"];
/** Kinds that hold a charge after the sources are off. */
export const CHARGED: readonly string[] = [
  "switched supply",
  "non-isolated supply",
  "linear supply",
  "capacitor",
  "run capacitor",
  "motor drive",
];

/** The kinds that each of these lists names; a test holds that every name is a kind, and walks every kind past them. */
export const CAUTION_KINDS = { hot: HOT, moving: MOVING, refrigerant: REFRIGERANT, charge: CHARGED, gas: GAS } as const;

const has = (parts: readonly Part[], kinds: readonly string[]) => parts.some((p) => kinds.includes(p.kind.kind));

/**
 * The dangers of working on this machine, usual cautions and no more: local codes and licensed trades come first. `cleans`: a spray may be used.
 */
export function workCautions(machine: Machine, cleans = false): readonly WorkCaution[] {
  const { parts } = machine;
  const cautions: WorkCaution[] = [];
  const say = (of: WorkCaution["of"], at: WorkCaution["at"], words: string) => {
    cautions.push({ of, at, words });
  };
  if (machine.sources.length > 1)
    say(
      "two sources",
      "power-down",
      `${machine.sources.length} sources, each locked off by whoever works here: ${machine.sources.map((s) => s.name.toLowerCase()).join(", ")}. One left on feeds the other's wires.`,
    );
  if (has(parts, CHARGED))
    say(
      "charge",
      "power-down",
      "Capacitors keep their charge. Nothing is touched while one shows more than 60 V: discharge through a resistor, never with a screwdriver.",
    );
  if (has(parts, GAS))
    say(
      "gas",
      "power-down",
      "Gas: shut its valve first. A smell of gas: no switch, no flame, doors open, out, and call the licensed trade.",
    );
  if (has(parts, REFRIGERANT))
    say(
      "refrigerant",
      "open",
      "Refrigerant: a hiss, oil or a smell means stop, ventilate, open nothing further. Its circuit is for a licensed technician; some of it burns.",
    );
  if (has(parts, ["driven", "engine set"]) || machine.file.family === "powered equipment")
    say("raised", "open", "Whatever is raised or held by the drive is let down or propped before a cover comes off.");
  if (panelsOverMains(machine).size > 0)
    say("mains", "open", "Bare mains behind the covers: proven dead before a hand goes in.");
  if (has(parts, HOT)) say("hot", "swap", "Hot parts: let heater, lamp and compressor cool before they are touched.");
  if (has(parts, MOVING))
    say("moving", "trial", "Parts that move start by themselves: hands, hair and cuffs clear, nobody reaching in.");
  if (cleans) say("aerosol", "swap", "Spray only dead, cold and aired; dry before power comes back. Its gas burns.");
  return cautions;
}
