import type { MeterFunction } from "../../instrument";
import type { Machine, SetupEntry } from "../../model";
import { quantity } from "../../quantity";
import { exposureOf } from "../../safety";
import type { Test } from "../../simulate";
import { say } from "#words/core/diagnose/planning";

/** What a person has with them, and what they do not do. */
export interface Equipment {
  /** Works on live mains at all; an apprentice, and whoever is alone in a cellar, may not. */
  readonly live: boolean;
  readonly clamp: boolean;
  readonly dcClamp: boolean;
  /**
   * Tools beyond volts, ohms and amperes: a clamp that holds the inrush, a meter that counts cycles or measures
   * farads, an insulation tester.
   */
  readonly inrush: boolean;
  readonly hertz: boolean;
  readonly capacitance: boolean;
  readonly insulation: boolean;
  /** Counts what a step exposes one to three times: whoever learns, is alone, or would rather not. */
  readonly careful: boolean;
  /** Repairs boards, and goes on to the component once a board is found. */
  readonly boards: boolean;
}

/** How much more danger weighs for whoever is careful. */
export const CAREFUL = 3;

/** An instrument beyond volts and ohms. */
export type Instrument = Exclude<keyof Equipment, "live" | "careful" | "boards">;

/** What a function needs beside a plain meter. */
const TOOL: Readonly<Partial<Record<MeterFunction, Instrument>>> = {
  clamp: "clamp",
  dcclamp: "dcClamp",
  inrush: "inrush",
  hertz: "hertz",
  capacitance: "capacitance",
  insulation: "insulation",
};

/** Everything at hand, of whoever changes boards as a whole. */
export const ALL_EQUIPMENT: Equipment = {
  live: true,
  clamp: true,
  dcClamp: true,
  inrush: true,
  hertz: true,
  capacitance: true,
  insulation: true,
  careful: false,
  boards: false,
};

/** What a test takes beside a meter for volts and ohms: an instrument, or what is rigged up for it. */
export interface Gear {
  readonly kind: "meter" | "rig";
  readonly name: string;
}

/** What a test takes beside a meter for volts and ohms. */
export function gearFor(machine: Machine, test: Test): readonly Gear[] {
  const instrument = TOOL[test.function];
  return [
    ...(instrument ? [{ kind: "meter" as const, name: say.instruments[instrument] }] : []),
    ...rigOf(machine.setupById.get(test.setup)!).map((name) => ({ kind: "rig" as const, name })),
  ];
}

/** What a setup puts on a machine, as one asks for it in the van. */
function rigOf({ feeds, jumpers, lamps }: SetupEntry): readonly string[] {
  return [
    ...feeds.map(({ volts, amps }) => say.fusedSupply(quantity(volts, "V"), quantity(amps, "A"))),
    ...jumpers.map(([, , ohms]) => (ohms === undefined ? say.insulatedJumper : say.resistorOf(quantity(ohms, "ohm")))),
    ...(lamps.length > 0 ? [say.lampsForLoads(lamps.length)] : []),
  ];
}

/** Whether a test can be made with these means. */
export function canMake(machine: Machine, test: Test, equipment: Equipment): boolean {
  const tool = TOOL[test.function];
  if (tool && !equipment[tool]) return false;
  return equipment.live || exposureOf(machine, machine.setupById.get(test.setup)!, test) !== "live";
}
