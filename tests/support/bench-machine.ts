import { ORDINARY_METER, type MeterFunction } from "../../src/core/instrument/meter";
import { readMachineYaml } from "../../src/core/model/file/machine-yaml";
import { Simulator } from "../../src/core/simulate/energise";
import { observe } from "../../src/core/simulate/observe";
import { makeTest } from "../../src/core/simulate/test";
import { nominalValues, type Values } from "../../src/core/simulate/values";

/** A bench with one part on it: mains or 13 V in, points where the part asks for them. */
export function bench(
  parts: string,
  points: readonly string[],
  options: { setups?: string; clamps?: string; doors?: string } = {},
) {
  const text = `
format: 1
id: bench
revision: "1"
maker: Nobody
model: Bench
name: Bench
family: powered equipment
supply: { volts: 120, hertz: 60, percent: 5 }
doors: ${options.doors ?? "[]"}
pieces: [ { id: p, name: Part, repair: Replace, minutes: 1, price: 1 } ]
parts:
  - { id: outlet, kind: outlet, name: Outlet, piece: p, at: { line: L, neutral: N, earth: E } }
  - { id: supply, kind: switched supply, name: Supply, piece: p, volts: 13, startVolts: 85, limitAmps: 2, yFarads: 1n, at: { line: L, neutral: N, bulk-plus: bp, bulk-minus: bm, out: plus, return: gnd } }
${parts
  .split("\n")
  .map((l) => `  ${l.trim()}`)
  .join("\n")}
points: [ ${["L", "N", "E", "plus", "gnd", "bp", "bm", ...points].map((p) => `{ id: ${p}, name: ${p}, net: ${p} }`).join(", ")} ]
clamps: ${options.clamps ?? "[]"}
references: [ { name: ground, points: [gnd] } ]
setups:
  - { id: "on", name: On, power: "on", how: Plug in. }
  - { id: "off", name: Off, power: "off", how: Pull the plug. }
${options.setups ?? ""}
paths: [ { id: p, name: P, stages: [ { at: [L, N] }, { box: Part, parts: [supply] } ] } ]
complaints: [ { id: c, words: Broken, setup: "on", path: p } ]
`;
  const { machine } = readMachineYaml(text, "bench.yaml");
  const simulator = new Simulator(machine);
  const read = (
    setup: string,
    fn: MeterFunction,
    red: string,
    black?: string,
    fault?: string,
    values: Values = nominalValues(machine),
  ) => {
    const faults = fault ? [{ part: fault.split(":")[0]!, mode: fault.split(":")[1]! }] : [];
    return observe(
      simulator,
      simulator.energise(machine.setupById.get(setup)!, faults, values),
      makeTest(setup, fn, red, black),
      ORDINARY_METER,
    );
  };
  const number = (...args: Parameters<typeof read>) => {
    const s = read(...args);
    return s.kind === "value" ? s.value : s.kind === "overload" ? Infinity : NaN;
  };
  const label = (...args: Parameters<typeof read>) => {
    const s = read(...args);
    return s.kind === "label" ? s.label : s.kind;
  };
  return { machine, read, number, label };
}
