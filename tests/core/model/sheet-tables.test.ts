import { describe, expect, it } from "vitest";
import { compileMachine } from "../../../src/core/model/compile/compile";
import { readSheet, targetsOf, withSheet } from "../../../src/core/model/sheet/sheet-tables";
import { sensorCurve } from "../../../src/core/model/sheet/sensor-table";
import { familyMachine } from "../../../src/core/model/family/family-machine";
import { familyOf } from "../../../src/core/model/family/families-known";
import { whatRuns } from "../../../src/core/simulate/what-runs";
import { machineNamed } from "../../support/fleet";

const { file } = machineNamed("kaldruun-uc-80");

describe("parts that nobody drew, typed as lines", () => {
  const washer = familyMachine(familyOf("washer"), { id: "w", maker: "A", model: "B", supply: "230" }, {});

  it("lie between two places, by pin or point, each an assembly that fails and is looked at", () => {
    const text = "drum light lamp 10W J2-1 Loads, neutral terminal\nNTC 5k between J3-1 and J3-3";
    expect(readSheet("parts", text, washer).map((l) => l.words)).toEqual([
      "Drum light lamp, 10 W at 230 V, between J2-1 and Loads, neutral terminal",
      "NTC, 5000 Ω at 25 °C, between J3-1 and J3-3",
    ]);
    const machine = compileMachine(withSheet(washer, "parts", text, ""));
    const lamp = machine.partById.get("drum-light-lamp")!;
    expect(lamp.kind.kind).toBe("lamp");
    expect(machine.assemblyById.get(lamp.assembly)!.name).toBe("Drum light lamp");
    // The door lock on J2-1 is asked for while it washes, and so is what hangs beside it.
    const [wash] = whatRuns(machine, [], "wash");
    expect(wash!.parts.find((p) => p.name === "Drum light lamp")!.does).toBe("bright");
  });

  it.each([
    ["lamp 10W J2-1", "two places"],
    ["lamp 10W J2-1 J9-7", '"J9-7" is no point'],
    ["fuse J2-1 J2-2", "no load that is known"],
    ["compressor 150 J2-1 J2-2", "more than two ends"],
    ["lamp 10W J2-1 J2-1", "same place"],
    ["microwave 800 J2-1 J2-2", "not modelled"],
  ])("%s is not taken: %s", (line, why) => {
    const [read] = readSheet("parts", line, washer);
    expect(read!.isRead).toBe(false);
    expect(read!.words).toContain(why);
  });

  it("have the volts of one line to neutral where there are several, and those that are typed where they are", () => {
    const make = (supply: string) =>
      familyMachine(familyOf("electric-dryer"), { id: "d", maker: "A", model: "B", supply }, {});
    const taken = (supply: string, line: string) => readSheet("parts", line, make(supply))[0]!.words;
    expect(taken("120/240 split", "lamp 10W J2-1 Chassis")).toContain("at 120 V");
    expect(taken("120/240 split", "heater 600W at 240V J2-1 Chassis")).toContain("at 240 V");
    expect(taken("230", "lamp 10W J2-1 Chassis")).toContain("at 230 V");
  });

  it("is refused under a name that the file has already", () => {
    const once = withSheet(washer, "parts", "lamp 10W J2-1 J2-2", "");
    expect(() => withSheet(once, "parts", "lamp 5W J2-1 J2-3", "")).toThrow(/called Lamp already/);
  });
});

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

describe("a table of codes", () => {
  const washer = familyMachine(familyOf("washer"), { id: "w", maker: "Nobody", model: "W", supply: "230" }, {});
  const PRINTED = "E4\tdrain pump\nF2; water sensor shorted\nF3 water sensor open\nE9: motor protector or drum motor";

  it("gives a sensor's code its reason, and says of another that its reason is not modelled", () => {
    expect(readSheet("codes", PRINTED, washer).map((l) => l.words)).toEqual([
      "E4: drain pump; what brings it is not modelled, its table blames the drain pump",
      "F2: shown while the water sensor is shorted or closed",
      "F3: shown while the water sensor is open",
      "E9: motor protector or drum motor; what brings it is not modelled, its table blames the drum motor",
    ]);
    const machine = compileMachine(withSheet(washer, "codes", PRINTED, "logic"));
    const shown = (mode: string | null) => {
      const fault = mode === null ? [] : [{ part: "sensor-3", mode }];
      return whatRuns(machine, fault)[0]!.parts.find((p) => p.part === "face")!.does;
    };
    expect([shown(null), shown("open"), shown("short")]).toEqual(["on", "F3", "F2"]);
  });

  it("tells by its lamp what the sheet counts in flashes", () => {
    const tool = familyMachine(
      familyOf("refrigerator"),
      { id: "r", maker: "N", model: "R", supply: "230" },
      { face: "lamp" },
    );
    const machine = compileMachine(withSheet(tool, "codes", "7 flashes fridge sensor open", "logic"));
    const shown = (fault: Parameters<typeof whatRuns>[1]) =>
      whatRuns(machine, fault)[0]!.parts.find((p) => p.part === "face")!.does;
    expect(shown([])).toBe("steady");
    expect(shown([{ part: "sensor-2", mode: "open" }])).toBe("7 flashes, pause");
    expect(() => withSheet(washer, "codes", "7 flashes pump", "logic")).toThrow(/no lamp/);
  });

  it("says what is no code, and does not take one twice", () => {
    const lines = readSheet("codes", "the pump\nno water comes\nE3o something", washer);
    expect(lines.map((l) => l.isRead)).toEqual([false, false, false]);
    expect(lines[2]!.words).toContain("in the file already");
    expect(() => withSheet(washer, "codes", "E4 pump\nthe pump", "logic")).toThrow(/a code, then/);
  });
});

