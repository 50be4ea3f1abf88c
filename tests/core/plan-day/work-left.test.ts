import { describe, expect, it } from "vitest";
import type { EventBody, Job } from "../../../src/core/journal";
import {
  type Day,
  doneBetween,
  drawnDay,
  handsOn,
  heldUp,
  laidOut,
  meanwhile,
  namesOfHands,
  PLACE,
  planDay,
  stillLeft,
  SUPPLY,
  WATER,
  workLeft,
} from "../../../src/core/plan-day";
import { normalBelow } from "../../../src/core/plan-day/running-over";
import { procedureFor, type ProofStep } from "../../../src/core/repair";
import { machineNamed } from "../../support/fleet";
import { jobWith } from "../../support/journal";

/** What is left of a log-normal, by summing its density: nothing of the formula under test is in it. */
function leftBySumming(mean: number, spread: number, spent: number): number {
  const sigma = Math.sqrt(Math.log(1 + (spread / mean) ** 2));
  const mu = Math.log(mean) - sigma ** 2 / 2;
  const density = (x: number) =>
    Math.exp(-((Math.log(x) - mu) ** 2) / (2 * sigma ** 2)) / (x * sigma * Math.sqrt(2 * Math.PI));
  let [over, beyond] = [0, 0];
  const step = 0.01;
  for (let x = Math.max(spent, step) + step / 2; x < 60 * mean; x += step) {
    over += (x - spent) * density(x) * step;
    beyond += density(x) * step;
  }
  return over / beyond;
}

describe("what is left of a step that hands are on", () => {
  it("the normal distribution as printed in tables (from memory)", () => {
    for (const [x, p] of [
      [0, 0.5],
      [1, 0.841345],
      [1.281552, 0.9],
      [1.959964, 0.975],
      [-2.575829, 0.005],
    ] as const)
      expect(normalBelow(x)).toBeCloseTo(p, 5);
  });

  it("agrees with the density summed", () => {
    for (const [mean, spread, spent] of [
      [30, 15, 0],
      [30, 15, 10],
      [30, 15, 30],
      [30, 15, 90],
      [8, 2.4, 12],
    ] as const)
      expect(stillLeft(mean, spread, spent)).toBeCloseTo(leftBySumming(mean, spread, spent), 1);
  });

  it("shrinks while it goes as thought, and does not reach nothing while it is not done", () => {
    expect(stillLeft(30, 9, 10)).toBeLessThan(21);
    expect(stillLeft(30, 9, 200)).toBeGreaterThan(1);
    expect(stillLeft(30, 0, 200)).toBe(1);
  });
});

describe("how far a plan may be out", () => {
  const alone: Day = {
    people: 1,
    few: {},
    units: [{ id: "A", weight: 1, promised: null, from: 0, steps: [handsOn("hands", 40, 20)] }],
  };

  it("four of five days lie between: marks of the log-normal distribution, within what 80 draws can show", () => {
    const [{ low, high }] = doneBetween(alone, [0]) as [{ low: number; high: number }];
    const sigma = Math.sqrt(Math.log(1.25));
    const mark = (z: number) => Math.exp(Math.log(40) - sigma ** 2 / 2 + z * sigma);
    expect(low / mark(-1.2816)).toBeGreaterThan(0.85);
    expect(low / mark(-1.2816)).toBeLessThan(1.15);
    expect(high / mark(1.2816)).toBeGreaterThan(0.85);
    expect(high / mark(1.2816)).toBeLessThan(1.15);
  });

  it("draws keep the mean, and leave clocks alone", () => {
    const draws = Array.from({ length: 2000 }, (_, d) => drawnDay(alone, d).units[0]!.steps[0]!.minutes);
    expect(draws.reduce((sum, m) => sum + m, 0) / 2000 / 40).toBeCloseTo(1, 1);
    const clock = { ...handsOn("dries", 20, 10), care: "locked" as const };
    expect(drawnDay({ ...alone, units: [{ ...alone.units[0]!, steps: [clock] }] }, 3).units[0]!.steps[0]).toEqual(
      clock,
    );
  });
});

