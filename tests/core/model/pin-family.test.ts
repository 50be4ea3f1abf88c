import { describe, expect, it } from "vitest";
import { compileMachine } from "../../../src/core/model/compile/compile";
import { familyMachine } from "../../../src/core/model/family/family-machine";
import { pinFamily } from "../../../src/core/model/pins/pin-family";
import { readPinLines, withPinLines } from "../../../src/core/model/pins/pin-lines";
import { withSheet } from "../../../src/core/model/sheet/sheet-tables";
import { FaultDictionary } from "../../../src/core/diagnose/dictionary/fault-dictionary";
import { ORDINARY_METER } from "../../../src/core/instrument/meter";
import { search } from "../../support/isolate-unit";
import { randomSource, randomValues, UnitOnTheBench } from "../../support/unit-on-the-bench";

const made = (feed: string, states: string, supply = "230") =>
  familyMachine(pinFamily(feed, states, "washer"), { id: "p", maker: "A", model: "B", supply }, {});

describe("a machine of which only its board's pins are known", () => {
  it("is begun by what feeds the board and the states of its sheet, on any supply", () => {
    const file = made("L and N, 230 VAC, 4 W", "idle: plug in\nwash: hold START\ntest");
    expect(file.setups.map((s) => [s.id, s.how])).toEqual([
      ["idle", "plug in"],
      ["wash", "hold START"],
      ["test", "Bring it to: test."],
      ["unplugged", expect.stringContaining("prove it dead")],
    ]);
    for (const [feed, supply] of [
      ["+ - 24 VDC", "24 VDC"],
      ["A B 24V AC 10W", "24 VAC"],
      ["P, M 18VDC", "18 V battery"],
    ] as const)
      expect(compileMachine(made(feed, "run", supply)).partById.has("board")).toBe(true);
  });

  it.each([
    ["L N", "idle", /two pins, volts/],
    ["L and L, 230 VAC", "idle", /two pins, volts/],
    ["L and N, 230 V", "idle", /AC or DC/],
    ["L and N, 230 VAC", "", /at least one state/],
    ["L and N, 230 VAC", "idle\nIdle: x", /two states called/],
    ["L and N, 230 VAC", "!!", /a state, and how/],
  ])("%s with states %j is refused with a sentence", (feed, states, why) => {
    expect(() => made(feed, states)).toThrow(why);
  });

  it("isolates once its pins and loads are in: what they do not speak of stays unknown", () => {
    const lines = (file: ReturnType<typeof made>, state: string, text: string) =>
      withPinLines(file, readPinLines(text), { board: "board", state, against: "G" });
    // A pin that is off first, and only later said to give something.
    let file = withPinLines(made("L and N, 230 VAC", "idle\nwash\ndrain"), readPinLines("G ground\nX nothing said"), {
      board: "board",
      state: "idle",
      against: "N",
    });
    file = lines(file, "idle", "A1 brown pump open to L\nA2 red heater open to L\nB1 fan off");
    file = lines(file, "wash", "A1 brown pump closed to L\nA2 red heater closed to L\nB1 fan 12V");
    file = lines(file, "drain", "A1 brown pump closed to L\nA2 red heater open to L\nB1 fan 12V");
    file = withSheet(file, "parts", "pump 60W A1 N\nheater 1500W A2 N\nfan 12VDC 3W B1 G", "");
    const machine = compileMachine(file);
    const dictionary = FaultDictionary.of(machine, ORDINARY_METER);
    dictionary.build();
    const random = randomSource(4);
    const wrong: string[] = [];
    let all = 0;
    for (const h of dictionary.hypotheses) {
      if (h.kind !== "fault" || h.id.includes("unspoken")) continue;
      const unit = new UnitOnTheBench(machine, [h.fault], randomValues(machine, random), random);
      if (unit.looksSound()) continue;
      all++;
      const { assemblies, tests } = search(dictionary, unit, "advice");
      expect(tests.filter((t) => t.red.endsWith("-X") || t.black?.endsWith("-X"))).toEqual([]);
      if (assemblies.length !== 1 || assemblies[0] !== h.assembly) wrong.push(`${h.id}: ${assemblies.join(", ")}`);
    }
    console.log(`${all - wrong.length} of ${all}; ${wrong.join("; ")}`);
    expect((all - wrong.length) / all, wrong.join("; ")).toBeGreaterThanOrEqual(0.95);
  });
});
