import { describe, expect, test } from "vitest";
import { areaOfGauge, gaugeOfArea, METRIC, quantityText, readQuantity } from "../../src/core/quantity/units";
import { burningDrop, contactHeat } from "../../src/core/workbench/contact";
import { dischargeOhms, dischargeSeconds, storedEnergy } from "../../src/core/workbench/discharge";
import { fuseFor, loadSum } from "../../src/core/workbench/fuse";
import {
  goodWindow,
  INSULATION_CLASS_I,
  INSULATION_HEATERS,
  judgeOhms,
  solvePower,
} from "../../src/core/workbench/heater";
import { E12, preferred } from "../../src/core/workbench/led-resistor";
import { nameLeads } from "../../src/core/workbench/motor";
import { coilDraw, contactShare } from "../../src/core/workbench/relay";
import { holdUp, inrush, rectified } from "../../src/core/workbench/supply";
import { clampedDecay, rcDecay } from "../../src/core/workbench/suppression";
import {
  betaCurve,
  betaOf,
  pinVolts,
  platinumCurve,
  threePointCurve,
} from "../../src/core/workbench/temperature-sensor";
import { dutyOf } from "../../src/core/workbench/toggling-line";
import { judgePath, readPath } from "../../src/core/workbench/weakest-link";
import { COPPER, copperOhms } from "../../src/core/quantity";
import { BUILDING_LIMIT, wireLimit } from "../../src/core/workbench/wire";
import { runSpice } from "../support/ngspice";

const given = { liked: METRIC, number: () => undefined, text: () => "" };

describe("published values", () => {
  test("IEC 60751: 100 ohm platinum is 80.31 ohm at -50 °C, 138.51 at 100 °C, 175.86 at 200 °C, and back", () => {
    const curve = platinumCurve(100);
    for (const [celsius, ohms] of [
      [-50, 80.31],
      [0, 100],
      [100, 138.51],
      [200, 175.86],
    ] as const) {
      expect(curve.ohmsAt(celsius)).toBeCloseTo(ohms, 2);
      expect(curve.celsiusAt(ohms)).toBeCloseTo(celsius, 1);
    }
  });

  test("IEC 60062: 4K7, R47, 2R2 and 1M0 as printed on resistors", () => {
    for (const [text, ohms] of [
      ["4K7", 4700],
      ["R47", 0.47],
      ["2R2", 2.2],
      ["1M0", 1e6],
    ] as const) {
      const read = readQuantity(text, "ohms", METRIC);
      expect(read.ok && read.value).toBeCloseTo(ohms, 9);
    }
  });

  test("IEC 60063: the E12 series, and the next value above", () => {
    expect(E12).toEqual([10, 12, 15, 18, 22, 27, 33, 39, 47, 56, 68, 82]);
    expect([preferred(1000), preferred(1001), preferred(150), preferred(0.83), preferred(8300)]).toEqual([
      1000, 1200, 150, 1, 10000,
    ]);
  });

  test("ASTM B258: 14 AWG is 1.628 mm thick, 18 AWG 1.024 mm", () => {
    for (const [gauge, millimetres] of [
      [14, 1.628],
      [18, 1.024],
    ] as const) {
      expect(2 * Math.sqrt(areaOfGauge(gauge) / Math.PI)).toBeCloseTo(millimetres, 3);
      expect(gaugeOfArea(areaOfGauge(gauge))).toBeCloseTo(gauge, 9);
    }
  });

  test("IEC 60028: annealed copper is 0.017241 ohm mm² a metre at 20 °C and rises 0.393 % a kelvin", () => {
    expect(copperOhms(1, 1)).toBe(0.017241);
    expect(copperOhms(1, 1, 21) / copperOhms(1, 1, 20)).toBeCloseTo(1.00393, 8);
    expect(COPPER).toBe(0.017241);
  });

  test("NFPA 70, 240.4(D): 18 AWG 7 A, 16 AWG 10 A, 14 AWG 15 A, 12 AWG 20 A, 10 AWG 30 A", () => {
    for (const [gauge, amps] of [
      [18, 7],
      [16, 10],
      [14, 15],
      [12, 20],
      [10, 30],
    ] as const)
      expect(wireLimit(areaOfGauge(gauge), "building").amps).toBe(amps);
    expect(Object.keys(BUILDING_LIMIT)).toHaveLength(5);
    expect(wireLimit(areaOfGauge(22), "building").amps).toBe(0);
  });

  test("IEC 60539-1: B from two resistances gives both of them back", () => {
    const beta = betaOf(5000, 25, 1753, 55);
    const curve = betaCurve(5000, beta);
    expect(curve.ohmsAt(55)).toBeCloseTo(1753, 6);
    expect(curve.celsiusAt(5000)).toBeCloseTo(25, 9);
  });

  test("Steinhart and Hart (1968): the three-point fit returns its own three points, each way", () => {
    const points = [
      [16330, 0],
      [5000, 25],
      [1801, 50],
    ] as const;
    const curve = threePointCurve(points);
    for (const [ohms, celsius] of points) {
      expect(curve.celsiusAt(ohms)).toBeCloseTo(celsius, 9);
      expect(curve.ohmsAt(celsius) / ohms).toBeCloseTo(1, 9);
    }
  });

  test("EN 50678:2020: insulation 1 megohm in class I, 0.3 with heating elements", () => {
    expect([INSULATION_CLASS_I, INSULATION_HEATERS]).toEqual([1e6, 0.3e6]);
  });

  test("IEC 60335-1, 22.5: 0.1 µF of a 230 V plug with 1 megohm is below 34 V within a second; without bleeder, not", () => {
    expect(dischargeSeconds(1e-7, 1e6, 230 * Math.SQRT2, 34)).toBeLessThan(1);
    expect(dischargeSeconds(1e-7, 1e7, 230 * Math.SQRT2, 34)).toBeGreaterThan(1);
  });
});

