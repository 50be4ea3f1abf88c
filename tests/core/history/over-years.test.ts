import { describe, expect, it } from "vitest";
import { alikeBy } from "../../../src/core/history/likeness";
import { hashed } from "../../../src/core/history/features";
import { driftOf, readingsOverYears } from "../../../src/core/history/readings-over-years";
import type { JournalEvent } from "../../../src/core/journal/events";

const year = (n: number) => new Date(Date.UTC(2024, 0, 1) + n * 365.25 * 86_400_000).toISOString();

describe("the drift of what is read", () => {
  it("is the slope of the straight line, worked by hand: 44.1, 43.0, 41.8 a year apart", () => {
    // Mean 42.967; slope (41.8 - 44.1) / 2 = -1.15; residuals -1/60, 1/30, -1/60, so s = sqrt(0.0016667) = 0.0408.
    const { perYear, spread } = driftOf([44.1, 43.0, 41.8].map((value, n) => ({ at: Date.parse(year(n)), value })));
    expect(perYear).toBeCloseTo(-1.15, 6);
    expect(spread).toBeCloseTo(0.040825, 5);
  });

  it("is not told from readings of one week", () => {
    expect(driftOf([0, 0.01].map((n) => ({ at: Date.parse(year(n)), value: 44 - n }))).perYear).toBeNull();
    expect(driftOf([{ at: 0, value: 44 }])).toEqual({ perYear: null, spread: null });
  });
});

const reading = (job: string, n: number, at: string, value: number, red = "H1", id = `${job}-${n}`): JournalEvent => ({
  id,
  job,
  seq: n,
  v: 1,
  at,
  actor: "Ida",
  body: {
    type: "reading",
    test: { setup: "unplugged", function: "ohms", red, black: "H2", instant: "settled" },
    typed: String(value),
    shown: { kind: "value", value },
    as: {
      title: "Ohms of the heater",
      red,
      black: "H2",
      setup: "unplugged",
      exposure: "dead",
      expected: "42 to 48",
      shown: String(value),
      verdict: value === 90 ? "does not fit" : "fits",
      proposed: true,
    },
    coreVersion: "1",
  },
});

describe("the places of a unit over the years", () => {
  it("are those read in two jobs, the last of each job, none struck, what moved most first", () => {
    const struck: JournalEvent = {
      ...reading("b", 9, year(1), 0),
      id: "s",
      body: { type: "struck", event: "b-3", reason: "slipped" },
    };
    const places = readingsOverYears(
      [
        [reading("a", 1, year(0), 50), reading("a", 2, year(0), 44.1), reading("a", 3, year(0), 7, "P1")],
        [reading("b", 2, year(1), 43), reading("b", 3, year(1), 99), struck, reading("b", 4, year(1), 7, "P1")],
        [reading("c", 1, year(2), 41.8), reading("c", 2, year(2), 5, "X1")],
      ],
      Date.parse,
    );
    expect(places[0]!.perYear).toBeCloseTo(-1.15, 6);
    expect(places.map((p) => [p.leads, p.read.map((r) => r.value), p.unit])).toEqual([
      ["H1, H2", [44.1, 43, 41.8], "ohm"],
      ["P1, H2", [7, 7], "ohm"],
    ]);
  });
});

describe("a fault", () => {
  it("is shown among the readings of a place and is no drift of it", () => {
    const [place] = readingsOverYears(
      [[reading("a", 1, year(0), 44.1)], [reading("b", 1, year(1), 90)], [reading("c", 1, year(2), 41.8)]],
      Date.parse,
    );
    expect(place!.read.map((r) => [r.value, r.fits])).toEqual([
      [44.1, true],
      [90, false],
      [41.8, true],
    ]);
    expect(place!.perYear).toBeCloseTo(-1.15, 6);
  });
});

describe("jobs like this one", () => {
  it("are those that share what is rare: worked by hand", () => {
    // Of 15 jobs: a seen in 1 of them weighs log2(16) = 4, b in 8 weighs 1, c in 4 weighs 2; all together 7.
    const seen = [
      { term: "a", jobs: 1 },
      { term: "b", jobs: 8 },
      { term: "c", jobs: 4 },
    ];
    const past = [
      { job: "common", shared: ["b", "c"] },
      { job: "rare", shared: ["b", "a"] },
    ];
    expect(alikeBy(seen, past, 15)).toEqual([
      { job: "rare", shared: ["a", "b"], likeness: 5 / 7 },
      { job: "common", shared: ["c", "b"], likeness: 3 / 7 },
    ]);
    expect(alikeBy([], past, 15)).toEqual([]);
  });

  it("are named by a hash that is the published one", () => {
    // Test vectors of FNV-1a, 64 bit, from the authors' reference page (from memory).
    expect(hashed("")).toBe("cbf29ce484222325");
    expect(hashed("a")).toBe("af63dc4c8601ec8c");
    expect(hashed("foobar")).toBe("85944171f73967e8");
  });
});
