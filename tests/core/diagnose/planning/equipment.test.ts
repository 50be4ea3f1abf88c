import { built } from "../../../support/built";
import { expect, test } from "vitest";
import { exposureOf } from "../../../../src/core/safety/exposure";
import { advise } from "../../../../src/core/diagnose/advice/advise";
import { ALL_EQUIPMENT } from "../../../../src/core/diagnose/planning/equipment";
import { machineNamed } from "../../../support/fleet";
import { believe } from "../../../../src/core/diagnose/belief/beliefs";
import { rate } from "../../../../src/core/diagnose/planning/rating";

const dictionary = built(machineNamed("kaldruun-uc-80"));
const { machine } = dictionary;
const unitState = (equipment = ALL_EQUIPMENT) => ({
  setup: "calling",
  openPanels: new Set<string>(),
  equipment,
});
const { probability } = believe(dictionary, [{ type: "complaint", id: "c", complaint: "warm" }]);

test("who does not work live is proposed nothing live; who has no clamp, no clamp", () => {
  const all = rate(dictionary, probability, unitState(), new Set());
  expect(all.some((r) => exposureOf(machine, machine.setupById.get(r.test.setup)!, r.test) === "live")).toBe(true);
  expect(all.some((r) => r.test.function === "clamp")).toBe(true);
  const dead = rate(dictionary, probability, unitState({ ...ALL_EQUIPMENT, live: false }), new Set());
  expect(dead.length).toBeGreaterThan(0);
  for (const r of dead) expect(exposureOf(machine, machine.setupById.get(r.test.setup)!, r.test)).not.toBe("live");
  const bare = rate(dictionary, probability, unitState({ ...ALL_EQUIPMENT, clamp: false, dcClamp: false }), new Set());
  expect(bare.some((r) => ["clamp", "dcclamp"].includes(r.test.function))).toBe(false);
});

test("without said means everything is proposed, as before", () => {
  const keys = (list: readonly { test: unknown; score: number }[]) =>
    list.map((r) => JSON.stringify([r.test, r.score]));
  expect(keys(rate(dictionary, probability, unitState(), new Set()))).toEqual(
    keys(rate(dictionary, probability, { setup: "calling", openPanels: new Set() }, new Set())),
  );
});

test("with nothing left that may be made it says so, and to whom to hand over", () => {
  let evidence: Parameters<typeof advise>[1] = [{ type: "complaint", id: "c", complaint: "check-over" }];
  const equipment = { ...ALL_EQUIPMENT, live: false, clamp: false, dcClamp: false };
  for (let i = 0; i < 40; i++) {
    const { next, stop } = advise(dictionary, evidence, unitState(equipment));
    if (!next) {
      expect(stop).not.toBeNull();
      if (stop!.kind === "group") expect(stop!.sentence).toContain("Hand over");
      return;
    }
    expect(next.exposure).not.toBe("live");
    // Every test shows what a sound machine shows.
    evidence = [
      ...evidence,
      { type: "reading", id: `r${i}`, test: next.test, shown: dictionary.predictionsFor(next.test)[0]![0]! },
    ];
  }
  throw new Error("the search did not end");
});
