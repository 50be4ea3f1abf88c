import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { METRIC, quantityText, readQuantity, type Liked } from "../../../src/core/quantity/units";
import { calibrate } from "../../../src/core/workbench/calibration";
import {
  binaryCoding,
  positionsFor,
  readPositions,
  settingOf,
  unusedCodes,
} from "../../../src/core/workbench/coded-switch";
import { contactHeat } from "../../../src/core/workbench/contact";
import { dischargeSeconds } from "../../../src/core/workbench/discharge";
import { solvePower } from "../../../src/core/workbench/heater";
import { judgeSweep } from "../../../src/core/workbench/level-sensor";
import { imbalance, nameLeads } from "../../../src/core/workbench/motor";
import { pulsesFor } from "../../../src/core/workbench/pulse-price";
import { matchRelays } from "../../../src/core/workbench/relay-match";
import { rectified } from "../../../src/core/workbench/supply";
import { betaCurve, platinumCurve, tableCurve } from "../../../src/core/workbench/temperature-sensor";
import { workTool } from "../../../src/core/workbench/tool";
import { toolFor, TOOLS } from "../../../src/core/workbench/tools";
import { ratedLinks, weakestFirst } from "../../../src/core/workbench/weakest-link";
import { copperOhms } from "../../../src/core/quantity";
import { aloneLikelihood } from "../../../src/core/diagnose/evidence/bench-verdict";
import { FLEET, machineNamed } from "../../support/fleet";

const tool = (id: string) => TOOLS.find((t) => t.id === id)!;
const work = (id: string, typed: Record<string, string>, liked: Liked = METRIC) => workTool(tool(id), typed, liked);
const sheet = (id: string, typed: Record<string, string>, liked?: Liked) => {
  const { sheet: s, problem, problems } = work(id, typed, liked);
  if (!s) throw new Error(problem || JSON.stringify(problems));
  return s;
};
const says = (id: string, typed: Record<string, string>) => {
  const { sheet: s, problem, problems } = work(id, typed);
  expect(s).toBeNull();
  return problem + Object.values(problems).join(" ");
};
const above = (max: number) => fc.double({ min: 1e-3, max, noNaN: true });

