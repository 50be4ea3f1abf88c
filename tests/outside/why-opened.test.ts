import { afterAll, describe, expect, it } from "vitest";
import { trialLikelihood } from "../../src/core/diagnose/evidence/tried-by-hand";
import { openedHypotheses } from "../../src/core/diagnose/hypotheses/what-opened-it";
import { faultId, withInnerShorts } from "../../src/core/model";
import { makeTest } from "../../src/core/simulate";
import { machineNamed } from "../support/fleet";
import { dialogueOf, faultsIn } from "./controller-table";
import { held } from "./dialogue";
import { SpiceUnit } from "./spice-unit";

/**
 * Units in which something has opened, and what did it: the search is answered by a circuit simulator in which both are
 * broken. Dead readings tell most of them; what turns or is fed only through what has opened cannot be told before.
 */
const FOUND = [
  "firnau-bf-330 heater:shorted>F1:blown",
  "firnau-bf-330 compressor:shorted>F1:blown",
  "firnau-bf-330 PS1:varistor-short>F1:blown",
  "firnau-bf-330 PS1:switch-short>F1:blown",
  "quellmoor-sb-210 heater:shorted>F1:blown",
  "quellmoor-sb-210 compressor:shorted>F1:blown",
  "quellmoor-sb-210 PS1:input-short>F1:blown",
  "gratlosch-bd-5 MV:shorted>F1:blown",
  "obwart-dv-8 compressor:shorted>F1:blown",
  "lawinor-im-90 compressor:shorted>F1:blown",
  "murgast-abs-60 HA:shorted>FA:blown",
  "tromblin-hd-4 boiler:shorted>F1:blown",
  "brenzik-cd-30 KH:welded>limit:open",
  "velmoor-dw-45 drain:jammed>KD:welded",
] as const;
/** Nothing did it: it was tired. */
const ALONE = ["firnau-bf-330 F1:blown", "quellmoor-sb-210 F1:blown", "gratlosch-bd-5 F1:blown"] as const;

const dialogueNamed = (text: string) => {
  const [name, fault] = text.split(" ") as [string, string];
  return dialogueOf(machineNamed(name), fault);
};

describe("why it opened, answered by a circuit simulator", () => {
  const readings: number[] = [];
  afterAll(() => console.log(`readings to the cause: ${readings.join(" ")}`));

  it.each(FOUND)("%s: the search ends at the cause, and names what it opened", (text) => {
    const machine = machineNamed(text.split(" ")[0]!);
    const [cause, opened] = faultsIn(text.split(" ")[1]!);
    const ending = held(dialogueNamed(text), 11);
    readings.push(ending.readings.length);
    const of = (part: string) => machine.partById.get(part)!.assembly;
    expect(ending.assemblies[0], JSON.stringify(ending, null, 1)).toBe(of(cause.part));
    expect(ending.assemblies.every((a) => [of(cause.part), of(opened!.part)].includes(a))).toBe(true);
  });

  it("a shorted bridge is told by whoever probes inside the board, and is left open by whoever does not", () => {
    const dialogue = dialogueNamed("firnau-bf-330 PS1:bridge-short>F1:blown");
    const [outside, inside] = [held(dialogue, 11), held(dialogue, 11, true)];
    expect(outside.assemblies).toEqual(["fuse"]);
    expect(outside.why!.causes.filter((c) => c.state === "open").map((c) => c.name)).toEqual([
      "12 V supply: a diode of its bridge shorted",
    ]);
    expect(inside.assemblies, JSON.stringify(inside, null, 1)).toEqual(["main-board", "fuse"]);
  });

  it.each(ALONE)("%s: what could have done it is read first, and none is blamed", (text) => {
    const machine = machineNamed(text.split(" ")[0]!);
    const [opened] = faultsIn(text.split(" ")[1]!);
    const ending = held(dialogueNamed(text), 12);
    expect(ending.assemblies, JSON.stringify(ending, null, 1)).toEqual([machine.partById.get(opened.part)!.assembly]);
    expect(ending.why!.causes.filter((c) => c.state === "found")).toEqual([]);
    expect(ending.why!.causes.filter((c) => c.state === "cleared").length).toBeGreaterThan(0);
    expect(ending.why!.asked.length).toBeGreaterThan(2);
  });
});

/** A lamp of 100 W in place of a blown mains fuse: what shorts behind it lights it, a sound machine does not. */
describe("a lamp in place of the fuse, by a circuit simulator", () => {
  const LAMPS = [
    ["firnau-bf-330", "PS1:varistor-short>F1:blown", "J1-1.pad", "F1-out"],
    ["firnau-bf-330", "PS1:switch-short>F1:blown", "J1-1.pad", "F1-out"],
    ["firnau-bf-330", "F1:blown", "J1-1.pad", "F1-out"],
    ["gratlosch-bd-5", "MV:shorted>F1:blown", "in-L", "fused"],
    ["gratlosch-bd-5", "F1:blown", "in-L", "fused"],
  ] as const;
  it.each(LAMPS)("%s %s: bright or dim as it is reckoned", (name, text, red, black) => {
    const machine = withInnerShorts(machineNamed(name));
    const { states, complaint } = dialogueOf(machineNamed(name), text);
    const { setup } = machine.file.complaints.find((c) => c.id === complaint)!;
    const { volts } = machine.file.supply;
    const faults = faultsIn(text);
    const [fault, ...led] = faults;
    const lamp = { of: "F1", ohms: volts ** 2 / 100 };
    const unit = new SpiceUnit(machineNamed(name), fault, states, () => 0, { led, lamp });
    const across = unit.read(makeTest(setup, "acv", red, black));
    const isBright = across.kind === "value" && across.value > volts / 2;
    const [own, opened] = faults.length > 1 ? [faults[0], faults[1]!] : [null, faults[0]];
    const h = openedHypotheses(machine, [opened])!.find((x) => x.id === (own ? text : faultId(opened)))!;
    const chance = trialLikelihood(machine, complaint, { trial: "series lamp", of: "F1", came: "bright" }, h);
    expect(chance > 0.5, JSON.stringify(across)).toBe(isBright);
    expect(isBright).toBe(own !== null);
  });
});
