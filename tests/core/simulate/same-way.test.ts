import { expect, it } from "vitest";
import { ORDINARY_METER } from "../../../src/core/instrument/meter";
import { Simulator } from "../../../src/core/simulate/energise";
import { observeAll } from "../../../src/core/simulate/observe";
import { makeTest } from "../../../src/core/simulate/test";
import { nominalValues, sampledValues } from "../../../src/core/simulate/values";
import { machineNamed } from "../../support/fleet";

const machine = machineNamed("velmoor-dw-45");
const values = nominalValues(machine);
const looks = (setup: string) =>
  machine.parts.filter((p) => p.labels !== null).map((p) => makeTest(setup, "look", p.id));
const seen = (simulator: Simulator, setup: string, fault: { part: string; mode: string } | null, of = values) =>
  observeAll(
    simulator,
    simulator.energise(machine.setupById.get(setup)!, fault ? [fault] : [], of),
    looks(setup),
    ORDINARY_METER,
  );

it("setups that begin alike are lived through once up to where they part, and come to the same as each by itself", () => {
  const together = new Simulator(machine);
  seen(together, "test-wash", null);
  const first = together.lived;
  // Power up, wait, the keys into the service mode and on: all that the heating test does differently is its last press.
  seen(together, "test-heat", null);
  const second = together.lived - first;
  expect(first).toBeGreaterThan(4);
  expect(second).toBeLessThan(first);
  const powered = machine.file.setups.filter((s) => s.power === "on").map((s) => s.id);
  for (const fault of [null, { part: "K-heat", mode: "welded" }, { part: "panel", mode: "dead" }]) {
    if (fault && !machine.partById.get(fault.part)?.modes.some((m) => m.id === fault.mode)) continue;
    for (const setup of powered)
      expect(seen(together, setup, fault), setup).toEqual(seen(new Simulator(machine), setup, fault));
  }
});

it("another sample, another fault or another warmth is another way", () => {
  const one = new Simulator(machine);
  seen(one, "test-wash", null);
  const before = one.lived;
  seen(one, "test-wash", null);
  // Nothing is lived through twice.
  expect(one.lived).toBe(before);
  const stages = before;
  seen(one, "test-wash", null, sampledValues(machine, 7, 0.5));
  expect(one.lived - before).toBe(stages);
  const { part, mode } = { part: machine.parts.find((p) => p.modes.length > 0)!, mode: 0 };
  const now = one.lived;
  seen(one, "test-wash", { part: part.id, mode: part.modes[mode]!.id });
  expect(one.lived - now).toBe(stages);
});