describe("people and places", () => {
  const unit = (id: string, needs: readonly string[]) => ({
    id,
    weight: 1,
    promised: null,
    from: 0,
    steps: [{ ...handsOn("hands", 30), needs }],
  });

  it("two people work side by side, and one after the other where there is one place: by hand", () => {
    const units = [unit("A", [PLACE]), unit("B", [PLACE])];
    expect(planDay({ people: 2, few: { [PLACE]: 2 }, units }).done).toEqual([30, 30]);
    expect([...planDay({ people: 2, few: { [PLACE]: 1 }, units }).done].sort()).toEqual([30, 60]);
    expect([...planDay({ people: 1, few: {}, units }).done].sort()).toEqual([30, 60]);
  });

  it("what waits already holds its place, and says so of whom it keeps: by hand", () => {
    const proof = { ...handsOn("defrost runs", 40, 0), care: "leave" as const, needs: [PLACE] };
    const running = { ...unit("R", []), steps: [proof, handsOn("read it", 5)] };
    const of = { people: 1, few: { [PLACE]: 1 }, units: [unit("B", [PLACE]), running, unit("C", [])] };
    const plan = planDay(of);
    // C needs no place; R is read as soon as it has run, then B has its place.
    expect(plan.done).toEqual([75, 45, 30]);
    const first = (u: number) => plan.placed.find((p) => p.block.unit === u && p.block.hands > 0)!;
    // B has waited for the hands too, for R was read first; with two people only the place is in its way.
    expect(heldUp(of, plan, first(0))).toBeNull();
    const two = planDay({ ...of, people: 2 });
    const kept = two.placed.find((p) => p.block.unit === 0)!;
    expect([kept.start, heldUp({ ...of, people: 2 }, two, kept)]).toEqual([40, { rig: PLACE, unit: 1 }]);
    // Idle until then, nobody is told to begin what has no place.
    const none = { people: 1, few: { [PLACE]: 1 }, units: [unit("B", [PLACE]), running] };
    expect(meanwhile(none, planDay(none))).toEqual([null]);
    expect(meanwhile({ ...none, few: { [PLACE]: 2 } }, planDay(none))).toEqual([{ unit: 0, until: 40 }]);
  });

  it("who was on a unit last goes on with it; the others take what is left", () => {
    const plan = laidOut({ people: 3, few: {}, units: [unit("A", []), unit("B", []), unit("C", [])] }, [0, 1, 2]);
    const named = namesOfHands(plan, ["Ida", "Jon", "Vera"], ["Vera", "Ida", "somebody gone"]);
    const by = (u: number) => named[plan.placed.find((p) => p.block.unit === u)!.person];
    expect([by(0), by(1), by(2)]).toEqual(["Vera", "Ida", "Jon"]);
  });
});

