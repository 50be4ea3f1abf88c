import { describe, expect, it } from "vitest";
import { type Evidence, type Trial, trialsOf } from "../../src/core/diagnose";
import { hypothesesOf } from "../../src/core/diagnose/hypotheses/hypothesis";
import { trialLikelihood } from "../../src/core/diagnose/evidence/tried-by-hand";
import { faultId, type Fault, type Machine } from "../../src/core/model";
import { bridgedEnds, bridgingRefused } from "../../src/core/safety";
import { makeTest } from "../../src/core/simulate";
import { machineNamed } from "../support/fleet";
import { held } from "./dialogue";
import { dialogueOf } from "./controller-table";
import { SpiceUnit } from "./spice-unit";

/** Units whose complaint is of a load, so that the circuit simulator says by itself whether it comes alive. */
const UNITS: readonly (readonly [machine: string, fault: string, complaint: string])[] = [
  ["firnau-bf-330", "J4-3:open", "fan-silent"],
  ["firnau-bf-330", "J4-4:open", "fan-silent"],
  ["firnau-bf-330", "fan:open", "fan-silent"],
  ["firnau-bf-330", "Q1:open", "no-cooling"],
  ["firnau-bf-330", "K1:coil-open", "no-cooling"],
  ["grisselm-sn-18", "C-2:open", "dead"],
  ["grisselm-sn-18", "F1:blown", "dead"],
  ["zirvald-bw-15", "H-3:open", "still"],
  ["zirvald-bw-15", "speed:wiper-open", "still"],
  ["obwart-dv-8", "B-1:open", "no-vend"],
  ["obwart-dv-8", "B-2:open", "no-vend"],
  ["obwart-dv-8", "M1:open", "no-vend"],
  ["perlgrund-tm-3", "motor:open", "no-print"],
  ["tromblin-hd-4", "TP:open", "no-water"],
];

const NO_FAULT = { part: "outlet", mode: "none" };
const faultOf = (text: string): Fault => {
  const [part, mode] = text.split(":") as [string, string];
  return { part, mode };
};

/** Whether the complaint is still seen on a unit that the circuit simulator is. */
function isSeen(machine: Machine, complaintId: string, unit: SpiceUnit): boolean {
  const complaint = machine.file.complaints.find((c) => c.id === complaintId)!;
  return Object.entries(complaint.sees).every(([part, label]) => {
    const shown = unit.read(makeTest(complaint.setup, "look", part));
    return shown.kind === "label" && shown.label === label;
  });
}

function unitOf(machine: Machine, fault: string, bridged?: string): SpiceUnit {
  const { states } = dialogueOf(machine, fault);
  return new SpiceUnit(
    machine,
    faultOf(fault),
    states,
    () => 0,
    bridged === undefined ? {} : { bridged: bridgedEnds(machine.partById.get(bridged)!)! },
  );
}

describe("a part bridged for a moment, by a circuit simulator", () => {
  it.each(UNITS)(
    "%s %s, %s: comes alive across the parts it is said to, and across no other",
    (name, fault, complaint) => {
      const machine = machineNamed(name);
      expect(isSeen(machine, complaint, unitOf(machine, fault)), "the complaint").toBe(true);
      const h = hypothesesOf(machine).find((x) => x.id === faultId(faultOf(fault)))!;
      const own = faultOf(fault).part;
      const may = trialsOf(machine, "bridged").filter((t) => bridgingRefused(machine, t.id) === null);
      // The broken part itself wherever it may be bridged, and five others.
      const parts = [...may.filter((t) => t.id === own), ...may.filter((t) => t.id !== own).slice(0, 5)];
      for (const { id } of parts) {
        const isAlive = !isSeen(machine, complaint, unitOf(machine, fault, id));
        const chance = trialLikelihood(machine, complaint, { trial: "bridged", of: id, came: "alive" }, h);
        expect(chance > 0.5, `${id} bridged`).toBe(isAlive);
      }
    },
  );
});

/** What a hand tries first on such a unit: the plug reseated where it is a contact, a good part in where it is a part. */
function firstTrial(machine: Machine, { part }: Fault): { readonly trial: Trial; readonly of: string } {
  if (bridgingRefused(machine, part) === null) return { trial: "bridged", of: part };
  const connector = machine.file.connectors.find((c) => part.startsWith(`${c.id}-`));
  return connector ? { trial: "reseated", of: connector.id } : { trial: "good part in", of: part };
}

describe("a search that begins with a trial by hand, answered by a circuit simulator", () => {
  let [with_, without] = [0, 0];
  it.each(UNITS)("%s %s, %s: ends at what is broken", (name, text, complaint) => {
    const machine = machineNamed(name);
    const fault = faultOf(text);
    const { states } = dialogueOf(machine, text);
    const tried = firstTrial(machine, fault);
    // Bridged, the circuit says what comes of it; a good part or a clean contact is the unit without the fault.
    const after =
      tried.trial === "bridged"
        ? unitOf(machine, text, tried.of)
        : new SpiceUnit(machine, NO_FAULT, dialogueOf(machine, "").states, () => 0);
    const came = isSeen(machine, complaint, after) ? "still dead" : "alive";
    expect(came).toBe("alive");
    const hand: Evidence = { type: "by hand", id: "hand", ...tried, came };
    const dialogue = { machine: name, fault: text, complaint, states };
    const [plain, helped] = [held(dialogue, 5), held(dialogue, 5, false, [hand])];
    expect(helped.assemblies, JSON.stringify(helped)).toEqual([helped.truth]);
    with_ += helped.readings.length;
    without += plain.readings.length;
  });

  it("takes fewer readings than without it, on the whole", () => {
    console.log(`readings: ${with_} after a trial by hand, ${without} without`);
    expect(with_).toBeLessThan(without);
  });
});
