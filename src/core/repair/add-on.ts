import { sourcesOff } from "../safety";
import type { Machine } from "../model";
import type { SwitchDrawing } from "../workbench";

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
  if (!addOn) throw new RangeError(`no add-on ${id}`);
  const { switches } = addOn;
  const cover = machine.file.panels.find((p) => p.id === addOn.panel);
  return [
    ...(switches
      ? [
          {
            id: "switches" as const,
            name: "Switches for this type",
            steps: [
              `On: ${switches.on.join(", ") || "none"}. Off: ` +
                `${switches.numbers.filter((n) => !switches.on.includes(n)).join(", ") || "none"}.`,
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
    { id: "dead", name: "Dead", steps: [sourcesOff(machine), ...(cover ? [`Open: ${cover.name.toLowerCase()}`] : [])] },
    { id: "harness", name: "Plug by plug", steps: addOn.harness },
    {
      id: "pull",
      name: "Pull test",
      steps: [
        "Each plug pulled lightly by its housing: none moves.",
        "No lead under a cover's edge, none at a moving part.",
      ],
    },
    ...(addOn.lights.length > 0 ? [{ id: "lights" as const, name: "Power on: what lights", steps: addOn.lights }] : []),
    ...(addOn.settings.length > 0
      ? [{ id: "settings" as const, name: "Settings", steps: addOn.settings.map((s) => `${s.where}: ${s.value}`) }]
      : []),
    { id: "trial", name: "Trial", steps: [addOn.trial] },
  ];
}
