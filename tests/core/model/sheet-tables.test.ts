import { describe, expect, it } from "vitest";
import { compileMachine } from "../../../src/core/model/compile/compile";
import { readSheet, targetsOf, withSheet } from "../../../src/core/model/sheet/sheet-tables";
import { sensorCurve } from "../../../src/core/model/sheet/sensor-table";
import { machineNamed } from "../../support/fleet";

const { file } = machineNamed("kaldruun-uc-80");

describe("the ohms table of a sensor", () => {
  it("is the curve of two constants that lies nearest: by hand from two rows", () => {
    // B = ln(32650/10000) / (1/273.15 - 1/298.15) = 1.18326 / 3.06978e-4.
    const curve = sensorCurve([
      { celsius: 0, ohms: 32650 },
      { celsius: 25, ohms: 10000 },
    ]);
    expect(curve.beta).toBeCloseTo(3854.5, 0);
    expect(curve.ohms25).toBeCloseTo(10000, 6);
    expect(curve.beside).toBeLessThan(1e-9);
  });
  it("of the usual 10 k sensor gives its print back, and tells how far its table lies beside", () => {
    // The table of a common NTC of 10 kohm at 25 degrees, B 3950, from memory.
    const table = [
      [-10, 55330],
      [0, 32650],
      [10, 19900],
      [25, 10000],
      [50, 3588],
    ] as const;
    const curve = sensorCurve(table.map(([celsius, ohms]) => ({ celsius, ohms })));
    expect(curve.ohms25).toBeGreaterThan(9700);
    expect(curve.ohms25).toBeLessThan(10300);
    expect(curve.beta).toBeGreaterThan(3800);
    expect(curve.beta).toBeLessThan(3980);
    expect(curve.beside).toBeLessThan(0.06);
  });
  it("goes to the sensor that is chosen; a slip in a row is said, and no rising curve is taken", () => {
    const made = withSheet(file, "sensor", "0 16.3k\n10 °C; 9.95k\n25 C 5.0 kΩ", "sensor");
    const sensor = made.parts.find((p) => p.kind === "ntc") as unknown as { ohms25: number; beta: number };
    expect(sensor.ohms25).toBeGreaterThan(4900);
    expect(sensor.ohms25).toBeLessThan(5100);
    expect(compileMachine(made).parts.length).toBeGreaterThan(5);
    expect(() => withSheet(file, "sensor", "0 16.3k\n10 99.5k\n25 5.0k", "sensor")).toThrow("a slip in one");
    expect(() => withSheet(file, "sensor", "0 100\n25 110", "sensor")).toThrow("no NTC");
    expect(() => withSheet(file, "sensor", "25 5k", "sensor")).toThrow("two temperatures");
    expect(targetsOf("sensor", file).map((t) => t.id)).toEqual(["sensor"]);
  });
});

describe("a wire list", () => {
  it("names its ends as points, pins or nets of the file; a wire that is there gets its colour and size", () => {
    const lines = "W1\tbrown\t0.75mm2\tT-C\tCompressor feed terminal\nW9 red TP12 fd-1";
    expect(readSheet("wires", lines, file).map((l) => [l.isRead, l.words])).toEqual([
      [true, "W1, brown, 0.75mm2, T-C to Compressor feed terminal"],
      [true, "W9, red, TP12 to fd-1"],
    ]);
    const made = withSheet(file, "wires", lines, "loom");
    expect(made.wires.find((w) => w.id === "W1")).toMatchObject({ colour: "brown", from: "T-C", to: "comp-L" });
    expect(made.wires.find((w) => w.id === "W9")).toMatchObject({ piece: "loom", from: "rail12", to: "force" });
    expect(made.wires.length).toBe(file.wires.length + 1);
  });
  it("says what it cannot place, and does not move a wire that is there", () => {
    const said = readSheet("wires", "W9 red Q-7 T-C\nW9 red\nW9 red T-C T-C", file);
    expect(said.map((l) => l.isRead)).toEqual([false, false, false]);
    expect(said.map((l) => l.words).join(" ")).toMatch(/no point, pin or net.*its two ends.*same place/s);
    expect(() => withSheet(file, "wires", "W1 brown T-D comp-line", "loom")).toThrow("in the file already");
    expect(() => withSheet(file, "wires", "W9 red T-C comp-line", "nowhere")).toThrow("no assembly");
    // What the file itself does not take is a sentence with its field, and no schema's own words.
    expect(() => withSheet(file, "wires", "W#9 red T-C comp-line", "loom")).toThrow(/^wires\.\d+\.id: [^{[]+$/);
  });
});

describe("parts with numbers, covers with screws", () => {
  it("finds each by its name, the longest that fits", () => {
    const made = withSheet(file, "numbers", "Sensor plug S; SP-2 3.50\nSensor, 44-120\nRelay board RB-5T 82", "");
    const of = (id: string) => made.pieces.find((p) => p.id === id)!;
    expect(of("sensor-plug")).toMatchObject({ number: "SP-2", price: 3.5 });
    expect(of("sensor")).toMatchObject({ number: "44-120", price: 12 });
    expect(of("board")).toMatchObject({ number: "RB-5T", price: 82 });
    expect(readSheet("numbers", "Flux thing 12\nSensor none", file).map((l) => l.isRead)).toEqual([false, false]);
  });
  it("takes how many, of what size, where, and what undoes them", () => {
    const lines = "Front grille: 2 x M4 Torx 20 at the bottom\nBoard box, 4 screws 4.2 x 16 crosshead all round";
    const made = withSheet(file, "screws", lines, "");
    const [grille, box] = ["grille", "board-box"].map((id) => made.panels.find((p) => p.id === id)!);
    expect(grille).toMatchObject({ screws: [{ count: 2, size: "M4", place: "bottom" }], tools: ["Torx 20"] });
    expect(box!.screws).toEqual([{ count: 4, size: "4.2 x 16", place: "all round" }]);
    expect(
      readSheet("screws", "Front grille\nLid 4 x M4\nFront grille 3 at the top", file).map((l) => l.isRead),
    ).toEqual([false, false, false]);
  });
});
