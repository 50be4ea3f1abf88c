import { describe, expect, test } from "vitest";
import {
  benchRig,
  judgeRig,
  rigBoards,
  rigFindings,
  type BenchRig,
  type LampSeen,
} from "../../../src/core/workbench/bench-rig";
import { FLEET, machineNamed } from "../../support/fleet";

const rig = benchRig(machineNamed("kaldruun-uc-80"), "board");
const lampsOf = (r: BenchRig, fault: string): LampSeen[] => {
  const f = r.faults.findIndex((x) => x.id === fault);
  return r.steps.flatMap((_, step) =>
    r.lamps.flatMap((__, lamp) => {
      const shows = r.shows[f]![step]![lamp];
      return shows ? [{ step, lamp, shows }] : [];
    }),
  );
};

describe("a four-terminal relay board on the bench", () => {
  test("each load is a lamp of its own volts, behind an isolating transformer and a fuse; its ground is mains and said to be", () => {
    expect(rig.lamps.map((l) => [l.part, l.volts])).toEqual([
      ["compressor", 230],
      ["heater", 230],
    ]);
    expect(rig.wiring.join(" ")).toMatch(/isolating transformer of \d+ VA/);
    expect(rig.isolated).toBe(false);
    expect(rig.cautions.join(" ")).toContain("Not isolated");
  });
  test("warm: the cooling lamp; cold: none; defrost pins joined: the defrost lamp; off: none; on again: as at first", () => {
    const good = rig.shows[0]!;
    const at = (words: string) => good[rig.steps.findIndex((s) => s.words.includes(words))];
    expect(at("warm inside")).toEqual(["lit", "dark"]);
    expect(at("crushed ice")).toEqual(["dark", "dark"]);
    expect(at("defrost pins joined")).toEqual(["dark", "lit"]);
    expect(at("Power off")).toEqual(["dark", "dark"]);
    expect(at("on again")).toEqual(["lit", "dark"]);
  });
  test("a good board is called good once every step was seen", () => {
    const verdict = judgeRig(rig, lampsOf(rig, ""));
    expect(verdict.words).toBe("Good board.");
    expect(verdict.sure).toBe(true);
    expect(verdict.next).toBeNull();
  });
  test("a welded relay keeps its lamp lit in ice; the words say where", () => {
    const verdict = judgeRig(rig, lampsOf(rig, "K1:welded"));
    expect(verdict.sorts[0]!.sort).toBe("relay");
    expect(verdict.why).toContain("Compressor lit at “Power on, sensor in crushed ice”");
  });
  test("a relay that does not pull and a driver that does not drive look alike: the meter settles it", () => {
    const verdict = judgeRig(rig, lampsOf(rig, "K1:coil-open"));
    expect(
      verdict.sorts
        .slice(0, 2)
        .map((s) => s.sort)
        .sort(),
    ).toEqual(["driver", "relay"]);
    expect(verdict.words).toContain("Coil volts at the relay");
  });
  test("one lamp misread among all the others does not blame the board, and is named", () => {
    const seen = lampsOf(rig, "").map((o, i) => (i === 0 ? { ...o, shows: "dark" as const } : o));
    const odd = judgeRig(rig, seen);
    expect(odd.ranked[0]!.id).toBe("");
    expect(odd.sorts[0]!.probability).toBeLessThan(judgeRig(rig, lampsOf(rig, "")).sorts[0]!.probability);
    expect(odd.why).toContain("Compressor dark");
  });
  test("a sure verdict is a finding on its part; a good board clears what its lamps have proven; an unsure one says nothing", () => {
    expect(rigFindings(rig, judgeRig(rig, lampsOf(rig, "K1:welded")))).toEqual([
      { part: "K1", found: "bad", mode: "welded" },
    ]);
    const good = rigFindings(rig, judgeRig(rig, lampsOf(rig, "")));
    expect(good.map((f) => f.part)).toEqual(expect.arrayContaining(["K1", "K2", "PS", "U1"]));
    expect(good.every((f) => f.found === "good")).toBe(true);
    expect(rigFindings(rig, judgeRig(rig, []))).toEqual([]);
  });
  test("it proposes the step that tells most", () => {
    const first = judgeRig(rig, []);
    expect(first.next).not.toBeNull();
    expect(rig.steps[first.next!]!.words).not.toBe("Power off");
  });
});

test.each(FLEET)("%s: every fault of a board leaves it among the likeliest, whatever the lamps do", (name) => {
  const machine = machineNamed(name);
  for (const board of rigBoards(machine)) {
    const own = benchRig(machine, board.assembly);
    for (const fault of own.faults) {
      const { ranked, sorts } = judgeRig(own, lampsOf(own, fault.id));
      const shown = JSON.stringify(lampsOf(own, fault.id));
      // What explains every lamp: the true fault, and those no lamp tells from it.
      const alike = own.faults.filter((f) => JSON.stringify(lampsOf(own, f.id)) === shown).map((f) => f.id);
      expect(alike, `${board.assembly} ${fault.id}`).toContain(ranked[0]!.id);
      expect(sorts.reduce((sum, s) => sum + s.probability, 0)).toBeCloseTo(1, 9);
    }
  }
});
test("an assembly that is no board is refused", () =>
  expect(() => benchRig(machineNamed("kaldruun-uc-80"), "heater")).toThrow(RangeError));
