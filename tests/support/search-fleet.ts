import { walk } from "./walk-procedure";
import { describe, expect, it } from "vitest";
import { unmeetableProofs } from "../../src/core/diagnose/advice/binding-proofs";
import { faultGroups } from "../../src/core/diagnose/advice/groups";
import { walkOf } from "../../src/core/diagnose/advice/baseline-walk";
import { testKey } from "../../src/core/simulate/test";
import { FLEET, groupsOf, isolationOf } from "./fleet";
import { complaintOf, search } from "./isolate-unit";
import { proofState, wholeWay } from "./whole-way";
import { randomSource, randomValues, UnitOnTheBench } from "./unit-on-the-bench";

/** Repairs that each machine goes through from the complaint to the record. */
const WHOLE_WAYS = 3;

/** Searches single faults of these machines; in two files, so that two processes share the work. */
export function searchFleet(names: readonly string[]): void {
  /** Over these machines, with draws that nothing was developed against. */
  const sampled = { tried: 0, wrong: [] as string[] };
  const fresh = { tried: 0, wrong: [] as string[] };

  describe.each([...names])("%s", (name) => {
    const dictionary = isolationOf(name);
    const { machine } = dictionary;
    const committed = groupsOf(name);
    const faults = dictionary.hypotheses.filter((h) => h.kind === "fault");

    it("can tell apart what was committed before the search was run, at least 80 % of its faults alone", () => {
      expect(faultGroups(dictionary).filter((g) => g.length > 1)).toEqual(committed);
      const together = new Set(committed.flat());
      const alone = faults.filter((h) => !together.has(h.id));
      const weight = (list: typeof faults) => list.reduce((sum, h) => sum + h.prior, 0);
      console.log(
        `${name}: ${alone.length} of ${faults.length} faults stand alone, ${((100 * weight(alone)) / weight(faults)).toFixed(0)} % weighted by odds`,
      );
      expect(alone.length).toBeGreaterThanOrEqual(0.8 * faults.length);
    });

    it("has for every fault a permitted test of every proof that its assembly wants", () => {
      expect(unmeetableProofs(dictionary)).toEqual([]);
    });

    it(
      "ends at the right assembly for single faults, a dozen here and every one in the bench, part values drawn at random",
      { timeout: 600_000 },
      () => {
        const random = randomSource(7);
        const stride = Math.max(6, Math.ceil(faults.length / 12));
        const some = faults.filter((_, i) => i % stride === FLEET.indexOf(name) % stride);
        expect(some.length).toBeGreaterThan(3);
        sampled.tried += some.length;
        sampled.wrong.push(...some.flatMap((h) => wrongEnd(h, random) ?? []));
        // A fault of degree may be drawn so mild that a sound machine shows the same; more than one on a machine is
        // no chance.
        expect(
          sampled.wrong.filter((w) => w.startsWith(`${name}:`)).length,
          sampled.wrong.join("\n"),
        ).toBeLessThanOrEqual(1);
      },
    );

    it("is tried with other draws too, half a dozen faults", { timeout: 600_000 }, () => {
      const machineNumber = FLEET.indexOf(name);
      const random = randomSource(100_000 + machineNumber);
      const stride = Math.max(12, Math.ceil(faults.length / 6));
      for (const h of faults.filter((_, i) => i % stride === machineNumber % stride)) {
        fresh.tried++;
        fresh.wrong.push(...(wrongEnd(h, random) ?? []));
      }
      expect(fresh.tried).toBeGreaterThan(0);
    });

    /** Searches a unit with this fault; where it ended wrongly, in words. */
    function wrongEnd(h: (typeof faults)[number], random: () => number): string[] | null {
      const values = randomValues(machine, random);
      const unit = new UnitOnTheBench(machine, [h.fault], values, random);
      // Whoever stands there says how warm it is: the job screen asks, and no sensor can be judged without.
      const run = search(dictionary, unit, "advice", {
        known: [
          { type: "complaint", id: "complaint", complaint: complaintOf(unit) },
          { type: "surroundings", id: "room", celsius: Math.round(values.ambient) },
        ],
      });
      const group = committed.find((g) => g.includes(h.id)) ?? [h.id];
      const allowed = new Set(group.map((id) => dictionary.hypotheses.find((x) => x.id === id)!.assembly));
      if (run.assemblies.includes(h.assembly) && run.assemblies.every((p) => allowed.has(p))) return null;
      return [`${name}: ${h.id} ended at ${run.assemblies.join(", ")} after ${run.tests.map(testKey).join(" ; ")}`];
    }

    it("goes the whole way with faults of three assemblies: isolated, decided, repaired, set up, proven, recorded", () => {
      const random = randomSource(500 + FLEET.indexOf(name));
      // The likeliest faults that stand alone, in assemblies that are no work for another trade.
      const alone = faults.filter(
        (h) =>
          h.led.length === 0 &&
          !committed.flat().includes(h.id) &&
          machine.assemblyById.get(h.assembly)?.licensed === false &&
          !machine.partById.get(h.fault.part)!.modes.find((m) => m.id === h.fault.mode)!.severity,
      );
      const likely = [...alone].sort((a, b) => b.prior - a.prior || (a.id < b.id ? -1 : 1));
      const three = likely
        .filter((h, i) => likely.findIndex((x) => x.assembly === h.assembly) === i)
        .slice(0, WHOLE_WAYS);
      expect(three).toHaveLength(WHOLE_WAYS);
      for (const h of three) goesTheWholeWay(h, random);
    });

    function goesTheWholeWay(h: (typeof faults)[number], random: () => number): void {
      const unit = new UnitOnTheBench(machine, [h.fault], randomValues(machine, random), random);
      const way = wholeWay(dictionary, h.fault, unit, machine.file.complaints[0]!.id);
      expect(way.found, h.id).toContain(h.assembly);
      const stages = way.plan.stages.map((s) => s.id);
      expect(walk(machine, way.plan)).toEqual([]);
      expect(stages.indexOf("power-down")).toBeLessThan(stages.indexOf("close"));
      expect(way.carried.missing).toEqual([]);
      expect(way.carried.checked).not.toBe(false);
      expect(
        way.failBefore.some((id) => id.startsWith("repair") || id.startsWith("complaint")),
        h.id,
      ).toBe(true);
      expect(way.failAfter, h.id).toEqual([]);
      expect(way.leftAfter).toEqual([]);
      const state = proofState(way.steps, way.job.work.proved);
      expect([state.complete, state.passed]).toEqual([true, way.steps.length]);
      expect(way.job.called?.piece).toBe(h.assembly);
      expect(way.job.work.decisions).toHaveLength(1);
      expect(way.job.work.stages[h.assembly]).toEqual(stages);
    }

    it("can be walked without a plan too", () => {
      const walk = walkOf(machine);
      expect(walk.length).toBeGreaterThan(5);
      expect(new Set(walk.map(testKey)).size).toBe(walk.length);
    });
  });

  it("ends at the right assembly, or the committed group, in at least 98 % of the faults", () => {
    console.log(`${sampled.tried - sampled.wrong.length} of ${sampled.tried} right`);
    expect(sampled.wrong.length / sampled.tried, sampled.wrong.join("\n")).toBeLessThanOrEqual(0.02);
  });

  it("ends at the right assembly, or the committed group, in at least 98 % of the faults with those other draws", () => {
    console.log(`${fresh.tried - fresh.wrong.length} of ${fresh.tried} right with other draws`);
    expect(fresh.wrong.length / fresh.tried, fresh.wrong.join("\n")).toBeLessThanOrEqual(0.02);
  });
}
