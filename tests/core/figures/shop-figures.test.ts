import { describe, expect, it } from "vitest";
import { type ClosedJob, costByCause, shopFigures, stepFigures } from "../../../src/core/figures";

const DAY = 86_400_000;
const NEW_BOARD = "maker-board";
const fault = (part: string) => ({ part, mode: "open", sort: "wire open" });

/** A closed repair as it usually is, and what is otherwise in this one. */
const closed = (job: string, other: Partial<ClosedJob> = {}): ClosedJob => ({
  job,
  unit: `unit of ${job}`,
  machine: "washer",
  person: "Mira",
  month: "2026-10",
  complaint: "no-heat",
  closedAt: 20_000 * DAY,
  piece: "loom",
  cause: fault("W4"),
  causeWords: "W4: open",
  option: "replace",
  noFault: false,
  minutes: 30,
  price: 50,
  held: "held",
  again: null,
  inVain: [],
  steps: [],
  ...other,
});

/**
 * A shop of ten jobs, counted by hand. A: held. B: came back as C, C held. D: a board was bought, came back as E, which
 * found the loom. E: held. F: nobody knows. G: nothing found. H: a board bought in vain within the job, for 140, then
 * the loom; held. I: came back by a word only. J: of another person and month, held.
 */
const SHOP = [
  closed("A"),
  closed("B", { held: "came back", again: "C" }),
  closed("C"),
  closed("D", { piece: "board", cause: fault("K1"), option: NEW_BOARD, price: 200, held: "came back", again: "E" }),
  closed("E"),
  closed("F", { held: "not known" }),
  closed("G", { noFault: true, cause: null, causeWords: null, held: "not known", price: null, minutes: 10 }),
  closed("H", { inVain: [{ assembly: "board", name: "Board", isBoard: true, price: 140 }], minutes: 90 }),
  closed("I", { held: "came back", again: null }),
  closed("J", { person: "Tobi", month: "2026-11", minutes: 50 }),
];

describe("the figures of a shop, against a shop counted by hand", () => {
  const whole = shopFigures(SHOP, () => "")[0]!;

  it("the first job ended it: A, H and J of A, B, D, H, I and J; what answers a return is no first job", () => {
    expect([whole.firstTime.count, whole.firstTime.of]).toEqual([3, 6]);
  });

  it("came back: B, D and I of the eight of which it is known; F is neither", () => {
    expect([whole.cameBack.count, whole.cameBack.of]).toEqual([3, 8]);
    expect(whole.notKnown).toBe(1);
  });

  it("nothing found: G of ten", () => {
    expect([whole.noFault.count, whole.noFault.of]).toEqual([1, 10]);
  });

  it("good boards: D and H of the two that bought one, for 200 and 140", () => {
    expect([whole.boardsInVain.count, whole.boardsInVain.of]).toEqual([2, 2]);
    expect(whole.boardsInVainCost).toBe(340);
  });

  it("a board that came back for the board itself is not called good", () => {
    const again = SHOP.map((j) => (j.job === "E" ? { ...j, piece: "board", cause: fault("K1") } : j));
    expect(shopFigures(again, () => "")[0]!.boardsInVain.count).toBe(1);
  });

  it("half of the jobs took less than 30 minutes", () => {
    expect(whole.minutes).toBe(30);
    expect(shopFigures([closed("A", { minutes: 20 }), closed("B", { minutes: 50 })], () => "")[0]!.minutes).toBe(35);
  });

  it("by person: a return counts against who had closed it, and is known across groups", () => {
    const people = shopFigures(SHOP, (j) => j.person);
    expect(people.map((p) => [p.group, p.jobs])).toEqual([
      ["Mira", 9],
      ["Tobi", 1],
    ]);
    const two = SHOP.map((j) => (j.job === "C" ? { ...j, person: "Tobi" } : j));
    const tobi = shopFigures(two, (j) => j.person).find((p) => p.group === "Tobi")!;
    // C ends what B did not: it is no first job of Tobi's.
    expect([tobi.firstTime.count, tobi.firstTime.of]).toEqual([1, 1]);
  });

  it("what a cause costs: eight by the loom for 400, one by the board for 200; the dearest first", () => {
    expect(costByCause(SHOP).map((c) => [c.cause, c.jobs, c.cost, c.cameBack])).toEqual([
      ["W4: open", 8, 400, 2],
      ["W4: open", 1, 200, 1],
    ]);
  });

  it("the same part of two machines is two causes", () => {
    expect(costByCause([closed("A"), closed("B", { machine: "dryer" })])).toHaveLength(2);
  });

  it("minutes of steps are added up by their kind, in the order of a job", () => {
    const steps = [
      { kind: "measure" as const, count: 2, took: 9, book: 6 },
      { kind: "covers" as const, count: 1, took: 4, book: 5 },
    ];
    expect(stepFigures([closed("A", { steps }), closed("B", { steps: steps.slice(0, 1) })])).toEqual([
      { kind: "covers", count: 1, took: 4, book: 5 },
      { kind: "measure", count: 4, took: 18, book: 12 },
    ]);
  });
});