describe("what a job still needs", () => {
  const machine = machineNamed("dornlau-fl-7");
  const search = { mean: 20, spread: 5 };
  const cleaning: EventBody = {
    type: "decided",
    piece: "load-plug",
    fault: "X3-1:resistive",
    option: "clean",
    words: "Clean both sides, dry, reseat",
    minutes: 16,
    price: 24,
    temporary: false,
    warranty: "none",
    seals: "none",
  };
  const cleaned = (...after: readonly EventBody[]) => jobWith(machine, { complaint: "no-turn" }, cleaning, ...after);
  const left = (job: Job, script: readonly ProofStep[] | null = null) =>
    workLeft(machine, job, { search, script, isRunUp: true });
  const step = (id: string, more: Partial<ProofStep> = {}): ProofStep => ({
    id,
    group: "time",
    words: id,
    how: "",
    expected: "",
    cautions: [],
    ...more,
  });

  it("a plug is cleaned, dries by itself with the power off, and is plugged again", () => {
    const work = left(cleaned());
    expect(work.stage).toBe("repair");
    const clock = work.steps.findIndex((s) => s.care !== null);
    expect(work.steps[clock]).toMatchObject({ minutes: 10, care: "locked" });
    expect(work.steps[clock - 1]!.care).toBeNull();
    expect(work.steps[clock + 1]!.care).toBeNull();
    // The sixteen minutes are all of it: ten of them dry.
    const minutes = work.steps.filter((s) => s.words !== "prove it").reduce((sum, s) => sum + s.minutes, 0);
    expect(minutes).toBeCloseTo(16, 6);
  });

  it("while it dries by its clock that wait is not counted twice; what is ticked is done", () => {
    const { stages } = procedureFor(machine, { assembly: "load-plug", option: "clean", fault: null });
    const ticks = stages.flatMap((s) => s.steps.map((one) => one.id)).slice(0, 3);
    const drying = { type: "waiting", wait: "dry load-plug", words: "Dries", seconds: 600, care: "locked" } as const;
    const job = cleaned(
      ...ticks.map((stage) => ({ type: "staged", plan: "load-plug", stage, done: true }) as const),
      drying,
    );
    expect(left(job).steps.every((s) => s.care === null)).toBe(true);
    const before = cleaned(drying);
    expect(left(job).steps[0]!.minutes).toBeLessThan(left(before).steps[0]!.minutes);
  });

  it("a long wait of the proof is left, one for a load that comes on is stayed with, a short one too", () => {
    const limit = { id: "sleep", words: "", how: "", limit: 1, sense: "at most", unit: "mA", source: "" } as const;
    const script = [
      step("look"),
      step("asleep", { wait: 1500, limit }),
      step("comes on", { wait: 600 }),
      step("short", { wait: 60 }),
    ];
    const job = cleaned({ type: "proved", step: "look", words: "look", passed: true, typed: "seen", limit: "" });
    const { stage, steps } = left(job, script);
    expect(stage).toBe("proof");
    expect(steps.map((s) => [s.care, s.care === null ? null : s.minutes])).toEqual([
      // Somebody begins its clock.
      [null, null],
      ["leave", 25],
      [null, null],
      ["watch", 10],
      [null, null],
    ]);
    expect(steps.every((s) => s.needs.includes(PLACE))).toBe(true);
  });

  it("run in the workshop it holds a place; water or a low-voltage supply besides, as its kind needs; away nothing", () => {
    const needs = (id: string, isRunUp: boolean) => {
      const own = machineNamed(id);
      const job = jobWith(own, { complaint: own.file.complaints[0]!.id });
      return workLeft(own, job, { search, script: null, isRunUp }).steps.map((s) => s.needs);
    };
    // Search, repair with the power off, proof. Common practice, no source.
    expect(needs("dornlau-fl-7", true)).toEqual([[PLACE, WATER], [], [PLACE, WATER]]);
    expect(needs("ramsgrat-ct-60", true)[0]).toEqual([PLACE, WATER]);
    expect(needs("grisselm-sn-18", true)[0]).toEqual([PLACE, SUPPLY]);
    expect(needs("firnau-bf-330", true)[0]).toEqual([PLACE]);
    expect(needs("dornlau-fl-7", false).flat()).toEqual([]);
  });

  it("nothing decided: the search as told, then what is usual; a job that is no repair has no search", () => {
    expect(left(jobWith(machine, { complaint: "no-turn" })).steps.map((s) => s.words)).toEqual([
      "find it",
      "repair",
      "prove it",
    ]);
    expect(left(jobWith(machine, { complaint: "no-turn" })).steps[0]).toMatchObject({ minutes: 20, spread: 5 });
    expect(left(jobWith(machine, { kind: "check" })).stage).toBe("work");
  });
});
