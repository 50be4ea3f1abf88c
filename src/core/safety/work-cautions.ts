import { has, type Machine, type Trait } from "../model";
import { panelsOverMains } from "./exposure";
import { say } from "#words/core/safety";

/** A danger of working on a machine, said at the step where it matters and once in the report. */
export interface WorkCaution {
  readonly of:
    | "mains"
    | "charge"
    | "two sources"
    | "battery"
    | "gas"
    | "refrigerant"
    | "hot"
    | "hot water"
    | "sharp"
    | "spring"
    | "moving"
    | "raised"
    | "aerosol";
  readonly at: "power-down" | "open" | "swap" | "trial";
  readonly words: string;
}

/**
 * The dangers of working on this machine, usual cautions and no more: local codes and licensed trades come first.
 * `cleans`: a spray may be used.
 */
export function workCautions(machine: Machine, cleans = false): readonly WorkCaution[] {
  const any = (...traits: readonly Trait[]) => machine.parts.some((p) => has(p, ...traits));
  const cautions: WorkCaution[] = [];
  const caution = (of: WorkCaution["of"], at: WorkCaution["at"], words: string) => {
    cautions.push({ of, at, words });
  };
  if (machine.sources.length > 1)
    caution(
      "two sources",
      "power-down",
      say.sourcesEachLockedOffBy(machine.sources.length, machine.sources.map((s) => s.name.toLowerCase()).join(", ")) +
        "wires.",
    );
  if (any("stores-charge"))
    caution("charge", "power-down", say.capacitorsKeepTheirChargeNothing + say.throughAResistorNeverWith);
  if (any("battery-arc"))
    caution(
      "battery",
      "power-down",
      "Battery: rings off, no spanner across it. Its black lead comes off first and goes on last.",
    );
  if (any("gas"))
    caution(
      "gas",
      "power-down",
      "Gas: shut its valve first. A smell of gas: no switch, no flame, doors open, out, and call the licensed trade.",
    );
  if (any("refrigerant"))
    caution(
      "refrigerant",
      "open",
      say.refrigerantAHissOilOr + say.forALicensedTechnician(any("flammable-refrigerant") ? say.someOfItBurnsNo : ""),
    );
  if (any("suspended-load") || machine.file.family === "powered equipment")
    caution("raised", "open", "Whatever is raised or held by the drive is let down or propped before a cover comes off.");
  if (panelsOverMains(machine).size > 0)
    caution("mains", "open", "Bare mains behind the covers: proven dead before a hand goes in.");
  if (any("hot")) caution("hot", "swap", "Hot parts: let heater, lamp and compressor cool before they are touched.");
  if (any("hot-water") && any("heats"))
    caution("hot water", "swap", "Water in pump and hoses may scald: let it cool and drain it before a hose comes off.");
  if (any("sharp"))
    caution("sharp", "swap", "Fins, blades and sheet-metal edges cut: gloves on while you reach past them.");
  if (any("spring-or-weight"))
    caution("spring", "swap", "Springs and plungers snap back: relieve or hold them before a screw comes out.");
  if (any("moves"))
    caution("moving", "trial", any("starts-by-itself") ? say.partsThatMoveStartBy : say.partsThatMoveHandsHair);
  if (cleans) caution("aerosol", "swap", "Spray only dead, cold and aired; dry before power comes back. Its gas burns.");
  return cautions;
}