describe("round trips and monotony (properties)", () => {
  test("any two of volts, watts, ohms, amperes give back the others", () => {
    fc.assert(
      fc.property(above(500), above(50), (volts, amps) => {
        const all = { volts, amps, ohms: volts / amps, watts: volts * amps };
        const keys = ["volts", "amps", "ohms", "watts"] as const;
        for (const a of keys)
          for (const b of keys)
            if (a !== b) {
              const solved = solvePower({ [a]: all[a], [b]: all[b] });
              for (const k of keys) expect(Math.abs(solved[k] / all[k] - 1)).toBeLessThan(1e-9);
            }
      }),
    );
  });
  test("a thermistor's temperature goes to ohms and back, and ohms fall as it warms; platinum rises", () => {
    fc.assert(
      fc.property(
        fc.double({ min: -45, max: 140, noNaN: true }),
        fc.double({ min: 2000, max: 5000, noNaN: true }),
        (celsius, beta) => {
          const curve = betaCurve(5000, beta);
          expect(curve.celsiusAt(curve.ohmsAt(celsius))).toBeCloseTo(celsius, 6);
          expect(curve.ohmsAt(celsius + 1)).toBeLessThan(curve.ohmsAt(celsius));
          const platinum = platinumCurve(100);
          expect(platinum.celsiusAt(platinum.ohmsAt(celsius))).toBeCloseTo(celsius, 6);
          expect(platinum.ohmsAt(celsius + 1)).toBeGreaterThan(platinum.ohmsAt(celsius));
        },
      ),
    );
  });
  test("switches stand for the setting that gives them back, for any weights, offset and sense", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 8 }),
        fc.boolean(),
        fc.constantFrom("on" as const, "off" as const),
        fc.integer({ min: -5, max: 50 }),
        fc.integer({ min: 1, max: 9 }),
        fc.nat(),
        (count, heaviest, counts, offset, step, code) => {
          const coding = binaryCoding(count, heaviest, counts, offset, step);
          const on = Array.from({ length: count }, (_, i) => Math.floor((code % 2 ** count) / 2 ** i) % 2 === 1);
          expect(positionsFor(coding, settingOf(coding, on))).toEqual(on);
        },
      ),
    );
  });
  test("wires get better with size, worse with length; capacitors slower with ohms; contacts hotter with current", () => {
    fc.assert(
      fc.property(above(10), above(50), above(30), (area, metres, amps) => {
        expect(copperOhms(2 * area, metres)).toBeLessThan(copperOhms(area, metres));
        expect(copperOhms(area, 2 * metres)).toBeGreaterThan(copperOhms(area, metres));
        expect(dischargeSeconds(1e-4, 2 * metres, 325, 60)).toBeGreaterThan(dischargeSeconds(1e-4, metres, 325, 60));
        expect(contactHeat(0.1, 2 * amps).watts).toBeGreaterThan(contactHeat(0.1, amps).watts);
      }),
    );
  });
  test("ripple lies below I/(2 f C), and rises with the load", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 0.5, noNaN: true }), (amps) => {
        const r = rectified(12, 50, 1.4, amps, 2200e-6, true);
        expect(r.ripple).toBeLessThan(amps / (2 * 50 * 2200e-6));
        expect(rectified(12, 50, 1.4, 1.1 * amps, 2200e-6, true).ripple).toBeGreaterThan(r.ripple);
      }),
    );
  });
  test("pulses reach the price and never a whole pulse more", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 10_000 }), fc.integer({ min: 1, max: 500 }), (price, pulse) => {
        const { pulses, charged, over } = pulsesFor(price, pulse);
        expect(charged).toBe(pulses * pulse);
        expect(over).toBeGreaterThanOrEqual(0);
        expect(over).toBeLessThan(pulse);
      }),
    );
  });
  test("a value shown is read again as itself, in either liking", () => {
    const inches: Liked = { temperature: "°F", wire: "AWG", length: "inches" };
    fc.assert(
      fc.property(fc.double({ min: -30, max: 200, noNaN: true }), (celsius) => {
        for (const liked of [METRIC, inches]) {
          const read = readQuantity(quantityText(celsius, "celsius", liked), "celsius", liked);
          expect(read.ok && Math.abs(read.value - celsius)).toBeLessThan(0.06);
        }
      }),
    );
    for (const [text, mm2] of [
      ["18 AWG", 0.823],
      ["0.75", 0.75],
      ["4/0 AWG", 107.2],
    ] as const) {
      const read = readQuantity(text, "area", METRIC);
      expect(read.ok && read.value).toBeCloseTo(mm2, 1);
    }
  });
});

