import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { compileMachine } from "../../../src/core/model/compile/compile";
import { readMachineYaml } from "../../../src/core/model/file/machine-yaml";
import { pinBoardsOf } from "../../../src/core/model/pins/pin-boards";
import { lineWords, type PinTable, readPinLines, withPinLines } from "../../../src/core/model/pins/pin-lines";

const text = readFileSync(new URL("../../fixtures/pin-board.yaml", import.meta.url), "utf8");
const { file } = readMachineYaml(text, "pin-board.yaml");

describe("the lines of a pin table", () => {
  it.each([
    ["J2 3 red fan + 13V", "J2-3, red, fan +, 13 V DC"],
    ["J2-3\tred\tfan +\t13 VDC", "J2-3, red, fan +, 13 V DC"],
    ["4, yellow, door, 5V", "4, yellow, door, 5 V DC"],
    ["7;white/blue;valve;24VAC", "7, white/blue, valve, 24 V AC"],
    ["C compressor closed to L", "C, compressor, closed to L"],
    ["C compressor open", "C, compressor, open"],
    ["1 fan 4.7k", "1, fan, 4700 ohm"],
    ["1 fan 4k7", "1, fan, 4700 ohm"],
    ["3 fan 13V plug off", "3, fan, 13 V DC, plug off"],
    ["C compressor half wave closed to L", "C, compressor, closed to L, half wave"],
    ["9 link pulsed 3V", "9, link, 3 V DC, pulsed"],
    ["2 light off", "2, light, 0 V DC"],
    ["12 spare contact of the door", "12, spare contact of the door, what it gives is not said"],
  ])("%s", (line, words) => {
    const [read] = readPinLines(line);
    expect(read!.problem).toBeNull();
    expect(lineWords(read!)).toBe(words);
  });
  it.each([
    ["fan motor 13V", "is no pin"],
    ["J2", "no signal and no value"],
    ["3 mains 230V", "AC or DC"],
    ["3 fan 13", "volts or ohms"],
  ])("%s is not guessed at", (line, sentence) => {
    expect(readPinLines(line)[0]!.problem).toContain(sentence);
  });
  it("leaves out a heading and empty lines, and keeps the order", () => {
    expect(readPinLines("Pin\tColour\tSignal\n\n1 fan 13V\nnonsense here\n2 light off").map((l) => l.pin)).toEqual([
      "1",
      "",
      "2",
    ]);
  });
});

describe("lines into a board's table", () => {
  const into = (lines: string, table: Partial<PinTable> = {}) =>
    withPinLines(file, readPinLines(lines), { board: "MB", state: "cooling", against: "3", ...table });
  const fieldsOf = (made: typeof file) => pinBoardsOf(made)[0]!.fields;

  it("adds a pin that is new, with a point to probe, and what it gives in this state", () => {
    const made = into("6 orange pump 24V");
    expect(fieldsOf(made).pins).toContain("6");
    expect(fieldsOf(made).outputs["pump"]).toMatchObject({
      to: "6",
      from: "3",
      on: ["cooling"],
      off: [],
      gives: { volts: 24, current: "dc" },
      source: "sheet",
    });
    const machine = compileMachine(made);
    expect(machine.points.get("MB-6")).toMatchObject({ name: "Control board, pin 6, pump", colour: "orange" });
  });
  it("puts a further state to a pin that is there, and takes back what it said of it before", () => {
    expect(fieldsOf(into("1 fan off", { state: "test3" })).outputs["fan"]).toMatchObject({
      on: ["cooling"],
      off: ["door-open", "test3"],
    });
    expect(fieldsOf(into("2 light 12V", { state: "test3" })).outputs["light"]).toMatchObject({
      on: ["door-open", "test3"],
      off: ["cooling"],
    });
    expect(fieldsOf(into("C compressor closed to L", { state: "test3" })).outputs["compressor"]!.on).toEqual([
      "cooling",
      "test3",
    ]);
  });
  it("takes ohms as those of the board that nothing feeds", () => {
    const { ohms } = fieldsOf(into("1 fan 5.6k\n2 light 1k", { state: "dead" }));
    expect(ohms).toEqual([
      { between: ["1", "3"], ohms: 5600 },
      { between: ["2", "3"], ohms: 1000 },
    ]);
  });
  it.each([
    ["1 fan 9V", {}, "gives 13 V in another state"],
    ["1 fan 13V", { state: "dead" }, "there are no volts"],
    ["1 fan 4.7k", {}, "unplugged"],
    ["8 thing closed to Q", {}, "no pin Q"],
    ["what is this", {}, "is no pin"],
  ] as const)("%s is refused, and changes nothing", (lines, table, sentence) => {
    const before = JSON.stringify(file);
    expect(() => into(lines, table)).toThrow(sentence);
    expect(JSON.stringify(file)).toBe(before);
  });

  it("takes volts with the plug off and under load as two figures of one output, between which a sound one lies", () => {
    const off = into("8 thing 14V plug off");
    const both = withPinLines(off, readPinLines("8 thing 11V loaded"), { board: "MB", state: "cooling", against: "3" });
    const { gives } = pinBoardsOf(both)[0]!.fields.outputs["thing"]!;
    expect(gives!.volts).toBeCloseTo(12.5, 6);
    expect(gives!.volts * (1 + gives!.tolerance)).toBeGreaterThan(14);
    expect(gives!.volts * (1 - gives!.tolerance)).toBeLessThan(11);
    // Without saying which, two figures contradict each other.
    expect(() => withPinLines(off, readPinLines("8 thing 11V"), { board: "MB", state: "test3", against: "3" })).toThrow(
      /14 V in another state/,
    );
  });

  it("remembers where a pin is off before anybody said what it gives", () => {
    const off = into("8 thing off", { state: "door-open" });
    const outputs = (f: typeof off) => pinBoardsOf(f)[0]!.fields.outputs;
    expect(outputs(off)["thing"]).toMatchObject({ on: [], off: ["door-open"] });
    expect(
      compileMachine(off)
        .partById.get("MB")!
        .modes.map((m) => m.id),
    ).not.toContain("thing-off");
    const both = withPinLines(off, readPinLines("8 thing 12V"), { board: "MB", state: "cooling", against: "3" });
    expect(outputs(both)["thing"]).toMatchObject({ on: ["cooling"], off: ["door-open"], gives: { volts: 12 } });
  });
});