describe("facts of the trade (common practice, no source)", () => {
  test("a 325 W, 120 V heater is 44.3 ohm; 42.4 passes, twice the resistance is the wrong element", () => {
    const { ohms, amps } = solvePower({ volts: 120, watts: 325 });
    expect(ohms).toBeCloseTo(44.3, 1);
    expect(amps).toBeCloseTo(2.71, 2);
    expect(judgeOhms(42.4, ohms, 0.1, []).kind).toBe("good");
    const twice = judgeOhms(2 * ohms, ohms, 0.1, [2 * ohms]);
    expect(twice.words).toContain("Wrong part");
    expect(goodWindow(ohms, 0.1)[1]).toBeCloseTo(48.7, 1);
  });
  test("rectified mains before load: about 170 V from 120 V, 325 V from 230 V", () => {
    expect(rectified(120, 60, 0, 1e-6, 1e-4, true).peak).toBeCloseTo(169.7, 1);
    expect(rectified(230, 50, 0, 1e-6, 1e-4, true).peak).toBeCloseTo(325.3, 1);
  });
  test("a 6 V relay with a 100 ohm coil: 60 mA, 0.36 W; a 12 A contact carrying 8 A is two thirds used", () => {
    expect(coilDraw(6, 100)).toEqual({ amps: 0.06, watts: 0.36 });
    expect(8 / (12 * contactShare("resistive", false, 230))).toBeCloseTo(2 / 3, 9);
  });
  test("a 12 A relay's current beside a half-amp switch is 24 times its rating, and is refused with the figures", () => {
    const links = readPath("relay 12A\nswitch 0.5A", 12, 12, given);
    const { verdict, table } = judgePath(links);
    expect(verdict!.kind).toBe("bad");
    expect(verdict!.words).toContain("500 mA");
    expect(table!.rows[0]!.cells[4]).toContain("2400 %");
  });
  test("DC reading of a clean 0-to-5 V square wave is its duty times 5 V", () => expect(dutyOf(1.25, 5)).toBe(0.25));
  test("an NTC of 5 k at 25 °C is 4.8 to 5.0 k near 25 °C, and far higher in stirred crushed ice", () => {
    const curve = betaCurve(5000, 3435);
    expect(curve.ohmsAt(25.5)).toBeGreaterThan(4800);
    expect(curve.ohmsAt(0)).toBeGreaterThan(2.5 * 5000);
  });
  test("the largest of three winding readings is the sum of the two others, and does not touch common", () => {
    expect(nameLeads(8, 3, 11)).toMatchObject({ common: "2", run: "3", start: "1", runOhms: 3, startOhms: 8 });
  });
  test("a contact that drops 200 mV at 10 A turns 2 W into heat, and burns", () => {
    expect(contactHeat(0.2, 10)).toMatchObject({ watts: 2, state: "burns" });
    expect(burningDrop(10)).toBe(0.2);
  });
  test("loads in watts and amperes add up, and the next fuse has a quarter to spare", () => {
    const { amps } = loadSum("230W heater, 0.5A fan", 230, given);
    expect(amps).toBeCloseTo(1.5, 9);
    expect(fuseFor(amps)).toBe(2);
  });
});

