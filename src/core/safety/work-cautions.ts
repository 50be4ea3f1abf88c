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
      say.sourcesEachLockedOffBy(machine.sources.length, machine.sources.map((s) => s.name.toLowerCase()).join(", ")),
    );
  if (any("stores-charge")) caution("charge", "power-down", say.capacitorsKeepTheirCharge);
  if (any("battery-arc")) caution("battery", "power-down", say.batteryRingsOffNoSpanner);
  if (any("gas")) caution("gas", "power-down", say.gasShutItsValveFirst);
  if (any("refrigerant"))
    caution("refrigerant", "open", any("flammable-refrigerant") ? say.refrigerantThatBurns : say.refrigerantAHissOilOr);
  if (any("suspended-load") || machine.file.family === "powered equipment")
    caution("raised", "open", say.whateverIsRaisedOrHeld);
  if (panelsOverMains(machine).size > 0) caution("mains", "open", say.bareMainsBehindTheCovers);
  if (any("hot")) caution("hot", "swap", say.hotPartsLetHeaterLamp);
  if (any("hot-water") && any("heats")) caution("hot water", "swap", say.waterInPumpAndHoses);
  if (any("sharp")) caution("sharp", "swap", say.finsBladesAndSheetMetal);
  if (any("spring-or-weight")) caution("spring", "swap", say.springsAndPlungersSnapBack);
  if (any("moves"))
    caution("moving", "trial", any("starts-by-itself") ? say.partsThatMoveStartBy : say.partsThatMoveHandsHair);
  if (cleans) caution("aerosol", "swap", say.sprayOnlyDeadColdAnd);
  return cautions;
}