describe("nonsense is refused with a sentence", () => {
  test.each([
    ["heater", { ohms: "-5", volts: "120" }, "cannot be below"],
    ["heater", { volts: "120" }, "any two"],
    ["heater", { volts: "0", watts: "5" }, "above zero"],
    ["heater", { volts: "120", watts: "325", ohms: "100" }, "do not go together"],
    ["heater", { volts: "twelve", watts: "3" }, "no number"],
    ["heater", { volts: "120", watts: "3 A" }, "another unit"],
    ["sensor", { ohms25: "5k", ambient: "0 K" }, "absolute zero"],
    ["sensor", { ohms25: "5k", ambient: "-300" }, "absolute zero"],
    ["sensor", { sort: "points", points: "0 16330\n25 5000\n50 6000" }, "turn back"],
    ["sensor", { sort: "points", points: "0 16330" }, "two rows"],
    ["sensor", {}, "ohms at 25"],
    ["suppression", { volts: "24", ohms: "100", current: "ac", part: "diode" }, "A diode across alternating current"],
    ["motor", { ohms12: "5", ohms23: "8" }, "Three readings"],
    ["motor", { ohms12: "5", ohms23: "5", ohms13: "10" }, "equal"],
    ["contact", { volts: "1" }, "clamp it"],
    ["contact", { volts: "1", amps: "0" }, "above zero"],
    ["relay", {}, "Type the coil"],
    ["relay", { coilVolts: "6", coilOhms: "0" }, "above zero"],
    ["supply", { volts: "0" }, "above zero"],
    ["supply", { volts: "12", amps: "50", farads: "10u" }, "runs empty"],
    ["supply", { regIn: "5", regOut: "9", regAmps: "1" }, "less than it gets"],
    ["discharge", { volts: "325" }, "Type the capacitor"],
    ["line", { average: "9", high: "5" }, "not this line"],
    ["fuse", { loads: "heater" }, "is no load"],
    ["wire", { area: "0" }, "no number"],
    ["wire", { area: "55 AWG" }, "4/0 to 40"],
    ["path", { path: "switch", running: "5" }, "what may it carry"],
    ["path", { path: "fuse 10A", running: "5", starting: "1" }, "below the running"],
    ["led", { supply: "2", forward: "3" }, "not enough"],
    ["switches", { count: "4", found: "10" }, "4 switches, but 2"],
    ["switches", { count: "4", wanted: "99" }, "stands for 99"],
    ["pulses", { price: "0", pulse: "0.25" }, "above zero"],
    ["calibration", { rows: "1 1" }, "Two rows"],
    ["calibration", { rows: "5 5\n5 6" }, "alike"],
    ["position", { sort: "pot", sweep: "1 2" }, "three readings"],
    ["relay-match", { oldCoilVolts: "6" }, "both prints"],
  ] as const)("%s %j", (id, typed, part) => {
    const words = says(id, typed as Record<string, string>);
    expect(words).toContain(part);
    expect(words).toMatch(/[.!]$/);
  });
  test("a coil far beyond any real one is worked out like any other", () => {
    // Stepped through in time it took minutes; it is a swing in closed form.
    const typed = { volts: "12 V", ohms: "1e9", henries: "1e9", current: "dc", hertz: "1e9", part: "rc" };
    const { sheet: done, problem } = work("suppression", typed);
    expect(done?.lines.length ?? problem.length).toBeGreaterThan(0);
  });
  test("no tool breaks on any text in its fields", () => {
    const text = fc.constantFrom(
      "",
      "0",
      "-1",
      "1e9",
      "OL",
      "4k7",
      "abc",
      "∞",
      "1,5",
      "100 %",
      "12 V",
      "1\n2",
      "5 5\n6 6",
      "NaN",
    );
    for (const t of TOOLS)
      fc.assert(
        fc.property(fc.array(text, { minLength: t.fields.length, maxLength: t.fields.length }), (values) => {
          const result = workTool(
            t,
            Object.fromEntries(
              t.fields.map((f, i) => [
                f.key,
                f.choices ? f.choices[values[i]!.length % f.choices.length]![0] : values[i]!,
              ]),
            ),
            METRIC,
          );
          if (!result.sheet) expect(result.problem + Object.values(result.problems).join("")).not.toBe("");
          else
            for (const line of result.sheet.lines)
              expect(line.text + (line.formula ?? "")).not.toMatch(/NaN|undefined/);
        }),
        { numRuns: 120 },
      );
  });
});

