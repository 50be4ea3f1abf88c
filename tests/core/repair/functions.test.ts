import { describe, expect, test } from "vitest";
import { verdictOf } from "../../../src/core/diagnose";
import { ORDINARY_METER } from "../../../src/core/instrument";
import { familyFunctions, functionRowOf } from "../../../src/core/repair/family-functions";
import { touchedFaults } from "../../../src/core/repair/proof-touched";
import { nominalValues } from "../../../src/core/simulate/values";
import type { Machine } from "../../../src/core/model";
import { makeTest, testKey } from "../../../src/core/simulate";
import { proofRun, proofScript } from "../../../src/core/repair/proof-run";
import { FLEET, machineNamed } from "../../support/fleet";
import { randomSource, randomValues, UnitOnTheBench } from "../../support/unit-on-the-bench";

const scripts = new Map<string, ReturnType<typeof proofScript>>();

/** The proof of a swapped board for a complaint of its machine, the first where none is named. */
function scriptOf(machine: Machine, complaint = machine.file.complaints[0]!.id) {
  const key = `${machine.file.id} ${complaint}`;
  const script = scripts.get(key) ?? proofScript(machine, ORDINARY_METER, complaint, null, 2, boardOf(machine));
  scripts.set(key, script);
  return script;
}

const boardOf = (machine: Machine) => machine.file.pieces.find((p) => p.board)!.id;

describe("functions shown after a board swap", () => {
  test("minutes by kind of machine (common practice, no source)", () => {
    const minutes = (name: string) => familyFunctions(machineNamed(name)).reduce((sum, f) => sum + f.minutes, 0);
    expect([
      minutes("velmoor-dw-45"),
      minutes("dornlau-fl-7"),
      minutes("brenzik-cd-30"),
      minutes("lawinor-im-90"),
      minutes("obwart-dv-8"),
      minutes("sellrun-lc-24"),
      minutes("pfellmar-co-12"),
      minutes("zirvald-bw-15"),
      minutes("tannrast-ft-20"),
      minutes("hochkar-ip-4"),
      minutes("perlgrund-tm-3"),
    ]).toEqual([35, 40, 25, 60, 40, 15, 40, 12, 12, 18, 30]);
  });
  test.each(FLEET)("%s: a board's proof goes through every function, by test or by eye; a plug's does not", (name) => {
    const machine = machineNamed(name);
    expect(functionRowOf(machine)).not.toBeNull();
    const complaint = machine.file.complaints[0]!.id;
    const { steps } = scriptOf(machine);
    for (const f of familyFunctions(machine))
      expect(
        steps.some((s) => (s.group === "functions" && s.words.startsWith(f.words)) || s.also?.includes(f.words)),
        f.id,
      ).toBe(true);
    // Whatever its file says of how one is shown is in the proof, each once.
    const [shown, eye] = [
      machine.file.functions.flatMap((f) => ("shown" in f ? [f.shown] : [])),
      steps.map((s) => s.how),
    ];
    for (const t of shown) {
      const key = testKey(makeTest(t.setup, t.function, t.red, t.black));
      expect(steps.filter((s) => s.test && testKey(s.test) === key).length, key).toBe(1);
    }
    // A result is kept by the name of its step, which the journal takes up to eighty characters long.
    expect(Math.max(...steps.map((step) => step.id.length))).toBeLessThanOrEqual(80);
    for (const f of machine.file.functions) if ("eye" in f) expect(eye, f.eye).toContain(f.eye);
    expect(new Set(steps.map((s) => s.id)).size).toBe(steps.length);
    const small = machine.file.pieces.find((p) => !p.board && !p.licensed)!;
    const other = proofRun(machine, ORDINARY_METER, complaint, null, 2, small.id);
    expect(other.some((s) => s.group === "functions")).toBe(false);
    // What protects is proven whatever was repaired.
    const protects = machine.parts.some((p) => p.kind.safety.traits.some((t) => t === "protects" || t === "interlock"));
    if (protects) expect(other.some((s) => s.group === "protects")).toBe(true);
  });
});

describe("a function is shown by what can fail", () => {
  test.each(FLEET)("%s: each test named for a function is failed by a unit with some fault of it", (name) => {
    const machine = machineNamed(name);
    const { steps } = scriptOf(machine);
    const keys = machine.file.functions.flatMap((f) =>
      "shown" in f ? [testKey(makeTest(f.shown.setup, f.shown.function, f.shown.red, f.shown.black))] : [],
    );
    const named = steps.filter((s) => s.test && s.window && keys.includes(testKey(s.test)));
    const faults = machine.parts.flatMap((p) => p.modes.map((m) => ({ part: p.id, mode: m.id })));
    const unfailed = named.filter(
      (s) =>
        !faults.some((fault) => {
          const unit = new UnitOnTheBench(machine, [fault], nominalValues(machine), randomSource(7));
          return verdictOf(s.window!, unit.read(s.test!)) === "does not fit";
        }),
    );
    expect(unfailed.map((s) => s.words)).toEqual([]);
  });
  test("a machine that burns no gas is not asked for its gas", () => {
    const ids = (name: string) => familyFunctions(machineNamed(name)).map((f) => f.id);
    expect(ids("brenzik-cd-30")).toContain("gas");
    expect(ids("kolbrast-tk-2")).not.toContain("gas");
  });
});

describe("a proof binds", () => {
  test.each(FLEET)(
    "%s: no sound machine misses a step, whatever its parts, mains, room and meter are within their limits",
    (name) => {
      const machine = machineNamed(name);
      const random = randomSource(17);
      const missed = new Map<string, number>();
      const steps = machine.file.complaints.slice(0, 3).flatMap((c) => scriptOf(machine, c.id).steps);
      for (let draw = 0; draw < 50; draw++) {
        const unit = new UnitOnTheBench(machine, [], randomValues(machine, random), random);
        for (const step of steps)
          if (step.test && step.window && verdictOf(step.window, unit.read(step.test)) === "does not fit")
            missed.set(step.id, (missed.get(step.id) ?? 0) + 1);
      }
      expect([...missed]).toEqual([]);
    },
  );

  test("each fault of a board that was swapped fails a step of its proof; those that no permitted reading shows, by name", () => {
    const lines = FLEET.flatMap((name) => {
      const machine = machineNamed(name);
      const board = machine.file.pieces.find((p) => p.board)!.id;
      const { steps, unshown } = scriptOf(machine);
      const named = unshown.map((f) => `${f.part}:${f.mode}`);
      // Held against units with the fault, read with a meter's error, and not against what the planner thinks they show.
      const slips = touchedFaults(machine, board).filter((fault) => {
        if (named.includes(`${fault.part}:${fault.mode}`)) return false;
        const unit = new UnitOnTheBench(machine, [fault], nominalValues(machine), randomSource(7));
        return !steps.some((s) => s.test && s.window && verdictOf(s.window, unit.read(s.test)) === "does not fit");
      });
      expect(slips, name).toEqual([]);
      return named.map((f) => `${name} ${board} ${f}`);
    });
    expect(lines).toEqual(UNSHOWN);
  }, 240_000);
});

/** Faults of a swapped board that nothing permitted shows: what a person must know of them. */
const UNSHOWN = [
  // Ripple on a rail lies within what an ordinary meter may misread.
  "dornlau-fl-7 main-board PS:ripple",
  "quellmoor-sb-210 main-board PS1:ripple",
  "ramsgrat-ct-60 main-board PS:ripple",
  "velmoor-dw-45 main-board PS:ripple",
  "zirvald-bw-15 drive DR:shorted",
];
