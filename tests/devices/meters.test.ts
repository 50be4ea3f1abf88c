import { createServer, type AddressInfo, type Server } from "node:net";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { ORDINARY_METER } from "../../src/core/instrument/meter";
import { changeRefused } from "../../src/core/safety/function-change";
import { feed, holdRuleFor, IDLE, type AutoHold } from "../../src/core/instrument/auto-hold";
import { configureCommand, functionNamed, readAnswer, shortened } from "../../src/core/instrument/scpi";
import { devicesFrom, Meters } from "../../src/devices/meters";
import { ScpiLine } from "../../src/devices/scpi-line";
import { machineNamed } from "../support/fleet";
import { randomSource } from "../support/unit-on-the-bench";

const machine = machineNamed("kaldruun-uc-80");
const SAID = { live: false, floats: false, leadsOff: false };
let meters: Meters;
let meter = "";
beforeAll(async () => {
  meters = await Meters.open({ meters: "", supplies: "", standIns: true }, randomSource(3), () => 0);
  meter = meters.list().find((d) => d.kind === "meter")!.id;
  meters.place(machine, []);
});
afterAll(() => meters.close());

describe("SCPI-1999 and IEEE 488.2", () => {
  test("headers in long and short form are one; overload reads 9.9E37", () => {
    expect(shortened("MEASure:VOLTage:DC?")).toBe("MEAS:VOLT:DC?");
    expect(shortened(":meas:volt:dc?")).toBe("MEAS:VOLT:DC?");
    expect(readAnswer("9.9E37")).toEqual({ kind: "overload" });
    expect(readAnswer("+1.320000E+01,2")).toEqual({ kind: "value", value: 13.2 });
    expect(readAnswer("")).toBeNull();
    expect(functionNamed('"VOLT:AC"')).toBe("acv");
    expect(configureCommand("clamp")).toBeNull();
  });
  test("the shipped meter answers *IDN? and a measure query over the wire, as any client would ask", async () => {
    const line = new ScpiLine(
      "127.0.0.1",
      (meters as unknown as { kept: Map<string, { line: ScpiLine }> }).kept.get(meter)!.line.port,
    );
    expect(await line.query("*IDN?")).toContain("Stand-in meter");
    expect(Number(await line.query("MEASure:VOLTage:DC?"))).toBeCloseTo(0, 1);
    await line.write("NONSENSE");
    expect(await line.query("SYSTem:ERRor?")).toContain("-113");
    line.close();
  });
});

describe("a simulated machine at the end of the leads", () => {
  test("volts of the model, with the meter's own noise; nothing with the leads off", async () => {
    meters.lay({ setup: "calling", red: "T-L", black: "T-N" });
    const volts = await meters.read(meter, "acv", { ...SAID, live: true, floats: true });
    expect(volts.kind === "value" && volts.value).toBeGreaterThan(225);
    const again = await meters.read(meter, "acv", { ...SAID, live: true, floats: true });
    expect(again).not.toEqual(volts);
    meters.lay(null);
    const none = await meters.read(meter, "acv", SAID);
    expect(none.kind === "value" && Math.abs(none.value)).toBeLessThan(0.1);
  });
  test("on mains only a meter that floats, and never from volts to ohms before the leads are off", async () => {
    meters.lay({ setup: "calling", red: "T-L", black: "T-N" });
    await expect(meters.read(meter, "acv", { ...SAID, live: true })).rejects.toMatchObject({ reason: "floats" });
    meters.lay({ setup: "unplugged", red: "heater-line", black: "comp-neutral" });
    await expect(meters.read(meter, "ohms", SAID)).rejects.toMatchObject({ reason: "leads" });
    const ohms = await meters.read(meter, "ohms", { ...SAID, leadsOff: true });
    expect(ohms.kind === "value" && ohms.value).toBeGreaterThan(300);
    // From one dead function to the next nothing has to be confirmed.
    await expect(meters.read(meter, "capacitance", SAID)).resolves.toBeDefined();
  });
  test("ohms on a live circuit show an overload, never a value", async () => {
    meters.lay({ setup: "calling", red: "T-L", black: "T-N" });
    expect((await meters.read(meter, "ohms", SAID)).kind).toBe("overload");
  });
  test("points it has not are refused", () =>
    expect(() => meters.lay({ setup: "calling", red: "nowhere", black: "T-N" })).toThrow(RangeError));
});