describe("what the tools say", () => {
  test("a heater: drifted, open, leaking, the wrong one; and the heat at the real supply", () => {
    const typed = { volts: "120", watts: "325" };
    expect(sheet("heater", { ...typed, measured: "44" }).verdict!.kind).toBe("good");
    expect(sheet("heater", { ...typed, measured: "OL" }).verdict!.mode).toBe("open");
    expect(sheet("heater", { ...typed, measured: "60" }).verdict!.words).toContain("Drifted");
    expect(sheet("heater", { ...typed, measured: "44", case: "20k" }).verdict!.mode).toBe("to-case");
    expect(sheet("heater", { ...typed, real: "110" }).lines.find((l) => l.label.startsWith("Heat at"))!.text).toBe(
      "273 W, 84 % of rated",
    );
  });
  test("a motor with one capacitor down and its rotor stuck", () => {
    const { verdict, lines } = sheet("motor", { farads: "5u", print: "8u", plate: "1", running: "5" });
    expect(verdict!.kind).toBe("bad");
    expect(lines.map((l) => l.text).join(" ")).toContain("Weak");
    expect(lines.map((l) => l.text).join(" ")).toContain("does not turn");
    expect(imbalance([5, 5, 6])).toBeCloseTo(0.125, 9);
    for (const [a, b, c] of [
      [8, 3, 11],
      [3, 8, 11],
      [11, 3, 8],
      [8, 11, 3],
    ] as const)
      expect(nameLeads(a, b, c).runOhms).toBe(3);
  });
  test("a sensor's pin volts and the decade box that makes the board believe", () => {
    const { lines } = sheet("sensor", {
      ohms25: "5k",
      beta: "3435",
      rail: "5",
      pullUp: "10k",
      pin: "1.667",
      wanted: "25",
    });
    expect(lines.find((l) => l.label.startsWith("Pin at"))!.text).toContain("25 °C");
    expect(lines.find((l) => l.label.startsWith("Decade box"))!.text).toContain("5 × 1 kΩ");
  });
  test("reseated and cleaned are two things", () => {
    const reseated = sheet("contact", { wiggle: "0.1 0.1", done: "reseated" });
    const cleaned = sheet("contact", { wiggle: "0.1 0.1", done: "cleaned" });
    expect(reseated.notes).not.toEqual(cleaned.notes);
    expect(cleaned.lines.find((l) => l.label === "Dry before power")!.text).toBe("10 min");
  });
  test("a replacement relay is never a bare yes", () => {
    const same = {
      coilVolts: 12,
      coilOhms: 400,
      contactAmps: 10,
      contactVolts: 250,
      form: "make",
      footprint: "A",
      height: 15,
    };
    const match = matchRelays(same, same);
    expect(match.some((m) => m.result === "misfit")).toBe(false);
    expect(match.find((m) => m.what.startsWith("Footprint"))!.result).toBe("check");
    expect(matchRelays(same, { ...same, coilOhms: 150 }).find((m) => m.what === "Coil ohms")!.result).toBe("misfit");
    expect(matchRelays(same, { ...same, height: 20 }, 18).find((m) => m.what === "Height")!.result).toBe("misfit");
    expect(
      sheet("relay-match", {
        oldCoilVolts: "12",
        oldCoilOhms: "400",
        oldContactAmps: "10",
        newCoilVolts: "12",
        newCoilOhms: "400",
        newContactAmps: "10",
      }).verdict!.kind,
    ).toBe("unsure");
  });
  test("a relay closes and opens again, or the test is half made", () => {
    expect(sheet("relay", { closes: "yes", opens: "no" }).verdict!.mode).toBe("welded");
    expect(sheet("relay", { closes: "yes", opens: "yes" }).verdict!.kind).toBe("good");
    expect(sheet("relay", { closes: "yes" }).verdict!.kind).toBe("unsure");
    expect(
      sheet("relay", { rated: "10", load: "8", sort: "resistive", current: "dc", loadVolts: "110" }).verdict!.kind,
    ).toBe("bad");
  });
  test("a supply that does not isolate says so to its tool", () => {
    const found = FLEET.flatMap((name) => {
      const machine = machineNamed(name);
      return machine.parts.filter((p) => p.kind.kind === "non-isolated supply").map((p) => ({ machine, p }));
    });
    expect(found.length).toBeGreaterThan(0);
    for (const { machine, p } of found) expect(toolFor(p)!.fill!(p, machine)).toMatchObject({ isolation: "none" });
  });
  test("a rail measured with its plug off does not clear the supply", () => {
    expect(sheet("supply", { rail: "13", railWanted: "13", plug: "off" }).verdict!.kind).toBe("unsure");
    expect(sheet("supply", { rail: "13", railWanted: "13", plug: "on" }).verdict!.kind).toBe("good");
    expect(sheet("supply", { isolation: "none" }).cautions.join(" ")).toContain("as deadly as mains");
  });
  test("a fuse is not renewed before what is behind it is proven", () => {
    expect(sheet("fuse", { blown: "yes", loads: "100W lamp", fitted: "2" }).verdict!.words).toContain(
      "before a new one goes in",
    );
    expect(sheet("fuse", { dead: "3", fitted: "2" }).verdict!.words).toContain("Still shorted");
  });
  test("the weakest link comes first, the start counted", () => {
    const links = weakestFirst([
      { name: "a", rated: 10, running: 5, starting: 5, bears: 1 },
      { name: "b", rated: 10, running: 2, starting: 40, bears: 3 },
    ]);
    expect(links.map((l) => [l.name, l.by])).toEqual([
      ["b", "starting"],
      ["a", "running"],
    ]);
  });
  test("coded switches: drawn as the board sits, the unclear chart both ways", () => {
    const { switches, table, lines } = sheet("switches", {
      count: "4",
      found: "1010",
      order: "heaviest",
      sits: "upside-down",
    });
    expect(lines[0]!.text).toBe("10");
    expect(switches![0]).toMatchObject({ upsideDown: true, on: [true, false, true, false] });
    expect(table!.rows.map((r) => r.cells[1])).toEqual(["10", "5", "5"]);
    expect(readPositions("on off whole cut", 4)).toEqual([true, false, true, false]);
    expect(unusedCodes(["0110", "0100"], 4)).toHaveLength(14);
  });
  test("a calibration says what can be adjusted", () => {
    expect(
      calibrate([
        [0, 1],
        [50, 51],
        [100, 101],
      ]).offset,
    ).toBeCloseTo(1, 9);
    expect(sheet("calibration", { rows: "0 2\n50 52\n100 102", allowed: "1" }).verdict!.words).toContain("zero");
    expect(sheet("calibration", { rows: "0 0\n50 55\n100 110", allowed: "1" }).verdict!.words).toContain("span");
  });
  test("a potentiometer with a dead spot; a table that turns back is refused", () => {
    expect(judgeSweep([0, 200, Infinity, 600, 800, 1000]).dead).toEqual([3]);
    expect(judgeSweep([0, 200, 400, 600, 800, 1000]).dead).toEqual([]);
    expect(() =>
      tableCurve([
        [0, 100],
        [10, 90],
        [20, 95],
      ]),
    ).toThrow(/turns back/);
  });
});

