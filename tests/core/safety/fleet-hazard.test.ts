import { built } from "../../support/built";
import { describe, expect, it } from "vitest";
import { exposureOf, isPowered } from "../../../src/core/safety/exposure";
import { cautionsFor, forbidden, inSupplyPrimary } from "../../../src/core/safety/rules";
import { advise } from "../../../src/core/diagnose/advice/advise";
import { candidateTests } from "../../../src/core/diagnose/dictionary/candidates";
import type { Evidence } from "../../../src/core/diagnose/evidence/evidence";
import { costOf, unitStateAfter, type UnitState } from "../../../src/core/diagnose/planning/cost";
import { readMachineYaml } from "../../../src/core/model/file/machine-yaml";
import { MachineYamlError } from "../../../src/core/model/file/machine-yaml";
import { FLEET, machineNamed, machineText } from "../../support/fleet";
import { complaintOf } from "../../support/isolate-unit";
import { randomSource, randomValues, UnitOnTheBench } from "../../support/unit-on-the-bench";

describe.each(FLEET)("%s", (name) => {
  const machine = machineNamed(name);

  it("offers no test that is forbidden, none on a fed circuit with ohms, and a caution for every one that is live", () => {
    for (const test of candidateTests(machine)) {
      const setup = machine.setupById.get(test.setup)!;
      expect(forbidden(machine, setup, test)).toBeNull();
      expect(isPowered(setup) && (test.function === "ohms" || test.function === "continuity")).toBe(false);
      expect(test.function === "lowz" && inSupplyPrimary(machine, test)).toBe(false);
      if (exposureOf(machine, setup, test) === "live")
        expect(cautionsFor(machine, setup, test).length).toBeGreaterThan(0);
    }
  });

  it("names what joins the mains as live, whatever its volts", () => {
    for (const test of candidateTests(machine)) {
      const setup = machine.setupById.get(test.setup)!;
      if (!isPowered(setup) || test.function === "look") continue;
      const nodes = [test.red, test.black]
        .map((id) => (id ? machine.points.get(id)?.node : undefined))
        .filter((n) => n !== undefined);
      if (nodes.some((n) => machine.domains[n]!.energy === "mains"))
        expect(exposureOf(machine, setup, test)).toBe("live");
    }
  });
});

describe("plans on machines of several kinds", () => {
  it.each(["kaldruun-uc-80", "zirvald-bw-15", "hochkar-ip-4"])(
    "%s: power is off before a cover or a plug is moved, live steps only where no dead one will do",
    (name) => {
      const machine = machineNamed(name);
      const dictionary = built(machine);
      const random = randomSource(5);
      for (const h of dictionary.hypotheses.flatMap((x, i) => (x.kind === "fault" && i % 4 === 0 ? [x] : []))) {
        const unit = new UnitOnTheBench(machine, [h.fault], randomValues(machine, random), random);
        const complaint = complaintOf(unit);
        const evidence: Evidence[] = [{ type: "complaint", id: "c", complaint }];
        let unitState: UnitState = {
          setup: machine.file.complaints.find((c) => c.id === complaint)!.setup,
          openPanels: new Set(),
        };
        for (let step = 0; step < 6; step++) {
          const { next } = advise(dictionary, evidence, unitState);
          if (!next) break;
          expect(forbidden(machine, machine.setupById.get(next.test.setup)!, next.test)).toBeNull();
          const { steps } = costOf(machine, unitState, next.test);
          const opens = steps.findIndex((s) => s.startsWith("Open:"));
          if (opens >= 0 && isPowered(machine.setupById.get(unitState.setup)!))
            expect(steps[0]).toMatch(/Pull the plug|Every source off|Take the battery off|Breaker off/);
          unitState = unitStateAfter(machine, unitState, next.test);
          evidence.push({ type: "reading", id: String(step), test: next.test, shown: unit.read(next.test) });
        }
      }
    },
  );
});

describe("what a machine file may not ask for", () => {
  const text = machineText("kaldruun-uc-80");
  const setup = "  - { id: unplugged, name: Unplugged";
  it.each([
    [
      "a cut-off bridged on a powered machine",
      machineText("murgast-abs-60").replace(
        "  - { id: dead, name:",
        '  - { id: bad, name: Bad, power: "on", jumpers: [ [cut-in, cut-out] ], how: Bad. }\n  - { id: dead, name:',
      ),
      /never bypassed/,
    ],
    [
      "a bench supply on a powered machine",
      text.replace(
        setup,
        `  - { id: bad, name: Bad, power: "on", feeds: [ { plus: comp-line, minus: comp-neutral, volts: 12 } ], how: Bad. }\n${setup}`,
      ),
      /sources are off/,
    ],
    [
      "a bench supply of mains voltage",
      text.replace(
        setup,
        `  - { id: bad, name: Bad, power: "off", feeds: [ { plus: comp-line, minus: comp-neutral, volts: 230 } ], how: Bad. }\n${setup}`,
      ),
      /at most 60/,
    ],
    [
      "a lamp in place of what is no load",
      text.replace("lamps: [compressor, heater], places", "lamps: [K1], places"),
      /no load/,
    ],
    [
      "a source that is none switched off",
      text.replace(
        '{ id: calling, name: "Plugged in, warm inside", power: "on",',
        '{ id: calling, name: "Plugged in, warm inside", power: "on", off: [K1],',
      ),
      /no source/,
    ],
    [
      "a jumper from nowhere",
      text.replace(
        "jumpers: [ [fd-1, fd-2] ], places: { cabinet: 15 }, minutes: 1,",
        "jumpers: [ [fd-1, nowhere] ], places: { cabinet: 15 }, minutes: 1,",
      ),
      /no point called nowhere/,
    ],
  ])("%s", (_name, bad, sentence) => {
    expect(() => readMachineYaml(bad, "bad.yaml")).toThrow(MachineYamlError);
    expect(() => readMachineYaml(bad, "bad.yaml")).toThrow(sentence);
  });
});
