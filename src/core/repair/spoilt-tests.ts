import type { Meter } from "../instrument";
import { candidateTests, costOf, type Hypothesis, Predictor, SOUND_MACHINE, verdictOf, windowOf } from "../diagnose";
import { type Fault, faultId, type Machine } from "../model";
import { exposureOf } from "../safety";
import { type Test, testKey } from "../simulate";

/**
 * Readings that the fault had thrown out of what a sound machine shows: safe ones first, then cheap ones, one of each
 * place.
 */
export function spoiltTests(machine: Machine, predictor: Predictor, meter: Meter, fault: Fault): Test[] {
  const hypothesis: Hypothesis = {
    kind: "fault",
    id: faultId(fault),
    assembly: machine.partById.get(fault.part)?.assembly ?? "",
    fault,
    led: [],
    prior: 1,
  };
  const danger = { none: 0, dead: 1, "low voltage": 2, live: 3 } as const;
  const found: { test: Test; danger: number; minutes: number }[] = [];
  for (const setup of machine.file.setups) {
    const tests = candidateTests(machine).filter(
      (t) => t.setup === setup.id && !["inrush", "insulation", "capacitance", "hertz"].includes(t.function),
    );
    const [sound, bad] = [
      predictor.predict(setup.id, tests, SOUND_MACHINE),
      predictor.predict(setup.id, tests, hypothesis, 0, 1),
    ];
    tests.forEach((test, i) => {
      const shown = bad[i]![0];
      if (!shown || verdictOf(windowOf(test, sound[i]!, meter), shown) === "fits") return;
      found.push({
        test,
        danger: danger[exposureOf(machine, setup, test)],
        minutes: costOf(machine, { setup: setup.id, openPanels: new Set() }, test).minutes,
      });
    });
  }
  found.sort((a, b) => a.danger - b.danger || a.minutes - b.minutes || (testKey(a.test) < testKey(b.test) ? -1 : 1));
  const places = new Set<string>();
  return found
    .filter(({ test }) => {
      const place = `${test.red} ${test.black ?? ""}`;
      return places.has(place) ? false : places.add(place);
    })
    .map(({ test }) => test);
}