describe("on a part of a machine", () => {
  test.each(FLEET)("%s: every part with a tool fills it in with ratings the tool can work with", (name) => {
    const machine = machineNamed(name);
    for (const part of machine.parts) {
      const own = toolFor(part);
      if (!own?.fill) continue;
      const filled = own.fill(part, machine);
      const { problems } = workTool(own, filled, METRIC);
      // What is still to be measured may be asked for; what was filled in is taken.
      expect(
        Object.keys(problems).filter((k) => k in filled),
        `${part.id} in ${own.id}`,
      ).toEqual([]);
    }
  });
  test("a part tested good makes its faults unlikely, bad the likelier, and the mode counts", () => {
    const machine = machineNamed("kaldruun-uc-80");
    const fault = (part: string, mode: string) =>
      ({
        kind: "fault" as const,
        id: `${part}:${mode}`,
        piece: machine.partById.get(part)!.assembly,
        fault: { part, mode },
        led: [],
        prior: 1,
      }) as never;
    const of = (found: "good" | "bad", mode: string | undefined, h: never) =>
      aloneLikelihood(machine, { part: "heater", found, ...(mode ? { mode } : {}) }, h);
    expect(of("good", undefined, fault("heater", "open"))).toBeLessThan(0.1);
    expect(of("good", undefined, fault("K2", "welded"))).toBeGreaterThan(0.9);
    expect(of("bad", "open", fault("heater", "open"))).toBeGreaterThan(
      5 * of("bad", "open", fault("heater", "to-case")),
    );
    expect(of("bad", "burnt black", fault("heater", "open"))).toBeGreaterThan(0.9);
    expect(of("bad", "open", fault("K2", "welded"))).toBeLessThan(0.05);
  });
});

test("the rated elements of a machine carry what flows through them, the start counted, by simulation", () => {
  const machine = machineNamed("kaldruun-uc-80");
  const links = ratedLinks(machine, "calling");
  const relay = links.find((l) => l.name.includes("K1"))!;
  expect(relay.rated).toBe(10);
  expect(relay.running).toBeGreaterThan(0.5);
  expect(relay.running).toBeLessThan(0.9);
  expect(relay.starting / relay.running).toBeGreaterThan(5);
  const filled = tool("path").fillMachine!(machine, "calling");
  expect(sheet("path", filled).verdict!.kind).toBe("good");
  // The same current through a half-amp switch beside it is refused, with its figures.
  expect(sheet("path", { path: `${filled.path}\nswitch 0.5A @ 0.7A / 4.2A` }).verdict!.words).toContain("switch 0.5A");
  expect(() => ratedLinks(machine, "nowhere")).toThrow(RangeError);
});
