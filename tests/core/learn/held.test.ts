import { describe, expect, it } from "vitest";
import { type ClosedRepair, heldOf, type OpenedJob } from "../../../src/core/learn/held";
import { watchDays } from "../../../src/core/learn/watch";

const day = (n: number) => Date.UTC(2026, 0, 1) + n * 86_400_000;
const repair = (more: Partial<ClosedRepair> = {}): ClosedRepair => ({
  job: "first",
  unit: "u",
  complaint: "panel-dark",
  closedAt: day(0),
  watchDays: 14,
  answers: [],
  ...more,
});
const opened = (more: Partial<OpenedJob> = {}): OpenedJob => ({
  job: "second",
  unit: "u",
  complaint: "panel-dark",
  openedAt: day(10),
  ...more,
});

describe("whether a repair held", () => {
  it("is not known while nobody says so, however long ago it was", () => {
    expect(heldOf(repair(), [])).toEqual({ kind: "not known", dueAt: day(14) });
  });

  it("is what was answered last", () => {
    const answers = [
      { held: false, at: day(15) },
      { held: true, at: day(16) },
    ];
    expect(heldOf(repair({ answers }), [])).toEqual({ kind: "held", at: day(16) });
    expect(heldOf(repair({ answers: answers.slice(0, 1) }), [])).toEqual({ kind: "came back", at: day(15), job: null });
  });

  it("is answered by a new job with the same complaint, also against what was said", () => {
    const answers = [{ held: true, at: day(15) }];
    expect(heldOf(repair({ answers }), [opened({ openedAt: day(20) }), opened()])).toEqual({
      kind: "came back",
      at: day(10),
      job: "second",
    });
  });

  it.each([
    ["on another unit", opened({ unit: "v" })],
    ["with another complaint", opened({ complaint: "noisy" })],
    ["without a complaint", opened({ complaint: null })],
    ["before it", opened({ openedAt: day(-3) })],
    ["long after", opened({ openedAt: day(14 * 6 + 1) })],
    ["that is itself", opened({ job: "first" })],
  ])("is not answered by a job %s", (_name, other) => {
    expect(heldOf(repair(), [other]).kind).toBe("not known");
  });

  it("of a repair without a complaint is never answered by another without one", () => {
    expect(heldOf(repair({ complaint: null }), [opened({ complaint: null })]).kind).toBe("not known");
  });

  it("is asked later of what comes and goes and of what runs seldom, sooner of what is only patched", () => {
    const days = (
      family: "dryer" | "powered equipment",
      more: Partial<Parameters<typeof watchDays>[1]> = {},
      row?: "winch",
    ) =>
      watchDays({ family, ...(row ? { functionsOf: row } : {}) }, { comesAndGoes: false, temporary: false, ...more });
    expect(days("dryer")).toBeLessThan(days("dryer", { comesAndGoes: true }));
    expect(days("dryer", { temporary: true })).toBeLessThan(days("dryer"));
    expect(days("powered equipment", {}, "winch")).toBeGreaterThan(days("powered equipment"));
  });
});