describe("a table of service modes", () => {
  const dryer = familyMachine(familyOf("electric-dryer"), { id: "d", maker: "Nobody", model: "D", supply: "230" }, {});
  const PRINTED = [
    "T1 drum motor: hold START 5 s",
    "T2 drum motor and heater; hold START 5 s, press OPTION",
    "T3 all off: press STOP",
  ].join("\n");

  it("runs what its name names, entered as the sheet says; with a letter misprinted it is not understood", () => {
    expect(readSheet("modes", PRINTED, dryer).map((l) => l.words)).toEqual([
      "T1: runs drum motor; hold START 5 s",
      "T2: runs drum motor and heater; hold START 5 s, press OPTION",
      "T3: runs nothing; press STOP",
    ]);
    expect(readSheet("modes", "T4 drun motor: press A", dryer)[0]).toMatchObject({ isRead: false });
    const [off] = readSheet("modes", "T4 heater off: press A", dryer);
    expect(off).toMatchObject({ isRead: false });
    expect(off!.words).toContain("or stand still?");
    const machine = compileMachine(withSheet(dryer, "modes", PRINTED, "logic"));
    const on = (setup: string) =>
      whatRuns(machine)
        .find((s) => s.setup === setup)!
        .parts.filter((p) => p.isOn && p.part.startsWith("load"))
        .map((p) => p.name);
    expect([on("t1"), on("t2"), on("t3")]).toEqual([["Drum motor"], ["Drum motor", "Heater"], []]);
    expect(machine.setupById.get("t2")!.how).toBe("Hold START 5 s, press OPTION");
  });

  it("still stands still with the door open: a service mode bridges nothing", () => {
    const file = withSheet(dryer, "modes", PRINTED, "logic");
    const machine = compileMachine({
      ...file,
      setups: [...file.setups, { ...file.setups.find((s) => s.id === "t2")!, id: "t2-open", openDoors: ["door"] }],
    });
    const [open] = whatRuns(machine, [], "t2-open");
    expect(open!.parts.filter((p) => p.isOn).map((p) => p.name)).toEqual(["Display"]);
  });

  it("leaves a control program with modes of its own alone", () => {
    const own = machineNamed("tromblin-hd-4").file;
    const [line] = readSheet("modes", "T1 pump: press A", own);
    expect(line).toMatchObject({ isRead: false });
    expect(line!.words).toContain("modes of its own");
  });
});

describe("a table of plugs and pins", () => {
  const washer = familyMachine(familyOf("washer"), { id: "w", maker: "Nobody", model: "W", supply: "230" }, {});
  const PRINTED = [
    "CN2 1 brown inlet valve",
    "CN2 2 orange drum motor",
    "CN2-3, black, heater",
    "CN4\t1\tblue\tneutral",
    "CN4 2 grey drain pump",
    "CN6 1 white water sensor",
    "CN6 2 pink sensor ground",
    "CN6 3 turbidity",
  ].join("\n");

  it("gives the file's own wires the sheet's pins and colours; what means nothing known stands by itself", () => {
    expect(readSheet("plugs", PRINTED, washer).map((l) => l.words)).toEqual([
      "CN2-1, brown: feed to inlet valve",
      "CN2-2, orange: feed to drum motor",
      "CN2-3, black: feed to heater",
      "CN4-1, blue: neutral to the loads",
      "CN4-2, grey: feed to drain pump",
      "CN6-1, white: lead of water sensor",
      "CN6-2, pink: return of the sensors",
      "CN6-3: turbidity; nothing of the file is joined to it yet",
    ]);
    const file = withSheet(washer, "plugs", PRINTED, "");
    expect(file.connectors.map((c) => [c.id, c.pins.length])).toEqual([
      ["J2", 1],
      ["J3", 2],
      ["CN2", 3],
      ["CN4", 2],
      ["CN6", 3],
    ]);
    expect(file.assumed).not.toContain("CN2");
    expect(file.setups.map((s) => s.id)).toEqual(expect.arrayContaining(["j2-off", "cn2-off", "cn6-off"]));
  });

  it("asks which of two is meant, and does not lay two wires on one pin", () => {
    const two = familyMachine(
      familyOf("washer"),
      { id: "w2", maker: "Nobody", model: "W", supply: "230" },
      { valves: "2" },
    );
    const [line] = readSheet("plugs", "CN2 1 brown inlet valve", two);
    expect(line).toMatchObject({ isRead: false });
    expect(line!.words).toMatch(/which, feed to cold inlet valve or feed to hot inlet valve/);
    const file = withSheet(washer, "plugs", PRINTED, "");
    expect(() => withSheet(file, "plugs", "CN2 1 brown drum motor", "")).toThrow(/CN2-1 is another wire's/);
    const swapped = withSheet(file, "plugs", "CN2 1 brown drum motor\nCN2 2 orange inlet valve", "");
    expect(swapped.wires.find((w) => w.id === "wire-3")!.from).toBe("CN2-1");
  });

  it("leaves what the machine does as it was, and loses with a pin just what hangs on it", () => {
    const machine = compileMachine(withSheet(washer, "plugs", PRINTED, ""));
    const before = compileMachine(washer);
    const does = (m: typeof machine, fault: Parameters<typeof whatRuns>[1] = []) =>
      whatRuns(m, fault).map((s) => [s.setup, s.parts.filter((p) => p.isOn).map((p) => p.name)]);
    expect(does(machine)).toEqual(does(before));
    const [wash] = whatRuns(machine, [{ part: "CN2-3", mode: "open" }]);
    expect(wash!.parts.filter((p) => p.isOn).map((p) => p.name)).toEqual(["Display", "Door lock", "Drum motor"]);
  });
});
