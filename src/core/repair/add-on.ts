import { sourcesOff } from "../safety";
import type { Machine } from "../model";
import type { SwitchDrawing } from "../workbench";
import { say } from "#words/core/repair/add-on";

/** A stage of adding a module. */
export interface AddOnStage {
  readonly id: "switches" | "dead" | "harness" | "pull" | "lights" | "settings" | "trial";
  readonly name: string;
  readonly steps: readonly string[];
  readonly drawing?: SwitchDrawing;
}

/**
 * How a module is added to this type of machine: dead first, plug by plug, pulled, lit, set, tried. Throws a
 * RangeError for one it has not.
 */
export function addOnPlan(machine: Machine, id: string): readonly AddOnStage[] {
  const addOn = machine.file.addOns.find((a) => a.id === id);
  if (!addOn) throw new RangeError(say.noAddOn(id));
  const { switches } = addOn;
  const cover = machine.file.panels.find((p) => p.id === addOn.panel);
  return [
    ...(switches
      ? [
          {
            id: "switches" as const,
            name: say.switchesForThisType,
            steps: [
              say.onOnOffNumbers(
                switches.on.join(", ") || "none",
                switches.numbers.filter((n) => !switches.on.includes(n)).join(", ") || "none",
              ),
            ],
            drawing: {
              caption: addOn.name,
              kind: "switches" as const,
              numbers: switches.numbers,
              on: switches.numbers.map((n) => switches.on.includes(n)),
              upsideDown: false,
              marked: "left" as const,
            },
          },
        ]
      : []),
    {
      id: "dead",
      name: say.dead,
      steps: [sourcesOff(machine), ...(cover ? [say.openCoverName(cover.name.toLowerCase())] : [])],
    },
    { id: "harness", name: say.plugByPlug, steps: addOn.harness },
    {
      id: "pull",
      name: say.pullTest,
      steps: [say.eachPlugPulledLightlyBy, say.noLeadUnderACovers],
    },
    ...(addOn.lights.length > 0 ? [{ id: "lights" as const, name: say.powerOnWhatLights, steps: addOn.lights }] : []),
    ...(addOn.settings.length > 0
      ? [{ id: "settings" as const, name: say.settings, steps: addOn.settings.map((s) => `${s.where}: ${s.value}`) }]
      : []),
    { id: "trial", name: say.trial, steps: [addOn.trial] },
  ];
}
