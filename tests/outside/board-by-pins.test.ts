import { describe, expect, it } from "vitest";
import { FaultDictionary } from "../../src/core/diagnose/dictionary/fault-dictionary";
import { ORDINARY_METER } from "../../src/core/instrument/meter";
import { compileMachine } from "../../src/core/model/compile/compile";
import { boardTable } from "../../src/core/model/pins/board-table";
import type { Measured } from "../../src/core/model/pins/measured";
import { pinBoardsOf, withMeasured } from "../../src/core/model/pins/pin-boards";
import { machineFileSchema } from "../../src/core/model/schema";
import { makeTest } from "../../src/core/simulate";
import { machineNamed } from "../support/fleet";
import { randomSource } from "../support/unit-on-the-bench";
import { dialogueOf } from "./controller-table";
import { held } from "./dialogue";
import { SpiceUnit } from "./spice-unit";

/**
 * A machine whose board is taken out of its file and put back as its sheet has it: ten pins, three states, nothing of
 * its inside, two pins of which the sheet does not speak. What good units show is read on the circuit simulator's
 * board, device by device; so is every answer of the search.
 */
const REAL = machineNamed("kaldruun-uc-80");
const INSIDE = new Set(["PS", "U2", "U1", "K1", "K2"]);

const BOARD = {
  id: "RB",
  kind: "board by its pins",
  name: "Relay board",
  piece: "board",
  pins: ["L", "N", "C", "D", "S", "F", "P12", "P5", "K1", "K2"],
  feed: { between: ["L", "N"], current: "ac", volts: 230, watts: 1 },
  states: [
    { id: "defrost", name: "Defrost pins joined", closed: "force" },
    { id: "cold", name: "Cold", fed: { between: ["S", "N"], above: 3 } },
    { id: "calling", name: "Calling" },
  ],
  outputs: {
    cooling: { to: "C", from: "L", on: ["calling"], off: ["cold", "defrost"] },
    heating: { to: "D", from: "L", on: ["defrost"], off: ["cold", "calling"] },
    rail12: { to: "P12", from: "N", gives: { volts: 12, ohms: 30 }, on: ["calling", "cold", "defrost"] },
    rail5: { to: "P5", from: "N", gives: { volts: 5, ohms: 5 }, on: ["calling", "cold", "defrost"] },
  },
  inputs: {
    sensor: { between: ["S", "N"], volts: 5, ohms: 10_000 },
    force: { between: ["F", "N"], volts: 5, ohms: 10_000 },
  },
  at: {
    L: "board-L",
    N: "board-N",
    C: "cool-L",
    D: "heat-L",
    S: "sense",
    F: "force",
    P12: "rail12",
    P5: "rail5",
    K1: "k1-drive",
    K2: "k2-drive",
  },
};

const known = machineFileSchema.parse({
  ...REAL.file,
  id: "known-by-its-pins",
  parts: [...REAL.file.parts.filter((p) => !INSIDE.has((p as unknown as { id: string }).id)), BOARD],
  paths: REAL.file.paths.map((path) => ({
    ...path,
    stages: path.stages.map((s) =>
      "at" in s ? s : { ...s, rooms: [], parts: [...new Set(s.parts.map((p) => (INSIDE.has(p) ? "RB" : p)))] },
    ),
  })),
});

/** What somebody reads on good units in the states of the sheet: the circuit simulator's, each a little its own. */
function goodUnits(): readonly Measured[] {
  const { states } = dialogueOf(REAL, "");
  const setups = { calling: "calling", cold: "cold", defrost: "forced-defrost" } as const;
  return ["A 1", "A 2", "A 3"].flatMap((unit, n) => {
    const random = randomSource(n + 1);
    const good = new SpiceUnit(REAL, { part: "W1", mode: "none" }, states, () => 2 * random() - 1);
    return Object.entries(setups).flatMap(([state, setup]) =>
      (["P12", "P5"] as const).map((pin): Measured => {
        const shown = good.read(makeTest(setup, "dcv", pin === "P12" ? "TP12" : "TP5", "T-N.pad"));
        if (shown.kind !== "value") throw new Error(`${unit} ${setup} ${pin}: ${shown.kind}`);
        return {
          between: [pin, "N"],
          state,
          function: "dcv",
          low: shown.value,
          overload: false,
          unit,
          meter: "bench meter",
        };
      }),
    );
  });
}

const FAULTS = [
  "compressor:open",
  "heater:open",
  "sensor:open",
  "T-D:open",
  "K2:welded",
  "W1:open",
  "W3:open",
  "T-C:open",
  "S-1:open",
  "cord:line-open",
  "outlet:dead",
  "K1:contact-open",
  "K1:welded",
  "K2:contact-open",
  "K1:coil-open",
  "U1:dead",
  "U2:dead",
  "PS:dead",
] as const;

describe("a board known by its pins, its machine answered by a circuit simulator that has its inside", () => {
  const measured = goodUnits();
  const file = measured.reduce((made, row) => withMeasured(made, "RB", row), known);
  const dictionary = FaultDictionary.of(compileMachine(file), ORDINARY_METER);
  dictionary.build();

  it("has what good units showed beside what its sheet says, in the states in which it was read", () => {
    const rows = boardTable(pinBoardsOf(file)[0]!.fields);
    for (const rail of ["rail12", "rail5"]) {
      const { cells } = rows.find((r) => r.name === rail)!;
      expect(cells.map((c) => c.spread?.kind)).toEqual(["steady", "steady", "steady"]);
      expect(cells.map((c) => c.against)).toEqual(["", "", ""]);
    }
  });

  it.each(FAULTS)("%s ends at the assembly that is broken", (fault) => {
    const ending = held(dialogueOf(REAL, fault), 4, false, [], dictionary, REAL);
    expect(ending.assemblies, JSON.stringify(ending, null, 1)).toEqual([ending.truth]);
  });
});