describe("a link that fails", () => {
  let server: Server;
  let answers: (line: string) => string | null;
  const open = async () => {
    server = createServer((socket) => {
      socket.setEncoding("utf8");
      socket.on("data", (text: string) => {
        for (const line of text.split("\n").filter(Boolean)) {
          const a = answers(line);
          if (a !== null) socket.write(`${a}\n`);
        }
      });
      socket.on("error", () => {});
    });
    await new Promise<void>((r) => {
      server.listen(0, "127.0.0.1", r);
    });
    return Meters.open(
      { meters: `Odd=127.0.0.1:${(server.address() as AddressInfo).port}`, supplies: "", standIns: false },
      randomSource(1),
      () => 0,
    );
  };
  test("wrong function: said, and nothing read", async () => {
    answers = (line) => (line.startsWith("FUNC") ? '"RES"' : line === "READ?" ? "5" : null);
    const own = await open();
    await expect(own.read("meter-1", "dcv", SAID)).rejects.toMatchObject({ reason: "function" });
    await own.close();
    server.close();
  });
  test("no answer, a hang-up, words for a number: lost, and afterwards nobody knows its function", async () => {
    answers = (line) => (line.startsWith("FUNC") ? '"VOLT"' : line === "READ?" ? "soon" : null);
    const own = await open();
    await expect(own.read("meter-1", "dcv", SAID)).rejects.toMatchObject({ reason: "lost" });
    await own.close();
    await expect(own.read("meter-1", "ohms", SAID)).rejects.toMatchObject({ reason: "leads" });
    server.close();
  });
  test("nothing at the address", async () => {
    const own = await Meters.open(
      { meters: "Gone=127.0.0.1:9", supplies: "", standIns: false },
      randomSource(1),
      () => 0,
    );
    await expect(own.read("meter-1", "dcv", SAID)).rejects.toMatchObject({
      reason: "lost",
      message: expect.stringContaining("Nothing was logged"),
    });
    await expect(own.read("meter-9", "dcv", SAID)).rejects.toMatchObject({ reason: "unknown" });
    await own.close();
  });
  test("only configured addresses, and a bad entry is named", () => {
    expect(devicesFrom("Bench=10.0.0.5:5025; Loan=host:5026", "meter").map((d) => [d.name, d.host, d.port])).toEqual([
      ["Bench", "10.0.0.5", 5025],
      ["Loan", "host", 5026],
    ]);
    expect(() => devicesFrom("Bench 10.0.0.5", "meter")).toThrow(/Name=host:port/);
  });
});

test("from volts to ohms only with the leads off, whatever came before (every pair of functions)", () => {
  const all = ["dcv", "acv", "lowz", "hertz", "clamp", null] as const;
  for (const from of all)
    for (const to of ["ohms", "continuity", "capacitance", "insulation"] as const) {
      expect(changeRefused(from, to, false)).toContain("leads off");
      expect(changeRefused(from, to, true)).toBeNull();
    }
  expect(changeRefused("ohms", "continuity", false)).toBeNull();
  expect(changeRefused("ohms", "dcv", false)).toBeNull();
});

describe("auto-hold", () => {
  const rule = holdRuleFor(ORDINARY_METER, "dcv");
  const run = (values: readonly number[]) => {
    let hold: AutoHold = IDLE;
    const taken: string[] = [];
    for (const value of values) {
      const next = feed(hold, { kind: "value", value }, rule);
      hold = next.hold;
      if (next.taken) taken.push(next.taken.kind === "value" ? next.taken.value.toFixed(1) : next.taken.kind);
    }
    return taken;
  };
  test("a reading is taken once when it rests; the leads in the air are no reading; the next touch is the next", () => {
    expect(run([0, 0, 0, 6, 11, 13.2, 13.21, 13.2, 13.2, 13.2, 13.2])).toEqual(["13.2"]);
    expect(run([13.2, 13.2, 13.2, 0, 0, 0, 5, 5, 5, 5, 0, 0, 0, 5, 5, 5])).toEqual(["13.2", "5.0", "5.0"]);
  });
  test("a display that never rests is taken as jumping", () =>
    expect(run([3, 11, 4, 10, 3, 11, 4, 10])).toEqual(["jumping"]));
});