describe("against ngspice", () => {
  test("peak and ripple of a bridge with its capacitor, at two loads", () => {
    for (const [amps, farads] of [
      [0.1, 470e-6],
      [0.5, 2200e-6],
    ] as const) {
      // The bridge as the absolute value of the sine behind one diode; the load a constant current; measured over the
      // last cycles.
      const out = runSpice([
        "bridge",
        "B1 x 0 V=abs(16.97*sin(314.159265*time))",
        "R1 x a 0.01",
        ".model d D(IS=1e-9 N=1 RS=0.005)",
        "D1 a p d",
        `C1 p 0 ${farads} IC=16`,
        `I1 p 0 ${amps}`,
        ".tran 10u 400m 300m 10u uic",
        ".control",
        "run",
        "meas tran top MAX v(p)",
        "meas tran bottom MIN v(p)",
        "print top bottom",
        "quit 0",
        ".endc",
        ".end",
      ]);
      const [top, bottom] = [
        Number(/top\s*=\s*([\d.e+-]+)/i.exec(out)![1]),
        Number(/bottom\s*=\s*([\d.e+-]+)/i.exec(out)![1]),
      ];
      const own = rectified(12, 50, 16.97 - top, amps, farads, true);
      expect(own.ripple / (top - bottom)).toBeGreaterThan(0.93);
      expect(own.ripple / (top - bottom)).toBeLessThan(1.07);
    }
  });
  test("inrush into an empty capacitor, with its resistor and without", () => {
    for (const ohms of [10, 1]) {
      const out = runSpice([
        "inrush",
        "V1 a 0 SIN(0 325.27 50 0 0 90)",
        `R1 a b ${ohms}`,
        "C1 b 0 220u IC=0",
        ".tran 1u 200u 0 1u uic",
        ".control",
        "run",
        "meas tran low MIN i(V1)",
        "print low",
        "quit 0",
        ".endc",
        ".end",
      ]);
      const peak = -Number(/low\s*=\s*([\d.e+-]+)/i.exec(out)![1]);
      expect(inrush(230, ohms) / peak).toBeGreaterThan(0.98);
      expect(inrush(230, ohms) / peak).toBeLessThan(1.02);
    }
  });
  test("a coil's current through a diode falls to a fifth after the time worked out", () => {
    // 12 V, 144 ohm, 0.5 H: the switch opens at 0; the diode is a source of 0.7 V.
    const out = runSpice([
      "coil",
      "L1 a b 0.5 IC=0.083333",
      "R1 b c 144",
      "V1 c a 0.7",
      "Rg a 0 1e6",
      ".tran 10u 20m uic",
      ".control",
      "run",
      "meas tran t WHEN i(L1)=0.016667",
      "print t",
      "quit 0",
      ".endc",
      ".end",
    ]);
    const t = Number(/\bt\s*=\s*([\d.e+-]+)/i.exec(out)![1]);
    expect(clampedDecay(12, 144, 0.5, 0.7, 0.2).release / t).toBeCloseTo(1, 2);
  });
  test("and through a capacitor with its resistor", () => {
    const out = runSpice([
      "coil",
      "L1 a b 0.5 IC=0.083333",
      "R1 b c 144",
      "C1 c d 1u IC=0",
      "R2 d a 100",
      "Rg a 0 1e6",
      ".tran 1u 5m uic",
      ".control",
      "run",
      "meas tran t WHEN i(L1)=0.016667",
      "meas tran v MAX v(a,b)",
      "print t",
      "quit 0",
      ".endc",
      ".end",
    ]);
    const t = Number(/\bt\s*=\s*([\d.e+-]+)/i.exec(out)![1]);
    expect(rcDecay(12, 144, 0.5, 1e-6, 100, 0.2).release / t).toBeCloseTo(1, 2);
  });
});

test("sums in hand: energy, waiting and resistor go together (textbook first-order decay)", () => {
  expect(storedEnergy(220e-6, 325)).toBeCloseTo(11.6, 1);
  const ohms = dischargeOhms(220e-6, 10, 325, 60);
  expect(dischargeSeconds(220e-6, ohms, 325, 60)).toBeCloseTo(10, 9);
  expect(holdUp(1e-3, 20, 10, { amps: 1 })).toBeCloseTo(0.01, 9);
  expect(holdUp(1e-3, 20, 10, { watts: 10 })).toBeCloseTo(0.015, 9);
  expect(pinVolts(5, 1e4, 1e4)).toBe(2.5);
  expect(quantityText(pinVolts(5, 1e4, Infinity), "volts")).toBe("5.00 V");
});
