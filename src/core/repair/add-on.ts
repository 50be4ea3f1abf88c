import { sourcesOff } from "../safety";
import type { Machine, MachineFile } from "../model";
import type { SwitchDrawing } from "../workbench";
import { say } from "#words/core/repair/add-on";

/** A stage of adding a module. */
export interface AddOnStage {
  readonly id: string;
  readonly name: string;
  readonly steps: readonly string[];
  readonly drawing?: SwitchDrawing;
}

type AddOnEntry = MachineFile["addOns"][number];

/** The module of that id that the file knows, or one of one's own of which only the name is known. */
export function addOnCalled(file: Pick<MachineFile, "addOns">, purpose: string): AddOnEntry {
  return (
    file.addOns.find((a) => a.id === purpose) ?? {
      id: "own",
      name: purpose,
      harness: [say.plugsAsItsSheetSays],
      plugs: [],
      lights: [say.lampsAsItsSheetSays],
      settings: [{ where: say.valuesAsItsSheetSays, value: say.asOrdered }],
      trial: say.oneUseFromBeginningToEnd,
    }
  );
}

/**
 * How a module is added to a machine: switches by type, dead first, plug by plug and pin by pin, tugged, lit, set,
 * tried.
 */
export function addOnPlan(machine: Machine, purpose: string): readonly AddOnStage[] {
  const addOn = addOnCalled(machine.file, purpose);
  const cover = machine.file.panels.find((p) => p.id === addOn.panel);
  const isOwn = addOn.id === "own";
  return [
    ...(addOn.switches ? [switchStage(addOn.name, addOn.switches)] : []),
    ...(isOwn && !addOn.switches
      ? [{ id: "switches", name: say.switchesForThisType, steps: [say.switchesAsItsSheetSays] }]
      : []),
    {
      id: "dead",
      name: say.dead,
      steps: [sourcesOff(machine), ...(cover ? [say.openCoverName(cover.name.toLowerCase())] : [])],
    },
    { id: "harness", name: say.plugByPlug, steps: addOn.harness },
    ...addOn.plugs.map((plug, i) => ({
      id: `plug ${i + 1}`,
      name: plug.name,
      steps: plug.pins.map((p) => say.pinInto(p.pin, p.colour, p.to)),
    })),
    {
      id: "pull",
      name: say.pullTest,
      steps: [
        ...(addOn.plugs.length > 0 || isOwn ? [say.eachTerminalClicksAndHolds] : []),
        say.eachPlugPulledLightlyBy,
        say.noLeadUnderACovers,
      ],
    },
    ...(addOn.lights.length > 0 ? [{ id: "lights", name: say.powerOnWhatLights, steps: addOn.lights }] : []),
    ...(addOn.settings.length > 0
      ? [{ id: "settings", name: say.settings, steps: addOn.settings.map((s) => `${s.where}: ${s.value}`) }]
      : []),
    { id: "trial", name: say.trial, steps: [addOn.trial] },
  ];
}

function switchStage(name: string, { numbers, on }: NonNullable<AddOnEntry["switches"]>): AddOnStage {
  const list = (own: readonly number[]) => own.join(", ") || "none";
  return {
    id: "switches",
    name: say.switchesForThisType,
    steps: [say.onOnOffNumbers(list(on), list(numbers.filter((n) => !on.includes(n))))],
    drawing: {
      caption: name,
      kind: "switches",
      numbers,
      on: numbers.map((n) => on.includes(n)),
      upsideDown: false,
      marked: "left",
    },
  };
}
